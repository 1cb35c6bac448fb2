// Words in outlines and along lines, by mouse and keys in the real window.
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QTemporaryDir>

#include <gtest/gtest.h>

#include "job_photos.h"
#include "node_hands.h"
#include "project/edits/fills.h"
#include "project/edits/words.h"
#include "project/edits/words_following.h"

namespace widecut {
namespace {

const char* const story =
    "The line climbs from the lake to the ridge in nineteen minutes, and the last carriage leaves the upper station "
    "when the lamps on the viaduct are lit. Nobody has ever counted the teeth of the rack, but the oldest driver says "
    "that there are as many of them as there are days in a long life.";

struct WordsHands : NodeHands {
  const Words& words() { return *wordsOf(*only()); }
  /// A pick from a menu.
  void pick(const char* name) {
    ++actions;
    window.findChild<QAction*>(name)->trigger();
    settle();
  }
  /// The distances of the letters' points from a place of the sheet.
  std::pair<double, double> reach(Point from) {
    std::pair<double, double> out{1e9, 0};
    const Outline onSheet = transformed(*words().outline(), frameToSheet(desk().project(), only()->id));
    for (const auto& run : flattened(onSheet, 0.1))
      for (const Point p : run) out = {std::min(out.first, distance(p, from)), std::max(out.second, distance(p, from))};
    return out;
  }
};

TEST(WordsJobs, J7WordsAlongADrawnPathAnOutlineAndASpiral) {
  WordsHands w;
  // A drawn path: three nodes.
  w.key(Qt::Key_3);
  for (const Point p : {w.mm(30, 90), w.mm(80, 60), w.mm(130, 90)}) w.click(p);
  w.key(Qt::Key_Return);
  const Id path = w.only()->id;
  w.key(Qt::Key_W, Qt::ShiftModifier);
  w.typeOnMat("up to the ridge");
  w.key(Qt::Key_Escape);
  const int alongPath = w.actions;
  ASSERT_EQ(w.words().content().on, path);
  ASSERT_TRUE(w.words().content().along);
  EXPECT_TRUE(w.words().set().fits());
  EXPECT_GT(w.words().set().lines[0].bends.size(), 10U);

  // An outline.
  w.key(Qt::Key_Escape);
  w.actions = 0;
  w.key(Qt::Key_5);
  w.drag(w.mm(150, 40), w.mm(210, 100));
  const Id disc = w.only()->id;
  w.key(Qt::Key_8);
  w.click(w.mm(180, 40));
  w.typeOnMat("round the lake and round the peak");
  w.key(Qt::Key_Escape);
  const int alongOutline = w.actions;
  EXPECT_EQ(w.words().content().on, disc);
  EXPECT_GT(w.reach(w.mm(180, 70)).first, w.mm(28.5, 0).x);

  // A spiral, found by its name.
  w.key(Qt::Key_Escape);
  w.actions = 0;
  w.key(Qt::Key_F, Qt::ControlModifier);
  w.typeShown("findShape", "even spiral");
  w.actions -= 1;
  w.drag(w.mm(60, 110), w.mm(150, 200));
  const Id spiral = w.only()->id;
  const Outline band = transformed(resolved(*w.only())->outline, frameToSheet(w.desk().project(), spiral));
  w.key(Qt::Key_8);
  w.click(band.contours[0].segments[1].end);
  w.typeOnMat("every hour from ten past seven, snow or shine, and back again when the lamps are lit");
  w.key(Qt::Key_Escape);
  const int alongSpiral = w.actions;
  EXPECT_EQ(w.words().content().on, spiral);
  EXPECT_TRUE(w.words().content().along);
  std::printf("actions J7: %d (path), %d (outline), %d (spiral)\n", alongPath, alongOutline, alongSpiral);
  EXPECT_LE(alongPath + alongOutline + alongSpiral, 24);

  // What they run along is changed, and they follow.
  const Point before = boxInParent(*w.only()).centre();
  w.desk().select({spiral});
  w.key(Qt::Key_Right, Qt::ShiftModifier);
  const ItemPtr words = findItem(w.desk().project(), w.desk().sheet()->items.back()->id);
  EXPECT_GT(boxInParent(*words).centre().x, before.x + 5);
}

TEST(WordsJobs, J20ASlantedFrameJustifiedWithADropCap) {
  WordsHands w;
  // The dark panel of the ad, and a frame of words in it.
  w.key(Qt::Key_4);
  w.drag(w.mm(40, 30), w.mm(230, 190));
  w.desk().commit("dark", withFill(w.desk().settled(), std::vector<Id>{w.only()->id}, Colour{20, 30, 40}));
  w.actions = 0;
  w.key(Qt::Key_8);
  w.drag(w.mm(50, 40), w.mm(170, 180));
  w.typeOnMat(story);
  w.key(Qt::Key_Escape);
  const Id words = w.only()->id;
  // Its lower left corner to the right: the left edge slants.
  w.key(Qt::Key_2);
  w.drag(w.nodeAt(3), w.nodeAt(3) + w.mm(40, 0));
  w.key(Qt::Key_1);
  w.desk().select({words});
  w.press("align-justified");
  w.pressShown("groupDrop");
  w.typeShown("drop cap", "4");
  w.report("J20 words");
  EXPECT_LE(w.actions, 12);

  const Words& set = w.words();
  EXPECT_EQ(paragraphStyle(set.content().looks, set.content().style, 0).dropLines, 4);
  EXPECT_FALSE(set.content().style.hyphens);
  ASSERT_TRUE(set.content().frame->outline);
  ASSERT_GT(set.set().shown, 6U);
  // The edge goes on to the right, and so do the lines.
  for (std::size_t i = 5; i < set.set().shown; ++i)
    EXPECT_GT(set.set().lines[i].start.x, set.set().lines[i - 1].start.x) << i;
  EXPECT_EQ(colourOf(*w.only()->style), (Colour{255, 255, 255})) << "light on what is dark";
  // The drop cap is as high as four lines, and white on the sheet.
  const Outline cap = transformed(set.outlineBetween(0, 1), frameToSheet(w.desk().project(), words));
  const Box box = bounds(cap);
  EXPECT_GT(box.height(), 3 * set.content().style.leading);
  w.desk().select({});
  EXPECT_EQ(w.seen({box.centre().x, box.low.y + 3}), QColor(Qt::white)) << "the bar of the T";
}

TEST(WordsJobs, J3AnotherFamilyAndAnotherWordKeepThePhoto) {
  WordsHands w;
  const QTemporaryDir folder;
  w.key(Qt::Key_8);
  w.type("letter size", "150");
  w.click(w.mm(30, 120));
  w.typeOnMat("HILL");
  w.drop(redPhoto(folder), w.mm(60, 100));
  w.key(Qt::Key_Escape);
  const Id word = w.only()->id;
  const auto framing = pictureOf(*w.only()->style)->framing;
  w.actions = 0;
  auto* family = w.window.findChild<QComboBox*>("fontFamily");
  w.actions += 2;  // a click into the field, and typing up to Enter
  QTest::mouseClick(family->lineEdit(), Qt::LeftButton);
  family->lineEdit()->selectAll();
  QTest::keyClicks(family->lineEdit(), "League Spartan");
  QTest::keyClick(family->lineEdit(), Qt::Key_Return);
  w.settle();
  const int another = w.actions;
  EXPECT_LE(another, 3);
  EXPECT_EQ(wordsOf(*findItem(w.desk().project(), word))->content().style.face.family, "League Spartan");
  w.actions = 0;
  w.key(Qt::Key_Return);
  w.typeOnMat("S");
  w.key(Qt::Key_Escape);
  const int typed = w.actions;
  EXPECT_LE(typed, 3);
  std::printf("actions J3 later: %d (another family), %d (typed on)\n", another, typed);
  ASSERT_TRUE(pictureOf(*w.only()->style));
  EXPECT_NEAR(pictureOf(*w.only()->style)->framing.pointsPerPixel, framing.pointsPerPixel,
              framing.pointsPerPixel * 0.5);
}

TEST(WordsJobs, J5EachPieceKnowsItsLetter) {
  WordsHands w;
  w.key(Qt::Key_4);
  w.drag(w.mm(40, 40), w.mm(240, 140));
  w.key(Qt::Key_8);
  w.type("letter size", "150");
  w.click(w.mm(70, 120));
  w.typeOnMat("oil");
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_D);
  std::multiset<std::string> names;
  for (const ItemPtr& item : w.sheet().items) names.insert(item->name);
  EXPECT_EQ(names.count("letter o"), 1U);
  EXPECT_EQ(names.count("counter of o"), 1U);
  EXPECT_EQ(names.count("letter i"), 2U) << "with its dot";
  EXPECT_EQ(names.count("letter l"), 1U);
}

TEST(WordsJobs, WordsFlowOnIntoASecondFrame) {
  WordsHands w;
  w.key(Qt::Key_8);
  w.drag(w.mm(30, 30), w.mm(120, 70));
  w.typeOnMat(story);
  w.key(Qt::Key_Escape);
  const Id first = w.only()->id;
  EXPECT_FALSE(w.words().set().fits());
  w.key(Qt::Key_8);
  w.drag(w.mm(140, 30), w.mm(240, 120));
  w.typeOnMat("-");
  w.key(Qt::Key_Escape);
  const Id second = w.only()->id;
  w.desk().select({first, second});
  w.actions = 0;
  w.pick("flowOn");
  EXPECT_TRUE(wordsOf(*findItem(w.desk().project(), first))->set().fits());
  const Words& rest = *wordsOf(*findItem(w.desk().project(), second));
  EXPECT_EQ(rest.content().flowsFrom, first);
  EXPECT_GT(rest.set().lines.front().from, 20U);
  // The caret goes on from one frame into the other.
  w.desk().select({first});
  w.key(Qt::Key_Return);
  w.key(Qt::Key_End, Qt::ControlModifier);
  w.typeOnMat(" Yes.");
  w.key(Qt::Key_Escape);
  const std::string text = wordsOf(*findItem(w.desk().project(), first))->content().text;
  EXPECT_EQ(text.substr(text.size() - 5), " Yes.");
  EXPECT_EQ(wordsOf(*findItem(w.desk().project(), second))->set().lines.back().to, text.size());
}

TEST(WordsJobs, SelectedLettersLookOtherwise) {
  WordsHands w;
  w.key(Qt::Key_8);
  w.type("letter size", "40");
  w.click(w.mm(30, 80));
  w.typeOnMat("slow line");
  w.key(Qt::Key_Left, Qt::ControlModifier | Qt::ShiftModifier);
  w.key(Qt::Key_B, Qt::ControlModifier);
  const TextLooks looks = w.words().content().looks;
  ASSERT_EQ(looks.letters.size(), 1U);
  EXPECT_EQ(looks.letters[0].from, 5U);
  EXPECT_EQ(looks.letters[0].to, 9U);
  // The panel shows and changes what is selected alone.
  w.type("letter size", "80");
  EXPECT_EQ(w.words().content().style.size, 40);
  EXPECT_EQ(styleAt(w.words().content().text, w.words().content().looks, w.words().content().style, 6).size, 80);
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(styleAt(w.words().content().text, w.words().content().looks, w.words().content().style, 6).size, 40);
}

TEST(WordsJobs, ATextFileBecomesWordsWithItsHeadings) {
  WordsHands w;
  const QTemporaryDir folder;
  const QString path = folder.filePath("notes.md");
  QFile file(path);
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write("# Winter\n\nFrom *4 December* on.\n");
  file.close();
  w.drop(path, w.mm(100, 100));
  ASSERT_TRUE(w.only());
  EXPECT_EQ(w.words().content().text, "Winter\nFrom 4 December on.");
  EXPECT_TRUE(w.words().content().frame);
  ASSERT_EQ(w.desk().settled().textStyles.size(), 1U);
  EXPECT_EQ(w.desk().settled().textStyles[0]->name, "Heading");
}

}  // namespace
}  // namespace widecut
