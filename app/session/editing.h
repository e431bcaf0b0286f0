// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/series.h"
#include "session/viewing.h"

#include <QCoreApplication>
#include <QSet>
#include <QUndoStack>

#include <functional>

namespace irenic {

/// What the user decides about frames, each decision one step of undo. The steps of one drag merge into one. Where nothing else is said, all are of the current frame, and do
/// nothing where it is not Ready or where nothing would change.
class Editing
{
    Q_DECLARE_TR_FUNCTIONS(irenic::Editing)
public:
    Editing(Roll &roll, Viewing &viewing, Shifts &shifts) : m_roll(roll), m_viewing(viewing), m_shifts(shifts) {}

    QUndoStack *undoStack() { return &m_undo; }
    void forgetSteps();                      ///< nothing can be undone any more
    void notePathComes(const QString &path); ///< into the roll, otherwise than by undo, which must not put it there a second time

    void changeMethod(int trial, const std::string &method, const std::string &colourMethod); ///< ids; an empty colour method: the same
    void changeTreatment(int trial, const Treatment &treatment, const QString &words);
    void returnToSuggestion(int trial);
    void startFromOwnTaste(int trial); ///< nothing where there is no own start
    void changeParam(int trial, const TreatmentParam &param, double value, int dragId = 0);
    void useRegions(int trial, bool use);
    void chooseKeeper(int trial);                           ///< again on the keeper: none
    void addTrial(const Treatment &treatment, int at = -1); ///< after the others where `at` is -1; gets the keyboard
    void removeTrial(int trial);                            ///< not the last one
    void moveTrial(int from, int to);
    bool canAddTrial() const;

    void changeRegions(std::vector<Region> regions, const QString &words, int dragId = 0);
    void changeLens(const LensCorrection &lens, const QString &words, int dragId = 0);
    void changeRendering(const Rendering &rendering, const QString &words, int dragId = 0);

    int addSpot(QPoint at, SpotKind kind = SpotKind::Own); ///< its number, or -1
    void moveSpot(int spot, QPoint at);
    void renameSpot(int spot, const QString &name);
    void removeSpot(int spot);
    void reorderSpot(int from, int to);

    /// A step of undo, but where the frame has it pinned already, and it was only to be matched.
    void pinGuest(const QString &path, const QString &file, const std::shared_ptr<const Guest> &guest);
    void unpinGuest(int guest);
    void unpinLostGuests(); ///< those that could not be had

    void setSpotsFollow(bool follow); ///< spots of frames of a series are the same from now on, where the pictures tell how the camera moved between them
    void letFollow(int frame);        ///< one that was read just now takes the spots of its series; no step of undo
    bool doSpotsFollow() const { return m_spotsFollow; }
    /// Frames that were measured become one series, or belong to none; to how many. `byTime`: as their times tell, again.
    int makeSeries(const QList<int> &frames);
    int partSeries(const QList<int> &frames, bool byTime = false);

    /// From the current frame to others, in place of theirs; to how many.
    int carrySpots(const std::optional<QList<int>> &frames = {}); ///< to those of the same size; nothing: all
    int carryRendering(const std::optional<QList<int>> &frames = {});
    int carryLens(const QList<int> &frames); ///< to those of the same size
    /// A trial of that treatment on every frame, and it is the keeper there. To how many.
    int treatAll(const Treatment &treatment);
    /// The same on some, each with what is meant for it. To how many; those that were not measured are passed over.
    int treat(const QList<int> &frames, const std::function<Treatment(const RollFrame &)> &treatmentFor, const QString &words);

    /// Its file stays. Adding that file again forgets all steps of undo, since this one can no longer be undone.
    void takeOff(int index);
    void takeOff(QList<int> frames); ///< in one step

private:
    friend class SetChoices;
    friend class TakeOff;
    void apply(int index, const Choices &choices, bool reveal);
    std::unique_ptr<RollFrame> takeOut(int index);
    void putBack(int index, std::unique_ptr<RollFrame> frame);

    const RollFrame *readyFrame() const { return m_viewing.readyFrame(); }
    const RollFrame *withTrial(int trial) const; ///< null where it has no such trial
    const RollFrame *withSpot(int spot) const;
    void change(Choices after, const QString &words, int dragId = 0);
    int carry(const std::optional<QList<int>> &frames, bool sameSize, const QString &words, const std::function<void(Choices &)> &take);
    void changeSpots(std::vector<Spot> spots, const QString &words);
    std::vector<std::pair<int, Choices>> followed(const std::vector<Spot> &spots);
    std::optional<Choices> following(const std::vector<Spot> &spots, int frame);
    int setSeries(const QList<int> &frames, int series, const QString &words);
    void changeOthers(const QString &words, const std::vector<std::pair<int, Choices>> &others);

    Roll &m_roll;
    Viewing &m_viewing;
    Shifts &m_shifts;
    bool m_spotsFollow = false;
    QSet<QString> m_takenOff; ///< paths that undo would put back
    QUndoStack m_undo;
};

} // namespace irenic
