#include "railway.h"

#include "media/video.h"
#include "project/edits/cutouts.h"
#include "project/edits/fills.h"
#include "project/edits/places.h"
#include "project/edits/starters.h"
#include "project/edits/tree.h"
#include "project/edits/videos.h"
#include "project/edits/words_following.h"
#include "project/forms/words.h"
#include "shapes/primitives.h"

namespace skarrow {
namespace {

using namespace widecut;

constexpr double mm = 72 / 25.4;
constexpr Colour cream{0xFC, 0xF7, 0xEA}, night{0x23, 0x3A, 0x4B}, brick{0xA9, 0x3D, 0x2A}, gold{0xF4, 0xE3, 0xB8};
constexpr Colour soot{0x2B, 0x2A, 0x28}, frost{0xD9, 0xE4, 0xEC}, amber{0xF0, 0xAE, 0x2E}, white{0xFF, 0xFF, 0xFF};

const FaceChoice spartan{"League Spartan", 700}, garamond{"EB Garamond", 400}, cabin{"Cabin", 400},
    semibold{"Cabin", 600}, bold{"Cabin", 700};

Style filled(Colour colour) {
  Style style;
  setColour(style, colour);
  return style;
}

/// Puts items on one sheet of the project, in order.
class Layout {
 public:
  Layout(Project& project, Id sheet) : project_(project), sheet_(sheet) {}

  Id add(const char* name, const Outline& outline, Style style) {
    project_ = withItemsOnTop(project_, sheet_, {plainItem(project_.nextId, name, outline, std::move(style))});
    return project_.nextId - 1;
  }
  Id rectangle(const char* name, double x, double y, double w, double h, Style style) {
    return add(name, fitted(rectangleOutline(1, 1), {{x, y}, {x + w, y + h}}), std::move(style));
  }
  Id ellipse(const char* name, Point centre, double rx, double ry, Style style) {
    return add(name, transformed(ellipseOutline(2 * rx, 2 * ry), Affine::move(centre)), std::move(style));
  }
  Id words(const char* name, FaceChoice face, double size, Point at, Colour colour, const char* text, double leading) {
    Item item = plainItem(project_.nextId, name, {}, filled(colour));
    item.position = at;
    item.form = wordsForm({text, {std::move(face), size, leading, Align::Left}, {}, {}, {}});
    project_ = withItemsOnTop(project_, sheet_, {std::move(item)});
    return project_.nextId - 1;
  }
  /// Words broken to a frame of this outline, which is given on the sheet.
  Id story(const char* name, const Outline& frame, Colour colour, TextStyle style, const std::string& text) {
    const Box box = bounds(frame);
    Words::Content content;
    content.text = text;
    content.style = std::move(style);
    content.frame = TextFrame{box.width(), box.height()};
    content.frame->outline = std::make_shared<const Outline>(transformed(frame, Affine::move(-box.low)));
    content.looks.paragraphs = {{0, nullptr, {{TextAspect::DropLines, 4.0}, {TextAspect::DropGap, 6.0}}}};
    Item item = plainItem(project_.nextId, name, {}, filled(colour));
    item.position = box.low;
    item.form = wordsForm(std::move(content));
    project_ = withItemsOnTop(project_, sheet_, {std::move(item)});
    return project_.nextId - 1;
  }
  Id starter(const char* name, const char* kind, std::vector<double> numbers, const Box& box, Style style) {
    project_ = withItemsOnTop(project_, sheet_,
                              {starterItem(project_.nextId, name, *starterKind(kind), numbers, box, std::move(style))});
    return project_.nextId - 1;
  }
  /// Words that run along an item and follow it.
  Id along(Id item, Colour colour, TextStyle style, double start, const char* text) {
    Words::Content content;
    content.text = text;
    content.style = std::move(style);
    content.along = AlongLine{std::make_shared<const Outline>(), start};
    Id made = 0;
    project_ = withWordsAlong(project_, item, std::move(content), filled(colour), made);
    project_ = withWordsFollowing(project_, project_);
    return made;
  }
  void photo(Id item, const MediumPtr& photo) { project_ = withPhotoIn(project_, item, photo); }
  /// A cutout of items already placed, in the order of the formula's outcome, with a photo of its own.
  Id cut(const char* name, std::vector<Id> items, Outcome outcome, const MediumPtr& photo) {
    Id made = 0;
    project_ = combined(project_, items, outcome, usualLook(project_, items, outcome), made);
    project_ = withItem(project_, made, [&](const Item& item) {
      Item out = item;
      out.name = name;
      return out;
    });
    if (photo) project_ = withPhotoIn(project_, made, photo);
    return made;
  }
  void style(Id item, const std::function<void(Style&)>& change) {
    project_ = withItem(project_, item, [&](const Item& before) {
      Item out = before;
      change(changeable(out));
      return out;
    });
  }
  void play(Id item, const std::function<void(Playing&)>& change) {
    project_ = withPlaying(project_, std::vector<Id>{item}, change);
  }
  void reframe(Id item, const Affine& map) { project_ = withReframing(project_, item, map); }
  void turn(Id item, double angleDeg, Point about) {
    project_ = withMapped(project_, std::vector<Id>{item}, Affine::turn(radians(angleDeg)).about(about));
  }

