#include "media/ground.h"

#include <algorithm>
#include <map>

#include "geometry/fit.h"
#include "media/pixel_oklab.h"

namespace widecut {
namespace {

constexpr double leastRegion = 0.001;  // of the picture

struct Size {
  int width = 0, height = 0;
  std::size_t at(int x, int y) const {
    return static_cast<std::size_t>(y) * static_cast<std::size_t>(width) + static_cast<std::size_t>(x);
  }
  std::size_t count() const { return static_cast<std::size_t>(width) * static_cast<std::size_t>(height); }
  template <class See>
  void eachBeside(std::size_t i, const See& see) const {
    const int x = static_cast<int>(i % static_cast<std::size_t>(width)),
              y = static_cast<int>(i / static_cast<std::size_t>(width));
    if (x > 0) see(i - 1);
    if (x + 1 < width) see(i + 1);
    if (y > 0) see(i - static_cast<std::size_t>(width));
    if (y + 1 < height) see(i + static_cast<std::size_t>(width));
  }
};

double squaredDistance(const Oklab& a, const Oklab& b) {
  const double l = a.light - b.light, x = a.a - b.a, y = a.b - b.b;
  return l * l + x * x + y * y;
}

std::vector<Oklab> coloursOf(const QImage& picture) {
  const QImage rgb = picture.convertToFormat(QImage::Format_RGB32);
  std::vector<Oklab> out;
  out.reserve(static_cast<std::size_t>(rgb.width()) * static_cast<std::size_t>(rgb.height()));
  for (int y = 0; y < rgb.height(); ++y) {
    const auto* line = reinterpret_cast<const QRgb*>(rgb.constScanLine(y));
    for (int x = 0; x < rgb.width(); ++x) out.push_back(oklabOfPixel(line[x]));
  }
  return out;
}

std::vector<std::size_t> rimOf(Size size) {
  std::vector<std::size_t> rim;
  for (int x = 0; x < size.width; ++x)
    for (const int y : {0, size.height - 1}) rim.push_back(size.at(x, y));
  for (int y = 1; y + 1 < size.height; ++y)
    for (const int x : {0, size.width - 1}) rim.push_back(size.at(x, y));
  return rim;
}

/// The colour in the middle of those along the upper edge and the upper thirds of the sides, channel by channel: what
/// stands before a ground mostly stands below.
Oklab usualOf(const std::vector<Oklab>& colours, std::vector<std::size_t> rim, Size size) {
  std::erase_if(rim, [&](std::size_t i) { return i >= size.at(0, std::max(1, size.height / 3)); });
  const auto middle = [&](double Oklab::*channel) {
    std::vector<double> all;
    all.reserve(rim.size());
    for (const std::size_t i : rim) all.push_back(colours[i].*channel);
    std::nth_element(all.begin(), all.begin() + static_cast<std::ptrdiff_t>(all.size() / 2), all.end());
    return all[all.size() / 2];
  };
  return {middle(&Oklab::light), middle(&Oklab::a), middle(&Oklab::b)};
}

/// 1 where there is ground.
std::vector<char> groundIn(const std::vector<Oklab>& colours, Size size, double tolerance) {
  const double most = tolerance * tolerance;
  const auto rim = rimOf(size);
  const Oklab usual = usualOf(colours, rim, size);
  std::vector<char> ground(size.count());
  std::vector<std::pair<std::size_t, std::size_t>> open;  // a pixel, and where its way began
  for (const std::size_t i : rim)
    if (squaredDistance(colours[i], usual) <= 4 * most) {
      ground[i] = 1;
      open.push_back({i, i});
    }
  for (std::size_t next = 0; next < open.size(); ++next) {
    const auto [i, began] = open[next];
    size.eachBeside(i, [&, from = began](std::size_t n) {
      if (ground[n] || squaredDistance(colours[n], colours[from]) > most) return;
      ground[n] = 1;
      open.push_back({n, from});
    });
  }
  return ground;
}

/// Regions of either kind that are too small become what is around them.
void dropSpecks(std::vector<char>& ground, Size size) {
  const auto least = static_cast<std::size_t>(leastRegion * static_cast<double>(size.count()));
  std::vector<char> seen(ground.size());
  for (std::size_t start = 0; start < ground.size(); ++start) {
    if (seen[start]) continue;
    std::vector<std::size_t> region{start};
    seen[start] = 1;
    for (std::size_t next = 0; next < region.size(); ++next)
      size.eachBeside(region[next], [&](std::size_t n) {
        if (seen[n] || ground[n] != ground[start]) return;
        seen[n] = 1;
        region.push_back(n);
      });
    if (region.size() >= least) continue;
    const char other = ground[start] ? 0 : 1;
    for (const std::size_t i : region) ground[i] = other;
  }
}

/// How an outline runs between four pixels, from one side (0 above, 1 right, 2 below, 3 left) to another, clockwise
/// round what is subject; by which of them are: the upper left one counts 1, the upper right 2, the lower right 4, the
/// lower left 8.
constexpr std::pair<int, int> waysThrough[16][2] = {
    {},       {{0, 3}}, {{1, 0}},         {{1, 3}}, {{2, 1}}, {{0, 3}, {2, 1}}, {{2, 0}}, {{2, 3}},
    {{3, 2}}, {{0, 2}}, {{1, 0}, {3, 2}}, {{1, 2}}, {{3, 1}}, {{0, 1}},         {{3, 0}}, {}};

/// How much of what is around each pixel is subject: heights, whose line of one half is followed between pixels.
class Heights {
 public:
  Heights(const std::vector<char>& ground, Size size) : size_(size) {
    // Softened by a tent of three pixels, so that steps of the grid do not show.
    const auto subject = [&](int x, int y) {
      if (x < 0 || y < 0 || x >= size.width || y >= size.height) return 0.0;
      return ground[size.at(x, y)] ? 0.0 : 1.0;
    };
    for (int y = -1; y <= size.height; ++y)
      for (int x = -1; x <= size.width; ++x) {
        double sum = 0;
        for (int dy = -1; dy <= 1; ++dy)
          for (int dx = -1; dx <= 1; ++dx) sum += subject(x + dx, y + dy) * (dx == 0 ? 2 : 1) * (dy == 0 ? 2 : 1);
        // Beyond the edge there is none: an outline ends with the picture.
        const bool isBeyond = x < 0 || y < 0 || x >= size.width || y >= size.height;
        heights_.push_back(isBeyond ? 0 : sum / 16);
      }
  }
  double at(int x, int y) const { return heights_[static_cast<std::size_t>((y + 1) * (size_.width + 2) + x + 1)]; }

