// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/measure_noise.h"

#include <filesystem>

namespace irenic {

/// What the user's own frames say of their cameras: noise laws by ISO, and pixels that stand out. One JSON document a camera in a folder
/// (docs/camera-book.md); copying one is exporting it. A camera is a maker, a model and a size of frame: nothing is guessed from one camera for another, nor from one
/// ISO for another. Frames of two-by-two sensors alone. Several programs may keep one folder: who writes last may drop what
/// the other learned in that moment, and no more.
class CameraBook
{
public:
    explicit CameraBook(std::filesystem::path folder) : m_folder(std::move(folder)) {}

    /// For measuring a frame; itself left out, and for bad pixels also pictures that show the same, since a detail of a scene that was taken twice stays in its place as a
    /// bad pixel does. Empty where nothing is known, or where the document cannot be read: a measurement never fails for that.
    KnownCamera about(const Frame &frame) const;
    /// Writes down what a measured frame says of its camera: its law where it is sure of that, and what stands out in it. Frames that say nothing new
    /// change nothing. WriteFailed, Cancelled, or what is wrong with the document.
    Status learn(const Frame &frame, const NoiseReport &report, const RunContext &run = {});

    struct Camera {
        std::filesystem::path document;
        std::string make, model, pattern;
        Size size;                ///< of its frames, masked borders included
        int frames = 0;           ///< learned from
        int maps = 0;             ///< of them, searched for bad pixels
        std::vector<int> isos;    ///< whose laws are known; rising
        std::string name() const; ///< "Tarn Bench-1, 6000 x 4000, RGGB": tells it from every other
    };
    /// By maker and model. Documents that cannot be read are left out.
    std::vector<Camera> cameras() const;
    /// NotFound where the document is gone already.
    static Status forget(const Camera &camera);

private:
    std::filesystem::path documentOf(const Frame &frame) const;
    std::filesystem::path m_folder;
};

} // namespace irenic
