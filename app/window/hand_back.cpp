// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/hand_back.h"

#include "session/paths.h"

#include <QFileInfo>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QThreadPool>

namespace irenic {

namespace {

/// The format that keeps a file's name; nothing for what is no finished picture.
std::optional<ExportFormat> formatOfName(const QString &file)
{
    const QString ending = QFileInfo(file).suffix().toLower();
    if (ending == u"tif" || ending == u"tiff")
        return ExportFormat::Tiff;
    if (ending == u"jpg" || ending == u"jpeg")
        return ExportFormat::Jpeg;
    if (ending == u"png")
        return ExportFormat::Png;
    return std::nullopt;
}

/// Where results are made that are to take another file's place: beside it, so that renaming is one step.
constexpr const char *kNameInPlace = ".{name}-irenic";

} // namespace

HandBack::HandBack(Session *session, const QString &file, bool inPlace, QWidget *parent) : QFrame(parent), m_session(session), m_file(file), m_inPlace(inPlace)
{
    setObjectName(QStringLiteral("handBack"));
    std::error_code ec;
    m_asSent = std::filesystem::last_write_time(fileOf(file), ec);
    auto *row = new QHBoxLayout(this);
    m_words = new QLabel;
    m_words->setObjectName(QStringLiteral("handBackWords"));
    m_words->setWordWrap(true);
    m_leave = new QPushButton(tr("Leave &unchanged"));
    m_leave->setObjectName(QStringLiteral("handBackLeave"));
    m_send = new QPushButton(tr("Hand &back"));
    m_send->setObjectName(QStringLiteral("handBackSend"));
    m_send->setDefault(true);
    row->addWidget(m_words, 1);
    row->addWidget(m_leave);
    row->addWidget(m_send);
    connect(m_send, &QPushButton::clicked, this, &HandBack::send);
    connect(m_leave, &QPushButton::clicked, this, [this] {
        m_stop.request_stop();
        emit leftUnchanged();
    });
    connect(&m_session->roll(), &Roll::frameChanged, this, &HandBack::tellState);
    connect(&m_session->roll(), &Roll::choicesChanged, this, &HandBack::tellState);
    connect(&m_session->viewing(), &Viewing::columnChanged, this, &HandBack::tellState);
    connect(&m_session->viewing(), &Viewing::currentChanged, this, &HandBack::tellState);
    tellState();
}

HandBack::~HandBack()
{
    m_stop.request_stop();
}

void HandBack::tellState()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    const bool isIt = f && f->path == m_file;
    m_send->setEnabled(isIt && !m_busy);
    if (m_busy) {
        m_words->setText(tr("%1 is being cleaned ...").arg(QFileInfo(m_file).fileName()));
        return;
    }
    if (!isIt) {
        m_words->setText(tr("%1 was sent by another program.").arg(QFileInfo(m_file).fileName()));
        return;
    }
    const QString trial = trialLetter(trialFor(*m_session, m_session->viewing().current()));
    m_words->setText(m_inPlace ? tr("Trial %1 takes the place of %2.").arg(trial, QFileInfo(m_file).fileName()) : tr("Trial %1 of %2 goes back as a file beside it.").arg(trial, QFileInfo(m_file).fileName()));
}

void HandBack::send()
{
    ExportChoices choices = ExportChoices::load();
    choices.frames = ExportChoices::Frames::This;
    choices.place = ExportChoices::Place::Beside;
    choices.again = true;
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f || f->path != m_file)
        return;
    if (m_inPlace) {
        const auto format = formatOfName(m_file);
        if (!format || f->frame->kind != FrameKind::Rendered) {
            m_words->setText(tr("%1 is no finished picture; it stays as it is.").arg(QFileInfo(m_file).fileName()));
            return;
        }
        choices.formats = {*format};
        choices.name = QString::fromLatin1(kNameInPlace);
        choices.options.profile = OutputProfile::Own;
        choices.options.bits = f->frame->shooting.bitDepth <= 8 ? 8 : 16;
        choices.sidecar = false;
    }
    auto requests = choices.requests(*m_session);
    if (requests.empty())
        return;
    m_busy = true;
    tellState();
    QThreadPool::globalInstance()->start([guard = QPointer<HandBack>(this), request = std::move(requests.front()), stop = m_stop.get_token()] {
        auto outcome = std::make_shared<Result<ExportOutcome>>(runExportJob(request.job, request.frame, request.noise, {0, stop, {}}));
        QMetaObject::invokeMethod(
            qApp, [guard, outcome] {
                if (guard)
                    guard->finish(*outcome);
            },
            Qt::QueuedConnection);
    });
}

void HandBack::finish(const Result<ExportOutcome> &outcome)
{
    m_busy = false;
    if (!outcome) {
        tellState();
        m_words->setText(QString::fromStdString(outcome.error().userMessage));
        return;
    }
    std::filesystem::path file = outcome.value().report.file;
    if (m_inPlace) {
        std::error_code ec;
        const std::filesystem::path target = fileOf(m_file);
        const bool untouched = std::filesystem::last_write_time(target, ec) == m_asSent && !ec;
        if (untouched)
            std::filesystem::rename(file, target, ec);
        if (!untouched || ec) {
            std::error_code ignored;
            std::filesystem::remove(file, ignored);
            tellState();
            m_words->setText(untouched ? tr("%1 could not be replaced: %2. It is as it was.").arg(QFileInfo(m_file).fileName(), QString::fromStdString(ec.message()))
                                       : tr("%1 was changed meanwhile by another program; it stays as it is.").arg(QFileInfo(m_file).fileName()));
            return;
        }
        file = target;
    }
    m_result = fileText(file);
    emit handedBack(m_result);
}

} // namespace irenic
