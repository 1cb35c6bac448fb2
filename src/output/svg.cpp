#include "output/svg.h"

#include <QBuffer>

#include "geometry/path_data.h"

namespace widecut {
namespace {

std::string number(double v) { return shortestNumber(v); }

std::string paint(const char* property, Colour c) {
  std::string text = std::string(" ") + property + "=\"" + colourText({c.red, c.green, c.blue, 255}) + "\"";
  if (c.alpha != 255) text += std::string(" ") + property + "-opacity=\"" + number(c.alpha / 255.0) + "\"";
  return text;
}

std::string matrix(const Affine& m) {
  return "matrix(" + number(m.xx) + " " + number(m.yx) + " " + number(m.xy) + " " + number(m.yy) + " " + number(m.dx) +
         " " + number(m.dy) + ")";
}

/// The photo as a data address: its own bytes where every reader shows them upright, else as PNG.
std::string dataAddress(const Medium& medium, PhotoStore& store) {
  QByteArray bytes;
  const char* type = "image/jpeg";
  if (isUprightJpeg(medium)) {
    bytes = QByteArray::fromStdString(*medium.bytes);
  } else {
    type = "image/png";
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    store.whole(medium).save(&buffer, "PNG");
  }
  return std::string("data:") + type + ";base64," + bytes.toBase64().toStdString();
}

class SvgWriter {
 public:
  SvgWriter(const Media& media, PhotoStore& store) : media_(media), store_(store) {}

  std::string write(const Scene& scene, Ground ground) {
    if (ground == Ground::Paper)
      body_ += "<rect width=\"" + number(scene.width) + "\" height=\"" + number(scene.height) + "\"" +
               paint("fill", scene.paper) + "/>\n";
    for (const Layer& layer : scene.layers)
      for (const DrawCommand& command : layer.commands) std::visit([&](const auto& c) { add(c); }, command);
    const std::string w = number(scene.width), h = number(scene.height);
    return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"" + w +
           "pt\" height=\"" + h + "pt\" viewBox=\"0 0 " + w + " " + h + "\">\n<defs>\n" + definitions_ + "</defs>\n" +
           body_ + "</svg>\n";
  }

 private:
  void add(const FillOutline& fill) {
    body_ += "<path" + paint("fill", fill.colour) + " d=\"" + pathData(*fill.outline) + "\"/>\n";
  }
  void add(const StrokeOutline& stroke) {
    body_ += "<path fill=\"none\"" + paint("stroke", stroke.line.colour) + " stroke-width=\"" +
             number(stroke.line.width) + "\" d=\"" + pathData(*stroke.outline) + "\"/>\n";
  }
  void add(const ImageInOutline& picture) {
    const auto medium = media_.find(picture.medium);
    if (medium == media_.end() || picture.outline->isEmpty()) return;
    const auto [known, fresh] = photoIds_.emplace(picture.medium, "photo" + std::to_string(photoIds_.size() + 1));
    const Medium& m = *medium->second;
    if (fresh)
      definitions_ += "<image id=\"" + known->second + "\" width=\"" + std::to_string(m.width) + "\" height=\"" +
                      std::to_string(m.height) + "\" preserveAspectRatio=\"none\" href=\"" + dataAddress(m, store_) +
                      "\"/>\n";
    const std::string clip = "frame" + std::to_string(++clips_);
    definitions_ += "<clipPath id=\"" + clip + "\"><path d=\"" + pathData(*picture.outline) + "\"/></clipPath>\n";
    body_ += "<g clip-path=\"url(#" + clip + ")\"><use href=\"#" + known->second + "\" transform=\"" +
             matrix(picture.pixelsToSheet) + "\"/></g>\n";
  }
  void add(const PushGroup& group) { body_ += "<g opacity=\"" + number(group.opacity) + "\">\n"; }
  void add(const PopGroup&) { body_ += "</g>\n"; }

  const Media& media_;
  PhotoStore& store_;
  std::map<std::string, std::string> photoIds_;
  int clips_ = 0;
  std::string definitions_;
  std::string body_;
};

}  // namespace

Result<std::string> svgOf(const Scene& scene, const Media& media, PhotoStore& store, Ground ground) {
  if (!(scene.width > 0 && scene.height > 0)) return problem("there is nothing to deliver");
  return SvgWriter(media, store).write(scene, ground);
}

}  // namespace widecut
