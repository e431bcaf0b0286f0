// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "jobs/export_queue.h"
#include "session/session.h"

namespace irenic {

/// What is asked of an export, for any frames; remembered from one to the next.
struct ExportChoices {
    enum class Frames {
        This,           ///< with its keeper, or the trial with the keyboard
        Keepers,        ///< all that have one, each with its own
        Suggestions,    ///< all, each with its suggestion
        Alike,          ///< all, with `alike`
        ThisSuggested,  ///< the current one, with its suggestion
        Chosen,         ///< those of `chosen`, each with its keeper, or its suggestion where it has none
        ChosenSuggested ///< the same, all with their suggestions
    };
    enum class Place {
        Beside,
        Subfolder,
        Folder,
    };

    Frames frames = Frames::This;
    WantedTreatment alike;
    QList<int> chosen;                              ///< indexes of frames
    bool sameNoise = false;                         ///< for a series: strengths are measured against the current frame's noise throughout
    QList<ExportFormat> formats{ExportFormat::Dng}; ///< a DNG asked of a finished picture becomes a TIFF
    ExportOptions options;
    Place place = Place::Subfolder;
    QString subfolder = QStringLiteral("clean");
    QString folder;
    QString name = QString::fromLatin1(kDefaultNameTemplate);
    ExportJob::Clash clash = ExportJob::Clash::Number;
    bool askClash = false; ///< before anything is written
    bool sidecar = true;
    bool again = true; ///< what was exported in the same way already is so once more

    static ExportChoices load(); ///< of the last export; `frames` is This
    void save() const;

    QList<int> indexes(const Session &session) const; ///< of frames; what could not be opened is left out
    QString folderFor(const RollFrame &frame) const;
    std::vector<ExportRequest> requests(const Session &session) const;
};

/// The keeper of a measured frame, or the trial with the keyboard where none was chosen.
int trialFor(const Session &session, int index);

/// The file that a request would write as things are; nothing while its frame was not measured. Says what is wrong with the name.
std::optional<Result<std::filesystem::path>> targetOf(const ExportRequest &request, const RollFrame &frame, bool evenIfTaken);

} // namespace irenic
