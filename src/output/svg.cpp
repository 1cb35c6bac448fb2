#include "output/svg.h"

#include <QByteArray>
#include <cmath>
#include <unordered_map>

#include "geometry/path_data.h"
#include "output/svg_photos.h"
#include "scene/drawing.h"

namespace widecut {
namespace {

constexpr std::size_t mostPathLetters = 9'500'000;
/// Readers look through ten million characters for the end of what they are in; white space lets them move on.
constexpr std::size_t pauseLetters = 5000;

double rounded(double v, double unit) { return std::round(v * unit) / unit; }
std::string number(double v, double unit = 1e4) { return shortestNumber(rounded(v, unit)); }

std::string data(Outline outline) {
  const auto round = [](Point p) { return Point{rounded(p.x, 1e4), rounded(p.y, 1e4)}; };
  for (Contour& c : outline.contours) {
    c.start = round(c.start);
    for (Segment& s : c.segments) {
      s.handle1 = round(s.handle1);
      s.handle2 = round(s.handle2);
      s.end = round(s.end);
    }
  }
  return pathData(outline);
}

std::string paint(const char* property, Colour c, double opacity = 1) {
  std::string text = std::string(" ") + property + "=\"" + colourText({c.red, c.green, c.blue, 255}) + "\"";
  opacity *= c.alpha / 255.0;
  if (opacity != 1) text += std::string(" ") + property + "-opacity=\"" + number(opacity) + "\"";
  return text;
}

std::string matrix(const Affine& m) {
  constexpr double fine = 1e8;  // these multiply whole pictures
  return "matrix(" + number(m.xx, fine) + " " + number(m.yx, fine) + " " + number(m.xy, fine) + " " +
         number(m.yy, fine) + " " + number(m.dx) + " " + number(m.dy) + ")";
}

class SvgWriter {
 public:
  SvgWriter(const Scene& scene, PhotoStore& store, std::vector<std::string>& notes)
      : scene_(scene), store_(store), notes_(notes) {}

  Result<std::string> write(Ground ground, const Progress& progress) {
    // What is painted several times is defined once: so paths are counted first.
    for (const auto& draw : drawn()) countPaths(draw);
    const Box area = scene_.area();
    const std::string w = number(area.width()), h = number(area.height());
    const std::string corner = number(area.low.x) + "\" y=\"" + number(area.low.y);
    if (ground == Ground::Paper)
      body_ +=
          "<rect x=\"" + corner + "\" width=\"" + w + "\" height=\"" + h + "\"" + paint("fill", scene_.paper) + "/>\n";
    for (std::size_t i = 0; i < drawn().size(); ++i) {
      if (progress.isCancelled()) return problem("the drawing was stopped");
      progress.report(static_cast<double>(i) / static_cast<double>(drawn().size()));
      std::visit([&](const auto& c) { add(c); }, drawn()[i]);
    }
    if (problem_) return tl::unexpected(*problem_);
    return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"" + w +
           "pt\" height=\"" + h + "pt\" viewBox=\"" + number(area.low.x) + " " + number(area.low.y) + " " + w + " " +
           h + "\">\n<defs>\n" + definitions_ + "</defs>\n" + body_ + "</svg>\n";
  }

 private:
  /// The commands, with stand-ins for photos that cannot be decoded.
  const std::vector<DrawCommand>& drawn() {
    if (!commands_.empty()) return commands_;
    for (DrawCommand& command : drawingOf(scene_)) {
      const auto* fill = std::get_if<FillOutline>(&command);
      const auto* picture = fill ? std::get_if<PictureBrush>(&fill->brush) : nullptr;
      if (picture && store_.problemWith(*picture->medium))
        for (FillOutline& part : standIn(*fill)) commands_.emplace_back(std::move(part));
      else
        commands_.push_back(std::move(command));
    }
    return commands_;
  }
  void countPaths(const DrawCommand& command) {
    const auto count = [&](const std::shared_ptr<const Outline>& outline) {
      std::string& text = texts_[outline.get()];
      if (text.empty()) text = data(*outline);
      ++paths_[text].uses;
      if (text.size() > mostPathLetters)
        problem_ = Problem{"an outline has too many nodes for an SVG that readers take: deliver a PDF"};
    };
    if (const auto* fill = std::get_if<FillOutline>(&command)) count(fill->outline);
    if (const auto* stroke = std::get_if<StrokeOutline>(&command)) count(stroke->outline);
  }
  /// The path, or the use of one that is defined once, with these attributes.
  std::string path(const Outline& outline, const std::string& attributes) {
    const std::string& text = texts_.at(&outline);
    Path& p = paths_.at(text);
    if (p.uses < 2) return "<path" + attributes + " d=\"" + text + "\"/>";
    if (p.id.empty()) {
      p.id = "p" + std::to_string(++pathIds_);
      definitions_ += "<path id=\"" + p.id + "\" d=\"" + text + "\"/>\n";
    }
    return "<use href=\"#" + p.id + "\"" + attributes + "/>";
  }

