#include "output/made_up_sheets.h"

#include "media/photo.h"
#include "project/any_paint.h"
#include "project/edits/colours.h"
#include "project/edits/cutouts.h"
#include "project/edits/groups.h"
#include "sample.h"
#include "test_photos.h"

namespace widecut {
namespace {

/// What a number shows by itself, on one of four shapes.
void paintOne(Style& style, AnyPaint& any, unsigned number, int shape) {
  const bool first = shape == 0;
  const auto gradientOf = [&](GradientKind kind) {
    Gradient g = any.gradient();
    g.kind = kind;
    return g;
  };
  if (number < 3) style.fills = {Fill{gradientOf(static_cast<GradientKind>(number))}};
  if (number == 3) style.fills.push_back(Fill{any.hatch()});
  if (number == 4) style.fills.push_back(any.fill());
  if (number >= 5 && number < 9) {
    Line line = any.line();
    line.shape.alignment = static_cast<Alignment>(number % 3);
    if (number == 8) line.colours = LineColours{any.stops(0), first};
    style.lines = {line};
  }
  if (number >= 9 && number < 19) style.effects = {any.effect(static_cast<int>(number) - 9)};
  if (number == 19) style.blend = static_cast<Blend>(1 + shape * 3);
  if (number == 20) style.blend = static_cast<Blend>(2 + shape * 3);
  if (number == 21) style.opacity = any.number(0.3, 0.8);
  if (number == 22 && !style.fills.empty()) {
    style.fills.push_back(any.fill());
    style.fills.back().blend = static_cast<Blend>(12 + shape);
  }
  if (number == 23 || number >= static_cast<unsigned>(countOfMadeUpKinds)) any.paint(style);
}

}  // namespace

Project madeUpSheet(unsigned number) {
  Sample s;
  std::mt19937 random(100 + number);
  AnyPaint any(random);
  s.project = withSheet(s.project, s.sheet, [&](const Sheet& before) {
    Sheet after = before;
    after.width = 280;
    after.height = 200;
    if (any.chance(0.4)) after.paper = any.colour(0);
    return after;
  });
  const Id star = s.add("star", transformed(starOutline(90, 90, 7, 0.4), Affine::move({200, 70})), any.colour(0));
  const Id low = s.add("low", transformed(ellipseOutline(120, 60), Affine::move({110, 150})), any.colour(0));
  const auto medium = *photoFromBytes(encoded(tones(240, 160), "JPEG"), "tones.jpg");
  s.project = withPhotoIn(s.project, low, medium);
  int shape = 0;
  for (const Id id : {s.box, s.disc, star, low}) {
    s.project = withStyle(s.project, std::vector<Id>{id}, [&](Style& style) { paintOne(style, any, number, shape); });
    ++shape;
  }
  if (number % 3 == 2) {
    Id group = 0;
    s.project = grouped(s.project, std::vector<Id>{s.disc, star}, group);
    s.project = withStyle(s.project, std::vector<Id>{group}, [&](Style& style) {
      if (number % 2 == 0) style.effects = {any.effect()};
      style.opacity = any.chance(0.5) ? 0.6 : 1;
    });
  }
  if (number % 4 == 3) s.project = withMapped(s.project, std::vector<Id>{s.box}, Affine::turn(0.3).about({50, 50}));
  return s.project;
}

}  // namespace widecut
