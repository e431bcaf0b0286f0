// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/opcodes.h"

namespace irenic {

namespace {

enum Opcode : uint32_t {
    WarpRectilinear = 1,
    WarpFisheye = 2,
    FixVignetteRadial = 3,
    GainMap = 9,
};
constexpr size_t kHeaderBytes = 16, kPlaneBytes = 6 * 8, kCentreBytes = 2 * 8;

/// Opcode lists are big-endian in every file.
uint32_t numberAt(std::span<const std::byte> bytes, size_t at)
{
    uint32_t v = 0;
    for (size_t i = 0; i < 4; ++i)
        v = v << 8 | uint32_t(bytes[at + i]);
    return v;
}

void append(std::vector<std::byte> &to, uint32_t number)
{
    for (int shift = 24; shift >= 0; shift -= 8)
        to.push_back(std::byte(number >> shift & 0xff));
}

void append(std::vector<std::byte> &to, std::span<const std::byte> bytes)
{
    to.insert(to.end(), bytes.begin(), bytes.end());
}

} // namespace

std::vector<std::byte> opcodesLeft(std::span<const std::byte> list, const LensCorrection &applied, bool straightened)
{
    if (list.size() < 4)
        return {};
    const uint32_t count = numberAt(list, 0);
    std::vector<std::byte> left;
    uint32_t kept = 0;
    size_t at = 4;
    for (uint32_t i = 0; i < count; ++i) {
        if (list.size() - at < kHeaderBytes)
            return {};
        const uint32_t id = numberAt(list, at), bytes = numberAt(list, at + 12);
        if (list.size() - at - kHeaderBytes < bytes)
            return {};
        const auto whole = list.subspan(at, kHeaderBytes + bytes);
        at += whole.size();
        const bool warps = id == WarpRectilinear || id == WarpFisheye, lights = id == FixVignetteRadial || id == GainMap;
        if ((warps && straightened) || (lights && applied.vignetting))
            continue;
        ++kept;
        const auto data = whole.subspan(kHeaderBytes);
        if (id == WarpRectilinear && applied.lateral && data.size() == 4 + 3 * kPlaneBytes + kCentreBytes && numberAt(data, 0) == 3) {
            append(left, whole.first(12));
            append(left, uint32_t(4 + kPlaneBytes + kCentreBytes));
            append(left, 1);
            append(left, data.subspan(4 + kPlaneBytes, kPlaneBytes));
            append(left, data.last(kCentreBytes));
        } else {
            append(left, whole);
        }
    }
    if (kept == 0)
        return {};
    std::vector<std::byte> out;
    append(out, kept);
    append(out, left);
    return out;
}

} // namespace irenic
