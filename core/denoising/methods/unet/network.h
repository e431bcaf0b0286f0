// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"
#include "methods/unet/weights.h"

#include <memory>
#include <optional>
#include <stop_token>

namespace irenic::unet {

inline constexpr int kPlanes = 4; ///< packed: red, green beside it, green beside blue, blue

/// The network on one thread: oneDNN primitives in channels-last layout, and the memory between them. Kept from tile to tile.
class Network
{
public:
    explicit Network(const Weights &weights); ///< which must outlive it
    ~Network();

    /// Channels of a packed sample in input and answer; of the input, those behind what the network is given are zero.
    static constexpr int kChannels = 16;

    /// What the network answers, channels last: what it takes for noise in the kPlanes samples, then what it says of full colour. Until the next input() or run().
    struct Answer {
        const float *data;
        int width, crop; ///< of the rows of `data`, which begin at (crop, crop)

        const float *at(int x, int y) const { return data + (ptrdiff_t(y - crop) * width + (x - crop)) * kChannels; }
    };

    /// @param size   packed; both sides multiples of Shape::alignment()
    /// @param margin samples at each edge that are given, but not asked for: what only they need is left out
    /// Room for size.width x size.height x kChannels numbers, channels last. To be filled for run().
    float *input(Size size, int margin = 0);
    /// Nothing once stopped.
    std::optional<Answer> run(Size size, int margin = 0, const std::stop_token &stop = {});

private:
    struct Private;
    std::unique_ptr<Private> d;
};

} // namespace irenic::unet
