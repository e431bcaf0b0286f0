// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/output_profile.h"

#include "colour/icc.h"
#include "colour/profile.h"

namespace irenic {

std::vector<uint8_t> outputProfile(OutputProfile which)
{
    constexpr int kBt2020 = 9, kStraight = 8, kCurveOfSrgb = 13; // ITU-T H.273
    IccProfile profile = openedProfile({});
    if (which == OutputProfile::Wide || which == OutputProfile::Linear) {
        profile = openedProfile(profileOfCodePoints(kBt2020, which == OutputProfile::Linear ? kStraight : kCurveOfSrgb));
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
