// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/lossless_jpeg_reader.h"

#include "irenic/parameter.h"
#include "raw/jpeg_bits.h"

#include <algorithm>
#include <array>

namespace irenic {

namespace {

class LosslessDecoder
{
public:
    LosslessDecoder(std::span<const uint8_t> bytes, size_t mostSamples, const std::stop_token &stop, std::string &problem) : m_bytes(bytes), m_mostSamples(mostSamples), m_stop(stop), m_problem(problem) {}

    std::optional<LosslessJpeg> decode()
    {
        if (m_bytes.size() < 4 || m_bytes[0] != 0xff || m_bytes[1] != 0xd8)
            return fail(visible("does not begin as a JPEG"));
        for (size_t at = 2; at + 4 <= m_bytes.size();) {
            if (m_bytes[at] != 0xff)
                return fail(visible("has a broken segment"));
            const int marker = m_bytes[at + 1];
            if (marker == 0xff) { // fill byte
                ++at;
                continue;
            }
            const size_t length = size_t(m_bytes[at + 2]) << 8 | m_bytes[at + 3];
            if (length < 2 || at + 2 + length > m_bytes.size())
                return fail(visible("ends inside a segment"));
            const auto segment = m_bytes.subspan(at + 4, length - 2);
            at += 2 + length;
            if (marker == 0xc4 ? !tables(segment) : marker == 0xc3 ? !frame(segment)
                                                : marker == 0xdd   ? !restartInterval(segment)
                                                                   : false)
                return fail(visible("has contradictory tables"));
            if (marker == 0xda)
                return scan(segment, m_bytes.subspan(at));
            if ((marker >= 0xc0 && marker <= 0xcf && marker != 0xc3 && marker != 0xc4 && marker != 0xc8))
                return fail(visible("is not a lossless JPEG"));
        }
        return fail(visible("holds no scan"));
    }

private:
    std::nullopt_t fail(const char *what)
    {
        m_problem = what;
        return std::nullopt;
    }
    bool tables(std::span<const uint8_t> s)
    {
        while (s.size() >= 17) {
            const int id = s[0] & 15;
            size_t total = 0;
            for (int i = 1; i <= 16; ++i)
                total += s[size_t(i)];
            if (id > 3 || s.size() < 17 + total || !m_tables[size_t(id)].build(s.subspan(1, 16), s.subspan(17, total), 16))
                return false;
            s = s.subspan(17 + total);
        }
        return s.empty();
    }
    bool frame(std::span<const uint8_t> s)
    {
        if (s.size() < 6)
            return false;
        m_precision = s[0];
        m_out.height = s[1] << 8 | s[2];
        m_out.width = s[3] << 8 | s[4];
        m_out.components = s[5];
        if (m_precision < 2 || m_precision > 16 || m_out.components < 1 || m_out.components > 4 || m_out.width < 1 || m_out.height < 1
            || s.size() < 6 + 3 * size_t(m_out.components) || size_t(m_out.width) * size_t(m_out.height) * size_t(m_out.components) > m_mostSamples)
            return false;
        for (int c = 0; c < m_out.components; ++c)
            if (s[6 + size_t(c) * 3 + 1] != 0x11) // subsampled components make no sense for sensor samples
                return false;
        return true;
    }
    bool restartInterval(std::span<const uint8_t> s)
    {
        m_restart = s.size() >= 2 ? s[0] << 8 | s[1] : -1;
        return m_restart >= 0;
    }
    std::optional<LosslessJpeg> scan(std::span<const uint8_t> s, std::span<const uint8_t> data)
    {
        const size_t n = size_t(m_out.components);
        if (m_out.width == 0 || s.size() < 1 + 2 * n + 3 || s[0] != n)
            return fail(visible("has a scan that does not fit its frame"));
        std::array<const HuffmanLookup *, 4> table{};
        for (size_t c = 0; c < n; ++c) {
            const int id = s[2 + 2 * c] >> 4;
            if (id > 3 || m_tables[size_t(id)].entry.empty())
                return fail(visible("names a table that it does not hold"));
            table[c] = &m_tables[size_t(id)];
        }
        const int predictor = s[1 + 2 * n], shift = s[3 + 2 * n] & 15;
        if (predictor < 1 || predictor > 7 || shift >= m_precision)
            return fail(visible("has an unknown predictor"));
        const size_t rowSamples = size_t(m_out.width) * n;
        m_out.samples.resize(rowSamples * size_t(m_out.height));
        JpegBits bits(data);
        const uint16_t start = uint16_t(1 << (m_precision - shift - 1));
        int untilRestart = m_restart;
        bool fresh = true; // first row, or first row after a restart
        for (int y = 0; y < m_out.height; ++y) {
            if (m_stop.stop_requested())
                return fail(visible("was not decoded to its end"));
            uint16_t *row = m_out.samples.data() + size_t(y) * rowSamples;
            const uint16_t *above = fresh ? nullptr : row - rowSamples;
            for (size_t i = 0; i < rowSamples; ++i) {
                const HuffmanLookup &t = *table[i % n];
                const uint16_t found = t.entry[bits.peek16()];
                if ((found & 255) == 0)
                    return fail(visible("holds a code that its table does not know"));
                bits.skip(found & 255);
                const int category = found >> 8;
                int difference = category == 16 ? 32768 : int(bits.take(category));
                if (category > 0 && category < 16 && difference < 1 << (category - 1))
                    difference -= (1 << category) - 1;
                int p;
                if (i < n)
                    p = above ? above[i] : start;
                else if (!above)
                    p = row[i - n];
                else
                    p = predicted(predictor, row[i - n], above[i], above[i - n]);
                row[i] = uint16_t(p + difference);
            }
            fresh = false;
            if (bits.exhausted())
                return fail(visible("breaks off"));
            if (m_restart > 0 && (untilRestart -= m_out.width) <= 0 && y + 1 < m_out.height) {
                if (untilRestart < 0 || !bits.restart())
                    return fail(visible("lacks a restart marker"));
                untilRestart = m_restart;
                fresh = true;
            }
        }
        if (shift > 0)
            for (uint16_t &v : m_out.samples)
                v = uint16_t(v << shift);
        return std::move(m_out);
    }
    static int predicted(int predictor, int left, int above, int corner)
    {
        switch (predictor) {
        case 1: return left;
        case 2: return above;
        case 3: return corner;
        case 4: return left + above - corner;
        case 5: return left + ((above - corner) >> 1);
        case 6: return above + ((left - corner) >> 1);
        default: return (left + above) / 2;
        }
    }

    std::span<const uint8_t> m_bytes;
    size_t m_mostSamples;
    const std::stop_token &m_stop;
    std::string &m_problem;
    std::array<HuffmanLookup, 4> m_tables;
    LosslessJpeg m_out;
    int m_precision = 0;
    int m_restart = 0;
};

} // namespace

std::optional<LosslessJpeg> decodeLosslessJpeg(std::span<const uint8_t> bytes, size_t mostSamples, const std::stop_token &stop, std::string &problem)
{
    return LosslessDecoder(bytes, mostSamples, stop, problem).decode();
}

} // namespace irenic
