// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/read_frame.h"
#include "support/frames.h"

#include <nlohmann/json.hpp>

#include <QDir>
#include <QFile>
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;
using nlohmann::json;

class CliTest : public QObject
{
    Q_OBJECT
private slots:
    void init()
    {
        m_dir = std::make_unique<QTemporaryDir>();
        ShootOptions o;
        o.iso = 6400;
        m_shot = m_dir->filePath("frame.dng");
        const auto shot = shoot(makeScene({400, 300}), o);
        m_truth = shot.value().truth.noise;
        QVERIFY(writeShot(m_shot.toStdString(), shot.value(), o));
        QFile bad(m_dir->filePath("bad.dng"));
        QVERIFY(bad.open(QIODevice::WriteOnly) && bad.write("no photograph") > 0);
    }

    void measureAnswersOneObjectALine()
    {
        const Ran r = run("irenic-cli", {"measure", "--json", m_shot, m_shot});
        QCOMPARE(r.status, 0);
        const auto lines = r.out.trimmed().split('\n');
        QCOMPARE(lines.size(), 2);
        const json j = json::parse(lines[0].toStdString());
        QCOMPARE(j["file"].get<std::string>(), m_shot.toStdString());
        QCOMPARE(j["iso"].get<double>(), 6400.0);
        for (const char *channel : {"R", "G1", "G2", "B"}) {
            const NoiseModel m{j["noise"][channel]["a"].get<float>(), j["noise"][channel]["b"].get<float>()};
            QVERIFY2(std::abs(m.sigmaAt(0.3f) / m_truth.sigmaAt(0.3f) - 1) < 0.1f, channel);
        }
        QVERIFY(j["suggestion"]["reason"].get<std::string>().ends_with("."));
        QVERIFY(j["spectrum"].is_null()); // white
        ShootOptions smoothed;
        smoothed.iso = 6400;
        smoothed.faults.smoothing = 0.1;
        const QString file = m_dir->filePath("smoothed.dng");
        QVERIFY(writeShot(file.toStdString(), shoot(makeScene({600, 450}), smoothed).value(), smoothed));
        const json other = json::parse(run("irenic-cli", {"measure", "--json", file}).out.toStdString());
        QVERIFY(other["spectrum"]["scales"][2].get<double>() > 1.3 * other["spectrum"]["scales"][0].get<double>());
    }

    void theCameraBookLearnsHelpsAndForgets()
    {
        const QString book = m_dir->filePath("book"), other = m_dir->filePath("other.dng");
        ShootOptions o;
        o.iso = 6400;
        o.seed = 21;
        QVERIFY(writeShot(other.toStdString(), shoot(makeScene({600, 450}), o).value(), o));
        QCOMPARE(run("irenic-cli", {"cameras", "--book", book}).out, QByteArray());
        QVERIFY(run("irenic-cli", {"cameras", "--readable"}).out.count('\n') > 500); // LibRaw 0.20 lists more than a thousand
        QCOMPARE(run("irenic-cli", {"cameras", "--book", book, "--learn", other}).status, 0);
        const Ran bad = run("irenic-cli", {"cameras", "--book", book, "--learn", m_dir->filePath("bad.dng")});
        QVERIFY(bad.status == 1 && bad.err.contains("bad.dng"));
        const json listed = json::parse(run("irenic-cli", {"cameras", "--book", book, "--json"}).out.toStdString());
        QCOMPARE(listed["frames"].get<int>(), 1);
        QVERIFY(listed["isos"] == json::array({6400}));
        // The same camera once more: another picture of it, of the same size.
        const QString third = m_dir->filePath("third.dng");
        o.seed = 22;
        QVERIFY(writeShot(third.toStdString(), shoot(makeScene({600, 450}), o).value(), o));
        const auto measured = [&](const QStringList &more) { return json::parse(run("irenic-cli", QStringList{"measure", "--json", third} + more).out.toStdString()); };
        QVERIFY(measured({"--camera-book", book})["confidenceReason"].get<std::string>().find("an earlier frame of this camera") != std::string::npos);
        QVERIFY(measured({})["confidenceReason"].get<std::string>().find("earlier") == std::string::npos);
        QCOMPARE(run("irenic-cli", {"clean", third, "--out", m_dir->filePath("by-book"), "--method", "wavelet", "--camera-book", book}).status, 0);
        QCOMPARE(run("irenic-cli", {"cameras", "--book", book, "--forget", "No Such Camera"}).status, 1);
        QCOMPARE(run("irenic-cli", {"cameras", "--book", book, "--forget", QString::fromStdString(listed["camera"].get<std::string>())}).status, 0);
        QCOMPARE(run("irenic-cli", {"cameras", "--book", book}).out, QByteArray());
    }

