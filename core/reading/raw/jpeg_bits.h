// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cstddef>
#include <cstdint>
#include <span>
#include <vector>

namespace irenic {

/// Huffman codes of JPEG (ITU-T T.81, annex C), by look-up of sixteen bits: length and symbol in one step.
struct HuffmanLookup {
    std::vector<uint16_t> entry; ///< symbol << 8 | length; length 0 where no code matches

    bool build(std::span<const uint8_t> counts, std::span<const uint8_t> symbols, int largestSymbol)
    {
        entry.assign(1 << 16, 0);
        uint32_t code = 0;
        size_t k = 0;
        for (int length = 1; length <= 16; ++length, code <<= 1)
            for (int i = 0; i < counts[size_t(length) - 1]; ++i, ++code, ++k) {
                const uint32_t from = code << (16 - length), count = 1u << (16 - length);
                if (k >= symbols.size() || symbols[k] > largestSymbol || from + count > entry.size())
                    return false;
                std::fill_n(entry.begin() + from, count, uint16_t(symbols[k] << 8 | length));
            }
        return k > 0;
    }
};

/// Bits of a scan, without its stuffed bytes (ITU-T T.81, F.1.2.3).
class JpegBits
{
public:
    explicit JpegBits(std::span<const uint8_t> bytes) : m_bytes(bytes) {}
    /// The next 16 bits without taking them; zeros beyond the end.
    uint32_t peek16()
    {
        while (m_have < 16)
            pull();
        return uint32_t(m_held >> (m_have - 16)) & 0xffff;
    }
    void skip(int count) { m_have -= count; }
    uint32_t take(int count)
    {
        if (count == 0)
            return 0;
        const uint32_t v = peek16() >> (16 - count);
        skip(count);
        return v;
    }
    /// The next symbol, or -1 where no code matches.
    int symbol(const HuffmanLookup &table)
    {
        const uint16_t found = table.entry[peek16()];
        skip(found & 255);
        return (found & 255) == 0 ? -1 : found >> 8;
    }
    /// A number of a category (F.2.2.1, RECEIVE and EXTEND).
    int number(int category)
    {
        const int v = int(take(category));
        return category > 0 && v < 1 << (category - 1) ? v - (1 << category) + 1 : v;
    }
    /// More bits were taken than there were: two bytes of grace for the look-ahead.
    bool exhausted() const { return m_invented * 8 > m_have; }
    /// Goes on after a restart marker; false where there is none.
    bool restart()
    {
        m_have = 0;
        m_held = 0;
        m_invented = 0;
        while (m_at + 1 < m_bytes.size() && !(m_bytes[m_at] == 0xff && m_bytes[m_at + 1] >= 0xd0 && m_bytes[m_at + 1] <= 0xd7)) {
            if (m_bytes[m_at] == 0xff && m_bytes[m_at + 1] != 0)
                return false;
            ++m_at;
        }
        m_at += 2;
        return m_at <= m_bytes.size();
    }

private:
    void pull()
    {
        uint8_t b = 0;
        if (m_at < m_bytes.size() && !(m_bytes[m_at] == 0xff && (m_at + 1 >= m_bytes.size() || m_bytes[m_at + 1] != 0))) {
            b = m_bytes[m_at];
            m_at += b == 0xff ? 2 : 1;
        } else
            ++m_invented; // a marker or the end: nothing follows
        m_held = m_held << 8 | b;
        m_have += 8;
    }
    std::span<const uint8_t> m_bytes;
    size_t m_at = 0;
    uint64_t m_held = 0;
    int m_have = 0;
    int m_invented = 0;
};

} // namespace irenic
