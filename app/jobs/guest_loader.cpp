// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/guest_loader.h"

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
        Result<Guest> guest = readGuest(file.toStdString(), frame, {0, stop, {}});
        if (guest)
            emit loaded(path, std::make_shared<const Guest>(guest.take()));
        else if (guest.error().code != ErrorCode::Cancelled)
            emit failed(QString::fromStdString(guest.error().userMessage));
    });
}

} // namespace irenic
