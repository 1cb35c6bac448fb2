// Folders of photos to choose from.
#include "media/stock.h"

#include <gtest/gtest.h>

#include <QFile>
#include <QTemporaryDir>

#include "test_photos.h"

namespace widecut {
namespace {

struct Stock : testing::Test {
  QTemporaryDir folder;
  void write(const char* name, const std::string& bytes) const {
    QFile file(folder.filePath(name));
    ASSERT_TRUE(file.open(QIODevice::WriteOnly));
    file.write(bytes.data(), static_cast<qint64>(bytes.size()));
  }
  std::vector<StockPhoto> all() const { return stockIn(folder.path()); }
};

TEST_F(Stock, PhotosAreListedWithWhatTheCatalogueSays) {
  write("b.png", encoded(tones(60, 40), "PNG"));
  write("a.jpg", turnedJpeg(tones(60, 40)));
  write("notes.txt", "no picture");
  write("broken.png", "no picture either");
  write(
      "stock.json",
      R"([{"file": "b.png", "title": "Aerial view", "words": "bridge Snöw", "licence": "free", "credit": "the railway"},
            {"file": "missing.png", "title": "Not there"}, 7])");
  const auto photos = all();
  ASSERT_EQ(photos.size(), 2U);
  // By title; upright.
  EXPECT_EQ(photos[0].title, "a");
  EXPECT_EQ(photos[0].width, 40);
  EXPECT_EQ(photos[0].height, 60);
  EXPECT_TRUE(photos[0].licence.isEmpty());
  EXPECT_EQ(photos[1].title, "Aerial view");
  EXPECT_EQ(photos[1].terms(), "the railway, free");
}

TEST_F(Stock, EachWordOfTheQuestionBeginsSomeWord) {
  const std::vector<StockPhoto> photos{{"", "Morning ridge", "mountain snow dawn", "", "", 1, 1},
                                       {"", "Viaduct", "bridge Snöw", "", "", 1, 1}};
  EXPECT_EQ(matching(photos, "").size(), 2U);
  EXPECT_EQ(matching(photos, "SNO").size(), 1U);
  EXPECT_EQ(matching(photos, "snö, via")[0].title, "Viaduct");
  EXPECT_EQ(matching(photos, "ridge dawn").size(), 1U);
  EXPECT_TRUE(matching(photos, "ridge bridge").empty());
  EXPECT_TRUE(matching(photos, "idge").empty());
}

TEST_F(Stock, BrokenCataloguesSayNothingAndFoldersThatAreGoneAreEmpty) {
  write("a.png", encoded(tones(60, 40), "PNG"));
  for (const char* text : {"", "{", "[[[", R"({"file": 3})", R"([{"file": ["a.png"], "title": {}}])"}) {
    write("stock.json", text);
    ASSERT_EQ(all().size(), 1U) << text;
    EXPECT_EQ(all()[0].title, "a");
  }
  EXPECT_TRUE(stockIn({}).empty());
  EXPECT_TRUE(stockIn(folder.filePath("no such folder")).empty());
  EXPECT_TRUE(stockIn(folder.path(), 0).empty());
}

}  // namespace
}  // namespace widecut
