// What single draw commands paint, pixel by pixel.
#include "painting/raster.h"

#include <gtest/gtest.h>

#include <QPainter>

#include <random>

#include "media/area_scale.h"
#include "output/png.h"
#include "painting/crowded_path.h"
#include "project/edits/cutouts.h"
#include "project/resolve.h"
#include "sample.h"
#include "test_photos.h"

namespace widecut {
namespace {

struct RasterTest : testing::Test, Sample {
  PhotoStore store;

  QImage painted(double ppi = 72, Ground ground = Ground::Paper) {
    const auto image = rasterOf(sceneOf(sheetOf(project)), store, ppi, ground);
    EXPECT_TRUE(image);
    return *image;
  }
  void restyle(Id id, const std::function<void(Style&)>& change) {
    project = withItem(project, id, [&](const Item& before) {
      Item after = before;
      change(changeable(after));
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

TEST_F(RasterTest, AGroupWiderThanIntegersReachIsPainted) {
  restyle(disc, [](Style& style) { style.opacity = 0.5; });
  const Scene scene = sceneOf(sheetOf(project));
  QImage image(20, 20, QImage::Format_ARGB32_Premultiplied);
  image.fill(Qt::transparent);
  QPainter painter(&image);
  painter.scale(1e9, 1e9);  // 40 points wide
  painter.translate(-120, -50);
  paintLayer(painter, scene.layers.back(), store, Photos::Wait);
  painter.end();
  EXPECT_NEAR(image.pixelColor(10, 10).alpha(), 128, 1);
}

TEST_F(RasterTest, OpacityActsOnTheWholeItemNotOnEachStroke) {
  restyle(disc, [](Style& style) {
    setColour(style, Colour{0, 0, 0});
    setLine(style, plainLine(Colour{0, 0, 0}, 10));
    style.opacity = 0.5;
  });
  const QImage image = painted();
  const int inside = image.pixelColor(120, 50).red(), underLine = image.pixelColor(128, 50).red();
  EXPECT_NEAR(inside, 128, 2);
  EXPECT_NEAR(underLine, inside, 2) << "no darker band where the line covers the fill";
}

TEST_F(RasterTest, ALineIsCentredOnItsOutline) {
  restyle(box, [](Style& style) {
    setColour(style, std::nullopt);
    setLine(style, plainLine(Colour{0, 0, 0}, 8));
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
  Id made = 0;
  project = withPhotoItem(project, sheet, medium, {{20, 20}, {120, 120}}, made);
  project = withoutItems(project, std::vector<Id>{box, disc});
  const QImage image = painted();
  EXPECT_GT(image.pixelColor(70, 20).red(), 250) << "the upper edge is white although the lower one is black";
  EXPECT_LT(image.pixelColor(70, 119).red(), 5);
}

TEST_F(RasterTest, APhotoIsInPlaceAtEveryScale) {
  const auto medium = *photoFromBytes(encoded(tones(512, 512), "PNG"), "tones.png");
  project = withPhotoIn(project, box, medium);
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

TEST_F(RasterTest, AMediumWithoutBytesIsACrossAndDoesNotCrash) {
  addPhoto(400, 300);
  project = withPhotoIn(project, box, photo);
  EXPECT_EQ(painted().pixelColor(20, 50), QColor(0x9a, 0xa6, 0xa8));
  EXPECT_EQ(painted().pixelColor(30, 30), QColor(0xbf, 0x3f, 0x26));
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
  const auto image = rasterOf(sceneOf(sheetOf(project)), store, 4800, Ground::Paper);
  ASSERT_TRUE(image) << "13334 × 10000 is allowed";
  Sheet large = sheetOf(project);
  large.width = large.height = 14400;
  const auto refused = rasterOf(sceneOf(large), store, 300, Ground::Paper);
  ASSERT_FALSE(refused);
  EXPECT_NE(refused.error().message.find("60000 × 60000"), std::string::npos) << refused.error().message;
}

/// Mean difference of two pictures of one size, and its largest one.
std::pair<double, int> difference(const QImage& a, const QImage& b) {
  double sum = 0;
  int most = 0;
  for (int y = 0; y < a.height(); ++y)
    for (int x = 0; x < a.width(); ++x) {
      const int d = std::abs(a.pixelColor(x, y).green() - b.pixelColor(x, y).green());
      sum += d;
      most = std::max(most, d);
    }
  return {sum / (a.width() * a.height()), most};
}

TEST_F(RasterTest, CrowdedPathsAreTheSameByEitherRasteriser) {
  const Outline star = fitted(starOutline(1, 1, 380, 0.9), {{5, 5}, {195, 145}});
  EXPECT_TRUE(isCrowded(star, QTransform::fromScale(4, 4), {800, 600}));
  EXPECT_FALSE(isCrowded(ellipseOutline(100, 100), QTransform::fromScale(4, 4), {800, 600}));
  const auto blank = [] {
    QImage image(800, 600, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::white);
    return image;
  };
  QImage ours = blank(), qt = blank();
  for (QImage* image : {&ours, &qt}) {
    QPainter painter(image);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.scale(4, 4);
    if (image == &ours) {
      fillCrowded(painter, star, QColor(10, 60, 30));
      strokeCrowded(painter, star, plainLine({200, 30, 20}, 1.5));
    } else {
      painter.fillPath(painterPath(star), QColor(10, 60, 30));
      QPen pen(QColor(200, 30, 20), 1.5, Qt::SolidLine, Qt::FlatCap, Qt::SvgMiterJoin);
      pen.setMiterLimit(4);
      painter.strokePath(painterPath(star), pen);
    }
  }
  EXPECT_LT(difference(ours, qt).first, 1.5);
  EXPECT_GT(difference(ours, blank()).first, 20);
}

TEST_F(RasterTest, ReducedPhotosAreTheMeanOfWhatTheyCover) {
  // Fine stripes and noise, where sampling too few pixels shows most.
  std::mt19937 random(5);
  QImage detail(601, 449, QImage::Format_RGB32);
  for (int y = 0; y < detail.height(); ++y)
    for (int x = 0; x < detail.width(); ++x)
      detail.setPixelColor(x, y, (x / 2 + y / 3) % 2 ? QColor::fromRgb(random() | 0xff000000u) : QColor(Qt::white));
  const auto medium = *photoFromBytes(encoded(detail, "PNG"), "detail.png");
  project = withoutItems(project, std::vector<Id>{disc, box});
  Id made = 0;
  project = withPhotoItem(project, sheet, medium, {{10, 10}, {190, 140}}, made);
  for (const double share : {0.4, 0.5, 0.63, 0.7}) {
    // `share` device pixels per photo pixel.
    const double width = boxInParent(*findItem(project, made)).width(), ppi = 72 * share * 601 / width;
    const QImage image = painted(ppi);
    const Affine toDevice = Affine::scale(ppi / 72, ppi / 72) * frameToSheet(project, made) *
                            shownPhoto(*findItem(project, made))->pixelsToFrame;
    const Affine back = *toDevice.inverse();
    const QRect inside(int(30 * ppi / 72), int(30 * ppi / 72), int(120 * ppi / 72), int(80 * ppi / 72));
    const Box from = back(
        Box{{double(inside.left()), double(inside.top())}, {double(inside.right() + 1), double(inside.bottom() + 1)}});
    const QImage want = areaScaled(detail, {from.low.x, from.low.y, from.width(), from.height()}, inside.size());
    EXPECT_LT(difference(image.copy(inside), want).first, 0.9) << share;
  }
}

TEST_F(RasterTest, BandsAreThePictureInPieces) {
  project = withPhotoIn(project, box, *photoFromBytes(encoded(tones(300, 200), "PNG"), "p"));
  restyle(disc, [](Style& style) { style.opacity = 0.5; });
  const Scene scene = sceneOf(sheetOf(project));
  const auto raster = Raster::of(scene, store, 100, Ground::Paper);
  ASSERT_TRUE(raster);
  EXPECT_TRUE(raster->isOpaque());
  const QImage whole = painted(100);
  for (int y = 0; y < raster->size().height(); y += 37)
    EXPECT_EQ(raster->band(y, 37), whole.copy(0, y, whole.width(), std::min(37, whole.height() - y))) << y;
}

TEST_F(RasterTest, APngIsReadAsThePictureItIs) {
  for (const Ground ground : {Ground::Paper, Ground::Transparent}) {
    const auto png = pngOf(sceneOf(sheetOf(project)), store, 96, ground);
    ASSERT_TRUE(png);
    const QImage read = QImage::fromData(reinterpret_cast<const uchar*>(png->data()), static_cast<int>(png->size()));
    EXPECT_EQ(read.hasAlphaChannel(), ground == Ground::Transparent);
    EXPECT_NEAR(read.dotsPerMeterX() * 0.0254, 96, 0.1);
    EXPECT_LE(difference(read, painted(96, ground).convertToFormat(read.format())).second, 1);
  }
}

}  // namespace
}  // namespace widecut
