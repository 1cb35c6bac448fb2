#include "storage/repeat_json.h"

#include "geometry/path_data.h"
#include "project/limits.h"
#include "storage/style_json.h"

namespace widecut {
namespace {

using nlohmann::json;

constexpr int most = static_cast<int>(limits::mostCopies);

// What of each copy is.

void writeEach(const Each& each, json& out) {
  if (each.turn != 0) out["turnEachDeg"] = degreesForFile(each.turn);
  if (each.growth != 0) out["growth"] = each.growth;
}

Each readEach(Members& m) {
  return {radians(m.number("turnEachDeg", -limits::mostTurnDeg, limits::mostTurnDeg, 0)),
          m.number("growth", -0.999, limits::mostLength, 0)};
}

// Patterns.

json patternJson(const Row& row) {
  json out{{"count", row.count}, {"step", pointJson(row.step)}};
  writeEach(row.each, out);
  return out;
}

json patternJson(const Grid& grid) {
  json out{{"columns", grid.columns},
           {"rows", grid.rows},
           {"across", pointJson(grid.across)},
           {"down", pointJson(grid.down)}};
  if (grid.shift != 0) out["shift"] = grid.shift;
  return out;
}

json patternJson(const Ring& ring) {
  json out{{"count", ring.count}, {"centre", pointJson(ring.centre)}, {"sweepDeg", degreesForFile(ring.sweep)}};
  if (!ring.turning) out["turning"] = false;
  writeEach(ring.each, out);
  return out;
}

json patternJson(const Trail& trail) {
  json out{{"line", pathData(Outline{{trail.line}})}, {"count", trail.count}};
  if (trail.pitch != 0) out["pitch"] = trail.pitch;
  if (!trail.turning) out["turning"] = false;
  writeEach(trail.each, out);
  return out;
}

json patternJson(const Mirrored& mirrored) {
  return {
      {"axes", mirrored.axes}, {"centre", pointJson(mirrored.centre)}, {"angleDeg", degreesForFile(mirrored.angle)}};
}

Row readRow(Members m) { return {m.count("count", 1, most), m.point("step"), readEach(m)}; }

Grid readGrid(Members m) {
  return {m.count("columns", 1, most), m.count("rows", 1, most), m.point("across"), m.point("down"),
          m.number("shift", -limits::mostShift, limits::mostShift, 0)};
}

Ring readRing(Members m) {
  return {m.count("count", 1, most), m.point("centre"),
          radians(m.number("sweepDeg", -limits::mostTurnDeg, limits::mostTurnDeg)), m.flag("turning", true),
          readEach(m)};
}

Trail readTrail(Members m) {
  const auto line = parsePathData(m.text("line"));
  if (!line) m.wrong("line", "cannot be read: " + line.error().message);
  if (line->contours.size() != 1) m.wrong("line", "is not one line");
  return {line->contours.front(), m.count("count", 1, most), m.number("pitch", 0, limits::mostLength, 0),
          m.flag("turning", true), readEach(m)};
}

Mirrored readMirrored(Members m) {
  return {m.count("axes", 1, most), m.point("centre"),
          radians(m.number("angleDeg", -limits::mostTurnDeg, limits::mostTurnDeg, 90))};
}

constexpr const char* patternNames[] = {"row", "grid", "ring", "path", "mirror"};
static_assert(std::size(patternNames) == std::variant_size_v<Pattern>);

Pattern readPattern(Members& repeat) {
  for (std::size_t kind = 0; kind < std::size(patternNames); ++kind) {
    const char* name = patternNames[kind];
    const json* found = repeat.find(name);
    if (!found) continue;
    const Members m(*found, repeat.placeOf(name));
    switch (kind) {
      case 0:
        return readRow(m);
      case 1:
        return readGrid(m);
      case 2:
        return readRing(m);
      case 3:
        return readTrail(m);
      default:
        return readMirrored(m);
    }
  }
  repeat.wrong("row", "is missing, and so are grid, ring, path and mirror");
}

// Looks of single copies.

json lookJson(const OwnLook& look) {
  json out{{"copy", look.copy}, {"item", look.item}};
  writeStyle(*look.style, out);
  return out;
}

OwnLook readLook(Members m, ItemReader& reader) {
  return {m.count("copy", 0, most), m.id("item"), std::make_shared<const Style>(reader.style(m))};
}

}  // namespace

void write(const Repeat& repeat, json& item) {
  json out = withExtra(repeat.extra);
  out["items"] = itemsJson(repeat.items);
  out[patternNames[repeat.pattern.index()]] = std::visit([](const auto& p) { return patternJson(p); }, repeat.pattern);
  if (!repeat.leftOut.empty()) out["leftOut"] = repeat.leftOut;
  for (const OwnLook& look : repeat.looks) out["looks"].push_back(lookJson(look));
  item["repeat"] = std::move(out);
}

Form readRepeat(Members m, ItemReader& reader, int depth) {
  auto out = std::make_shared<Repeat>();
  out->items = someItems(m, "items", reader, depth);
  out->pattern = readPattern(m);
  // Before its copies are counted: that takes its time.
  if (const std::string beyond = whatIsBeyond(*out); !beyond.empty()) m.wrong("items", beyond);
  if (m.find("leftOut"))
    for (const json& number : m.array("leftOut")) {
      const bool rising = number.is_number_unsigned() && number.get<std::uint64_t>() < countOf(out->pattern) &&
                          (out->leftOut.empty() || number.get<int>() > out->leftOut.back());
      if (!rising) m.wrong("leftOut", "is not a rising list of numbers of copies");
      out->leftOut.push_back(number.get<int>());
    }
  if (m.find("looks")) {
    const json& list = m.array("looks");
    for (std::size_t i = 0; i < list.size(); ++i) {
      OwnLook look = readLook(Members(list[i], m.placeOf("looks[" + std::to_string(i) + "]")), reader);
      const bool isOfItem = std::any_of(out->items.begin(), out->items.end(),
                                        [&](const ItemPtr& inside) { return inside->id == look.item; });
      const bool isRising = out->looks.empty() || look.copy >= out->looks.back().copy;
      if (!isOfItem || !isRising) m.wrong("looks", "is not a list of looks of its items, copy by copy");
      out->looks.push_back(std::move(look));
    }
  }
  out->extra = m.extra();
  return out;
}

}  // namespace widecut
