// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/queue_panel.h"

#include "panels/card.h"
#include "session/paths.h"
#include "view/durations.h"

#include <QContextMenuEvent>
#include <QDesktopServices>
#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QGridLayout>
#include <QHeaderView>
#include <QLabel>
#include <QMenu>
#include <QMimeData>
#include <QProcess>
#include <QPushButton>
#include <QSettings>
#include <QTreeWidget>
#include <QUrl>

namespace irenic {

namespace {

using State = QueuedJob::State;
enum Column {
    Name,
    Word,
    Time,
};
constexpr auto kProgram = "export/openWith";

QString stateWord(State state)
{
    switch (state) {
    case State::Waiting: return QueuePanel::tr("waiting");
    case State::Running: return QueuePanel::tr("running");
    case State::Done: return QueuePanel::tr("verified");
    case State::Skipped: return QueuePanel::tr("left out");
    case State::Failed: return QueuePanel::tr("failed");
    case State::Cancelled: return QueuePanel::tr("cancelled");
    }
    return {};
}

/// Results can be dragged out of it: to the file manager, to a program, into a message. They stay where they are.
class ResultList final : public QTreeWidget
{
public:
    explicit ResultList(const ExportQueue &queue) : m_queue(queue) {}

protected:
    Qt::DropActions supportedDropActions() const override { return Qt::CopyAction; }
    QStringList mimeTypes() const override { return {QStringLiteral("text/uri-list")}; }
    QMimeData *mimeData(const QList<QTreeWidgetItem *> &chosen) const override
    {
        QList<QTreeWidgetItem *> items = chosen; // by where they lie in memory
        std::sort(items.begin(), items.end(), [this](QTreeWidgetItem *a, QTreeWidgetItem *b) { return indexOfTopLevelItem(a) < indexOfTopLevelItem(b); });
        QList<QUrl> results;
        for (const QTreeWidgetItem *item : items)
            if (const auto *e = m_queue.entry(item->data(Name, Qt::UserRole).toInt()); e && !e->result.empty())
                results << QUrl::fromLocalFile(fileText(e->result));
        if (results.isEmpty())
            return nullptr; // nothing is dragged
        auto *mime = new QMimeData;
        mime->setUrls(results);
        return mime;
    }

private:
    const ExportQueue &m_queue;
};

} // namespace

QueuePanel::QueuePanel(ExportQueue *queue, QWidget *parent) : QWidget(parent), m_queue(queue)
{
    setObjectName(QStringLiteral("queuePanel"));
    m_list = new ResultList(*queue);
    m_list->setObjectName(QStringLiteral("queueList"));
    m_list->setAccessibleName(tr("Queue"));
    m_list->setRootIsDecorated(false);
    m_list->setUniformRowHeights(true);
    m_list->setHeaderLabels({tr("file"), tr("state"), tr("time")});
    m_list->setTextElideMode(Qt::ElideMiddle);
    m_list->header()->setStretchLastSection(false);
    m_list->header()->setSectionResizeMode(Name, QHeaderView::Stretch);
    m_list->header()->setSectionResizeMode(Word, QHeaderView::ResizeToContents);
    m_list->header()->setSectionResizeMode(Time, QHeaderView::ResizeToContents);
    m_list->setContextMenuPolicy(Qt::NoContextMenu); // the panel's own
    m_list->setSelectionMode(QAbstractItemView::ExtendedSelection);
    m_list->setDragDropMode(QAbstractItemView::DragOnly);
    m_total = new QLabel;
    m_total->setObjectName(QStringLiteral("queueTotal"));
    m_total->setWordWrap(true);
    auto *row = new QGridLayout;
    constexpr int kGapPx = 4;
    row->setSpacing(kGapPx);
    QList<QPushButton *> all;
    const auto button = [&](const QString &text, const QString &name, const QString &tip, auto run) {
        auto *b = new QPushButton(text);
        b->setObjectName(name);
        b->setToolTip(tip);
        b->setMinimumWidth(10);
        connect(b, &QPushButton::clicked, this, run);
        all << b;
        return b;
    };
    m_pause = button(tr("Pause"), QStringLiteral("queuePause"), tr("The running export is finished first"), [this] { m_queue->setPaused(!m_queue->isPaused()); });
    m_cancel = button(tr("Cancel"), QStringLiteral("queueCancel"), tr("All that wait or run. Files that are written stay; nothing half-written is left"), [this] { m_queue->cancelAll(); });
    m_retry = button(tr("Retry"), QStringLiteral("queueRetry"), tr("All that failed, once more"), [this] { m_queue->retryFailed(); });
    m_report = button(tr("Report..."), QStringLiteral("queueReport"), tr("What was written where, how long it took and how it was verified, as text"), [this] { saveReport(); });
    m_clear = button(tr("Clear"), QStringLiteral("queueClear"), tr("Takes what is over off this list; files stay"), [this] { m_queue->clearOver(); });
    // In one row where the language lets them.
    constexpr int kPadPx = 6, kMarginsPx = 16, kInARow = 3;
    int needed = kMarginsPx + std::max(0, fontMetrics().horizontalAdvance(tr("Resume")) - fontMetrics().horizontalAdvance(tr("Pause")));
    for (const QPushButton *b : all)
        needed += fontMetrics().horizontalAdvance(b->text()) + kPadPx + kGapPx;
    const int inARow = needed <= Card::kLeastPx ? int(all.size()) : kInARow;
    for (int i = 0; i < all.size(); ++i)
        row->addWidget(all[i], i / inARow, i % inARow);
    auto *column = new QVBoxLayout(this);
    column->addWidget(m_total);
    column->addWidget(m_list, 1);
    column->addLayout(row);
    connect(m_list, &QTreeWidget::itemDoubleClicked, this, [this] {
        if (const auto *e = chosen(); e && !e->result.empty())
            QDesktopServices::openUrl(QUrl::fromLocalFile(fileText(e->result)));
    });
    connect(queue, &ExportQueue::changed, this, &QueuePanel::showContents);
    connect(queue, &ExportQueue::progressed, this, [this](int id) {
        for (int i = 0; i < m_list->topLevelItemCount(); ++i)
            if (const auto *e = m_queue->entry(id); e && m_list->topLevelItem(i)->data(Name, Qt::UserRole).toInt() == id)
                showRow(m_list->topLevelItem(i), *e);
        showTotals();
    });
    showContents();
}

const ExportQueue::Entry *QueuePanel::chosen() const
{
    const QTreeWidgetItem *item = m_list->currentItem();
    return item ? m_queue->entry(item->data(Name, Qt::UserRole).toInt()) : nullptr;
}

QStringList QueuePanel::lines() const
{
    QStringList all;
    for (int i = 0; i < m_list->topLevelItemCount(); ++i) {
        const QTreeWidgetItem *item = m_list->topLevelItem(i);
        all << QStringList{item->text(Name), item->text(Word), item->text(Time)}.join(QStringLiteral("  "));
    }
    return all;
}

void QueuePanel::showContents()
{
    const auto &entries = m_queue->entries();
    const int keyboard = m_list->currentItem() ? m_list->currentItem()->data(Name, Qt::UserRole).toInt() : 0;
    while (m_list->topLevelItemCount() > int(entries.size()))
        delete m_list->takeTopLevelItem(m_list->topLevelItemCount() - 1);
    while (m_list->topLevelItemCount() < int(entries.size()))
        m_list->addTopLevelItem(new QTreeWidgetItem);
    for (int i = 0; i < int(entries.size()); ++i) {
        showRow(m_list->topLevelItem(i), entries[size_t(i)]);
        if (entries[size_t(i)].id == keyboard)
            m_list->setCurrentItem(m_list->topLevelItem(i));
    }
    showTotals();
}

void QueuePanel::showRow(QTreeWidgetItem *item, const ExportQueue::Entry &e)
{
    item->setData(Name, Qt::UserRole, e.id);
    const QString source = QFileInfo(fileText(e.job.source)).completeBaseName();
    const QString format = e.job.format ? QString::fromLatin1(formatName(*e.job.format)) : tr("its natural format");
    item->setText(Name, e.result.empty() ? tr("%1 as %2").arg(source, format) : QFileInfo(fileText(e.result)).fileName());
    item->setText(Word, e.state == State::Running ? tr("%1 %").arg(qRound(100 * e.fraction)) : stateWord(e.state));
    const double left = m_queue->secondsLeft(e); // told by a sign: a word would take its room from the name
    item->setText(Time, e.state == State::Done ? tr("%1 s").arg(e.seconds, 0, 'f', 1) : e.isOver() || left < 0 ? QString()
                                                                                                               : tr("\u2248 %1").arg(durationWords(left)));
    const QString words = QString::fromStdString(e.words);
    item->setToolTip(Name, words.isEmpty() ? QDir::toNativeSeparators(fileText(e.job.source)) : words);
    QFont font = this->font();
    font.setWeight(e.state == State::Running || e.state == State::Failed ? QFont::DemiBold : QFont::Normal);
    item->setFont(Word, font);
}

void QueuePanel::showTotals()
{
    const int waiting = m_queue->waitingCount(), done = m_queue->count(State::Done), failed = m_queue->count(State::Failed);
    const double left = m_queue->secondsLeft();
    QStringList words;
    if (m_queue->entries().empty())
        words << tr("Nothing was exported yet. Ctrl+E puts frames into the queue.");
    else if (m_queue->isPaused() && (waiting > 0 || m_queue->isBusy()))
        words << (m_queue->isBusy() ? tr("Pauses after this frame.") : tr("Paused; %1 waiting.").arg(waiting));
    else if (m_queue->isBusy())
        words << (left < 0 ? tr("%1 waiting.").arg(waiting) : tr("%1 waiting, about %2 left in all.").arg(waiting).arg(durationWords(left)));
    else
        words << tr("Done.");
    if (done > 0)
        words << (done == 1 ? tr("1 written and verified.") : tr("%n written and verified.", nullptr, done));
    if (failed > 0)
        words << (failed == 1 ? tr("1 failed; its original is as it was.") : tr("%n failed; their originals are as they were.", nullptr, failed));
    m_total->setText(words.join(u' '));
    m_pause->setText(m_queue->isPaused() ? tr("Resume") : tr("Pause"));
    m_pause->setEnabled(m_queue->isPaused() || m_queue->isBusy());
    m_cancel->setEnabled(waiting > 0 || m_queue->isBusy());
    m_retry->setEnabled(failed > 0);
    m_report->setEnabled(m_queue->overCount() > 0);
    m_clear->setEnabled(m_queue->overCount() > 0);
}

void QueuePanel::openWith(const QString &file)
{
    QSettings settings;
    const QString before = settings.value(QLatin1String(kProgram), QStringLiteral("/usr/bin")).toString();
    const QString program = QFileDialog::getOpenFileName(this, tr("Open with which program?"), before);
    if (program.isEmpty())
        return;
    settings.setValue(QLatin1String(kProgram), program);
    if (!QProcess::startDetached(program, {file}))
        emit told(tr("%1 could not be started.").arg(QFileInfo(program).fileName()));
}

void QueuePanel::saveReport()
{
    const QString name = QFileDialog::getSaveFileName(this, tr("Report of the queue"), freeFile(QDir::homePath(), QStringLiteral("exports"), QStringLiteral(".txt")), tr("Text (*.txt)"), nullptr, QFileDialog::DontConfirmOverwrite);
    if (name.isEmpty())
        return;
    const std::string text = m_queue->report().toStdString();
    if (const Status s = writeNewFile(fileOf(name), std::as_bytes(std::span(text))); !s)
        emit told(QString::fromStdString(s.error().userMessage));
}

void QueuePanel::contextMenuEvent(QContextMenuEvent *event)
{
    // The mouse asks about what it points at, the menu key about what is chosen.
    if (event->reason() == QContextMenuEvent::Mouse && !m_list->itemAt(m_list->viewport()->mapFrom(this, event->pos())))
        return;
    const ExportQueue::Entry *e = chosen();
    if (!e)
        return;
    const int id = e->id;
    const QString source = fileText(e->job.source), file = fileText(e->result);
    QMenu menu(this);
    if (!file.isEmpty()) {
        menu.addAction(tr("Open"), this, [file] { QDesktopServices::openUrl(QUrl::fromLocalFile(file)); });
        menu.addAction(tr("Open with..."), this, [this, file] { openWith(file); });
        menu.addAction(tr("Show in the file manager"), this, [file] { QDesktopServices::openUrl(QUrl::fromLocalFile(QFileInfo(file).absolutePath())); });
        menu.addAction(tr("Pin as a guest beside its original"), this, [this, source, file] { emit guestWanted(source, file); });
    } else if (e->state == State::Waiting) {
        menu.addAction(tr("Sooner (Alt+Up)"), this, [this, id] { m_queue->move(id, -1); });
        menu.addAction(tr("Later (Alt+Down)"), this, [this, id] { m_queue->move(id, 1); });
        menu.addAction(tr("First of all"), this, [this, id] { m_queue->move(id, -int(m_queue->entries().size())); });
        menu.addAction(tr("Cancel (Delete)"), this, [this, id] { m_queue->cancel(id); });
    } else if (e->state == State::Running) {
        menu.addAction(tr("Cancel (Delete)"), this, [this, id] { m_queue->cancel(id); });
    } else {
        menu.addAction(tr("Retry"), this, [this, id] { m_queue->retry(id); });
    }
    menu.exec(event->globalPos());
}

void QueuePanel::keyPressEvent(QKeyEvent *event)
{
    const ExportQueue::Entry *e = chosen();
    if (e && event->key() == Qt::Key_Delete)
        m_queue->cancel(e->id);
    else if (e && event->modifiers() == Qt::AltModifier && (event->key() == Qt::Key_Up || event->key() == Qt::Key_Down))
        m_queue->move(e->id, event->key() == Qt::Key_Up ? -1 : 1);
    else
        QWidget::keyPressEvent(event);
}

} // namespace irenic
