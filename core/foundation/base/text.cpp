// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/text.h"

#include <charconv>
#include <cstdint>

namespace irenic {

namespace {

constexpr uint32_t kEscapes = 0xf700; ///< plus the byte, 0x80 to 0xff

bool isEscape(uint32_t c)
{
    return c >= kEscapes + 0x80 && c <= kEscapes + 0xff;
}

/// The character that begins at `at` (RFC 3629) and its length; length 0 where there is no valid one.
struct Character {
    uint32_t code = 0;
    size_t length = 0;
};

Character characterAt(std::string_view s, size_t at)
{
    const auto byte = [&](size_t i) { return i < s.size() ? uint8_t(s[i]) : uint8_t(0); };
    const uint8_t first = byte(at);
    if (first < 0x80)
        return {first, 1};
    const size_t length = first >= 0xf0 ? 4 : first >= 0xe0 ? 3
                                                            : 2;
    if (first < 0xc2 || first > 0xf4 || at + length > s.size())
        return {};
    uint32_t code = first & (0x7f >> length);
    for (size_t i = 1; i < length; ++i) {
        if ((byte(at + i) & 0xc0) != 0x80)
            return {};
        code = code << 6 | (byte(at + i) & 0x3fu);
    }
    constexpr uint32_t kSmallest[] = {0, 0, 0x80, 0x800, 0x10000};
    if (code < kSmallest[length] || code > 0x10ffff || (code >= 0xd800 && code <= 0xdfff))
        return {};
    return {code, length};
}

void append(std::string &out, uint32_t code)
{
    if (code < 0x80) {
        out += char(code);
    } else if (code < 0x800) {
        out += char(0xc0 | code >> 6);
        out += char(0x80 | (code & 0x3f));
    } else {
        out += char(0xe0 | code >> 12);
        out += char(0x80 | (code >> 6 & 0x3f));
        out += char(0x80 | (code & 0x3f));
    }
}

template <class... Format>
std::string number(double value, Format... format)
{
    char text[400];                                                                                         // the longest fixed double
    const auto [end, error] = std::to_chars(text, text + sizeof text, value == 0 ? 0.0 : value, format...); // no -0
    return error == std::errc() ? std::string(text, end) : std::string();
}

} // namespace

std::string textOf(const std::filesystem::path &path)
{
    const std::string &bytes = path.native();
    std::string out;
    for (size_t at = 0; at < bytes.size();) {
        const Character c = characterAt(bytes, at);
        if (c.length > 0 && !isEscape(c.code)) {
            out.append(bytes, at, c.length);
            at += c.length;
            continue;
        }
        for (const size_t end = at + std::max<size_t>(c.length, 1); at < end; ++at)
            append(out, kEscapes + uint8_t(bytes[at]));
    }
    return out;
}

std::filesystem::path pathOf(std::string_view text)
{
    std::string bytes;
    for (size_t at = 0; at < text.size();) {
        const Character c = characterAt(text, at);
        const size_t length = std::max<size_t>(c.length, 1);
        if (c.length > 0 && isEscape(c.code))
            bytes += char(c.code - kEscapes);
        else
            bytes.append(text, at, length);
        at += length;
    }
    return bytes;
}

std::string utf8Text(std::string_view bytes)
{
    bool valid = true;
    for (size_t at = 0; at < bytes.size() && valid;) {
        const size_t length = characterAt(bytes, at).length;
        valid = length > 0;
        at += length;
    }
    std::string out;
    for (const char b : bytes) {
        const auto code = uint8_t(b);
        if (code < 0x20 || code == 0x7f)
            out += code == '\t' || code == '\n' || code == '\r' ? b : ' ';
        else if (valid || code < 0x80)
            out += b;
        else
            append(out, code < 0xa0 ? ' ' : code); // ISO 8859-1 has more control characters there
    }
    return out;
}

std::string exactNumber(double value)
{
    return number(value);
}

std::string plainNumber(double value)
{
    return number(value, std::chars_format::general, 6);
}

std::string fixedNumber(double value, int decimals)
{
    return number(value, std::chars_format::fixed, decimals);
}

} // namespace irenic
