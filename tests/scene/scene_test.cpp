#include "scene/scene.h"

#include <gtest/gtest.h>

#include "project/edits/cutouts.h"
#include "sample.h"
#include "scene/drawing.h"
#include "scene/hit.h"

namespace widecut {
namespace {

TEST(Scene, ListsVisibleItemsBackToFront) {
  Sample s;
  s.project = withItem(s.project, s.disc, [](const Item& before) {
    Item after = before;
    setLine(changeable(after), plainLine(Colour{0, 0, 0}, 4));
    changeable(after).opacity = 0.5;
    return after;
  });
  const Scene scene = sceneOf(s.sheetOf(s.project));
  ASSERT_EQ(scene.layers.size(), 2U);
  EXPECT_EQ(scene.layers[0].item->id, s.box);
  EXPECT_EQ(scene.layers[1].opacity, 0.5);
  const auto drawing = drawingOf(scene);
  ASSERT_EQ(drawing.size(), 5U);
  EXPECT_TRUE(std::holds_alternative<PushGroup>(drawing[1]));
  EXPECT_TRUE(std::holds_alternative<StrokeOutline>(drawing[3]));
  EXPECT_NEAR(scene.layers[1].box().width(), 64, 0.1) << "half the line on both sides, and no more";
}

TEST(Scene, APictureShowsOnlyWhereThereIsOne) {
  Sample s;
  s.addPhoto(100, 100);
  s.project = withItem(s.project, s.box, [&](const Item& before) {
    Item after = before;
    setPicture(changeable(after), Picture{s.photo, {{0, 0}, 0.5, 0}});  // covers the middle half only
    return after;
  });
  const Layer layer = layerOf(findItem(s.project, s.box));
  const auto& picture = std::get<FillOutline>(layer.content->under.back());
  EXPECT_TRUE(std::holds_alternative<PictureBrush>(picture.brush));
  EXPECT_NEAR(signedArea(*picture.outline), 2500, 0.1);
}

TEST(Scene, AnItemAloneStandsAtItsOwnOrigin) {
  const Sample s;
  const Scene scene = sceneOfItem(s.project, s.disc);
  EXPECT_NEAR(scene.width, 60, 1e-6);
  EXPECT_EQ(scene.paper.alpha, 0);
  EXPECT_NEAR(tightBox(scene.layers[0]).low.x, 0, 1e-9);
}

TEST(Hit, TheFrontmostItemIsFoundAndHolesLetThrough) {
  Sample s;
  EXPECT_EQ(itemAt(s.sheetOf(s.project), {90, 50}, 1), s.disc);
  EXPECT_EQ(itemAt(s.sheetOf(s.project), {20, 50}, 1), s.box);
  EXPECT_EQ(itemAt(s.sheetOf(s.project), {180, 140}, 1), 0U);
  Id made = 0;
  const std::vector<Id> both{s.box, s.disc};
  const Project p = combined(s.project, both, Outcome::SubtractFront, {s.box, 0}, made);
  EXPECT_EQ(itemAt(s.sheetOf(p), {90, 50}, 1), 0U) << "a cut is a real hole";
  EXPECT_EQ(partAt(p, made, {115, 50}, 1), s.disc);
}

TEST(Hit, TheMarqueeTakesWhatLiesWhollyInside) {
  const Sample s;
  EXPECT_EQ(itemsWithin(s.sheetOf(s.project), {{60, 10}, {140, 90}}), std::vector<Id>{s.disc});
  EXPECT_EQ(itemsWithin(s.sheetOf(s.project), {{-1, -1}, {140, 101}}).size(), 2U);
}

TEST(Scene, TheBoxOfALayerIsWhatItPaints) {
  Sample s;
  const auto lined = [&](Id id, double width) {
    s.project = withItem(s.project, id, [&](const Item& before) {
      Item after = before;
      setLine(changeable(after), plainLine(Colour{0, 0, 0}, width));
      return after;
    });
    return layerOf(findItem(s.project, id)).box();
  };
  EXPECT_NEAR(lined(s.box, 8).width(), 108, 1e-9);
  // An upright needle: its mitre is longer than four half widths, so it is cut off.
  const Id needle = s.add("needle", polygon({{50, 0}, {52, 100}, {48, 100}}), {1, 2, 3});
  EXPECT_NEAR(lined(needle, 4).low.y, -0.04, 0.05);
  const Id wedge = s.add("wedge", polygon({{50, 0}, {100, 100}, {0, 100}}), {1, 2, 3});
  EXPECT_NEAR(lined(wedge, 4).low.y, -2 * std::sqrt(5), 1e-6) << "a mitre reaches 1/sin of half its angle";
  s.addPhoto(100, 100);
  s.project = withItem(s.project, s.box, [&](const Item& before) {
    Item after = before;
    after.style = bareStyle();
    setPicture(changeable(after), Picture{s.photo, {{0, 0}, 0.5, 0}});
    return after;
  });
  EXPECT_NEAR(layerOf(findItem(s.project, s.box)).box().width(), 50, 1e-9) << "a photo smaller than it";
}

TEST(Scene, WhatIsWhollyOffTheSheetIsLeftOut) {
  Sample s;
  s.project = withMapped(s.project, std::vector<Id>{s.disc}, Affine::move({300, 0}));
  EXPECT_EQ(sceneOf(s.sheetOf(s.project)).layers.size(), 1U);
  EXPECT_EQ(sceneOf(s.sheetOf(s.project), 200).layers.size(), 2U) << "unless the bleed reaches it";
}

}  // namespace
}  // namespace widecut
