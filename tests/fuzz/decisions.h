// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <cstring>

namespace irenic::fuzz {

/// Reads a fuzzer's bytes as a row of decisions; where they have run out every decision is the first.
class Decisions
{
public:
    Decisions(const uint8_t *bytes, size_t count) : m_at(bytes), m_end(bytes + count) {}

    /// 0 to `count` - 1.
    uint32_t below(uint32_t count) { return number() % count; }
    bool yes() { return next() & 1; }
    uint32_t number()
    {
        uint32_t v = 0;
        for (int i = 0; i < 4; ++i)
            v |= uint32_t(next()) << (8 * i);
        return v;
    }
    template <class T, size_t N>
    T oneOf(const T (&values)[N]) { return values[next() % N]; }

private:
    uint8_t next() { return m_at == m_end ? 0 : *m_at++; }
    const uint8_t *m_at, *m_end;
};

} // namespace irenic::fuzz
