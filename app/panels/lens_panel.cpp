// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/lens_panel.h"

#include "panels/amount_row.h"

#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>

#include <cmath>
#include <numeric>

namespace irenic {

namespace {

constexpr ParamInfo kRed{"lateral-red", visible("red"), -5, 5, 0, visible("By how many thousandths the red picture is larger than the green one")};
constexpr ParamInfo kBlue{"lateral-blue", visible("blue"), -5, 5, 0, visible("By how many thousandths the blue picture is larger than the green one")};
constexpr ParamInfo kFalloff{"falloff", visible("corners"), 0, 90, 0, visible("How much less light the corners got than the middle")};
constexpr ParamInfo kFringes{"fringes", visible("fringes"), 0, 100, 0, visible("How much of the coloured fringes at strong edges is taken off; to be judged at 100 % and more")};
constexpr ParamInfo kBend{"bend", visible("bend"), -15, 15, 0, visible("How far the corners lie too far in (barrel, below 0) or too far out (pincushion)")};

double sumOf(const LensCorrection::Polynomial &p)
{
    return std::accumulate(p.begin(), p.end(), 0.0);
}

} // namespace

LensPanel::LensPanel(Session *session, QWidget *parent) : QWidget(parent), m_session(session)
{
    setObjectName(QStringLiteral("lensPanel"));
    m_pool.setMaxThreadCount(1);
    auto *grid = new QGridLayout(this);
    grid->setColumnStretch(1, 1);
    grid->setHorizontalSpacing(8);
    auto *words = new QLabel(tr("All off until it is asked for, but for lines that a file itself describes as bent. Lateral aberration and vignetting are undone on the samples, in every file; distortion and coloured fringes on the wall, in linear DNG, TIFF and proofs."));
    words->setWordWrap(true);
    grid->addWidget(words, 0, 0, 1, 3);
    m_name = new QLineEdit;
    m_name->setObjectName(QStringLiteral("lensName"));
    m_name->setPlaceholderText(tr("name of the lens"));
    m_name->setAccessibleName(tr("Name of the lens"));
    grid->addWidget(m_name, 1, 0, 1, 3);
    m_profile = new QComboBox;
    m_profile->setObjectName(QStringLiteral("lensProfile"));
    m_profile->setAccessibleName(tr("Profile of the lens"));
    m_profile->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    grid->addWidget(m_profile, 2, 0, 1, 3);
    const auto box = [&](const QString &text, const QString &name, const QString &tip, bool LensCorrection::*flag, const QString &step) {
        auto *b = new QCheckBox(text);
        b->setObjectName(name);
        b->setToolTip(tip);
        grid->addWidget(b, grid->rowCount(), 0, 1, 3);
        connect(b, &QCheckBox::clicked, this, [this, flag, step](bool on) { set(step, [&](LensCorrection &l) { l.*flag = on; }); });
        return b;
    };
    m_lateral = box(tr("lateral aberration"), QStringLiteral("lateral"), tr("Red and blue pictures are brought to the size of the green one"), &LensCorrection::lateral, tr("lateral aberration"));
    m_red = new AmountRow(kRed, tr("\u2030"), 2, grid, this);
    m_blue = new AmountRow(kBlue, tr("\u2030"), 2, grid, this);
    m_measure = new QPushButton(tr("Measure on this frame"));
    m_measure->setObjectName(QStringLiteral("measureLateral"));
    m_measure->setToolTip(tr("By its edges: how red and blue ones lie against green ones"));
    grid->addWidget(m_measure, grid->rowCount(), 0, 1, 3);
    m_vignetting = box(tr("vignetting"), QStringLiteral("vignetting"), tr("Corners are lifted to the light of the middle, and their noise with them"), &LensCorrection::vignetting, tr("vignetting"));
    m_falloff = new AmountRow(kFalloff, tr("%"), 0, grid, this);
    m_distortion = box(tr("distortion"), QStringLiteral("distortion"), tr("Straight lines become straight"), &LensCorrection::distortion, tr("distortion"));
    m_bend = new AmountRow(kBend, tr("%"), 1, grid, this);
    m_shape = new QComboBox;
    m_shape->setObjectName(QStringLiteral("shape"));
    m_shape->setAccessibleName(tr("What becomes of the frame's border"));
    m_shape->addItems({tr("largest rectangle"), tr("original scale"), tr("everything, corners blank")});
    grid->addWidget(m_shape, grid->rowCount(), 0, 1, 3);
    m_fringes = new AmountRow(kFringes, tr("%"), 0, grid, this);
    m_from = new QLabel;
    m_from->setObjectName(QStringLiteral("lensFrom"));
    m_from->setWordWrap(true);
    grid->addWidget(m_from, grid->rowCount(), 0, 1, 3);
    m_off = new QPushButton(tr("All off"));
    m_off->setObjectName(QStringLiteral("lensOff"));
    grid->addWidget(m_off, grid->rowCount(), 0, 1, 3);
    grid->setRowStretch(grid->rowCount(), 1);

    connect(m_name, &QLineEdit::editingFinished, this, &LensPanel::findProfiles);
    connect(m_profile, &QComboBox::activated, this, &LensPanel::useProfile);
    connect(m_shape, &QComboBox::activated, this, [this](int i) { set(tr("border of the straightened frame"), [&](LensCorrection &l) { l.shape = LensCorrection::Shape(i); }); });
    connect(m_red, &AmountRow::changed, this, [this](double v, int id) {
        set(
            tr("lateral aberration"), [&](LensCorrection &l) { l.red = {1 + v / 1000, 0, 0, 0, 0}, l.lateral = true, l.from = "by hand"; }, id);
    });
    connect(m_blue, &AmountRow::changed, this, [this](double v, int id) {
        set(
            tr("lateral aberration"), [&](LensCorrection &l) { l.blue = {1 + v / 1000, 0, 0, 0, 0}, l.lateral = true, l.from = "by hand"; }, id);
    });
    connect(m_falloff, &AmountRow::changed, this, [this](double v, int id) {
        set(
            tr("vignetting"), [&](LensCorrection &l) { l.falloff = {-v / 100, 0, 0}, l.vignetting = true, l.from = "by hand"; }, id);
    });
    connect(m_bend, &AmountRow::changed, this, [this](double v, int id) {
        set(
            tr("distortion"), [&](LensCorrection &l) { l.bent = {1, 0, v / 100, 0, 0}, l.distortion = true, l.from = "by hand"; }, id);
    });
    connect(m_fringes, &AmountRow::changed, this, [this](double v, int id) { set(
                                                                                 tr("coloured fringes"), [&](LensCorrection &l) { l.fringes = v / 100; }, id); });
    connect(m_measure, &QPushButton::clicked, this, &LensPanel::measure);
    connect(m_off, &QPushButton::clicked, this, [this] { m_session->editing().changeLens({}, tr("lens corrections off")); });
    connect(&session->viewing(), &Viewing::shownChanged, this, [this](ChoiceParts parts) {
        if (parts.testFlag(ChoicePart::Lens))
            showContents();
    });
    showContents();
}

LensPanel::~LensPanel()
{
    m_stop.request_stop();
    m_pool.waitForDone();
}

void LensPanel::set(const QString &words, const std::function<void(LensCorrection &)> &edit, int dragId)
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f || m_filling)
        return;
    LensCorrection l = f->lens;
    edit(l);
    if (const Status s = validate(l); !s) {
        emit told(QString::fromStdString(s.error().userMessage));
        showContents();
        return;
    }
    m_session->editing().changeLens(l, words, dragId);
}

