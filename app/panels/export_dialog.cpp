// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/export_dialog.h"

#include <QCheckBox>
#include <QDialogButtonBox>
#include <QFileDialog>
#include <QFileInfo>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QRadioButton>
#include <QSettings>

namespace irenic {

namespace {

constexpr int kNamesShown = 4;

/// The keeper, or the trial with the keyboard where none was chosen.
int trialFor(const Session &session, int index)
{
    const int keeper = session.frame(index).keeper;
    return keeper >= 0 ? keeper : std::clamp(session.column(), 0, session.frame(index).trialCount() - 1);
}

} // namespace

/// The formats that were ticked and that the frame can be written in: a finished picture cannot become a DNG.
QList<ExportFormat> ExportDialog::formatsFor(const RollFrame &frame) const
{
    QList<ExportFormat> all;
    if (m_dng->isChecked() && frame.frame->kind != FrameKind::Rendered)
        all << ExportFormat::Dng;
    if (m_tiff->isChecked())
        all << ExportFormat::Tiff;
    if (m_jpeg->isChecked())
        all << ExportFormat::Jpeg;
    if (m_png->isChecked())
        all << ExportFormat::Png;
    return all;
}

ExportDialog::ExportDialog(const Session &session, QWidget *parent) : QDialog(parent), m_session(session)
{
    setWindowTitle(tr("Export"));
    setMinimumWidth(520);
    const RollFrame &frame = *session.currentFrame();
    const QString letter = trialLetter(trialFor(session, session.current()));
    m_thisFrame = new QRadioButton(frame.keeper >= 0 ? tr("%1, with its keeper %2").arg(frame.name(), letter)
                                                     : tr("%1, with trial %2 (no keeper is chosen)").arg(frame.name(), letter));
    int keepers = 0;
    for (int i = 0; i < session.count(); ++i)
        keepers += session.frame(i).keeper >= 0;
    m_allKeepers = new QRadioButton(keepers == 1 ? tr("The one frame that has a keeper") : tr("All %1 frames that have a keeper").arg(keepers));
    m_allKeepers->setEnabled(keepers > 0);
    m_thisFrame->setChecked(true);
    m_dng = new QCheckBox(tr("DNG, still raw: white balance and colour as in the original"));
    m_tiff = new QCheckBox(tr("TIFF, rendered: 16 bits, sRGB; a finished picture keeps its own profile"));
    m_dng->setObjectName(QStringLiteral("asDng"));
    m_tiff->setObjectName(QStringLiteral("asTiff"));
    const bool finished = frame.frame->kind == FrameKind::Rendered;
    m_jpeg = new QCheckBox(tr("JPEG, a proof in 8 bits"));
    m_jpeg->setObjectName(QStringLiteral("asJpeg"));
    m_png = new QCheckBox(tr("PNG, a proof in 8 bits"));
    m_png->setObjectName(QStringLiteral("asPng"));
    for (QCheckBox *proof : {m_jpeg, m_png})
        proof->setToolTip(tr("Smooth tones may show bands once such a file is edited; edit the DNG or the TIFF"));
    m_dng->setChecked(!finished);
    m_tiff->setChecked(finished);
    const QSettings settings;
    m_folder = new QLineEdit(settings.value(QStringLiteral("export/folder"), QFileInfo(frame.path).absolutePath()).toString());
    m_folder->setObjectName(QStringLiteral("folder"));
    if (!QFileInfo(m_folder->text()).isDir())
        m_folder->setText(QFileInfo(frame.path).absolutePath());
    auto *choose = new QPushButton(tr("Choose..."));
    m_name = new QLineEdit(settings.value(QStringLiteral("export/name"), QString::fromLatin1(kDefaultNameTemplate)).toString());
    m_name->setObjectName(QStringLiteral("name"));
    m_name->setToolTip(tr("{name}, {method}, {luminance}, {colour}, {iso} and {date} are filled in."));
    m_preview = new QLabel;
    m_preview->setObjectName(QStringLiteral("preview"));
    m_preview->setWordWrap(true);
    m_preview->setMinimumHeight(fontMetrics().height() * (kNamesShown + 1));
    m_preview->setAlignment(Qt::AlignVCenter | Qt::AlignLeft);
    m_buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    m_buttons->button(QDialogButtonBox::Ok)->setText(tr("Export"));
    for (QAbstractButton *b : m_buttons->buttons())
        b->setIcon({}); // words are enough, and coloured icons are not neutral

    auto *form = new QFormLayout(this);
    form->setVerticalSpacing(8);
    form->addRow(tr("Frames"), m_thisFrame);
    form->addRow(QString(), m_allKeepers);
    form->addRow(tr("As"), m_dng);
    form->addRow(QString(), m_tiff);
    form->addRow(QString(), m_jpeg);
    form->addRow(QString(), m_png);
    auto *place = new QHBoxLayout;
    place->addWidget(m_folder, 1);
    place->addWidget(choose);
    form->addRow(tr("Folder"), place);
    form->addRow(tr("Name"), m_name);
    m_preview->setMinimumHeight(m_name->sizeHint().height()); // its label sits as the others do
    form->addRow(tr("Will write"), m_preview);
    form->addRow(m_buttons);
    connect(choose, &QPushButton::clicked, this, &ExportDialog::chooseFolder);
    connect(m_buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(m_buttons, &QDialogButtonBox::accepted, this, [this] {
        QSettings s;
        s.setValue(QStringLiteral("export/folder"), m_folder->text());
        s.setValue(QStringLiteral("export/name"), m_name->text());
        accept();
    });
    for (auto *b : {static_cast<QAbstractButton *>(m_thisFrame), static_cast<QAbstractButton *>(m_allKeepers), static_cast<QAbstractButton *>(m_dng), static_cast<QAbstractButton *>(m_tiff), static_cast<QAbstractButton *>(m_jpeg), static_cast<QAbstractButton *>(m_png)})
        connect(b, &QAbstractButton::toggled, this, &ExportDialog::refresh);
    for (auto *e : {m_folder, m_name})
        connect(e, &QLineEdit::textChanged, this, &ExportDialog::refresh);
    refresh();
}

QList<int> ExportDialog::frames() const
{
    if (m_thisFrame->isChecked())
        return {m_session.current()};
    QList<int> all;
    for (int i = 0; i < m_session.count(); ++i)
        if (m_session.frame(i).keeper >= 0)
            all.append(i);
    return all;
}

void ExportDialog::refresh()
{
    QStringList names;
    QString problem;
    if (!QFileInfo(m_folder->text()).isDir())
        problem = tr("There is no such folder.");
    else if (!m_dng->isChecked() && !m_tiff->isChecked() && !m_jpeg->isChecked() && !m_png->isChecked())
        problem = tr("Choose at least one format.");
    for (const int i : frames()) {
        const RollFrame &f = m_session.frame(i);
        const auto name = expandName(m_name->text().toStdString(), *f.frame, f.trials[size_t(trialFor(m_session, i))]);
        if (!name) {
            problem = QString::fromStdString(name.error().userMessage);
            break;
        }
        const QList<ExportFormat> formats = formatsFor(f);
        if (formats.isEmpty() && problem.isEmpty())
            problem = tr("%1 is a finished picture and not raw: it can be written as a TIFF or a proof.").arg(f.name());
        for (const ExportFormat format : formats)
            if (problem.isEmpty())
                names << QString::fromStdString(freeName(m_folder->text().toStdString(), name.value(), format).filename().string());
    }
    if (names.size() > kNamesShown) {
        const auto more = names.size() - (kNamesShown - 1);
        names = names.mid(0, kNamesShown - 1) << tr("and %1 more").arg(more);
    }
    m_preview->setText(problem.isEmpty() ? names.join(u'\n') : problem);
    m_buttons->button(QDialogButtonBox::Ok)->setEnabled(problem.isEmpty());
}

void ExportDialog::chooseFolder()
{
    const QString folder = QFileDialog::getExistingDirectory(this, tr("Folder for the exports"), m_folder->text());
    if (!folder.isEmpty())
        m_folder->setText(folder);
}

QList<ExportJob> ExportDialog::jobs() const
{
    QList<ExportJob> all;
    if (result() != Accepted)
        return all;
    for (const int i : frames()) {
        const RollFrame &f = m_session.frame(i);
        for (const ExportFormat format : formatsFor(f))
            all.append({f.path, f.frame, f.noise, f.trials[size_t(trialFor(m_session, i))], m_folder->text(), m_name->text(), format});
    }
    return all;
}

} // namespace irenic
