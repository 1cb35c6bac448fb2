#include "app/desk/grouping.h"

#include "app/desk/selecting.h"
#include "project/edits/cutouts.h"
#include "project/edits/groups.h"
#include "project/edits/repeats.h"
#include "project/edits/tree.h"
#include "project/forms/repeat.h"

namespace widecut {

std::vector<Id> selectedGroups(const Desk& desk) {
  std::vector<Id> ids;
  for (const Id id : desk.selection())
    if (const ItemPtr item = findItem(desk.settled(), id); item && showsChildren(item->form)) ids.push_back(id);
  return ids;
}

void group(Desk& desk) {
  Id made = 0;
  Project changed = grouped(desk.settled(), desk.selection(), made);
  if (made == 0) {
    emit desk.told(Desk::tr("Select items on the sheet to group them: parts of a cutout are one already"));
    return;
  }
  if (desk.commit(Desk::tr("Group"), std::move(changed))) desk.select({made});
}

void ungroup(Desk& desk) {
  Project changed = desk.settled();
  std::vector<Id> freed;
  bool isRepeat = false;
  for (const Id id : selectedGroups(desk)) {
    isRepeat = repeatOf(*findItem(changed, id)) != nullptr;
    changed = isRepeat ? withCopiesFreed(changed, id, freed) : withPartsLifted(changed, id, freed);
  }
  if (desk.commit(isRepeat ? Desk::tr("Separate the copies") : Desk::tr("Ungroup"), std::move(changed)))
    desk.select(freed);
}

void deleteSelection(Desk& desk) {
  const auto free = unlocked(desk.settled(), desk.selection());
  if (free.size() < desk.selection().size()) emit desk.told(Desk::tr("What is locked stays: K unlocks it"));
  desk.commit(Desk::tr("Delete"), withoutItems(desk.settled(), free));
}

}  // namespace widecut