void LensPanel::findProfiles()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    m_profiles = f ? findLensProfiles(*f->frame, m_name->text().trimmed().toStdString()) : std::vector<LensProfile>();
    m_profile->clear();
    if (m_profiles.empty()) {
        m_profile->addItem(!f || (f->frame->shooting.lens.empty() && m_name->text().isEmpty()) ? tr("the file names no lens") : tr("no profile of that lens"));
    } else {
        m_profile->addItem(m_profiles.size() == 1 ? tr("choose the profile") : tr("choose one of %n profiles", nullptr, int(m_profiles.size())));
        for (const LensProfile &p : m_profiles) {
            QStringList has;
            if (p.hasLateral)
                has << tr("lateral");
            if (p.hasVignetting)
                has << tr("vignetting");
            if (p.hasDistortion)
                has << tr("distortion");
            m_profile->addItem(tr("%1 (%2)").arg(QString::fromStdString(p.name), has.join(tr(", "))));
        }
    }
    m_profile->setEnabled(!m_profiles.empty());
}

void LensPanel::useProfile(int index)
{
    if (index < 1 || index > int(m_profiles.size()))
        return;
    const LensProfile &p = m_profiles[size_t(index - 1)];
    set(tr("profile of the lens"), [&](LensCorrection &l) {
        l = p.appliedTo(l);
        l.lateral = p.hasLateral;
        l.vignetting = p.hasVignetting;
        l.distortion = p.hasDistortion;
    });
}

