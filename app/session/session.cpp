// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/session.h"

#include "commands/set_choices.h"

#include <QFileInfo>

#include <cmath>

namespace irenic {

namespace {

/// What hangs on the wall at first: the suggestion in the middle, a lighter and a stronger method beside it.
std::vector<Treatment> firstTrials(const NoiseReport &noise, const Treatment &suggested)
{
    const std::string lighter = suggested.method == "wavelet" ? "dct" : "wavelet", other = suggested.method == "bm3d" ? "nlm" : "bm3d";
    return {suggestedFor(lighter, noise), suggested, suggestedFor(other, noise)};
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

/// Moves one element of a vector; the others close up.
template <class T>
void moveElement(std::vector<T> &v, int from, int to)
{
    T moved = std::move(v[size_t(from)]);
    v.erase(v.begin() + from);
    v.insert(v.begin() + to, std::move(moved));
}

} // namespace

QString trialLetter(int trial)
{
    return QString(QChar(u'A' + trial));
}

QString treatmentWords(const Treatment &t)
{
    const QString label = QObject::tr(findMethod(t.method)->label);
    const QString methods = t.isMixed() ? QObject::tr("%1 + %2").arg(label, QObject::tr(findMethod(t.colourMethod)->label)) : label;
    return QObject::tr("%1  %2 / %3").arg(methods).arg(t.luminance, 0, 'f', 2).arg(t.colour, 0, 'f', 2);
}

QString Spot::words() const
{
    return name.isEmpty() ? QObject::tr(infoOf(kind).label) : name;
}

QString RollFrame::name() const
{
    return QFileInfo(path).completeBaseName();
}

QString RollFrame::speedWords() const
{
    if (frame->shooting.iso > 0)
        return QObject::tr("ISO %1").arg(frame->shooting.iso);
    return frame->kind == FrameKind::Rendered ? QObject::tr("picture") : QObject::tr("raw");
}

QSize RollFrame::pictureSize() const
{
    if (!frame)
        return {};
    const Size s = frame->uprightSize();
    return {s.width, s.height};
}

Treatment RollFrame::suggestedFor(int trial) const
{
    const Treatment &t = trials[size_t(trial)];
    if (!noise)
        return t;
    Treatment suggested = irenic::suggestedFor(t.method, *noise);
    suggested.colourMethod = t.colourMethod;
    return suggested;
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

void Session::setOpened(const QString &path, std::shared_ptr<const Frame> frame)
{
    const int index = indexOf(path);
    if (index < 0)
        return;
    m_frames[size_t(index)]->frame = std::move(frame);
    emit frameChanged(index);
}

void Session::setReadingDone(const QString &path, std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, const QImage &thumbnail,
                             const std::vector<ProposedSpot> &spots)
{
    const int index = indexOf(path);
    if (index < 0)
        return;
    RollFrame &f = *m_frames[size_t(index)];
    f.frame = std::move(frame);
    f.noise = std::move(noise);
    f.thumbnail = thumbnail;
    f.suggestion = suggestTreatment(*f.noise);
    f.trials = firstTrials(*f.noise, f.suggestion.treatment);
    for (const ProposedSpot &p : spots)
        if (f.spots.size() < size_t(kMostSpots))
            f.spots.push_back({p.kind, {p.at.x, p.at.y}, {}});
    f.state = RollFrame::State::Ready;
    emit frameChanged(index);
    clampColumn();
}

void Session::setReadingFailed(const QString &path, const QString &problem)
{
    const int index = indexOf(path);
    if (index < 0)
        return;
    m_frames[size_t(index)]->frame.reset();
    m_frames[size_t(index)]->state = RollFrame::State::Failed;
    m_frames[size_t(index)]->problem = problem;
    emit frameChanged(index);
}

void Session::noteExported(const QString &path, const QString &file)
{
    const int index = indexOf(path);
    if (index < 0)
        return;
    m_frames[size_t(index)]->exported.append(file);
    emit frameChanged(index);
}

void Session::setCurrent(int index)
{
    if (index == m_current || index < 0 || index >= count())
        return;
    m_current = index;
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

void Session::changeStrength(int trial, bool colour, double value, int dragId)
{
    const RollFrame *f = withTrial(readyFrame(), trial);
    if (!f)
        return;
    Choices c = *f;
    Treatment &t = c.trials[size_t(trial)];
    (colour ? t.colour : t.luminance) = onScale(value, colour ? kColourStrength : kLuminanceStrength);
    change(std::move(c), (colour ? tr("colour strength of %1") : tr("luminance strength of %1")).arg(trialLetter(trial)), dragId);
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
    c.trials[size_t(trial)] = treatment;
    change(std::move(c), words);
}

void Session::returnToSuggestion(int trial)
{
    const RollFrame *f = readyFrame();
    if (f && trial >= 0 && trial < f->trialCount())
        changeTreatment(trial, f->suggestedFor(trial), tr("return of %1 to the suggestion").arg(trialLetter(trial)));
}

void Session::chooseKeeper(int trial)
{
    const RollFrame *f = withTrial(readyFrame(), trial);
    if (!f)
        return;
    Choices c = *f;
    c.keeper = f->keeper == trial ? -1 : trial;
    change(std::move(c), c.keeper < 0 ? tr("taking back the keeper") : tr("choosing %1 as keeper").arg(trialLetter(trial)));
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
    c.trials.insert(c.trials.begin() + at, treatment);
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

int Session::carrySpots()
{
    const RollFrame *f = readyFrame();
    if (!f)
        return 0;
    QList<int> others;
    for (int i = 0; i < count(); ++i)
        if (i != m_current && frame(i).state == RollFrame::State::Ready && frame(i).pictureSize() == f->pictureSize() && frame(i).spots != f->spots)
            others << i;
    if (others.isEmpty())
        return 0;
    m_undo.beginMacro(tr("carrying spots to other frames"));
    for (const int i : others) {
        Choices c = frame(i);
        c.spots = f->spots;
        m_undo.push(new SetChoices(*this, i, std::move(c), {}, 0, false));
    }
    m_undo.endMacro();
    return int(others.size());
}

void Session::pinGuest(const QString &path, std::shared_ptr<const Guest> guest)
{
    const int index = indexOf(path);
    if (index < 0 || frame(index).state != RollFrame::State::Ready)
        return;
    Choices c = frame(index);
    c.guests.push_back(std::move(guest));
    m_undo.push(new SetChoices(*this, index, std::move(c), tr("pinning a guest"), 0));
}

void Session::unpinGuest(int guest)
{
    const RollFrame *f = readyFrame();
    if (!f || guest < 0 || guest >= int(f->guests.size()))
        return;
    Choices c = *f;
    c.guests.erase(c.guests.begin() + guest);
    change(std::move(c), tr("taking down a guest"));
}

int Session::treatAll(const Treatment &treatment)
{
    QList<int> ready;
    for (int i = 0; i < count(); ++i)
        if (frame(i).state == RollFrame::State::Ready)
            ready << i;
    if (ready.isEmpty())
        return 0;
    m_undo.beginMacro(tr("treating all frames alike"));
    for (const int i : ready) {
        Choices c = frame(i);
        const auto found = std::find(c.trials.begin(), c.trials.end(), treatment);
        c.keeper = int(found - c.trials.begin());
        if (found == c.trials.end() && c.trials.size() < size_t(kMostTrials)) {
            c.trials.push_back(treatment);
        } else if (found == c.trials.end()) { // the wall is full: the last one gives way
            c.trials.back() = treatment;
            c.keeper = kMostTrials - 1;
        }
        m_undo.push(new SetChoices(*this, i, std::move(c), {}, 0, false));
    }
    m_undo.endMacro();
    return int(ready.size());
}

void Session::applyChoices(int index, const Choices &choices, bool reveal)
{
    static_cast<Choices &>(*m_frames[size_t(index)]) = choices;
    if (reveal)
        setCurrent(index);
    emit choicesChanged(index);
    if (index == m_current)
        clampColumn();
}

} // namespace irenic
