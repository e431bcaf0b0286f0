// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/guest_loader.h"

#include "irenic/barrier.h"
#include "session/paths.h"

namespace irenic {

GuestLoader::GuestLoader(QObject *parent) : QObject(parent)
{
    m_pool.setMaxThreadCount(1);
}

GuestLoader::~GuestLoader()
{
    m_stop.request_stop();
    m_pool.clear();
    m_pool.waitForDone();
}

void GuestLoader::load(const QString &path, const std::shared_ptr<const Frame> &frame, const QString &file)
{
    m_pool.start([this, path, frame, file, stop = m_stop.get_token()] {
        Result<Guest> guest = behindBarrier(textOf(fileOf(file).filename()), [&] { return readGuest(fileOf(file), frame, {0, stop, {}}); });
        if (guest)
            emit loaded(path, file, std::make_shared<const Guest>(guest.take()));
        else if (guest.error().code != ErrorCode::Cancelled)
            emit failed(path, file, QString::fromStdString(guest.error().userMessage));
    });
}

} // namespace irenic
