// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/dct_jpeg_reader.h"

#include "irenic/parameter.h"
#include "raw/jpeg_bits.h"

#include <array>
#include <cmath>

namespace irenic {

namespace {

constexpr uint8_t kZigzag[64] = {0, 1, 8, 16, 9, 2, 3, 10, 17, 24, 32, 25, 18, 11, 4, 5, 12, 19, 26, 33, 40, 48, 41, 34, 27, 20, 13, 6, 7, 14, 21, 28,
                                 35, 42, 49, 56, 57, 50, 43, 36, 29, 22, 15, 23, 30, 37, 44, 51, 58, 59, 52, 45, 38, 31, 39, 46, 53, 60, 61, 54, 47, 55, 62, 63};

/// The inverse transform (ITU-T T.81, A.3.3), rows and then columns.
void inverse(const float *in, float *out)
{
    static const std::array<float, 64> basis = [] {
        std::array<float, 64> b{};
        for (int x = 0; x < 8; ++x)
            for (int u = 0; u < 8; ++u)
                b[size_t(x * 8 + u)] = float(0.5 * (u == 0 ? std::sqrt(0.5) : 1) * std::cos((2 * x + 1) * u * M_PI / 16));
        return b;
    }();
    float rows[64];
    for (int v = 0; v < 8; ++v)
        for (int x = 0; x < 8; ++x) {
            float sum = 0;
            for (int u = 0; u < 8; ++u)
                sum += basis[size_t(x * 8 + u)] * in[v * 8 + u];
            rows[v * 8 + x] = sum;
        }
    for (int y = 0; y < 8; ++y)
        for (int x = 0; x < 8; ++x) {
            float sum = 0;
            for (int v = 0; v < 8; ++v)
                sum += basis[size_t(y * 8 + v)] * rows[v * 8 + x];
            out[y * 8 + x] = sum;
        }
}

struct Component {
    int id = 0, across = 1, down = 1, table = 0;
    const HuffmanLookup *dc = nullptr, *ac = nullptr;
    int width = 0, height = 0; ///< in samples, whole blocks
    std::vector<uint16_t> samples;
    int last = 0; ///< DC of the block before
};

class DctDecoder
{
public:
    DctDecoder(std::span<const uint8_t> bytes, size_t mostSamples, const std::stop_token &stop, std::string &problem) : m_bytes(bytes), m_mostSamples(mostSamples), m_stop(stop), m_problem(problem) {}

