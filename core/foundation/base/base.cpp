// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/base.h"

namespace irenic {

Error cancelledError()
{
    return {ErrorCode::Cancelled, "Stopped as asked; nothing was changed.", {}};
}

} // namespace irenic
