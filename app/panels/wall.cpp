// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/wall.h"

#include <QHBoxLayout>
#include <QResizeEvent>

namespace irenic {

namespace {

constexpr int kMarginPx = 14;

} // namespace

Wall::Wall(Session *session, QWidget *parent) : QWidget(parent), m_session(session)
{
    setObjectName(QStringLiteral("wall"));
    auto *row = new QHBoxLayout(this);
    row->setContentsMargins(kMarginPx, 6, kMarginPx, 10);
    row->setSpacing(10);
    for (int c = 0; c < kColumns; ++c) {
        const int trial = c - 1;
        Column &column = m_columns[size_t(c)];
        column.pane = new PicturePane;
        column.pane->setObjectName(QStringLiteral("pane-%1").arg(c));
        column.pane->setAccessibleName(trial < 0 ? tr("Untreated picture") : tr("Picture of trial %1").arg(trialLetter(trial)));
        column.strip = new CaptionStrip(trial);
        auto *stack = new QVBoxLayout;
        stack->setSpacing(1);
        stack->addWidget(column.pane, 1);
        stack->addWidget(column.strip);
        row->addLayout(stack, 1);
        connect(column.pane, &PicturePane::picked, this, [this, trial] { m_session->setColumn(trial); });
        connect(column.strip, &CaptionStrip::picked, this, [this, trial] { m_session->setColumn(trial); });
        connect(column.pane, &PicturePane::panned, this, [this](QPointF centre) { m_session->setViewport({m_session->viewport().zoom, centre}); });
        connect(column.pane, &PicturePane::zoomRequested, this, [this, c](int steps, QPointF at) { zoomAbout(steps, at, pane(c)); });
        connect(column.pane, &PicturePane::placeActivated, this, [this](QPointF at) {
            const Size size = m_session->currentFrame()->frame->uprightSize();
            const bool whole = m_session->viewport().zoom == 0;
            m_session->setViewport({whole ? 2.0 : 0.0, {at.x() / size.width, at.y() / size.height}});
        });
        connect(column.pane, &PicturePane::geometryChanged, this, [this, c] {
            requestPane(c);
            if (c == 0)
                emit visibleRegionChanged();
        });
        if (trial < 0)
            continue;
        connect(column.strip, &CaptionStrip::strengthChanged, this, [this, trial](bool colour, double value, int dragId) {
            m_session->setColumn(trial);
            m_session->changeStrength(trial, colour, value, dragId);
        });
        connect(column.strip, &CaptionStrip::methodChosen, this, [this, trial](const QString &method, const QString &colours) {
            m_session->setColumn(trial);
            m_session->changeMethod(trial, method.toStdString(), colours.toStdString());
        });
        connect(column.strip, &CaptionStrip::suggestionRequested, m_session, [this, trial] { m_session->returnToSuggestion(trial); });
        connect(column.strip, &CaptionStrip::keeperToggled, m_session, [this, trial] { m_session->chooseKeeper(trial); });
    }
    connect(&m_renderer, &PaneRenderer::rendered, this, &Wall::takeResult);
    connect(&m_renderer, &PaneRenderer::leftMeasured, this, [this](int pane, quint64 serial, const NoiseLeft &left) {
        if (serial == m_columns[size_t(pane)].wanted.serial)
            m_columns[size_t(pane)].strip->setNoiseLeft(left);
    });
    connect(session, &Session::currentChanged, this, &Wall::showCurrentFrame);
    connect(session, &Session::frameChanged, this, [this](int index) {
        if (index != m_session->current())
            return;
        const RollFrame *f = m_session->currentFrame();
        if (m_columns[0].hasFrame != canShow(f, 0) || m_columns[1].hasFrame != canShow(f, 1))
            showCurrentFrame();
        for (int c = 0; c < kColumns; ++c)
            updateStrip(c);
    });
    connect(session, &Session::treatmentChanged, this, [this](int index, int trial) {
        if (index != m_session->current())
            return;
        updateStrip(trial + 1);
        requestPane(trial + 1);
    });
    connect(session, &Session::viewportChanged, this, [this] {
        for (const Column &column : m_columns)
            column.pane->setViewport(m_session->viewport());
        emit visibleRegionChanged();
    });
    connect(session, &Session::pushChanged, this, &Wall::requestAll);
    connect(session, &Session::columnChanged, this, [this](int trial) {
        for (int c = 0; c < kColumns; ++c)
            m_columns[size_t(c)].strip->setHasKeyboard(c - 1 == trial);
    });
    m_columns[size_t(session->column() + 1)].strip->setHasKeyboard(true);
    setTones(Tones::of(Tones::Wall::Mid));
    showCurrentFrame();
}

void Wall::resizeEvent(QResizeEvent *event)
{
    // Panes of exactly one width show exactly the same pixels; what is left over goes to the right margin.
    QHBoxLayout *row = static_cast<QHBoxLayout *>(layout());
    const int spare = (event->size().width() - 2 * kMarginPx - (kColumns - 1) * row->spacing()) % kColumns;
    row->setContentsMargins(kMarginPx, 6, kMarginPx + std::max(0, spare), 10);
    QWidget::resizeEvent(event);
}

const QList<double> &Wall::zoomLadder()
{
    static const QList<double> ladder{0, 0.5, 1, 2, 3, 4, 8};
    return ladder;
}

void Wall::setTones(const Tones &tones)
{
    QPalette p = palette();
    p.setColor(QPalette::Window, tones.wall);
    setPalette(p);
    setAutoFillBackground(true);
    for (const Column &column : m_columns) {
        column.pane->setTones(tones);
        column.strip->setTones(tones);
    }
}

void Wall::showCurrentFrame()
{
    const RollFrame *f = m_session->currentFrame();
    const bool failed = f && f->state == RollFrame::State::Failed, open = f && f->frame && !failed;
    const Size size = open ? f->frame->uprightSize() : Size{};
    // Pixels of another frame must never pass for this one's; its own stay while its noise is measured and its exports are noted.
    const Frame *shown = open ? f->frame.get() : nullptr;
    const bool another = shown != m_shown;
    m_shown = shown;
    for (int c = 0; c < kColumns; ++c) {
        Column &column = m_columns[size_t(c)];
        const bool ready = canShow(f, c);
        if (another || !ready)
            column.pane->clearImage();
        column.hasFrame = ready;
        column.pane->setMessage(!f ? QString() : failed ? (c == 0 ? f->problem : QString()) : open ? tr("measuring its noise") : tr("reading"));
        column.pane->setPictureSize({size.width, size.height});
        column.pane->setViewport(m_session->viewport());
        if (!ready)
            m_renderer.forgetPane(c);
        updateStrip(c);
    }
    requestAll();
    emit visibleRegionChanged();
}

/// Untreated pixels can be seen as soon as there are some; trials wait for the noise to be measured.
bool Wall::canShow(const RollFrame *frame, int column)
{
    return frame && frame->frame && (frame->state == RollFrame::State::Ready || (column == 0 && frame->state == RollFrame::State::Reading));
}

void Wall::updateStrip(int column)
{
    m_columns[size_t(column)].strip->showFrame(m_session->currentFrame());
}

void Wall::requestAll()
{
    for (int c = 0; c < kColumns; ++c)
        requestPane(c);
}

void Wall::requestPane(int c)
{
    Column &column = m_columns[size_t(c)];
    const RollFrame *f = m_session->currentFrame();
    if (!canShow(f, c)) {
        column.strip->setStatus({});
        return;
    }
    PaneRequest r;
    r.pane = c;
    r.frame = f->frame;
    static const auto kUnmeasured = std::make_shared<const NoiseReport>(); // untreated pixels ask nothing of it
    r.noise = f->noise ? f->noise : kUnmeasured;
    r.treatment = c == 0 ? Treatment{"wavelet", 0, 0} : f->trials[size_t(c - 1)];
    r.region = column.pane->visibleRegion(&r.reduction);
    r.look.pushEv = m_session->pushEv();
    r.urgency = c - 1 == m_session->column() ? 0 : c + 1;
    if (r.region.isEmpty() || (column.wanted.serial > 0 && column.pane->hasImage() && column.shownSerial == column.wanted.serial && r.sameContent(column.wanted)))
        return;
    r.serial = ++m_serial;
    column.wanted = r;
    column.strip->setStatus(column.pane->hasImage() ? tr("stale, computing") : tr("computing"));
    m_renderer.request(r);
    emit settledChanged();
}

void Wall::takeResult(const PaneResult &result)
{
    Column &column = m_columns[size_t(result.request.pane)];
    const RollFrame *f = m_session->currentFrame();
    if (!f || f->frame != result.request.frame)
        return; // the roll has moved on
    const bool last = result.request.serial == column.wanted.serial;
    // An older answer moves the picture along under a dragged slider, but never goes back behind a newer one.
    if (!last && result.request.serial < column.shownSerial)
        return;
    column.shownSerial = result.request.serial;
    column.pane->setImage({result.image, result.request.region, result.request.reduction});
    if (last) {
        column.strip->setStatus(tr("settled, %1 s").arg(std::max(0.01, result.seconds), 0, 'f', 2));
        m_secondsToSettle = result.seconds;
    }
    if (m_untreatedHeld)
        setUntreatedHeld(true);
    emit settledChanged();
}

void Wall::setUntreatedHeld(bool held)
{
    m_untreatedHeld = held;
    for (int c = 1; c < kColumns; ++c)
        m_columns[size_t(c)].pane->setHeldImage(held ? &m_columns[0].pane->image() : nullptr);
}

bool Wall::isSettled(int column) const
{
    const Column &c = m_columns[size_t(column)];
    return c.pane->hasImage() && c.shownSerial == c.wanted.serial;
}

int Wall::settledCount() const
{
    int n = 0;
    for (int c = 0; c < kColumns; ++c)
        n += isSettled(c);
    return n;
}

QRect Wall::visibleRegion() const
{
    int reduction = 1;
    return m_columns[0].pane->visibleRegion(&reduction);
}

void Wall::zoomTo(double zoom)
{
    m_session->setViewport({zoom, m_session->viewport().centre});
}

void Wall::zoomBy(int steps)
{
    const PicturePane *p = pane(0);
    zoomAbout(steps, QPointF(p->width(), p->height()) / 2, p);
}

void Wall::zoomAbout(int steps, QPointF at, const PicturePane *pane)
{
    const auto &ladder = zoomLadder();
    const auto i = ladder.indexOf(m_session->viewport().zoom);
    const double zoom = ladder[std::clamp<qsizetype>(i + steps, 0, ladder.size() - 1)];
    if (zoom == m_session->viewport().zoom)
        return;
    m_session->setViewport({zoom, pane->centreKeeping(pane->pictureAt(at), at, zoom)});
}

} // namespace irenic
