#include "storage/item_json.h"

#include "project/limits.h"
#include "storage/form_json.h"

namespace widecut {
namespace {

using nlohmann::json;

json fillJson(const Fill& fill) {
  json out = withExtra(fill.extra);
  if (const auto* colour = std::get_if<Colour>(&fill.paint)) out["colour"] = colourText(*colour);
  if (const auto* part = std::get_if<PartPicture>(&fill.paint)) out["photoOf"] = part->part;
  if (const auto* picture = std::get_if<Picture>(&fill.paint)) {
    out["photo"] = {{"medium", picture->medium->hash},
                    {"centre", pointJson(picture->framing.centre)},
                    {"pointsPerPixel", picture->framing.pointsPerPixel}};
    if (picture->framing.turn != 0) out["photo"]["turnDeg"] = degreesForFile(picture->framing.turn);
  }
  if (fill.opacity != 1) out["opacity"] = fill.opacity;
  if (!fill.shown) out["shown"] = false;
  return out;
}

json lineJson(const Line& line) {
  json out = withExtra(line.extra);
  out["colour"] = colourText(line.colour);
  out["width"] = line.width;
  return out;
}

Picture readPicture(Members m, const Media& media) {
  const std::string hash = m.text("medium");
  const auto medium = media.find(hash);
  if (medium == media.end()) m.wrong("medium", "wants a photo that the project does not hold");
  return {medium->second,
          {m.point("centre"), m.number("pointsPerPixel", limits::leastPixel, limits::mostPixel),
           radians(m.number("turnDeg", -limits::mostTurnDeg, limits::mostTurnDeg, 0))}};
}

Fill readFill(Members m, const Media& media) {
  Fill fill;
  if (const json* photo = m.find("photo"))
    fill.paint = readPicture(Members(*photo, m.placeOf("photo")), media);
  else if (m.find("photoOf"))
    fill.paint = PartPicture{m.id("photoOf")};
  else
    fill.paint = m.colour("colour");
  fill.opacity = m.number("opacity", 0, 1, 1);
  fill.shown = m.flag("shown", true);
  fill.extra = m.extra();
  return fill;
}

Line readLine(Members m) {
  Line line{m.colour("colour"), m.number("width", limits::leastLine, limits::mostLine)};
  line.extra = m.extra();
  return line;
}

std::string numbered(const std::string& name, std::size_t i) { return name + "[" + std::to_string(i) + "]"; }

}  // namespace

void writeStyle(const Style& style, json& object) {
  for (const Fill& fill : style.fills) object["fills"].push_back(fillJson(fill));
  for (const Line& line : style.lines) object["lines"].push_back(lineJson(line));
  if (style.opacity != 1) object["opacity"] = style.opacity;
}

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
  if (item.dimmed) out["dimmed"] = true;
  if (item.measures) out["measures"] = true;
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
  out->dimmed = m.flag("dimmed", false);
  out->measures = m.flag("measures", false);
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

Style ItemReader::style(Members& m) {
  Style out;
  if (m.find("fills")) {
    const json& list = m.array("fills");
    for (std::size_t i = 0; i < list.size(); ++i)
      out.fills.push_back(readFill(Members(list[i], m.placeOf(numbered("fills", i))), media_));
  }
  if (m.find("lines")) {
    const json& list = m.array("lines");
    for (std::size_t i = 0; i < list.size(); ++i)
      out.lines.push_back(readLine(Members(list[i], m.placeOf(numbered("lines", i)))));
  }
  out.opacity = m.number("opacity", 0, 1, 1);
  return out;
}

}  // namespace widecut
