#include "cutting/largest_fit.h"

#include <queue>

#include "cutting/edge_field.h"
#include "cutting/planar_map.h"

namespace widecut {
namespace {

constexpr double enough = 1e-3;  // Of the scale: a better one elsewhere is not looked for.
// Of sizes: how far straight runs stray, and how much room is left at edges, while ranges are ruled out and at last.
constexpr double searching = 1e-4, settling = 1e-5;

Outline together(std::span<const Operand> windows) {
  auto joined = cut(windows, Formula::chain(static_cast<int>(windows.size()), Role::Add));
  return joined ? std::move(*joined) : Outline{};
}

double sizeOf(const Box& box) { return std::max(box.width(), box.height()); }

/// The corners of the edges, and places between them where they are far apart.
std::vector<Point> placesOn(const EdgeField& field) {
  const double most = sizeOf(field.box()) / 8;
  std::vector<Point> out;
  for (const auto& [from, to] : field.edges()) {
    const int parts = 1 + static_cast<int>(distance(from, to) / most);
    for (int i = 0; i < parts; ++i) out.push_back(mix(from, to, double(i) / parts));
  }
  return out;
}

bool doCross(const EdgeField::Edge& a, const EdgeField::Edge& b) {
  if (!Box::between(a.from, a.to).touches(Box::between(b.from, b.to))) return false;
  const auto side = [](const EdgeField::Edge& edge, Point p) { return cross(edge.to - edge.from, p - edge.from) > 0; };
  return side(a, b.from) != side(a, b.to) && side(b, a.from) != side(b, a.to);
}

struct Zone {
  EdgeField field;  ///< About the hub, in the picture's pixels.
  std::vector<Point> places;
  /// Some of them with how far they are from the hub: enough to rule out most ranges.
  std::vector<std::pair<Point, double>> few;
};

std::vector<std::pair<Point, double>> fewOf(const std::vector<Point>& places) {
  const std::size_t step = 1 + places.size() / 24;
  std::vector<std::pair<Point, double>> out;
  for (std::size_t i = 0; i < places.size(); i += step) out.push_back({places[i], length(places[i])});
  return out;
}

/// A range of scales, and of places for the hub.
struct Range {
  double low, high;
  Box at;
  bool operator<(const Range& other) const { return high < other.high; }
};

/// Where the hub lies at a scale.
struct Lying {
  double scale = 0;
  Point hub;
};

/// Along the picture's own axes, in which only scale and shift are open. The hub is the middle of all zones.
class Search {
 public:
  Search(const FitTask& task, const Outline& window, double fineness)
      : fineness_(fineness),
        box_(bounds(window)),
        window_(window, sizeOf(box_) * fineness_, 48),
        rims_(placesOn(window_)),
        picture_(task.picture) {
    Box all;
    for (const Outline& zone : task.zones) all.add(bounds(zone));
    hub_ = all.centre();
    for (const Outline& zone : task.zones) {
      const Outline about = transformed(zone, Affine::move(-hub_));
      EdgeField field(about, sizeOf(bounds(about)) * fineness_, 24);
      std::vector<Point> places = placesOn(field);
      for (const Point place : places) reach_ = std::max(reach_, length(place));
      auto few = fewOf(places);
      zones_.push_back({std::move(field), std::move(places), std::move(few)});
    }
    if (!picture_) return;
    picture_ = Box{picture_->low - hub_, picture_->high - hub_};
    for (const Point place : task.covered) covered_.add((*task.turned.inverse())(place));
  }

  std::optional<Lying> best(int mostRanges) {
    const auto scales = scaleLimits();
    if (!scales) return std::nullopt;
    std::priority_queue<Range> open;
    // Something to begin with rules out all smaller scales.
    for (int i = 20; i > 0 && !best_; --i) tryAllOver(scales->first + (scales->second - scales->first) * i / 20);
    // The hub may lie beyond the window: between several.
    open.push({scales->first, scales->second, box_.grown(sizeOf(box_))});
    while (!open.empty() && mostRanges-- > 0) {
      const Range range = open.top();
      open.pop();
      if (best_ && range.high <= best_->scale * (1 + enough)) break;
      if (isImpossible(range)) continue;
      tryAt((range.low + range.high) / 2, range.at.centre());
      split(range, open);
    }
    return best_;
  }

  /// The best lying near one that is whole, in the middle of the room that it has.
  Lying settled(const Lying& from) {
    best_ = from;
    // From the middle of its room it can grow further.
    for (int round = 0; round < 8; ++round) {
      settleInRoom();
      const double before = best_->scale;
      for (int i = 0; i < 20 && grows(1e-3, 4e-6, 12, {0.3, 1}); ++i) {
      }
      if (best_->scale < before * (1 + 1e-5)) break;
    }
    settleInRoom();
    return *best_;
  }
  Point hub() const { return hub_; }

