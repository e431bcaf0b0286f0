// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/clean.h"
#include "methods/unet/network.h"
#include "methods/unet/unet.h"
#include "support/frames.h"
#include "support/planes.h"

#include <QFile>
#include <QTemporaryDir>
#include <QTest>

#include <random>

using namespace irenic;
using namespace irenic::test;

namespace {

constexpr int kChannels = unet::Network::kChannels;

/// Of the first generation, and of the second.
const unet::Shape kSmall{{16, 16, 32}, {1, 2, 3}}, kSmallColour{{16, 16, 32, 16}, {1, 2, 2, 1}, unet::kColourIn, unet::kColourOut};

unet::Weights randomWeights(const unet::Shape &shape, unsigned seed)
{
    std::mt19937 random(seed);
    unet::Weights w;
    w.shape = shape;
    w.layers = w.shape.layers();
    for (unet::Convolution &c : w.layers) {
        std::normal_distribution<float> normal(0, 1 / std::sqrt(float(c.inputs * c.side * c.side)));
        c.weights.resize(size_t(c.inputs * c.outputs * c.side * c.side));
        for (float &v : c.weights)
            v = normal(random);
    }
    return w;
}

/// Channels first, in double precision: the network as training/network.py writes it, by plain loops.
struct Maps {
    int channels, height, width;
    std::vector<double> v;
    Maps(int c, int h, int w) : channels(c), height(h), width(w), v(size_t(c) * size_t(h) * size_t(w), 0) {}
    double &at(int c, int y, int x) { return v[(size_t(c) * size_t(height) + size_t(y)) * size_t(width) + size_t(x)]; }
};

Maps convolved(Maps in, const unet::Convolution &c)
{
    const int stride = c.side == 2 ? 2 : 1, padding = c.side == 3 ? 1 : 0;
    Maps out(c.outputs, in.height / stride, in.width / stride);
    for (int o = 0; o < c.outputs; ++o)
        for (int i = 0; i < c.inputs; ++i)
            for (int v = 0; v < c.side; ++v)
                for (int u = 0; u < c.side; ++u) {
                    const double weight = double(c.weights[size_t(((o * c.inputs + i) * c.side + v) * c.side + u)]);
                    const int firstX = std::max(0, padding - u), endX = std::min(out.width, (in.width - 1 + padding - u) / stride + 1);
                    for (int y = 0; y < out.height; ++y) {
                        const int sy = y * stride + v - padding;
                        if (sy < 0 || sy >= in.height)
                            continue;
                        double *to = &out.at(o, y, 0);
                        const double *from = &in.at(i, sy, 0);
                        for (int x = firstX; x < endX; ++x)
                            to[x] += weight * from[x * stride + u - padding];
                    }
                }
    return out;
}

Maps relu(Maps m)
{
    for (double &v : m.v)
        v = std::max(v, 0.0);
    return m;
}

Maps sum(Maps a, const Maps &b)
{
    for (size_t i = 0; i < a.v.size(); ++i)
        a.v[i] += b.v[i];
    return a;
}

Maps grown(Maps in)
{
    Maps out(in.channels, 2 * in.height, 2 * in.width);
    for (int c = 0; c < out.channels; ++c)
        for (int y = 0; y < out.height; ++y)
            for (int x = 0; x < out.width; ++x)
                out.at(c, y, x) = in.at(c, y / 2, x / 2);
    return out;
}

Maps reference(const unet::Weights &w, const Maps &in)
{
    size_t layer = 0;
    const auto next = [&](const Maps &x) { return convolved(x, w.layers[layer++]); };
    const auto blocks = [&](Maps x, int count) {
        for (int i = 0; i < count; ++i) {
            const Maps inner = relu(next(x));
            x = relu(sum(next(inner), x));
        }
        return x;
    };
    const unet::Shape &shape = w.shape;
    std::vector<Maps> kept;
    Maps x = relu(next(in));
    for (size_t level = 0; level < shape.last(); ++level) {
        kept.push_back(blocks(x, shape.depths[level]));
        x = relu(next(kept.back()));
    }
    x = blocks(x, shape.depths[shape.last()]);
    for (size_t level = shape.last(); level-- > 0;) // on the way up, blocks at full and at half size alone
        x = blocks(relu(sum(grown(next(x)), kept[level])), level < 2 ? shape.depths[level] : 0);
    const Maps out = next(x);
    return layer == w.layers.size() ? out : Maps(shape.outputs, 0, 0);
}

std::vector<float> randomInput(Size size, unsigned seed, int inputs = unet::kSamplesIn)
{
    std::mt19937 random(seed);
    std::normal_distribution<float> normal(3, 2);
    std::vector<float> in(size_t(size.area()) * kChannels, 0.f);
    for (size_t i = 0; i < in.size(); i += kChannels) {
        for (int c = 0; c < inputs - 1; ++c)
            in[i + size_t(c)] = normal(random);
        in[i + size_t(inputs) - 1] = 1;
    }
    return in;
}

/// The whole answer, or what is inside a margin, in a picture of that size.
std::vector<float> runOn(unet::Network &network, Size size, const std::vector<float> &in, int margin = 0)
{
    std::copy(in.begin(), in.end(), network.input(size, margin));
    const auto answer = network.run(size, margin);
    std::vector<float> out(in.size(), std::nanf(""));
    for (int y = margin; y < size.height - margin; ++y)
        std::copy(answer->at(margin, y), answer->at(size.width - margin, y), out.begin() + ptrdiff_t(y * size.width + margin) * kChannels);
    return out;
}

float at(const std::vector<float> &v, Size size, int x, int y, int channel)
{
    return v[(size_t(y) * size_t(size.width) + size_t(x)) * kChannels + size_t(channel)];
}

constexpr Size kBoard{360, 240};
constexpr const char *kMethods[] = {"unet", "unet-ensemble"}; ///< of two trainings

/// A scene with one value a place, grey.
template <class Value>
Scene greyScene(const Value &value)
{
    Scene scene = flatScene(kBoard, 0, 0, 0);
    for (int y = 0; y < kBoard.height; ++y)
        for (int x = 0; x < kBoard.width; ++x)
            std::fill_n(scene.rgb.begin() + (y * kBoard.width + x) * 3, 3, float(value(x, y)));
    return scene;
}

Simulated shotAt(const Scene &scene, int iso)
{
    ShootOptions o;
    o.iso = iso;
    o.banding = 0;
    o.hotPixelsPerMillion = 0;
    return simulate(scene, o);
}

/// Green samples of the clean shot and of the cleaned one, each at its place; 0 elsewhere.
struct Greens {
    Plane<float> clean, cleaned;
    Greens(const Simulated &s, const char *method, double strength = 1)
        : clean(s.frame->active.size()), cleaned(Cleaner(s.frame, s.noise, {method, strength, strength}).clean(s.frame->active).take())
    {
        const Rect &a = s.frame->active;
        for (int y = 0; y < a.height; ++y)
            for (int x = 0; x < a.width; ++x) {
                const bool green = s.frame->cfa.at(a.x + x, a.y + y) == Colour::Green;
                clean.at(x, y) = green ? s.truth.clean.at(a.x + x, a.y + y) : 0;
                cleaned.at(x, y) = green ? cleaned.at(x, y) : 0;
            }
    }
    double error(const Rect &where) const { return meanSquare(clean.constView(), cleaned.constView(), where); }
};

/// Letters of strokes two pixels wide, five by seven, as nobody's font has them.
bool isInk(int x, int y)
{
    static constexpr const char *kLetters[] = {"111101111001010", "101101111101101", "111100110100111", "110101110101110", "010101101101010", "111010010010010"};
    const int column = x / 10, row = y / 16, u = x % 10 / 2, v = y % 16 / 2;
    return u < 3 && v < 5 && kLetters[(column * 5 + row * 3) % 6][v * 3 + u] == '1';
}

/// The mean of `value` over `across` offsets each way, about 0.
template <class Value>
double meanOf(int across, const Value &value)
{
    double sum = 0;
    for (int v = -(across / 2); v <= across / 2; ++v)
        for (int u = -(across / 2); u <= across / 2; ++u)
            sum += value(u, v);
    return sum / (across * across);
}

} // namespace

