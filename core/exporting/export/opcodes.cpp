// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/opcodes.h"

#include "raw/opcode_list.h"

namespace irenic {

namespace {

constexpr size_t kPlaneBytes = 6 * 8, kCentreBytes = 2 * 8;

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

std::vector<std::byte> opcodesLeft(std::span<const std::byte> list, const AppliedCorrections &applied)
{
    const auto all = opcodesIn(list);
    if (!all)
        return {};
    std::vector<std::vector<std::byte>> left;
    for (const Opcode &o : *all) {
        const bool warps = o.id == OpcodeWarpRectilinear || o.id == OpcodeWarpFisheye, lights = o.id == OpcodeFixVignetteRadial || o.id == OpcodeGainMap;
        if ((warps && applied.straightened) || (lights && applied.light))
            continue;
        std::vector<std::byte> entry;
        if (o.id == OpcodeWarpRectilinear && applied.lateral && o.data.size() == 4 + 3 * kPlaneBytes + kCentreBytes && opcodeNumber(o.data, 0) == 3) {
            append(entry, o.whole.first(12));
            append(entry, uint32_t(4 + kPlaneBytes + kCentreBytes));
            append(entry, 1);
            append(entry, o.data.subspan(4 + kPlaneBytes, kPlaneBytes));
            append(entry, o.data.last(kCentreBytes));
        } else {
            append(entry, o.whole);
        }
        left.push_back(std::move(entry));
    }
    return opcodeList(left);
}

} // namespace irenic
