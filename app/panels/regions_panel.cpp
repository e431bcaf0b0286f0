// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/regions_panel.h"

#include "irenic/clean.h"
#include "panels/amount_row.h"

#include <QCheckBox>
#include <QColorDialog>
#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QListWidget>
#include <QMenu>
#include <QPushButton>
#include <QScrollArea>
#include <QScrollBar>

namespace irenic {

namespace {

constexpr ParamInfo kSize{"brush-size", visible("size"), 0.5, 1500, 60, visible("Radius of the brush, in pixels of the picture; 0.5 is one pixel")};
constexpr ParamInfo kHardness{"brush-hardness", visible("hardness"), 0, 1, 0.5, visible("Share of the brush that lays on everything; beyond, it fades")};
constexpr ParamInfo kFlow{"brush-flow", visible("flow"), 0.05, 1, 1, visible("How much one stroke lays on; a pen's pressure lessens it")};
constexpr ParamInfo kLow{"from", visible("from"), -14, 1, -14, ""};
constexpr ParamInfo kHigh{"to", visible("to"), -14, 1, -6, ""};
constexpr ParamInfo kSoft{"softness", visible("softness"), 0, 6, 1, visible("How gently the part begins and ends")};
constexpr ParamInfo kOpacity{"opacity", visible("opacity"), 0.05, 1, 0.45, visible("Of the mask over the pictures")};
constexpr MaskPart::Kind kKinds[] = {MaskPart::Kind::Painted, MaskPart::Kind::Gradient, MaskPart::Kind::Brightness, MaskPart::Kind::Colour, MaskPart::Kind::Sharpness, MaskPart::Kind::Texture};

QString kindWords(MaskPart::Kind kind)
{
    switch (kind) {
    case MaskPart::Kind::Painted: return RegionsPanel::tr("painted");
    case MaskPart::Kind::Gradient: return RegionsPanel::tr("gradient");
    case MaskPart::Kind::Brightness: return RegionsPanel::tr("brightness");
    case MaskPart::Kind::Colour: return RegionsPanel::tr("colour");
    case MaskPart::Kind::Sharpness: return RegionsPanel::tr("sharpness");
    default: return RegionsPanel::tr("texture");
    }
}

QString kindHelp(MaskPart::Kind kind)
{
    switch (kind) {
    case MaskPart::Kind::Painted: return RegionsPanel::tr("With a brush, on the wall");
    case MaskPart::Kind::Gradient: return RegionsPanel::tr("Fades along a line that is drawn on the wall");
    case MaskPart::Kind::Brightness: return RegionsPanel::tr("What is as bright as that; at first the shadows");
    case MaskPart::Kind::Colour: return RegionsPanel::tr("What has the colour of a place that is clicked at");
    case MaskPart::Kind::Sharpness: return RegionsPanel::tr("What is in focus, as measured on the frame");
    default: return RegionsPanel::tr("What has fine contrast beyond its noise");
    }
}

/// Scrolls downward alone: as wide as what is on it needs.
class ScrolledColumn : public QScrollArea
{
protected:
    bool eventFilter(QObject *watched, QEvent *event) override
    {
        if (watched == widget() && event->type() == QEvent::LayoutRequest)
            setMinimumWidth(widget()->minimumSizeHint().width() + verticalScrollBar()->sizeHint().width());
        return QScrollArea::eventFilter(watched, event);
    }
};

} // namespace

RegionsPanel::RegionsPanel(Session *session, Wall *wall, QWidget *parent) : QWidget(parent), m_session(session), m_wall(wall), m_tool(session, wall, this)
{
    setObjectName(QStringLiteral("regionsPanel"));
    auto *outer = new QVBoxLayout(this);
    outer->setContentsMargins(0, 0, 0, 0);
    auto *scroll = new ScrolledColumn;
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto *sheet = new QWidget;
    auto *grid = new QGridLayout(sheet);
    grid->setColumnStretch(1, 1);
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(4);
    scroll->setWidget(sheet);
    outer->addWidget(scroll);

    m_regions = new QListWidget;
    m_regions->setObjectName(QStringLiteral("regions"));
    m_regions->setAccessibleName(tr("Regions of the frame"));
    m_regions->setFixedHeight(76);
    grid->addWidget(m_regions, 0, 0, 1, 3);
    m_add = new QPushButton(tr("Add a region"));
    m_add->setObjectName(QStringLiteral("addRegion"));
    m_add->setMenu(new QMenu(m_add));
    m_remove = new QPushButton(tr("Remove"));
    m_remove->setObjectName(QStringLiteral("removeRegion"));
    m_inverted = new QCheckBox(tr("inverted"));
    m_inverted->setObjectName(QStringLiteral("inverted"));
    auto *buttons = new QHBoxLayout;
    buttons->setSpacing(4);
    buttons->addWidget(m_add, 1);
    buttons->addWidget(m_remove);
    buttons->addWidget(m_inverted);
    grid->addLayout(buttons, 1, 0, 1, 3);
    for (const MaskPart::Kind kind : kKinds)
        m_add->menu()->addAction(kindWords(kind), this, [this, kind] { addRegion(kind); })->setToolTip(kindHelp(kind));
    m_add->menu()->setToolTipsVisible(true);
    makeAmounts(grid);
    makeParts(grid);
    makeLook(grid);
    grid->setRowStretch(grid->rowCount(), 1);

    connect(m_regions, &QListWidget::currentRowChanged, this, [this](int row) {
        if (!m_filling)
            chooseRegion(row);
    });
    connect(m_regions, &QListWidget::itemChanged, this, [this](QListWidgetItem *item) {
        if (!m_filling && m_regions->row(item) == m_region)
            change(tr("name of a region"), [&](Region &r) { r.name = item->text().toStdString(); });
    });
    connect(m_remove, &QPushButton::clicked, this, &RegionsPanel::removeRegion);
    connect(m_inverted, &QCheckBox::clicked, this, &RegionsPanel::invert);
    connect(&session->viewing(), &Viewing::shownChanged, this, [this](ChoiceParts parts) {
        if (parts.testFlag(ChoicePart::Regions))
            showContents();
    });
    connect(wall, &Wall::visibleRegionChanged, this, &RegionsPanel::showMask);
    connect(&m_masks, &MaskRenderer::drawn, this, [this](int row, const QImage &mask, QRect visible, int reduction) {
        if (row < m_wall->rowCount() && m_region >= 0)
            m_wall->setOverlay(row, {mask, visible, reduction});
    });
    connect(&m_tool, &RegionTool::changed, this, &RegionsPanel::showTool);
    connect(&m_tool, &RegionTool::stroked, this, [this](const Stroke &stroke) {
        changePart(stroke.erases ? tr("a stroke taken away") : tr("a stroke of the brush"), [&](MaskPart &p) { p.strokes.push_back(stroke); });
    });
    connect(&m_tool, &RegionTool::lined, this, [this](StrokePoint from, StrokePoint to) {
        changePart(tr("line of a gradient"), [&](MaskPart &p) {
            p.from = from;
            p.to = to;
        });
    });
    connect(&m_tool, &RegionTool::picked, this, [this](StrokePoint at) {
        const auto [a, b] = colourAt(m_session->viewing().readyFrame()->frame, {int(at.x), int(at.y)});
        changePart(tr("colour of a region"), [&, a = a, b = b](MaskPart &part) {
            part.a = a;
            part.b = b;
        });
    });
    connect(m_paint, &QPushButton::clicked, this, [this](bool on) { m_tool.setPainting(on); });
    connect(m_erase, &QPushButton::clicked, this, [this](bool on) { m_tool.setPainting(on, true); });
    connect(m_pick, &QPushButton::clicked, &m_tool, &RegionTool::setPicking);
    for (AmountRow *row : {m_size, m_hardness, m_flow})
        connect(row, &AmountRow::changed, this, [this] { m_tool.setBrush({m_size->value(), m_hardness->value(), m_flow->value()}); });
    showContents();
}

void RegionsPanel::makeAmounts(QGridLayout *grid)
{
    for (const RegionParam &p : kRegionParams) {
        const bool pixels = p.value == &Region::featherPx;
        auto *row = new AmountRow(p.info, pixels ? tr("px") : QString(), pixels ? 0 : 2, grid, this, pixels);
        m_amounts.push_back(row);
        connect(row, &AmountRow::changed, this, [this, &p](double v, int id) { change(
                                                                                   tr("%1 of a region").arg(tr(p.info.label)), [&](Region &r) { r.*p.value = v; }, id); });
    }
}

void RegionsPanel::makeParts(QGridLayout *grid)
{
    auto *title = new QLabel(tr("Made of"));
    title->setMargin(2);
    grid->addWidget(title, grid->rowCount(), 0, 1, 3);
    m_parts = new QListWidget;
    m_parts->setObjectName(QStringLiteral("parts"));
    m_parts->setAccessibleName(tr("Parts of the region"));
    m_parts->setFixedHeight(64);
    title->setBuddy(m_parts);
    grid->addWidget(m_parts, grid->rowCount(), 0, 1, 3);
    m_addPart = new QPushButton(tr("Add a part"));
    m_addPart->setObjectName(QStringLiteral("addPart"));
    m_addPart->setMenu(new QMenu(m_addPart));
    m_addPart->menu()->setToolTipsVisible(true);
    for (const MaskPart::Kind kind : kKinds)
        m_addPart->menu()->addAction(kindWords(kind), this, [this, kind] { addPart(kind, MaskPart::Joins::Adds); })->setToolTip(kindHelp(kind));
    m_removePart = new QPushButton(tr("Remove"));
    m_removePart->setObjectName(QStringLiteral("removePart"));
    m_joins = new QComboBox;
    m_joins->setObjectName(QStringLiteral("joins"));
    m_joins->setAccessibleName(tr("How the part joins those before it"));
    m_joins->addItems({tr("adds"), tr("subtracts"), tr("limits")});
    auto *buttons = new QHBoxLayout;
    buttons->setSpacing(4);
    buttons->addWidget(m_addPart, 1);
    buttons->addWidget(m_joins);
    buttons->addWidget(m_removePart);
    grid->addLayout(buttons, grid->rowCount(), 0, 1, 3);
    const auto toggle = [](const QString &text, const QString &name, const QString &tip) {
        auto *b = new QPushButton(text);
        b->setObjectName(name);
        b->setToolTip(tip);
        b->setCheckable(true);
        return b;
    };
    m_paint = toggle(tr("Paint"), QStringLiteral("paint"), tr("Drag on a picture to paint; the middle button moves the pictures (Ctrl+B)"));
    m_erase = toggle(tr("Erase"), QStringLiteral("erase"), tr("Drag on a picture to take away (Ctrl+Shift+B)"));
    m_pick = toggle(tr("Pick the colour"), QStringLiteral("pickColour"), tr("Click on something of that colour in a picture"));
    m_clear = new QPushButton(tr("Clear"));
    m_clear->setObjectName(QStringLiteral("clearPart"));
    auto *tools = new QHBoxLayout;
    tools->setSpacing(4);
    for (QPushButton *b : {m_paint, m_erase, m_clear, m_pick})
        tools->addWidget(b);
    grid->addLayout(tools, grid->rowCount(), 0, 1, 3);
    m_size = new AmountRow(kSize, tr("px"), 1, grid, this, true);
    m_hardness = new AmountRow(kHardness, {}, 2, grid, this);
    m_flow = new AmountRow(kFlow, {}, 2, grid, this);
    m_low = new AmountRow(kLow, {}, 2, grid, this);
    m_high = new AmountRow(kHigh, {}, 2, grid, this);
    m_soft = new AmountRow(kSoft, {}, 2, grid, this);
    const auto limit = [this](float MaskPart::*value, const QString &words) {
        return [this, value, words](double v, int id) { changePart(
                                                            words, [&](MaskPart &p) { p.*value = float(v); }, id); };
    };
    connect(m_low, &AmountRow::changed, this, limit(&MaskPart::low, tr("beginning of a region")));
    connect(m_high, &AmountRow::changed, this, limit(&MaskPart::high, tr("end of a region")));
    connect(m_soft, &AmountRow::changed, this, limit(&MaskPart::softness, tr("softness of a region")));
    connect(m_parts, &QListWidget::currentRowChanged, this, [this](int row) {
        if (m_filling)
            return;
        m_part = row;
        showContents();
    });
    connect(m_removePart, &QPushButton::clicked, this, &RegionsPanel::removePart);
    connect(m_clear, &QPushButton::clicked, this, &RegionsPanel::clearPart);
    connect(m_joins, &QComboBox::activated, this, [this](int i) { changePart(tr("joining of a region"), [&](MaskPart &p) { p.joins = MaskPart::Joins(i); }); });
}

void RegionsPanel::makeLook(QGridLayout *grid)
{
    m_shown = new QComboBox;
    m_shown->setObjectName(QStringLiteral("maskShown"));
    m_shown->setAccessibleName(tr("How the region is shown"));
    m_shown->addItems({tr("mask not shown"), tr("mask as a tint"), tr("mask alone")});
    m_shown->setCurrentIndex(int(m_look.shown));
    m_colour = new QPushButton(tr("Colour"));
    m_colour->setObjectName(QStringLiteral("maskColour"));
    m_colour->setToolTip(tr("Of the tint"));
    auto *line = new QHBoxLayout;
    line->setSpacing(4);
    line->addWidget(m_shown, 1);
    line->addWidget(m_colour);
    grid->addLayout(line, grid->rowCount(), 0, 1, 3);
    m_opacity = new AmountRow(kOpacity, {}, 2, grid, this);
    const auto look = [this](auto &&edit) {
        MaskLook l = m_look;
        edit(l);
        setMaskLook(l);
    };
    connect(m_shown, &QComboBox::activated, this, [look](int i) { look([&](MaskLook &l) { l.shown = MaskLook::Shown(i); }); });
    connect(m_opacity, &AmountRow::changed, this, [look](double v) { look([&](MaskLook &l) { l.opacity = v; }); });
    connect(m_colour, &QPushButton::clicked, this, [this, look] {
        const QColor c = QColorDialog::getColor(m_look.colour, this, tr("Colour of the tint"));
        if (c.isValid())
            look([&](MaskLook &l) { l.colour = c; });
    });
}

template <class Edit>
void RegionsPanel::change(const QString &words, const Edit &edit, int dragId)
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f || m_region < 0 || m_region >= int(f->regions->size()))
        return;
    std::vector<Region> regions = *f->regions;
    edit(regions[size_t(m_region)]);
    m_session->editing().changeRegions(std::move(regions), words, dragId);
}

