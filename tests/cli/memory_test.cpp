// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/frames.h"

#include <QDir>
#include <QTemporaryDir>
#include <QTest>

#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

using namespace irenic;
using namespace irenic::test;

namespace {

/// A frame as large as wanted: one small shot laid side by side.
bool writeLargeShot(const std::string &file, Size size)
{
    const ShootOptions o{.iso = 6400, .lossless = false};
    const auto small = shoot(makeScene({1200, 800}), o);
    if (!small)
        return false;
    Shot large;
    large.samples.reset(size);
    large.active = {0, 0, size.width, size.height};
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x)
            large.samples.at(x, y) = small.value().samples.at(x % 1200, y % 800);
    return bool(writeShot(file, large, o));
}

/// The most memory that a program held at once, in bytes; 0 where it failed.
int64_t peakOf(const std::string &program, std::vector<std::string> arguments)
{
    std::vector<char *> argv;
    arguments.insert(arguments.begin(), program);
    for (std::string &a : arguments)
        argv.push_back(a.data());
    argv.push_back(nullptr);
    const pid_t child = ::fork();
    if (child == 0) {
        ::execv(program.c_str(), argv.data());
        ::_exit(127);
    }
    int status = 0;
    rusage used{};
    if (child < 0 || ::wait4(child, &status, 0, &used) != child || status != 0)
        return 0;
    return int64_t(used.ru_maxrss) * 1024;
}

} // namespace

/// What a whole process needs to clean and export large frames.
class MemoryTest : public QObject
{
    Q_OBJECT
private slots:
    void peakStaysWithinItsBound_data()
    {
        QTest::addColumn<Size>("size");
        QTest::addColumn<QString>("method");
        QTest::addColumn<QString>("format");
        QTest::addColumn<double>("bytesAPixel"); // besides kFixed
        // Measured: see docs/reliability.md. The bounds lie a quarter above what was seen most.
        QTest::newRow("24 MP, mosaic") << Size{6000, 4000} << "wavelet"
                                       << "dng" << 14.0;
        QTest::newRow("24 MP, TIFF") << Size{6000, 4000} << "wavelet"
                                     << "tiff" << 29.0;
        QTest::newRow("100 MP, mosaic") << Size{12000, 8336} << "wavelet"
                                        << "dng" << 10.0;
    }
    void peakStaysWithinItsBound()
    {
#if defined(__SANITIZE_ADDRESS__) || defined(__SANITIZE_THREAD__)
        QSKIP("Sanitizers need memory of their own.");
#endif
        QFETCH(Size, size);
        QFETCH(QString, method);
        QFETCH(QString, format);
        QFETCH(double, bytesAPixel);
        constexpr double kFixed = 100e6; // programs, networks, the tiles under way
        const QTemporaryDir dir;
        const std::string file = dir.filePath("frame.dng").toStdString();
        QVERIFY(writeLargeShot(file, size));
        const int64_t peak = peakOf(IRENIC_BIN "/irenic-cli", {"clean", "--json", "--method", method.toStdString(), "--format", format.toStdString(), "--out", dir.filePath("out").toStdString(), file});
        QVERIFY(peak > 2 * size.area()); // the samples themselves
        const double over = (double(peak) - kFixed) / double(size.area());
        qInfo("%.0f MB, %.1f bytes a pixel besides %.0f MB", double(peak) * 1e-6, over, kFixed * 1e-6);
        QVERIFY(over < bytesAPixel);
    }
};

QTEST_APPLESS_MAIN(MemoryTest)
#include "memory_test.moc"
