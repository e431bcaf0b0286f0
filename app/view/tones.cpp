// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/tones.h"

#include <algorithm>
#include <cmath>

namespace irenic {

namespace {

QColor grey(int v)
{
    return {v, v, v};
}

double luminance(const QColor &c)
{
    const auto linear = [](double v) { return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4); };
    return 0.2126 * linear(c.redF()) + 0.7152 * linear(c.greenF()) + 0.0722 * linear(c.blueF());
}

} // namespace

Tones Tones::of(Wall wall)
{
    Tones t;
    t.paper = grey(219);
    t.paperInk = grey(24);
    t.paperFaint = grey(84);
    t.paperLine = grey(132);
    t.darkPaper = grey(30);
    t.darkPaperInk = grey(236);
    t.darkPaperFaint = grey(176);
    t.darkPaperLine = grey(120);
    switch (wall) {
    case Wall::Dim:
        t.wall = grey(59);
        t.wallInk = grey(226);
        t.chrome = grey(74);
        t.chromeInk = grey(232);
        t.chromeRaised = grey(92);
        t.paper = grey(196);
        t.paperFaint = grey(70);
        t.accent = QColor(142, 170, 188);
        break;
    case Wall::Mid:
        t.wall = grey(119);
        t.wallInk = grey(0);
        t.chrome = grey(152);
        t.chromeInk = grey(12);
        t.chromeRaised = grey(172);
        t.accent = QColor(38, 66, 88);
        break;
    case Wall::Pale:
        t.wall = grey(185);
        t.wallInk = grey(16);
        t.chrome = grey(204);
        t.chromeInk = grey(16);
        t.chromeRaised = grey(220);
        t.paper = grey(236);
        t.accent = QColor(38, 66, 88);
        break;
    }
    t.chosen = wall == Wall::Dim ? grey(222) : grey(28);
    t.chosenInk = wall == Wall::Dim ? grey(20) : grey(236);
    return t;
}

Tones Tones::invertedPaper() const
{
    Tones t = *this;
    t.paper = darkPaper;
    t.paperInk = darkPaperInk;
    t.paperFaint = darkPaperFaint;
    t.paperLine = darkPaperLine;
    return t;
}

Tones Tones::mapped(const std::function<QColor(const QColor &)> &screen) const
{
    Tones t = *this;
    for (QColor Tones::*c : {&Tones::wall, &Tones::wallInk, &Tones::chrome, &Tones::chromeInk, &Tones::chromeRaised, &Tones::chosen, &Tones::chosenInk, &Tones::paper, &Tones::paperInk, &Tones::paperFaint,
                             &Tones::paperLine, &Tones::accent, &Tones::darkPaper, &Tones::darkPaperInk, &Tones::darkPaperFaint, &Tones::darkPaperLine})
        t.*c = screen(t.*c);
    return t;
}

QPalette Tones::palette() const
{
    QPalette p;
    p.setColor(QPalette::Window, chrome);
    p.setColor(QPalette::WindowText, chromeInk);
    p.setColor(QPalette::Base, chromeRaised);
    p.setColor(QPalette::AlternateBase, chrome);
    p.setColor(QPalette::Text, chromeInk);
    p.setColor(QPalette::Button, chromeRaised);
    p.setColor(QPalette::ButtonText, chromeInk);
    p.setColor(QPalette::ToolTipBase, paper);
    p.setColor(QPalette::ToolTipText, paperInk);
    p.setColor(QPalette::Highlight, chosen);
    p.setColor(QPalette::HighlightedText, chosenInk);
    p.setColor(QPalette::PlaceholderText, chromeInk);
    p.setColor(QPalette::Link, accent);
    p.setColor(QPalette::Light, chrome.lighter(115));
    p.setColor(QPalette::Midlight, chrome.lighter(107));
    p.setColor(QPalette::Mid, chrome.darker(118));
    p.setColor(QPalette::Dark, chrome.darker(135));
    p.setColor(QPalette::Shadow, chrome.darker(190));
    QColor off = chromeInk;
    off.setAlphaF(0.45f);
    for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
        p.setColor(QPalette::Disabled, role, off);
    return p;
}

QPalette Tones::paperPalette() const
{
    QPalette p = palette();
    for (const auto role : {QPalette::Window, QPalette::Base, QPalette::AlternateBase, QPalette::Button})
        p.setColor(role, paper);
    for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText, QPalette::Highlight}) {
        p.setColor(role, paperInk);
        p.setColor(QPalette::Disabled, role, paperLine);
    }
    p.setColor(QPalette::HighlightedText, paper);
    p.setColor(QPalette::PlaceholderText, paperFaint);
    for (const auto role : {QPalette::Mid, QPalette::Dark})
        p.setColor(role, paperLine);
    p.setColor(QPalette::Link, paperInk); // no tint beside a picture, focus included
    return p;
}

double contrastOf(const QColor &a, const QColor &b)
{
    const double la = luminance(a), lb = luminance(b);
    return (std::max(la, lb) + 0.05) / (std::min(la, lb) + 0.05);
}

} // namespace irenic
