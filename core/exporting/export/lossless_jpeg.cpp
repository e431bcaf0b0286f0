// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/lossless_jpeg.h"

#include <array>
#include <bit>
#include <cassert>
#include <cstdlib>
#include <span>

namespace irenic {

namespace {

constexpr int kCategories = 17; // 0..16 bits of difference

struct HuffmanTable {
    std::array<uint8_t, 17> countOfLength{}; // [1..16]
    std::vector<uint8_t> symbols;            // by code
    std::array<uint32_t, kCategories> code{};
    std::array<int, kCategories> length{};
};

/// T.81, annex K.2: code lengths from frequencies, no code all ones, none longer than 16 bits.
HuffmanTable makeTable(const std::array<uint64_t, kCategories> &frequencies)
{
    std::array<uint64_t, kCategories + 1> freq{};
    std::copy(frequencies.begin(), frequencies.end(), freq.begin());
    freq[kCategories] = 1; // reserves the code of all ones
    std::array<int, kCategories + 1> size{}, other;
    other.fill(-1);
    for (;;) {
        int least = -1, second = -1;
        for (int i = 0; i <= kCategories; ++i) {
            if (!freq[size_t(i)])
                continue;
            if (least < 0 || freq[size_t(i)] <= freq[size_t(least)]) {
                second = least;
                least = i;
            } else if (second < 0 || freq[size_t(i)] <= freq[size_t(second)])
                second = i;
        }
        if (second < 0)
            break;
        freq[size_t(least)] += freq[size_t(second)];
        freq[size_t(second)] = 0;
        int i = least;
        for (++size[size_t(i)]; other[size_t(i)] >= 0; ++size[size_t(i)])
            i = other[size_t(i)];
        other[size_t(i)] = second;
        for (int j = second; j >= 0; j = other[size_t(j)])
            ++size[size_t(j)];
    }
    std::array<int, 33> bits{};
    for (const int s : size)
        ++bits[size_t(s)];
    bits[0] = 0;
    for (int i = 32; i > 16; --i)
        while (bits[size_t(i)] > 0) {
            int j = i - 2;
            while (bits[size_t(j)] == 0)
                --j;
            bits[size_t(i)] -= 2;
            ++bits[size_t(i - 1)];
            bits[size_t(j + 1)] += 2;
            --bits[size_t(j)];
        }
    int longest = 16;
    while (bits[size_t(longest)] == 0)
        --longest;
    --bits[size_t(longest)];
    HuffmanTable t;
    for (int i = 1; i <= 16; ++i)
        t.countOfLength[size_t(i)] = uint8_t(bits[size_t(i)]);
    for (int length = 1; length <= 32; ++length)
        for (int s = 0; s < kCategories; ++s)
            if (size[size_t(s)] == length)
                t.symbols.push_back(uint8_t(s));
    uint32_t code = 0;
    size_t k = 0;
    for (int length = 1; length <= 16; ++length, code <<= 1)
        for (int i = 0; i < t.countOfLength[size_t(length)]; ++i, ++code, ++k) {
            t.code[t.symbols[k]] = code;
            t.length[t.symbols[k]] = length;
        }
    return t;
}

/// One byte after the other, with a zero after every 255 (T.81, B.1.1.5).
std::byte *emitStuffed(uint32_t value, int count, std::byte *at)
{
    for (int i = count - 1; i >= 0; --i) {
        const uint8_t b = uint8_t(value >> (8 * i));
        *at++ = std::byte(b);
        if (b == 0xff)
            *at++ = std::byte(0);
    }
    return at;
}

bool hasFullByte(uint32_t v)
{
    const uint32_t n = ~v; // a zero byte in it
    return ((n - 0x01010101u) & ~n & 0x80808080u) != 0;
}

/// T.81, table H.1.
template <int predictor>
inline int predicted(int left, int above, int corner)
{
    if constexpr (predictor == 1)
        return left;
    else if constexpr (predictor == 2)
        return above;
    else if constexpr (predictor == 3)
        return corner;
    else if constexpr (predictor == 4)
        return left + above - corner;
    else if constexpr (predictor == 5)
        return left + ((above - corner) >> 1);
    else if constexpr (predictor == 6)
        return above + ((left - corner) >> 1);
    else
        return (left + above) >> 1;
}

/// Samples of a tile as lines of the JPEG.
struct Lines {
    const uint16_t *samples;
    size_t length, count;
    int components;
    const uint16_t *line(size_t y) const { return samples + y * length; }
};

/// Differences of one line, modulo 65536; the first pixel is predicted from the line above, the first line from the left.
template <int predictor>
void lineDifferences(const Lines &lines, size_t y, int16_t *out)
{
    const uint16_t *row = lines.line(y), *above = y > 0 ? lines.line(y - 1) : nullptr;
    const size_t n = size_t(lines.components), length = lines.length;
    for (size_t c = 0; c < n; ++c)
        out[c] = int16_t(uint16_t(row[c] - (above ? above[c] : 0x8000)));
    if (!above) {
        for (size_t x = n; x < length; ++x)
            out[x] = int16_t(uint16_t(row[x] - row[x - n]));
        return;
    }
    for (size_t x = n; x < length; ++x)
        out[x] = int16_t(uint16_t(row[x] - predicted<predictor>(row[x - n], above[x], above[x - n])));
}

using Differences = void (*)(const Lines &, size_t, int16_t *);
constexpr std::array<Differences, 7> kDifferences{lineDifferences<1>, lineDifferences<2>, lineDifferences<3>, lineDifferences<4>, lineDifferences<5>, lineDifferences<6>, lineDifferences<7>};

/// Bits of the absolute value; 16 for -32768 alone.
int categoryOf(int difference)
{
    return 31 - std::countl_zero(2 * uint32_t(std::abs(difference)) + 1);
}

/// Codes of the categories and the bits that follow them, most significant first. Everything is held in registers: bytes that are written
/// could be anything to the compiler.
/// @param at room for twice the bits
std::byte *writeCodes(std::span<const int16_t> differences, const HuffmanTable &table, std::byte *at)
{
    struct Entry {
        uint32_t code, mask; ///< shifted by the bits that follow
        int bits;
    };
    std::array<Entry, kCategories> entries;
    for (size_t c = 0; c < entries.size(); ++c) {
        const int following = int(c & 15); // nothing follows category 16, which has one member
        entries[c] = {table.code[c] << following, (1u << following) - 1, table.length[c] + following};
    }
    uint64_t held = 0;
    int have = 0;
    for (const int d : differences) {
        const Entry &e = entries[size_t(categoryOf(d))];
        held = held << e.bits | (e.code | (uint32_t(d + (d >> 15)) & e.mask));
        have += e.bits;
        if (have < 32)
            continue;
        have -= 32;
        const uint32_t four = uint32_t(held >> have);
        if (hasFullByte(four)) {
            at = emitStuffed(four, 4, at);
        } else {
            for (int i = 0; i < 4; ++i)
                at[i] = std::byte(four >> (24 - 8 * i));
            at += 4;
        }
    }
    for (; have >= 8; have -= 8)
        at = emitStuffed(uint32_t(held >> (have - 8)) & 255, 1, at);
    if (have > 0)
        at = emitStuffed(uint32_t(held << (8 - have) | ((1u << (8 - have)) - 1)) & 255, 1, at);
    return at;
}

using Counts = std::array<uint64_t, kCategories>;

/// Of categories. Counted in pairs: half as many counters to raise, and a neighbour's seldom the same one, which would have to wait.
Counts countsOf(std::span<const int16_t> differences)
{
    std::array<uint32_t, 32 * 32> pairs{};
    const size_t even = differences.size() & ~size_t(1);
    for (size_t i = 0; i < even; i += 2)
        ++pairs[size_t(32 * categoryOf(differences[i]) + categoryOf(differences[i + 1]))];
    Counts counts{};
    for (size_t a = 0; a < counts.size(); ++a)
        for (size_t b = 0; b < counts.size(); ++b) {
            counts[a] += pairs[32 * a + b];
            counts[b] += pairs[32 * a + b];
        }
    if (even < differences.size())
        ++counts[size_t(categoryOf(differences.back()))];
    return counts;
}

/// The one whose differences over every eighth line are smallest in sum: close to the fewest bits, and quicker told.
int bestPredictor(const Lines &lines)
{
    constexpr size_t kEvery = 8;
    std::vector<int16_t> differences(lines.length);
    int best = 1;
    uint64_t least = 0;
    for (int p = 1; p <= 7; ++p) {
        uint64_t sum = 0;
        for (size_t y = lines.count > 1 ? 1 : 0; y < lines.count; y += kEvery) {
            kDifferences[size_t(p - 1)](lines, y, differences.data());
            for (const int16_t d : differences)
                sum += uint32_t(std::abs(int(d)));
        }
        if (p == 1 || sum < least) {
            least = sum;
            best = p;
        }
    }
    return best;
}

} // namespace

std::vector<std::byte> encodeLosslessJpeg(PlaneView<const uint16_t> tile, int components, int rowsPerLine, int predictor)
{
    assert(components >= 1 && components <= 4 && tile.width % components == 0 && tile.width >= components);
    assert(rowsPerLine >= 1 && tile.height % rowsPerLine == 0 && tile.width / components * rowsPerLine <= 65535);
    // Kept from tile to tile: fresh memory costs as much as a fifth of the work.
    thread_local std::vector<uint16_t> samples;
    thread_local std::vector<int16_t> differenceRoom;
    thread_local std::vector<std::byte> codeRoom;
    const size_t all = size_t(tile.width) * size_t(tile.height);
    samples.resize(std::max(samples.size(), all));
    differenceRoom.resize(std::max(differenceRoom.size(), all));
    for (int y = 0; y < tile.height; ++y)
        std::copy_n(tile.row(y), tile.width, samples.begin() + ptrdiff_t(y) * tile.width);
    const Lines lines{samples.data(), size_t(tile.width) * size_t(rowsPerLine), size_t(tile.height / rowsPerLine), components};
    if (predictor == 0)
        predictor = bestPredictor(lines);
    const std::span<int16_t> differences(differenceRoom.data(), all);
    for (size_t y = 0; y < lines.count; ++y)
        kDifferences[size_t(predictor - 1)](lines, y, differences.data() + y * lines.length);
    const Counts counts = countsOf(differences);
    const HuffmanTable table = makeTable(counts);
    std::vector<std::byte> out;
    const auto bytes = [&](std::initializer_list<int> list) {
        for (const int b : list)
            out.push_back(std::byte(b));
    };
    const int w = int(lines.length) / components, h = int(lines.count), symbols = int(table.symbols.size());
    bytes({0xff, 0xd8, 0xff, 0xc4, (19 + symbols) >> 8, (19 + symbols) & 255, 0x00});
    for (int i = 1; i <= 16; ++i)
        bytes({table.countOfLength[size_t(i)]});
    for (const uint8_t s : table.symbols)
        bytes({s});
    bytes({0xff, 0xc3, 0, 8 + 3 * components, 16, h >> 8, h & 255, w >> 8, w & 255, components});
    for (int c = 0; c < components; ++c)
        bytes({c, 0x11, 0});
    bytes({0xff, 0xda, 0, 6 + 2 * components, components});
    for (int c = 0; c < components; ++c)
        bytes({c, 0x00});
    bytes({predictor, 0, 0});
    // Every byte could be followed by a zero.
    uint64_t bits = 0;
    for (size_t c = 0; c < counts.size(); ++c)
        bits += counts[c] * (uint64_t(table.length[c]) + c % 16);
    codeRoom.resize(std::max(codeRoom.size(), size_t(bits / 8 + 8) * 2));
    out.insert(out.end(), codeRoom.data(), writeCodes(differences, table, codeRoom.data()));
    bytes({0xff, 0xd9});
    return out;
}

} // namespace irenic
