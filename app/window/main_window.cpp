// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/main_window.h"

#include "irenic/read_frame.h"
#include "jobs/images.h"
#include "panels/blind_view.h"
#include "panels/blink.h"
#include "panels/contact_sheet.h"
#include "panels/decisions_dialog.h"
#include "panels/empty_page.h"
#include "panels/export_dialog.h"
#include "panels/frame_panels.h"
#include "panels/guide_note.h"
#include "panels/lens_panel.h"
#include "panels/loupe.h"
#include "panels/output_size_dialog.h"
#include "panels/pixel_words.h"
#include "panels/queue_panel.h"
#include "panels/readings_panel.h"
#include "panels/regions_panel.h"
#include "panels/rendering_panel.h"
#include "panels/roll_panel.h"
#include "panels/shown_notes.h"
#include "panels/spot_bar.h"
#include "panels/status_line.h"
#include "panels/top_bar.h"
#include "session/paths.h"
#include "view/comparison_sheet.h"
#include "view/durations.h"
#include "window/actions.h"
#include "window/command_search.h"
#include "window/guest_pinning.h"
#include "window/hand_back.h"
#include "window/help_pages.h"
#include "window/hold_keys.h"
#include "window/output_proof.h"
#include "window/pointer_menus.h"
#include "window/queue_on_desktop.h"
#include "window/recipe_menus.h"
#include "window/screen_profile.h"

#include <QApplication>
#include <QCloseEvent>
#include <QDir>
#include <QDropEvent>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QLineEdit>
#include <QMenu>
#include <QMenuBar>
#include <QMessageBox>
#include <QMimeData>
#include <QSettings>
#include <QStackedWidget>
#include <QStandardPaths>
#include <QToolBar>
#include <QUndoView>
#include <QUrl>

