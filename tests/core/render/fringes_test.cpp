// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/export.h"
#include "irenic/picture.h"
#include "irenic/read_frame.h"
#include "render/fringes.h"
#include "support/frames.h"

#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

constexpr Size kSide{220, 160};
constexpr std::array<float, 3> kBalance{1.9f, 1.f, 1.5f};

/// Balanced linear colours of a place: a window in a dark wall, with an orange curtain; a grey post before it; red and green threads, a checked cloth.
std::array<float, 3> placeAt(double x, double y)
{
    if (x > 150 && y > 90)
        return (int(x / 3) + int(y / 3)) % 2 ? std::array{0.5f, 0.2f, 0.15f} : std::array{0.04f, 0.12f, 0.16f};
    if (x > 150 && int(y) % 17 < 2)
        return int(y) % 2 ? std::array{0.55f, 0.12f, 0.1f} : std::array{0.6f, 0.1f, 0.1f};
    if (x > 150)
        return {0.4f, 0.4f, 0.4f};
    if (x < 40 || x > 130 || y < 30 || y > 130)
        return {0.04f, 0.04f, 0.045f};
    if (x > 78 && x < 92)
        return {0.05f, 0.05f, 0.05f};
    return y > 80 ? std::array{0.9f, 0.55f, 0.2f} : std::array{0.95f, 0.95f, 0.95f};
}

/// Blurred by Gaussians of the given sigmas, in the camera's own colours.
RgbImage<float> seen(const std::array<double, 3> &sigma)
{
    auto out = RgbImage<float>::ofSize(kSide);
    for (size_t c = 0; c < 3; ++c) {
        const int reach = int(std::ceil(3 * sigma[c]));
        std::vector<double> kernel;
        double sum = 0;
        for (int k = -reach; k <= reach; ++k)
            sum += kernel.emplace_back(std::exp(-k * k / (2 * sigma[c] * sigma[c])));
        Plane<float> across(kSide);
        for (int y = 0; y < kSide.height; ++y)
            for (int x = 0; x < kSide.width; ++x) {
                double v = 0;
                for (int k = -reach; k <= reach; ++k)
                    v += kernel[size_t(k + reach)] * double(placeAt(x + k, y)[c]);
                across.at(x, y) = float(v / sum);
            }
        for (int y = 0; y < kSide.height; ++y)
            for (int x = 0; x < kSide.width; ++x) {
                double v = 0;
                for (int k = -reach; k <= reach; ++k)
                    v += kernel[size_t(k + reach)] * double(across.at(x, std::clamp(y + k, 0, kSide.height - 1)));
                out.row(y)[3 * x + int(c)] = float(v / sum) / kBalance[c];
            }
    }
    return out;
}

/// RMS of what red and blue minus green are off by, over a part of the picture; of balanced colours.
double colourError(const RgbImage<float> &image, const RgbImage<float> &truth, int inset, Rect where)
{
    double square = 0;
    for (int y = where.y; y < where.bottom(); ++y)
        for (int x = where.x; x < where.right(); ++x) {
            const float *p = image.row(y - inset) + 3 * (x - inset), *t = truth.row(y) + 3 * x;
            for (const size_t c : {size_t(0), size_t(2)})
                square += std::pow(double((p[c] - t[c]) * kBalance[c] - (p[1] - t[1])), 2);
        }
    return std::sqrt(square / double(2 * where.size().area()));
}

} // namespace

class FringesTest : public QObject
{
    Q_OBJECT
private slots:
    /// Green in focus and red and blue not is purple about lights; the other way round it is green.
    void fringesGo_data()
    {
        QTest::addColumn<double>("green");
        QTest::addColumn<double>("others");
        QTest::newRow("purple") << 0.7 << 1.6;
        QTest::newRow("green") << 1.6 << 0.7;
    }
    void fringesGo()
    {
        QFETCH(double, green);
        QFETCH(double, others);
        const auto truth = seen({green, green, green}), fringed = seen({others, green, others});
        // The white half: of an orange one's rim nobody can tell what is fringe and what is curtain.
        const Rect window{24, 20, 118, 54};
        const double before = colourError(fringed, truth, 0, window);
        QVERIFY(before > 0.03);
        const double after = colourError(withoutFringes(fringed, kBalance, 1), truth, kFringeHaloPx, window);
        QVERIFY2(after < 0.45 * before, qPrintable(QStringLiteral("%1, before %2").arg(after).arg(before)));
        const double half = colourError(withoutFringes(fringed, kBalance, 0.5f), truth, kFringeHaloPx, window);
        QVERIFY(half < before && half > after);
    }

