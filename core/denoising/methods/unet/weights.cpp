// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/unet/weights.h"

#include "base/half.h"
#include "irenic/text.h"

#include <zlib.h>

#include <bit>
#include <cmath>
#include <cstdlib>
#include <cstring>
#include <fstream>
#include <sstream>

namespace irenic::unet {

namespace {

constexpr char kMagic[8] = {'I', 'R', 'E', 'N', 'U', 'N', 'E', 'T'};
constexpr uint32_t kVersion = 2;
constexpr size_t kHeaderBytes = sizeof kMagic + 10 * sizeof(uint32_t);
constexpr uint32_t kWidest = 512, kDeepest = 16;

} // namespace

std::vector<Convolution> Shape::layers() const
{
    const auto [full, half, quarter] = widths;
    std::vector<Convolution> all;
    const auto add = [&](int inputs, int outputs, int side) { all.push_back({inputs, outputs, side, {}}); };
    const auto blocks = [&](size_t level) {
        for (int i = 0; i < 2 * depths[level]; ++i)
            add(widths[level], widths[level], 3);
    };
    add(5, full, 3);
    blocks(0);
    add(full, half, 2);
    blocks(1);
    add(half, quarter, 2);
    blocks(2);
    add(quarter, half, 1);
    blocks(1);
    add(half, full, 1);
    blocks(0);
    add(full, 4, 3);
    return all;
}

int Shape::reach() const
{
    // Two convolutions a block, of one sample each, at full size twice with those at either end; its square of four comes on top.
    return 2 * (2 * depths[0] + 1) + 2 * 2 * 2 * depths[1] + 4 * 2 * depths[2] + 4;
}

Result<Weights> readWeights(const std::filesystem::path &file)
{
    const auto damaged = [&](const std::string &why) { return Error{ErrorCode::Damaged, "The learned weights in " + textOf(file) + " cannot be used: " + why + ". Other methods work without them.", {}}; };
    std::ifstream in(file, std::ios::binary);
    if (!in)
        return Error{ErrorCode::NotFound, "The learned weights are not there (" + textOf(file) + "); building Irenic puts them there. Other methods work without them.", {}};
    const std::vector<char> bytes{std::istreambuf_iterator<char>(in), {}};
    if (bytes.size() < kHeaderBytes || std::memcmp(bytes.data(), kMagic, sizeof kMagic) != 0)
        return damaged("it is no such file");
    const auto wordAt = [&](size_t at) {
        uint32_t v = 0;
        for (size_t i = 0; i < 4; ++i)
            v |= uint32_t(uint8_t(bytes[sizeof kMagic + 4 * at + i])) << (8 * i);
        return v;
    };
    if (wordAt(0) != kVersion)
        return Error{ErrorCode::Unsupported, "The learned weights in " + textOf(file) + " are of another version of Irenic. Other methods work without them.", {}};
    Weights w;
    for (size_t i = 0; i < 3; ++i) {
        const uint32_t width = wordAt(1 + i);
        if (width == 0 || width > kWidest || width % 16 != 0)
            return damaged("it tells of a network that cannot be");
        const uint32_t depth = wordAt(4 + i);
        if (depth == 0 || depth > kDeepest)
            return damaged("it tells of a network that cannot be");
        w.shape.widths[i] = int(width);
        w.shape.depths[i] = int(depth);
    }
    w.layers = w.shape.layers();
    size_t count = 0;
    for (const Convolution &c : w.layers)
        count += size_t(c.inputs) * size_t(c.outputs) * size_t(c.side) * size_t(c.side);
    if (wordAt(8) != count || bytes.size() != kHeaderBytes + 2 * count)
        return damaged("it is not as long as it should be");
    const auto *payload = reinterpret_cast<const unsigned char *>(bytes.data()) + kHeaderBytes;
    if (uint32_t(crc32(crc32(0, nullptr, 0), payload, uInt(2 * count))) != wordAt(9))
        return damaged("its check sum is wrong");
    for (Convolution &c : w.layers) {
        c.weights.resize(size_t(c.inputs) * size_t(c.outputs) * size_t(c.side) * size_t(c.side));
        for (float &v : c.weights) {
            const uint16_t half = uint16_t(payload[0] | payload[1] << 8);
            payload += 2;
            if ((half >> 10 & 31) == 31)
                return damaged("it holds what is no number");
            v = halfToFloat(half);
        }
    }
    return w;
}

std::filesystem::path weightsFile(Shipped which)
{
    const char *name = which == Shipped::Large ? "unet-large.weights" : "unet.weights";
    if (const char *folder = std::getenv("IRENIC_DATA"))
        return std::filesystem::path(folder) / name;
    std::error_code ec;
    const auto program = std::filesystem::read_symlink("/proc/self/exe", ec);
    const auto beside = program.parent_path().parent_path() / "share/irenic" / name;
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

const Result<Weights> &shippedWeights(Shipped which)
{
    if (which == Shipped::Large) {
        static const Result<Weights> large = readWeights(weightsFile(Shipped::Large));
        return large;
    }
    static const Result<Weights> compact = readWeights(weightsFile(Shipped::Compact));
    return compact;
}

} // namespace irenic::unet