namespace irenic {

namespace {

constexpr int kArrangement = 2; ///< of tray and roll; what an earlier window wrote is passed over

} // namespace

MainWindow::MainWindow(QWidget *parent) : QMainWindow(parent), m_settings(Settings::load())
{
    setWindowTitle(tr("Irenic"));
    setAcceptDrops(true);
    m_queue.setSeen(m_renderer.cache());
    m_guests = new GuestPinning(&m_session, this);
    m_recipeMenus = new RecipeMenus(&m_recipes, &m_session, this);
    m_wall = new Wall(&m_session, &m_renderer);
    m_strip = new StripView(&m_session, &m_renderer);
    m_loupe = new Loupe(&m_session, &m_renderer);
    m_blind = new BlindView(&m_session, &m_renderer);
    m_blink = new Blink(m_wall, this);
    m_sheet = new ContactSheet(&m_session);
    m_views = new QStackedWidget;
    for (QWidget *view : {static_cast<QWidget *>(m_wall), static_cast<QWidget *>(m_strip), static_cast<QWidget *>(m_loupe), static_cast<QWidget *>(m_blind), static_cast<QWidget *>(m_sheet)})
        m_views->addWidget(view);
    m_topBar = new TopBar(&m_session);
    m_roll = new RollPanel(&m_session);
    m_pages = new QStackedWidget;
    m_empty = new EmptyPage;
    m_empty->setLastSession(m_keeper.last());
    m_empty->setDemoOffered(!demoRoll().isEmpty());
    connect(m_empty, &EmptyPage::filesWanted, this, &MainWindow::chooseFiles);
    connect(m_empty, &EmptyPage::folderWanted, this, &MainWindow::chooseFolder);
    connect(m_empty, &EmptyPage::lastSessionWanted, this, &MainWindow::continueLast);
    connect(m_empty, &EmptyPage::demoWanted, this, &MainWindow::openDemoRoll);
    m_pages->addWidget(m_empty);
    auto *booth = new QWidget;
    auto *column = new QVBoxLayout(booth);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(m_topBar);
    column->addWidget(m_views, 1);
    m_guide = new GuideNote;
    m_guide->hide();
    column->addWidget(m_guide);
    m_pages->addWidget(booth);
    setCentralWidget(m_pages);
    // Roll, tray of cards, wall: from the outside to the inside.
    m_rollBar = new QToolBar(tr("Roll"));
    m_rollBar->setObjectName(QStringLiteral("rollBar"));
    m_rollBar->setMovable(false);
    m_rollBar->setContextMenuPolicy(Qt::PreventContextMenu);
    m_rollBar->layout()->setContentsMargins(0, 0, 0, 0);
    m_rollBar->layout()->setSpacing(0);
    m_rollBar->addWidget(m_roll);
    addToolBar(Qt::LeftToolBarArea, m_rollBar);

    setDockNestingEnabled(true);
    setContextMenuPolicy(Qt::PreventContextMenu); // cards have keys and a menu of their own
    m_readings = new ReadingsPanel(&m_session, &m_measurer);
    m_histogram = new HistogramPanel(&m_session);
    auto *history = new QUndoView(m_session.editing().undoStack());
    history->setEmptyLabel(tr("as it was opened"));
    m_rendering = new RenderingPanel(&m_session);
    m_queuePanel = new QueuePanel(&m_queue);
    addCard(QStringLiteral("readings"), tr("Readings"), m_readings);
    addCard(QStringLiteral("histogram"), tr("Histogram"), m_histogram);
    addCard(QStringLiteral("shooting"), tr("Shooting data"), new ShootingPanel(&m_session));
    addCard(QStringLiteral("history"), tr("History"), history);
    addCard(QStringLiteral("rendering"), tr("Rendering"), m_rendering);
    addCard(QStringLiteral("queue"), tr("Queue"), m_queuePanel);
    m_regions = new RegionsPanel(&m_session, m_wall);
    m_lens = new LensPanel(&m_session);
    addCard(QStringLiteral("regions"), tr("Regions"), m_regions);
    addCard(QStringLiteral("lens"), tr("Lens"), m_lens);

    m_actions = new Actions(this, &m_session, m_wall);
    for (const Actions::Menu &menu : m_actions->menus()) {
        QMenu *m = menuBar()->addMenu(menu.title);
        for (QAction *a : menu.actions) {
            if (a)
                m->addAction(a);
            else
                m->addSeparator();
        }
    }
    m_status = new StatusLine(&m_queue);
    setStatusBar(m_status);
    m_notes = new ShownNotes;
    m_status->setNotes(m_notes);
    fillRecentMenu();

    connect(&m_reader, &FrameReader::glimpsed, &m_session.roll(), &Roll::setGlimpsed);
    connect(m_sheet, &ContactSheet::inView, &m_reader, &FrameReader::prefer);
    connect(m_sheet, &ContactSheet::nearnessWanted, this, [this](const QList<int> &frames) {
        std::list<NearnessTeller::Subject> subjects;
        for (const int i : frames) {
            const RollFrame &f = m_session.roll().frame(i);
            subjects.push_back({f.path, f.state == RollFrame::State::Ready ? f.frame : nullptr, f.noise, f.leavesWith(), f.regions});
        }
        m_nearness.want(std::move(subjects));
    });
    connect(&m_nearness, &NearnessTeller::told, &m_session.roll(), &Roll::setNearness);
    connect(&m_session.viewing(), &Viewing::currentChanged, this, [this] {
        if (const RollFrame *f = m_session.viewing().currentFrame(); f && f->state == RollFrame::State::Reading)
            m_reader.prefer({f->path});
    });
    connect(&m_reader, &FrameReader::opened, &m_session.roll(), &Roll::setOpened);
    connect(&m_reader, &FrameReader::finished, this, [this](const QString &path, auto frame, auto noise, const QImage &thumbnail, const auto &spots) {
        m_session.roll().setReadingDone(path, frame, noise, thumbnail, spots);
        noteRecent(path);
        lookAtFirstSpot();
        if (!frame->warnings.empty())
            say(QString::fromStdString(textOf(frame->file.filename()) + ": " + frame->warnings.front()));
    });
    connect(&m_renderer, &PaneRenderer::failed, this, [this](const QString &problem) { say(problem); });
    connect(&m_reader, &FrameReader::woken, &m_session.roll(), &Roll::setAwake);
    connect(&m_decisions, &DecisionBook::changed, this, [this] { m_session.roll().setDecisions(m_decisions.decisions()); });
    m_session.roll().setDecisions(m_decisions.decisions());
    connect(&m_session.roll(), &Roll::pixelsWanted, &m_reader, &FrameReader::wake);
    connect(&m_session, &Session::restored, this, [this] {
        m_lookAtSpot = false;
        m_pages->setCurrentIndex(0);
    });
    connect(&m_keeper, &SessionKeeper::failed, this, [this](const QString &problem) { say(problem); });
    connect(&m_keeper, &SessionKeeper::opened, this, [this](bool copy) {
        showTitle();
        say(copy ? tr("That session is open in another window. This is a copy, kept by itself.") : tr("Everything is as it was left."));
    });
    connect(m_rendering, &RenderingPanel::pickingChanged, m_wall, [this](bool on) {
        if (on)
            m_wall->claimTool({m_rendering, PaneTool::Pick}, true);
        else
            m_wall->leaveTool(m_rendering);
    });
    connect(m_wall, &Wall::toolChanged, m_rendering, [this] {
        if (m_rendering->isPicking() && !m_wall->hasTool(m_rendering)) // another was asked for
            m_rendering->setPicking(false);
    });
    connect(m_wall, &Wall::placePicked, m_rendering, [this](QPoint at, const void *owner) {
        if (owner == m_rendering)
            m_rendering->pickGrey(at);
    });
    connect(m_rendering, &RenderingPanel::told, this, [this](const QString &text) { say(text); });
    connect(m_regions, &RegionsPanel::told, this, [this](const QString &text) { say(text); });
    connect(m_lens, &LensPanel::told, this, [this](const QString &text) { say(text); });
    connect(m_queuePanel, &QueuePanel::told, this, [this](const QString &text) { say(text); });
    connect(m_queuePanel, &QueuePanel::guestWanted, this, [this](const QString &source, const QString &file) {
        const int index = m_session.roll().indexOf(source);
        if (index < 0)
            return say(tr("%1 is not open; open it, and pin the file as a guest there.").arg(QFileInfo(source).fileName()));
        m_session.viewing().setCurrent(index);
        m_guests->want(source, file);
    });
    connect(&m_reader, &FrameReader::failed, this, [this](const QString &path, const QString &problem) {
        m_session.roll().setReadingFailed(path, problem);
        say(problem);
    });
    connect(&m_session.roll(), &Roll::framesAdded, this, [this] {
        m_pages->setCurrentIndex(1);
        if (view() == View::Wall && m_rollBar->isVisible())
            m_roll->setFocus(); // not a button, which would have the keys that are held
        say(wallHints());
    });
    connect(&m_session.roll(), &Roll::frameChanged, this, [this] {
        if (view() == View::Sheet)
            showSettled();
    });
    connect(&m_session.roll(), &Roll::rollChanged, this, [this] {
        m_pages->setCurrentIndex(m_session.roll().count() > 0);
        if (m_session.roll().count() == 0 && view() == View::Sheet)
            showView(View::Wall);
    });
    connect(&m_session.roll(), &Roll::readingWanted, &m_reader, &FrameReader::read);
    connect(m_topBar, &TopBar::zoomRequested, m_wall, &Wall::zoomTo);
    connect(m_wall, &Wall::visibleRegionChanged, this, [this] { m_topBar->setVisibleRegion(m_wall->visibleRegion()); });
    connect(m_wall, &Wall::settledChanged, this, &MainWindow::showSettled);
    connect(m_wall, &Wall::spotMarked, this, [this](QPoint at) { m_session.viewing().goToSpot(m_session.editing().addSpot(at)); });
    auto *menus = new PointerMenus(this, m_actions);
    connect(m_wall, &Wall::paneMenuRequested, menus, &PointerMenus::showForPane);
    connect(m_wall, &Wall::stripMenuRequested, menus, &PointerMenus::showForStrip);
    connect(m_roll, &RollPanel::menuRequested, menus, &PointerMenus::showForFrame);
    connect(m_topBar->spotBar(), &SpotBar::markRequested, this, &MainWindow::markSpot);
    connect(m_topBar->spotBar(), &SpotBar::spotMenuRequested, menus, &PointerMenus::showForSpot);
    connect(m_strip, &StripView::settledChanged, this, &MainWindow::showSettled);
    connect(m_loupe, &Loupe::settledChanged, this, &MainWindow::showSettled);
    const auto toWall = [this] { showView(View::Wall); };
    connect(m_guide, &GuideNote::closed, this, [this] { setGuideShown(false); });
    connect(&m_session.viewing(), &Viewing::viewportChanged, this, [this] {
        if (m_session.viewing().spotAt(m_session.viewing().row()) >= 0)
            m_guide->noteTried(GuideNote::Tried::Spots);
    });
    connect(&m_queue, &ExportQueue::exported, this, [this] { m_guide->noteTried(GuideNote::Tried::Export); });
    connect(m_strip, &StripView::closed, this, toWall);
    connect(m_loupe, &Loupe::closed, this, toWall);
    connect(m_blind, &BlindView::closed, this, toWall);
    connect(m_sheet, &ContactSheet::closed, this, toWall);
    connect(m_sheet, &ContactSheet::hangWanted, this, [this](int index) {
        m_session.viewing().setCurrent(index);
        showView(View::Wall);
    });
    connect(m_sheet, &ContactSheet::told, this, [this](const QString &text) { say(text); });
    connect(m_sheet, &ContactSheet::exportWanted, this, &MainWindow::exportThese);
    connect(m_sheet, &ContactSheet::cleanWanted, this, qOverload<const QList<int> &>(&MainWindow::quickClean));
    connect(m_sheet, &ContactSheet::recipesWanted, this, [this](QMenu *menu) { m_recipeMenus->fillFor(menu, [this] { return m_sheet->chosen(); }); });
    connect(m_guests, &GuestPinning::told, this, [this](const QString &text) { say(text); });
    connect(m_recipeMenus, &RecipeMenus::told, this, [this](const QString &text) { say(text); });
    m_onDesktop = new QueueOnDesktop(&m_queue, this);
    connect(&m_queue, &ExportQueue::changed, this, [this] { m_wall->setPace(m_queue.ratio()); });
    connect(&m_queue, &ExportQueue::exported, this, [this](const QString &source, const QString &file, double) {
        m_session.roll().noteExported(source, file);
        say(tr("Written and verified: %1").arg(QFileInfo(file).fileName()), QFileInfo(file).absolutePath());
    });
    connect(&m_queue, &ExportQueue::leftOut, this, [this](const QString &source, const QString &file, const QString &why) {
        m_session.roll().noteExported(source, file);
        say(tr("Left out %1: %2.").arg(QFileInfo(file).fileName(), why), QFileInfo(file).absolutePath());
    });
    connect(&m_queue, &ExportQueue::failed, this, [this](const QString &, const QString &problem) { say(problem); });
    connect(&m_queue, &ExportQueue::keepingFailed, this, [this](const QString &problem) { say(problem); });
    connect(&m_queue, &ExportQueue::finished, this, [this] {
        const int done = m_queue.count(QueuedJob::State::Done), failed = m_queue.count(QueuedJob::State::Failed);
        if (done + failed > 1)
            say(failed == 0 ? tr("The queue is done: %n files written and verified. The Queue card (F12) tells of each.", nullptr, done)
                            : tr("The queue is done: %1 written and verified, %2 failed. The Queue card (F12) tells of each.").arg(done).arg(failed),
                m_status->folderToReveal());
    });
    connect(m_wall, &Wall::pointedAt, this, &MainWindow::readPixel);
    connect(m_wall, &Wall::pointedAway, this, [this] { setPixelsRead(m_pixelsRead); });
    connect(m_blink, &Blink::changed, this, &MainWindow::showNotes);
    connect(m_wall, &Wall::shownChanged, this, &MainWindow::showNotes);
    connect(m_regions, &RegionsPanel::maskShownChanged, this, &MainWindow::showNotes);
    connect(m_actions->untreatedToggle, &QAction::toggled, this, &MainWindow::showNotes);
    connect(&m_session.viewing(), &Viewing::lookChanged, this, &MainWindow::showNotes);
    connect(&m_session.roll(), &Roll::choicesChanged, this, &MainWindow::showNotes);
    connect(&m_session.viewing(), &Viewing::currentChanged, this, &MainWindow::showNotes);
    m_keys = new HoldKeys(this, m_actions->untreatedToggle);
    connect(m_keys, &HoldKeys::wasHeld, this, [this](int key) {
        if (key == Qt::Key_Space || key == Qt::Key_R)
            m_guide->noteTried(key == Qt::Key_R ? GuideNote::Tried::Removed : GuideNote::Tried::Untreated);
    });
    m_screen = new ScreenProfile(this);
    connect(m_screen, &ScreenProfile::problem, this, [this](const QString &words) { say(words); });
    connect(m_screen, &ScreenProfile::changed, this, &MainWindow::showOnScreen);
    m_screen->choose(m_settings.screenProfile);
    m_status->setScreen(m_screen->words());
    m_proof = new OutputProof(&m_session.viewing(), &m_settings, this);
    connect(m_proof, &OutputProof::problem, this, [this](const QString &words) { say(words); });
    connect(m_proof, &OutputProof::changed, this, [this] {
        m_actions->showOutputChoice(*m_proof);
        showNotes();
    });
    m_actions->showOutputChoice(*m_proof);
    setWallGrey(m_settings.wall);
    setAsksCameraBook(m_settings.asksCameraBook);
    m_session.editing().setSpotsFollow(m_settings.spotsFollow);
    setRollShown(m_settings.rollShown);
    resize(1280, 800);
    m_firstArrangement = saveState(kArrangement);
    restoreGeometry(m_settings.geometry);
    for (Card *card : m_cards)
        card->setPinned(m_settings.pinned.contains(card->objectName()));
    restoreState(m_settings.docks, kArrangement);
    arrangeTray();
    const int unfinished = m_queue.keepIn(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation));
    if (unfinished > 0) {
        card("queue")->bringUp();
        say(unfinished == 1 ? tr("One export was not finished the last time. Resume it in the Queue, or cancel it there.") : tr("%n exports were not finished the last time. Resume them in the Queue, or cancel them there.", nullptr, unfinished));
    }
}

