// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "models/roll_model.h"
#include "models/sheet_model.h"
#include "panels/frame_delegate.h"

#include <QTimer>
#include <QWidget>

class QButtonGroup;
class QLabel;
class QLineEdit;
class QListView;
class QMenu;
class QPushButton;
class QToolButton;

namespace irenic {

class ScreenTransform;

/// All frames of the roll as a grid of papers, to sort, narrow down, choose from and act on many at once. What is done here is undone like
/// everything else.
class ContactSheet : public QWidget
{
    Q_OBJECT
public:
    explicit ContactSheet(Session *session, QWidget *parent = nullptr);

    void setTones(const Tones &tones);
    void setScreen(std::shared_ptr<const ScreenTransform> screen);
    QList<int> chosen() const; ///< indexes of the session, in the order of the roll
    void choose(const QList<int> &frames);
    QStringList shownNames() const; ///< in the order in which they hang
    QListView *grid() { return m_grid; }
    QMenu *recipeMenu() { return m_recipes; } ///< to be filled; see recipeWanted()
    void open();                              ///< with the keyboard at the frame on the wall
    QSize minimumSizeHint() const override;   ///< next to nothing while another view is shown, whose window need not be as wide

signals:
    void hangWanted(int index);                    ///< on the wall
    void inView(const QStringList &paths);         ///< came to be, the uppermost first
    void nearnessWanted(const QList<int> &frames); ///< of whose treatment it is not known yet, in the order in which they hang; none where nobody asks for it
    void recipesWanted(QMenu *menu);
    void exportWanted(const QList<int> &frames);
    void cleanWanted(const QList<int> &frames);
    void told(const QString &text);
    void closed();

protected:
    void keyPressEvent(QKeyEvent *event) override;

private:
    QWidget *makeBar();
    QWidget *makeCard();
    void showCounts();
    void tellInView();
    void askNearness();
    void showChosen();
    void chooseSeries();

    Session *m_session;
    RollModel m_roll;
    SheetModel m_model;
    FrameDelegate *m_paper;
    QListView *m_grid;
    int m_toCome = 0;       ///< frames whose nearness is still to be told
    QTimer m_soon, m_still; ///< until figures are shown anew; until what is in view is told
    QWidget *m_card;
    QLabel *m_title, *m_count, *m_summary, *m_from;
    QButtonGroup *m_orders, *m_onlys;
    QToolButton *m_seriesAsOne;
    QLineEdit *m_words;
    QMenu *m_recipes;
    QPushButton *m_suggestions, *m_alike, *m_recipe, *m_spots, *m_rendering, *m_lens, *m_export, *m_clean, *m_off, *m_series, *m_joined, *m_none;
    QAction *m_join;
};

} // namespace irenic
