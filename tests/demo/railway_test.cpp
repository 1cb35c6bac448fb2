// The demo project as a person gets it.
#include <gtest/gtest.h>

#include <QImage>
#include <set>

#include "media/video.h"
#include "media/video_reader.h"
#include "project/forms/words.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "scene/scene.h"
#include "storage/project_file.h"

namespace widecut {
namespace {

struct RailwayTest : testing::Test {
  Project project = [] {
    auto opened = openProject(DEMO_PROJECT);
    EXPECT_TRUE(opened);
    return opened ? *opened : Project{};
  }();
};

TEST_F(RailwayTest, IsABrochureSheetAndTwoSlides) {
  ASSERT_EQ(project.pieces.size(), 2U);
  const Sheet& brochure = *project.pieces[0]->sheets[0];
  EXPECT_NEAR(brochure.width, 297 * 72 / 25.4, 1e-6);
  EXPECT_NEAR(brochure.height, 210 * 72 / 25.4, 1e-6);
  EXPECT_EQ(brochure.folds.size(), 2U);
  const Sheet& slide = *project.pieces[1]->sheets[0];
  EXPECT_NEAR(slide.width / slide.height, 16.0 / 9, 1e-9);
}

TEST_F(RailwayTest, EverySheetHasLiveCutoutsWithPhotosOrAWordThatHoldsOne) {
  std::set<std::string> used;
  for (const SheetPtr& sheet : sheetsOf(project)) {
    int cutouts = 0, words = 0;
    for (const ItemPtr& item : sheet->items) {
      const auto photo = shownPhoto(*item);
      if (photo) used.insert(photo->medium->hash);
      cutouts += item->recipe() && photo;
      words += wordsOf(*item) && photo;
    }
    EXPECT_TRUE(cutouts >= 2 || words >= 1) << sheet->name;
  }
  EXPECT_EQ(used.size() + 1, mediaOf(project).size()) << "beside the video's own file none is carried along unused";
}

TEST_F(RailwayTest, AllItsWordsAreWordsAndFit) {
  int along = 0, shaped = 0;
  for (const SheetPtr& sheet : sheetsOf(project))
    for (const ItemPtr& item : sheet->items) {
      const Words* words = wordsOf(*item);
      if (!words) continue;
      EXPECT_TRUE(words->set().fits()) << item->name;
      along += words->content().along.has_value();
      shaped += words->content().frame && words->content().frame->outline;
    }
  EXPECT_EQ(along, 1);
  EXPECT_EQ(shaped, 1);
}

TEST_F(RailwayTest, ItsVideoIsSmallMovesAndLeadsOverToItsBeginning) {
  VideoPtr video;
  for (const auto& [hash, medium] : mediaOf(project))
    if (medium->video) video = medium->video;
  ASSERT_TRUE(video);
  EXPECT_LT(video->file.bytes->size(), 3'000'000U);
  EXPECT_TRUE(video->hasSound);
  EXPECT_NEAR(video->seconds, 8, 0.05);
  auto reader = VideoReader::of(video->file.bytes);
  ASSERT_TRUE(reader);
  std::vector<QImage> frames;
  while (reader->next()) frames.push_back(reader->image({192, 108}));
  ASSERT_EQ(frames.size(), 200U);
  const auto unlike = [](const QImage& a, const QImage& b) {
    double sum = 0;
    for (int y = 0; y < a.height(); ++y)
      for (int x = 0; x < a.width(); ++x) sum += std::abs(qGray(a.pixel(x, y)) - qGray(b.pixel(x, y)));
    return sum / (a.width() * a.height());
  };
  EXPECT_GT(unlike(frames[0], frames[100]), 4) << "the train is there";
  EXPECT_GT(unlike(frames[60], frames[140]), 3);
  // From the last frame to the first it is no further than from one frame to the next.
  EXPECT_LT(unlike(frames.back(), frames.front()), 2 * unlike(frames[100], frames[101]) + 1);
}

TEST_F(RailwayTest, NothingOverhangsASheetButTheCutsParts) {
  for (const SheetPtr& sheet : sheetsOf(project))
    for (const ItemPtr& item : sheet->items)
      EXPECT_TRUE(sheet->box().grown(0.01).contains(boxInParent(*item))) << item->name;
}

TEST_F(RailwayTest, NoWordsStandAcrossAFold) {
  const Sheet& brochure = *project.pieces[0]->sheets[0];
  for (const ItemPtr& item : brochure.items) {
    if (item->recipe() || resolved(*item)->outline.contours.size() < 4) continue;
    const Box box = boxInParent(*item);
    for (const double fold : brochure.folds) EXPECT_FALSE(box.low.x < fold && fold < box.high.x) << item->name;
  }
}

TEST_F(RailwayTest, PhotosAreLargeSharpAndFullOfTones) {
  PhotoStore store;
  ASSERT_GE(mediaOf(project).size(), 4U);
  for (const auto& [hash, medium] : mediaOf(project)) {
    if (medium->video || looksLikeVideo(*medium->bytes)) continue;
    EXPECT_GE(medium->width, 1600) << medium->name;
    EXPECT_GE(medium->height, 1200) << medium->name;
    EXPECT_LT(medium->bytes->size(), 600000U) << "small files";
    const QImage image = store.level(*medium, 0.25).image;
    std::set<int> tones;
    double edges = 0;
    for (int y = 1; y < image.height(); ++y)
      for (int x = 1; x < image.width(); ++x) {
        tones.insert(qGray(image.pixel(x, y)));
        edges += std::abs(qGray(image.pixel(x, y)) - qGray(image.pixel(x - 1, y)));
      }
    EXPECT_GT(tones.size(), 150U) << medium->name << " has the range of a photo";
    EXPECT_GT(edges / (image.width() * image.height()), 2) << medium->name << " has detail";
  }
}

TEST_F(RailwayTest, PhotosCoverTheirFrames) {
  for (const SheetPtr& sheet : sheetsOf(project))
    for (const ItemPtr& item : sheet->items) {
      const auto photo = shownPhoto(*item);
      if (!photo) continue;
      const Medium& m = *photo->medium;
      const Box pixels = (*photo->pixelsToFrame.inverse())(resolved(*item)->box);
      EXPECT_TRUE((Box{{0, 0}, {double(m.width), double(m.height)}}.grown(1).contains(pixels))) << item->name;
    }
}

}  // namespace
}  // namespace widecut
