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

/// The learned numbers of the network that training/network.py describes, in the order of layersOf().
struct Weights {
    std::array<int, 3> widths{}; ///< channels at full, half and quarter size of the packed planes; multiples of 16
    uint32_t checksum = 0;       ///< CRC-32 of the numbers: tells one training from another
    std::vector<Convolution> layers;
};

/// Every convolution with its shape: enter; two each of the blocks at full and half size; to half and to quarter size; four at quarter
/// size; back to half and to full size; two each of the blocks there; leave.
std::vector<Convolution> layersOf(const std::array<int, 3> &widths);

/// Reads the documented file (docs/unet.md). NotFound, Damaged (size, check sum, values) or Unsupported (a later version).
Result<Weights> readWeights(const std::filesystem::path &file);

/// The file that ships with the application: share/irenic/unet.weights beside the folder of the program; IRENIC_DATA names
/// another folder.
std::filesystem::path weightsFile();

/// Read once in a process.
const Result<Weights> &shippedWeights();

} // namespace irenic::unet
