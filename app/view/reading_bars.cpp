// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/reading_bars.h"

#include <QFontMetricsF>
#include <QPainter>

namespace irenic {

namespace {

constexpr double kBarPx = 5, kSecondPx = 3;
constexpr int kLeadingPx = 2;
constexpr double kFontScale = 0.92;

QFont smaller(QFont font)
{
    font.setPointSizeF(font.pointSizeF() * kFontScale);
    return font;
}

} // namespace

ReadingBars::ReadingBars(QWidget *parent) : QWidget(parent)
{
    setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
}

void ReadingBars::setTones(const Tones &tones)
{
    m_tones = tones;
    update();
}

void ReadingBars::setRows(const QList<Row> &rows)
{
    if (rows == m_rows)
        return;
    const bool resized = rows.size() != m_rows.size();
    m_rows = rows;
    QStringList words;
    for (const Row &row : rows)
        words << row.label + u' ' + row.figure;
    setAccessibleName(words.join(QStringLiteral(", ")));
    if (resized)
        updateGeometry();
    update();
}

int ReadingBars::rowPx(const QWidget *like)
{
    return QFontMetrics(smaller(like->font())).height() + kLeadingPx;
}

QSize ReadingBars::sizeHint() const
{
    return {180, int(m_rows.size()) * rowPx(this)};
}

void ReadingBars::paintEvent(QPaintEvent *)
{
    QPainter p(this);
    const int rowHeight = rowPx(this);
    QFont plain = smaller(font()), bold = plain;
    bold.setWeight(QFont::Bold);
    const QFontMetricsF wide(bold);
    double labels = 0, figures = 0;
    for (const Row &row : m_rows) {
        labels = std::max(labels, wide.horizontalAdvance(row.label));
        if (row.length)
            figures = std::max(figures, wide.horizontalAdvance(row.figure));
    }
    constexpr double kGapPx = 8;
    // Where a language runs from the right, so do the bars; the painter turns the words' own alignment about.
    const auto seen = [&](const QRectF &r) { return isRightToLeft() ? QRectF(width() - r.right(), r.y(), r.width(), r.height()) : r; };
    const double from = labels + kGapPx, room = std::max(0.0, width() - from - figures - kGapPx);
    double top = 0;
    for (const Row &row : m_rows) {
        p.setFont(row.isBest ? bold : plain);
        p.setPen(m_tones.paperInk);
        p.drawText(seen(QRectF(0, top, labels + 1, rowHeight)), Qt::AlignLeft | Qt::AlignVCenter, row.label);
        if (!row.length) {
            p.setPen(m_tones.paperFaint);
            p.drawText(seen(QRectF(from, top, width() - from, rowHeight)), Qt::AlignLeft | Qt::AlignVCenter, wide.elidedText(row.figure, Qt::ElideRight, width() - from));
            top += rowHeight;
            continue;
        }
        p.drawText(seen(QRectF(from, top, width() - from, rowHeight)), Qt::AlignRight | Qt::AlignVCenter, row.figure);
        const double middle = top + rowHeight / 2.0, length = room * std::clamp(*row.length, 0.0, 1.0);
        const double high = row.second ? middle - (kBarPx + kSecondPx + 1) / 2 : middle - kBarPx / 2;
        p.fillRect(seen(QRectF(from, std::round(high), std::max(1.0, std::round(length)), kBarPx)), m_tones.paperInk);
        if (row.second) { // striped, as the roll draws colour noise
            const double y = std::round(high) + kBarPx + 1, end = from + std::max(2.0, std::round(room * std::clamp(*row.second, 0.0, 1.0)));
            for (double x = from; x < end; x += 4)
                p.fillRect(seen(QRectF(x, y, std::min(2.0, end - x), kSecondPx)), m_tones.paperInk);
        }
        if (row.error > 0) {
            const double least = from + room * std::clamp(*row.length - row.error, 0.0, 1.0), most = from + room * std::clamp(*row.length + row.error, 0.0, 1.0);
            p.setPen(m_tones.paperFaint);
            const double y = std::round(high + kBarPx) + 1.5;
            const QRectF line = seen(QRectF(least, y, most - least, 0));
            p.drawLine(line.topLeft(), line.topRight());
        }
        top += rowHeight;
    }
}

} // namespace irenic
