// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/lossless_jpeg.h"

#include <array>
#include <bit>
#include <cmath>

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

/// Codes and their following bits, most significant first, with a zero after every 255 (T.81, B.1.1.5).
class BitWriter
{
public:
    explicit BitWriter(std::vector<std::byte> &out, size_t mostBytes) : m_out(out), m_begin(out.size())
    {
        m_out.resize(m_begin + mostBytes);
        m_at = m_out.data() + m_begin;
    }
    /// At most 32 bits.
    void put(uint64_t value, int count)
    {
        m_held = m_held << count | value;
        m_have += count;
        if (m_have < 32)
            return;
        m_have -= 32;
        const uint32_t four = uint32_t(m_held >> m_have);
        if (!hasFullByte(four)) {
            for (int i = 3; i >= 0; --i)
                *m_at++ = std::byte(four >> (8 * i));
            return;
        }
        for (int i = 3; i >= 0; --i)
            emit(uint8_t(four >> (8 * i)));
    }
    void finish()
    {
        for (; m_have >= 8; m_have -= 8)
            emit(uint8_t(m_held >> (m_have - 8)));
        if (m_have > 0)
            emit(uint8_t(m_held << (8 - m_have) | ((1u << (8 - m_have)) - 1)));
        m_out.resize(size_t(m_at - m_out.data()));
    }

private:
    static bool hasFullByte(uint32_t v)
    {
        const uint32_t n = ~v; // a zero byte in it
        return ((n - 0x01010101u) & ~n & 0x80808080u) != 0;
    }
    void emit(uint8_t b)
    {
        *m_at++ = std::byte(b);
        if (b == 0xff)
            *m_at++ = std::byte(0);
    }
    std::vector<std::byte> &m_out;
    size_t m_begin;
    std::byte *m_at;
    uint64_t m_held = 0;
    int m_have = 0;
};

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
    std::vector<uint16_t> samples;
    size_t length = 0, count = 0;
    int components = 2;
    const uint16_t *line(size_t y) const { return samples.data() + y * length; }
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

int categoryOf(int difference)
{
    return difference == -32768 ? 16 : int(std::bit_width(uint32_t(std::abs(difference))));
}

using Counts = std::array<uint64_t, kCategories>;

void count(const int16_t *differences, size_t n, Counts &counts)
{
    std::array<std::array<uint32_t, kCategories>, 4> part{}; // four, so that equal neighbours do not wait for each other
    for (size_t i = 0; i < n; ++i)
        ++part[i & 3][size_t(categoryOf(differences[i]))];
    for (const auto &p : part)
        for (size_t c = 0; c < p.size(); ++c)
            counts[c] += p[c];
}

/// Bits that an ideal code of the categories would take, and the bits that follow them.
double bitsFor(const Counts &counts)
{
    double total = 0, bits = 0;
    for (const uint64_t c : counts)
        total += double(c);
    for (size_t c = 0; c < counts.size(); ++c)
        if (counts[c] > 0)
            bits += double(counts[c]) * (double(c % 16) + std::log2(total / double(counts[c])));
    return bits;
}

int bestPredictor(const Lines &lines)
{
    constexpr size_t kEvery = 8;
    std::vector<int16_t> differences(lines.length);
    int best = 1;
    double least = 0;
    for (int p = 1; p <= 7; ++p) {
        Counts counts{};
        for (size_t y = lines.count > 1 ? 1 : 0; y < lines.count; y += kEvery) {
            kDifferences[size_t(p - 1)](lines, y, differences.data());
            count(differences.data(), lines.length, counts);
        }
        if (const double bits = bitsFor(counts); p == 1 || bits < least) {
            least = bits;
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
    Lines lines{std::vector<uint16_t>(size_t(tile.width) * size_t(tile.height)), size_t(tile.width) * size_t(rowsPerLine), size_t(tile.height / rowsPerLine), components};
    for (int y = 0; y < tile.height; ++y)
        std::copy_n(tile.row(y), tile.width, lines.samples.begin() + ptrdiff_t(y) * tile.width);
    if (predictor == 0)
        predictor = bestPredictor(lines);
    std::vector<int16_t> differences(lines.samples.size());
    for (size_t y = 0; y < lines.count; ++y)
        kDifferences[size_t(predictor - 1)](lines, y, differences.data() + y * lines.length);
    Counts counts{};
    count(differences.data(), differences.size(), counts);
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
    BitWriter writer(out, size_t(bits / 8 + 8) * 2);
    for (const int16_t d : differences) {
        const int category = categoryOf(d), following = category & 15;
        // Nothing follows category 16, which has one member.
        const uint32_t rest = (uint32_t(int(d) + (d >> 15)) & ((1u << following) - 1));
        writer.put(uint64_t(table.code[size_t(category)]) << following | rest, table.length[size_t(category)] + following);
    }
    writer.finish();
    bytes({0xff, 0xd9});
    return out;
}

} // namespace irenic