  /// The closed lines at one half, around what is higher.
  std::vector<std::vector<Point>> lines() const {
    // A crossing lies on the edge between two pixels' middles: of pixel (x, y) with its right or its lower neighbour.
    using Crossing = std::pair<int, int>;  // number of the pixel, 0 right or 1 below
    std::map<Crossing, std::vector<Crossing>> next;
    const int across = size_.width + 2;
    const auto number = [&](int x, int y) { return (y + 1) * across + x + 1; };
    for (int y = -1; y < size_.height; ++y)
      for (int x = -1; x < size_.width; ++x) {
        const bool a = at(x, y) > 0.5, b = at(x + 1, y) > 0.5, c = at(x + 1, y + 1) > 0.5, d = at(x, y + 1) > 0.5;
        const Crossing sides[] = {{number(x, y), 0}, {number(x + 1, y), 1}, {number(x, y + 1), 0}, {number(x, y), 1}};
        const int kind = (a ? 1 : 0) + (b ? 2 : 0) + (c ? 4 : 0) + (d ? 8 : 0);
        for (const auto& [from, to] : waysThrough[kind])
          if (from != to) next[sides[from]].push_back(sides[to]);
      }
    std::vector<std::vector<Point>> out;
    while (!next.empty()) {
      std::vector<Point> line;
      Crossing at = next.begin()->first;
      for (auto found = next.find(at); found != next.end(); found = next.find(at)) {
        line.push_back(placeOf(at));
        at = found->second.back();
        found->second.pop_back();
        if (found->second.empty()) next.erase(found);
      }
      if (line.size() > 2) out.push_back(std::move(line));
    }
    return out;
  }

 private:
  Point placeOf(std::pair<int, int> crossing) const {
    const int x = crossing.first % (size_.width + 2) - 1, y = crossing.first / (size_.width + 2) - 1;
    const int ox = crossing.second == 0 ? x + 1 : x, oy = crossing.second == 0 ? y : y + 1;
    const double from = at(x, y), to = at(ox, oy);
    const Point place = mix({x + 0.5, y + 0.5}, {ox + 0.5, oy + 0.5}, (0.5 - from) / (to - from));
    return {std::clamp(place.x, 0.0, double(size_.width)), std::clamp(place.y, 0.0, double(size_.height))};
  }
  Size size_;
  std::vector<double> heights_;
};

}  // namespace

Result<Outline> outOfGround(const PhotoLevel& level, const GroundCut& how) {
  if (level.image.isNull()) return problem("the photo cannot be decoded");
  // Without the border that levels have.
  const QImage picture = level.image.copy(level.image.rect().adjusted(1, 1, -1, -1));
  const Size size{picture.width(), picture.height()};
  if (size.width < 3 || size.height < 3) return problem("the picture is too small to have a ground");
  std::vector<char> ground = groundIn(coloursOf(picture), size, how.tolerance);
  dropSpecks(ground, size);
  const auto grounds = static_cast<std::size_t>(std::count(ground.begin(), ground.end(), 1));
  if (grounds == ground.size()) return problem("all of the picture is as even as its ground: try less tolerance");
  if (grounds == 0) return problem("no even ground reaches the picture's edges: try more tolerance");
  Outline out;
  for (const std::vector<Point>& line : Heights(ground, size).lines())
    if (auto contour = fittedStroke(line, true, how.smoothness)) out.contours.push_back(std::move(*contour));
  if (out.isEmpty()) return problem("nothing stands out of the ground");
  return transformed(out, level.toPixels * Affine::move({1, 1}));
}

}  // namespace widecut