    /// Where nothing is wrong nothing is done: edges between colours, thin coloured threads, a cloth.
    void coloursThatBelongThereStay()
    {
        const auto truth = seen({0.7, 0.7, 0.7}), treated = withoutFringes(truth, kBalance, 1);
        QVERIFY(colourError(treated, truth, kFringeHaloPx, {24, 20, 118, 120}) < 0.002);
        QVERIFY(colourError(treated, truth, kFringeHaloPx, {162, 20, 38, 118}) < 0.002);
    }

    /// On the wall and in files; with the amount 0 not a bit changes.
    void screenAndFilesAgree()
    {
        Scene scene = flatScene({300, 200}, 0.03f, 0.03f, 0.03f);
        for (int y = 0; y < 200; ++y)
            for (int x = 0; x < 300; ++x)
                if (x % 60 < 30 && y % 60 < 30)
                    std::fill_n(scene.rgb.begin() + (y * 300 + x) * 3, 3, 0.6f);
        ShootOptions o;
        o.iso = 100;
        o.banding = 0;
        o.hotPixelsPerMillion = 0;
        const Simulated sharp = simulate(scene, o);
        o.lateralRed = 5; // as good a fringe as any
        const Simulated s = simulate(scene, o);
        const Rect crop = s.frame->crop;
        const auto show = [&](double fringes, Rect where) {
            LensCorrection lens;
            lens.fringes = fringes;
            return developRegion(Cleaner(s.frame, s.noise, {"wavelet", 0, 0}, {nullptr, lens}), where, {}, nullptr, {}).take();
        };
        const auto off = show(0, crop), on = show(1, crop);
        QVERIFY(off.samples == developRegion(Cleaner(s.frame, s.noise, {"wavelet", 0, 0}), crop, {}, nullptr, {}).value().samples);
        const auto truth = developRegion(Cleaner(sharp.frame, sharp.noise, {"wavelet", 0, 0}), crop, {}, nullptr, {}).take();
        const auto error = [&](const RgbImage<float> &p) {
            double square = 0;
            for (size_t i = 0; i < p.samples.size(); i += 3)
                square += std::pow(double(p.samples[i] - p.samples[i + 1] - truth.samples[i] + truth.samples[i + 1]), 2);
            return std::sqrt(square);
        };
        QVERIFY2(error(on) < 0.7 * error(off), qPrintable(QStringLiteral("%1, before %2").arg(error(on)).arg(error(off))));
        // A part is the same as in the whole.
        const Rect part{crop.x + 51, crop.y + 33, 90, 71};
        const auto cut = show(1, part);
        for (int y = 0; y < part.height; ++y)
            QVERIFY(std::equal(cut.row(y), cut.row(y) + 3 * part.width, on.row(y + 33) + 3 * 51));
        // A linear DNG holds the same colours.
        const QTemporaryDir dir;
        LensCorrection lens;
        lens.fringes = 1;
        const Cleaner cleaner(s.frame, s.noise, {"wavelet", 0, 0}, {nullptr, lens});
        const std::filesystem::path file = dir.filePath("linear.dng").toStdString();
        const auto written = exportCleaned(cleaner, *s.noise, file, ExportOptions(ExportFormat::LinearDng));
        QVERIFY2(written.ok(), written ? "" : written.error().userMessage.c_str());
        const auto back = readFrame(file).take();
        const auto meant = demosaicRegion(cleaner, crop, nullptr, {}).take(), got = demosaicRegion(Cleaner(back, s.noise, {"wavelet", 0, 0}), back->crop, nullptr, {}).take();
        QCOMPARE(got.size, meant.size);
        for (size_t i = 0; i < got.samples.size(); ++i) { // which has little room below black
            const float g = std::max(got.samples[i], -0.007f), m = std::max(meant.samples[i], -0.007f);
            QVERIFY2(std::abs(g - m) < 1e-4f, qPrintable(QStringLiteral("%1: %2, meant %3").arg(i).arg(double(g)).arg(double(m))));
        }
    }
};

QTEST_GUILESS_MAIN(FringesTest)
#include "fringes_test.moc"
