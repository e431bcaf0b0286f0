// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/start.h"

#include "jobs/pane_renderer.h"
#include "view/accessible.h"
#include "view/paper_style.h"
#include "view/tones.h"

#include <QApplication>
#include <QFontDatabase>

namespace irenic {

void prepareApplication(QApplication &application)
{
    QCoreApplication::setApplicationName(QStringLiteral("irenic"));
    QCoreApplication::setOrganizationName(QStringLiteral("irenic"));
    QCoreApplication::setApplicationVersion(QStringLiteral(IRENIC_VERSION));
    qRegisterMetaType<std::shared_ptr<const Frame>>("std::shared_ptr<const irenic::Frame>");
    qRegisterMetaType<std::shared_ptr<const NoiseReport>>("std::shared_ptr<const irenic::NoiseReport>");
    qRegisterMetaType<ShootingData>("irenic::ShootingData");
    installAccessibility();
    application.setStyle(new PaperStyle);
    for (const char *face : {"Regular", "Semibold", "Bold"})
        QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/Lato-%1.ttf").arg(QLatin1String(face)));
    // The size follows the desktop's; only the family is ours, for its figures of equal width.
    QFont font = application.font();
    font.setFamily(QStringLiteral("Lato"));
    if (font.pointSizeF() < 9.5)
        font.setPointSizeF(9.5);
    application.setFont(font);
    application.setPalette(Tones::of(Tones::Wall::Mid).palette());
}

} // namespace irenic
