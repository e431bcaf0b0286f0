// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/barrier.h"

#include "irenic/text.h"

#include <new>
#include <stdexcept>

namespace irenic {

Error errorInFlight(const std::string &subject)
{
    try {
        throw;
    } catch (const std::bad_alloc &) {
        return {ErrorCode::Unsupported, subject + " asks for more memory than there is. Nothing was changed.", {}};
    } catch (const std::length_error &) {
        return {ErrorCode::Damaged, subject + " claims sizes that cannot be. Nothing was changed.", {}};
    } catch (const std::exception &e) {
        return {ErrorCode::Damaged, subject + " could not be worked on: a library gave up (" + utf8Text(e.what()) + "). Nothing was changed.", e.what()};
    } catch (...) {
        return {ErrorCode::Damaged, subject + " could not be worked on: a library gave up without a reason. Nothing was changed.", {}};
    }
}

} // namespace irenic
