// Pieces that lie as they were cut, next to the picture before they were.
#include <gtest/gtest.h>

#include <QImage>
#include <cmath>

#include "media/photo.h"
#include "output/fidelity.h"
#include "project/edits/pieces.h"
#include "project/forms/words.h"
#include "project/resolve.h"
#include "sample.h"
#include "scene/scene.h"
#include "test_photos.h"

namespace widecut {
namespace {

/// How far the pictures are apart, at the pixel where they are furthest.
int furthest(const QImage& a, const QImage& b) {
  EXPECT_EQ(a.size(), b.size());
  int most = 0;
  for (int y = 0; y < std::min(a.height(), b.height()); ++y)
    for (int x = 0; x < std::min(a.width(), b.width()); ++x) {
      const QRgb p = a.pixel(x, y), q = b.pixel(x, y);
      most =
          std::max({most, std::abs(qRed(p) - qRed(q)), std::abs(qGreen(p) - qGreen(q)), std::abs(qBlue(p) - qBlue(q))});
    }
  return most;
}

struct Seams : testing::Test, Sample {
  void expectTheSamePicture(const Project& before, const Project& after, const char* what) {
    for (const char* reader : {"png", "rsvg", "poppler"})
      EXPECT_LE(furthest(drawnBy(reader, before, sheet), drawnBy(reader, after, sheet)), 4) << what << ", " << reader;
  }
  Project divided(std::vector<Id> ids, const LookChoice& look = {}) {
    std::vector<Id> made;
    Project out = withDivided(project, ids, look, made);
    EXPECT_GT(made.size(), 1U);
    return out;
  }
  /// The outline of bold letters, so large that they fill the width.
  static Outline letters(const char* text, double size) {
    Words::Content content;
    content.text = text;
    content.style.size = size;
    Item item;
    item.form = wordsForm(std::move(content));
    return resolved(item)->outline;
  }
};

TEST_F(Seams, OneOverAnother) { expectTheSamePicture(project, divided({box, disc}), "a disc over a box"); }

TEST_F(Seams, ThreeOverOneAnother) {
  const Id third = add("third", transformed(ellipseOutline(80, 50), Affine::move({90, 80})), {240, 200, 60});
  expectTheSamePicture(project, divided({box, disc, third}), "three");
}

TEST_F(Seams, LettersInAPanelAndOverItsEdge) {
  project = withoutItems(project, std::vector<Id>{disc});
  const Id word = add("word", transformed(letters("Boggle", 40), Affine::move({10.3, 60.7})), {20, 20, 40});
  expectTheSamePicture(project, divided({box, word}), "letters");
}

TEST_F(Seams, APhotoThatLettersCut) {
  project = withoutItems(project, std::vector<Id>{disc});
  project = withPhotoIn(project, box, *photoFromBytes(encoded(tones(400, 400), "PNG"), "tones.png"));
  const Project before = project;
  const Id word = add("word", transformed(letters("Boggle", 24), Affine::move({7.3, 60.7})), {20, 20, 40});
  const Project after = divided({box, word}, {box, box});
  expectTheSamePicture(before, after, "a photo");
}

TEST_F(Seams, TheKnife) {
  std::vector<Id> made;
  Contour stroke;
  stroke.closed = false;
  stroke.start = {-10, 31.7};
  stroke.segments = {Segment::line({150, 71.3})};
  const auto after = withKnife(project, std::vector<Id>{box, disc}, {{stroke}}, 0, made);
  ASSERT_TRUE(after) << after.error().message;
  expectTheSamePicture(project, *after, "cut twice");
}

TEST_F(Seams, WhatIsMovedStandsByItselfAndTheOthersStayWhole) {
  const Id third = add("third", transformed(ellipseOutline(80, 50), Affine::move({90, 80})), {240, 200, 60});
  std::vector<Id> made;
  const Project after = withDivided(project, std::vector<Id>{box, disc, third}, {}, made);
  // The last one, away from all others.
  const Project apart = withEach(after, std::vector<Id>{made.back()}, [](const Item& before) {
    Item moved = before;
    moved.position = moved.position + Point{45, 20};
    return moved;
  });
  const Scene scene = sceneOf(sheetOf(apart));
  const auto shown = std::count_if(scene.layers.begin(), scene.layers.end(),
                                   [&](const Layer& layer) { return layer.item->id == made.back(); });
  EXPECT_EQ(shown, 1) << "it is painted where it lies";
  EXPECT_LT(scene.layers.size(), made.size()) << "and others are still one";
}

TEST_F(Seams, APieceThatWasSnappedOverAnotherLeavesTheOthersWhole) {
  project = withoutItems(project, std::vector<Id>{disc});
  const Id word = add("word", transformed(letters("HI", 40), Affine::move({10.3, 60.7})), {20, 20, 40});
  std::vector<Id> made;
  const Project after = withDivided(project, std::vector<Id>{box, word}, {box, 0}, made);
  ASSERT_EQ(made.size(), 3U);
  // So that one of its corners lies on one of the hole that it leaves.
  const Box whole = boxOnSheet(after, made[1]);
  const Project apart = withEach(after, std::vector<Id>{made[1]}, [&](const Item& before) {
    Item moved = before;
    moved.position = moved.position + Point{0, whole.height()};
    return moved;
  });
  const Scene scene = sceneOf(sheetOf(apart));
  ASSERT_EQ(scene.layers.size(), 2U) << "the moved one, and all others in one";
}

TEST_F(Seams, WhatLiesBetweenPiecesKeepsItsPlace) {
  std::vector<Id> made;
  Project after = withDivided(project, std::vector<Id>{box, disc}, {}, made);
  ASSERT_EQ(made.size(), 3U);
  // The middle one, over the last.
  after = withEach(after, std::vector<Id>{made[1]}, [](const Item& before) {
    Item moved = before;
    moved.position = moved.position + Point{20, 0};
    return moved;
  });
  Project without = withEach(after, made, [](const Item& before) {
    Item plain = before;
    plain.division = 0;
    return plain;
  });
  EXPECT_LE(furthest(drawnBy("png", after, sheet), drawnBy("png", without, sheet)), 4);
}

}  // namespace
}  // namespace widecut
