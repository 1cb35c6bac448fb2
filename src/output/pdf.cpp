#include "output/pdf.h"

#include <cmath>
#include <qpdf/QPDFPageDocumentHelper.hh>
#include <qpdf/QPDFWriter.hh>

#include "geometry/path_data.h"
#include "output/pdf_photos.h"
#include "output/pdf_text.h"
#include "scene/drawing.h"

namespace widecut {
namespace {

using Object = QPDFObjectHandle;

/// Hands what the library writes on to the sink. A problem of the sink ends the writing.
class SinkPipeline : public Pipeline {
 public:
  explicit SinkPipeline(const Sink& sink) : Pipeline("sink", nullptr), sink_(sink) {}
  void write(const unsigned char* bytes, std::size_t count) override {
    if (const auto sent = sink_(reinterpret_cast<const char*>(bytes), count); !sent) {
      why = sent.error();
      throw std::runtime_error(why->message);
    }
  }
  void finish() override {}
  std::optional<Problem> why;

 private:
  const Sink& sink_;
};

std::string number(double v, double unit = 1e4) { return shortestNumber(std::round(v * unit) / unit); }
std::string place(Point p) { return number(p.x) + " " + number(p.y) + " "; }
std::string matrix(const Affine& m) {
  constexpr double fine = 1e8;  // these multiply whole pictures
  return number(m.xx, fine) + " " + number(m.yx, fine) + " " + number(m.xy, fine) + " " + number(m.yy, fine) + " " +
         number(m.dx) + " " + number(m.dy) + " cm\n";
}

std::string path(const Outline& outline) {
  std::string out;
  for (const Contour& contour : outline.contours) {
    out += place(contour.start) + "m\n";
    Point at = contour.start;
    for (const Segment& s : contour.segments) {
      if (s.kind == SegmentKind::Line) {
        out += place(s.end) + "l\n";
      } else {
        const auto c = asCubic(at, s);
        out += place(c[1]) + place(c[2]) + place(c[3]) + "c\n";
      }
      at = s.end;
    }
    if (contour.closed) out += "h\n";
  }
  return out;
}

std::string colour(Colour c, const char* op) {
  return number(c.red / 255.0) + " " + number(c.green / 255.0) + " " + number(c.blue / 255.0) + " " + op + "\n";
}

Object rectangle(const Box& b) { return Object::newArray(Object::Rectangle(b.low.x, b.low.y, b.high.x, b.high.y)); }

/// Content with the objects that it names: a page, or a group that is painted as one.
class Content {
 public:
  std::string text;
  /// The name of an object in these resources; the same object has the same one.
  std::string nameOf(const char* kind, const char* prefix, const std::string& key, const Object& object) {
    auto& names = names_[kind];
    const auto [known, fresh] = names.emplace(key, "/" + std::string(prefix) + std::to_string(names.size() + 1));
    if (fresh) {
      if (!resources_.hasKey(kind)) resources_.replaceKey(kind, Object::newDictionary());
      resources_.getKey(kind).replaceKey(known->second, object);
    }
    return known->second;
  }
  /// Sets how opaque what follows is: fills and strokes, or groups.
  void setOpacity(double opacity) {
    Object state = Object::newDictionary();
    state.replaceKey("/ca", Object::newReal(opacity, 4));
    state.replaceKey("/CA", Object::newReal(opacity, 4));
    text += nameOf("/ExtGState", "S", number(opacity), state) + " gs\n";
  }
  const Object& resources() const { return resources_; }

 private:
  Object resources_ = Object::newDictionary();
  std::map<std::string, std::map<std::string, std::string>> names_;
};

class PdfWriter {
 public:
  explicit PdfWriter(PhotoStore& store) : store_(store) { pdf_.emptyPDF(); }

  void page(const Scene& scene, Ground ground, const Progress& progress) {
    const Box area = scene.area();
    contents_.assign(1, {});
    // Sheet space has its origin at the top left of the trimmed sheet and y down; the page at the bottom left, y up.
    const Affine toPage{1, 0, 0, -1, -area.low.x, area.high.y};
    content().text = matrix(toPage);
    if (ground == Ground::Paper) add(FillOutline{rectangleOf(area), scene.paper});
    const auto commands = drawingOf(scene);
    for (std::size_t i = 0; i < commands.size(); ++i) {
      if (progress.isCancelled()) throw std::runtime_error("it was stopped");
      progress.report(static_cast<double>(i) / static_cast<double>(commands.size()));
      std::visit([&](const auto& c) { add(c); }, commands[i]);
    }
    Object page = Object::newDictionary();
    page.replaceKey("/Type", Object::newName("/Page"));
    const Box whole{{0, 0}, {area.width(), area.height()}};
    page.replaceKey("/MediaBox", rectangle(whole));
    page.replaceKey("/BleedBox", rectangle(whole));
    page.replaceKey("/TrimBox", rectangle(whole.grown(-scene.bleed)));
    page.replaceKey("/Resources", content().resources());
    page.replaceKey("/Contents", Object::newStream(&pdf_, content().text));
    QPDFPageDocumentHelper(pdf_).addPage(QPDFPageObjectHelper(pdf_.makeIndirectObject(page)), false);
  }