 private:
  Project& project_;
  Id sheet_;
};

/// A pebble: a rounded panel, a little irregular.
Outline pebble(const Box& box) {
  Contour c{{0.42, 0}, {}, true};
  c.segments = {Segment::cubic({0.72, -0.03}, {1.02, 0.13}, {1.0, 0.44}),
                Segment::cubic({0.985, 0.80}, {0.78, 1.01}, {0.45, 1.0}),
                Segment::cubic({0.15, 0.985}, {-0.01, 0.80}, {0.0, 0.52}),
                Segment::cubic({0.01, 0.26}, {0.12, 0.02}, {0.42, 0})};
  return fitted(Outline{{c}}, box);
}

/// A panel whose upper edge is a wave.
Outline waveBand(const Box& box, double depth) {
  const double w = box.width(), y = box.low.y;
  Contour c{{box.low.x, y + depth * 0.2}, {}, true};
  const auto at = [&](double share, double dy) { return Point{box.low.x + w * share, y + dy}; };
  c.segments = {Segment::cubic(at(0.18, -depth * 0.9), at(0.36, depth * 1.5), at(0.52, depth)),
                Segment::cubic(at(0.68, depth * 0.5), at(0.84, -depth), at(1, depth * 0.25)), Segment::line(box.high),
                Segment::line({box.low.x, box.high.y}), Segment::line({box.low.x, y + depth * 0.2})};
  return {{c}};
}

Style photoStyle() { return filled({0x9F, 0xB2, 0xC0}); }

void brochure(Layout& on, const std::vector<MediumPtr>& photos, double width, double height) {
  const double panel = width / 3;
  on.rectangle("side panel", 2 * panel, 0, panel, height, filled(night));
  on.add("wave band", waveBand({{2 * panel, height - 150}, {width, height}}, 26), filled(brick));

  const Box window{{30, 34}, {2 * panel - 24, 418}};
  const Id frame = on.add("panel", pebble(window), photoStyle());
  const Id disc = on.ellipse("disc", {2 * panel - 92, 352}, 74, 74, filled(amber));
  std::vector<Id> parts{frame, disc};
  for (int i = 0; i < 3; ++i) {
    const std::string name = "bar " + std::to_string(i + 1);
    parts.push_back(on.rectangle(name.c_str(), 18, 236 + 25.0 * i, 2 * panel - 30, 8, filled(frost)));
  }
  const Id cover = on.cut("cover window", parts, Outcome::SubtractFront, photos[0]);
  on.style(cover, [](Style& s) { setLine(s, plainLine(Colour{0xFF, 0xFF, 0xFF}, 2.5)); });
  on.reframe(cover, Affine::move({0, 26}) * Affine::scale(1.08, 1.08).about(window.centre()));

  const Id station = on.ellipse("valley station", {2 * panel - 92, 352}, 60, 60, photoStyle());
  const Id stationDisc =
      on.cut("station disc", {station, on.rectangle("cut line", 2 * panel - 160, 384, 140, 6, filled(cream))},
             Outcome::SubtractFront, photos[2]);
  on.reframe(stationDisc, Affine::scale(2.1, 2.1).about({2 * panel - 92, 352 + 48}));
  on.words("title", spartan, 50, {2 * panel + 26, 118}, gold, "Skarrow\nPeak", 46);
  on.words("subtitle", cabin, 16, {2 * panel + 27, 192}, frost, "The slow line above\nthe clouds", 20);
  on.words("winter line", semibold, 15, {2 * panel + 27, height - 44}, white, "Winter timetable\nfrom 4 December", 19);
  on.words("bends", garamond, 20, {32, 470}, soot,
           "Eleven bends, four viaducts\nand one café with a stove.\nSit on the left going up.", 26);
  on.words("stations", semibold, 12, {panel + 26, 462}, soot,
           "Skarrow Valley\nHollin Bridge\nUpper Tarn\nSkarrow Peak, 2318 m", 18);
  on.words("departures", cabin, 11.5, {panel + 26, 542}, {0x5B, 0x60, 0x5C}, "Every hour from 7.10, snow or shine.",
           16);
}

void slide(Layout& on, const std::vector<MediumPtr>& photos, double width, double height) {
  on.rectangle("ground", 0, 0, width, height, filled(night));
  const Id arch = on.rectangle("box", 486, 196, 400, 262, photoStyle());
  const Id head = on.ellipse("disc", {686, 196}, 200, 158, photoStyle());
  on.cut("viaduct arch", {arch, head}, Outcome::Union, photos[1]);
  const Id big = on.ellipse("window", {388, 414}, 88, 88, photoStyle());
  const Id bite = on.ellipse("bite", {486, 348}, 46, 46, filled(night));
  const Id porthole = on.cut("carriage disc", {big, bite}, Outcome::SubtractFront, photos[3]);
  on.style(porthole, [](Style& s) { setLine(s, plainLine(gold, 3)); });
  const Id star = on.add("star", transformed(starOutline(120, 120, 14, 0.16), Affine::move({848, 104})), filled(amber));
  on.turn(star, 9, {848, 104});
  on.words("star words", bold, 17, {816, 100}, soot, "11 bends\n4 bridges", 20);
  on.words("slide title", spartan, 62, {58, 132}, gold, "One train,\nfour bridges", 60);
  on.words("slide text", cabin, 22, {60, 262}, frost, "The cog wheel was finished in\nthe winter of the long snow.",
           29);
  on.words("slide foot", semibold, 14, {60, 492}, {0xA9, 0xBF, 0xCC}, "Skarrow Peak Railway", 18);
}

/// A round window in which the train climbs through the fog.
void climb(Layout& on, const std::vector<MediumPtr>& photos, const MediumPtr& video, double width, double height) {
  on.rectangle("ground", 0, 0, width, height, filled(soot));
  on.add("slope", polygon({{0, height}, {0, 478}, {width, 372}, {width, height}}), filled(brick));
  std::vector<Id> parts{on.ellipse("window", {626, 262}, 218, 218, photoStyle())};
  for (int i = 0; i < 3; ++i) {
    const std::string name = "drift " + std::to_string(i + 1);
    parts.push_back(on.rectangle(name.c_str(), 388, 372 + 24.0 * i, 476, 6 + 2.0 * i, filled(frost)));
    on.turn(parts.back(), -6.3, {626, 372 + 24.0 * i});
  }
  const Id window = on.cut("climb window", parts, Outcome::SubtractFront, video);
  on.style(window, [](Style& s) { setLine(s, plainLine(gold, 4)); });
  on.play(window, [](Playing& playing) {
    playing.loops = true;
    playing.startsItself = true;
  });
  const Id disc = on.ellipse("lamp", {868, 446}, 62, 62, photoStyle());
  const Id station = on.cut("station disc", {disc, on.ellipse("bite", {812, 406}, 30, 30, filled(soot))},
                            Outcome::SubtractFront, photos[2]);
  on.reframe(station, Affine::scale(1.9, 1.9).about({868, 500}));
  on.style(station, [](Style& s) { setLine(s, plainLine(gold, 3)); });
  on.words("climb title", spartan, 58, {56, 122}, gold, "Up through\nthe fog", 56);
  on.words("climb text", cabin, 22, {58, 226}, frost, "Eleven metres in the hundred,\nand the rack holds every tooth.",
           29);
  on.words("climb foot", semibold, 14, {58, 512}, cream, "Skarrow Peak Railway", 18);
}

/// What the driver tells: a slanted column, a word that holds a photo, and words that run up a spiral.
void driversStory(Layout& on, const std::vector<MediumPtr>& photos, double width, double height) {
  on.rectangle("ground", 0, 0, width, height, filled(night));
  on.add("slope", polygon({{0, height}, {0, 180}, {302, height}}), filled(brick));
  TextStyle story{garamond, 18, 23, Align::Justified};
  story.hanging = true;
  story.indentFirst = 14;
  const char* const text =
      "The line climbs from the lake to the ridge in nineteen minutes, and the last carriage leaves the upper station "
      "when the lamps on the viaduct are lit. Nobody has ever counted the teeth of the rack, but the oldest driver "
      "says that there are as many of them as there are days in a long life.\n"
      "He counts them in his sleep, on the way down, and is never wrong by more than one. When the snow is deep he "
      "counts aloud, so that the train does not forget where it was, and the passengers count along.";
  on.story("driver's words", polygon({{58, 202}, {520, 202}, {520, 512}, {318, 512}}), cream, story, text);
  const Id word = on.words("peak", spartan, 168, {52, 168}, gold, "PEAK", 160);
  on.photo(word, photos[2]);
  const Id spiral =
      on.starter("spiral", "even spiral", usualValues(*starterKind("even spiral")), {{566, 96}, {916, 446}}, Style{});
  TextStyle round{semibold, 15.5, 19, Align::Left};
  round.tracking = 20;
  on.along(spiral, gold, round, 40,
           "up from the valley station, over Hollin Bridge, round the tarn and through the snow gallery, past the café "
           "with a stove, up to the ridge and the peak, and every hour from ten past seven back down again");
  on.words("story foot", semibold, 14, {566, 512}, {0xA9, 0xBF, 0xCC}, "Skarrow Peak Railway", 18);
}

SheetPtr emptySheet(Id id, const char* name, double width, double height, double bleed, std::vector<double> folds,
                    Colour paper) {
  Sheet sheet;
  sheet.id = id;
  sheet.name = name;
  sheet.width = width;
  sheet.height = height;
  sheet.bleed = bleed;
  sheet.folds = std::move(folds);
  sheet.paper = paper;
  return std::make_shared<const Sheet>(std::move(sheet));
}

}  // namespace

Result<Project> railwayProject(const std::string& photoFolder) {
  Project project;
  project.name = "Skarrow Peak Railway";
  const double a4Width = 297 * mm, a4Height = 210 * mm;
  const auto folder = [](Id id, const char* name, SheetPtr sheet) {
    return std::make_shared<const Piece>(Piece{id, name, {std::move(sheet)}});
  };
  project.pieces = {folder(1, "Brochure, A4 tri-fold",
                           emptySheet(2, "Outside", a4Width, a4Height, 3 * mm, {a4Width / 3, 2 * a4Width / 3}, cream)),
                    folder(3, "Deck 16:9", emptySheet(4, "Four bridges", 960, 540, 0, {}, cream))};
  project.nextId = 5;

  std::vector<MediumPtr> photos;
  for (const char* name :
       {"Ridge at dawn.jpg", "Viaduct in snow.jpg", "Dusk over the station.jpg", "Carriage window.jpg"}) {
    const auto medium = photoFromFile(photoFolder + "/" + name);
    if (!medium) return tl::unexpected(medium.error());
    photos.push_back(*medium);
  }
  Layout onBrochure(project, 2), onSlide(project, 4);
  brochure(onBrochure, photos, a4Width, a4Height);
  slide(onSlide, photos, 960, 540);

  // Where the train is in the middle of its way.
  constexpr double trainSeen = 4.1;
  auto filmed = pictureFromFile(photoFolder + "/Climb through fog.webm");
  if (filmed) filmed = posterAt((*filmed)->video, trainSeen);
  if (!filmed) return tl::unexpected(filmed.error());
  const Id sheet = project.nextId++;
  auto deck = std::make_shared<Piece>(*project.pieces[1]);
  deck->sheets.push_back(emptySheet(sheet, "Through the fog", 960, 540, 0, {}, cream));
  project.pieces[1] = std::move(deck);
  Layout onClimb(project, sheet);
  climb(onClimb, photos, *filmed, 960, 540);

  const Id last = project.nextId++;
  deck = std::make_shared<Piece>(*project.pieces[1]);
  deck->sheets.push_back(emptySheet(last, "What the driver tells", 960, 540, 0, {}, cream));
  project.pieces[1] = std::move(deck);
  Layout onStory(project, last);
  driversStory(onStory, photos, 960, 540);
  return project;
}

}  // namespace skarrow
