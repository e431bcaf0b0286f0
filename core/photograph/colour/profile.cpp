// SPDX-License-Identifier: GPL-3.0-or-later
#include "colour/profile.h"

#include "colour/colour.h"
#include "colour/icc.h"
#include "irenic/text.h"

namespace irenic {

namespace {

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

IccProfile openedProfile(const std::vector<uint8_t> &bytes)
{
    return {bytes.empty() ? cmsCreate_sRGBProfile() : cmsOpenProfileFromMem(bytes.data(), cmsUInt32Number(bytes.size())), cmsCloseProfile};
}

std::string descriptionOf(cmsHPROFILE profile)
{
    char name[256] = "";
    cmsGetProfileInfoASCII(profile, cmsInfoDescription, "en", "US", name, sizeof name);
    return utf8Text(name);
}

std::optional<Matrix3> colourants(cmsHPROFILE profile)
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

Encoding encodingOf(const std::vector<uint8_t> &bytes, int channels)
{
    Encoding e;
    const IccProfile profile = openedProfile(bytes), srgb = openedProfile({});
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
    const std::optional<Matrix3> own = colourants(profile.get()), theirs = colourants(srgb.get());
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
    const IccProfile profile = openedProfile(bytes), srgb = openedProfile({});
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

std::vector<uint8_t> profileOfCodePoints(int primaries, int transfer)
{
    const cmsCIExyY d65{0.3127, 0.3290, 1};
    cmsCIExyYTRIPLE colours;
    switch (primaries) {
    case 1: colours = {{0.64, 0.33, 1}, {0.30, 0.60, 1}, {0.15, 0.06, 1}}; break;
    case 9: colours = {{0.708, 0.292, 1}, {0.170, 0.797, 1}, {0.131, 0.046, 1}}; break;
    case 12: colours = {{0.680, 0.320, 1}, {0.265, 0.690, 1}, {0.150, 0.060, 1}}; break;
    default: return {};
    }
    // Y = (aX + b)^g for X >= d, cX below
    const auto curve = [&]() -> cmsToneCurve * {
        const double srgb[5] = {2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045}, bt709[5] = {1 / 0.45, 1 / 1.099, 0.099 / 1.099, 1 / 4.5, 0.081};
        switch (transfer) {
        case 1:
        case 6: return cmsBuildParametricToneCurve(nullptr, 4, bt709);
        case 4: return cmsBuildGamma(nullptr, 2.2);
        case 8: return cmsBuildGamma(nullptr, 1.0);
        case 13: return cmsBuildParametricToneCurve(nullptr, 4, srgb);
        default: return nullptr;
        }
    };
    const std::unique_ptr<cmsToneCurve, void (*)(cmsToneCurve *)> one(curve(), [](cmsToneCurve *c) {
        if (c)
            cmsFreeToneCurve(c);
    });
    if (!one)
        return {};
    cmsToneCurve *const three[3] = {one.get(), one.get(), one.get()};
    const IccProfile profile(cmsCreateRGBProfile(&d65, &colours, three), cmsCloseProfile);
    cmsUInt32Number bytes = 0;
    if (!profile || !cmsSaveProfileToMem(profile.get(), nullptr, &bytes))
        return {};
    std::vector<uint8_t> out(bytes);
    return cmsSaveProfileToMem(profile.get(), out.data(), &bytes) ? out : std::vector<uint8_t>();
}

} // namespace irenic