  void write(Pipeline& out) {
    text_.finish();
    Object info = Object::newDictionary();
    info.replaceKey("/Creator", Object::newString("Wide Cut"));
    pdf_.getTrailer().replaceKey("/Info", pdf_.makeIndirectObject(info));
    QPDFWriter writer(pdf_);
    writer.setOutputPipeline(&out);
    writer.setDeterministicID(true);  // the same project delivers the same file
    writer.setMinimumPDFVersion("1.6");
    writer.setObjectStreamMode(qpdf_o_disable);
    writer.write();
  }

 private:
  Content& content() { return contents_.back(); }
  static std::shared_ptr<const Outline> rectangleOf(const Box& b) {
    return std::make_shared<const Outline>(polygon({b.corner(0), b.corner(1), b.corner(2), b.corner(3)}));
  }

  void add(const FillOutline& fill) {
    if (const auto* picture = std::get_if<PictureBrush>(&fill.brush)) {
      add(fill, *picture);
      return;
    }
    const Colour flat = std::get<Colour>(fill.brush);
    const double opacity = flat.alpha / 255.0 * fill.opacity;
    if (opacity == 0) return;
    content().text += "q\n" + colour(flat, "rg");
    if (opacity != 1) content().setOpacity(opacity);
    content().text += path(*fill.outline) + "f\nQ\n";
  }
  void add(const StrokeOutline& stroke) {
    if (stroke.line.colour.alpha == 0) return;
    content().text += "q\n" + colour(stroke.line.colour, "RG");
    if (stroke.line.colour.alpha != 255) content().setOpacity(stroke.line.colour.alpha / 255.0);
    content().text += number(stroke.line.width, 1e6) + " w 4 M\n" + path(*stroke.outline) + "S\nQ\n";
  }
  void add(const FillOutline& fill, const PictureBrush& picture) {
    if (fill.outline->isEmpty()) return;
    if (store_.problemWith(*picture.medium)) {
      for (const FillOutline& part : standIn(fill)) add(part);
      return;
    }
    const PdfPhoto photo = photos_.photo(picture.medium);
    const std::string name = content().nameOf("/XObject", "P", picture.medium->hash, photo.object);
    content().text += "q\n";
    if (fill.opacity < 1) content().setOpacity(fill.opacity);
    content().text +=
        path(*fill.outline) + "W n\n" + matrix(picture.toOutline * photo.unitToPixels) + name + " Do\nQ\n";
  }
  void add(const ReadLine& line) {
    content().text += text_.written(line, [&](int number, const Object& font) {
      return content().nameOf("/Font", "F", std::to_string(number), font);
    });
  }
  void add(const PushGroup& group) {
    open_.push_back(group);
    contents_.emplace_back();
  }
  void add(const PopGroup&) {
    const Content inner = std::move(contents_.back());
    contents_.pop_back();
    Object form = Object::newStream(&pdf_, inner.text);
    Object d = form.getDict();
    d.replaceKey("/Type", Object::newName("/XObject"));
    d.replaceKey("/Subtype", Object::newName("/Form"));
    d.replaceKey("/BBox", rectangle(open_.back().box.grown(1)));
    d.replaceKey("/Group", Object::parse("<< /S /Transparency /CS /DeviceRGB >>"));
    d.replaceKey("/Resources", inner.resources());
    content().text += "q\n";
    content().setOpacity(open_.back().opacity);
    open_.pop_back();
    const std::string key = "group " + std::to_string(++groups_);
    content().text += content().nameOf("/XObject", "P", key, form) + " Do\nQ\n";
  }

  PhotoStore& store_;
  QPDF pdf_;
  PdfPhotos photos_{pdf_};
  PdfText text_{pdf_};
  std::vector<Content> contents_;
  std::vector<PushGroup> open_;
  int groups_ = 0;
};

}  // namespace

Result<void> writePdf(std::span<const Scene> scenes, PhotoStore& store, Ground ground, const Sink& sink,
                      const Progress& progress) {
  for (const Scene& scene : scenes)
    if (!(scene.width > 0 && scene.height > 0)) return problem("there is nothing to deliver");
  SinkPipeline out(sink);
  try {
    PdfWriter writer(store);
    constexpr double shareOfPages = 0.7;  // the rest is packing and writing
    const auto count = static_cast<double>(scenes.size());
    for (std::size_t i = 0; i < scenes.size(); ++i) {
      const auto at = static_cast<double>(i);
      writer.page(scenes[i], ground, progress.stretch(shareOfPages * at / count, shareOfPages * (at + 1) / count));
    }
    writer.write(out);
  } catch (const std::exception& error) {
    if (out.why) return tl::unexpected(*out.why);
    return problem(std::string("the PDF could not be written: ") + error.what());
  }
  return {};
}

}  // namespace widecut
