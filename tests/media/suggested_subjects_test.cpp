// What is found in pixels to be kept whole.
#include "media/suggested_subjects.h"

#include <gtest/gtest.h>

#include <QPainter>
#include <QRadialGradient>

#include "test_photos.h"

namespace widecut {
namespace {

/// A face that looks at the camera, 104 × 140 pixels large with `size` 1.
void drawFace(QPainter& painter, QPointF middle, double size) {
  painter.save();
  painter.translate(middle);
  painter.scale(size, size);
  painter.setPen(Qt::NoPen);
  const auto ellipses = [&](QColor colour, std::initializer_list<QPointF> middles, double rx, double ry) {
    painter.setBrush(colour);
    for (const QPointF at : middles) painter.drawEllipse(at, rx, ry);
  };
  ellipses(QColor(70, 45, 35), {{0, -12}}, 66, 82);
  QRadialGradient skin(QPointF(-10, -10), 80);
  skin.setColorAt(0, QColor(236, 196, 170));
  skin.setColorAt(1, QColor(190, 140, 112));
  painter.setBrush(skin);
  painter.drawEllipse(QPointF(0, 5), 52, 70);
  painter.setBrush(QColor(110, 70, 55));
  for (const double x : {-38.0, 10.0}) painter.drawRoundedRect(QRectF(x, -24, 28, 6), 3, 3);
  ellipses(QColor(150, 105, 85), {{-24, -8}, {24, -8}}, 15, 9);
  ellipses(QColor(235, 230, 225), {{-24, -8}, {24, -8}}, 11, 5.5);
  ellipses(QColor(40, 28, 24), {{-24, -8}, {24, -8}}, 5, 5);
  painter.setBrush(QColor(170, 118, 96));
  painter.drawPolygon(QPolygonF({{-3, -6}, {-12, 22}, {0, 27}, {12, 22}, {3, -6}}));
  ellipses(QColor(120, 70, 58), {{-7, 23}, {7, 23}}, 4, 2.5);
  ellipses(QColor(165, 75, 72), {{0, 44}}, 21, 6.5);
  painter.setBrush(QColor(90, 35, 35));
  painter.drawRect(QRectF(-20, 43, 40, 1.6));
  painter.restore();
}

QImage scene() {
  QImage picture(900, 600, QImage::Format_RGB32);
  picture.fill(QColor(120, 150, 170));
  return picture;
}

/// As soft as a lens draws.
QImage softened(const QImage& picture) {
  return picture.scaled(picture.size() / 2, Qt::IgnoreAspectRatio, Qt::SmoothTransformation)
      .scaled(picture.size(), Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
}

TEST(SuggestedSubjects, HeadsAreFoundWhereTheyAre) {
  QImage picture = scene();
  {
    QPainter painter(&picture);
    painter.setRenderHint(QPainter::Antialiasing);
    drawFace(painter, {220, 260}, 1.2);
    drawFace(painter, {560, 330}, 0.9);
  }
  picture = softened(picture);
  EXPECT_EQ(facesIn(picture).size(), 2U);
  PhotoStore store;
  const MediumPtr photo = *photoFromBytes(encoded(picture, "PNG"), "heads.png");
  const auto found = suggestedSubjects(store, *photo);
  ASSERT_EQ(found.size(), 2U);
  EXPECT_EQ(found[0].name, "head");
  for (const auto& [box, middle] :
       {std::pair{bounds(found[0].zone), Point{220, 260}}, std::pair{bounds(found[1].zone), Point{560, 330}}}) {
    EXPECT_LT(distance(box.centre(), middle), 25);
    EXPECT_GT(box.width(), 90);
    EXPECT_LT(box.width(), 200);
  }
}

TEST(SuggestedSubjects, WhereThereIsNoFaceWhatStandsOut) {
  QImage picture = scene();
  {
    QPainter painter(&picture);
    painter.fillRect(QRect(600, 380, 120, 60), QColor(190, 40, 30));
    painter.fillRect(QRect(0, 500, 900, 100), QColor(100, 130, 150));
  }
  EXPECT_TRUE(facesIn(picture).empty());
  const auto found = standingOutIn(picture);
  ASSERT_EQ(found.size(), 1U);
  EXPECT_LT(distance(found[0].centre(), {660, 410}), 15);
  EXPECT_GE(found[0].width(), 115);
  EXPECT_LE(found[0].width(), 190);
}

TEST(SuggestedSubjects, NothingInAnEvenPictureOrNone) {
  EXPECT_TRUE(standingOutIn(scene()).empty());
  EXPECT_TRUE(standingOutIn({}).empty());
  EXPECT_TRUE(facesIn({}).empty());
}

}  // namespace
}  // namespace widecut
