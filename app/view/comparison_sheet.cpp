// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/comparison_sheet.h"

#include <QFontMetrics>
#include <QPainter>

namespace irenic {

namespace {

constexpr int kMarginPx = 18, kGapPx = 10, kPaperPadPx = 7;

QFont sheetFont(int px, QFont::Weight weight)
{
    QFont f(QStringLiteral("Lato"));
    f.setPixelSize(px);
    f.setWeight(weight);
    return f;
}

} // namespace

QImage magnified(const QImage &image, int factor)
{
    return factor <= 1 ? image : image.scaled(image.size() * factor, Qt::IgnoreAspectRatio, Qt::FastTransformation);
}

QImage ComparisonSheet::draw(const Tones &tones) const
{
    const QFont titleFont = sheetFont(19, QFont::DemiBold), captionFont = sheetFont(14, QFont::Normal), smallFont = sheetFont(12, QFont::Normal);
    const QFontMetrics titleWords(titleFont), captionWords(captionFont), smallWords(smallFont);
    int cellWidth = 1, columns = 0;
    std::vector<int> heights;
    int captionLines = 1;
    for (const auto &row : rows) {
        int height = 1;
        for (const Cell &cell : row) {
            cellWidth = std::max(cellWidth, cell.image.width());
            height = std::max(height, cell.image.height());
            captionLines = std::max(captionLines, int(cell.caption.count(u'\n')) + 1);
        }
        columns = std::max(columns, int(row.size()));
        heights.push_back(height);
    }
    const int captionHeight = captionLines * captionWords.lineSpacing() + 2 * kPaperPadPx;
    const int rowNameHeight = rowNames.isEmpty() ? 0 : smallWords.lineSpacing() + 4;
    int height = kMarginPx + titleWords.lineSpacing() + kGapPx;
    for (const int h : heights)
        height += rowNameHeight + h + captionHeight + kGapPx;
    height += smallWords.lineSpacing() + kMarginPx;
    const int width = std::max(2 * kMarginPx + columns * cellWidth + std::max(0, columns - 1) * kGapPx, 2 * kMarginPx + titleWords.horizontalAdvance(title));
    QImage sheet(width, height, QImage::Format_RGB32);
    sheet.fill(tones.wall);
    QPainter p(&sheet);
    p.setPen(tones.wallInk);
    p.setFont(titleFont);
    int y = kMarginPx;
    p.drawText(QRect(kMarginPx, y, width - 2 * kMarginPx, titleWords.lineSpacing()), Qt::AlignVCenter, title);
    y += titleWords.lineSpacing() + kGapPx;
    for (size_t r = 0; r < rows.size(); ++r) {
        if (rowNameHeight > 0) {
            p.setPen(tones.wallInk);
            p.setFont(smallFont);
            p.drawText(QRect(kMarginPx, y, width - 2 * kMarginPx, rowNameHeight), Qt::AlignVCenter, rowNames.value(int(r)));
            y += rowNameHeight;
        }
        for (size_t c = 0; c < rows[r].size(); ++c) {
            const int x = kMarginPx + int(c) * (cellWidth + kGapPx);
            p.drawImage(x, y, rows[r][c].image);
            const QRect paper(x, y + heights[r], cellWidth, captionHeight);
            p.fillRect(paper, tones.paper);
            p.setPen(tones.paperInk);
            p.setFont(captionFont);
            const QRect words = paper.adjusted(kPaperPadPx, kPaperPadPx, -kPaperPadPx, -kPaperPadPx);
            QStringList lines = rows[r][c].caption.split(u'\n');
            for (QString &line : lines)
                line = captionWords.elidedText(line, Qt::ElideRight, words.width());
            p.drawText(words, Qt::AlignTop, lines.join(u'\n'));
        }
        y += heights[r] + captionHeight + kGapPx;
    }
    p.setPen(tones.wallInk);
    p.setFont(smallFont);
    p.drawText(QRect(kMarginPx, y, width - 2 * kMarginPx, smallWords.lineSpacing()), Qt::AlignVCenter, footer);
    return sheet;
}

} // namespace irenic
