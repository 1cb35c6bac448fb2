// Makes the projects that the scripts beside this file work on.
//   window_samples FOLDER NAME
#include <QBuffer>
#include <QCoreApplication>
#include <QImage>
#include <cmath>
#include <cstdio>
#include <filesystem>
#include <random>

#include "media/photo.h"
#include "media/video.h"
#include "memory/grainy_photo.h"
#include "project/edits/arranging.h"
#include "project/edits/fills.h"
#include "project/edits/repeats.h"
#include "project/edits/tree.h"
#include "project/forms/outline_form.h"
#include "project/forms/recipe.h"
#include "project/forms/words.h"
#include "shapes/primitives.h"
#include "storage/parsing/tasks.h"
#include "storage/project_file.h"
#include "test_videos.h"

namespace widecut {
namespace {

/// A project of one piece, to which sheets are given.
class Maker {
 public:
  explicit Maker(const char* name) { project_.name = name; }
  Id next() { return nextId_++; }
  void addSheet(std::vector<ItemPtr> items, double width = 842, double height = 595) {
    Sheet sheet;
    sheet.id = next();
    sheet.name = "Sheet " + std::to_string(sheets_.size() + 1);
    sheet.width = width;
    sheet.height = height;
    sheet.items = ItemList(std::move(items));
    sheets_.push_back(std::make_shared<const Sheet>(std::move(sheet)));
  }
  Project made() {
    project_.pieces = {std::make_shared<const Piece>(Piece{next(), "Piece", sheets_})};
    project_.nextId = nextId_;
    return project_;
  }

