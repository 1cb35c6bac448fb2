#include "storage/project_file.h"

#include <gtest/gtest.h>

#include <sys/resource.h>
#include <sys/stat.h>
#include <unistd.h>
#include <QDir>
#include <QImage>
#include <QTemporaryDir>
#include <array>
#include <csignal>
#include <fstream>
#include <random>

#include "media/files.h"
#include "media/photo.h"
#include "project/any_paint.h"
#include "project/edits/cutouts.h"
#include "project/edits/groups.h"
#include "project/edits/guides.h"
#include "project/edits/repeats.h"
#include "project/every_edit.h"
#include "project/forms/recipe.h"
#include "project/forms/repeat.h"
#include "project/forms/words.h"
#include "project/limits.h"
#include "project/resolve.h"
#include "sample.h"
#include "storage/project_json.h"
#include "test_photos.h"
#include "text_of.h"

namespace widecut {
namespace {

/// A project with everything that a file can hold.
Project fullProject() {
  Sample s;
  const auto medium = *photoFromBytes(encoded(tones(40, 30), "PNG"), "tones.png");
  Project p = s.project;
  Id made = 0, photo = 0;
  p = withPhotoItem(p, s.sheet, medium, {{10, 10}, {150, 140}}, photo);
  p = withMapped(p, std::vector<Id>{photo}, Affine::turn(0.3).about({50, 50}));
  const std::vector<Id> parts{s.disc, photo};
  p = combined(p, parts, Outcome::Intersect, usualLook(p, parts, Outcome::Intersect), made);
  p = withPhotoIn(p, s.box, medium);
  p = withItem(p, s.box, [](const Item& before) {
    Item after = before;
    setLine(changeable(after), plainLine(Colour{1, 2, 3, 200}, 2.5));
    changeable(after).opacity = 0.75;
    Style& style = changeable(after);
    style.blend = Blend::Luminosity;
    std::mt19937 random(5);
    AnyPaint any(random);
    for (int i = 0; i < 30; ++i) {
      style.fills.insert(style.fills.begin(), any.fill());
      style.lines.push_back(any.line());
      style.effects.push_back(any.effect(i % 10));
    }
    style.fills.front().paint = Colour{1, 2, 3, 255, 4};
    after.hidden = true;
    after.locked = true;
    after.paleBy = 0.4;
    return after;
  });
  PieceForm form = formOf(*p.pieces.front());
  form.setting = {Unit::Pixel, 10, 11, 12, 13, 3, 4.5};
  form.bleed = 9;
  p.swatches = {{4, "Ink", {1, 2, 3, 255, 4}}};
  // Of a photo that shows nowhere: it may come back.
  p.subjects[std::string(64, 'c')] =
      std::make_shared<const std::vector<Subject>>(2, Subject{"driver", polygon({{10, 10}, {60, 10}, {30, 80}})});
  return withPieceForm(p, p.pieces.front()->id, form, Kept::WhereTheyAre);
}

TEST(ProjectFile, SavedOpenedAndSavedAgainIsTheSameToTheByte) {
  const Project before = fullProject();
  const auto bytes = bytesOfProject(before, "");
  ASSERT_TRUE(bytes) << bytes.error().message;
  const auto after = projectFromBytes(*bytes);
  ASSERT_TRUE(after) << after.error().message;
  EXPECT_EQ(*bytesOfProject(*after, ""), *bytes);
  EXPECT_EQ(after->nextId, before.nextId);
  const auto sheets = sheetsOf(*after);
  ASSERT_EQ(sheets[0]->items.size(), 2U);
  EXPECT_EQ(*sheets[0]->items[0]->style, *sheetsOf(before)[0]->items[0]->style);
  EXPECT_EQ(after->swatches, before.swatches);
  ASSERT_EQ(after->subjects.size(), 1U);
  EXPECT_EQ(*after->subjects.begin()->second, *before.subjects.begin()->second);
  // Turns are kept in degrees to 13 digits, and cuts no longer round to a grid that would hide the last of them.
  const Box kept = resolved(*sheets[0]->items[1])->box, was = resolved(*sheetsOf(before)[0]->items[1])->box;
  EXPECT_LT(std::max(distance(kept.low, was.low), distance(kept.high, was.high)), 1e-10);
}

/// Texts with something else in the place of the first such words, in whichever entry they stand.
ProjectTexts changed(ProjectTexts texts, const std::string& from, const std::string& to) {
  std::string* in = &texts.project;
  for (auto& [name, text] : texts.sheets)
    if (in->find(from) == std::string::npos) in = &text;
  EXPECT_NE(in->find(from), std::string::npos) << from;
  in->replace(in->find(from), from.size(), to);
  return texts;
}

TEST(ProjectFile, UnknownMembersAndFilesSurvive) {
  Sample s;
  Id made = 0;
  s.project = repeated(s.project, std::vector<Id>{s.disc}, Ring{3, {40, 0}}, made);
  s.project = grouped(s.project, std::vector<Id>{s.box, made}, made);
  ProjectTexts texts = projectTexts(s.project);
  const char* places[] = {"\"name\": \"box\"", "\"pieces\": [", "\"members\": [", "\"colour\": \"#c8281e\"",
                          "\"items\": ["};
  for (std::size_t i = 0; i < std::size(places); ++i)
    texts = changed(texts, places[i], "\"new" + std::to_string(i) + "\": {\"size\": 4}, " + places[i]);
  auto project = projectFrom(texts);
  ASSERT_TRUE(project) << project.error().message;
  project->otherFiles["sounds/one.ogg"] = std::make_shared<const std::string>("not known yet");
  const auto again = projectFromBytes(*bytesOfProject(*project, ""));
  ASSERT_TRUE(again) << again.error().message;
  const std::string written = textOf(*again);
  for (std::size_t i = 0; i < std::size(places); ++i)
    EXPECT_NE(written.find("\"new" + std::to_string(i) + "\""), std::string::npos) << places[i];
  EXPECT_EQ(*again->otherFiles.at("sounds/one.ogg"), "not known yet");
}

TEST(ProjectFile, CopiesGuidesAndMeasuringLinesAreReadAsTheyWere) {
  Sample s;
  Id made = 0;
  const Contour line{{0, 0}, {Segment::cubic({10, 20}, {60, 20}, {90, 0})}, false};
  s.project = repeatedAlong(s.project, std::vector<Id>{s.disc}, line, made);
  Trail trail = std::get<Trail>(repeatOf(*findItem(s.project, made))->pattern);
  trail.each = {0.1, 0.2};
  trail.turning = false;
  s.project = withPattern(s.project, made, trail);
  Style red;
  setColour(red, Colour{255, 0, 0});
  s.project = withOwnLook(withLeftOut(s.project, made, 1, true), made, 2, s.disc, red);
  s.project = repeated(s.project, std::vector<Id>{s.box}, Mirrored{3, {4, 5}, 0.5}, made);
  s.project = withItem(s.project, made, [](const Item& item) {
    Item out = item;
    out.measures = true;
    return out;
  });
  s.project = withGuide(s.project, s.sheet, {true, 12.5, "fold", true});
  s.project = withGuide(s.project, 1, {false, 40});
  Piece piece = *s.project.pieces.front();
  piece.setting.grid = 14;
  s.project.pieces = {std::make_shared<const Piece>(piece)};
  const auto again = projectFromBytes(*bytesOfProject(s.project, ""));
  ASSERT_TRUE(again) << again.error().message;
  EXPECT_EQ(textOf(*again), textOf(s.project));
  EXPECT_EQ(guidesOn(*again, s.sheet).size(), 2U);
  EXPECT_EQ(again->pieces[0]->setting.grid, 14);
  const Sheet& sheet = s.sheetOf(*again);
  EXPECT_TRUE(sheet.items[0]->measures);
  const Repeat& along = *repeatOf(*sheet.items[1]);
  EXPECT_EQ(along.leftOut, std::vector<int>{1});
  ASSERT_EQ(along.looks.size(), 1U);
  EXPECT_EQ(*along.looks[0].style, red);
  EXPECT_NEAR(std::get<Trail>(along.pattern).each.turn, 0.1, 1e-12);
}

/// The problem's message; empty when the bytes were read after all.
std::string refusal(const std::string& bytes) {
  const auto project = projectFromBytes(bytes);
  return project ? "" : project.error().message;
}

TEST(ProjectFile, TruncatedFilesAreRefused) {
  const std::string bytes = *bytesOfProject(fullProject(), "");
  for (std::size_t length = 0; length < bytes.size(); length += 37)
    EXPECT_NE(refusal(bytes.substr(0, length)), "") << "cut to " << length;
  EXPECT_NE(refusal(bytes.substr(0, 200)).find("damaged or truncated"), std::string::npos);
}

TEST(ProjectFile, ForeignFilesAreNamedAsSuch) {
  EXPECT_NE(refusal("").find("not a Wide Cut project"), std::string::npos);
  EXPECT_NE(refusal("just some text").find("not a Wide Cut project"), std::string::npos);
  std::mt19937 random(1);
  std::string noise(5000, ' ');
  for (char& c : noise) c = static_cast<char>(random());
  EXPECT_NE(refusal(noise), "");
}

TEST(ProjectFile, FlippedBitsNeverCrashAndNeverPassUnseen) {
  const std::string bytes = *bytesOfProject(fullProject(), "");
  const std::string text = textOf(*projectFromBytes(bytes));
  std::mt19937 random(7);
  int refused = 0;
  for (int i = 0; i < 400; ++i) {
    std::string broken = bytes;
    broken[random() % broken.size()] ^= static_cast<char>(1 << (random() % 8));
    const auto project = projectFromBytes(broken);
    refused += !project;
    // What opens all the same (a flipped date, say) is the same project.
    if (project) {
      EXPECT_EQ(textOf(*project), text);
    }
  }
  EXPECT_GT(refused, 300);
}

TEST(ProjectFile, AbsurdSizesInTheZipAreRefused) {
  std::string bytes = *bytesOfProject(Sample().project, "");
  // The last record of the central directory: its uncompressed size stands 24 bytes in.
  const std::size_t record = bytes.rfind("PK\x01\x02");
  ASSERT_NE(record, std::string::npos);
  for (int i = 0; i < 4; ++i)
    bytes[record + 24 + static_cast<std::size_t>(i)] = static_cast<char>(i == 3 ? 0x7f : 0xff);
  EXPECT_NE(refusal(bytes), "");
}

TEST(ProjectJson, WrongValuesAreRefusedWithTheirPlace) {
  Sample s;
  Id made = 0;
  s.project = repeated(s.project, std::vector<Id>{s.disc}, Row{3, {40, 0}}, made);
  s.project = withItemsOnTop(s.project, s.sheet,
                             {starterItem(0, "piece", *starterKind("puzzle piece"), {}, {{0, 0}, {53, 40}}, {})});
  const ProjectTexts good = projectTexts(s.project);
  struct Case {
    const char *from, *to, *says;
  };
  for (const Case& c :
       {Case{"\"width\": 200.0", "\"width\": -3", "sheets/2.json: width is out of range"},
        Case{"\"width\": 200.0", "\"width\": 1e308", "width is out of range"},
        Case{"\"width\": 200.0", "\"width\": \"wide\"", "width is not a number"},
        Case{"\"id\": 4", "\"id\": 3", "id is used twice"},
        Case{"\"version\": 2", "\"version\": 9", "newer Wide Cut"},
        Case{"\"format\": \"widecut\"", "\"format\": \"other\"", "not a Wide Cut project"},
        Case{"\"colour\": \"#c8281e\"", "\"colour\": \"reddish\"", "items[0].fills[0].colour is not a colour"},
        Case{"\"colour\": \"#c8281e\"", "\"opacity\": 0.5", "items[0].fills[0].colour is missing"},
        Case{"\"outline\": \"M", "\"outline\": \"MNaN", "items[0].outline cannot be read"},
        Case{"\"outline\": \"M", "\"outline\": \"M1e308 0M", "cannot be read"},
        Case{"\"at\": [", "\"at\": [1, ", "not a pair"},
        Case{"\"count\": 3", "\"count\": 0", "items[1].repeat.row.count is out of range"},
        Case{"\"count\": 3", "\"count\": 2.5", "count is not a whole number"},
        Case{"\"row\": {", "\"line\": {", "row is missing, and so are grid, ring, path and mirror"},
        Case{"\"repeat\": {", "\"repeat\": {\"leftOut\": [1, 0],", "leftOut is not a rising list"},
        Case{"\"repeat\": {", "\"repeat\": {\"leftOut\": [3],", "leftOut is not a rising list"},
        Case{"\"kind\": \"puzzle piece\"", "\"kind\": \"riddle\"", "items[2].starter.kind is no kind of starter"},
        Case{"\"right\": \"tab\"", "\"right\": \"knob\"", "right is none of straight|tab|hole"},
        Case{"\"tab\": 1", "\"tab\": -1", "tab is out of range"},
        Case{"53.0", "0.0", "size has no area"},
        Case{"   2\n", "   7\n", "the entry sheets/7.json is missing"},
        Case{"\"id\": 2", "\"id\": 9", "sheets/2.json: id is another one"}}) {
    const auto project = projectFrom(changed(good, c.from, c.to));
    ASSERT_FALSE(project) << c.to;
    EXPECT_NE(project.error().message.find(c.says), std::string::npos) << project.error().message;
  }
  EXPECT_FALSE(projectFrom({std::string(100000, '['), {}}));
}

TEST(ProjectJson, TreatedShapesAreReadAsStrictly) {
  Sample s;
  s.project = withAllCorners(s.project, s.disc, {CornerKind::Round, 7.5});
  s.project = withCorners(s.project, {{s.disc, {{0, 1}, {0, 3}}}}, {CornerKind::Notch, 3.25});
  s.project = withAxis(s.project, s.disc, MirrorAxis{{1.5, 0}, {0, 1}, {1, 0}});
  const ProjectTexts good = projectTexts(s.project);
  const auto again = projectFrom(good);
  ASSERT_TRUE(again) << again.error().message;
  EXPECT_TRUE(isSame(*again, s.project));
  struct Case {
    const char *from, *to, *says;
  };
  for (const Case& c : {Case{"\"size\": 7.5", "\"size\": -1", "treated.all.size is out of range"},
                        Case{"\"size\": 7.5", "\"size\": 1e9", "size is out of range"},
                        Case{"\"kind\": \"round\"", "\"kind\": \"wavy\"", "kind is none of sharp, round"},
                        Case{"\"node\": 3", "\"node\": 1", "own does not name its nodes in rising order"},
                        Case{"\"node\": 3", "\"node\": 4000", "node is out of range"},
                        Case{"\"node\": 3", "\"node\": 2.5", "node is not a whole number"},
                        Case{"\"own\": [", "\"own\": [5, ", "own"}, Case{"1.5", "\"left\"", "through"},
                        Case{"\"across\": [", "\"across\": [0, 1], \"other\": [", "mirror has no line to mirror at"}}) {
    const auto project = projectFrom(changed(good, c.from, c.to));
    ASSERT_FALSE(project) << c.to;
    EXPECT_NE(project.error().message.find(c.says), std::string::npos) << project.error().message;
  }
}

TEST(ProjectJson, CornersOfCutoutsAreReadAsStrictly) {
  Sample s;
  Id cutout = 0;
  s.project = combined(s.project, std::vector<Id>{s.box, s.disc}, Outcome::SubtractFront, {}, cutout);
  s.project = withAllCorners(s.project, cutout, {CornerKind::Scoop, 7.5});
  const ProjectTexts good = projectTexts(s.project);
  const auto again = projectFrom(good);
  ASSERT_TRUE(again) << again.error().message;
  EXPECT_TRUE(isSame(*again, s.project));
  EXPECT_EQ(findItem(*again, cutout)->recipe()->corners, (Corner{CornerKind::Scoop, 7.5}));
  for (const auto& [from, to, says] :
       {std::array{"\"size\": 7.5", "\"size\": -1", "recipe.corners.size is out of range"},
        std::array{"\"kind\": \"scoop\"", "\"kind\": 3", "recipe.corners.kind"}}) {
    const auto project = projectFrom(changed(good, from, to));
    ASSERT_FALSE(project) << to;
    EXPECT_NE(project.error().message.find(says), std::string::npos) << project.error().message;
  }
}

TEST(ProjectFile, EveryKindOfStarterIsSavedWithItsNumbers) {
  Sample sample;
  Project project = sample.project;
  unsigned turn = 0;
  for (const StarterKind* kind : starterKinds()) {
    const auto numbers = dealt(*kind, usualValues(*kind), ++turn);
    project = withItemsOnTop(project, sample.sheet,
                             {starterItem(0, std::string(kind->name), *kind, numbers, {{10, 10}, {90, 60.3}}, {})});
  }
  std::vector<Id> all;
  for (const ItemPtr& item : findSheet(project, sample.sheet)->items) all.push_back(item->id);
  project = withMapped(project, all, Affine{1, 0.2, 0.3, -1.1, 4, 5});
  const ProjectTexts texts = projectTexts(project);
  const auto opened = projectFrom(texts);
  ASSERT_TRUE(opened) << opened.error().message;
  EXPECT_EQ(projectTexts(*opened).sheets, texts.sheets);
  const auto& before = findSheet(project, sample.sheet)->items;
  const auto& after = findSheet(*opened, sample.sheet)->items;
  for (std::size_t i = 0; i < before.size(); ++i)
    if (const Starter* starter = starterOf(*before[i])) {
      ASSERT_TRUE(starterOf(*after[i])) << before[i]->name;
      EXPECT_EQ(starterOf(*after[i])->content(), starter->content()) << before[i]->name;
    }
}

TEST(ProjectJson, AMissingPhotoIsSaid) {
  const auto project = projectFrom(changed(projectTexts(fullProject()), "\"medium\": \"", "\"medium\": \"0000"));
  ASSERT_FALSE(project);
  EXPECT_NE(project.error().message.find("photo"), std::string::npos) << project.error().message;
}

TEST(ProjectFile, WhateverIsMadeIsSavedAndOpensEqual) {
  Sample sample;
  const auto medium = *photoFromBytes(encoded(tones(40, 30), "PNG"), "tones.png");
  const QTemporaryDir folder;
  const std::string path = folder.filePath("any.widecut").toStdString();
  for (unsigned seed = 0; seed < 25; ++seed) {
    EveryEdit edits(seed, sample.project, sample.sheet, medium);
    for (int step = 0; step < 14 && edits.sheetHere().items.size() < 30; ++step) {
      const Project next = edits.next();
      if (!beyondLimits(next, nullptr)) edits.project = next;
    }
    const auto saved = saveProject(edits.project, "", path);
    ASSERT_TRUE(saved) << "seed " << seed << ": " << saved.error().message;
    auto opened = openProject(path);
    ASSERT_TRUE(opened) << "seed " << seed << ": " << opened.error().message;
    EXPECT_EQ(textOf(*opened), textOf(edits.project)) << "seed " << seed;
  }
}

TEST(ProjectFile, TheDemoOfVersion1IsTodaysDemo) {
  std::ifstream file(DEMO_OF_VERSION_1, std::ios::binary);
  const std::string text{std::istreambuf_iterator<char>(file), {}};
  ASSERT_NE(text.find("\"version\": 1"), std::string::npos);
  const auto old = projectFrom({text, {}});
  ASSERT_TRUE(old) << old.error().message;
  const auto now = openProject(DEMO_PROJECT);
  ASSERT_TRUE(now) << now.error().message;
  // Its words were outlines then, and the photos' bytes may differ with the machine that made them.
  const auto before = sheetsOf(*old), after = sheetsOf(*now);
  ASSERT_EQ(before.size() + 2, after.size()) << "the one with the video came later, and the driver's words";
  for (std::size_t k = 0; k < before.size(); ++k) {
    ASSERT_EQ(before[k]->items.size(), after[k]->items.size());
    for (std::size_t i = 0; i < before[k]->items.size(); ++i) {
      const Item &a = *before[k]->items[i], &b = *after[k]->items[i];
      EXPECT_EQ(a.name, b.name);
      EXPECT_EQ(a.style->lines, b.style->lines);
      EXPECT_EQ(colourOf(*a.style), colourOf(*b.style));
      const auto photoA = shownPhoto(a), photoB = shownPhoto(b);
      ASSERT_EQ(photoA.has_value(), photoB.has_value());
      if (photoA) {
        EXPECT_EQ(photoA->medium->name, photoB->medium->name);
        EXPECT_EQ(photoA->pixelsToFrame, photoB->pixelsToFrame);
      }
      const Box boxA = boxInParent(a), boxB = boxInParent(b);
      EXPECT_NEAR(distance(boxA.low, boxB.low) + distance(boxA.high, boxB.high), 0, 1e-3) << a.name;
      EXPECT_TRUE(wordsOf(b) || isSameRule(a.form, b.form)) << a.name;
    }
  }
}

TEST(ProjectJson, Version1KeepsWhatAPhotoCoveredCovered) {
  const std::string start =
      "{\"format\": \"widecut\", \"version\": 1, \"name\": \"x\", \"media\": [{\"hash\": \"" + std::string(64, 'a') +
      "\", \"name\": \"p\", \"width\": 9, \"height\": 9}], \"pieces\": [{\"id\": 1, \"name\": \"\", "
      "\"sheets\": [{\"id\": 2, \"name\": \"\", \"width\": 9, \"height\": 9, \"paper\": \"#ffffff\", "
      "\"items\": [";
  const std::string place = "\"name\": \"\", \"at\": [0, 0], \"outline\": \"M0 0H9V9Z\", \"fill\": \"#010203\"";
  const std::string photo =
      ", \"photo\": {\"medium\": \"" + std::string(64, 'a') + "\", \"centre\": [0, 0], \"pointsPerPixel\": 1}";
  const std::string part = "{\"id\": 5, " + place + photo + "}";
  const auto project =
      projectFrom({start + "{\"id\": 3, " + place +
                       ", \"line\": {\"colour\": \"#040506\", \"width\": 2}, \"glow\": 1}, {\"id\": 4, " +
                       "\"name\": \"\", \"at\": [0, 0], \"fill\": \"#010203\", \"recipe\": {\"parts\": [" + part +
                       "], \"formula\": \"5\", \"photoFrom\": 5}}]}]}]}",
                   {}});
  ASSERT_TRUE(project) << project.error().message;
  const Item &plain = *findItem(*project, 3), &cutout = *findItem(*project, 4);
  EXPECT_EQ(plain.style->fills.size(), 1U);
  EXPECT_TRUE(plain.style->fills[0].shown);
  EXPECT_EQ(lineOf(*plain.style)->shape.width, 2);
  EXPECT_NE(plain.extra.find("glow"), std::string::npos);
  ASSERT_EQ(cutout.style->fills.size(), 2U);
  EXPECT_FALSE(cutout.style->fills[0].shown);
  EXPECT_EQ(picturePartOf(*cutout.style), 5U);
  EXPECT_TRUE(shownPhoto(cutout));
  const Project without = withoutItems(*project, std::vector<Id>{5});
  EXPECT_FALSE(findItem(without, 4)) << "nothing is left of it";
}

TEST(ProjectFile, AnyNumberOfCutsInARowThatCanBeMadeIsSaved) {
  Project p = Sample().project;
  std::vector<Id> items{sheetsOf(p)[0]->items[0]->id, sheetsOf(p)[0]->items[1]->id};
  for (int i = 0; i < 60; ++i) {
    Id made = 0;
    p = combined(p, items, Outcome::SubtractFront, usualLook(p, items, Outcome::SubtractFront), made);
    p = withItemsOnTop(p, sheetsOf(p)[0]->id, {plainItem(p.nextId, "disc", ellipseOutline(3, 3), {})});
    items = {made, p.nextId - 1};
  }
  ASSERT_FALSE(beyondLimits(p, nullptr));
  const auto again = projectFromBytes(*bytesOfProject(p, ""));
  ASSERT_TRUE(again) << again.error().message;
  EXPECT_EQ(textOf(*again), textOf(p));
}

TEST(ProjectFile, ReplacedAndDeletedPhotosAreNotInTheFile) {
  const auto first = *photoFromBytes(encoded(tones(40, 30), "PNG"), "first.png");
  const auto second = *photoFromBytes(encoded(tones(50, 30), "PNG"), "second.png");
  Sample s;
  Project p = withPhotoIn(s.project, s.box, first);
  p = withPhotoIn(p, s.box, second);
  const std::string bytes = *bytesOfProject(p, "");
  EXPECT_EQ(bytes.find("first.png"), std::string::npos);
  EXPECT_EQ(bytes.find(*first->bytes), std::string::npos);
  EXPECT_EQ(mediaOf(*projectFromBytes(bytes)).size(), 1U);
}

TEST(ProjectFile, AMediumOfAnotherSizeThanStatedIsRefused) {
  std::string bytes = *bytesOfProject(fullProject(), "");
  Project p = *projectFromBytes(bytes);
  Medium lying = *mediaOf(p).begin()->second;
  lying.width = 4000;
  Sample s;
  p = withPhotoIn(s.project, s.box, std::make_shared<const Medium>(lying));
  const std::string says = refusal(*bytesOfProject(p, ""));
  EXPECT_NE(says.find("has 40 × 30 pixels, not the 4000 × 30"), std::string::npos) << says;
}

TEST(ProjectFile, APhotoThatCannotBeDecodedOpensAllTheSame) {
  Sample s;
  Medium odd = *mediaOf(fullProject()).begin()->second;
  odd.bytes = std::make_shared<const std::string>("<svg xmlns='http://www.w3.org/2000/svg' width='40' height='30'/>");
  odd.hash = sha256(*odd.bytes);
  const Project p = withPhotoIn(s.project, s.box, std::make_shared<const Medium>(odd));
  const auto again = projectFromBytes(*bytesOfProject(p, ""));
  ASSERT_TRUE(again) << again.error().message;
  PhotoStore store;
  EXPECT_TRUE(store.problemWith(*mediaOf(*again).begin()->second));
}

TEST(ProjectJson, BombsAreRefusedBeforeTheyAreInMemory) {
  std::string many = "{\"format\": \"widecut\", \"version\": 1, \"name\": \"x\", \"bomb\": [";
  for (std::size_t i = 0; i < limits::mostJsonValues; ++i) many += "[],";
  many += "[]]}";
  const auto refused = projectFrom({many, {}});
  ASSERT_FALSE(refused);
  EXPECT_NE(refused.error().message.find("more values"), std::string::npos) << refused.error().message;
}

TEST(ProjectFile, EntriesThatNobodyKnowsHaveALimitTogether) {
  Project p = Sample().project;
  const auto large = std::make_shared<const std::string>(limits::mostOtherBytes / 2 + 1, '\0');
  p.otherFiles["a"] = large;
  EXPECT_EQ(refusal(*bytesOfProject(p, "")), "");
  p.otherFiles["b"] = large;
  EXPECT_NE(refusal(*bytesOfProject(p, "")), "");
}

TEST(ProjectFile, ASaveThatCannotBeReadAgainLeavesTheOldFile) {
  const QTemporaryDir folder;
  const std::string path = folder.filePath("kept.widecut").toStdString();
  ASSERT_TRUE(saveProject(Sample().project, "", path));
  const std::string before = *readFile(path, 1 << 20);
  Project bad = Sample().project;
  bad = withItem(bad, sheetsOf(bad)[0]->items[0]->id, [](const Item& item) {
    Item out = item;
    out.position.x = 5e6;
    return out;
  });
  const auto refused = saveProject(bad, "", path);
  ASSERT_FALSE(refused);
  EXPECT_NE(refused.error().message.find("cannot save"), std::string::npos);
  EXPECT_EQ(*readFile(path, 1 << 20), before);
  EXPECT_EQ(QDir(folder.path()).entryList(QDir::Files | QDir::Hidden).size(), 1) << "no work file stays";
}

TEST(Files, PipesDevicesAndFoldersAreRefusedAtOnce) {
  const QTemporaryDir folder;
  const std::string pipe = folder.filePath("pipe").toStdString();
  ASSERT_EQ(::mkfifo(pipe.c_str(), 0600), 0);
  for (const std::string& path : {pipe, std::string("/dev/zero")}) {
    const auto read = readFile(path, 1 << 20);
    ASSERT_FALSE(read);
    EXPECT_NE(read.error().message.find("a device or a pipe"), std::string::npos) << read.error().message;
    EXPECT_FALSE(openProject(path));
    const auto wrote = writeFile(path, "x");
    ASSERT_FALSE(wrote);
    EXPECT_NE(wrote.error().message.find("a device or a pipe"), std::string::npos) << wrote.error().message;
  }
  EXPECT_FALSE(writeFile(folder.path().toStdString(), "x"));
}

TEST(Files, NamesOfTheLongestKindAreSavedAgainAndAgain) {
  const QTemporaryDir folder;
  const std::string longest = folder.path().toStdString() + "/" + std::string(255, 'n');
  EXPECT_TRUE(writeFile(longest, "one"));
  EXPECT_TRUE(writeFile(longest, "two"));
  EXPECT_EQ(*readFile(longest, 10), "two");
  const auto longer = writeFile(longest + "n", "x");
  ASSERT_FALSE(longer);
  EXPECT_NE(longer.error().message.find("too long"), std::string::npos) << longer.error().message;
}

TEST(Files, AFullDiskIsNamedWithWhatIsNeeded) {
  const QTemporaryDir folder;
  const auto refused = NewFile::at(folder.filePath("x").toStdString(), std::uint64_t{1} << 60);
  ASSERT_FALSE(refused);
  EXPECT_NE(refused.error().message.find("are needed"), std::string::npos) << refused.error().message;
  // A limit on the size of files ends a write as a full disk does.
  rlimit before{};
  getrlimit(RLIMIT_FSIZE, &before);
  const rlimit small{1000, before.rlim_max};
  std::signal(SIGXFSZ, SIG_IGN);
  setrlimit(RLIMIT_FSIZE, &small);
  const auto failed = writeFile(folder.filePath("y").toStdString(), std::string(100000, 'x'));
  setrlimit(RLIMIT_FSIZE, &before);
  ASSERT_FALSE(failed);
  EXPECT_NE(failed.error().message.find("File too large"), std::string::npos) << failed.error().message;
  EXPECT_TRUE(QDir(folder.path()).isEmpty(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot));
}

TEST(Files, LinksAndRightsOfTheOlderFileStay) {
  const QTemporaryDir folder;
  const std::string real = folder.filePath("real").toStdString(), link = folder.filePath("link").toStdString();
  ASSERT_TRUE(writeFile(real, "old"));
  ASSERT_EQ(::chmod(real.c_str(), 0640), 0);
  ASSERT_EQ(::symlink("real", link.c_str()), 0);
  ASSERT_TRUE(writeFile(link, "new"));
  EXPECT_EQ(*readFile(real, 10), "new");
  struct stat s {};
  ASSERT_EQ(::lstat(link.c_str(), &s), 0);
  EXPECT_TRUE(S_ISLNK(s.st_mode));
  ASSERT_EQ(::stat(real.c_str(), &s), 0);
  EXPECT_EQ(s.st_mode & 0777, 0640U);
}

TEST(Files, AFailedWriteLeavesTheOldFileAlone) {
  const QTemporaryDir folder;
  const std::string path = folder.filePath("kept.txt").toStdString();
  ASSERT_TRUE(writeFile(path, "old"));
  const auto failed = writeFile(folder.filePath("no/such/folder.txt").toStdString(), "new");
  ASSERT_FALSE(failed);
  EXPECT_NE(failed.error().message.find("folder.txt"), std::string::npos);
  EXPECT_EQ(*readFile(path, 100), "old");
  EXPECT_FALSE(readFile(path, 2)) << "larger than the limit";
  EXPECT_FALSE(readFile(folder.path().toStdString(), 100)) << "a folder";
}

}  // namespace
}  // namespace widecut
