// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

namespace CLI {
class App;
}

namespace irenic {

/// What a program says beyond its help, made from the same table of options.
struct ProgramPages {
    const char *summary; ///< half a sentence, for the title of its page
    const char *more;    ///< paragraphs for its page, in troff; may be empty
    const char *seeAlso; ///< names of other pages, with their sections
};

/// A page for man(1), section 1.
std::string manPage(const CLI::App &app, const ProgramPages &pages);
/// A script that completes the program's commands and options: "bash", "zsh" or "fish"; empty for any other shell.
std::string completion(const CLI::App &app, const std::string &shell);
/// Answers `--write-man` and `--write-completion SHELL` as the first argument; -1 where neither was asked for, else the exit status.
int answerPages(const CLI::App &app, const ProgramPages &pages, int argc, char **argv);
/// Version, build and libraries, as `--version` tells them.
std::string versionText(const std::string &program);

} // namespace irenic
