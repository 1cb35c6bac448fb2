#include "output/pdf.h"

#include <cmath>
#include <qpdf/QPDFPageDocumentHelper.hh>
#include <qpdf/QPDFWriter.hh>

#include "media/photo_colours.h"
#include "output/adjusted_media.h"
#include "output/pdf_content.h"
#include "output/pdf_fonts.h"
#include "output/pdf_photos.h"
#include "output/pdf_shading.h"
#include "output/pdf_text.h"
#include "output/pixel_paint.h"
#include "scene/drawing.h"

namespace widecut {
namespace {

using namespace pdf;

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

class PdfWriter {
 public:
  PdfWriter(PhotoStore& store, double ppi) : store_(store), ppi_(ppi) { pdf_.emptyPDF(); }

  void page(const Scene& scene, Ground ground, const Progress& progress) {
    const Box area = scene.area();
    contents_.assign(1, {});
    area_ = area;
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
    fonts_.finish();
    addIntent();
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
  /// What the colours mean: sRGB.
  void addIntent() {
    const std::string profile = srgbProfile();
    Object stream = Object::newStream(&pdf_, profile);
    stream.getDict().replaceKey("/N", Object::newInteger(3));
    Object intent = Object::newDictionary();
    intent.replaceKey("/Type", Object::newName("/OutputIntent"));
    // Not the name of a standard for print or archives: what they ask for beside their intents is not seen to here.
    intent.replaceKey("/S", Object::newName("/sRGB"));
    intent.replaceKey("/OutputConditionIdentifier", Object::newString("sRGB IEC61966-2.1"));
    intent.replaceKey("/Info", Object::newString("sRGB IEC61966-2.1"));
    intent.replaceKey("/DestOutputProfile", pdf_.makeIndirectObject(stream));
    Object intents = Object::newArray();
    intents.appendItem(pdf_.makeIndirectObject(intent));
    pdf_.getRoot().replaceKey("/OutputIntents", intents);
  }
  pdf::Content& content() { return contents_.back(); }
  static std::shared_ptr<const Outline> rectangleOf(const Box& b) {
    return std::make_shared<const Outline>(polygon({b.corner(0), b.corner(1), b.corner(2), b.corner(3)}));
  }

  void add(const FillOutline& fill) {
    if (fill.outline->isEmpty()) return;
    if (const auto* picture = std::get_if<PictureBrush>(&fill.brush)) {
      add(fill, *picture);
      return;
    }
    if (const auto* gradient = std::get_if<GradientBrush>(&fill.brush)) {
      add(fill, *gradient);
      return;
    }
    const Colour flat = std::get<Colour>(fill.brush);
    const double opacity = flat.alpha / 255.0 * fill.opacity;
    if (opacity == 0) return;
    content().text += "q\n" + colour(flat, "rg");
    setState(opacity, fill.blend);
    content().text += path(*fill.outline) + "f\nQ\n";
  }
  void setState(double opacity, Blend blend) {
    if (opacity != 1 || blend != Blend::Normal) content().setState(opacity, blend);
  }
  void add(const StrokeOutline& stroke) {
    const LineShape& shape = stroke.line.shape;
    const double opacity = stroke.line.colour.alpha / 255.0 * stroke.line.opacity;
    if (opacity == 0) return;
    content().text += "q\n" + colour(stroke.line.colour, "RG");
    setState(opacity, stroke.line.blend);
    content().text += number(shape.width, 1e6) + " w " + number(shape.mitreLimit) + " M " +
                      std::to_string(static_cast<int>(shape.join)) + " j " +
                      std::to_string(static_cast<int>(shape.cap)) + " J\n";
    if (!shape.dashes.empty()) {
      content().text += "[";
      for (const double length : shape.dashes) content().text += " " + number(length);
      content().text += " ] " + number(shape.dashStart) + " d\n";
    }
    content().text += path(*stroke.outline) + "S\nQ\n";
  }
  /// What is drawn has masks of its own: where it mixes with what is behind it, it is painted on its own first, since
  /// readers take masks and modes together in their own ways.
  template <class Draw>
  void mixed(const Box& box, double opacity, Blend blend, const Draw& draw) {
    if (blend == Blend::Normal) {
      content().text += "q\n";
      setState(opacity, blend);
      draw();
      content().text += "Q\n";
      return;
    }
    contents_.emplace_back();
    draw();
    const pdf::Content inner = std::move(contents_.back());
    contents_.pop_back();
    const Object form = groupForm(pdf_, inner.text, inner.resources(), box.grown(1), "/DeviceRGB");
    content().text += "q\n";
    setState(opacity, blend);
    content().text += content().nameOf("/XObject", "P", "group " + std::to_string(++groups_), form) + " Do\nQ\n";
  }
  void add(const FillOutline& fill, const PictureBrush& shown) {
    if (store_.problemWith(*shown.medium)) {
      for (const FillOutline& part : standIn(fill)) add(part);
      return;
    }
    const auto plain = adjusted_.plain(shown);
    if (!plain) throw std::runtime_error(plain.error().message);
    const PictureBrush& picture = *plain;
    mixed(bounds(*fill.outline), fill.opacity, fill.blend, [&] {
      const PdfPhoto photo = photos_.photo(picture.medium);
      const std::string name = content().nameOf("/XObject", "P", picture.medium->hash, photo.object);
      content().text += path(*fill.outline) + "W n\n" + matrix(picture.toOutline * photo.unitToPixels) + name + " Do\n";
    });
  }
  void add(const FillOutline& fill, const GradientBrush& gradient) {
    const Box box = bounds(*fill.outline);
    mixed(box, fill.opacity, fill.blend, [&] {
      if (gradient.kind == GradientKind::Conical) {
        content().text += path(*fill.outline) + "W n\n";
        draw(pixelsOf(gradient, box, ppi_));
        return;
      }
      if (hasAlpha(gradient)) {
        pdf::Content mask;
        paintGradient(pdf_, mask, gradient, box, true, "only");
        content().setMask(std::to_string(++masks_),
                          groupForm(pdf_, mask.text, mask.resources(), box.grown(1), "/DeviceGray"));
      }
      content().text += path(*fill.outline) + "W n\n";
      paintGradient(pdf_, content(), gradient, box, false, std::to_string(++shadings_));
    });
  }
  /// Lays pixels on their box.
  void draw(const PixelPaint& pixels) {
    if (pixels.image.isNull()) return;
    const std::string name =
        content().nameOf("/XObject", "P", "pixels " + std::to_string(++pictures_), pdfPicture(pdf_, pixels.image));
    const Box& b = pixels.box;
    content().text += "q\n" + matrix({b.width(), 0, 0, -b.height(), b.low.x, b.high.y}) + name + " Do\nQ\n";
  }
  void add(const EffectPixels& effect) {
    const bool isFront = declarationOf(effect.effect().kind).place == EffectPlace::InFront;
    const auto outline = isFront ? clipOf(*effect.content) : nullptr;
    const PixelPaint pixels = pixelsOf(effect, area_, store_, ppi_, outline != nullptr);
    mixed(effect.box, 1, effect.effect().blend, [&] {
      if (outline) content().text += path(transformed(*outline, effect.place)) + "W n\n";
      draw(pixels);
    });
  }
  void add(const ReadLine& line) {
    content().text += text_.written(line, [&](int number, const Object& font) {
      return content().nameOf("/Font", "F", std::to_string(number), font);
    });
  }
  void add(const FillWords& words) {
    const Colour flat = std::get<Colour>(words.fill.brush);
    if (!fonts_.canWrite(*words.words)) {
      add(words.fill);
      for (const ReadLine& line : words.read) add(line);
      return;
    }
    const double opacity = flat.alpha / 255.0 * words.fill.opacity;
    if (opacity == 0) return;
    content().text += "q\n" + colour(flat, "rg");
    setState(opacity, words.fill.blend);
    content().text += fonts_.written(words, [&](int number, const Object& font) {
      return content().nameOf("/Font", "F", "own " + std::to_string(number), font);
    });
    if (const Outline rules = rulesOf(words.words->set()); !rules.isEmpty())
      content().text += path(transformed(rules, words.place)) + "f\n";
    content().text += "Q\n";
  }
  void add(const PushGroup& group) {
    open_.push_back(group);
    contents_.emplace_back();
  }
  void add(const PopGroup&) {
    const pdf::Content inner = std::move(contents_.back());
    contents_.pop_back();
    const PushGroup group = std::move(open_.back());
    open_.pop_back();
    const Object form = groupForm(pdf_, inner.text, inner.resources(), group.box.grown(1), "/DeviceRGB");
    content().text += "q\n";
    setState(group.opacity, group.blend);
    if (group.fade) {
      // Its alpha as grey on black.
      const PixelPaint pixels = pixelsOf(*group.fade, area_, store_, ppi_);
      contents_.emplace_back();
      draw(pixels);
      const pdf::Content mask = std::move(contents_.back());
      contents_.pop_back();
      content().setMask(std::to_string(++masks_),
                        groupForm(pdf_, mask.text, mask.resources(), group.box.grown(1), "/DeviceGray"));
    }
    if (group.clip) content().text += path(*group.clip) + "W n\n";
    const std::string key = "group " + std::to_string(++groups_);
    content().text += content().nameOf("/XObject", "P", key, form) + " Do\nQ\n";
  }

  PhotoStore& store_;
  double ppi_;
  Box area_;
  QPDF pdf_;
  PdfPhotos photos_{pdf_};
  AdjustedMedia adjusted_;
  PdfText text_{pdf_};
  PdfFonts fonts_{pdf_};
  std::vector<pdf::Content> contents_;
  std::vector<PushGroup> open_;
  int groups_ = 0, masks_ = 0, shadings_ = 0, pictures_ = 0;
};

}  // namespace

Result<void> writePdf(std::span<const Scene> scenes, PhotoStore& store, Ground ground, const Sink& sink,
                      const Progress& progress, double ppi) {
  for (const Scene& scene : scenes)
    if (!(scene.width > 0 && scene.height > 0)) return problem("there is nothing to deliver");
  SinkPipeline out(sink);
  try {
    PdfWriter writer(store, ppi);
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
