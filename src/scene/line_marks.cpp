#include "scene/line_marks.h"

#include <cmath>

#include "cutting/planar_map.h"
#include "cutting/taper.h"
#include "project/followers.h"
#include "project/limits.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

std::shared_ptr<const Outline> shared(Outline outline) { return std::make_shared<const Outline>(std::move(outline)); }

/// A disc of four arcs.
Contour disc(Point middle, double radius) {
  return transformed(ellipseOutline(2 * radius, 2 * radius), Affine::move(middle)).contours.front();
}

/// The area that the line covers.
std::optional<Outline> areaOf(const Outline& outline, const Line& line) {
  if (!line.isTapered()) {
    auto area = lineOutline({outline}, line.shape);
    return area ? std::optional(std::move(*area)) : std::nullopt;
  }
  auto area = taperedLine(outline, line.shape.width, line.startShare, line.endShare);
  if (!area) return std::nullopt;
  LineShape whole = line.shape;
  if (whole.dashes.empty() && whole.alignment == Alignment::Centre) return *area;
  auto dashed = lineOutline({outline}, whole);
  if (!dashed) return std::nullopt;
  const Operand operands[] = {{std::move(*area)}, {std::move(*dashed)}};
  const auto map = PlanarMap::of(operands);
  return map ? std::optional(map->intersect()) : std::nullopt;
}

/// How many colours a run over this length needs so that no step shows.
int stepsFor(const std::vector<GradientStop>& stops, double length) {
  int steps = 0;
  for (std::size_t i = 1; i < stops.size(); ++i) {
    const Colour a = stops[i - 1].colour, b = stops[i].colour;
    steps += std::max(
        {std::abs(a.red - b.red), std::abs(a.green - b.green), std::abs(a.blue - b.blue), std::abs(a.alpha - b.alpha)});
  }
  constexpr double least = 2, most = 96, finest = 6;  // a point, beyond which no picture shows them
  return static_cast<int>(std::clamp(std::min(steps / 3.0, std::ceil(length * finest)), least, most));
}

bool isSolid(const LineColours& colours) {
  return std::all_of(colours.stops.begin(), colours.stops.end(),
                     [](const GradientStop& stop) { return stop.colour.alpha == 255; });
}

/// The strip beside a line from one of its places to another, between two distances from it.
Contour strip(const std::vector<LinePlace>& places, std::size_t from, std::size_t to, double left, double right) {
  std::vector<Point> corners;
  for (std::size_t i = from; i <= to; ++i) corners.push_back(places[i].at + places[i].normal * left);
  for (std::size_t i = to + 1; i-- > from;) corners.push_back(places[i].at + places[i].normal * right);
  return polygon(corners).contours.front();
}

/// Whether a strip as wide as this opens, or folds back over itself, between two places: at corners and in tight bends.
bool isBent(const LinePlace& a, const LinePlace& b, double reach) {
  const Point way = b.at - a.at, turned = (b.normal - a.normal) * reach;
  return a.at == b.at || dot(way + turned, way) < 0 || dot(way - turned, way) < 0;
}

/// Along the line: each colour from its place on, a little further than the next one begins, which covers that; unless
/// it would be seen through.
void addAlong(const std::vector<LinePlace>& places, bool isClosed, double reach, const LineColours& colours,
              MarkGroup& group) {
  const double length = places.back().along;
  const int steps = stepsFor(colours.stops, length);
  const bool overlaps = isSolid(colours);
  const auto stepAt = [&](std::size_t i) {  // of the piece from place i to the next one
    const double share = (places[i].along + places[i + 1].along) / 2 / length;
    return std::clamp(static_cast<int>(share * steps), 0, steps - 1);
  };
  const std::size_t last = places.size() - 1;
  for (std::size_t from = 0; from < last;) {
    const int step = stepAt(from);
    std::size_t to = from + 1;
    while (to < last && stepAt(to) == step) ++to;
    Outline part;
    part.contours.push_back(strip(places, from, overlaps ? std::min(to + 1, last) : to, -reach, reach));
    for (std::size_t i = from; overlaps && i < to; ++i)
      if (isBent(places[i], places[i + 1], reach)) part.contours.push_back(disc(places[i].at, reach));
    if (overlaps && isClosed && to == last) part.contours.push_back(disc(places[last].at, reach));
    group.fills.push_back({shared(std::move(part)), colourAt(colours.stops, false, (step + 0.5) / steps)});
    from = to;
  }
}

/// Across the line: each colour from its distance on to the far side, over which the next ones are painted; only to the
/// next one where it would be seen through.
void addAcross(const std::vector<std::vector<LinePlace>>& lines, double from, double to, const LineColours& colours,
               MarkGroup& group) {
  const int steps = stepsFor(colours.stops, std::abs(to - from));
  const bool overlaps = isSolid(colours);
  const double far = to + std::abs(to - from);
  const auto distanceAt = [&](int step) { return from + (to - from) * step / steps; };
  for (int k = 0; k < steps; ++k) {
    const double begin = k == 0 ? from - std::abs(to - from) : distanceAt(k);
    const double end = overlaps || k + 1 == steps ? far : distanceAt(k + 1);
    Outline part;
    for (const auto& places : lines) part.contours.push_back(strip(places, 0, places.size() - 1, begin, end));
    group.fills.push_back({shared(std::move(part)), colourAt(colours.stops, false, (k + 0.5) / steps)});
  }
}

