// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/session.h"
#include "view/tones.h"

#include <QWidget>

class QButtonGroup;
class QDoubleSpinBox;

namespace irenic {

class FittingLabel;
class MapView;
class ScreenTransform;
class SpotBar;

/// Above the wall: the whole frame with the place that is looked at, the shooting data, magnification and push.
class TopBar : public QWidget
{
    Q_OBJECT
public:
    TopBar(Session *session, QWidget *parent = nullptr);
    void setTones(const Tones &tones);
    void setScreen(std::shared_ptr<const ScreenTransform> screen);
    void setVisibleRegion(const QRect &uprightPixels);
    SpotBar *spotBar() { return m_spots; }

signals:
    void zoomRequested(double zoom);

private:
    void showFrame();

    Session *m_session;
    MapView *m_map;
    SpotBar *m_spots;
    std::shared_ptr<const ScreenTransform> m_screen;
    FittingLabel *m_name, *m_data;
    QButtonGroup *m_zooms;
    QDoubleSpinBox *m_push;
};

} // namespace irenic
