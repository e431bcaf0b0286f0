// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

#include <array>
#include <filesystem>
#include <string>
#include <vector>

namespace irenic::unet {

/// One convolution without bias: outputs x inputs x side x side, row-major.
struct Convolution {
    int inputs = 0, outputs = 0, side = 0;
    std::vector<float> weights;
};

/// How large a network is, at full, half and quarter size of the packed planes.
struct Shape {
    std::array<int, 3> widths{}; ///< channels; multiples of 16
    std::array<int, 3> depths{}; ///< blocks on the way down, and, but for the quarter, again on the way up

    /// Every convolution in the order in which they are computed: enter; blocks at full size; to half size; blocks; to quarter size; blocks; back to
    /// half size; blocks; back to full size; blocks; leave. Without numbers.
    std::vector<Convolution> layers() const;
    /// Packed samples around one that it depends on, wherever it lies in its square of four.
    int reach() const;
};

/// The learned numbers of a network that training/network.py describes.
struct Weights {
    Shape shape;
    std::vector<Convolution> layers; ///< as Shape::layers() has them
};

/// Reads the documented file (docs/unet.md). NotFound, Damaged (size, check sum, values) or Unsupported (another version).
Result<Weights> readWeights(const std::filesystem::path &file);

/// The two networks that ship with the application.
enum class Shipped {
    Compact,
    Large,
};

/// share/irenic/unet.weights or unet-large.weights beside the folder of the program; IRENIC_DATA names another folder.
std::filesystem::path weightsFile(Shipped which);

/// Read once in a process.
const Result<Weights> &shippedWeights(Shipped which);

} // namespace irenic::unet