 private:
  Project project_;
  std::vector<SheetPtr> sheets_;
  Id nextId_ = 1;
};

Style filled(Colour colour) {
  Style style;
  setColour(style, colour);
  return style;
}

ItemPtr disc(Maker& maker, Point at, double diameter) {
  const Id id = maker.next();
  return std::make_shared<const Item>(
      plainItem(id, "disc " + std::to_string(id), transformed(ellipseOutline(diameter, diameter), Affine::move(at)),
                filled({static_cast<std::uint8_t>(id * 37 % 200), 90, static_cast<std::uint8_t>(id * 53 % 220)})));
}

ItemPtr wordsItem(Maker& maker, Point at, Words::Content content) {
  Item item;
  item.id = maker.next();
  item.name = "words";
  item.position = at;
  item.style = std::make_shared<const Style>(filled({30, 34, 40}));
  item.form = wordsForm(std::move(content));
  return std::make_shared<const Item>(std::move(item));
}

/// Made-up text of so many letters, in paragraphs of which no two are alike: those would be set once.
std::string text(std::size_t letters) {
  static const char* const words[] = {"the",   "line",     "climbs", "from",    "lake",   "to",    "ridge",
                                      "in",    "nineteen", "last",   "car",     "leaves", "upper", "when",
                                      "lamps", "viaduct",  "are",    "lit",     "and",    "rack",  "counts",
                                      "teeth", "under",    "snow",   "station", "bell",   "wind"};
  std::mt19937 random(1);
  std::string all;
  while (all.size() < letters) {
    all += words[random() % std::size(words)];
    all += random() % 70 == 0 ? ".\n" : " ";
  }
  return all;
}

/// A story that flows through one frame on each of so many pages.
Project story(const char* name, int pages, std::size_t letters) {
  Maker maker(name);
  Id first = 0;
  for (int page = 0; page < pages; ++page) {
    Words::Content content;
    content.style.face.family = "EB Garamond";
    content.style.size = 11;
    content.style.leading = 13;
    content.style.align = Align::Justified;
    content.frame.emplace();
    content.frame->width = 480;
    content.frame->height = 720;
    if (page == 0) {
      content.text = text(letters);
    } else {
      content.flowsFrom = first;
      content.flowPlace = page;
    }
    const ItemPtr item = wordsItem(maker, {57, 60}, std::move(content));
    if (page == 0) first = item->id;
    maker.addSheet({item}, 595, 841);
  }
  return maker.made();
}

/// So many discs, in rows.
Project discs(int count) {
  Maker maker("Discs");
  std::vector<ItemPtr> items;
  const int across = static_cast<int>(std::ceil(std::sqrt(count * 1.4)));
  const double step = 800.0 / across;
  for (int i = 0; i < count; ++i)
    items.push_back(disc(maker, {20 + step * (i % across), 20 + step * (i / across)}, step * 0.8));
  maker.addSheet(std::move(items));
  return maker.made();
}

/// One round outline of so many nodes.
Outline rough(int nodes) {
  std::mt19937 random(2);
  std::vector<Point> corners;
  for (int i = 0; i < nodes; ++i) {
    const double angle = 2 * pi * i / nodes, r = 220 + static_cast<double>(random() % 1000) / 100;
    corners.push_back({421 + r * std::cos(angle), 297 + r * std::sin(angle)});
  }
  return polygon(corners);
}

Project nodes(int count) {
  Maker maker("Nodes");
  const Id id = maker.next();
  maker.addSheet({std::make_shared<const Item>(plainItem(id, "rough", rough(count), filled({40, 110, 160})))});
  return maker.made();
}

Words::Content lines(const std::string& text, double size) {
  Words::Content content;
  content.text = text;
  content.style.size = size;
  content.style.leading = size * 1.15;
  return content;
}

/// A panel that a text of so many letters is cut from.
Project panel(int letters) {
  Maker maker("Panel");
  std::string rows = text(static_cast<std::size_t>(letters));
  const std::size_t across = letters > 1000 ? 90 : 30;
  for (std::size_t at = across; at < rows.size(); at += across)
    if (const auto blank = rows.find(' ', at); blank != std::string::npos) rows[blank] = '\n';
  Recipe recipe;
  const Id panelId = maker.next();
  const auto board = plainItem(panelId, "board", fitted(rectangleOutline(1, 1), {{60, 40}, {780, 560}}), {});
  const ItemPtr words = wordsItem(maker, {80, letters > 1000 ? 70.0 : 100.0}, lines(rows, letters > 1000 ? 13 : 34));
  recipe.parts = ItemList({std::make_shared<const Item>(board), words});
  recipe.formula = Formula::joined(Formula::part(0), Role::Subtract, Formula::part(1));
  Item item;
  item.id = maker.next();
  item.name = "panel";
  item.form = std::make_shared<const Recipe>(std::move(recipe));
  item.style = std::make_shared<const Style>(filled({150, 60, 40}));
  maker.addSheet({std::make_shared<const Item>(std::move(item))});
  return maker.made();
}

/// Copies of a row of words in a ring; or such a ring in a ring.
Project rings(bool isTwice) {
  Maker maker("Rings");
  const ItemPtr words = wordsItem(maker, {330, 180}, lines("Skarrow Peak Railway", 22));
  const Id id = words->id;
  maker.addSheet({words});
  Project project = maker.made();
  Id made = 0;
  project = repeated(project, std::vector<Id>{id}, Ring{8, {0, 120}}, made);
  if (isTwice) project = repeated(project, std::vector<Id>{made}, Ring{5, {0, 60}}, made);
  return project;
}

std::string photoBytes(int width, int height, unsigned seed) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  grainyPhoto(width, height, seed).save(&buffer, "JPEG", 90);
  return bytes.toStdString();
}

/// A sheet on which so many media lie in rows.
Project media(int count, const std::function<Result<MediumPtr>(int)>& medium) {
  Maker maker("Media");
  maker.addSheet({});
  Project project = maker.made();
  const Sheet& sheet = *project.pieces[0]->sheets[0];
  const int across = static_cast<int>(std::ceil(std::sqrt(count)));
  const double w = sheet.width / across, h = sheet.height / across;
  for (int i = 0; i < count; ++i) {
    const auto one = medium(i);
    if (!one) {
      std::fprintf(stderr, "%s\n", one.error().message.c_str());
      std::exit(1);
    }
    Id made = 0;
    const Point at{(i % across) * w, (i / across) * h};
    project = withPhotoItem(project, sheet.id, *one, {at, at + Point{w, h}}, made);
  }
  return project;
}

Project photos(int count, int width, int height) {
  return media(count, [&](int i) {
    return photoFromBytes(photoBytes(width, height, static_cast<unsigned>(i)), "photo " + std::to_string(i) + ".jpg");
  });
}

/// Videos of ten seconds: bands that move over slopes.
Project videos(int count) {
  return media(count, [&](int i) -> Result<MediumPtr> {
    const std::string bytes = encodedVideo({.width = 960, .height = 540, .frames = 250}, [&](int frame) {
      QImage image(960, 540, QImage::Format_RGB32);
      for (int y = 0; y < image.height(); ++y) {
        auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
        for (int x = 0; x < image.width(); ++x)
          line[x] = qRgb((x + frame * 4 + i * 30) / 4 & 255, (y * 2 + frame) / 4 & 255, (x + y - frame * 3) / 8 & 255);
      }
      return image;
    });
    const auto video = videoFromBytes(bytes, "video " + std::to_string(i) + ".webm");
    return video ? usualPoster(*video) : Result<MediumPtr>(problem(video.error().message));
  });
}

struct Kind {
  const char* name;
  Project (*make)();
};
const Kind kinds[] = {
    {"frame3000", [] { return story("Frame", 1, 3000); }},
    {"story1", [] { return story("Story", 1, 3300); }},
    {"story2", [] { return story("Story", 2, 6600); }},
    {"story5", [] { return story("Story", 5, 16500); }},
    {"story10", [] { return story("Story", 10, 33000); }},
    {"story50", [] { return story("Story", 50, 165000); }},
    {"story200", [] { return story("Story", 200, 570000); }},
    {"discs1000", [] { return discs(1000); }},
    {"discs10000", [] { return discs(10000); }},
    {"nodes2000", [] { return nodes(2000); }},
    {"nodes20000", [] { return nodes(20000); }},
    {"panel240", [] { return panel(240); }},
    {"panel2400", [] { return panel(2400); }},
    {"ring", [] { return rings(false); }},
    {"ringOfRing", [] { return rings(true); }},
    {"photos20", [] { return photos(20, 4000, 3000); }},
    {"photos300", [] { return photos(300, 1200, 900); }},
    {"video", [] { return videos(1); }},
    {"videos20", [] { return videos(20); }},
};

}  // namespace
}  // namespace widecut

int main(int count, char** words) {
  using namespace widecut;
  if (reading::isReadingProcess(count, words)) return parsing::serveAll(count, words);
  const QCoreApplication app(count, words);
  if (count != 3) return 2;
  for (const Kind& kind : kinds) {
    if (std::string(words[2]) != kind.name) continue;
    const auto saved =
        saveProject(kind.make(), "", (std::filesystem::path(words[1]) / kind.name).string() + ".widecut");
    if (!saved) std::fprintf(stderr, "%s\n", saved.error().message.c_str());
    return saved ? 0 : 1;
  }
  std::fprintf(stderr, "no sample is called %s\n", words[2]);
  return 2;
}
