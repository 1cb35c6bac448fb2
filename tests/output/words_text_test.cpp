// Words in a PDF, as poppler reads them.
#include <gtest/gtest.h>

#include <QFile>
#include <QProcess>
#include <QTemporaryDir>
#include <random>

#include "media/photo.h"
#include "output/deliver.h"
#include "project/edits/words_following.h"
#include "sample.h"

namespace widecut {
namespace {

/// The text of a sheet's PDF in the order in which it is written, white space as single blanks.
QString readBack(const Project& project, Id sheet) {
  const QTemporaryDir folder;
  const QString path = folder.filePath("words.pdf");
  PhotoStore store;
  const auto notes =
      deliver(project, {sheet, 0, *deliveryFormat("pdf"), 144, Ground::Paper}, store, path.toStdString());
  EXPECT_TRUE(notes) << notes.error().message;
  QProcess process;
  process.start("pdftotext", {"-raw", "-enc", "UTF-8", path, "-"});
  process.waitForFinished(20'000);
  EXPECT_TRUE(process.readAllStandardError().isEmpty()) << "a damaged PDF";
  return QString::fromUtf8(process.readAllStandardOutput()).simplified();
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
    content.frame = TextFrame{150 + static_cast<double>(random() % 300), 700};
    const QString typed = QString::fromStdString(content.text).simplified();
    project = withSheet(project, sheet, [](const Sheet& before) {
      Sheet after = before;
      after.items = {};
      return after;
    });
    add(std::move(content), {40, 40});
    QString read = readBack(project, sheet);
    // A drop cap is a letter of another size: readers set it apart from its word.
    if (round % 4 == 1) read.remove(1, read[1] == ' ' ? 1 : 0);
    ASSERT_EQ(read.toStdString(), typed.toStdString()) << round;
  }
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
