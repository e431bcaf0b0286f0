// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/unet/weights.h"

#include "base/half.h"
#include "irenic/parameter.h"
#include "irenic/process.h"
#include "irenic/sentence.h"
#include "irenic/text.h"

#include <zlib.h>

#include <array>
#include <bit>
#include <cmath>
#include <cstdlib>
#include <cstring>
#include <fstream>
#include <sstream>

namespace irenic::unet {

namespace {

constexpr char kMagic[8] = {'I', 'R', 'E', 'N', 'U', 'N', 'E', 'T'};
/// The first generation's files have three levels and say no more; those of the second name their levels, inputs and outputs before.
constexpr uint32_t kFirst = 2, kSecond = 3;
constexpr uint32_t kFewestLevels = 3, kMostLevels = 5;
constexpr uint32_t kWidest = 512, kDeepest = 16;

} // namespace

std::vector<Convolution> Shape::layers() const
{
    std::vector<Convolution> all;
    const auto add = [&](int from, int to, int side) { all.push_back({from, to, side, {}}); };
    const auto blocks = [&](size_t level, int count) {
        for (int i = 0; i < 2 * count; ++i)
            add(widths[level], widths[level], 3);
    };
    add(inputs, widths[0], 3);
    for (size_t level = 0; level < last(); ++level) {
        blocks(level, depths[level]);
        add(widths[level], widths[level + 1], 2);
    }
    blocks(last(), depths[last()]);
    for (size_t level = last(); level-- > 0;) {
        add(widths[level + 1], widths[level], 1);
        blocks(level, depthUp(level));
    }
    add(widths[0], outputs, 3);
    return all;
}

int Shape::reach() const
{
    // Two convolutions a block, of one sample of their level each, and those at either end; its square comes on top.
    int reach = 2 + alignment();
    for (size_t level = 0; level <= last(); ++level)
        reach += (1 << level) * 2 * (depths[level] + depthUp(level));
    return reach;
}

Result<Weights> readWeights(const std::filesystem::path &file)
{
    const auto damaged = [&](const std::string &why) { return Error{ErrorCode::Damaged, sentence("The learned weights in %1 cannot be used: %2. Other methods work without them.", {textOf(file), sentence(why.c_str())}), {}}; };
    std::ifstream in(file, std::ios::binary);
    if (!in)
        return Error{ErrorCode::NotFound, sentence("The learned weights are not there (%1); building Irenic puts them there. Other methods work without them.", {textOf(file)}), {}};
    const std::vector<char> bytes{std::istreambuf_iterator<char>(in), {}};
    if (bytes.size() < sizeof kMagic + sizeof(uint32_t) || std::memcmp(bytes.data(), kMagic, sizeof kMagic) != 0)
        return damaged(visible("it is no such file"));
    size_t at = sizeof kMagic;
    bool isShort = false;
    const auto next = [&] {
        uint32_t v = 0;
        if (bytes.size() < at + sizeof v) {
            isShort = true;
            return v;
        }
        for (size_t i = 0; i < sizeof v; ++i)
            v |= uint32_t(uint8_t(bytes[at++])) << (8 * i);
        return v;
    };
    const uint32_t version = next();
    if (version != kFirst && version != kSecond)
        return Error{ErrorCode::Unsupported, sentence("The learned weights in %1 are of another version of Irenic. Other methods work without them.", {textOf(file)}), {}};
    Weights w;
    uint32_t levels = 3;
    if (version == kSecond) {
        levels = next();
        w.shape.inputs = int(std::min(next(), kWidest));
        w.shape.outputs = int(std::min(next(), kWidest));
        if (levels < kFewestLevels || levels > kMostLevels || (w.shape.inputs != kColourIn && w.shape.inputs != kFinishedIn) || w.shape.outputs != kColourOut)
            return damaged(visible("it tells of a network that cannot be"));
    }
    for (uint32_t i = 0; i < levels; ++i)
        w.shape.widths.push_back(int(std::min(next(), kWidest + 1)));
    for (uint32_t i = 0; i < levels; ++i)
        w.shape.depths.push_back(int(std::min(next(), kDeepest + 1)));
    next(); // steps of training
    const uint32_t numbers = next(), check = next();
    if (isShort)
        return damaged(visible("it is not as long as it should be"));
    for (size_t i = 0; i < levels; ++i)
        if (const auto width = uint32_t(w.shape.widths[i]), depth = uint32_t(w.shape.depths[i]); width == 0 || width > kWidest || width % 16 != 0 || depth == 0 || depth > kDeepest)
            return damaged(visible("it tells of a network that cannot be"));
    w.layers = w.shape.layers();
    size_t count = 0;
    for (const Convolution &c : w.layers)
        count += size_t(c.inputs) * size_t(c.outputs) * size_t(c.side) * size_t(c.side);
    if (numbers != count || bytes.size() != at + 2 * count)
        return damaged(visible("it is not as long as it should be"));
    const auto *payload = reinterpret_cast<const unsigned char *>(bytes.data()) + at;
    if (uint32_t(crc32(crc32(0, nullptr, 0), payload, uInt(2 * count))) != check)
        return damaged(visible("its check sum is wrong"));
    for (Convolution &c : w.layers) {
        c.weights.resize(size_t(c.inputs) * size_t(c.outputs) * size_t(c.side) * size_t(c.side));
        for (float &v : c.weights) {
            const uint16_t half = uint16_t(payload[0] | payload[1] << 8);
            payload += 2;
            if ((half >> 10 & 31) == 31)
                return damaged(visible("it holds what is no number"));
            v = halfToFloat(half);
        }
    }
    return w;
}

std::filesystem::path weightsFile(Shipped which)
{
    static constexpr std::array kNames{"unet.weights", "unet-large.weights", "unet-colour.weights", "unet-finished.weights"};
    const char *name = kNames[size_t(which)];
    if (const char *folder = std::getenv("IRENIC_DATA"))
        return std::filesystem::path(folder) / name;
    std::error_code ec;
    const auto beside = besideProgram("share/irenic") / name;
    if (std::filesystem::exists(beside, ec))
        return beside;
    // Where programs and data were installed apart (XDG Base Directory Specification).
    const char *dirs = std::getenv("XDG_DATA_DIRS");
    std::istringstream list(dirs && *dirs ? dirs : "/usr/local/share:/usr/share");
    for (std::string dir; std::getline(list, dir, ':');)
        if (const auto file = std::filesystem::path(dir) / "irenic" / name; file.is_absolute() && std::filesystem::exists(file, ec))
            return file;
    return beside;
}

namespace {

template <Shipped Which>
const Result<Weights> &readOnce()
{
    static const Result<Weights> weights = [] {
        constexpr int kInputs = Which == Shipped::Colour ? kColourIn : Which == Shipped::Finished ? kFinishedIn
                                                                                                  : kSamplesIn;
        Result<Weights> read = readWeights(weightsFile(Which));
        if (read && read.value().shape.inputs != kInputs)
            return Result<Weights>(Error{ErrorCode::Damaged, sentence("The learned weights in %1 cannot be used: %2. Other methods work without them.", {textOf(weightsFile(Which)), sentence("they are those of another network")}), {}});
        return read;
    }();
    return weights;
}

} // namespace

const Result<Weights> &shippedWeights(Shipped which)
{
    switch (which) {
    case Shipped::Large: return readOnce<Shipped::Large>();
    case Shipped::Colour: return readOnce<Shipped::Colour>();
    case Shipped::Finished: return readOnce<Shipped::Finished>();
    default: return readOnce<Shipped::Compact>();
    }
}

} // namespace irenic::unet
