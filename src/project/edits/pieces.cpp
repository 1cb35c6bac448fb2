#include "project/edits/pieces.h"

#include <algorithm>

#include "cutting/knife.h"
#include "cutting/planar_map.h"
#include "project/edits/fills.h"
#include "project/edits/letters.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/edits/words.h"
#include "project/forms/treated.h"
#include "project/forms/words.h"
#include "project/framing.h"
#include "project/limits.h"
#include "project/resolve.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

/// The picture in the frame of another item of the same parent.
Picture inFrameOf(Picture picture, const Item& from, const Item& to) {
  const Affine map = *to.toParent().inverse() * from.toParent();
  picture.framing.centre = map(picture.framing.centre);
  picture.framing.turn += from.turn - to.turn;
  return picture;
}

/// The picture for the item's style, or none.
void showOnly(Item& item, std::optional<Picture> picture) {
  if (!picture && !showsPicture(item)) return;
  Style& style = changeable(item);
  if (picture)
    setPicture(style, std::move(*picture));
  else
    dropPictures(style);
}

/// A plain item in the frame of `from`, with its look and its photo in register; its origin is the outline's middle.
Item plainLike(const Item& from, const Outline& inFrame) {
  Item item = from;
  item.extra.clear();
  const Point middle = bounds(inFrame).isEmpty() ? Point{} : bounds(inFrame).centre();
  item.position = from.toParent()(middle);
  item.form = std::make_shared<const Outline>(transformed(inFrame, Affine::move(-middle)));
  item.style = lookOf(from);
  auto picture = shownPicture(from);
  if (picture) picture->framing.centre = picture->framing.centre - middle;
  showOnly(item, std::move(picture));
  return item;
}

std::string numbered(const std::string& name, std::size_t index, std::size_t count) {
  return count > 1 ? shortened(name + " " + std::to_string(index + 1)) : name;
}

std::string offcutName(const std::string& name) {
  constexpr std::string_view beginning = "offcut of ";
  return name.starts_with(beginning) ? name : shortened(std::string(beginning) + name);
}

std::vector<Item> itemsOfRegions(const Item& from, const std::vector<Outline>& regions) {
  std::vector<Item> items;
  for (std::size_t i = 0; i < regions.size(); ++i) {
    items.push_back(plainLike(from, regions[i]));
    items.back().id = 0;
    items.back().name = numbered(from.name, i, regions.size());
  }
  return items;
}

/// The parts that a formula starts from, adds or excludes.
void givingParts(const Formula::Node& node, bool gives, std::vector<int>& out) {
  if (node.part >= 0) {
    if (gives) out.push_back(node.part);
    return;
  }
  givingParts(*node.left, gives, out);
  givingParts(*node.right, gives && node.role != Role::Subtract && node.role != Role::Intersect, out);
}

/// The visible parts as operands in the cutout's frame space; hidden ones are empty. Numbers are those of the parts.
std::vector<Operand> operandsOf(const Recipe& recipe) {
  std::vector<Operand> operands;
  for (const ItemPtr& part : recipe.parts)
    operands.push_back({!part->isShown() ? Outline{} : transformed(resolved(*part)->outline, part->toParent())});
  return operands;
}

struct Offcut {
  Outline outline;
  int part;  ///< The frontmost giving part that covers it.
};

std::vector<Offcut> offcutRegions(const Item& cutout) {
  const Recipe* recipe = cutout.recipe();
  std::vector<Offcut> out;
  if (!recipe) return out;
  auto operands = operandsOf(*recipe);
  operands.push_back({resolved(cutout)->outline});
  const int result = static_cast<int>(operands.size()) - 1;
  const auto map = PlanarMap::of(operands);
  if (!map) return out;
  std::vector<int> giving;
  givingParts(recipe->formula.root(), true, giving);
  for (Face& face : map->divide()) {
    const auto covers = [&](int part) {
      return std::find(face.coveredBy.begin(), face.coveredBy.end(), part) != face.coveredBy.end();
    };
    if (covers(result)) continue;
    int from = -1;
    for (const int part : giving)
      if (covers(part)) from = std::max(from, part);
    if (from >= 0) out.push_back({std::move(face.outline), from});
  }
  return out;
}

