#include "output/svg.h"

#include <cmath>
#include <set>
#include <unordered_map>

#include "geometry/path_data.h"
#include "output/adjusted_media.h"
#include "output/pixel_paint.h"
#include "output/svg_numbers.h"
#include "output/svg_photos.h"
#include "output/svg_words.h"
#include "scene/drawing.h"

namespace widecut {
namespace {

constexpr std::size_t mostPathLetters = 9'500'000;

using svg::matrix;
using svg::number;
using svg::rounded;

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

std::string stopPaint(Colour c) {
  std::string text = " stop-color=\"" + colourText({c.red, c.green, c.blue, 255}) + "\"";
  return c.alpha == 255 ? text : text + " stop-opacity=\"" + number(c.alpha / 255.0) + "\"";
}

class SvgWriter {
 public:
  SvgWriter(const Scene& scene, PhotoStore& store, double ppi, WordsAs words, std::vector<std::string>& notes)
      : scene_(scene), store_(store), ppi_(ppi), words_(words), notes_(notes) {}

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
    noteWords();
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
    if (const auto* words = std::get_if<FillWords>(&command)) count(words->fill.outline);
    if (const auto* stroke = std::get_if<StrokeOutline>(&command)) count(stroke->outline);
    if (const auto* group = std::get_if<PushGroup>(&command))
      if (group->clip) count(group->clip);
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
    if (fill.outline->isEmpty() || problem_) return;
    if (const auto* picture = std::get_if<PictureBrush>(&fill.brush)) {
      add(fill, *picture);
    } else if (const auto* gradient = std::get_if<GradientBrush>(&fill.brush)) {
      add(fill, *gradient);
    } else if (const Colour colour = std::get<Colour>(fill.brush); colour.alpha > 0) {
      body_ += path(*fill.outline, paint("fill", colour, fill.opacity) + style(1, fill.blend)) + "\n";
    }
  }
  void add(const StrokeOutline& stroke) {
    const LineShape& shape = stroke.line.shape;
    std::string how = " stroke-width=\"" + number(shape.width, 1e6) + "\"";
    if (shape.join != Join::Mitre)
      how += std::string(" stroke-linejoin=\"") + (shape.join == Join::Round ? "round\"" : "bevel\"");
    if (shape.mitreLimit != 4) how += " stroke-miterlimit=\"" + number(shape.mitreLimit) + "\"";
    if (shape.cap != Cap::Butt)
      how += std::string(" stroke-linecap=\"") + (shape.cap == Cap::Round ? "round\"" : "square\"");
    if (!shape.dashes.empty()) {
      how += " stroke-dasharray=\"";
      for (std::size_t i = 0; i < shape.dashes.size(); ++i) how += (i > 0 ? " " : "") + number(shape.dashes[i]);
      how += "\"";
      if (shape.dashStart != 0) how += " stroke-dashoffset=\"" + number(shape.dashStart) + "\"";
    }
    body_ += path(*stroke.outline, " fill=\"none\"" + paint("stroke", stroke.line.colour, stroke.line.opacity) + how +
                                       style(1, stroke.line.blend)) +
             "\n";
  }
  /// The attribute for how something is laid on what is behind it; empty for what is laid on as it is.
  static std::string style(double opacity, Blend blend, bool isolated = false) {
    std::string text;
    if (opacity < 1) text += "opacity:" + number(opacity) + ";";
    if (blend != Blend::Normal) text += "mix-blend-mode:" + std::string(nameOf(blend)) + ";";
    if (isolated) text += "isolation:isolate;";
    return text.empty() ? "" : " style=\"" + text.substr(0, text.size() - 1) + "\"";
  }
  std::string clipBy(const Outline& outline) {
    const std::string clip = "frame" + std::to_string(++clips_);
    const std::string inside = path(outline, "");
    definitions_ += "<clipPath id=\"" + clip + "\">" + inside + "</clipPath>\n";
    return " clip-path=\"url(#" + clip + ")\"";
  }
  void add(const FillOutline& fill, const PictureBrush& shown) {
    const auto plain = adjusted_.plain(shown);
    if (!plain) {
      problem_ = plain.error();
      return;
    }
    const PictureBrush& picture = *plain;
    const std::string& hash = picture.medium->hash;
    const auto [known, fresh] = photoIds_.emplace(hash, "photo" + std::to_string(photoIds_.size() + 1));
    if (fresh) define(*picture.medium, known->second);
    body_ += "<g" + clipBy(*fill.outline) + style(fill.opacity, fill.blend) + "><use href=\"#" + known->second +
             "\" transform=\"" + matrix(picture.toOutline) + "\"/></g>\n";
  }
  void add(const FillOutline& fill, const GradientBrush& gradient) {
    if (gradient.kind == GradientKind::Conical) {
      const PixelPaint pixels = pixelsOf(gradient, bounds(*fill.outline), ppi_);
      body_ += "<g" + clipBy(*fill.outline) + style(fill.opacity, fill.blend) + ">" + imageOf(pixels) + "</g>\n";
      return;
    }
    const bool isLinear = gradient.kind == GradientKind::Linear;
    const std::string id = "shade" + std::to_string(++gradients_),
                      name = isLinear ? "linearGradient" : "radialGradient";
    const OwnUnits own = inOwnUnits(gradient.toOutline);
    const std::string place =
        isLinear ? "x1=\"" + number(own.from.x) + "\" y1=\"" + number(own.from.y) + "\" x2=\"" + number(own.to.x) +
                       "\" y2=\"" + number(own.to.y) + "\""
                 : "cx=\"0\" cy=\"0\" r=\"" + number(own.radius) + "\" gradientTransform=\"" + matrix(own.map) + "\"";
    definitions_ += "<" + name + " id=\"" + id + "\" gradientUnits=\"userSpaceOnUse\" " + place + ">";
    for (const GradientStop& stop : *gradient.stops)
      definitions_ += "<stop offset=\"" + number(stop.at, 1e6) + "\"" + stopPaint(stop.colour) + "/>";
    definitions_ += "</" + name + ">\n";
    const std::string opacity = fill.opacity < 1 ? " fill-opacity=\"" + number(fill.opacity) + "\"" : "";
    body_ += path(*fill.outline, " fill=\"url(#" + id + ")\"" + opacity + style(1, fill.blend)) + "\n";
  }
  /// An image element of pixels that lie on a box.
  std::string imageOf(const PixelPaint& pixels) {
    if (pixels.image.isNull()) return {};
    auto parts = svgPicture(pixels.image);
    std::string out;
    const double scale = pixels.box.width() / pixels.image.width();
    for (const SvgPhoto::Tile& tile : parts)
      out += svgImage(tile, number(pixels.box.low.x + tile.left * scale), number(pixels.box.low.y + tile.top * scale),
                      number(tile.width * scale), number(tile.height * scale));
    return out;
  }
  void add(const EffectPixels& effect) {
    const Content& content = *effect.content;
    const bool isFront = declarationOf(effect.effect().kind).place == EffectPlace::InFront;
    const auto outline = isFront ? clipOf(content) : nullptr;
    const std::string image = imageOf(pixelsOf(effect, scene_.area(), store_, ppi_, outline != nullptr));
    if (image.empty()) return;
    std::string clip;
    if (outline) {
      const Outline placed = transformed(*outline, effect.place);
      const std::string id = "frame" + std::to_string(++clips_);
      definitions_ += "<clipPath id=\"" + id + "\"><path d=\"" + data(placed) + "\"/></clipPath>\n";
      clip = " clip-path=\"url(#" + id + ")\"";
    }
    body_ += "<g" + clip + style(1, effect.effect().blend) + ">" + image + "</g>\n";
  }
  void add(const PushGroup& group) {
    std::string how = style(group.opacity, group.blend, true);
    if (group.clip) how += clipBy(*group.clip);
    if (group.fade) {
      // Its alpha as white on black: masks go by how light they are.
      PixelPaint pixels = pixelsOf(*group.fade, scene_.area(), store_, ppi_);
      const std::string id = "fade" + std::to_string(++masks_);
      definitions_ += "<mask id=\"" + id + "\" maskUnits=\"userSpaceOnUse\" x=\"" + number(group.box.low.x - 1) +
                      "\" y=\"" + number(group.box.low.y - 1) + "\" width=\"" + number(group.box.width() + 2) +
                      "\" height=\"" + number(group.box.height() + 2) + "\">" + imageOf(pixels) + "</mask>\n";
      how += " mask=\"url(#" + id + ")\"";
    }
    body_ += "<g" + how + ">\n";
  }
  void add(const ReadLine&) {}  // its letters are paths
  void add(const FillWords& words) {
    const Colour colour = std::get<Colour>(words.fill.brush);
    if (words_ == WordsAs::Outlines || colour.alpha == 0) {
      add(words.fill);
      return;
    }
    const std::string how = paint("fill", colour, words.fill.opacity) + style(1, words.fill.blend);
    const auto text = svgWords(words, how, families_);
    if (!text) {
      ++asOutlines_;
      add(words.fill);
      return;
    }
    body_ += *text;
    if (const Outline rules = rulesOf(words.words->set()); !rules.isEmpty())
      body_ += "<path" + how + " d=\"" + data(transformed(rules, words.place)) + "\"/>\n";
  }
  /// What the person should know of words that are text.
  void noteWords() {
    std::string all;
    for (const std::string& family : families_) all += (all.empty() ? "" : ", ") + family;
    if (!all.empty()) notes_.push_back("its text needs the fonts " + all + " where it is read");
    if (asOutlines_ > 0)
      notes_.push_back(std::to_string(asOutlines_) + (asOutlines_ == 1 ? " item of words is" : " items of words are") +
                       " outlines: plain text would look otherwise");
  }
  void add(const PopGroup&) { body_ += "</g>\n"; }

