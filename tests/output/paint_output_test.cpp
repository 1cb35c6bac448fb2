// Paint in SVG and PDF: kept as what it is, and alike in other readers.
#include <gtest/gtest.h>

#include <QImage>
#include <QPainter>
#include <QProcess>
#include <QTemporaryDir>
#include <algorithm>
#include <random>

#include "media/photo.h"
#include "output/deliver.h"
#include "output/fidelity.h"
#include "output/made_up_sheets.h"
#include "output/pdf.h"
#include "output/plain_pdf.h"
#include "output/svg.h"
#include "painting/raster.h"
#include "project/any_paint.h"
#include "project/edits/colours.h"
#include "project/forms/words.h"
#include "sample.h"
#include "shapes/starter.h"
#include "test_photos.h"

namespace widecut {
namespace {

struct PaintOutput : testing::Test, Sample {
  PhotoStore store;
  std::vector<std::string> notes;

  void style(Id id, const std::function<void(Style&)>& change) {
    project = withStyle(project, std::vector<Id>{id}, change);
  }
  std::string svg() { return *svgOf(sceneOf(sheetOf(project)), store, Ground::Paper, notes); }
  std::string pdf() {
    const Scene scene = sceneOf(sheetOf(project));
    std::string out;
    EXPECT_TRUE(writePdf({&scene, 1}, store, Ground::Paper, into(out)));
    expectPlainPdfText(out);
    return out;
  }
  static bool has(const std::string& text, const char* what) { return text.find(what) != std::string::npos; }
};

TEST_F(PaintOutput, GradientsAndModesStayWhatTheyAre) {
  Gradient gradient;
  gradient.stops = twoStops({255, 0, 0}, {0, 0, 255, 0});
  style(box, [&](Style& s) {
    s.fills = {Fill{gradient}};
    s.blend = Blend::ColourDodge;
  });
  const std::string drawn = svg(), page = pdf();
  EXPECT_TRUE(has(drawn, "<linearGradient"));
  EXPECT_TRUE(has(drawn, "mix-blend-mode:color-dodge"));
  EXPECT_FALSE(has(drawn, "<image"));
  EXPECT_TRUE(has(page, "/ShadingType 2"));
  EXPECT_TRUE(has(page, "/BM /ColorDodge"));
  EXPECT_TRUE(has(page, "/Luminosity")) << "the soft mask of its alpha";
  EXPECT_FALSE(has(page, "/Subtype /Image"));
  EXPECT_TRUE(has(page, "/OutputIntents"));
}

TEST_F(PaintOutput, DashesEndsAndCornersAreThoseOfTheFormat) {
  style(box, [](Style& s) {
    s.lines = {plainLine({0, 0, 0}, 3)};
    s.lines[0].shape.dashes = {6, 2};
    s.lines[0].shape.cap = Cap::Round;
    s.lines[0].shape.join = Join::Bevel;
  });
  const std::string drawn = svg();
  EXPECT_TRUE(has(drawn, "stroke-dasharray=\"6 2\""));
  EXPECT_TRUE(has(drawn, "stroke-linecap=\"round\""));
  EXPECT_TRUE(has(drawn, "stroke-linejoin=\"bevel\""));
}

TEST_F(PaintOutput, HardStopsOfWideGradientsStandWhereTheyStand) {
  // Over a wide sheet, turned, as stripes and as a round one: readers keep places of gradients to parts of a unit.
  for (const GradientKind kind : {GradientKind::Linear, GradientKind::Radial})
    for (const double turn : {0.0, 0.3}) {
      empty(2400, 300);
      Style style;
      Gradient gradient;
      gradient.kind = kind;
      gradient.stops = {{0, {250, 240, 230}}, {0.31, {20, 60, 120}}, {0.31, {240, 200, 40}}, {0.77, {30, 90, 60}}};
      gradient.stops.push_back({0.77, {255, 255, 255}});
      gradient.stops.push_back({1, {90, 20, 20}});
      style.fills = {Fill{gradient}};
      Item item = plainItem(project.nextId, "wide", polygon({{0, 0}, {2200, 0}, {2200, 200}, {0, 200}}), style);
      item.position = {1200, 150};
      item.turn = turn / 10;
      project = withItemsOnTop(project, sheet, {item});
      for (const Fidelity::Reader& reader : fidelityOf(project, sheet, {"rsvg", "poppler"}).readers) {
        EXPECT_LE(reader.worstTile, 4) << reader.name << static_cast<int>(kind) << turn;
        // Poppler paints round ones in rings of one colour each, half a level apart.
        const bool isInRings = kind == GradientKind::Radial && reader.name == "poppler";
        EXPECT_LE(reader.mean, isInRings ? 0.7 : 0.2) << reader.name << static_cast<int>(kind) << turn;
      }
    }
}

TEST_F(PaintOutput, TheSeamOfAConicalGradientIsAsSmoothAsAnOutline) {
  project = withoutItems(project, std::vector<Id>{disc});  // which lies over a part of it
  style(box, [](Style& s) {
    Gradient gradient;
    gradient.kind = GradientKind::Conical;
    gradient.from = {0.5, 0.5};
    gradient.to = {1, 0.7};
    gradient.stops = twoStops({250, 240, 230}, {20, 30, 60});
    s.fills = {Fill{gradient}};
  });
  // Next to pixels of four times the size, brought down by plain means.
  const auto at = [&](double ppi) { return *rasterOf(sceneOf(sheetOf(project)), store, ppi, Ground::Paper); };
  const QImage own = at(72), fine = at(576);
  double worst = 0;
  for (int y = 40; y < 60; ++y)
    for (int x = 55; x < 95; ++x) {
      double sum = 0;
      for (int j = 0; j < 8; ++j)
        for (int i = 0; i < 8; ++i) sum += qRed(fine.pixel(8 * x + i, 8 * y + j));
      worst = std::max(worst, std::abs(sum / 64 - qRed(own.pixel(x, y))));
    }
  EXPECT_LE(worst, 15)
      << "a sixteenth of the jump, what eight samples across a pixel are off; unsmoothed it is half of it";
}

TEST_F(PaintOutput, ColouredLinesStayFew) {
  // Six items of lines with colours along and across them: what a page can well have.
  empty(842, 595);
  for (int i = 0; i < 6; ++i) {
    Style style;
    Line line = plainLine({0, 0, 0}, 4);
    line.colours = LineColours{twoStops({250, 40, 30}, {20, 30, 160}), i % 2 == 1};
    style.lines = {line};
    const Outline shape = starterOutline(*starterKind(i < 2   ? "star"
                                                      : i < 4 ? "ellipse"
                                                              : "even spiral"),
                                         {240, 180},
                                         usualValues(*starterKind(i < 2   ? "star"
                                                                  : i < 4 ? "ellipse"
                                                                          : "even spiral")));
    Item item = plainItem(project.nextId, "line", shape, style);
    item.position = {140.0 + 280 * (i % 3), 150.0 + 290 * (i / 3)};
    project = withItemsOnTop(project, sheet, {item});
  }
  EXPECT_LT(svg().size(), 2500000U);
  for (const Fidelity::Reader& reader : fidelityOf(project, sheet, {"rsvg", "poppler"}).readers) {
    EXPECT_LE(reader.worstTile, 6) << reader.name;
    EXPECT_LE(reader.mean, 1) << reader.name;
  }
}

TEST_F(PaintOutput, OnlyTheEffectIsPixels) {
  style(box, [](Style& s) { s.effects = {usualEffect(EffectKind::Shadow)}; });
  const std::string drawn = svg();
  EXPECT_TRUE(has(drawn, "<image"));
  EXPECT_TRUE(has(drawn, "#c8281e")) << "the box itself is a path";
  const std::string once = pdf(), again = pdf();
  EXPECT_EQ(once, again) << "the same project delivers the same file";
}

TEST_F(PaintOutput, AnEdgeIsRaisedOnWhatAPhotoIsSeenThrough) {
  // Photos that are whole and gone by turns, and that fade to the right, on a shape and in letters.
  for (const bool isFading : {false, true})
    for (const bool isWords : {false, true}) {
      QImage photo(300, 100, QImage::Format_ARGB32);
      for (int y = 0; y < 100; ++y)
        for (int x = 0; x < 300; ++x)
          photo.setPixelColor(x, y, {40, 90, 160, isFading ? 255 - x * 255 / 300 : (x / 25 + y / 25) % 2 * 255});
      empty(400, 200);
      Item item = plainItem(project.nextId, "raised", fitted(rectangleOutline(1, 1), {{0, 0}, {330, 90}}), {});
      if (isWords) {
        Words::Content content;
        content.text = "Skarrow";
        content.style.size = 84;
        item.form = wordsForm(std::move(content));
      }
      item.position = {30, 50};
      project = withItemsOnTop(project, sheet, {item});
      project = withPhotoIn(project, item.id, *photoFromBytes(encoded(photo, "PNG"), "photo.png"));
      style(item.id, [](Style& s) { s.effects = {usualEffect(EffectKind::RaisedEdge)}; });
      for (const Fidelity::Reader& reader : fidelityOf(project, sheet, {"rsvg", "poppler", "splash"}).readers)
        EXPECT_LE(reader.worstTile, 3) << reader.name << (isWords ? ", words" : "") << (isFading ? ", fading" : "");
    }
}

// Both ways of poppler to draw a PDF err in a mode or two (docs/fidelity.md), each in others: one of them has to agree.
TEST_F(PaintOutput, AllKindsOfPaintLookAlikeInEveryReader) {
  std::printf("%s", Fidelity::heading().c_str());
  for (int number = 0; number < countOfMadeUpKinds; ++number) {
    const Project made = madeUpSheet(static_cast<unsigned>(number));
    const Fidelity f = fidelityOf(made, sheetsOf(made).front()->id, {"rsvg", "splash", "poppler"});
    std::printf("%2d %s", number, f.text().c_str());
    const auto &svg = f.readers[0], &pdf = f.readers[f.readers[1].worstTile < f.readers[2].worstTile ? 1 : 2];
    for (const Fidelity::Reader& reader : {svg, pdf}) {
      EXPECT_LT(reader.worstTile, 6) << "sheet " << number << ", " << reader.name;
      EXPECT_LT(reader.mean, 1) << "sheet " << number << ", " << reader.name;
    }
  }
}

}  // namespace
}  // namespace widecut
