// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/session.h"

#include <QThreadPool>
#include <QWidget>

#include <functional>
#include <stop_token>

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;

namespace irenic {

class AmountRow;

/// What the lens did to the current frame, and what of it is undone: by a profile, as measured, or by hand.
class LensPanel : public QWidget
{
    Q_OBJECT
public:
    explicit LensPanel(Session *session, QWidget *parent = nullptr);
    ~LensPanel() override;
    bool isMeasuring() const { return m_measuring; }

public slots:
    void measure(); ///< lateral aberration, off the window's thread

signals:
    void told(const QString &text);
    void measured();

private:
    void showContents();
    void findProfiles();
    void useProfile(int index);
    void set(const QString &words, const std::function<void(LensCorrection &)> &edit, int dragId = 0);

    Session *m_session;
    QThreadPool m_pool;
    std::stop_source m_stop;
    bool m_measuring = false, m_filling = false;
    QString m_frame;
    std::vector<LensProfile> m_profiles;
    QLineEdit *m_name;
    QComboBox *m_profile, *m_shape;
    QCheckBox *m_lateral, *m_vignetting, *m_distortion;
    AmountRow *m_red, *m_blue, *m_falloff, *m_bend, *m_fringes;
    QPushButton *m_measure, *m_off;
    QLabel *m_from;
};

} // namespace irenic
