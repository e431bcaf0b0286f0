// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

#include <stop_token>

namespace irenic {

/// Softens what JPEG's coarse steps left in a picture: edges of blocks, and rings about edges.
///
/// The picture is coded again on other grids, with the file's own steps, and the results are averaged (Nosratinia, J. VLSI Signal Process. 27,
/// 2001): what is of the picture stands on every grid, what is of the grid on one. Then every frequency is held to the
/// range that the file's numbers leave it (Zakhor, IEEE Trans. Circuits Syst. Video Technol. 2(1), 1992): coded once more, the answer gives nearly
/// the same file.
class BlockSoftener
{
public:
    /// @param frame a JPEG, with Frame::jpeg; must outlive it
    /// @param amount share of the change that is made, 0 to 1
    BlockSoftener(const Frame &frame, double amount);

    /// Stored numbers (0 to 65535) of a rectangle inside Frame::active, red, green and blue. The same bits for a place in every rectangle.
    /// @param stop once it is requested, what is left is thrown away
    void soften(Rect where, const std::array<PlaneView<float>, 3> &out, const std::stop_token &stop = {}) const;

private:
    Plane<float> change(size_t component, Rect where, const std::stop_token &stop) const;
    const Frame &m_frame;
    float m_amount;
};

} // namespace irenic
