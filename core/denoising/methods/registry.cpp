// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/frame.h"

#include "irenic/parameter.h"
#include "irenic/sentence.h"
#include "irenic/text.h"
#include "methods/bm3d/bm3d.h"
#include "methods/dct/dct.h"
#include "methods/denoise_method.h"
#include "methods/nlm/nlm.h"
#include "methods/unet/unet.h"
#include "methods/wavelet/wavelet.h"

#include <array>
#include <cmath>

namespace irenic {

namespace {

struct Registered {
    MethodInfo info;
    std::unique_ptr<DenoiseMethod> (*make)(const Treatment &);
    Status (*ready)() = nullptr; ///< where it needs more than the program
};

/// One line per method.
const std::array kRegistered{
    Registered{kWaveletInfo, makeWavelet},
    Registered{kDctInfo, makeDct},
    Registered{kNlmInfo, makeNlm},
    Registered{kBm3dInfo, makeBm3d},
    Registered{kUnetInfo, makeUnet, unetIsReady},
    Registered{kUnetColourInfo, makeUnetColour, unetColourIsReady},
    Registered{kUnetEnsembleInfo, makeUnetEnsemble, unetEnsembleIsReady},
};

const auto kInfos = [] {
    std::array<MethodInfo, kRegistered.size()> infos{};
    for (size_t i = 0; i < infos.size(); ++i)
        infos[i] = kRegistered[i].info;
    return infos;
}();

Status inRange(const TreatmentParam &param, double value)
{
    const ParamInfo &p = param.info;
    if (std::isfinite(value) && value >= p.min && value <= p.max)
        return {};
    const char *what = param.isStrength() ? visible("The %1 strength must lie between %2 and %3, not at %4.") : visible("The setting %1 must lie between %2 and %3, not at %4.");
    return Error{ErrorCode::BadParameter, sentence(what, {param.isStrength() ? sentence(p.label) : p.name, plainNumber(p.min), plainNumber(p.max), plainNumber(value)}), {}};
}

} // namespace

std::span<const MethodInfo> methods()
{
    return kInfos;
}

std::vector<const MethodInfo *> methodsFor(FrameKind kind)
{
    std::vector<const MethodInfo *> found;
    for (const MethodInfo &m : kInfos)
        if (kind == FrameKind::Mosaic || !m.fullColour)
            found.push_back(&m);
    return found;
}

const MethodInfo *findMethod(const std::string &id)
{
    for (const MethodInfo &m : kInfos)
        if (id == m.id)
            return &m;
    return nullptr;
}

std::string methodIdOf(const std::string &name)
{
    for (const MethodInfo &m : kInfos)
        if (m.alias && name == m.alias)
            return m.id;
    return name;
}

namespace {

/// The method that frames in full colour get in the place of this one; where that lacks its weights, one that needs none.
std::string standingIn(const MethodInfo &info)
{
    return validate(Treatment{info.fullColour}) ? info.fullColour : kBm3dInfo.id;
}

} // namespace

double secondsPerMegapixel(const std::string &method, FrameKind kind)
{
    const MethodInfo *info = findMethod(method);
    if (kind == FrameKind::Mosaic)
        return info->secondsPerMegapixel;
    constexpr double kSixBands = 1.6; // instead of four
    if (info->fullColour)
        info = findMethod(standingIn(*info));
    return info->secondsInFullColour > 0 ? info->secondsInFullColour : kSixBands * info->secondsPerMegapixel;
}

Treatment carriedOut(Treatment treatment, FrameKind kind)
{
    if (kind == FrameKind::Mosaic)
        return treatment;
    for (std::string *id : {&treatment.method, &treatment.colourMethod})
        if (const MethodInfo *info = findMethod(*id); info && info->fullColour)
            *id = standingIn(*info);
    if (!treatment.isMixed())
        treatment.colourMethod.clear();
    return treatment;
}

Status validate(const Treatment &treatment)
{
    for (const std::string &id : {treatment.method, treatment.colourMethod.empty() ? treatment.method : treatment.colourMethod}) {
        const auto found = std::find_if(kRegistered.begin(), kRegistered.end(), [&](const Registered &r) { return id == r.info.id; });
        if (found != kRegistered.end()) {
            if (const Status s = found->ready ? found->ready() : Status(); !s)
                return s;
            continue;
        }
        std::string known;
        for (const MethodInfo &m : kInfos)
            known += (known.empty() ? "" : ", ") + std::string(m.id);
        return Error{ErrorCode::BadParameter, sentence("There is no method called \"%1\"; there is: %2.", {id, known}), {}};
    }
    for (const TreatmentParam &p : kTreatmentParams)
        if (const Status s = inRange(p, p.of(treatment)); !s)
            return s;
    return {};
}

const TreatmentParam *findParam(const std::string &name)
{
    const auto found = std::find_if(kTreatmentParams.begin(), kTreatmentParams.end(), [&](const TreatmentParam &p) { return name == p.info.name; });
    return found == kTreatmentParams.end() ? nullptr : &*found;
}

namespace {

std::unique_ptr<DenoiseMethod> makeByName(const std::string &id, const Treatment &treatment)
{
    for (const Registered &r : kRegistered)
        if (id == r.info.id)
            return r.make(treatment);
    assert(!"validate() comes first");
    return nullptr;
}

/// Luminance of one method with the colours of another. What a method calls luminance is the low band of the mosaic that is
/// left when the packet of all two-by-two windows is closed with its sum alone: the binomial filter (1 2 1) both ways. Of a
/// full-colour picture it is the mean of the three colours.
class Mixed final : public DenoiseMethod
{
public:
    Mixed(std::unique_ptr<DenoiseMethod> luminance, std::unique_ptr<DenoiseMethod> colour) : m_luminance(std::move(luminance)), m_colour(std::move(colour)) {}