Card *MainWindow::card(const char *name) const
{
    return *std::find_if(m_cards.begin(), m_cards.end(), [name](const Card *d) { return d->objectName() == QLatin1String(name); });
}

void MainWindow::paintRegion(bool erase)
{
    const bool wasShown = card("regions")->isVisible();
    card("regions")->bringUp();
    if (m_regions->region() < 0) {
        m_regions->addRegion(MaskPart::Kind::Painted);
        return;
    }
    const bool painting = m_wall->tool() == PaneTool::Brush;
    m_regions->tool()->setPainting(!wasShown || !painting || erase, erase);
}

void MainWindow::addCard(const QString &name, const QString &title, QWidget *panel)
{
    auto *card = new Card(name, title, panel);
    card->resize(card->wantedPx(), card->sizeHint().height()); // since Qt 6.8 the size of one that was never shown counts, which would be 640 pixels wide
    addDockWidget(Qt::LeftDockWidgetArea, card);
    card->hide(); // what is not asked for stays away
    m_cards << card;
    // One card at a time beside the wall, but for those that are pinned.
    connect(card, &Card::cameUp, this, [this, card] {
        if (!m_isUp)
            return;
        for (Card *other : m_cards)
            if (other != card && !card->isFloating() && other->isInTray() && !other->isPinned())
                other->hide();
        resizeDocks({card}, {card->wantedPx()}, Qt::Horizontal);
    });
    connect(card, &Card::trayChanged, this, &MainWindow::arrangeTray);
}