template <class Edit>
void RegionsPanel::changePart(const QString &words, const Edit &edit, int dragId)
{
    if (chosenPart())
        change(
            words, [&](Region &r) { edit(r.parts[size_t(m_part)]); }, dragId);
}

const MaskPart *RegionsPanel::chosenPart() const
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f || m_region < 0 || m_region >= int(f->regions->size()))
        return nullptr;
    const auto &parts = (*f->regions)[size_t(m_region)].parts;
    return m_part >= 0 && m_part < int(parts.size()) ? &parts[size_t(m_part)] : nullptr;
}

void RegionsPanel::addRegion(MaskPart::Kind kind)
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f)
        return;
    if (f->regions->size() >= kMostRegions) {
        emit told(tr("A frame can have %1 regions.").arg(kMostRegions));
        return;
    }
    // It begins with what the trial with the keyboard has, so that nothing jumps.
    const Treatment t = m_session->viewing().trial() >= 0 ? f->trials[size_t(m_session->viewing().trial())] : f->suggestion.treatment;
    std::vector<Region> regions = *f->regions;
    Region r;
    r.name = tr("region %1").arg(regions.size() + 1).toStdString();
    r.parts = {defaultPart(kind, f->frame->crop)};
    r.luminance = t.luminance;
    r.colour = t.colour;
    r.detail = t.taste.detail;
    r.grain = t.taste.grain;
    r.sharpen = t.taste.sharpen;
    regions.push_back(r);
    m_region = int(regions.size()) - 1;
    m_part = 0;
    m_session->editing().changeRegions(std::move(regions), tr("adding a region"));
    m_tool.takeUp();
}

