// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

namespace irenic {

/// A sentence of the engine's that people read, in the language of the process: the command line's is always English. Collected for translation
/// (tools/translate.sh).
/// @param english "%1" stands for the first value, "%2" for the second
std::string sentence(const char *english, const std::vector<std::string> &values = {});

/// Answers the text in the process's language, or the English one. Called from any thread.
using SentenceTranslator = std::string (*)(const char *english);
/// Before any other thread asks; null: English.
void translateSentences(SentenceTranslator translator);

} // namespace irenic
