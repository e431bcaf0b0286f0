// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/screen.h"

#include <QHash>
#include <QImage>

namespace irenic {

/// A small sRGB picture as a screen must get it; the picture itself where there is no transform.
QImage onScreen(const QImage &srgb, const ScreenTransform *screen);

/// Small pictures that are painted again and again, each turned into the screen's numbers once.
class OnScreen
{
public:
    void setScreen(std::shared_ptr<const ScreenTransform> screen);
    QImage of(const QImage &srgb) const;

private:
    std::shared_ptr<const ScreenTransform> m_screen;
    mutable QHash<qint64, QImage> m_known; ///< by the picture's cacheKey()
};

} // namespace irenic
