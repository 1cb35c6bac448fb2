#include "project/edits/tree.h"

#include <algorithm>

#include "project/edits/colours.h"
#include "project/forms/children.h"
#include "project/forms/form.h"
#include "project/forms/words.h"
#include "project/names.h"
#include "project/resolve.h"

namespace widecut {
namespace {

IdSet setOf(std::span<const Id> ids) { return {ids.begin(), ids.end()}; }

/// The ways to items, in the order of the stack; one that goes on after another comes after it.
using Paths = std::span<const Path* const>;

class FateMeeting {
 public:
  FateMeeting(Meets order, const Fate& fate) : order_(order), fate_(fate) {}

  /// The items of one parent after those that the ways lead to, or through, have met their fate. Null stands for those
  /// that go. True if any changed.
  bool meet(ItemList& items, Paths paths, std::size_t depth, const Affine& parent) const {
    bool changed = false;
    for (std::size_t i = 0; i < paths.size();) {
      const std::uint32_t place = (*paths[i])[depth];
      std::size_t end = i;
      while (end < paths.size() && (*paths[end])[depth] == place) ++end;
      const ItemPtr before = items[place];
      ItemPtr after = met(before, paths.subspan(i, end - i), depth, parent);
      if (after != before) {
        items.set(place, std::move(after));
        changed = true;
      }
      i = end;
    }
    return changed;
  }