    void oneBadFileDoesNotStopTheRest()
    {
        for (const QString &command : {QStringLiteral("measure"), QStringLiteral("clean")}) {
            QStringList arguments{command, "--json", m_dir->filePath("bad.dng"), m_shot, m_dir->filePath("missing.dng"), m_dir->path()};
            if (command == "clean")
                arguments << "--out" << m_dir->filePath("out");
            const Ran r = run("irenic-cli", arguments);
            QCOMPARE(r.status, 1);
            const auto lines = r.out.trimmed().split('\n');
            QCOMPARE(lines.size(), 4);
            for (int i = 0; i < 4; ++i)
                QCOMPARE(json::parse(lines[i].toStdString()).contains("error"), i != 1);
            QVERIFY(r.err.contains("bad.dng") && r.err.contains("missing.dng") && r.err.contains("is a folder"));
        }
        QCOMPARE(QDir(m_dir->filePath("out")).entryList(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot), QStringList{"frame-clean.dng"});
    }

    void cleanWritesAndNeverReplaces()
    {
        const QStringList arguments{"clean", m_shot, "--out", m_dir->path(), "--name", "frame", "--color", "0.5", "--luminance", "1.2", "--method", "wavelet"};
        const QByteArray before = contents(m_shot);
        QCOMPARE(run("irenic-cli", arguments).status, 0);
        QVERIFY2(QFile::exists(m_dir->filePath("frame-2.dng")), "a name that is taken gets a number");
        QCOMPARE(contents(m_shot), before);
        QCOMPARE(run("irenic-cli", arguments + QStringList{"--format", "tiff"}).status, 0);
        QVERIFY(QFile::exists(m_dir->filePath("frame.tif")));
        // What is done already is not done again, unless that is asked for; another request is another file.
        const auto again = [&](const QStringList &more) { return json::parse(run("irenic-cli", arguments + QStringList{"--json"} + more).out.toStdString()); };
        const json skipped = again({});
        QVERIFY(skipped["skipped"].get<bool>() && !skipped["written"].get<bool>());
        QVERIFY(skipped["out"].get<std::string>().ends_with("frame-2.dng"));
        QVERIFY(again({"--again"})["out"].get<std::string>().ends_with("frame-3.dng"));
        QVERIFY(again({"--uncompressed"})["out"].get<std::string>().ends_with("frame-4.dng"));
        QVERIFY(again({"--clash", "skip", "--again"})["skipped"].get<bool>());
    }

    void listsAndShards()
    {
        // Five frames from a list on standard input, by three workers: each frame once, whoever takes it.
        const QTemporaryDir dir;
        const QByteArray list = shots(dir, 5, {160, 120}).join(u'\n').toUtf8() + '\n';
        const auto worker = [&](const QString &shard) {
            QProcess p;
            p.start(QStringLiteral(IRENIC_BIN "/irenic-cli"), {"clean", "-", "--shard", shard, "--subfolder", "clean", "--json", "--name", "{name}-{counter}"});
            p.write(list);
            p.closeWriteChannel();
            p.waitForFinished(kPatienceMs);
            return p.readAllStandardOutput().count('\n');
        };
        QCOMPARE(worker("1/3"), 2);
        QCOMPARE(worker("2/3"), 2);
        QCOMPARE(worker("3/3"), 1);
        QCOMPARE(QDir(dir.filePath("clean")).entryList(QDir::Files | QDir::Hidden), (QStringList{"f0-0001.dng", "f1-0002.dng", "f2-0003.dng", "f3-0004.dng", "f4-0005.dng"}));
        QVERIFY(run("irenic-cli", {"clean", m_shot, "--beside", "--shard", "4/3"}).status != 0);
        QVERIFY(run("irenic-cli", {"clean", m_shot, "--beside", "--out", "x"}).status != 0);
        QVERIFY(run("irenic-cli", {"clean", "--list", dir.filePath("none.txt"), "--beside"}).err.contains("none.txt"));
    }

    void measureTakesNamesFromStandardInput()
    {
        const auto measured = [&](const QByteArray &names) {
            QProcess p;
            p.start(QStringLiteral(IRENIC_BIN "/irenic-cli"), {"measure", "-", "--json"});
            p.write(names);
            p.closeWriteChannel();
            p.waitForFinished(kPatienceMs);
            return std::pair(p.exitCode(), p.readAllStandardOutput().trimmed().split('\n'));
        };
        const QByteArray name = m_shot.toUtf8();
        const auto [status, lines] = measured(name + "\n\n" + name + '\n');
        QCOMPARE(status, 0);
        QCOMPARE(lines.size(), qsizetype(2));
        QCOMPARE(lines[0], lines[1]);
        QCOMPARE(nlohmann::json::parse(lines[0].toStdString())["file"].get<std::string>(), m_shot.toStdString());
        const auto none = measured("");
        QCOMPARE(none.first, 1);
        QVERIFY(none.second[0].contains("No file was named"));
    }

