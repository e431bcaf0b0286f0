// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/main_window.h"

#include "panels/export_dialog.h"
#include "panels/roll_panel.h"
#include "panels/top_bar.h"
#include "window/actions.h"

#include <QAbstractButton>
#include <QAbstractSpinBox>
#include <QApplication>
#include <QCloseEvent>
#include <QDesktopServices>
#include <QDir>
#include <QDropEvent>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QMenuBar>
#include <QMessageBox>
#include <QMimeData>
#include <QProgressBar>
#include <QPushButton>
#include <QStackedWidget>
#include <QStatusBar>
#include <QTableWidget>

namespace irenic {

MainWindow::MainWindow(QWidget *parent) : QMainWindow(parent), m_settings(Settings::load())
{
    setWindowTitle(tr("Irenic"));
    setAcceptDrops(true);
    m_wall = new Wall(&m_session);
    m_topBar = new TopBar(&m_session);
    m_roll = new RollPanel(&m_session);
    m_pages = new QStackedWidget;
    m_pages->addWidget(makeEmptyPage());
    auto *booth = new QWidget;
    auto *column = new QVBoxLayout(booth);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(m_topBar);
    column->addWidget(m_wall, 1);
    m_pages->addWidget(booth);
    auto *centre = new QWidget;
    auto *row = new QHBoxLayout(centre);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    row->addWidget(m_roll);
    row->addWidget(m_pages, 1);
    setCentralWidget(centre);

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
    makeStatusBar();
    fillRecentMenu();

    connect(&m_reader, &FrameReader::opened, &m_session, &Session::setOpened);
    connect(&m_reader, &FrameReader::finished, this, [this](const QString &path, auto frame, auto noise, const QImage &thumbnail) {
        m_session.setReadingDone(path, frame, noise, thumbnail);
        noteRecent(path);
        if (!frame->warnings.empty())
            say(QString::fromStdString(frame->file.filename().string() + ": " + frame->warnings.front()));
    });
    connect(&m_reader, &FrameReader::failed, this, [this](const QString &path, const QString &problem) {
        m_session.setReadingFailed(path, problem);
        say(problem);
    });
    connect(&m_session, &Session::framesAdded, this, [this] {
        m_pages->setCurrentIndex(1);
        say(tr("hold Space: untreated     K: keep     Ctrl+E: export     F1: all keys"));
    });
    connect(m_topBar, &TopBar::zoomRequested, m_wall, &Wall::zoomTo);
    connect(m_wall, &Wall::visibleRegionChanged, this, [this] { m_topBar->setVisibleRegion(m_wall->visibleRegion()); });
    connect(m_wall, &Wall::settledChanged, this, &MainWindow::showSettled);
    connect(&m_queue, &ExportQueue::progressChanged, this, &MainWindow::showQueue);
    connect(&m_queue, &ExportQueue::exported, this, [this](const QString &source, const QString &file, double) {
        m_session.noteExported(source, file);
        say(tr("Written and verified: %1").arg(QFileInfo(file).fileName()), QFileInfo(file).absolutePath());
    });
    connect(&m_queue, &ExportQueue::failed, this, [this](const QString &, const QString &problem) { say(problem); });
    qApp->installEventFilter(this);
    setWallGrey(m_settings.wall);
    setRollShown(m_settings.rollShown);
    resize(1280, 800);
    restoreGeometry(m_settings.geometry);
}

MainWindow::~MainWindow() = default;

QWidget *MainWindow::makeEmptyPage()
{
    auto *page = new QWidget;
    page->setObjectName(QStringLiteral("emptyPage"));
    page->setAutoFillBackground(true);
    auto *column = new QVBoxLayout(page);
    column->setSpacing(12);
    column->addStretch(2);
    auto *title = new QLabel(tr("Drop raw frames or a folder here"));
    QFont f = title->font();
    f.setPointSizeF(f.pointSizeF() * 1.7);
    title->setFont(f);
    auto *words = new QLabel(tr("Irenic measures the noise of each, hangs the same pixels side by side under several strengths,\n"
                                "and writes a clean DNG or TIFF. The originals are never written to."));
    for (QLabel *l : {title, words}) {
        l->setAlignment(Qt::AlignCenter);
        column->addWidget(l);
    }
    auto *row = new QHBoxLayout;
    row->addStretch(1);
    const auto button = [&](const QString &text, auto slot) {
        auto *b = new QPushButton(text);
        b->setMinimumSize(132, 30);
        connect(b, &QPushButton::clicked, this, slot);
        row->addWidget(b);
        return b;
    };
    button(tr("Open frames..."), &MainWindow::chooseFiles);
    button(tr("Open folder..."), &MainWindow::chooseFolder);
    QPushButton *demo = button(tr("Open the demo roll"), &MainWindow::openDemoRoll);
    demo->setObjectName(QStringLiteral("openDemoButton"));
    demo->setVisible(!demoRoll().isEmpty());
    row->addStretch(1);
    column->addLayout(row);
    column->addStretch(3);
    return page;
}

void MainWindow::makeStatusBar()
{
    statusBar()->setSizeGripEnabled(false);
    m_settled = new QLabel;
    m_settled->setObjectName(QStringLiteral("settled"));
    m_message = new QLabel;
    m_message->setObjectName(QStringLiteral("message"));
    m_reveal = new QPushButton(tr("Show in folder"));
    m_reveal->setFlat(true);
    m_reveal->hide();
    connect(m_reveal, &QPushButton::clicked, this, [this] { QDesktopServices::openUrl(QUrl::fromLocalFile(m_revealFolder)); });
    m_progress = new QProgressBar;
    m_progress->setFixedWidth(120);
    m_progress->setMaximumHeight(10);
    m_progress->setTextVisible(false);
    m_progress->setRange(0, 1000);
    m_progress->hide();
    m_queueLabel = new QLabel;
    m_queueLabel->setObjectName(QStringLiteral("queue"));
    m_settled->setMinimumWidth(150);
    statusBar()->addWidget(m_settled);
    statusBar()->addWidget(m_message, 1);
    statusBar()->addPermanentWidget(m_reveal);
    statusBar()->addPermanentWidget(m_progress);
    statusBar()->addPermanentWidget(m_queueLabel);
    statusBar()->setContentsMargins(8, 0, 8, 0);
}

void MainWindow::showSettled()
{
    const RollFrame *f = m_session.currentFrame();
    if (!f || f->state != RollFrame::State::Ready)
        m_settled->clear();
    else if (m_wall->allSettled())
        m_settled->setText(tr("all panes settled"));
    else
        m_settled->setText(tr("settled: %1 of %2 panes").arg(m_wall->settledCount()).arg(Wall::kColumns));
}

void MainWindow::showQueue()
{
    const bool busy = m_queue.isBusy();
    m_progress->setVisible(busy);
    if (!busy) {
        m_queueLabel->setText(m_queue.finishedCount() > 0 ? m_queue.finishedCount() == 1 ? tr("queue: done, 1 file") : tr("queue: done, %1 files").arg(m_queue.finishedCount()) : QString());
        return;
    }
    const double left = m_queue.secondsLeft();
    QString text = tr("queue: %1 of %2").arg(m_queue.finishedCount() + 1).arg(m_queue.totalCount());
    if (left >= 0)
        text += left < 90 ? tr(", about %1 s left").arg(qCeil(left)) : tr(", about %1 min left").arg(qCeil(left / 60));
    m_queueLabel->setText(text);
    m_progress->setValue(int(1000 * (m_queue.finishedCount() + m_queue.fraction()) / std::max(1, m_queue.totalCount())));
}

void MainWindow::say(const QString &text, const QString &folderToReveal)
{
    m_message->setText(text);
    m_message->setToolTip(text);
    m_revealFolder = folderToReveal;
    m_reveal->setVisible(!folderToReveal.isEmpty());
}

void MainWindow::open(const QStringList &paths)
{
    QStringList files;
    for (const QString &path : paths) {
        if (!QFileInfo(path).isDir()) {
            files << path;
            continue;
        }
        const auto found = photographsIn(path.toStdString());
        if (!found)
            say(QString::fromStdString(found.error().userMessage));
        else if (found.value().empty())
            say(tr("The folder %1 holds no photographs that can be read.").arg(QDir::toNativeSeparators(path)));
        else
            for (const auto &file : found.value())
                files << QString::fromStdString(file.string());
    }
    for (const int i : m_session.addPaths(files))
        m_reader.read(m_session.frame(i).path);
}

QStringList MainWindow::demoRoll()
{
    const QDir dir(QCoreApplication::applicationDirPath() + QStringLiteral("/../demo-roll"));
    QStringList files;
    for (const QString &name : dir.entryList({QStringLiteral("*.dng")}, QDir::Files, QDir::Name))
        files << QDir::cleanPath(dir.filePath(name));
    return files;
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
}

void MainWindow::showExportDialog()
{
    const RollFrame *f = m_session.currentFrame();
    if (!f || f->state != RollFrame::State::Ready)
        return;
    auto *dialog = new ExportDialog(m_session, this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    connect(dialog, &QDialog::accepted, this, [this, dialog] {
        for (const ExportJob &job : dialog->jobs())
            m_queue.add(job);
    });
    dialog->open();
}

void MainWindow::showShortcuts()
{
    auto *dialog = new QDialog(this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setObjectName(QStringLiteral("shortcutsPage"));
    dialog->setWindowTitle(tr("Keys"));
    dialog->resize(560, 620);
    const auto rows = m_actions->shortcuts();
    auto *table = new QTableWidget(int(rows.size()), 2);
    table->setHorizontalHeaderLabels({tr("Key"), tr("What it does")});
    table->horizontalHeader()->setStretchLastSection(true);
    table->verticalHeader()->hide();
    table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table->setShowGrid(false);
    table->setSelectionMode(QAbstractItemView::NoSelection);
    for (int i = 0; i < rows.size(); ++i) {
        table->setItem(i, 0, new QTableWidgetItem(rows[i].first));
        table->setItem(i, 1, new QTableWidgetItem(rows[i].second));
    }
    table->setColumnWidth(0, 190);
    table->verticalHeader()->setDefaultSectionSize(fontMetrics().height() + 6);
    (new QVBoxLayout(dialog))->addWidget(table);
    dialog->show();
}

void MainWindow::showAbout()
{
    QMessageBox::about(this, tr("About Irenic"),
                       tr("Irenic %1\n\nCompares and applies noise reduction on raw photographs.\nFree software under the GNU General Public License, version 3 or later.\n"
                          "The typeface is Lato, under the SIL Open Font License.")
                           .arg(QCoreApplication::applicationVersion()));
}

void MainWindow::setWallGrey(Tones::Wall wall)
{
    m_settings.wall = wall;
    const Tones tones = Tones::of(wall);
    qApp->setPalette(tones.palette());
    m_wall->setTones(tones);
    m_topBar->setTones(tones);
    m_roll->setTones(tones);
    QPalette p = m_pages->widget(0)->palette();
    p.setColor(QPalette::Window, tones.wall);
    p.setColor(QPalette::WindowText, tones.wallInk);
    m_pages->widget(0)->setPalette(p);
    m_actions->wallGreys[int(wall)]->setChecked(true);
    // Sheets on leaves only: one on the window puts back the palettes of all that is in it.
    menuBar()->setStyleSheet(QStringLiteral("QMenuBar { background: %1; color: %2; } QMenuBar::item { padding: 5px 10px; background: transparent; }"
                                            "QMenuBar::item:selected { background: %3; color: %4; }")
                                 .arg(tones.chrome.name(), tones.chromeInk.name(), tones.chosen.name(), tones.chosenInk.name()));
    statusBar()->setStyleSheet(QStringLiteral("QStatusBar { background: %1; } QStatusBar::item { border: none; }").arg(tones.chrome.name()));
    m_progress->setStyleSheet(QStringLiteral("QProgressBar { border: 1px solid %1; background: %2; } QProgressBar::chunk { background: %3; }")
                                  .arg(tones.chromeInk.name(), tones.chrome.name(), tones.accent.name()));
}

void MainWindow::setRollShown(bool shown)
{
    m_settings.rollShown = shown;
    m_roll->setVisible(shown);
    m_actions->rollShown->setChecked(shown);
}

void MainWindow::resetArrangement()
{
    setRollShown(true);
    resize(1280, 800);
}

void MainWindow::moveInRoll(int steps)
{
    m_session.setCurrent(std::clamp(m_session.current() + steps, 0, std::max(0, m_session.count() - 1)));
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

void MainWindow::closeEvent(QCloseEvent *event)
{
    if (m_queue.isBusy()
        && QMessageBox::question(this, tr("Exports are running"), tr("Closing stops them. Files that are written stay; nothing half-written is left. Close?"))
               != QMessageBox::Yes) {
        event->ignore();
        return;
    }
    m_settings.geometry = saveGeometry();
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
    QStringList paths;
    for (const QUrl &url : event->mimeData()->urls())
        if (url.isLocalFile())
            paths << url.toLocalFile();
    open(paths);
    event->acceptProposedAction();
}

bool MainWindow::eventFilter(QObject *watched, QEvent *event)
{
    const bool press = event->type() == QEvent::KeyPress, release = event->type() == QEvent::KeyRelease;
    if ((press || release) && isActiveWindow()) {
        const auto *key = static_cast<QKeyEvent *>(event);
        QWidget *focus = QApplication::focusWidget();
        // A button keeps its Space key; everywhere else in the window it shows the untreated pixels while it is down.
        const bool busy = qobject_cast<QAbstractButton *>(focus) || qobject_cast<QLineEdit *>(focus);
        if (key->key() == Qt::Key_Space && key->modifiers() == Qt::NoModifier && !busy && !m_actions->untreatedToggle->isChecked()) {
            if (!key->isAutoRepeat())
                m_wall->setUntreatedHeld(press);
            return true;
        }
    }
    // The window that lost the keyboard will not see the key come up.
    if (event->type() == QEvent::WindowDeactivate && watched == this && !m_actions->untreatedToggle->isChecked())
        m_wall->setUntreatedHeld(false);
    return QMainWindow::eventFilter(watched, event);
}

} // namespace irenic