 private:
  /// The smallest and the largest scale that boxes allow.
  std::optional<std::pair<double, double>> scaleLimits() const {
    double most = std::numeric_limits<double>::infinity();
    for (const Zone& zone : zones_) {
      const Box& z = zone.field.box();
      if (z.isEmpty() || !(sizeOf(z) > 0)) return std::nullopt;
      most = std::min({most, box_.width() / z.width(), box_.height() / z.height()});
    }
    double least = most / 1000;
    if (picture_) least = std::max(covered_.width() / picture_->width(), covered_.height() / picture_->height());
    if (!(most > 0) || !(least <= most)) return std::nullopt;
    return std::pair{least, most};
  }

  /// Whether no lying of the range can do.
  bool isImpossible(const Range& range) const {
    const auto leastOf = [&](double at) { return std::min(range.low * at, range.high * at); };
    const auto mostOf = [&](double at) { return std::max(range.low * at, range.high * at); };
    if (picture_ && (leastOf(picture_->low.x) + range.at.low.x > covered_.low.x ||
                     leastOf(picture_->low.y) + range.at.low.y > covered_.low.y ||
                     mostOf(picture_->high.x) + range.at.high.x < covered_.high.x ||
                     mostOf(picture_->high.y) + range.at.high.y < covered_.high.y))
      return true;
    const double scale = (range.low + range.high) / 2;
    const Point at = range.at.centre();
    const double byScale = (range.high - range.low) / 2, byPlace = distance(range.at.low, range.at.high) / 2;
    for (const Zone& zone : zones_)
      for (const auto& [place, far] : zone.few)
        if (window_.isOutsideBy(at + place * scale, far * byScale + byPlace)) return true;
    const double most = reach_ * byScale + byPlace;
    for (const Zone& zone : zones_)
      if (hasRimDeeper(zone, {scale, at}, most)) return true;
    return false;
  }

  /// Whether an edge of the window lies inside the zone by more than so much; or outside by less, where that is < 0.
  bool hasRimDeeper(const Zone& zone, const Lying& lying, double than) const {
    const Box near = zone.field.box().grown(std::max(0.0, -than) / lying.scale);
    return anyFrom(rims_, lastRim_, [&](Point rim) {
      const Point there = (rim - lying.hub) / lying.scale;
      return near.contains(there) && zone.field.distanceAt(there) * lying.scale > than;
    });
  }

  /// Whether any of the places is so; what was so the last time is asked first, for it mostly is again.
  template <class IsSo>
  static bool anyFrom(const std::vector<Point>& places, std::size_t& last, const IsSo& isSo) {
    if (last < places.size() && isSo(places[last])) return true;
    for (std::size_t i = 0; i < places.size(); ++i)
      if (isSo(places[i])) {
        last = i;
        return true;
      }
    return false;
  }

  bool isWhole(const Zone& zone, const Lying& lying) const {
    const double room = fineness_ * (sizeOf(box_) + lying.scale * sizeOf(zone.field.box()));
    if (anyFrom(zone.places, lastPlace_,
                [&](Point place) { return !window_.isInsideBy(lying.hub + place * lying.scale, room); }))
      return false;
    if (hasRimDeeper(zone, lying, -room)) return false;
    for (const auto& [from, to] : zone.field.edges()) {
      const EdgeField::Edge edge{lying.hub + from * lying.scale, lying.hub + to * lying.scale};
      // What lies further inside than half its length is crossed by nothing.
      if (window_.isInsideBy(mix(edge.from, edge.to, 0.5), distance(edge.from, edge.to) / 2)) continue;
      for (const EdgeField::Edge& rim : window_.edges())
        if (doCross(edge, rim)) return false;
    }
    return true;
  }

  bool areWhole(const Lying& lying) const {
    return std::all_of(zones_.begin(), zones_.end(), [&](const Zone& zone) { return isWhole(zone, lying); });
  }

  /// The nearest place of the hub at which the picture covers the window.
  std::optional<Lying> covered(double scale, Point hub) const {
    if (!picture_) return Lying{scale, hub};
    const Point low = covered_.high - picture_->high * scale, high = covered_.low - picture_->low * scale;
    const double slack = 1e-9 * sizeOf(box_);
    if (low.x > high.x + slack || low.y > high.y + slack) return std::nullopt;
    return Lying{scale, {std::min(std::max(hub.x, low.x), high.x), std::min(std::max(hub.y, low.y), high.y)}};
  }

