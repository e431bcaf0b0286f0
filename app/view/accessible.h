// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace irenic {

/// Says to assistive technologies what our own controls and pictures are, and lets them set what can be set; names and descriptions are the widgets' own
/// (QWidget::accessibleName). To be called once, before there are widgets.
void installAccessibility();

} // namespace irenic
