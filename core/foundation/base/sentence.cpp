// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/sentence.h"

#include <atomic>

namespace irenic {

namespace {

std::atomic<SentenceTranslator> inUse = nullptr;

} // namespace

void translateSentences(SentenceTranslator translator)
{
    inUse = translator;
}

std::string sentence(const char *english, const std::vector<std::string> &values)
{
    const SentenceTranslator translator = inUse;
    const std::string text = translator ? translator(english) : english;
    std::string out;
    for (size_t i = 0; i < text.size(); ++i) {
        const size_t which = text[i] == '%' && i + 1 < text.size() ? size_t(text[i + 1] - '1') : values.size();
        if (which < values.size()) {
            out += values[which];
            ++i;
        } else {
            out += text[i];
        }
    }
    return out;
}

} // namespace irenic
