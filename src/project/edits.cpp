#include "project/edits.h"

#include <algorithm>

#include "project/framing.h"
#include "project/limits.h"
#include "project/resolve.h"

namespace widecut {
namespace {

IdSet setOf(std::span<const Id> ids) { return {ids.begin(), ids.end()}; }

/// What becomes of one item: itself, another, or nothing.
using Fate = std::function<ItemPtr(const ItemPtr&)>;

bool applied(const std::vector<ItemPtr>& items, const Fate& fate, std::vector<ItemPtr>& out);

/// An item after the fate has met its parts and then the item itself. A cutout whose parts are all gone goes.
ItemPtr met(const ItemPtr& item, const Fate& fate) {
  const Recipe* recipe = item->recipe();
  std::vector<ItemPtr> parts;
  if (!recipe || !applied(recipe->parts, fate, parts)) return fate(item);
  Recipe changed = *recipe;
  changed.parts.clear();
  std::vector<int> newIndex(recipe->parts.size(), -1);
  for (std::size_t i = 0; i < parts.size(); ++i) {
    if (parts[i]) {
      newIndex[i] = static_cast<int>(changed.parts.size());
      changed.parts.push_back(parts[i]);
    } else if (changed.photoFrom == recipe->parts[i]->id) {
      changed.photoFrom.reset();
    }
  }
  const auto formula = recipe->formula.without([&](int part) { return !parts[static_cast<std::size_t>(part)]; });
  if (!formula) return nullptr;
  changed.formula = formula->renumbered([&](int part) { return newIndex[static_cast<std::size_t>(part)]; });
  Item next = *item;
  next.form = std::make_shared<const Recipe>(std::move(changed));
  return fate(std::make_shared<const Item>(std::move(next)));
}

/// Applies the fate to every item; `out` gets one entry each, null for those that go. True if any changed.
bool applied(const std::vector<ItemPtr>& items, const Fate& fate, std::vector<ItemPtr>& out) {
  bool changed = false;
  for (const ItemPtr& item : items) {
    out.push_back(met(item, fate));
    changed = changed || out.back() != item;
  }
  return changed;
}

Project withSheets(const Project& project, const std::function<SheetPtr(const SheetPtr&)>& change) {
  Project next = project;
  for (PiecePtr& piece : next.pieces) {
    bool changed = false;
    Piece copy = *piece;
    for (SheetPtr& sheet : copy.sheets) {
      const SheetPtr before = sheet;
      sheet = change(sheet);
      changed = changed || sheet != before;
    }
    if (changed) piece = std::make_shared<const Piece>(std::move(copy));
  }
  return next;
}

Project withFate(const Project& project, const Fate& fate) {
  return withSheets(project, [&](const SheetPtr& sheet) -> SheetPtr {
    std::vector<ItemPtr> items;
    if (!applied(sheet->items, fate, items)) return sheet;
    Sheet next = *sheet;
    std::erase(items, nullptr);
    next.items = std::move(items);
    return std::make_shared<const Sheet>(std::move(next));
  });
}

Project restacked(const Project& project, std::span<const Id> items, bool front) {
  const IdSet ids = setOf(items);
  return withSheets(project, [&](const SheetPtr& sheet) -> SheetPtr {
    Sheet next = *sheet;
    std::stable_partition(next.items.begin(), next.items.end(),
                          [&](const ItemPtr& item) { return ids.contains(item->id) != front; });
    return next.items == sheet->items ? sheet : std::make_shared<const Sheet>(std::move(next));
  });
}

bool isIdentity(const Affine& m) {
  constexpr double close = 1e-12;
  return std::abs(m.xx - 1) < close && std::abs(m.yy - 1) < close && std::abs(m.xy) < close && std::abs(m.yx) < close;
}

void reshape(Item& item, const Affine& map, const Media& media) {
  const Box from = resolved(item)->box;
  if (const Recipe* recipe = item.recipe()) {
    Recipe changed = *recipe;
    for (ItemPtr& part : changed.parts) part = std::make_shared<const Item>(mapped(*part, map, media));
    item.form = std::make_shared<const Recipe>(std::move(changed));
  } else {
    const auto& outline = *std::get<std::shared_ptr<const Outline>>(item.form);
    item.form = std::make_shared<const Outline>(transformed(outline, map));
  }
  if (!item.style.photo) return;
  const auto medium = media.find(item.style.photo->medium);
  if (medium == media.end()) return;
  Framing& framing = item.style.photo->framing;
  framing = refitted(framing, from, resolved(item)->box, medium->second->width, medium->second->height);
}

/// The items of one parent with those among `ids` mapped, whole: what lies inside them is not looked at. True if any
/// was.
bool mappedIn(const std::vector<ItemPtr>& items, const IdSet& ids, const Affine& parent, const Affine& sheetMap,
              const Media& media, std::vector<ItemPtr>& out) {
  bool changed = false;
  std::optional<Affine> map;
  for (const ItemPtr& item : items) {
    out.push_back(item);
    const Recipe* recipe = item->recipe();
    if (ids.contains(item->id)) {
      if (!map) map = parent.inverse().value_or(Affine{}) * sheetMap * parent;
      out.back() = std::make_shared<const Item>(mapped(*item, *map, media));
      changed = true;
    } else if (recipe) {
      std::vector<ItemPtr> parts;
      if (!mappedIn(recipe->parts, ids, parent * item->toParent(), sheetMap, media, parts)) continue;
      Recipe next = *recipe;
      next.parts = std::move(parts);
      Item cutout = *item;
      cutout.form = std::make_shared<const Recipe>(std::move(next));
      out.back() = std::make_shared<const Item>(std::move(cutout));
      changed = true;
    }
  }
  return changed;
}

/// The part after a map of its cutout's space; where the part covered the window before, it does so after.
Item reframedPart(const Item& part, const Affine& map, const Box& window, const Media& media) {
  const bool covered = boxInParent(part).grown(1e-6).contains(window);
  Item moved = mapped(part, map, media);
  Box box = boxInParent(moved);
  if (!covered || window.isEmpty() || !(box.width() > 0 && box.height() > 0)) return moved;
  const double grow = std::max({1.0, window.width() / box.width(), window.height() / box.height()});
  if (grow > 1) moved = mapped(moved, Affine::scale(grow, grow).about(box.centre()), media);
  box = boxInParent(moved);
  const auto shift = [](double low, double high, double wantLow, double wantHigh) {
    return std::min(0.0, wantLow - low) + std::max(0.0, wantHigh - high);
  };
  moved.position = moved.position + Point{shift(box.low.x, box.high.x, window.low.x, window.high.x),
                                          shift(box.low.y, box.high.y, window.low.y, window.high.y)};
  return moved;
}

}  // namespace

Project withItem(const Project& project, Id id, const ItemChange& change) {
  return withFate(project, [&](const ItemPtr& item) {
    return item->id == id ? std::make_shared<const Item>(change(*item)) : item;
  });
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

Project withEach(const Project& project, std::span<const Id> items, const ItemChange& change) {
  const IdSet ids = setOf(items);
  return withFate(project, [&](const ItemPtr& item) {
    return ids.contains(item->id) ? std::make_shared<const Item>(change(*item)) : item;
  });
}

Project withoutItems(const Project& project, std::span<const Id> items) {
  const IdSet ids = setOf(items);
  return withFate(project, [&](const ItemPtr& item) { return ids.contains(item->id) ? nullptr : item; });
}

Project broughtToFront(const Project& project, std::span<const Id> items) { return restacked(project, items, true); }
Project sentToBack(const Project& project, std::span<const Id> items) { return restacked(project, items, false); }

Item freshCopy(const Item& item, Id& nextId) {
  Item copy = item;
  copy.id = nextId++;
  const Recipe* recipe = item.recipe();
  if (!recipe) return copy;
  Recipe fresh = *recipe;
  for (ItemPtr& part : fresh.parts) {
    const Id old = part->id;
    part = std::make_shared<const Item>(freshCopy(*part, nextId));
    if (recipe->photoFrom == old) fresh.photoFrom = part->id;
  }
  copy.form = std::make_shared<const Recipe>(std::move(fresh));
  return copy;
}

Project withCopies(const Project& project, std::span<const Id> items, Point shift, std::vector<Id>& copies) {
  const IdSet ids = setOf(items);
  Project next = project;
  for (const SheetPtr& sheet : sheetsOf(project)) {
    std::vector<Item> fresh;
    for (const ItemPtr& item : sheet->items) {
      if (!ids.contains(item->id)) continue;
      fresh.push_back(freshCopy(*item, next.nextId));
      fresh.back().position = fresh.back().position + shift;
      copies.push_back(fresh.back().id);
    }
    if (!fresh.empty()) next = withItemsOnTop(next, sheet->id, std::move(fresh));
  }
  return next;
}

Item mapped(const Item& item, const Affine& map, const Media& media) {
  Item out = item;
  out.position = map(item.position);
  const double turn = map.turnAngle();
  if (turn != 0) out.turn = std::remainder(item.turn + turn, 2 * pi);
  const Affine rest = Affine::turn(-out.turn) * map.linear() * Affine::turn(item.turn);
  if (!isIdentity(rest)) reshape(out, rest, media);
  return out;
}

Project withMapped(const Project& project, std::span<const Id> items, const Affine& sheetMap) {
  const IdSet ids = setOf(items);
  return withSheets(project, [&](const SheetPtr& sheet) -> SheetPtr {
    std::vector<ItemPtr> mappedItems;
    if (!mappedIn(sheet->items, ids, {}, sheetMap, project.media, mappedItems)) return sheet;
    Sheet next = *sheet;
    next.items = std::move(mappedItems);
    return std::make_shared<const Sheet>(std::move(next));
  });
}

Project withSize(const Project& project, Id id, double width, double height) {
  return withItem(project, id, [&](const Item& item) {
    const Box box = resolved(item)->box;
    if (box.isEmpty()) return item;
    const double sx = box.width() > 0 ? width / box.width() : 1, sy = box.height() > 0 ? height / box.height() : 1;
    const Affine inFrame = Affine::scale(sx, sy).about(box.low);
    const Affine frame = item.toParent();
    return mapped(item, frame * inFrame * *frame.inverse(), project.media);
  });
}

Project withMedium(const Project& project, std::shared_ptr<const Medium> medium) {
  Project next = project;
  next.media.emplace(medium->hash, std::move(medium));
  return next;
}

Project withPhotoIn(const Project& project, Id id, const std::string& hash) {
  const auto medium = project.media.find(hash);
  if (medium == project.media.end()) return project;
  return withItem(project, id, [&](const Item& item) {
    Item out = item;
    const Medium& m = *medium->second;
    out.style.photo = PhotoFill{hash, coveringFraming(resolved(item)->box, m.width, m.height)};
    return out;
  });
}

Project withFill(const Project& project, std::span<const Id> items, std::optional<Colour> colour) {
  return withEach(project, items, [&](const Item& item) {
    Item out = item;
    out.style.fill = colour;
    out.style.photo.reset();
    if (const Recipe* recipe = item.recipe(); recipe && recipe->photoFrom) {
      Recipe changed = *recipe;
      changed.photoFrom.reset();
      out.form = std::make_shared<const Recipe>(std::move(changed));
    }
    return out;
  });
}

Project withPhotoItem(const Project& project, Id sheet, const std::string& hash, const Box& within, Id& made) {
  const auto medium = project.media.find(hash);
  if (medium == project.media.end()) return project;
  const Medium& m = *medium->second;
  const double scale = std::min(within.width() / m.width, within.height() / m.height);
  const Point half{m.width * scale / 2, m.height * scale / 2};
  std::string name = shortened(m.name.substr(0, m.name.rfind('.')));
  Item item =
      plainItem(project.nextId, std::move(name), polygon({-half, {half.x, -half.y}, half, {-half.x, half.y}}), {});
  item.position = within.centre();
  item.style.photo = PhotoFill{hash, {{0, 0}, scale, 0}};
  made = item.id;
  Project next = project;
  ++next.nextId;
  return withItemsOnTop(next, sheet, {std::move(item)});
}

Project withReframing(const Project& project, Id id, const Affine& sheetMap) {
  const Affine frame = frameToSheet(project, id);
  const auto back = frame.inverse();
  if (!back) return project;
  const Affine map = *back * sheetMap * frame;
  return withItem(project, id, [&](const Item& item) {
    Item out = item;
    if (item.style.photo) {
      const auto medium = project.media.find(item.style.photo->medium);
      if (medium == project.media.end()) return out;
      Framing f = item.style.photo->framing;
      f = {map(f.centre), f.pointsPerPixel * std::sqrt(std::abs(map.determinant())), f.turn + map.turnAngle()};
      out.style.photo->framing = keptCovering(f, resolved(item)->box, medium->second->width, medium->second->height);
      return out;
    }
    const Recipe* recipe = item.recipe();
    if (!recipe || !recipe->photoFrom) return out;
    Recipe changed = *recipe;
    for (ItemPtr& part : changed.parts) {
      if (part->id != *recipe->photoFrom) continue;
      Recipe others = *recipe;
      Item unseen = *part;
      unseen.hidden = true;
      others.parts[static_cast<std::size_t>(&part - changed.parts.data())] = std::make_shared<const Item>(unseen);
      Item window = item;
      window.form = std::make_shared<const Recipe>(std::move(others));
      part = std::make_shared<const Item>(reframedPart(*part, map, resolved(window)->box, project.media));
    }
    out.form = std::make_shared<const Recipe>(std::move(changed));
    return out;
  });
}

}  // namespace widecut
