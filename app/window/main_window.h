// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "jobs/export_queue.h"
#include "jobs/frame_measurer.h"
#include "jobs/frame_reader.h"
#include "jobs/nearness_teller.h"
#include "panels/card.h"
#include "panels/strip_view.h"
#include "panels/wall.h"
#include "session/decision_book.h"
#include "session/export_choices.h"
#include "session/recipe_book.h"
#include "session/session_keeper.h"
#include "window/settings.h"

#include <QMainWindow>

class QStackedWidget;
class QToolBar;

namespace irenic {

class Actions;
class BlindView;
class Blink;
class ContactSheet;
class EmptyPage;
class GuestPinning;
class GuideNote;
class HandBack;
class HistogramPanel;
class HoldKeys;
class Loupe;
class QueueOnDesktop;
class QueuePanel;
class ReadingsPanel;
class LensPanel;
class RecipeMenus;
class RegionsPanel;
class RenderingPanel;
class RollPanel;
class ShownNotes;
class OutputProof;
class ScreenProfile;
class StatusLine;
class TopBar;

class MainWindow : public QMainWindow
{
    Q_OBJECT
public:
    explicit MainWindow(QWidget *parent = nullptr);
    ~MainWindow() override;

    Session *session() { return &m_session; }
    Wall *wall() { return m_wall; }
    StripView *stripView() { return m_strip; }
    Loupe *loupe() { return m_loupe; }
    BlindView *blindView() { return m_blind; }
    Blink *blink() { return m_blink; }
    ContactSheet *contactSheet() { return m_sheet; }
    ShownNotes *shownNotes() { return m_notes; }
    ReadingsPanel *readingsPanel() { return m_readings; }
    RollPanel *rollPanel() { return m_roll; }
    RecipeBook *recipes() { return &m_recipes; }
    GuestPinning *guests() { return m_guests; }
    RecipeMenus *recipeMenus() { return m_recipeMenus; }
    DecisionBook *decisions() { return &m_decisions; }
    ExportQueue *exportQueue() { return &m_queue; }
    SessionKeeper *keeper() { return &m_keeper; }
    RenderingPanel *renderingPanel() { return m_rendering; }
    RegionsPanel *regionsPanel() { return m_regions; }
    LensPanel *lensPanel() { return m_lens; }
    QueueOnDesktop *queueOnDesktop() { return m_onDesktop; }
    ScreenProfile *screenProfile() { return m_screen; }
    OutputProof *outputProof() { return m_proof; }
    const Settings &settings() const { return m_settings; }
    Card *card(const char *name) const; ///< "readings", "rendering", "queue", ...

    /// What hangs in the booth.
    enum class View {
        Wall,
        Strip,
        Loupe,
        Blind,
        Sheet,
    };
    View view() const;
    const QList<Card *> &cards() const { return m_cards; }

    /// Opens files and the raw files of folders; what cannot be opened is named in the roll and the status line.
    void open(const QStringList &paths);
    /// The pictures that ship with the application; empty where they were not made.
    static QStringList demoRoll();
    /// Opens a file that another program sent and shows the bar that sends it back, see HandBack. The window's own.
    HandBack *openForHandBack(const QString &file, bool inPlace);

