// Shaping through paragraphs against HarfBuzz's own tool.
#include <gtest/gtest.h>

#include <array>
#include <cmath>
#include <cstdio>
#include <fstream>
#include <random>

#include "words/paragraph.h"

namespace widecut {
namespace {

struct Script {
  const char* name;
  const char* family;
  std::vector<std::u32string> letters;  ///< Words are made of these.
};

std::vector<std::u32string> between(char32_t from, char32_t to) {
  std::vector<std::u32string> out;
  for (char32_t c = from; c <= to; ++c) out.push_back({c});
  return out;
}

std::vector<Script> scripts() {
  std::vector<Script> out{{"Latin", "DejaVu Sans", between(U'a', U'z')},
                          {"Greek", "DejaVu Sans", between(U'\u03B1', U'\u03C9')},
                          {"Cyrillic", "DejaVu Serif", between(U'\u0430', U'\u044F')},
                          {"Armenian", "DejaVu Sans", between(U'\u0561', U'\u0586')},
                          {"Georgian", "DejaVu Sans", between(U'\u10D0', U'\u10F0')},
                          {"Arabic", "DejaVu Sans", between(U'\u0628', U'\u063A')},
                          {"Devanagari", "Lohit Devanagari", between(U'\u0915', U'\u0939')},
                          {"Tamil", "Lohit Tamil", {}}};
  for (const char32_t sign : {U'\u093E', U'\u093F', U'\u0940', U'\u0941', U'\u0947', U'\u094D'})
    for (const char32_t letter : {U'\u0915', U'\u0924', U'\u0930', U'\u0938'}) out[6].letters.push_back({letter, sign});
  for (const char32_t letter : {U'\u0B95', U'\u0B9A', U'\u0B9F', U'\u0BA4', U'\u0BAA', U'\u0BAE', U'\u0BB0', U'\u0BB2'})
    for (const char32_t sign : {char32_t(0), U'\u0BBE', U'\u0BBF', U'\u0BC6', U'\u0BCA', U'\u0BCD'})
      out[7].letters.push_back(sign == 0 ? std::u32string{letter} : std::u32string{letter, sign});
  return out;
}

std::string utf8(const std::u32string& text) {
  std::string out;
  for (const char32_t c : text) {
    if (c < 0x80) {
      out += static_cast<char>(c);
    } else if (c < 0x800) {
      out += static_cast<char>(0xC0 | (c >> 6U));
      out += static_cast<char>(0x80 | (c & 0x3FU));
    } else {
      out += static_cast<char>(0xE0 | (c >> 12U));
      out += static_cast<char>(0x80 | ((c >> 6U) & 0x3FU));
      out += static_cast<char>(0x80 | (c & 0x3FU));
    }
  }
  return out;
}

std::vector<std::string> linesOf(const std::string& command) {
  std::vector<std::string> out;
  FILE* pipe = popen(command.c_str(), "r");
  std::string line;
  for (int c = pipe ? std::fgetc(pipe) : EOF; c != EOF; c = std::fgetc(pipe)) {
    if (c == '\n') {
      out.push_back(line);
      line.clear();
    } else {
      line += static_cast<char>(c);
    }
  }
  if (!line.empty()) out.push_back(line);
  if (pipe) pclose(pipe);
  return out;
}

/// A glyph as the tool writes it, in the font's units.
struct Written {
  int glyph = 0, dx = 0, dy = 0, ax = 0;
  bool operator==(const Written&) const = default;
};
std::vector<Written> glyphsIn(const std::string& line) {
  std::vector<Written> out;
  for (std::size_t at = line.find("{\"g\""); at != std::string::npos; at = line.find("{\"g\"", at + 1)) {
    Written one;
    int cluster = 0;
    std::sscanf(line.c_str() + at, "{\"g\":%d,\"cl\":%d,\"dx\":%d,\"dy\":%d,\"ax\":%d", &one.glyph, &cluster, &one.dx,
                &one.dy, &one.ax);
    out.push_back(one);
  }
  return out;
}

TEST(Shaping, PositionsEqualThoseOfHarfBuzzsOwnToolInEightScripts) {
  constexpr int each = 125;  // of 8 scripts: a thousand
  std::mt19937 random(15);
  for (const Script& script : scripts()) {
    const auto files =
        linesOf("fc-match -f '%{file}\\n' '" + std::string(script.family) + ":width=100:weight=80:slant=0'");
    const auto units = linesOf("fc-match -f '%{family}\\n' '" + std::string(script.family) + "'");
    ASSERT_FALSE(files.empty()) << "fontconfig is not there";
    ASSERT_EQ(units.front().substr(0, units.front().find(',')), script.family) << "a font of the tests is not there";
    const std::string list = testing::TempDir() + "shaping.txt";
    std::vector<std::string> words;
    std::ofstream out(list);
    for (int i = 0; i < each; ++i) {
      std::u32string word;
      for (int k = 0, count = 2 + static_cast<int>(random() % 9); k < count; ++k)
        word += script.letters[random() % script.letters.size()];
      words.push_back(utf8(word));
      out << words.back() << '\n';
    }
    out.close();
    const auto shaped = linesOf("LC_ALL=C hb-shape --font-file '" + files.front() + "' --text-file '" + list +
                                "' --no-glyph-names --output-format=json --language=en");
    ASSERT_EQ(shaped.size(), words.size()) << "hb-shape is not there";
    TextStyle style;
    style.face.family = script.family;
    style.size = 2048;
    for (std::size_t i = 0; i < words.size(); ++i) {
      const auto wanted = glyphsIn(shaped[i]);
      const Paragraph paragraph(words[i], {{0, words[i].size(), style}}, style);
      const auto runs = paragraph.line(0, words[i].size());
      ASSERT_EQ(runs.size(), 1U) << script.name << " " << words[i];
      // All of these fonts have 2048 or 1024 units to the em.
      const double units = script.family[0] == 'D' ? 2048 : 1024;
      std::vector<Written> ours;
      for (const SetGlyph& glyph : runs[0].glyphs)
        ours.push_back({static_cast<int>(glyph.glyph), static_cast<int>(std::lround(glyph.offset.x * units / 2048)),
                        static_cast<int>(std::lround(-glyph.offset.y * units / 2048)),
                        static_cast<int>(std::lround(glyph.advance * units / 2048))});
      ASSERT_EQ(ours, wanted) << script.name << " " << words[i];
    }
  }
}

TEST(Shaping, CapitalsAndSmallCapitalsAreShapedAsSuchAndKeepTheirPlaces) {
  TextStyle style;
  style.face.family = "EB Garamond";
  style.letterCase = LetterCase::Capitals;
  const std::string text =
      "stra\xC3\x9F"
      "e";
  const Paragraph capitals(text, {{0, text.size(), style}}, style);
  TextStyle plain = style;
  plain.letterCase = LetterCase::AsTyped;
  const Paragraph typed("STRASSE", {{0, 7, plain}}, plain);
  const auto widthOf = [](const Paragraph& p) {
    double width = 0;
    for (const Cluster& c : p.clusters()) width += c.width;
    return width;
  };
  EXPECT_NEAR(widthOf(capitals), widthOf(typed), 1e-9);
  EXPECT_EQ(capitals.clusters().size(), 6U);  // both S are one letter of the text
  style.letterCase = LetterCase::SmallCapitals;
  const Paragraph small("peak", {{0, 4, style}}, style), lower("peak", {{0, 4, plain}}, plain);
  EXPECT_NE(widthOf(small), widthOf(lower));
  EXPECT_LT(widthOf(small), widthOf(Paragraph("PEAK", {{0, 4, plain}}, plain)));
}

TEST(Shaping, TrackingPartsLettersAndLigatures) {
  TextStyle style;
  style.face.family = "Comfortaa";
  style.size = 10;
  const Paragraph tight("office", {{0, 6, style}}, style);
  style.tracking = 100;
  const Paragraph wide("office", {{0, 6, style}}, style);
  EXPECT_LT(tight.clusters().size(), 6U);
  EXPECT_EQ(wide.clusters().size(), 6U);
}

TEST(Shaping, FeaturesAreTheFonts) {
  TextStyle style;
  style.face.family = "EB Garamond";
  const Paragraph old("1890", {{0, 4, style}}, style);
  style.features = "lnum, no such feature";
  const Paragraph lining("1890", {{0, 4, style}}, style);
  EXPECT_NE(lining.line(0, 4)[0].glyphs[0].glyph, old.line(0, 4)[0].glyphs[0].glyph);
}

TEST(Shaping, WordsOfTwoDirectionsStandAsTheyAreRead) {
  const std::string text = "peak \xD7\x90\xD7\x91 rail";
  const TextStyle style;
  const Paragraph paragraph(text, {{0, text.size(), style}}, style);
  const auto runs = paragraph.line(0, text.size());
  ASSERT_GE(runs.size(), 3U);
  EXPECT_TRUE(runs[1].leftward);
  for (std::size_t i = 1; i < runs.size(); ++i) EXPECT_LT(runs[i - 1].from, runs[i].from);
  EXPECT_FALSE(paragraph.isLeftward());
}

TEST(Shaping, AMillionLettersAndTenThousandMarksAreShaped) {
  const TextStyle style;
  std::string many;
  for (int i = 0; i < 200'000; ++i) many += "cogs ";
  const Paragraph paragraph(many, {{0, many.size(), style}}, style);
  EXPECT_EQ(paragraph.letterPlaces().size(), 1'000'001U);
  std::string marks = "a";
  for (int i = 0; i < 10'000; ++i) marks += "\xCC\x81";
  const Paragraph marked(marks, {{0, marks.size(), style}}, style);
  EXPECT_EQ(marked.clusters().size(), 1U);
}

}  // namespace
}  // namespace widecut
