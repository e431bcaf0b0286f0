// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "view/tones.h"

#include <QWidget>

class QLabel;
class QPushButton;

namespace irenic {

/// A slip of paper under the wall that says, one thing at a time, what to try, and goes on once that was done. In nobody's way, and gone for good once closed.
class GuideNote : public QWidget
{
    Q_OBJECT
public:
    explicit GuideNote(QWidget *parent = nullptr);
    void setTones(const Tones &tones);
    int step() const { return m_step; }
    static int stepCount();
    QString text() const;
    enum class Tried {
        Untreated,
        Removed,
        Spots,
        Comparison,
        Export,
    };
    void noteTried(Tried what); ///< goes on where that is what it says now

public slots:
    void next(); ///< after the last one it closes

signals:
    void closed();

protected:
    void paintEvent(QPaintEvent *event) override;

private:
    void showStep();

    int m_step = 0;
    QLabel *m_words;
    QPushButton *m_next, *m_close;
    Tones m_tones = Tones::of(Tones::Wall::Mid);
};

} // namespace irenic
