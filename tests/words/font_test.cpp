#include "words/font_library.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <set>

#include "words/bundled_fonts.h"
#include "words/paragraph.h"

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
  EXPECT_FALSE(findFamily("No Such Family"));
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

TEST(Fonts, ASubsetDrawsTheSameGlyphsInFewBytes) {
  const FoundFont found = fontFor({"Comfortaa", 700, false});
  const Letters text{U"Rail", {0, 1, 2, 3, 4}};
  std::set<std::uint32_t> glyphs;
  for (const ShapedGlyph& glyph : found.font->shaped(text, 0, 4, {}).glyphs) glyphs.insert(glyph.glyph);
  const auto subset = found.font->subset(glyphs);
  ASSERT_TRUE(subset);
  EXPECT_FALSE(subset->isCff);
  EXPECT_LT(subset->bytes.size(), 20'000U);
  const FontNames names = found.font->names();
  EXPECT_EQ(names.family, "Comfortaa");
  EXPECT_EQ(names.weight, 700);
  EXPECT_FALSE(names.italic);
  EXPECT_NE(names.postScript.find("Comfortaa"), std::string::npos);
  const FontPtr small = Font::of(std::as_bytes(std::span(subset->bytes)));
  ASSERT_TRUE(small);
  for (const std::uint32_t glyph : glyphs) {
    Outline whole, part;
    found.font->addOutline(glyph, {}, 10, whole);
    small->addOutline(glyph, {}, 10, part);
    EXPECT_EQ(whole, part);
    EXPECT_DOUBLE_EQ(small->advance(glyph), found.font->advance(glyph));
  }
}

TEST(Fonts, EveryBundledFontMayBeEmbedded) {
  for (const BundledFont& bundled : bundledFonts()) {
    const FontPtr font = Font::of(bundled.bytes);
    ASSERT_TRUE(font) << bundled.family;
    const auto subset = font->subset({1, 2, 3});
    ASSERT_TRUE(subset) << bundled.family;
    EXPECT_LT(subset->bytes.size(), bundled.bytes.size()) << bundled.family;
    EXPECT_GT(subset->box.width(), 0.5) << bundled.family;
  }
}

TEST(Fonts, WhatIsForbiddenIsNotEmbedded) {
  // The same font with the bits of OS/2 that forbid it.
  const BundledFont bundled = bundledFonts().front();
  std::vector<std::byte> bytes(bundled.bytes.begin(), bundled.bytes.end());
  const auto at = [&](std::size_t i) { return std::to_integer<std::size_t>(bytes[i]); };
  const std::size_t tables = at(4) << 8 | at(5);
  for (std::size_t i = 0; i < tables; ++i) {
    const std::size_t entry = 12 + 16 * i;
    if (at(entry) != 'O' || at(entry + 1) != 'S') continue;
    const std::size_t offset = at(entry + 8) << 24 | at(entry + 9) << 16 | at(entry + 10) << 8 | at(entry + 11);
    bytes[offset + 8] = std::byte{0};
    bytes[offset + 9] = std::byte{2};
  }
  const FontPtr font = Font::of(bytes);
  ASSERT_TRUE(font);
  EXPECT_FALSE(font->allowsSubsets());
  EXPECT_FALSE(font->subset({1}));
}

std::shared_ptr<const std::string> bytesOf(const BundledFont& bundled) {
  return std::make_shared<const std::string>(reinterpret_cast<const char*>(bundled.bytes.data()), bundled.bytes.size());
}

TEST(Fonts, WhatAProjectHasWithItIsKnownToItsWordsAlone) {
  const std::string family = "Kept Somewhere";
  const auto bytes = bytesOf(bundledFonts().back());
  TextStyle style{.face = {family, 700, false}, .size = 20};
  const double before = paragraphFor("Rail", {}, style)->clusters().front().width;
  EXPECT_TRUE(fontFor(style.face).isStandIn);
  EXPECT_EQ(OwnFonts::with(nullptr, {family, {700, false}, 0, std::make_shared<const std::string>("no font")}),
            nullptr);
  const OwnFontsPtr own = OwnFonts::with(nullptr, {family, {700, false}, 0, bytes});
  ASSERT_TRUE(own);
  EXPECT_EQ(homeOf("kept somewhere", own), FontHome::Project);
  EXPECT_EQ(homeOf("kept somewhere"), FontHome::Nowhere) << "of others";
  EXPECT_EQ(findFamily("kept somewhere", own)->name, family);
  EXPECT_EQ(fontFamilies(own).size(), fontFamilies().size() + 1);
  style.face.own = own;
  EXPECT_FALSE(fontFor(style.face).isStandIn);
  EXPECT_NE(paragraphFor("Rail", {}, style)->clusters().front().width, before);
  style.face.own = nullptr;
  EXPECT_EQ(paragraphFor("Rail", {}, style)->clusters().front().width, before);
  const auto again = fontToKeep({family, 400, false, own});
  ASSERT_TRUE(again);
  EXPECT_EQ(again->bytes, bytes);
  EXPECT_EQ(again->face, (FontFace{700, false}));
  // The program's own need not be kept, and what is not there cannot be.
  EXPECT_FALSE(fontToKeep({"Cabin", 400, false, own}));
  EXPECT_FALSE(fontToKeep({"No Such Family", 400, false, own}));
}

TEST(Fonts, OneNameStandsForAnotherFontInEachProject) {
  const std::string family = "Same Name";
  const OwnFontsPtr a = OwnFonts::with(nullptr, {family, {}, 0, bytesOf(bundledFonts().front())});
  const OwnFontsPtr b = OwnFonts::with(nullptr, {family, {}, 0, bytesOf(bundledFonts().back())});
  const auto widthWith = [&](const OwnFontsPtr& own) {
    return paragraphFor("Rail", {}, TextStyle{.face = {family, 400, false, own}, .size = 20})->clusters().front().width;
  };
  EXPECT_NE(widthWith(a), widthWith(b));
  EXPECT_EQ(widthWith(a), widthWith(a));
  // The first face of a family stays.
  EXPECT_EQ(OwnFonts::with(a, {"same name", {}, 0, bytesOf(bundledFonts().back())}), a);
}

TEST(Fonts, AFontOutlivesTheProjectThatHadIt) {
  FontPtr font;
  {
    const OwnFontsPtr own = OwnFonts::with(nullptr, {"Short Lived", {}, 0, bytesOf(bundledFonts().front())});
    font = fontFor({"Short Lived", 400, false, own}).font;
  }
  EXPECT_TRUE(font->has(U'a'));
}

TEST(Fonts, FacesOfOneFileShareWhatIsMadeOfIt) {
  const auto bytes = bytesOf(bundledFonts().front());
  OwnFontsPtr own;
  for (int weight = 100; weight <= 900; weight += 100) own = OwnFonts::with(own, {"Many", {weight, false}, 0, bytes});
  ASSERT_EQ(own->all().size(), 9U);
  for (std::size_t i = 1; i < own->all().size(); ++i) EXPECT_EQ(own->font(i), own->font(0));
}

}  // namespace
}  // namespace widecut