class UnetTest : public QObject
{
    Q_OBJECT

    static void bothGenerations()
    {
        QTest::addColumn<bool>("second");
        QTest::newRow("first generation") << false;
        QTest::newRow("second generation") << true;
    }

private slots:
    void computesWhatTheNetworkIsDefinedAs_data() { bothGenerations(); }
    void computesWhatTheNetworkIsDefinedAs()
    {
        QFETCH(bool, second);
        const unet::Shape &shape = second ? kSmallColour : kSmall;
        const unet::Weights w = randomWeights(shape, 1);
        unet::Network network(w);
        const Size size{24, 16};
        const auto in = randomInput(size, 2, shape.inputs), out = runOn(network, size, in);
        Maps maps(shape.inputs, size.height, size.width);
        for (int c = 0; c < shape.inputs; ++c)
            for (int y = 0; y < size.height; ++y)
                for (int x = 0; x < size.width; ++x)
                    maps.at(c, y, x) = double(at(in, size, x, y, c));
        Maps meant = reference(w, maps);
        double largest = 0;
        for (int c = 0; c < shape.outputs; ++c)
            for (int y = 0; y < size.height; ++y)
                for (int x = 0; x < size.width; ++x) {
                    largest = std::max(largest, std::abs(meant.at(c, y, x)));
                    QVERIFY(std::abs(double(at(out, size, x, y, c)) - meant.at(c, y, x)) < 1e-4 * (1 + std::abs(meant.at(c, y, x))));
                }
        QVERIFY(largest > 0.5);
    }

    void nothingBeyondItsReachCounts_data() { bothGenerations(); }
    void nothingBeyondItsReachCounts()
    {
        QFETCH(bool, second);
        const unet::Shape &shape = second ? kSmallColour : kSmall;
        const unet::Weights w = randomWeights(shape, 3);
        unet::Network network(w);
        const int reach = w.shape.reach();
        const Size size{136, 136};
        const auto in = randomInput(size, 4, shape.inputs);
        for (int x0 = 64; x0 < 64 + shape.alignment(); ++x0) { // every place in the grid
            auto changed = in;
            for (int y = 0; y < size.height; ++y)
                for (int x = 0; x < size.width; ++x)
                    if (std::abs(x - x0) > reach || std::abs(y - x0) > reach)
                        for (size_t c = 0; c < size_t(shape.inputs); ++c)
                            changed[(size_t(y) * size_t(size.width) + size_t(x)) * kChannels + c] = 1000;
            const auto a = runOn(network, size, in), b = runOn(network, size, changed);
            for (int c = 0; c < shape.outputs; ++c)
                QCOMPARE(at(b, size, x0, x0, c), at(a, size, x0, x0, c));
            QVERIFY(at(b, size, x0 + reach, x0, 0) != at(a, size, x0 + reach, x0, 0));
        }
    }