void RegionsPanel::addPart(MaskPart::Kind kind, MaskPart::Joins joins)
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f || m_region < 0)
        return;
    MaskPart part = defaultPart(kind, f->frame->crop);
    part.joins = joins;
    m_part = int((*f->regions)[size_t(m_region)].parts.size());
    change(tr("adding a part to a region"), [&](Region &r) { r.parts.push_back(part); });
    m_tool.takeUp();
}

void RegionsPanel::removeRegion()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f || m_region < 0 || m_region >= int(f->regions->size()))
        return;
    std::vector<Region> regions = *f->regions;
    regions.erase(regions.begin() + m_region);
    m_session->editing().changeRegions(std::move(regions), tr("removing a region"));
}

void RegionsPanel::removePart()
{
    if (chosenPart())
        change(tr("removing a part of a region"), [&](Region &r) { r.parts.erase(r.parts.begin() + m_part); });
}

void RegionsPanel::invert()
{
    change(tr("inverting a region"), [](Region &r) { r.inverted = !r.inverted; });
}

void RegionsPanel::clearPart()
{
    changePart(tr("clearing a region"), [](MaskPart &p) { p.strokes.clear(); });
}

void RegionsPanel::setBrush(double radiusPx, double hardness, double flow)
{
    m_size->setValue(radiusPx);
    m_hardness->setValue(hardness);
    m_flow->setValue(flow);
    m_tool.setBrush({radiusPx, hardness, flow});
}

