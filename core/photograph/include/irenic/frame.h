// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"
#include "irenic/image.h"

#include <array>
#include <filesystem>
#include <memory>
#include <optional>
#include <string>
#include <vector>

namespace irenic {

using Matrix3 = std::array<double, 9>; ///< row-major 3 x 3
using Vector3 = std::array<double, 3>;

enum class Colour : uint8_t {
    Red = 0,
    Green = 1,
    Blue = 2,
};

/// A two-by-two colour-filter pattern; cell (x & 1, y & 1), counted from the corner of the stored samples.
struct CfaPattern {
    std::array<Colour, 4> cells{Colour::Red, Colour::Green, Colour::Green, Colour::Blue};
    bool operator==(const CfaPattern &) const = default;
    Colour at(int x, int y) const { return cells[size_t((y & 1) * 2 + (x & 1))]; }
    bool isBayer() const;                     ///< one red, one blue, greens on a diagonal
    CfaPattern shifted(int dx, int dy) const; ///< the pattern as seen from sample (dx, dy)
    std::string name() const;                 ///< "RGGB" and so on
    static std::optional<CfaPattern> fromName(const std::string &name);
};

/// Black and white of the stored numbers (DNG 1.4, BlackLevel, BlackLevelDeltaH/V, WhiteLevel).
struct Levels {
    int repeatRows = 1; ///< size of the black pattern, anchored at the active area's corner
    int repeatCols = 1;
    std::vector<float> black{0.f};  ///< repeatRows x repeatCols, in stored numbers
    std::vector<float> deltaRow;    ///< one per active row, or empty
    std::vector<float> deltaColumn; ///< one per active column, or empty
    float white = 65535.f;
    /// Black at a sample, counted from the active area's corner.
    float blackAt(int x, int y) const;
    /// The four blacks of the two-by-two cell (deltas left out), in order (0,0) (1,0) (0,1) (1,1).
    std::array<float, 4> blackOfCell() const;
    int64_t period() const { return int64_t(repeatRows) * repeatCols; }
};

/// What turns sensor numbers into colour (DNG 1.4, chapter 6). Matrices go from CIE XYZ to camera.
struct ColourDescription {
    std::array<int, 2> illuminants{0, 0}; ///< Exif LightSource codes; 0 where absent
    std::array<std::optional<Matrix3>, 2> colourMatrix;
    std::array<std::optional<Matrix3>, 2> forwardMatrix;     ///< camera (white-balanced) to XYZ under D50
    std::array<std::optional<Matrix3>, 2> cameraCalibration; ///< identity where absent
    Vector3 analogBalance{1, 1, 1};
    Vector3 asShotNeutral{1, 1, 1}; ///< camera response to white; largest component need not be 1
    double baselineExposureEv = 0;
};

/// What the photographer wants to read beside the picture. Empty or 0 where the file does not say.
struct ShootingData {
    std::string make, model, lens, dateTime, software;
    double iso = 0;
    double exposureS = 0;
    double fNumber = 0;
    double focalLengthMm = 0;
    int bitDepth = 0; ///< bits of the stored samples
};

/// What one place of a frame holds.
enum class FrameKind : uint8_t {
    Mosaic,  ///< one sample, its colour by the sensor's two-by-two pattern
    Linear,  ///< red, green and blue of the camera, linear: a linear DNG, or a six-by-six sensor after demosaicing
    Rendered ///< red, green and blue as a picture file encodes them: TIFF, JPEG, PNG
};

/// How a JPEG was compressed (ITU-T T.81): what of the picture may have been lost.
struct JpegCoding {
    std::array<std::array<uint16_t, 64>, 3> steps{}; ///< quantisation of Y, Cb, Cr; row by row of the 8 x 8 frequencies
    int across = 1, down = 1;                        ///< pixels of Y for one of Cb and Cr
    int components = 3;                              ///< 1 where there are no colours
    double meanStep() const;                         ///< of Y's twenty lowest frequencies, 0 left out: 1 and less cannot be seen, 10 shows
};
inline constexpr double kCoarseJpegStep = 10; ///< from there on a JPEG is called heavily compressed

/// How a rendered picture's numbers mean colour, as its profile says.
struct Encoding {
    std::array<std::vector<float>, 3> decode;  ///< 65536 linear values of red, green, blue; rising, 0 to 1
    Matrix3 toSrgb{1, 0, 0, 0, 1, 0, 0, 0, 1}; ///< linear values to linear sRGB
    std::vector<uint8_t> profile;              ///< ICC, as embedded; empty where the file has none, which means sRGB
    /// The stored number whose linear value is nearest.
    uint16_t encoded(float linear, size_t channel) const;
};

/// The part of a picture of `size` that shows as `seen` once the picture is turned as an Exif orientation asks.
TileRect beforeTurning(const UprightRect &seen, Size size, int orientation);
/// And back.
UprightRect afterTurning(const TileRect &part, Size size, int orientation);

class Shading;
struct DescribedWarp;
struct SourceTags; ///< the directories of a DNG source as they stood; for writers
struct NoiseBeforeColours;

/// All that is known about a photograph but its numbers. All places and sizes count pixels.
struct FrameFacts {
    std::filesystem::path file;
    FrameKind kind = FrameKind::Mosaic;
    Rect active;                              ///< the exposed part
    Rect crop;                                ///< the default crop; inside `active`
    CfaPattern cfa;                           ///< of a mosaic: phase at its first sample
    Levels levels;                            ///< of a linear frame, three blacks that do not repeat; of a rendered one, 0 and 65535
    std::shared_ptr<const Encoding> encoding; ///< of a rendered frame only
    std::shared_ptr<const JpegCoding> jpeg;   ///< of a JPEG whose brightness and colours are coded apart; null otherwise
    std::string pattern;                      ///< the sensor's pattern in words: "RGGB", "six by six"; empty where there is none
    ColourDescription colour;
    ShootingData shooting;
    int orientation = 1;                                     ///< Exif orientation, 1..8
    std::vector<std::string> warnings;                       ///< plain sentences about what is odd in the file
    std::shared_ptr<const SourceTags> source;                ///< null unless the source is a DNG
    std::shared_ptr<const Shading> shading;                  ///< uneven light that the file describes; null where it does not. Not in the samples, but in what is looked at
    std::shared_ptr<const DescribedWarp> warp;               ///< bent lines that the file describes; null where it does not
    std::vector<PixelAt> badPixels;                          ///< that the file lists; sorted by row, then column
    std::shared_ptr<const NoiseBeforeColours> beforeColours; ///< of a six-by-six sensor that was large enough to measure; null otherwise
    std::string compression;                                 ///< of a DNG source: "none", "lossless JPEG", "deflate", "lossy JPEG", "JPEG XL"; empty of others