    void placeAndSizeOfATileDoNotCount_data() { bothGenerations(); }
    void placeAndSizeOfATileDoNotCount()
    {
        QFETCH(bool, second);
        const unet::Shape &shape = second ? kSmallColour : kSmall;
        const unet::Weights w = randomWeights(shape, 5);
        unet::Network network(w);
        const int reach = w.shape.reach();
        const Size large{184, 160}, small{136, 128};
        const auto in = randomInput(large, 6, shape.inputs);
        const int dx = 24, dy = 16; // multiples of the alignment
        std::vector<float> part(size_t(small.area()) * kChannels);
        for (int y = 0; y < small.height; ++y)
            std::copy_n(in.begin() + ptrdiff_t((y + dy) * large.width + dx) * kChannels, small.width * kChannels, part.begin() + ptrdiff_t(y) * small.width * kChannels);
        const auto whole = runOn(network, large, in), cut = runOn(network, small, part);
        for (int y = reach; y < small.height - reach; ++y)
            for (int x = reach; x < small.width - reach; ++x)
                for (int c = 0; c < shape.outputs; ++c)
                    QVERIFY(at(cut, small, x, y, c) == at(whole, large, x + dx, y + dy, c));
    }

    void aMarginThatIsNotAskedForDoesNotCount_data() { bothGenerations(); }
    void aMarginThatIsNotAskedForDoesNotCount()
    {
        QFETCH(bool, second);
        const unet::Shape &shape = second ? kSmallColour : kSmall;
        const unet::Weights w = randomWeights(shape, 8);
        unet::Network network(w);
        const Size size{128, 136};
        const auto in = randomInput(size, 9, shape.inputs), whole = runOn(network, size, in);
        for (const int margin : {1, 3, 4, 9, w.shape.reach(), 48}) {
            const auto inner = runOn(network, size, in, margin);
            for (int y = margin; y < size.height - margin; ++y)
                for (int x = margin; x < size.width - margin; ++x)
                    for (int c = 0; c < shape.outputs; ++c)
                        QVERIFY(at(inner, size, x, y, c) == at(whole, size, x, y, c));
        }
    }

    void theShippedWeightsAreWhole()
    {
        for (const unet::Shipped which : {unet::Shipped::Compact, unet::Shipped::Large, unet::Shipped::Colour, unet::Shipped::Finished}) {
            const auto &w = unet::shippedWeights(which);
            QVERIFY2(w.ok(), w.ok() ? "" : w.error().userMessage.c_str());
        }
        QVERIFY(unetIsReady().ok() && unetEnsembleIsReady().ok() && unetColourIsReady().ok());
    }

    void twiceTheInputIsTwiceTheAnswer()
    {
        unet::Network network(unet::shippedWeights(unet::Shipped::Compact).value());
        const Size size{64, 64};
        auto in = randomInput(size, 7);
        const auto once = runOn(network, size, in);
        for (float &v : in)
            v *= 2;
        const auto twice = runOn(network, size, in);
        for (size_t i = 0; i < once.size(); i += 5)
            QVERIFY(twice[i] == 2 * once[i]); // a power of two loses nothing
    }

    void damagedWeightsAreRefused_data()
    {
        QTest::addColumn<QString>("what");
        QTest::addColumn<int>("code");
        for (const char *what : {"levels", "inputs", "outputs", "widths of colour", "depths of colour", "header of colour cut", "bit of colour", "cut of colour"})
            QTest::newRow(what) << what << int(ErrorCode::Damaged);
        QTest::newRow("missing") << "missing" << int(ErrorCode::NotFound);
        QTest::newRow("another file") << "words" << int(ErrorCode::Damaged);
        QTest::newRow("cut off") << "cut" << int(ErrorCode::Damaged);
        QTest::newRow("a bit turned") << "bit" << int(ErrorCode::Damaged);
        QTest::newRow("a later version") << "later" << int(ErrorCode::Unsupported);
        QTest::newRow("an earlier version") << "earlier" << int(ErrorCode::Unsupported);
        QTest::newRow("widths that cannot be") << "widths" << int(ErrorCode::Damaged);
        QTest::newRow("depths that cannot be") << "depths" << int(ErrorCode::Damaged);
        QTest::newRow("a network of another depth") << "deeper" << int(ErrorCode::Damaged);
    }
    void damagedWeightsAreRefused()
    {
        QFETCH(QString, what);
        QFETCH(int, code);
        const bool colour = what.contains("colour") || what == "levels" || what.endsWith("puts");
        QFile good(QString::fromStdString(unet::weightsFile(colour ? unet::Shipped::Colour : unet::Shipped::Compact).string()));
        QVERIFY(good.open(QIODevice::ReadOnly));
        QByteArray bytes = good.readAll();
        if (what == "words")
            bytes = "these are no weights, but words, as anybody can see who reads them";
        if (what.startsWith("cut"))
            bytes.chop(3);
        if (what.startsWith("header"))
            bytes.truncate(30);
        if (what == "levels")
            bytes[12] = char(200);
        if (what == "inputs")
            bytes[16] = 5;
        if (what == "outputs")
            bytes[20] = 4;
        if (what == "widths of colour")
            bytes[24] = 17;
        if (what == "depths of colour")
            bytes[40] = 0;
        if (what.startsWith("bit"))
            bytes[bytes.size() / 2] = char(bytes[bytes.size() / 2] ^ 4);
        if (what == "later")
            bytes[8] = 4;
        if (what == "earlier")
            bytes[8] = 1;
        if (what == "widths")
            bytes[12] = 17;
        if (what == "depths")
            bytes[24] = 0;
        if (what == "deeper")
            bytes[24] = 2;
        const QTemporaryDir dir;
        const QString file = dir.filePath("odd.weights");
        if (what != "missing") {
            QFile out(file);
            QVERIFY(out.open(QIODevice::WriteOnly) && out.write(bytes) == bytes.size());
        }
        const auto read = unet::readWeights(file.toStdString());
        QVERIFY(!read.ok());
        QCOMPARE(int(read.error().code), code);
        const QString words = QString::fromStdString(read.error().userMessage);
        QVERIFY2(words.contains("odd.weights") && words.contains("Other methods work without"), qPrintable(words));
    }

