// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/frame_reader.h"
#include "jobs/guest_loader.h"
#include "jobs/images.h"
#include "jobs/mask_renderer.h"
#include "support/windows.h"

#include <QFile>
#include <QSignalSpy>
#include <QTemporaryDir>

using namespace irenic;
using namespace irenic::test;

/// What works off the window's thread: reading frames in a good order, matching guests, drawing masks.
class ReadersTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        startAfresh();
        for (int i = 1; i <= 4; ++i) {
            ShootOptions o;
            o.iso = 800 * i;
            QVERIFY(writeShot(file(i).toStdString(), shoot(makeScene({160, 120}), o).value(), o));
        }
        QFile bad(m_dir.filePath("5.dng"));
        QVERIFY(bad.open(QIODevice::WriteOnly) && bad.write("no photograph at all") > 0);
    }

    void whatIsLookedAtIsReadFirst()
    {
        FrameReader reader;
        QSignalSpy finished(&reader, &FrameReader::finished), failed(&reader, &FrameReader::failed), glimpsed(&reader, &FrameReader::glimpsed);
        reader.setPaused(true);
        for (int i = 1; i <= 5; ++i)
            reader.read(file(i));
        QTRY_COMPARE_WITH_TIMEOUT(glimpsed.size(), 4, kPatienceMs); // how they were taken is known at once
        QCOMPARE(glimpsed[1][2].value<ShootingData>().iso, 1600.0);
        QVERIFY(finished.isEmpty() && reader.isPaused());
        reader.prefer({file(4), file(2), "/not/asked/for.dng"});
        reader.setPaused(false);
        QTRY_COMPARE_WITH_TIMEOUT(finished.size() + failed.size(), 5, kPatienceMs);
        QStringList order;
        for (const auto &f : finished)
            order << f[0].toString();
        QCOMPARE(order, (QStringList{file(4), file(2), file(1), file(3)}));
        QCOMPARE(failed.size(), 1);
        QCOMPARE(failed[0][0].toString(), file(5));
        QVERIFY(failed[0][1].toString().contains("5.dng"));
        QTest::qWait(50);
        QCOMPARE(finished.size(), 4); // each once
    }

    /// As the core turns pictures, by code of its own.
    void picturesAreTurnedAsTheCoreTurnsThem()
    {
        auto rgb = RgbImage<uint8_t>::ofSize({5, 3});
        for (size_t i = 0; i < rgb.samples.size(); ++i)
            rgb.samples[i] = uint8_t(7 * i);
        const QImage stored = toImage(rgb);
        for (int orientation = 1; orientation <= 8; ++orientation) {
            const QImage seen = uprightImage(stored, orientation).convertToFormat(QImage::Format_RGB888), meant = toImage(turned(rgb, orientation)).convertToFormat(QImage::Format_RGB888);
            QVERIFY2(seen == meant, qPrintable(QString::number(orientation)));
        }
        QCOMPARE(uprightImage(stored, 0), stored);
    }

    void guestsAreMatchedOrTheReasonIsGiven()
    {
        ShootOptions o;
        o.iso = 400;
        const Simulated s = simulate(makeScene({400, 320}), o);
        const QString guest = m_dir.filePath("guest.png");
        const auto linear = developRegion(Cleaner(s.frame, s.noise, {"wavelet", 1, 1}), s.frame->crop, {}, nullptr, {}).take();
        QVERIFY(toImage(turned(encoded8(linear), s.frame->orientation)).save(guest));
        GuestLoader loader;
        QSignalSpy loaded(&loader, &GuestLoader::loaded), failed(&loader, &GuestLoader::failed);
        loader.load("/roll/one.dng", s.frame, guest);
        loader.load("/roll/one.dng", s.frame, m_dir.filePath("nowhere.png"));
        QTRY_COMPARE_WITH_TIMEOUT(loaded.size() + failed.size(), 2, kPatienceMs);
        QCOMPARE(loaded[0][0].toString(), QStringLiteral("/roll/one.dng"));
        QCOMPARE(loaded[0][1].toString(), guest);
        QCOMPARE(failed[0][1].toString(), m_dir.filePath("nowhere.png"));
        QVERIFY(failed[0][2].toString().contains("nowhere.png"));
    }

    void masksAreDrawnWhereTheyLieAndOldOnesAreDropped()
    {
        const Simulated s = simulate(makeScene({200, 160}), {});
        RollFrame f;
        f.frame = s.frame;
        f.noise = s.noise;
        Region region;
        MaskPart painted;
        painted.strokes.push_back({.radiusPx = 20, .hardness = 1, .points = {{float(s.frame->crop.x) + 60, float(s.frame->crop.y) + 50}}});
        region.parts.push_back(painted);
        f.regions = std::vector{region};
        f.bindRegions();
        QVERIFY(f.regionSet);
        MaskRenderer renderer;
        QSignalSpy drawn(&renderer, &MaskRenderer::drawn);
        const QSize size = f.pictureSize();
        const QRect all(QPoint(), size);
        renderer.request(0, f, 0, all, 2, {MaskLook::Shown::Alone}); // overtaken
        renderer.request(0, f, 0, all, 1, {MaskLook::Shown::Alone});
        renderer.request(1, f, 0, all, 1, {});
        renderer.forget(1);
        QTRY_VERIFY_WITH_TIMEOUT(renderer.isIdle(), kPatienceMs);
        QCOMPARE(drawn.size(), 1);
        QCOMPARE(drawn[0][3].toInt(), 1);
        const QImage mask = drawn[0][1].value<QImage>();
        QCOMPARE(mask.size(), size);
        QCOMPARE(qGray(mask.pixel(60, 50)), 255);
        QCOMPARE(qGray(mask.pixel(60, 75)), 0);
        renderer.request(2, f, 0, all, 1, {MaskLook::Shown::Tint, QColor(200, 0, 0), 0.5});
        QTRY_COMPARE_WITH_TIMEOUT(drawn.size(), 2, kPatienceMs);
        const QImage tint = drawn[1][1].value<QImage>();
        QCOMPARE(qAlpha(tint.pixel(60, 50)), 127);
        QCOMPARE(qAlpha(tint.pixel(60, 75)), 0);
    }

private:
    QString file(int number) const { return m_dir.filePath(QStringLiteral("%1.dng").arg(number)); }
    QTemporaryDir m_dir;
};

QTEST_MAIN(ReadersTest)
#include "readers_test.moc"
