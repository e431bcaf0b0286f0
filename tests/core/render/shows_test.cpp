// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/picture.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

class ShowsTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        ShootOptions o;
        o.iso = 6400;
        m_shot = simulate(makeScene({256, 256}), o);
    }

    void removedIsGreyWhereNothingWasTaken()
    {
        const Cleaner off(m_shot.frame, m_shot.noise, {"wavelet", 0, 0});
        const auto seen = encoded8(developView(off, m_region, 1, {0, Show::Removed}, nullptr, {}).value());
        for (const uint8_t v : seen.samples)
            QCOMPARE(int(v), 119);
    }

    void removedIsTheDifferenceAmplified()
    {
        const Cleaner cleaner(m_shot.frame, m_shot.noise, {"wavelet", 1, 1}), off(m_shot.frame, m_shot.noise, {"wavelet", 0, 0});
        const auto before = encoded8(developView(off, m_region, 1, {1.5}, nullptr, {}).value()), after = encoded8(developView(cleaner, m_region, 1, {1.5}, nullptr, {}).value());
        const auto removed = encoded8(developView(cleaner, m_region, 1, {1.5, Show::Removed}, nullptr, {}).value());
        int compared = 0;
        for (size_t i = 0; i < removed.samples.size(); ++i) {
            if (before.samples[i] == 0 || before.samples[i] == 255 || after.samples[i] == 0 || after.samples[i] == 255)
                continue; // cut off there, not here
            const double expected = std::clamp(119 + double(kRemovedGain) * (before.samples[i] - after.samples[i]), 0.0, 255.0);
            QVERIFY(std::abs(removed.samples[i] - expected) <= double(kRemovedGain) + 1); // two roundings, amplified
            ++compared;
        }
        QVERIFY(compared > 1000);
    }

    void luminanceHasNoColourAndColourNoLuminance()
    {
        const Cleaner off(m_shot.frame, m_shot.noise, {"wavelet", 0, 0});
        const auto luminance = developView(off, m_region, 1, {0, Show::Luminance}, nullptr, {}).value();
        const auto picture = developView(off, m_region, 1, {}, nullptr, {}).value();
        for (size_t i = 0; i + 2 < luminance.samples.size(); i += 3) {
            QCOMPARE(luminance.samples[i], luminance.samples[i + 1]);
            QCOMPARE(luminance.samples[i], luminance.samples[i + 2]);
            const double y = 0.2126 * double(picture.samples[i]) + 0.7152 * double(picture.samples[i + 1]) + 0.0722 * double(picture.samples[i + 2]);
            QVERIFY(std::abs(double(luminance.samples[i]) - y) < 1e-5);
        }
        // What colour alone shows, halved and laid over luminance, is the picture again.
        const auto colour = encoded8(developView(off, m_region, 1, {0, Show::Colour}, nullptr, {}).value()), greys = encoded8(luminance), whole = encoded8(picture);
        int compared = 0;
        for (size_t i = 0; i < colour.samples.size(); ++i) {
            const auto cut = [i](const RgbImage<uint8_t> &image) { return image.samples[i] == 0 || image.samples[i] == 255; };
            if (cut(colour) || cut(whole) || cut(greys))
                continue;
            QVERIFY(std::abs(greys.samples[i] + (colour.samples[i] - 119) / 2.0 - whole.samples[i]) <= 2);
            ++compared;
        }
        QVERIFY(compared > 1000);
    }

    void clippingMarksBlownLightsWhateverThePush()
    {
        Scene scene = flatScene({128, 128}, 0.2f, 0.2f, 0.2f);
        for (int y = 0; y < 64; ++y)
            for (int x = 0; x < 128; ++x)
                for (size_t c = 0; c < 3; ++c)
                    scene.rgb[size_t(y * 128 + x) * 3 + c] = 4.f;
        const Simulated s = simulate(scene, {});
        const Cleaner off(s.frame, s.noise, {"wavelet", 0, 0});
        for (const double push : {0.0, 5.0}) {
            const auto seen = encoded8(developView(off, {16, 8, 96, 112}, 1, {push, Show::Clipping}, nullptr, {}).value());
            QCOMPARE(int(seen.row(20)[3 * 40]), 255);
            const int below = seen.row(90)[3 * 40];
            QVERIFY(below > 60 && below < 200);
        }
    }

private:
    Simulated m_shot;
    Rect m_region{16, 16, 224, 224};
};

QTEST_APPLESS_MAIN(ShowsTest)
#include "shows_test.moc"
