// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/roll_frame.h"

#include "session/paths.h"

#include <QFileInfo>

namespace irenic {

ChoiceParts differences(const Choices &a, const Choices &b)
{
    ChoiceParts parts;
    parts.setFlag(ChoicePart::Trials, a.trials != b.trials);
    parts.setFlag(ChoicePart::Keeper, a.keeper != b.keeper);
    parts.setFlag(ChoicePart::Spots, a.spots != b.spots);
    parts.setFlag(ChoicePart::Guests, a.guestFiles != b.guestFiles);
    parts.setFlag(ChoicePart::Rendering, a.rendering != b.rendering);
    parts.setFlag(ChoicePart::Regions, a.regions != b.regions);
    parts.setFlag(ChoicePart::Lens, a.lens != b.lens);
    parts.setFlag(ChoicePart::Series, a.series != b.series);
    return parts;
}

QString Spot::words() const
{
    return name.isEmpty() ? QObject::tr(infoOf(kind).label) : name;
}

QString RollFrame::name() const
{
    return QFileInfo(path).completeBaseName();
}

const ShootingData *RollFrame::shooting() const
{
    return frame ? &frame->shooting : glimpsed ? &*glimpsed
                                               : nullptr;
}

QString RollFrame::speedWords() const
{
    const ShootingData *s = shooting();
    if (s && s->iso > 0)
        return QObject::tr("ISO %1").arg(s->iso);
    return !frame ? QString() : frame->kind == FrameKind::Rendered ? QObject::tr("picture")
                                                                   : QObject::tr("raw");
}

QSize RollFrame::pictureSize() const
{
    if (!frame)
        return {};
    const Size s = frame->uprightSize();
    return {s.width, s.height};
}

std::shared_ptr<const Frame> RollFrame::truth() const
{
    if (guests.empty() || truthFile.isEmpty())
        return nullptr;
    const std::filesystem::path file = fileOf(truthFile);
    const auto found = std::find_if(guests.begin(), guests.end(), [&](const auto &g) { return g->file == file; });
    return found == guests.end() ? nullptr : (*found)->matched;
}

Treatment RollFrame::suggestedFor(int trial) const
{
    const Treatment &t = trials[size_t(trial)];
    if (!noise)
        return t;
    Treatment suggested = irenic::suggestedFor(t.method, *noise);
    suggested.colourMethod = t.colourMethod;
    suggested.taste = t.taste; // nobody suggests those
    suggested.regions = t.regions;
    return suggested;
}

void RollFrame::bindGuests()
{
    guests.clear();
    for (const QString &file : guestFiles)
        if (const auto found = matched.constFind(file); found != matched.constEnd())
            guests.push_back(*found);
}

QStringList RollFrame::unmatchedGuests() const
{
    QStringList files;
    for (const QString &file : guestFiles)
        if (!matched.contains(file) && !lostGuests.contains(file))
            files << file;
    return files;
}

bool RollFrame::hasLostGuests() const
{
    return std::any_of(lostGuests.begin(), lostGuests.end(), [this](const QString &file) { return guestFiles.contains(file); });
}

void RollFrame::bindRegions()
{
    if (regions->empty() || !frame || !noise || frame->samples.isEmpty())
        regionSet.reset();
    else if (!regionSet || regionSet->regions() != *regions || regionSet->frame() != frame)
        regionSet = std::make_shared<const RegionSet>(frame, noise, *regions);
}

} // namespace irenic
