// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/session.h"

#include "commands/trial_commands.h"

#include <QFileInfo>

#include <cmath>

namespace irenic {

namespace {

/// What hangs on the wall at first: the suggestion in the middle, a lighter and a stronger method beside it.
std::array<Treatment, kTrialCount> firstTrials(const NoiseReport &noise, const Treatment &suggested)
{
    const std::string lighter = suggested.method == "wavelet" ? "dct" : "wavelet", other = suggested.method == "bm3d" ? "nlm" : "bm3d";
    return {suggestedFor(lighter, noise), suggested, suggestedFor(other, noise)};
}

double onScale(double value, const ParamInfo &param)
{
    return std::clamp(std::round(value * 100) / 100, param.min, param.max);
}

} // namespace

QString trialLetter(int trial)
{
    return QString(QChar(u'A' + trial));
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

void Session::setReadingDone(const QString &path, std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, const QImage &thumbnail)
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
    f.state = RollFrame::State::Ready;
    emit frameChanged(index);
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
}

void Session::setColumn(int trial)
{
    if (trial == m_column || trial < -1 || trial >= kTrialCount)
        return;
    m_column = trial;
    emit columnChanged(trial);
}

void Session::setViewport(const Viewport &viewport)
{
    Viewport v = viewport;
    v.centre = {std::clamp(v.centre.x(), 0.0, 1.0), std::clamp(v.centre.y(), 0.0, 1.0)};
    if (v == m_viewport)
        return;
    m_viewport = v;
    emit viewportChanged();
}

void Session::setPushEv(double ev)
{
    ev = std::clamp(ev, -2.0, 6.0);
    if (ev == m_pushEv)
        return;
    m_pushEv = ev;
    emit pushChanged(ev);
}

void Session::changeStrength(int trial, bool colour, double value, int dragId)
{
    const RollFrame *f = currentFrame();
    if (!f || f->state != RollFrame::State::Ready)
        return;
    Treatment t = f->trials[size_t(trial)];
    (colour ? t.colour : t.luminance) = onScale(value, colour ? kColourStrength : kLuminanceStrength);
    if (t == f->trials[size_t(trial)])
        return;
    const QString text = (colour ? tr("colour strength of %1") : tr("luminance strength of %1")).arg(trialLetter(trial));
    m_undo.push(new SetTreatment(*this, m_current, trial, t, text, dragId));
}

void Session::changeMethod(int trial, const std::string &method, const std::string &colourMethod)
{
    const RollFrame *f = currentFrame();
    if (!f || f->state != RollFrame::State::Ready)
        return;
    const Treatment &now = f->trials[size_t(trial)];
    Treatment t = now;
    t.method = method;
    t.colourMethod = colourMethod == method ? std::string() : colourMethod;
    // Strengths that nobody touched follow the method; others are somebody's choice.
    if (!f->hasLeftSuggestion(trial)) {
        const Treatment after = suggestedFor(method, *f->noise);
        t.luminance = after.luminance;
        t.colour = after.colour;
    }
    if (!(t == now))
        m_undo.push(new SetTreatment(*this, m_current, trial, t, tr("method of %1").arg(trialLetter(trial)), 0));
}

void Session::returnToSuggestion(int trial)
{
    const RollFrame *f = currentFrame();
    if (!f || f->state != RollFrame::State::Ready || !f->hasLeftSuggestion(trial))
        return;
    m_undo.push(new SetTreatment(*this, m_current, trial, f->suggestedFor(trial), tr("return of %1 to the suggestion").arg(trialLetter(trial)), 0));
}

void Session::chooseKeeper(int trial)
{
    const RollFrame *f = currentFrame();
    if (!f || f->state != RollFrame::State::Ready || trial < 0 || trial >= kTrialCount)
        return;
    m_undo.push(new SetKeeper(*this, m_current, f->keeper == trial ? -1 : trial));
}

void Session::applyTreatment(int index, int trial, const Treatment &treatment)
{
    m_frames[size_t(index)]->trials[size_t(trial)] = treatment;
    setCurrent(index); // what undo changes must be seen
    emit treatmentChanged(index, trial);
}

void Session::applyKeeper(int index, int trial)
{
    m_frames[size_t(index)]->keeper = trial;
    setCurrent(index);
    emit frameChanged(index);
}

} // namespace irenic
