// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/lossless_jpeg.h"

#include <array>
#include <bit>

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

class BitWriter
{
public:
    explicit BitWriter(std::vector<std::byte> &out) : m_out(out) {}
    void put(uint32_t value, int count)
    {
        m_held = m_held << count | value;
        m_have += count;
        while (m_have >= 8) {
            m_have -= 8;
            emit(uint8_t(m_held >> m_have));
        }
    }
    void finish()
    {
        if (m_have > 0)
            put((1u << (8 - m_have)) - 1, 8 - m_have);
    }

private:
    void emit(uint8_t b)
    {
        m_out.push_back(std::byte(b));
        if (b == 0xff)
            m_out.push_back(std::byte(0)); // T.81, B.1.1.5
    }
    std::vector<std::byte> &m_out;
    uint64_t m_held = 0;
    int m_have = 0;
};

/// Differences modulo 65536, row by row; the first pixel of a row is predicted from the row above.
template <class Use>
void forEachDifference(PlaneView<const uint16_t> tile, int components, const Use &use)
{
    for (int y = 0; y < tile.height; ++y) {
        const uint16_t *row = tile.row(y);
        const uint16_t *above = y > 0 ? tile.row(y - 1) : nullptr;
        for (int c = 0; c < components; ++c)
            use(int16_t(uint16_t(row[c] - (above ? above[c] : 0x8000))));
        for (int x = components; x < tile.width; ++x)
            use(int16_t(uint16_t(row[x] - row[x - components])));
    }
}

int categoryOf(int difference)
{
    return difference == -32768 ? 16 : int(std::bit_width(uint32_t(std::abs(difference))));
}

} // namespace

std::vector<std::byte> encodeLosslessJpeg(PlaneView<const uint16_t> tile, int components)
{
    assert(components >= 1 && components <= 4 && tile.width % components == 0 && tile.width >= components);
    std::array<uint64_t, kCategories> frequencies{};
    forEachDifference(tile, components, [&](int d) { ++frequencies[size_t(categoryOf(d))]; });
    const HuffmanTable table = makeTable(frequencies);
    std::vector<std::byte> out;
    out.reserve(size_t(tile.width) * size_t(tile.height) * 2);
    const auto bytes = [&](std::initializer_list<int> list) {
        for (const int b : list)
            out.push_back(std::byte(b));
    };
    const int w = tile.width / components, h = tile.height, symbols = int(table.symbols.size());
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
    bytes({1, 0, 0});
    BitWriter writer(out);
    forEachDifference(tile, components, [&](int d) {
        const int category = categoryOf(d);
        writer.put(table.code[size_t(category)], table.length[size_t(category)]);
        if (category > 0 && category < 16)
            writer.put(uint32_t(d < 0 ? d + (1 << category) - 1 : d), category);
    });
    writer.finish();
    bytes({0xff, 0xd9});
    return out;
}

} // namespace irenic
