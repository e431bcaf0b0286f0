// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "jobs/export_queue.h"
#include "jobs/frame_reader.h"
#include "panels/wall.h"
#include "window/settings.h"

#include <QMainWindow>

class QLabel;
class QProgressBar;
class QPushButton;
class QStackedWidget;

namespace irenic {

class Actions;
class RollPanel;
class TopBar;

class MainWindow : public QMainWindow
{
    Q_OBJECT
public:
    explicit MainWindow(QWidget *parent = nullptr);
    ~MainWindow() override;

    Session *session() { return &m_session; }
    Wall *wall() { return m_wall; }
    ExportQueue *exportQueue() { return &m_queue; }

    /// Opens files and the raw files of folders; what cannot be opened is named in the roll and the status line.
    void open(const QStringList &paths);
    /// The pictures that ship with the application; empty where they were not made.
    static QStringList demoRoll();

public slots:
    void chooseFiles();
    void chooseFolder();
    void openDemoRoll();
    void showExportDialog();
    void showShortcuts();
    void showAbout();
    void setWallGrey(irenic::Tones::Wall wall);
    void setRollShown(bool shown);
    void resetArrangement();
    void moveInRoll(int steps);

protected:
    void closeEvent(QCloseEvent *event) override;
    void dragEnterEvent(QDragEnterEvent *event) override;
    void dropEvent(QDropEvent *event) override;
    bool eventFilter(QObject *watched, QEvent *event) override;

private:
    QWidget *makeEmptyPage();
    void makeStatusBar();
    void showSettled();
    void showQueue();
    void say(const QString &text, const QString &folderToReveal = {});
    void noteRecent(const QString &path);
    void fillRecentMenu();

    Session m_session;
    FrameReader m_reader;
    ExportQueue m_queue;
    Settings m_settings;
    Wall *m_wall;
    RollPanel *m_roll;
    TopBar *m_topBar;
    QStackedWidget *m_pages;
    Actions *m_actions;
    QLabel *m_settled, *m_message, *m_queueLabel;
    QPushButton *m_reveal;
    QProgressBar *m_progress;
    QString m_revealFolder;
};

} // namespace irenic
