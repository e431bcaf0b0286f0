// SPDX-License-Identifier: GPL-3.0-or-later
#include "subject.h"
#include "irenic/measure_noise.h"
#include "irenic/read_frame.h"

#include <unistd.h>

namespace irenic::bench {

Result<std::shared_ptr<const Frame>> writtenAndRead(const std::filesystem::path &folder, const char *ending, const std::function<Status(const std::filesystem::path &)> &write)
{
    const auto file = folder / ("irenic-bench-" + std::to_string(getpid()) + ending);
    std::error_code ec;
    std::filesystem::remove(file, ec);
    if (const Status s = write(file); !s)
        return s.error();
    auto frame = readFrame(file);
    std::filesystem::remove(file, ec);
    return frame;
}

Result<Subject> makeSubject(const Scene &scene, int iso, const SubjectOptions &a, const std::filesystem::path &folder)
{
    ShootOptions o;
    o.iso = iso;
    o.underexposeEv = a.underexposeEv;
    o.banding = a.banding;
    o.seed = uint64_t(iso);
    o.cut = {0, 0, scene.size.width & ~1, scene.size.height & ~1}; // whole squares of four: programs outside are given packed planes
    const Result<Shot> shot = shoot(scene, o);
    if (!shot)
        return shot.error();
    const auto frame = writtenAndRead(folder, ".dng", [&](const std::filesystem::path &file) { return writeShot(file, shot.value(), o); });
    if (!frame)
        return frame.error();
    Result<NoiseReport> noise = measureNoise(*frame.value());
    if (!noise)
        return noise.error();
    if (a.trueLaw)
        noise.value().cells.fill(shot.value().truth.noise);
    const auto clean = frameWith(*frame.value(), [&](int x, int y) { return shot.value().truth.clean.at(x, y); });
    return Subject{frame.value(), clean, std::make_shared<const NoiseReport>(noise.take()), shot.value().truth.noise};
}

} // namespace irenic::bench
