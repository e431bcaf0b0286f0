// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/session.h"

#include "commands/set_choices.h"
#include "commands/take_off.h"
#include "session/paths.h"

#include <QDate>
#include <QDir>
#include <QFile>
#include <QFileInfo>

#include <cmath>

#include <numeric>

namespace irenic {

namespace {

/// What hangs on the wall at first: the suggestion in the middle, a lighter and a stronger method beside it.
std::vector<Treatment> firstTrials(const NoiseReport &noise, const Treatment &suggested)
{
    const MethodInfo &info = *findMethod(suggested.method);
    return {suggestedFor(info.lighter, noise), suggested, suggestedFor(info.beside, noise)};
}

double onScale(double value, const ParamInfo &param)
{
    return std::clamp(std::round(value * 100) / 100, param.min, param.max);
}

QPointF fractionOf(QPoint at, QSize picture)
{
    return {(at.x() + 0.5) / picture.width(), (at.y() + 0.5) / picture.height()};
}

/// The frame, or null where it has no such trial.
const RollFrame *withTrial(const RollFrame *f, int trial)
{
    return f && trial >= 0 && trial < f->trialCount() ? f : nullptr;
}

const RollFrame *withSpot(const RollFrame *f, int spot)
{
    return f && spot >= 0 && spot < int(f->spots.size()) ? f : nullptr;
}

size_t bytesOf(const Frame &frame)
{
    const size_t alone = frame.beforeColours ? bytesOf(*frame.beforeColours->alone) : 0;
    return size_t(frame.samples.stride()) * size_t(frame.samples.height()) * sizeof(uint16_t) + alone;
}

/// Of a frame and of all that lies on its pixels.
size_t bytesOf(const RollFrame &f)
{
    size_t bytes = bytesOf(*f.frame);
    for (const auto &guest : f.matched)
        bytes += bytesOf(*guest->matched);
    return bytes;
}

std::vector<Spot> spotsOf(const SavedFrame &saved, QSize picture)
{
    std::vector<Spot> spots;
    const auto kinds = spotKinds();
    for (const SavedSpot &s : saved.spots) {
        const auto kind = std::find_if(kinds.begin(), kinds.end(), [&](const SpotKindInfo &info) { return s.kind == info.id; });
        if (QRect(QPoint(), picture).contains(s.x, s.y) && spots.size() < size_t(kMostSpots))
            spots.push_back({kind == kinds.end() ? SpotKind::Own : kind->kind, {s.x, s.y}, QString::fromStdString(s.name)});
    }
    return spots;
}

/// What was decided about it.
SavedFrame savedOf(const RollFrame &f)
{
    SavedFrame out;
    out.decided = true;
    out.trials = f.trials;
    out.keeper = f.keeper;
    for (const Spot &spot : f.spots)
        out.spots.push_back({infoOf(spot.kind).id, spot.at.x(), spot.at.y(), spot.name.toStdString()});
    for (const QString &file : f.guestFiles)
        out.guests.push_back(fileOf(file));
    out.rendering = f.rendering;
    out.regions = f.regions;
    out.lens = f.lens;
    for (const QString &file : f.exported)
        out.exported.push_back(fileOf(file));
    return out;
}

/// Moves one element of a vector; the others close up.
template <class T>
void moveElement(std::vector<T> &v, int from, int to)
{
    T moved = std::move(v[size_t(from)]);
    v.erase(v.begin() + from);
    v.insert(v.begin() + to, std::move(moved));
}

} // namespace

QString Spot::words() const
{
    return name.isEmpty() ? QObject::tr(infoOf(kind).label) : name;
}

QString RollFrame::name() const
{
    return QFileInfo(path).completeBaseName();
}

const ShootingData *RollFrame::shooting() const
{
    return frame ? &frame->shooting : glimpsed ? &*glimpsed
                                               : nullptr;
}

QString RollFrame::speedWords() const
{
    const ShootingData *s = shooting();
    if (s && s->iso > 0)
        return QObject::tr("ISO %1").arg(s->iso);
    return !frame ? QString() : frame->kind == FrameKind::Rendered ? QObject::tr("picture")
                                                                   : QObject::tr("raw");
}

QSize RollFrame::pictureSize() const
{
    if (!frame)
        return {};
    const Size s = frame->uprightSize();
    return {s.width, s.height};
}

QString RollFrame::truthFile() const
{
    const QFileInfo info(path);
    const QString truth = QStringLiteral("%1/truth/%2.dng").arg(info.absolutePath(), info.completeBaseName());
    return isFile(truth) ? truth : QString();
}

std::shared_ptr<const Frame> RollFrame::truth() const
{
    if (guests.empty())
        return nullptr;
    const std::filesystem::path file = fileOf(truthFile());
    const auto found = std::find_if(guests.begin(), guests.end(), [&](const auto &g) { return !file.empty() && g->file == file; });
    return found == guests.end() ? nullptr : (*found)->matched;
}

Treatment RollFrame::suggestedFor(int trial) const
{
    const Treatment &t = trials[size_t(trial)];
    if (!noise)
        return t;
    Treatment suggested = irenic::suggestedFor(t.method, *noise);
    suggested.colourMethod = t.colourMethod;
    suggested.taste = t.taste; // nobody suggests those
    suggested.regions = t.regions;
    return suggested;
}

void RollFrame::bindGuests()
{
    guests.clear();
    for (const QString &file : guestFiles)
        if (const auto found = matched.constFind(file); found != matched.constEnd())
            guests.push_back(*found);
}

QStringList RollFrame::unmatchedGuests() const
{
    QStringList files;
    for (const QString &file : guestFiles)
        if (!matched.contains(file) && !lostGuests.contains(file))
            files << file;
    return files;
}

bool RollFrame::hasLostGuests() const
{
    return std::any_of(lostGuests.begin(), lostGuests.end(), [this](const QString &file) { return guestFiles.contains(file); });
}

void RollFrame::bindRegions()
{
    if (regions.empty() || !frame || !noise || frame->samples.isEmpty())
        regionSet.reset();
    else if (!regionSet || regionSet->regions() != regions || regionSet->frame() != frame)
        regionSet = std::make_shared<const RegionSet>(frame, noise, regions);
}

Session::Session(QObject *parent) : QObject(parent) {}
Session::~Session() = default;

const RollFrame *Session::readyFrame() const
{
    const RollFrame *f = currentFrame();
    return f && f->state == RollFrame::State::Ready ? f : nullptr;
}

int Session::trial() const
{
    const RollFrame *f = readyFrame();
    return f && m_column < f->trialCount() ? m_column : -1;
}

int Session::spotAt(int row) const
{
    const RollFrame *f = readyFrame();
    if (!f || m_zoom == 0)
        return -1;
    const QSize size = f->pictureSize();
    for (int i = 0; i < int(f->spots.size()); ++i) {
        const QPointF away = fractionOf(f->spots[size_t(i)].at, size) - m_rows[size_t(row)];
        if (std::abs(away.x()) * size.width() < 1 && std::abs(away.y()) * size.height() < 1)
            return i;
    }
    return -1;
}

int Session::indexOf(const QString &path) const
{
    for (int i = 0; i < count(); ++i)
        if (frame(i).path == path)
            return i;
    return -1;
}

QList<int> Session::addPaths(const QStringList &paths)
{
    QList<int> added;
    const int first = count();
    for (const QString &given : paths) {
        const QString path = QFileInfo(given).absoluteFilePath();
        if (indexOf(path) >= 0)
            continue;
        comeBack(path);
        auto frame = std::make_unique<RollFrame>();
        frame->path = path;
        m_frames.push_back(std::move(frame));
        added.append(count() - 1);
    }
    if (!added.isEmpty())
        emit framesAdded(first, int(added.size()));
    if (m_current < 0 && count() > 0)
        setCurrent(0);
    return added;
}

void Session::setGlimpsed(const QString &path, const QImage &thumbnail, const ShootingData &shooting)
{
    const int index = indexOf(path);
    if (index < 0 || frame(index).state != RollFrame::State::Reading)
        return;
    RollFrame &f = *m_frames[size_t(index)];
    f.glimpsed = shooting;
    if (f.thumbnail.isNull())
        f.thumbnail = thumbnail;
    emit frameChanged(index);
}

void Session::setOpened(const QString &path, std::shared_ptr<const Frame> frame)
{
    const int index = indexOf(path);
    if (index < 0)
        return;
    RollFrame &f = *m_frames[size_t(index)];
    if (f.state != RollFrame::State::Reading) // read twice, as it was taken off and put back meanwhile
        return;
    f.frame = std::move(frame);
    emit frameChanged(index);
}

void Session::setReadingDone(const QString &path, std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, const QImage &thumbnail,
                             const std::vector<ProposedSpot> &spots)
{
    const int index = indexOf(path);
    if (index < 0 || this->frame(index).state != RollFrame::State::Reading)
        return;
    RollFrame &f = *m_frames[size_t(index)];
    f.frame = std::move(frame);
    f.noise = std::move(noise);
    f.thumbnail = thumbnail;
    f.suggestion = suggestTreatment(*f.noise);
    f.ownStart = m_decisions.startFor(double(f.noise->luminanceNoise));
    f.trials = firstTrials(*f.noise, f.suggestion.treatment);
    for (const ProposedSpot &p : spots)
        if (f.spots.size() < size_t(kMostSpots))
            f.spots.push_back({p.kind, {p.at.x, p.at.y}, {}});
    f.lens = describedLens(*f.frame);
    f.state = RollFrame::State::Ready;
    const std::optional<SavedFrame> saved = std::exchange(f.saved, {});
    if (saved && saved->decided) {
        f.trials = saved->trials;
        for (Treatment &t : f.trials)
            t = carriedOut(t, f.frame->kind);
        if (f.trials.size() > size_t(kMostTrials))
            f.trials.resize(size_t(kMostTrials));
        f.keeper = saved->keeper < f.trialCount() ? saved->keeper : -1;
        f.spots = spotsOf(*saved, f.pictureSize());
        f.rendering = saved->rendering;
        f.regions = saved->regions;
        f.lens = saved->lens;
        f.guestFiles.clear();
        for (const auto &file : saved->guests)
            f.guestFiles << fileText(file);
        f.exported.clear();
        for (const auto &file : saved->exported)
            f.exported << fileText(file);
    }
    f.bindRegions();
    m_seen.insert(index == m_current ? m_seen.end() : m_seen.begin(), index);
    emit frameChanged(index);
    if (index == m_current && m_wantedColumn)
        setColumn(*std::exchange(m_wantedColumn, {}));
    clampColumn();
    if (index == m_current)
        emit lookChanged();
    wantGuests(f);
    letRest();
}

void Session::wantGuests(const RollFrame &f)
{
    if (const QStringList files = f.unmatchedGuests(); f.state == RollFrame::State::Ready && !files.isEmpty())
        emit guestsWanted(f.path, files);
}

void Session::noteGuestLost(const QString &path, const QString &file)
{
    if (const int index = indexOf(path); index >= 0) {
        m_frames[size_t(index)]->lostGuests << file;
        emit frameChanged(index);
    }
}

/// A file comes into the roll otherwise than by undo, which must not put it there a second time.
void Session::comeBack(const QString &path)
{
    if (!m_takenOff.contains(path))
        return;
    m_undo.clear();
    m_takenOff.clear();
}

void Session::dropPixels(RollFrame &f)
{
    const auto facts = std::make_shared<Frame>(static_cast<const FrameFacts &>(*f.frame));
    facts->beforeColours = nullptr; // holds pixels, too
    f.frame = facts;
    f.bindRegions();
    f.matched.clear(); // guests lie on its pixels
    f.lostGuests.clear();
    f.bindGuests();
    f.state = RollFrame::State::Resting;
}

/// Pixels of frames that were not looked at for long are let go, and their guests with them, so that a roll may be of any length.
void Session::letRest(size_t forOthers)
{
    size_t held = forOthers;
    for (const int i : m_seen)
        held += bytesOf(frame(i));
    while (held > m_budget && m_seen.size() > 1) {
        const int index = m_seen.front() == m_current ? m_seen[1] : m_seen.front();
        std::erase(m_seen, index);
        held -= bytesOf(frame(index));
        dropPixels(*m_frames[size_t(index)]);
        emit frameChanged(index);
    }
}

void Session::setAwake(const QString &path, std::shared_ptr<const Frame> frame)
{
    const int index = indexOf(path);
    if (index < 0 || this->frame(index).state != RollFrame::State::Resting)
        return;
    RollFrame &f = *m_frames[size_t(index)];
    f.frame = std::move(frame);
    f.state = RollFrame::State::Ready;
    f.bindRegions();
    m_seen.push_back(index);
    emit frameChanged(index);
    wantGuests(f);
    letRest();
}

void Session::setReadingFailed(const QString &path, const QString &problem)
{
    const int index = indexOf(path);
    if (index < 0)
        return;
    RollFrame &f = *m_frames[size_t(index)];
    if (f.state == RollFrame::State::Ready) // what is there is there; a second reading found the file gone
        return;
    if (f.isMeasured()) // it was there before; what was decided stays
        f.saved = savedOf(f);
    std::erase(m_seen, index);
    f.frame.reset();
    f.bindRegions();
    f.state = RollFrame::State::Failed;
    f.problem = problem;
    emit frameChanged(index);
}

void Session::noteExported(const QString &path, const QString &file)
{
    const int index = indexOf(path);
    if (index < 0)
        return;
    QStringList &exported = m_frames[size_t(index)]->exported;
    if (!exported.contains(file))
        exported.append(file);
    emit frameChanged(index);
}

void Session::setCurrent(int index)
{
    if (index != m_current && index >= 0 && index < count())
        goTo(index);
}

/// @param index -1 where there are no frames
void Session::goTo(int index)
{
    m_current = index;
    if (std::erase(m_seen, index) > 0)
        m_seen.push_back(index);
    if (index >= 0 && frame(index).state == RollFrame::State::Resting)
        emit pixelsWanted(frame(index).path);
    emit currentChanged(index);
    clampColumn();
}

/// The keyboard stays on a column that is there.
void Session::clampColumn()
{
    const RollFrame *f = readyFrame();
    const int columns = f ? f->trialCount() + int(f->guests.size()) : kFirstTrials;
    if (m_column < columns)
        return;
    m_column = columns - 1;
    emit columnChanged(m_column);
}

void Session::setColumn(int column)
{
    const RollFrame *f = readyFrame();
    const int columns = f ? f->trialCount() + int(f->guests.size()) : kFirstTrials;
    if (column == m_column || column < -1 || column >= columns)
        return;
    m_column = column;
    emit columnChanged(column);
}

void Session::setRow(int row)
{
    if (row == m_row || row < 0 || row >= rowCount())
        return;
    m_row = row;
    emit rowsChanged();
}

void Session::setRowCount(int rows)
{
    rows = std::clamp(rows, 1, kMostRows);
    if (rows == rowCount())
        return;
    if (rows > 1 && m_zoom == 0) { // so many whole frames would show nothing
        m_zoom = 2;
        emit viewportChanged();
    }
    const RollFrame *f = readyFrame();
    while (rowCount() > rows)
        m_rows.pop_back();
    int next = 0;
    while (rowCount() < rows) {
        const auto seen = [&](int spot) {
            for (int r = 0; r < rowCount(); ++r)
                if (spotAt(r) == spot)
                    return true;
            return false;
        };
        while (f && next < int(f->spots.size()) && seen(next))
            ++next;
        m_rows.push_back(f && next < int(f->spots.size()) ? fractionOf(f->spots[size_t(next)].at, f->pictureSize()) : m_rows.back());
    }
    m_row = std::min(m_row, rows - 1);
    emit rowsChanged();
}

void Session::setViewport(int row, const Viewport &viewport)
{
    const QPointF centre{std::clamp(viewport.centre.x(), 0.0, 1.0), std::clamp(viewport.centre.y(), 0.0, 1.0)};
    if (viewport.zoom == m_zoom && centre == m_rows[size_t(row)])
        return;
    m_zoom = viewport.zoom;
    m_rows[size_t(row)] = centre;
    emit viewportChanged();
}

void Session::goToSpot(int spot)
{
    const RollFrame *f = withSpot(readyFrame(), spot);
    if (!f)
        return;
    m_lastSpot = spot;
    setViewport({m_zoom > 0 ? m_zoom : 2, fractionOf(f->spots[size_t(spot)].at, f->pictureSize())});
}

Look Session::look(bool guest) const
{
    Look look = m_look;
    if (const RollFrame *f = readyFrame())
        look.rendering = guest ? renderingForGuest(*f->frame, f->rendering) : f->rendering;
    return look;
}

void Session::setPushEv(double ev)
{
    ev = std::clamp(ev, -2.0, 6.0);
    if (ev == m_look.pushEv)
        return;
    m_look.pushEv = ev;
    emit lookChanged();
}

void Session::setShow(Show show)
{
    if (show == m_look.show)
        return;
    m_look.show = show;
    emit lookChanged();
}

void Session::change(Choices after, const QString &words, int dragId)
{
    if (!(after == static_cast<const Choices &>(frame(m_current))))
        m_undo.push(new SetChoices(*this, m_current, std::move(after), words, dragId));
}

void Session::changeParam(int trial, const TreatmentParam &param, double value, int dragId)
{
    const RollFrame *f = withTrial(readyFrame(), trial);
    if (!f)
        return;
    Choices c = *f;
    param.of(c.trials[size_t(trial)]) = onScale(value, param.info);
    change(std::move(c), (param.isStrength() ? tr("%1 strength of %2") : tr("%1 of %2")).arg(tr(param.info.label), trialLetter(trial)), dragId);
}

void Session::changeMethod(int trial, const std::string &method, const std::string &colourMethod)
{
    const RollFrame *f = withTrial(readyFrame(), trial);
    if (!f)
        return;
    Choices c = *f;
    Treatment &t = c.trials[size_t(trial)];
    t.method = method;
    t.colourMethod = colourMethod == method ? std::string() : colourMethod;
    // Strengths that nobody touched follow the method; others are somebody's choice.
    if (!f->hasLeftSuggestion(trial)) {
        const Treatment after = suggestedFor(method, *f->noise);
        t.luminance = after.luminance;
        t.colour = after.colour;
    }
    change(std::move(c), tr("method of %1").arg(trialLetter(trial)));
}

void Session::changeTreatment(int trial, const Treatment &treatment, const QString &words)
{
    const RollFrame *f = withTrial(readyFrame(), trial);
    if (!f)
        return;
    Choices c = *f;
    c.trials[size_t(trial)] = carriedOut(treatment, f->frame->kind);
    change(std::move(c), words);
}

void Session::returnToSuggestion(int trial)
{
    const RollFrame *f = readyFrame();
    if (f && trial >= 0 && trial < f->trialCount())
        changeTreatment(trial, f->suggestedFor(trial), tr("return of %1 to the suggestion").arg(trialLetter(trial)));
}

void Session::startFromOwnTaste(int trial)
{
    const RollFrame *f = withTrial(readyFrame(), trial);
    if (f && f->ownStart)
        changeTreatment(trial, f->ownStart->from(f->suggestedFor(trial)), tr("own starting point of %1").arg(trialLetter(trial)));
}

void Session::setDecisions(const Decisions &decisions)
{
    m_decisions = decisions;
    for (int i = 0; i < count(); ++i) {
        RollFrame &f = *m_frames[size_t(i)];
        const auto start = f.noise ? m_decisions.startFor(double(f.noise->luminanceNoise)) : std::nullopt;
        if (start == f.ownStart)
            continue;
        f.ownStart = start;
        emit frameChanged(i);
    }
}

std::vector<Decision> Session::decisionsAbout(const QList<int> &frames) const
{
    std::vector<Decision> decisions;
    const std::string day = QDate::currentDate().toString(Qt::ISODate).toStdString();
    for (const int i : frames)
        if (const RollFrame &f = frame(i); f.isMeasured() && f.keeper >= 0)
            decisions.push_back(decisionOf(fileOf(f.path), double(f.noise->luminanceNoise), f.trials[size_t(f.keeper)], f.suggestedFor(f.keeper), day));
    return decisions;
}

void Session::useRegions(int trial, bool use)
{
    const RollFrame *f = withTrial(readyFrame(), trial);
    if (!f)
        return;
    Choices c = *f;
    c.trials[size_t(trial)].regions = use;
    change(std::move(c), (use ? tr("regions in %1") : tr("no regions in %1")).arg(trialLetter(trial)));
}

void Session::changeRegions(std::vector<Region> regions, const QString &words, int dragId)
{
    const RollFrame *f = readyFrame();
    if (!f)
        return;
    Choices c = *f;
    c.regions = std::move(regions);
    change(std::move(c), words, dragId);
}

void Session::changeLens(const LensCorrection &lens, const QString &words, int dragId)
{
    const RollFrame *f = readyFrame();
    if (!f)
        return;
    Choices c = *f;
    c.lens = lens;
    change(std::move(c), words, dragId);
}

void Session::chooseKeeper(int trial)
{
    const RollFrame *f = withTrial(readyFrame(), trial);
    if (!f)
        return;
    Choices c = *f;
    c.keeper = f->keeper == trial ? -1 : trial;
    const QString words = c.keeper < 0 ? tr("taking back the keeper") : tr("choosing %1 as keeper").arg(trialLetter(trial));
    change(std::move(c), words);
}

bool Session::canAddTrial() const
{
    const RollFrame *f = readyFrame();
    return f && f->trialCount() < kMostTrials;
}

void Session::addTrial(const Treatment &treatment, int at)
{
    if (!canAddTrial())
        return;
    Choices c = *readyFrame();
    at = at < 0 ? int(c.trials.size()) : at;
    c.trials.insert(c.trials.begin() + at, carriedOut(treatment, readyFrame()->frame->kind));
    c.keeper += c.keeper >= at;
    change(std::move(c), tr("adding trial %1").arg(trialLetter(at)));
    setColumn(at);
}

void Session::removeTrial(int trial)
{
    const RollFrame *f = readyFrame();
    if (!f || trial < 0 || trial >= f->trialCount() || f->trialCount() < 2)
        return;
    Choices c = *f;
    c.trials.erase(c.trials.begin() + trial);
    c.keeper = c.keeper == trial ? -1 : c.keeper - (c.keeper > trial);
    change(std::move(c), tr("removing trial %1").arg(trialLetter(trial)));
}

void Session::moveTrial(int from, int to)
{
    const RollFrame *f = readyFrame();
    if (!f || from == to || std::min(from, to) < 0 || std::max(from, to) >= f->trialCount())
        return;
    Choices c = *f;
    std::vector<int> order(c.trials.size());
    for (size_t i = 0; i < order.size(); ++i)
        order[i] = int(i);
    moveElement(order, from, to);
    moveElement(c.trials, from, to);
    if (c.keeper >= 0)
        c.keeper = int(std::find(order.begin(), order.end(), c.keeper) - order.begin());
    change(std::move(c), tr("moving trial %1").arg(trialLetter(from)));
    setColumn(to);
}

int Session::addSpot(QPoint at, SpotKind kind)
{
    const RollFrame *f = readyFrame();
    if (!f || f->spots.size() >= size_t(kMostSpots) || !QRect(QPoint(), f->pictureSize()).contains(at))
        return -1;
    Choices c = *f;
    c.spots.push_back({kind, at, {}});
    const int number = int(c.spots.size());
    change(std::move(c), tr("marking spot %1").arg(number));
    return number - 1;
}

void Session::moveSpot(int spot, QPoint at)
{
    const RollFrame *f = readyFrame();
    if (!f || spot < 0 || spot >= int(f->spots.size()) || !QRect(QPoint(), f->pictureSize()).contains(at))
        return;
    Choices c = *f;
    c.spots[size_t(spot)].at = at;
    change(std::move(c), tr("moving spot %1").arg(spot + 1));
}

void Session::renameSpot(int spot, const QString &name)
{
    const RollFrame *f = withSpot(readyFrame(), spot);
    if (!f)
        return;
    Choices c = *f;
    c.spots[size_t(spot)].name = name.trimmed();
    change(std::move(c), tr("name of spot %1").arg(spot + 1));
}

void Session::removeSpot(int spot)
{
    const RollFrame *f = withSpot(readyFrame(), spot);
    if (!f)
        return;
    Choices c = *f;
    c.spots.erase(c.spots.begin() + spot);
    change(std::move(c), tr("removing spot %1").arg(spot + 1));
}

void Session::reorderSpot(int from, int to)
{
    const RollFrame *f = readyFrame();
    if (!f || from == to || std::min(from, to) < 0 || std::max(from, to) >= int(f->spots.size()))
        return;
    Choices c = *f;
    moveElement(c.spots, from, to);
    m_lastSpot = m_lastSpot == from ? to : m_lastSpot;
    change(std::move(c), tr("order of spots"));
}

/// One step of undo for several frames.
void Session::changeOthers(const QString &words, const std::vector<std::pair<int, Choices>> &others)
{
    if (others.empty())
        return;
    m_undo.beginMacro(words);
    for (const auto &[index, choices] : others)
        m_undo.push(new SetChoices(*this, index, choices, {}, 0, false));
    m_undo.endMacro();
}

int Session::carry(const std::optional<QList<int>> &frames, bool sameSize, const QString &words, const std::function<void(Choices &)> &take)
{
    const RollFrame *f = readyFrame();
    std::vector<std::pair<int, Choices>> others;
    for (int i = 0; f && i < count(); ++i) {
        const RollFrame &other = frame(i);
        if (i == m_current || !other.isMeasured() || (frames && !frames->contains(i)) || (sameSize && other.pictureSize() != f->pictureSize()))
            continue;
        Choices c = other;
        take(c);
        if (!(c == static_cast<const Choices &>(other)))
            others.emplace_back(i, std::move(c));
    }
    changeOthers(words, others);
    return int(others.size());
}

int Session::carrySpots(const std::optional<QList<int>> &frames)
{
    return carry(frames, true, tr("carrying spots to other frames"), [this](Choices &c) { c.spots = readyFrame()->spots; });
}

int Session::carryRendering(const std::optional<QList<int>> &frames)
{
    return carry(frames, false, frames ? tr("rendering other frames alike") : tr("rendering all frames alike"), [this](Choices &c) { c.rendering = readyFrame()->rendering; });
}

int Session::carryLens(const QList<int> &frames)
{
    return carry(frames, true, tr("correcting other frames alike"), [this](Choices &c) { c.lens = readyFrame()->lens; });
}

void Session::changeRendering(const Rendering &rendering, const QString &words, int dragId)
{
    const RollFrame *f = readyFrame();
    if (!f || !validate(rendering))
        return;
    Choices c = *f;
    c.rendering = rendering;
    change(std::move(c), words, dragId);
}

void Session::pinGuest(const QString &path, const QString &file, const std::shared_ptr<const Guest> &guest)
{
    const int index = indexOf(path);
    if (index < 0 || !frame(index).isMeasured())
        return;
    if (frame(index).state == RollFrame::State::Ready) { // one that went to rest meanwhile has it matched again when it wakes
        m_frames[size_t(index)]->matched.insert(file, guest);
        letRest();
    }
    Choices c = frame(index);
    if (c.guestFiles.contains(file))
        return applyChoices(index, c, false);
    c.guestFiles << file;
    m_undo.push(new SetChoices(*this, index, std::move(c), tr("pinning a guest"), 0));
}

void Session::unpinGuest(int guest)
{
    const RollFrame *f = readyFrame();
    if (!f || guest < 0 || guest >= int(f->guests.size()))
        return;
    Choices c = *f;
    c.guestFiles.removeOne(fileText(f->guests[size_t(guest)]->file));
    change(std::move(c), tr("taking down a guest"));
}

void Session::unpinLostGuests()
{
    const RollFrame *f = readyFrame();
    if (!f)
        return;
    Choices c = *f;
    for (const QString &file : f->lostGuests)
        c.guestFiles.removeOne(file);
    if (c.guestFiles != f->guestFiles)
        change(std::move(c), tr("taking down guests that are away"));
}

int Session::treatAll(const Treatment &treatment)
{
    QList<int> all(count());
    std::iota(all.begin(), all.end(), 0);
    return treat(
        all, [&](const RollFrame &) { return treatment; }, tr("treating all frames alike"));
}

int Session::treat(const QList<int> &frames, const std::function<Treatment(const RollFrame &)> &treatmentFor, const QString &words)
{
    std::vector<std::pair<int, Choices>> all;
    for (const int i : frames) {
        if (!frame(i).isMeasured())
            continue;
        Choices c = frame(i);
        const Treatment own = carriedOut(treatmentFor(frame(i)), frame(i).frame->kind);
        const auto found = std::find(c.trials.begin(), c.trials.end(), own);
        c.keeper = int(found - c.trials.begin());
        if (found == c.trials.end() && c.trials.size() < size_t(kMostTrials)) {
            c.trials.push_back(own);
        } else if (found == c.trials.end()) { // the wall is full: the last one gives way
            c.trials.back() = own;
            c.keeper = kMostTrials - 1;
        }
        all.emplace_back(i, std::move(c));
    }
    changeOthers(words, all);
    return int(all.size());
}

void Session::takeOff(int index)
{
    if (index >= 0 && index < count())
        m_undo.push(new TakeOff(*this, index));
}

void Session::takeOff(QList<int> frames)
{
    if (frames.isEmpty())
        return;
    std::sort(frames.begin(), frames.end(), std::greater<>()); // those that are left keep their numbers
    m_undo.beginMacro(frames.size() == 1 ? tr("taking a frame off the roll") : tr("taking %1 frames off the roll").arg(frames.size()));
    for (const int i : frames)
        takeOff(i);
    m_undo.endMacro();
}

std::unique_ptr<RollFrame> Session::takeOut(int index)
{
    std::unique_ptr<RollFrame> frame = std::move(m_frames[size_t(index)]);
    m_frames.erase(m_frames.begin() + index);
    std::erase(m_seen, index);
    for (int &seen : m_seen)
        seen -= seen > index;
    if (frame->state == RollFrame::State::Ready)
        dropPixels(*frame);
    m_takenOff.insert(frame->path);
    emit rollChanged();
    goTo(m_current > index ? m_current - 1 : std::min(m_current, count() - 1));
    return frame;
}

void Session::putBack(int index, std::unique_ptr<RollFrame> frame)
{
    for (int &seen : m_seen)
        seen += seen >= index;
    m_takenOff.remove(frame->path);
    const RollFrame &f = **m_frames.insert(m_frames.begin() + index, std::move(frame));
    emit rollChanged();
    if (f.state == RollFrame::State::Reading)
        emit readingWanted(f.path);
    goTo(index);
}

SavedSession Session::saved(const QString &folder) const
{
    const QDir dir(folder);
    SavedSession s;
    for (const auto &f : m_frames) {
        SavedFrame out = f->isMeasured() ? savedOf(*f) : f->saved.value_or(SavedFrame());
        out.file = fileOf(f->path);
        out.beside = fileOf(dir.relativeFilePath(f->path));
        s.frames.push_back(std::move(out));
    }
    s.current = m_current;
    s.column = m_wantedColumn.value_or(m_column);
    s.zoom = m_zoom;
    s.rows.clear();
    for (const QPointF &row : m_rows)
        s.rows.push_back({row.x(), row.y()});
    s.row = m_row;
    s.pushEv = m_look.pushEv;
    return s;
}

QStringList Session::restore(const SavedSession &session, const QString &folder)
{
    m_undo.clear();
    m_takenOff.clear();
    m_seen.clear();
    m_current = -1;
    m_frames.clear();
    m_lastSpot = -1;
    m_zoom = session.zoom;
    m_rows.clear();
    for (const auto &row : session.rows)
        if (rowCount() < kMostRows)
            m_rows.emplace_back(row[0], row[1]);
    m_row = std::min(session.row, rowCount() - 1);
    m_look = Look{};
    m_look.pushEv = std::clamp(session.pushEv, -2.0, 6.0);
    m_column = std::min(session.column, kFirstTrials - 1);
    m_wantedColumn = session.column;
    emit restored();
    QStringList toRead;
    for (const SavedFrame &s : session.frames) {
        auto f = std::make_unique<RollFrame>();
        const auto file = s.found(fileOf(folder));
        f->path = fileText(file.empty() ? s.file : file);
        f->saved = s;
        if (file.empty()) {
            f->state = RollFrame::State::Failed;
            f->problem = tr("%1 is not where it was. What was decided about it is kept; say where the file is now (Frame, Find the file).").arg(QDir::toNativeSeparators(f->path));
        } else {
            toRead << f->path;
        }
        m_frames.push_back(std::move(f));
    }
    if (count() > 0)
        emit framesAdded(0, count());
    emit rowsChanged();
    emit viewportChanged();
    emit lookChanged();
    setCurrent(std::clamp(session.current, 0, std::max(0, count() - 1)));
    return toRead;
}

QStringList Session::setFound(const QString &missing, const QString &file)
{
    QStringList found;
    const QFileInfo info(file);
    for (int i = 0; i < count(); ++i) {
        RollFrame &f = *m_frames[size_t(i)];
        if (!f.isMissing())
            continue;
        const QString at = f.path == missing ? info.absoluteFilePath() : info.absoluteDir().filePath(QFileInfo(f.path).fileName());
        if (indexOf(at) >= 0 || !isFile(at))
            continue;
        comeBack(at);
        f.path = at;
        f.state = RollFrame::State::Reading;
        f.problem.clear();
        found << at;
        emit frameChanged(i);
    }
    return found;
}

void Session::applyChoices(int index, const Choices &choices, bool reveal)
{
    const bool otherRendering = !(frame(index).rendering == choices.rendering);
    static_cast<Choices &>(*m_frames[size_t(index)]) = choices;
    m_frames[size_t(index)]->bindRegions();
    m_frames[size_t(index)]->bindGuests();
    wantGuests(frame(index)); // undo may bring back some that were let go
    if (reveal)
        setCurrent(index);
    emit choicesChanged(index);
    if (otherRendering && index == m_current)
        emit lookChanged();
    if (index == m_current)
        clampColumn();
}

} // namespace irenic
