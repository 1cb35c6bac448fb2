#include "project/edits/reshaping.h"

#include <gtest/gtest.h>

#include "geometry/path_data.h"
#include "project/edits/cutouts.h"
#include "project/edits/pieces.h"
#include "project/edits/places.h"
#include "project/edits/starters.h"
#include "project/edits/tree.h"
#include "project/resolve.h"
#include "sample.h"
#include "shapes/node_edits.h"

namespace widecut {
namespace {

class ReshapingItems : public testing::Test {
 protected:
  Id add(const char* path) {
    const Id id = project.nextId;
    project = withItemsOnTop(project, sample.sheet, {plainItem(id, "shape", *parsePathData(path), {})});
    return id;
  }
  Id addStarter(const char* kind, const Box& box) {
    const Id id = project.nextId;
    project = withItemsOnTop(project, sample.sheet, {starterItem(id, kind, *starterKind(kind), {}, box, {})});
    return id;
  }
  NodePaths nodes(Id id) { return *nodesOf(*findItem(project, id)); }
  Point onSheet(Id id, NodePlace p) { return frameToSheet(project, id)(nodes(id)[p.path].nodes[p.node].at); }
  Sample sample;
  Project project = sample.project;
};

TEST_F(ReshapingItems, NodesOfSeveralItemsMoveAsOne) {
  const Id a = add("M0 0L100 0L100 100L0 100Z"), b = add("M200 0L300 0L300 100L200 100Z");
  project = withMapped(project, std::vector<Id>{b}, Affine::turn(0.7).about({250, 50}));
  const Point before = onSheet(b, {0, 2});
  project = withNodesMapped(project, {{a, {{0, 1}, {0, 2}}}, {b, {{0, 2}}}}, Affine::move({10, -4}), {0, 0});
  EXPECT_EQ(onSheet(a, {0, 1}), (Point{110, -4}));
  EXPECT_EQ(onSheet(a, {0, 0}), (Point{0, 0}));
  EXPECT_LE(distance(onSheet(b, {0, 2}), before + Point{10, -4}), 1e-10);
}

TEST_F(ReshapingItems, PartsInsideCutoutsAreReshapedAndStayParts) {
  const Id a = add("M0 0L100 0L100 100L0 100Z"), b = add("M50 50L150 50L150 150L50 150Z");
  const std::vector<Id> both{a, b};
  Id cutout = 0;
  project = combined(project, both, Outcome::SubtractFront, {}, cutout);
  const double before = signedArea(resolved(*findItem(project, cutout))->outline);
  project = withNodesMapped(project, {{b, {{0, 0}}}}, Affine::move({-20, -20}), {0, 0});
  ASSERT_TRUE(findItem(project, cutout)->recipe());
  EXPECT_LT(signedArea(resolved(*findItem(project, cutout))->outline), before - 500);
}

TEST_F(ReshapingItems, CornersOfWhatACutoutComesToAreTreatedAndStayLive) {
  const Id a = add("M0 0L100 0L100 100L0 100Z"), b = add("M50 50L150 50L150 150L50 150Z");
  Id cutout = 0;
  project = combined(project, std::vector<Id>{a, b}, Outcome::SubtractFront, {}, cutout);
  const auto area = [&](Id id) { return signedArea(resolved(*findItem(project, id))->outline); };
  EXPECT_NEAR(area(cutout), 7500, 1e-9);
  const Project sharp = project;
  project = withAllCorners(project, cutout, {CornerKind::Bevel, 10});
  // Five corners lose a triangle, the one that points inwards gains one.
  EXPECT_NEAR(area(cutout), 7500 - 4 * 50, 1e-9);
  ASSERT_EQ(findItem(project, cutout)->recipe()->parts.size(), 2U);
  // A part moves on, and the corners with it.
  project = withMapped(project, std::vector<Id>{b}, Affine::move({100, 100}));
  EXPECT_NEAR(area(cutout), 10000 - 4 * 50, 1e-9) << "only the square's own are left";
  project = withMapped(project, std::vector<Id>{b}, Affine::move({-100, -100}));
  // Scaled, it is kept as a number.
  project = withMapped(project, std::vector<Id>{cutout}, Affine::scale(2, 2));
  EXPECT_NEAR(findItem(project, cutout)->recipe()->corners.size, 20, 1e-12);
  EXPECT_NEAR(area(cutout), 4 * 7300, 1e-8);
  project = withMapped(project, std::vector<Id>{cutout}, Affine::scale(0.5, 0.5));
  // A part of another recipe it counts as it is treated.
  const Id c = add("M-500 -500L500 -500L500 500L-500 500Z");
  Id whole = 0;
  project = combined(project, std::vector<Id>{c, cutout}, Outcome::Exclude, {}, whole);
  EXPECT_NEAR(area(whole), 1e6 - 7300, 1e-6);
  // Made plain, it looks the same; sharp again, it is what it was.
  const Project plain = withBaked(withAllCorners(sharp, cutout, {CornerKind::Round, 10}), cutout);
  EXPECT_NEAR(signedArea(resolved(*findItem(plain, cutout))->outline), 7500 - 4 * (100 - 25 * pi), 0.1);
  EXPECT_TRUE(isSame(withAllCorners(withAllCorners(sharp, cutout, {CornerKind::Step, 4}), cutout, {}), sharp));
}

TEST_F(ReshapingItems, APhotoStaysWhereItIs) {
  const Id frame = add("M0 0L100 0L100 100L0 100Z");
  const Framing framing{{0, 0}, 2, 0};
  project = withItem(project, frame, [&](const Item& item) {
    Item out = item;
    Style style = *item.style;
    sample.addPhoto(400, 300);
    setPicture(style, Picture{sample.photo, framing});
    out.style = std::make_shared<const Style>(style);
    return out;
  });
  project = withNodesMapped(project, {{frame, {{0, 1}}}}, Affine::move({60, 0}), {100, 0});
  EXPECT_EQ(pictureOf(*findItem(project, frame)->style)->framing.centre, framing.centre);
  EXPECT_EQ(pictureOf(*findItem(project, frame)->style)->framing.pointsPerPixel, 2);
}

TEST_F(ReshapingItems, AnEditOfAStartersNodesMakesItAnOutline) {
  const Id star = addStarter("star", {{0, 0}, {100, 100}});
  project = withNodesMapped(project, {{star, {{0, 0}}}}, Affine::move({0, -30}), {50, 0});
  EXPECT_FALSE(starterOf(*findItem(project, star)));
  EXPECT_EQ(nodes(star)[0].nodes.size(), 10u);
}

TEST_F(ReshapingItems, CornersOfAStarterKeepItsNumbers) {
  const Id box = addStarter("polygon", {{0, 0}, {100, 100}});
  const double sharp = signedArea(resolved(*findItem(project, box))->outline);
  project = withAllCorners(project, box, {CornerKind::Round, 8});
  ASSERT_TRUE(starterOf(*findItem(project, box)));
  EXPECT_LT(signedArea(resolved(*findItem(project, box))->outline), sharp);
  std::vector<double> numbers = starterOf(*findItem(project, box))->content().numbers;
  numbers[0] = 9;
  project = withNumbers(project, box, numbers);
  ASSERT_TRUE(treatedOf(*findItem(project, box)));
  EXPECT_EQ(treatedOf(*findItem(project, box))->corners().size(), 9u);
  for (const CornerPlace& corner : treatedOf(*findItem(project, box))->corners()) EXPECT_EQ(corner.size, 8);
  project = withBaked(project, box);
  EXPECT_FALSE(treatedOf(*findItem(project, box)));
  EXPECT_FALSE(starterOf(*findItem(project, box)));
}

TEST_F(ReshapingItems, CornersAreKeptAsNumbers) {
  const Id box = add("M0 0L100 0L100 100L0 100Z");
  project = withCorners(project, {{box, {{0, 1}}}}, {CornerKind::Scoop, 10});
  const auto corner = [&](std::size_t i) { return nodes(box)[0].nodes[i].corner; };
  EXPECT_EQ(corner(1), (Corner{CornerKind::Scoop, 10}));
  EXPECT_TRUE(corner(0).isSharp());
  // Scaled with everything, they grow; resized with their frame, they stay.
  const std::vector<Id> ids{box};
  project = withMapped(project, ids, Affine::scale(2, 2));
  EXPECT_EQ(corner(1).size, 20);
  project = withResized(project, ids, Affine::scale(0.5, 1));
  EXPECT_EQ(corner(1).size, 20);
  // They stay with their node through other edits.
  NodePlace made;
  project = withNodeAdded(project, box, {0, 0}, 0.5, made);
  EXPECT_EQ(made, (NodePlace{0, 1}));
  EXPECT_EQ(corner(2).size, 20);
  project = withoutNodes(project, {{box, {{0, 0}}}});
  EXPECT_EQ(corner(1).size, 20);
  // One may be sharp among others.
  project = withAllCorners(project, box, {CornerKind::Round, 5});
  project = withCorners(project, {{box, {{0, 1}}}}, {});
  EXPECT_TRUE(corner(1).isSharp());
  EXPECT_EQ(corner(0).size, 5);
}

TEST_F(ReshapingItems, MirroredItemsAreEditedOnBothSides) {
  const Id id = add("M-50 -50L50 -50L50 50L-50 50Z");
  project = withAxis(project, id, MirrorAxis{});
  EXPECT_TRUE(axisOf(*findItem(project, id)));
  NodePlace made;
  project = withNodeAdded(project, id, {0, 1}, 0.25, made);
  EXPECT_EQ(nodes(id)[0].nodes.size(), 6u);
  project = withNodesMapped(project, {{id, {made}}}, Affine::move({20, 3}), {50, 0});
  const NodePaths paths = nodes(id);
  EXPECT_TRUE(isSymmetric(paths, {}, 0));
  EXPECT_EQ(paths[0].nodes[made.node].at, (Point{70, -22}));
  // The axis moves and turns with the item.
  const std::vector<Id> ids{id};
  project = withMapped(project, ids, Affine::turn(0.4) * Affine::move({30, 0}));
  EXPECT_EQ(axisOf(*findItem(project, id))->through, Point{});
  project = withMapped(project, ids, Affine::scale(1, 2).about({3, 4}));
  project = withNodeKind(project, {{id, {made}}}, NodeKind::Even);
  EXPECT_TRUE(isSymmetric(nodes(id), *axisOf(*findItem(project, id)), 1e-9));
  project = withoutNodes(project, {{id, {made}}});
  EXPECT_EQ(nodes(id)[0].nodes.size(), 4u);
}

TEST_F(ReshapingItems, EndsAreJoinedWithinAndOverItems) {
  const Id a = add("M0 0L50 0L50 50"), b = add("M52 51L100 100L0 100");
  project = withEndsJoined(project, {a, 0, false}, {b, 0, true});
  EXPECT_FALSE(findItem(project, b));
  ASSERT_EQ(nodes(a).size(), 1u);
  EXPECT_EQ(nodes(a)[0].nodes.size(), 5u);
  EXPECT_LE(distance(onSheet(a, {0, 2}), {52, 51}), 1e-12);
  project = withEndsJoined(project, {a, 0, true}, {a, 0, false});
  EXPECT_TRUE(nodes(a)[0].closed);
  EXPECT_EQ(nodes(a)[0].nodes.size(), 4u);
}

TEST_F(ReshapingItems, APathIsDroppedIntoItsOwnItem) {
  const Id ring = add("M0 0L100 0L100 100L0 100Z M25 25L25 75L75 75L75 25Z");
  Id made = 0;
  project = withPathDropped(project, ring, 1, made);
  ASSERT_NE(made, 0u);
  EXPECT_EQ(nodes(ring).size(), 1u);
  EXPECT_EQ(nodes(made).size(), 1u);
  EXPECT_EQ(boxInParent(*findItem(project, made)).low, (Point{25, 25}));
}

TEST_F(ReshapingItems, AnItemWithoutNodesGoes) {
  const Id line = add("M0 0L100 0");
  project = withoutNodes(project, {{line, {{0, 0}}}});
  EXPECT_FALSE(findItem(project, line));
}

}  // namespace
}  // namespace widecut
