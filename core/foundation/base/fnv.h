// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <string_view>
#include <type_traits>

namespace irenic {

/// FNV-1a (Fowler, Noll and Vo), of 32 or 64 bits: tells contents apart where nobody means harm.
template <class Hash>
class Fnv1a
{
public:
    void add(Hash value) { m_hash = (m_hash ^ value) * kPrime; }
    Hash value() const { return m_hash; }

private:
    static constexpr bool kWide = std::is_same_v<Hash, uint64_t>;
    static constexpr Hash kPrime = kWide ? Hash(1099511628211u) : Hash(16777619u);
    Hash m_hash = kWide ? Hash(14695981039346656037u) : Hash(2166136261u);
};

inline uint32_t fnv1a(std::string_view text)
{
    Fnv1a<uint32_t> hash;
    for (const char c : text)
        hash.add(uint8_t(c));
    return hash.value();
}

} // namespace irenic
