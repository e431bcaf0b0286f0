// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QColor>
#include <QPalette>

#include <functional>

namespace irenic {

/// The greys of the booth. Every colour near a picture is exactly neutral: colour there falsifies colour judgement.
/// Text on each ground has a contrast of at least 4.5 : 1 (WCAG 2.1, 1.4.3); a test sees to it.
struct Tones {
    enum class Wall {
        Dim,
        Mid,
        Pale,
    };

    QColor wall;    ///< behind the pictures: L* 25, 50 or 75
    QColor wallInk; ///< text on the wall
    QColor chrome;  ///< bars and roll
    QColor chromeInk;
    QColor chromeRaised; ///< buttons and fields in the chrome
    QColor chosen;       ///< ground of what is chosen in the chrome
    QColor chosenInk;
    QColor paper; ///< caption strips
    QColor paperInk;
    QColor paperFaint; ///< secondary words on paper
    QColor paperLine;  ///< tracks and rules on paper; no text
    QColor accent;     ///< focus and progress, away from the pictures

    QColor darkPaper, darkPaperInk, darkPaperFaint, darkPaperLine; ///< of the keeper's strip

    static Tones of(Wall wall);
    /// Each colour in the numbers of a screen, see ScreenTransform.
    Tones mapped(const std::function<QColor(const QColor &)> &screen) const;
    /// The strip of the keeper: dark paper, light ink.
    Tones invertedPaper() const;
    QPalette palette() const;
    QPalette paperPalette() const; ///< of what lies on paper: cards
};

/// WCAG contrast ratio, 1 .. 21.
double contrastOf(const QColor &a, const QColor &b);

} // namespace irenic
