// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/editing.h"

#include "commands/set_choices.h"
#include "commands/take_off.h"
#include "session/paths.h"

#include <cmath>
#include <numeric>

namespace irenic {

namespace {

double onScale(double value, const ParamInfo &param)
{
    return std::clamp(std::round(value * 100) / 100, param.min, param.max);
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

const RollFrame *Editing::withTrial(int trial) const
{
    const RollFrame *f = readyFrame();
    return f && trial >= 0 && trial < f->trialCount() ? f : nullptr;
}

const RollFrame *Editing::withSpot(int spot) const
{
    const RollFrame *f = readyFrame();
    return f && spot >= 0 && spot < int(f->spots.size()) ? f : nullptr;
}

void Editing::forgetSteps()
{
    m_undo.clear();
    m_takenOff.clear();
}

void Editing::notePathComes(const QString &path)
{
    if (m_takenOff.contains(path))
        forgetSteps();
}

void Editing::change(Choices after, const QString &words, int dragId)
{
    if (!(after == static_cast<const Choices &>(m_roll.frame(m_viewing.current()))))
        m_undo.push(new SetChoices(*this, m_viewing.current(), m_roll.frame(m_viewing.current()), std::move(after), words, dragId));
}

void Editing::changeParam(int trial, const TreatmentParam &param, double value, int dragId)
{
    const RollFrame *f = withTrial(trial);
    if (!f)
        return;
    Choices c = *f;
    param.of(c.trials[size_t(trial)]) = onScale(value, param.info);
    change(std::move(c), (param.isStrength() ? tr("%1 strength of %2") : tr("%1 of %2")).arg(tr(param.info.label), trialLetter(trial)), dragId);
}

void Editing::changeMethod(int trial, const std::string &method, const std::string &colourMethod)
{
    const RollFrame *f = withTrial(trial);
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

void Editing::changeTreatment(int trial, const Treatment &treatment, const QString &words)
{
    const RollFrame *f = withTrial(trial);
    if (!f)
        return;
    Choices c = *f;
    c.trials[size_t(trial)] = carriedOut(treatment, f->frame->kind);
    change(std::move(c), words);
}

void Editing::returnToSuggestion(int trial)
{
    if (const RollFrame *f = withTrial(trial))
        changeTreatment(trial, f->suggestedFor(trial), tr("return of %1 to the suggestion").arg(trialLetter(trial)));
}

void Editing::startFromOwnTaste(int trial)
{
    const RollFrame *f = withTrial(trial);
    if (f && f->ownStart)
        changeTreatment(trial, f->ownStart->from(f->suggestedFor(trial)), tr("own starting point of %1").arg(trialLetter(trial)));
}

void Editing::useRegions(int trial, bool use)
{
    const RollFrame *f = withTrial(trial);
    if (!f)
        return;
    Choices c = *f;
    c.trials[size_t(trial)].regions = use;
    change(std::move(c), (use ? tr("regions in %1") : tr("no regions in %1")).arg(trialLetter(trial)));
}

void Editing::changeRegions(std::vector<Region> regions, const QString &words, int dragId)
{
    const RollFrame *f = readyFrame();
    if (!f)
        return;
    Choices c = *f;
    c.regions = std::move(regions);
    change(std::move(c), words, dragId);
}

void Editing::changeLens(const LensCorrection &lens, const QString &words, int dragId)
{
    const RollFrame *f = readyFrame();
    if (!f)
        return;
    Choices c = *f;
    c.lens = lens;
    change(std::move(c), words, dragId);
}

void Editing::chooseKeeper(int trial)
{
    const RollFrame *f = withTrial(trial);
    if (!f)
        return;
    Choices c = *f;
    c.keeper = f->keeper == trial ? -1 : trial;
    const QString words = c.keeper < 0 ? tr("taking back the keeper") : tr("choosing %1 as keeper").arg(trialLetter(trial));
    change(std::move(c), words);
}

bool Editing::canAddTrial() const
{
    const RollFrame *f = readyFrame();
    return f && f->trialCount() < kMostTrials;
}

void Editing::addTrial(const Treatment &treatment, int at)
{
    if (!canAddTrial())
        return;
    Choices c = *readyFrame();
    at = at < 0 ? int(c.trials.size()) : at;
    c.trials.insert(c.trials.begin() + at, carriedOut(treatment, readyFrame()->frame->kind));
    c.keeper += c.keeper >= at;
    change(std::move(c), tr("adding trial %1").arg(trialLetter(at)));
    m_viewing.setColumn(1 + at);
}

void Editing::removeTrial(int trial)
{
    const RollFrame *f = withTrial(trial);
    if (!f || f->trialCount() < 2)
        return;
    Choices c = *f;
    c.trials.erase(c.trials.begin() + trial);
    c.keeper = c.keeper == trial ? -1 : c.keeper - (c.keeper > trial);
    change(std::move(c), tr("removing trial %1").arg(trialLetter(trial)));
}

void Editing::moveTrial(int from, int to)
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
    m_viewing.setColumn(1 + to);
}

int Editing::addSpot(QPoint at, SpotKind kind)
{
    const RollFrame *f = readyFrame();
    if (!f || f->spots.size() >= size_t(kMostSpots) || !QRect(QPoint(), f->pictureSize()).contains(at))
        return -1;
    std::vector<Spot> spots = f->spots;
    spots.push_back({kind, at, {}});
    const int number = int(spots.size());
    changeSpots(std::move(spots), tr("marking spot %1").arg(number));
    return number - 1;
}

void Editing::moveSpot(int spot, QPoint at)
{
    const RollFrame *f = withSpot(spot);
    if (!f || !QRect(QPoint(), f->pictureSize()).contains(at))
        return;
    std::vector<Spot> spots = f->spots;
    spots[size_t(spot)].at = at;
    changeSpots(std::move(spots), tr("moving spot %1").arg(spot + 1));
}

void Editing::renameSpot(int spot, const QString &name)
{
    const RollFrame *f = withSpot(spot);
    if (!f)
        return;
    std::vector<Spot> spots = f->spots;
    spots[size_t(spot)].name = name.trimmed();
    changeSpots(std::move(spots), tr("name of spot %1").arg(spot + 1));
}

void Editing::removeSpot(int spot)
{
    const RollFrame *f = withSpot(spot);
    if (!f)
        return;
    std::vector<Spot> spots = f->spots;
    spots.erase(spots.begin() + spot);
    changeSpots(std::move(spots), tr("removing spot %1").arg(spot + 1));
}

void Editing::reorderSpot(int from, int to)
{
    const RollFrame *f = readyFrame();
    if (!f || from == to || std::min(from, to) < 0 || std::max(from, to) >= int(f->spots.size()))
        return;
    std::vector<Spot> spots = f->spots;
    moveElement(spots, from, to);
    m_viewing.followSpot(from, to);
    changeSpots(std::move(spots), tr("order of spots"));
}

/// Of the current frame, and of its series where they follow.
void Editing::changeSpots(std::vector<Spot> spots, const QString &words)
{
    Choices c = *readyFrame();
    c.spots = std::move(spots);
    const auto others = m_spotsFollow ? followed(c.spots) : std::vector<std::pair<int, Choices>>();
    if (others.empty())
        return change(std::move(c), words);
    m_undo.beginMacro(words);
    changeOthers({}, others);
    change(std::move(c), {});
    m_undo.endMacro();
}

/// That frame with those spots of the current one, each where the same thing is, or as near to it as the picture goes; nothing where that changes nothing.
std::optional<Choices> Editing::following(const std::vector<Spot> &spots, int frame)
{
    const RollFrame &other = m_roll.frame(frame);
    const std::optional<QPoint> shift = frame != m_viewing.current() && other.isMeasured() ? m_shifts.between(*readyFrame(), other) : std::nullopt;
    if (!shift)
        return {};
    Choices c = other;
    c.spots = spots;
    for (Spot &s : c.spots)
        s.at = {std::clamp(s.at.x() + shift->x(), 0, other.pictureSize().width() - 1), std::clamp(s.at.y() + shift->y(), 0, other.pictureSize().height() - 1)};
    return c.spots != other.spots ? std::optional(c) : std::nullopt;
}

/// Other frames of the series.
std::vector<std::pair<int, Choices>> Editing::followed(const std::vector<Spot> &spots)
{
    std::vector<std::pair<int, Choices>> others;
    for (const int i : seriesOf(m_roll, {m_viewing.current()}))
        if (std::optional<Choices> c = following(spots, i))
            others.emplace_back(i, *std::move(c));
    return others;
}

void Editing::letFollow(int frame)
{
    if (!m_spotsFollow || !readyFrame() || m_roll.frame(frame).wasDecided || !seriesOf(m_roll, {m_viewing.current()}).contains(frame))
        return;
    if (const std::optional<Choices> c = following(readyFrame()->spots, frame))
        m_roll.setChoices(frame, *c); // nothing was decided there that could be undone
}

void Editing::setSpotsFollow(bool follow)
{
    m_spotsFollow = follow;
    if (follow && readyFrame())
        changeOthers(tr("carrying spots to the series"), followed(readyFrame()->spots));
}

int Editing::setSeries(const QList<int> &frames, int series, const QString &words)
{
    std::vector<std::pair<int, Choices>> others;
    for (const int i : frames)
        if (const RollFrame &f = m_roll.frame(i); f.isMeasured() && f.series != series) {
            others.emplace_back(i, f);
            others.back().second.series = series;
        }
    changeOthers(words, others);
    return int(others.size());
}

int Editing::makeSeries(const QList<int> &frames)
{
    int number = 1;
    for (int i = 0; i < m_roll.count(); ++i)
        number = std::max(number, m_roll.frame(i).series + 1);
    return setSeries(frames, number, tr("making a series"));
}

int Editing::partSeries(const QList<int> &frames, bool byTime)
{
    return setSeries(frames, byTime ? Choices::kSeriesByTime : Choices::kNoSeries, byTime ? tr("series by time") : tr("parting a series"));
}

/// One step of undo for several frames.
void Editing::changeOthers(const QString &words, const std::vector<std::pair<int, Choices>> &others)
{
    if (others.empty())
        return;
    m_undo.beginMacro(words);
    for (const auto &[index, choices] : others)
        m_undo.push(new SetChoices(*this, index, m_roll.frame(index), choices, {}, 0, false));
    m_undo.endMacro();
}

int Editing::carry(const std::optional<QList<int>> &frames, bool sameSize, const QString &words, const std::function<void(Choices &)> &take)
{
    const RollFrame *f = readyFrame();
    std::vector<std::pair<int, Choices>> others;
    for (int i = 0; f && i < m_roll.count(); ++i) {
        const RollFrame &other = m_roll.frame(i);
        if (i == m_viewing.current() || !other.isMeasured() || (frames && !frames->contains(i)) || (sameSize && other.pictureSize() != f->pictureSize()))
            continue;
        Choices c = other;
        take(c);
        if (!(c == static_cast<const Choices &>(other)))
            others.emplace_back(i, std::move(c));
    }
    changeOthers(words, others);
    return int(others.size());
}

int Editing::carrySpots(const std::optional<QList<int>> &frames)
{
    return carry(frames, true, tr("carrying spots to other frames"), [this](Choices &c) { c.spots = readyFrame()->spots; });
}

int Editing::carryRendering(const std::optional<QList<int>> &frames)
{
    return carry(frames, false, frames ? tr("rendering other frames alike") : tr("rendering all frames alike"), [this](Choices &c) { c.rendering = readyFrame()->rendering; });
}

int Editing::carryLens(const QList<int> &frames)
{
    return carry(frames, true, tr("correcting other frames alike"), [this](Choices &c) { c.lens = readyFrame()->lens; });
}

void Editing::changeRendering(const Rendering &rendering, const QString &words, int dragId)
{
    const RollFrame *f = readyFrame();
    if (!f || !validate(rendering))
        return;
    Choices c = *f;
    c.rendering = rendering;
    change(std::move(c), words, dragId);
}

void Editing::pinGuest(const QString &path, const QString &file, const std::shared_ptr<const Guest> &guest)
{
    const int index = m_roll.indexOf(path);
    if (index < 0 || !m_roll.frame(index).isMeasured())
        return;
    m_roll.keepGuest(index, file, guest);
    Choices c = m_roll.frame(index);
    if (c.guestFiles.contains(file))
        return apply(index, c, false);
    c.guestFiles << file;
    m_undo.push(new SetChoices(*this, index, m_roll.frame(index), std::move(c), tr("pinning a guest"), 0));
}

void Editing::unpinGuest(int guest)
{
    const RollFrame *f = readyFrame();
    if (!f || guest < 0 || guest >= int(f->guests.size()))
        return;
    Choices c = *f;
    c.guestFiles.removeOne(fileText(f->guests[size_t(guest)]->file));
    change(std::move(c), tr("taking down a guest"));
}

void Editing::unpinLostGuests()
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

int Editing::treatAll(const Treatment &treatment)
{
    QList<int> all(m_roll.count());
    std::iota(all.begin(), all.end(), 0);
    return treat(
        all, [&](const RollFrame &) { return treatment; }, tr("treating all frames alike"));
}

int Editing::treat(const QList<int> &frames, const std::function<Treatment(const RollFrame &)> &treatmentFor, const QString &words)
{
    std::vector<std::pair<int, Choices>> all;
    for (const int i : frames) {
        if (!m_roll.frame(i).isMeasured())
            continue;
        Choices c = m_roll.frame(i);
        const Treatment own = carriedOut(treatmentFor(m_roll.frame(i)), m_roll.frame(i).frame->kind);
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

void Editing::takeOff(int index)
{
    if (index >= 0 && index < m_roll.count())
        m_undo.push(new TakeOff(*this, index, m_roll.frame(index).name()));
}

void Editing::takeOff(QList<int> frames)
{
    if (frames.isEmpty())
        return;
    std::sort(frames.begin(), frames.end(), std::greater<>()); // those that are left keep their numbers
    m_undo.beginMacro(frames.size() == 1 ? tr("taking a frame off the roll") : tr("taking %n frames off the roll", nullptr, int(frames.size())));
    for (const int i : frames)
        takeOff(i);
    m_undo.endMacro();
}

void Editing::apply(int index, const Choices &choices, bool reveal)
{
    const ChoiceParts parts = m_roll.setChoices(index, choices);
    if (reveal)
        m_viewing.setCurrent(index);
    m_viewing.followChoices(index, parts);
}

std::unique_ptr<RollFrame> Editing::takeOut(int index)
{
    m_takenOff.insert(m_roll.frame(index).path);
    auto frame = m_roll.takeOut(index);
    const int current = m_viewing.current();
    m_viewing.goTo(current > index ? current - 1 : std::min(current, m_roll.count() - 1));
    return frame;
}

void Editing::putBack(int index, std::unique_ptr<RollFrame> frame)
{
    m_takenOff.remove(frame->path);
    m_roll.putBack(index, std::move(frame));
    m_viewing.goTo(index);
}

} // namespace irenic
