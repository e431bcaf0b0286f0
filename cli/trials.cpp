// SPDX-License-Identifier: GPL-3.0-or-later
#include "trials.h"

#include "irenic/clean.h"
#include "irenic/measure_noise.h"
#include "irenic/read_frame.h"

#include <array>
#include <charconv>

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

} // namespace

Result<Measured> measured(const std::string &file, const RunContext &run)
{
    const auto frame = readFrame(file, run);
    if (!frame)
        return frame.error();
    Result<NoiseReport> noise = measureNoise(*frame.value(), run);
    if (!noise)
        return noise.error();
    return Measured{frame.value(), std::make_shared<const NoiseReport>(noise.take())};
}

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

} // namespace irenic::cli
