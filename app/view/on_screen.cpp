// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/on_screen.h"

namespace irenic {

QImage onScreen(const QImage &srgb, const ScreenTransform *screen)
{
    if (!screen || srgb.isNull())
        return srgb;
    QImage out = srgb.convertToFormat(QImage::Format_RGB888);
    for (int y = 0; y < out.height(); ++y)
        screen->showEncoded(out.constScanLine(y), out.width(), out.scanLine(y));
    return out.convertToFormat(QImage::Format_RGB32);
}

void OnScreen::setScreen(std::shared_ptr<const ScreenTransform> screen)
{
    m_screen = std::move(screen);
    m_known.clear();
}

QImage OnScreen::of(const QImage &srgb) const
{
    constexpr qsizetype kMostKnown = 256;
    if (!m_screen)
        return srgb;
    if (m_known.size() >= kMostKnown)
        m_known.clear();
    auto known = m_known.find(srgb.cacheKey());
    if (known == m_known.end())
        known = m_known.insert(srgb.cacheKey(), onScreen(srgb, m_screen.get()));
    return *known;
}

} // namespace irenic
