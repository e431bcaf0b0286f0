// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <chrono>
#include <cstdio>
#include <string>

#include <unistd.h>

namespace irenic::cli {

/// One line on a terminal that says how far the batch is; nothing in a pipe. Of one thread at a time.
class ProgressLine
{
public:
    ProgressLine(size_t files, bool wanted) : m_files(files), m_on(wanted && ::isatty(STDERR_FILENO)), m_started(std::chrono::steady_clock::now()) {}
    /// @param done files and shares of files
    void show(const std::string &file, double done)
    {
        const auto now = std::chrono::steady_clock::now();
        if (!m_on || now - m_shown < std::chrono::milliseconds(200))
            return;
        m_shown = now;
        const double seconds = std::chrono::duration<double>(now - m_started).count(), left = done > 0.02 ? seconds * (double(m_files) - done) / done : -1;
        std::string text = std::to_string(int(100 * done / double(m_files))) + " % of " + std::to_string(m_files) + (m_files == 1 ? " file" : " files") + ", " + file;
        if (left >= 0)
            text += left < 90 ? ", " + std::to_string(int(left) + 1) + " s left" : ", " + std::to_string(int(left / 60) + 1) + " min left";
        std::fprintf(stderr, "\r%.79s\x1b[K", text.c_str());
        m_isThere = true;
    }
    void clear()
    {
        if (m_isThere)
            std::fputs("\r\x1b[K", stderr);
        m_isThere = false;
    }

private:
    size_t m_files;
    bool m_on, m_isThere = false;
    std::chrono::steady_clock::time_point m_started, m_shown{};
};

} // namespace irenic::cli
