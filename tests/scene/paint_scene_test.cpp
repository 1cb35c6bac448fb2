// What fills, lines and effects come to in the scene.
#include <gtest/gtest.h>

#include <numbers>

#include "cutting/taper.h"
#include "project/edits/colours.h"
#include "project/edits/groups.h"
#include "sample.h"
#include "scene/drawing.h"
#include "scene/line_marks.h"

namespace widecut {
namespace {

struct PaintScene : testing::Test, Sample {
  Project styled(Id id, const std::function<void(Style&)>& change) {
    return withStyle(project, std::vector<Id>{id}, change);
  }
  Layer layer(const Project& p, Id id) { return layerOf(findItem(p, id), aroundOf(sheetOf(p))); }
  const GradientBrush& gradientOf(const Layer& layer) {
    return std::get<GradientBrush>(std::get<FillOutline>(layer.content->under.back()).brush);
  }
};

Gradient plainGradient(Reach reach) {
  Gradient gradient;
  gradient.stops = twoStops({0, 0, 0}, {255, 255, 255});
  gradient.reach = reach;
  return gradient;
}

TEST_F(PaintScene, AGradientOverTheItemGoesWithItAndOneOverTheSheetStays) {
  for (const Reach reach : {Reach::Item, Reach::Sheet}) {
    const Project p = styled(disc, [&](Style& s) { s.fills = {Fill{plainGradient(reach)}}; });
    const Project moved = withItem(p, disc, [](const Item& before) {
      Item after = before;
      after.position = after.position + Point{30, 10};
      return after;
    });
    const auto start = [&](const Project& q) {
      const Layer l = layer(q, disc);
      return (l.place * gradientOf(l).toOutline)(Point{0, 0});
    };
    const Point off = start(moved) - start(p);
    EXPECT_NEAR(off.x, reach == Reach::Item ? 30 : 0, 1e-9);
    EXPECT_NEAR(start(p).x, reach == Reach::Item ? 70 : 0, 1e-9);
    if (reach == Reach::Item)
      EXPECT_EQ(layer(moved, disc).content, layer(p, disc).content) << "shared: it is only elsewhere";
    else
      EXPECT_NE(layer(moved, disc).content, layer(p, disc).content);
  }
}

TEST_F(PaintScene, AGradientOverWhatAnItemIsInSpansTheGroup) {
  Project p =
      withStyle(project, std::vector<Id>{box, disc}, [](Style& s) { s.fills = {Fill{plainGradient(Reach::Whole)}}; });
  Id group = 0;
  p = grouped(p, std::vector<Id>{box, disc}, group);
  const Layer whole = layer(p, group);
  ASSERT_EQ(whole.content->inside.size(), 2U);
  for (const Layer& inner : whole.content->inside) {
    const Affine map = whole.place * inner.place * gradientOf(inner).toOutline;
    EXPECT_NEAR(map(Point{0, 0}).x, 0, 1e-9);
    EXPECT_NEAR(map(Point{1, 0}).x, 130, 1e-9);
  }
}

TEST_F(PaintScene, AHatchCoversItsShare) {
  const Outline square = fitted(rectangleOutline(1, 1), {{0, 0}, {100, 100}});
  for (const double turn : {0.0, 30.0, 45.0}) {
    Hatch hatch;
    hatch.pitch = 5;
    hatch.share = 0.3;
    hatch.turnDeg = turn;
    EXPECT_NEAR(std::abs(signedArea(hatched(square, bounds(square), hatch))), 3000, 60) << turn;
    hatch.kind = HatchKind::Dots;
    EXPECT_NEAR(std::abs(signedArea(hatched(square, bounds(square), hatch))), 10000 * std::numbers::pi * 0.15 * 0.15,
                60)
        << turn;
  }
  Hatch absurd;
  absurd.pitch = 0.05;
  absurd.kind = HatchKind::Dots;
  EXPECT_TRUE(isTooFine(absurd, bounds(square)));
  EXPECT_TRUE(hatched(square, bounds(square), absurd).isEmpty()) << "four million dots are none";
}

TEST_F(PaintScene, ATaperedLineHasTheAreaOfItsWidths) {
  Outline straight{{Contour{{0, 0}, {Segment::line({100, 0})}, false}}};
  const auto spindle = taperedLine(straight, 10, 0, 0);
  ASSERT_TRUE(spindle);
  EXPECT_NEAR(std::abs(signedArea(*spindle)), 500, 0.1);
  const auto wedge = taperedLine(straight, 10, 0.2, 1);
  ASSERT_TRUE(wedge);
  EXPECT_NEAR(std::abs(signedArea(*wedge)), 50 * 6 + 50 * 10, 0.1);
  const auto ring = taperedLine(transformed(ellipseOutline(100, 100), Affine{}), 4, 1, 1);
  ASSERT_TRUE(ring);
  EXPECT_NEAR(std::abs(signedArea(*ring)), std::numbers::pi * 100 * 4, 3);
}

TEST_F(PaintScene, LinesLieInsideAndOutside) {
  for (const Alignment where : {Alignment::Inside, Alignment::Outside, Alignment::Centre}) {
    const Project p = styled(box, [&](Style& s) {
      s.fills.clear();
      s.lines = {plainLine({0, 0, 0}, 6)};
      s.lines[0].shape.alignment = where;
    });
    const double expected = where == Alignment::Inside ? 100 : where == Alignment::Outside ? 112 : 106;
    EXPECT_NEAR(tightBox(layer(p, box)).width(), expected, 1e-3);
  }
}

TEST_F(PaintScene, EffectsMakeTheBoxReachAsFarAsTheyPaint) {
  const Project p = styled(box, [](Style& s) {
    Effect shadow = usualEffect(EffectKind::Shadow);
    shadow.numbers = {20, 0, 10, 0};
    s.effects = {shadow};
  });
  const Layer shadowed = layer(p, box);
  EXPECT_GE(shadowed.box().high.x, 120 + 15);
  EXPECT_EQ(shadowed.content->body.width(), 100);
  const Project mirrored = styled(box, [](Style& s) { s.effects = {usualEffect(EffectKind::MirrorBelow)}; });
  EXPECT_NEAR(tightBox(layer(mirrored, box)).height(), 100 + 2 + 50, 1e-6);
}

TEST_F(PaintScene, FollowersAreOutlinesAndHiddenPaintIsNotThere) {
  const Project p = styled(disc, [](Style& s) {
    Effect panel = usualEffect(EffectKind::PanelBehind), copy = usualEffect(EffectKind::OutlineCopy),
           tint = usualEffect(EffectKind::TintedCopy);
    panel.numbers = {10, 0, 0, 0};
    copy.numbers = {4, 1, 0, 0};
    tint.shown = false;
    s.effects = {panel, copy, tint};
    s.lines = {plainLine({0, 0, 0}, 50)};
    s.lines[0].shown = false;
  });
  const Layer l = layer(p, disc);
  ASSERT_EQ(l.content->finish.size(), 2U);
  EXPECT_TRUE(l.content->over.empty());
  EXPECT_NEAR(tightBox(l).width(), 80, 1e-6);
  const auto& panel = std::get<FillOutline>(l.content->finish[0].marks[0]);
  EXPECT_NEAR(std::abs(signedArea(*panel.outline)), 6400, 1e-6);
  const auto& copy = std::get<StrokeOutline>(l.content->finish[1].marks[0]);
  EXPECT_NEAR(bounds(*copy.outline).width(), 68, 0.05);
}

TEST_F(PaintScene, TheDrawingHasAGroupRoundWhatMixesAndFades) {
  const Project p = styled(box, [](Style& s) {
    s.blend = Blend::Multiply;
    s.effects = {usualEffect(EffectKind::Shadow), usualEffect(EffectKind::SoftEdge)};
  });
  Scene scene = sceneOf(sheetOf(p));
  scene.layers.resize(1);
  const auto commands = drawingOf(scene);
  ASSERT_EQ(commands.size(), 6U);
  EXPECT_EQ(std::get<PushGroup>(commands[0]).blend, Blend::Multiply);
  EXPECT_EQ(std::get<EffectPixels>(commands[1]).effect().kind, EffectKind::Shadow);
  EXPECT_TRUE(std::get<PushGroup>(commands[2]).fade);
  EXPECT_TRUE(std::holds_alternative<FillOutline>(commands[3]));
}

TEST_F(PaintScene, ColoursAlongALineAreWithinItsArea) {
  const Project p = styled(box, [](Style& s) {
    s.lines = {plainLine({0, 0, 0}, 8)};
    s.lines[0].colours = LineColours{twoStops({255, 0, 0}, {0, 0, 255}), false};
  });
  const Layer l = layer(p, box);
  const auto& group = std::get<MarkGroup>(l.content->over[0]);
  EXPECT_GT(group.fills.size(), 10U);
  EXPECT_NEAR(std::abs(signedArea(*group.clip)), 108 * 108 - 92 * 92, 1);
}

}  // namespace
}  // namespace widecut
