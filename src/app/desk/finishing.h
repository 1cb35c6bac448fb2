// Taking up the finish of an item, and laying it on others.
#pragma once

#include "app/desk/desk.h"

namespace widecut {

/// The look of the selected item, without its photos, is remembered for layFinish.
void takeUpFinish(Desk& desk);
/// The finish that was taken up, on all selected items: one step.
void layFinish(Desk& desk);

}  // namespace widecut
