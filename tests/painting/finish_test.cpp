// Effects on pixels, blending, and how little a number of theirs paints anew.
#include "painting/finish.h"

#include <gtest/gtest.h>

#include <QPainter>
#include <cmath>
#include <random>

#include "media/gaussian.h"
#include "painting/blending.h"
#include "painting/colour_pick.h"
#include "painting/layer_cache.h"
#include "painting/raster.h"
#include "project/any_paint.h"
#include "project/edits/colours.h"
#include "sample.h"

namespace widecut {
namespace {

/// The exact convolution with a Gaussian that is integrated over each pixel, in doubles.
std::vector<double> exactly(const Plane& plane, double deviation) {
  const int reach = static_cast<int>(std::ceil(6 * deviation)) + 1;
  std::vector<double> kernel;
  double sum = 0;
  for (int i = -reach; i <= reach; ++i) kernel.push_back(std::exp(-i * i / (2 * deviation * deviation)));
  for (const double v : kernel) sum += v;
  for (double& v : kernel) v /= sum;
  const int w = plane.width, h = plane.height;
  const auto at = [w](int x, int y) {
    return static_cast<std::size_t>(y) * static_cast<std::size_t>(w) + static_cast<std::size_t>(x);
  };
  std::vector<double> across(plane.values.size()), out(plane.values.size());
  for (int y = 0; y < h; ++y)
    for (int x = 0; x < w; ++x)
      for (int k = std::max(-reach, -x); k <= std::min(reach, w - 1 - x); ++k)
        across[at(x, y)] +=
            static_cast<double>(plane.values[at(x + k, y)]) * kernel[static_cast<std::size_t>(k + reach)];
  for (int y = 0; y < h; ++y)
    for (int x = 0; x < w; ++x)
      for (int k = std::max(-reach, -y); k <= std::min(reach, h - 1 - y); ++k)
        out[at(x, y)] += across[at(x, y + k)] * kernel[static_cast<std::size_t>(k + reach)];
  return out;
}

/// The pixels of it from there on, as many as there were.
Plane softRows(const Plane& plane, double deviation, double left = 0, double top = 0) {
  const Softened softened(plane.width, plane.height, deviation,
                          [&](int y, float* to) { std::copy_n(plane.row(y), plane.width, to); });
  SoftRows rows(softened, left, top, plane.width);
  Plane out(plane.width, plane.height);
  for (int y = 0; y < plane.height; ++y) {
    rows.toRow(y);
    rows.read(0, plane.width / 3, out.row(y));
    rows.read(plane.width / 3, plane.width, out.row(y));
  }
  return out;
}

TEST(Gaussian, IsReadAnywhereAndIsNothingBeyond) {
  Plane plane(90, 70);
  for (int y = 20; y < 50; ++y) std::fill_n(plane.row(y) + 30, 25, 1.0F);
  for (const double deviation : {0.0, 3.0, 9.0, 30.0}) {
    const Plane there = softRows(plane, deviation), shifted = softRows(plane, deviation, 11, -7);
    for (int y = 7; y < 70; ++y)
      for (int x = 0; x < 79; ++x) ASSERT_NEAR(shifted.row(y)[x], there.row(y - 7)[x + 11], 1e-5) << deviation;
    const Plane far = softRows(plane, deviation, 4000, -5000);
    EXPECT_EQ(*std::max_element(far.values.begin(), far.values.end()), 0);
  }
  // Half a pixel on: between both neighbours.
  const Plane there = softRows(plane, 3), between = softRows(plane, 3, 0.5, 0);
  EXPECT_NEAR(between.row(35)[28], (there.row(35)[28] + there.row(35)[29]) / 2, 1e-5);
}

TEST(Gaussian, IsWithinOneOf255OfTheExactOneAtEveryWidth) {
  Plane plane(240, 180);
  for (int y = 0; y < 180; ++y)
    for (int x = 0; x < 240; ++x) {
      const bool disc = std::hypot(x - 90, y - 80)<50, bar = x> 150 && x < 163, hole = std::hypot(x - 80, y - 90) < 12;
      plane.row(y)[x] = (disc && !hole) || (bar && y > 30) ? 1 : 0;
    }
  for (const double deviation : {0.6, 1.0, 2.0, 4.5, 5.5, 7.3, 10.0, 16.0, 25.0, 40.0}) {
    const Plane soft = softRows(plane, deviation);
    const auto exact = exactly(plane, deviation);
    double worst = 0;
    for (std::size_t i = 0; i < exact.size(); ++i)
      worst = std::max(worst, std::abs(static_cast<double>(soft.values[i]) - exact[i]) * 255);
    std::printf("a deviation of %.1f pixels: within %.2f of 255\n", deviation, worst);
    EXPECT_LT(worst, 1) << deviation;
  }
}

TEST(Blending, FollowsTheFormulasOfTheStandard) {
  // One channel each: under 0.25 (64), over 0.6 (153), both opaque.
  const double b = 64 / 255.0, s = 153 / 255.0;
  const std::pair<Blend, double> expected[] = {{Blend::Normal, s},
                                               {Blend::Multiply, b * s},
                                               {Blend::Screen, b + s - b * s},
                                               {Blend::Overlay, 2 * b * s},
                                               {Blend::Darken, b},
                                               {Blend::Lighten, s},
                                               {Blend::ColourDodge, b / (1 - s)},
                                               {Blend::ColourBurn, 0},
                                               {Blend::HardLight, b + (2 * s - 1) - b * (2 * s - 1)},
                                               {Blend::SoftLight, b + (2 * s - 1) * (std::sqrt(b) - b)},
                                               {Blend::Difference, s - b},
                                               {Blend::Exclusion, b + s - 2 * b * s}};
  for (const auto& [blend, value] : expected) {
    const QRgb mixed = blended(qRgb(153, 153, 153), qRgb(64, 64, 64), blend);
    EXPECT_NEAR(qRed(mixed), value * 255, 1.01) << nameOf(blend);
    EXPECT_EQ(qAlpha(mixed), 255);
  }
  // Luminosity of one with the colour of the other: the weights are 0.3, 0.59, 0.11.
  const QRgb grey = blended(qRgb(0, 200, 0), qRgb(90, 90, 90), Blend::Luminosity);
  EXPECT_NEAR(qRed(grey), 118, 1);
  EXPECT_EQ(qRed(grey), qBlue(grey));
  // Over nothing every mode is plain.
  for (int i = 0; i < 16; ++i)
    EXPECT_EQ(blended(qRgba(100, 50, 25, 128), 0, static_cast<Blend>(i)), qRgba(100, 50, 25, 128)) << i;
}

struct FinishTest : testing::Test, Sample {
  PhotoStore store;

