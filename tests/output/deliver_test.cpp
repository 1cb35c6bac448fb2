// The same scene as PNG, as SVG drawn by librsvg, and as PDF drawn by poppler.
#include "output/deliver.h"

#include <gtest/gtest.h>

#include <QImage>
#include <QProcess>
#include <QTemporaryDir>

#include "media/files.h"
#include "project/cutouts.h"
#include "sample.h"
#include "storage/project_file.h"
#include "test_photos.h"

namespace widecut {
namespace {

void run(const char* program, const QStringList& words) {
  QProcess process;
  process.setProcessChannelMode(QProcess::ForwardedChannels);
  process.start(program, words);
  ASSERT_TRUE(process.waitForFinished(60000)) << program;
  ASSERT_EQ(process.exitCode(), 0) << program;
}

/// Mean difference of all channels, 0…255. Sizes may differ by one pixel.
double meanDifference(const QImage& a, const QImage& b) {
  EXPECT_LE(std::abs(a.width() - b.width()), 1);
  EXPECT_LE(std::abs(a.height() - b.height()), 1);
  const int w = std::min(a.width(), b.width()), h = std::min(a.height(), b.height());
  double sum = 0;
  for (int y = 0; y < h; ++y)
    for (int x = 0; x < w; ++x) {
      const QRgb p = a.pixel(x, y), q = b.pixel(x, y);
      sum += std::abs(qRed(p) - qRed(q)) + std::abs(qGreen(p) - qGreen(q)) + std::abs(qBlue(p) - qBlue(q));
    }
  return sum / (3.0 * w * h);
}

struct Delivered {
  QImage png, svg, pdf;
};

Delivered deliveredEverywhere(const Project& project, Id sheet) {
  const QTemporaryDir folder;
  PhotoStore store;
  const auto path = [&](const char* name) { return folder.filePath(name); };
  const auto make = [&](DeliveryFormat format, const char* name) {
    const auto done = deliver(project, {sheet, 0, format, 96, Ground::Paper}, store, path(name).toStdString());
    EXPECT_TRUE(done) << done.error().message;
  };
  make(DeliveryFormat::Png, "a.png");
  make(DeliveryFormat::Svg, "a.svg");
  make(DeliveryFormat::Pdf, "a.pdf");
  run("rsvg-convert", {"--unlimited", "-o", path("svg.png"), path("a.svg")});
  run("pdftoppm", {"-r", "96", "-png", "-singlefile", path("a.pdf"), path("pdf")});
  return {QImage(path("a.png")), QImage(path("svg.png")), QImage(path("pdf.png"))};
}

TEST(Delivery, EveryDemoSheetLooksAlikeInEveryFormat) {
  const auto project = openProject(DEMO_PROJECT);
  ASSERT_TRUE(project) << project.error().message;
  for (const SheetPtr& sheet : sheetsOf(*project)) {
    const Delivered d = deliveredEverywhere(*project, sheet->id);
    ASSERT_FALSE(d.png.isNull() || d.svg.isNull() || d.pdf.isNull());
    EXPECT_NEAR(d.png.width(), sheet->width * 96 / 72, 1);
    const double svg = meanDifference(d.png, d.svg), pdf = meanDifference(d.png, d.pdf);
    std::printf("%s: PNG and SVG differ by %.3f, PNG and PDF by %.3f of 255\n", sheet->name.c_str(), svg, pdf);
    EXPECT_LT(svg, 1.5);
    EXPECT_LT(pdf, 1.5);
    // The comparison itself would notice a shift of a pixel.
    EXPECT_GT(meanDifference(d.png, d.png.copy(3, 0, d.png.width() - 1, d.png.height())), 1.5);
  }
}

TEST(Delivery, OpacityLinesAndTurnedPhotosLookAlikeToo) {
  Sample s;
  const auto medium =
      *photoFromBytes(encoded(tones(300, 200), "JPEG", QImageIOHandler::TransformationRotate90), "t.jpg");
  Project p = withMedium(s.project, medium);
  p = withPhotoIn(p, s.disc, medium->hash);
  p = withMapped(p, std::vector<Id>{s.disc}, Affine::turn(0.4).about({80, 60}));
  for (const Id id : {s.box, s.disc})
    p = withItem(p, id, [](const Item& before) {
      Item after = before;
      after.style.line = Line{{10, 10, 10}, 5};
      after.style.opacity = 0.6;
      return after;
    });
  const Delivered d = deliveredEverywhere(p, s.sheet);
  EXPECT_LT(meanDifference(d.png, d.svg), 1.5);
  EXPECT_LT(meanDifference(d.png, d.pdf), 1.5);
}

TEST(Delivery, SvgHasRealPathsAndClippedPhotos) {
  const auto project = openProject(DEMO_PROJECT);
  const QTemporaryDir folder;
  PhotoStore store;
  const std::string path = folder.filePath("a.svg").toStdString();
  ASSERT_TRUE(
      deliver(*project, {sheetsOf(*project)[0]->id, 0, DeliveryFormat::Svg, 96, Ground::Transparent}, store, path));
  const std::string svg = *readFile(path, 1u << 30);
  EXPECT_NE(svg.find("<clipPath id=\"frame1\"><path d=\"M"), std::string::npos);
  EXPECT_NE(svg.find("data:image/jpeg;base64,"), std::string::npos);
  EXPECT_NE(svg.find("<path fill=\"#"), std::string::npos);
  EXPECT_EQ(svg.find("<rect"), std::string::npos) << "no paper under a transparent delivery";
}

TEST(Delivery, APhotoUsedTwiceIsInThePdfOnce) {
  Sample s;
  const std::string jpeg = encoded(tones(900, 600), "JPEG");
  const auto medium = *photoFromBytes(jpeg, "t.jpg");
  Project p = withMedium(s.project, medium);
  for (const Id id : {s.box, s.disc}) p = withPhotoIn(p, id, medium->hash);
  const QTemporaryDir folder;
  PhotoStore store;
  const std::string path = folder.filePath("a.pdf").toStdString();
  ASSERT_TRUE(deliver(p, {s.sheet, 0, DeliveryFormat::Pdf, 96, Ground::Paper}, store, path));
  const std::string pdf = *readFile(path, 1u << 30);
  EXPECT_NE(pdf.find(jpeg), std::string::npos) << "the JPEG's own bytes";
  EXPECT_LT(pdf.size(), jpeg.size() + 6000);
  EXPECT_NE(pdf.find("/MediaBox [ 0 0 200 150 ]"), std::string::npos) << "the page is the sheet";
}

TEST(Delivery, AnItemAloneIsTransparentRoundIt) {
  Sample s;
  PhotoStore store;
  const auto image = rasterOf(sceneOfItem(s.project, s.disc), s.project.media, store, 72, Ground::Transparent);
  ASSERT_TRUE(image);
  EXPECT_EQ(image->pixelColor(1, 1).alpha(), 0);
  EXPECT_EQ(image->pixelColor(30, 30), QColor(20, 90, 160));
}

TEST(Delivery, AbsurdResolutionsAreRefusedAndNothingIsWritten) {
  const Sample s;
  const QTemporaryDir folder;
  PhotoStore store;
  const QString path = folder.filePath("a.png");
  for (const double ppi : {-3.0, 0.0, 1e9, std::nan(""), 4801.0})
    EXPECT_FALSE(deliver(s.project, {s.sheet, 0, DeliveryFormat::Png, ppi, Ground::Paper}, store, path.toStdString()));
  EXPECT_FALSE(QFile::exists(path));
}

}  // namespace
}  // namespace widecut