QString MainWindow::wallHints()
{
    return tr("hold Space: untreated     T: test strip     W: loupe     Y: blind round     K: keep     Ctrl+E: export     F1: all keys");
}

/// With a card beside the wall, the roll folds to a line of thumbnails.
void MainWindow::arrangeTray()
{
    m_roll->setNarrow(std::any_of(m_cards.begin(), m_cards.end(), [](const Card *card) { return card->isInTray(); }));
}

MainWindow::View MainWindow::view() const
{
    return View(m_views->currentIndex());
}

void MainWindow::showView(View view)
{
    m_keys->letGo();
    if (view == View::Wall && this->view() == View::Sheet)
        say(wallHints());
    if (view == View::Wall && (this->view() == View::Strip || this->view() == View::Blind))
        m_guide->noteTried(GuideNote::Tried::Comparison);
    m_views->setCurrentIndex(int(view));
    m_views->currentWidget()->setFocus();
    m_topBar->setVisible(view != View::Blind && view != View::Sheet); // it would show spots and places, but no names; the round wants quiet
    m_rollBar->setVisible(m_settings.rollShown && view != View::Sheet);
    if (view != View::Sheet)
        bringCardsBack();
    if (view != View::Wall) {
        m_blink->stop();
        m_wall->setDifference(std::nullopt);
    }
    emit viewChanged();
    showSettled();
    showNotes();
}

void MainWindow::openStrip(StripView::Kind kind)
{
    if (!m_session.viewing().readyFrame())
        return;
    if (m_session.viewing().viewport().zoom == 0) // a strip of whole frames shows nothing of noise
        m_session.viewing().setViewport({1, m_session.viewing().viewport().centre});
    showView(View::Strip);
    m_strip->open(kind);
}

void MainWindow::openLoupe()
{
    if (!m_session.viewing().readyFrame())
        return;
    showView(View::Loupe);
    m_loupe->open();
}

void MainWindow::openBlindRound()
{
    if (!m_session.viewing().readyFrame())
        return;
    m_blind->open();
    showView(View::Blind);
}

void MainWindow::openSheet()
{
    if (m_session.roll().count() == 0)
        return;
    for (Card *card : m_cards)
        if (card->isInTray())
            m_setAside << card;
    for (Card *card : m_setAside) // the sheet has a card of its own
        card->hide();
    showView(View::Sheet);
    m_sheet->open();
    say(tr("Enter: to the wall     Shift and Ctrl: choose several     Ctrl+E: export them"));
}

/// That the contact sheet set aside.
void MainWindow::bringCardsBack()
{
    for (Card *card : std::exchange(m_setAside, {}))
        card->show();
}

