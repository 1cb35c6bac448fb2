// What the tables of commands share: when they apply, and what several of them do.
#pragma once

#include <algorithm>

#include "app/commands/command.h"
#include "app/desk/desk.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut::commands {

using Site = CommandSite;
using Menu = CommandMenu;
using Do = CommandId;

inline bool some(const Desk& desk) { return !desk.selection().empty(); }
inline bool somePicture(const Desk& desk) {
  return std::any_of(desk.selection().begin(), desk.selection().end(), [&](Id id) {
    const ItemPtr item = findItem(desk.settled(), id);
    return item && showsPicture(*item);
  });
}
inline bool one(const Desk& desk) { return desk.onlyItem() != nullptr; }
inline bool several(const Desk& desk) { return desk.outcomeItems().size() > 1; }
inline bool cutout(const Desk& desk) { return desk.openCutout() != nullptr; }

template <ToolKind Kind>
void tool(const Site& s) {
  s.desk.setTool(Kind);
}

}  // namespace widecut::commands