    int channels() const { return kind == FrameKind::Mosaic ? 1 : 3; }
    /// Width and height as they hang on the wall: of `crop`, turned by `orientation`.
    Size uprightSize() const;
    /// Between the stored samples and the wall. Lines that the lens bends are not unbent: that is Unbending's.
    Rect storedOf(const UprightRect &seen) const;
    UprightRect uprightOf(const Rect &stored) const;
    PixelAt storedOf(const UprightPoint &seen) const { return storedOf(UprightRect{seen.x, seen.y, 1, 1}).corner(); }
    UprightPoint uprightOf(const PixelAt &stored) const { return uprightOf(Rect{stored.x, stored.y, 1, 1}).corner(); }
    TileRect inSamples(const Rect &r) const { return {r.x * channels(), r.y, r.width * channels(), r.height}; } ///< of `Frame::samples`
    ActiveRect cropInActive() const { return crop.seenFrom<places::Active>(active); }                           ///< as a DNG tells it
};

/// One photograph: its numbers exactly as stored, and what they mean. Never changed after
/// reading, so it is shared between threads as std::shared_ptr<const Frame>.
struct Frame : FrameFacts {
    /// Every stored sample, masked borders included: channels() x width numbers a row. Of rendered pictures with 8 bits, times 257.
    Plane<uint16_t> samples;

    Frame() = default;
    explicit Frame(const FrameFacts &facts) : FrameFacts(facts) {}
    Size size() const { return {samples.width() / channels(), samples.height()}; } ///< masked borders included
    /// Sample minus black, over white minus black; 0 is black, 1 is clipping. Of a rendered frame, its decoded value.
    float linearAt(int x, int y, int channel = 0) const;
};

} // namespace irenic