  void style(Id id, const std::function<void(Style&)>& change) {
    project = withStyle(project, std::vector<Id>{id}, change);
  }
  QImage painted(double ppi = 72) {
    const auto image = rasterOf(sceneOf(sheetOf(project)), store, ppi, Ground::Paper);
    EXPECT_TRUE(image);
    return *image;
  }
  static Effect shadow(double distance, double direction, double softness) {
    Effect out = usualEffect(EffectKind::Shadow);
    out.numbers = {distance, direction, softness, 0};
    out.colour = {0, 0, 0};
    out.opacity = 1;
    return out;
  }
};

TEST_F(FinishTest, AShadowFallsWhereItPointsAndThroughHoles) {
  project = withoutItems(project, std::vector<Id>{disc});
  // A frame with a hole from 30 to 70.
  project = withItem(project, box, [](const Item& before) {
    Item after = before;
    Outline frame = fitted(rectangleOutline(1, 1), {{-50, -50}, {50, 50}});
    const Outline hole = fitted(rectangleOutline(1, 1), {{-20, -20}, {20, 20}});
    Contour inner = hole.contours.front();
    std::vector<Point> corners{inner.start};
    for (const Segment& s : inner.segments) corners.push_back(s.end);
    if (corners.back() == corners.front()) corners.pop_back();
    std::reverse(corners.begin(), corners.end());
    frame.contours.push_back(polygon(corners).contours.front());
    after.form = std::make_shared<const Outline>(frame);
    return after;
  });
  style(box, [](Style& s) { s.effects = {shadow(15, 0, 0)}; });
  const QImage image = painted();
  EXPECT_EQ(image.pixelColor(110, 50), QColor(Qt::black)) << "to the right";
  EXPECT_EQ(image.pixelColor(50, 110), QColor(Qt::white)) << "and nowhere else";
  EXPECT_EQ(image.pixelColor(38, 50), QColor(Qt::black)) << "of the left side, seen through the hole";
  EXPECT_EQ(image.pixelColor(60, 50), QColor(Qt::white)) << "the hole lets light through";
}

TEST_F(FinishTest, TheLightStaysTheSheetsWhenAnItemTurns) {
  style(box, [](Style& s) { s.effects = {shadow(15, 90, 0)}; });
  project = withMapped(project, std::vector<Id>{box}, Affine::turn(pi / 2).about({50, 50}));
  EXPECT_EQ(painted().pixelColor(30, 110), QColor(Qt::black)) << "downwards on the sheet";
}

TEST_F(FinishTest, GlowsAndInnerShadowsKeepToTheirSideOfTheEdge) {
  project = withoutItems(project, std::vector<Id>{disc});
  const QImage before = painted();
  Effect glow = usualEffect(EffectKind::Glow);
  glow.colour = {0, 0, 255};
  style(box, [&](Style& s) { s.effects = {glow}; });
  QImage image = painted();
  EXPECT_EQ(image.pixelColor(90, 50), before.pixelColor(90, 50));
  EXPECT_LT(image.pixelColor(102, 50).red(), 120);
  EXPECT_EQ(image.pixelColor(150, 50), QColor(Qt::white));
  Effect inner = usualEffect(EffectKind::InnerShadow);
  inner.numbers = {6, 0, 4, 0};
  style(box, [&](Style& s) { s.effects = {inner}; });
  image = painted();
  EXPECT_LT(image.pixelColor(2, 50).red(), before.pixelColor(2, 50).red() - 40);
  EXPECT_EQ(image.pixelColor(60, 50), before.pixelColor(60, 50));
  EXPECT_EQ(image.pixelColor(105, 50), QColor(Qt::white));
}

TEST_F(FinishTest, ASoftEdgeFadesAndAMirrorImageFadesDownwards) {
  project = withoutItems(project, std::vector<Id>{disc});
  Effect soft = usualEffect(EffectKind::SoftEdge);
  soft.numbers = {20, 0, 0, 0};
  style(box, [&](Style& s) { s.effects = {soft}; });
  QImage image = painted();
  EXPECT_EQ(image.pixelColor(50, 50), QColor(200, 40, 30));
  EXPECT_GT(image.pixelColor(1, 50).green(), 225);
  Effect mirror = usualEffect(EffectKind::MirrorBelow);
  mirror.numbers = {4, 0.3, 0, 0};
  mirror.opacity = 1;
  style(box, [&](Style& s) { s.effects = {mirror}; });
  image = painted();
  EXPECT_EQ(image.pixelColor(50, 102), QColor(Qt::white)) << "the gap";
  EXPECT_LT(image.pixelColor(50, 106).green(), 80);
  EXPECT_GT(image.pixelColor(50, 130).green(), image.pixelColor(50, 110).green());
  EXPECT_EQ(image.pixelColor(50, 140), QColor(Qt::white));
}

TEST_F(FinishTest, AFillsModeMixesWithItsOwnItemAloneAndAnItemsWithAllBehindIt) {
  style(disc, [](Style& s) {
    s.fills = {Fill{Colour{255, 255, 0}}, Fill{Colour{0, 255, 255}}};
    s.fills[1].blend = Blend::Multiply;
  });
  EXPECT_EQ(painted().pixelColor(90, 50), QColor(0, 255, 0)) << "not darkened by the box behind";
  style(disc, [](Style& s) {
    s.fills = {Fill{Colour{0, 255, 255}}};
    s.blend = Blend::Multiply;
  });
  EXPECT_EQ(painted().pixelColor(90, 50), QColor(0, 40, 30));
  EXPECT_EQ(painted().pixelColor(120, 50), QColor(0, 255, 255));
}

TEST_F(FinishTest, BandsOfAPictureAreThoseOfTheWhole) {
  style(disc, [](Style& s) { s.effects = {shadow(9, 40, 14), usualEffect(EffectKind::RaisedEdge)}; });
  style(box, [](Style& s) {
    s.effects = {usualEffect(EffectKind::MirrorBelow), usualEffect(EffectKind::InnerGlow)};
    s.blend = Blend::Hue;
  });
  const Scene scene = sceneOf(sheetOf(project));
  const auto raster = Raster::of(scene, store, 144, Ground::Paper);
  const QImage whole = raster->band(0, raster->size().height());
  int worst = 0;
  for (int y = 0; y < whole.height(); y += 37) {
    const QImage band = raster->band(y, 37);
    for (int j = 0; j < band.height(); ++j)
      for (int x = 0; x < band.width(); ++x) {
        const QRgb a = band.pixel(x, j), b = whole.pixel(x, y + j);
        worst = std::max(
            {worst, std::abs(qRed(a) - qRed(b)), std::abs(qGreen(a) - qGreen(b)), std::abs(qBlue(a) - qBlue(b))});
      }
  }
  EXPECT_LE(worst, 2);
}

TEST_F(FinishTest, ANumberOfAnEffectIsWorkedOutFromTheBodyThatIsThere) {
  LayerCache cache(store);
  QImage screen(400, 300, QImage::Format_RGB32);
  const auto draw = [&] {
    screen.fill(Qt::white);
    QPainter painter(&screen);
    cache.drawExactly(painter, sheetOf(project), 2, screen.rect());
  };
  style(box, [](Style& s) { s.effects = {shadow(5, 0, 12)}; });
  draw();
  EXPECT_EQ(cache.keptBodyCount(), 0);
  style(box, [](Style& s) { s.effects[0].numbers[0] = 9; });
  draw();
  EXPECT_EQ(cache.keptBodyCount(), 1);
  const QImage fromBody = screen;
  LayerCache fresh(store);
  screen.fill(Qt::white);
  {
    QPainter painter(&screen);
    fresh.drawExactly(painter, sheetOf(project), 2, screen.rect());
  }
  EXPECT_EQ(fromBody, screen);
  const int before = cache.paintCount();
  project = withMapped(project, std::vector<Id>{disc}, Affine::move({3, 0}));
  draw();
  EXPECT_EQ(cache.paintCount(), before) << "what has effects beside it is painted from its raster";
}

TEST_F(FinishTest, EffectsFarLargerThanTheScreenAreStillWorkedOut) {
  style(box, [](Style& s) { s.effects = {shadow(2000, 45, 1000), usualEffect(EffectKind::SoftEdge)}; });
  LayerCache cache(store);
  QImage screen(300, 200, QImage::Format_RGB32);
  screen.fill(Qt::white);
  QPainter painter(&screen);
  cache.drawExactly(painter, sheetOf(project), 128, screen.rect());
  painter.end();
  EXPECT_FALSE(screen.isNull());
}

TEST_F(FinishTest, TheDropperSeesWhatIsDelivered) {
  EXPECT_EQ(colourOn(sceneOf(sheetOf(project)), store, {20, 20}, 0.5), (Colour{200, 40, 30}));
  EXPECT_EQ(colourOn(sceneOf(sheetOf(project)), store, {190, 140}, 0.5), (Colour{255, 255, 255}));
  style(box, [](Style& s) { s.opacity = 0.5; });
  EXPECT_NEAR(colourOn(sceneOf(sheetOf(project)), store, {20, 20}, 0.5).green, 148, 1);
}

TEST_F(FinishTest, PaintAtRandomIsPaintedAlikeByTheCacheAndInPictures) {
  std::mt19937 random(11);
  for (int round = 0; round < 25; ++round) {
    for (const Id id : {box, disc}) style(id, [&](Style& s) { AnyPaint(random).paint(s); });
    LayerCache cache(store);
    QImage screen(400, 300, QImage::Format_RGB32);
    screen.fill(Qt::white);
    QPainter painter(&screen);
    cache.drawExactly(painter, sheetOf(project), 2, screen.rect());
    painter.end();
    const QImage picture = painted(144);
    double sum = 0;
    for (int y = 0; y < 300; ++y)
      for (int x = 0; x < 400; ++x) sum += std::abs(qGreen(screen.pixel(x, y)) - qGreen(picture.pixel(x, y)));
    EXPECT_LT(sum / (400 * 300), 0.5) << round;
  }
}

}  // namespace
}  // namespace widecut
