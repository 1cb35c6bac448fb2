#include "storage/style_json.h"

#include <span>

#include "geometry/path_data.h"
#include "project/limits.h"
#include "project/style_limits.h"

namespace widecut {
namespace {

using nlohmann::json;

// Words of the file, in the order of the values.
constexpr std::string_view gradientKinds[] = {"linear", "radial", "conical"};
constexpr std::string_view reaches[] = {"item", "whole", "sheet"};
constexpr std::string_view hatchKinds[] = {"lines", "dots"};
constexpr std::string_view alignments[] = {"centre", "inside", "outside"};
constexpr std::string_view joins[] = {"mitre", "round", "bevel"};
constexpr std::string_view caps[] = {"butt", "round", "square"};

template <class Value>
void writeWord(json& out, const char* name, Value value, std::span<const std::string_view> words,
               Value usual = Value{}) {
  if (value != usual) out[name] = std::string(words[static_cast<std::size_t>(value)]);
}
template <class Value>
Value readWord(Members& m, const std::string& name, std::span<const std::string_view> words, Value usual = Value{}) {
  if (!m.find(name)) return usual;
  const std::string word = m.text(name);
  for (std::size_t i = 0; i < words.size(); ++i)
    if (words[i] == word) return static_cast<Value>(i);
  std::string all;
  for (const std::string_view one : words) all += (all.empty() ? "" : ", ") + std::string(one);
  m.wrong(name, "is none of: " + all);
}

void writeNumber(json& out, const std::string& name, double value, double usual) {
  if (value != usual) out[name] = value;
}

void writeBlend(json& out, Blend blend) {
  if (blend != Blend::Normal) out["blend"] = std::string(nameOf(blend));
}
Blend readBlend(Members& m) { return readWord(m, "blend", blendNames, Blend::Normal); }

json stopsJson(const std::vector<GradientStop>& stops) {
  json out = json::array();
  for (const GradientStop& stop : stops) out.push_back({{"at", stop.at}, {"colour", colourForFile(stop.colour)}});
  return out;
}

std::string numbered(const std::string& name, std::size_t i) { return name + "[" + std::to_string(i) + "]"; }

std::vector<GradientStop> readStops(Members& m) {
  const json& list = m.array("stops");
  if (list.size() < 2 || list.size() > limits::mostStops) m.wrong("stops", "has not from 2 to 100 stops");
  std::vector<GradientStop> out;
  double last = 0;
  for (std::size_t i = 0; i < list.size(); ++i) {
    Members stop(list[i], m.placeOf(numbered("stops", i)));
    last = stop.number("at", last, 1);
    out.push_back({last, stop.colour("colour")});
  }
  return out;
}

json gradientJson(const Gradient& g) {
  const Gradient usual;
  json out;
  out["stops"] = stopsJson(g.stops);
  writeWord(out, "kind", g.kind, gradientKinds);
  writeWord(out, "over", g.reach, reaches);
  if (g.from != usual.from) out["from"] = pointJson(g.from);
  if (g.to != usual.to) out["to"] = pointJson(g.to);
  writeNumber(out, "across", g.across, 1);
  if (g.eased) out["eased"] = true;
  return out;
}

Gradient readGradient(Members m) {
  Gradient out;
  out.stops = readStops(m);
  out.kind = readWord(m, "kind", gradientKinds, GradientKind::Linear);
  out.reach = readWord(m, "over", reaches, Reach::Item);
  if (m.find("from")) out.from = m.point("from");
  if (m.find("to")) out.to = m.point("to");
  out.across = m.number("across", 0.001, limits::mostGradient, 1);
  out.eased = m.flag("eased", false);
  return out;
}

json hatchJson(const Hatch& h) {
  json out{{"colour", colourForFile(h.colour)}, {"pitch", h.pitch}, {"share", h.share}, {"turnDeg", h.turnDeg}};
  writeWord(out, "kind", h.kind, hatchKinds);
  return out;
}

Hatch readHatch(Members m) {
  Hatch out;
  out.colour = m.colour("colour");
  out.kind = readWord(m, "kind", hatchKinds, HatchKind::Lines);
  out.pitch = m.number("pitch", limits::leastPitch, limits::mostLine);
  out.share = m.number("share", 0, 1.5);
  out.turnDeg = m.number("turnDeg", -360, 360, 0);
  return out;
}

json adjustmentsJson(const Adjustments& adjustments) {
  json out = json::object();
  const auto declared = adjustmentNumbers();
  for (std::size_t i = 0; i < declared.size(); ++i)
    writeNumber(out, std::string(declared[i].name), adjustments.numbers[i], declared[i].usual);
  const Adjustments usual;
  if (adjustments.dark != usual.dark) out["dark"] = colourForFile(adjustments.dark);
  if (adjustments.light != usual.light) out["light"] = colourForFile(adjustments.light);
  return out;
}

json playingJson(const Playing& playing) {
  json out = json::object();
  writeNumber(out, "from", playing.from, 0);
  if (playing.to) out["to"] = *playing.to;
  writeNumber(out, "speed", playing.speed, 1);
  if (playing.loops) out["loops"] = true;
  if (playing.startsItself) out["startsItself"] = true;
  if (playing.isMuted) out["muted"] = true;
  return out;
}

PlayingPtr readPlaying(Members m) {
  Playing out;
  out.from = m.number("from", 0, limits::mostSeconds, 0);
  if (m.find("to")) out.to = m.number("to", 0, limits::mostSeconds);
  out.speed = m.number("speed", limits::leastSpeed, limits::mostSpeed, 1);
  out.loops = m.flag("loops", false);
  out.startsItself = m.flag("startsItself", false);
  out.isMuted = m.flag("muted", false);
  return shared(out);
}

constexpr std::string_view levelWords[] = {"height", "area", "width", "turn", "along"};

json levelJson(const FillLevel& level) {
  json out{{"by", std::string(levelWords[static_cast<std::size_t>(level.by)])}, {"share", level.share}};
  if (level.line) out["line"] = pathData(Outline{{*level.line}});
  return out;
}

FillLevel readLevel(Members m) {
  FillLevel out{readWord(m, "by", levelWords, LevelBy::Area), m.number("share", 0, 1)};
  if (!m.find("line")) return out;
  auto line = parsePathData(m.text("line"));
  if (!line) m.wrong("line", line.error().message);
  if (line->contours.size() != 1) m.wrong("line", "is not one line");
  out.line = std::make_shared<const Contour>(std::move(line->contours.front()));
  return out;
}

json fillJson(const Fill& fill) {
  json out = withExtra(fill.extra);
  if (fill.level) out["level"] = levelJson(*fill.level);
  if (const auto* colour = std::get_if<Colour>(&fill.paint)) out["colour"] = colourForFile(*colour);
  if (const auto* part = std::get_if<PartPicture>(&fill.paint)) out["photoOf"] = part->part;
  if (const auto* gradient = std::get_if<Gradient>(&fill.paint)) out["gradient"] = gradientJson(*gradient);
  if (const auto* hatch = std::get_if<Hatch>(&fill.paint)) out["hatch"] = hatchJson(*hatch);
  if (const auto* picture = std::get_if<Picture>(&fill.paint)) {
    out["photo"] = {{"medium", picture->medium->hash},
                    {"centre", pointJson(picture->framing.centre)},
                    {"pointsPerPixel", picture->framing.pointsPerPixel}};
    if (picture->framing.turn != 0) out["photo"]["turnDeg"] = degreesForFile(picture->framing.turn);
    const Framing& framing = picture->framing;
    if (picture->share != 0) out["photo"]["share"] = picture->share;
    if (picture->isOverSheets) out["photo"]["overSheets"] = true;
    if (framing.isMirrored) out["photo"]["mirrored"] = true;
    if (framing.habits.staysUpright) out["photo"]["staysUpright"] = true;
    if (framing.habits.keepsScale) out["photo"]["keepsScale"] = true;
    if (framing.habits.isFree) out["photo"]["covers"] = false;
    if (picture->adjustments) out["photo"]["adjusted"] = adjustmentsJson(*picture->adjustments);
    if (picture->playing) out["photo"]["playing"] = playingJson(*picture->playing);
  }
  writeNumber(out, "opacity", fill.opacity, 1);
  if (!fill.shown) out["shown"] = false;
  writeBlend(out, fill.blend);
  return out;
}

json lineJson(const Line& line) {
  json out = withExtra(line.extra);
  out["colour"] = colourForFile(line.colour);
  out["width"] = line.shape.width;
  writeWord(out, "alignment", line.shape.alignment, alignments);
  writeWord(out, "join", line.shape.join, joins);
  writeNumber(out, "mitreLimit", line.shape.mitreLimit, 4);
  writeWord(out, "cap", line.shape.cap, caps);
  if (!line.shape.dashes.empty()) out["dashes"] = line.shape.dashes;
  writeNumber(out, "dashStart", line.shape.dashStart, 0);
  writeNumber(out, "startShare", line.startShare, 1);
  writeNumber(out, "endShare", line.endShare, 1);
  if (line.colours) {
    out["colours"] = {{"stops", stopsJson(line.colours->stops)}};
    if (line.colours->isAcross) out["colours"]["across"] = true;
  }
  writeNumber(out, "opacity", line.opacity, 1);
  if (!line.shown) out["shown"] = false;
  writeBlend(out, line.blend);
  return out;
}

json effectJson(const Effect& effect) {
  const EffectDeclaration& declared = declarationOf(effect.kind);
  json out = withExtra(effect.extra);
  out["kind"] = std::string(declared.key);
  for (std::size_t i = 0; i < declared.numbers.size(); ++i)
    out[std::string(declared.numbers[i].name)] = effect.numbers[i];
  if (declared.hasColour) out["colour"] = colourForFile(effect.colour);
  writeNumber(out, "opacity", effect.opacity, 1);
  if (!effect.shown) out["shown"] = false;
  writeBlend(out, effect.blend);
  return out;
}

AdjustmentsPtr readAdjustments(Members m) {
  Adjustments out;
  const auto declared = adjustmentNumbers();
  for (std::size_t i = 0; i < declared.size(); ++i)
    out.numbers[i] = m.number(std::string(declared[i].name), declared[i].least, declared[i].most, declared[i].usual);
  if (m.find("dark")) out.dark = m.colour("dark");
  if (m.find("light")) out.light = m.colour("light");
  return shared(out);
}

Picture readPicture(Members m, const Media& media) {
  const std::string hash = m.text("medium");
  const auto medium = media.find(hash);
  if (medium == media.end()) m.wrong("medium", "wants a photo that the project does not hold");
  Picture picture{medium->second,
                  {m.point("centre"), m.number("pointsPerPixel", limits::leastPixel, limits::mostPixel),
                   radians(m.number("turnDeg", -limits::mostTurnDeg, limits::mostTurnDeg, 0))}};
  picture.framing.isMirrored = m.flag("mirrored", false);
  picture.framing.habits = {m.flag("staysUpright", false), m.flag("keepsScale", false), !m.flag("covers", true)};
  if (m.find("share")) picture.share = m.id("share");
  picture.isOverSheets = picture.share != 0 && m.flag("overSheets", false);
  if (const json* adjusted = m.find("adjusted"))
    picture.adjustments = readAdjustments(Members(*adjusted, m.placeOf("adjusted")));
  if (const json* playing = m.find("playing")) picture.playing = readPlaying(Members(*playing, m.placeOf("playing")));
  return picture;
}

Fill readFill(Members m, const Media& media) {
  Fill fill;
  if (const json* photo = m.find("photo"))
    fill.paint = readPicture(Members(*photo, m.placeOf("photo")), media);
  else if (m.find("photoOf"))
    fill.paint = PartPicture{m.id("photoOf")};
  else if (const json* gradient = m.find("gradient"))
    fill.paint = readGradient(Members(*gradient, m.placeOf("gradient")));
  else if (const json* hatch = m.find("hatch"))
    fill.paint = readHatch(Members(*hatch, m.placeOf("hatch")));
  else
    fill.paint = m.colour("colour");
  if (const json* level = m.find("level")) fill.level = readLevel(Members(*level, m.placeOf("level")));
  fill.opacity = m.number("opacity", 0, 1, 1);
  fill.shown = m.flag("shown", true);
  fill.blend = readBlend(m);
  fill.extra = m.extra();
  return fill;
}

std::vector<double> readDashes(Members& m) {
  std::vector<double> dashes;
  if (!m.find("dashes")) return dashes;
  for (const json& value : m.array("dashes")) {
    if (!value.is_number()) m.wrong("dashes", "is not a list of numbers");
    dashes.push_back(value.get<double>());
  }
  if (const std::string beyond = beyondDashes(dashes); !beyond.empty()) m.wrong("dashes", "is refused: " + beyond);
  return dashes;
}

Line readLine(Members m) {
  Line line{m.colour("colour")};
  line.shape.width = m.number("width", limits::leastLine, limits::mostLine);
  line.shape.alignment = readWord(m, "alignment", alignments, Alignment::Centre);
  line.shape.join = readWord(m, "join", joins, Join::Mitre);
  line.shape.mitreLimit = m.number("mitreLimit", 1, 1000, 4);
  line.shape.cap = readWord(m, "cap", caps, Cap::Butt);
  line.shape.dashes = readDashes(m);
  line.shape.dashStart = m.number("dashStart", -limits::mostLine, limits::mostLine, 0);
  line.startShare = m.number("startShare", 0, 1, 1);
  line.endShare = m.number("endShare", 0, 1, 1);
  if (const json* colours = m.find("colours")) {
    Members inner(*colours, m.placeOf("colours"));
    line.colours = LineColours{readStops(inner), inner.flag("across", false)};
  }
  line.opacity = m.number("opacity", 0, 1, 1);
  line.shown = m.flag("shown", true);
  line.blend = readBlend(m);
  line.extra = m.extra();
  return line;
}

Effect readEffect(Members m) {
  const std::string key = m.text("kind");
  for (const EffectDeclaration& declared : effectKinds()) {
    if (declared.key != key) continue;
    Effect effect = usualEffect(declared.kind);
    for (std::size_t i = 0; i < declared.numbers.size(); ++i)
      effect.numbers[i] = m.number(std::string(declared.numbers[i].name), declared.numbers[i].least,
                                   declared.numbers[i].most, declared.numbers[i].usual);
    if (declared.hasColour) effect.colour = m.colour("colour");
    effect.opacity = m.number("opacity", 0, 1, 1);
    effect.shown = m.flag("shown", true);
    effect.blend = readBlend(m);
    effect.extra = m.extra();
    return effect;
  }
  m.wrong("kind", "is no effect that is known here");
}

template <class Read>
void readList(Members& m, const std::string& name, const Read& read) {
  if (!m.find(name)) return;
  const json& list = m.array(name);
  for (std::size_t i = 0; i < list.size(); ++i) read(Members(list[i], m.placeOf(numbered(name, i))));
}

}  // namespace

std::string colourForFile(Colour colour) {
  return colour.swatch == 0 ? colourText(colour) : colourText(colour) + " @" + std::to_string(colour.swatch);
}

void writeStyle(const Style& style, json& object) {
  for (const Fill& fill : style.fills) object["fills"].push_back(fillJson(fill));
  for (const Line& line : style.lines) object["lines"].push_back(lineJson(line));
  for (const Effect& effect : style.effects) object["effects"].push_back(effectJson(effect));
  writeNumber(object, "opacity", style.opacity, 1);
  writeBlend(object, style.blend);
}

Style readStyle(Members& m, const Media& media) {
  Style out;
  readList(m, "fills", [&](Members fill) { out.fills.push_back(readFill(std::move(fill), media)); });
  readList(m, "lines", [&](Members line) { out.lines.push_back(readLine(std::move(line))); });
  readList(m, "effects", [&](Members effect) { out.effects.push_back(readEffect(std::move(effect))); });
  out.opacity = m.number("opacity", 0, 1, 1);
  out.blend = readBlend(m);
  return out;
}

}  // namespace widecut
