#include "storage/item_json.h"

#include "project/edits/templates.h"
#include "project/limits.h"
#include "storage/form_json.h"
#include "storage/style_json.h"

namespace widecut {
namespace {

using nlohmann::json;

constexpr std::string_view clearSides[] = {"both", "left", "right", "wider", "above and below"};

std::string numbered(const std::string& name, std::size_t i) { return name + "[" + std::to_string(i) + "]"; }

}  // namespace

json itemJson(const Item& item) {
  json out = withExtra(item.extra);
  out["id"] = item.id;
  out["name"] = item.name;
  out["at"] = pointJson(item.position);
  if (item.turn != 0) out["turnDeg"] = degreesForFile(item.turn);
  writeForm(item.form, out);
  writeStyle(*item.style, out);
  if (item.hidden) out["hidden"] = true;
  if (item.locked) out["locked"] = true;
  if (item.paleBy > 0) out["pale"] = item.paleBy;
  if (item.measures) out["measures"] = true;
  if (item.division > 0) out["division"] = item.division;
  if (item.clear) {
    json& clear = out["clear"];
    clear["side"] = std::string(clearSides[static_cast<std::size_t>(item.clear->side)]);
    if (item.clear->margin != 0) clear["margin"] = item.clear->margin;
  }
  return out;
}

ItemPtr ItemReader::item(const json& value, const std::string& place, int depth) {
  Members m(value, place);
  if (depth > limits::deepestItem) throw Wrong{place + " is nested too deeply"};
  auto out = std::make_shared<Item>();
  out->id = freshId(m);
  out->name = m.text("name");
  out->position = m.point("at");
  out->turn = radians(m.number("turnDeg", -limits::mostTurnDeg, limits::mostTurnDeg, 0));
  out->form = readForm(m, *this, depth);
  Style look = style(m);
  if (!(look == *bareStyle())) out->style = std::make_shared<const Style>(std::move(look));
  out->hidden = m.flag("hidden", false);
  out->locked = m.flag("locked", false);
  out->paleBy = m.number("pale", 0, mostPaleness, m.flag("dimmed", false) ? usualPaleness : 0);
  out->measures = m.flag("measures", false);
  if (m.find("division")) out->division = m.id("division");
  if (const json* found = m.find("clear")) {
    Members clear(*found, m.placeOf("clear"));
    const auto side = clear.word<ClearSide>("side", clearSides);
    out->clear = std::make_shared<const KeepClear>(KeepClear{side, clear.number("margin", 0, limits::mostLength, 0)});
  }
  out->extra = m.extra();
  return out;
}

ItemList ItemReader::items(Members& members, const std::string& name, int depth) {
  const json& list = members.array(name);
  ItemList out;
  for (std::size_t i = 0; i < list.size(); ++i) out.push_back(item(list[i], members.placeOf(numbered(name, i)), depth));
  return out;
}

Id ItemReader::freshId(Members& members) {
  const Id id = members.id("id");
  if (!ids_.insert(id).second) members.wrong("id", "is used twice");
  return id;
}

NamedLookPtr ItemReader::textStyle(std::uint32_t number) const {
  for (const NamedLookPtr& style : textStyles_)
    if (style->number == number) return style;
  return nullptr;
}

Style ItemReader::style(Members& m) { return readStyle(m, media_); }

}  // namespace widecut
