// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QStringList>

namespace irenic {

/// One line of several parts, of which as many are shown as there is room for; the first alone is shortened in the middle.
class FittingLabel : public QLabel
{
public:
    FittingLabel() { setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred); }

    void setParts(const QStringList &parts)
    {
        m_parts = parts;
        fit();
    }

protected:
    void resizeEvent(QResizeEvent *event) override
    {
        QLabel::resizeEvent(event);
        fit();
    }

private:
    void fit()
    {
        QStringList shown = m_parts;
        const auto line = [&] { return shown.join(QStringLiteral("   ")); };
        while (shown.size() > 1 && fontMetrics().horizontalAdvance(line()) > width())
            shown.removeLast();
        setText(fontMetrics().elidedText(line(), Qt::ElideMiddle, width()));
    }

    QStringList m_parts;
};

} // namespace irenic
