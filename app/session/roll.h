// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/pixel_memory.h"
#include "session/roll_frame.h"

#include <QObject>

namespace irenic {

/// The frames that are open, in their order: how they come, are read, rest and wake, and go. Lives in the window's thread.
class Roll : public QObject
{
    Q_OBJECT
public:
    int count() const { return int(m_frames.size()); }
    const RollFrame &frame(int index) const { return *m_frames[size_t(index)]; }
    int indexOf(const QString &path) const; ///< -1 where it is not open

    /// Adds frames that are not open yet, in state Reading; answers the indexes of the new ones.
    QList<int> add(const QStringList &paths);
    void setGlimpsed(const QString &path, const QImage &thumbnail, const ShootingData &shooting); ///< while it waits to be read
    void setOpened(const QString &path, std::shared_ptr<const Frame> frame);                      ///< can be looked at; still Reading
    void setReadingDone(const QString &path, std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, const QImage &thumbnail,
                        const std::vector<ProposedSpot> &spots = {});
    void setReadingFailed(const QString &path, const QString &problem);
    void setNearness(const QString &path, const Treatment &of, const Shared<std::vector<Region>> &regions, double db); ///< see RollFrame::nearness
    void setAwake(const QString &path, std::shared_ptr<const Frame> frame);                                            ///< the pixels of a resting one are there again
    void noteExported(const QString &path, const QString &file);

    /// Pixels of frames that are not looked at are let go beyond this.
    void setMemoryBudget(size_t bytes) { m_memory.setBudget(bytes); }
    void makeRoom(size_t bytes) { letRest(bytes); } ///< for something that is about to be held for a while
    void lookAt(int index);                         ///< its pixels are wanted, and kept; -1: none
    void wake(int index);                           ///< its pixels are wanted; what is looked at stays

    void keepGuest(int index, const QString &file, const std::shared_ptr<const Guest> &guest); ///< matched to the pixels that are there
    void noteGuestLost(const QString &path, const QString &file);                              ///< it stays pinned, and is tried again when the frame is read again

    /// What was decided about frames: of those that are open, and of those to come.
    void setDecisions(const Decisions &decisions);
    /// Of frames that are exported with their keepers.
    std::vector<Decision> decisionsAbout(const QList<int> &frames) const;

    std::vector<SavedFrame> saved(const QString &folder) const; ///< @param folder where the session is going to lie
    void clear();
    /// After clear(). Paths to be read; missing files are in the roll as such. @param folder where the session lay
    QStringList restore(const std::vector<SavedFrame> &frames, const QString &folder);
    /// A missing file was found. Paths to be read: others that were missing and lie in the same folder, too.
    QStringList setFound(const QString &missing, const QString &file);

    /// For commands only.
    ChoiceParts setChoices(int index, const Choices &choices); ///< what of them is another now
    std::unique_ptr<RollFrame> takeOut(int index);
    void putBack(int index, std::unique_ptr<RollFrame> frame);

signals:
    void framesAdded(int first, int count);
    void rollChanged();                                               ///< a frame was taken off or put back: indexes are others; Viewing::currentChanged() follows
    void frameChanged(int index);                                     ///< read, failed, exported, put to rest or woken
    void nearnessTold(int index);                                     ///< RollFrame::nearness is another
    void frameReady(int index);                                       ///< after that, once all is known about it
    void choicesChanged(int index, irenic::ChoiceParts parts);        ///< what was decided about it
    void pathComes(const QString &path);                              ///< into the roll, otherwise than by undo
    void pixelsWanted(const QString &path);                           ///< of a resting frame
    void readingWanted(const QString &path);                          ///< of one that was put back and had not been read
    void guestsWanted(const QString &path, const QStringList &files); ///< pinned, and not matched to the pixels that are there now

private:
    void letRest(size_t forOthers = 0);
    void wantGuests(const RollFrame &f);
    static void dropPixels(RollFrame &f);

    std::vector<std::unique_ptr<RollFrame>> m_frames;
    PixelMemory m_memory;
    Decisions m_decisions;
};

} // namespace irenic