    void tasteIsOnTheCommandLine()
    {
        const QTemporaryDir dir;
        const auto clean = [&](const QStringList &more) { return run("irenic-cli", QStringList{"clean", m_shot, "--out", dir.path(), "--method", "wavelet", "--json"} + more); };
        const Ran tasted = clean({"--detail", "0.5", "--grain", "0.2", "--sharpen", "0.8", "--luminance-lights", "0.5", "--mix", "0.9"});
        QCOMPARE(tasted.status, 0);
        const json line = json::parse(tasted.out.toStdString());
        QCOMPARE(line["taste"]["detail"].get<double>(), 0.5);
        QCOMPARE(line["taste"]["luminance-lights"].get<double>(), 0.5);
        QVERIFY(!line["taste"].contains("blotches"));
        // The file tells it again, as a recipe.
        const json again = json::parse(run("irenic-cli", {"clean", m_shot, "--out", dir.path(), "--recipe", QString::fromStdString(line["out"].get<std::string>()), "--json", "--dry-run"}).out.toStdString());
        QVERIFY(again["taste"] == line["taste"]);
        const Ran wild = clean({"--grain", "3"});
        QVERIFY(wild.status != 0 && wild.err.contains("grain"));
        // Regions from a file.
        QFile regions(dir.filePath("regions.json"));
        QVERIFY(regions.open(QIODevice::WriteOnly));
        regions.write("{\"format\": \"irenic-regions\", \"version\": 1, \"regions\": [{\"name\": \"dark\", \"inverted\": false, \"parts\": [{\"kind\": \"brightness\", \"joins\": \"adds\", "
                      "\"softness\": 1, \"low\": -14, \"high\": -6}], \"luminance\": 0, \"colour\": 1.5, \"detail\": 0, \"grain\": 0, \"sharpen\": 0, \"feather\": 0, \"follow-edges\": 0}]}");
        regions.close();
        QCOMPARE(clean({"--regions", regions.fileName()}).status, 0);
        QVERIFY(clean({"--regions", dir.filePath("none.json")}).err.contains("none.json"));
        QVERIFY(clean({"--regions", m_shot}).status != 0);
    }

    void lensCorrectionsSayWhatIsMissing()
    {
        const QTemporaryDir dir;
        const auto clean = [&](const QStringList &more) { return run("irenic-cli", QStringList{"clean", m_shot, "--out", dir.path(), "--method", "wavelet"} + more); };
        const Ran none = clean({"--correct", "distortion"});
        QVERIFY(none.status != 0 && none.err.contains("profile") && none.err.contains("nothing was written"));
        QVERIFY(clean({"--correct", "colour"}).err.contains("lateral, vignetting and distortion"));
        QVERIFY(clean({"--shape", "round"}).err.contains("largest"));
        QFile lens(dir.filePath("lens.json"));
        QVERIFY(lens.open(QIODevice::WriteOnly));
        lens.write("{\"format\": \"irenic-lens\", \"version\": 1, \"lateral\": false, \"vignetting\": false, \"distortion\": true, \"red\": [1,0,0,0,0], \"blue\": [1,0,0,0,0], "
                   "\"bent\": [1,0,-0.05,0,0], \"falloff\": [0,0,0], \"shape\": \"largest\", \"from\": \"by hand\"}");
        lens.close();
        QCOMPARE(clean({"--lens", lens.fileName(), "--format", "tiff", "--name", "straight"}).status, 0);
        QCOMPARE(clean({"--format", "tiff", "--name", "bent"}).status, 0);
        const auto samplesOf = [&](const QString &name) { return readFrame(dir.filePath(name).toStdString()).value()->samples.clone(); };
        QVERIFY(!sameBits(samplesOf("straight.tif").constView(), samplesOf("bent.tif").constView()));
        QCOMPARE(clean({"--lens", lens.fileName(), "--shape", "everything", "--format", "tiff", "--name", "whole"}).status, 0);
        QVERIFY(!sameBits(samplesOf("whole.tif").constView(), samplesOf("straight.tif").constView()));
        QVERIFY(QDir(dir.path()).entryList(QDir::Files | QDir::Hidden).filter("part").isEmpty());
    }

    void fringesAreTakenOffWhenAsked()
    {
        // A bright window with a violet rim in a dark wall.
        const QTemporaryDir dir;
        Scene scene = flatScene({300, 200}, 0.6f, 0.6f, 0.6f);
        for (int y = 0; y < 200; ++y)
            for (int x = 0; x < 151; ++x) {
                const std::array<float, 3> colour = x < 148 ? std::array{0.02f, 0.02f, 0.02f} : std::array{0.25f, 0.06f, 0.4f};
                std::copy(colour.begin(), colour.end(), scene.rgb.begin() + 3 * (300 * y + x));
            }
        ShootOptions o;
        o.iso = 100;
        const QString file = dir.filePath("window.dng");
        const auto shot = shoot(scene, o);
        QVERIFY(shot.ok() && writeShot(file.toStdString(), shot.value(), o));
        const auto violet = [&](const QString &name, const QStringList &more) {
            const Ran r = run("irenic-cli", QStringList{"clean", file, "--out", dir.filePath("out"), "--method", "wavelet", "--format", "tiff", "--name", name} + more);
            if (r.status != 0)
                return std::nan("");
            const auto out = readFrame(dir.filePath("out/" + name + ".tif").toStdString());
            double sum = 0;
            for (int y = 50; y < 150; ++y)
                for (int x = 145; x < 153; ++x) {
                    const uint16_t *p = out.value()->samples.row(y) + 3 * x;
                    sum += (p[0] + p[2]) / 2. - p[1];
                }
            return sum;
        };
        const double before = violet("before", {}), after = violet("after", {"--fringes", "1"});
        QVERIFY2(before > 0 && after < 0.75 * before, qPrintable(QString("%1 %2").arg(before).arg(after)));
        QVERIFY(std::isnan(violet("beyond", {"--fringes", "1.5"})));
    }

