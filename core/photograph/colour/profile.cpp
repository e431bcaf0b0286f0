// SPDX-License-Identifier: GPL-3.0-or-later
#include "colour/profile.h"

#include "colour/colour.h"

#include <lcms2.h>

namespace irenic {

namespace {

using Profile = std::unique_ptr<void, cmsBool (*)(cmsHPROFILE)>;

Profile opened(const std::vector<uint8_t> &bytes)
{
    return {bytes.empty() ? cmsCreate_sRGBProfile() : cmsOpenProfileFromMem(bytes.data(), cmsUInt32Number(bytes.size())), cmsCloseProfile};
}

/// Linear profile colours to XYZ under D50.
std::optional<Matrix3> toXyz(cmsHPROFILE profile)
{
    Matrix3 m{};
    const cmsTagSignature tags[3] = {cmsSigRedColorantTag, cmsSigGreenColorantTag, cmsSigBlueColorantTag};
    for (size_t c = 0; c < 3; ++c) {
        const auto *xyz = static_cast<const cmsCIEXYZ *>(cmsReadTag(profile, tags[c]));
        if (!xyz)
            return std::nullopt;
        m[c] = xyz->X;
        m[3 + c] = xyz->Y;
        m[6 + c] = xyz->Z;
    }
    return m;
}

bool readCurve(cmsHPROFILE profile, cmsTagSignature tag, std::vector<float> &out)
{
    const auto *curve = static_cast<const cmsToneCurve *>(cmsReadTag(profile, tag));
    if (!curve)
        return false;
    out.resize(65536);
    const float top = std::max(1e-6f, cmsEvalToneCurveFloat(curve, 1.f));
    float last = 0;
    for (size_t i = 0; i < out.size(); ++i) {
        last = std::max(last, cmsEvalToneCurveFloat(curve, float(i) / 65535) / top); // rising, whatever the profile says
        out[i] = std::min(last, 1.f);
    }
    return true;
}

} // namespace

Encoding encodingOf(const std::vector<uint8_t> &bytes, int channels)
{
    Encoding e;
    const Profile profile = opened(bytes), srgb = opened({});
    if (!profile)
        return e;
    const cmsColorSpaceSignature space = cmsGetColorSpace(profile.get());
    if (channels == 1 && space == cmsSigGrayData) {
        if (!readCurve(profile.get(), cmsSigGrayTRCTag, e.decode[0]))
            return e;
        e.decode[1] = e.decode[2] = e.decode[0];
        return e; // written as RGB with equal channels, so the grey profile is not kept
    }
    if (space != cmsSigRgbData || !cmsIsMatrixShaper(profile.get()))
        return e;
    const std::optional<Matrix3> own = toXyz(profile.get()), theirs = toXyz(srgb.get());
    const cmsTagSignature curves[3] = {cmsSigRedTRCTag, cmsSigGreenTRCTag, cmsSigBlueTRCTag};
    for (size_t c = 0; c < 3; ++c)
        if (!own || !theirs || !readCurve(profile.get(), curves[c], e.decode[c])) {
            e.decode = {};
            return e;
        }
    e.toSrgb = multiplied(inverted(*theirs), *own);
    e.profile = bytes;
    return e;
}

bool convertToSrgb(const std::vector<uint8_t> &bytes, Plane<uint16_t> &samples)
{
    const Profile profile = opened(bytes), srgb = opened({});
    if (!profile || cmsGetColorSpace(profile.get()) != cmsSigRgbData)
        return false;
    const cmsHTRANSFORM transform = cmsCreateTransform(profile.get(), TYPE_RGB_16, srgb.get(), TYPE_RGB_16, INTENT_RELATIVE_COLORIMETRIC, cmsFLAGS_NOCACHE);
    if (!transform)
        return false;
    for (int y = 0; y < samples.height(); ++y)
        cmsDoTransform(transform, samples.row(y), samples.row(y), cmsUInt32Number(samples.width() / 3));
    cmsDeleteTransform(transform);
    return true;
}

} // namespace irenic
