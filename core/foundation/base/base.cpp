// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/base.h"

#include "irenic/sentence.h"
namespace irenic {

Error cancelledError()
{
    return {ErrorCode::Cancelled, sentence("Stopped as asked; nothing was changed."), {}};
}

} // namespace irenic
