// SPDX-License-Identifier: GPL-3.0-or-later
// Sessions, recipes, queues, regions and lens corrections; what is read is written and read again, the same.
#include "irenic/export_job.h"
#include "irenic/lens.h"
#include "irenic/recipe.h"
#include "irenic/regions.h"
#include "irenic/session_file.h"

using namespace irenic;

namespace {

template <class Read, class Write>
void roundTrip(const std::string &text, const Read &read, const Write &write)
{
    const auto value = read(text, "x");
    if (!value)
        return;
    const std::string once = write(value.value());
    const auto again = read(once, "x");
    if (!again || write(again.value()) != once)
        __builtin_trap();
}

} // namespace

extern "C" int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size)
{
    if (size < 2)
        return 0;
    const std::string text(reinterpret_cast<const char *>(data) + 1, size - 1);
    switch (data[0] % 5) {
    case 0: roundTrip(text, sessionFromText, sessionText); break;
    case 1: roundTrip(text, recipeFromText, recipeText); break;
    case 2: roundTrip(text, queueFromText, queueText); break;
    case 3: roundTrip(text, regionsFromText, regionsText); break;
    default: roundTrip(text, lensFromText, lensText);
    }
    return 0;
}
