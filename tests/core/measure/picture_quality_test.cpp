// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/picture.h"
#include "irenic/readings.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

class PictureQualityTest : public QObject
{
    Q_OBJECT
private slots:
    void closedForms()
    {
        const auto flat = [](double level) {
            auto image = RgbImage<uint16_t>::ofSize({64, 48});
            std::fill(image.samples.begin(), image.samples.end(), uint16_t(std::lround(level * 65535)));
            return image;
        };
        QCOMPARE(pictureQuality(flat(0.5), flat(0.5)).psnrDb, 100.0);
        QCOMPARE(pictureQuality(flat(0.5), flat(0.5)).ssim, 1.0);
        for (const double d : {0.01, 0.1}) {
            const PictureQuality q = pictureQuality(flat(0.5 + d), flat(0.5));
            QVERIFY(std::abs(q.psnrDb + 20 * std::log10(d)) < 0.01);
            // Flat windows leave the comparison of means: (2 a b + c1) / (a2 + b2 + c1).
            const double a = 0.5 + d, b = 0.5, c1 = 1e-4;
            QVERIFY(std::abs(q.ssim - (2 * a * b + c1) / (a * a + b * b + c1)) < 1e-4);
            QVERIFY(q.colourError < 0.01); // grey against grey
        }
    }

    void theTruthIsReadOnTheSamePixels_data()
    {
        QTest::addColumn<int>("orientation");
        for (const int o : {1, 3, 6, 8})
            QTest::addRow("orientation %d", o) << o;
    }
    void theTruthIsReadOnTheSamePixels()
    {
        QFETCH(int, orientation);
        ShootOptions o;
        o.iso = 6400;
        o.orientation = orientation;
        const Simulated s = simulate(makeScene({420, 300}), o);
        ShootOptions lit = o;
        lit.iso = 100;
        lit.banding = lit.hotPixelsPerMillion = 0;
        const Simulated clean = simulate(makeScene({420, 300}), lit);
        auto truth = std::make_shared<Frame>();
        truth->kind = FrameKind::Rendered;
        auto encoding = std::make_shared<Encoding>();
        for (auto &table : encoding->decode)
            for (int i = 0; i < 65536; ++i)
                table.push_back(float(i) / 65535);
        truth->encoding = encoding;
        const auto picture = turned(developRegion(Cleaner(clean.frame, clean.noise, {"wavelet", 0, 0}), clean.frame->crop, {}, nullptr, {}).value(), orientation);
        truth->active = truth->crop = {0, 0, picture.size.width, picture.size.height};
        truth->samples.reset({picture.size.width * 3, picture.size.height});
        for (int y = 0; y < picture.size.height; ++y)
            for (int x = 0; x < picture.size.width * 3; ++x)
                truth->samples.at(x, y) = uint16_t(std::clamp(picture.row(y)[x], 0.f, 1.f) * 65535);
        const auto at = [&](double strength) { return readingsAt(Cleaner(s.frame, s.noise, {"dct", strength, strength}), {64, 32, 256, 256}, nullptr, {}, truth).value(); };
        const PlaceReadings untreated = at(0), treated = at(1);
        QVERIFY(untreated.truth && treated.truth);
        QVERIFY2(treated.truth->psnrDb > untreated.truth->psnrDb + 4, qPrintable(QStringLiteral("%1 %2").arg(untreated.truth->psnrDb).arg(treated.truth->psnrDb)));
        QVERIFY(treated.truth->ssim > untreated.truth->ssim);
        QVERIFY(!readingsAt(Cleaner(s.frame, s.noise, {"dct", 1, 1}), {64, 32, 256, 256}, nullptr).value().truth);
    }
};

QTEST_APPLESS_MAIN(PictureQualityTest)
#include "picture_quality_test.moc"