    void aMethodWithoutItsWeightsSaysSo()
    {
        const QTemporaryDir dir;
        const auto suggestion = [&] {
            const Ran r = run("irenic-cli", {"clean", m_shot, "--out", dir.filePath("out"), "--format", "tiff", "--dry-run", "--json"});
            return r.status == 0 ? json::parse(r.out.toStdString())["method"].get<std::string>() : r.err.toStdString();
        };
        const auto isAsked = [&] {
            const auto asked = json::parse(run("irenic-cli", {"measure", m_shot, "--json"}).out.toStdString())["suggestion"]["nearness"];
            return std::any_of(asked.begin(), asked.end(), [](const json &m) { return m["method"] == "unet"; });
        };
        QCOMPARE(suggestion(), std::string("unet-colour"));
        QVERIFY(isAsked());
        qputenv("IRENIC_DATA", dir.path().toUtf8());
        const Ran without = run("irenic-cli", {"clean", m_shot, "--out", dir.filePath("out"), "--method", "unet"});
        const Ran other = run("irenic-cli", {"clean", m_shot, "--out", dir.filePath("out"), "--method", "dct"});
        const std::string instead = suggestion();
        const bool isStillAsked = isAsked();
        qunsetenv("IRENIC_DATA");
        QVERIFY2((QStringList{"wavelet", "dct", "nlm"}.contains(QString::fromStdString(instead))), instead.c_str());
        QVERIFY(!isStillAsked);
        QVERIFY(without.status != 0);
        QVERIFY2(without.err.contains("unet.weights") && without.err.contains("Other methods work"), without.err.constData());
        QCOMPARE(other.status, 0);
        QCOMPARE(QDir(dir.filePath("out")).entryList(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot).size(), 1);
    }

    /// Weights of another network under its name are refused; a frame in full colour then gets, by the networks of mosaics, what needs none.
    void aNetworkWithAnothersWeightsSaysSo()
    {
        const QTemporaryDir dir;
        const QString weights = QStringLiteral(IRENIC_SOURCE "/training/");
        for (const auto &[from, to] : {std::pair{"unet.weights", "unet.weights"}, {"unet-colour.weights", "unet-colour.weights"}, {"unet-colour.weights", "unet-finished.weights"}})
            QVERIFY(QFile::copy(weights + from, dir.filePath(to)));
        QCOMPARE(run("irenic-cli", {"clean", m_shot, "--out", dir.path(), "--method", "wavelet", "--format", "tiff"}).status, 0);
        const QString picture = QDir(dir.path()).entryList({"*.tif"}).value(0);
        QVERIFY(!picture.isEmpty());
        const auto cleaned = [&](const char *method) { return run("irenic-cli", {"clean", dir.filePath(picture), "--out", dir.filePath("again"), "--method", method, "--json"}); };
        const Ran whole = cleaned("unet");
        qputenv("IRENIC_DATA", dir.path().toUtf8());
        const Ran refused = cleaned("unet-colour"), instead = cleaned("unet");
        qunsetenv("IRENIC_DATA");
        QVERIFY2(whole.status == 0 && instead.status == 0, (whole.err + instead.err).constData());
        QCOMPARE(json::parse(whole.out.toStdString())["method"].get<std::string>(), std::string("unet-colour"));
        QCOMPARE(json::parse(instead.out.toStdString())["method"].get<std::string>(), std::string("bm3d"));
        QVERIFY2(refused.status != 0 && refused.err.contains("unet-finished.weights") && refused.err.contains("another network"), refused.err.constData());
    }

    void aDngsCompressionIsChosen()
    {
        const QTemporaryDir dir;
        QVERIFY(run("irenic-cli", {"clean", m_shot, "--out", dir.path(), "--method", "wavelet", "--dng-compression", "zip"}).status != 0);
        QCOMPARE(run("irenic-cli", {"clean", m_shot, "--out", dir.path(), "--method", "wavelet", "--dng-compression", "jpeg-xl"}).status, 0);
        const QStringList written = QDir(dir.path()).entryList({"*.dng"});
        QCOMPARE(written.size(), 1);
        QCOMPARE(readFrame(dir.filePath(written[0]).toStdString()).value()->compression, std::string("JPEG XL"));
    }

    void learnedIsTheResidualUNet()
    {
        const QTemporaryDir dir;
        const Ran r = run("irenic-cli", {"clean", m_shot, "--out", dir.path(), "--method", "learned", "--colour-method", "learned", "--dry-run", "--json"});
        QVERIFY2(r.status == 0, r.err.constData());
        QCOMPARE(json::parse(r.out.toStdString())["method"].get<std::string>(), std::string("unet"));
        QCOMPARE(json::parse(r.out.toStdString())["colourMethod"].get<std::string>(), std::string("unet"));
        const Ran sheet = run("irenic-cli", {"strip", m_shot, "--spot", "40,60,90,70", "--trial", "learned:1", "--out", dir.filePath("sheet.png")});
        QVERIFY2(sheet.status == 0, sheet.err.constData());
        QVERIFY(QFile::exists(dir.filePath("sheet.png")));
    }

