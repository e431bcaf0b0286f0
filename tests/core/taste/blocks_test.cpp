// SPDX-License-Identifier: GPL-3.0-or-later
// Qt's writer stands for the programs that compress pictures too far.
#include "irenic/clean.h"
#include "irenic/measure_noise.h"
#include "irenic/read_frame.h"
#include "support/frames.h"

#include <QImage>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

/// Sky, discs, thin lines and a coloured board.
QImage painting(int width = 331, int height = 245)
{
    QImage image(width, height, QImage::Format_RGB888);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            double r = 90 + 0.3 * x, g = 120 + 0.2 * y, b = 170 - 0.2 * y;
            if (const double d = std::hypot(x - 200, y - 90); d < 50.5) {
                const double in = std::clamp(50.5 - d, 0.0, 1.0);
                r += in * (210 - r), g += in * (60 - g), b += in * (40 - b);
            }
            if (y > 170 && (x + 2 * y) % 23 < 3)
                r = g = b = 30;
            if (x < 70 && (x / 11 + y / 13) % 2)
                g = 200, r = 220;
            image.setPixel(x, y, qRgb(int(r), int(g), int(b)));
        }
    return image;
}

Treatment softened(double amount)
{
    Treatment t{"wavelet", 0, 0};
    t.taste.blocks = amount;
    return t;
}

std::shared_ptr<const NoiseReport> someNoise()
{
    auto noise = std::make_shared<NoiseReport>();
    noise->cells.fill({0.f, 1e-6f});
    return noise;
}

/// The picture in eighths of bits, 0 to 255, as a treatment leaves it.
std::vector<double> encoded(const std::shared_ptr<const Frame> &frame, const Treatment &t)
{
    const Cleaner cleaner(frame, someNoise(), t);
    const Plane<float> linear = cleaner.clean(frame->active).take();
    std::vector<double> out;
    for (int y = 0; y < linear.height(); ++y)
        for (int x = 0; x < linear.width(); ++x)
            out.push_back(frame->encoding->encoded(linear.at(x, y), size_t(x) % 3) / 257.0);
    return out;
}

/// Of brightness: what JPEG takes from the colours by keeping every second one is no block.
double psnr(const std::vector<double> &a, const QImage &truth)
{
    double square = 0;
    for (int y = 0; y < truth.height(); ++y)
        for (int x = 0; x < truth.width(); ++x) {
            const QRgb t = truth.pixel(x, y);
            const double *p = a.data() + size_t(y * truth.width() + x) * 3;
            square += std::pow(0.299 * (p[0] - qRed(t)) + 0.587 * (p[1] - qGreen(t)) + 0.114 * (p[2] - qBlue(t)), 2);
        }
    return 10 * std::log10(255 * 255 / (square / double(truth.width() * truth.height())));
}

/// Steps of green from column to column at the borders of blocks, over those elsewhere, in the sky.
double blockiness(const std::vector<double> &v, int width)
{
    double at = 0, between = 0;
    int n = 0, m = 0;
    for (int y = 5; y < 35; ++y)
        for (int x = 81; x < 320; ++x) {
            const double step = std::abs(v[size_t(y * width + x) * 3 + 1] - v[size_t(y * width + x - 1) * 3 + 1]);
            x % 8 == 0 ? (at += step, ++n) : (between += step, ++m);
        }
    return (at / n + 0.01) / (between / m + 0.01);
}

} // namespace

class BlocksTest : public QObject
{
    Q_OBJECT
private slots:
    void softeningComesNearerToTheTruth_data()
    {
        QTest::addColumn<int>("quality");
        QTest::addColumn<double>("gainDb");
        QTest::newRow("quality 15") << 15 << 0.2;
        QTest::newRow("quality 30") << 30 << 0.4;
        QTest::newRow("quality 60") << 60 << 0.4;
        QTest::newRow("quality 97") << 97 << -0.05; // there is nothing to do, and little is done
    }
    void softeningComesNearerToTheTruth()
    {
        QFETCH(int, quality);
        QFETCH(double, gainDb);
        const QImage truth = painting();
        const auto frame = saved(truth, quality);
        const auto before = encoded(frame, {"wavelet", 0, 0}), after = encoded(frame, softened(1)), half = encoded(frame, softened(0.5));
        const double was = psnr(before, truth), is = psnr(after, truth);
        QVERIFY2(is - was > gainDb, qPrintable(QStringLiteral("%1 dB, before %2").arg(is).arg(was)));
        if (quality > 90)
            return;
        QVERIFY(psnr(half, truth) > was);
        QVERIFY2(blockiness(after, truth.width()) < 0.7 * blockiness(before, truth.width()), qPrintable(QStringLiteral("%1, before %2").arg(blockiness(after, truth.width())).arg(blockiness(before, truth.width()))));
    }

