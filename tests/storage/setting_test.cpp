// What a file says of a piece's setting, of locked items and of templates.
#include <gtest/gtest.h>

#include <string>

#include "project/edits/sheets.h"
#include "sample.h"
#include "storage/project_json.h"

namespace widecut {
namespace {

struct SettingTest : testing::Test, Sample {
  ProjectTexts texts() {
    PieceForm form = formOf(*project.pieces.front());
    form.setting = {Unit::Inch, 36, 18, 36, 72, 4, 9};
    return projectTexts(withPieceForm(project, 1, form, Kept::WhereTheyAre), {});
  }
  /// The problem with a file in which one text was put in the place of another.
  std::string problemWith(const std::string& text, const std::string& other) {
    ProjectTexts changed = texts();
    const auto at = changed.project.find(text);
    EXPECT_NE(at, std::string::npos) << text;
    changed.project.replace(at, text.size(), other);
    const auto read = projectFrom(changed);
    return read ? "" : read.error().message;
  }
};

TEST_F(SettingTest, ComesBackAsItWas) {
  const auto read = projectFrom(texts());
  ASSERT_TRUE(read) << read.error().message;
  EXPECT_EQ(read->pieces.front()->setting, (Setting{Unit::Inch, 36, 18, 36, 72, 4, 9}));
}

TEST_F(SettingTest, TheUsualOneIsNotWritten) {
  EXPECT_EQ(projectTexts(project, {}).project.find("setting"), std::string::npos);
}

TEST_F(SettingTest, WrongOnesAreRefusedWithTheirPlace) {
  const std::string place = "pieces[0].setting.";
  EXPECT_NE(problemWith("\"in\"", "\"cubit\"").find(place + "unit"), std::string::npos);
  EXPECT_NE(problemWith("\"columns\": 4", "\"columns\": 0").find(place + "columns"), std::string::npos);
  EXPECT_NE(problemWith("\"columns\": 4", "\"columns\": 1.5").find(place + "columns"), std::string::npos);
  EXPECT_NE(problemWith("\"gutter\": 9", "\"gutter\": -1").find(place + "gutter"), std::string::npos);
  EXPECT_NE(problemWith("18.0", "\"wide\"").find(place + "margins"), std::string::npos);
  EXPECT_NE(problemWith("18.0", "1e9").find(place + "margins"), std::string::npos);
  EXPECT_NE(problemWith("18.0", "18.0, 1").find(place + "margins"), std::string::npos);
}

TEST_F(SettingTest, LockedItemsAndTemplatesStayWhatTheyAre) {
  const Project marked = withItem(project, box, [](const Item& before) {
    Item after = before;
    after.locked = true;
    return after;
  });
  const Project both = withItem(marked, disc, [](const Item& before) {
    Item after = before;
    after.paleBy = 0.35;
    return after;
  });
  const auto read = projectFrom(projectTexts(both, {}));
  ASSERT_TRUE(read);
  EXPECT_TRUE(isSame(*read, both));
  EXPECT_TRUE(findItem(*read, box)->locked);
  EXPECT_FALSE(findItem(*read, box)->isTemplate());
  EXPECT_EQ(findItem(*read, disc)->paleBy, 0.35);
}

TEST_F(SettingTest, ItemsThatOlderFilesSayAreDimmedAreTemplates) {
  ProjectTexts texts = projectTexts(project, {});
  std::string& sheetText = texts.sheets.begin()->second;
  const std::string locked = "\"name\": \"disc\"";
  const auto at = sheetText.find(locked);
  ASSERT_NE(at, std::string::npos) << sheetText;
  sheetText.insert(at, "\"dimmed\":true,");
  const auto read = projectFrom(texts);
  ASSERT_TRUE(read) << read.error().message;
  EXPECT_NEAR(findItem(*read, disc)->paleBy, 0.7, 1e-12);
  EXPECT_FALSE(findItem(*read, box)->isTemplate());
}

}  // namespace
}  // namespace widecut