    void theNetworkAgreesWithLesserMachines_data()
    {
        QTest::addColumn<QByteArray>("instructions");
        QTest::newRow("AVX2") << QByteArray("AVX2");
        QTest::newRow("SSE 4.1") << QByteArray("SSE41");
    }
    void theNetworkAgreesWithLesserMachines()
    {
        // oneDNN takes the best code that the machine can run, or what this variable allows. A quarter of the source's step at most.
        QFETCH(QByteArray, instructions);
        const QTemporaryDir dir;
        const auto cleaned = [&](const QString &name) {
            const Ran ran = run("irenic-cli", {"clean", m_shot, "--out", dir.path(), "--method", "unet", "--name", name});
            return ran.status == 0 ? readFrame(dir.filePath(name + ".dng").toStdString()).take() : nullptr;
        };
        const auto best = cleaned("best");
        qputenv("DNNL_MAX_CPU_ISA", instructions);
        const auto lesser = cleaned("lesser");
        qunsetenv("DNNL_MAX_CPU_ISA");
        QVERIFY(best && lesser);
        int largest = 0, count = 0;
        for (int y = 0; y < best->samples.height(); ++y)
            for (int x = 0; x < best->samples.width(); ++x) {
                const int d = std::abs(int(best->samples.at(x, y)) - int(lesser->samples.at(x, y)));
                largest = std::max(largest, d);
                count += d > 0;
            }
        QVERIFY2(largest <= 1, qPrintable(QStringLiteral("%1 at %2 places").arg(largest).arg(count)));
    }

    void aKilledWorkerIsMadeUpFor()
    {
        const QTemporaryDir dir;
        const QStringList arguments = QStringList{"clean"} + shots(dir, 6, {900, 700}) + QStringList{"--out", dir.filePath("out"), "--json", "--method", "wavelet"};
        const auto made = [&] { return QDir(dir.filePath("out")).entryList({"*.dng"}, QDir::Files); };
        for (int round = 0; round < 4; ++round) { // killed at another moment every time
            QProcess p;
            p.start(QStringLiteral(IRENIC_BIN "/irenic-cli"), arguments);
            QTest::qWait(150 + 170 * round);
            p.kill();
            p.waitForFinished(kPatienceMs);
            for (const QString &name : made()) // whatever has its name is whole
                QVERIFY2(readFrame(dir.filePath("out/" + name).toStdString()).ok(), qPrintable(name));
        }
        const auto before = made().size();
        const Ran last = run("irenic-cli", arguments);
        QCOMPARE(last.status, 0);
        QCOMPARE(made().size(), 6); // none twice, none lost
        QCOMPARE(last.out.count("\"skipped\":true"), before);
    }

    void everyMethodCleansAndSaysHow_data()
    {
        QTest::addColumn<QString>("method");
        QTest::addColumn<QString>("colours");
        for (const char *m : {"wavelet", "dct", "nlm", "bm3d"})
            QTest::newRow(m) << m << m;
        QTest::newRow("luminance by one, colours by another") << "bm3d"
                                                              << "wavelet";
    }
    void everyMethodCleansAndSaysHow()
    {
        QFETCH(QString, method);
        QFETCH(QString, colours);
        const QString out = m_dir->filePath("by-" + method + "-" + colours);
        const Ran r = run("irenic-cli", {"clean", m_shot, "--out", out, "--method", method, "--colour-method", colours, "--json"});
        QCOMPARE(r.status, 0);
        const json j = json::parse(r.out.toStdString());
        QCOMPARE(j["method"].get<std::string>(), method.toStdString());
        QCOMPARE(j["colourMethod"].get<std::string>(), colours.toStdString());
        // What was written holds less noise than what was read, by the same measure.
        const auto noiseOf = [](const QString &file) {
            const Ran measured = run("irenic-cli", {"measure", "--json", file});
            return json::parse(measured.out.toStdString())["luminanceNoise"].get<double>();
        };
        const double before = noiseOf(m_shot), after = noiseOf(out + "/frame-clean.dng");
        QVERIFY2(after < 0.5 * before, qPrintable(QStringLiteral("%1 of %2").arg(after).arg(before)));
    }

    void severalFormatsOfOneFrame()
    {
        const QTemporaryDir dir;
        const auto clean = [&](const char *formats, const QString &file) { return run("irenic-cli", {"clean", file, "--out", dir.path(), "--method", "wavelet", "--format", formats, "--json"}); };
        const Ran both = clean("dng,tiff,dng", m_shot);
        QCOMPARE(both.status, 0);
        const QByteArrayList lines = both.out.trimmed().split('\n');
        QCOMPARE(lines.size(), 2);
        QCOMPARE(json::parse(lines[0].toStdString())["format"].get<std::string>(), std::string("dng"));
        QCOMPARE(json::parse(lines[1].toStdString())["format"].get<std::string>(), std::string("tiff"));
        QCOMPARE(QDir(dir.path()).entryList(QDir::Files, QDir::Name).size(), 2);
        // What cannot be written is told, and the other is there all the same; a frame that cannot be read is told once.
        const Ran half = clean("dng,jpeg", QString::fromStdString(json::parse(lines[1].toStdString())["out"].get<std::string>()));
        QCOMPARE(half.status, 1);
        QVERIFY((half.err + half.out).contains("finished picture"));
        QCOMPARE(QDir(dir.path()).entryList({"*.jpg"}, QDir::Files).size(), 1);
        const Ran none = clean("dng,tiff", dir.filePath("nothing.dng"));
        QCOMPARE(none.status, 1);
        QVERIFY(none.err.contains("nothing.dng"));
        QCOMPARE(none.err.count('\n'), 1);
        QCOMPARE(none.out.count('\n'), 1);
        QCOMPARE(clean("dng,gif", m_shot).status, 2);
    }

