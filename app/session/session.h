// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/clean.h"
#include "irenic/decisions.h"
#include "irenic/develop.h"
#include "irenic/guest.h"
#include "irenic/session_file.h"
#include "irenic/spots.h"
#include "session/words.h"

#include <QHash>
#include <QImage>
#include <QObject>
#include <QPointF>
#include <QSet>
#include <QUndoStack>

#include <functional>
#include <memory>
#include <optional>
#include <vector>

namespace irenic {

inline constexpr int kFirstTrials = 3; ///< that hang when a frame is opened
inline constexpr int kMostTrials = 8;  ///< A to H
inline constexpr int kMostRows = 6;
inline constexpr int kMostSpots = 9; ///< one for each digit

/// A marked place of the upright picture.
struct Spot {
    SpotKind kind = SpotKind::Own;
    QPoint at;
    QString name; ///< empty: called by its kind
    bool operator==(const Spot &) const = default;
    QString words() const;
};

/// Everything that was decided about a frame: what undo restores.
struct Choices {
    std::vector<Treatment> trials;
    int keeper = -1; ///< trial, or -1 while none is chosen
    std::vector<Spot> spots;
    QStringList guestFiles; ///< pinned beside the trials, in this order; whether they can be had now or not
    Rendering rendering;
    std::vector<Region> regions;
    LensCorrection lens;
    bool operator==(const Choices &) const = default;
};

/// One frame of the roll.
struct RollFrame : Choices {
    enum class State {
        Reading,
        Ready,
        Resting, ///< as Ready, but its pixels were let go and are read again when it is looked at
        Failed
    };
    QString path;
    State state = State::Reading;
    QString problem;                          ///< why it failed, in a sentence
    std::shared_ptr<const Frame> frame;       ///< there from when it can be looked at, while its noise is still being measured; of a resting one all but its samples
    std::shared_ptr<const NoiseReport> noise; ///< there once Ready
    Suggestion suggestion;
    std::optional<OwnStart> ownStart;           ///< where earlier decisions agree
    std::shared_ptr<const RegionSet> regionSet; ///< of `regions` on `frame`; null where there are none
    QImage thumbnail;
    std::optional<ShootingData> glimpsed;                 ///< of one that is still to be read
    QStringList exported;                                 ///< files written so far
    std::vector<std::shared_ptr<const Guest>> guests;     ///< those of guestFiles that are matched to the frame's pixels; none of a resting one
    QHash<QString, std::shared_ptr<const Guest>> matched; ///< by file; taken-down ones, too, for undo
    std::optional<SavedFrame> saved;                      ///< what a session says about it, until it was read

    bool isMeasured() const { return state == State::Ready || state == State::Resting; }
    bool isMissing() const { return state == State::Failed && saved; } ///< a session names it, and it is not where it was
    QString name() const;
    const ShootingData *shooting() const; ///< null where nothing is known yet
    QString speedWords() const;           ///< "ISO 6400"; where the file does not say, what kind of picture it is
    QSize pictureSize() const;            ///< upright; empty where there is no frame
    int trialCount() const { return int(trials.size()); }
    FrameEdits edits() const { return {regionSet, lens}; }
    bool hasLostGuests() const;                 ///< that are still wanted
    QStringList lostGuests;                     ///< those of guestFiles that could not be had since the frame was last read
    void bindGuests();                          ///< makes guests again
    QStringList unmatchedGuests() const;        ///< that may be tried
    void bindRegions();                         ///< makes regionSet again where regions or pixels are others
    QString truthFile() const;                  ///< the shot without noise that lies beside a frame of the demo roll; empty where there is none
    std::shared_ptr<const Frame> truth() const; ///< the same as it hangs on the wall as a guest, or null
    /// The trial with the strengths suggested for its method; the trial itself where there is no frame yet.
    Treatment suggestedFor(int trial) const;
    /// The trial's strengths differ from those.
    bool hasLeftSuggestion(int trial) const { return !(trials[size_t(trial)] == suggestedFor(trial)); }
    bool isAtOwnStart(int trial) const { return ownStart && hasLeftSuggestion(trial) && trials[size_t(trial)] == ownStart->from(suggestedFor(trial)); }
};

/// Where all panes of a row look.
struct Viewport {
    double zoom = 0;          ///< screen pixels per picture pixel; 0 fits the whole frame
    QPointF centre{0.5, 0.5}; ///< of the upright picture, as fractions of its sides
    bool operator==(const Viewport &) const = default;
};

/// The open roll and every choice made on it. Widgets show it and change it only by the commands on its undo stack;
/// ways of looking (rows, viewports, push, what is shown) are not undone. Lives in the window's thread.
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
    const RollFrame *readyFrame() const;    ///< the current one, or null where it is not Ready
    int column() const { return m_column; } ///< trial that has the keyboard; -1 for the untreated column; guests come after the trials
    int trial() const;                      ///< the same, or -1 where it is no trial
    int rowCount() const { return int(m_rows.size()); }
    int row() const { return m_row; } ///< that has the keyboard
    Viewport viewport() const { return viewport(m_row); }
    Viewport viewport(int row) const { return {m_zoom, m_rows[size_t(row)]}; }
    /// With the rendering of the current frame; `guest`: as it is to be applied to one of its guests.
    Look look(bool guest = false) const;
    double pushEv() const { return m_look.pushEv; }
    int spotAt(int row) const;                  ///< the spot of the current frame that a row looks at, or -1
    int lastSpot() const { return m_lastSpot; } ///< that was gone to or marked last, or -1
    QUndoStack *undoStack() { return &m_undo; }

