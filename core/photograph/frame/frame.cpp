// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/frame.h"

#include "frame/linearizer.h"

#include <algorithm>
#include <cctype>

namespace irenic {

bool CfaPattern::isBayer() const
{
    const auto count = [&](Colour c) { return std::count(cells.begin(), cells.end(), c); };
    return count(Colour::Red) == 1 && count(Colour::Blue) == 1 && count(Colour::Green) == 2
           && (cells[0] == cells[3] || cells[1] == cells[2]);
}

CfaPattern CfaPattern::shifted(int dx, int dy) const
{
    CfaPattern p;
    for (int y = 0; y < 2; ++y)
        for (int x = 0; x < 2; ++x)
            p.cells[size_t(y * 2 + x)] = at(x + dx, y + dy);
    return p;
}

std::string CfaPattern::name() const
{
    std::string s;
    for (const Colour c : cells)
        s += "RGB"[int(c)];
    return s;
}

std::optional<CfaPattern> CfaPattern::fromName(const std::string &name)
{
    if (name.size() != 4)
        return std::nullopt;
    CfaPattern p;
    for (size_t i = 0; i < 4; ++i) {
        const auto at = std::string("RGB").find(char(std::toupper(name[i])));
        if (at == std::string::npos)
            return std::nullopt;
        p.cells[i] = Colour(at);
    }
    return p.isBayer() ? std::optional(p) : std::nullopt;
}

float Levels::blackAt(int x, int y) const
{
    const auto wrap = [](int i, int n) { return ((i % n) + n) % n; };
    float v = black[size_t(wrap(y, repeatRows) * repeatCols + wrap(x, repeatCols))];
    // Masked borders lie outside the deltas, which count active rows and columns.
    if (y >= 0 && y < int(deltaRow.size()))
        v += deltaRow[size_t(y)];
    if (x >= 0 && x < int(deltaColumn.size()))
        v += deltaColumn[size_t(x)];
    return v;
}

std::array<float, 4> Levels::blackOfCell() const
{
    std::array<float, 4> cell{};
    for (int y = 0; y < 2; ++y)
        for (int x = 0; x < 2; ++x)
            cell[size_t(y * 2 + x)] = black[size_t((y % repeatRows) * repeatCols + x % repeatCols)];
    return cell;
}

float Frame::linearAt(int x, int y, int channel) const
{
    return Linearizer(*this).linear(x, y, channel);
}

uint16_t Encoding::encoded(float linear, size_t channel) const
{
    const std::vector<float> &table = decode[channel];
    const auto above = std::lower_bound(table.begin(), table.end(), linear);
    if (above == table.begin())
        return 0;
    if (above == table.end())
        return 65535;
    const bool lowerIsNearer = linear - above[-1] < above[0] - linear;
    return uint16_t(above - table.begin() - lowerIsNearer);
}

Size FrameFacts::uprightSize() const
{
    return orientation >= 5 ? Size{crop.height, crop.width} : crop.size();
}

Rect FrameFacts::storedOf(const UprightRect &seen) const
{
    return beforeTurning(seen, crop.size(), orientation).placedIn(crop);
}

UprightRect FrameFacts::uprightOf(const Rect &stored) const
{
    return afterTurning(stored.seenFrom(crop), crop.size(), orientation);
}

TileRect beforeTurning(const UprightRect &u, Size size, int orientation)
{
    const int w = size.width, h = size.height;
    switch (orientation) {
    case 2: return {w - u.right(), u.y, u.width, u.height};
    case 3: return {w - u.right(), h - u.bottom(), u.width, u.height};
    case 4: return {u.x, h - u.bottom(), u.width, u.height};
    case 5: return {u.y, u.x, u.height, u.width};
    case 6: return {u.y, h - u.right(), u.height, u.width};
    case 7: return {w - u.bottom(), h - u.right(), u.height, u.width};
    case 8: return {w - u.bottom(), u.x, u.height, u.width};
    default: return {u.x, u.y, u.width, u.height};
    }
}

UprightRect afterTurning(const TileRect &part, Size size, int orientation)
{
    // Turning back is turning by the opposite quarter; every other orientation undoes itself.
    constexpr std::array<int, 9> kBack{0, 1, 2, 3, 4, 5, 8, 7, 6};
    const int back = orientation >= 0 && orientation <= 8 ? kBack[size_t(orientation)] : orientation;
    const TileRect r = beforeTurning({part.x, part.y, part.width, part.height}, orientation >= 5 ? Size{size.height, size.width} : size, back);
    return {r.x, r.y, r.width, r.height};
}

} // namespace irenic