    void otherKindsFindTheirOwnFormat()
    {
        // Six by six becomes a linear DNG; what that DNG is developed to, a picture, stays a picture.
        const QString six = m_dir->filePath("six.dng");
        ShootOptions o;
        o.iso = 6400;
        o.sixBySix = true;
        QVERIFY(writeShot(six.toStdString(), shoot(makeScene({400, 300}), o).value(), o));
        const auto clean = [&](const QString &file, const QStringList &more) {
            const Ran r = run("irenic-cli", QStringList{"clean", file, "--out", m_dir->path(), "--json"} + more);
            return r.status == 0 ? json::parse(r.out.toStdString()) : json{{"written", false}, {"problem", r.err.toStdString()}};
        };
        const json linear = clean(six, {"--name", "linear"});
        QVERIFY2(linear["written"].get<bool>(), linear.dump().c_str());
        QVERIFY(linear["out"].get<std::string>().ends_with("linear.dng"));
        const json measured = json::parse(run("irenic-cli", {"measure", m_dir->filePath("linear.dng"), "--json"}).out.toStdString());
        QCOMPARE(measured["kind"].get<std::string>(), std::string("linear"));
        QCOMPARE(measured["bands"].size(), size_t(6));
        QVERIFY(measured["noise"].contains("G") && !measured["noise"].contains("G1"));
        QVERIFY(measured["profileRatio"].get<double>() > 0); // the export has told its noise
        for (const char *of : {"luminance", "colour"})
            QVERIFY(measured["networkShare"][of].get<double>() >= 0 && measured["networkShare"][of].get<double>() <= 1);
        QVERIFY(json::parse(run("irenic-cli", {"measure", m_shot, "--json"}).out.toStdString())["networkShare"].is_null()); // of a mosaic
        QVERIFY(clean(m_dir->filePath("linear.dng"), {"--name", "picture", "--format", "tiff"})["written"].get<bool>());
        const json again = clean(m_dir->filePath("picture.tif"), {"--name", "again"});
        QVERIFY2(again["written"].get<bool>() && again["out"].get<std::string>().ends_with("again.tif"), again.dump().c_str());
        const Ran refused = run("irenic-cli", {"clean", m_dir->filePath("picture.tif"), "--out", m_dir->path(), "--format", "dng", "--name", "no"});
        QCOMPARE(refused.status, 1);
        QVERIFY(refused.err.contains("picture.tif") && refused.err.contains("not raw"));
        QVERIFY(!QFile::exists(m_dir->filePath("no.dng")));
    }

    void anUnknownColourMethodIsRefused()
    {
        const Ran r = run("irenic-cli", {"clean", m_shot, "--out", m_dir->filePath("none"), "--colour-method", "fog"});
        QCOMPARE(r.status, 2);
        QVERIFY(r.err.contains("fog") && r.err.contains("nlm"));
        QVERIFY(!QFile::exists(m_dir->filePath("none")));
    }

    void theSameFileOnAnyNumberOfThreads()
    {
        QCOMPARE(run("irenic-cli", {"clean", m_shot, "--out", m_dir->filePath("one"), "--threads", "1"}).status, 0);
        QCOMPARE(run("irenic-cli", {"clean", m_shot, "--out", m_dir->filePath("two"), "--threads", "2"}).status, 0);
        QCOMPARE(contents(m_dir->filePath("one/frame-clean.dng")), contents(m_dir->filePath("two/frame-clean.dng")));
    }

    void dryRunWritesNothing()
    {
        const Ran r = run("irenic-cli", {"clean", m_shot, "--out", m_dir->filePath("dry"), "--dry-run", "--json"});
        QCOMPARE(r.status, 0);
        QCOMPARE(json::parse(r.out.toStdString())["written"].get<bool>(), false);
        QVERIFY(!QFile::exists(m_dir->filePath("dry")));
    }

