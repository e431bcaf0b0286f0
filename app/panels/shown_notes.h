// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "view/tones.h"

#include <QWidget>

#include <functional>

class QHBoxLayout;

namespace irenic {

/// A line that says what makes the pictures look other than the frame is, each with a way off. Not there while nothing does.
class ShownNotes : public QWidget
{
    Q_OBJECT
public:
    struct Note {
        QString words;
        std::function<void()> off;
        QString more{}; ///< a further button, where there is one
        std::function<void()> onMore{};
    };
    explicit ShownNotes(QWidget *parent = nullptr);
    void setTones(const Tones &tones);
    void setNotes(const std::vector<Note> &notes);
    QStringList words() const { return m_words; }

private:
    void applyTones();

    QHBoxLayout *m_row;
    Tones m_tones = Tones::of(Tones::Wall::Mid);
    QStringList m_words, m_buttons;
};

} // namespace irenic
