// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/lens.h"
#include "irenic/process.h"

#include <lensfun/lensfun.h>

#include <cmath>
#include <filesystem>
#include <mutex>

namespace irenic {

namespace {

constexpr size_t kMostProfiles = 12;

/// Loaded once. Reading is safe from any thread after that, but Lensfun keeps caches of its own: one at a time.
struct Database {
    std::mutex mutex;
    lfDatabase db;
    bool there = db.Load() == LF_NO_ERROR || loadBeside();

    /// What an archive that is unpacked anywhere brings along.
    bool loadBeside()
    {
        bool any = false;
        std::error_code ec;
        for (const auto &entry : std::filesystem::directory_iterator(besideProgram("share/lensfun/version_1"), ec))
            any |= entry.path().extension() == ".xml" && db.Load(entry.path().c_str()) == LF_NO_ERROR;
        return any;
    }
};

Database &database()
{
    static Database d;
    return d;
}

std::string nameOf(const lfLens &lens)
{
    const std::string maker = lens.Maker ? lf_mlstr_get(lens.Maker) : "", model = lens.Model ? lf_mlstr_get(lens.Model) : "";
    return model.rfind(maker, 0) == 0 ? model : maker + " " + model;
}

/// Lensfun counts radii of lines in half the short side, and of light in half the diagonal, of the sensor that the lens was measured on.
LensProfile profileOf(const lfLens &lens, double cameraCrop, const ShootingData &shooting)
{
    const double crop = lens.CropFactor / (cameraCrop > 0 ? cameraCrop : lens.CropFactor);
    const double k = crop * std::sqrt(double(lens.AspectRatio) * double(lens.AspectRatio) + 1);
    const float focal = shooting.focalLengthMm > 0 ? float(shooting.focalLengthMm) : lens.MinFocal;
    const float aperture = shooting.fNumber > 0 ? float(shooting.fNumber) : lens.MinAperture;
    LensProfile p;
    p.name = nameOf(lens);
    p.likeness = std::clamp(lens.Score / 100.0, 0.0, 1.0);
    LensCorrection &c = p.correction;
    c.from = p.name;
    lfLensCalibDistortion bent;
    if (lens.InterpolateDistortion(focal, bent)) {
        const double t0 = double(bent.Terms[0]), t1 = double(bent.Terms[1]), t2 = double(bent.Terms[2]);
        p.hasDistortion = true;
        switch (bent.Model) {
        case LF_DIST_MODEL_POLY3: c.bent = {1 - t0, 0, t0 * k * k, 0, 0}; break;
        case LF_DIST_MODEL_POLY5: c.bent = {1, 0, t0 * k * k, 0, t1 * k * k * k * k}; break;
        case LF_DIST_MODEL_PTLENS: c.bent = {1 - t0 - t1 - t2, t2 * k, t1 * k * k, t0 * k * k * k, 0}; break;
        default: p.hasDistortion = false;
        }
    }
    lfLensCalibTCA sideways;
    if (lens.InterpolateTCA(focal, sideways)) {
        const float *t = sideways.Terms;
        p.hasLateral = sideways.Model == LF_TCA_MODEL_LINEAR || sideways.Model == LF_TCA_MODEL_POLY3;
        if (sideways.Model == LF_TCA_MODEL_LINEAR) {
            c.red[0] = double(t[0]);
            c.blue[0] = double(t[1]);
        } else if (p.hasLateral) {
            c.red = {double(t[0]), double(t[2]) * k, double(t[4]) * k * k, 0, 0};
            c.blue = {double(t[1]), double(t[3]) * k, double(t[5]) * k * k, 0, 0};
        }
    }
    lfLensCalibVignetting dark;
    constexpr float kFarM = 1000; // what files hardly ever tell
    if (lens.InterpolateVignetting(focal, aperture, kFarM, dark) && dark.Model == LF_VIGNETTING_MODEL_PA) {
        p.hasVignetting = true;
        double r = crop * crop;
        for (size_t i = 0; i < 3; ++i, r *= crop * crop)
            c.falloff[i] = double(dark.Terms[i]) * r;
    }
    return p;
}

} // namespace

std::vector<LensProfile> findLensProfiles(const Frame &frame, const std::string &name)
{
    const ShootingData &s = frame.shooting;
    const std::string wanted = name.empty() ? s.lens : name;
    std::vector<LensProfile> found;
    if (wanted.empty())
        return found;
    Database &d = database();
    const std::lock_guard lock(d.mutex);
    if (!d.there)
        return found;
    const lfCamera **cameras = s.model.empty() ? nullptr : d.db.FindCameras(s.make.c_str(), s.model.c_str());
    const lfCamera *camera = cameras ? cameras[0] : nullptr;
    const lfLens **lenses = d.db.FindLenses(camera, nullptr, wanted.c_str(), LF_SEARCH_SORT_AND_UNIQUIFY);
    for (size_t i = 0; lenses && lenses[i] && found.size() < kMostProfiles; ++i) {
        LensProfile p = profileOf(*lenses[i], camera ? double(camera->CropFactor) : 0, s);
        if ((p.hasDistortion || p.hasLateral || p.hasVignetting) && validate(p.correction))
            found.push_back(std::move(p));
    }
    lf_free(lenses);
    lf_free(cameras);
    std::stable_sort(found.begin(), found.end(), [](const LensProfile &a, const LensProfile &b) { return a.likeness > b.likeness; });
    return found;
}

} // namespace irenic