    void wrongRequestsAreRefusedBeforeAnyFile_data()
    {
        QTest::addColumn<QStringList>("more");
        QTest::addColumn<QString>("word");
        QTest::newRow("strength") << QStringList{"--luminance", "4"} << "luminance";
        QTest::newRow("not a number") << QStringList{"--colour", "nan"} << "colour";
        QTest::newRow("method") << QStringList{"--method", "fog"} << "fog";
        QTest::newRow("format") << QStringList{"--format", "gif"} << "gif";
        QTest::newRow("name") << QStringList{"--name", "{nmae}"} << "nmae";
        QTest::newRow("bits") << QStringList{"--bits", "12"} << "12";
        QTest::newRow("profile") << QStringList{"--profile", "huge"} << "huge";
        QTest::newRow("compression") << QStringList{"--compression", "zap"} << "zap";
        QTest::newRow("exposure") << QStringList{"--exposure", "9"} << "exposure";
        QTest::newRow("clash") << QStringList{"--clash", "replace"} << "replace";
    }
    void wrongRequestsAreRefusedBeforeAnyFile()
    {
        QFETCH(QStringList, more);
        QFETCH(QString, word);
        const Ran r = run("irenic-cli", QStringList{"clean", m_shot, "--out", m_dir->filePath("no")} + more);
        QVERIFY(r.status != 0);
        QVERIFY2(QString::fromUtf8(r.err).contains(word), r.err.constData());
        QVERIFY(QDir(m_dir->filePath("no")).entryList(QDir::Files | QDir::Hidden).isEmpty());
    }

    void methodsAreListed()
    {
        const Ran r = run("irenic-cli", {"methods", "--json"});
        QCOMPARE(r.status, 0);
        const json j = json::parse(r.out.split('\n')[0].toStdString());
        QCOMPARE(j["id"].get<std::string>(), std::string("wavelet"));
        QCOMPARE(j["parameters"][0]["max"].get<double>(), 3.0);
        QVERIFY(run("irenic-cli", {}).status != 0);
    }

    void compareTellsWhichTrialIsNearest()
    {
        const Ran r = run("irenic-cli", {"compare", m_shot, "--trial", "wavelet:0.1", "--trial", "wavelet:1:1,detail=0.2", "--json"});
        QVERIFY2(r.status == 0, r.err.constData());
        const QByteArrayList lines = r.out.trimmed().split('\n');
        QCOMPARE(lines.size(), 2);
        const json light = json::parse(lines[0].toStdString()), full = json::parse(lines[1].toStdString());
        QCOMPARE(light["trial"].get<std::string>(), std::string("wavelet:0.1"));
        QVERIFY(full["nearest"].get<bool>() && !light["nearest"].get<bool>()); // a high ISO
        QVERIFY(full["nearnessDb"].get<double>() > light["nearnessDb"].get<double>());
        QVERIFY(std::abs(full["nearnessDb"].get<double>() - light["nearnessDb"].get<double>() - light["behindDb"].get<double>()) < 1e-6);
        QVERIFY(full["nearnessErrorDb"].get<double>() > 0 && full["seconds"].get<double>() > 0 && full["detailLost"].get<double>() >= 0);
        QVERIFY(full["doubt"].get<double>() > 0 && light["doubt"].get<double>() > full["doubt"].get<double>() && light["doubt"].get<double>() <= 1);
        const Ran spoken = run("irenic-cli", {"compare", m_shot, "--trial", "wavelet", "--trial", "dct", "--spot", "40,60,90,70"});
        QVERIFY2(spoken.status == 0 && spoken.out.count("nearest") == 1 && spoken.out.contains("behind"), spoken.out.constData());
        for (const QStringList &wrong : {QStringList{"--trial", "no-method"}, {"--trial", "wavelet:x"}, {"--trial", "wavelet", "--spot", "0,0,99999,9"}, {"--trial", "wavelet:9"}}) {
            const Ran bad = run("irenic-cli", QStringList{"compare", m_shot} + wrong);
            QVERIFY2(bad.status == 1 && bad.out.isEmpty() && bad.err.contains(m_shot.toUtf8()), bad.err.constData());
        }
    }

    void aStripShowsTheSamePixelsAsTheExport()
    {
        const QString sheet = m_dir->filePath("sheet.png");
        const Ran r = run("irenic-cli", {"strip", m_shot, "--spot", "40,60,90,70", "--trial", "dct:0.8", "--trial", "wavelet:0.5:1.2", "--trial", "bm3d:1:1,detail=0.5,sharpen=0.8", "--zoom", "1", "--out", sheet});
        QVERIFY2(r.status == 0, r.err.constData());
        const QImage drawn(sheet);
        QVERIFY(drawn.width() > 4 * 90 && drawn.height() > 70 + 40);
        // The trial of the command line, cleaned and developed by an export of the whole frame, is in the sheet to the bit of a screen.
        QVERIFY(run("irenic-cli", {"clean", m_shot, "--method", "dct", "--luminance", "0.8", "--colour", "0.8", "--format", "tiff", "--out", m_dir->path(), "--name", "whole"}).status == 0);
        const auto whole = readFrame(m_dir->filePath("whole.tif").toStdString()).take();
        const auto same = [&](int dx, int dy) {
            for (int y = 0; y < 70; y += 3)
                for (int x = 0; x < 90; x += 3) {
                    const QRgb p = drawn.pixel(dx + x, dy + y);
                    const int got[3] = {qRed(p), qGreen(p), qBlue(p)};
                    for (int c = 0; c < 3; ++c)
                        if (std::abs(whole->samples.at((40 + x) * 3 + c, 60 + y) / 257.0 - got[c]) > 0.7)
                            return false;
                }
            return true;
        };
        int found = 0;
        for (int dy = 0; dy + 70 <= drawn.height(); ++dy)
            for (int dx = 0; dx + 90 <= drawn.width(); ++dx)
                found += same(dx, dy);
        QCOMPARE(found, 1);
        const QByteArray before = contents(sheet);
        const Ran again = run("irenic-cli", {"strip", m_shot, "--spot", "40,60,90,70", "--trial", "dct", "--out", sheet});
        QVERIFY(again.status != 0 && again.err.contains("already there"));
        QCOMPARE(contents(sheet), before);
    }