    /// What is changed is what the file leaves open: compressed once more with the same steps, it gives nearly the same picture.
    void compressedAgainItIsTheSamePicture()
    {
        const QImage truth = painting();
        const auto frame = saved(truth, 30);
        const auto before = encoded(frame, {"wavelet", 0, 0}), after = encoded(frame, softened(1));
        QImage image(truth.size(), QImage::Format_RGB888);
        for (int y = 0; y < image.height(); ++y)
            for (int x = 0; x < image.width(); ++x) {
                const double *p = after.data() + size_t(y * image.width() + x) * 3;
                image.setPixel(x, y, qRgb(int(p[0] + 0.5), int(p[1] + 0.5), int(p[2] + 0.5)));
            }
        const auto again = encoded(saved(image, 30), {"wavelet", 0, 0});
        double moved = 0, changed = 0;
        for (size_t i = 0; i < before.size(); ++i) {
            moved += std::pow(again[i] - before[i], 2);
            changed += std::pow(after[i] - before[i], 2);
        }
        QVERIFY2(moved < 0.35 * changed, qPrintable(QStringLiteral("%1 of %2").arg(moved).arg(changed)));
    }

    void anyTileGivesTheSameBits()
    {
        const auto frame = saved(painting(), 40);
        Treatment t = softened(0.8);
        t.luminance = 0.7;
        const Cleaner cleaner(frame, std::make_shared<const NoiseReport>(measureNoise(*frame).take()), t);
        const Plane<float> whole = cleaner.clean(frame->active).take(), tiles = cleaner.clean(frame->active, {}, 37).take();
        QVERIFY(sameBits(whole.constView(), tiles.constView()));
        const Rect part{93, 41, 120, 77};
        QVERIFY(sameBits(cleaner.clean(part).value().constView(), whole.constView().cut({part.x * 3, part.y, part.width * 3, part.height})));
    }

    void greyPicturesAreSoftenedToo()
    {
        const QImage truth = painting().convertToFormat(QImage::Format_Grayscale8);
        const auto frame = saved(truth, 20);
        QCOMPARE(frame->jpeg->components, 1);
        QVERIFY(psnr(encoded(frame, softened(1)), truth) > psnr(encoded(frame, {"wavelet", 0, 0}), truth) + 0.3);
    }

    void whatIsNoJpegIsLeftAlone()
    {
        const QString file = m_dir.filePath("same.png");
        QVERIFY(painting().save(file));
        const auto frame = readFrame(file.toStdString()).take();
        QVERIFY(!frame->jpeg);
        QVERIFY(Cleaner(frame, someNoise(), softened(1)).isIdentity());
    }

    /// A photographer is told before she wonders.
    void heavyCompressionIsTold_data()
    {
        QTest::addColumn<int>("quality");
        QTest::addColumn<bool>("told");
        QTest::newRow("quality 95") << 95 << false;
        QTest::newRow("quality 85") << 85 << false;
        QTest::newRow("quality 50") << 50 << true;
        QTest::newRow("quality 20") << 20 << true;
    }
    void heavyCompressionIsTold()
    {
        QFETCH(int, quality);
        QFETCH(bool, told);
        const auto frame = saved(painting(), quality);
        const bool says = std::any_of(frame->warnings.begin(), frame->warnings.end(), [](const std::string &w) { return w.find("raw file would serve better") != std::string::npos; });
        QVERIFY2(says == told, qPrintable(QString::number(frame->jpeg->meanStep())));
    }

private:
    std::shared_ptr<const Frame> saved(const QImage &image, int quality)
    {
        const QString file = m_dir.filePath(QStringLiteral("%1.jpg").arg(++m_count));
        return image.save(file, "JPG", quality) ? readFrame(file.toStdString()).take() : nullptr;
    }
    QTemporaryDir m_dir;
    int m_count = 0;
};

QTEST_GUILESS_MAIN(BlocksTest)
#include "blocks_test.moc"
