// The same scene as PNG, as SVG drawn by librsvg, and as PDF drawn by poppler.
#include "output/deliver.h"

#include <gtest/gtest.h>

#include <QColorSpace>
#include <QDir>
#include <QImage>
#include <QPainter>
#include <QProcess>
#include <QRegularExpression>
#include <QTemporaryDir>
#include <random>

#include "media/files.h"
#include "media/photo_decode.h"
#include "output/plain_pdf.h"
#include "project/edits/cutouts.h"
#include "project/edits/groups.h"
#include "project/edits/repeats.h"
#include "project/every_edit.h"
#include "project/limits.h"
#include "sample.h"
#include "storage/project_file.h"
#include "test_photos.h"

namespace widecut {
namespace {

void run(const char* program, const QStringList& words) {
  QProcess process;
  process.start(program, words);
  ASSERT_TRUE(process.waitForFinished(60000)) << program;
  ASSERT_EQ(process.exitCode(), 0) << program;
  // Readers go on after what they do not know, and leave out the rest.
  ASSERT_EQ(process.readAllStandardError(), "") << program;
}

constexpr int tile = 24;
constexpr double alike = 9;  // of 255, in the worst tile

/// The mean difference of all channels, 0…255, in the tile of 24 × 24 pixels where it is largest. Sizes may differ by
/// one pixel.
double worstTile(const QImage& a, const QImage& b) {
  EXPECT_LE(std::abs(a.width() - b.width()), 1);
  EXPECT_LE(std::abs(a.height() - b.height()), 1);
  // A page may end within its last pixel, which every reader rounds in its own way.
  const int w = std::min(a.width(), b.width()) - 1, h = std::min(a.height(), b.height()) - 1;
  double worst = 0;
  for (int top = 0; top < h; top += tile)
    for (int left = 0; left < w; left += tile) {
      double sum = 0;
      int count = 0;
      for (int y = top; y < std::min(h, top + tile); ++y)
        for (int x = left; x < std::min(w, left + tile); ++x, ++count) {
          const QRgb p = a.pixel(x, y), q = b.pixel(x, y);
          sum += std::abs(qRed(p) - qRed(q)) + std::abs(qGreen(p) - qGreen(q)) + std::abs(qBlue(p) - qBlue(q));
        }
      worst = std::max(worst, sum / (3.0 * count));
    }
  return worst;
}

/// The picture with a square of 24 pixels of another tone in it.
QImage withSquare(QImage image) {
  QPainter(&image).fillRect(QRect(image.width() / 2, image.height() / 3, tile, tile), QColor(Qt::magenta));
  return image;
}

/// Each square of 4 × 4 pixels as one.
QImage quartered(const QImage& image) {
  constexpr int side = 4;
  const QImage from = image.convertToFormat(QImage::Format_RGB32);
  QImage out((from.width() + side - 1) / side, (from.height() + side - 1) / side, QImage::Format_RGB32);
  for (int y = 0; y < out.height(); ++y)
    for (int x = 0; x < out.width(); ++x) {
      int red = 0, green = 0, blue = 0;
      for (int k = 0; k < side * side; ++k) {
        const QRgb p = from.pixel(std::min(side * x + k % side, from.width() - 1),
                                  std::min(side * y + k / side, from.height() - 1));
        red += qRed(p);
        green += qGreen(p);
        blue += qBlue(p);
      }
      constexpr int count = side * side;
      out.setPixel(x, y, qRgb(red / count, green / count, blue / count));
    }
  return out;
}

struct Delivered {
  QImage png, svg, pdf;
};

Delivered deliveredEverywhere(const Project& project, Id sheet) {
  const QTemporaryDir folder;
  PhotoStore store;
  const auto path = [&](const char* name) { return folder.filePath(name); };
  const auto make = [&](DeliveryFormat format, const char* name) {
    const auto done = deliver(project, {sheet, 0, format, 96, Ground::Paper, true}, store, path(name).toStdString());
    EXPECT_TRUE(done) << done.error().message;
  };
  make(DeliveryFormat::Png, "a.png");
  make(DeliveryFormat::Svg, "a.svg");
  make(DeliveryFormat::Pdf, "a.pdf");
  run("qpdf", {"--check", "--no-warn", path("a.pdf")});
  expectPlainPdfFile(path("a.pdf").toStdString());
  run("rsvg-convert", {"-o", path("svg.png"), path("a.svg")});
  // Readers put the letters of fonts on whole pixels, or on quarters of them: so at four times the size.
  run("pdftocairo", {"-r", "384", "-png", "-singlefile", path("a.pdf"), path("pdf")});
  return {QImage(path("a.png")), QImage(path("svg.png")), quartered(QImage(path("pdf.png")))};
}

TEST(Delivery, EveryDemoSheetLooksAlikeInEveryFormat) {
  const auto project = openProject(DEMO_PROJECT);
  ASSERT_TRUE(project) << project.error().message;
  for (const SheetPtr& sheet : sheetsOf(*project)) {
    const Delivered d = deliveredEverywhere(*project, sheet->id);
    ASSERT_FALSE(d.png.isNull() || d.svg.isNull() || d.pdf.isNull());
    EXPECT_NEAR(d.png.width(), (sheet->width + 2 * sheet->bleed) * 96 / 72, 1);
    const double svg = worstTile(d.png, d.svg), pdf = worstTile(d.png, d.pdf);
    std::printf("%s: in the worst tile PNG and SVG differ by %.2f, PNG and PDF by %.2f of 255\n", sheet->name.c_str(),
                svg, pdf);
    EXPECT_LT(svg, alike);
    EXPECT_LT(pdf, alike);
    // The comparison itself would notice a shift of a pixel, and a lost square of 24 pixels.
    EXPECT_GT(worstTile(d.png, d.png.copy(1, 0, d.png.width(), d.png.height())), alike);
    EXPECT_GT(worstTile(d.png, withSquare(d.png)), alike);
  }
}

TEST(Delivery, WordsInAPdfAreFoundWhereTheyShow) {
  const auto project = openProject(DEMO_PROJECT);
  ASSERT_TRUE(project) << project.error().message;
  const QTemporaryDir folder;
  const QString pdf = folder.filePath("a.pdf");
  PhotoStore store;
  // As it is, and with a line of it punched out of a panel.
  Project cut = *project;
  const Sheet& sheet = *sheetsOf(cut).front();
  const auto named = [&](const char* name) {
    for (const ItemPtr& item : sheet.items)
      if (item->name == name) return item->id;
    return Id{0};
  };
  Id made = 0;
  cut = combined(cut, std::vector<Id>{named("side panel"), named("title")}, Outcome::SubtractFront,
                 {named("side panel"), 0}, made);
  ASSERT_NE(made, 0U);
  for (const Project* p : {&*project, static_cast<const Project*>(&cut)}) {
    const auto done =
        deliver(*p, {sheet.id, 0, DeliveryFormat::Pdf, 96, Ground::Paper, true}, store, pdf.toStdString());
    ASSERT_TRUE(done) << done.error().message;
    run("qpdf", {"--check", "--no-warn", pdf});
    run("pdftotext", {"-bbox", pdf, folder.filePath("a.html")});
    QFile file(folder.filePath("a.html"));
    ASSERT_TRUE(file.open(QIODevice::ReadOnly));
    const QString text = QString::fromUtf8(file.readAll());
    for (const char* word : {"Skarrow", "viaducts", "caf\xC3\xA9", "timetable", "2318"})
      EXPECT_TRUE(text.contains(QString(">%1<").arg(word))) << word;
    // Where the title stands on the sheet, bleed included, to a few points.
    const auto found = QRegularExpression(
                           "<word xMin=\"([\\d.]+)\" yMin=\"([\\d.]+)\" xMax=\"([\\d.]+)\" "
                           "yMax=\"([\\d.]+)\">Peak</word>")
                           .match(text);
    ASSERT_TRUE(found.hasMatch());
    const double panel = sheet.width / 3;
    EXPECT_NEAR(found.captured(1).toDouble(), 2 * panel + 26 + sheet.bleed, 1.5);
    EXPECT_NEAR((found.captured(2).toDouble() + found.captured(4).toDouble()) / 2, 164 - 15 + sheet.bleed, 12);
    EXPECT_GT(found.captured(3).toDouble() - found.captured(1).toDouble(), 80);
  }
}

TEST(Delivery, OpacityLinesAndTurnedPhotosLookAlikeToo) {
  Sample s;
  const auto medium =
      *photoFromBytes(encoded(tones(300, 200), "JPEG", QImageIOHandler::TransformationRotate90), "t.jpg");
  Project p = s.project;
  p = withPhotoIn(p, s.disc, medium);
  p = withMapped(p, std::vector<Id>{s.disc}, Affine::turn(0.4).about({80, 60}));
  for (const Id id : {s.box, s.disc})
    p = withItem(p, id, [](const Item& before) {
      Item after = before;
      setLine(changeable(after), plainLine(Colour{10, 10, 10}, 5));
      changeable(after).opacity = 0.6;
      return after;
    });
  const Delivered d = deliveredEverywhere(p, s.sheet);
  EXPECT_LT(worstTile(d.png, d.svg), alike);
  EXPECT_LT(worstTile(d.png, d.pdf), alike);
}

TEST(Delivery, MixturesOfAllFormsLookAlike) {
  const auto medium = *photoFromBytes(encoded(tones(300, 200), "JPEG"), "t.jpg");
  for (unsigned seed = 0; seed < 6; ++seed) {
    Sample s;
    EveryEdit edits(seed, s.project, s.sheet, medium);
    Id made = 0;
    edits.project = withPhotoIn(edits.project, s.box, medium);
    edits.project = repeated(edits.project, std::vector<Id>{s.disc}, Ring{5, {0, 45}}, made);
    edits.project = grouped(edits.project, std::vector<Id>{s.box, made}, made);
    for (int step = 0; step < 8; ++step) {
      const Project next = edits.next();
      if (!beyondLimits(next, nullptr)) edits.project = next;
    }
    const Delivered d = deliveredEverywhere(edits.project, s.sheet);
    EXPECT_LT(worstTile(d.png, d.svg), alike) << seed;
    EXPECT_LT(worstTile(d.png, d.pdf), alike) << seed;
  }
}

TEST(Delivery, SvgHasRealPathsAndClippedPhotos) {
  const auto project = openProject(DEMO_PROJECT);
  const QTemporaryDir folder;
  PhotoStore store;
  const std::string path = folder.filePath("a.svg").toStdString();
  ASSERT_TRUE(
      deliver(*project, {sheetsOf(*project)[0]->id, 0, DeliveryFormat::Svg, 96, Ground::Transparent}, store, path));
  const std::string svg = *readFile(path, 1u << 30);
  EXPECT_NE(svg.find("<clipPath id=\"frame1\"><use href=\"#p1\"/>"), std::string::npos)
      << "its line has the same path, which is there once";
  EXPECT_NE(svg.find("<path id=\"p1\" d=\"M"), std::string::npos);
  EXPECT_NE(svg.find("data:image/jpeg;base64,"), std::string::npos);
  EXPECT_NE(svg.find("<path fill=\"#"), std::string::npos);
  EXPECT_EQ(svg.find("<rect"), std::string::npos) << "no paper under a transparent delivery";
}

TEST(Delivery, APhotoUsedTwiceIsInThePdfOnce) {
  Sample s;
  const std::string jpeg = encoded(tones(900, 600), "JPEG");
  const auto medium = *photoFromBytes(jpeg, "t.jpg");
  Project p = s.project;
  for (const Id id : {s.box, s.disc}) p = withPhotoIn(p, id, medium);
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
  const auto image = rasterOf(sceneOfItem(s.project, s.disc), store, 72, Ground::Transparent);
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

/// A sheet with one photo in the box, delivered in every format.
struct OnePhoto : testing::Test, Sample {
  PhotoStore store;
  void put(const std::string& bytes, const std::string& name) {
    const auto medium = photoFromBytes(bytes, name);
    ASSERT_TRUE(medium) << medium.error().message;
    project = withPhotoIn(project, box, *medium);
  }
  std::string bytesOf(DeliveryFormat format) {
    const QTemporaryDir folder;
    PhotoStore store;
    const std::string path = folder.filePath("out").toStdString();
    const auto done = deliver(project, {sheet, 0, format, 96, Ground::Paper}, store, path);
    EXPECT_TRUE(done) << done.error().message;
    return *readFile(path, 1u << 30);
  }
  void expectAlike() {
    const Delivered d = deliveredEverywhere(project, sheet);
    EXPECT_LT(worstTile(d.png, d.svg), alike);
    EXPECT_LT(worstTile(d.png, d.pdf), alike);
  }
};

TEST_F(OnePhoto, AJpegHeldUprightByTheCameraKeepsItsBytes) {
  const std::string turned = turnedJpeg(tones(120, 80));
  put(turned, "camera.jpg");
  EXPECT_NE(bytesOf(DeliveryFormat::Pdf).find(turned), std::string::npos) << "turned by the matrix";
  expectAlike();
}

TEST_F(OnePhoto, PixelsOfEveryDepthAndAllEightOrientationsLookAlikeEverywhere) {
  const QImage image = tones(64, 48);
  const auto expectAs = [&](const QImage& upright, const std::string& bytes, const std::string& name) {
    SCOPED_TRACE(name);
    put(encoded(upright, "PNG"), "plain.png");
    const Delivered plain = deliveredEverywhere(project, sheet);
    put(bytes, name);
    const Delivered d = deliveredEverywhere(project, sheet);
    for (const QImage& one : {d.png, d.svg, d.pdf}) EXPECT_LT(worstTile(plain.png, one), alike);
  };
  const QImage grey = image.convertToFormat(QImage::Format_Grayscale8);
  expectAs(image, encoded(image.convertToFormat(QImage::Format_RGBX64), "PNG"), "16 bits.png");
  expectAs(image, encoded(image.convertToFormat(QImage::Format_RGBX64), "TIFF"), "16 bits.tif");
  expectAs(image, encoded(image.convertToFormat(QImage::Format_Indexed8), "PNG"), "palette.png");
  expectAs(grey, encoded(grey, "PNG"), "grey.png");
  expectAs(grey, encoded(image.convertToFormat(QImage::Format_Grayscale16), "PNG"), "16 bits of grey.png");
  expectAs(grey, encoded(grey, "JPEG"), "grey.jpg");
  for (char orientation = 1; orientation <= 8; ++orientation) {
    const std::string bytes = turnedJpeg(image, orientation);
    expectAs(*decodedPhoto(bytes, 0, false), bytes, "orientation " + std::to_string(orientation) + ".jpg");
  }
}

TEST_F(OnePhoto, AJpegOfInksIsNoLongerBlack) {
  put(cmykJpeg(80, 60, 0, 200, 200, 0), "inks.jpg");
  const Delivered d = deliveredEverywhere(project, sheet);
  const QColor png = d.png.pixelColor(30, 30), svg = d.svg.pixelColor(30, 30), pdf = d.pdf.pixelColor(30, 30);
  for (const QColor& c : {png, svg, pdf}) {
    EXPECT_GT(c.red(), 200);
    EXPECT_LT(c.green(), 120);
  }
  EXPECT_LT(worstTile(d.png, d.svg), alike);
  EXPECT_NE(bytesOf(DeliveryFormat::Pdf).find("/DeviceCMYK"), std::string::npos) << "a print keeps its inks";
}

TEST_F(OnePhoto, ProfilesAndGammaLookAlikeEverywhere) {
  QImage image = tones(64, 48);
  image.setColorSpace(QColorSpace::AdobeRgb);
  put(encoded(image, "JPEG"), "wide.jpg");
  expectAlike();
  image.setColorSpace(QColorSpace(QColorSpace::Primaries::SRgb, 1.0F));
  put(encoded(image, "PNG"), "linear.png");
  const QColor shown = rasterOf(sceneOf(sheetOf(project)), store, 72, Ground::Paper)->pixelColor(30, 60);
  EXPECT_GT(shown.red(), 215) << "200 of linear light is brighter than 200 of sRGB";
  expectAlike();
}

TEST_F(OnePhoto, HardEdgedAlphaHasNoDarkFringe) {
  project = withoutItems(project, std::vector<Id>{disc});
  QImage image(40, 40, QImage::Format_ARGB32);
  image.fill(Qt::transparent);
  QPainter(&image).fillRect(0, 0, 20, 40, QColor(250, 240, 230));
  put(encoded(image, "PNG"), "edge.png");
  const Delivered d = deliveredEverywhere(project, sheet);
  // White paper meets a nearly white photo: nothing darker may stand between them.
  int darkest = 255;
  for (int x = 20; x < 130; ++x) darkest = std::min(darkest, d.pdf.pixelColor(x, 60).green());
  EXPECT_GT(darkest, 225);
  EXPECT_LT(worstTile(d.png, d.pdf), alike);
}

TEST_F(OnePhoto, APhotoThatCannotBeDecodedSaysSoInEveryFormat) {
  put(encoded(tones(60, 40), "PNG"), "whole.png");
  Medium broken = *mediaOf(project).begin()->second;
  std::string cut = *broken.bytes;
  cut.resize(cut.size() / 2);
  broken.bytes = std::make_shared<const std::string>(cut);
  broken.name = "broken.png";
  project = withOtherMedium(project, std::make_shared<const Medium>(broken));
  const QTemporaryDir folder;
  for (const auto format : {DeliveryFormat::Png, DeliveryFormat::Svg, DeliveryFormat::Pdf}) {
    PhotoStore store;
    const auto notes = deliver(project, {sheet, 0, format, 96}, store, folder.filePath("out").toStdString());
    ASSERT_TRUE(notes) << notes.error().message;
    ASSERT_EQ(notes->size(), 1U);
    EXPECT_NE((*notes)[0].find("broken.png cannot be decoded"), std::string::npos) << (*notes)[0];
  }
  expectAlike();
}

TEST_F(OnePhoto, ADrawingInThePlaceOfAPhotoIsNeverDrawn) {
  const QTemporaryDir folder;
  ASSERT_TRUE(tones(10, 10).save(folder.filePath("secret.png")));
  Medium medium;
  medium.name = "drawing.png";
  medium.hash = "svg";
  medium.width = medium.height = 10;
  medium.bytes = std::make_shared<const std::string>(
      "<svg xmlns='http://www.w3.org/2000/svg' width='10' height='10'><image width='10' height='10' href='" +
      folder.filePath("secret.png").toStdString() + "'/></svg>");
  project = withPhotoIn(project, box, std::make_shared<const Medium>(medium));
  PhotoStore store;
  EXPECT_TRUE(store.problemWith(medium));
  EXPECT_EQ(store.level(medium, 1).image.isNull(), true);
  expectAlike();
}

TEST_F(OnePhoto, PixelsOfAPdfAreNotPadded) {
  put(encoded(tones(400, 300), "PNG"), "p.png");
  const std::string pdf = bytesOf(DeliveryFormat::Pdf);
  EXPECT_NE(pdf.find("/Width 400"), std::string::npos);
  EXPECT_NE(pdf.find("/Height 300"), std::string::npos);
  EXPECT_EQ(pdf.find("/SMask"), std::string::npos);
}

TEST_F(OnePhoto, APdfHasItsBleedAndSaysWhereItIsTrimmed) {
  project = withSheet(project, sheet, [](const Sheet& before) {
    Sheet after = before;
    after.bleed = 10;
    return after;
  });
  const std::string pdf = bytesOf(DeliveryFormat::Pdf);
  EXPECT_NE(pdf.find("/MediaBox [ 0 0 220 170 ]"), std::string::npos);
  EXPECT_NE(pdf.find("/BleedBox [ 0 0 220 170 ]"), std::string::npos);
  EXPECT_NE(pdf.find("/TrimBox [ 10 10 210 160 ]"), std::string::npos);
  Delivery png{sheet, 0, DeliveryFormat::Png, 72};
  EXPECT_EQ(sceneFor(project, png).area().width(), 200);
  png.withBleed = true;
  EXPECT_EQ(sceneFor(project, png).area().width(), 220);
}

TEST_F(OnePhoto, APhotoTooLargeForOneElementGoesInAsTiles) {
  // Noise: 9 MB of JPEG, which no reader takes in one element.
  std::mt19937 random(3);
  QImage noise(2600, 2000, QImage::Format_RGB32);
  for (int y = 0; y < noise.height(); ++y)
    for (int x = 0; x < noise.width(); ++x) reinterpret_cast<QRgb*>(noise.scanLine(y))[x] = random() | 0xff000000u;
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  noise.save(&buffer, "JPEG", 100);
  ASSERT_GT(bytes.size(), 8'000'000);
  put(bytes.toStdString(), "noise.jpg");
  const std::string svg = bytesOf(DeliveryFormat::Svg);
  std::size_t longest = 0, from = 0;
  for (std::size_t at = svg.find('>'); at != std::string::npos; at = svg.find('>', from)) {
    longest = std::max(longest, at - from);
    from = at + 1;
  }
  EXPECT_LT(longest, 10'000'000U);
  expectAlike();
}

TEST_F(OnePhoto, APhotoWiderThanAnyPainterIsDelivered) {
  QImage wide(40000, 6, QImage::Format_RGB32);
  wide.fill(QColor(20, 160, 60));
  const QTemporaryDir folder;
  for (const char* format : {"PNG", "JPEG"}) {
    put(encoded(wide, format), "wide");
    const Delivered d = deliveredEverywhere(project, sheet);
    EXPECT_NEAR(d.png.pixelColor(40, 60).green(), 160, 2) << format;
    EXPECT_NEAR(d.svg.pixelColor(40, 60).green(), 160, 2) << format;
    // Cairo, which draws the others, stops at 32767 pixels: this reader does not.
    ASSERT_TRUE(writeFile(folder.filePath("w.pdf").toStdString(), bytesOf(DeliveryFormat::Pdf)));
    run("pdftoppm", {"-r", "72", "-png", "-singlefile", folder.filePath("w.pdf"), folder.filePath("w")});
    EXPECT_NEAR(QImage(folder.filePath("w.png")).pixelColor(40, 60).green(), 160, 2) << format;
  }
}

TEST_F(OnePhoto, NumbersOfAnSvgHaveFourDecimals) {
  project = withMapped(project, std::vector<Id>{box, disc}, Affine::turn(0.1).about({31, 17}));
  const std::string svg = bytesOf(DeliveryFormat::Svg);
  std::size_t longest = 0, run = 0;
  bool fraction = false;
  for (const char c : svg) {
    if (c == '.') fraction = true;
    const bool digit = c >= '0' && c <= '9';
    run = fraction && digit ? run + 1 : 0;
    if (c != '.' && !digit) fraction = false;
    longest = std::max(longest, run);
  }
  EXPECT_EQ(longest, 4U);
}

TEST_F(OnePhoto, AFailedDeliveryLeavesNothing) {
  put(encoded(tones(60, 40), "PNG"), "p.png");
  const QTemporaryDir folder;
  PhotoStore store;
  const auto refused = deliver(project, {sheet, 0, DeliveryFormat::Pdf}, store, folder.path().toStdString());
  ASSERT_FALSE(refused);
  EXPECT_NE(refused.error().message.find("it is a folder"), std::string::npos) << refused.error().message;
  EXPECT_FALSE(deliver(project, {sheet, 0, DeliveryFormat::Png}, store, "/dev/null"));
  EXPECT_TRUE(QDir(folder.path()).isEmpty(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot));
}

}  // namespace
}  // namespace widecut
