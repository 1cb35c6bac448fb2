// Groups, repeats and mixtures of all forms: found, cut, hit, painted and changed like what they are made of.
#include <gtest/gtest.h>

#include <random>

#include "project/every_edit.h"
#include "project/forms/group.h"
#include "project/limits.h"
#include "scene/drawing.h"
#include "scene/hit.h"

namespace widecut {
namespace {

struct FormsTest : testing::Test, Sample {
  std::vector<Id> both{box, disc};
  Id made = 0;

  double area(const Project& p, Id item) const { return signedArea(resolved(*findItem(p, item))->outline); }
  /// Each copy an item of its own, by the places of the pattern alone.
  Project asItems(const Project& p, Id repeat) const {
    const ItemPtr whole = findItem(p, repeat);
    Project out = withoutItems(p, std::vector<Id>{repeat});
    std::vector<Item> items;
    for (const auto& [number, copy] : copiesOf(whole->form))
      for (const ItemPtr& child : childrenOf(*whole)) {
        items.push_back(mapped(*child, whole->toParent() * copy));
        items.back().id = out.nextId++;
      }
    return withItemsOnTop(out, sheet, std::move(items));
  }
};

/// Where a scene's drawing puts its outlines.
std::vector<Box> boxesOf(const Scene& scene) {
  std::vector<Box> boxes;
  for (const DrawCommand& command : drawingOf(scene))
    if (const auto* fill = std::get_if<FillOutline>(&command)) boxes.push_back(bounds(*fill->outline));
  return boxes;
}

TEST_F(FormsTest, AGroupPaintsItsMembersAsTheyWere) {
  const Project p = grouped(project, both, made);
  ASSERT_EQ(sheetOf(p).items.size(), 1U);
  const auto before = boxesOf(sceneOf(sheetOf(project))), after = boxesOf(sceneOf(sheetOf(p)));
  ASSERT_EQ(before.size(), after.size());
  for (std::size_t i = 0; i < before.size(); ++i) EXPECT_LT(distance(before[i].low, after[i].low), 1e-9);
  EXPECT_NEAR(area(p, made), 10000 + pi * 900 / 2, 2) << "what they cover together";
  EXPECT_NEAR(boxInParent(*findItem(p, made)).width(), 130, 1e-9);
  std::vector<Id> members;
  const Project apart = withPartsLifted(p, made, members);
  EXPECT_EQ(members, both);
  EXPECT_LT(distance(findItem(apart, disc)->position, findItem(project, disc)->position), 1e-9);
}

TEST_F(FormsTest, AGroupIsAPartAMaskAndGoesWithItsLastMember) {
  const Id bar = add("bar", fitted(rectangleOutline(1, 1), {{-10, 40}, {210, 60}}), {1, 2, 3});
  Project p = grouped(project, both, made);
  const Id group = made;
  p = combined(p, std::vector<Id>{group, bar}, Outcome::SubtractFront, {group, 0}, made);
  Id union_ = 0;
  Project plain = combined(project, both, Outcome::Union, {box, 0}, union_);
  const double whole = area(plain, union_);
  plain = combined(plain, std::vector<Id>{union_, bar}, Outcome::SubtractFront, {union_, 0}, union_);
  EXPECT_NEAR(area(p, made), area(plain, union_), 1e-6);
  EXPECT_LT(area(p, made), whole);
  EXPECT_FALSE(findItem(p, made)->style->fills.empty()) << "the look of what it shows";
  p = withoutItems(p, both);
  EXPECT_EQ(findItem(p, group), nullptr);
}

TEST_F(FormsTest, APictureLiesBehindAllMembers) {
  addPhoto(400, 300);
  Project p = grouped(project, both, made);
  p = withPhotoIn(p, made, photo);
  const auto drawing = drawingOf(sceneOf(sheetOf(p)));
  ASSERT_EQ(drawing.size(), 3U);
  const auto& first = std::get<FillOutline>(drawing.front());
  EXPECT_TRUE(std::holds_alternative<PictureBrush>(first.brush));
  EXPECT_NEAR(bounds(*first.outline).width(), 130, 1e-9);
  p = withMapped(p, std::vector<Id>{made}, Affine::scale(2, 1));
  const Box frame = boxInFrame(*findItem(p, made));
  const Box shown = shownPhoto(*findItem(p, made))->pixelsToFrame({{0, 0}, {400, 300}});
  EXPECT_TRUE(shown.grown(1e-9).contains(frame)) << "and goes on covering them";
}

TEST_F(FormsTest, ARepeatIsItsCopies) {
  const Pattern patterns[] = {Row{4, {30, 10}, {0.2}}, Grid{3, 2, {35, 0}, {5, 40}, 0.5},
                              Ring{5, {0, 60}, 2 * pi, true}, Ring{4, {20, 60}, pi, false}};
  const Id bar = add("bar", fitted(rectangleOutline(1, 1), {{-50, 60}, {300, 75}}), {1, 2, 3});
  std::mt19937 random(3);
  for (const Pattern& pattern : patterns) {
    const Project p = repeated(project, std::vector<Id>{disc}, pattern, made);
    const Id repeat = made;
    const Project copies = asItems(p, repeat);
    ASSERT_EQ(sheetOf(copies).items.size(), 2 + countOf(pattern));
    EXPECT_LT(distance(boxInParent(*findItem(copies, sheetOf(copies).items[2]->id)).low,
                       boxInParent(*findItem(project, disc)).low),
              1e-9)
        << "the first copy is where the original was";
    // Hit where one of the copies is.
    for (int i = 0; i < 200; ++i) {
      const Point at{std::uniform_real_distribution<>(-80, 280)(random),
                     std::uniform_real_distribution<>(-80, 230)(random)};
      bool onCopy = false;
      for (std::size_t k = 2; k < sheetOf(copies).items.size(); ++k)
        onCopy = onCopy || isHit(*sheetOf(copies).items[k], at, 0.5);
      EXPECT_EQ(isHit(*findItem(p, repeat), at, 0.5), onCopy) << at.x << " " << at.y;
    }
    // Cut like all of them.
    const Project cut = combined(p, std::vector<Id>{repeat, bar}, Outcome::SubtractFront, {repeat, 0}, made);
    std::vector<Id> ids;
    for (std::size_t k = 2; k < sheetOf(copies).items.size(); ++k) ids.push_back(sheetOf(copies).items[k]->id);
    Id all = 0, want = 0;
    Project one = combined(copies, ids, Outcome::Union, {ids[0], 0}, all);
    one = combined(one, std::vector<Id>{all, bar}, Outcome::SubtractBack, {all, 0}, want);
    EXPECT_NEAR(area(cut, made), area(one, want), 1e-6);
    // Mapped like all of them, by what keeps angles.
    const Affine map = Affine::turn(0.7) * Affine::scale(-1.5, 1.5);
    const Box a = boxInParent(mapped(*findItem(p, repeat), map));
    Box b;
    for (const Id id : ids) b.add(boxInParent(mapped(*findItem(copies, id), map)));
    EXPECT_LT(distance(a.low, b.low) + distance(a.high, b.high), 1e-6);
  }
}

TEST_F(FormsTest, LeftOutCopiesAreNotShown) {
  Project p = repeated(project, std::vector<Id>{disc}, Row{3, {40, 0}}, made);
  p = withItem(p, made, [](const Item& before) {
    Item after = before;
    Repeat repeat = *std::get<std::shared_ptr<const Repeat>>(before.form);
    repeat.leftOut = {1};
    after.form = std::make_shared<const Repeat>(repeat);
    return after;
  });
  EXPECT_TRUE(isHit(*findItem(p, made), {100, 50}, 0.1));
  EXPECT_FALSE(isHit(*findItem(p, made), {140, 50}, 0.1));
  EXPECT_TRUE(isHit(*findItem(p, made), {180, 50}, 0.1));
  EXPECT_NEAR(area(p, made), 2 * pi * 900, 4);
}

TEST_F(FormsTest, CopiesKeepPicturesOfTheirOwnParts) {
  addPhoto(400, 300);
  Project p = withPhotoIn(project, disc, photo);
  p = combined(p, both, Outcome::Intersect, {box, disc}, made);
  p = grouped(p, std::vector<Id>{made}, made);
  std::vector<Id> copies;
  p = withCopies(p, std::vector<Id>{made}, {5, 5}, copies);
  const ItemPtr inner = childrenOf(*findItem(p, copies[0])).front();
  EXPECT_TRUE(shownPhoto(*inner));
  EXPECT_NE(picturePartOf(*inner->style), disc) << "of the copy's part, not of the first one's";
}

TEST_F(FormsTest, ItemsThatLookAlikeShareTheirContent) {
  Item twin = *findItem(project, box);
  twin.id = 0;
  twin.position = {150, 120};
  const Project p = withItemsOnTop(project, sheet, {twin});
  const Scene scene = sceneOf(sheetOf(p));
  EXPECT_EQ(scene.layers[0].content, scene.layers[2].content);
  const Project moved = withMapped(p, std::vector<Id>{box}, Affine::turn(0.3));
  EXPECT_EQ(sceneOf(sheetOf(moved)).layers[0].content, scene.layers[0].content) << "turning paints nothing anew";
}

TEST_F(FormsTest, CopiesCountAmongTheLimits) {
  Project p = repeated(project, std::vector<Id>{disc}, Grid{100, 100, {1, 0}, {0, 1}, 0}, made);
  EXPECT_FALSE(beyondLimits(p, nullptr));
  p = repeated(p, std::vector<Id>{made}, Row{11, {1, 1}}, made);
  EXPECT_TRUE(beyondLimits(p, nullptr)) << "110 thousand discs";
  EXPECT_TRUE(beyondLimits(repeated(project, both, Row{10'001, {0, 0}}, made), nullptr));
  EXPECT_TRUE(beyondLimits(repeated(project, both, Row{0, {0, 0}}, made), nullptr));
  EXPECT_TRUE(beyondLimits(repeated(project, both, Ring{3, {std::nan(""), 0}, 1, true}, made), nullptr));
}

}  // namespace
}  // namespace widecut
