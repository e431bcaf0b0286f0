// SPDX-License-Identifier: GPL-3.0-or-later
#include "commands.h"
#include "trials.h"

#include "irenic/barrier.h"
#include "irenic/picture.h"
#include "jobs/images.h"
#include "session/paths.h"
#include "session/words.h"
#include "view/comparison_sheet.h"

#include <QFontDatabase>
#include <QGuiApplication>

#include <cstdio>

namespace irenic::cli {

namespace {

/// ", detail 0.50" for what is set.
QString tasteWords(const Taste &taste)
{
    QString words;
    for (const TreatmentParam &p : kTasteParams)
        if (taste.*p.taste != p.info.suggested)
            words += QStringLiteral(", %1 %2").arg(QString::fromUtf8(p.info.name)).arg(taste.*p.taste, 0, 'f', 2);
    return words;
}

Result<QImage> pictureOf(const std::shared_ptr<const Frame> &frame, const std::shared_ptr<const NoiseReport> &noise, const Treatment &treatment, UprightRect spot, const Look &look, const RunContext &run)
{
    const auto linear = developView(Cleaner(frame, noise, treatment), frame->storedOf(spot), 1, look, nullptr, run);
    if (!linear)
        return linear.error();
    return toImage(turned(encoded8(linear.value()), frame->orientation));
}

Status writeSheet(const StripArguments &a)
{
    const RunContext run{a.threads, {}, {}};
    const Result<Measured> subject = measured(a.file, run);
    if (!subject)
        return subject.error();
    const auto &[frame, noise] = subject.value();
    const Result<UprightRect> spot = spotFrom(a.spot, frame->uprightSize());
    if (!spot)
        return spot.error();
    std::vector<std::pair<Treatment, QString>> columns;
    if (a.untreated)
        columns.push_back({kNoTreatment, QStringLiteral("Untreated")});
    for (const std::string &text : a.trials) {
        const Result<Treatment> t = trialFrom(text, *noise);
        if (!t)
            return t.error();
        columns.push_back({t.value(), QStringLiteral("%1  %2").arg(trialLetter(int(columns.size()) - a.untreated), treatmentWords(t.value()) + tasteWords(t.value().taste))});
    }
    ComparisonSheet sheet;
    sheet.title = QStringLiteral("%1   ISO %2").arg(fileText(frame->file.stem())).arg(frame->shooting.iso);
    sheet.rows.emplace_back();
    for (const auto &[treatment, caption] : columns) {
        const Result<QImage> image = pictureOf(frame, noise, treatment, spot.value(), {a.pushEv}, run);
        if (!image)
            return image.error();
        sheet.rows.back().push_back({magnified(image.value(), a.zoom), caption});
    }
    const UprightRect &r = spot.value();
    sheet.footer = QStringLiteral("%1 % at %2, %3%4. Strengths are multiples of the measured noise.")
                       .arg(100 * a.zoom)
                       .arg(r.x + r.width / 2)
                       .arg(r.y + r.height / 2)
                       .arg(a.pushEv != 0 ? QStringLiteral(", pushed %1 EV").arg(a.pushEv) : QString());
    return writeNewPng(fileText(a.out), sheet.draw());
}

} // namespace

int strip(const StripArguments &arguments, int &argc, char **argv)
{
    qputenv("QT_QPA_PLATFORM", "offscreen"); // words need fonts, but no display
    QGuiApplication app(argc, argv);
    for (const char *face : {"Regular", "Semibold", "Bold"})
        QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/Lato-%1.ttf").arg(QLatin1String(face)));
    const Status written = behindBarrier(textOf(arguments.file), [&] { return writeSheet(arguments); });
    if (!written) {
        report(arguments.file, written.error(), false);
        return 1;
    }
    std::printf("%s\n", arguments.out.c_str());
    return 0;
}

} // namespace irenic::cli
