#include "storage/svg_in.h"

#include <gtest/gtest.h>

#include <fstream>

#include "media/photo.h"
#include "output/svg.h"
#include "project/forms/words.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "scene/scene.h"
#include "storage/project_file.h"

namespace widecut {
namespace {

std::vector<Item> itemsOf(const std::string& inside, const std::string& attributes = "") {
  const auto shapes = shapesFromSvg("<svg xmlns='http://www.w3.org/2000/svg' " + attributes + ">" + inside + "</svg>");
  EXPECT_TRUE(shapes) << shapes.error().message;
  return shapes ? shapes->items : std::vector<Item>{};
}
double area(const Item& item) { return std::abs(signedArea(resolved(item)->outline)); }
std::string problemOf(const std::string& text) {
  const auto shapes = shapesFromSvg(text);
  return shapes ? "" : shapes.error().message;
}

TEST(SvgIn, UnitsAreNinetySixAnInch) {
  const auto items = itemsOf("<rect x='96' y='0' width='192' height='96'/>");
  ASSERT_EQ(items.size(), 1U);
  const Box box = boxInParent(items[0]);
  EXPECT_NEAR(box.low.x, 72, 1e-9);
  EXPECT_NEAR(box.width(), 144, 1e-9);
  EXPECT_NEAR(box.height(), 72, 1e-9);
  // A view box of other units.
  const auto scaled = itemsOf("<rect width='10' height='10'/>", "width='25.4mm' height='25.4mm' viewBox='0 0 10 10'");
  EXPECT_NEAR(boxInParent(scaled[0]).width(), 72, 1e-6);
}

TEST(SvgIn, EveryPlainShapeIsRead) {
  const auto items = itemsOf(
      "<rect width='40' height='20' rx='5'/><circle cx='9' cy='9' r='8'/><ellipse rx='10' ry='4'/>"
      "<polygon points='0,0 8,0 8,8'/><polyline points='0,0 8,0 8,8' fill='none' stroke='red'/>"
      "<line x2='30' y2='40' stroke='#00f'/><path id='leaf' d='M0 0Q9 9 0 20Z'/>");
  ASSERT_EQ(items.size(), 7U);
  const double unit = 0.75 * 0.75;
  EXPECT_NEAR(area(items[0]), (800 - (4 - 3.14159265) * 25) * unit, 0.05);
  EXPECT_NEAR(area(items[1]), 3.14159265 * 64 * unit, 0.05);
  EXPECT_NEAR(area(items[3]), 32 * unit, 1e-9);
  EXPECT_FALSE(resolved(items[4])->outline.contours[0].closed) << "a polyline without a fill stays open";
  EXPECT_EQ(items[4].style->lines.size(), 1U);
  EXPECT_TRUE(items[4].style->fills.empty());
  EXPECT_EQ(items[6].name, "leaf");
}

TEST(SvgIn, ColoursComeFromAttributesStylesAndRules) {
  const auto items = itemsOf(
      "<style>.a{fill:#0a141e} rect,#x{stroke:rgb(1, 2, 3)}</style>"
      "<g fill='lime' stroke-width='4'><rect class='a' width='9' height='9'/>"
      "<circle id='x' r='4' style='fill:rgba(10,20,30,0.5)'/><circle r='4' opacity='0.25'/></g>");
  ASSERT_EQ(items.size(), 1U);
  const auto& members = childrenOf(items[0]);
  ASSERT_EQ(members.size(), 3U);
  EXPECT_EQ(colourOf(*members[0]->style), (Colour{10, 20, 30}));
  ASSERT_TRUE(lineOf(*members[0]->style));
  EXPECT_EQ(lineOf(*members[0]->style)->colour, (Colour{1, 2, 3}));
  EXPECT_NEAR(lineOf(*members[0]->style)->shape.width, 3, 1e-9);
  EXPECT_EQ(colourOf(*members[1]->style)->alpha, 128);
  EXPECT_EQ(colourOf(*members[2]->style), (Colour{0, 255, 0}));
  EXPECT_EQ(members[2]->style->opacity, 0.25);
}

TEST(SvgIn, TransformsAreAppliedFromTheOutside) {
  const auto items =
      itemsOf("<g transform='translate(10,20) scale(2)'><rect transform='rotate(90)' width='8' height='4'/></g>");
  const Box box = boxInParent(items[0]);
  EXPECT_NEAR(box.low.x, (10 - 8) * 0.75, 1e-9);
  EXPECT_NEAR(box.low.y, 20 * 0.75, 1e-9);
  EXPECT_NEAR(box.height(), 16 * 0.75, 1e-9);
}

TEST(SvgIn, EvenOddHolesStayHoles) {
  const auto items = itemsOf("<path fill-rule='evenodd' d='M0 0H20V20H0ZM5 5H15V15H5Z'/>");
  EXPECT_NEAR(area(items[0]), 300 * 0.75 * 0.75, 1e-6);
  EXPECT_FALSE(isInside(resolved(items[0])->outline, FillRule::Nonzero, {}));
}

TEST(SvgIn, UsesRepeatWhatTheyName) {
  const auto items = itemsOf(
      "<defs><symbol id='s'><rect width='4' height='4'/></symbol></defs><use href='#s'/><use xlink:href='#s' x='40'/>",
      "xmlns:xlink='http://www.w3.org/1999/xlink'");
  ASSERT_EQ(items.size(), 2U);
  EXPECT_NEAR(boxInParent(items[1]).low.x - boxInParent(items[0]).low.x, 30, 1e-9);
  EXPECT_NE(problemOf("<svg><g id='a'><use href='#a'/></g></svg>"), "") << "a use of itself ends with a word";
  // Each level twice ten of the next: 10^15 uses of nothing.
  std::string many = "<svg>";
  for (char c = 'a'; c < 'p'; ++c) {
    many += std::string("<g id='") + c + "'>";
    for (int i = 0; i < 10; ++i) many += std::string("<use href='#") + static_cast<char>(c + 1) + "'/>";
    many += "</g>";
  }
  EXPECT_NE(problemOf(many + "</svg>").find("100000 elements"), std::string::npos);
}

TEST(SvgIn, TextBecomesWords) {
  const auto items = itemsOf(
      "<text x='20' y='40' font-family=\"'EB Garamond', serif\" font-size='40' font-weight='bold' "
      "text-anchor='middle' fill='navy'>Skarrow<tspan y='90'>Peak</tspan></text>");
  ASSERT_EQ(items.size(), 1U);
  const Words* words = wordsOf(items[0]);
  ASSERT_TRUE(words);
  EXPECT_EQ(words->content().text, "Skarrow\nPeak");
  EXPECT_EQ(words->content().style.face.family, "EB Garamond");
  EXPECT_EQ(words->content().style.face.weight, 700);
  EXPECT_NEAR(words->content().style.size, 30, 1e-9);
  EXPECT_EQ(words->content().style.align, Align::Centre);
  EXPECT_NEAR(items[0].position.y, 30, 1e-9);
}

TEST(SvgIn, WhatCannotBeTakenOverIsSaid) {
  const auto shapes = shapesFromSvg(
      "<svg><linearGradient id='g'><stop stop-color='#102030'/></linearGradient>"
      "<rect width='9' height='9' fill='url(#g)' clip-path='url(#c)'/><image/></svg>");
  ASSERT_TRUE(shapes);
  EXPECT_EQ(colourOf(*shapes->items[0].style), (Colour{0x10, 0x20, 0x30}));
  EXPECT_EQ(shapes->notes.size(), 3U);
}

TEST(SvgIn, WhatIsBrokenIsRefusedWithItsPlace) {
  EXPECT_NE(problemOf("<svg><rect").find("at byte"), std::string::npos);
  EXPECT_NE(problemOf("<html/>").find("no SVG"), std::string::npos);
  EXPECT_NE(problemOf("<svg/>").find("no shapes"), std::string::npos);
  EXPECT_NE(problemOf("<svg><path id='p' d='M0 0L'/></svg>").find("“p”"), std::string::npos);
  EXPECT_NE(problemOf(""), "");
  EXPECT_NE(problemOf("<svg><text transform='scale(1e300)'>far</text></svg>").find("too far"), std::string::npos);
  EXPECT_NE(problemOf("<svg><rect width='1e308' height='1e308' transform='scale(1e300)'/></svg>"), "");
}

TEST(SvgIn, OurOwnDrawingComesBackAsItWas) {
  const auto demo = openProject(DEMO_PROJECT);
  ASSERT_TRUE(demo);
  PhotoStore photos;
  std::vector<std::string> notes;
  // The words of a sheet, which are paths there.
  Sheet sheet = *sheetsOf(*demo).front();
  ItemList words;
  for (const ItemPtr& item : sheet.items)
    if (wordsOf(*item)) words.push_back(item);
  sheet.items = words;
  const auto svg = svgOf(sceneOf(sheet), photos, Ground::Transparent, notes);
  ASSERT_TRUE(svg);
  const auto shapes = shapesFromSvg(*svg);
  ASSERT_TRUE(shapes) << shapes.error().message;
  Box before, after;
  double inkBefore = 0, inkAfter = 0;
  for (const ItemPtr& item : words) {
    before.add(bounds(transformed(resolved(*item)->outline, item->toParent())));
    inkBefore += area(*item);
  }
  for (const Item& item : shapes->items) {
    after.add(boxInParent(item));
    inkAfter += area(item);
  }
  EXPECT_NEAR(distance(before.low, after.low) + distance(before.high, after.high), 0, 0.01);
  EXPECT_NEAR(inkBefore, inkAfter, inkBefore * 1e-4);
}

}  // namespace
}  // namespace widecut
