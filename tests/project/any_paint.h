// Paint at random: every kind of fill, line and effect, within what people make.
#pragma once

#include <random>

#include "project/paint_numbers.h"

namespace widecut {

class AnyPaint {
 public:
  explicit AnyPaint(std::mt19937& random) : random_(random) {}

  double number(double low, double high) { return std::uniform_real_distribution<double>(low, high)(random_); }
  int whole(int low, int high) { return std::uniform_int_distribution<int>(low, high)(random_); }
  bool chance(double share) { return number(0, 1) < share; }

  Colour colour(double seeThrough = 0.3) {
    const auto one = [&] { return static_cast<std::uint8_t>(whole(0, 255)); };
    return {one(), one(), one(), chance(seeThrough) ? static_cast<std::uint8_t>(whole(60, 254)) : std::uint8_t{255}};
  }
  Blend blend(double mixed = 0.3) { return chance(mixed) ? static_cast<Blend>(whole(1, 15)) : Blend::Normal; }
  std::vector<GradientStop> stops(double seeThrough = 0.3) {
    std::vector<GradientStop> out{{0, colour(seeThrough)}};
    for (int i = whole(0, 2); i > 0; --i) out.push_back({number(out.back().at, 1), colour(seeThrough)});
    out.push_back({1, colour(seeThrough)});
    return out;
  }
  Gradient gradient(bool conical = true) {
    Gradient out;
    out.kind = static_cast<GradientKind>(whole(0, conical ? 2 : 1));
    out.reach = static_cast<Reach>(whole(0, 2));
    out.from = {number(0, 0.6), number(0, 0.6)};
    out.to = {number(0.65, 1), number(0.3, 1)};
    out.across = number(0.4, 1.6);
    out.stops = stops();
    out.eased = chance(0.5);
    return out;
  }
  Hatch hatch() {
    return {chance(0.5) ? HatchKind::Lines : HatchKind::Dots, colour(), number(3, 12), number(0.2, 0.8),
            number(0, 180)};
  }
  Fill fill() {
    Fill out;
    const int kind = whole(0, 3);
    if (kind == 0) out.paint = colour();
    if (kind == 1 || kind == 2) out.paint = gradient();
    if (kind == 3) out.paint = hatch();
    out.opacity = chance(0.3) ? number(0.3, 1) : 1;
    out.blend = blend();
    return out;
  }
  Line line() {
    Line out = plainLine(colour(), number(0.5, 9));
    out.shape.alignment = static_cast<Alignment>(whole(0, 2));
    out.shape.join = static_cast<Join>(whole(0, 2));
    out.shape.cap = static_cast<Cap>(whole(0, 2));
    if (chance(0.3)) out.shape.dashes = {number(4, 20), number(3, 10)};
    if (chance(0.2)) out.startShare = number(0, 1);
    if (chance(0.25)) out.colours = LineColours{stops(), chance(0.5)};
    out.opacity = chance(0.3) ? number(0.3, 1) : 1;
    out.blend = blend(0.15);
    return out;
  }
  Effect effect(int kind = -1) {
    Effect out = usualEffect(kind < 0 ? static_cast<EffectKind>(whole(0, 9)) : static_cast<EffectKind>(kind));
    const auto numbers = declarationOf(out.kind).numbers;
    for (std::size_t i = 0; i < numbers.size(); ++i) {
      const StarterNumber& n = numbers[i];
      if (n.kind == NumberKind::Length) out.numbers[i] = number(std::max(0.5, n.least), std::min(n.most, 16.0));
      if (n.kind == NumberKind::Angle) out.numbers[i] = number(-180, 180);
      if (n.kind == NumberKind::Choice) out.numbers[i] = whole(0, static_cast<int>(n.most));
      if (n.kind == NumberKind::Share) out.numbers[i] = number(0.2, std::min(n.most, 2.0));
    }
    if (declarationOf(out.kind).hasColour) out.colour = colour(0.2);
    out.opacity = number(0.3, 1);
    out.blend = blend(0.25);
    return out;
  }
  void paint(Style& style) {
    std::erase_if(style.fills, [](const Fill& f) { return !isPicture(f); });
    for (int i = whole(0, 2); i > 0; --i) style.fills.push_back(fill());
    style.lines.clear();
    for (int i = whole(0, 2); i > 0; --i) style.lines.push_back(line());
    style.effects.clear();
    for (int i = whole(0, 2); i > 0; --i) style.effects.push_back(effect());
    style.opacity = chance(0.3) ? number(0.3, 1) : 1;
    style.blend = blend(0.2);
  }

 private:
  std::mt19937& random_;
};

}  // namespace widecut
