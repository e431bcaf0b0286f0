// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/roll.h"

#include "session/paths.h"

#include <QDate>
#include <QDir>
#include <QFileInfo>

namespace irenic {

namespace {

/// What hangs on the wall at first: the suggestion in the middle, a lighter and a stronger method beside it.
std::vector<Treatment> firstTrials(const NoiseReport &noise, const Treatment &suggested)
{
    const MethodInfo &info = *findMethod(suggested.method);
    return {suggestedFor(info.lighter, noise), suggested, suggestedFor(info.beside, noise)};
}

size_t bytesOf(const Frame &frame)
{
    const size_t alone = frame.beforeColours ? bytesOf(*frame.beforeColours->alone) : 0;
    return size_t(frame.samples.stride()) * size_t(frame.samples.height()) * sizeof(uint16_t) + alone;
}

/// Of a frame and of all that lies on its pixels.
size_t bytesOf(const RollFrame &f)
{
    size_t bytes = bytesOf(*f.frame);
    for (const auto &guest : f.matched)
        bytes += bytesOf(*guest->matched);
    return bytes;
}

std::vector<Spot> spotsOf(const SavedFrame &saved, QSize picture)
{
    std::vector<Spot> spots;
    const auto kinds = spotKinds();
    for (const SavedSpot &s : saved.spots) {
        const auto kind = std::find_if(kinds.begin(), kinds.end(), [&](const SpotKindInfo &info) { return s.kind == info.id; });
        if (QRect(QPoint(), picture).contains(s.x, s.y) && spots.size() < size_t(kMostSpots))
            spots.push_back({kind == kinds.end() ? SpotKind::Own : kind->kind, {s.x, s.y}, QString::fromStdString(s.name)});
    }
    return spots;
}

QString truthFileOf(const QString &path)
{
    const QFileInfo info(path);
    const QString truth = QStringLiteral("%1/truth/%2.dng").arg(info.absolutePath(), info.completeBaseName());
    return isFile(truth) ? truth : QString();
}

/// What was decided about it.
SavedFrame savedOf(const RollFrame &f)
{
    SavedFrame out;
    out.decided = true;
    out.trials = f.trials;
    out.keeper = f.keeper;
    for (const Spot &spot : f.spots)
        out.spots.push_back({infoOf(spot.kind).id, spot.at.x(), spot.at.y(), spot.name.toStdString()});
    for (const QString &file : f.guestFiles)
        out.guests.push_back(fileOf(file));
    out.rendering = f.rendering;
    out.regions = *f.regions;
    out.lens = f.lens;
    out.series = f.series;
    for (const QString &file : f.exported)
        out.exported.push_back(fileOf(file));
    return out;
}

/// What a session says of a frame, once it was read.
void takeSaved(const SavedFrame &saved, RollFrame &f)
{
    f.trials = saved.trials;
    for (Treatment &t : f.trials)
        t = carriedOut(t, f.frame->kind);
    if (f.trials.size() > size_t(kMostTrials))
        f.trials.resize(size_t(kMostTrials));
    f.keeper = saved.keeper < f.trialCount() ? saved.keeper : -1;
    f.spots = spotsOf(saved, f.pictureSize());
    f.rendering = saved.rendering;
    f.regions = saved.regions;
    f.lens = saved.lens;
    f.series = saved.series;
    f.guestFiles.clear();
    for (const auto &file : saved.guests)
        f.guestFiles << fileText(file);
    f.exported.clear();
    for (const auto &file : saved.exported)
        f.exported << fileText(file);
}

} // namespace

int Roll::indexOf(const QString &path) const
{
    for (int i = 0; i < count(); ++i)
        if (frame(i).path == path)
            return i;
    return -1;
}

QList<int> Roll::add(const QStringList &paths)
{
    QList<int> added;
    const int first = count();
    for (const QString &given : paths) {
        const QString path = QFileInfo(given).absoluteFilePath();
        if (indexOf(path) >= 0)
            continue;
        emit pathComes(path);
        auto frame = std::make_unique<RollFrame>();
        frame->path = path;
        m_frames.push_back(std::move(frame));
        added.append(count() - 1);
    }
    if (!added.isEmpty())
        emit framesAdded(first, int(added.size()));
    return added;
}

void Roll::setGlimpsed(const QString &path, const QImage &thumbnail, const ShootingData &shooting)
{
    const int index = indexOf(path);
    if (index < 0 || frame(index).state != RollFrame::State::Reading)
        return;
    RollFrame &f = *m_frames[size_t(index)];
    f.glimpsed = shooting;
    if (f.thumbnail.isNull())
        f.thumbnail = thumbnail;
    emit frameChanged(index);
}

void Roll::setOpened(const QString &path, std::shared_ptr<const Frame> frame)
{
    const int index = indexOf(path);
    if (index < 0 || this->frame(index).state != RollFrame::State::Reading) // read twice, as it was taken off and put back meanwhile
        return;
    m_frames[size_t(index)]->frame = std::move(frame);
    emit frameChanged(index);
}

void Roll::setReadingDone(const QString &path, std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, const QImage &thumbnail, const std::vector<ProposedSpot> &spots)
{
    const int index = indexOf(path);
    if (index < 0 || this->frame(index).state != RollFrame::State::Reading)
        return;
    RollFrame &f = *m_frames[size_t(index)];
    f.frame = std::move(frame);
    f.noise = std::move(noise);
    f.thumbnail = thumbnail;
    f.suggestion = suggestTreatment(*f.noise);
    f.ownStart = m_decisions.startFor(double(f.noise->luminanceNoise));
    f.trials = firstTrials(*f.noise, f.suggestion.treatment);
    for (const ProposedSpot &p : spots)
        if (f.spots.size() < size_t(kMostSpots))
            f.spots.push_back({p.kind, {p.at.x, p.at.y}, {}});
    f.lens = describedLens(*f.frame);
    f.truthFile = truthFileOf(path);
    f.state = RollFrame::State::Ready;
    const std::optional<SavedFrame> saved = std::exchange(f.saved, {});
    f.wasDecided = saved && saved->decided;
    if (f.wasDecided)
        takeSaved(*saved, f);
    f.bindRegions();
    m_memory.hold(index);
    emit frameChanged(index);
    emit frameReady(index);
    wantGuests(f);
    letRest();
}

void Roll::wantGuests(const RollFrame &f)
{
    if (const QStringList files = f.unmatchedGuests(); f.state == RollFrame::State::Ready && !files.isEmpty())
        emit guestsWanted(f.path, files);
}

void Roll::keepGuest(int index, const QString &file, const std::shared_ptr<const Guest> &guest)
{
    if (frame(index).state != RollFrame::State::Ready) // one that went to rest meanwhile has it matched again when it wakes
        return;
    m_frames[size_t(index)]->matched.insert(file, guest);
    letRest();
}

void Roll::noteGuestLost(const QString &path, const QString &file)
{
    const int index = indexOf(path);
    if (index < 0)
        return;
    m_frames[size_t(index)]->lostGuests << file;
    emit frameChanged(index);
}

void Roll::dropPixels(RollFrame &f)
{
    const auto facts = std::make_shared<Frame>(static_cast<const FrameFacts &>(*f.frame));
    facts->beforeColours = nullptr; // holds pixels, too
    f.frame = facts;
    f.bindRegions();
    f.matched.clear(); // guests lie on its pixels
    f.lostGuests.clear();
    f.bindGuests();
    f.state = RollFrame::State::Resting;
}

/// Pixels of frames that were not looked at for long are let go, and their guests with them.
void Roll::letRest(size_t forOthers)
{
    const auto bytes = [this](int i) { return bytesOf(frame(i)); };
    for (int index; (index = m_memory.beyondBudget(forOthers, bytes)) >= 0;) {
        m_memory.drop(index);
        dropPixels(*m_frames[size_t(index)]);
        emit frameChanged(index);
    }
}

void Roll::lookAt(int index)
{
    m_memory.lookAt(index);
    if (index >= 0)
        wake(index);
}

void Roll::wake(int index)
{
    if (frame(index).state == RollFrame::State::Resting)
        emit pixelsWanted(frame(index).path);
}

void Roll::setNearness(const QString &path, const Treatment &of, const Shared<std::vector<Region>> &regions, double db)
{
    const int index = indexOf(path);
    if (index < 0 || !frame(index).isMeasured())
        return;
    m_frames[size_t(index)]->nearness = {of, regions, db};
    emit nearnessTold(index);
}

void Roll::setAwake(const QString &path, std::shared_ptr<const Frame> frame)
{
    const int index = indexOf(path);
    if (index < 0 || this->frame(index).state != RollFrame::State::Resting)
        return;
    RollFrame &f = *m_frames[size_t(index)];
    f.frame = std::move(frame);
    f.state = RollFrame::State::Ready;
    f.bindRegions();
    m_memory.hold(index);
    emit frameChanged(index);
    wantGuests(f);
    letRest();
}

void Roll::setReadingFailed(const QString &path, const QString &problem)
{
    const int index = indexOf(path);
    if (index < 0 || frame(index).state == RollFrame::State::Ready) // what is there is there; a second reading found the file gone
        return;
    RollFrame &f = *m_frames[size_t(index)];
    if (f.isMeasured()) // it was there before; what was decided stays
        f.saved = savedOf(f);
    m_memory.drop(index);
    f.frame.reset();
    f.bindRegions();
    f.state = RollFrame::State::Failed;
    f.problem = problem;
    emit frameChanged(index);
}

void Roll::noteExported(const QString &path, const QString &file)
{
    const int index = indexOf(path);
    if (index < 0)
        return;
    QStringList &exported = m_frames[size_t(index)]->exported;
    if (!exported.contains(file))
        exported.append(file);
    emit frameChanged(index);
}

void Roll::setDecisions(const Decisions &decisions)
{
    m_decisions = decisions;
    for (int i = 0; i < count(); ++i) {
        RollFrame &f = *m_frames[size_t(i)];
        const auto start = f.noise ? m_decisions.startFor(double(f.noise->luminanceNoise)) : std::nullopt;
        if (start == f.ownStart)
            continue;
        f.ownStart = start;
        emit frameChanged(i);
    }
}

std::vector<Decision> Roll::decisionsAbout(const QList<int> &frames) const
{
    std::vector<Decision> decisions;
    const std::string day = QDate::currentDate().toString(Qt::ISODate).toStdString();
    for (const int i : frames)
        if (const RollFrame &f = frame(i); f.isMeasured() && f.keeper >= 0)
            decisions.push_back(decisionOf(fileOf(f.path), double(f.noise->luminanceNoise), f.trials[size_t(f.keeper)], f.suggestedFor(f.keeper), day));
    return decisions;
}

ChoiceParts Roll::setChoices(int index, const Choices &choices)
{
    RollFrame &f = *m_frames[size_t(index)];
    ChoiceParts parts = differences(f, choices);
    static_cast<Choices &>(f) = choices;
    if (parts.testFlag(ChoicePart::Regions))
        f.bindRegions();
    const auto guests = std::exchange(f.guests, {});
    f.bindGuests();
    if (f.guests != guests) // that were wanted before are there now
        parts |= ChoicePart::Guests;
    wantGuests(f); // undo may bring back some that were let go
    emit choicesChanged(index, parts);
    return parts;
}

std::unique_ptr<RollFrame> Roll::takeOut(int index)
{
    std::unique_ptr<RollFrame> frame = std::move(m_frames[size_t(index)]);
    m_frames.erase(m_frames.begin() + index);
    m_memory.noteTakenOut(index);
    if (frame->state == RollFrame::State::Ready)
        dropPixels(*frame);
    emit rollChanged();
    return frame;
}

void Roll::putBack(int index, std::unique_ptr<RollFrame> frame)
{
    m_memory.notePutBack(index);
    const RollFrame &f = **m_frames.insert(m_frames.begin() + index, std::move(frame));
    emit rollChanged();
    if (f.state == RollFrame::State::Reading)
        emit readingWanted(f.path);
}

std::vector<SavedFrame> Roll::saved(const QString &folder) const
{
    const QDir dir(folder);
    std::vector<SavedFrame> frames;
    for (const auto &f : m_frames) {
        SavedFrame out = f->isMeasured() ? savedOf(*f) : f->saved.value_or(SavedFrame());
        out.file = fileOf(f->path);
        out.beside = fileOf(dir.relativeFilePath(f->path));
        frames.push_back(std::move(out));
    }
    return frames;
}

void Roll::clear()
{
    m_memory.clear();
    m_frames.clear();
}

QStringList Roll::restore(const std::vector<SavedFrame> &frames, const QString &folder)
{
    QStringList toRead;
    for (const SavedFrame &s : frames) {
        auto f = std::make_unique<RollFrame>();
        const auto file = s.found(fileOf(folder));
        f->path = fileText(file.empty() ? s.file : file);
        f->saved = s;
        if (file.empty()) {
            f->state = RollFrame::State::Failed;
            f->problem = tr("%1 is not where it was. What was decided about it is kept; say where the file is now (Frame, Find the file).").arg(QDir::toNativeSeparators(f->path));
        } else {
            toRead << f->path;
        }
        m_frames.push_back(std::move(f));
    }
    if (count() > 0)
        emit framesAdded(0, count());
    return toRead;
}

QStringList Roll::setFound(const QString &missing, const QString &file)
{
    QStringList found;
    const QFileInfo info(file);
    for (int i = 0; i < count(); ++i) {
        RollFrame &f = *m_frames[size_t(i)];
        if (!f.isMissing())
            continue;
        const QString at = f.path == missing ? info.absoluteFilePath() : info.absoluteDir().filePath(QFileInfo(f.path).fileName());
        if (indexOf(at) >= 0 || !isFile(at))
            continue;
        emit pathComes(at);
        f.path = at;
        f.state = RollFrame::State::Reading;
        f.problem.clear();
        found << at;
        emit frameChanged(i);
    }
    return found;
}

} // namespace irenic