 private:
  ItemPtr met(const ItemPtr& item, Paths paths, std::size_t depth, const Affine& parent) const {
    const bool isNamed = paths.front()->size() == depth + 1;
    const Paths inside = paths.subspan(isNamed ? 1 : 0);
    if (inside.empty() || (isNamed && order_ == Meets::InsteadOfThem)) return fate_(item, parent);
    ItemList children = childrenOf(*item);
    ItemPtr next = item;
    if (meet(children, inside, depth + 1, parent * item->toParent())) {
      auto changed = withChildren(*item, std::move(children));
      if (!changed) return nullptr;
      next = std::make_shared<const Item>(std::move(*changed));
    }
    return isNamed ? fate_(next, parent) : next;
  }
  Meets order_;
  const Fate& fate_;
};

Project restacked(const Project& project, std::span<const Id> items, bool front) {
  const IdSet ids = setOf(items);
  return withSheets(project, [&](const SheetPtr& sheet) -> SheetPtr {
    std::vector<ItemPtr> order(sheet->items.begin(), sheet->items.end());
    std::stable_partition(order.begin(), order.end(),
                          [&](const ItemPtr& item) { return ids.contains(item->id) != front; });
    Sheet next = *sheet;
    next.items = order;
    return next.items == sheet->items ? sheet : std::make_shared<const Sheet>(std::move(next));
  });
}

std::size_t placeOf(Id id, const ItemList& items) {
  const auto at = std::find_if(items.begin(), items.end(), [&](const ItemPtr& item) { return item->id == id; });
  return static_cast<std::size_t>(at - items.begin());
}

}  // namespace

Project withSheets(const Project& project, const std::function<SheetPtr(const SheetPtr&)>& change) {
  Project next = project;
  for (PiecePtr& piece : next.pieces) {
    std::optional<Piece> copy;
    for (std::size_t i = 0; i < piece->sheets.size(); ++i) {
      SheetPtr sheet = change(piece->sheets[i]);
      if (sheet == piece->sheets[i]) continue;
      if (!copy) copy = *piece;
      copy->sheets[i] = std::move(sheet);
    }
    if (copy) piece = std::make_shared<const Piece>(std::move(*copy));
  }
  return next;
}

Project withFate(const Project& project, std::span<const Id> items, Meets order, const Fate& fate) {
  const FateMeeting meeting(order, fate);
  std::vector<Id> left(items.begin(), items.end());
  return withSheets(project, [&](const SheetPtr& sheet) -> SheetPtr {
    if (left.empty()) return sheet;
    const auto index = SheetIndex::of(sheet);
    std::vector<const Path*> paths;
    std::erase_if(left, [&](Id id) {
      const Path* path = index->find(id);
      if (path) paths.push_back(path);
      return path != nullptr;
    });
    if (paths.empty()) return sheet;
    std::sort(paths.begin(), paths.end(), [](const Path* a, const Path* b) { return *a < *b; });
    paths.erase(std::unique(paths.begin(), paths.end()), paths.end());
    Sheet next = *sheet;
    if (!meeting.meet(next.items, paths, 0, {})) return sheet;
    next.items = next.items.withoutGaps();
    return std::make_shared<const Sheet>(std::move(next));
  });
}

Project withItem(const Project& project, Id id, const ItemChange& change) {
  return withEach(project, {&id, 1}, change);
}

Project withEach(const Project& project, std::span<const Id> items, const ItemChange& change) {
  return withFate(project, items, Meets::AfterChildren,
                  [&](const ItemPtr& item, const Affine&) { return std::make_shared<const Item>(change(*item)); });
}

Project withSheet(const Project& project, Id id, const std::function<Sheet(const Sheet&)>& change) {
  return withSheets(project, [&](const SheetPtr& sheet) {
    return sheet->id == id ? std::make_shared<const Sheet>(change(*sheet)) : sheet;
  });
}

Project withItemsOnTop(const Project& project, Id sheetId, std::vector<Item> items) {
  Id nextId = project.nextId;
  Project next = withSheet(project, sheetId, [&](const Sheet& sheet) {
    Sheet out = sheet;
    for (Item& item : items) {
      if (item.id == 0) item.id = nextId;
      nextId = std::max(nextId, item.id + 1);
      out.items.push_back(std::make_shared<const Item>(item));
    }
    return out;
  });
  next.nextId = nextId;
  return next;
}

Project withoutItems(const Project& project, std::span<const Id> items) {
  return withFate(project, items, Meets::InsteadOfThem, [](const ItemPtr&, const Affine&) { return nullptr; });
}

Project withReplaced(const Project& project, Id id, std::vector<Item> items, const Formula& joined,
                     std::vector<Id>& made) {
  const auto chain = chainTo(project, id);
  if (chain.empty()) return project;
  Id nextId = project.nextId;
  std::vector<ItemPtr> fresh;
  fresh.reserve(items.size());
  for (Item& item : items) {
    if (item.id == 0) made.push_back(item.id = nextId++);
    fresh.push_back(std::make_shared<const Item>(std::move(item)));
  }
  const auto onSheet = [&](const Sheet& sheet) {
    Sheet out = sheet;
    out.items = replacedIn(sheet.items, placeOf(id, sheet.items), fresh);
    return out;
  };
  const auto inside = [&](const Item& parent) {
    Item out = withChildReplaced(parent, placeOf(id, childrenOf(parent)), fresh, joined);
    if (picturePartOf(*parent.style) != 0 && picturePartOf(*out.style) == 0)
      if (auto picture = shownPicture(parent)) setPicture(changeable(out), std::move(*picture));
    return out;
  };
  Project next = chain.size() == 1 ? withSheet(project, sheetOf(project, id)->id, onSheet)
                                   : withItem(project, chain[chain.size() - 2]->id, inside);
  next.nextId = nextId;
  return next;
}

std::vector<ItemPtr> combinable(const Project& project, std::span<const Id> items) {
  const IdSet ids(items.begin(), items.end());
  std::vector<ItemPtr> found;
  for (const SheetPtr& sheet : sheetsOf(project)) {
    for (const ItemPtr& item : sheet->items)
      if (ids.contains(item->id)) found.push_back(item);
    if (!found.empty()) break;
  }
  return found;
}

std::vector<ItemPtr> movedInto(Item& whole, const std::vector<ItemPtr>& items) {
  Box box;
  for (const ItemPtr& item : items) box.add(boxInParent(*item));
  whole.position = box.isEmpty() ? items.front()->position : box.centre();
  std::vector<ItemPtr> inside;
  inside.reserve(items.size());
  for (const ItemPtr& item : items) {
    Item moved = *item;
    moved.position = item->position - whole.position;
    inside.push_back(std::make_shared<const Item>(std::move(moved)));
  }
  return inside;
}

Project withOneInstead(const Project& project, const std::vector<ItemPtr>& items, Item whole, Id& made) {
  IdSet ids;
  for (const ItemPtr& item : items) ids.insert(item->id);
  const Id frontmost = items.back()->id;
  made = whole.id = project.nextId;
  for (const ItemPtr& item : items)
    if (!whole.clear) whole.clear = item->clear;
  const auto node = std::make_shared<const Item>(std::move(whole));
  Project next = withSheet(project, sheetOf(project, frontmost)->id, [&](const Sheet& sheet) {
    Sheet out = sheet;
    out.items = {};
    for (const ItemPtr& item : sheet.items) {
      if (item->id == frontmost) out.items.push_back(node);
      if (!ids.contains(item->id)) out.items.push_back(item);
    }
    return out;
  });
  ++next.nextId;
  return next;
}

Project broughtToFront(const Project& project, std::span<const Id> items) { return restacked(project, items, true); }
Project sentToBack(const Project& project, std::span<const Id> items) { return restacked(project, items, false); }

namespace {

/// From the ids of items to those of their copies.
using FreshIds = std::unordered_map<Id, Id>;

Item copied(const Item& item, Id& nextId, FreshIds& fresh) {
  const Id id = nextId++;
  fresh.emplace(item.id, id);
  ItemList children;
  for (const ItemPtr& child : childrenOf(item))
    children.push_back(std::make_shared<const Item>(copied(*child, nextId, fresh)));
  Item copy = children.empty() ? item : *withChildren(item, std::move(children));
  copy.id = id;
  return copy;
}

/// The words' content with copies in the place of what they follow.
Words::Content relinked(const Words& words, const FreshIds& fresh) {
  Words::Content content = words.content();
  const auto inStead = [&](Id& id) {
    const auto found = fresh.find(id);
    id = found == fresh.end() ? 0 : found->second;
  };
  if (content.on != 0) inStead(content.on);
  if (content.levelOf != 0) inStead(content.levelOf);
  if (content.flowsFrom == 0) return content;
  inStead(content.flowsFrom);
  if (content.flowsFrom != 0) return content;
  // A copy of a frame alone has what it shows as its own.
  const auto& lines = words.set().lines;
  content.text = words.story().substr(lines.front().from, lines.back().to - lines.front().from);
  content.flowPlace = 0;
  return content;
}

Item withLinks(const Item& item, const FreshIds& fresh) {
  Item out = item;
  if (const Words* words = wordsOf(item)) {
    Words::Content content = relinked(*words, fresh);
    if (content != words->content()) out.form = wordsForm(std::move(content));
    return out;
  }
  const ItemList& before = childrenOf(item);
  ItemList children;
  bool isChanged = false;
  for (const ItemPtr& child : before) {
    Item next = withLinks(*child, fresh);
    isChanged = isChanged || next.form != child->form;
    children.push_back(next.form == child->form ? child : std::make_shared<const Item>(std::move(next)));
  }
  return isChanged ? *withChildren(item, std::move(children)) : out;
}

/// Words that refer to styles which the project has not, as those from elsewhere may, have them as looks of their own.
Item withOwnLooks(const Item& item, const Project& project) {
  const Words* words = wordsOf(item);
  if (!words) return item;
  const auto isUnknown = [&](const auto& one) {
    return one.named && std::none_of(project.textStyles.begin(), project.textStyles.end(),
                                     [&](const NamedLookPtr& style) { return areSame(style, one.named); });
  };
  const TextLooks& looks = words->content().looks;
  if (std::none_of(looks.letters.begin(), looks.letters.end(), isUnknown) &&
      std::none_of(looks.paragraphs.begin(), looks.paragraphs.end(), isUnknown))
    return item;
  Words::Content content = words->content();
  content.looks = scaled(content.looks, 1);
  Item out = item;
  out.form = wordsForm(std::move(content));
  return out;
}

/// The same of all words in an item.
Item withOwnLooksInside(const Item& item, const Project& project) {
  const ItemList& before = childrenOf(item);
  if (before.empty()) return withOwnLooks(item, project);
  ItemList children;
  bool isChanged = false;
  for (const ItemPtr& child : before) {
    Item next = withOwnLooksInside(*child, project);
    isChanged = isChanged || next.form != child->form;
    children.push_back(next.form == child->form ? child : std::make_shared<const Item>(std::move(next)));
  }
  return isChanged ? *withChildren(item, std::move(children)) : item;
}

}  // namespace

Item freshCopy(const Item& item, Id& nextId) {
  FreshIds fresh;
  const Item copy = copied(item, nextId, fresh);
  return withLinks(copy, fresh);
}

std::vector<Item> freshCopies(std::span<const ItemPtr> items, Id& nextId) {
  FreshIds fresh;
  std::vector<Item> out;
  out.reserve(items.size());
  for (const ItemPtr& item : items) out.push_back(copied(*item, nextId, fresh));
  for (Item& item : out) item = withLinks(item, fresh);
  return out;
}

namespace {

/// A copy shows its photo as its own: it lies elsewhere. In its place on another sheet it goes on sharing one that is
/// shared over sheets.
Item withoutShares(const Item& item, bool isInPlace) {
  Item out = item;
  const auto leaves = [&](const Fill& fill) {
    const auto* picture = std::get_if<Picture>(&fill.paint);
    return picture && picture->share != 0 && !(isInPlace && picture->isOverSheets);
  };
  if (std::any_of(item.style->fills.begin(), item.style->fills.end(), leaves))
    for (Fill& fill : changeable(out).fills)
      if (leaves(fill)) {
        std::get<Picture>(fill.paint).share = 0;
        std::get<Picture>(fill.paint).isOverSheets = false;
      }
  ItemList children = childrenOf(item);
  for (std::size_t i = 0; i < children.size(); ++i)
    children.set(i, std::make_shared<const Item>(withoutShares(*children[i], isInPlace)));
  return children.empty() ? out : *withChildren(out, std::move(children));
}

}  // namespace

Project withCopiesOnTop(const Project& project, Id to, std::span<const ItemPtr> items, Point shift,
                        std::vector<Id>& copies) {
  const SheetPtr sheet = findSheet(project, to);
  if (!sheet || items.empty()) return project;
  Project next = project;
  UniqueNames names(*sheet);
  std::vector<ItemPtr> own;
  own.reserve(items.size());
  for (const ItemPtr& item : items)
    own.push_back(std::make_shared<const Item>(
        withOwnLooksInside(withoutShares(*withSwatchesOf(project, item), shift == Point{}), project)));
  std::vector<Item> fresh = freshCopies(own, next.nextId);
  for (Item& item : fresh) {
    item.name = names.take(item.name);
    item.position = item.position + shift;
    copies.push_back(item.id);
  }
  return withItemsOnTop(next, to, std::move(fresh));
}

}  // namespace widecut
