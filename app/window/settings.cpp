// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/settings.h"

#include <QSettings>

namespace irenic {

Settings Settings::load()
{
    const QSettings s;
    Settings out;
    out.wall = Tones::Wall(std::clamp(s.value(QStringLiteral("wall"), int(out.wall)).toInt(), 0, 2));
    out.rollShown = s.value(QStringLiteral("rollShown"), true).toBool();
    out.guideWanted = s.value(QStringLiteral("guideWanted"), true).toBool();
    out.asksCameraBook = s.value(QStringLiteral("cameraBook"), true).toBool();
    out.spotsFollow = s.value(QStringLiteral("spotsFollow"), false).toBool();
    out.screenProfile = s.value(QStringLiteral("screenProfile"), out.screenProfile).toString();
    out.proofProfile = s.value(QStringLiteral("proofProfile")).toString();
    out.proofPaper = s.value(QStringLiteral("proofPaper"), false).toBool();
    out.geometry = s.value(QStringLiteral("geometry")).toByteArray();
    out.docks = s.value(QStringLiteral("docks")).toByteArray();
    out.pinned = s.value(QStringLiteral("pinned")).toStringList();
    out.recent = s.value(QStringLiteral("recent")).toStringList();
    return out;
}

void Settings::save() const
{
    QSettings s;
    s.setValue(QStringLiteral("wall"), int(wall));
    s.setValue(QStringLiteral("rollShown"), rollShown);
    s.setValue(QStringLiteral("guideWanted"), guideWanted);
    s.setValue(QStringLiteral("cameraBook"), asksCameraBook);
    s.setValue(QStringLiteral("spotsFollow"), spotsFollow);
    s.setValue(QStringLiteral("screenProfile"), screenProfile);
    s.setValue(QStringLiteral("proofProfile"), proofProfile);
    s.setValue(QStringLiteral("proofPaper"), proofPaper);
    s.setValue(QStringLiteral("geometry"), geometry);
    s.setValue(QStringLiteral("docks"), docks);
    s.setValue(QStringLiteral("pinned"), pinned);
    s.setValue(QStringLiteral("recent"), recent);
}

} // namespace irenic
