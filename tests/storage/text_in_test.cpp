// Texts that are brought in: plain, Markdown, HTML and OpenDocument.
#include "storage/text_in.h"

#include <gtest/gtest.h>
#include <zip.h>

#include "sample.h"

namespace widecut {
namespace {

TextStyle whole() {
  TextStyle style;
  style.size = 10;
  style.leading = 12;
  return style;
}

LookedText read(std::string_view bytes, TextKind kind) {
  auto text = textFromFile(bytes, kind, whole());
  EXPECT_TRUE(text) << text.error().message;
  return text ? *text : LookedText{};
}

TextStyle styleOf(const LookedText& text, const char* word) {
  return styleAt(text.text, text.looks, whole(), text.text.find(word));
}

/// An OpenDocument file of this body.
std::string odt(const std::string& body, const std::string& styles = {}) {
  const std::string xml =
      "<?xml version=\"1.0\" encoding=\"UTF-8\"?><office:document-content "
      "xmlns:office=\"o\" xmlns:text=\"t\" xmlns:style=\"s\" xmlns:fo=\"f\">"
      "<office:automatic-styles>" +
      styles + "</office:automatic-styles><office:body><office:text>" + body +
      "</office:text></office:body></office:document-content>";
  // Tests run side by side.
  const std::string path = testing::TempDir() + testing::UnitTest::GetInstance()->current_test_info()->name() + ".odt";
  std::remove(path.c_str());
  int error = 0;
  zip_t* zip = zip_open(path.c_str(), ZIP_CREATE | ZIP_TRUNCATE, &error);
  zip_file_add(zip, "content.xml", zip_source_buffer(zip, xml.data(), xml.size(), 0), ZIP_FL_OVERWRITE);
  zip_close(zip);
  std::string bytes;
  FILE* file = std::fopen(path.c_str(), "rb");
  for (int c = std::fgetc(file); c != EOF; c = std::fgetc(file)) bytes += static_cast<char>(c);
  std::fclose(file);
  return bytes;
}

TEST(TextIn, FilesAreToldByTheirEndings) {
  EXPECT_EQ(textKindOf("a/Timetable.TXT"), TextKind::Plain);
  EXPECT_EQ(textKindOf("notes.md"), TextKind::Markdown);
  EXPECT_EQ(textKindOf("page.htm"), TextKind::Html);
  EXPECT_EQ(textKindOf("letter.odt"), TextKind::OpenDocument);
  EXPECT_FALSE(textKindOf("peak.jpg"));
}

TEST(TextIn, PlainTextIsCleaned) {
  EXPECT_EQ(read("\xEF\xBB\xBFone\r\ntwo\xff", TextKind::Plain).text, "one\ntwo\xEF\xBF\xBD");
  EXPECT_EQ(read(std::string_view("a\0b", 3), TextKind::Plain).text, "ab");
  EXPECT_FALSE(textFromFile("", TextKind::Plain, whole()));
  EXPECT_FALSE(textFromFile(std::string(3'000'000, 'a'), TextKind::Plain, whole()));
}

TEST(TextIn, MarkdownHasHeadingsListsAndMarks) {
  const LookedText text = read(
      "# The line\n\nIt *climbs* to the **ridge**.\n\n- lake\n- peak\n\n1. up\n2. down\n\n> quoted\n\n"
      "`code` and <b>more</b>\n",
      TextKind::Markdown);
  EXPECT_EQ(text.text, "The line\nIt climbs to the ridge.\nlake\npeak\nup\ndown\nquoted\ncode and more");
  EXPECT_GT(styleOf(text, "The line").size, 15);
  EXPECT_TRUE(styleOf(text, "climbs").face.italic);
  EXPECT_EQ(styleOf(text, "ridge").face.weight, 700);
  EXPECT_EQ(styleOf(text, "to the").face.weight, 400);
  EXPECT_EQ(styleOf(text, "lake").list, ListMark::Dot);
  EXPECT_EQ(styleOf(text, "down").list, ListMark::Number);
  EXPECT_TRUE(styleOf(text, "quoted").face.italic);
  EXPECT_EQ(styleOf(text, "code").face.family, "Inconsolata");
  EXPECT_EQ(styleOf(text, "more").face.weight, 700);
}

TEST(TextIn, HtmlIsReadAsItWouldShow) {
  const LookedText text = read(
      "<html><head><title>no</title><style>p{}</style></head><body><h2>Up</h2>"
      "<p>one \n two<br>three &amp; <u>four</u></p><script>no()</script>"
      "<div><p>x<sup>2</sup></p></div><pre>a\n  b</pre><table><tr><td>7.10</td><td>8.10</td></tr></table>",
      TextKind::Html);
  EXPECT_EQ(text.text, "Up\none two\nthree & four\nx2\na\n  b\n7.10\t8.10");
  EXPECT_TRUE(styleOf(text, "four").underlined);
  EXPECT_GT(styleOf(text, "2\na").shift, 1);
}

TEST(TextIn, OpenDocumentHasItsStyles) {
  const std::string styles =
      "<style:style style:name=\"B\"><style:text-properties fo:font-weight=\"bold\"/></style:style>"
      "<style:style style:name=\"C\"><style:paragraph-properties fo:text-align=\"center\"/></style:style>";
  const LookedText text =
      read(odt("<text:h text:outline-level=\"1\">Winter</text:h><text:p text:style-name=\"C\">from "
               "<text:span text:style-name=\"B\">4 December</text:span><text:s text:c=\"2\"/>on"
               "<text:tab/>daily<text:line-break/>snow</text:p><text:list><text:list-item><text:p>skis"
               "</text:p></text:list-item></text:list><text:note>no</text:note>",
               styles),
           TextKind::OpenDocument);
  EXPECT_EQ(text.text, "Winter\nfrom 4 December  on\tdaily\nsnow\nskis");
  EXPECT_EQ(styleOf(text, "4 Dec").face.weight, 700);
  EXPECT_EQ(styleOf(text, "from").align, Align::Centre);
  EXPECT_EQ(styleOf(text, "skis").list, ListMark::Dot);
  EXPECT_EQ(styleOf(text, "Winter").face.weight, 700);
}

TEST(TextIn, WhatIsNoFileOfItsKindIsRefusedWithAWord) {
  const auto refused = [](std::string_view bytes) {
    const auto text = textFromFile(bytes, TextKind::OpenDocument, whole());
    return text ? std::string() : text.error().message;
  };
  EXPECT_NE(refused("no zip at all").find("no OpenDocument"), std::string::npos);
  std::string cut = odt("<text:p>one</text:p>");
  EXPECT_NE(refused(std::string_view(cut).substr(0, cut.size() / 2)), "");
  EXPECT_NE(refused(odt("")), "");
}

TEST(TextIn, DeepAndBrokenHtmlEndsWell) {
  std::string deep;
  for (int i = 0; i < 20'000; ++i) deep += "<div><b>";
  const auto nested = textFromFile(deep + "peak", TextKind::Html, whole());
  ASSERT_FALSE(nested);
  EXPECT_NE(nested.error().message.find("nested too deeply"), std::string::npos);
  std::string boxes;
  for (int i = 0; i < 20'000; ++i) boxes += "<div>";
  EXPECT_FALSE(textFromFile(boxes + "peak", TextKind::Html, whole()));
  std::string many;
  for (int i = 0; i < 3000; ++i) many += "<div><b>peak</b></div>";
  EXPECT_EQ(read(many, TextKind::Html).text.size(), 3000U * 5 - 1);
  EXPECT_EQ(read("<p>a<b>b<i>c</p>d", TextKind::Html).text, "abc\nd");
}

TEST(TextIn, StylesBecomeTheProjectsAndAreTakenByTheirNames) {
  Sample s;
  LookedText text = read("# One\n\ntwo", TextKind::Markdown), again = read("# Three", TextKind::Markdown);
  Project project = withStylesOf(s.project, text);
  ASSERT_EQ(project.textStyles.size(), 1U);
  EXPECT_EQ(project.textStyles[0]->name, "Heading");
  EXPECT_EQ(text.looks.paragraphs[0].named, project.textStyles[0]);
  project = withStylesOf(project, again);
  EXPECT_EQ(project.textStyles.size(), 1U);
  EXPECT_EQ(again.looks.paragraphs[0].named, project.textStyles[0]);
}

TEST(TextIn, WhatIsCopiedAsHtmlIsReadAgain) {
  LookedText text{"one two & <three>\nfour", {}};
  text.looks = withLetters(text.looks, 4, 7, [](OwnTextLook& own) { own.look = {{TextAspect::Weight, 700.0}}; });
  const LookedText back = read(htmlOf(text, whole()), TextKind::Html);
  EXPECT_EQ(back.text, text.text);
  EXPECT_EQ(back.looks.letters, text.looks.letters);
}

}  // namespace
}  // namespace widecut
