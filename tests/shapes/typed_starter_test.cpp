#include "shapes/typed_starter.h"

#include <gtest/gtest.h>

namespace widecut {
namespace {

TypedStarter typed(const char* text) {
  const auto result = parseTyped(text, Unit::Millimetre, nullptr);
  EXPECT_TRUE(result) << text << ": " << (result ? "" : result.error().message);
  return result.value_or(TypedStarter{starterKind("box"), {}, {}, {0}, false});
}

TEST(TypedStarter, ANameAloneIsTheUsualOne) {
  EXPECT_EQ(typed("star").kind->name, "star");
  EXPECT_EQ(typed(" Speech Balloon ").kind->name, "speech balloon");
  EXPECT_EQ(typed("wave panel").kind->name, "wave panel") << "not the wave, which begins like it";
  EXPECT_FALSE(typed("star").saysMore);
}

TEST(TypedStarter, SizesHaveUnits) {
  for (const char* text : {"box 50 x 75", "box 50x75", "box 50 mm x 7.5cm", "box 50 × 75 mm"}) {
    const TypedStarter box = typed(text);
    EXPECT_NEAR(*box.width, 50 * pointsPerMillimetre, 1e-9) << text;
    EXPECT_NEAR(*box.height, 75 * pointsPerMillimetre, 1e-9) << text;
  }
  EXPECT_NEAR(*typed("box 96px x 96 px").width, 72, 1e-9);
}

TEST(TypedStarter, NumbersAreCountedOrNamed) {
  EXPECT_EQ(typed("polygon 20").numbers[0], 20);
  EXPECT_EQ(typed("polygon 3").numbers[0], 3);
  const TypedStarter star = typed("star 7 depth 25, soft tips=40 %");
  EXPECT_EQ(star.numbers[0], 7);
  EXPECT_NEAR(star.numbers[1], 0.25, 1e-12);
  EXPECT_NEAR(star.numbers[3], 0.4, 1e-12);
  const TypedStarter bars = typed("bars 60x40 bars 8 gap 2.5");
  EXPECT_EQ(bars.numbers[0], 8);
  EXPECT_NEAR(bars.numbers[1], 2.5 * pointsPerMillimetre, 1e-9);
  EXPECT_NEAR(*bars.width, 60 * pointsPerMillimetre, 1e-9);
  EXPECT_EQ(typed("puzzle piece left hole").numbers[3], 2);
  EXPECT_EQ(typed("wave panel top").numbers[3], 1);
  EXPECT_EQ(typed("even spiral 4.5 thickness 30").numbers[0], 4.5) << "turns are no per cents";
}

TEST(TypedStarter, ACountAndASizeAreToldApart) {
  const auto millimetres = [](const TypedStarter& typed) { return typed.width.value_or(0) / pointsPerMillimetre; };
  EXPECT_NEAR(millimetres(typed("hexagon 50 mm")), 50, 1e-9);
  EXPECT_NEAR(millimetres(typed("hexagon 50")), 50, 1e-9) << "its corners are said";
  EXPECT_EQ(typed("hexagon 50").numbers[0], 6);
  EXPECT_NEAR(millimetres(typed("polygon 5cm")), 50, 1e-9);
  for (const char* text : {"star 7 60", "star 7 60 mm", "star 7 60 x 40"}) {
    EXPECT_EQ(typed(text).numbers[0], 7) << text;
    EXPECT_NEAR(millimetres(typed(text)), 60, 1e-9) << text;
  }
  EXPECT_FALSE(typed("star 7").width);
  EXPECT_NEAR(millimetres(typed("box 40 mm")), 40, 1e-9);
  EXPECT_NEAR(millimetres(typed("heart 60")), 60, 1e-9) << "and no share of it";
  EXPECT_NEAR(millimetres(typed("heart 6 cm")), 60, 1e-9);
  const auto inPixels = parseTyped("bolt 60 x 90 mm", Unit::Pixel, nullptr);
  ASSERT_TRUE(inPixels);
  EXPECT_NEAR(millimetres(*inPixels), 60, 1e-9) << "the unit is that of both";
}

TEST(TypedStarter, WhatIsWrongIsSaid) {
  const auto says = [](const char* text) {
    const auto result = parseTyped(text, Unit::Millimetre, nullptr);
    return result ? std::string() : result.error().message;
  };
  EXPECT_NE(says("sta 5").find("no shape called “sta”"), std::string::npos);
  EXPECT_NE(says("polygon 2").find("from 3 to 400"), std::string::npos);
  EXPECT_NE(says("box 0 x 5").find("above 0"), std::string::npos);
  EXPECT_NE(says("ellipse 5 by").find("neither a size"), std::string::npos);
  EXPECT_NE(says("star depth").find("depth"), std::string::npos);
  const auto begun = parseTyped("sta 6", Unit::Millimetre, starterKind("star"));
  ASSERT_TRUE(begun);
  EXPECT_EQ(begun->numbers[0], 6);
}

}  // namespace
}  // namespace widecut
