// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "commands/gesture.h"
#include "session/session.h"

#include <QThreadPool>
#include <QWidget>

class QDoubleSpinBox;
class QLabel;
class QPushButton;
class QSlider;

namespace irenic {

/// How the current frame is rendered, on the wall and in rendered files: white balance, exposure, tones. A DNG knows nothing of it.
class RenderingPanel : public QWidget
{
    Q_OBJECT
public:
    RenderingPanel(Session *session, QWidget *parent = nullptr);
    ~RenderingPanel() override;
    bool isPicking() const;

public slots:
    void pickGrey(QPoint picturePixel); ///< what is there becomes neutral
    void automaticBrightness();
    void setPicking(bool picking);

signals:
    void pickingChanged(bool picking);
    void told(const QString &text); ///< what could not be done

private:
    struct Row {
        const ParamInfo *info;
        double Rendering::*value; ///< null for the two of the white
        QSlider *slider;
        QDoubleSpinBox *field;
        Gesture gesture;
    };
    void addRow(const ParamInfo &info, double Rendering::*value, const char *unit, double step, int decimals);
    double valueOf(const Row &row, const Rendering &rendering, const White &shown) const;
    void set(Row &row, double value);
    void showContents();

    Session *m_session;
    std::vector<Row> m_rows;
    QPushButton *m_asShot, *m_pick, *m_automatic, *m_neutral, *m_alike;
    QLabel *m_words;
    QThreadPool m_pool;
};

} // namespace irenic
