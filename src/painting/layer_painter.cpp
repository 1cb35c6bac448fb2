#include "painting/layer_painter.h"

#include <cmath>

#include "media/pixel_buffers.h"
#include "painting/blending.h"
#include "painting/crowded_path.h"
#include "painting/edged_gradient.h"
#include "painting/photo_tile.h"
#include "scene/letters.h"

namespace widecut {
namespace {

/// The pixels of `all` that an area touches, with one around them. An area may be wider than integers reach.
QRect pixelsTouched(const QRectF& area, const QRect& all) {
  return (area.adjusted(-1, -1, 1, 1) & QRectF(all)).toAlignedRect() & all;
}

bool crowds(const QPainter& painter, const Outline& outline, double lineWidth = 0) {
  return isCrowded(outline, painter.transform(), {painter.device()->width(), painter.device()->height()}, lineWidth);
}
Box hullOf(const Contour& contour) {
  Box box;
  box.add(contour.start);
  Point at = contour.start;
  for (const Segment& segment : contour.segments) {
    box.add(hull(at, segment));
    at = segment.end;
  }
  return box;
}
/// What of the painter's coordinates lies on the picture, with so much round it.
Box seenBy(const QPainter& painter, double more) {
  const QRectF seen = painter.transform()
                          .inverted()
                          .mapRect(QRectF(-2, -2, painter.device()->width() + 4, painter.device()->height() + 4))
                          .adjusted(-more, -more, more, more);
  return {{seen.left(), seen.top()}, {seen.right(), seen.bottom()}};
}
/// The path without contours that lie wholly off the picture: painters scan those too.
QPainterPath pathOn(const QPainter& painter, const Outline& outline, double lineWidth) {
  constexpr std::size_t few = 4;
  if (outline.contours.size() <= few) return painterPath(outline);
  const Box on = seenBy(painter, lineWidth);
  Outline left;
  for (const Contour& contour : outline.contours)
    if (hullOf(contour).touches(on)) left.contours.push_back(contour);
  return painterPath(left);
}
void fill(QPainter& painter, const Outline& outline, const QBrush& brush) {
  if (crowds(painter, outline))
    fillCrowded(painter, outline, brush);
  else
    painter.fillPath(pathOn(painter, outline, 0), brush);
}

Qt::PenCapStyle penCap(Cap cap) {
  return cap == Cap::Round ? Qt::RoundCap : cap == Cap::Square ? Qt::SquareCap : Qt::FlatCap;
}
Qt::PenJoinStyle penJoin(Join join) {
  return join == Join::Round ? Qt::RoundJoin : join == Join::Bevel ? Qt::BevelJoin : Qt::SvgMiterJoin;
}

QPen penOf(const Line& line) {
  const LineShape& shape = line.shape;
  QPen pen(painterColour(line.colour), shape.width, Qt::SolidLine, penCap(shape.cap), penJoin(shape.join));
  pen.setMiterLimit(shape.mitreLimit);
  if (!shape.dashes.empty()) {
    // The pen counts in its width, and wants pairs.
    QList<qreal> pattern;
    for (int round = 0; round < (shape.dashes.size() % 2 == 0 ? 1 : 2); ++round)
      for (const double length : shape.dashes) pattern.append(length / shape.width);
    pen.setDashPattern(pattern);
    pen.setDashOffset(shape.dashStart / shape.width);
  }
  return pen;
}

/// How far the device's pixels of a body may count before an effect is worked out on fewer of them.
constexpr double mostBodyPixels = 24e6;

}  // namespace

QRectF bodyBoxOn(const Content& content, const QTransform& toDevice) {
  const Box& box = content.body;
  return toDevice.mapRect(QRectF(box.low.x, box.low.y, box.width(), box.height()));
}

bool LayerPainter::paint(QPainter& painter, const Layer& layer) {
  if (layer.isGroup())
    asOne(painter, layer);
  else
    content(painter, layer);
  return isFinal_;
}

void LayerPainter::content(QPainter& painter, const Layer& layer) {
  const QTransform before = painter.transform();
  painter.setTransform(painterTransform(layer.place), true);
  bodyOf(painter, *layer.content);
  painter.setTransform(before);
}

void LayerPainter::bodyOf(QPainter& painter, const Content& content) {
  for (const Mark& mark : content.under) one(painter, mark);
  for (const Layer& inner : content.inside) paint(painter, inner);
  for (const Mark& mark : content.over) one(painter, mark);
}

PlacedPicture LayerPainter::bodyOn(const Content& content, const QTransform& toDevice, const QRect& on) {
  PlacedPicture out{unpaintedImage(on.size()), on.topLeft()};
  if (out.image.isNull()) return out;
  out.image.fill(Qt::transparent);
  QPainter inner(&out.image);
  inner.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  inner.setTransform(toDevice * QTransform::fromTranslate(-on.x(), -on.y()));
  bodyOf(inner, content);
  return out;
}

/// On an image of its own, which is then laid on what is there.
template <class Draw>
void LayerPainter::onItsOwn(QPainter& painter, const Box& box, double opacity, Blend blend, const Draw& draw) {
  const QTransform map = painter.transform();
  const QRect all(0, 0, painter.device()->width(), painter.device()->height());
  const QRect pixels = pixelsTouched(map.mapRect(QRectF(box.low.x, box.low.y, box.width(), box.height())), all);
  if (pixels.isEmpty()) return;
  QImage image = unpaintedImage(pixels.size());
  if (image.isNull()) return;
  image.fill(Qt::transparent);
  QPainter inner(&image);
  inner.setRenderHints(painter.renderHints());
  inner.setTransform(map * QTransform::fromTranslate(-pixels.x(), -pixels.y()));
  draw(inner, pixels);
  inner.end();
  drawBlended(painter, pixels.topLeft(), image, opacity, blend);
}

void LayerPainter::asOne(QPainter& painter, const Layer& layer) {
  const QTransform toDevice = painterTransform(layer.place) * painter.transform();
  if (keep_) {
    painter.save();
    finished(painter, *layer.content, toDevice, QRect(0, 0, painter.device()->width(), painter.device()->height()));
    painter.restore();
    return;
  }
  onItsOwn(painter, layer.box(), layer.opacity * painter.opacity(), layer.blend,
           [&](QPainter& inner, const QRect& pixels) {
             if (layer.content->finish.empty())
               content(inner, layer);
             else
               finished(inner, *layer.content, toDevice, pixels);
           });
}

/// The content with its finish, with a painter of an image of these pixels of the device.
void LayerPainter::finished(QPainter& painter, const Content& content, const QTransform& toDevice,
                            const QRect& wanted) {
  BodyKeep* keep = std::exchange(keep_, nullptr);  // that of the outermost layer alone
  const double scale = std::sqrt(std::abs(toDevice.determinant()));
  const QRectF box = bodyBoxOn(content, toDevice);
  constexpr double farthest = 1e7;
  const QRect bodyPixels =
      (box.adjusted(-1, -1, 1, 1) & QRectF(-farthest, -farthest, 2 * farthest, 2 * farthest)).toAlignedRect();
  QRect needed = wanted & bodyPixels;
  const auto count = [](const QRect& r) { return static_cast<double>(r.width()) * r.height(); };
  double pixels = 0;
  for (const FinishStep& step : content.finish) {
    if (!declarationOf(step.effect.kind).isPixels) continue;
    needed |= bodyNeeded(step.effect, scale, wanted, bodyPixels);
    pixels = std::max(pixels, count(roomFor(step.effect, scale, wanted, bodyPixels)));
  }
  pixels = std::max(pixels, count(needed));
  const double less = std::max(1.0, std::ceil(std::sqrt(pixels / mostBodyPixels)));
  PlacedPicture body, coarse;
  if (keep && keep->fits(needed) && less == 1) {
    body = {keep->image, keep->at};
  } else {
    body = bodyOn(content, toDevice, less == 1 ? needed : wanted & bodyPixels);
    if (keep) *keep = less == 1 && isFinal_ ? BodyKeep{body.image, body.at, {}} : BodyKeep{};
  }
  const bool isFaded = std::any_of(content.finish.begin(), content.finish.end(), [](const FinishStep& step) {
    return declarationOf(step.effect.kind).place == EffectPlace::Within;
  });
  const QTransform down = QTransform::fromScale(1 / less, 1 / less);
  const auto reduced = [&](const QRect& r) { return down.mapRect(QRectF(r)).toAlignedRect().adjusted(-1, -1, 1, 1); };
  if (less > 1) coarse = bodyOn(content, toDevice * down, reduced(needed));
  const auto pictureOf = [&](const Effect& effect) {
    if (less > 1) return effectPicture(effect, coarse, {scale / less, reduced(wanted), down.mapRect(box)});
    const bool isCovered = !isFaded && declarationOf(effect.kind).place == EffectPlace::Behind;
    return effectPicture(effect, body, {scale, wanted, box, false, isCovered, keep ? &keep->softs : nullptr});
  };
  const auto asLarge = [&](PlacedPicture picture) {
    if (less == 1 || picture.image.isNull()) return picture;
    QImage large(wanted.size(), QImage::Format_ARGB32_Premultiplied);
    large.fill(Qt::transparent);
    QPainter enlarging(&large);
    enlarging.setRenderHint(QPainter::SmoothPixmapTransform);
    enlarging.drawImage(down.inverted().mapRect(QRectF(picture.rect())).translated(-wanted.topLeft()), picture.image);
    return PlacedPicture{large, wanted.topLeft()};
  };
  const auto lay = [&](const PlacedPicture& picture, Blend blend) {
    if (!picture.image.isNull()) drawBlended(painter, picture.at - wanted.topLeft(), picture.image, 1, blend);
  };
  const auto steps = [&](EffectPlace where) {
    for (const FinishStep& step : content.finish) {
      const EffectDeclaration& declared = declarationOf(step.effect.kind);
      if (declared.place != where) continue;
      for (const Mark& mark : step.marks) one(painter, mark);
      if (declared.isPixels) lay(asLarge(pictureOf(step.effect)), step.effect.blend);
    }
  };
  // The painter stands in the content's space for marks.
  painter.setTransform(toDevice * QTransform::fromTranslate(-wanted.x(), -wanted.y()));
  steps(EffectPlace::Behind);
  PlacedPicture shown = body;
  for (const FinishStep& step : content.finish) {
    if (declarationOf(step.effect.kind).place != EffectPlace::Within) continue;
    const PlacedPicture mask = asLarge(pictureOf(step.effect));
    shown.image.detach();
    fade(shown, mask);
  }
  lay(shown, Blend::Normal);
  steps(EffectPlace::InFront);
}

void LayerPainter::one(QPainter& painter, const Mark& mark) {
  std::visit([&](const auto& m) { one(painter, m); }, mark);
}

void LayerPainter::one(QPainter& painter, const FillOutline& filling) {
  if (filling.blend == Blend::Normal) {
    plainly(painter, filling);
    return;
  }
  onItsOwn(painter, bounds(*filling.outline), 1, filling.blend,
           [&](QPainter& inner, const QRect&) { plainly(inner, filling); });
}

void LayerPainter::one(QPainter& painter, const FillLetters& letters) {
  auto outline = std::make_shared<const Outline>(outlineWithin(letters, seenBy(painter, 0)));
  if (!outline->isEmpty())
    one(painter, FillOutline{std::move(outline), letters.colour, letters.opacity, letters.blend});
}

void LayerPainter::one(QPainter& painter, const MarkGroup& group) {
  onItsOwn(painter, bounds(*group.clip), group.opacity, group.blend, [&](QPainter& inner, const QRect& pixels) {
    for (const FillOutline& filling : group.fills) plainly(inner, filling);
    QImage mask(pixels.size(), QImage::Format_ARGB32_Premultiplied);
    mask.fill(Qt::transparent);
    QPainter masking(&mask);
    masking.setRenderHints(inner.renderHints());
    masking.setTransform(inner.transform());
    fill(masking, *group.clip, QColor(Qt::black));
    masking.end();
    inner.resetTransform();
    inner.setCompositionMode(QPainter::CompositionMode_DestinationIn);
    inner.drawImage(0, 0, mask);
  });
}

void LayerPainter::plainly(QPainter& painter, const FillOutline& filling) {
  const double before = painter.opacity();
  painter.setOpacity(before * filling.opacity);
  if (const auto* colour = std::get_if<Colour>(&filling.brush))
    fill(painter, *filling.outline, painterColour(*colour));
  else if (const auto* gradient = std::get_if<GradientBrush>(&filling.brush))
    fill(painter, *filling.outline, gradientBrush(painter, *gradient, bounds(*filling.outline)));
  else
    picture(painter, filling, std::get<PictureBrush>(filling.brush));
  painter.setOpacity(before);
}

void LayerPainter::one(QPainter& painter, const StrokeOutline& stroke) {
  if (stroke.line.blend != Blend::Normal) {
    StrokeOutline plain = stroke;
    plain.line.blend = Blend::Normal;
    onItsOwn(painter, lineBounds(*stroke.outline, stroke.line.shape), 1, stroke.line.blend,
             [&](QPainter& inner, const QRect&) { one(inner, plain); });
    return;
  }
  const double before = painter.opacity();
  painter.setOpacity(before * stroke.line.opacity);
  const LineShape& shape = stroke.line.shape;
  const double reach = shape.width * std::max(1.0, shape.join == Join::Mitre ? shape.mitreLimit : 1.0);
  if (crowds(painter, *stroke.outline, shape.width))
    strokeCrowded(painter, *stroke.outline, stroke.line);
  else
    painter.strokePath(pathOn(painter, *stroke.outline, reach), penOf(stroke.line));
  painter.setOpacity(before);
}

/// What a video shows now, unless that is its poster.
std::optional<PhotoLevel> LayerPainter::liveFrame(const PictureBrush& shown) {
  if (!shown.medium->video || store_.live().isEmpty()) return std::nullopt;
  return store_.live().frame(frameKey(*shown.medium, shown.playing), shown.medium->width, shown.adjustments.get());
}

void LayerPainter::picture(QPainter& painter, const FillOutline& filling, const PictureBrush& shown) {
  const QTransform toDevice = painterTransform(shown.toOutline) * painter.transform();
  const double scale = std::sqrt(std::abs(toDevice.determinant()));
  if (photos_ == Photos::Wait && scale < 1) {
    reduced(painter, filling, shown, toDevice);
    return;
  }
  PhotoLevel level;
  if (photos_ == Photos::Wait) {
    level = store_.level(*shown.medium, scale, shown.adjustments.get());
  } else if (auto live = liveFrame(shown)) {
    level = std::move(*live);
  } else if (auto ready = store_.levelIfReady(shown.medium, scale, shown.adjustments)) {
    level = std::move(ready->level);
    isFinal_ = isFinal_ && ready->isFinal;
  } else {
    isFinal_ = false;
    fill(painter, *filling.outline, QColor(0x9a, 0xa6, 0xa8));
    return;
  }
  if (level.image.isNull()) {
    missing(painter, filling);
    return;
  }
  const Box box = bounds(*filling.outline);
  const QRectF on = painter.transform().mapRect(QRectF(box.low.x, box.low.y, box.width(), box.height()));
  const QRect all(0, 0, painter.device()->width(), painter.device()->height());
  level = partOn(std::move(level), toDevice, pixelsTouched(on, all));
  QBrush brush(level.image);
  brush.setTransform(painterTransform(shown.toOutline * level.toPixels));
  fill(painter, *filling.outline, brush);
}

/// A photo made smaller, every pixel the mean of what it covers.
void LayerPainter::reduced(QPainter& painter, const FillOutline& filling, const PictureBrush& shown,
                           const QTransform& toDevice) {
  const QPainterPath path = painter.transform().map(painterPath(*filling.outline));
  const QRect all(0, 0, painter.device()->width(), painter.device()->height());
  const QRect on = pixelsTouched(path.boundingRect(), all);
  if (on.isEmpty()) return;
  const QImage tile = photoTile(*shown.medium, shown.adjustments.get(), store_, toDevice, on);
  if (tile.isNull()) {
    missing(painter, filling);
    return;
  }
  QBrush brush(tile);
  // The brush lies in the painter's coordinates, the tile in the target's pixels.
  brush.setTransform(QTransform::fromTranslate(on.x(), on.y()) * painter.transform().inverted());
  if (crowds(painter, *filling.outline)) {
    fillCrowded(painter, *filling.outline, brush);
    return;
  }
  brush.setTransform(QTransform::fromTranslate(on.x(), on.y()));
  painter.save();
  painter.resetTransform();
  painter.fillPath(path, brush);
  painter.restore();
}

void LayerPainter::missing(QPainter& painter, const FillOutline& filling) {
  for (const FillOutline& part : standIn(filling)) plainly(painter, part);
}

}  // namespace widecut
