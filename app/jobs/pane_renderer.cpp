// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/pane_renderer.h"

#include "irenic/barrier.h"
#include "jobs/images.h"

#include <QElapsedTimer>

namespace irenic {

namespace {

/// What is done so soon is not worth stopping.
constexpr double kQuickSeconds = 0.25;
// What takes longer than kWholeSeconds comes in so many pieces, or in pieces that take at least and at most so long.
constexpr double kWholeSeconds = 0.7, kLeastPieceSeconds = 0.4, kMostPieceSeconds = 1;
constexpr int kPieces = 12, kLeastPiecePx = 256, kMostPiecePx = 2048;

/// @param seconds that the whole will take, in those of the patience
std::shared_ptr<PanePieces> piecesOf(const PaneRequest &r, const Cleaner &cleaner, double seconds, QPoint eye)
{
    if (cleaner.isIdentity() || seconds <= kWholeSeconds)
        return nullptr;
    // What these show is computed from other places, or is not kept.
    if (r.look.show == Show::Doubt || r.look.show == Show::Spared || !Unbending(r.edits.lens, r.frame->crop).isStraight())
        return nullptr;
    const double pixels = std::clamp(seconds / kPieces, kLeastPieceSeconds, kMostPieceSeconds) / seconds * r.region.width() * r.region.height();
    const int side = std::clamp(int(std::sqrt(pixels)) / CleanCache::kTilePx * CleanCache::kTilePx, kLeastPiecePx, kMostPiecePx);
    const QPoint from = r.region.contains(eye) ? eye : r.region.center();
    return std::make_shared<PanePieces>(r.frame->storedOf(toUpright(r.region)), r.frame->active, side, r.frame->storedOf(UprightPoint{from.x(), from.y()}));
}

} // namespace

PaneRenderer::PaneRenderer(QObject *parent) : QObject(parent)
{
    qRegisterMetaType<PaneResult>();
    qRegisterMetaType<PlaceReadings>();
    m_thread = std::thread([this] { work(); });
}

PaneRenderer::~PaneRenderer()
{
    {
        const std::lock_guard lock(m_mutex);
        m_quit = true;
        m_waiting.clear();
        m_stopRunning.request_stop();
    }
    m_wake.notify_all();
    m_thread.join();
}

void PaneRenderer::request(const PaneRequest &wanted)
{
    PaneRequest request = wanted;
    const Cleaner cleaner(request.frame, request.noise, request.treatment, request.edits);
    const double seconds = cleaner.expectedSeconds({request.region.width(), request.region.height()}) / m_patience;
    request.isQuick = seconds <= kQuickSeconds;
    request.pieces = piecesOf(request, cleaner, seconds, m_eye);
    {
        const std::lock_guard lock(m_mutex);
        std::erase_if(m_waiting, [&](const PaneRequest &r) { return r.pane == request.pane; });
        const auto after = std::find_if(m_waiting.begin(), m_waiting.end(), [&](const PaneRequest &r) { return r.urgency > request.urgency; });
        m_waiting.insert(after, request);
        if (m_isRunning && m_isReading)
            m_stopRunning.request_stop(); // pictures before readings; it is taken up again afterwards
        else if (m_isRunning && !m_running.isQuick && (m_running.pane == request.pane || request.isQuick)) {
            // Whatever is in the way of something quick steps aside; if another pane still wants it, it goes on later
            // from what the cache already holds.
            m_stopRunning.request_stop();
            // Not one that was forgotten, nor one that its pane has replaced already: coming last, it would take that one's readings away.
            if (m_running.pane != request.pane && m_running.pane >= 0 && std::none_of(m_waiting.begin(), m_waiting.end(), [this](const PaneRequest &r) { return r.pane == m_running.pane; }))
                m_waiting.push_back(m_running);
        }
    }
    m_wake.notify_one();
}

void PaneRenderer::setEye(QPoint upright)
{
    m_eye = upright;
}

void PaneRenderer::forgetPane(int pane)
{
    const std::lock_guard lock(m_mutex);
    std::erase_if(m_waiting, [&](const PaneRequest &r) { return r.pane == pane; });
    std::erase_if(m_unread, [&](const PaneRequest &r) { return r.pane == pane; });
    if (m_isRunning && m_running.pane == pane) {
        m_stopRunning.request_stop();
        m_running.pane = -1;
    }
}

bool PaneRenderer::isIdle() const
{
    const std::lock_guard lock(m_mutex);
    return m_waiting.empty() && m_unread.empty() && !m_isRunning;
}

void PaneRenderer::work()
{
    for (;;) {
        PaneRequest request;
        std::stop_token stop;
        {
            std::unique_lock lock(m_mutex);
            m_isRunning = false;
            m_wake.wait(lock, [this] { return m_quit || !m_waiting.empty() || !m_unread.empty(); });
            if (m_quit)
                return;
            m_isRunning = true;
            m_stopRunning = std::stop_source();
            stop = m_stopRunning.get_token();
            m_isReading = m_waiting.empty(); // readings come after every picture
            if (m_isReading) {
                request = m_running = m_unread.front();
                m_unread.pop_front();
                lock.unlock();
                if (const auto readings = readingsOf(request, stop)) {
                    emit readingsTaken(request.pane, request.serial, *readings);
                } else {
                    lock.lock();
                    if (!m_quit && m_running.pane >= 0)
                        m_unread.push_back(request);
                }
                continue;
            }
            request = m_running = m_waiting.front();
            m_waiting.pop_front();
        }
        if (request.pieces && !request.pieces->isDone()) {
            const Status done = behindBarrier("The picture", [&] { return renderPiece(request, stop); });
            const std::lock_guard lock(m_mutex);
            if (done && m_running.pane >= 0 && !stop.stop_requested())
                waitItsTurn(request);
            else if (!done && done.error().code != ErrorCode::Cancelled)
                emit failed(QString::fromStdString(done.error().userMessage));
            continue;
        }
        QElapsedTimer timer;
        timer.start();
        Result<Pictures> image = behindBarrier("The picture", [&] { return render(request, request.region, stop); });
        const double seconds = double(timer.nsecsElapsed()) * 1e-9 + (request.pieces ? request.pieces->seconds : 0);
        if (!image) {
            if (image.error().code != ErrorCode::Cancelled)
                emit failed(QString::fromStdString(image.error().userMessage));
            continue;
        }
        Pictures pictures = image.take();
        emit rendered({request, pictures.image, pictures.plain, seconds});
        const std::lock_guard lock(m_mutex);
        std::erase_if(m_unread, [&](const PaneRequest &r) { return r.pane == request.pane; });
        if (!request.place.isEmpty())
            m_unread.push_back(request);
    }
}

std::optional<PlaceReadings> PaneRenderer::readingsOf(const PaneRequest &r, std::stop_token stop)
{
    const Cleaner cleaner(r.frame, r.noise, r.treatment, r.edits);
    for (const Reading &known : m_known)
        if (known.frame.lock() == r.frame && known.identity == cleaner.identity() && known.place == r.place && known.truth.lock() == r.truth)
            return known.readings;
    const RunContext run{0, stop, {}};
    const Result<PlaceReadings> readings = behindBarrier("The picture", [&]() -> Result<PlaceReadings> {
        if (r.treatment.isNone())
            return readingsAt(cleaner, r.place, &m_cache, run, r.truth);
        if (!m_place || m_place->frame.lock() != r.frame || m_place->noise != r.noise || !(m_place->where == r.place)) {
            m_place.reset();
            const Result<RiskPlace> place = RiskPlace::at(r.frame, r.noise, r.place, &m_cache, run);
            if (!place)
                return place.error();
            m_place = Place{r.frame, r.noise, r.place, place.value()};
        }
        return readingsAt(cleaner, r.place, &m_cache, run, r.truth, &m_place->place);
    });
    if (!readings)
        return std::nullopt;
    constexpr size_t kMostKnown = 128;
    if (m_known.size() >= kMostKnown)
        m_known.pop_front();
    m_known.push_back({r.frame, cleaner.identity(), r.place, r.truth, readings.value()});
    return readings.value();
}

void PaneRenderer::setScreen(std::shared_ptr<const ScreenTransform> screen)
{
    m_screen = std::move(screen);
    emit screenChanged();
}

void PaneRenderer::waitItsTurn(const PaneRequest &request)
{
    const auto after = std::find_if(m_waiting.begin(), m_waiting.end(), [&](const PaneRequest &r) { return r.pieces && r.pieces->share() > request.pieces->share(); });
    m_waiting.insert(after, request);
}

Status PaneRenderer::renderPiece(const PaneRequest &r, std::stop_token stop)
{
    QElapsedTimer timer;
    timer.start();
    const Cleaner cleaner(r.frame, r.noise, r.treatment, r.edits);
    const Rect piece = r.pieces->next();
    if (m_cache.shareHeld(cleaner, piece) < 1)
        if (const Result<Plane<float>> samples = m_cache.clean(cleaner, piece, {0, stop, {}}); !samples)
            return samples.error();
    const QPoint origin = r.region.topLeft();
    const QRect ready = toQRect(r.frame->uprightOf(r.pieces->finish())).translated(-origin);
    // Whole pixels of the picture on the screen.
    const int n = r.reduction, left = (ready.x() + n - 1) / n * n, top = (ready.y() + n - 1) / n * n;
    const QRect part = QRect(left, top, (ready.x() + ready.width()) / n * n - left, (ready.y() + ready.height()) / n * n - top).translated(origin);
    if (!part.isEmpty() && !r.pieces->isDone()) {
        Result<Pictures> pictures = render(r, part, stop);
        if (!pictures)
            return pictures.error();
        emit rendered({r, pictures.value().image, pictures.value().plain, 0, part, r.pieces->share()});
    }
    r.pieces->seconds += double(timer.nsecsElapsed()) * 1e-9;
    return {};
}

Result<PaneRenderer::Pictures> PaneRenderer::render(const PaneRequest &r, QRect region, std::stop_token stop)
{
    const RunContext run{0, stop, {}};
    const Frame &frame = *r.frame;
    const Cleaner cleaner(r.frame, r.noise, r.treatment, r.edits);
    const Result<RgbImage<float>> linear = developView(cleaner, frame.storedOf(toUpright(region)), r.reduction, r.look, &m_cache, run);
    if (!linear)
        return linear.error();
    Pictures out;
    out.plain = out.image = toImage(turned(encoded8(linear.value()), frame.orientation));
    if (r.screen) {
        Result<RgbImage<uint8_t>> shown = encodedFor(*r.screen, linear.value(), run);
        if (!shown)
            return shown.error();
        out.image = toImage(turned(shown.take(), frame.orientation));
    }
    return out;
}

} // namespace irenic