    /// A cleaned tile is what training/network.py makes of the same samples, here by plain loops: local means, network, the answer's own means; of the
    /// large network the mean over the frame as it is, turned by half a turn, transposed, and both.
    void aTileIsWhatTheTrainingSays_data()
    {
        QTest::addColumn<QByteArray>("id");
        QTest::addColumn<bool>("large");
        QTest::addRow("compact") << QByteArray("unet") << false;
        QTest::addRow("large, four views") << QByteArray("unet-ensemble") << true;
    }
    void aTileIsWhatTheTrainingSays()
    {
        QFETCH(QByteArray, id);
        QFETCH(bool, large);
        const Treatment treatment{id.toStdString(), 1, 1};
        const std::unique_ptr<DenoiseMethod> method = large ? makeUnetEnsemble(treatment) : makeUnet(treatment);
        const int side = large ? 6 : 16, halo = (method->haloPx() + 1) / 2 * 2, whole = side + 2 * halo;
        Plane<float> in = gaussianPlane({whole, whole}, 31, 8);
        for (int y = 0; y < whole; ++y)
            for (int x = 0; x < whole; ++x)
                in.at(x, y) += 3 * std::sin(float(x) * 0.4f) * std::sin(float(y) * 0.23f) + ((3 * x + y) % 41 < 4 ? 6.f : 0.f);
        Plane<float> out({side, side});
        Scratch scratch;
        const int given = method->haloPx();
        method->denoiseTile(TileInput::mosaic(in.constView().cut({halo - given, halo - given, side + 2 * given, side + 2 * given}), CfaPattern().shifted(halo - given, halo - given)), {halo, halo, side, side}, {out.view(), {}, {}}, scratch);

        const unet::Weights &weights = unet::shippedWeights(large ? unet::Shipped::Large : unet::Shipped::Compact).value();
        std::vector<double> taken(size_t(side) * size_t(side), 0);
        const int views = large ? 4 : 1;
        for (int view = 0; view < views; ++view) {
            const bool turned = view & 1, transposed = view & 2;
            // Where a place of the frame lies in the view, and back: each is its own opposite.
            const auto seenAt = [&](int x, int y) {
                if (turned)
                    x = -1 - x, y = -1 - y;
                return transposed ? QPoint(y, x) : QPoint(x, y);
            };
            const int phase = turned ? 1 : 0; // of red
            const auto packed = [&](int c, int x, int y) {
                const QPoint p = seenAt(2 * x + phase + c % 2, 2 * y + phase + c / 2);
                return double(in.at(std::clamp(p.x(), 0, whole - 1), std::clamp(p.y(), 0, whole - 1))); // beyond lies only what no sample asks for
            };
            // In packed samples: those asked for, and around them what the answer's means and the network look at; a multiple of four from the frame's corner.
            constexpr int kMean = 49, kAnswersMean = 25;
            const int least = (turned ? -halo - side - phase : halo) / 2, around = (kAnswersMean - 1) / 2 + weights.shape.reach();
            const int first = roundedDown(least - around, 4), length = (least + side / 2 + 1 + around - first + 3) / 4 * 4;
            Maps seen(5, length, length);
            for (int y = 0; y < length; ++y)
                for (int x = 0; x < length; ++x) {
                    for (int c = 0; c < 4; ++c)
                        seen.at(c, y, x) = packed(c, first + x, first + y) - meanOf(kMean, [&](int u, int v) { return packed(c, first + x + u, first + y + v); });
                    seen.at(4, y, x) = 1;
                }
            Maps noise = reference(weights, seen);
            for (int y = 0; y < side; ++y)
                for (int x = 0; x < side; ++x) {
                    const QPoint p = seenAt(halo + x, halo + y) - QPoint(phase, phase);
                    const int c = (p.y() & 1) * 2 + (p.x() & 1), nx = (p.x() >> 1) - first, ny = (p.y() >> 1) - first;
                    taken[size_t(y * side + x)] += (noise.at(c, ny, nx) - meanOf(kAnswersMean, [&](int u, int v) { return noise.at(c, ny + v, nx + u); })) / views;
                }
        }
        double most = 0;
        for (int y = 0; y < side; ++y)
            for (int x = 0; x < side; ++x) {
                const double t = taken[size_t(y * side + x)];
                most = std::max(most, std::abs(t));
                QVERIFY2(std::abs(double(out.at(x, y)) - (double(in.at(halo + x, halo + y)) - t)) < 1e-4, qPrintable(QStringLiteral("at %1, %2: %3").arg(x).arg(y).arg(double(out.at(x, y)))));
            }
        QVERIFY(most > 1);
    }

