// SPDX-License-Identifier: GPL-3.0-or-later
#include "topics.h"

#include "pages.h"

#include <algorithm>
#include <cstdio>
#include <sstream>
#include <string_view>

namespace irenic::cli {

namespace {

std::string lowered(std::string_view text)
{
    std::string out(text);
    std::transform(out.begin(), out.end(), out.begin(), [](unsigned char c) { return c < 128 ? char(std::tolower(c)) : char(c); });
    return out;
}

/// The first line of a page, without its mark.
std::string_view titleOf(std::string_view page)
{
    return page.substr(2, page.find('\n') - 2);
}

} // namespace

int help(const std::string &topic)
{
    if (topic.empty()) {
        std::printf("irenic-cli COMMAND --help tells the options of a command. Pages of the handbook, by irenic-cli help TOPIC:\n\n");
        for (const Page &page : kPages)
            std::printf("  %-16s %.*s\n", page.name, int(titleOf(page.text).size()), titleOf(page.text).data());
        return 0;
    }
    const std::string wanted = lowered(topic);
    for (const Page &page : kPages)
        if (wanted == page.name) {
            std::fwrite(page.text.data(), 1, page.text.size(), stdout);
            return 0;
        }
    bool found = false;
    for (const Page &page : kPages) {
        std::istringstream lines{std::string(page.text)};
        for (std::string line; std::getline(lines, line);)
            if (lowered(line).find(wanted) != std::string::npos) {
                found = true;
                std::printf("%s: %s\n", page.name, line.c_str());
            }
    }
    if (!found)
        std::fprintf(stderr, "irenic-cli: No page is called \"%s\", and none holds that word; irenic-cli help lists them.\n", topic.c_str());
    return found ? 0 : 1;
}

} // namespace irenic::cli
