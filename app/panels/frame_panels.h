// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/session.h"
#include "view/tones.h"

#include <QWidget>

class QFormLayout;
class QLabel;

namespace irenic {

class Plot;

/// How the samples of the frame spread over brightness.
class HistogramPanel : public QWidget
{
    Q_OBJECT
public:
    HistogramPanel(Session *session, QWidget *parent = nullptr);
    void setTones(const Tones &tones);
    const Plot *plot() const { return m_plot; }

protected:
    void showEvent(QShowEvent *event) override;

private:
    void showContents();

    Session *m_session;
    Plot *m_plot;
    QLabel *m_ends;
    std::weak_ptr<const Frame> m_of; ///< whose it is
};

/// What the file says about the shot, and what was measured of its noise, line by line.
class ShootingPanel : public QWidget
{
    Q_OBJECT
public:
    ShootingPanel(Session *session, QWidget *parent = nullptr);
    QString text() const; ///< as shown, "name: value" a line

private:
    void showContents();

    Session *m_session;
    QFormLayout *m_form;
    QList<std::pair<QString, QString>> m_lines;
};

} // namespace irenic