void MainWindow::chooseOutputSize()
{
    const RollFrame *f = m_session.viewing().readyFrame();
    if (!f)
        return;
    auto *dialog = new OutputSizeDialog(f->pictureSize(), this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    connect(dialog, &QDialog::accepted, this, [this, dialog] { m_session.viewing().setViewport({dialog->zoom(), m_session.viewing().viewport().centre}); });
    dialog->open();
}

QImage MainWindow::comparisonPicture() const
{
    const RollFrame *f = m_session.viewing().currentFrame();
    ComparisonSheet sheet;
    const double zoom = m_session.viewing().viewport().zoom;
    const auto cellOf = [&](const LivePane *pane, const QString &caption) {
        const int factor = zoom >= 1 ? int(zoom) : 1;
        return ComparisonSheet::Cell{magnified(pane->image().plain, factor), caption};
    };
    const QString magnification = zoom > 0 ? tr("%1 %").arg(zoom * 100, 0, 'f', zoom * 100 == int(zoom * 100) ? 0 : 1) : tr("whole frame");
    const QString pushed = m_session.viewing().pushEv() != 0 ? tr(", pushed %1 EV").arg(m_session.viewing().pushEv()) : QString();
    const QString side = m_session.viewing().look().show != Show::Picture ? tr(", %1").arg(sideWords(m_session.viewing().look().show)) : QString();
    if (view() == View::Strip) {
        sheet.title = m_strip->title();
        for (int i = 0; i < m_strip->cellCount(); ++i) {
            if (i % m_strip->columnCount() == 0)
                sheet.rows.emplace_back();
            sheet.rows.back().push_back(cellOf(m_strip->pane(i), m_strip->cell(i).caption));
        }
    } else {
        sheet.title = f ? f->name() : QString();
        for (int row = 0; row < m_wall->rowCount(); ++row) {
            sheet.rows.emplace_back();
            sheet.rowNames << m_wall->rowName(row);
            for (int c = m_wall->isUntreatedShown() ? 0 : 1; c < m_wall->columnCount(); ++c) {
                const auto readings = m_wall->pane(c, row)->readings();
                QString caption = m_wall->columnName(c);
                if (f && f->keeper >= 0 && c == f->keeper + 1)
                    caption += tr("   keeper");
                if (readings && readings->left)
                    caption += tr("\ngrain left %1 %, colour %2 %, detail lost %3").arg(100 * readings->left->luminance, 0, 'f', 0).arg(100 * readings->left->colour, 0, 'f', 0).arg(readings->detailLost, 0, 'f', 2);
                sheet.rows.back().push_back(cellOf(m_wall->pane(c, row), caption));
            }
        }
        if (sheet.rowNames.join(QString()).isEmpty())
            sheet.rowNames.clear();
    }
    const QPoint at = m_wall->middle();
    sheet.footer = tr("%1 at %2, %3%4%5. Strengths are multiples of the measured noise. Irenic %6").arg(magnification).arg(at.x()).arg(at.y()).arg(pushed, side, QCoreApplication::applicationVersion());
    if (f && f->frame)
        sheet.title += tr("   %1").arg(f->speedWords());
    return sheet.draw(Tones::of(m_settings.wall));
}

void MainWindow::writeComparison()
{
    const RollFrame *f = m_session.viewing().readyFrame();
    if (!f)
        return;
    const bool settled = view() == View::Strip ? m_strip->allSettled() : m_wall->allSettled();
    if (!settled) {
        say(tr("Not every picture is settled yet; write the comparison when they are."));
        return;
    }
    const QString folder = QSettings().value(QStringLiteral("comparison/folder"), QFileInfo(f->path).absolutePath()).toString();
    const QString file = QFileDialog::getSaveFileName(this, tr("Write the comparison"), freeFile(folder, f->name() + QStringLiteral("-comparison"), QStringLiteral(".png")), tr("PNG (*.png)"), nullptr, QFileDialog::DontConfirmOverwrite);
    if (file.isEmpty())
        return;
    if (const Status s = writeNewPng(file, comparisonPicture()); !s) // never in place of another picture
        return say(QString::fromStdString(s.error().userMessage));
    QSettings().setValue(QStringLiteral("comparison/folder"), QFileInfo(file).absolutePath());
    say(tr("Written: %1").arg(QFileInfo(file).fileName()), QFileInfo(file).absolutePath());
}

void MainWindow::markSpot()
{
    const int spot = m_session.editing().addSpot(m_wall->middle());
    if (spot < 0 && m_session.viewing().readyFrame())
        say(tr("There is a spot for every digit already; remove one first."));
    m_session.viewing().goToSpot(spot);
}

void MainWindow::renameSpot(int spot)
{
    const RollFrame *f = m_session.viewing().readyFrame();
    if (!f || spot < 0 || spot >= int(f->spots.size()))
        return;
    bool ok = false;
    const QString name = QInputDialog::getText(this, tr("Name of spot %1").arg(spot + 1), tr("Name"), QLineEdit::Normal, f->spots[size_t(spot)].words(), &ok);
    if (ok)
        m_session.editing().renameSpot(spot, name == tr(infoOf(f->spots[size_t(spot)].kind).label) ? QString() : name);
}

MainWindow::~MainWindow()
{
    // Panes and panels go before what they draw from: the session, the renderer, the measurer.
    delete m_keys;
    m_session.disconnect();
    delete centralWidget();
    delete m_rollBar;
    qDeleteAll(m_cards);
}

void MainWindow::showSettled()
{
    if (view() == View::Sheet) {
        int measured = 0;
        for (int i = 0; i < m_session.roll().count(); ++i)
            measured += m_session.roll().frame(i).isMeasured();
        m_status->setSettled((m_reader.isPaused() ? tr("measured %1 of %2, stopped") : tr("measured %1 of %2")).arg(measured).arg(m_session.roll().count()));
    } else if (!m_session.viewing().readyFrame() || view() == View::Blind)
        m_status->setSettled({});
    else if (view() == View::Strip)
        m_status->setSettled(m_strip->allSettled() ? tr("all pictures settled") : tr("computing"));
    else if (view() == View::Loupe)
        m_status->setSettled(m_loupe->allSettled() ? tr("both settled") : tr("computing"));
    else if (m_wall->allSettled())
        m_status->setSettled(tr("all panes settled"));
    else
        m_status->setSettled(tr("settled: %1 of %2 panes").arg(m_wall->settledCount()).arg(m_wall->paneCount()));
}

void MainWindow::say(const QString &text, const QString &folderToReveal)
{
    m_status->say(text, folderToReveal);
}

void MainWindow::open(const QStringList &paths)
{
    QStringList files;
    for (const QString &path : paths) {
        if (!isFolder(path)) {
            files << path;
            continue;
        }
        const auto found = photographsIn(fileOf(path));
        if (!found)
            say(QString::fromStdString(found.error().userMessage));
        else if (found.value().empty())
            say(tr("The folder %1 holds no photographs that can be read.").arg(QDir::toNativeSeparators(path)));
        else
            for (const auto &file : found.value())
                files << fileText(file);
    }
    if (m_session.roll().count() == 0)
        m_lookAtSpot = true; // at the size of the window nobody sees noise
    QStringList added;
    for (const int i : m_session.addPaths(files))
        added << m_session.roll().frame(i).path;
    readAll(added);
}

void MainWindow::readAll(const QStringList &paths)
{
    for (const QString &path : paths)
        m_reader.read(path);
}

void MainWindow::openSession(const QString &file)
{
    QStringList toRead;
    if (const Status s = m_keeper.open(file, &toRead); !s)
        return say(QString::fromStdString(s.error().userMessage));
    readAll(toRead);
}

void MainWindow::chooseSession()
{
    const QString file = QFileDialog::getOpenFileName(this, tr("Open a session"), QDir::homePath(), tr("Sessions (*%1)").arg(SessionKeeper::ending()));
    if (!file.isEmpty())
        openSession(file);
}

void MainWindow::continueLast()
{
    const QString last = m_keeper.last();
    if (last.isEmpty())
        return say(tr("There is no session to go on with, or another window has it."));
    openSession(last);
}

void MainWindow::saveSessionAs()
{
    const RollFrame *f = m_session.viewing().currentFrame();
    if (!f)
        return;
    QFileDialog dialog(this, tr("Save the session as"), m_keeper.isNamed() ? m_keeper.file() : QFileInfo(f->path).absolutePath() + QStringLiteral("/roll") + SessionKeeper::ending(), tr("Sessions (*%1)").arg(SessionKeeper::ending()));
    dialog.setAcceptMode(QFileDialog::AcceptSave);
    dialog.setDefaultSuffix(SessionKeeper::ending().mid(1));
    if (dialog.exec() != QDialog::Accepted)
        return;
    const Status s = m_keeper.saveAs(dialog.selectedFiles().value(0));
    showTitle();
    say(s ? tr("The session is kept in %1 from now on.").arg(QFileInfo(m_keeper.file()).fileName()) : QString::fromStdString(s.error().userMessage));
}

void MainWindow::showTitle()
{
    setWindowTitle(m_keeper.isNamed() ? tr("%1 - Irenic").arg(QFileInfo(m_keeper.file()).fileName().remove(SessionKeeper::ending())) : tr("Irenic"));
}

void MainWindow::takeOff()
{
    const QString name = QFileInfo(m_session.viewing().currentFrame()->path).fileName();
    m_session.editing().takeOff(m_session.viewing().current());
    say(tr("%1 is off the roll; the file stays where it is. Undo puts it back.").arg(name));
}

void MainWindow::findFile()
{
    const RollFrame *f = m_session.viewing().currentFrame();
    if (!f || !f->isMissing())
        return;
    const QString path = f->path, name = QFileInfo(path).fileName();
    const QString file = QFileDialog::getOpenFileName(this, tr("Where is %1 now?").arg(name), QDir::homePath(), tr("%1 (%1);;All files (*)").arg(name));
    if (file.isEmpty())
        return;
    const QStringList found = m_session.roll().setFound(path, file);
    readAll(found);
    say(found.size() > 1 ? tr("Found %n files of the session there.", nullptr, int(found.size())) : found.isEmpty() ? tr("That file is in the roll already.")
                                                                                                                    : tr("Found."));
}

QStringList MainWindow::demoRoll()
{
    QStringList files;
    for (const char *place : {"/../demo-roll", "/../share/irenic/demo-roll"}) { // as built, as installed
        const QDir dir(QCoreApplication::applicationDirPath() + QLatin1String(place));
        for (const QString &name : dir.entryList({QStringLiteral("*.dng"), QStringLiteral("*.jpg")}, QDir::Files, QDir::Name))
            files << QDir::cleanPath(dir.filePath(name));
        if (!files.isEmpty())
            break;
    }
    return files;
}

void MainWindow::startWith(const QString &action)
{
    if (action == u"choose" || (action == u"quick-clean" && m_session.roll().count() == 0))
        chooseFiles();
    if (action == u"quick-clean")
        quickClean(true);
    if (action == u"empty-queue") {
        card("queue")->bringUp();
        m_queue.setPaused(false);
    }
}

HandBack *MainWindow::openForHandBack(const QString &file, bool inPlace)
{
    auto *bar = new HandBack(&m_session, file, inPlace);
    static_cast<QVBoxLayout *>(m_guide->parentWidget()->layout())->addWidget(bar);
    open({file});
    return bar;
}

void MainWindow::chooseFiles()
{
    const QString from = m_settings.recent.isEmpty() ? QDir::homePath() : QFileInfo(m_settings.recent.front()).absolutePath();
    open(QFileDialog::getOpenFileNames(this, tr("Open frames"), from));
}

void MainWindow::chooseFolder()
{
    const QString folder = QFileDialog::getExistingDirectory(this, tr("Open a folder of frames"));
    if (!folder.isEmpty())
        open({folder});
}

void MainWindow::openDemoRoll()
{
    if (demoRoll().isEmpty())
        say(tr("The demo roll has not been made; ./demo --build makes it."));
    open(demoRoll());
    m_lookAtSpot = true;
    if (m_settings.guideWanted && !demoRoll().isEmpty())
        m_guide->show();
}

void MainWindow::setGuideShown(bool shown)
{
    m_settings.guideWanted = shown;
    m_guide->setVisible(shown);
}

/// The demo roll opens where there is something to see of noise.
void MainWindow::lookAtFirstSpot()
{
    const RollFrame *f = m_session.viewing().readyFrame();
    if (!m_lookAtSpot || !f)
        return;
    m_lookAtSpot = false;
    if (m_session.viewing().viewport().zoom != 0)
        return; // somebody is looking somewhere already
    const auto spot = std::find_if(f->spots.begin(), f->spots.end(), [](const Spot &s) { return s.kind == SpotKind::TextureBesideSmooth; });
    m_session.viewing().goToSpot(spot != f->spots.end() ? int(spot - f->spots.begin()) : 0);
}

void MainWindow::showExportDialog()
{
    exportThese(view() == View::Sheet ? m_sheet->chosen() : QList<int>());
}

void MainWindow::exportThese(const QList<int> &chosen)
{
    if (!m_session.viewing().readyFrame())
        return say(tr("The frame on the wall is not read yet; export when it is."));
    auto *dialog = new ExportDialog(m_session, m_recipes.recipes(), m_queue.ratio(), chosen, this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    connect(dialog, &QDialog::accepted, this, [this, dialog] {
        const auto requests = dialog->requests();
        m_queue.add(requests);
        // Keepers that go out are decisions.
        QList<int> kept;
        for (const ExportRequest &r : requests)
            if (const int i = m_session.roll().indexOf(fileText(r.job.source)); i >= 0 && !kept.contains(i) && m_session.roll().frame(i).keeper >= 0 && r.job.treatment == WantedTreatment::exactly(m_session.roll().frame(i).trials[size_t(m_session.roll().frame(i).keeper)]))
                kept << i;
        if (const Status noted = m_decisions.note(m_session.roll().decisionsAbout(kept)); !noted)
            say(QString::fromStdString(noted.error().userMessage));
    });
    dialog->open();
}

void MainWindow::startFromOwnTaste()
{
    const RollFrame *f = m_session.viewing().readyFrame();
    if (!f || m_session.viewing().trial() < 0)
        return;
    if (!f->ownStart) {
        say(tr("There is no starting point of your own for %1 yet: keepers that were exported do not agree beyond chance.").arg(QString::fromStdString(Decisions::bandName(double(f->noise->luminanceNoise)))));
        return;
    }
    m_session.editing().startFromOwnTaste(m_session.viewing().trial());
    say(QString::fromStdString(f->ownStart->reason));
}

void MainWindow::showDecisions()
{
    auto *dialog = new DecisionsDialog(&m_decisions, this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->open();
}

void MainWindow::quickClean(bool all)
{
    ExportChoices choices = ExportChoices::load();
    choices.frames = all ? ExportChoices::Frames::Suggestions : ExportChoices::Frames::ThisSuggested;
    quickClean(choices);
}

void MainWindow::quickClean(const QList<int> &frames)
{
    ExportChoices choices = ExportChoices::load();
    choices.frames = ExportChoices::Frames::ChosenSuggested;
    choices.chosen = frames;
    quickClean(choices);
}

void MainWindow::quickClean(ExportChoices choices)
{
    choices.again = false;
    if (choices.place == ExportChoices::Place::Folder && !QFileInfo(choices.folder).isDir())
        choices.place = ExportChoices::Place::Subfolder;
    const auto requests = choices.requests(m_session);
    if (requests.empty())
        return;
    m_queue.add(requests);
    const double left = m_queue.secondsLeft();
    const QString where = choices.place == ExportChoices::Place::Beside ? tr("beside the originals") : choices.place == ExportChoices::Place::Subfolder ? tr("in %1 beside the originals").arg(choices.subfolder)
                                                                                                                                                        : tr("in %1").arg(QDir::toNativeSeparators(choices.folder));
    const QString what = requests.size() == 1 ? tr("One file") : tr("%n files", nullptr, int(requests.size()));
    say(left >= 0 ? tr("%1 into the queue, %2, each with its suggestion; about %3.").arg(what, where, durationWords(left)) : tr("%1 into the queue, %2, each with its suggestion.").arg(what, where));
}

void MainWindow::showCommands()
{
    auto *dialog = new CommandSearch(m_actions, this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->show();
    dialog->activateWindow(); // typing goes there at once
}

void MainWindow::showPages()
{
    auto *dialog = new HelpPages(this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->show();
    dialog->activateWindow();
}

void MainWindow::setMeasuringStopped(bool stopped)
{
    m_reader.setPaused(stopped);
    showSettled();
    say(stopped ? tr("No further frame is measured until it goes on (Frame menu).") : tr("Measuring goes on."));
}

void MainWindow::setPixelsRead(bool read)
{
    m_pixelsRead = read;
    m_actions->pixelReading->setChecked(read);
    m_status->setPointed(read ? tr("point at a picture to read a pixel") : QString());
}

void MainWindow::readPixel(QPointF upright, int row)
{
    const RollFrame *f = m_session.viewing().readyFrame();
    if (!m_pixelsRead || !f)
        return;
    const QPoint at(int(std::floor(upright.x())), int(std::floor(upright.y())));
    QList<std::pair<QString, QColor>> shown;
    for (int c = m_wall->isUntreatedShown() ? 0 : 1; c < m_wall->columnCount(); ++c) {
        const PaneImage &p = m_wall->pane(c, row)->image();
        const QImage &image = p.plain.isNull() ? p.image : p.plain;
        const QPoint in = (at - p.region.topLeft()) / p.reduction;
        shown << std::pair(c == 0 ? tr("untreated") : c <= f->trialCount() ? trialLetter(c - 1)
                                                                           : tr("guest"),
                           image.valid(in) ? image.pixelColor(in) : QColor());
    }
    m_status->setPointed(pixelWords(*f, at, shown));
}

QString MainWindow::sideWords(Show show) const
{
    const QString words = SpotBar::showWords(show);
    return show == Show::Proof || show == Show::Outside ? tr("%1, %2").arg(words, m_proof->name()) : words;
}

/// What makes the pictures look other than the frame is.
void MainWindow::showNotes()
{
    std::vector<ShownNotes::Note> notes;
    if (const double ev = m_session.viewing().pushEv(); ev != 0)
        notes.push_back({tr("pushed %1%2 EV, for looking only").arg(ev > 0 ? QStringLiteral("+") : QString()).arg(ev), [this] { m_session.viewing().setPushEv(0); }});
    if (const Show show = m_session.viewing().look().show; show != Show::Picture)
        notes.push_back({tr("shown: %1").arg(sideWords(show)), [this] { m_session.viewing().setShow(Show::Picture); }});
    if (m_actions->untreatedToggle->isChecked())
        notes.push_back({tr("untreated pixels everywhere"), [this] { m_actions->untreatedToggle->trigger(); }});
    const auto name = [this](int column) {
        const RollFrame *f = m_session.viewing().readyFrame();
        return column == 0 ? tr("untreated") : !f || column <= f->trialCount() ? trialLetter(column - 1)
                                                                               : m_wall->columnName(column);
    };
    if (m_blink->isOn())
        notes.push_back({tr("blink in the place of %1: %2").arg(name(m_blink->place()), name(m_blink->shown())), [this] { m_blink->stop(); },
                         m_blink->isTurning() ? tr("every %1 s").arg(m_blink->paceS()) : tr("go on"), [this] { m_blink->isTurning() ? m_blink->nextPace() : m_blink->turnByItself(true); }});
    if (const auto from = m_wall->differenceFrom())
        notes.push_back({tr("difference from %1, %2 times").arg(name(*from)).arg(m_wall->differenceGain()), [this] { m_wall->setDifference(std::nullopt); }, tr("stronger"),
                         [this, from] { m_wall->strengthenDifference(*from); }});
    if (m_regions->showsMask())
        notes.push_back({tr("the region's mask lies over the pictures"), [this] { m_regions->hideMask(); }});
    m_notes->setNotes(view() == View::Wall ? notes : std::vector<ShownNotes::Note>());
    m_actions->blink->setChecked(m_blink->isOn());
    m_actions->difference->setChecked(m_wall->differenceFrom().has_value());
}

void MainWindow::showAbout()
{
    QMessageBox::about(this, tr("About Irenic"),
                       tr("Irenic %1\n\nCompares and applies noise reduction on raw photographs.\nFree software under the GNU General Public License, version 3 or later.\n"
                          "The typeface is Lato, under the SIL Open Font License.")
                           .arg(QCoreApplication::applicationVersion()));
}

void MainWindow::setSpotsFollow(bool follow)
{
    m_settings.spotsFollow = follow;
    m_session.editing().setSpotsFollow(follow);
    say(follow ? tr("Spots are the same on all frames of a series from now on.") : tr("Every frame has its own spots."));
}

void MainWindow::setAsksCameraBook(bool asks)
{
    m_settings.asksCameraBook = asks;
    m_reader.setCameraBook(asks ? FrameReader::usualCameraBook() : std::filesystem::path());
}

void MainWindow::setWallGrey(Tones::Wall wall)
{
    m_settings.wall = wall;
    const Tones tones = Tones::of(wall).mapped([this](const QColor &c) { return m_screen->shown(c); });
    qApp->setPalette(tones.palette());
    for (const char *kind : {"QDialog", "QMenu"})
        qApp->setPalette(tones.paperPalette(), kind);
    m_wall->setTones(tones);
    m_notes->setTones(tones);
    m_topBar->setTones(tones);
    m_roll->setTones(tones);
    m_strip->setTones(tones);
    m_guide->setTones(tones);
    m_loupe->setTones(tones);
    m_blind->setTones(tones);
    m_sheet->setTones(tones);
    m_readings->setTones(tones);
    m_histogram->setTones(tones);
    m_empty->setTones(tones);
    for (Card *card : m_cards)
        card->setTones(tones);
    m_status->setTones(tones);
    m_actions->wallGreys[int(wall)]->setChecked(true);
    // Sheets on leaves only: one on the window puts back the palettes of all that is in it.
    menuBar()->setStyleSheet(QStringLiteral("QMenuBar { background: %1; color: %2; } QMenuBar::item { padding: 5px 10px; background: transparent; }"
                                            "QMenuBar::item:selected { background: %3; color: %4; }")
                                 .arg(tones.chrome.name(), tones.chromeInk.name(), tones.chosen.name(), tones.chosenInk.name()));
}

void MainWindow::showOnScreen()
{
    m_renderer.setScreen(m_screen->transform());
    m_roll->setScreen(m_screen->transform());
    m_sheet->setScreen(m_screen->transform());
    m_topBar->setScreen(m_screen->transform());
    m_status->setScreen(m_screen->words());
    setWallGrey(m_settings.wall);
}

void MainWindow::setScreenProfile(const QString &choice)
{
    m_settings.screenProfile = choice;
    m_screen->choose(choice);
    m_actions->showScreenChoice(choice);
}

void MainWindow::chooseScreenProfile()
{
    const QString file = QFileDialog::getOpenFileName(this, tr("Profile of this screen"), {}, tr("ICC profiles (*.icc *.icm)"));
    setScreenProfile(file.isEmpty() ? m_settings.screenProfile : file);
}

void MainWindow::setRollShown(bool shown)
{
    m_settings.rollShown = shown;
    m_rollBar->setVisible(shown && view() != View::Sheet);
    m_actions->rollShown->setChecked(shown);
}

void MainWindow::resetArrangement()
{
    setRollShown(true);
    for (Card *card : m_cards)
        card->setPinned(false);
    restoreState(m_firstArrangement, kArrangement);
    m_session.viewing().setRowCount(1);
    resize(1280, 800);
}

void MainWindow::moveInRoll(int steps)
{
    m_session.viewing().setCurrent(std::clamp(m_session.viewing().current() + steps, 0, std::max(0, m_session.roll().count() - 1)));
}

void MainWindow::noteRecent(const QString &path)
{
    m_settings.recent.removeAll(path);
    m_settings.recent.prepend(path);
    m_settings.recent = m_settings.recent.mid(0, Settings::kMaxRecent);
    fillRecentMenu();
}

void MainWindow::fillRecentMenu()
{
    QMenu *menu = m_actions->recentMenu;
    menu->clear();
    menu->setEnabled(!m_settings.recent.isEmpty());
    for (const QString &path : m_settings.recent)
        menu->addAction(QFileInfo(path).fileName(), this, [this, path] { open({path}); })->setToolTip(path);
}

void MainWindow::showEvent(QShowEvent *event)
{
    QMainWindow::showEvent(event);
    m_isUp = true;
}

void MainWindow::closeEvent(QCloseEvent *event)
{
    if (m_queue.isBusy()
        && QMessageBox::question(this, tr("Exports are running"), tr("Closing stops them. Files that are written stay, nothing half-written is left, and the rest is offered again at the next start. Close?"))
               != QMessageBox::Yes) {
        event->ignore();
        return;
    }
    if (const Status kept = m_keeper.keep(); !kept
                                             && QMessageBox::question(this, tr("The session is not kept"), QString::fromStdString(kept.error().userMessage) + u'\n' + tr("Close all the same?")) != QMessageBox::Yes) {
        event->ignore();
        return;
    }
    bringCardsBack();
    m_settings.geometry = saveGeometry();
    m_settings.docks = saveState(kArrangement);
    m_settings.pinned.clear();
    for (const Card *card : m_cards)
        if (card->isPinned())
            m_settings.pinned << card->objectName();
    m_settings.save();
    event->accept();
}

void MainWindow::dragEnterEvent(QDragEnterEvent *event)
{
    if (event->mimeData()->hasUrls())
        event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent *event)
{
    open(fileTexts(event->mimeData()->urls()));
    event->acceptProposedAction();
}

} // namespace irenic
