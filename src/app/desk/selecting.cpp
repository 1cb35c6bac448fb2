#include "app/desk/selecting.h"

#include <algorithm>

#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/forms/words.h"
#include "project/resolve.h"
#include "scene/hit.h"

namespace widecut {
namespace {

/// The items that the selection is picked from, back to front.
std::vector<Id> atHandBeside(const Desk& desk) {
  const ItemPtr whole = desk.parentOfSelection();
  std::vector<Id> ids;
  for (const ItemPtr& item : whole ? childrenOf(*whole) : desk.sheet()->items)
    if (isAtHand(*item)) ids.push_back(item->id);
  return ids;
}

bool areAlike(const Item& a, const Item& b, Alike alike) {
  switch (alike) {
    case Alike::Fill:
      return a.style->fills == b.style->fills;
    case Alike::Line:
      return a.style->lines == b.style->lines;
    case Alike::Kind:
      return kindOf(a.form) == kindOf(b.form);
    case Alike::Size: {
      constexpr double close = 0.01;  // points
      const Box x = boxInFrame(a), y = boxInFrame(b);
      return std::abs(x.width() - y.width()) < close && std::abs(x.height() - y.height()) < close;
    }
  }
  return false;
}

/// Every item of a list that has the flag, those inside others too.
void addWith(bool Item::*flag, const ItemList& items, std::vector<Id>& ids) {
  for (const ItemPtr& item : items) {
    if ((*item).*flag) ids.push_back(item->id);
    addWith(flag, childrenOf(*item), ids);
  }
}

bool isUnlocked(const Project& project, Id id) {
  const auto chain = chainTo(project, id);
  return std::none_of(chain.begin(), chain.end(), [](const ItemPtr& item) { return item->locked; });
}

}  // namespace

std::vector<Id> unlocked(const Project& project, const std::vector<Id>& items) {
  std::vector<Id> free;
  for (const Id id : items)
    if (isUnlocked(project, id)) free.push_back(id);
  return free;
}

bool isAnyUnlocked(const Project& project, const std::vector<Id>& items) {
  return std::any_of(items.begin(), items.end(), [&](Id id) { return isUnlocked(project, id); });
}

void selectAll(Desk& desk) { desk.select(atHandBeside(desk)); }

void invertSelection(Desk& desk) {
  std::vector<Id> ids = atHandBeside(desk);
  std::erase_if(ids, [&](Id id) { return contains(desk.selection(), id); });
  desk.select(std::move(ids));
}

void selectNext(Desk& desk, int step) {
  const std::vector<Id> ids = atHandBeside(desk);
  const auto count = std::ssize(ids);
  if (count == 0) return;
  std::ptrdiff_t at = step > 0 ? -1 : count;
  for (std::ptrdiff_t i = 0; i < count; ++i)
    if (contains(desk.selection(), ids[static_cast<std::size_t>(i)])) at = i;
  desk.select({ids[static_cast<std::size_t>((at + step + count) % count)]});
}

void selectAlike(Desk& desk, Alike alike) {
  const ItemPtr like = desk.selection().empty() ? nullptr : findItem(desk.settled(), desk.selection().front());
  if (!like) return;
  std::vector<Id> ids;
  for (const ItemPtr& item : desk.sheet()->items)
    if (isAtHand(*item) && areAlike(*item, *like, alike)) ids.push_back(item->id);
  emit desk.told(ids.size() == 1 ? Desk::tr("There is no other one like it")
                                 : Desk::tr("%1 are alike").arg(ids.size()));
  if (!ids.empty()) desk.select(std::move(ids));
}

bool goInto(Desk& desk) {
  const ItemPtr item = desk.onlyItem();
  if (!item) return false;
  if (wordsOf(*item)) {
    desk.typeOn(item->id);
    return true;
  }
  const auto& children = childrenOf(*item);
  std::vector<ItemPtr> inside(children.begin(), children.end());
  if (showsChildren(item->form)) std::reverse(inside.begin(), inside.end());
  for (const ItemPtr& child : inside)
    if (isAtHand(*child)) {
      desk.select({child->id});
      return true;
    }
  return false;
}

bool areAll(const Desk& desk, bool Item::*flag) {
  const auto& ids = desk.selection();
  return !ids.empty() && std::all_of(ids.begin(), ids.end(), [&](Id id) {
    const ItemPtr item = findItem(desk.settled(), id);
    return item && (*item).*flag;
  });
}

void toggle(Desk& desk, bool Item::*flag, const QString& on, const QString& off) {
  const bool had = areAll(desk, flag);
  desk.commit(had ? off : on, withEach(desk.settled(), desk.selection(), [&](const Item& before) {
                Item after = before;
                after.*flag = !had;
                return after;
              }));
}

void freeAll(Desk& desk, bool Item::*flag, const QString& name) {
  std::vector<Id> freed;
  addWith(flag, desk.sheet()->items, freed);
  desk.commit(name, withEach(desk.settled(), freed, [&](const Item& before) {
                Item after = before;
                after.*flag = false;
                return after;
              }));
  desk.select(freed);
}

ItemsChange movedBy(Point by) {
  return [by](const Project& project, const std::vector<Id>& items) {
    return withMapped(project, unlocked(project, items), Affine::move(by));
  };
}

void nudge(Desk& desk, Point way, Qt::KeyboardModifiers keys) {
  double step = pointsPerMillimetre;
  if (keys & Qt::ShiftModifier) step *= 10;
  if (keys & Qt::ControlModifier) step /= 10;
  const auto change = movedBy(way * step);
  if (desk.commit(Desk::tr("Nudge"), change(desk.settled(), desk.selection())))
    desk.noteAgain({Desk::tr("Nudge"), change});
}

}  // namespace widecut
