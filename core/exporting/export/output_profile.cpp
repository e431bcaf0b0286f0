// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/output_profile.h"

#include <lcms2.h>

namespace irenic {

std::vector<uint8_t> outputProfile(OutputProfile which)
{
    std::unique_ptr<void, cmsBool (*)(cmsHPROFILE)> profile(cmsCreate_sRGBProfile(), cmsCloseProfile);
    if (which == OutputProfile::Wide || which == OutputProfile::Linear) {
        const cmsCIExyY white{0.3127, 0.3290, 1};
        const cmsCIExyYTRIPLE primaries{{0.708, 0.292, 1}, {0.170, 0.797, 1}, {0.131, 0.046, 1}}; // ITU-R BT.2020
        const cmsFloat64Number srgb[5] = {2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045}, straight[1] = {1};
        cmsToneCurve *curve = which == OutputProfile::Linear ? cmsBuildParametricToneCurve(nullptr, 1, straight) : cmsBuildParametricToneCurve(nullptr, 4, srgb);
        cmsToneCurve *const curves[3] = {curve, curve, curve};
        profile.reset(cmsCreateRGBProfile(&white, &primaries, curves));
        cmsFreeToneCurve(curve);
        cmsMLU *text = cmsMLUalloc(nullptr, 1);
        cmsMLUsetASCII(text, "en", "US", which == OutputProfile::Linear ? "BT.2020 primaries, linear" : "BT.2020 primaries, curve of sRGB");
        cmsWriteTag(profile.get(), cmsSigProfileDescriptionTag, text);
        cmsMLUsetASCII(text, "en", "US", "No copyright, use freely");
        cmsWriteTag(profile.get(), cmsSigCopyrightTag, text);
        cmsMLUfree(text);
    }
    cmsUInt32Number size = 0;
    cmsSaveProfileToMem(profile.get(), nullptr, &size);
    std::vector<uint8_t> bytes(size);
    cmsSaveProfileToMem(profile.get(), bytes.data(), &size);
    return bytes;
}

} // namespace irenic
