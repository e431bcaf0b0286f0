// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "view/tones.h"

#include <QWidget>

class QPushButton;

namespace irenic {

/// What there is to see while no frame is open: what to do, and how to begin.
class EmptyPage : public QWidget
{
    Q_OBJECT
public:
    explicit EmptyPage(QWidget *parent = nullptr);

    void setLastSession(const QString &file); ///< that can be gone on with; empty for none
    void setDemoOffered(bool offered);
    void setTones(const Tones &tones);

signals:
    void filesWanted();
    void folderWanted();
    void lastSessionWanted();
    void demoWanted();

private:
    QPushButton *m_continue, *m_demo;
};

} // namespace irenic
