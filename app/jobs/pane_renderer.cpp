// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/pane_renderer.h"

#include "irenic/barrier.h"
#include "jobs/images.h"

#include <QElapsedTimer>

namespace irenic {

namespace {

/// What is done so soon is not worth stopping.
constexpr double kQuickSeconds = 0.25;

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
    request.isQuick = Cleaner(request.frame, request.noise, request.treatment, request.edits).expectedSeconds({request.region.width(), request.region.height()}) <= kQuickSeconds;
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
        QElapsedTimer timer;
        timer.start();
        Result<Pictures> image = behindBarrier("The picture", [&] { return render(request, stop); });
        const double seconds = double(timer.nsecsElapsed()) * 1e-9;
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

Result<PaneRenderer::Pictures> PaneRenderer::render(const PaneRequest &r, std::stop_token stop)
{
    const RunContext run{0, stop, {}};
    const Frame &frame = *r.frame;
    const Cleaner cleaner(r.frame, r.noise, r.treatment, r.edits);
    const Result<RgbImage<float>> linear = developView(cleaner, frame.storedOf(toUpright(r.region)), r.reduction, r.look, &m_cache, run);
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
