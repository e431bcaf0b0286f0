// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cassert>
#include <functional>
#include <optional>
#include <stop_token>
#include <string>
#include <utility>
#include <variant>

namespace irenic {

enum class ErrorCode {
    NotFound,
    NotAPicture,
    Damaged,
    Unsupported,
    BadParameter,
    Cancelled,
    WriteFailed,
    Taken,
};

/// What went wrong, said once by whoever noticed it and passed up unchanged.
struct Error {
    ErrorCode code;
    std::string userMessage; ///< one sentence: what happened, to which file, what can be done
    std::string detail;      ///< for the log; may be empty
};

/// A value or the reason why there is none.
template <class T>
class [[nodiscard]] Result
{
public:
    Result(T value) : m_state(std::in_place_index<0>, std::move(value)) {}
    Result(Error error) : m_state(std::in_place_index<1>, std::move(error)) {}
    explicit operator bool() const { return m_state.index() == 0; }
    bool ok() const { return m_state.index() == 0; }
    T &value()
    {
        assert(ok());
        return std::get<0>(m_state);
    }
    const T &value() const
    {
        assert(ok());
        return std::get<0>(m_state);
    }
    T take()
    {
        assert(ok());
        return std::move(std::get<0>(m_state));
    }
    const Error &error() const
    {
        assert(!ok());
        return std::get<1>(m_state);
    }

private:
    std::variant<T, Error> m_state;
};

/// Success, or the reason for failure.
class [[nodiscard]] Status
{
public:
    Status() = default;
    Status(Error error) : m_error(std::move(error)) {}
    explicit operator bool() const { return !m_error; }
    bool ok() const { return !m_error; }
    const Error &error() const
    {
        assert(m_error);
        return *m_error;
    }

private:
    std::optional<Error> m_error;
};

/// How a slow call is run. Passed last, by const reference, to anything that takes more than a few milliseconds.
struct RunContext {
    int threads = 0;                        ///< 0 uses every core that the process may use
    std::stop_token stop;                   ///< polled at least every 50 ms; a stopped call returns Cancelled
    std::function<void(double)> onProgress; ///< fraction done, 0..1, never falling; called from worker threads, one at a time
    bool background = false;                ///< gives way to calls that are not in the background
};

Error cancelledError(); ///< what every stopped call returns

} // namespace irenic
