// SPDX-License-Identifier: GPL-3.0-or-later
// Colours on the screen: profiles on the root window of a real X server, and what LittleCMS says of them.
#include "irenic/screen.h"
#include "panels/shown_notes.h"
#include "panels/wall.h"
#include "support/frames.h"
#include "support/profiles.h"
#include "support/windows.h"
#include "window/output_proof.h"
#include "window/screen_profile.h"

#include <QLabel>
#include <QScreen>
#include <QTemporaryDir>
#include <QTest>
#include <QtGui/qguiapplication_platform.h>

#include <lcms2.h>
#include <xcb/xcb.h>

using namespace irenic;
using namespace irenic::test;

namespace {

constexpr cmsCIExyY kRed{0.64, 0.33, 1}, kGreen{0.30, 0.60, 1}, kBlue{0.15, 0.06, 1};

std::vector<uint8_t> swapped() { return rgbProfile({kBlue, kGreen, kRed}, 2.2, "Swapped"); } ///< red and blue change places
std::vector<uint8_t> wide() { return rgbProfile({{0.68, 0.32, 1}, {0.265, 0.69, 1}, {0.15, 0.06, 1}}, 2.4, "Wide"); }

/// What LittleCMS says of an sRGB colour by itself, in floating point.
std::array<double, 3> wanted(const std::vector<uint8_t> &screen, std::array<double, 3> srgb)
{
    cmsHPROFILE from = cmsCreate_sRGBProfile(), to = cmsOpenProfileFromMem(screen.data(), cmsUInt32Number(screen.size()));
    cmsHTRANSFORM t = cmsCreateTransform(from, TYPE_RGB_DBL, to, TYPE_RGB_DBL, INTENT_RELATIVE_COLORIMETRIC, cmsFLAGS_BLACKPOINTCOMPENSATION | cmsFLAGS_NOOPTIMIZE);
    std::array<double, 3> out{};
    cmsDoTransform(t, srgb.data(), out.data(), 1);
    cmsDeleteTransform(t);
    cmsCloseProfile(from);
    cmsCloseProfile(to);
    for (double &v : out)
        v = std::clamp(v, 0.0, 1.0) * 255;
    return out;
}

void setOnRoot(const std::vector<uint8_t> &profile)
{
    xcb_connection_t *x = qGuiApp->nativeInterface<QNativeInterface::QX11Application>()->connection();
    const xcb_window_t root = xcb_setup_roots_iterator(xcb_get_setup(x)).data->root;
    xcb_intern_atom_reply_t *atom = xcb_intern_atom_reply(x, xcb_intern_atom(x, 0, 12, "_ICC_PROFILE"), nullptr);
    profile.empty() ? xcb_delete_property(x, root, atom->atom) : xcb_change_property(x, XCB_PROP_MODE_REPLACE, root, atom->atom, XCB_ATOM_CARDINAL, 8, uint32_t(profile.size()), profile.data());
    std::free(atom);
    xcb_flush(x);
}

} // namespace

class ScreenTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        if (!qGuiApp->nativeInterface<QNativeInterface::QX11Application>())
            QSKIP("There is no X server: profiles of root windows are theirs.");
        startAfresh();
        QVERIFY(m_dir.isValid());
        ShootOptions o;
        o.iso = 800;
        QVERIFY(writeShot(m_dir.filePath("a.dng").toStdString(), shoot(makeScene({400, 300}), o).value(), o));
    }
    void init()
    {
        forgetAll();
        setOnRoot({});
    }
    void cleanup()
    {
        m_window.reset();
        setOnRoot({});
    }

    void transformsAreLittleCms_data()
    {
        QTest::addColumn<bool>("isWide");
        QTest::newRow("swapped") << false;
        QTest::newRow("wide") << true;
    }
    void transformsAreLittleCms()
    {
        QFETCH(bool, isWide);
        const auto icc = isWide ? wide() : swapped();
        const auto t = ScreenTransform::from(icc);
        QVERIFY(t);
        QCOMPARE(t.value()->name(), std::string(isWide ? "Wide" : "Swapped"));
        // A field of one colour, so that the mean over the dither is the number before it.
        for (const std::array<float, 3> linear : {std::array{0.2f, 0.2f, 0.2f}, std::array{0.5f, 0.05f, 0.1f}, std::array{0.02f, 0.4f, 0.01f}, std::array{1.f, 1.f, 1.f}, std::array{0.f, 0.f, 0.f}, std::array{0.003f, 0.001f, 0.9f}}) {
            std::vector<float> row;
            for (int i = 0; i < 64; ++i)
                row.insert(row.end(), linear.begin(), linear.end());
            std::array<double, 3> sum{};
            std::array<double, 3> srgb;
            for (size_t c = 0; c < 3; ++c)
                srgb[c] = linear[c] <= 0.0031308f ? 12.92 * double(linear[c]) : 1.055 * std::pow(double(linear[c]), 1 / 2.4) - 0.055;
            const auto meant = wanted(icc, srgb);
            for (int y = 0; y < 8; ++y) {
                std::vector<uint8_t> out(row.size());
                t.value()->showRow(row.data(), 64, 5, y, out.data());
                for (size_t i = 0; i < out.size(); ++i) {
                    QVERIFY2(std::abs(double(out[i]) - meant[i % 3]) <= 1.2, qPrintable(QStringLiteral("%1 in place of %2").arg(out[i]).arg(meant[i % 3])));
                    sum[i % 3] += double(out[i]) / (64 * 8);
                }
            }
            for (size_t c = 0; c < 3; ++c)
                QVERIFY2(std::abs(sum[c] - meant[c]) < 0.25, qPrintable(QStringLiteral("%1 in the mean in place of %2").arg(sum[c]).arg(meant[c])));
        }
    }
    void whatIsNoScreenIsRefused()
    {
        QVERIFY(!ScreenTransform::from({1, 2, 3}));
        const auto refused = ScreenTransform::from(labProfile());
        QVERIFY(!refused);
        QVERIFY(refused.error().userMessage.find("sRGB") != std::string::npos);
    }
    void picturesGoThroughTheRootWindowsProfile()
    {
        setOnRoot(swapped());
        show();
        QCOMPARE(m_window->findChild<QLabel *>("screen")->text(), QStringLiteral("screen: Swapped"));
        comparePictures(swapped());
        // Another profile while the window is open.
        setOnRoot(wide());
        QTRY_COMPARE_WITH_TIMEOUT(m_window->findChild<QLabel *>("screen")->text(), QStringLiteral("screen: Wide"), kPatienceMs);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        comparePictures(wide());
        // And none: the very pixels of sRGB.
        setOnRoot({});
        QTRY_COMPARE_WITH_TIMEOUT(m_window->findChild<QLabel *>("screen")->text(), QStringLiteral("screen: sRGB"), kPatienceMs);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        const PaneImage &shown = m_window->wall()->pane(0)->image();
        QVERIFY(shown.image == shown.plain);
    }
    void greysOfTheBoothAreTheScreens()
    {
        setOnRoot(wide());
        show();
        const QImage grabbed = m_window->wall()->grab().toImage();
        const QColor wall = grabbed.pixelColor(1, 1), plain = Tones::of(Tones::Wall::Mid).wall;
        const auto meant = wanted(wide(), {plain.redF(), plain.greenF(), plain.blueF()});
        for (const auto &[got, m] : {std::pair{wall.red(), meant[0]}, {wall.green(), meant[1]}, {wall.blue(), meant[2]}})
            QVERIFY2(std::abs(got - m) <= 1, qPrintable(QStringLiteral("%1 in place of %2").arg(got).arg(m)));
        QVERIFY(wall != plain); // gamma 2.4 is not sRGB's
        QVERIFY(std::abs(wall.red() - wall.green()) <= 1 && std::abs(wall.green() - wall.blue()) <= 1);
    }
    void aFileIsChosenByHand()
    {
        show();
        const QString file = write("wide.icc", wide());
        m_window->setScreenProfile(file);
        QCOMPARE(m_window->findChild<QLabel *>("screen")->text(), QStringLiteral("screen: Wide"));
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled(), kPatienceMs);
        comparePictures(wide());
        setOnRoot(swapped()); // is not asked
        QTest::qWait(50);
        QCOMPARE(m_window->findChild<QLabel *>("screen")->text(), QStringLiteral("screen: Wide"));
        m_window->setScreenProfile(QString::fromLatin1(ScreenProfile::kSrgb));
        QCOMPARE(m_window->findChild<QLabel *>("screen")->text(), QStringLiteral("screen: sRGB"));
        m_window->setScreenProfile(m_dir.filePath("nowhere.icc"));
        QCOMPARE(m_window->findChild<QLabel *>("screen")->text(), QStringLiteral("screen: sRGB"));
    }
    void theOutputIsProofedByHoldingAndForGood()
    {
        show();
        Viewing &viewing = m_window->session()->viewing();
        const auto picture = [&] { return m_window->wall()->pane(0)->image().plain.copy(); };
        const auto settled = [&] { return QTest::qWaitFor([&] { return m_window->wall()->allSettled(); }, kPatienceMs); };
        const QImage before = picture();
        const QString file = write("inks.icc", inkProfile("Inks"));
        m_window->outputProof()->choose(file);
        QVERIFY(settled());
        QCOMPARE(picture(), before); // only once it is asked for
        // Held.
        QTest::keyPress(m_window.get(), Qt::Key_Comma);
        QCOMPARE(m_window->wall()->heldShow(), std::optional(Show::Proof));
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled() && picture() != before, kPatienceMs);
        const QImage proof = picture();
        QTest::keyRelease(m_window.get(), Qt::Key_Comma);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled() && picture() == before, kPatienceMs);
        // For good, with words and a way off.
        m_window->findChild<QAction *>("proof")->trigger();
        QCOMPARE(viewing.look().show, Show::Proof);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled() && picture() == proof, kPatienceMs);
        QCOMPARE(m_window->shownNotes()->words(), QStringList(QStringLiteral("shown: soft proof, Inks")));
        // Held where it hangs already, the comma tells what lies outside.
        QTest::keyPress(m_window.get(), Qt::Key_Comma);
        QCOMPARE(m_window->wall()->heldShow(), std::optional(Show::Outside));
        QTest::keyRelease(m_window.get(), Qt::Key_Comma);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled() && picture() == proof, kPatienceMs);
        // The paper's white darkens the lights.
        m_window->findChild<QAction *>("proofPaper")->trigger();
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled() && picture() != proof, kPatienceMs);
        QVERIFY(m_window->settings().proofPaper);
        const auto brightness = [](const QImage &i) { return qGray(i.scaled(1, 1, Qt::IgnoreAspectRatio, Qt::SmoothTransformation).pixel(0, 0)); };
        QVERIFY(brightness(picture()) < brightness(proof));
        m_window->findChild<QAction *>("outside")->trigger();
        QCOMPARE(m_window->shownNotes()->words(), QStringList(QStringLiteral("shown: out of gamut, Inks")));
        // A file that is no profile changes nothing; sRGB is the way back.
        m_window->outputProof()->choose(write("broken.icc", {1, 2, 3}));
        QCOMPARE(m_window->outputProof()->name(), QStringLiteral("Inks"));
        QVERIFY(m_window->findChild<QAction *>("proofFile")->isChecked());
        m_window->findChild<QAction *>("proofSrgb")->trigger();
        QCOMPARE(m_window->outputProof()->name(), QStringLiteral("sRGB"));
        QCOMPARE(m_window->settings().proofProfile, QString());
        viewing.setShow(Show::Picture);
        QTRY_VERIFY_WITH_TIMEOUT(m_window->wall()->allSettled() && picture() == before, kPatienceMs);
    }
    void anOutputIsRememberedAndItsFileMayBeAway()
    {
        show();
        const QString file = write("kept.icc", inkProfile("Kept"));
        m_window->outputProof()->choose(file);
        m_window->close();
        m_window.reset();
        show();
        QCOMPARE(m_window->outputProof()->name(), QStringLiteral("Kept"));
        m_window->close();
        m_window.reset();
        QVERIFY(QFile::remove(file));
        show();
        QCOMPARE(m_window->outputProof()->name(), QStringLiteral("sRGB"));
        QCOMPARE(m_window->settings().proofProfile, file); // it may come back
    }

