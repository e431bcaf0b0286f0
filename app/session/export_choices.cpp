// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/export_choices.h"

#include "session/paths.h"

#include <QDir>
#include <QFileInfo>
#include <QSettings>

namespace irenic {

int trialFor(const Session &session, int index)
{
    const int keeper = session.roll().frame(index).keeper;
    return keeper >= 0 ? keeper : std::clamp(session.viewing().column() - 1, 0, session.roll().frame(index).trialCount() - 1);
}

ExportChoices ExportChoices::load()
{
    const QSettings s;
    ExportChoices c;
    const auto number = [&](const char *key, int fallback) { return s.value(QStringLiteral("export/") + QLatin1String(key), fallback).toInt(); };
    const auto text = [&](const char *key, const QString &fallback) { return s.value(QStringLiteral("export/") + QLatin1String(key), fallback).toString(); };
    QList<ExportFormat> formats;
    for (const QString &name : text("formats", {}).split(u' ', Qt::SkipEmptyParts))
        if (const auto format = formatFromName(name.toStdString()))
            formats << *format;
    if (!formats.isEmpty())
        c.formats = formats;
    c.options.bits = number("bits", c.options.bits);
    c.options.compression = compressionFromName(text("compression", {}).toStdString()).value_or(c.options.compression);
    c.options.profile = profileFromName(text("profile", {}).toStdString()).value_or(c.options.profile);
    c.options.dpi = number("dpi", int(c.options.dpi));
    // Earlier versions kept whether it was lossless.
    c.options.dng = dngCompressionFromName(text("dngCompression", {}).toStdString()).value_or(number("lossless", 1) ? c.options.dng : DngCompression::None);
    if (!validate(c.options))
        c.options = {};
    c.place = Place(std::clamp(number("place", int(c.place)), 0, int(Place::Folder)));
    c.subfolder = text("subfolder", c.subfolder);
    c.folder = text("folder", {});
    c.name = text("name", c.name);
    c.askClash = number("askClash", 0);
    c.clash = number("skipClash", 0) ? ExportJob::Clash::Skip : ExportJob::Clash::Number;
    c.sidecar = number("sidecar", 1);
    return c;
}

void ExportChoices::save() const
{
    QSettings s;
    const auto set = [&](const char *key, const QVariant &value) { s.setValue(QStringLiteral("export/") + QLatin1String(key), value); };
    QStringList names;
    for (const ExportFormat format : formats)
        names << QLatin1String(formatName(format));
    set("formats", names.join(u' '));
    set("bits", options.bits);
    set("compression", QLatin1String(compressionName(options.compression)));
    set("profile", QLatin1String(profileName(options.profile)));
    set("dpi", int(options.dpi));
    set("dngCompression", QLatin1String(compressionName(options.dng)));
    set("place", int(place));
    set("subfolder", subfolder);
    set("folder", folder);
    set("name", name);
    set("askClash", int(askClash));
    set("skipClash", int(clash == ExportJob::Clash::Skip));
    set("sidecar", int(sidecar));
}

QList<int> ExportChoices::indexes(const Session &session) const
{
    QList<int> all;
    for (int i = 0; i < session.roll().count(); ++i) {
        const RollFrame &f = session.roll().frame(i);
        const bool wanted = [&] {
            switch (frames) {
            case Frames::This:
            case Frames::ThisSuggested: return i == session.viewing().current();
            case Frames::Keepers: return f.keeper >= 0;
            case Frames::Chosen:
            case Frames::ChosenSuggested: return chosen.contains(i);
            default: return true;
            }
        }();
        // Trials are there once a frame was measured; a suggestion or a given treatment does not need them.
        const bool possible = frames == Frames::This ? f.isMeasured() : f.state != RollFrame::State::Failed;
        if (wanted && possible)
            all << i;
    }
    return all;
}

QString ExportChoices::folderFor(const RollFrame &frame) const
{
    const QString beside = QFileInfo(frame.path).absolutePath();
    switch (place) {
    case Place::Beside: return beside;
    case Place::Subfolder: return QDir::cleanPath(beside + u'/' + subfolder);
    case Place::Folder: break;
    }
    return folder;
}

std::vector<ExportRequest> ExportChoices::requests(const Session &session) const
{
    std::vector<ExportRequest> all;
    int counter = 0;
    for (const int i : indexes(session)) {
        const RollFrame &f = session.roll().frame(i);
        ++counter;
        QList<ExportFormat> made;
        for (ExportFormat format : formats) {
            // A finished picture cannot become raw again.
            if (f.frame && f.frame->kind == FrameKind::Rendered && isStillRaw(format))
                format = ExportFormat::Tiff;
            if (made.contains(format))
                continue;
            made << format;
            ExportRequest r;
            r.job.source = fileOf(f.path);
            r.job.folder = fileOf(folderFor(f));
            r.job.nameTemplate = name.toStdString();
            r.job.parts.counter = counter;
            if (f.frame || !isStillRaw(format))
                r.job.format = format; // else its natural one, once it is known
            r.job.options = options;
            r.job.options.rendering = f.rendering;
            r.job.regions = *f.regions;
            r.job.lens = f.lens;
            r.job.clash = clash;
            r.job.sidecar = sidecar;
            r.job.again = again;
            if (frames == Frames::This || frames == Frames::Keepers || (frames == Frames::Chosen && f.keeper >= 0)) {
                const int trial = trialFor(session, i);
                r.job.treatment = WantedTreatment::exactly(f.trials[size_t(trial)]);
                r.job.parts.trial = trialLetter(trial).toStdString();
            } else if (frames == Frames::Alike) {
                r.job.treatment = alike;
            }
            if (f.state == RollFrame::State::Ready)
                r.frame = f.frame;
            r.noise = f.noise;
            if (f.noise)
                r.job.decided = DecidedNoise::of(*f.noise);
            if (const RollFrame *current = session.viewing().readyFrame(); sameNoise && current && f.frame && f.frame->kind == current->frame->kind)
                r.job.seriesNoise.assign(current->noise->cells.begin(), current->noise->cells.end());
            if (f.isMeasured())
                r.expected = expectedSeconds(Cleaner(f.frame, f.noise, r.job.treatment.resolved(*f.frame, *f.noise, format), f.edits()), format, made.size() > 1);
            all.push_back(std::move(r));
        }
    }
    return all;
}

std::optional<Result<std::filesystem::path>> targetOf(const ExportRequest &r, const RollFrame &f, bool evenIfTaken)
{
    if (!f.isMeasured())
        return std::nullopt;
    const ExportFormat format = r.job.format.value_or(ExportFormat::Dng);
    const Result<std::string> name = expandName(r.job.nameTemplate, *f.frame, r.job.treatment.resolved(*f.frame, *f.noise, format), r.job.parts);
    if (!name)
        return Result<std::filesystem::path>(name.error());
    return Result<std::filesystem::path>(evenIfTaken ? r.job.folder / (name.value() + formatEnding(format)) : freeName(r.job.folder, name.value(), format));
}

} // namespace irenic
