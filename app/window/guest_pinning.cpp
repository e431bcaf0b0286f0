// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/guest_pinning.h"

#include "session/paths.h"

#include <QFileDialog>
#include <QFileInfo>

namespace irenic {

GuestPinning::GuestPinning(Session *session, QWidget *window) : QObject(window), m_session(session), m_window(window)
{
    connect(&session->roll(), &Roll::guestsWanted, this, [this](const QString &path, const QStringList &files) {
        for (const QString &file : files)
            want(path, file);
    });
    connect(&session->roll(), &Roll::frameChanged, this, &GuestPinning::loadWanted);
    connect(session, &Session::restored, this, [this] { m_wanted.clear(); });
    connect(&m_loader, &GuestLoader::loaded, this, &GuestPinning::take);
    connect(&m_loader, &GuestLoader::failed, this, &GuestPinning::giveUp);
}

void GuestPinning::pin(const QStringList &files)
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f || files.isEmpty())
        return;
    for (const QString &file : files)
        want(f->path, file);
    emit told(files.size() == 1 ? tr("Matching %1 ...").arg(QFileInfo(files.front()).fileName()) : tr("Matching %n guests ...", nullptr, int(files.size())));
}

void GuestPinning::choose()
{
    if (const RollFrame *f = m_session->viewing().readyFrame())
        pin(QFileDialog::getOpenFileNames(m_window, tr("Pin renditions of this frame made elsewhere"), QFileInfo(f->path).absolutePath(), tr("Pictures (*.tif *.tiff *.jpg *.jpeg *.png *.jxl *.heic *.heif *.avif *.dng)")));
}

void GuestPinning::pinTruth()
{
    if (const RollFrame *f = m_session->viewing().readyFrame(); f && !f->truthFile.isEmpty())
        pin({f->truthFile});
}

void GuestPinning::want(const QString &path, const QString &file)
{
    const std::pair wanted(path, file);
    if (!m_loading.contains(wanted) && !m_wanted.contains(wanted))
        m_wanted.append(wanted);
    loadWanted();
}

void GuestPinning::loadWanted()
{
    m_wanted.removeIf([this](const std::pair<QString, QString> &wanted) {
        const int index = m_session->roll().indexOf(wanted.first);
        if (index < 0)
            return true;
        const RollFrame &f = m_session->roll().frame(index);
        if (f.state != RollFrame::State::Ready)
            return false;
        m_loading.append(wanted);
        m_session->roll().makeRoom(size_t(f.frame->crop.size().area()) * kGuestBytesAPixel);
        m_loader.load(wanted.first, f.frame, wanted.second);
        return true;
    });
}

void GuestPinning::take(const QString &path, const QString &file, const std::shared_ptr<const Guest> &guest)
{
    m_loading.removeOne({path, file});
    const int index = m_session->roll().indexOf(path);
    const bool isNew = index >= 0 && !m_session->roll().frame(index).guestFiles.contains(file);
    m_session->editing().pinGuest(path, file, guest);
    if (isNew)
        emit told(tr("Pinned %1. %2").arg(fileText(guest->file.filename()), QString::fromStdString(guest->words)));
}

void GuestPinning::giveUp(const QString &path, const QString &file, const QString &problem)
{
    m_loading.removeOne({path, file});
    const int index = m_session->roll().indexOf(path);
    const bool wasPinned = index >= 0 && m_session->roll().frame(index).guestFiles.contains(file);
    m_session->roll().noteGuestLost(path, file);
    emit told(wasPinned ? tr("%1 It stays in the session as a guest of %2.").arg(problem, QFileInfo(path).fileName()) : problem);
}

} // namespace irenic