private:
    QString write(const char *name, const std::vector<uint8_t> &bytes) const
    {
        QFile f(m_dir.filePath(name));
        return f.open(QIODevice::WriteOnly) && f.write(reinterpret_cast<const char *>(bytes.data()), qint64(bytes.size())) == qint64(bytes.size()) ? f.fileName() : QString();
    }
    void show()
    {
        m_window = shownWindow();
        QVERIFY(m_window && QTest::qWaitForWindowActive(m_window.get()));
        QVERIFY(hang(m_window.get(), {m_dir.filePath("a.dng")}));
    }
    /// What the window shows of a pane is what LittleCMS says of its sRGB.
    void comparePictures(const std::vector<uint8_t> &icc)
    {
        const LivePane *pane = m_window->wall()->pane(0);
        const PaneImage &shown = pane->image();
        QVERIFY(!shown.plain.isNull() && shown.image.size() == shown.plain.size());
        for (int y = 3; y < shown.image.height(); y += 11)
            for (int x = 2; x < shown.image.width(); x += 7) {
                const QColor got = shown.image.pixelColor(x, y), plain = shown.plain.pixelColor(x, y);
                const auto meant = wanted(icc, {plain.redF(), plain.greenF(), plain.blueF()});
                // sRGB of eight bits was rounded by half a step before, which a steeper curve makes more of.
                for (const auto &[g, m] : {std::pair{got.red(), meant[0]}, {got.green(), meant[1]}, {got.blue(), meant[2]}})
                    QVERIFY2(std::abs(g - m) <= 2.5, qPrintable(QStringLiteral("%1 in place of %2 at %3,%4").arg(g).arg(m).arg(x).arg(y)));
            }
        // And that is what comes to the screen: at 200 % a pixel is two by two of the image's.
        const QImage grabbed = const_cast<LivePane *>(pane)->grab().toImage();
        const QPoint middle(grabbed.width() / 2, grabbed.height() / 2);
        bool found = false;
        for (int y = 0; y < shown.image.height() && !found; ++y)
            for (int x = 0; x < shown.image.width() && !found; ++x)
                found = shown.image.pixel(x, y) == grabbed.pixel(middle);
        QVERIFY(found);
    }

    QTemporaryDir m_dir;
    std::unique_ptr<MainWindow> m_window;
};

QTEST_MAIN(ScreenTest)
#include "screen_test.moc"