    void aStripThatCannotBeMadeSaysWhy_data()
    {
        QTest::addColumn<QStringList>("more");
        QTest::addColumn<QString>("word");
        QTest::newRow("outside") << QStringList{"--spot", "390,10,50,50", "--trial", "dct"} << "does not lie inside";
        QTest::newRow("no numbers") << QStringList{"--spot", "a,b,c,d", "--trial", "dct"} << "X,Y,WIDTH,HEIGHT";
        QTest::newRow("no method") << QStringList{"--spot", "0,0,50,50", "--trial", "magic:1"} << "magic";
        QTest::newRow("strength") << QStringList{"--spot", "0,0,50,50", "--trial", "dct:strong"} << "no number";
        QTest::newRow("range") << QStringList{"--spot", "0,0,50,50", "--trial", "dct:7"} << "luminance";
        QTest::newRow("taste of no name") << QStringList{"--spot", "0,0,50,50", "--trial", "dct:1,salt=1"} << "salt=1";
        QTest::newRow("taste without a number") << QStringList{"--spot", "0,0,50,50", "--trial", "dct:1,detail=much"} << "detail=much";
        QTest::newRow("too much of it") << QStringList{"--spot", "0,0,50,50", "--trial", "dct:1,detail=3"} << "detail";
    }
    void aStripThatCannotBeMadeSaysWhy()
    {
        QFETCH(QStringList, more);
        QFETCH(QString, word);
        const QString out = m_dir->filePath("none.png");
        const Ran r = run("irenic-cli", QStringList{"strip", m_shot, "--out", out} + more);
        QVERIFY(r.status != 0);
        QVERIFY2(QString::fromUtf8(r.err).contains(word), r.err.constData());
        QVERIFY(!QFile::exists(out));
    }

    void aRecipeIsAppliedAsItStands()
    {
        QFile recipe(m_dir->filePath("quiet.json"));
        QVERIFY(recipe.open(QIODevice::WriteOnly) && recipe.write("{\"format\": \"irenic-recipe\", \"version\": 1, \"name\": \"Quiet\", \"method\": \"dct\", \"luminance\": 0.4, \"colour\": 1.3}") > 0);
        recipe.close();
        const Ran r = run("irenic-cli", {"clean", m_shot, "--recipe", recipe.fileName(), "--dry-run", "--json", "--out", m_dir->filePath("x")});
        QVERIFY2(r.status == 0, r.err.constData());
        const json j = json::parse(r.out.toStdString());
        QCOMPARE(j["method"].get<std::string>(), std::string("dct"));
        QCOMPARE(j["luminance"].get<double>(), 0.4);
        QCOMPARE(j["colour"].get<double>(), 1.3);
        // An export tells its own recipe.
        QVERIFY(run("irenic-cli", {"clean", m_shot, "--recipe", recipe.fileName(), "--out", m_dir->filePath("told")}).status == 0);
        const json told = json::parse(run("irenic-cli", {"clean", m_shot, "--recipe", m_dir->filePath("told/frame-clean.dng"), "--dry-run", "--json", "--out", m_dir->filePath("x")}).out.toStdString());
        QCOMPARE(told["method"].get<std::string>(), std::string("dct"));
        QCOMPARE(told["colour"].get<double>(), 1.3);
        QVERIFY(run("irenic-cli", {"clean", m_shot, "--recipe", m_shot, "--out", m_dir->filePath("x")}).status != 0);
        QVERIFY(run("irenic-cli", {"clean", m_shot, "--recipe", recipe.fileName(), "--luminance", "1", "--out", m_dir->filePath("x")}).status != 0);
    }

private:
    /// Frames of one scene, each with noise of its own: their names.
    static QStringList shots(const QTemporaryDir &dir, int count, Size size)
    {
        QStringList files;
        for (int i = 0; i < count; ++i) {
            ShootOptions o;
            o.seed = uint64_t(i);
            files << dir.filePath(QStringLiteral("f%1.dng").arg(i));
            if (!writeShot(files.last().toStdString(), shoot(makeScene(size), o).value(), o))
                qFatal("the frames for the test cannot be written");
        }
        return files;
    }
    static QByteArray contents(const QString &file)
    {
        QFile f(file);
        return f.open(QIODevice::ReadOnly) ? f.readAll() : QByteArray("unreadable");
    }
    std::unique_ptr<QTemporaryDir> m_dir;
    QString m_shot;
    NoiseModel m_truth;
};

QTEST_GUILESS_MAIN(CliTest)
#include "cli_test.moc"