    int haloPx() const override { return std::max(m_luminance->haloPx(), m_colour->haloPx()) + 1; }
    int bestTilePx() const override { return std::max(m_luminance->bestTilePx(), m_colour->bestTilePx()); }

    void denoiseTile(const TileInput &in, Rect where, const TilePlanes &out, Scratch &scratch) const override
    {
        const Rect wide = where.grownBy(1);
        std::vector<Scratch::Lent> lent;
        const auto run = [&](const DenoiseMethod &method) {
            TilePlanes to;
            for (size_t i = 0; i < in.planeCount(); ++i)
                to[i] = lent.emplace_back(scratch.lend(wide.size())).view();
            method.denoiseTile(in.shrunkBy(haloPx() - 1 - method.haloPx()), wide, to, scratch);
            return to;
        };
        const TilePlanes luminance = run(*m_luminance), colour = run(*m_colour);
        in.isMosaic() ? joinMosaic(luminance[0], colour[0], out[0]) : joinFullColour(luminance, colour, out);
    }

private:
    static void joinMosaic(PlaneView<const float> luminance, PlaneView<const float> colour, PlaneView<float> out)
    {
        for (int y = 0; y < out.height; ++y)
            for (int x = 0; x < out.width; ++x) {
                const auto difference = [&](int v) {
                    const float *l = luminance.row(y + v) + x, *c = colour.row(y + v) + x;
                    return (l[0] - c[0]) + 2 * (l[1] - c[1]) + (l[2] - c[2]);
                };
                out.row(y)[x] = colour.row(y + 1)[x + 1] + (difference(0) + 2 * difference(1) + difference(2)) / 16;
            }
    }

    static void joinFullColour(const TilePlanes &luminance, const TilePlanes &colour, const TilePlanes &out)
    {
        for (int y = 0; y < out[0].height; ++y)
            for (int x = 0; x < out[0].width; ++x) {
                float grey = 0;
                for (size_t i = 0; i < 3; ++i)
                    grey += luminance[i].row(y + 1)[x + 1] - colour[i].row(y + 1)[x + 1];
                for (size_t i = 0; i < 3; ++i)
                    out[i].row(y)[x] = colour[i].row(y + 1)[x + 1] + grey / 3;
            }
    }

    std::unique_ptr<DenoiseMethod> m_luminance, m_colour;
};

} // namespace

std::unique_ptr<DenoiseMethod> makeMethod(const Treatment &treatment)
{
    if (!treatment.isMixed())
        return makeByName(treatment.method, treatment);
    // Each cleans everything, though half of it is thrown away: noise that one left in the other's half would leak through
    // the filter's slope.
    return std::make_unique<Mixed>(makeByName(treatment.method, treatment), makeByName(treatment.colourMethod, treatment));
}

} // namespace irenic
