// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/live_pane.h"

#include "irenic/doubt.h"

#include <QPainter>

namespace irenic {

namespace {

constexpr size_t kRemembered = 3;
int nextId = 1;
quint64 lastSerial = 0; // of the window's thread alone

} // namespace

LivePane::LivePane(PaneRenderer *renderer, QWidget *parent) : PicturePane(parent), m_renderer(renderer), m_id(nextId++)
{
    connect(renderer, &PaneRenderer::rendered, this, &LivePane::take);
    connect(renderer, &PaneRenderer::readingsTaken, this, [this](int pane, quint64 serial, const PlaceReadings &readings) {
        if (pane != m_id || serial != m_wanted.serial)
            return;
        m_readings = readings;
        emit readingsChanged();
    });
    connect(renderer, &PaneRenderer::screenChanged, this, &LivePane::request);
    connect(this, &PicturePane::geometryChanged, this, &LivePane::request);
    connect(this, &PicturePane::pointedAt, renderer, [renderer](QPointF at) { renderer->setEye(at.toPoint()); });
    connect(this, &LivePane::stateChanged, this, [this] { setAccessibleDescription(stateWords()); });
}

LivePane::~LivePane()
{
    m_renderer->forgetPane(m_id);
}

LivePane::Content LivePane::untreated(const std::shared_ptr<const Frame> &frame, const std::shared_ptr<const NoiseReport> &noise, const FrameEdits &edits)
{
    return {frame, noise, kNoTreatment, edits.lensAlone()};
}

void LivePane::setContent(const Content &content)
{
    // Noise that was measured meanwhile changes nothing about untreated pixels.
    const bool same = content == m_content || (content.frame && content.frame == m_content.frame && content.treatment == m_content.treatment && content.edits == m_content.edits && content.treatment.isNone());
    if (content.frame != m_content.frame) { // pixels of another frame must never pass for this one's
        clearImage();
        m_recent.clear();
        m_wanted = {};
        m_shownSerial = 0;
        m_renderer->forgetPane(m_id);
    }
    m_content = content;
    setPictureSize(content.frame ? QSize(content.frame->uprightSize().width, content.frame->uprightSize().height) : QSize());
    if (!same)
        request();
}

void LivePane::setLook(const Look &look)
{
    if (look == m_look)
        return;
    m_look = look;
    request();
}

void LivePane::setWantsReadings(bool wants)
{
    m_wantsReadings = wants;
}

QString LivePane::stateWords() const
{
    if (!hasContent())
        return {};
    if (m_look.show == Show::Doubt && !m_content.treatment.isNone() && m_wanted.serial > 0) {
        if (m_wanted.reduction > 1)
            return tr("doubt shows at 100 % and closer");
        if (!whyNoDoubt(*m_content.frame, *m_wanted.noise).empty())
            return tr("no doubt to tell of this frame");
    }
    if (isSettled())
        return tr("settled, %1 s").arg(std::max(0.01, m_seconds), 0, 'f', 2);
    if (m_share > 0)
        return tr("computing, %1 %").arg(int(100 * m_share));
    return hasImage() ? tr("stale, computing") : tr("computing");
}

void LivePane::request()
{
    if (!m_content.frame || !isVisible())
        return;
    PaneRequest r;
    r.pane = m_id;
    r.frame = m_content.frame;
    static const auto kUnmeasured = std::make_shared<const NoiseReport>(); // untreated pixels ask nothing of it
    r.noise = m_content.noise ? m_content.noise : kUnmeasured;
    r.treatment = m_content.treatment;
    r.edits = m_content.edits;
    r.region = visibleRegion(&r.reduction);
    r.look = m_look;
    r.screen = m_renderer->screen();
    r.urgency = m_urgency;
    if (r.region.isEmpty())
        return;
    if (m_wantsReadings && m_content.noise) {
        const QPoint middle = r.region.center();
        r.place = placeAround(*r.frame, {middle.x(), middle.y()});
        r.truth = m_content.truth;
    }
    if (m_wanted.serial > 0 && hasImage() && m_shownSerial == m_wanted.serial && r.sameContent(m_wanted) && r.place == m_wanted.place && r.truth == m_wanted.truth)
        return;
    r.serial = ++lastSerial;
    if (r.place != m_wanted.place || r.truth != m_wanted.truth || r.treatment != m_wanted.treatment || r.edits != m_wanted.edits)
        m_readings.reset();
    m_wanted = r;
    m_share = 0;
    const auto known = std::find_if(m_recent.begin(), m_recent.end(), [&](const PaneResult &k) { return k.request.sameContent(r); });
    if (known != m_recent.end()) {
        m_shownSerial = r.serial;
        setImage({known->image, r.region, r.reduction, known->plain});
        if (r.place.isEmpty() || m_readings) {
            m_renderer->forgetPane(m_id);
            emit stateChanged();
            return;
        }
        // The picture is there, but its readings are not: the renderer brings both.
    }
    m_renderer->request(r);
    emit stateChanged();
}

void LivePane::take(const PaneResult &result)
{
    if (result.request.pane != m_id || result.request.frame != m_content.frame)
        return;
    if (!result.part.isNull())
        return takePart(result);
    const bool last = result.request.serial == m_wanted.serial;
    // An older answer moves the picture along under a dragged slider, but never goes back behind a newer one.
    if (!last && result.request.serial < m_shownSerial)
        return;
    m_shownSerial = result.request.serial;
    setImage({result.image, result.request.region, result.request.reduction, result.plain});
    if (last) {
        m_seconds = result.seconds;
        remember(result);
    }
    emit stateChanged();
}

/// Over what hung there before, which stays stale round about.
void LivePane::takePart(const PaneResult &result)
{
    const PaneRequest &r = result.request;
    if (r.serial != m_wanted.serial)
        return;
    m_share = result.share;
    const auto joined = [&](const QImage &before, const QImage &part) {
        QImage canvas(QSize(r.region.width() / r.reduction, r.region.height() / r.reduction), QImage::Format_ARGB32_Premultiplied);
        canvas.fill(Qt::transparent);
        const auto placeOf = [&](const QRect &region) {
            return QRectF(double(region.x() - r.region.x()) / r.reduction, double(region.y() - r.region.y()) / r.reduction, double(region.width()) / r.reduction, double(region.height()) / r.reduction);
        };
        QPainter painter(&canvas);
        painter.setRenderHint(QPainter::SmoothPixmapTransform);
        if (!before.isNull())
            painter.drawImage(placeOf(image().region), before);
        painter.drawImage(placeOf(result.part).topLeft(), part);
        return canvas;
    };
    setImage({joined(image().image, result.image), r.region, r.reduction, joined(image().plain.isNull() ? image().image : image().plain, result.plain)});
    emit stateChanged();
}

void LivePane::remember(const PaneResult &result)
{
    std::erase_if(m_recent, [&](const PaneResult &r) { return r.request.sameContent(result.request); });
    m_recent.push_back(result);
    if (m_recent.size() > kRemembered)
        m_recent.pop_front();
}

void LivePane::showEvent(QShowEvent *event)
{
    PicturePane::showEvent(event);
    request();
}

void LivePane::hideEvent(QHideEvent *event)
{
    PicturePane::hideEvent(event);
    m_renderer->forgetPane(m_id);
    if (!isSettled() || !isRead()) // what was to come is forgotten, and asked for again
        m_wanted = {};
}

} // namespace irenic
