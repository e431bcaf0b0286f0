// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/clean.h"
#include "irenic/develop.h"

#include <QImage>
#include <QObject>
#include <QPointF>
#include <QUndoStack>

#include <memory>
#include <vector>

namespace irenic {

/// Columns of the wall beside the untreated one.
inline constexpr int kTrialCount = 3;
QString trialLetter(int trial); ///< "A", "B", ...

/// One frame of the roll with everything that was decided about it.
struct RollFrame {
    enum class State { Reading, Ready, Failed };
    QString path;
    State state = State::Reading;
    QString problem; ///< why it failed, in a sentence
    std::shared_ptr<const Frame> frame;       ///< there from when it can be looked at, while its noise is still being measured
    std::shared_ptr<const NoiseReport> noise; ///< there once Ready
    Suggestion suggestion;
    QImage thumbnail;
    std::array<Treatment, kTrialCount> trials;
    int keeper = -1; ///< trial, or -1 while none is chosen
    QStringList exported; ///< files written so far

    QString name() const;
    QString speedWords() const; ///< "ISO 6400"; where the file does not say, what kind of picture it is
    /// The strengths suggested for a trial's method; the trial itself where there is no frame yet.
    Treatment suggestedFor(int trial) const;
    /// The trial's strengths differ from those.
    bool hasLeftSuggestion(int trial) const { return !(trials[size_t(trial)] == suggestedFor(trial)); }
};

/// Where all panes look: one place, one magnification.
struct Viewport {
    double zoom = 0;              ///< screen pixels per picture pixel; 0 fits the whole frame
    QPointF centre{0.5, 0.5};     ///< of the upright picture, as fractions of its sides
    bool operator==(const Viewport &) const = default;
};

/// The open roll and every choice made on it. Widgets show it and change it only by the commands on its undo stack;
/// ways of looking (viewport, push) are not undone. Lives in the window's thread.
class Session : public QObject
{
    Q_OBJECT
public:
    explicit Session(QObject *parent = nullptr);
    ~Session() override;

    int count() const { return int(m_frames.size()); }
    const RollFrame &frame(int index) const { return *m_frames[size_t(index)]; }
    int indexOf(const QString &path) const; ///< -1 where it is not open
    int current() const { return m_current; }
    const RollFrame *currentFrame() const { return m_current >= 0 ? m_frames[size_t(m_current)].get() : nullptr; }
    int column() const { return m_column; } ///< trial that has the keyboard; -1 for the untreated column
    Viewport viewport() const { return m_viewport; }
    double pushEv() const { return m_pushEv; }
    QUndoStack *undoStack() { return &m_undo; }

    /// Adds frames that are not open yet, in state Reading; answers the indexes of the new ones.
    QList<int> addPaths(const QStringList &paths);
    void setOpened(const QString &path, std::shared_ptr<const Frame> frame); ///< can be looked at; still Reading
    void setReadingDone(const QString &path, std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, const QImage &thumbnail);
    void setReadingFailed(const QString &path, const QString &problem);
    void noteExported(const QString &path, const QString &file);

    void setCurrent(int index);
    void setColumn(int trial);
    void setViewport(const Viewport &viewport);
    void setPushEv(double ev); ///< clamped to [-2, 6]

    /// What the user can do, each one step of undo. The steps of one drag merge into one.
    void changeStrength(int trial, bool colour, double value, int dragId = 0);
    void changeMethod(int trial, const std::string &method, const std::string &colourMethod); ///< ids; an empty colour method: the same
    void returnToSuggestion(int trial);
    void chooseKeeper(int trial); ///< again on the keeper: none

    /// For commands only.
    void applyTreatment(int index, int trial, const Treatment &treatment);
    void applyKeeper(int index, int trial);

signals:
    void framesAdded(int first, int count);
    void frameChanged(int index); ///< read, failed, exported, or its keeper moved
    void currentChanged(int index);
    void columnChanged(int trial);
    void treatmentChanged(int index, int trial);
    void viewportChanged();
    void pushChanged(double ev);

private:
    std::vector<std::unique_ptr<RollFrame>> m_frames;
    int m_current = -1;
    int m_column = 1;
    Viewport m_viewport;
    double m_pushEv = 0;
    QUndoStack m_undo;
};

} // namespace irenic