void LensPanel::measure()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f || m_measuring)
        return;
    m_measuring = true;
    showContents();
    m_pool.start([this, path = f->path, frame = f->frame, noise = f->noise, stop = m_stop.get_token()] {
        const Result<LensCorrection> found = measureLateral(*frame, *noise, {0, stop, {}, true});
        QMetaObject::invokeMethod(
            this, [this, path, found] {
                m_measuring = false;
                const RollFrame *now = m_session->viewing().readyFrame();
                if (!found)
                    emit told(QString::fromStdString(found.error().userMessage));
                else if (now && now->path == path)
                    set(tr("measured lateral aberration"), [&](LensCorrection &l) {
                        l.red = found.value().red;
                        l.blue = found.value().blue;
                        l.lateral = true;
                        l.from = found.value().from;
                    });
                showContents();
                emit measured();
            },
            Qt::QueuedConnection);
    });
}

void LensPanel::showContents()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    m_filling = true;
    if (const QString path = f ? f->path : QString(); path != m_frame) {
        m_frame = path;
        m_name->setText(f ? QString::fromStdString(f->frame->shooting.lens) : QString());
        findProfiles();
    }
    const LensCorrection l = f ? f->lens : LensCorrection();
    for (QWidget *w : {static_cast<QWidget *>(m_name), static_cast<QWidget *>(m_shape), static_cast<QWidget *>(m_lateral), static_cast<QWidget *>(m_vignetting), static_cast<QWidget *>(m_distortion)})
        w->setEnabled(f);
    for (AmountRow *row : {m_red, m_blue, m_falloff, m_bend, m_fringes})
        row->setEnabled(f);
    m_measure->setEnabled(f && !m_measuring);
    m_measure->setText(m_measuring ? tr("Measuring ...") : tr("Measure on this frame"));
    m_off->setEnabled(f && l != LensCorrection());
    m_lateral->setChecked(l.lateral);
    m_vignetting->setChecked(l.vignetting);
    m_distortion->setChecked(l.distortion);
    m_red->setValue((sumOf(l.red) - 1) * 1000);
    m_blue->setValue((sumOf(l.blue) - 1) * 1000);
    m_falloff->setValue(-100 * (l.falloff[0] + l.falloff[1] + l.falloff[2]));
    m_fringes->setValue(100 * l.fringes);
    m_bend->setValue((sumOf(l.bent) - 1) * 100);
    m_shape->setCurrentIndex(int(l.shape));
    m_from->setText(l.from.empty() ? QString() : tr("From: %1").arg(QString::fromStdString(l.from)));
    m_filling = false;
}

} // namespace irenic