    /// The wall, or the strip where that hangs, as a labelled picture.
    QImage comparisonPicture() const;

signals:
    void viewChanged();

public slots:
    void showView(irenic::MainWindow::View view);
    void openStrip(irenic::StripView::Kind kind);
    void openLoupe();
    void openBlindRound();
    void openSheet();
    void setGuideShown(bool shown); ///< the slip that says what to try
    void chooseOutputSize();
    void writeComparison();
    void startFromOwnTaste();
    void showDecisions();
    void renameSpot(int spot);
    void markSpot();
    void paintRegion(bool erase); ///< with the brush of the regions, whose panel comes up; makes a region where there is none
    void say(const QString &text, const QString &folderToReveal = {});
    void chooseFiles();
    void chooseFolder();
    /// What the window is to begin with, as desktop actions name it: "choose", "quick-clean" (what is open, or chosen then), "empty-queue". Others do nothing.
    void startWith(const QString &action);
    void openDemoRoll();
    void showExportDialog();   ///< of the current frame; on the contact sheet, of those that are chosen
    void quickClean(bool all); ///< the current frame, or every one, each with its suggestion, as the last export was
    void quickClean(const QList<int> &frames);
    void openSession(const QString &file);
    void chooseSession();
    void saveSessionAs();
    void continueLast();
    void takeOff();  ///< the current frame, of the roll
    void findFile(); ///< of the current frame, which is not where the session says
    void showCommands();
    void showPages();
    bool isMeasuringStopped() const { return m_reader.isPaused(); }
    void setMeasuringStopped(bool stopped); ///< of frames that wait
    void setPixelsRead(bool read);          ///< the figures of the pixel under the pointer, in the status line
    void showAbout();
    void setWallGrey(irenic::Tones::Wall wall);
    void setScreenProfile(const QString &choice); ///< see ScreenProfile::choose()
    void chooseScreenProfile();                   ///< a file
    void setSpotsFollow(bool follow);             ///< see Editing
    bool asksCameraBook() const { return m_settings.asksCameraBook; }
    void setAsksCameraBook(bool asks); ///< of frames that are opened from now on
    void setRollShown(bool shown);
    void resetArrangement();
    void moveInRoll(int steps);

protected:
    void showEvent(QShowEvent *event) override;
    void closeEvent(QCloseEvent *event) override;
    void dragEnterEvent(QDragEnterEvent *event) override;
    void dropEvent(QDropEvent *event) override;

private:
    void showSettled();
    void showNotes();
    QString sideWords(Show show) const; ///< with the output that it is about
    void exportThese(const QList<int> &chosen);
    void quickClean(ExportChoices choices);
    void readPixel(QPointF upright, int row);
    void showOnScreen();
    void addCard(const QString &name, const QString &title, QWidget *panel);
    void arrangeTray();
    void bringCardsBack();
    static QString wallHints();
    void readAll(const QStringList &paths);
    void showTitle();
    void lookAtFirstSpot();
    void noteRecent(const QString &path);
    void fillRecentMenu();

    Session m_session;
    FrameReader m_reader;
    PaneRenderer m_renderer;
    ExportQueue m_queue;
    FrameMeasurer m_measurer{m_renderer.cache()};
    NearnessTeller m_nearness;
    RecipeBook m_recipes{RecipeBook::usualFolder()};
    DecisionBook m_decisions{DecisionBook::usualFile()};
    SessionKeeper m_keeper{&m_session, SessionKeeper::usualFolder()};
    GuestPinning *m_guests;
    RecipeMenus *m_recipeMenus;
    Settings m_settings;
    Wall *m_wall;
    RollPanel *m_roll;
    TopBar *m_topBar;
    StripView *m_strip;
    GuideNote *m_guide;
    Loupe *m_loupe;
    BlindView *m_blind;
    Blink *m_blink;
    ContactSheet *m_sheet;
    ShownNotes *m_notes;
    bool m_pixelsRead = false;
    ReadingsPanel *m_readings;
    HistogramPanel *m_histogram;
    RenderingPanel *m_rendering;
    RegionsPanel *m_regions;
    LensPanel *m_lens;
    QueuePanel *m_queuePanel;
    QList<Card *> m_cards;
    bool m_lookAtSpot = false;     ///< once the first frame of the demo roll is there
    QByteArray m_firstArrangement; ///< as they are at the first start
    QStackedWidget *m_pages, *m_views;
    QToolBar *m_rollBar;
    bool m_isUp = false;      ///< shown, with the cards that were there the last time
    QList<Card *> m_setAside; ///< cards that come back when the contact sheet is closed
    Actions *m_actions;
    HoldKeys *m_keys;
    EmptyPage *m_empty;
    StatusLine *m_status;
    ScreenProfile *m_screen;
    OutputProof *m_proof;
    QueueOnDesktop *m_onDesktop;
};

} // namespace irenic
