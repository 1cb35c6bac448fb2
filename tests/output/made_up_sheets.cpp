#include "output/made_up_sheets.h"

#include "media/photo.h"
#include "project/any_paint.h"
#include "project/edits/colours.h"
#include "project/edits/cutouts.h"
#include "project/edits/groups.h"
#include "project/edits/words_following.h"
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

/// Words on every sheet: lines, frames, along an outline, raised, justified, in many fonts; every third one painted
/// like anything else.
Project withWordsOn(const Project& project, Id sheet, Id along, unsigned number) {
  std::mt19937 random(7000 + number);
  AnyPaint any(random);
  const char* const families[] = {"Cabin",     "EB Garamond",    "League Spartan",
                                  "Comfortaa", "Kaushan Script", "Inconsolata"};
  Words::Content content;
  content.text = "The office above the lake\nopens at nine, and shuts when the last snow is off the line.";
  content.style.face = {families[number % std::size(families)], number % 2 == 0 ? 400 : 700, number % 5 == 0};
  content.style.size = any.number(7, 22);
  content.style.leading = content.style.size * 1.25;
  content.style.align = static_cast<Align>(number % 4);
  content.style.letterCase = static_cast<LetterCase>(number / 2 % 4);
  content.style.tracking = number % 7 == 0 ? 60 : 0;
  content.style.underlined = number % 6 == 1;
  content.style.hyphens = number % 2 == 1;
  content.looks.letters = {{4, 10, nullptr, {{TextAspect::Shift, 3.0}}}};
  if (number % 4 != 0) content.frame = TextFrame{any.number(60, 200), any.number(40, 120)};
  Style style;
  setColour(style, any.colour(number % 3 == 1 ? 0.5 : 0));
  if (number % 3 == 2) any.paint(style);
  // Along the edges of so many letters they make files that librsvg does not read.
  for (Line& line : style.lines) line.colours.reset();
  Id made = 0;
  if (number % 8 == 4) return withWordsAlong(project, along, content, style, made);
  Item item = plainItem(project.nextId, "words", {}, std::move(style));
  item.position = {any.number(5, 60), any.number(20, 90)};
  item.turn = number % 5 == 2 ? any.number(-0.5, 0.5) : 0;
  item.form = wordsForm(std::move(content));
  return withItemsOnTop(project, sheet, {item});
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
  s.project = withWordsOn(s.project, s.sheet, low, number);
  return s.project;
}

}  // namespace widecut
