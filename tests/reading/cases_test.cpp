// Files that once kept the program for minutes, took its memory or ended it.
#include <gtest/gtest.h>

#include <QBuffer>
#include <QImageWriter>

#include "media/photo_decode.h"
#include "storage/svg_in.h"
#include "storage/text_in.h"
#include "test_photos.h"

using namespace widecut;

namespace {

std::string repeated(const std::string& what, int times) {
  std::string out;
  for (int i = 0; i < times; ++i) out += what;
  return out;
}

/// What comes of it: “read”, or why not. All of these end, and the program with them goes on.
template <class Value>
std::string outcome(const Result<Value>& result) {
  return result ? "read" : result.error().message;
}
bool isRefusal(const std::string& message) {
  return message.starts_with("cannot be read: ") || message.starts_with("was not read: ") ||
         message.starts_with("its marks are nested");
}

const reading::Patience patience{.seconds = 2};

/// A progressive JPEG whose last scan comes so many times.
std::string manyScans(int count) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  QImageWriter writer(&buffer, "jpeg");
  writer.setProgressiveScanWrite(true);
  writer.write(tones(3000, 3000));
  const std::string jpeg = bytes.toStdString();
  const std::size_t scan = jpeg.rfind("\xFF\xDA"), end = jpeg.size() - 2;
  return jpeg.substr(0, scan) + repeated(jpeg.substr(scan, end - scan), count) + jpeg.substr(end);
}

std::string markdown(const std::string& text) {
  return outcome(textFromFile(text, TextKind::Markdown, TextStyle{}, patience));
}
std::string html(const std::string& text) { return outcome(textFromFile(text, TextKind::Html, TextStyle{}, patience)); }

}  // namespace

TEST(Cases, ManyQuotesInMarkdown) { EXPECT_PRED1(isRefusal, markdown(repeated("<q>", 300'000))); }

TEST(Cases, HtmlThatTakesMemory) {
  const std::string text = repeated("<b><i><u><a href=x>", 200) + repeated("<p>x", 100'000);
  const std::string said = html(text);
  EXPECT_TRUE(said == "read" || isRefusal(said)) << said;
}

TEST(Cases, RubyThatTakesMemory) {
  const std::string said = html(repeated("<ruby>", 15'000));
  EXPECT_TRUE(said == "there is no text in it" || isRefusal(said)) << said;
}

TEST(Cases, ATagWithVeryManyAttributes) {
  std::string text = "<p ";
  for (int i = 0; i < 100'000; ++i) text += "a" + std::to_string(i) + "=1 ";
  EXPECT_PRED1(isRefusal, html(text + ">x</p>"));
}

TEST(Cases, ManyRulesWithManySelectorsAreReadAtOnce) {
  std::string css;
  for (int i = 0; i < 2000; ++i) css += "a" + std::to_string(i) + ",";
  css += "rect{";
  for (int i = 0; i < 2000; ++i) css += "p" + std::to_string(i) + ":v;";
  const auto shapes = shapesFromSvg("<svg xmlns='http://www.w3.org/2000/svg'><style>" + repeated(css + "fill:red}", 8) +
                                    "</style><rect width='9' height='9'/></svg>");
  ASSERT_TRUE(shapes) << shapes.error().message;
  EXPECT_EQ(colourOf(*shapes->items.front().style), (Colour{255, 0, 0}));
}

TEST(Cases, NestedUsesWithStyles) {
  std::string svg = "<svg xmlns='http://www.w3.org/2000/svg'><defs><rect id='u0' width='1' height='1'/>";
  const std::string style = repeated("a:b;", 2000);
  for (int i = 1; i < 18; ++i) {
    svg += "<g id='u" + std::to_string(i) + "' style='" + style + "'>";
    for (int k = 0; k < 2; ++k) svg += "<use href='#u" + std::to_string(i - 1) + "'/>";
    svg += "</g>";
  }
  svg += "</defs><use href='#u17'/></svg>";
  const std::string said = outcome(shapesFromSvg(svg));
  EXPECT_NE(said.find("100000"), std::string::npos) << said;
}

TEST(Cases, ALongTextInAnSvg) {
  const std::string svg =
      "<svg xmlns='http://www.w3.org/2000/svg'><text y='9'>" + repeated("word ", 200'000) + "</text></svg>";
  const std::string said = outcome(shapesFromSvg(svg));
  EXPECT_NE(said.find("reaches too far"), std::string::npos) << said;  // a line of a million letters
}

TEST(Cases, APhotoOfVeryManyScans) {
  const auto photo = checkedPhoto(manyScans(400), patience);
  ASSERT_FALSE(photo);
  EXPECT_EQ(photo.error().message, "was not read: it takes longer than 2 s of processor time");
}

TEST(Cases, ManyBoldStretchesAreReadInTimeThatGrowsWithThem) {
  std::string text;
  constexpr int count = 20'000;
  for (int i = 0; i < count; ++i) text += "a <b>b</b> ";
  const auto read = textFromFile("<p>" + text + "</p>", TextKind::Html, TextStyle{});
  ASSERT_TRUE(read) << read.error().message;
  EXPECT_EQ(read->looks.letters.size(), count);
}