    /// What training/full_colour.py makes of the same samples: white made equal, local means, the noise of each colour and the distance to black and white;
    /// then the network, which others compare with plain loops; then the answer's own means. At strength 2 the network is told more noise.
    void aTileOfFullColourIsWhatTheTrainingSays_data()
    {
        QTest::addColumn<double>("strength");
        QTest::addColumn<double>("told");
        QTest::newRow("at 1") << 1.0 << 1.0;
        QTest::newRow("at 2") << 2.0 << 1 + 1.0 / 12;
    }
    void aTileOfFullColourIsWhatTheTrainingSays()
    {
        QFETCH(double, strength);
        QFETCH(double, told);
        const std::unique_ptr<DenoiseMethod> method = makeUnetColour({"unet-colour", strength, strength});
        QVERIFY(findMethod("unet-colour")->givesColours);
        const unet::Weights &weights = unet::shippedWeights(unet::Shipped::Colour).value();
        const int side = 8, given = method->haloPx(), halo = (given + 1) / 2 * 2, whole = side + 2 * halo;
        MosaicBalance balance{{0.8f, 1.02f, 0.98f, 1.3f}, {40, 41, 42, 60}};
        Plane<float> in = gaussianPlane({whole, whole}, 37, 4);
        for (int y = 0; y < whole; ++y)
            for (int x = 0; x < whole; ++x)
                in.at(x, y) += float(x) * 0.07f + ((x + 2 * y) % 9 < 3 ? 12.f : 0.f); // from black to where the sensor clips
        std::array<Plane<float>, 3> out{Plane<float>({side, side}), Plane<float>({side, side}), Plane<float>({side, side})};
        Scratch scratch;
        TileInput tile = TileInput::mosaic(in.constView().cut({halo - given, halo - given, side + 2 * given, side + 2 * given}), CfaPattern().shifted(halo - given, halo - given));
        tile.balance = &balance;
        method->denoiseTile(tile, {halo, halo, side, side}, {out[0].view(), out[1].view(), out[2].view()}, scratch);

        constexpr int kMean = 49, kAnswersMean = 25;
        const int alignment = weights.shape.alignment(), around = kAnswersMean / 2 + weights.shape.reach();
        const int first = roundedDown(halo / 2 - around, alignment), length = -roundedDown(first - (halo / 2 + side / 2 + around), alignment);
        const auto packed = [&](int c, int x, int y) { return double(in.at(std::clamp(2 * x + c % 2, 0, whole - 1), std::clamp(2 * y + c / 2, 0, whole - 1))) * double(balance.ratio[size_t(c)]); };
        const double sigma[3] = {told * 0.8, told, told * 1.3};
        unet::Network network(weights);
        const Size size{length, length};
        float *seen = network.input(size);
        for (int y = 0; y < length; ++y)
            for (int x = 0; x < length; ++x, seen += kChannels) {
                double level = 0, room = 1e9;
                for (int c = 0; c < 4; ++c) {
                    const double mean = meanOf(kMean, [&](int u, int v) { return packed(c, first + x + u, first + y + v); }), noise = sigma[c == 0 ? 0 : c == 3 ? 2
                                                                                                                                                                : 1];
                    seen[c] = float(packed(c, first + x, first + y) - mean);
                    level += mean / noise / 4;
                    room = std::min(room, (double(balance.white[size_t(c)]) * double(balance.ratio[size_t(c)]) - mean) / noise);
                }
                for (int c = 0; c < 3; ++c)
                    seen[4 + c] = float(sigma[c]);
                seen[7] = float(std::clamp(level, -12.0, 12.0));
                seen[8] = float(std::clamp(room, 0.0, 12.0));
                std::fill(seen + 9, seen + kChannels, 0.f);
            }
        const auto answer = network.run(size);
        double most[3] = {0, 0, 0};
        for (int y = 0; y < side; ++y)
            for (int x = 0; x < side; ++x) {
                const int place = (y & 1) * 2 + (x & 1), nx = (halo + x) / 2 - first, ny = (halo + y) / 2 - first;
                const auto answered = [&](int channel) { return double(answer->at(nx, ny)[channel]) - meanOf(kAnswersMean, [&](int u, int v) { return double(answer->at(nx + u, ny + v)[channel]); }); };
                const double noise = answered(place) / double(balance.ratio[size_t(place)]);
                const double meant[3] = {double(in.at(halo + x, halo + y)) - noise, answered(4 + 2 * place), answered(5 + 2 * place)};
                most[0] = std::max(most[0], std::abs(noise));
                for (size_t i = 0; i < 3; ++i) {
                    most[i] = std::max(most[i], i == 0 ? most[0] : std::abs(meant[i]));
                    QVERIFY2(std::abs(double(out[i].at(x, y)) - meant[i]) < 1e-3, qPrintable(QStringLiteral("plane %1 at %2, %3: %4, not %5").arg(i).arg(x).arg(y).arg(double(out[i].at(x, y))).arg(meant[i])));
                }
            }
        QVERIFY2(most[0] > 0.3 && most[1] > 0.1 && most[2] > 0.1, qPrintable(QStringLiteral("%1, %2, %3").arg(most[0]).arg(most[1]).arg(most[2])));
    }

