// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/output_proof.h"

#include "session/viewing.h"
#include "window/screen_profile.h"
#include "window/settings.h"

#include <QFileDialog>
#include <QFileInfo>

namespace irenic {

OutputProof::OutputProof(Viewing *viewing, Settings *settings, QObject *parent) : QObject(parent), m_viewing(viewing), m_settings(settings)
{
    if (!use(settings->proofProfile, settings->proofPaper)) // its file may be on a drive that is away
        use({}, settings->proofPaper);
}

bool OutputProof::use(const QString &file, bool paper)
{
    std::shared_ptr<const SoftProof> proof; // none stands for sRGB
    if (!file.isEmpty()) {
        const std::vector<uint8_t> profile = profileOfFile(file);
        if (profile.empty()) {
            emit problem(tr("The output profile %1 cannot be read.").arg(file));
            return false;
        }
        const auto made = SoftProof::from(profile, paper);
        if (!made) {
            emit problem(QString::fromStdString(made.error().userMessage));
            return false;
        }
        proof = made.value();
    }
    m_file = file;
    m_paper = paper;
    m_proof = std::move(proof);
    m_viewing->setProof(m_proof);
    return true;
}

void OutputProof::choose(const QString &file)
{
    if (use(file, m_settings->proofPaper))
        m_settings->proofProfile = file;
    emit changed();
}

void OutputProof::chooseFile(QWidget *over)
{
    const QString file = QFileDialog::getOpenFileName(over, tr("Profile of the output"), QFileInfo(m_file).path(), tr("ICC profiles (*.icc *.icm)"));
    file.isEmpty() ? emit changed() : choose(file);
}

void OutputProof::setPaper(bool paper)
{
    if (use(m_file, paper))
        m_settings->proofPaper = paper;
    emit changed();
}

QString OutputProof::name() const
{
    if (!m_proof)
        return QStringLiteral("sRGB");
    const QString own = QString::fromStdString(m_proof->name());
    return own.isEmpty() ? QFileInfo(m_file).fileName() : own;
}

} // namespace irenic
