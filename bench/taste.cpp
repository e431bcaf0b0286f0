// SPDX-License-Identifier: GPL-3.0-or-later
#include "benches.h"
#include "subject.h"

#include "irenic/picture.h"

#include <algorithm>
#include <cmath>
#include <cstdio>

namespace irenic::bench {

namespace {

using Luma = std::vector<double>;

Luma lumaOf(const Cleaner &cleaner)
{
    const auto picture = developRegion(cleaner, cleaner.frame().crop, {}, nullptr, {});
    const auto encoded = encoded16(picture.value());
    Luma out(size_t(encoded.size.area()));
    for (size_t i = 0; i < out.size(); ++i)
        out[i] = (0.2126 * encoded.samples[3 * i] + 0.7152 * encoded.samples[3 * i + 1] + 0.0722 * encoded.samples[3 * i + 2]) / 65535;
    return out;
}

double meanSquareOf(const Luma &a, const Luma &b)
{
    double sum = 0;
    for (size_t i = 0; i < a.size(); ++i)
        sum += (a[i] - b[i]) * (a[i] - b[i]);
    return sum / double(a.size());
}

Luma blend(const Luma &treated, const Luma &untreated, double share)
{
    Luma out(treated.size());
    for (size_t i = 0; i < out.size(); ++i)
        out[i] = treated[i] + share * (untreated[i] - treated[i]);
    return out;
}

double psnr(double meanSquare)
{
    return -10 * std::log10(meanSquare);
}

} // namespace

int taste(const TasteArguments &a)
{
    const auto folder = std::filesystem::temp_directory_path();
    std::printf("%-24s %6s %-8s %6s %7s %8s %8s %8s\n", "scene", "ISO", "method", "detail", "left %", "detail", "blend", "gain dB");
    for (const int iso : a.isos)
        for (const std::string &file : a.scenes) {
            const Result<Scene> scene = readScene(file);
            // The same noise on a card of middling brightness tells how much of it is left.
            Scene card{{512, 512}, std::vector<float>(512 * 512 * 3, 0.12f)};
            const Result<Subject> picture = scene ? makeSubject(scene.value(), iso, {0, 0, true}, folder) : Result<Subject>(scene.error());
            const Result<Subject> flat = makeSubject(card, iso, {0, 0, true}, folder);
            if (!picture || !flat) {
                std::fprintf(stderr, "irenic-bench: %s\n", (picture ? flat : picture).error().userMessage.c_str());
                return 1;
            }
            const Subject &s = picture.value(), &f = flat.value();
            const auto cleaner = [&](const Subject &of, const std::string &method, double strength, double detail) {
                Treatment t{method, strength, strength};
                t.taste.detail = detail;
                return Cleaner(of.frame, of.noise, t);
            };
            const auto truthOf = [&](const Subject &of) { return lumaOf(Cleaner::untreated(of.clean)); };
            const Luma truth = truthOf(s), flatTruth = truthOf(f), untreated = lumaOf(cleaner(s, "wavelet", 0, 0)), flatUntreated = lumaOf(cleaner(f, "wavelet", 0, 0));
            const double noise = std::sqrt(meanSquareOf(flatUntreated, flatTruth));
            for (const MethodInfo &m : methods()) {
                if (!takesPart(a.methods, m.id))
                    continue;
                const Luma plain = lumaOf(cleaner(s, m.id, a.strength, 0)), flatPlain = lumaOf(cleaner(f, m.id, a.strength, 0));
                for (const double amount : a.amounts) {
                    const double left = std::sqrt(meanSquareOf(lumaOf(cleaner(f, m.id, a.strength, amount)), flatTruth)) / noise;
                    double low = 0, high = 1; // of the blend that leaves as much
                    for (int i = 0; i < 30; ++i) {
                        const double middle = (low + high) / 2;
                        (std::sqrt(meanSquareOf(blend(flatPlain, flatUntreated, middle), flatTruth)) / noise < left ? low : high) = middle;
                    }
                    const double detailed = psnr(meanSquareOf(lumaOf(cleaner(s, m.id, a.strength, amount)), truth)), blended = psnr(meanSquareOf(blend(plain, untreated, low), truth));
                    std::printf("%-24s %6d %-8s %6.2f %7.1f %8.2f %8.2f %+8.2f   (method alone %.2f)\n", std::filesystem::path(file).stem().c_str(), iso, m.id, amount, 100 * left, detailed, blended,
                                detailed - blended, psnr(meanSquareOf(plain, truth)));
                    std::fflush(stdout);
                }
            }
        }
    return 0;
}

} // namespace irenic::bench