    /// Adds frames that are not open yet, in state Reading; answers the indexes of the new ones.
    QList<int> addPaths(const QStringList &paths);
    void setGlimpsed(const QString &path, const QImage &thumbnail, const ShootingData &shooting); ///< while it waits to be read
    void setOpened(const QString &path, std::shared_ptr<const Frame> frame);                      ///< can be looked at; still Reading
    void setReadingDone(const QString &path, std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, const QImage &thumbnail,
                        const std::vector<ProposedSpot> &spots = {});
    void setReadingFailed(const QString &path, const QString &problem);
    void setAwake(const QString &path, std::shared_ptr<const Frame> frame); ///< the pixels of a resting one are there again
    /// Pixels of frames that are not looked at are let go beyond this.
    void noteGuestLost(const QString &path, const QString &file); ///< it stays pinned, and is tried again when the frame is read again
    void setMemoryBudget(size_t bytes) { m_budget = bytes; }
    void makeRoom(size_t bytes) { letRest(bytes); } ///< for something that is about to be held for a while

    /// All that a session file keeps. @param folder where it is going to lie
    SavedSession saved(const QString &folder) const;
    /// In place of what is open. Paths to be read; missing files are in the roll as such. @param folder where the file lay
    QStringList restore(const SavedSession &session, const QString &folder);
    /// A missing file was found. Paths to be read: others that were missing and lie in the same folder, too.
    QStringList setFound(const QString &missing, const QString &file);
    void noteExported(const QString &path, const QString &file);

    void setCurrent(int index);
    void setColumn(int column);
    void setRow(int row);
    void setRowCount(int rows); ///< new rows look at spots that no other row looks at
    void setViewport(const Viewport &viewport) { setViewport(m_row, viewport); }
    void setViewport(int row, const Viewport &viewport); ///< magnification of all rows, place of one
    void goToSpot(int spot);                             ///< the row with the keyboard looks there; from the whole frame, at 200 %
    void setPushEv(double ev);                           ///< clamped to [-2, 6]
    void setShow(Show show);

