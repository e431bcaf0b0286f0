// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/guest.h"
#include "irenic/picture.h"
#include "irenic/read_frame.h"
#include "support/frames.h"

#include <QImage>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

/// A scene that looks like nothing else in it: shapes of many sizes.
Scene unevenScene(Size size)
{
    Scene s = flatScene(size, 0.2f, 0.2f, 0.2f);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            const double v = 0.2 + 0.12 * std::sin(x * 0.031 + 0.00009 * x * y) + 0.08 * std::sin(y * 0.047 + x * 0.011) + ((x / 57 + y / 43) % 3 == 0 ? 0.1 : 0);
            for (size_t c = 0; c < 3; ++c)
                s.rgb[(size_t(y) * size_t(size.width) + size_t(x)) * 3 + c] = float(std::max(0.02, v * (1 - 0.1 * double(c))));
        }
    return s;
}

/// What another program might have made of a frame: treated, upright, lifted and warmed.
QImage renditionOf(const Simulated &s, double ev, double warmth)
{
    const Cleaner cleaner(s.frame, s.noise, {"wavelet", 1, 1});
    auto linear = developRegion(cleaner, s.frame->crop, {}, nullptr, {}).take();
    for (size_t i = 0; i < linear.samples.size(); ++i)
        linear.samples[i] *= float(std::exp2(ev) * (i % 3 == 0 ? warmth : 1));
    const auto up = turned(encoded8(linear), s.frame->orientation);
    QImage image(up.size.width, up.size.height, QImage::Format_RGB888);
    for (int y = 0; y < up.size.height; ++y)
        std::copy_n(up.row(y), 3 * up.size.width, image.scanLine(y));
    return image;
}

} // namespace

class GuestTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        ShootOptions o;
        o.iso = 3200;
        m_shot = simulate(unevenScene({800, 640}), o);
        m_rendition = renditionOf(m_shot, -0.6, 1.15);
    }

    void isLaidWhereItBelongs_data()
    {
        QTest::addColumn<QRect>("cut");
        QTest::addColumn<double>("scale");
        QTest::newRow("whole") << QRect(0, 0, 800, 640) << 1.0;
        QTest::newRow("cropped by a few") << QRect(7, 5, 786, 630) << 1.0;
        QTest::newRow("cropped at a corner") << QRect(310, 222, 420, 380) << 1.0;
        QTest::newRow("half the size") << QRect(0, 0, 800, 640) << 0.5;
        QTest::newRow("larger") << QRect(0, 0, 800, 640) << 1.25;
    }
    void isLaidWhereItBelongs()
    {
        QFETCH(QRect, cut);
        QFETCH(double, scale);
        const QString file = m_dir.filePath("guest.png");
        QVERIFY(m_rendition.copy(cut).scaled(cut.size() * scale, Qt::IgnoreAspectRatio, Qt::SmoothTransformation).save(file));
        const auto guest = readGuest(file.toStdString(), m_shot.frame);
        QVERIFY2(guest.ok(), guest.ok() ? "" : guest.error().userMessage.c_str());
        const Guest &g = guest.value();
        QVERIFY2(std::abs(g.dx - cut.x()) <= (scale == 1 ? 0 : 1) && std::abs(g.dy - cut.y()) <= (scale == 1 ? 0 : 1), qPrintable(QStringLiteral("%1, %2").arg(g.dx).arg(g.dy)));
        QVERIFY(std::abs(g.scale * scale - 1) < 0.01);
        QVERIFY2(std::abs(g.exposureEv - 0.6) < 0.05, qPrintable(QString::number(g.exposureEv)));
        QVERIFY2(std::abs(g.balance[0] - 1 / 1.15) < 0.02 && std::abs(g.balance[2] - 1) < 0.02, qPrintable(QString::number(g.balance[0])));
        QVERIFY(QString::fromStdString(g.words).contains("EV"));
        QCOMPARE(g.words.find("scaled") != std::string::npos, scale != 1);
        // On the reference's grid, and as bright: means of blocks are those of the truth-bearing untreated picture.
        QCOMPARE(g.matched->uprightSize().width, 800);
        QCOMPARE(g.matched->uprightSize().height, 640);
        const Cleaner seen(m_shot.frame, m_shot.noise, {"wavelet", 0, 0}), pinned(g.matched, std::make_shared<NoiseReport>(), {"wavelet", 0, 0});
        const Rect block{400, 300, 128, 128};
        const auto a = developRegion(seen, block, {}, nullptr, {}), b = developRegion(pinned, block, {}, nullptr, {});
        for (size_t c = 0; c < 3; ++c) {
            double ma = 0, mb = 0;
            for (size_t i = c; i < a.value().samples.size(); i += 3) {
                ma += double(a.value().samples[i]);
                mb += double(b.value().samples[i]);
            }
            QVERIFY2(std::abs(mb / ma - 1) < 0.03, qPrintable(QString::number(mb / ma)));
        }
    }

    void aShiftedOneIsMovedBack()
    {
        QImage shifted(800, 640, QImage::Format_RGB888);
        shifted.fill(Qt::black);
        for (int y = 0; y < 640 - 21; ++y)
            for (int x = 0; x < 800 - 34; ++x)
                shifted.setPixel(x + 34, y + 21, m_rendition.pixel(x, y));
        QVERIFY(shifted.save(m_dir.filePath("shifted.png")));
        const auto guest = readGuest(m_dir.filePath("shifted.png").toStdString(), m_shot.frame);
        QVERIFY(guest.ok());
        QCOMPARE(guest.value().dx, -34);
        QCOMPARE(guest.value().dy, -21);
    }

    void anUprightFrameTakesAnUprightRendition()
    {
        ShootOptions o;
        o.orientation = 6;
        o.iso = 1600;
        const Simulated s = simulate(unevenScene({640, 480}), o);
        QVERIFY(renditionOf(s, 0, 1).save(m_dir.filePath("upright.jpg"), nullptr, 95));
        const auto guest = readGuest(m_dir.filePath("upright.jpg").toStdString(), s.frame);
        QVERIFY(guest.ok());
        QCOMPARE(guest.value().matched->crop.width, 480);
        QVERIFY(guest.value().likeness > 0.9);
        QCOMPARE(QString::fromStdString(guest.value().words), QStringLiteral("Nothing had to be matched."));
    }

    void darkColoursOutsideSrgbStayDark()
    {
        // Noise takes channels of a raw rendition below nothing, which is not where it has nothing.
        const QTemporaryDir dir;
        Scene scene = flatScene({320, 240}, 0.3f, 0.3f, 0.3f);
        for (int y = 0; y < 240; ++y)
            for (int x = 0; x < 320; ++x)
                if ((x / 40 + y / 40) % 2)
                    for (int c = 0; c < 3; ++c)
                        scene.rgb[size_t((y * 320 + x) * 3 + c)] = c == 0 ? 0.01f : 0.f;
        const ShootOptions o{.iso = 800};
        const std::string file = dir.filePath("raw.dng").toStdString();
        QVERIFY(writeShot(file, shoot(scene, o).value(), o));
        const auto frame = readFrame(file).take();
        const auto guest = readGuest(file, frame);
        QVERIFY2(guest.ok(), guest.ok() ? "" : guest.error().userMessage.c_str());
        const Frame &m = *guest.value().matched;
        for (int y = 10; y < 30; ++y)
            for (int x = 50; x < 70; ++x)
                for (int c = 1; c < 3; ++c)
                    QVERIFY2(m.linearAt(x, y, c) < 0.05f, qPrintable(QString::number(double(m.linearAt(x, y, c)))));
    }

    void anotherPictureIsTurnedAway()
    {
        QImage other(800, 640, QImage::Format_RGB888);
        for (int y = 0; y < 640; ++y)
            for (int x = 0; x < 800; ++x)
                other.setPixel(x, y, qRgb((x * 7 + y * 13) % 255, (x * x / 90) % 255, (y * 3) % 255));
        QVERIFY(other.save(m_dir.filePath("other.png")));
        const auto guest = readGuest(m_dir.filePath("other.png").toStdString(), m_shot.frame);
        QVERIFY(!guest.ok());
        QVERIFY(QString::fromStdString(guest.error().userMessage).contains("other.png"));
        const auto missing = readGuest(m_dir.filePath("none.png").toStdString(), m_shot.frame);
        QCOMPARE(int(missing.error().code), int(ErrorCode::NotFound));
    }

private:
    QTemporaryDir m_dir;
    Simulated m_shot;
    QImage m_rendition;
};

QTEST_APPLESS_MAIN(GuestTest)
#include "guest_test.moc"
