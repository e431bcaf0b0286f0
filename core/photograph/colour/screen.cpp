// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/screen.h"

#include "colour/colour.h"
#include "colour/icc.h"
#include "irenic/parameter.h"
#include "irenic/sentence.h"

#include <algorithm>
#include <cmath>
#include <optional>

namespace irenic {

namespace {

/// Sixteen-bit encoded sRGB (IEC 61966-2-1) of linear values, by a table whose steps are finer than one of its results.
uint16_t encoded(float linear)
{
    constexpr int kEntries = 1 << 16;
    static const std::vector<uint16_t> table = [] {
        std::vector<uint16_t> t(kEntries + 1); // over the square root, which is straight where the curve is steep
        for (int i = 0; i <= kEntries; ++i) {
            const double root = double(i) / kEntries, v = root * root;
            t[size_t(i)] = uint16_t(std::lround(65535 * (v <= 0.0031308 ? 12.92 * v : 1.055 * std::pow(v, 1 / 2.4) - 0.055)));
        }
        return t;
    }();
    return linear > 0 ? table[size_t(std::sqrt(std::min(linear, 1.f)) * kEntries + 0.5f)] : uint16_t(0); // black where it is no number
}

/// Thresholds of an 8 x 8 ordered dither (Bayer 1973), in 64ths.
constexpr uint8_t kOrdered[64] = {0, 32, 8, 40, 2, 34, 10, 42, 48, 16, 56, 24, 50, 18, 58, 26, 12, 44, 4, 36, 14, 46, 6, 38, 60, 28, 52, 20, 62, 30, 54, 22,
                                  3, 35, 11, 43, 1, 33, 9, 41, 51, 19, 59, 27, 49, 17, 57, 25, 15, 47, 7, 39, 13, 45, 5, 37, 63, 31, 55, 23, 61, 29, 53, 21};

constexpr int kCurveSteps = 4096;

/// Encoded values of a screen's channel over the square root of linear ones; empty where its curve cannot be turned round.
std::vector<float> encodingCurve(cmsHPROFILE profile, cmsTagSignature tag)
{
    const auto *curve = static_cast<const cmsToneCurve *>(cmsReadTag(profile, tag));
    const std::unique_ptr<cmsToneCurve, void (*)(cmsToneCurve *)> back(curve ? cmsReverseToneCurveEx(kCurveSteps, curve) : nullptr, [](cmsToneCurve *c) {
        if (c)
            cmsFreeToneCurve(c);
    });
    if (!back)
        return {};
    std::vector<float> out(kCurveSteps + 2);
    for (int i = 0; i <= kCurveSteps; ++i)
        out[size_t(i)] = std::clamp(cmsEvalToneCurveFloat(back.get(), float(i) * float(i) / (float(kCurveSteps) * kCurveSteps)), 0.f, 1.f);
    out.back() = out[kCurveSteps];
    return out;
}

/// The number of eight bits for one of 0 to 65535 at a place: the threshold lies between 0 and 1 step; what eight bits hold stays as it is.
uint8_t dithered(float v, int x, int y)
{
    const float threshold = (float(kOrdered[(y & 7) * 8 + (x & 7)]) + 0.5f) / 64;
    return uint8_t(v * (255.f / 65535) + threshold);
}

uint8_t rounded(uint16_t v)
{
    return uint8_t((uint32_t(v) * 255 + 32767) / 65535);
}

} // namespace

Result<std::shared_ptr<const ScreenTransform>> ScreenTransform::from(const std::vector<uint8_t> &bytes)
{
    const auto refuse = [](const char *why) { return Error{ErrorCode::Unsupported, sentence("The screen's profile %1; colours are shown as sRGB.", {sentence(why)}), {}}; };
    const IccProfile screen = openedProfile(bytes), srgb = openedProfile({});
    if (bytes.empty() || !screen || !srgb)
        return refuse(visible("cannot be read"));
    if (cmsGetColorSpace(screen.get()) != cmsSigRgbData || !cmsIsIntentSupported(screen.get(), INTENT_RELATIVE_COLORIMETRIC, LCMS_USED_AS_OUTPUT))
        return refuse(visible("is not that of an RGB screen"));
    auto out = std::shared_ptr<ScreenTransform>(new ScreenTransform);
    out->m_transform = cmsCreateTransform(srgb.get(), TYPE_RGB_16, screen.get(), TYPE_RGB_16, INTENT_RELATIVE_COLORIMETRIC, cmsFLAGS_BLACKPOINTCOMPENSATION | cmsFLAGS_NOCACHE | cmsFLAGS_NOOPTIMIZE);
    if (!out->m_transform)
        return refuse(visible("cannot be used"));
    if (cmsIsMatrixShaper(screen.get()) && !cmsIsCLUT(screen.get(), INTENT_RELATIVE_COLORIMETRIC, LCMS_USED_AS_OUTPUT)) {
        const auto own = colourants(screen.get()), ours = colourants(srgb.get());
        const cmsTagSignature curves[3] = {cmsSigRedTRCTag, cmsSigGreenTRCTag, cmsSigBlueTRCTag};
        std::array<std::vector<float>, 3> encoding;
        for (size_t c = 0; c < 3; ++c)
            encoding[c] = encodingCurve(screen.get(), curves[c]);
        const double determinant = own ? (*own)[0] * ((*own)[4] * (*own)[8] - (*own)[5] * (*own)[7]) - (*own)[1] * ((*own)[3] * (*own)[8] - (*own)[5] * (*own)[6]) + (*own)[2] * ((*own)[3] * (*own)[7] - (*own)[4] * (*own)[6]) : 0;
        if (own && ours && std::abs(determinant) > 1e-6 && !encoding[0].empty() && !encoding[1].empty() && !encoding[2].empty()) {
            const Matrix3 m = multiplied(inverted(*own), *ours);
            std::copy(m.begin(), m.end(), out->m_matrix.begin());
            out->m_curves = std::move(encoding);
        }
    }
    out->m_name = descriptionOf(screen.get());
    return std::shared_ptr<const ScreenTransform>(std::move(out));
}

ScreenTransform::~ScreenTransform()
{
    if (m_transform)
        cmsDeleteTransform(m_transform);
}

void ScreenTransform::showRow(const float *linear, int count, int x, int y, uint8_t *out) const
{
    if (hasCurves()) {
        const auto &m = m_matrix;
        for (int i = 0; i < count; ++i, linear += 3)
            for (size_t c = 0; c < 3; ++c) {
                const float in[3] = {std::clamp(linear[0], 0.f, 1.f), std::clamp(linear[1], 0.f, 1.f), std::clamp(linear[2], 0.f, 1.f)};
                const float v = m[3 * c] * in[0] + m[3 * c + 1] * in[1] + m[3 * c + 2] * in[2];
                const float at = v > 0 ? std::sqrt(std::min(v, 1.f)) * kCurveSteps : 0.f; // black where it is no number
                const auto step = size_t(at);
                const float lower = m_curves[c][step], e = lower + (m_curves[c][step + 1] - lower) * (at - float(step));
                out[3 * i + int(c)] = dithered(e * 65535, x + i, y);
            }
        return;
    }
    constexpr int kChunk = 256;
    uint16_t row[3 * kChunk];
    for (int from = 0; from < count; from += kChunk) {
        const int n = std::min(kChunk, count - from);
        std::transform(linear + 3 * from, linear + 3 * (from + n), row, encoded);
        cmsDoTransform(m_transform, row, row, cmsUInt32Number(n));
        for (int i = 0; i < n; ++i)
            for (int c = 0; c < 3; ++c)
                out[3 * (from + i) + c] = dithered(row[3 * i + c], x + from + i, y);
    }
}

void ScreenTransform::showEncoded(const uint8_t *srgb, int count, uint8_t *out) const
{
    constexpr int kChunk = 256;
    uint16_t row[3 * kChunk];
    for (int from = 0; from < count; from += kChunk) {
        const int n = std::min(kChunk, count - from);
        std::transform(srgb + 3 * from, srgb + 3 * (from + n), row, [](uint8_t v) { return uint16_t(v * 257); });
        cmsDoTransform(m_transform, row, row, cmsUInt32Number(n));
        std::transform(row, row + 3 * n, out + 3 * from, rounded);
    }
}

std::array<uint8_t, 3> ScreenTransform::shown(std::array<uint8_t, 3> srgb) const
{
    std::array<uint8_t, 3> out;
    showEncoded(srgb.data(), 1, out.data());
    return out;
}

} // namespace irenic
