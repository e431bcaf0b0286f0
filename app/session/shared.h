// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <utility>

namespace irenic {

/// A value that its copies share, since it is never changed in place.
template <class T>
class Shared
{
public:
    Shared() : m_value(nothing()) {}
    Shared(T value) : m_value(std::make_shared<const T>(std::move(value))) {} // NOLINT(google-explicit-constructor): it is that value
    const T &operator*() const { return *m_value; }
    const T *operator->() const { return m_value.get(); }
    bool operator==(const Shared &other) const { return m_value == other.m_value || *m_value == *other.m_value; }

private:
    static const std::shared_ptr<const T> &nothing()
    {
        static const auto empty = std::make_shared<const T>();
        return empty;
    }
    std::shared_ptr<const T> m_value;
};

} // namespace irenic
