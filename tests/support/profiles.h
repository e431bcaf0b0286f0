// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/lab.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <vector>

#include <lcms2.h>

namespace irenic::test {

/// The bytes of a profile, which is closed.
inline std::vector<uint8_t> bytesOf(cmsHPROFILE profile)
{
    cmsUInt32Number bytes = 0;
    cmsSaveProfileToMem(profile, nullptr, &bytes);
    std::vector<uint8_t> out(bytes);
    cmsSaveProfileToMem(profile, out.data(), &bytes);
    cmsCloseProfile(profile);
    return out;
}

inline void describe(cmsHPROFILE profile, const char *name)
{
    cmsMLU *text = cmsMLUalloc(nullptr, 1);
    cmsMLUsetASCII(text, "en", "US", name);
    cmsWriteTag(profile, cmsSigProfileDescriptionTag, text);
    cmsMLUfree(text);
}

/// An RGB device of given primaries and gamma; white is D65.
inline std::vector<uint8_t> rgbProfile(const cmsCIExyYTRIPLE &primaries, double gamma, const char *name)
{
    const cmsCIExyY d65{0.3127, 0.3290, 1};
    cmsToneCurve *const curve = cmsBuildGamma(nullptr, gamma);
    cmsToneCurve *const three[3] = {curve, curve, curve};
    cmsHPROFILE p = cmsCreateRGBProfile(&d65, &primaries, three);
    describe(p, name);
    cmsFreeToneCurve(curve);
    return bytesOf(p);
}

inline std::vector<uint8_t> greyProfile()
{
    const cmsCIExyY d65{0.3127, 0.3290, 1};
    cmsToneCurve *const curve = cmsBuildGamma(nullptr, 2.2);
    cmsHPROFILE p = cmsCreateGrayProfile(&d65, curve);
    cmsFreeToneCurve(curve);
    return bytesOf(p);
}

inline std::vector<uint8_t> labProfile() { return bytesOf(cmsCreateLab4Profile(nullptr)); }

inline constexpr Lab kPaperLab{94, 0, 4}; ///< of inkProfile()'s paper

/// A printer of four inks on paper that is a little dark and yellow; its colours end before a screen's do.
inline std::vector<uint8_t> inkProfile(const char *name)
{
    constexpr double kInkReach = 0.75, kBlackest = 8; // a* and b* of full inks against Lab's own; L* of full black
    struct Model {
        /// Lab, relative to the paper, of inks from 0 to 1: chroma by the balance of three inks, lightness by all.
        static void lab(const double *ink, double *lab)
        {
            const double light = (1 - ink[0] * 0.45) * (1 - ink[1] * 0.55) * (1 - ink[2] * 0.1) * (1 - ink[3]);
            lab[0] = kBlackest + (100 - kBlackest) * light;
            const double strength = 1 - ink[3];
            lab[1] = kInkReach * strength * (75 * ink[1] - 40 * ink[0] - 8 * ink[2]);
            lab[2] = kInkReach * strength * (95 * ink[2] - 50 * ink[0] - 5 * ink[1]);
        }
    };
    cmsHPROFILE p = cmsCreateProfilePlaceholder(nullptr);
    cmsSetProfileVersion(p, 2.4);
    cmsSetDeviceClass(p, cmsSigOutputClass);
    cmsSetColorSpace(p, cmsSigCmykData);
    cmsSetPCS(p, cmsSigLabData);
    describe(p, name);
    cmsCIELab white{kPaperLab[0], kPaperLab[1], kPaperLab[2]};
    cmsCIEXYZ media;
    cmsLab2XYZ(nullptr, &media, &white);
    cmsWriteTag(p, cmsSigMediaWhitePointTag, &media);
    const auto write = [p](cmsTagSignature tag, cmsUInt32Number from, cmsUInt32Number to, cmsUInt32Number points, cmsSAMPLER16 sampler) {
        cmsPipeline *lut = cmsPipelineAlloc(nullptr, from, to);
        cmsStage *clut = cmsStageAllocCLut16bit(nullptr, points, from, to, nullptr);
        cmsStageSampleCLut16bit(clut, sampler, nullptr, 0);
        cmsPipelineInsertStage(lut, cmsAT_END, clut);
        cmsWriteTag(p, tag, lut);
        cmsPipelineFree(lut);
    };
    write(cmsSigAToB1Tag, 4, 3, 9, [](const cmsUInt16Number in[], cmsUInt16Number out[], void *) -> cmsInt32Number {
        const double ink[4] = {in[0] / 65535.0, in[1] / 65535.0, in[2] / 65535.0, in[3] / 65535.0};
        double lab[3];
        Model::lab(ink, lab);
        const cmsCIELab value{lab[0], lab[1], lab[2]};
        cmsFloat2LabEncodedV2(out, &value);
        return 1;
    });
    write(cmsSigBToA1Tag, 3, 4, 33, [](const cmsUInt16Number in[], cmsUInt16Number out[], void *) -> cmsInt32Number {
        cmsCIELab wanted;
        cmsLabEncoded2FloatV2(&wanted, in);
        // By descent from a little of each: three inks for the colour, black for what is darker still.
        double ink[4] = {0.2, 0.2, 0.2, 0.2};
        const auto away = [&](const double *i) {
            double lab[3];
            Model::lab(i, lab);
            return std::pow(lab[0] - wanted.L, 2) + std::pow(lab[1] - wanted.a, 2) + std::pow(lab[2] - wanted.b, 2);
        };
        double step = 0.25, best = away(ink);
        while (step > 1e-4) {
            bool better = false;
            for (int c = 0; c < 4; ++c)
                for (const double d : {-step, step}) {
                    const double before = ink[c];
                    ink[c] = std::clamp(before + d, 0.0, 1.0);
                    const double now = away(ink);
                    if (now < best - 1e-12) {
                        best = now;
                        better = true;
                    } else {
                        ink[c] = before;
                    }
                }
            if (!better)
                step /= 2;
        }
        for (int c = 0; c < 4; ++c)
            out[c] = cmsUInt16Number(std::lround(65535 * ink[c]));
        return 1;
    });
    return bytesOf(p);
}

} // namespace irenic::test
