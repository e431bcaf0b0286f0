// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/soft_proof.h"

#include "colour/icc.h"
#include "irenic/lab.h"
#include "irenic/parameter.h"
#include "irenic/sentence.h"

#include <algorithm>
#include <cmath>

namespace irenic {

namespace {

constexpr int kChunk = 256, kMostChannels = 4;
constexpr cmsUInt32Number kExact = cmsFLAGS_NOCACHE | cmsFLAGS_NOOPTIMIZE;

/// sRGB without its curve: floats go through it as they are, those outside of 0 to 1 as well.
IccProfile linearSrgb()
{
    const cmsCIExyY d65{0.3127, 0.3290, 1};
    const cmsCIExyYTRIPLE primaries{{0.64, 0.33, 1}, {0.30, 0.60, 1}, {0.15, 0.06, 1}}; // IEC 61966-2-1
    cmsToneCurve *const straight = cmsBuildGamma(nullptr, 1);
    cmsToneCurve *const three[3] = {straight, straight, straight};
    IccProfile out(cmsCreateRGBProfile(&d65, &primaries, three), cmsCloseProfile);
    cmsFreeToneCurve(straight);
    return out;
}

/// Nothing for what no output device of colour pictures has.
cmsUInt32Number floatFormat(cmsColorSpaceSignature space)
{
    switch (space) {
    case cmsSigRgbData: return TYPE_RGB_FLT;
    case cmsSigCmykData: return TYPE_CMYK_FLT;
    case cmsSigGrayData: return TYPE_GRAY_FLT;
    default: return 0;
    }
}

} // namespace

Result<std::shared_ptr<const SoftProof>> SoftProof::from(const std::vector<uint8_t> &bytes, bool paper)
{
    const auto refuse = [](const char *why) { return Error{ErrorCode::Unsupported, sentence("The output profile %1.", {sentence(why)}), {}}; };
    const IccProfile device = openedProfile(bytes), ours = linearSrgb();
    if (!device || !ours)
        return refuse(visible("cannot be read"));
    const cmsUInt32Number format = floatFormat(cmsGetColorSpace(device.get()));
    if (!format)
        return refuse(visible("is of no RGB, CMYK or grey output"));
    auto out = std::shared_ptr<SoftProof>(new SoftProof);
    out->m_channels = int(T_CHANNELS(format));
    out->m_most = format == TYPE_CMYK_FLT ? 100 : 1;
    out->m_there = cmsCreateTransform(ours.get(), TYPE_RGB_FLT, device.get(), format, INTENT_RELATIVE_COLORIMETRIC, cmsFLAGS_BLACKPOINTCOMPENSATION | kExact);
    out->m_back = cmsCreateTransform(device.get(), format, ours.get(), TYPE_RGB_FLT, INTENT_RELATIVE_COLORIMETRIC, cmsFLAGS_BLACKPOINTCOMPENSATION | kExact);
    if (paper)
        out->m_seen = cmsCreateTransform(device.get(), format, ours.get(), TYPE_RGB_FLT, INTENT_ABSOLUTE_COLORIMETRIC, kExact);
    if (!out->m_there || !out->m_back || (paper && !out->m_seen))
        return refuse(visible("leads only one way"));
    out->m_name = bytes.empty() ? "sRGB" : descriptionOf(device.get());
    return std::shared_ptr<const SoftProof>(std::move(out));
}

SoftProof::~SoftProof()
{
    for (void *t : {m_there, m_back, m_seen})
        if (t)
            cmsDeleteTransform(t);
}

void SoftProof::thereAndBack(void *back, float *linear, int count) const
{
    float device[kMostChannels * kChunk];
    for (int from = 0; from < count; from += kChunk) {
        const int n = std::min(kChunk, count - from);
        float *here = linear + 3 * from;
        std::replace_if(
            here, here + 3 * n, [](float v) { return !std::isfinite(v); }, 0.f);
        cmsDoTransform(m_there, here, device, cmsUInt32Number(n));
        for (int i = 0; i < m_channels * n; ++i)
            device[i] = device[i] > 0 ? std::min(device[i], m_most) : 0.f; // nothing where it is no number
        cmsDoTransform(back, device, here, cmsUInt32Number(n));
    }
}

void SoftProof::proofRow(float *linear, int count) const
{
    thereAndBack(m_seen ? m_seen : m_back, linear, count);
}

void SoftProof::outsideRow(const float *linear, int count, uint8_t *outside) const
{
    constexpr float kNothing = 1e-4f; // of white: far below what CIEDE2000 of 2 is anywhere
    std::vector<float> comesOut(linear, linear + 3 * size_t(count));
    thereAndBack(m_back, comesOut.data(), count);
    for (int i = 0; i < count; ++i) {
        const float *a = linear + 3 * i, *b = comesOut.data() + 3 * i;
        const bool same = std::abs(a[0] - b[0]) < kNothing && std::abs(a[1] - b[1]) < kNothing && std::abs(a[2] - b[2]) < kNothing;
        outside[i] = !same && ciede2000(labOf({double(a[0]), double(a[1]), double(a[2])}), labOf({double(b[0]), double(b[1]), double(b[2])})) > kFarthest;
    }
}

} // namespace irenic
