// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/trial_readings.h"

#include "session/words.h"
#include "view/durations.h"

#include <QLocale>

#include <cmath>

namespace irenic {

namespace {

constexpr double kHaloScale = 0.2; ///< share of an edge's own range

/// Next of 1, 2, 5, 10, ... times `least`.
double roundedUp(double value, double least)
{
    for (double step = least;; step *= 10)
        for (const double times : {1.0, 2.0, 5.0})
            if (value <= step * times)
                return step * times;
}

QString percent(double share)
{
    return QLocale().toString(100 * share, 'f', 0);
}

} // namespace

ReadingScale ReadingScale::over(const std::vector<std::optional<PlaceReadings>> &trials, double seconds)
{
    ReadingScale s;
    double left = 0, lost = 0, doubt = 0, drift = 0, noise = 0, pixels = 0;
    double nearest = 0;
    for (const auto &r : trials) {
        if (!r)
            continue;
        if (r->left)
            left = std::max({left, r->left->luminance, r->left->colour});
        lost = std::max(lost, r->detailLost);
        doubt = std::max(doubt, r->doubt.value_or(0));
        drift = std::max(drift, r->drift);
        noise += r->risk.noise;
        pixels += r->risk.pixels;
        if (r->nearness && r->nearness->errorDb < Nearness::kUnknownDb)
            nearest = std::max(nearest, r->nearness->db);
        if (r->truth)
            nearest = std::max(nearest, r->truth->psnrDb);
    }
    constexpr double kLeastLeft = 0.1, kLeastLost = 0.1, kLeastDrift = 0.5;
    s.left = roundedUp(left, kLeastLeft);
    s.lost = roundedUp(lost, kLeastLost);
    s.doubt = roundedUp(doubt, kLeastLost);
    s.drift = roundedUp(drift, kLeastDrift);
    s.seconds = std::max(seconds, 1e-3);
    if (pixels > 0 && noise > 0)
        s.untreatedDb = std::floor(-10 * std::log10(noise / (3 * pixels)));
    s.nearestDb = std::max(std::ceil(nearest), s.untreatedDb + 1);
    return s;
}

QString TrialReadings::truthWords() const
{
    return place && place->truth ? tr("against the truth: %1 dB, SSIM %2").arg(place->truth->psnrDb, 0, 'f', 1).arg(place->truth->ssim, 0, 'f', 3) : QString();
}

QString TrialReadings::help() const
{
    QString help = tr("Read around the middle of the picture, over %1 x %1 pixels.\nLeft: what remains of grain and of colour noise on smooth parts.\n"
                      "Detail lost: how much picture went with the noise; 0 is none.\n"
                      "Doubt: how much of the detail would be another one with other noise, and may be made up.\nDrift: how far mean colours moved, CIEDE2000.\n"
                      "Nearness: estimated likeness to the same picture without noise, dB; the higher, the nearer.\n"
                      "Truth: likeness to the clean picture, where that hangs as a guest (demo roll).\nTime: of an export of the frame, as expected.\n"
                      "Bars of all strips are on one scale; those of nearness and truth begin at the untreated picture.")
                       .arg(kPlacePx);
    if (place && place->nearness && place->nearness->overLaw > 0)
        help += tr("\nSmooth parts here hold %1 times the noise that the law tells of: nearness is less sure.").arg(std::sqrt(place->nearness->overLaw), 0, 'f', 2);
    if (place && place->nearness && place->nearness->gainsByMix()) {
        const Nearness &n = *place->nearness;
        help += tr("\nLaid over the untreated picture at a mix of %1, this trial would come %2 dB nearer.").arg(n.bestMix, 0, 'f', 2).arg(n.bestDb - n.db, 0, 'f', 1);
    }
    return help;
}

QString TrialReadings::nearnessWords() const
{
    if (!place || !place->nearness)
        return {};
    const Nearness &n = *place->nearness;
    if (n.errorDb >= Nearness::kUnknownDb)
        return tr("nearness: too little is left to tell");
    QString words = tr("nearness %1 \u00b1 %2 dB").arg(n.db, 0, 'f', 1).arg(n.errorDb, 0, 'f', 1);
    if (standing)
        words += QStringLiteral("   ") + standingMark(*standing) + (standing->isNearest ? tr(" nearest") : standing->isLevel() ? tr(" about level")
                                                                                                                               : tr(" behind"));
    return words;
}

QString TrialReadings::line(const Treatment &treatment) const
{
    QString line = tr("%1 / %2").arg(treatment.luminance, 0, 'f', 2).arg(treatment.colour, 0, 'f', 2);
    if (place && place->left)
        line += tr("  left %1 / %2 %").arg(percent(place->left->luminance), percent(place->left->colour));
    if (place)
        line += tr("  lost %1").arg(place->detailLost, 0, 'f', 2);
    if (standing && place && place->nearness && place->nearness->errorDb < Nearness::kUnknownDb)
        line += QStringLiteral("  ") + standingMark(*standing);
    if (place && place->truth)
        line += tr("  true %1 dB").arg(place->truth->psnrDb, 0, 'f', 1);
    return line;
}

QString TrialReadings::sentence() const
{
    if (!place)
        return {};
    const QString left = place->left ? tr("left: grain %1 %, colour %2 %").arg(percent(place->left->luminance), percent(place->left->colour)) : tr("left: nothing smooth here to tell");
    QString words = left + tr("\ndetail lost %1   drift %2").arg(place->detailLost, 0, 'f', 2).arg(place->drift, 0, 'f', 2);
    if (place->doubt)
        words += tr("   doubt %1 %").arg(percent(*place->doubt));
    if (place->halo)
        words += tr("   halos %1 %").arg(100 * *place->halo, 0, 'f', 1);
    if (const QString near = nearnessWords(); !near.isEmpty())
        words += u'\n' + near;
    if (place->truth)
        words += u'\n' + truthWords();
    return words;
}

QList<ReadingBars::Row> TrialReadings::bars(double exportSeconds) const
{
    QList<ReadingBars::Row> rows;
    if (!place)
        return rows;
    const PlaceReadings &r = *place;
    if (r.left)
        rows << ReadingBars::Row{tr("left"), tr("%1 / %2 %").arg(percent(r.left->luminance), percent(r.left->colour)), r.left->luminance / scale.left, r.left->colour / scale.left};
    else
        rows << ReadingBars::Row{tr("left"), tr("nothing smooth (F5: frame)")};
    rows << ReadingBars::Row{tr("lost"), QLocale().toString(r.detailLost, 'f', 2), r.detailLost / scale.lost};
    if (r.doubt)
        rows << ReadingBars::Row{tr("doubt"), tr("%1 %").arg(percent(*r.doubt)), *r.doubt / scale.doubt};
    else
        rows << ReadingBars::Row{tr("doubt"), tr("cannot be told here")};
    rows << ReadingBars::Row{tr("drift"), QLocale().toString(r.drift, 'f', 2), r.drift / scale.drift};
    if (r.halo && scale.hasHalo)
        rows << ReadingBars::Row{tr("halos"), tr("%1 %").arg(100 * *r.halo, 0, 'f', 1), *r.halo / kHaloScale};
    else if (scale.hasHalo)
        rows << ReadingBars::Row{tr("halos"), tr("nothing is sharpened")};
    const double span = scale.nearestDb - scale.untreatedDb;
    if (!r.nearness)
        rows << ReadingBars::Row{tr("nearness"), tr("cannot be told here")};
    else if (r.nearness->errorDb >= Nearness::kUnknownDb)
        rows << ReadingBars::Row{tr("nearness"), tr("too little is left to tell")};
    else {
        QString figure = QLocale().toString(r.nearness->db, 'f', 1);
        if (standing)
            figure += u' ' + standingMark(*standing);
        rows << ReadingBars::Row{tr("nearness"), figure, (r.nearness->db - scale.untreatedDb) / span, {}, r.nearness->errorDb / span, standing && standing->isNearest};
    }
    if (r.truth)
        rows << ReadingBars::Row{tr("truth"), tr("%1 dB").arg(r.truth->psnrDb, 0, 'f', 1), (r.truth->psnrDb - scale.untreatedDb) / span};
    else if (scale.hasTruth)
        rows << ReadingBars::Row{tr("truth"), tr("computing")};
    if (exportSeconds > 0)
        rows << ReadingBars::Row{tr("time"), durationWords(exportSeconds), exportSeconds / scale.seconds};
    return rows;
}

} // namespace irenic
