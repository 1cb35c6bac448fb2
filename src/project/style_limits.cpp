#include "project/style_limits.h"

#include <algorithm>
#include <cmath>

#include "project/limits.h"

namespace widecut {
namespace {

bool isWithin(double v, double low, double high) { return v >= low && v <= high; }  // false for what is not a number

/// The first problem that is found stays.
class Finder {
 public:
  void need(bool isWell, const char* what) {
    if (!isWell && found.empty()) found = what;
  }
  void stops(const std::vector<GradientStop>& stops) {
    need(stops.size() >= 2 && stops.size() <= limits::mostStops, "a gradient has from 2 to 100 stops");
    double last = 0;
    for (const GradientStop& stop : stops) {
      need(isWithin(stop.at, last, 1), "the stops of a gradient ascend from 0 to 100 %");
      last = stop.at;
    }
  }
  void paint(const Paint& paint) {
    if (const auto* picture = std::get_if<Picture>(&paint)) {
      const Framing& f = picture->framing;
      need(isPlace(f.centre) && isTurn(f.turn), "its photo would lie too far away");
      need(isWithin(f.pointsPerPixel, limits::leastPixel, limits::mostPixel), "its photo would be scaled too far");
      if (picture->adjustments) adjustments(*picture->adjustments);
      if (picture->playing) playing(*picture->playing, picture->medium->video.get());
    }
    if (const auto* gradient = std::get_if<Gradient>(&paint)) {
      stops(gradient->stops);
      for (const double v : {gradient->from.x, gradient->from.y, gradient->to.x, gradient->to.y})
        need(isWithin(v, -limits::mostGradient, limits::mostGradient), "a gradient would end too far away");
      need(isWithin(gradient->across, 0.001, limits::mostGradient), "a gradient is from 0.1 to 100000 % wide");
    }
    if (const auto* hatch = std::get_if<Hatch>(&paint)) {
      need(isWithin(hatch->pitch, limits::leastPitch, limits::mostLine), "a pitch is from 0.05 to 10000 points");
      need(isWithin(hatch->share, 0, 1.5), "lines and dots are from 0 to 150 % of their pitch wide");
      need(isWithin(hatch->turnDeg, -360, 360), "a hatch is turned by 360° at most");
    }
  }
  void level(const FillLevel& level) {
    need(isWithin(level.share, 0, 1), "a level is from 0 to 100 %");
    if (!level.line) return;
    const Outline line{{*level.line}};
    need(storedNodes(line) <= limits::mostLevelNodes, "the line of a level has 1000 nodes at most");
    const Box box = bounds(line);
    constexpr double far = limits::mostGradient;
    need(isFinite(line) && isWithin(box.low.x, -far, far) && isWithin(box.low.y, -far, far) &&
             isWithin(box.high.x, -far, far) && isWithin(box.high.y, -far, far),
         "the line of a level would lie too far away");
  }
  void adjustments(const Adjustments& adjustments) {
    const auto numbers = adjustmentNumbers();
    for (std::size_t i = 0; i < numbers.size(); ++i)
      if (!isWithin(adjustments.numbers[i], numbers[i].least, numbers[i].most) && found.empty())
        found = "the " + std::string(numbers[i].name) + " of its photo is beyond its range";
  }
  void playing(const Playing& playing, const Video* video) {
    const double end = video ? video->seconds : limits::mostSeconds;
    need(isWithin(playing.from, 0, end) && isWithin(playing.to.value_or(end), playing.from, end) &&
             playing.to.value_or(end) > playing.from,
         "its video would not begin before it ends, within its length");
    need(isWithin(playing.speed, limits::leastSpeed, limits::mostSpeed), "a video plays from 0.1 to 8 times as fast");
  }
  void line(const Line& line) {
    need(isWithin(line.shape.width, limits::leastLine, limits::mostLine),
         "a line is from 0.000001 to 10000 points wide");
    need(isWithin(line.shape.mitreLimit, 1, 1000), "a mitre's limit is from 1 to 1000");
    need(isWithin(line.opacity, 0, 1), "an opacity is from 0 to 100 %");
    need(isWithin(line.startShare, 0, 1) && isWithin(line.endShare, 0, 1), "a line's ends are from 0 to 100 % as wide");
    need(isWithin(line.shape.dashStart, -limits::mostLine, limits::mostLine), "dashes begin within 10000 points");
    if (found.empty()) found = beyondDashes(line.shape.dashes);
    if (line.colours) stops(line.colours->stops);
  }
  void effect(const Effect& effect) {
    need(isWithin(effect.opacity, 0, 1), "an opacity is from 0 to 100 %");
    const auto numbers = declarationOf(effect.kind).numbers;
    for (std::size_t i = 0; i < numbers.size(); ++i)
      if (!isWithin(effect.numbers[i], numbers[i].least, numbers[i].most) && found.empty())
        found = "the " + std::string(numbers[i].name) + " of its " + std::string(declarationOf(effect.kind).name) +
                " is beyond what can be";
  }
  std::string found;
};

}  // namespace

std::string beyondDashes(const std::vector<double>& dashes) {
  if (dashes.empty()) return {};
  double sum = 0;
  for (const double length : dashes) {
    if (!isWithin(length, 0, limits::mostLine)) return "a dash, or a gap, is from 0 to 10000 points long";
    sum += length;
  }
  if (dashes.size() > limits::mostDashes) return "dashes have 100 lengths at most";
  return sum >= limits::leastDashes ? std::string() : "dashes are 0.01 points long together at least";
}

std::string beyondStyle(const Style& style) {
  Finder finder;
  finder.need(isWithin(style.opacity, 0, 1), "an opacity is from 0 to 100 %");
  finder.need(style.fills.size() <= limits::mostStrips && style.lines.size() <= limits::mostStrips &&
                  style.effects.size() <= limits::mostStrips,
              "an item has 100 fills, lines and effects at most");
  for (const Fill& fill : style.fills) {
    finder.need(isWithin(fill.opacity, 0, 1), "an opacity is from 0 to 100 %");
    finder.paint(fill.paint);
    if (fill.level) finder.level(*fill.level);
  }
  for (const Line& line : style.lines) finder.line(line);
  for (const Effect& effect : style.effects) finder.effect(effect);
  return std::move(finder.found);
}

}  // namespace widecut