/// Changes each named item through a function of its resolved outline that gives a new one.
Result<Project> withOutlines(const Project& project, std::span<const Id> ids,
                             const std::function<Result<Outline>(const Item&)>& outlineFor,
                             const std::function<void(Item&)>& finish) {
  Project next = project;
  for (const Id id : ids) {
    const ItemPtr item = findItem(project, id);
    if (!item) continue;
    const auto outline = outlineFor(*item);
    if (!outline) return tl::unexpected(Problem{"“" + item->name + "”: " + outline.error().message});
    if (outline->isEmpty()) return problem("nothing would be left of “" + item->name + "”");
    next = withItem(next, id, [&](const Item& before) {
      Item after = plainLike(before, *outline);
      finish(after);
      return after;
    });
  }
  return next;
}

/// Words, and cutouts with words in them, are cut live, by a part, so that they can be typed on; `made` is 0 where the
/// stroke misses them.
struct WordsCut {
  Project project;
  Id made = 0;
};
Result<WordsCut> withWordsCut(const Project& project, Id id, const Outline& stroke, double gap) {
  const auto band = knifeBand(stroke, gap);
  if (!band) return tl::unexpected(band.error());
  const Affine toSheet = frameToSheet(project, id);
  const Operand operands[] = {{transformed(resolved(*findItem(project, id))->outline, toSheet)}, {*band}};
  const auto away = cut(operands, Formula::chain(2, Role::Intersect));
  if (!away) return tl::unexpected(away.error());
  WordsCut out{project, 0};
  if (!away->isEmpty())
    out.project = withJoined(project, id, plainItem(0, "knife cut", *band, {}), Role::Subtract, out.made);
  return out;
}

/// What a cut of an item goes through: the item itself or, in a group, all that is in it.
std::vector<Id> leavesOf(const Item& item) {
  if (!showsChildren(item.form) || countOfCopies(item.form) != 1) return {item.id};
  std::vector<Id> leaves;
  for (const ItemPtr& child : childrenOf(item))
    for (const Id id : leavesOf(*child)) leaves.push_back(id);
  return leaves;
}

/// A live cutout of the item with an area of its parent's space. Ids are taken from `nextId` on.
Item trimmed(const Item& item, const Outline& area, const std::string& edge, Id nextId) {
  Item cutout = item;
  Item inside = item;
  inside.id = nextId;
  inside.hidden = false;  // a part that is left out would trim to the whole sheet
  inside.locked = false;
  cutout.turn = 0;
  cutout.position = boxInParent(item).centre();
  inside.position = item.position - cutout.position;
  cutout.style = lookOf(item);
  dropPictures(changeable(cutout));
  if (showsPicture(item)) setPicture(changeable(cutout), PartPicture{inside.id});
  const Item sheet = plainItem(nextId + 1, edge, transformed(area, Affine::move(-cutout.position)), {});
  Recipe recipe;
  recipe.parts = {std::make_shared<const Item>(inside), std::make_shared<const Item>(sheet)};
  recipe.formula = Formula::chain(2, Role::Intersect);
  cutout.form = std::make_shared<const Recipe>(std::move(recipe));
  return cutout;
}

}  // namespace

Project withBaked(const Project& project, Id id) {
  return withItem(project, id, [&](const Item& item) {
    return item.recipe() || wordsOf(item) || starterOf(item) || treatedOf(item)
               ? plainLike(item, resolved(item)->outline)
               : item;
  });
}

Project withFrame(const Project& project, Id id, const Outline& outline) {
  return withItem(project, id, [&](const Item& item) { return plainLike(item, outline); });
}

