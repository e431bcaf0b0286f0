// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

#include <filesystem>
#include <string>
#include <vector>

namespace irenic::unet {

/// One convolution without bias: outputs x inputs x side x side, row-major.
struct Convolution {
    int inputs = 0, outputs = 0, side = 0;
    std::vector<float> weights;
};

/// The first generation answers the noise of the four packed samples from these and one noise; the second (training/full_colour.py) is told the noise of
/// each colour and how far black and white are, and answers eight numbers of full colour, too. That for pictures which have full colour already
/// (training/finished.py) answers the noise of the three colours of four pixels from these, three sigmas of their noise and their brightness.
inline constexpr int kSamplesIn = 5, kSamplesOut = 4, kColourIn = 9, kColourOut = 12, kFinishedIn = 16, kFinishedOut = 12;

/// How large a network is, level by level from the full size of the packed planes on, each half as large as the one before.
struct Shape {
    std::vector<int> widths; ///< channels; multiples of 16
    std::vector<int> depths; ///< blocks on the way down, and on the way up again where depthUp() says so
    int inputs = kSamplesIn, outputs = kSamplesOut;

    size_t last() const { return widths.size() - 1; } ///< the lowest level
    int depthUp(size_t level) const { return level < 2 && level < last() ? depths[level] : 0; }
    /// Sides of the packed planes are multiples of it, and places count from there.
    int alignment() const { return 1 << last(); }
    /// Every convolution in the order in which they are computed: enter; the blocks of a level and its way to half the size, level by level; the
    /// blocks of the lowest; then level by level the way to twice the size and its blocks; leave. Without numbers.
    std::vector<Convolution> layers() const;
    /// Packed samples around one that it depends on, wherever it lies in its square of alignment().
    int reach() const;
    bool operator==(const Shape &) const = default;
};

/// The learned numbers of a network that training/network.py or full_colour.py describes.
struct Weights {
    Shape shape;
    std::vector<Convolution> layers; ///< as Shape::layers() has them
};

/// Reads the documented file (docs/unet.md). NotFound, Damaged (size, check sum, values) or Unsupported (another version).
Result<Weights> readWeights(const std::filesystem::path &file);

/// The networks that ship with the application.
enum class Shipped {
    Compact,
    Large,
    Colour,
    Finished,
};

/// share/irenic/unet.weights, unet-large.weights, unet-colour.weights or unet-finished.weights beside the folder of the program; IRENIC_DATA names another folder.
std::filesystem::path weightsFile(Shipped which);

/// Read once in a process.
const Result<Weights> &shippedWeights(Shipped which);

} // namespace irenic::unet