MarkGroup colouredLine(const Outline& outline, const Line& line, std::shared_ptr<const Outline> area) {
  MarkGroup group{std::move(area), {}, line.opacity, line.blend};
  const double reach = line.shape.width * (line.shape.alignment == Alignment::Centre ? 1 : 2);
  const int steps =
      line.colours->isAcross ? 1 : stepsFor(line.colours->stops, bounds(outline).width() + bounds(outline).height());
  std::vector<std::vector<LinePlace>> lines;
  std::vector<bool> areClosed;
  for (const Contour& contour : outline.contours) {
    auto places = placesAlong(contour, line.shape.width, steps);
    if (places.size() < 2) continue;
    lines.push_back(std::move(places));
    areClosed.push_back(contour.closed);
  }
  if (line.colours->isAcross) {
    const double half = line.shape.width / 2;
    addAcross(lines, -half, half, *line.colours, group);
  } else {
    for (std::size_t i = 0; i < lines.size(); ++i) addAlong(lines[i], areClosed[i], reach, *line.colours, group);
  }
  return group;
}

/// The box that a hatch covers, upright in its own turn, and how many marks that takes.
struct HatchSize {
  Box over;
  double rows, columns;
};
HatchSize sizeOf(const Hatch& hatch, const Box& box) {
  const Box over = Affine::turn(radians(-hatch.turnDeg)).about(box.centre())(box);
  const bool dots = hatch.kind == HatchKind::Dots;
  return {over, over.height() / hatch.pitch + 2, dots ? over.width() / hatch.pitch + 2 : 1};
}

}  // namespace

Affine unitTo(const Box& box) { return {box.width(), 0, 0, box.height(), box.low.x, box.low.y}; }

OwnUnits inOwnUnits(const Affine& m) {
  OwnUnits out;
  out.from = {m.dx, m.dy};
  // What is mixed stays along (xy, yy); the part of (xx, yx) at right angles to that is where it changes.
  const double stripes = std::hypot(m.xy, m.yy);
  const Point across = stripes > 0 ? Point{-m.yy / stripes, m.xy / stripes} : Point{0, 0};
  const double along = across.x * m.xx + across.y * m.yx;
  out.to = stripes > 0 ? Point{m.dx + across.x * along, m.dy + across.y * along} : Point{m.dx + m.xx, m.dy + m.yx};
  const double scale = m.meanScale();
  out.radius = scale > 0 ? scale : 1;
  out.map = m * Affine::scale(1 / out.radius, 1 / out.radius);
  return out;
}

GradientBrush brushOf(const Gradient& gradient, const Box& box, const Affine& place, const Around& around) {
  Affine unit = unitTo(box);
  const auto& further = gradient.reach == Reach::Sheet ? around.sheet : around.whole;
  if (gradient.reach != Reach::Item && further)
    if (const auto back = place.inverse()) unit = *back * *further;
  return {gradient.kind, std::make_shared<const std::vector<GradientStop>>(plainStops(gradient.stops, gradient.eased)),
          gradient.placed(unit)};
}

bool isTooFine(const Hatch& hatch, const Box& box) {
  const HatchSize size = sizeOf(hatch, box);
  return !(size.rows * size.columns <= limits::mostHatchMarks);
}

Outline hatched(const Outline& outline, const Box& box, const Hatch& hatch) {
  if (isTooFine(hatch, box) || hatch.share <= 0) return {};
  const auto [over, rows, columns] = sizeOf(hatch, box);
  const Affine turn = Affine::turn(radians(hatch.turnDeg)).about(box.centre());
  const bool dots = hatch.kind == HatchKind::Dots;
  const double down = hatch.pitch, wide = hatch.pitch;
  Outline marks;
  const double half = hatch.share * hatch.pitch / 2;
  const Point middle = box.centre();
  const auto reach = [](double n) { return static_cast<int>(std::ceil(n / 2)); };
  for (int j = -reach(rows); j <= reach(rows); ++j) {
    const double y = middle.y + j * down;
    if (!dots) {
      marks.contours.push_back(
          polygon({{over.low.x, y - half}, {over.high.x, y - half}, {over.high.x, y + half}, {over.low.x, y + half}})
              .contours.front());
      continue;
    }
    for (int i = -reach(columns); i <= reach(columns); ++i)
      marks.contours.push_back(disc({middle.x + (i + (j % 2 == 0 ? 0 : 0.5)) * wide, y}, half));
  }
  const Operand operands[] = {{outline}, {transformed(marks, turn)}};
  const auto map = PlanarMap::of(operands);
  return map ? map->intersect() : Outline{};
}

std::optional<LineMark> lineMarkOf(const std::shared_ptr<const Outline>& outline, const Line& line) {
  if (line.isPlain()) return LineMark{StrokeOutline{outline, line}, lineBounds(*outline, line.shape)};
  auto area = areaOf(*outline, line);
  if (!area || area->isEmpty()) return std::nullopt;
  const Box box = bounds(*area);
  const auto covered = shared(std::move(*area));
  if (!line.colours) return LineMark{FillOutline{covered, line.colour, line.opacity, line.blend}, box};
  return LineMark{colouredLine(*outline, line, covered), box};
}

std::vector<Mark> followerMarks(const Effect& effect, const Outline& outline, const Box& box) {
  auto shape = followerShape(effect, outline, box);
  if (!shape || shape->outline.isEmpty()) return {};
  auto drawn = shared(std::move(shape->outline));
  if (shape->lineWidth == 0) return {FillOutline{std::move(drawn), effect.colour, effect.opacity, effect.blend}};
  Line line;
  line.colour = effect.colour;
  line.shape.width = shape->lineWidth;
  line.shape.join = Join::Round;
  line.opacity = effect.opacity;
  line.blend = effect.blend;
  return {StrokeOutline{std::move(drawn), std::move(line)}};
}

}  // namespace widecut