    /// What training/finished.py makes of the same colours: local means, three sigmas of the noise, brightness; then the network, then the answer's own means.
    void aTileOfAFinishedPictureIsWhatTheTrainingSays_data() { aTileOfFullColourIsWhatTheTrainingSays_data(); }
    void aTileOfAFinishedPictureIsWhatTheTrainingSays()
    {
        QFETCH(double, strength);
        QFETCH(double, told);
        const std::unique_ptr<DenoiseMethod> method = makeUnetColour({"unet-colour", strength, strength});
        const unet::Weights &weights = unet::shippedWeights(unet::Shipped::Finished).value();
        const int side = 8, given = method->haloPx(), halo = (given + 1) / 2 * 2, whole = side + 2 * halo;
        std::array<Plane<float>, 3> in;
        for (size_t c = 0; c < 3; ++c) {
            in[c] = gaussianPlane({whole, whole}, 71 + c, 4);
            for (int y = 0; y < whole; ++y)
                for (int x = 0; x < whole; ++x)
                    in[c].at(x, y) += float(x) * 0.04f + ((x + 2 * y) % 9 < 3 ? 3.f * float(c) : 0.f);
        }
        std::vector<BandNoise> bands(6);
        bands[0].sigma = 2, bands[0].scales = {1, 1.25f, 1, 1};
        bands[3].sigma = 1.5f;
        bands[4].sigma = 0.5f, bands[4].scales = {1, 1.2f, 1, 1};
        bands[5].sigma = 0.8f;
        const double sigmas[3] = {1.5, 2.5, std::sqrt((0.6 * 0.6 + 0.8 * 0.8) / 2)};
        std::array<Plane<float>, 3> out{Plane<float>({side, side}), Plane<float>({side, side}), Plane<float>({side, side})};
        Scratch scratch;
        TileInput tile{{}, {}, &bands, nullptr, nullptr};
        for (size_t c = 0; c < 3; ++c)
            tile.planes[c] = in[c].constView().cut({halo - given, halo - given, side + 2 * given, side + 2 * given});
        method->denoiseTile(tile, {halo, halo, side, side}, {out[0].view(), out[1].view(), out[2].view()}, scratch);

        constexpr int kMean = 49, kAnswersMean = 25;
        const int alignment = weights.shape.alignment(), around = kAnswersMean / 2 + weights.shape.reach();
        const int first = roundedDown(halo / 2 - around, alignment), length = -roundedDown(first - (halo / 2 + side / 2 + around), alignment);
        const auto packed = [&](int i, int x, int y) { return double(in[size_t(i % 3)].at(std::clamp(2 * x + i / 3 % 2, 0, whole - 1), std::clamp(2 * y + i / 6, 0, whole - 1))); };
        unet::Network network(weights);
        const Size size{length, length};
        float *seen = network.input(size);
        for (int y = 0; y < length; ++y)
            for (int x = 0; x < length; ++x, seen += kChannels) {
                double level = 0;
                for (int i = 0; i < 12; ++i) {
                    const double mean = meanOf(kMean, [&](int u, int v) { return packed(i, first + x + u, first + y + v); });
                    seen[i] = float(packed(i, first + x, first + y) - mean);
                    level += mean / 12;
                }
                for (int i = 0; i < 3; ++i)
                    seen[12 + i] = float(told * sigmas[i]);
                seen[15] = float(std::clamp(level, -12.0, 12.0));
            }
        const auto answer = network.run(size);
        double most = 0;
        for (int y = 0; y < side; ++y)
            for (int x = 0; x < side; ++x)
                for (int c = 0; c < 3; ++c) {
                    const int channel = 3 * ((y & 1) * 2 + (x & 1)) + c, nx = (halo + x) / 2 - first, ny = (halo + y) / 2 - first;
                    const double noise = double(answer->at(nx, ny)[channel]) - meanOf(kAnswersMean, [&](int u, int v) { return double(answer->at(nx + u, ny + v)[channel]); });
                    const double meant = double(in[size_t(c)].at(halo + x, halo + y)) - noise;
                    most = std::max(most, std::abs(noise));
                    QVERIFY2(std::abs(double(out[size_t(c)].at(x, y)) - meant) < 1e-3, qPrintable(QStringLiteral("colour %1 at %2, %3: %4, not %5").arg(c).arg(x).arg(y).arg(double(out[size_t(c)].at(x, y))).arg(meant)));
                }
        QVERIFY2(most > 0.3, qPrintable(QString::number(most)));
    }