    /// What the user can do, each one step of undo. The steps of one drag merge into one. All are of the current frame, and
    /// do nothing where it is not Ready or where nothing would change.
    void changeMethod(int trial, const std::string &method, const std::string &colourMethod); ///< ids; an empty colour method: the same
    void changeTreatment(int trial, const Treatment &treatment, const QString &words);
    void returnToSuggestion(int trial);
    void startFromOwnTaste(int trial); ///< nothing where there is no own start
    /// What was decided about frames: of those that are open, and of those to come.
    void setDecisions(const Decisions &decisions);
    /// Of frames that are exported with their keepers.
    std::vector<Decision> decisionsAbout(const QList<int> &frames) const;
    void changeParam(int trial, const TreatmentParam &param, double value, int dragId = 0);
    void useRegions(int trial, bool use);
    void changeRegions(std::vector<Region> regions, const QString &words, int dragId = 0);
    void changeLens(const LensCorrection &lens, const QString &words, int dragId = 0);
    void chooseKeeper(int trial);                           ///< again on the keeper: none
    void addTrial(const Treatment &treatment, int at = -1); ///< after the others where `at` is -1; gets the keyboard
    void removeTrial(int trial);                            ///< not the last one
    void moveTrial(int from, int to);
    bool canAddTrial() const;
    int addSpot(QPoint at, SpotKind kind = SpotKind::Own); ///< its number, or -1
    void moveSpot(int spot, QPoint at);
    void renameSpot(int spot, const QString &name);
    void removeSpot(int spot);
    void reorderSpot(int from, int to);
    /// From the current frame to others, in place of theirs; to how many.
    int carrySpots(const std::optional<QList<int>> &frames = {}); ///< to those of the same size; nothing: all
    int carryRendering(const std::optional<QList<int>> &frames = {});
    int carryLens(const QList<int> &frames); ///< to those of the same size
    /// A step of undo, but where the frame has it pinned already, and it was only to be matched.
    void pinGuest(const QString &path, const QString &file, const std::shared_ptr<const Guest> &guest);
    void unpinGuest(int guest);
    void unpinLostGuests(); ///< of the current frame, those that could not be had
    void changeRendering(const Rendering &rendering, const QString &words, int dragId = 0);
    /// A trial of that treatment on every frame, and it is the keeper there. To how many.
    int treatAll(const Treatment &treatment);
    /// The same on some, each with what is meant for it. To how many; those that were not measured are passed over.
    int treat(const QList<int> &frames, const std::function<Treatment(const RollFrame &)> &treatmentFor, const QString &words);
    /// Its file stays. Adding that file again forgets all steps of undo, since this one can no longer be undone.
    void takeOff(int index);
    void takeOff(QList<int> frames); ///< in one step

    /// For commands only.
    void applyChoices(int index, const Choices &choices, bool reveal);
    std::unique_ptr<RollFrame> takeOut(int index);
    void putBack(int index, std::unique_ptr<RollFrame> frame);

signals:
    void framesAdded(int first, int count);
    void rollChanged();                                               ///< a frame was taken off or put back: indexes are others; currentChanged() follows
    void frameChanged(int index);                                     ///< read, failed, exported, put to rest or woken
    void pixelsWanted(const QString &path);                           ///< of a resting frame
    void readingWanted(const QString &path);                          ///< of one that was put back and had not been read
    void guestsWanted(const QString &path, const QStringList &files); ///< pinned, and not matched to the pixels that are there now
    void restored();                                                  ///< everything is another
    void choicesChanged(int index);
    void currentChanged(int index);
    void columnChanged(int column);
    void rowsChanged(); ///< their number, or which has the keyboard
    void viewportChanged();
    void lookChanged();

private:
    void change(Choices after, const QString &words, int dragId = 0);
    int carry(const std::optional<QList<int>> &frames, bool sameSize, const QString &words, const std::function<void(Choices &)> &take);
    void changeOthers(const QString &words, const std::vector<std::pair<int, Choices>> &others);
    void goTo(int index);
    void clampColumn();
    void letRest(size_t forOthers = 0);
    void wantGuests(const RollFrame &f);
    void comeBack(const QString &path);
    static void dropPixels(RollFrame &f);

    std::vector<std::unique_ptr<RollFrame>> m_frames;
    int m_current = -1;
    int m_column = 1;
    std::optional<int> m_wantedColumn; ///< by a session, once the current frame is there
    double m_zoom = 0;
    std::vector<QPointF> m_rows{{0.5, 0.5}};
    int m_row = 0;
    Look m_look;
    int m_lastSpot = -1;
    std::vector<int> m_seen;  ///< frames with pixels, the latest looked at last
    QSet<QString> m_takenOff; ///< paths that undo would put back
    size_t m_budget = size_t(3) << 29;
    Decisions m_decisions;
    QUndoStack m_undo;
};

} // namespace irenic
