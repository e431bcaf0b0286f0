// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/decision_book.h"

#include "irenic/document.h"
#include "irenic/parameter.h"
#include "irenic/sentence.h"
#include "session/paths.h"

#include <QDir>
#include <QFileInfo>
#include <QStandardPaths>

namespace irenic {

QString DecisionBook::usualFile()
{
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/decisions.json");
}

DecisionBook::DecisionBook(const QString &file, QObject *parent) : QObject(parent), m_file(file)
{
    if (!QFileInfo::exists(file))
        return;
    const Result<std::string> text = documentText(fileOf(file), visible("list of decisions"));
    Result<Decisions> read = text ? decisionsFromText(text.value(), textOf(fileOf(file))) : Result<Decisions>(text.error());
    if (read)
        m_decisions = read.take();
    else
        m_problem = QString::fromStdString(read.error().userMessage);
}

Status DecisionBook::keep(const Decisions &decisions)
{
    if (!m_problem.isEmpty())
        return Error{ErrorCode::WriteFailed, m_problem.toStdString(), {}};
    if (!QDir().mkpath(QFileInfo(m_file).path()))
        return Error{ErrorCode::WriteFailed, sentence("The folder of %1 cannot be made; what was decided is not remembered.", {textOf(fileOf(m_file))}), {}};
    if (const Status s = replaceDocument(fileOf(m_file), decisionsText(decisions)); !s)
        return s;
    m_decisions = decisions;
    emit changed();
    return {};
}

Status DecisionBook::note(const std::vector<Decision> &decisions)
{
    if (decisions.empty())
        return {};
    Decisions after = m_decisions;
    for (const Decision &d : decisions)
        after.note(d);
    return keep(after);
}

Status DecisionBook::forget(const QList<int> &which)
{
    QList<int> sorted = which;
    std::sort(sorted.begin(), sorted.end(), std::greater<>());
    Decisions after = m_decisions;
    for (const int i : sorted)
        after.forget(size_t(i));
    return keep(after);
}

Status DecisionBook::forgetAll()
{
    Decisions after = m_decisions;
    after.forgetAll();
    return keep(after);
}

Status DecisionBook::exportTo(const QString &file) const
{
    const std::string text = decisionsText(m_decisions);
    return writeNewFile(fileOf(file), std::as_bytes(std::span(text)));
}

} // namespace irenic
