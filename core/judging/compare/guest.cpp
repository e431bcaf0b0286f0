// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/guest.h"

#include "base/budget.h"
#include "base/input_file.h"
#include "base/parallel.h"
#include "colour/profile.h"
#include "irenic/clean.h"
#include "irenic/parameter.h"
#include "irenic/picture.h"
#include "irenic/read_frame.h"
#include "irenic/sentence.h"
#include "irenic/text.h"

#include <cmath>
#include <functional>

namespace irenic {

namespace {

/// A frame as it hangs untreated, upright, in linear sRGB.
Result<RgbImage<float>> uprightPicture(const std::shared_ptr<const Frame> &frame, int reduction, const RunContext &run)
{
    const Cleaner untreated = Cleaner::untreated(frame);
    Result<RgbImage<float>> picture = developView(untreated, frame->crop, reduction, {}, nullptr, run);
    if (!picture)
        return picture;
    return turned(picture.take(), frame->orientation, run);
}

/// Every row once, on all threads. Where it is stopped rows are left out: whoever calls asks whether it was, before anything of it is used.
void forRows(int rows, const RunContext &run, const std::function<void(int)> &row)
{
    const Status done = parallelFor(rows, {run.threads, run.stop, {}, run.background}, row);
    (void)done;
}

Plane<float> toneOf(const RgbImage<float> &image, const RunContext &run)
{
    Plane<float> out(image.size);
    forRows(image.size.height, run, [&](int y) {
        for (int x = 0; x < image.size.width; ++x) {
            const float *p = image.row(y) + 3 * x;
            out.at(x, y) = std::sqrt(std::max(0.f, 0.2126f * p[0] + 0.7152f * p[1] + 0.0722f * p[2]));
        }
    });
    return out;
}

/// A picture at `step` of its own pixels per pixel of the answer: the mean of so many points that none is skipped.
RgbImage<float> resampled(const RgbImage<float> &in, double step, Size size, const RunContext &run, double fromX = 0, double fromY = 0)
{
    auto out = RgbImage<float>::ofSize(size);
    const int points = std::max(1, int(std::ceil(step - 1e-6)));
    const auto pixel = [&](double px, double py, float *sum, float weight) {
        const double cx = std::clamp(px - 0.5, 0.0, in.size.width - 1.0), cy = std::clamp(py - 0.5, 0.0, in.size.height - 1.0);
        const int x = std::min(int(cx), std::max(0, in.size.width - 2)), y = std::min(int(cy), std::max(0, in.size.height - 2));
        const int x1 = std::min(x + 1, in.size.width - 1), y1 = std::min(y + 1, in.size.height - 1);
        const float fx = float(cx - x), fy = float(cy - y);
        for (int c = 0; c < 3; ++c) {
            const float top = in.row(y)[3 * x + c] * (1 - fx) + in.row(y)[3 * x1 + c] * fx, low = in.row(y1)[3 * x + c] * (1 - fx) + in.row(y1)[3 * x1 + c] * fx;
            sum[c] += weight * (top * (1 - fy) + low * fy);
        }
    };
    forRows(size.height, run, [&](int y) {
        for (int x = 0; x < size.width; ++x) {
            float *o = out.row(y) + 3 * x;
            o[0] = o[1] = o[2] = 0;
            for (int v = 0; v < points; ++v)
                for (int u = 0; u < points; ++u)
                    pixel((fromX + x + (u + 0.5) / points) * step, (fromY + y + (v + 0.5) / points) * step, o, 1.f / float(points * points));
        }
    });
    return out;
}

/// Correlation of `part`, laid with its corner at (dx, dy), with what it covers of `whole`; -1 where that is too little, or where it was stopped.
double likenessAt(const Plane<float> &whole, const Plane<float> &part, int dx, int dy, const std::stop_token &stop)
{
    const Rect both = Rect{dx, dy, part.width(), part.height()}.intersected({0, 0, whole.width(), whole.height()});
    if (both.size().area() * 2 < part.size().area())
        return -1;
    double a = 0, b = 0, aa = 0, bb = 0, ab = 0;
    for (int y = both.y; y < both.bottom(); ++y) {
        if (stop.stop_requested())
            return -1;
        for (int x = both.x; x < both.right(); ++x) {
            const double u = double(whole.at(x, y)), v = double(part.at(x - dx, y - dy));
            a += u;
            b += v;
            aa += u * u;
            bb += v * v;
            ab += u * v;
        }
    }
    const double n = double(both.size().area()), va = aa - a * a / n, vb = bb - b * b / n;
    return va > 0 && vb > 0 ? (ab - a * b / n) / std::sqrt(va * vb) : -1;
}

struct Placed {
    double likeness = -1, scale = 1;
    int dx = 0, dy = 0;
};

/// Tries every corner from (x0, y0) to (x1, y1).
Placed bestCorner(const Plane<float> &whole, const Plane<float> &part, Rect corners, double scale, const RunContext &run)
{
    std::vector<double> likeness(size_t(corners.size().area()), -1.0);
    forRows(int(likeness.size()), run, [&](int i) { likeness[size_t(i)] = likenessAt(whole, part, corners.x + i % corners.width, corners.y + i / corners.width, run.stop); });
    const auto best = std::max_element(likeness.begin(), likeness.end()); // the first of equals
    const int i = int(best - likeness.begin());
    return {*best, scale, corners.x + i % corners.width, corners.y + i / corners.width};
}

/// Scales that sizes suggest: none, or such that one side fits.
std::vector<double> scalesFor(Size reference, Size guest)
{
    std::vector<double> scales{1};
    const double across = double(reference.width) / guest.width, down = double(reference.height) / guest.height;
    for (const double s : {std::sqrt(across * down), across, down})
        if (std::none_of(scales.begin(), scales.end(), [&](double t) { return std::abs(s / t - 1) * std::max(reference.width, reference.height) < 1; }))
            scales.push_back(s);
    return scales;
}

/// From coarse to fine: at the coarsest size every corner is tried, then only the neighbours of the last best.
/// @param full the reference, developed
Result<Placed> placed(const std::shared_ptr<const Frame> &reference, const RgbImage<float> &full, const RgbImage<float> &guest, const RunContext &run)
{
    const Size size = reference->uprightSize();
    constexpr int kCoarsePx = 96; // long edge of the coarsest size
    int coarsest = 2;
    while (std::max(size.width, size.height) / (2 * coarsest) >= kCoarsePx)
        coarsest *= 2;
    const Result<RgbImage<float>> half = uprightPicture(reference, 2, run);
    if (!half)
        return half.error();
    const auto wholeAt = [&](int reduction) {
        return toneOf(reduction == 2 ? half.value() : resampled(half.value(), reduction / 2.0, {half.value().size.width * 2 / reduction, half.value().size.height * 2 / reduction}, run), run);
    };
    const auto partAt = [&](double scale, int reduction) {
        const double step = reduction / scale;
        return toneOf(resampled(guest, step, {std::max(1, int(guest.size.width / step)), std::max(1, int(guest.size.height / step))}, run), run);
    };
    Placed best;
    const Plane<float> small = wholeAt(coarsest);
    for (const double scale : scalesFor(size, guest.size)) {
        const Plane<float> part = partAt(scale, coarsest);
        const int beyond = (kMostShiftPx + coarsest - 1) / coarsest;
        const Rect corners{-beyond, -beyond, std::max(0, small.width() - part.width()) + 2 * beyond + 1, std::max(0, small.height() - part.height()) + 2 * beyond + 1};
        if (const Placed p = bestCorner(small, part, corners, scale, run); p.likeness > best.likeness)
            best = p;
        if (run.stop.stop_requested())
            return cancelledError();
    }
    for (int reduction = coarsest / 2; reduction >= 2; reduction /= 2) {
        best = bestCorner(wholeAt(reduction), partAt(best.scale, reduction), {2 * best.dx - 2, 2 * best.dy - 2, 5, 5}, best.scale, run);
        if (run.stop.stop_requested())
            return cancelledError();
    }
    // The last step, to the pixel, on the full picture.
    const Plane<float> whole = toneOf(full, run), part = partAt(best.scale, 1);
    best = bestCorner(whole, part, {2 * best.dx - 1, 2 * best.dy - 1, 3, 3}, best.scale, run);
    if (run.stop.stop_requested())
        return cancelledError();
    return best;
}

/// Gains of the rendition by the medians of block ratios, in blocks of middling tone.
std::array<double, 3> gainsFor(const RgbImage<float> &reference, const RgbImage<float> &matched, const std::stop_token &stop)
{
    constexpr int kBlock = 16;
    std::array<std::vector<double>, 3> ratios;
    for (int y = 0; y + kBlock <= reference.size.height && !stop.stop_requested(); y += kBlock)
        for (int x = 0; x + kBlock <= reference.size.width; x += kBlock) {
            std::array<double, 3> a{}, b{};
            bool covered = true;
            for (int v = y; v < y + kBlock; ++v)
                for (int u = x; u < x + kBlock; ++u)
                    for (int c = 0; c < 3; ++c) {
                        a[size_t(c)] += double(reference.row(v)[3 * u + c]) / (kBlock * kBlock);
                        b[size_t(c)] += double(matched.row(v)[3 * u + c]) / (kBlock * kBlock);
                        covered = covered && matched.row(v)[3 * u + c] >= 0;
                    }
            const double high = std::max({a[0], a[1], a[2], b[0], b[1], b[2]}), low = std::min({a[0], a[1], a[2], b[0], b[1], b[2]});
            if (covered && high < 0.7 && low > 0.01)
                for (size_t c = 0; c < 3; ++c)
                    ratios[c].push_back(a[c] / b[c]);
        }
    std::array<double, 3> gains{1, 1, 1};
    for (size_t c = 0; c < 3; ++c)
        if (!ratios[c].empty()) {
            const auto middle = ratios[c].begin() + ptrdiff_t(ratios[c].size() / 2);
            std::nth_element(ratios[c].begin(), middle, ratios[c].end());
            gains[c] = *middle;
        }
    return gains;
}

/// On the reference's grid; negative where the rendition has nothing.
RgbImage<float> laidOver(const RgbImage<float> &guest, const Placed &p, Size size, const RunContext &run)
{
    auto out = RgbImage<float>::ofSize(size);
    forRows(size.height, run, [&](int y) { std::fill_n(out.row(y), 3 * size_t(size.width), -1.f); });
    const Rect covers = Rect{p.dx, p.dy, int(std::lround(guest.size.width * p.scale)), int(std::lround(guest.size.height * p.scale))}.intersected({0, 0, size.width, size.height});
    if (covers.isEmpty())
        return out;
    const auto part = resampled(guest, 1 / p.scale, covers.size(), run, covers.x - p.dx, covers.y - p.dy);
    forRows(covers.height, run, [&](int y) {
        std::transform(part.row(y), part.row(y) + 3 * covers.width, out.row(covers.y + y) + 3 * covers.x, [](float v) { return std::max(v, 0.f); }); // a raw one's dark colours may lie outside sRGB
    });
    return out;
}

std::shared_ptr<const Frame> frameOf(const RgbImage<float> &linear, const std::array<double, 3> &gains, const std::filesystem::path &file, const RunContext &run)
{
    auto frame = std::make_shared<Frame>();
    frame->file = file;
    frame->kind = FrameKind::Rendered;
    frame->active = frame->crop = {0, 0, linear.size.width, linear.size.height};
    frame->levels = Levels{};
    frame->encoding = std::make_shared<const Encoding>(encodingOf({}, 3));
    frame->samples.reset({linear.size.width * 3, linear.size.height});
    forRows(linear.size.height, run, [&](int y) {
        auto lit = RgbImage<float>::ofSize({linear.size.width, 1});
        for (int i = 0; i < 3 * linear.size.width; ++i) {
            constexpr float kNothing = 0.1845f; // the mid grey of the wall
            const float v = linear.row(y)[i];
            lit.samples[size_t(i)] = v < 0 ? kNothing : std::min(1.f, v * float(gains[size_t(i % 3)]));
        }
        std::copy_n(encoded16(lit).row(0), 3 * linear.size.width, frame->samples.row(y));
    });
    return frame;
}

std::string wordsOf(const Guest &g, Size guest, Size reference)
{
    std::string words;
    const auto say = [&](const std::string &part) {
        if (!words.empty())
            words += ", ";
        words += part;
    };
    if (std::abs(g.scale - 1) * reference.width >= 1) {
        say(sentence("scaled to %1 %", {fixedNumber(100 * g.scale, 1)}));
    }
    const bool smaller = std::lround(guest.width * g.scale) < reference.width - 1 || std::lround(guest.height * g.scale) < reference.height - 1;
    if (g.dx || g.dy) {
        const std::vector<std::string> by{std::to_string(g.dx), std::to_string(g.dy)};
        say(smaller ? sentence("laid at %1, %2", by) : sentence("moved by %1, %2", by));
    }
    if (std::abs(g.exposureEv) >= 0.02) {
        say(std::string(g.exposureEv < 0 ? "" : "+") + fixedNumber(g.exposureEv, 2) + " EV");
    }
    if (std::max(std::abs(g.balance[0] - 1), std::abs(g.balance[2] - 1)) >= 0.01) {
        say(sentence("red x %1, blue x %2", {fixedNumber(g.balance[0], 2), fixedNumber(g.balance[2], 2)}));
    }
    return words.empty() ? sentence("Nothing had to be matched.") : sentence("To match for viewing: %1.", {words});
}

} // namespace

Result<Guest> readGuest(const std::filesystem::path &file, const std::shared_ptr<const Frame> &reference, const RunContext &run)
{
    const auto frame = readFrame(file, run);
    if (!frame)
        return frame.error();
    const int64_t pixels = std::max(reference->crop.size().area(), frame.value()->crop.size().area());
    if (double(pixels) * double(kGuestBytesAPixel) > double(memoryBudget()))
        return fileError(ErrorCode::Unsupported, file, visible("is too large to be matched in the memory that there is"));
    const Result<RgbImage<float>> picture = uprightPicture(frame.value(), 1, run);
    if (!picture)
        return picture.error();
    const Result<RgbImage<float>> seen = uprightPicture(reference, 1, run);
    if (!seen)
        return seen.error();
    const Result<Placed> place = placed(reference, seen.value(), picture.value(), run);
    if (!place)
        return place.error();
    const Placed &p = place.value();
    if (p.likeness < kLeastLikeness)
        return Error{ErrorCode::Unsupported, sentence("%1 does not look like a rendition of %2; it was not pinned.", {textOf(file.filename()), textOf(reference->file.filename())}), {}};
    const Size size = reference->uprightSize();
    const auto full = laidOver(picture.value(), p, size, run);
    const auto gains = gainsFor(seen.value(), full, run.stop);
    const auto matched = frameOf(full, gains, file, run);
    if (run.stop.stop_requested())
        return cancelledError();
    Guest guest{file, matched, p.scale, p.dx, p.dy, std::log2(gains[1]), {gains[0] / gains[1], 1, gains[2] / gains[1]}, p.likeness, {}};
    guest.words = wordsOf(guest, picture.value().size, size);
    return guest;
}

} // namespace irenic