  bool tryAt(double scale, Point hub) {
    if (best_ && scale <= best_->scale) return false;
    const auto lying = covered(scale, hub);
    if (!lying || !areWhole(*lying)) return false;
    best_ = lying;
    while (grows(0.1, enough / 4, 8, {1})) {
    }
    return true;
  }

  void tryAllOver(double scale) {
    constexpr int steps = 20;
    for (int y = 0; y <= steps; ++y)
      for (int x = 0; x <= steps; ++x)
        tryAt(scale, box_.low + Point{box_.width() * x / steps, box_.height() * y / steps});
  }

  /// A larger scale near the best one: straight on, or moved aside a little in one of some ways.
  bool grows(double most, double least, int ways, std::initializer_list<double> shares) {
    const Lying from = *best_;
    const auto tried = [&](double step, Point aside) {
      const double scale = from.scale * (1 + step);
      const auto lying = covered(scale, from.hub + aside * (step * from.scale * reach_));
      if (!lying || !areWhole(*lying)) return false;
      best_ = lying;
      return true;
    };
    for (double step = most; step > least; step /= 2) {
      if (tried(step, {})) return true;
      for (int way = 0; way < ways; ++way)
        for (const double share : shares)
          if (tried(step, Point{std::cos(2 * pi * way / ways), std::sin(2 * pi * way / ways)} * share)) return true;
    }
    return false;
  }

  void split(const Range& range, std::priority_queue<Range>& open) const {
    const double byScale = reach_ * (range.high - range.low), across = range.at.width(), down = range.at.height();
    const double widest = std::max({byScale, across, down});
    if (widest < fineness_ * sizeOf(box_)) return;
    Range first = range, second = range;
    if (byScale == widest)
      first.high = second.low = (range.low + range.high) / 2;
    else if (across == widest)
      first.at.high.x = second.at.low.x = range.at.centre().x;
    else
      first.at.high.y = second.at.low.y = range.at.centre().y;
    open.push(first);
    open.push(second);
  }

  /// The middle of the room that there is across, then down, then across again.
  void settleInRoom() {
    for (const Point way : {Point{1, 0}, Point{0, 1}, Point{1, 0}}) {
      const auto canLie = [&](double by) {
        const Lying lying{best_->scale, best_->hub + way * by};
        const auto there = covered(lying.scale, lying.hub);
        return there && distance(there->hub, lying.hub) < 1e-12 * sizeOf(box_) && areWhole(lying);
      };
      const auto roomTo = [&](double sign) {
        double room = 0;
        for (double step = sizeOf(box_) / 8; step > sizeOf(box_) / 4096;)
          if (canLie(sign * (room + step)))
            room += step;
          else
            step /= 2;
        return room;
      };
      const double middle = (roomTo(1) - roomTo(-1)) / 2;
      if (canLie(middle)) best_->hub = best_->hub + way * middle;
    }
  }

  double fineness_;
  Box box_;  ///< Of the window.
  EdgeField window_;
  std::vector<Point> rims_;     ///< Places on the window's edges.
  std::optional<Box> picture_;  ///< About the hub, where it has to cover.
  Box covered_;                 ///< By the picture.
  Point hub_;
  std::vector<Zone> zones_;
  mutable std::size_t lastRim_ = 0, lastPlace_ = 0;
  double reach_ = 0;  ///< Of the zones, from the hub.
  std::optional<Lying> best_;
};

}  // namespace

std::optional<LargestFit> largestFit(const FitTask& task, int mostRanges) {
  const auto back = task.turned.inverse();
  if (!back || task.zones.empty() || task.windows.empty()) return std::nullopt;
  const Outline window = transformed(together(task.windows), *back);
  if (window.isEmpty()) return std::nullopt;
  const auto found = Search(task, window, searching).best(mostRanges);
  if (!found) return std::nullopt;
  Search fine(task, window, settling);
  const Lying best = fine.settled(*found);
  return LargestFit{best.scale, task.turned(best.hub - fine.hub() * best.scale)};
}

double shareSeen(const Outline& zone, std::span<const Operand> windows) {
  const double whole = std::abs(signedArea(zone));
  if (!(whole > 0)) return 0;
  std::vector<Operand> all{{zone}};
  for (const Operand& window : windows)
    if (bounds(window.outline).touches(bounds(zone))) all.push_back(window);
  if (all.size() == 1) return 0;
  const auto missed = cut(all, Formula::chain(static_cast<int>(all.size()), Role::Subtract));
  return missed ? std::clamp(1 - std::abs(signedArea(*missed)) / whole, 0.0, 1.0) : 0;
}

}  // namespace widecut
