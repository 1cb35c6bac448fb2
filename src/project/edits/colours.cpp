#include "project/edits/colours.h"

#include <algorithm>
#include <map>

#include "project/edits/levels.h"
#include "project/edits/tree.h"
#include "project/followers.h"
#include "project/forms/repeat.h"
#include "project/limits.h"
#include "project/resolve.h"

namespace widecut {
namespace {

using StyleChange = std::function<void(Style&)>;

/// The same node where nothing changes.
StylePtr changedStyle(const StylePtr& style, const StyleChange& change) {
  Style next = *style;
  change(next);
  return next == *style ? style : std::make_shared<const Style>(std::move(next));
}

ItemPtr changedItem(const ItemPtr& item, const StyleChange& change) {
  Item out = *item;
  ItemList children = childrenOf(*item);
  bool anyChild = false;
  for (std::size_t i = 0; i < children.size(); ++i) {
    ItemPtr child = changedItem(children[i], change);
    if (child == children[i]) continue;
    anyChild = true;
    children.set(i, std::move(child));
  }
  if (anyChild) out = *withChildren(*item, std::move(children));
  bool anyLook = false;
  if (const Repeat* repeat = repeatOf(out)) {
    Repeat next = *repeat;
    for (OwnLook& look : next.looks) {
      StylePtr style = changedStyle(look.style, change);
      anyLook = anyLook || style != look.style;
      look.style = std::move(style);
    }
    if (anyLook) out.form = std::make_shared<const Repeat>(std::move(next));
  }
  StylePtr style = changedStyle(out.style, change);
  if (!anyChild && !anyLook && style == out.style) return item;
  out.style = std::move(style);
  return std::make_shared<const Item>(std::move(out));
}

/// Colours changed everywhere, sheets' papers included.
Project withEveryColour(const Project& project, const std::function<void(Colour&)>& change) {
  const Project styled = withEveryStyle(project, [&](Style& style) { eachColour(style, change); });
  return withSheets(styled, [&](const SheetPtr& sheet) -> SheetPtr {
    Colour paper = sheet->paper;
    change(paper);
    if (paper == sheet->paper) return sheet;
    Sheet out = *sheet;
    out.paper = paper;
    return std::make_shared<const Sheet>(std::move(out));
  });
}

void eachStyle(const Item& item, const std::function<void(const Style&)>& see) {
  see(*item.style);
  for (const StylePtr& own : ownLooks(item.form)) see(*own);
  for (const ItemPtr& child : childrenOf(item)) eachStyle(*child, see);
}
void eachStyle(const Project& project, const std::function<void(const Style&)>& see) {
  for (const SheetPtr& sheet : sheetsOf(project))
    for (const ItemPtr& item : sheet->items) eachStyle(*item, see);
}

}  // namespace

Project withStyle(const Project& project, std::span<const Id> items, const StyleChange& change) {
  bool isLevelChanged = false;
  const auto levels = [](const Style& style) {
    const Fill* fill = levelFillOf(style);
    return fill ? fill->level : std::nullopt;
  };
  Project out = withEach(project, items, [&](const Item& item) {
    Item changed = item;
    change(changeable(changed));
    isLevelChanged = isLevelChanged || levels(*item.style) != levels(*changed.style);
    return changed;
  });
  return isLevelChanged ? withLabelsFollowing(out) : out;
}

Project withEveryStyle(const Project& project, const StyleChange& change) {
  return withSheets(project, [&](const SheetPtr& sheet) -> SheetPtr {
    ItemList items = sheet->items;
    bool any = false;
    for (std::size_t i = 0; i < items.size(); ++i) {
      ItemPtr item = changedItem(items[i], change);
      if (item == items[i]) continue;
      any = true;
      items.set(i, std::move(item));
    }
    if (!any) return sheet;
    Sheet out = *sheet;
    out.items = std::move(items);
    return std::make_shared<const Sheet>(std::move(out));
  });
}

const Swatch* swatchOf(const Project& project, std::uint16_t number) {
  const auto& all = project.swatches;
  const auto found = std::find_if(all.begin(), all.end(), [&](const Swatch& s) { return s.number == number; });
  return number != 0 && found != all.end() ? &*found : nullptr;
}

Project withSwatch(const Project& project, const std::string& name, Colour colour, std::uint16_t& number) {
  number = 0;
  if (project.swatches.size() >= limits::mostSwatches) return project;
  std::uint16_t next = 1;
  while (swatchOf(project, next)) ++next;
  number = colour.swatch = next;
  Project out = project;
  out.swatches.push_back({next, shortened(name), colour});
  return out;
}

Project withSwatchColour(const Project& project, std::uint16_t number, Colour colour) {
  colour.swatch = number;
  Project out = withEveryColour(project, [&](Colour& c) {
    if (c.swatch == number) c = colour;
  });
  for (Swatch& swatch : out.swatches)
    if (swatch.number == number) swatch.colour = colour;
  return out;
}

Project withSwatchName(const Project& project, std::uint16_t number, const std::string& name) {
  Project out = project;
  for (Swatch& swatch : out.swatches)
    if (swatch.number == number) swatch.name = shortened(name);
  return out;
}

Project withoutSwatch(const Project& project, std::uint16_t number) {
  Project out = withEveryColour(project, [&](Colour& c) {
    if (c.swatch == number) c.swatch = 0;
  });
  std::erase_if(out.swatches, [&](const Swatch& swatch) { return swatch.number == number; });
  return out;
}

ItemPtr withSwatchesOf(const Project& project, const ItemPtr& item) {
  return changedItem(item, [&](Style& style) {
    eachColour(style, [&](Colour& c) {
      const Swatch* own = swatchOf(project, c.swatch);
      if (c.swatch != 0 && (!own || own->colour != c)) c.swatch = 0;
    });
  });
}

std::vector<Swatch> swatchesIn(std::span<const ItemPtr> items) {
  std::map<std::uint16_t, Swatch> found;
  for (const ItemPtr& item : items)
    eachStyle(*item, [&](const Style& style) {
      Style copy = style;
      eachColour(copy, [&](Colour& c) {
        if (c.swatch != 0) found.emplace(c.swatch, Swatch{c.swatch, {}, c});
      });
    });
  std::vector<Swatch> out;
  out.reserve(found.size());
  for (auto& [number, swatch] : found) out.push_back(std::move(swatch));
  return out;
}

std::vector<UsedColour> usedColours(const Project& project) {
  std::vector<UsedColour> used;
  const auto count = [&](Colour& c) {
    const auto known = std::find_if(used.begin(), used.end(), [&](const UsedColour& u) { return u.colour == c; });
    if (known == used.end())
      used.push_back({c, 1});
    else
      ++known->uses;
  };
  eachStyle(project, [&](const Style& style) {
    Style copy = style;
    eachColour(copy, count);
  });
  std::stable_sort(used.begin(), used.end(), [](const UsedColour& a, const UsedColour& b) { return a.uses > b.uses; });
  return used;
}

Project withColourReplaced(const Project& project, Colour from, Colour to) {
  return withEveryColour(project, [&](Colour& c) {
    if (c.red != from.red || c.green != from.green || c.blue != from.blue || c.swatch != from.swatch) return;
    const std::uint8_t alpha = c.alpha;
    c = to;
    if (to.swatch == 0) c.alpha = alpha;
  });
}

Style finishOf(const Style& style) {
  Style out = style;
  std::erase_if(out.fills, isPicture);
  // What a picture covered shows where there is none.
  if (std::none_of(out.fills.begin(), out.fills.end(), [](const Fill& f) { return f.shown; }))
    for (Fill& fill : out.fills) fill.shown = true;
  return out;
}

bool isSameFinish(const Style& a, const Style& b) { return finishOf(a) == finishOf(b); }

Style withFinish(const Style& style, const Style& finish) {
  Style out = finishOf(finish);
  std::vector<Fill> pictures;
  for (const Fill& fill : style.fills)
    if (isPicture(fill)) pictures.push_back(fill);
  if (pictures.empty()) return out;
  for (Fill& fill : out.fills) fill.shown = false;
  out.fills.insert(out.fills.end(), pictures.begin(), pictures.end());
  return out;
}

Project withFinishOn(const Project& project, std::span<const Id> items, const Style& finish) {
  return withStyle(project, items, [&](Style& style) { style = withFinish(style, finish); });
}

Project withFinishReplaced(const Project& project, const Style& from, const Style& to) {
  return withEveryStyle(project, [&](Style& style) {
    if (isSameFinish(style, from)) style = withFinish(style, to);
  });
}

int usesOfFinish(const Project& project, const Style& finish) {
  int uses = 0;
  const Style wanted = finishOf(finish);
  eachStyle(project, [&](const Style& style) { uses += finishOf(style) == wanted ? 1 : 0; });
  return uses;
}

Project withEffectReleased(const Project& project, Id id, std::size_t place, Id& made) {
  const ItemPtr item = findItem(project, id);
  const auto chain = item ? chainTo(project, id) : decltype(chainTo(project, id)){};
  const ItemPtr parent = chain.size() > 1 ? chain[chain.size() - 2] : nullptr;
  if (!item || place >= item->style->effects.size() || (parent && !showsChildren(parent->form))) return project;
  const Effect effect = item->style->effects[place];
  const auto shape = resolved(*item);
  auto follower = followerShape(effect, shape->outline, shape->box);
  if (!follower || follower->outline.isEmpty()) return project;
  Style look;
  look.blend = effect.blend;
  look.opacity = effect.opacity;
  if (follower->lineWidth == 0) {
    setColour(look, effect.colour);
  } else {
    Line line;
    line.colour = effect.colour;
    line.shape.width = follower->lineWidth;
    line.shape.join = Join::Round;
    setLine(look, std::move(line));
  }
  Item one = plainItem(0, shortened(item->name + " " + std::string(declarationOf(effect.kind).name)),
                       transformed(follower->outline, item->toParent()), std::move(look));
  Item kept = *item;
  auto& effects = changeable(kept).effects;
  effects.erase(effects.begin() + static_cast<std::ptrdiff_t>(place));
  const bool isBehind = declarationOf(effect.kind).place == EffectPlace::Behind;
  std::vector<Item> both;
  both.push_back(isBehind ? one : kept);
  both.push_back(isBehind ? kept : one);
  std::vector<Id> fresh;
  Project out = withReplaced(project, id, std::move(both), Formula::chain(2, Role::Add), fresh);
  made = fresh.empty() ? 0 : fresh.front();
  return out;
}

}  // namespace widecut
