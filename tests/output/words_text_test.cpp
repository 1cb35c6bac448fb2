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
#include "project/edits/words_following.h"
#include "sample.h"
#include "storage/project_file.h"

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
  EXPECT_TRUE(notes) << notes.error().message;
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
  WordsText() {
    project = withSheet(project, sheet, [](const Sheet& before) {
      Sheet after = before;
      after.width = 600;
      after.height = 800;
      after.items = {};
      return after;
    });
  }
  std::vector<Id> idsOn() const {
    std::vector<Id> out;
    for (const ItemPtr& item : findSheet(project, sheet)->items) out.push_back(item->id);
    return out;
  }
  /// What an item says that shows, back to front.
  static void addTyped(const Item& item, std::string& typed) {
    if (!item.isDelivered()) return;
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
    project = withSheet(project, sheet, [](const Sheet& before) {
      Sheet after = before;
      after.items = {};
      return after;
    });
    add(std::move(content), {40, 40});
    ASSERT_EQ(readBack(project, sheet).toStdString(), typed.toStdString()) << round;
  }
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
}

}  // namespace
}  // namespace widecut
