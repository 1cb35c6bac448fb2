// Adjusted, mirrored and freely fitted photos and levels: the same in PNG, SVG and PDF.
#include <gtest/gtest.h>

#include <QImage>
#include <algorithm>

#include "cutting/knife.h"
#include "media/photo.h"
#include "output/deliver.h"
#include "output/fidelity.h"
#include "painting/raster.h"
#include "project/edits/colours.h"
#include "project/resolve.h"
#include "sample.h"
#include "storage/project_file.h"
#include "test_photos.h"

namespace widecut {
namespace {

struct AdjustedOutput : testing::Test, Sample {
  PhotoStore store;

  void place(const char* format) {
    project = withPhotoIn(project, box, *photoFromBytes(encoded(tones(400, 400), format), "tones.jpg"));
  }
  std::vector<Id> only() const { return {box}; }
  /// How far SVG and PDF are from the PNG, in the readers there are.
  void expectAlike() {
    for (const Fidelity::Reader& reader : fidelityOf(project, sheet, {"rsvg", "poppler"}).readers) {
      EXPECT_LT(reader.worstTile, 6) << reader.name;
      EXPECT_LT(reader.mean, 1) << reader.name;
    }
  }
  QColor seen(Point at) {
    const QImage image = *rasterOf(sceneOf(sheetOf(project)), store, 72, Ground::Paper);
    return image.pixelColor(static_cast<int>(at.x), static_cast<int>(at.y));
  }
};

TEST_F(AdjustedOutput, AdjustmentsAreTheSameEverywhere) {
  for (const char* format : {"JPEG", "PNG"}) {
    place(format);
    project = withAdjustments(project, only(), [](Adjustments& a) {
      a.set(Adjusting::Grey, 0.6);
      a.set(Adjusting::Contrast, 0.4);
      a.set(Adjusting::Vignette, 0.5);
    });
    expectAlike();
  }
}

TEST_F(AdjustedOutput, TonesAreColoursOfTheProjectOnceTheyAreChosenOrShow) {
  place("PNG");
  const auto isUsed = [&](Colour colour) {
    const auto used = usedColours(project);
    return std::any_of(used.begin(), used.end(), [&](const auto& one) { return one.colour == colour; });
  };
  const Colour rust{0xBF, 0x3F, 0x26}, usualLight = Adjustments().light;
  project = withAdjustments(project, only(), [](Adjustments& a) { a.set(Adjusting::Contrast, 0.2); });
  EXPECT_FALSE(isUsed(usualLight));
  // One that was chosen and does not show counts as fills do whose eye is shut, and is in the file.
  project = withAdjustments(project, only(), [&](Adjustments& a) { a.dark = rust; });
  EXPECT_TRUE(isUsed(rust));
  EXPECT_FALSE(isUsed(usualLight));
  const auto again = projectFromBytes(*bytesOfProject(project, {}));
  ASSERT_TRUE(again) << again.error().message;
  EXPECT_TRUE(isSame(*again, project));
  project = withAdjustments(project, only(), [](Adjustments& a) { a.set(Adjusting::TwoTones, 0.5); });
  EXPECT_TRUE(isUsed(usualLight));
}

TEST_F(AdjustedOutput, AMirroredPhotoShowsItsRightOnTheLeft) {
  place("PNG");
  EXPECT_GT(seen({20, 70}).red(), 150);
  project = withPicturesMirrored(project, only());
  EXPECT_GT(seen({20, 70}).blue(), 150);
  EXPECT_GT(seen({70, 90}).red(), 150);
  EXPECT_LT(seen({20, 10}).red(), 60) << "the green bar stays on top";
  project = withMapped(project, only(), Affine::turn(0.3).about({50, 50}));
  expectAlike();
}

TEST_F(AdjustedOutput, AWholePhotoLeavesTheRestOfItsFrameEmpty) {
  project = withPhotoIn(project, box, *photoFromBytes(encoded(tones(400, 200), "PNG"), "tones.png"));
  project = withFit(project, only(), Fit::Whole, 300);
  EXPECT_EQ(seen({10, 10}), QColor(Qt::white));
  EXPECT_GT(seen({20, 60}).red(), 150);
  expectAlike();
}

TEST_F(AdjustedOutput, LevelsAreCountedInThePixelsOfTheDeliveredPicture) {
  double worst = 0;
  for (const LevelBy by : {LevelBy::Area, LevelBy::Height, LevelBy::Width, LevelBy::Turn})
    for (const double share : {0.25, 0.5, 0.65, 0.9}) {
      Project one = withStyle(project, std::vector<Id>{disc}, [&](Style& style) {
        Fill fill{Colour{0, 0, 0}};
        fill.level = FillLevel{by, share};
        style.fills = {fill};
      });
      one = withoutItems(one, std::vector<Id>{box});
      const QImage image = *rasterOf(sceneOf(sheetOf(one)), store, 720, Ground::Paper);
      double dark = 0;
      for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x) dark += (255 - qGreen(image.pixel(x, y))) / 255.0;
      const Outline shape = resolved(*findItem(one, disc))->outline;
      const double whole = signedArea(*simplified({shape})) * 100;
      const double meant = signedArea(*filledTo({shape}, share, by)) * 100;
      worst = std::max(worst, std::abs(dark - meant) / whole);
      if (by == LevelBy::Area) {
        EXPECT_NEAR(dark / whole, share, 0.001) << share;
      }
    }
  std::printf("levels in pixels: within %.4f %%\n", 100 * worst);
  EXPECT_LT(worst, 0.001);
  project = withStyle(project, std::vector<Id>{disc}, [&](Style& style) {
    Fill fill{Gradient{.stops = twoStops({255, 0, 0}, {0, 0, 255})}};
    fill.level = FillLevel{LevelBy::Area, 0.6};
    style.fills.push_back(fill);
  });
  expectAlike();
}

}  // namespace
}  // namespace widecut
