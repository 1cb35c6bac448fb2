#include "geometry/measure.h"

#include <gtest/gtest.h>

namespace widecut {
namespace {

constexpr double mm = 72 / 25.4;

double millimetres(const char* text, double before = 0) {
  const auto value = parseMeasure(text, Unit::Millimetre, before);
  EXPECT_TRUE(value) << text;
  return value ? *value / mm : -1;
}

TEST(Measure, TakesUnitsAndSums) {
  EXPECT_NEAR(millimetres("50"), 50, 1e-9);
  EXPECT_NEAR(millimetres("50mm + 1/8in"), 50 + 25.4 / 8, 1e-9);
  EXPECT_NEAR(millimetres("1/3 of 297mm"), 99, 1e-9);
  EXPECT_NEAR(millimetres("297/3 mm"), 99, 1e-9);
  EXPECT_NEAR(millimetres("2*(3+4)"), 14, 1e-9);
  EXPECT_NEAR(millimetres("72pt"), 25.4, 1e-9);
  EXPECT_NEAR(millimetres("10mm + 5"), 15, 1e-9);
  EXPECT_NEAR(millimetres("2.5e-1mm"), 0.25, 1e-9) << "as programs write numbers";
}

TEST(Measure, ChangesTheOldValue) {
  EXPECT_NEAR(millimetres("+=3", 10 * mm), 13, 1e-9);
  EXPECT_NEAR(millimetres("-=1cm", 30 * mm), 20, 1e-9);
  EXPECT_NEAR(millimetres("*2", 10 * mm), 20, 1e-9);
  EXPECT_NEAR(millimetres("/4", 10 * mm), 2.5, 1e-9);
}

TEST(Measure, ShareOfALengthIsOfWhatItWas) {
  EXPECT_NEAR(*parseMeasure("50%", Unit::Millimetre, 80), 40, 1e-12);
  EXPECT_NEAR(*parseMeasure("100% + 3pt", Unit::Pixel, 80), 83, 1e-12);
  EXPECT_NEAR(*parseMeasure("*50%", Unit::Millimetre, 80), 40, 1e-12);
  EXPECT_EQ(*parseMeasure("50%", Unit::Plain, 80), 50) << "where per cent are the field's own";
  EXPECT_FALSE(parseMeasure("50°", Unit::Millimetre, 80));
  EXPECT_FALSE(parseMeasure("50%", Unit::Millimetre, 0)) << "of nothing";
}

TEST(Measure, RefusesWhatIsNoNumber) {
  for (const char* text : {"", "abc", "5 5", "1/0", "(3", "+=", "1e999", "nan", "5mm)", "--"})
    EXPECT_FALSE(parseMeasure(text, Unit::Millimetre, 1)) << text;
}

TEST(Measure, IsShownWithFewDecimals) {
  EXPECT_EQ(measureText(99 * mm, Unit::Millimetre), "99 mm");
  EXPECT_EQ(measureText(-0.0001, Unit::Point), "0 pt");
  EXPECT_EQ(measureText(1.0 / 3, Unit::Plain), "0.33");
}

TEST(Measure, BareNumbersAreInTheFieldsUnit) {
  EXPECT_NEAR(*parseMeasure("2", Unit::Inch, 0), 144, 1e-12);
  EXPECT_NEAR(*parseMeasure("1", Unit::Centimetre, 0), 10 * pointsPerMillimetre, 1e-12);
  EXPECT_EQ(*parseMeasure("300", Unit::Pixel, 0), 225);
  EXPECT_EQ(*parseMeasure("300px + 15", Unit::Point, 0), 240);
}

TEST(Measure, EveryUnitIsWrittenAndFoundByItsName) {
  for (const Unit unit : {Unit::Millimetre, Unit::Centimetre, Unit::Inch, Unit::Point, Unit::Pixel}) {
    EXPECT_EQ(unitNamed(nameOf(unit)), unit);
    const std::string text = measureText(72, unit, 4);
    EXPECT_NEAR(*parseMeasure(text, Unit::Point, 0), 72, 1e-2) << text;
  }
  EXPECT_FALSE(unitNamed("furlong"));
  EXPECT_FALSE(unitNamed(""));
  EXPECT_EQ(measureText(225, Unit::Pixel), "300 px");
}

}  // namespace
}  // namespace widecut
