#include "project/edits/groups.h"

#include "project/edits/tree.h"
#include "project/forms/group.h"
#include "project/lookup.h"
#include "project/names.h"

namespace widecut {

Project grouped(const Project& project, std::span<const Id> ids, Id& made) {
  const auto items = combinable(project, ids);
  if (items.empty()) return project;
  Item whole;
  whole.name = UniqueNames(*sheetOf(project, items.front()->id)).take("group");
  whole.form = std::make_shared<const Group>(Group{movedInto(whole, items), {}});
  return withOneInstead(project, items, std::move(whole), made);
}

}  // namespace widecut
