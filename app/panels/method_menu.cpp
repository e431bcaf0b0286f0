// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/method_menu.h"

#include <QActionGroup>
#include <QMenu>

namespace irenic {

void fillMethodMenu(QMenu *menu, const Treatment &shown, FrameKind kind, const std::function<QString(const Treatment &)> &exportWords, const std::function<void(const QString &, const QString &)> &choose)
{
    menu->clear(); // but for what the last time made beside actions
    qDeleteAll(menu->findChildren<QMenu *>(QString(), Qt::FindDirectChildrenOnly));
    qDeleteAll(menu->findChildren<QActionGroup *>(QString(), Qt::FindDirectChildrenOnly));
    menu->setToolTipsVisible(true);
    const QString colours = QString::fromStdString(shown.isMixed() ? shown.colourMethod : std::string());
    auto *ofLuminance = new QActionGroup(menu), *ofColour = new QActionGroup(menu);
    const auto add = [](QMenu *to, QActionGroup *group, const QString &text, const QString &tip, const QString &time, bool checked) {
        QAction *a = to->addAction(time.isEmpty() ? text : text + u'\t' + time); // in the column of the shortcuts
        a->setToolTip(time.isEmpty() ? tip : QObject::tr("%1\nAn export of this frame: about %2").arg(tip, time).trimmed());
        a->setCheckable(true);
        a->setChecked(checked);
        group->addAction(a);
        return a;
    };
    const auto offered = [kind](const std::string &chosen) { // what a recipe chose is offered, too
        auto all = methodsFor(kind);
        if (const MethodInfo *m = findMethod(chosen); m && std::find(all.begin(), all.end(), m) == all.end())
            all.push_back(m);
        return all;
    };
    for (const MethodInfo *m : offered(shown.method)) {
        const QString id = QString::fromUtf8(m->id);
        Treatment t = shown;
        t.method = m->id;
        QObject::connect(add(menu, ofLuminance, QObject::tr(m->label), QObject::tr("%1\n%2").arg(QObject::tr(m->goodAt), QObject::tr(m->cost)), exportWords(t), shown.method == m->id), &QAction::triggered, menu, [choose, id, colours] { choose(id, colours); });
    }
    menu->addSeparator();
    QMenu *other = menu->addMenu(QObject::tr("Colours by"));
    other->setPalette(menu->palette());
    other->setToolTipsVisible(true);
    const QString own = QString::fromStdString(shown.method);
    Treatment t = shown;
    t.colourMethod.clear();
    QObject::connect(add(other, ofColour, QObject::tr("the same method"), {}, exportWords(t), !shown.isMixed()), &QAction::triggered, menu, [choose, own] { choose(own, {}); });
    for (const MethodInfo *m : offered(shown.colourMethod)) {
        const QString id = QString::fromUtf8(m->id);
        t.colourMethod = m->id;
        if (id != own)
            QObject::connect(add(other, ofColour, QObject::tr(m->label), QObject::tr(m->cost), exportWords(t), colours == id), &QAction::triggered, menu, [choose, own, id] { choose(own, id); });
    }
}

} // namespace irenic
