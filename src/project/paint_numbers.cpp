#include "project/paint_numbers.h"

#include <algorithm>
#include <cmath>

#include "project/usual_colours.h"

namespace widecut {
namespace {

using Number = StarterNumber;

Fill& fillAt(Style& style, PaintPlace place) { return style.fills[place.index]; }
const Fill& fillAt(const Style& style, PaintPlace place) { return style.fills[place.index]; }
Line& lineAt(Style& style, PaintPlace place) { return style.lines[place.index]; }
const Line& lineAt(const Style& style, PaintPlace place) { return style.lines[place.index]; }

template <class Kind>
const Kind* fillAs(const Style& style, PaintPlace place) {
  return place.isLine ? nullptr : std::get_if<Kind>(&fillAt(style, place).paint);
}
template <class Kind>
Kind& fillAs(Style& style, PaintPlace place) {
  return std::get<Kind>(fillAt(style, place).paint);
}

bool always(const Style&, PaintPlace) { return true; }
bool isLine(const Style&, PaintPlace place) { return place.isLine; }
bool isGradient(const Style& s, PaintPlace p) { return fillAs<Gradient>(s, p); }
bool isRadial(const Style& s, PaintPlace p) {
  const auto* gradient = fillAs<Gradient>(s, p);
  return gradient && gradient->kind == GradientKind::Radial;
}
bool isHatch(const Style& s, PaintPlace p) { return fillAs<Hatch>(s, p); }
bool isPlainFill(const Style& s, PaintPlace p) { return !p.isLine && !isPicture(fillAt(s, p)); }
bool isFill(const Style&, PaintPlace p) { return !p.isLine; }
bool hasLevel(const Style& s, PaintPlace p) { return !p.isLine && fillAt(s, p).level; }
bool hasMitres(const Style& s, PaintPlace p) { return p.isLine && lineAt(s, p).shape.join == Join::Mitre; }

double angleOf(const Gradient& g) {
  const Point way = g.to - g.from;
  return degrees(std::atan2(way.y, way.x));
}
/// Turned about its middle; a radial or conical one about where it begins.
void setAngle(Gradient& g, double angleDeg) {
  const double size = length(g.to - g.from);
  const Point way{std::cos(radians(angleDeg)) * size, std::sin(radians(angleDeg)) * size};
  const Point pivot = g.kind == GradientKind::Linear ? mix(g.from, g.to, 0.5) - way * 0.5 : g.from;
  g.from = pivot;
  g.to = pivot + way;
}

/// A gradient of another kind, laid as is usual for it.
void setKind(Gradient& g, GradientKind kind) {
  if (g.kind == kind) return;
  const bool wasLinear = g.kind == GradientKind::Linear, isLinear = kind == GradientKind::Linear;
  g.kind = kind;
  if (wasLinear && !isLinear) {
    g.from = {0.5, 0.5};
    g.to = {1, 0.5};
  } else if (isLinear) {
    g.from = {0, 0.5};
    g.to = {1, 0.5};
  }
}

Number aLength(std::string_view name, double least, double most, double usual, std::string_view meaning) {
  return {name, least, most, usual, 0.25, meaning, {}, NumberKind::Length};
}
Number aShare(std::string_view name, double least, double most, double usual, std::string_view meaning) {
  return {name, least, most, usual, 0.01, meaning, {}, NumberKind::Share};
}
Number aChoice(std::string_view name, std::string_view choices, std::string_view meaning, double usual = 0) {
  const auto last = static_cast<double>(std::count(choices.begin(), choices.end(), '|'));
  return {name, 0, last, usual, 1, meaning, choices, NumberKind::Choice};
}
Number anAngle(std::string_view name, double usual, std::string_view meaning) {
  return {name, -360, 360, usual, 1, meaning, {}, NumberKind::Angle};
}

template <class Enum>
double placeOf(Enum value) {
  return static_cast<double>(value);
}
template <class Enum>
Enum valueAt(double place) {
  return static_cast<Enum>(std::lround(place));
}

const std::vector<PaintNumber>& table() {
  static const std::vector<PaintNumber> numbers{
      {aChoice("paint", "colour|gradient|lines|dots", "What it is painted with"), isPlainFill,
       [](const Style& s, PaintPlace p) { return placeOf(fillKindOf(fillAt(s, p).paint)); },
       [](Style& s, PaintPlace p, double v) {
         Fill& fill = fillAt(s, p);
         if (fillKindOf(fill.paint) != valueAt<FillKind>(v)) fill.paint = asKind(fill.paint, valueAt<FillKind>(v));
       }},
      {aLength("width", 1e-6, 1e4, 1, "Of the line"), isLine,
       [](const Style& s, PaintPlace p) { return lineAt(s, p).shape.width; },
       [](Style& s, PaintPlace p, double v) { lineAt(s, p).shape.width = v; }},
      {aChoice("lies", "centred|inside|outside", "Where it lies on closed outlines"), isLine,
       [](const Style& s, PaintPlace p) { return placeOf(lineAt(s, p).shape.alignment); },
       [](Style& s, PaintPlace p, double v) { lineAt(s, p).shape.alignment = valueAt<Alignment>(v); }},
      {aChoice("corners", "mitre|round|bevel", "How it turns at corners"), isLine,
       [](const Style& s, PaintPlace p) { return placeOf(lineAt(s, p).shape.join); },
       [](Style& s, PaintPlace p, double v) { lineAt(s, p).shape.join = valueAt<Join>(v); }},
      {{"mitre limit", 1, 1000, 4, 0.5, "A corner longer than this many half widths is cut off", {}, NumberKind::Times},
       hasMitres,
       [](const Style& s, PaintPlace p) { return lineAt(s, p).shape.mitreLimit; },
       [](Style& s, PaintPlace p, double v) { lineAt(s, p).shape.mitreLimit = v; }},
      {aChoice("ends", "flat|round|square", "How it ends, and how its dashes do"), isLine,
       [](const Style& s, PaintPlace p) { return placeOf(lineAt(s, p).shape.cap); },
       [](Style& s, PaintPlace p, double v) { lineAt(s, p).shape.cap = valueAt<Cap>(v); }},
      {aShare("start width", 0, 1, 1, "At its start, of the full width in its middle"), isLine,
       [](const Style& s, PaintPlace p) { return lineAt(s, p).startShare; },
       [](Style& s, PaintPlace p, double v) { lineAt(s, p).startShare = v; }},
      {aShare("end width", 0, 1, 1, "At its end, of the full width in its middle"), isLine,
       [](const Style& s, PaintPlace p) { return lineAt(s, p).endShare; },
       [](Style& s, PaintPlace p, double v) { lineAt(s, p).endShare = v; }},
      {aChoice("colours", "one|along|across", "One colour, or several along the line or across it"), isLine,
       [](const Style& s, PaintPlace p) {
         const auto& colours = lineAt(s, p).colours;
         return !colours ? 0.0 : colours->isAcross ? 2.0 : 1.0;
       },
       [](Style& s, PaintPlace p, double v) {
         Line& line = lineAt(s, p);
         const int place = static_cast<int>(std::lround(v));
         if (place == 0) {
           line.colours.reset();
         } else {
           if (!line.colours) line.colours = LineColours{twoStops(line.colour, lightened(line.colour, 0.7))};
           line.colours->isAcross = place == 2;
         }
       }},
      {aChoice("kind", "linear|radial|conical", "How its colours run"), isGradient,
       [](const Style& s, PaintPlace p) { return placeOf(fillAs<Gradient>(s, p)->kind); },
       [](Style& s, PaintPlace p, double v) { setKind(fillAs<Gradient>(s, p), valueAt<GradientKind>(v)); }},
      {aChoice("over", "the item|what it is in|the sheet", "What it is laid over"), isGradient,
       [](const Style& s, PaintPlace p) { return placeOf(fillAs<Gradient>(s, p)->reach); },
       [](Style& s, PaintPlace p, double v) { fillAs<Gradient>(s, p).reach = valueAt<Reach>(v); }},
      {anAngle("angle", 0, "Where it runs: 0° to the right, 90° down"), isGradient,
       [](const Style& s, PaintPlace p) { return angleOf(*fillAs<Gradient>(s, p)); },
       [](Style& s, PaintPlace p, double v) { setAngle(fillAs<Gradient>(s, p), v); }},
      {aShare("width across", 0.01, 10, 1, "How wide it is across its line"), isRadial,
       [](const Style& s, PaintPlace p) { return fillAs<Gradient>(s, p)->across; },
       [](Style& s, PaintPlace p, double v) { fillAs<Gradient>(s, p).across = v; }},
      {{"eased", 0, 1, 0, 1, "Slower near every stop, so that none shows as an edge", {}, NumberKind::Switch},
       isGradient,
       [](const Style& s, PaintPlace p) { return fillAs<Gradient>(s, p)->eased ? 1.0 : 0.0; },
       [](Style& s, PaintPlace p, double v) { fillAs<Gradient>(s, p).eased = v > 0; }},
      {aLength("pitch", 0.05, 1e4, 6, "From one to the next"), isHatch,
       [](const Style& s, PaintPlace p) { return fillAs<Hatch>(s, p)->pitch; },
       [](Style& s, PaintPlace p, double v) { fillAs<Hatch>(s, p).pitch = v; }},
      {aShare("share", 0, 1.4, 0.4, "How much of the pitch is covered"), isHatch,
       [](const Style& s, PaintPlace p) { return fillAs<Hatch>(s, p)->share; },
       [](Style& s, PaintPlace p, double v) { fillAs<Hatch>(s, p).share = v; }},
      {anAngle("turn", 45, "Of its lines, or rows of dots"), isHatch,
       [](const Style& s, PaintPlace p) { return fillAs<Hatch>(s, p)->turnDeg; },
       [](Style& s, PaintPlace p, double v) { fillAs<Hatch>(s, p).turnDeg = v; }},
      {aChoice("level", "none|by height|by area|by width|by turn|along a line", "Fills the item to a share of it"),
       isFill,
       [](const Style& s, PaintPlace p) {
         const auto& level = fillAt(s, p).level;
         return level ? 1 + placeOf(level->by) : 0.0;
       },
       [](Style& s, PaintPlace p, double v) {
         auto& level = fillAt(s, p).level;
         // A level in the colour of what it lies on would not be seen.
         const auto* own = std::get_if<Colour>(&fillAt(s, p).paint);
         const auto* below = p.index > 0 ? std::get_if<Colour>(&s.fills[p.index - 1].paint) : nullptr;
         if (v >= 0.5 && !level && own && below && contrast(*own, *below) < 1.2) {
           fillAt(s, p).paint = toneOn(*below);
           fillAt(s, p).opacity = 1;
         }
         if (v < 0.5)
           level.reset();
         else
           level = FillLevel{valueAt<LevelBy>(v - 1), level ? level->share : FillLevel{}.share,
                             level ? level->line : nullptr};
       }},
      {aShare("filled", 0, 1, 0.5, "The share that it reaches; labels follow it"), hasLevel,
       [](const Style& s, PaintPlace p) { return fillAt(s, p).level->share; },
       [](Style& s, PaintPlace p, double v) { fillAt(s, p).level->share = v; }},
      {aShare("opacity", 0, 1, 1, "How much covers what is behind it"), always,
       [](const Style& s, PaintPlace p) { return p.isLine ? lineAt(s, p).opacity : fillAt(s, p).opacity; },
       [](Style& s, PaintPlace p, double v) { (p.isLine ? lineAt(s, p).opacity : fillAt(s, p).opacity) = v; }},
      {aChoice("blend", blendChoices, "How it blends with what the item paints behind it"), always,
       [](const Style& s, PaintPlace p) { return placeOf(p.isLine ? lineAt(s, p).blend : fillAt(s, p).blend); },
       [](Style& s, PaintPlace p, double v) {
         (p.isLine ? lineAt(s, p).blend : fillAt(s, p).blend) = valueAt<Blend>(v);
       }}};
  return numbers;
}

template <class List>
void moved(List& list, std::size_t from, std::size_t to) {
  if (from >= list.size() || to >= list.size()) return;
  auto one = std::move(list[from]);
  list.erase(list.begin() + static_cast<std::ptrdiff_t>(from));
  list.insert(list.begin() + static_cast<std::ptrdiff_t>(to), std::move(one));
}

}  // namespace

bool isThere(const Style& style, PaintPlace place) {
  return place.index < (place.isLine ? style.lines.size() : style.fills.size());
}

std::optional<PaintPlace> alikeIn(const Style& other, const Style& style, PaintPlace place) {
  const auto count = [&](const Style& s) { return place.isLine ? s.lines.size() : s.fills.size(); };
  const std::size_t fromFront = count(style) - place.index;
  if (!isThere(style, place) || fromFront > count(other)) return std::nullopt;
  return PaintPlace{place.isLine, count(other) - fromFront};
}

std::vector<const PaintNumber*> numbersOf(const Style& style, PaintPlace place) {
  std::vector<const PaintNumber*> out;
  if (!isThere(style, place)) return out;
  for (const PaintNumber& number : table())
    if (number.applies(style, place)) out.push_back(&number);
  return out;
}

const PaintNumber* paintNumber(const Style& style, PaintPlace place, std::string_view name) {
  for (const PaintNumber* number : numbersOf(style, place))
    if (number->number.name == name) return number;
  return nullptr;
}

const std::vector<GradientStop>* stopsOf(const Style& style, PaintPlace place) {
  if (!isThere(style, place)) return nullptr;
  if (place.isLine) {
    const auto& colours = lineAt(style, place).colours;
    return colours ? &colours->stops : nullptr;
  }
  const auto* gradient = fillAs<Gradient>(style, place);
  return gradient ? &gradient->stops : nullptr;
}

void setStops(Style& style, PaintPlace place, std::vector<GradientStop> stops) {
  if (!stopsOf(style, place) || stops.size() < 2) return;
  for (GradientStop& stop : stops) stop.at = std::clamp(stop.at, 0.0, 1.0);
  std::stable_sort(stops.begin(), stops.end(),
                   [](const GradientStop& a, const GradientStop& b) { return a.at < b.at; });
  if (place.isLine)
    lineAt(style, place).colours->stops = std::move(stops);
  else
    fillAs<Gradient>(style, place).stops = std::move(stops);
}

std::optional<Colour> plainColourOf(const Style& style, PaintPlace place) {
  if (!isThere(style, place) || stopsOf(style, place)) return std::nullopt;
  return place.isLine ? std::optional(lineAt(style, place).colour) : colourOf(fillAt(style, place).paint);
}

void setPlainColour(Style& style, PaintPlace place, Colour colour) {
  if (!isThere(style, place)) return;
  if (place.isLine) {
    lineAt(style, place).colour = colour;
    lineAt(style, place).colours.reset();
  } else if (auto* hatch = std::get_if<Hatch>(&fillAt(style, place).paint)) {
    hatch->colour = colour;
  } else {
    fillAt(style, place).paint = colour;
  }
}

std::string_view kindOfPaint(const Style& style, PaintPlace place) {
  if (!isThere(style, place)) return {};
  if (place.isLine) {
    const auto& colours = lineAt(style, place).colours;
    return !colours ? "colour" : colours->isAcross ? "colours across" : "colours along";
  }
  const Paint& paint = fillAt(style, place).paint;
  if (const auto* gradient = std::get_if<Gradient>(&paint))
    return gradient->kind == GradientKind::Linear   ? "linear gradient"
           : gradient->kind == GradientKind::Radial ? "radial gradient"
                                                    : "conical gradient";
  if (const auto* hatch = std::get_if<Hatch>(&paint)) return hatch->kind == HatchKind::Lines ? "lines" : "dots";
  return std::holds_alternative<Colour>(paint) ? "colour" : "photo";
}

void setShown(Style& style, PaintPlace place, bool shown) {
  if (isThere(style, place)) (place.isLine ? lineAt(style, place).shown : fillAt(style, place).shown) = shown;
}

bool isShown(const Style& style, PaintPlace place) {
  return isThere(style, place) && (place.isLine ? lineAt(style, place).shown : fillAt(style, place).shown);
}

void removePaint(Style& style, PaintPlace place) {
  if (!isThere(style, place)) return;
  if (place.isLine) {
    style.lines.erase(style.lines.begin() + static_cast<std::ptrdiff_t>(place.index));
    return;
  }
  const bool wasPicture = isPicture(fillAt(style, place));
  if (wasPicture)
    dropPictures(style);  // what it covered shows again
  else
    style.fills.erase(style.fills.begin() + static_cast<std::ptrdiff_t>(place.index));
}

void movePaint(Style& style, PaintPlace place, std::size_t to) {
  if (place.isLine)
    moved(style.lines, place.index, to);
  else
    moved(style.fills, place.index, to);
}

FillKind fillKindOf(const Paint& paint) {
  if (std::holds_alternative<Gradient>(paint)) return FillKind::Gradient;
  if (const auto* hatch = std::get_if<Hatch>(&paint))
    return hatch->kind == HatchKind::Lines ? FillKind::Lines : FillKind::Dots;
  return FillKind::Colour;
}

Paint asKind(const Paint& paint, FillKind kind) {
  const Colour colour = colourOf(paint).value_or(usualFill);
  Hatch hatch;
  if (const auto* before = std::get_if<Hatch>(&paint)) hatch = *before;
  hatch.colour = colour;
  switch (kind) {
    case FillKind::Gradient: {
      // Towards what is lighter; light colours towards what is darker.
      constexpr double bright = 0.8;
      Gradient gradient;
      gradient.stops = twoStops(colour, lightened(colour, oklabOf(colour).light > bright ? -0.45 : 0.65));
      return gradient;
    }
    case FillKind::Lines:
      hatch.kind = HatchKind::Lines;
      return hatch;
    case FillKind::Dots:
      hatch.kind = HatchKind::Dots;
      return hatch;
    case FillKind::Colour:
      break;
  }
  return colour;
}

}  // namespace widecut
