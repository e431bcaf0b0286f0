// SPDX-License-Identifier: GPL-3.0-or-later
// What an output makes of colours, against outputs whose colours are known: a triangle of primaries, inks of a formula, greys.
#include "irenic/lab.h"
#include "irenic/picture.h"
#include "irenic/soft_proof.h"
#include "support/frames.h"
#include "support/profiles.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

using Rgb = std::array<float, 3>;

std::shared_ptr<const SoftProof> proofOf(const std::vector<uint8_t> &profile, bool paper = false)
{
    const auto made = SoftProof::from(profile, paper);
    return made ? made.value() : nullptr;
}

Rgb proofed(const SoftProof &proof, Rgb c)
{
    proof.proofRow(c.data(), 1);
    return c;
}

bool isOutside(const SoftProof &proof, const Rgb &c)
{
    uint8_t outside = 7;
    proof.outsideRow(c.data(), 1, &outside);
    return outside == 1;
}

double differenceOf(const Rgb &a, const Rgb &b)
{
    return ciede2000(labOf({double(a[0]), double(a[1]), double(a[2])}), labOf({double(b[0]), double(b[1]), double(b[2])}));
}

} // namespace

class SoftProofTest : public QObject
{
    Q_OBJECT
private slots:
    /// The output of half the primaries' reach: a colour lies within where it is a sum of them without a negative part, which linear algebra tells.
    void aTriangleOfPrimariesHoldsWhatItHolds()
    {
        // Every primary of sRGB mixed with a fifth of the others' light: its chromaticities by the ratio of sums in XYZ.
        const Rgb primaries[3] = {{0.8f, 0.1f, 0.1f}, {0.1f, 0.8f, 0.1f}, {0.1f, 0.1f, 0.8f}};
        cmsCIExyY chromaticities[3];
        for (size_t p = 0; p < 3; ++p) {
            const auto &c = primaries[p];
            const double x = 0.4124564 * double(c[0]) + 0.3575761 * double(c[1]) + 0.1804375 * double(c[2]), y = 0.2126729 * double(c[0]) + 0.7151522 * double(c[1]) + 0.0721750 * double(c[2]),
                         z = 0.0193339 * double(c[0]) + 0.1191920 * double(c[1]) + 0.9503041 * double(c[2]);
            chromaticities[p] = {x / (x + y + z), y / (x + y + z), 1};
        }
        const auto proof = proofOf(rgbProfile({chromaticities[0], chromaticities[1], chromaticities[2]}, 1.8, "Narrow"));
        QVERIFY(proof);
        QCOMPARE(proof->name(), std::string("Narrow"));
        int inside = 0, outside = 0;
        for (int r = 0; r <= 10; ++r)
            for (int g = 0; g <= 10; ++g)
                for (int b = 0; b <= 10; ++b) {
                    const Rgb c{float(r) / 10, float(g) / 10, float(b) / 10};
                    // Parts of the three primaries, whose sum is white: (c - 0.1 * sum) / 0.7.
                    const float sum = c[0] + c[1] + c[2];
                    Rgb parts, back{};
                    for (size_t i = 0; i < 3; ++i)
                        parts[i] = std::clamp((c[i] - 0.1f * sum) / 0.7f, 0.f, 1.f);
                    for (size_t i = 0; i < 3; ++i)
                        for (size_t p = 0; p < 3; ++p)
                            back[i] += parts[p] * primaries[p][i];
                    const Rgb shown = proofed(*proof, c);
                    for (size_t i = 0; i < 3; ++i)
                        QVERIFY2(std::abs(shown[i] - back[i]) < 0.01f, qPrintable(QStringLiteral("%1 in place of %2").arg(double(shown[i])).arg(double(back[i]))));
                    const double away = differenceOf(c, back);
                    if (std::abs(away - SoftProof::kFarthest) < 0.3)
                        continue; // on the limit
                    QCOMPARE(isOutside(*proof, c), away > SoftProof::kFarthest);
                    away > SoftProof::kFarthest ? ++outside : ++inside;
                }
        QVERIFY(inside > 200 && outside > 200);
    }
    void whatSrgbHoldsItLeavesAlone()
    {
        const auto proof = proofOf({});
        QVERIFY(proof);
        QCOMPARE(proof->name(), std::string("sRGB"));
        for (const Rgb &c : {Rgb{0, 0, 0}, {1, 1, 1}, {1, 0, 0}, {0.2f, 0.5f, 0.03f}, {0.001f, 0.0002f, 0.9f}}) {
            const Rgb shown = proofed(*proof, c);
            for (size_t i = 0; i < 3; ++i)
                QVERIFY(std::abs(shown[i] - c[i]) < 2e-3f);
            QVERIFY(!isOutside(*proof, c));
        }
        // A green of BT.2020, told in sRGB: one part is below nothing.
        const Rgb wide{-0.35f, 0.8f, -0.05f};
        QVERIFY(isOutside(*proof, wide));
        QVERIFY(proofed(*proof, wide)[0] >= -1e-3f);
    }
    void inksMakeOfColoursWhatInksCan()
    {
        const auto proof = proofOf(inkProfile("Inks")), onPaper = proofOf(inkProfile("Inks"), true);
        QVERIFY(proof && onPaper);
        // White is the paper: white beside itself, and its own colour where that is shown.
        const Rgb white = proofed(*proof, {1, 1, 1}), paper = proofed(*onPaper, {1, 1, 1});
        for (size_t i = 0; i < 3; ++i)
            QVERIFY2(std::abs(white[i] - 1) < 0.02f, qPrintable(QString::number(double(white[i]))));
        const Lab shown = labOf({double(paper[0]), double(paper[1]), double(paper[2])});
        QVERIFY2(std::abs(shown[0] - kPaperLab[0]) < 1.5 && std::abs(shown[2] - kPaperLab[2]) < 1.5, qPrintable(QStringLiteral("L* %1, b* %2").arg(shown[0]).arg(shown[2])));
        // Greys stay; the purest blue of a screen does not.
        QVERIFY(!isOutside(*proof, {0.18f, 0.18f, 0.18f}));
        QVERIFY(isOutside(*proof, {0, 0, 1}));
        QVERIFY(differenceOf(proofed(*proof, {0.18f, 0.18f, 0.18f}), {0.18f, 0.18f, 0.18f}) < 2);
    }
    void greyOutputsHaveNoColour()
    {
        const auto proof = proofOf(greyProfile());
        QVERIFY(proof);
        const Rgb shown = proofed(*proof, {0.6f, 0.1f, 0.2f});
        QVERIFY(std::abs(shown[0] - shown[1]) < 2e-3f && std::abs(shown[1] - shown[2]) < 2e-3f && shown[1] > 0.1f && shown[1] < 0.4f);
        QVERIFY(isOutside(*proof, {0.6f, 0.1f, 0.2f}));
        QVERIFY(!isOutside(*proof, {0.3f, 0.3f, 0.3f}));
    }
    void whatIsNoOutputIsRefused()
    {
        const auto sound = rgbProfile({{0.64, 0.33, 1}, {0.30, 0.60, 1}, {0.15, 0.06, 1}}, 2.2, "Sound");
        for (const auto &bytes : {std::vector<uint8_t>{1, 2, 3}, labProfile(), std::vector<uint8_t>(sound.begin(), sound.begin() + 140)}) {
            const auto refused = SoftProof::from(bytes);
            QVERIFY(!refused);
            QVERIFY(refused.error().userMessage.find("The output profile") != std::string::npos);
        }
        const auto proof = proofOf(sound);
        const Rgb odd = proofed(*proof, {std::numeric_limits<float>::quiet_NaN(), std::numeric_limits<float>::infinity(), 0.5f});
        for (const float v : odd)
            QVERIFY(std::isfinite(v));
    }
    /// On a picture: parts of it join without a seam, stripes leave most of what is below them, and nothing else is touched.
    void picturesCarryStripesWhereTheOutputEnds()
    {
        Scene scene = flatScene({128, 128}, 0.2f, 0.2f, 0.2f);
        for (int y = 0; y < 128; ++y)
            for (int x = 64; x < 128; ++x) {
                float *p = scene.rgb.data() + size_t(y * 128 + x) * 3;
                p[0] = 0.01f;
                p[1] = 0.02f;
                p[2] = 0.6f;
            }
        ShootOptions o;
        o.iso = 100;
        const Simulated s = simulate(scene, o);
        const Cleaner off(s.frame, s.noise, {"wavelet", 0, 0});
        const Rect whole{16, 16, 96, 96}, lower{16, 16 + 38, 96, 58};
        Look look{.show = Show::Outside, .proof = proofOf(inkProfile("Inks"))};
        const auto plain = developView(off, whole, 1, {}, nullptr, {}).value(), striped = developView(off, whole, 1, look, nullptr, {}).value(), part = developView(off, lower, 1, look, nullptr, {}).value();
        int changed = 0;
        for (int y = 0; y < 96; ++y)
            for (int x = 0; x < 96; ++x) {
                const bool same = std::equal(plain.row(y) + 3 * x, plain.row(y) + 3 * x + 3, striped.row(y) + 3 * x);
                changed += !same;
                QVERIFY(same || x >= 46); // two pixels beside the edge may be mixed by the demosaic
            }
        QVERIFY2(changed > 48 * 96 / 4 && changed < 48 * 96 / 2, qPrintable(QString::number(changed)));
        for (int y = 0; y < 58; ++y)
            QVERIFY(std::equal(part.row(y), part.row(y) + 3 * 96, striped.row(y + 38)));
        look.show = Show::Proof;
        const auto proof = developView(off, whole, 1, look, nullptr, {}).value();
        QVERIFY(differenceOf({proof.row(50)[0], proof.row(50)[1], proof.row(50)[2]}, {plain.row(50)[0], plain.row(50)[1], plain.row(50)[2]}) < 3);
        QVERIFY(proof.row(50)[3 * 80 + 2] < 0.9f * plain.row(50)[3 * 80 + 2]);
    }
};

QTEST_APPLESS_MAIN(SoftProofTest)
#include "soft_proof_test.moc"
