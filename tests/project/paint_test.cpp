// Colours, gradients, the tables of paint and effects, swatches and finishes.
#include <gtest/gtest.h>

#include <random>

#include "project/edits/colours.h"
#include "project/limits.h"
#include "project/paint_numbers.h"
#include "project/style_limits.h"
#include "sample.h"

namespace widecut {
namespace {

Colour anyColour(std::mt19937& random) {
  std::uniform_int_distribution<int> channel(0, 255);
  const auto one = [&] { return static_cast<std::uint8_t>(channel(random)); };
  return {one(), one(), one()};
}

int difference(Colour a, Colour b) {
  return std::max(
      {std::abs(a.red - b.red), std::abs(a.green - b.green), std::abs(a.blue - b.blue), std::abs(a.alpha - b.alpha)});
}

TEST(Colours, OklabHasThePublishedValues) {
  const Oklab white = oklabOf(Colour{255, 255, 255}), red = oklabOf(Colour{255, 0, 0});
  EXPECT_NEAR(white.light, 1, 1e-4);
  EXPECT_NEAR(white.a, 0, 1e-4);
  EXPECT_NEAR(red.light, 0.62796, 1e-4);
  EXPECT_NEAR(red.a, 0.22486, 1e-4);
  EXPECT_NEAR(red.b, 0.12585, 1e-4);
}

TEST(Colours, ComeBackFromOklabAndFromHueStrengthAndLight) {
  std::mt19937 random(1);
  for (int i = 0; i < 2000; ++i) {
    const Colour colour = anyColour(random);
    EXPECT_EQ(srgbOf(oklabOf(colour)), colour);
    EXPECT_LE(difference(srgbOf(oklchOf(colour)), colour), 1);
    EXPECT_TRUE(isInGamut(oklabOf(colour)));
  }
}

TEST(Colours, WhatIsTooStrongBecomesAsStrongAsItShows) {
  const Oklch wild{0.7, 0.4, 145};
  EXPECT_FALSE(isInGamut(oklabOf(wild)));
  const Oklch shown = oklchOf(srgbOf(wild));
  EXPECT_NEAR(shown.light, 0.7, 0.01);
  EXPECT_NEAR(shown.hueDeg, 145, 2);
  EXPECT_NEAR(shown.strength, mostStrength(0.7, 145), 0.01);
}

TEST(Colours, ContrastIsThatOfTheGuidelines) {
  EXPECT_NEAR(contrast({0, 0, 0}, {255, 255, 255}), 21, 1e-9);
  EXPECT_NEAR(contrast({0x77, 0x77, 0x77}, {255, 255, 255}), 4.48, 0.01);
  EXPECT_EQ(contrast({1, 2, 3}, {1, 2, 3}), 1);
}

TEST(Colours, LighterOnesKeepTheirHue) {
  const Colour base{0x2B, 0x5C, 0x9E}, light = lightened(base, 0.6), dark = lightened(base, -0.4);
  EXPECT_GT(oklchOf(light).light, oklchOf(base).light + 0.2);
  EXPECT_LT(oklchOf(dark).light, oklchOf(base).light - 0.1);
  EXPECT_NEAR(oklchOf(light).hueDeg, oklchOf(base).hueDeg, 3);
  EXPECT_EQ(lightened(base, 0), base);
}

TEST(Colours, AreReadWithTheirSwatch) {
  EXPECT_EQ(parseColour("#102030"), (Colour{16, 32, 48}));
  EXPECT_EQ(parseColour("#10203040 @7"), (Colour{16, 32, 48, 64, 7}));
  for (const char* bad : {"#10203", "102030", "#102030 @", "#102030 @0", "#102030 @70000", "#102030 @x", "#1020zz"})
    EXPECT_FALSE(parseColour(bad)) << bad;
}

/// Plain mixing between stops, as painters do it.
Colour plainly(const std::vector<GradientStop>& stops, double at) {
  for (std::size_t i = 1; i < stops.size(); ++i) {
    const auto &a = stops[i - 1], &b = stops[i];
    if (at > b.at || !(b.at > a.at)) continue;
    const double t = std::clamp((at - a.at) / (b.at - a.at), 0.0, 1.0);
    const auto one = [&](int x, int y) { return static_cast<std::uint8_t>(std::lround(x + (y - x) * t)); };
    return {one(a.colour.red, b.colour.red), one(a.colour.green, b.colour.green), one(a.colour.blue, b.colour.blue),
            one(a.colour.alpha, b.colour.alpha)};
  }
  return stops.back().colour;
}

TEST(Gradients, PlainStopsShowWhatIsMeantEverywhere) {
  std::mt19937 random(2);
  double worst = 0;
  for (int i = 0; i < 300; ++i) {
    std::vector<GradientStop> stops{{0, anyColour(random)}, {0.3, anyColour(random)}, {1, anyColour(random)}};
    stops[1].colour.alpha = static_cast<std::uint8_t>(random() % 256);
    const bool eased = i % 2 == 0;
    const auto plain = plainStops(stops, eased);
    for (double at = 0; at <= 1; at += 0.0137) {
      // Of what is see-through the colour counts as much as it covers.
      const Colour meant = colourAt(stops, eased, at), shown = plainly(plain, at);
      const double covers = meant.alpha / 255.0;
      worst = std::max({worst,
                        difference({meant.red, meant.green, meant.blue}, {shown.red, shown.green, shown.blue}) * covers,
                        std::abs(meant.alpha - shown.alpha) * 1.0});
    }
  }
  EXPECT_LE(worst, 3);
}

TEST(Gradients, TwoStopsAtOnePlaceAreAnEdge) {
  const std::vector<GradientStop> stops{{0, {255, 0, 0}}, {0.5, {255, 0, 0}}, {0.5, {0, 0, 255}}, {1, {0, 0, 255}}};
  EXPECT_EQ(colourAt(stops, false, 0.49), (Colour{255, 0, 0}));
  EXPECT_EQ(colourAt(stops, false, 0.51), (Colour{0, 0, 255}));
  EXPECT_EQ(plainStops(stops, false).size(), 4U);
}

Style everyPaint() {
  Style style;
  Gradient gradient;
  gradient.stops = twoStops({1, 2, 3}, {200, 100, 50});
  Gradient radial = gradient;
  radial.kind = GradientKind::Radial;
  style.fills = {Fill{Colour{9, 8, 7}}, Fill{gradient}, Fill{radial}, Fill{Hatch{}}};
  Line coloured = plainLine({4, 5, 6}, 3);
  coloured.colours = LineColours{gradient.stops, false};
  style.lines = {plainLine({1, 1, 1}, 2), coloured};
  return style;
}

TEST(PaintNumbers, EachCanBeSetOverItsWholeRangeAndReadBack) {
  const Style style = everyPaint();
  int seen = 0;
  for (const bool isLine : {false, true})
    for (std::size_t i = 0; isThere(style, {isLine, i}); ++i) {
      const PaintPlace place{isLine, i};
      for (const PaintNumber* number : numbersOf(style, place))
        for (const double share : {0.0, 0.25, 1.0}) {
          double value = number->number.least + share * (number->number.most - number->number.least);
          if (!number->number.isMeasure()) value = std::round(value);
          Style changed = style;
          number->set(changed, place, value);
          EXPECT_EQ(beyondStyle(changed), "") << number->number.name << " " << value;
          ++seen;
          const PaintNumber* after = paintNumber(changed, place, number->number.name);
          ASSERT_TRUE(after) << number->number.name;
          const double back = after->value(changed, place);
          if (number->number.kind == NumberKind::Angle)
            EXPECT_NEAR(std::remainder(back - value, 360), 0, 1e-9) << number->number.name;
          else
            EXPECT_NEAR(back, value, 1e-9) << number->number.name;
        }
    }
  EXPECT_GT(seen, 100);
}

TEST(PaintNumbers, FillsChangeTheirKindAndKeepTheirColour) {
  const Colour colour{0x2F, 0x7D, 0x4F};
  for (const FillKind kind : {FillKind::Gradient, FillKind::Lines, FillKind::Dots, FillKind::Colour}) {
    const Paint paint = asKind(colour, kind);
    EXPECT_EQ(fillKindOf(paint), kind);
    EXPECT_EQ(colourOf(paint), colour);
  }
}

TEST(PaintNumbers, PaintIsMovedRemovedAndHidden) {
  Style style = everyPaint();
  movePaint(style, {false, 0}, 3);
  EXPECT_EQ(kindOfPaint(style, {false, 3}), "colour");
  EXPECT_EQ(kindOfPaint(style, {false, 0}), "linear gradient");
  setShown(style, {true, 1}, false);
  EXPECT_FALSE(isShown(style, {true, 1}));
  removePaint(style, {true, 0});
  EXPECT_EQ(style.lines.size(), 1U);
  EXPECT_EQ(alikeIn(style, everyPaint(), {true, 0}), std::nullopt) << "there is none so far behind";
  EXPECT_EQ(alikeIn(style, everyPaint(), {true, 1}), (PaintPlace{true, 0}));
}

TEST(Effects, TheirTableIsInTheOrderOfTheKindsAndWithinItsRanges) {
  std::size_t i = 0;
  for (const EffectDeclaration& declared : effectKinds()) {
    EXPECT_EQ(static_cast<std::size_t>(declared.kind), i++);
    ASSERT_LE(declared.numbers.size(), mostEffectNumbers);
    Style style;
    for (std::size_t k = 0; k < declared.numbers.size(); ++k)
      for (const double value : {declared.numbers[k].least, declared.numbers[k].most, declared.numbers[k].usual}) {
        Effect effect = usualEffect(declared.kind);
        effect.numbers[k] = value;
        style.effects = {effect};
        EXPECT_EQ(beyondStyle(style), "") << declared.name;
        effect.numbers[k] = declared.numbers[k].most + 1;
        style.effects = {effect};
        EXPECT_NE(beyondStyle(style), "") << declared.name;
      }
  }
}

TEST(StyleLimits, NumbersThatAreNoneAreRefused) {
  const double nothing = std::nan("");
  const auto refused = [](auto change) {
    Style style = everyPaint();
    style.effects = {usualEffect(EffectKind::Shadow)};
    change(style);
    return !beyondStyle(style).empty();
  };
  EXPECT_FALSE(refused([](Style&) {}));
  EXPECT_TRUE(refused([&](Style& s) { std::get<Gradient>(s.fills[1].paint).from.x = nothing; }));
  EXPECT_TRUE(refused([&](Style& s) { std::get<Gradient>(s.fills[1].paint).stops[1].at = nothing; }));
  EXPECT_TRUE(refused([&](Style& s) { std::get<Gradient>(s.fills[1].paint).stops.resize(1); }));
  EXPECT_TRUE(refused([&](Style& s) { std::get<Hatch>(s.fills[3].paint).pitch = 0; }));
  EXPECT_TRUE(refused([&](Style& s) { s.lines[0].shape.dashes = {0, 0}; }));
  EXPECT_TRUE(refused([&](Style& s) { s.lines[0].shape.dashes = {nothing, 2}; }));
  EXPECT_TRUE(refused([&](Style& s) { s.lines[0].startShare = 2; }));
  EXPECT_TRUE(refused([&](Style& s) { s.effects[0].numbers[0] = nothing; }));
  EXPECT_TRUE(refused([&](Style& s) { s.effects[0].opacity = -0.1; }));
}

struct Finishes : testing::Test, Sample {
  const Style& styleOf(const Project& p, Id id) { return *findItem(p, id)->style; }
};

TEST_F(Finishes, ASwatchRepaintsAllThatHasIt) {
  std::uint16_t number = 0;
  Project p = withSwatch(project, "Rust", {200, 40, 30}, number);
  ASSERT_NE(number, 0);
  const Colour rust = swatchOf(p, number)->colour;
  p = withColourReplaced(p, {200, 40, 30}, rust);
  EXPECT_EQ(colourOf(styleOf(p, box)), rust);
  const ItemPtr untouched = findItem(p, disc);
  p = withSwatchColour(p, number, {1, 2, 3});
  EXPECT_EQ(colourOf(styleOf(p, box)), (Colour{1, 2, 3, 255, number}));
  EXPECT_EQ(findItem(p, disc), untouched) << "what has another colour is the same node";
  p = withSwatchName(p, number, "Ink");
  EXPECT_EQ(swatchOf(p, number)->name, "Ink");
  p = withoutSwatch(p, number);
  EXPECT_TRUE(p.swatches.empty());
  EXPECT_EQ(colourOf(styleOf(p, box)), (Colour{1, 2, 3})) << "its colour stays";
}

TEST_F(Finishes, WhatComesFromElsewhereHasNoSwatchThatIsAnotherOneHere) {
  std::uint16_t number = 0;
  Project p = withSwatch(project, "Rust", {200, 40, 30}, number);
  p = withColourReplaced(p, {200, 40, 30}, swatchOf(p, number)->colour);
  const ItemPtr painted = findItem(p, box);
  ASSERT_EQ(swatchesIn(std::vector<ItemPtr>{painted}).size(), 1U);
  std::vector<Id> made;
  const Project same = withCopiesOnTop(p, sheet, std::vector<ItemPtr>{painted}, {}, made);
  EXPECT_EQ(colourOf(styleOf(same, made[0]))->swatch, number);
  const Project repainted = withSwatchColour(p, number, {1, 2, 3});
  made.clear();
  const Project other = withCopiesOnTop(repainted, sheet, std::vector<ItemPtr>{painted}, {}, made);
  EXPECT_EQ(*colourOf(styleOf(other, made[0])), (Colour{200, 40, 30}));
}

TEST_F(Finishes, AColourIsReplacedInGradientsLinesEffectsPartsAndPaper) {
  const Colour from{11, 22, 33}, to{44, 55, 66};
  Project p = withStyle(project, std::vector<Id>{box}, [&](Style& style) {
    Gradient gradient;
    gradient.stops = twoStops(from, {0, 0, 0});
    style.fills = {Fill{gradient}};
    style.lines = {plainLine(from, 2)};
    Effect glow = usualEffect(EffectKind::Glow);
    glow.colour = from;
    style.effects = {glow};
  });
  p = withSheet(p, sheet, [&](const Sheet& before) {
    Sheet after = before;
    after.paper = from;
    return after;
  });
  const auto uses = [&](Colour colour) {
    for (const UsedColour& used : usedColours(p))
      if (used.colour == colour) return used.uses;
    return 0;
  };
  EXPECT_EQ(uses(from), 3);
  p = withColourReplaced(p, from, to);
  EXPECT_EQ(uses(from), 0);
  EXPECT_EQ(uses(to), 3);
  EXPECT_EQ(sheetOf(p).paper, to);
}

TEST_F(Finishes, AFinishIsLaidOnAndReplacedEverywhereButPhotosStay) {
  addPhoto(300, 200);
  Project p = withPhotoIn(project, disc, photo);
  p = withStyle(p, std::vector<Id>{box}, [](Style& style) {
    style.effects = {usualEffect(EffectKind::Shadow)};
    style.lines = {plainLine({1, 2, 3}, 4)};
  });
  const Style finish = finishOf(styleOf(p, box));
  p = withFinishOn(p, std::vector<Id>{disc}, finish);
  EXPECT_TRUE(pictureOf(styleOf(p, disc)));
  EXPECT_EQ(styleOf(p, disc).effects.size(), 1U);
  EXPECT_TRUE(isSameFinish(styleOf(p, disc), styleOf(p, box)));
  EXPECT_EQ(usesOfFinish(p, finish), 2);
  Style other = finish;
  other.effects.clear();
  p = withFinishReplaced(p, finish, other);
  EXPECT_EQ(usesOfFinish(p, finish), 0);
  EXPECT_EQ(usesOfFinish(p, other), 2);
  EXPECT_TRUE(pictureOf(styleOf(p, disc)));
}

TEST_F(Finishes, APanelBehindIsReleasedAsAnItem) {
  Project p = withStyle(project, std::vector<Id>{disc}, [](Style& style) {
    Effect panel = usualEffect(EffectKind::PanelBehind);
    panel.numbers = {5, 0, 0, 0};
    style.effects = {usualEffect(EffectKind::Glow), panel};
  });
  Id made = 0;
  EXPECT_EQ(withEffectReleased(p, disc, 0, made).nextId, p.nextId) << "a glow is no item";
  p = withEffectReleased(p, disc, 1, made);
  ASSERT_NE(made, 0U);
  ASSERT_EQ(sheetOf(p).items.size(), 3U);
  EXPECT_EQ(sheetOf(p).items[1]->id, made) << "right behind it";
  EXPECT_EQ(styleOf(p, disc).effects.size(), 1U);
  const ItemPtr panel = findItem(p, made);
  EXPECT_NEAR(panel->position.x, 100, 1e-9);
  EXPECT_EQ(beyondLimits(p, nullptr), std::nullopt);
}

TEST_F(Finishes, FillAndLineChangePlacesWithTheirColours) {
  Project p = withStyle(project, std::vector<Id>{box}, [](Style& style) {
    Gradient gradient;
    gradient.stops = twoStops({1, 1, 1}, {9, 9, 9});
    style.fills = {Fill{gradient}};
    setLine(style, plainLine({200, 0, 0}, 5));
  });
  p = withPaintSwapped(p, std::vector<Id>{box}, 1);
  EXPECT_EQ(colourOf(styleOf(p, box)), (Colour{200, 0, 0}));
  ASSERT_TRUE(lineOf(styleOf(p, box))->colours);
  EXPECT_EQ(lineOf(styleOf(p, box))->shape.width, 5);
  p = withPaintSwapped(p, std::vector<Id>{box}, 1);
  EXPECT_TRUE(std::holds_alternative<Gradient>(styleOf(p, box).fills[0].paint));
  EXPECT_EQ(lineOf(styleOf(p, box))->colour, (Colour{200, 0, 0}));
}

}  // namespace
}  // namespace widecut