    /// An edge stays where it is and as steep as noise allows, without a rim.
    void edgesStay_data()
    {
        QTest::addColumn<QByteArray>("method");
        QTest::addColumn<int>("iso");
        for (const char *method : kMethods)
            for (const int iso : {1600, 6400, 25600})
                QTest::addRow("%s, ISO %d", method, iso) << QByteArray(method) << iso;
    }
    void edgesStay()
    {
        QFETCH(QByteArray, method);
        QFETCH(int, iso);
        const Simulated s = shotAt(greyScene([](int x, int) { return x < 180 ? 0.05 : 0.4; }), iso);
        const Greens g(s, method);
        const auto profile = [](const Plane<float> &p) {
            std::vector<double> means(100);
            for (int x = 0; x < 100; ++x) // pairs of columns: every row has one green in two
                for (int y = 20; y < 220; ++y)
                    means[size_t(x)] += double(p.at(130 + x, y) + p.at(131 + x, y)) / 200;
            return means;
        };
        const auto clean = profile(g.clean), cleaned = profile(g.cleaned);
        const double low = clean[10], high = clean[90], step = high - low;
        const auto crossing = [&](const std::vector<double> &p, double share) {
            for (size_t x = 20; x < 80; ++x)
                if (p[x] <= low + share * step && p[x + 1] > low + share * step)
                    return double(x) + (low + share * step - p[x]) / (p[x + 1] - p[x]);
            return 0.0;
        };
        QVERIFY2(std::abs(crossing(cleaned, 0.5) - crossing(clean, 0.5)) < 0.15, qPrintable(QString::number(crossing(cleaned, 0.5) - crossing(clean, 0.5))));
        const double width = crossing(cleaned, 0.8) - crossing(cleaned, 0.2), was = crossing(clean, 0.8) - crossing(clean, 0.2);
        QVERIFY2(width < was + 0.4, qPrintable(QStringLiteral("%1 px, %2 before").arg(width).arg(was)));
        const auto [least, most] = std::minmax_element(cleaned.begin() + 20, cleaned.begin() + 80);
        QVERIFY2(low - *least < 0.03 * step && *most - high < 0.03 * step, qPrintable(QStringLiteral("%1 under, %2 over").arg((low - *least) / step).arg((*most - high) / step)));
    }

    /// Patterns that nobody's noise makes. Checks that go on for ever are where BM3D finds a thousand equal windows, and is far better; the network
    /// must keep their contrast, and may not make them worse.
    void patternsAndLetteringStay_data()
    {
        QTest::addColumn<QByteArray>("method");
        QTest::addColumn<QString>("what");
        QTest::addColumn<int>("iso");
        for (const char *method : kMethods)
            for (const char *what : {"lettering", "checks of 4 px", "checks of 8 px"})
                for (const int iso : {1600, 6400, 25600})
                    QTest::addRow("%s, %s, ISO %d", method, what, iso) << QByteArray(method) << what << iso;
    }
    void patternsAndLetteringStay()
    {
        QFETCH(QByteArray, method);
        QFETCH(QString, what);
        QFETCH(int, iso);
        const int side = what.contains("8") ? 8 : 4;
        const Simulated s = shotAt(greyScene([&](int x, int y) { return what == "lettering" ? (isInk(x, y) ? 0.03 : 0.35) : (x / side + y / side) % 2 ? 0.08
                                                                                                                                                      : 0.35; }), iso);
        const Rect middle{30, 30, 300, 180};
        const Greens g(s, method);
        const bool letters = what == "lettering";
        const double other = letters ? Greens(s, "bm3d").error(middle) : meanSquare(g.clean.constView(), Greens(s, "dct", 0).cleaned.constView(), middle);
        const double gain = 10 * std::log10(other / g.error(middle));
        QVERIFY2(gain > 0, qPrintable(QStringLiteral("%1 dB against %2").arg(gain).arg(letters ? "BM3D" : "the untreated picture")));
        // What is left of the contrast.
        double product = 0, square = 0, mean = 0;
        int n = 0;
        for (int y = middle.y; y < middle.bottom(); ++y)
            for (int x = middle.x; x < middle.right(); ++x)
                if (g.clean.at(x, y) != 0) {
                    mean += double(g.clean.at(x, y));
                    ++n;
                }
        mean /= n;
        for (int y = middle.y; y < middle.bottom(); ++y)
            for (int x = middle.x; x < middle.right(); ++x)
                if (const double c = double(g.clean.at(x, y)) - mean; g.clean.at(x, y) != 0) {
                    product += c * (double(g.cleaned.at(x, y)) - mean);
                    square += c * c;
                }
        QVERIFY2(product / square > 0.9, qPrintable(QString::number(product / square)));
    }