std::vector<Item> dividedItems(const Project& project, std::span<const Id> ids, const LookChoice& look) {
  const auto items = combinable(project, ids);
  std::vector<Operand> operands;
  operands.reserve(items.size());
  for (const ItemPtr& item : items) operands.push_back({transformed(resolved(*item)->outline, item->toParent())});
  const auto map = PlanarMap::of(operands);
  std::vector<Item> pieces;
  if (!map || items.size() < 2) return pieces;
  const LettersOf letters(items);
  const auto faces = map->divide();
  Id division = project.nextId;
  for (const ItemPtr& item : items)
    if (item->division != 0) division = item->division;
  // As what they are taken from lay over one another, so that what lay behind can reach under what lay before it.
  std::vector<std::pair<std::size_t, Item>> ranked;
  for (std::size_t i = 0; i < faces.size(); ++i) {
    const auto& covers = faces[i].coveredBy;
    const bool isOfWords =
        std::any_of(covers.begin(), covers.end(), [&](int k) { return wordsOf(*items[static_cast<std::size_t>(k)]); });
    const auto coveredBy = [&](Id id) {
      for (const int k : covers)
        if (items[static_cast<std::size_t>(k)]->id == id) return items[static_cast<std::size_t>(k)];
      return ItemPtr{};
    };
    ItemPtr styled = coveredBy(look.look);
    if (!styled) styled = items[static_cast<std::size_t>(covers.back())];
    Item piece = *styled;
    piece.form = std::make_shared<const Outline>();
    piece.style = lookOf(*styled);
    piece.turn = 0;
    piece.position = {};
    const ItemPtr shows = coveredBy(look.photo);
    auto photo = shows ? shownPicture(*shows) : std::nullopt;
    if (photo) photo = inFrameOf(*photo, *shows, piece);
    showOnly(piece, std::move(photo));
    piece = plainLike(piece, faces[i].outline);
    piece.id = 0;
    piece.name = letters.nameOf(faces[i].outline, isOfWords);
    if (piece.name.empty()) piece.name = numbered(styled->name, i, faces.size());
    piece.division = division;
    const auto rank = static_cast<std::size_t>(std::find(items.begin(), items.end(), styled) - items.begin());
    ranked.emplace_back(styled->id == look.look ? items.size() : rank, std::move(piece));
  }
  std::stable_sort(ranked.begin(), ranked.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
  for (auto& [rank, piece] : ranked) pieces.push_back(std::move(piece));
  return pieces;
}

Project withDivided(const Project& project, std::span<const Id> ids, const LookChoice& look, std::vector<Id>& made) {
  const auto items = combinable(project, ids);
  auto pieces = dividedItems(project, ids, look);
  if (pieces.empty()) return project;
  const auto all = Formula::chain(static_cast<int>(pieces.size()), Role::Add);
  Project next = withReplaced(project, items.back()->id, std::move(pieces), all, made);
  std::vector<Id> rest;
  for (const ItemPtr& item : items)
    if (item->id != items.back()->id) rest.push_back(item->id);
  return withoutItems(next, rest);
}

Project withSplitLoose(const Project& project, Id id, std::vector<Id>& made) {
  const ItemPtr item = findItem(project, id);
  if (!item) return project;
  const auto regions = regionsOf({resolved(*item)->outline});
  if (!regions || regions->size() < 2) return project;
  const auto all = Formula::chain(static_cast<int>(regions->size()), Role::Add);
  return withReplaced(project, id, itemsOfRegions(*item, *regions), all, made);
}

Outline offcutsOf(const Item& cutout) {
  Outline out;
  for (const Offcut& offcut : offcutRegions(cutout))
    out.contours.insert(out.contours.end(), offcut.outline.contours.begin(), offcut.outline.contours.end());
  return out;
}

Project withOffcuts(const Project& project, Id id, std::vector<Id>& made) {
  const ItemPtr cutout = findItem(project, id);
  if (!cutout || !cutout->recipe()) return project;
  std::vector<Item> items;
  const auto regions = offcutRegions(*cutout);
  for (std::size_t i = 0; i < regions.size(); ++i) {
    const Item& part = *cutout->recipe()->parts[static_cast<std::size_t>(regions[i].part)];
    // The cutout's frame with the part's look, and its photo in register.
    Item like = *cutout;
    like.form = std::make_shared<const Outline>();
    like.style = lookOf(part);
    auto photo = shownPicture(part);
    if (photo) photo = inFrameOf(*photo, part, Item{});
    showOnly(like, std::move(photo));
    items.push_back(plainLike(like, regions[i].outline));
    items.back().name = numbered(offcutName(part.name), i, regions.size());
    items.back().id = 0;
    items.back().hidden = false;
  }
  if (items.empty()) return project;
  // Within another cutout they would change what it comes to: they lie behind the outermost one.
  const ItemPtr outer = chainTo(project, id).front();
  const Affine toSheet = parentToSheet(project, id);
  for (Item& item : items) item = mapped(item, toSheet);
  items.push_back(*outer);
  return withReplaced(project, outer->id, std::move(items), Formula::part(0), made);
}

Result<Project> withKnife(const Project& project, std::span<const Id> ids, const Outline& stroke, double gap,
                          std::vector<Id>& made) {
  Project next = project;
  bool cutAny = false;
  for (const ItemPtr& whole : combinable(project, ids)) {
    std::vector<Id> pieceIds;
    for (const Id id : leavesOf(*whole)) {
      const ItemPtr item = findItem(project, id);
      const auto back = frameToSheet(project, id).inverse();
      if (!back) continue;
      if (gap > 0 && !wordsAmong(project, {&id, 1}).empty()) {
        const auto cut = withWordsCut(next, id, stroke, gap);
        if (!cut) return tl::unexpected(cut.error());
        if (cut->made == 0) continue;
        cutAny = true;
        next = cut->project;
        pieceIds.push_back(cut->made);
        continue;
      }
      const auto pieces = knifed({resolved(*item)->outline}, transformed(stroke, *back), gap);
      if (!pieces) return tl::unexpected(pieces.error());
      const bool notched =
          pieces->size() == 1 && gap > 0 &&
          std::abs(signedArea((*pieces)[0])) < std::abs(signedArea(resolved(*item)->outline)) * (1 - 1e-9);
      if (pieces->size() < 2 && !notched) continue;
      cutAny = true;
      const auto all = Formula::chain(static_cast<int>(pieces->size()), Role::Add);
      auto items = itemsOfRegions(*item, *pieces);
      for (Item& piece : items) piece.division = item->division != 0 ? item->division : next.nextId;
      next = withReplaced(next, id, std::move(items), all, pieceIds);
    }
    // The pieces of a group's members stay in the group.
    if (showsChildren(whole->form) && findItem(next, whole->id)) pieceIds = {whole->id};
    made.insert(made.end(), pieceIds.begin(), pieceIds.end());
  }
  if (!cutAny) return problem("the stroke parts nothing: draw it right across a shape");
  return next;
}

Result<Project> withOffset(const Project& project, std::span<const Id> ids, double distance, Join join) {
  return withOutlines(
      project, ids, [&](const Item& item) { return offset({resolved(item)->outline}, distance, join); },
      [&](Item& item) {
        if (const Picture* picture = pictureOf(*item.style)) showOnly(item, keptCovering(*picture, item));
      });
}

Result<Project> withLineOutlined(const Project& project, std::span<const Id> ids, const LineShape& line) {
  return withOutlines(
      project, ids, [&](const Item& item) { return lineOutline({resolved(item)->outline}, line); },
      [](Item& item) {
        Style& style = changeable(item);
        const Line* drawn = lineOf(style);
        setColour(style, drawn ? drawn->colour : colourOf(style).value_or(Colour{}));
        setLine(style, std::nullopt);
      });
}

Project withTrimmed(const Project& project, std::span<const Id> ids, const Box& box, const std::string& edge,
                    std::vector<Id>& made) {
  Project next = project;
  for (const ItemPtr& whole : combinable(project, ids)) {
    made.push_back(whole->id);
    for (const Id id : leavesOf(*whole)) {
      const Affine parent = parentToSheet(project, id);
      const auto back = parent.inverse();
      const ItemPtr item = findItem(project, id);
      const Box own = bounds(transformed(resolved(*item)->outline, parent * item->toParent()));
      if (!back || box.grown(1e-9).contains(own) || !box.touches(own)) continue;
      const Outline area = transformed(fitted(rectangleOutline(1, 1), box), *back);
      next = withItem(next, id, [&](const Item& before) { return trimmed(before, area, edge, next.nextId); });
      next.nextId += 2;
    }
  }
  return next;
}

}  // namespace widecut