  void add(const FillOutline& fill) {
    if (const auto* picture = std::get_if<PictureBrush>(&fill.brush)) {
      add(fill, *picture);
      return;
    }
    const Colour colour = std::get<Colour>(fill.brush);
    if (colour.alpha > 0) body_ += path(*fill.outline, paint("fill", colour, fill.opacity)) + "\n";
  }
  void add(const StrokeOutline& stroke) {
    body_ += path(*stroke.outline, " fill=\"none\"" + paint("stroke", stroke.line.colour) + " stroke-width=\"" +
                                       number(stroke.line.width, 1e6) + "\"") +
             "\n";
  }
  void add(const FillOutline& fill, const PictureBrush& picture) {
    if (fill.outline->isEmpty() || problem_) return;
    const std::string& hash = picture.medium->hash;
    const auto [known, fresh] = photoIds_.emplace(hash, "photo" + std::to_string(photoIds_.size() + 1));
    if (fresh) define(*picture.medium, known->second);
    const std::string clip = "frame" + std::to_string(++clips_);
    const std::string inside = path(*fill.outline, "");
    definitions_ += "<clipPath id=\"" + clip + "\">" + inside + "</clipPath>\n";
    const std::string opacity = fill.opacity < 1 ? " opacity=\"" + number(fill.opacity) + "\"" : "";
    body_ += "<g clip-path=\"url(#" + clip + ")\"" + opacity + "><use href=\"#" + known->second + "\" transform=\"" +
             matrix(picture.toOutline) + "\"/></g>\n";
  }
  void add(const PushGroup& group) { body_ += "<g opacity=\"" + number(group.opacity) + "\">\n"; }
  void add(const ReadLine&) {}  // its letters are paths
  void add(const PopGroup&) { body_ += "</g>\n"; }

  void define(const Medium& medium, const std::string& id) {
    const auto photo = svgPhoto(medium);
    if (!photo) {
      problem_ = photo.error();
      return;
    }
    if (!photo->note.empty()) notes_.push_back(photo->note);
    definitions_ += "<g id=\"" + id + "\" transform=\"" + matrix(photo->toUpright) + "\">\n";
    for (const SvgPhoto::Tile& tile : photo->tiles) {
      const QByteArray bytes =
          QByteArray::fromRawData(tile.bytes.data(), static_cast<qsizetype>(tile.bytes.size())).toBase64();
      definitions_ += "<image x=\"" + std::to_string(tile.left) + "\" y=\"" + std::to_string(tile.top) + "\" width=\"" +
                      std::to_string(tile.width) + "\" height=\"" + std::to_string(tile.height) +
                      "\" preserveAspectRatio=\"none\" href=\"data:" + tile.type + ";base64,";
      definitions_.append(bytes.data(), static_cast<std::size_t>(bytes.size()));
      definitions_ += "\"/>\n" + std::string(bytes.size() > 100'000 ? pauseLetters : 0, '\n');
    }
    definitions_ += "</g>\n";
  }

  struct Path {
    int uses = 0;
    std::string id;
  };
  const Scene& scene_;
  PhotoStore& store_;
  std::vector<std::string>& notes_;
  std::vector<DrawCommand> commands_;
  std::unordered_map<const Outline*, std::string> texts_;
  std::unordered_map<std::string, Path> paths_;
  std::map<std::string, std::string> photoIds_;
  std::optional<Problem> problem_;
  int clips_ = 0, pathIds_ = 0;
  std::string definitions_;
  std::string body_;
};

}  // namespace

Result<std::string> svgOf(const Scene& scene, PhotoStore& store, Ground ground, std::vector<std::string>& notes,
                          const Progress& progress) {
  if (!(scene.width > 0 && scene.height > 0)) return problem("there is nothing to deliver");
  return SvgWriter(scene, store, notes).write(ground, progress);
}

}  // namespace widecut
