// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/lens.h"

#include "irenic/parameter.h"
#include "irenic/sentence.h"
#include "irenic/text.h"
#include "lens/lens_json.h"
#include "lens/sensor_lens.h"

#include <cmath>

namespace irenic {

namespace {

constexpr const char *kLensFormat = "irenic-lens";
constexpr int kLensVersion = 1;
constexpr double kMostBent = 0.5; // of the radius
constexpr const char *kShapes[] = {"largest", "original", "everything"};

LensCorrection::Polynomial polynomialFrom(const JsonReader &json, const char *key)
{
    LensCorrection::Polynomial p = LensCorrection::kStraight;
    const auto list = json.numbers(key);
    if (list.size() == p.size())
        std::copy(list.begin(), list.end(), p.begin());
    else
        json.fail(key);
    return p;
}

} // namespace

const char *shapeName(LensCorrection::Shape shape)
{
    return kShapes[size_t(shape)];
}

std::optional<LensCorrection::Shape> shapeFromName(const std::string &name)
{
    for (size_t i = 0; i < std::size(kShapes); ++i)
        if (name == kShapes[i])
            return LensCorrection::Shape(i);
    return std::nullopt;
}

Status validate(const LensCorrection &lens)
{
    const auto wrong = [](const char *what) { return Error{ErrorCode::BadParameter, sentence("The correction of %1 is beyond what any lens needs; nothing was changed.", {sentence(what)}), {}}; };
    for (int i = 0; i <= 100; ++i) {
        const double r = i / 100.0, light = 1 + r * r * (lens.falloff[0] + r * r * (lens.falloff[1] + r * r * lens.falloff[2]));
        const auto within = [&](const LensCorrection::Polynomial &p, double most) { return std::abs(valueOf(p, r) - 1) <= most; }; // false for NaN
        if (!within(lens.red, kMostSideways) || !within(lens.blue, kMostSideways))
            return wrong(visible("lateral aberration"));
        if (!within(lens.bent, kMostBent))
            return wrong(visible("distortion"));
        if (!(light >= 0.05 && light <= 4))
            return wrong(visible("vignetting"));
    }
    if (!(lens.fringes >= 0 && lens.fringes <= 1))
        return wrong(visible("coloured fringes"));
    return {};
}

Json toJson(const LensCorrection &l)
{
    return {{"lateral", l.lateral}, {"vignetting", l.vignetting}, {"distortion", l.distortion}, {"red", l.red}, {"blue", l.blue}, {"bent", l.bent}, {"falloff", l.falloff}, {"fringes", l.fringes}, {"shape", shapeName(l.shape)}, {"from", l.from}};
}

LensCorrection lensFrom(const JsonReader &json)
{
    LensCorrection l;
    l.lateral = json.boolean("lateral");
    l.vignetting = json.boolean("vignetting");
    l.distortion = json.boolean("distortion");
    l.red = polynomialFrom(json, "red");
    l.blue = polynomialFrom(json, "blue");
    l.bent = polynomialFrom(json, "bent");
    const auto falloff = json.numbers("falloff");
    if (falloff.size() == l.falloff.size())
        std::copy(falloff.begin(), falloff.end(), l.falloff.begin());
    else
        json.fail("falloff");
    if (json.has("fringes")) // files from before there were any
        l.fringes = json.number("fringes", 0, 1);
    l.shape = json.named<LensCorrection::Shape>("shape", shapeFromName);
    l.from = json.text("from");
    if (const Status s = validate(l); !s)
        json.refuse(s.error().userMessage);
    return l;
}

std::string lensText(const LensCorrection &lens)
{
    Json j{{"format", kLensFormat}, {"version", kLensVersion}};
    j.update(toJson(lens));
    return jsonText(j, 2) + "\n";
}

Result<LensCorrection> lensFromText(const std::string &text, const std::string &from)
{
    return fromDocument<LensCorrection>(text, from, kLensFormat, visible("lens correction"), kLensVersion, lensFrom);
}

Result<LensCorrection> readLens(const std::filesystem::path &file)
{
    const Result<std::string> text = documentText(file, visible("lens correction"));
    return text ? lensFromText(text.value(), textOf(file.filename())) : Result<LensCorrection>(text.error());
}

Unbending::Unbending(const LensCorrection &lens, const Rect &crop) : m_bent(lens.bent), m_crop(crop), m_straight(!lens.bends())
{
    const LensGeometry g(crop);
    m_x = g.x;
    m_y = g.y;
    m_unit = g.unit;
    if (m_straight || lens.shape == LensCorrection::Shape::Original)
        return;
    // The border's places at a scale: do they all come from inside, or all from outside?
    const auto all = [&](double scale, bool inside) {
        m_scale = scale;
        constexpr int kPlaces = 64;
        for (int i = 0; i <= kPlaces; ++i)
            for (int side = 0; side < 4; ++side) {
                const float t = float(i) / kPlaces, w = float(crop.width), h = float(crop.height);
                float sx, sy;
                source(float(crop.x) + (side == 0 ? 0 : side == 1 ? w
                                                                  : t * w),
                       float(crop.y) + (side == 2 ? 0 : side == 3 ? h
                                                                  : t * h),
                       sx, sy);
                const bool isInside = sx >= float(crop.x) && sy >= float(crop.y) && sx <= float(crop.right()) && sy <= float(crop.bottom());
                const bool isOutside = sx <= float(crop.x) || sy <= float(crop.y) || sx >= float(crop.right()) || sy >= float(crop.bottom());
                if (!(inside ? isInside : isOutside))
                    return false;
            }
        return true;
    };
    double low = 0.4, high = 2.5;
    const bool largest = lens.shape == LensCorrection::Shape::Largest;
    for (int i = 0; i < 40; ++i) {
        const double middle = (low + high) / 2;
        (largest ? all(middle, true) : !all(middle, false)) ? low = middle : high = middle;
    }
    m_scale = largest ? low : high;
}

void Unbending::source(float x, float y, float &sx, float &sy) const
{
    const double dx = (double(x) - m_x) * m_scale, dy = (double(y) - m_y) * m_scale, f = valueOf(m_bent, std::hypot(dx, dy) / m_unit);
    sx = float(m_x + dx * f);
    sy = float(m_y + dy * f);
}

Rect Unbending::sourceOf(const Rect &region) const
{
    float left = 1e9f, top = 1e9f, right = -1e9f, bottom = -1e9f;
    constexpr int kPlaces = 16; // along every side; lines bend, but gently
    for (int i = 0; i <= kPlaces; ++i)
        for (int j = 0; j <= kPlaces; ++j) {
            float sx, sy;
            source(float(region.x) + float(region.width) * float(i) / kPlaces, float(region.y) + float(region.height) * float(j) / kPlaces, sx, sy);
            left = std::min(left, sx), right = std::max(right, sx);
            top = std::min(top, sy), bottom = std::max(bottom, sy);
        }
    constexpr int kMargin = 4;
    const int x = int(std::floor(left)) - kMargin, y = int(std::floor(top)) - kMargin;
    return {x, y, int(std::ceil(right)) + kMargin - x, int(std::ceil(bottom)) + kMargin - y};
}

bool Unbending::isBlank(float sx, float sy) const
{
    return sx < float(m_crop.x) || sy < float(m_crop.y) || sx > float(m_crop.right()) || sy > float(m_crop.bottom());
}

} // namespace irenic