    std::optional<DctJpeg> decode()
    {
        if (m_bytes.size() < 4 || m_bytes[0] != 0xff || m_bytes[1] != 0xd8)
            return fail(visible("does not begin as a JPEG"));
        size_t scanned = 0;
        for (size_t at = 2; at + 4 <= m_bytes.size();) {
            if (m_bytes[at] != 0xff) {
                ++at; // what is left of a scan
                continue;
            }
            const int marker = m_bytes[at + 1];
            if (marker == 0xff || marker == 0 || (marker >= 0xd0 && marker <= 0xd7)) {
                at += marker == 0xff ? 1 : 2;
                continue;
            }
            if (marker == 0xd9)
                break;
            const size_t length = size_t(m_bytes[at + 2]) << 8 | m_bytes[at + 3];
            if (length < 2 || at + 2 + length > m_bytes.size())
                return fail(visible("ends inside a segment"));
            const auto segment = m_bytes.subspan(at + 4, length - 2);
            at += 2 + length;
            const bool good = marker == 0xc4 ? codes(segment) : marker == 0xdb                 ? steps(segment)
                                                            : marker == 0xc0 || marker == 0xc1 ? frame(segment)
                                                            : marker == 0xdd                   ? restarts(segment)
                                                            : marker == 0xee                   ? adobe(segment)
                                                                                               : true;
            if (!good)
                return fail(visible("has contradictory tables"));
            if (marker >= 0xc2 && marker <= 0xcf && marker != 0xc4 && marker != 0xc8 && marker != 0xcc)
                return fail(visible("is coded in a way that is not read"));
            if (marker == 0xda) {
                if (++scanned > 4 || !scan(segment, m_bytes.subspan(at)))
                    return fail(m_problem.empty() ? visible("has a scan that does not fit its frame") : m_problem.c_str());
            }
        }
        if (m_decoded != m_components.size() || m_components.empty())
            return fail(visible("holds no whole picture"));
        return joined();
    }

private:
    std::nullopt_t fail(const char *why)
    {
        if (m_problem.empty())
            m_problem = why;
        return std::nullopt;
    }
    bool codes(std::span<const uint8_t> s)
    {
        while (s.size() >= 17) {
            const int kind = s[0] >> 4, id = s[0] & 15;
            size_t total = 0;
            for (size_t i = 1; i <= 16; ++i)
                total += s[i];
            if (kind > 1 || id > 3 || s.size() < 17 + total || !m_codes[size_t(kind * 4 + id)].build(s.subspan(1, 16), s.subspan(17, total), kind == 0 ? 15 : 255))
                return false;
            s = s.subspan(17 + total);
        }
        return s.empty();
    }
    bool steps(std::span<const uint8_t> s)
    {
        while (!s.empty()) {
            const int wide = s[0] >> 4, id = s[0] & 15;
            const size_t bytes = wide ? 128 : 64;
            if (wide > 1 || id > 3 || s.size() < 1 + bytes)
                return false;
            for (size_t i = 0; i < 64; ++i)
                m_steps[size_t(id)][i] = wide ? uint16_t(s[1 + 2 * i] << 8 | s[2 + 2 * i]) : s[1 + i];
            s = s.subspan(1 + bytes);
        }
        return true;
    }
    bool frame(std::span<const uint8_t> s)
    {
        if (!m_components.empty() || s.size() < 6 || (s[0] != 8 && s[0] != 12))
            return false;
        m_bits = s[0];
        m_out.height = s[1] << 8 | s[2];
        m_out.width = s[3] << 8 | s[4];
        m_out.components = s[5];
        if ((s[5] != 1 && s[5] != 3) || m_out.width < 1 || m_out.height < 1 || s.size() < 6 + 3 * size_t(s[5])
            || size_t(m_out.width) * size_t(m_out.height) * s[5] > m_mostSamples)
            return false;
        for (size_t c = 0; c < s[5]; ++c) {
            Component k;
            k.id = s[6 + 3 * c];
            k.across = s[7 + 3 * c] >> 4;
            k.down = s[7 + 3 * c] & 15;
            k.table = s[8 + 3 * c];
            if (k.across < 1 || k.across > 2 || k.down < 1 || k.down > 2 || k.table > 3)
                return false;
            m_mostAcross = std::max(m_mostAcross, k.across);
            m_mostDown = std::max(m_mostDown, k.down);
            m_components.push_back(std::move(k));
        }
        for (Component &k : m_components) {
            if (m_components.size() == 1)
                k.across = k.down = m_mostAcross = m_mostDown = 1;
            const int unitsAcross = (m_out.width + 8 * m_mostAcross - 1) / (8 * m_mostAcross), unitsDown = (m_out.height + 8 * m_mostDown - 1) / (8 * m_mostDown);
            k.width = unitsAcross * 8 * k.across;
            k.height = unitsDown * 8 * k.down;
            k.samples.resize(size_t(k.width) * size_t(k.height));
        }
        return true;
    }
    bool restarts(std::span<const uint8_t> s)
    {
        m_restart = s.size() >= 2 ? s[0] << 8 | s[1] : -1;
        return m_restart >= 0;
    }
    bool adobe(std::span<const uint8_t> s)
    {
        if (s.size() >= 12 && std::equal(s.begin(), s.begin() + 5, "Adobe"))
            m_isRgb = s[11] == 0;
        return true;
    }
    bool block(JpegBits &bits, Component &k, int x, int y)
    {
        float frequencies[64] = {}, out[64];
        const auto &step = m_steps[size_t(k.table)];
        const int category = bits.symbol(*k.dc);
        if (category < 0 || category > 15)
            return false;
        k.last += bits.number(category);
        frequencies[0] = float(k.last) * step[0];
        for (int i = 1; i < 64; ++i) {
            const int symbol = bits.symbol(*k.ac);
            if (symbol < 0)
                return false;
            const int zeros = symbol >> 4, size = symbol & 15;
            if (size == 0) {
                if (zeros != 15)
                    break;
                i += 15;
                continue;
            }
            i += zeros;
            if (i > 63)
                return false;
            frequencies[kZigzag[i]] = float(bits.number(size)) * step[size_t(i)];
        }
        inverse(frequencies, out);
        const float middle = float(1 << (m_bits - 1)), high = float((1 << m_bits) - 1);
        for (int v = 0; v < 8; ++v)
            for (int u = 0; u < 8; ++u)
                k.samples[size_t(y * 8 + v) * size_t(k.width) + size_t(x * 8 + u)] = uint16_t(std::lround(std::clamp(out[v * 8 + u] + middle, 0.f, high)));
        return true;
    }
    bool scan(std::span<const uint8_t> s, std::span<const uint8_t> data)
    {
        if (s.empty() || s[0] < 1 || s[0] > m_components.size() || s.size() < 1 + 2 * size_t(s[0]))
            return false;
        std::vector<Component *> taken;
        for (size_t i = 0; i < s[0]; ++i) {
            const auto k = std::find_if(m_components.begin(), m_components.end(), [&](const Component &c) { return c.id == s[1 + 2 * i]; });
            const int dc = s[2 + 2 * i] >> 4, ac = s[2 + 2 * i] & 15;
            if (k == m_components.end() || dc > 3 || ac > 3 || m_codes[size_t(dc)].entry.empty() || m_codes[size_t(4 + ac)].entry.empty())
                return false;
            k->dc = &m_codes[size_t(dc)];
            k->ac = &m_codes[size_t(4 + ac)];
            k->last = 0;
            taken.push_back(&*k);
        }
        const bool together = taken.size() > 1;
        // One component alone comes block by block, only those that the picture has (A.2.2).
        const Component &first = *taken.front();
        const int ownWidth = (m_out.width * first.across + m_mostAcross - 1) / m_mostAcross, ownHeight = (m_out.height * first.down + m_mostDown - 1) / m_mostDown;
        const int across = together ? (m_out.width + 8 * m_mostAcross - 1) / (8 * m_mostAcross) : (ownWidth + 7) / 8;
        const int down = together ? (m_out.height + 8 * m_mostDown - 1) / (8 * m_mostDown) : (ownHeight + 7) / 8;
        JpegBits bits(data);
        int untilRestart = m_restart;
        for (int y = 0; y < down; ++y) {
            if (m_stop.stop_requested()) {
                m_problem = visible("was not decoded to its end");
                return false;
            }
            for (int x = 0; x < across; ++x) {
                if (m_restart > 0 && untilRestart-- == 0) {
                    if (!bits.restart())
                        return false;
                    untilRestart = m_restart - 1;
                    for (Component *k : taken)
                        k->last = 0;
                }
                for (Component *k : taken)
                    for (int v = 0; v < (together ? k->down : 1); ++v)
                        for (int u = 0; u < (together ? k->across : 1); ++u)
                            if (!block(bits, *k, together ? x * k->across + u : x, together ? y * k->down + v : y)) {
                                m_problem = visible("holds a code that its table does not know");
                                return false;
                            }
            }
            if (bits.exhausted()) {
                m_problem = visible("breaks off");
                return false;
            }
        }
        m_decoded += taken.size();
        return true;
    }
    std::optional<DctJpeg> joined()
    {
        const size_t n = m_components.size();
        m_out.samples.resize(size_t(m_out.width) * size_t(m_out.height) * n);
        const bool named = n == 3 && m_components[0].id == 'R' && m_components[1].id == 'G' && m_components[2].id == 'B';
        const bool differences = n == 3 && !m_isRgb && !named;
        const float middle = float(1 << (m_bits - 1)), high = float((1 << m_bits) - 1);
        for (int y = 0; y < m_out.height; ++y) {
            uint16_t *row = m_out.samples.data() + size_t(y) * size_t(m_out.width) * n;
            for (int x = 0; x < m_out.width; ++x, row += n) {
                for (size_t c = 0; c < n; ++c) {
                    const Component &k = m_components[c];
                    row[c] = k.samples[size_t(y * k.down / m_mostDown) * size_t(k.width) + size_t(x * k.across / m_mostAcross)];
                }
                if (!differences)
                    continue;
                // ITU-T T.871, chapter 7, about another middle
                const float l = row[0], cb = float(row[1]) - middle, cr = float(row[2]) - middle;
                const float rgb[3] = {l + 1.402f * cr, l - 0.344136f * cb - 0.714136f * cr, l + 1.772f * cb};
                for (size_t c = 0; c < 3; ++c)
                    row[c] = uint16_t(std::lround(std::clamp(rgb[c], 0.f, high)));
            }
        }
        return std::move(m_out);
    }

    std::span<const uint8_t> m_bytes;
    size_t m_mostSamples;
    const std::stop_token &m_stop;
    std::string &m_problem;
    std::array<HuffmanLookup, 8> m_codes; ///< DC, then AC
    std::array<std::array<uint16_t, 64>, 4> m_steps{};
    std::vector<Component> m_components;
    DctJpeg m_out;
    size_t m_decoded = 0;
    int m_bits = 8, m_mostAcross = 1, m_mostDown = 1, m_restart = 0;
    bool m_isRgb = false;
};

} // namespace

std::optional<DctJpeg> decodeDctJpeg(std::span<const uint8_t> bytes, size_t mostSamples, const std::stop_token &stop, std::string &problem)
{
    problem.clear();
    return DctDecoder(bytes, mostSamples, stop, problem).decode();
}

} // namespace irenic
