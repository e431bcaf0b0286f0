// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/export_dialog.h"

#include "session/paths.h"
#include "view/durations.h"

#include <QButtonGroup>
#include <QCheckBox>
#include <QComboBox>
#include <QDialogButtonBox>
#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QMessageBox>
#include <QPushButton>
#include <QRadioButton>
#include <QSpinBox>

namespace irenic {

namespace {

using Frames = ExportChoices::Frames;
using Place = ExportChoices::Place;
constexpr int kNamesShown = 4;
constexpr int kBits[] = {8, 16, 32};
constexpr std::array kDngCompressions{DngCompression::LosslessJpeg, DngCompression::JpegXl, DngCompression::None};
constexpr std::array kCompressions{TiffCompression::None, TiffCompression::Deflate, TiffCompression::Lzw};
constexpr std::array kProfiles{OutputProfile::Own, OutputProfile::Srgb, OutputProfile::Wide, OutputProfile::Linear};
enum ClashLine {
    NextNumber,
    Ask,
    LeaveOut,
};

template <class T, size_t n>
int lineOf(const std::array<T, n> &all, T one)
{
    return int(std::find(all.begin(), all.end(), one) - all.begin());
}

QHBoxLayout *rowIn(QVBoxLayout *column)
{
    auto *row = new QHBoxLayout;
    row->setContentsMargins(0, 0, 0, 0);
    column->addLayout(row);
    return row;
}

QVBoxLayout *columnOf(QWidget *box)
{
    auto *column = new QVBoxLayout(box);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(5);
    return column;
}

} // namespace

ExportDialog::ExportDialog(const Session &session, const std::vector<Recipe> &recipes, double pace, const QList<int> &chosen, QWidget *parent)
    : QDialog(parent), m_session(session), m_recipes(recipes), m_start(ExportChoices::load()), m_pace(pace)
{
    m_start.chosen = chosen;
    setWindowTitle(tr("Export"));
    setMinimumWidth(600);
    m_preview = new QLabel;
    m_preview->setObjectName(QStringLiteral("preview"));
    m_preview->setWordWrap(true);
    m_time = new QLabel;
    m_time->setObjectName(QStringLiteral("time"));
    m_note = new QLabel(tr("8 bits hold 256 steps of each colour: smooth tones may show bands once such a file is edited. The last step is dithered against it."));
    m_note->setObjectName(QStringLiteral("eightBits"));
    m_note->setWordWrap(true);
    m_samplesAlone = new QLabel(tr("A DNG of sensor samples does not hold the network's full colour: the program that opens it demosaics the cleaned samples. A linear DNG, TIFF, JPEG or PNG holds it."));
    m_samplesAlone->setObjectName(QStringLiteral("samplesAlone"));
    m_samplesAlone->setWordWrap(true);
    m_buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    m_buttons->button(QDialogButtonBox::Ok)->setText(tr("Export"));
    for (QAbstractButton *b : m_buttons->buttons())
        b->setIcon({}); // words are enough, and coloured icons are not neutral

    auto *form = new QFormLayout(this);
    form->setVerticalSpacing(9);
    form->setHorizontalSpacing(14);
    form->setSizeConstraint(QLayout::SetMinimumSize); // grows with what it has to say
    form->addRow(tr("Frames"), makeFrames());
    form->addRow(tr("As"), makeFormats());
    form->addRow(tr("Rendered"), makeRendered());
    form->addRow(QString(), m_note);
    form->addRow(QString(), m_samplesAlone);
    form->addRow(tr("Where"), makePlace());
    m_name = new QLineEdit(m_start.name);
    m_name->setObjectName(QStringLiteral("name"));
    m_name->setToolTip(tr("{name}, {trial}, {method}, {luminance}, {colour}, {iso}, {date} and {counter} are filled in."));
    m_clash = new QComboBox;
    m_clash->setObjectName(QStringLiteral("clash"));
    m_clash->addItems({tr("the next number"), tr("ask"), tr("left out")});
    m_clash->setCurrentIndex(m_start.askClash ? Ask : m_start.clash == ExportJob::Clash::Skip ? LeaveOut
                                                                                              : NextNumber);
    auto *names = new QHBoxLayout;
    names->addWidget(m_name, 1);
    names->addSpacing(6);
    auto *taken = new QLabel(tr("where taken:"));
    taken->setBuddy(m_clash);
    names->addWidget(taken);
    names->addSpacing(6);
    names->addWidget(m_clash);
    form->addRow(tr("Name"), names);
    m_sidecar = new QCheckBox(tr("copy the XMP sidecar of an original along, under the new name"));
    m_sidecar->setObjectName(QStringLiteral("sidecar"));
    m_sidecar->setChecked(m_start.sidecar);
    form->addRow(QString(), m_sidecar);
    form->addRow(tr("Will write"), m_preview);
    form->addRow(tr("Takes"), m_time);
    form->addRow(m_buttons);

    connect(m_buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(m_buttons, &QDialogButtonBox::accepted, this, &ExportDialog::accept);
    for (auto *b : findChildren<QAbstractButton *>())
        if (b->isCheckable())
            connect(b, &QAbstractButton::toggled, this, &ExportDialog::refresh);
    for (auto *e : findChildren<QLineEdit *>())
        connect(e, &QLineEdit::textChanged, this, &ExportDialog::refresh);
    for (auto *c : findChildren<QComboBox *>())
        connect(c, &QComboBox::currentIndexChanged, this, &ExportDialog::refresh);
    refresh();
}

QWidget *ExportDialog::makeFrames()
{
    auto *box = new QWidget;
    auto *column = columnOf(box);
    m_who = new QButtonGroup(this);
    const auto offer = [&](Frames who, const QString &text, bool possible, const QString &name) {
        auto *b = new QRadioButton(text);
        b->setObjectName(name);
        b->setEnabled(possible);
        m_who->addButton(b, int(who));
        return b;
    };
    const RollFrame &f = *m_session.viewing().readyFrame();
    const QString letter = trialLetter(trialFor(m_session, m_session.viewing().current()));
    ExportChoices count;
    const auto framesOf = [&](Frames who) {
        count.frames = who;
        return int(count.indexes(m_session).size());
    };
    if (!m_start.chosen.isEmpty())
        column->addWidget(offer(Frames::Chosen, m_start.chosen.size() == 1 ? tr("the chosen frame, with its keeper or its suggestion") : tr("the %n chosen frames, each with its keeper or its suggestion", nullptr, int(m_start.chosen.size())), true, QStringLiteral("chosenFrames")));
    const int keepers = framesOf(Frames::Keepers), all = framesOf(Frames::Suggestions);
    column->addWidget(offer(Frames::This, f.keeper >= 0 ? tr("%1, with its keeper %2").arg(f.name(), letter) : tr("%1, with trial %2 (no keeper is chosen)").arg(f.name(), letter), true, QStringLiteral("thisFrame")));
    column->addWidget(offer(Frames::Keepers, keepers == 0 ? tr("all frames that have a keeper (none has)") : keepers == 1 ? tr("the one frame that has a keeper")
                                                                                                                          : tr("all %n frames that have a keeper, each with its own", nullptr, keepers),
                            keepers > 0, QStringLiteral("keepers")));
    column->addWidget(offer(Frames::Suggestions, all == 1 ? tr("the one frame of the roll, measured and with its suggestion") : tr("all %n frames of the roll, each measured and with its own suggestion", nullptr, all), true, QStringLiteral("suggestions")));
    QHBoxLayout *row = rowIn(column);
    row->addWidget(offer(Frames::Alike, all == 1 ? tr("the one frame of the roll, with") : tr("all %n frames of the roll, alike with", nullptr, all), true, QStringLiteral("alike")));
    m_alike = new QComboBox;
    m_alike->setObjectName(QStringLiteral("alikeWith"));
    m_alike->setAccessibleName(tr("Treatment for all frames"));
    for (int t = 0; t < f.trialCount(); ++t) {
        m_alike->addItem(tr("trial %1: %2").arg(trialLetter(t), treatmentWords(f.trials[size_t(t)])));
        m_alikes.push_back(WantedTreatment::exactly(f.trials[size_t(t)]));
    }
    for (const Recipe &r : m_recipes) {
        m_alike->addItem(tr("recipe %1").arg(QString::fromStdString(r.name)));
        m_alikes.push_back(WantedTreatment::exactly(r.treatment));
    }
    m_alike->setCurrentIndex(std::max(0, f.keeper));
    m_alike->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    row->addWidget(m_alike, 1);
    m_sameNoise = new QCheckBox(tr("a series: treat all by this frame's noise, so that they stay identical"));
    m_sameNoise->setObjectName(QStringLiteral("sameNoise"));
    m_sameNoise->setToolTip(tr("For focus stacks, bursts and panoramas, whose frames are going to be joined"));
    column->addWidget(m_sameNoise);
    m_who->button(int(m_start.chosen.isEmpty() ? Frames::This : Frames::Chosen))->setChecked(true);
    return box;
}

QWidget *ExportDialog::makeFormats()
{
    auto *box = new QWidget;
    auto *column = columnOf(box);
    const auto offer = [&](QBoxLayout *to, const QString &text, ExportFormat format, const QString &name) {
        auto *b = new QCheckBox(text);
        b->setObjectName(name);
        b->setChecked(m_start.formats.contains(format));
        to->addWidget(b);
        return b;
    };
    QHBoxLayout *first = rowIn(column);
    m_dng = offer(first, tr("DNG, still raw: white balance and colour as in the original"), ExportFormat::Dng, QStringLiteral("asDng"));
    first->addStretch(1);
    m_dngCompression = new QComboBox;
    m_dngCompression->setObjectName(QStringLiteral("dngCompression"));
    m_dngCompression->setAccessibleName(tr("Compression of the DNG"));
    m_dngCompression->setToolTip(tr("Lossless JPEG is read everywhere. JPEG XL, without loss as well, is a little smaller, and read by few programs yet. Uncompressed takes twice the room."));
    m_dngCompression->addItems({tr("lossless JPEG"), tr("JPEG XL (DNG 1.7)"), tr("uncompressed")});
    m_dngCompression->setCurrentIndex(lineOf(kDngCompressions, m_start.options.dng));
    first->addWidget(m_dngCompression);
    m_linear = offer(column, tr("linear DNG: demosaiced, in the camera's own colours"), ExportFormat::LinearDng, QStringLiteral("asLinearDng"));
    QHBoxLayout *rendered = rowIn(column);
    m_tiff = offer(rendered, tr("TIFF, rendered"), ExportFormat::Tiff, QStringLiteral("asTiff"));
    m_jpeg = offer(rendered, tr("JPEG proof"), ExportFormat::Jpeg, QStringLiteral("asJpeg"));
    m_png = offer(rendered, tr("PNG proof"), ExportFormat::Png, QStringLiteral("asPng"));
    rendered->addStretch(1);
    if (m_session.viewing().readyFrame()->frame->kind == FrameKind::Rendered) { // it cannot become raw again
        m_dng->setChecked(false);
        m_linear->setChecked(false);
        m_tiff->setChecked(m_tiff->isChecked() || (!m_jpeg->isChecked() && !m_png->isChecked()));
    }
    return box;
}

QWidget *ExportDialog::makeRendered()
{
    auto *box = new QWidget;
    auto *row = new QHBoxLayout(box);
    row->setContentsMargins(0, 0, 0, 0);
    const auto choose = [&](const QStringList &lines, int at, const QString &name, const QString &accessible) {
        auto *c = new QComboBox;
        c->setObjectName(name);
        c->setAccessibleName(accessible);
        c->setToolTip(accessible);
        c->addItems(lines);
        c->setCurrentIndex(at);
        row->addWidget(c);
        return c;
    };
    m_bits = choose({tr("8 bits"), tr("16 bits"), tr("32 bits, floating point")}, m_start.options.bits == 8 ? 0 : m_start.options.bits == 16 ? 1
                                                                                                                                             : 2,
                    QStringLiteral("bits"), tr("Depth of the TIFF"));
    m_compression = choose({tr("uncompressed"), tr("deflate"), tr("LZW")}, lineOf(kCompressions, m_start.options.compression), QStringLiteral("compression"), tr("Compression of the TIFF"));
    m_profile = choose({tr("sRGB, or its own"), tr("sRGB"), tr("BT.2020, sRGB curve"), tr("BT.2020, linear")}, lineOf(kProfiles, m_start.options.profile), QStringLiteral("profile"), tr("Colour profile of rendered files; a finished picture can keep its own"));
    m_dpi = new QSpinBox;
    m_dpi->setObjectName(QStringLiteral("dpi"));
    m_dpi->setRange(1, 10000);
    m_dpi->setValue(int(m_start.options.dpi));
    m_dpi->setSuffix(tr(" dpi"));
    m_dpi->setAccessibleName(tr("Resolution of rendered files"));
    row->addWidget(m_dpi);
    row->addStretch(1);
    return box;
}

QWidget *ExportDialog::makePlace()
{
    auto *box = new QWidget;
    auto *column = columnOf(box);
    m_where = new QButtonGroup(this);
    const auto offer = [&](QBoxLayout *to, Place place, const QString &text, const QString &name) {
        auto *b = new QRadioButton(text);
        b->setObjectName(name);
        m_where->addButton(b, int(place));
        to->addWidget(b);
    };
    QHBoxLayout *near = rowIn(column);
    offer(near, Place::Beside, tr("beside the originals"), QStringLiteral("beside"));
    near->addSpacing(16);
    offer(near, Place::Subfolder, tr("in a folder there:"), QStringLiteral("inSubfolder"));
    m_subfolder = new QLineEdit(m_start.subfolder);
    m_subfolder->setObjectName(QStringLiteral("subfolder"));
    m_subfolder->setAccessibleName(tr("Folder beside the originals"));
    near->addWidget(m_subfolder, 1);
    QHBoxLayout *elsewhere = rowIn(column);
    offer(elsewhere, Place::Folder, tr("in"), QStringLiteral("inFolder"));
    m_folder = new QLineEdit(QFileInfo(m_start.folder).isDir() ? m_start.folder : QFileInfo(m_session.viewing().readyFrame()->path).absolutePath());
    m_folder->setObjectName(QStringLiteral("folder"));
    m_folder->setAccessibleName(tr("Folder for the exports"));
    elsewhere->addWidget(m_folder, 1);
    auto *choose = new QPushButton(tr("Choose..."));
    connect(choose, &QPushButton::clicked, this, &ExportDialog::chooseFolder);
    elsewhere->addWidget(choose);
    m_where->button(int(m_start.place))->setChecked(true);
    return box;
}

ExportChoices ExportDialog::choices() const
{
    ExportChoices c = m_start;
    c.frames = Frames(m_who->checkedId());
    c.alike = m_alikes[size_t(m_alike->currentIndex())];
    c.sameNoise = m_sameNoise->isEnabled() && m_sameNoise->isChecked();
    c.formats.clear();
    for (const auto &[box, format] : {std::pair{m_dng, ExportFormat::Dng}, std::pair{m_linear, ExportFormat::LinearDng}, std::pair{m_tiff, ExportFormat::Tiff}, std::pair{m_jpeg, ExportFormat::Jpeg}, std::pair{m_png, ExportFormat::Png}})
        if (box->isChecked())
            c.formats << format;
    c.options.dng = kDngCompressions[size_t(m_dngCompression->currentIndex())];
    c.options.bits = kBits[m_bits->currentIndex()];
    c.options.compression = kCompressions[size_t(m_compression->currentIndex())];
    c.options.profile = kProfiles[size_t(m_profile->currentIndex())];
    c.options.dpi = m_dpi->value();
    c.place = Place(m_where->checkedId());
    c.subfolder = m_subfolder->text().trimmed();
    c.folder = m_folder->text();
    c.name = m_name->text();
    c.askClash = m_clash->currentIndex() == Ask;
    c.clash = m_answer.value_or(m_clash->currentIndex() == LeaveOut ? ExportJob::Clash::Skip : ExportJob::Clash::Number);
    c.sidecar = m_sidecar->isChecked();
    return c;
}

void ExportDialog::refresh()
{
    const ExportChoices c = choices();
    const bool tiff = m_tiff->isChecked(), rendered = tiff || m_jpeg->isChecked() || m_png->isChecked();
    m_dngCompression->setEnabled(m_dng->isChecked() || m_linear->isChecked());
    for (QWidget *w : {static_cast<QWidget *>(m_bits), static_cast<QWidget *>(m_compression)})
        w->setEnabled(tiff);
    for (QWidget *w : {static_cast<QWidget *>(m_profile), static_cast<QWidget *>(m_dpi)})
        w->setEnabled(rendered);
    m_note->setVisible((tiff && c.options.bits == 8) || m_jpeg->isChecked() || m_png->isChecked());
    m_alike->setEnabled(c.frames == Frames::Alike);
    m_sameNoise->setEnabled(c.frames != Frames::This);
    m_subfolder->setEnabled(c.place == Place::Subfolder);
    m_folder->setEnabled(c.place == Place::Folder);

    QString problem;
    if (c.formats.isEmpty())
        problem = tr("Choose at least one format.");
    else if (c.place == Place::Folder && !QFileInfo(c.folder).isDir())
        problem = tr("There is no such folder.");
    else if (c.place == Place::Subfolder && (c.subfolder.isEmpty() || QDir::isAbsolutePath(c.subfolder) || c.subfolder.contains(QStringLiteral(".."))))
        problem = tr("Name a folder that lies in the folder of the originals.");
    QStringList names;
    double seconds = 0;
    int files = 0, unknown = 0;
    bool samplesAlone = false;
    for (const ExportRequest &r : problem.isEmpty() ? c.requests(m_session) : std::vector<ExportRequest>()) {
        ++files;
        unknown += r.expected == 0;
        const MethodInfo *method = findMethod(r.job.treatment.method);
        samplesAlone |= m_dng->isChecked() && method && method->givesColours && r.job.treatment.colourMethod.empty();
        seconds += r.expected * m_pace;
        const auto target = targetOf(r, m_session.roll().frame(m_session.roll().indexOf(fileText(r.job.source))), c.clash == ExportJob::Clash::Skip);
        if (!target)
            continue;
        if (!*target) {
            problem = QString::fromStdString(target->error().userMessage);
            break;
        }
        if (names.size() < kNamesShown)
            names << fileText(c.place == Place::Subfolder ? fileOf(c.subfolder) / target->value().filename() : target->value().filename());
    }
    m_samplesAlone->setVisible(samplesAlone);
    if (files > kNamesShown)
        names = names.mid(0, kNamesShown - 1) << tr("and %1 more").arg(files - int(std::min(names.size(), qsizetype(kNamesShown - 1))));
    m_preview->setMinimumHeight(fontMetrics().lineSpacing() * std::max(1, int(names.size())));
    m_preview->setText(problem.isEmpty() ? names.join(u'\n') : problem);
    const QString all = durationWords(seconds * files / std::max(1, files - unknown));
    m_time->setText(!problem.isEmpty() || files == 0 ? QString()
                    : unknown == files               ? tr("not known before the frames are measured")
                    : files == 1                     ? tr("about %1").arg(all)
                                                     : tr("about %1 in all for %n files, %2 each", nullptr, files).arg(all, durationWords(seconds / (files - unknown))));
    m_buttons->button(QDialogButtonBox::Ok)->setEnabled(problem.isEmpty() && files > 0);
}

void ExportDialog::chooseFolder()
{
    const QString folder = QFileDialog::getExistingDirectory(this, tr("Folder for the exports"), m_folder->text());
    if (folder.isEmpty())
        return;
    m_folder->setText(folder);
    m_where->button(int(Place::Folder))->setChecked(true);
}

bool ExportDialog::settleClashes()
{
    const ExportChoices c = choices();
    if (!c.askClash)
        return true;
    QStringList taken;
    for (const ExportRequest &r : c.requests(m_session))
        if (const auto target = targetOf(r, m_session.roll().frame(m_session.roll().indexOf(fileText(r.job.source))), true); target && *target && std::filesystem::exists(target->value()))
            taken << fileText(target->value().filename());
    if (taken.isEmpty())
        return true;
    QMessageBox box(QMessageBox::NoIcon, tr("Names are taken"), taken.size() == 1 ? tr("%1 is there already. It is never replaced.").arg(taken.front()) : tr("%n of these names are taken already, %1 the first. No file is ever replaced.", nullptr, int(taken.size())).arg(taken.front()), QMessageBox::Cancel, this);
    box.setObjectName(QStringLiteral("clashQuestion"));
    const auto *number = box.addButton(tr("Next number"), QMessageBox::AcceptRole);
    const auto *skip = box.addButton(tr("Leave out"), QMessageBox::AcceptRole);
    box.exec();
    if (box.clickedButton() != number && box.clickedButton() != skip)
        return false;
    m_answer = box.clickedButton() == skip ? ExportJob::Clash::Skip : ExportJob::Clash::Number;
    return true;
}

void ExportDialog::accept()
{
    if (!settleClashes())
        return;
    ExportChoices c = choices();
    if (c.askClash)
        c.clash = ExportJob::Clash::Number; // the answer was for this time
    c.save();
    QDialog::accept();
}

std::vector<ExportRequest> ExportDialog::requests() const
{
    return result() == Accepted ? choices().requests(m_session) : std::vector<ExportRequest>();
}

} // namespace irenic