void RegionsPanel::setMaskLook(const MaskLook &look)
{
    m_look = look;
    m_shown->setCurrentIndex(int(look.shown));
    m_opacity->setValue(look.opacity);
    showMask();
}

void RegionsPanel::chooseRegion(int region)
{
    m_region = region;
    m_part = 0;
    showContents();
}

QString RegionsPanel::wordsOf(const MaskPart &part) const
{
    QString words = kindWords(part.kind);
    if (part.kind == MaskPart::Kind::Painted)
        words += part.strokes.size() == 1 ? tr(", 1 stroke") : tr(", %n strokes", nullptr, int(part.strokes.size()));
    return part.joins == MaskPart::Joins::Adds ? words : part.joins == MaskPart::Joins::Subtracts ? tr("without: %1").arg(words)
                                                                                                  : tr("only where: %1").arg(words);
}

void RegionsPanel::showContents()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (const QString path = f ? f->path : QString(); path != m_frame) {
        m_frame = path;
        m_region = f && !f->regions->empty() ? 0 : -1;
        m_part = 0;
        m_tool.layDown();
    }
    m_filling = true;
    m_region = f ? std::min(m_region, int(f->regions->size()) - 1) : -1;
    const Region *region = m_region >= 0 ? &(*f->regions)[size_t(m_region)] : nullptr;
    m_part = region ? std::min(std::max(m_part, 0), int(region->parts.size()) - 1) : -1;
    const auto fill = [](QListWidget *list, const QStringList &names, int chosen, bool editable) {
        while (list->count() > names.size())
            delete list->takeItem(list->count() - 1);
        while (list->count() < names.size())
            list->addItem(QString());
        for (int i = 0; i < names.size(); ++i) {
            list->item(i)->setText(names[i]);
            if (editable)
                list->item(i)->setFlags(list->item(i)->flags() | Qt::ItemIsEditable);
        }
        list->setCurrentRow(chosen);
    };
    QStringList regions, parts;
    for (const Region &r : f ? *f->regions : std::vector<Region>())
        regions << QString::fromStdString(r.name);
    for (const MaskPart &p : region ? region->parts : std::vector<MaskPart>())
        parts << wordsOf(p);
    fill(m_regions, regions, m_region, true);
    fill(m_parts, parts, m_part, false);
    m_add->setEnabled(f);
    for (QWidget *w : {static_cast<QWidget *>(m_remove), static_cast<QWidget *>(m_inverted), static_cast<QWidget *>(m_addPart), static_cast<QWidget *>(m_shown), static_cast<QWidget *>(m_colour)})
        w->setEnabled(region);
    m_opacity->setEnabled(region);
    m_inverted->setChecked(region && region->inverted);
    for (size_t i = 0; i < m_amounts.size(); ++i) {
        m_amounts[i]->setEnabled(region);
        m_amounts[i]->setValue(region ? region->*kRegionParams[i].value : kRegionParams[i].info.suggested);
    }
    const MaskPart *part = chosenPart();
    const auto is = [&](MaskPart::Kind kind) { return part && part->kind == kind; };
    m_removePart->setEnabled(part);
    m_joins->setEnabled(part && m_part > 0);
    m_joins->setCurrentIndex(part ? int(part->joins) : 0);
    const bool painted = is(MaskPart::Kind::Painted), limited = part && !painted && !is(MaskPart::Kind::Gradient);
    for (QWidget *w : {static_cast<QWidget *>(m_paint), static_cast<QWidget *>(m_erase), static_cast<QWidget *>(m_clear)})
        w->setVisible(painted);
    m_pick->setVisible(is(MaskPart::Kind::Colour));
    for (AmountRow *row : {m_size, m_hardness, m_flow})
        row->setVisible(painted);
    m_low->setVisible(limited && !is(MaskPart::Kind::Colour));
    m_high->setVisible(limited);
    m_soft->setVisible(is(MaskPart::Kind::Brightness) || is(MaskPart::Kind::Colour));
    if (part) {
        const bool ev = is(MaskPart::Kind::Brightness), shares = is(MaskPart::Kind::Sharpness) || is(MaskPart::Kind::Texture);
        m_low->setRange(ev ? -14 : 0, 1);
        m_high->setRange(ev ? -14 : 0, shares || ev ? 1 : 120);
        m_low->setValue(double(part->low));
        m_high->setValue(double(part->high));
        m_soft->setValue(double(part->softness));
    }
    m_filling = false;
    handPart();
    showMask();
}

