// What single draw commands paint, pixel by pixel.
#include "output/raster.h"

#include <gtest/gtest.h>

#include <QPainter>

#include "project/cutouts.h"
#include "sample.h"
#include "test_photos.h"

namespace widecut {
namespace {

struct RasterTest : testing::Test, Sample {
  PhotoStore store;

  QImage painted(double ppi = 72, Ground ground = Ground::Paper) {
    const auto image = rasterOf(sceneOf(project, sheetOf(project)), project.media, store, ppi, ground);
    EXPECT_TRUE(image);
    return *image;
  }
  void restyle(Id id, const std::function<void(Style&)>& change) {
    project = withItem(project, id, [&](const Item& before) {
      Item after = before;
      change(after.style);
      return after;
    });
  }
};

TEST_F(RasterTest, SizeAndResolutionFollowThePpi) {
  EXPECT_EQ(painted(72).size(), QSize(200, 150));
  const QImage fine = painted(150);
  EXPECT_EQ(fine.size(), QSize(417, 313)) << "rounded up: nothing of the sheet is cut";
  EXPECT_NEAR(fine.dotsPerMeterX() * 0.0254, 150, 0.1);
}

TEST_F(RasterTest, FillsPaperAndClearGround) {
  const QImage image = painted();
  EXPECT_EQ(image.pixelColor(20, 20), QColor(200, 40, 30));
  EXPECT_EQ(image.pixelColor(120, 50), QColor(20, 90, 160));
  EXPECT_EQ(image.pixelColor(190, 140), QColor(Qt::white));
  EXPECT_EQ(painted(72, Ground::Transparent).pixelColor(190, 140).alpha(), 0);
}

TEST_F(RasterTest, OpacityActsOnTheWholeItemNotOnEachStroke) {
  restyle(disc, [](Style& style) {
    style.fill = Colour{0, 0, 0};
    style.line = Line{{0, 0, 0}, 10};
    style.opacity = 0.5;
  });
  const QImage image = painted();
  const int inside = image.pixelColor(120, 50).red(), underLine = image.pixelColor(128, 50).red();
  EXPECT_NEAR(inside, 128, 2);
  EXPECT_NEAR(underLine, inside, 2) << "no darker band where the line covers the fill";
}

TEST_F(RasterTest, ALineIsCentredOnItsOutline) {
  restyle(box, [](Style& style) {
    style.fill.reset();
    style.line = Line{{0, 0, 0}, 8};
  });
  project = withoutItems(project, std::vector<Id>{disc});
  const QImage image = painted();
  EXPECT_EQ(image.pixelColor(97, 50), QColor(Qt::black));
  EXPECT_EQ(image.pixelColor(103, 50), QColor(Qt::black));
  EXPECT_EQ(image.pixelColor(105, 50), QColor(Qt::white));
  EXPECT_EQ(image.pixelColor(94, 50), QColor(Qt::white));
  EXPECT_EQ(image.pixelColor(103, 103), QColor(Qt::black)) << "corners are mitred";
}

TEST_F(RasterTest, AHoleShowsWhatIsBehind) {
  Id made = 0;
  project = combined(project, std::vector<Id>{box, disc}, Outcome::SubtractFront, {box, 0}, made);
  const Id back = add("back", fitted(rectangleOutline(1, 1), {{0, 0}, {200, 150}}), {1, 200, 2});
  project = sentToBack(project, std::vector<Id>{back});
  EXPECT_EQ(painted().pixelColor(90, 50), QColor(1, 200, 2));
}

TEST_F(RasterTest, PhotosDoNotBleedFromTheOppositeEdge) {
  QImage halves(64, 64, QImage::Format_RGB32);
  halves.fill(Qt::black);
  for (int y = 0; y < 32; ++y)
    for (int x = 0; x < 64; ++x) halves.setPixelColor(x, y, Qt::white);
  const auto medium = *photoFromBytes(encoded(halves, "PNG"), "halves.png");
  project = withMedium(project, medium);
  Id made = 0;
  project = withPhotoItem(project, sheet, medium->hash, {{20, 20}, {120, 120}}, made);
  project = withoutItems(project, std::vector<Id>{box, disc});
  const QImage image = painted();
  EXPECT_GT(image.pixelColor(70, 20).red(), 250) << "the upper edge is white although the lower one is black";
  EXPECT_LT(image.pixelColor(70, 119).red(), 5);
}

TEST_F(RasterTest, APhotoIsInPlaceAtEveryScale) {
  const auto medium = *photoFromBytes(encoded(tones(512, 512), "PNG"), "tones.png");
  project = withMedium(project, medium);
  project = withPhotoIn(project, box, medium->hash);
  project = withoutItems(project, std::vector<Id>{disc});
  for (const double ppi : {18.0, 36.0, 72.0, 300.0}) {
    const QImage image = painted(ppi);
    const double s = ppi / 72;
    const auto seen = [&](double x, double y) { return image.pixelColor(int(x * s), int(y * s)); };
    EXPECT_GT(seen(40, 60).red(), 150) << ppi;
    EXPECT_GT(seen(60, 60).blue(), 150) << ppi;
    EXPECT_GT(seen(50, 10).green(), 120) << ppi;
  }
}

TEST_F(RasterTest, AMissingMediumPaintsNothingAndDoesNotCrash) {
  restyle(box, [](Style& style) { style.photo = PhotoFill{"none", {}}; });
  EXPECT_EQ(painted().pixelColor(20, 20), QColor(200, 40, 30)) << "the fill colour shows instead";
}

TEST_F(RasterTest, HiddenItemsAreNotDelivered) {
  project = withItem(project, disc, [](const Item& before) {
    Item after = before;
    after.hidden = true;
    return after;
  });
  EXPECT_EQ(painted().pixelColor(120, 50), QColor(Qt::white));
}

TEST_F(RasterTest, HugePicturesAreRefusedWithTheirSize) {
  const auto image = rasterOf(sceneOf(project, sheetOf(project)), project.media, store, 4800, Ground::Paper);
  ASSERT_TRUE(image) << "13334 × 10000 is allowed";
  Sheet large = sheetOf(project);
  large.width = large.height = 14400;
  const auto refused = rasterOf(sceneOf(project, large), project.media, store, 300, Ground::Paper);
  ASSERT_FALSE(refused);
  EXPECT_NE(refused.error().message.find("60000 × 60000"), std::string::npos) << refused.error().message;
}

}  // namespace
}  // namespace widecut
