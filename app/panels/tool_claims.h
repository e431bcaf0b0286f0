// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "view/picture_pane.h"

#include <algorithm>
#include <vector>

namespace irenic {

/// What a drag or a click on a picture does: what the latest who asked for it wants, and when that one has done, what the one before wants. Where nobody wants anything, pictures
/// are moved.
class ToolClaims
{
public:
    struct Claim {
        const void *owner = nullptr;
        PaneTool tool = PaneTool::Move;
        double brushPx = 20;
    };
    /// @param first before what others want; otherwise an owner keeps its place, or comes last
    void set(const Claim &claim, bool first)
    {
        const auto mine = std::find_if(m_claims.begin(), m_claims.end(), [&](const Claim &c) { return c.owner == claim.owner; });
        if (mine != m_claims.end() && !first) {
            *mine = claim;
            return;
        }
        leave(claim.owner);
        m_claims.insert(first ? m_claims.end() : m_claims.begin(), claim);
    }
    void leave(const void *owner)
    {
        std::erase_if(m_claims, [owner](const Claim &c) { return c.owner == owner; });
    }
    Claim top() const { return m_claims.empty() ? Claim() : m_claims.back(); }

private:
    std::vector<Claim> m_claims;
};

} // namespace irenic