void RegionsPanel::showTool()
{
    m_paint->setChecked(m_tool.isPainting() && !m_tool.isErasing());
    m_erase->setChecked(m_tool.isErasing());
    m_pick->setChecked(m_tool.isPicking());
}

/// The pointer is the panel's only while that is seen.
void RegionsPanel::handPart()
{
    const MaskPart *part = isVisible() ? chosenPart() : nullptr;
    m_tool.setPart(part ? std::optional(part->kind) : std::nullopt);
}

void RegionsPanel::showMask()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    const bool shown = isVisible() && f && f->regionSet && m_region >= 0 && m_region < int(f->regionSet->regions().size()) && m_look.shown != MaskLook::Shown::Nothing;
    for (int row = 0; row < m_wall->rowCount(); ++row) {
        int reduction = 1;
        const QRect visible = m_wall->visibleRegion(row, &reduction);
        if (shown && !visible.isEmpty()) {
            m_masks.request(row, *f, m_region, visible, reduction, m_look);
        } else {
            m_masks.forget(row);
            m_wall->setOverlay(row, {});
        }
    }
    if (shown != std::exchange(m_masked, shown))
        emit maskShownChanged();
}

void RegionsPanel::hideMask()
{
    MaskLook look = m_look;
    look.shown = MaskLook::Shown::Nothing;
    setMaskLook(look);
}

void RegionsPanel::showEvent(QShowEvent *)
{
    showContents();
}

void RegionsPanel::hideEvent(QHideEvent *)
{
    handPart();
    showMask();
}

} // namespace irenic