  void define(const Medium& medium, const std::string& id) {
    const auto photo = svgPhoto(medium);
    if (!photo) {
      problem_ = photo.error();
      return;
    }
    if (!photo->note.empty()) notes_.push_back(photo->note);
    definitions_ += "<g id=\"" + id + "\" transform=\"" + matrix(photo->toUpright) + "\">\n";
    for (const SvgPhoto::Tile& tile : photo->tiles)
      definitions_ += svgImage(tile, std::to_string(tile.left), std::to_string(tile.top), std::to_string(tile.width),
                               std::to_string(tile.height));
    definitions_ += "</g>\n";
  }

  struct Path {
    int uses = 0;
    std::string id;
  };
  const Scene& scene_;
  PhotoStore& store_;
  double ppi_;
  WordsAs words_;
  std::set<std::string> families_;
  int asOutlines_ = 0;
  std::vector<std::string>& notes_;
  std::vector<DrawCommand> commands_;
  std::unordered_map<const Outline*, std::string> texts_;
  std::unordered_map<std::string, Path> paths_;
  AdjustedMedia adjusted_;
  std::map<std::string, std::string> photoIds_;
  std::optional<Problem> problem_;
  int clips_ = 0, pathIds_ = 0, gradients_ = 0, masks_ = 0;
  std::string definitions_;
  std::string body_;
};

}  // namespace

Result<std::string> svgOf(const Scene& scene, PhotoStore& store, Ground ground, std::vector<std::string>& notes,
                          const Progress& progress, double ppi, WordsAs words) {
  if (!(scene.width > 0 && scene.height > 0)) return problem("there is nothing to deliver");
  return SvgWriter(scene, store, ppi, words, notes).write(ground, progress);
}

}  // namespace widecut
