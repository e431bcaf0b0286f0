// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/camera.h"
#include "irenic/clean.h"

#include <QByteArray>
#include <QMetaType>
#include <QString>
#include <QStringList>

#include <cmath>

namespace irenic::test {

/// How long a test waits for what must happen; long, since sanitizers and busy machines are slow.
#if defined(__SANITIZE_ADDRESS__) || defined(__SANITIZE_THREAD__)
inline constexpr int kPatienceMs = 1200000;
#else
inline constexpr int kPatienceMs = 120000;
#endif

/// A scene of smooth gradients, flat patches, edges, fine texture, strong colour and darkness, made by formula.
Scene makeScene(Size size);
Scene flatScene(Size size, float red, float green, float blue);
/// From dark at the left to light, without texture.
Scene slopeScene(Size size);
/// Discs that lie over one another, the number of those larger than r falling with its square, down to half a pixel: edges and fine detail
/// of every size, as pictures have them (Lee, Mumford and Huang, Int. J. Comput. Vision 41, 2001).
Scene leavesScene(Size size);

/// A shot as the reader would return it, without going through a file.
std::shared_ptr<const Frame> frameOf(const Shot &shot, const ShootOptions &options);

/// A camera without bad pixels and banding.
ShootOptions plainShot(int iso);

struct Simulated {
    std::shared_ptr<const Frame> frame;
    std::shared_ptr<const NoiseReport> noise; ///< the true law and the true hot pixels
    ShotTruth truth;
};
/// Shoots and describes; the noise report states the truth, so that methods are tested apart from measuring.
Simulated simulate(const Scene &scene, const ShootOptions &options);

/// The same mosaic without noise, as a frame of 16 bits.
std::shared_ptr<const Frame> cleanFrameOf(const Simulated &simulated);

/// The whole scene as that sensor could see it if every pixel had all three colours and no noise.
std::shared_ptr<const Frame> wholeFrameOf(const Simulated &simulated, const Scene &scene, const ShootOptions &options);

/// Full colour with noise of a known law, white or blurred by (1 2 1) both ways as demosaicing does.
struct FullColour {
    std::shared_ptr<const Frame> frame; ///< FrameKind::Linear, black 1000, white 61000
    std::array<Plane<float>, 3> clean;
};
FullColour simulateFullColour(const Scene &scene, const NoiseModel &law, bool blurred, uint64_t seed = 1);

/// A scene as a camera's finished picture, and the same without its noise, hardly compressed.
struct FinishedPair {
    std::shared_ptr<const Frame> noisy, clean;
};
/// @param name its ending decides between TIFF and JPEG
FinishedPair finishedPair(const Scene &scene, int iso, const QString &name, const FinishOptions &finish);

/// Equal to the last bit over their common size; QCOMPARE would be fuzzy on floats.
template <class T>
bool sameBits(PlaneView<const T> a, PlaneView<const T> b)
{
    if (a.width != b.width || a.height != b.height)
        return false;
    for (int y = 0; y < a.height; ++y)
        if (std::memcmp(a.row(y), b.row(y), size_t(a.width) * sizeof(T)) != 0)
            return false;
    return true;
}

/// White noise of sigma 1 about a level.
Plane<float> gaussianPlane(Size size, uint64_t seed, float level = 0);

/// Mean square difference over a rectangle of two planes of one size.
double meanSquare(PlaneView<const float> a, PlaneView<const float> b, Rect where);

/// Runs a program of build/bin; answers exit status, standard output and standard error.
struct Ran {
    int status = -1;
    QByteArray out, err;
};
Ran run(const QString &program, const QStringList &arguments);

/// Every line of `exiftool -s -G1 -n` that names one of the given tags.
QStringList exifOf(const QString &file, const QStringList &tags);

} // namespace irenic::test

Q_DECLARE_METATYPE(irenic::SensorFaults)
