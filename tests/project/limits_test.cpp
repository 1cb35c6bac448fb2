// What is beyond the limits never enters the model.
#include "project/limits.h"

#include <gtest/gtest.h>

#include "project/edits/cutouts.h"
#include "project/edits/pieces.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

struct LimitsTest : testing::Test, Sample {
  std::string refusal(const Project& p) {
    const auto why = beyondLimits(p, &project);
    return why ? why->message : "";
  }
  Project changed(Id id, const std::function<void(Item&)>& change) {
    return withItem(project, id, [&](const Item& before) {
      Item after = before;
      change(after);
      return after;
    });
  }
};

TEST_F(LimitsTest, WhatIsNoNumberIsStopped) {
  const double none = std::nan(""), endless = std::numeric_limits<double>::infinity();
  EXPECT_EQ(refusal(project), "");
  for (const double bad : {none, endless, -endless, 1.1e6}) {
    EXPECT_NE(refusal(changed(box, [&](Item& i) { i.position.x = bad; })), "") << bad;
    EXPECT_NE(refusal(changed(box,
                              [&](Item& i) {
                                setPicture(changeable(i), Picture{std::make_shared<const Medium>(), {{bad, 0}, 1, 0}});
                              })),
              "")
        << bad;
    EXPECT_NE(refusal(changed(box,
                              [&](Item& i) {
                                setPicture(changeable(i), Picture{std::make_shared<const Medium>(), {{0, 0}, bad, 0}});
                              })),
              "")
        << bad;
    EXPECT_NE(refusal(changed(box, [&](Item& i) { setLine(changeable(i), plainLine(Colour{}, bad)); })), "") << bad;
    EXPECT_NE(refusal(changed(box, [&](Item& i) { changeable(i).opacity = bad; })), "") << bad;
    Outline outline = ellipseOutline(10, 10);
    outline.contours[0].segments[1].handle1.y = bad;
    EXPECT_NE(refusal(changed(box, [&](Item& i) { i.form = std::make_shared<const Outline>(outline); })), "") << bad;
  }
  EXPECT_NE(refusal(changed(box, [&](Item& i) { setLine(changeable(i), plainLine(Colour{}, 1e-7)); })), "");
  EXPECT_NE(refusal(withMapped(project, std::vector<Id>{box}, Affine::move({1e9, 0}))).find("“box”"),
            std::string::npos);
}

TEST_F(LimitsTest, ManyCutsInARowAreWithinThemAndTooManyAreNot) {
  Project p = project;
  Id cutout = box;
  for (int i = 0; i < 199; ++i) {
    Id made = 0;
    p = withItemsOnTop(p, sheet, {plainItem(p.nextId, "disc", fitted(ellipseOutline(1, 1), {{0, 0}, {9, 9}}), {})});
    const std::vector<Id> both{cutout, p.nextId - 1};
    p = combined(p, both, Outcome::SubtractFront, {cutout, 0}, made);
    cutout = made;
  }
  EXPECT_EQ(refusal(p), "");
  EXPECT_FALSE(resolved(*findItem(p, cutout))->outline.isEmpty());
  for (int i = 0; i < 2; ++i) {
    Id made = 0;
    const std::vector<Id> both{disc, cutout};
    p = withItemsOnTop(p, sheet, {plainItem(p.nextId, "disc", fitted(ellipseOutline(1, 1), {{0, 0}, {9, 9}}), {})});
    p = combined(p, std::vector<Id>{cutout, p.nextId - 1}, Outcome::Union, {cutout, 0}, made);
    cutout = made;
  }
  EXPECT_NE(refusal(p).find("200 deep"), std::string::npos) << refusal(p);
}

TEST_F(LimitsTest, TotalsAreCounted) {
  Sheet many = sheetOf(project);
  many.items = std::vector<ItemPtr>(limits::mostItems + 1, many.items[0]);
  const Project p = withSheet(project, sheet, [&](const Sheet&) { return many; });
  EXPECT_NE(refusal(p).find("100000 items"), std::string::npos) << refusal(p);
}

TEST_F(LimitsTest, PhotosThatShowHaveALimitTogether) {
  // The same bytes under many names: only what shows counts, since only that is saved.
  const auto bytes = std::make_shared<const std::string>(std::size_t{200} << 20, '\0');
  const auto withPhotos = [&](int shown) {
    Project p = project;
    for (int i = 0; i < 22; ++i) {
      Medium m;
      m.hash = "photo " + std::to_string(i);
      m.width = m.height = 9;
      m.bytes = bytes;
      Id made = 0;
      if (i < shown) p = withPhotoItem(p, sheet, std::make_shared<const Medium>(m), {{0, 0}, {9, 9}}, made);
    }
    return p;
  };
  EXPECT_EQ(refusal(withPhotos(20)), "");
  EXPECT_NE(refusal(withPhotos(21)).find("4 GiB"), std::string::npos);
}

TEST_F(LimitsTest, NamesAreCutBetweenLetters) {
  EXPECT_EQ(shortened("short"), "short");
  std::string longName(limits::mostNameBytes - 1, 'a');
  longName += "ü";
  EXPECT_EQ(shortened(longName), std::string(limits::mostNameBytes - 1, 'a')) << "not half a letter";
}

TEST_F(LimitsTest, TheSameContentIsTheSameWhateverItsNodes) {
  const Project moved = withMapped(project, std::vector<Id>{box}, Affine::move({0, 0}));
  EXPECT_NE(findItem(moved, box), findItem(project, box)) << "another node";
  EXPECT_TRUE(isSame(moved, project));
  EXPECT_FALSE(isSame(withMapped(project, std::vector<Id>{box}, Affine::move({1e-9, 0})), project));
  Id a = 0, b = 0;
  const std::vector<Id> both{box, disc};
  const Project first = combined(project, both, Outcome::Union, {box, 0}, a);
  EXPECT_TRUE(isSame(first, combined(project, both, Outcome::Union, {box, 0}, b)));
  EXPECT_FALSE(isSame(first, combined(project, both, Outcome::Exclude, {box, 0}, b)));
}

TEST_F(LimitsTest, MediaAreThoseThatShow) {
  addPhoto(40, 30);
  EXPECT_TRUE(mediaOf(project).empty());
  project = withPhotoIn(project, disc, photo);
  Id made = 0;
  project = combined(project, std::vector<Id>{box, disc}, Outcome::Intersect, {box, disc}, made);
  EXPECT_EQ(mediaOf(project).size(), 1U) << "a part's photo counts";
  project = withoutItems(project, std::vector<Id>{disc});
  EXPECT_TRUE(mediaOf(project).empty());
}

}  // namespace
}  // namespace widecut
