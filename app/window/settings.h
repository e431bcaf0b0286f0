// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "view/tones.h"

#include <QByteArray>
#include <QStringList>

namespace irenic {

/// What the window remembers between runs. Exports remember theirs in ExportChoices, sessions in SessionKeeper.
struct Settings {
    Tones::Wall wall = Tones::Wall::Mid;
    bool rollShown = true;
    bool guideWanted = true;                          ///< with the demo roll, until it is closed
    bool spotsFollow = false;                         ///< the series
    bool asksCameraBook = true;                       ///< and lets it learn
    QString screenProfile = QStringLiteral("system"); ///< see ScreenProfile::choose()
    QString proofProfile;                             ///< file of the output's profile; sRGB where empty
    bool proofPaper = false;                          ///< with the white of its paper
    QByteArray geometry;
    QByteArray docks;   ///< where the cards are
    QStringList pinned; ///< names of cards
    QStringList recent; ///< files, the latest first; at most kMaxRecent

    static constexpr int kMaxRecent = 10;
    static Settings load();
    void save() const;
};

} // namespace irenic
