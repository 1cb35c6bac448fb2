#include "storage/form_json.h"

#include "geometry/path_data.h"
#include "project/forms/group.h"
#include "project/forms/recipe.h"
#include "project/forms/treated.h"
#include "project/limits.h"
#include "storage/repeat_json.h"
#include "storage/words_json.h"

namespace widecut {
namespace {

using nlohmann::json;

// Outlines.

void write(const Outline& outline, json& item) { item["outline"] = pathData(outline); }

Form readOutline(Members& m) {
  const auto parsed = parsePathData(m.text("outline"));
  if (!parsed) m.wrong("outline", "cannot be read: " + parsed.error().message);
  const Box box = bounds(*parsed);
  if (!box.isEmpty() &&
      !Box{{-limits::mostLength, -limits::mostLength}, {limits::mostLength, limits::mostLength}}.contains(box))
    m.wrong("outline", "leaves ±1e6 points");
  return std::make_shared<const Outline>(*parsed);
}

// Corners.

constexpr const char* cornerNames[] = {"sharp", "round", "scoop", "bevel", "step", "notch"};

json cornerJson(const Corner& corner) {
  return {{"kind", cornerNames[static_cast<std::size_t>(corner.kind)]}, {"size", corner.size}};
}

Corner readCorner(Members& m) {
  const std::string name = m.text("kind");
  const auto* found = std::find(std::begin(cornerNames), std::end(cornerNames), name);
  if (found == std::end(cornerNames)) m.wrong("kind", "is none of sharp, round, scoop, bevel, step and notch");
  return {static_cast<CornerKind>(found - std::begin(cornerNames)), m.number("size", 0, limits::mostLength)};
}

// Recipes.

void write(const Recipe& recipe, json& item) {
  json out = withExtra(recipe.extra);
  std::vector<std::string> names;
  names.reserve(recipe.parts.size());
  for (const ItemPtr& part : recipe.parts) names.push_back(std::to_string(part->id));
  out["parts"] = itemsJson(recipe.parts);
  out["formula"] = recipe.formula.text(names);
  if (!recipe.corners.isSharp()) out["corners"] = cornerJson(recipe.corners);
  item["recipe"] = std::move(out);
}

Form readRecipe(Members m, ItemReader& reader, int depth) {
  auto out = std::make_shared<Recipe>();
  out->parts = someItems(m, "parts", reader, depth);
  std::vector<std::string> names;
  names.reserve(out->parts.size());
  for (const ItemPtr& part : out->parts) names.push_back(std::to_string(part->id));
  const auto formula = Formula::parse(m.text("formula"), names);
  if (!formula) m.wrong("formula", "cannot be read: " + formula.error().message);
  out->formula = *formula;
  // Leaf n is part n: the bench shows one chip a leaf.
  const auto leaves = formula->leaves();
  for (std::size_t i = 0; i < std::max(leaves.size(), names.size()); ++i)
    if (i >= leaves.size() || i >= names.size() || leaves[i] != static_cast<int>(i))
      m.wrong("formula", "must use every part once, in order");
  if (const json* corners = m.find("corners")) {
    Members corner(*corners, m.placeOf("corners"));
    out->corners = readCorner(corner);
  }
  out->extra = m.extra();
  return out;
}

// Groups.

void write(const Group& group, json& item) {
  json out = withExtra(group.extra);
  out["members"] = itemsJson(group.members);
  item["group"] = std::move(out);
}

Form readGroup(Members m, ItemReader& reader, int depth) {
  auto out = std::make_shared<Group>();
  out->members = someItems(m, "members", reader, depth);
  out->extra = m.extra();
  return out;
}

// Words.

void write(const Words& words, json& item) { item["words"] = wordsJson(words); }

// Starters.

void write(const Starter& starter, json& item) {
  const Starter::Content& content = starter.content();
  json out = withExtra(content.extra);
  out["kind"] = content.kind->name;
  out["size"] = pointJson({content.size.width, content.size.height});
  for (std::size_t i = 0; i < content.numbers.size(); ++i) {
    const StarterNumber& number = content.kind->numbers[i];
    const double value = content.numbers[i];
    json& member = out[keyOf(number)];
    if (number.kind == NumberKind::Choice)
      member = choicesOf(number)[static_cast<std::size_t>(value)];
    else if (number.kind == NumberKind::Switch)
      member = value > 0;
    else if (number.isMeasure())
      member = value;
    else
      member = static_cast<int>(value);
  }
  if (content.stretch != Affine{}) out["stretch"] = stretchJson(content.stretch);
  item["starter"] = std::move(out);
}

double readNumber(Members& m, const StarterNumber& number) {
  const std::string key = keyOf(number);
  if (!m.find(key)) return number.usual;
  switch (number.kind) {
    case NumberKind::Choice: {
      const auto words = choicesOf(number);
      const auto found = std::find(words.begin(), words.end(), m.text(key));
      if (found == words.end()) m.wrong(key, "is none of " + std::string(number.choices));
      return static_cast<double>(found - words.begin());
    }
    case NumberKind::Switch:
      return m.flag(key, number.usual > 0) ? 1 : 0;
    case NumberKind::Count:
    case NumberKind::Seed:
      return m.count(key, static_cast<int>(number.least), static_cast<int>(number.most));
    default:
      return m.number(key, number.least, number.most);
  }
}

Form readStarter(Members m) {
  const std::string name = m.text("kind");
  const StarterKind* kind = starterKind(name);
  if (!kind) m.wrong("kind", "is no kind of starter that this version knows: " + name);
  Starter::Content out{kind, {}, {}, {}, {}};
  const Point size = m.point("size");
  if (!(size.x > 0 && size.y > 0)) m.wrong("size", "has no area");
  out.size = {size.x, size.y};
  for (const StarterNumber& number : kind->numbers) out.numbers.push_back(readNumber(m, number));
  if (m.find("stretch")) out.stretch = readStretch(m);
  out.extra = m.extra();
  return starterForm(std::move(out));
}

// What is kept of a shape beside its nodes.

void write(const Treated& treated, json& item) {
  const Treated::Content& content = treated.content();
  writeForm(content.base, item);
  json out = withExtra(content.extra);
  if (!content.all.isSharp()) out["all"] = cornerJson(content.all);
  for (const auto& [node, corner] : content.own) {
    json one = cornerJson(corner);
    one["node"] = node;
    out["own"].push_back(std::move(one));
  }
  if (content.axis)
    out["mirror"] = {{"through", pointJson(content.axis->through)},
                     {"along", pointJson(content.axis->along)},
                     {"across", pointJson(content.axis->across)}};
  item["treated"] = std::move(out);
}

Form readTreated(Members m, Form base) {
  Treated::Content out{std::move(base), {}, {}, {}, {}};
  if (!isPlainShape(out.base)) m.wrong("", "is for outlines and starters alone");
  const auto nodes = static_cast<int>(storedNodes(*ownOutline(out.base)));
  const auto part = [&](const json& value, const std::string& name) { return Members(value, m.placeOf(name)); };
  if (const json* all = m.find("all")) {
    Members corner = part(*all, "all");
    out.all = readCorner(corner);
  }
  if (m.find("own"))
    for (const json& value : m.array("own")) {
      Members one = part(value, "own");
      const auto node = static_cast<std::size_t>(one.count("node", 0, nodes));
      if (!out.own.empty() && node <= out.own.back().first) m.wrong("own", "does not name its nodes in rising order");
      out.own.emplace_back(node, readCorner(one));
    }
  if (const json* mirror = m.find("mirror")) {
    Members axis = part(*mirror, "mirror");
    out.axis = MirrorAxis{axis.point("through"), axis.point("along"), axis.point("across")};
    if (std::abs(cross(out.axis->along, out.axis->across)) < 1e-9) m.wrong("mirror", "has no line to mirror at");
  }
  out.extra = m.extra();
  return treatedForm(std::move(out));
}

Form readBase(Members& item, ItemReader& reader, int depth) {
  const auto members = [&](const char* name) { return Members(*item.find(name), item.placeOf(name)); };
  if (item.find("recipe")) return readRecipe(members("recipe"), reader, depth);
  if (item.find("group")) return readGroup(members("group"), reader, depth);
  if (item.find("repeat")) return readRepeat(members("repeat"), reader, depth);
  if (item.find("words")) return readWords(members("words"), reader);
  if (item.find("starter")) return readStarter(members("starter"));
  return readOutline(item);
}

}  // namespace

nlohmann::json itemsJson(const ItemList& items) {
  json out = json::array();
  for (const ItemPtr& item : items) out.push_back(itemJson(*item));
  return out;
}

ItemList someItems(Members& m, const std::string& name, ItemReader& reader, int depth) {
  auto items = reader.items(m, name, depth + 1);
  if (items.empty()) m.wrong(name, "is empty");
  return items;
}

void writeForm(const Form& form, json& item) {
  std::visit([&](const auto& node) { write(*node, item); }, form);
}

Form readForm(Members& item, ItemReader& reader, int depth) {
  Form base = readBase(item, reader, depth);
  const json* treated = item.find("treated");
  return treated ? readTreated(Members(*treated, item.placeOf("treated")), std::move(base)) : base;
}

}  // namespace widecut
