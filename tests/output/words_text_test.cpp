// Words in a PDF, as poppler reads them.
#include <gtest/gtest.h>

#include <QFile>
#include <QImage>
#include <QProcess>
#include <QRegularExpression>
#include <QTemporaryDir>
#include <random>

#include "media/photo.h"
#include "output/deliver.h"
#include "output/plain_pdf.h"
#include "project/edits/cutouts.h"
#include "project/edits/words_following.h"
#include "sample.h"
#include "storage/project_file.h"
#include "words/bundled_fonts.h"
#include "words/font_library.h"

namespace widecut {
namespace {

QString ran(const QString& program, const QStringList& words) {
  QProcess process;
  process.start(program, words);
  process.waitForFinished(20'000);
  EXPECT_TRUE(process.readAllStandardError().isEmpty()) << "a damaged PDF";
  return QString::fromUtf8(process.readAllStandardOutput());
}

void deliverTo(const QString& path, const Project& project, Id sheet) {
  PhotoStore store;
  const auto notes =
      deliver(project, {sheet, 0, *deliveryFormat("pdf"), 144, Ground::Paper}, store, path.toStdString());
  ASSERT_TRUE(notes) << notes.error().message;
  expectPlainPdfFile(path.toStdString());
}

/// The text of a sheet's PDF in the order in which it is written, white space as single blanks, and words that are
/// broken in one piece again.
QString readBack(const Project& project, Id sheet) {
  const QTemporaryDir folder;
  const QString path = folder.filePath("words.pdf");
  deliverTo(path, project, sheet);
  QString text = ran("pdftotext", {"-raw", "-enc", "UTF-8", path, "-"});
  static const QRegularExpression broken("\u00AD\\s*");
  return text.remove(broken).simplified();
}

/// The fonts of a PDF, by pdffonts: name, type, encoding, embedded, in part, with the letters that its glyphs mean.
QStringList fontsIn(const Project& project, Id sheet) {
  const QTemporaryDir folder;
  const QString path = folder.filePath("words.pdf");
  deliverTo(path, project, sheet);
  return ran("pdffonts", {path}).split('\n', Qt::SkipEmptyParts).mid(2);
}

struct WordsText : testing::Test, Sample {
  WordsText() { empty(600, 800); }
  std::vector<Id> idsOn() const {
    std::vector<Id> out;
    for (const ItemPtr& item : findSheet(project, sheet)->items) out.push_back(item->id);
    return out;
  }
  /// What an item says that shows, back to front.
  static void addTyped(const Item& item, std::string& typed) {
    if (!item.isShown()) return;
    for (const ItemPtr& child : childrenOf(item)) addTyped(*child, typed);
    const Words* words = wordsOf(item);
    if (!words || words->set().shown == 0) return;
    const auto& lines = words->set().lines;
    const std::size_t from = lines.front().from, to = lines[words->set().shown - 1].to;
    typed += words->story().substr(from, to - from) + "\n";
  }
  void add(Words::Content content, Point at) {
    Style style;
    setColour(style, Colour{0, 0, 0});
    Item item = plainItem(project.nextId, "words", {}, std::move(style));
    item.position = at;
    item.form = wordsForm(std::move(content));
    project = withItemsOnTop(project, sheet, {item});
  }
};

TEST_F(WordsText, FiftyStoriesAreReadAsTheyWereTyped) {
  std::mt19937 random(50);
  const char* const parts[] = {"the line",   "climbs",       "from the lake", "to the ridge", "in nineteen minutes,",
                               "nobody has", "ever counted", "the teeth",     "of the rack;", "office",
                               "snow",       "caf\xC3\xA9"};
  for (int round = 0; round < 50; ++round) {
    Words::Content content;
    for (int i = 0, count = 10 + static_cast<int>(random() % 60); i < count; ++i)
      content.text += std::string(i == 0 ? "" : " ") + parts[random() % std::size(parts)];
    if (round % 3 == 0) content.text.insert(content.text.find(' ', content.text.size() / 2), "\n");
    content.style.face.family = round % 2 == 0 ? "EB Garamond" : "Cabin";
    content.style.size = 9 + static_cast<double>(random() % 8);
    content.style.leading = content.style.size * 1.3;
    content.style.align = static_cast<Align>(random() % 4);
    if (round % 4 == 1) content.style.dropLines = 3;
    // Narrow columns of long words, so that many of them are broken.
    content.style.hyphens = round % 2 == 1;
    const double width = content.style.hyphens ? 90 : 150;
    content.frame = TextFrame{width + static_cast<double>(random() % 300), 700};
    const QString typed = QString::fromStdString(content.text).simplified();
    empty(600, 800);
    add(std::move(content), {40, 40});
    ASSERT_EQ(readBack(project, sheet).toStdString(), typed.toStdString()) << round;
  }
}

TEST_F(WordsText, WordsThatAreHardlyTurnedAreReadToTheLast) {
  // Sines of such angles are so small that their shortest text has an exponent, which PDF does not know.
  QString typed;
  for (int i = 0; i < 12; ++i) {
    Words::Content content;
    content.text = "line " + std::to_string(i) + " of twelve";
    typed += QString::fromStdString(content.text) + " ";
    add(std::move(content), {40, 60.0 + 50 * i});
    const Id id = idsOn().back();
    project = withItem(project, id, [&](const Item& before) {
      Item after = before;
      after.turn = radians(0.002 * std::pow(1.9, i));
      return after;
    });
  }
  EXPECT_EQ(readBack(project, sheet), typed.simplified());
}

TEST_F(WordsText, ManyFontsHaveTheSameNamesInEveryRun) {
  for (const char* family : {"EB Garamond", "Cabin", "Comfortaa", "League Spartan"}) {
    Words::Content content;
    content.text = "The line climbs";
    content.style.face.family = family;
    add(std::move(content), {40, 100.0 + 100 * static_cast<double>(idsOn().size())});
  }
  // The order of their first use, whatever their addresses in memory are.
  QStringList tags;
  for (const QString& font : fontsIn(project, sheet)) tags << font.left(7) + font.mid(7, 4);
  tags.sort();
  EXPECT_EQ(tags.join(' ').toStdString(), "AAAAAA+EBGa AAAAAB+Cabi AAAAAC+Comf AAAAAD+Leag");
}

TEST_F(WordsText, ItsFontsAreInIt) {
  Words::Content content;
  content.text = "The office on the first floor";
  content.style.face.family = "EB Garamond";
  add(content, {40, 100});
  content.style.face = {"Comfortaa", 700, false};
  add(content, {40, 200});
  const auto fonts = fontsIn(project, sheet);
  ASSERT_EQ(fonts.size(), 2);
  for (const QString& font : fonts) {
    EXPECT_TRUE(font.contains("CID")) << font.toStdString();
    EXPECT_TRUE(font.contains(QRegularExpression("Identity-H +yes yes yes"))) << font.toStdString();
    EXPECT_TRUE(font.contains(QRegularExpression("^[A-Z]{6}\\+(EBGaramond|Comfortaa)"))) << font.toStdString();
  }
  EXPECT_EQ(readBack(project, sheet), "The office on the first floor The office on the first floor");
}

TEST_F(WordsText, WhatIsPaintedOtherwiseIsReadTheSame) {
  Words::Content content;
  content.text = "The office";
  Style style;
  Gradient gradient;
  gradient.stops = {{0, {0, 0, 0}}, {1, {200, 0, 0}}};
  style.fills.push_back({});
  style.fills.back().paint = gradient;
  Item item = plainItem(project.nextId, "words", {}, std::move(style));
  item.position = {40, 100};
  item.form = wordsForm(content);
  project = withItemsOnTop(project, sheet, {item});
  EXPECT_EQ(readBack(project, sheet), "The office");
  EXPECT_TRUE(fontsIn(project, sheet).front().contains("Type 3"));
}

TEST_F(WordsText, CapitalsAndRaisedLettersAreReadAsTheyWereTyped) {
  Words::Content content;
  content.text = "Nineteen minutes, eight viaducts and 2318 m";
  content.style.face.family = "EB Garamond";
  for (const LetterCase how : {LetterCase::Capitals, LetterCase::SmallCapitals, LetterCase::SmallLetters}) {
    content.style.letterCase = how;
    project = withoutItems(project, idsOn());
    add(content, {40, 100});
    EXPECT_EQ(readBack(project, sheet), QString::fromStdString(content.text)) << int(how);
  }
  content.style.letterCase = LetterCase::AsTyped;
  content.style.features = "onum, dlig";
  content.style.tracking = 120;
  content.style.underlined = true;
  content.looks.letters = {{37, 41, nullptr, {{TextAspect::Shift, 8.0}, {TextAspect::Size, 10.0}}}};
  project = withoutItems(project, idsOn());
  add(content, {40, 100});
  EXPECT_EQ(readBack(project, sheet).remove(' '), QString::fromStdString(content.text).remove(' '));
}

TEST_F(WordsText, WhatIsRaisedRaisesNothingElse) {
  const auto topOf = [&](double shift) {
    Words::Content content;
    content.text = "one two\nthree";
    content.looks.letters = {{4, 7, nullptr, {{TextAspect::Shift, shift}}}};
    project = withoutItems(project, idsOn());
    add(content, {40, 100});
    const QTemporaryDir folder;
    const QString path = folder.filePath("words.pdf");
    deliverTo(path, project, sheet);
    const QString boxes = ran("pdftotext", {"-bbox", path, "-"});
    const auto found = QRegularExpression("yMin=\"([\\d.]+)\"[^>]*>three<").match(boxes);
    EXPECT_TRUE(found.hasMatch());
    return found.captured(1).toDouble();
  };
  EXPECT_NEAR(topOf(9), topOf(0), 0.1);
}

TEST_F(WordsText, LettersFromTheRightAreReadInTheirOrder) {
  Words::Content content;
  content.text = "\xD7\x94\xD7\xA8\xD7\x9B\xD7\x91\xD7\xAA \xD7\xA2\xD7\x95\xD7\x9C\xD7\x94";
  content.style.face.family = "DejaVu Sans";
  add(content, {300, 100});
  // Poppler puts marks of direction round them.
  QString read = readBack(project, sheet);
  static const QRegularExpression marks("[\u200E\u200F\u202A-\u202E]");
  EXPECT_EQ(read.remove(marks).toStdString(), content.text);
}

TEST_F(WordsText, AnSvgMayHaveThemAsText) {
  Words::Content content;
  content.text = "The first office <up> & down";
  content.style.face = {"DejaVu Sans", 700, false};
  content.style.size = 30;
  add(content, {40, 100});
  const QTemporaryDir folder;
  const auto made = [&](WordsAs words) {
    const QString path = folder.filePath("a.svg");
    Delivery delivery{sheet, 0, DeliveryFormat::Svg, 144, Ground::Paper};
    delivery.words = words;
    PhotoStore store;
    const auto notes = deliver(project, delivery, store, path.toStdString());
    EXPECT_TRUE(notes);
    EXPECT_EQ(notes->size(), words == WordsAs::Letters ? 1U : 0U);
    QFile file(path);
    EXPECT_TRUE(file.open(QIODevice::ReadOnly));
    ran("rsvg-convert", {"-d", "144", "-p", "144", "-o", folder.filePath("a.png"), path});
    return std::pair(QString::fromUtf8(file.readAll()), QImage(folder.filePath("a.png")));
  };
  const auto [paths, drawn] = made(WordsAs::Outlines);
  const auto [letters, written] = made(WordsAs::Letters);
  EXPECT_FALSE(paths.contains("<text"));
  QString said;
  static const QRegularExpression spans(">([^<]+)</tspan>");
  for (auto it = spans.globalMatch(letters); it.hasNext();) said += it.next().captured(1);
  EXPECT_EQ(said, "The first office &lt;up&gt; &amp; down");
  EXPECT_TRUE(letters.contains("font-family=\"DejaVu Sans\""));
  EXPECT_TRUE(letters.contains("font-weight=\"700\""));
  // The same picture where the font is there.
  ASSERT_EQ(drawn.size(), written.size());
  double off = 0, dark = 0;
  for (int y = 0; y < drawn.height(); ++y)
    for (int x = 0; x < drawn.width(); ++x) {
      off += std::abs(qGray(drawn.pixel(x, y)) - qGray(written.pixel(x, y)));
      dark += 255 - qGray(drawn.pixel(x, y));
    }
  EXPECT_LT(off / dark, 0.1);
}

/// A font file of the program, with other rights by its table OS/2, under another name of its family.
OwnFontsPtr withRights(const OwnFontsPtr& fonts, const std::string& family, int rights) {
  for (const BundledFont& bundled : bundledFonts()) {
    if (bundled.family != std::string_view("Comfortaa")) continue;
    std::string bytes(reinterpret_cast<const char*>(bundled.bytes.data()), bundled.bytes.size());
    const auto at = [&](std::size_t i) { return static_cast<std::size_t>(static_cast<unsigned char>(bytes[i])); };
    for (std::size_t table = 0; table < (at(4) << 8 | at(5)); ++table) {
      const std::size_t entry = 12 + 16 * table;
      if (bytes.compare(entry, 4, "OS/2") != 0) continue;
      const std::size_t offset = at(entry + 8) << 24 | at(entry + 9) << 16 | at(entry + 10) << 8 | at(entry + 11);
      bytes[offset + 8] = static_cast<char>(rights >> 8);
      bytes[offset + 9] = static_cast<char>(rights & 0xff);
    }
    return OwnFonts::with(
        fonts, {family, {bundled.weight, bundled.italic}, 0, std::make_shared<const std::string>(std::move(bytes))});
  }
  return fonts;
}

TEST_F(WordsText, FontsThatMayNotBeEmbeddedAreOutlinesThatAreRead) {
  OwnFontsPtr fonts = withRights(nullptr, "Locked Letters", 0x2);
  fonts = withRights(withRights(fonts, "Whole Letters", 0x100), "Reading Letters", 0x4);
  Words::Content content;
  content.style.face.own = project.fonts = fonts;
  content.text = "The office";
  for (const char* family : {"Locked Letters", "Whole Letters"}) {
    content.style.face.family = family;
    project = withoutItems(project, idsOn());
    add(content, {40, 100});
    const auto fonts = fontsIn(project, sheet);
    ASSERT_EQ(fonts.size(), 1) << family;
    EXPECT_TRUE(fonts.front().contains("Type 3")) << family;
    EXPECT_EQ(readBack(project, sheet), "The office") << family;
  }
  // One that may be read from may be shown, though not saved along.
  content.style.face.family = "Reading Letters";
  project = withoutItems(project, idsOn());
  add(content, {40, 100});
  EXPECT_TRUE(fontsIn(project, sheet).front().contains("CID"));
  EXPECT_FALSE(fontToKeep(content.style.face));
}

TEST_F(WordsText, WordsThatAreCutOrStretchedAreReadTheSame) {
  Words::Content content;
  content.text = "slow line";
  content.stretch = Affine::scale(1.4, 1 / 1.4);
  add(content, {40, 100});
  EXPECT_EQ(readBack(project, sheet), "slow line");
  EXPECT_TRUE(fontsIn(project, sheet).front().contains("CID"));
  // Out of a panel they are no letters any more, and are read all the same.
  const Style black = *findItem(project, idsOn().back())->style;
  project = withoutItems(project, idsOn());
  const Outline panel = fitted(rectangleOutline(1, 1), {{20, 60}, {300, 130}});
  project = withItemsOnTop(project, sheet, {plainItem(project.nextId, "panel", panel, black)});
  add(content, {40, 100});
  Id made = 0;
  project = combined(project, idsOn(), Outcome::SubtractFront, {idsOn().front(), 0}, made);
  ASSERT_NE(made, 0U);
  EXPECT_EQ(readBack(project, sheet), "slow line");
}

TEST_F(WordsText, ListsAndTabsAreReadWithoutTheirMarks) {
  Words::Content content;
  content.text = "bread\tletters\nsnow";
  content.style.list = ListMark::Dot;
  content.style.tabs = "60mm";
  content.frame = TextFrame{400, 200};
  add(content, {40, 100});
  EXPECT_EQ(readBack(project, sheet), "bread letters snow");
}

TEST_F(WordsText, AFontThatIsMissingIsSaidWhenWordsAreDelivered) {
  Words::Content content;
  content.text = "words";
  content.style.face.family = "No Such Family";
  add(content, {40, 100});
  const QTemporaryDir folder;
  PhotoStore store;
  const auto notes = deliver(project, {sheet, 0, DeliveryFormat::Png, 72, Ground::Paper}, store,
                             folder.filePath("a.png").toStdString());
  ASSERT_TRUE(notes);
  ASSERT_EQ(notes->size(), 1U);
  EXPECT_NE(notes->front().find("No Such Family"), std::string::npos);
  // An item alone says what it itself is missing.
  project = withItemsOnTop(
      project, sheet,
      {plainItem(project.nextId, "box", rectangleOutline(10, 10), *findItem(project, idsOn().back())->style)});
  const auto alone = deliver(project, {sheet, idsOn().back(), DeliveryFormat::Png, 72, Ground::Paper}, store,
                             folder.filePath("b.png").toStdString());
  ASSERT_TRUE(alone) << alone.error().message;
  EXPECT_TRUE(alone->empty());
}

/// What an SVG of a sheet has as text, and the notes on it.
struct SvgText {
  QString said;  ///< Of all its spans.
  QString file;
  Notes notes;
};
SvgText svgTextOf(const Project& project, Id sheet) {
  const QTemporaryDir folder;
  const QString path = folder.filePath("a.svg");
  Delivery delivery{sheet, 0, DeliveryFormat::Svg, 144, Ground::Paper};
  delivery.words = WordsAs::Letters;
  PhotoStore store;
  const auto notes = deliver(project, delivery, store, path.toStdString());
  EXPECT_TRUE(notes);
  QFile file(path);
  EXPECT_TRUE(file.open(QIODevice::ReadOnly));
  SvgText out{{}, QString::fromUtf8(file.readAll()), *notes};
  static const QRegularExpression spans(">([^<]+)</tspan>");
  for (auto it = spans.globalMatch(out.file); it.hasNext();) out.said += it.next().captured(1);
  return out;
}

TEST_F(WordsText, TextOfAnSvgShowsWhatIsShown) {
  Words::Content content;
  content.style.face.family = "DejaVu Sans";
  content.style.letterCase = LetterCase::Capitals;
  content.text = "nine viaducts";
  add(content, {40, 100});
  EXPECT_EQ(svgTextOf(project, sheet).said, "NINE VIADUCTS");
  content.style.letterCase = LetterCase::AsTyped;
  content.style.underlined = true;
  project = withoutItems(project, idsOn());
  add(content, {40, 100});
  const SvgText underlined = svgTextOf(project, sheet);
  EXPECT_EQ(underlined.said, "nine viaducts");
  EXPECT_TRUE(underlined.file.contains("<path")) << "its underline";
  ASSERT_EQ(underlined.notes.size(), 1U);
  EXPECT_NE(underlined.notes.front().find("DejaVu Sans"), std::string::npos);
}

TEST_F(WordsText, ALigatureIsOneSpanOfAnSvg) {
  Words::Content content;
  content.style.face.family = "DejaVu Sans";
  content.text = "an office";
  add(content, {40, 100});
  const SvgText text = svgTextOf(project, sheet);
  EXPECT_EQ(text.said, "an office");
  static const QRegularExpression ligature("x=\"[\\d.]+\" [^>]*>(ff|fi|ffi)</tspan>");
  EXPECT_TRUE(text.file.contains(ligature));
}

TEST_F(WordsText, WhatPlainTextDoesNotShowStaysOutlines) {
  Words::Content content;
  content.style.face.family = "EB Garamond";
  content.style.letterCase = LetterCase::SmallCapitals;  // which this font has
  content.text = "nine";
  add(content, {40, 100});
  content.style = {};
  content.style.face.family = "DejaVu Sans";
  content.text = "\xD7\x94\xD7\xA8\xD7\x9B";
  add(content, {40, 200});
  content.text = "plain";
  add(content, {40, 300});
  const SvgText text = svgTextOf(project, sheet);
  EXPECT_EQ(text.said, "plain");
  ASSERT_EQ(text.notes.size(), 2U);
  EXPECT_NE(text.notes.back().find("2 items of words are outlines"), std::string::npos) << text.notes.back();
}

TEST_F(WordsText, TheWordsOfTheDemoAreReadInTheirOrder) {
  const auto demo = openProject(DEMO_PROJECT);
  ASSERT_TRUE(demo);
  std::size_t letters = 0;
  for (const SheetPtr& page : sheetsOf(*demo)) {
    std::string typed;
    for (const ItemPtr& item : page->items) addTyped(*item, typed);
    letters += typed.size();
    EXPECT_EQ(readBack(*demo, page->id).toStdString(), QString::fromStdString(typed).simplified().toStdString())
        << page->name;
  }
  EXPECT_GT(letters, 1000U);
}

TEST_F(WordsText, WordsAlongALineAreReadInOnePiece) {
  Words::Content content;
  content.text = "up and down the line";
  content.style.size = 14;
  content.along = AlongLine{std::make_shared<const Outline>(ellipseOutline(200, 200))};
  add(std::move(content), {200, 200});
  EXPECT_EQ(readBack(project, sheet), "up and down the line");
  // Letters that stand almost upright, at every place of the ellipse.
  for (int i = 0; i < 40; ++i) {
    project = withItem(project, idsOn().front(), [&](const Item& before) {
      Words::Content turned = wordsOf(before)->content();
      turned.along->start += 0.7;
      Item after = before;
      after.form = wordsForm(std::move(turned));
      return after;
    });
    ASSERT_EQ(readBack(project, sheet), "up and down the line") << i;
  }
}

}  // namespace
}  // namespace widecut
