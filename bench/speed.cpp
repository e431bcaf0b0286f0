// SPDX-License-Identifier: GPL-3.0-or-later
#include "benches.h"

#include "export/lossless_jpeg.h"
#include "irenic/camera.h"
#include "irenic/clean.h"
#include "irenic/export.h"

#include <nlohmann/json.hpp>
#ifdef IRENIC_WITH_OPENCV
#include <opencv2/photo.hpp>
#endif
#include <sys/resource.h>

#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <functional>
#include <map>
#include <thread>

namespace irenic::bench {

namespace {

constexpr int kRuns = 3;

double bestSeconds(const std::function<void()> &body)
{
    double best = 1e9;
    for (int i = 0; i < kRuns; ++i) {
        const auto start = std::chrono::steady_clock::now();
        body();
        best = std::min(best, std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count());
    }
    return best;
}

/// A frame of any size: the samples' values do not change how long a method takes.
std::shared_ptr<const Frame> frameOf(int megapixels)
{
    const int width = int(std::sqrt(megapixels * 1.5e6)) & ~1, height = int(megapixels * 1e6 / width) & ~1;
    Scene scene{{width, 64}, std::vector<float>(size_t(width) * 64 * 3)};
    for (size_t i = 0; i < scene.rgb.size(); ++i)
        scene.rgb[i] = 0.1f + 0.4f * float(i % 977) / 977;
    const Result<Shot> shot = shoot(scene, {});
    auto f = std::make_shared<Frame>();
    f->file = "bench.dng";
    f->samples.reset({width, height});
    for (int y = 0; y < height; ++y)
        std::copy_n(shot.value().samples.row(y % 64), width, f->samples.row(y));
    f->active = f->crop = {0, 0, width, height};
    f->levels.black = {kCameraBlack14};
    f->levels.white = kCameraWhite14;
    return f;
}

#ifdef IRENIC_WITH_OPENCV
/// OpenCV's non-local means on the four packed planes, patches of 5 x 5 and a search of 19 x 19 samples as baselines.py has it.
double opencvSeconds(const Frame &frame, int threads)
{
    cv::setNumThreads(threads);
    const int width = frame.active.width / 2, height = frame.active.height / 2;
    std::vector<cv::Mat> planes;
    for (int cell = 0; cell < 4; ++cell) {
        cv::Mat plane(height, width, CV_16U);
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                plane.at<uint16_t>(y, x) = frame.samples.at(2 * x + (cell & 1), 2 * y + (cell >> 1));
        planes.push_back(plane);
    }
    const auto start = std::chrono::steady_clock::now();
    for (const cv::Mat &plane : planes) {
        cv::Mat out;
        cv::fastNlMeansDenoising(plane, out, std::vector<float>{16.f}, 5, 19, cv::NORM_L1);
    }
    return std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
}
#endif

/// The longest that a running whole frame took to return once it was told to stop, seconds.
double longestStop(const Cleaner &cleaner, int threads, double wholeSeconds)
{
    double longest = 0;
    for (const double share : {0.07, 0.13, 0.29, 0.41, 0.53}) {
        std::stop_source stop;
        std::chrono::steady_clock::time_point returned;
        std::thread worker([&] {
            (void)cleanForStorage(cleaner, {threads, stop.get_token(), {}});
            returned = std::chrono::steady_clock::now();
        });
        std::this_thread::sleep_for(std::chrono::duration<double>(share * wholeSeconds));
        const auto asked = std::chrono::steady_clock::now();
        stop.request_stop();
        worker.join();
        longest = std::max(longest, std::chrono::duration<double>(returned - asked).count());
    }
    return longest;
}

/// Writing lossless JPEG tiles on one core, and how near their size is to that of the best predictor of each tile.
void timeLosslessJpeg(const Frame &frame)
{
    constexpr int kTile = 256;
    std::vector<TileRect> tiles;
    for (int y = 0; y + kTile <= frame.samples.height(); y += kTile)
        for (int x = 0; x + kTile <= frame.samples.width(); x += kTile)
            tiles.push_back({x, y, kTile, kTile});
    const auto sizeWith = [&](const TileRect &tile, int predictor) { return encodeLosslessJpeg(frame.samples.constView().cut(tile), 2, 2, predictor).size(); };
    size_t written = 0, smallest = 0;
    const double seconds = bestSeconds([&] {
        written = 0;
        for (const TileRect &tile : tiles)
            written += sizeWith(tile, 0);
    });
    for (const TileRect &tile : tiles) {
        size_t least = SIZE_MAX;
        for (int predictor = 1; predictor <= 7; ++predictor)
            least = std::min(least, sizeWith(tile, predictor));
        smallest += least;
    }
    const double megabytes = double(tiles.size()) * kTile * kTile * sizeof(uint16_t) / 1e6;
    std::printf("lossless JPEG: %.0f MB/s a core, %.1f %% of the samples' size, %.2f %% over the smallest\n", megabytes / seconds, 100 * double(written) / (megabytes * 1e6), 100 * (double(written) / double(smallest) - 1));
}

/// Whole exports: seconds, and how far off an estimate from the first tenth of the progress was.
void timeExports(const std::shared_ptr<const Frame> &frame, const std::shared_ptr<const NoiseReport> &noise, const std::string &method, int megapixels)
{
    const auto target = std::filesystem::temp_directory_path() / "irenic-bench-export";
    for (const ExportFormat format : {ExportFormat::Dng, ExportFormat::Tiff}) {
        std::error_code ec;
        std::filesystem::remove(target, ec);
        const auto start = std::chrono::steady_clock::now();
        const auto passed = [&] { return std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count(); };
        double atTenth = 0;
        RunContext run;
        run.onProgress = [&](double f) {
            if (atTenth == 0 && f >= 0.1)
                atTenth = passed() / f;
        };
        const auto written = exportCleaned(Cleaner(frame, noise, {method, 1, 1}), *noise, target, format, run);
        const double total = passed();
        if (written)
            std::printf("| %s | %d | %s | %.2f | %.2f | %+.0f %% |\n", method.c_str(), megapixels, formatName(format), total, atTenth, 100 * (atTenth / total - 1));
        else
            std::fprintf(stderr, "irenic-bench: %s\n", written.error().userMessage.c_str());
        std::fflush(stdout);
        std::filesystem::remove(target, ec);
    }
}

} // namespace

int speed(const SpeedArguments &a)
{
    if (a.exports)
        std::printf("| method | megapixels | format | export s | predicted s | off by |\n|---|---|---|---|---|---|\n");
    else if (!a.json)
        std::printf("| method | megapixels | threads | whole frame s | 400 x 600 pane ms | peak MB | stops within ms | OpenCV NLM / this |\n|---|---|---|---|---|---|---|---|\n");
    for (const int megapixels : a.megapixels) {
        const auto frame = frameOf(megapixels);
        NoiseReport noise;
        noise.cells.fill({1 / 3000.f, 1e-6f});
        const auto report = std::make_shared<const NoiseReport>(noise);
        if (a.exports)
            timeLosslessJpeg(*frame);
        std::map<int, double> opencv; // by threads
#ifdef IRENIC_WITH_OPENCV
        if (a.opencv)
            for (const int threads : a.threads)
                opencv[threads] = opencvSeconds(*frame, threads);
#endif
        for (const MethodInfo &method : methods()) {
            if (!takesPart(a.methods, method.id))
                continue;
            if (a.exports) {
                timeExports(frame, report, method.id, megapixels);
                continue;
            }
            for (const int threads : a.threads) {
                const Cleaner cleaner(frame, report, {method.id, 1, 1});
                const RunContext run{threads, {}, {}};
                const double whole = bestSeconds([&] { (void)cleanForStorage(cleaner, run); });
                const double pane = bestSeconds([&] { (void)cleaner.clean({512, 512, 400, 600}, run); });
                const double stopped = longestStop(cleaner, threads, whole);
                rusage usage{};
                getrusage(RUSAGE_SELF, &usage);
                const double peak = double(usage.ru_maxrss) / 1024;
                if (a.json)
                    std::printf("%s\n", nlohmann::json{{"method", method.id}, {"megapixels", megapixels}, {"threads", threads}, {"wholeS", whole}, {"paneMs", pane * 1000}, {"peakMb", peak}, {"stopMs", stopped * 1000}, {"opencvNlmS", opencv.contains(threads) ? nlohmann::json(opencv[threads]) : nlohmann::json()}}.dump().c_str());
                else
                    std::printf("| %s | %d | %d | %.2f | %.0f | %.0f | %.0f | %s |\n", method.id, megapixels, threads, whole, pane * 1000, peak, stopped * 1000,
                                opencv.contains(threads) ? std::to_string(opencv[threads] / whole).substr(0, 5).c_str() : "");
                std::fflush(stdout);
            }
        }
    }
    return 0;
}

} // namespace irenic::bench
