// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/barrier.h"

#include "irenic/sentence.h"
#include "irenic/text.h"

#include <new>
#include <stdexcept>

namespace irenic {

Error errorInFlight(const std::string &subject)
{
    try {
        throw;
    } catch (const std::bad_alloc &) {
        return {ErrorCode::Unsupported, sentence("%1 asks for more memory than there is. Nothing was changed.", {subject}), {}};
    } catch (const std::length_error &) {
        return {ErrorCode::Damaged, sentence("%1 claims sizes that cannot be. Nothing was changed.", {subject}), {}};
    } catch (const std::exception &e) {
        return {ErrorCode::Damaged, sentence("%1 could not be worked on: a library gave up (%2). Nothing was changed.", {subject, utf8Text(e.what())}), e.what()};
    } catch (...) {
        return {ErrorCode::Damaged, sentence("%1 could not be worked on: a library gave up without a reason. Nothing was changed.", {subject}), {}};
    }
}

} // namespace irenic