    /// A frame that is turned, or has its rows for columns, gets the same answer, turned likewise. A single look at it does not.
    void ensembleDoesNotDependOnTheView_data()
    {
        QTest::addColumn<QString>("cfa");
        for (const char *cfa : {"RGGB", "GRBG"})
            QTest::newRow(cfa) << cfa;
    }
    void ensembleDoesNotDependOnTheView()
    {
        QFETCH(QString, cfa);
        const CfaPattern pattern = *CfaPattern::fromName(cfa.toStdString());
        const std::unique_ptr<DenoiseMethod> ensemble = makeUnetEnsemble({"unet-ensemble", 1, 1}), alone = makeUnet({"unet", 1, 1});
        const int side = 96, halo = ensemble->haloPx(), whole = side + 2 * halo;
        Plane<float> in = gaussianPlane({whole, whole}, 21);
        for (int y = 0; y < whole; ++y)
            for (int x = 0; x < whole; ++x)
                in.at(x, y) += 12 + 4 * std::sin(float(x) * 0.7f) * std::sin(float(y) * 0.31f) + ((x + 2 * y) % 37 < 3 ? 5.f : 0.f);
        const auto cleaned = [&](const DenoiseMethod &method, const Plane<float> &plane, CfaPattern p, Rect where) {
            Plane<float> out({side, side});
            Scratch scratch;
            method.denoiseTile(TileInput::mosaic(plane.constView(), p), where, {out.view(), {}, {}}, scratch);
            return out;
        };
        Plane<float> turned({whole, whole}), transposed({whole, whole});
        for (int y = 0; y < whole; ++y)
            for (int x = 0; x < whole; ++x) {
                turned.at(x, y) = in.at(whole - 1 - x, whole - 1 - y);
                transposed.at(x, y) = in.at(y, x);
            }
        const CfaPattern swapped{{pattern.cells[0], pattern.cells[2], pattern.cells[1], pattern.cells[3]}};
        const Rect where{40, 16, side, side};
        for (const DenoiseMethod *method : {ensemble.get(), alone.get()}) {
            const Plane<float> plain = cleaned(*method, in, pattern, where), ofTurned = cleaned(*method, turned, pattern.shifted(1, 1), {-40 - side, -16 - side, side, side}),
                               ofTransposed = cleaned(*method, transposed, swapped, {16, 40, side, side});
            float mostTurned = 0, mostTransposed = 0;
            for (int y = 0; y < side; ++y)
                for (int x = 0; x < side; ++x) {
                    mostTurned = std::max(mostTurned, std::abs(plain.at(x, y) - ofTurned.at(side - 1 - x, side - 1 - y)));
                    mostTransposed = std::max(mostTransposed, std::abs(plain.at(x, y) - ofTransposed.at(y, x)));
                }
            const QString found = QStringLiteral("%1 and %2 sigma").arg(double(mostTurned)).arg(double(mostTransposed));
            QVERIFY2(method == ensemble.get() ? std::max(mostTurned, mostTransposed) < 1e-4f : std::min(mostTurned, mostTransposed) > 0.1f, qPrintable(found));
        }
    }

    void ensembleIsWorthItsTime()
    {
        const Simulated s = shotAt(leavesScene({420, 320}), 6400);
        const Rect middle{10, 10, 400, 300};
        const double gain = 10 * std::log10(Greens(s, "unet").error(middle) / Greens(s, "unet-ensemble").error(middle));
        QVERIFY2(gain > 0.1, qPrintable(QString::number(gain)));
    }

    void littleIsLeftOfPureNoise_data()
    {
        QTest::addColumn<QByteArray>("name");
        for (const char *method : kMethods)
            QTest::newRow(method) << QByteArray(method);
    }
    void littleIsLeftOfPureNoise()
    {
        // A flat field of every tone: no more than half a per cent of the variance, and the mean where it was.
        QFETCH(QByteArray, name);
        const std::unique_ptr<DenoiseMethod> method = makeMethod({name.toStdString(), 1, 1, {}});
        const int halo = method->haloPx(), side = 256;
        for (const float level : {0.f, 5.f, 40.f}) {
            const Plane<float> noise = gaussianPlane({side + 2 * halo + kRowPaddingPx, side + 2 * halo}, 11, level);
            const auto in = noise.constView().cut({0, 0, side + 2 * halo, side + 2 * halo});
            Plane<float> out({side, side});
            Scratch scratch;
            method->denoiseTile(TileInput::mosaic(in, CfaPattern()), {0, 0, side, side}, {out.view(), {}, {}}, scratch);
            double mean = 0, square = 0, before = 0;
            std::array<double, 64> folded{}; // by the place in the network's own grid
            for (int y = 0; y < side; ++y)
                for (int x = 0; x < side; ++x) {
                    folded[size_t(y % 8 * 8 + x % 8)] += double(out.at(x, y)) * 64 / (side * side);
                    mean += double(out.at(x, y));
                    square += double(out.at(x, y)) * double(out.at(x, y));
                    before += double(in.row(y + halo)[x + halo]);
                }
            mean /= side * side;
            before /= side * side;
            const double variance = square / (side * side) - mean * mean;
            QVERIFY2(variance < 0.005, qPrintable(QStringLiteral("at %1: %2").arg(double(level)).arg(variance)));
            // No mesh: the same places of every eight by eight have the mean of all.
            double mesh = 0;
            for (const double f : folded)
                mesh += (f - mean) * (f - mean) / 64;
            QVERIFY2(std::sqrt(mesh) < 0.01, qPrintable(QStringLiteral("at %1: %2").arg(double(level)).arg(std::sqrt(mesh))));
            QVERIFY2(std::abs(mean - before) < 0.02, qPrintable(QStringLiteral("at %1: %2 of %3").arg(double(level)).arg(mean).arg(before)));
        }
    }
};

QTEST_APPLESS_MAIN(UnetTest)
#include "unet_test.moc"
