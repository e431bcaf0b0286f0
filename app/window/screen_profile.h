// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/screen.h"

#include <QAbstractNativeEventFilter>
#include <QObject>

class QWidget;
class QScreen;

namespace irenic {

std::vector<uint8_t> profileOfFile(const QString &file); ///< empty where it cannot be read, or is far too large

/// The profile of the screen that a window is on: by the X Window System's root window (ICC Profiles in X Specification 0.4, _ICC_PROFILE and
/// _ICC_PROFILE_n), by colord where that runs, or from a file that was chosen. Follows the window from screen to screen, and the screens' profiles.
class ScreenProfile : public QObject, public QAbstractNativeEventFilter
{
    Q_OBJECT
public:
    explicit ScreenProfile(QWidget *window);
    ~ScreenProfile() override;

    static constexpr const char *kOfSystem = "system", *kSrgb = "srgb"; ///< in place of a file's name
    /// @param choice kOfSystem, kSrgb, or a file; one that cannot be used says so by problem(), and sRGB stands in
    void choose(const QString &choice);
    const QString &choice() const { return m_choice; }

    const std::shared_ptr<const ScreenTransform> &transform() const { return m_transform; } ///< null: sRGB
    QString words() const;                                                                  ///< which is in use
    QColor shown(const QColor &srgb) const;

    bool nativeEventFilter(const QByteArray &type, void *message, qintptr *result) override;

public slots:
    void look(); ///< for another profile

signals:
    void changed();
    void problem(const QString &words);

protected:
    bool eventFilter(QObject *object, QEvent *event) override;

private:
    void watch();
    std::vector<uint8_t> ofX11(const QScreen *screen);
    static std::vector<uint8_t> ofColord(const QScreen *screen);
    QWidget *m_window;
    QString m_choice = QString::fromLatin1(kOfSystem);
    std::vector<uint8_t> m_profile;
    std::shared_ptr<const ScreenTransform> m_transform;
    quint32 m_atom = 0; ///< of the X property that tells of this screen
    bool m_watching = false;
};

} // namespace irenic
