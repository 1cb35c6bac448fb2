#include "words/font_library.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <set>

#include "words/bundled_fonts.h"

namespace widecut {
namespace {

TEST(Fonts, TheProgramsOwnComeFirstWithAllTheirFaces) {
  const auto& families = fontFamilies();
  ASSERT_GE(families.size(), 3U);
  EXPECT_EQ(families[0].name, "Cabin");
  EXPECT_EQ(families[0].faces, (std::vector<FontFace>{{400, false}, {500, false}, {600, false}, {700, false}}));
  // Chosen for contrast: at least ten, each with letters of its own.
  std::vector<std::string> names;
  for (const BundledFont& font : bundledFonts())
    if (names.empty() || names.back() != font.family) names.emplace_back(font.family);
  EXPECT_GE(names.size(), 10U);
  for (std::size_t i = 0; i < names.size(); ++i) EXPECT_EQ(families[i].name, names[i]);
  EXPECT_EQ(std::set<std::string>(names.begin(), names.end()).size(), names.size());
}

TEST(Fonts, TheNearestWeightIsTaken) {
  EXPECT_EQ(fontFor({"Cabin", 640, false}).face.weight, 600);
  EXPECT_EQ(fontFor({"Cabin", 1000, false}).face.weight, 700);
  EXPECT_EQ(fontFor({"cabin", 400, true}).face, (FontFace{400, false}));
  EXPECT_FALSE(fontFor({"cabin", 400, true}).isStandIn);
}

TEST(Fonts, AFamilyThatIsNotThereIsStoodInFor) {
  const FoundFont found = fontFor({"No Such Family", 700, false});
  EXPECT_TRUE(found.isStandIn);
  EXPECT_EQ(found.font, fontFor({"Cabin", 700, false}).font);
  EXPECT_EQ(findFamily("No Such Family"), nullptr);
}

TEST(Fonts, FacesAreNamed) {
  EXPECT_EQ(nameOf(FontFace{400, false}), "Regular");
  EXPECT_EQ(nameOf(FontFace{400, true}), "Italic");
  EXPECT_EQ(nameOf(FontFace{710, true}), "Bold italic");
}

TEST(Fonts, WhatIsNoFontIsNone) {
  const std::string text = "not a font at all";
  EXPECT_EQ(Font::of(std::as_bytes(std::span(text.data(), text.size()))), nullptr);
  EXPECT_EQ(Font::fromFile("no-such-font.otf", 0), nullptr);
}

TEST(Fonts, KerningBringsLettersTogether) {
  const FontPtr font = fontFor({"EB Garamond", 400, false}).font;
  const auto width = [&](const std::string& text) {
    double sum = 0;
    Letters letters{{text.begin(), text.end()}, {}};
    for (std::size_t i = 0; i <= text.size(); ++i) letters.bytes.push_back(i);
    for (const ShapedGlyph& glyph : font->shaped(letters, 0, text.size(), {}).glyphs) sum += glyph.advance;
    return sum;
  };
  EXPECT_LT(width("AV"), width("A") + width("V") - 0.02);
  EXPECT_TRUE(font->has(U'é'));
  EXPECT_FALSE(font->has(U'山'));
}

}  // namespace
}  // namespace widecut
