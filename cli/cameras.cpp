// SPDX-License-Identifier: GPL-3.0-or-later
#include "commands.h"

#include "irenic/barrier.h"
#include "irenic/camera_book.h"
#include "irenic/read_frame.h"

#include <algorithm>
#include <cstdio>
#include <cstdlib>

namespace irenic::cli {

namespace {

int learn(CameraBook &book, const CamerasArguments &a)
{
    int status = 0;
    for (const std::string &file : withStandardInput(a.learn)) {
        const RunContext run{a.threads, {}, {}};
        const Status learned = behindBarrier(textOf(file), [&]() -> Status {
            const auto frame = readFrame(file, run);
            if (!frame)
                return frame.error();
            const auto noise = measureNoise(*frame.value(), run);
            return noise ? book.learn(*frame.value(), noise.value(), run) : Status(noise.error());
        });
        if (!learned) {
            report(file, learned.error(), a.json);
            status = 1;
        }
    }
    return status;
}

int forget(const CameraBook &book, const CamerasArguments &a)
{
    int status = 0;
    const auto all = book.cameras();
    for (const std::string &name : a.forget) {
        const auto camera = std::find_if(all.begin(), all.end(), [&](const CameraBook::Camera &c) { return c.name() == name; });
        const Status done = camera == all.end() ? Status(Error{ErrorCode::NotFound, "The camera book holds no \"" + name + "\".", {}}) : CameraBook::forget(*camera);
        if (!done) {
            report(name, done.error(), a.json);
            status = 1;
        }
    }
    return status;
}

} // namespace

std::string usualCameraBook()
{
    const char *data = std::getenv("XDG_DATA_HOME"), *home = std::getenv("HOME");
    const std::filesystem::path base = data && *data == '/' ? std::filesystem::path(data) : std::filesystem::path(home ? home : "/") / ".local/share";
    return (base / "irenic/irenic/cameras").string(); // the window's data folder: organisation, application
}

int cameras(const CamerasArguments &a)
{
    if (a.readable) {
        for (const std::string &name : readableCameras())
            a.json ? printLine({{"camera", name}}) : void(std::printf("%s\n", name.c_str()));
        if (!a.json)
            std::printf("(by LibRaw %s; a camera that is newer is read from a DNG)\n", rawLibraryVersion().c_str());
        return 0;
    }
    CameraBook book(a.book);
    const int learned = learn(book, a), forgot = forget(book, a);
    if (a.learn.empty() && a.forget.empty())
        for (const CameraBook::Camera &c : book.cameras()) {
            if (a.json) {
                printLine({{"camera", c.name()}, {"make", c.make}, {"model", c.model}, {"width", c.size.width}, {"height", c.size.height}, {"frames", c.frames}, {"maps", c.maps}, {"isos", c.isos}, {"document", textOf(c.document)}});
                continue;
            }
            std::string isos;
            for (const int iso : c.isos)
                isos += (isos.empty() ? "" : ", ") + std::to_string(iso);
            std::printf("%s\n  %d frame%s; noise laws at ISO %s; %d searched for bad pixels\n  %s\n", c.name().c_str(), c.frames, c.frames == 1 ? "" : "s", isos.empty() ? "(none)" : isos.c_str(), c.maps, textOf(c.document).c_str());
        }
    return std::max(learned, forgot);
}

} // namespace irenic::cli
