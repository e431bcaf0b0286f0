// SPDX-License-Identifier: GPL-3.0-or-later
#include "commands.h"

#include "irenic/barrier.h"
#include "irenic/measure_noise.h"
#include "irenic/picture.h"
#include "irenic/read_frame.h"
#include "jobs/images.h"
#include "session/paths.h"
#include "session/words.h"
#include "view/comparison_sheet.h"

#include <QFontDatabase>
#include <QGuiApplication>

#include <charconv>
#include <cstdio>

namespace irenic::cli {

namespace {

std::vector<std::string> split(const std::string &text, char at)
{
    std::vector<std::string> parts(1);
    for (const char c : text) {
        if (c == at)
            parts.emplace_back();
        else
            parts.back() += c;
    }
    return parts;
}

template <class T>
std::optional<T> number(const std::string &text)
{
    T value{};
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
    return error == std::errc() && end == text.data() + text.size() && !text.empty() ? std::optional(value) : std::nullopt;
}

Error badTrial(const std::string &text, const std::string &why)
{
    return {ErrorCode::BadParameter, "The trial \"" + text + "\" " + why + "; it must be METHOD, METHOD:STRENGTH or METHOD:LUMINANCE:COLOUR, and may go on with ,NAME=VALUE (see: irenic-cli methods).", {}};
}

/// METHOD[:LUMINANCE[:COLOUR]][,NAME=VALUE ...]; strengths that are left out are the frame's own suggestion, and one stands for both. Names are those
/// of its taste.
Result<Treatment> trialFrom(const std::string &text, const NoiseReport &noise)
{
    const auto pieces = split(text, ',');
    const auto parts = split(pieces[0], ':');
    const std::string method = methodIdOf(parts[0]);
    if (!findMethod(method))
        return badTrial(text, "names no method");
    if (parts.size() > 3)
        return badTrial(text, "has too many parts");
    Treatment t = suggestedFor(method, noise);
    for (size_t i = 1; i < parts.size(); ++i) {
        const auto value = number<double>(parts[i]);
        if (!value)
            return badTrial(text, "has a strength that is no number");
        if (i == 1)
            t.luminance = *value;
        t.colour = *value;
    }
    for (size_t i = 1; i < pieces.size(); ++i) {
        const auto setting = split(pieces[i], '=');
        const TreatmentParam *param = findParam(setting[0]);
        const auto value = setting.size() == 2 ? number<double>(setting[1]) : std::nullopt;
        if (!param || !value)
            return badTrial(text, "has a setting that cannot be understood (" + pieces[i] + ")");
        param->of(t) = *value;
    }
    if (const Status s = validate(t); !s)
        return s.error();
    return t;
}

/// ", detail 0.50" for what is set.
QString tasteWords(const Taste &taste)
{
    QString words;
    for (const TreatmentParam &p : kTasteParams)
        if (taste.*p.taste != p.info.suggested)
            words += QStringLiteral(", %1 %2").arg(QString::fromUtf8(p.info.name)).arg(taste.*p.taste, 0, 'f', 2);
    return words;
}

Result<UprightRect> spotFrom(const std::string &text, Size picture)
{
    const auto parts = split(text, ',');
    std::array<int, 4> v{};
    for (size_t i = 0; i < 4; ++i) {
        const auto value = parts.size() == 4 ? number<int>(parts[i]) : std::nullopt;
        if (!value)
            return Error{ErrorCode::BadParameter, "The spot must be X,Y,WIDTH,HEIGHT in pixels of the upright picture, not \"" + text + "\".", {}};
        v[i] = *value;
    }
    const UprightRect spot{v[0], v[1], v[2], v[3]};
    if (spot.isEmpty() || !UprightRect{0, 0, picture.width, picture.height}.contains(spot))
        return Error{ErrorCode::BadParameter, "The spot " + text + " does not lie inside the picture of " + std::to_string(picture.width) + " x " + std::to_string(picture.height) + " pixels.", {}};
    return spot;
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
    const auto frame = readFrame(a.file, run);
    if (!frame)
        return frame.error();
    Result<NoiseReport> measured = measureNoise(*frame.value(), run);
    if (!measured)
        return measured.error();
    const auto noise = std::make_shared<const NoiseReport>(measured.take());
    const Result<UprightRect> spot = spotFrom(a.spot, frame.value()->uprightSize());
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
    sheet.title = QStringLiteral("%1   ISO %2").arg(fileText(frame.value()->file.stem())).arg(frame.value()->shooting.iso);
    sheet.rows.emplace_back();
    for (const auto &[treatment, caption] : columns) {
        const Result<QImage> image = pictureOf(frame.value(), noise, treatment, spot.value(), {a.pushEv}, run);
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
