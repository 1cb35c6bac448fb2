// A soft shadow under a cutout with a photo: painted all anew, and when one of its numbers changes; against the same
// picture by Cairo and by the toolkit's own effect. And a drag beside items with effects.
#include <benchmark/benchmark.h>
#include <cairo.h>

#include <QBuffer>
#include <QGraphicsDropShadowEffect>
#include <QGraphicsPixmapItem>
#include <QGraphicsScene>
#include <QPainter>

#include "painting/layer_cache.h"
#include "project/edits/colours.h"
#include "project/edits/cutouts.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

constexpr double width = 2000, height = 1400;  // pixels of the cutout on the screen
constexpr double blur = 60 * pointsPerMillimetre;

/// A photo cutout of 2000 × 1400 pixels: a box without a disc.
struct ShadowScene : Sample {
  PhotoStore store;
  Id cutout = 0;
  QImage screen{2600, 2000, QImage::Format_RGB32};

  ShadowScene() {
    empty(2600, 2000);
    const Id panel = add("panel", fitted(rectangleOutline(1, 1), {{300, 300}, {300 + width, 300 + height}}), {0, 0, 0});
    const Id hole = add("hole", transformed(ellipseOutline(600, 600), Affine::move({1300, 1000})), {0, 0, 0});
    QImage photo(1500, 1050, QImage::Format_RGB32);
    for (int y = 0; y < photo.height(); ++y)
      for (int x = 0; x < photo.width(); ++x)
        photo.setPixel(x, y, qRgb((x * 7 + y) % 256, (x + y * 3) % 256, (x * x / 64 + y) % 256));
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    photo.save(&buffer, "JPEG", 90);
    project = combined(project, std::vector<Id>{panel, hole}, Outcome::SubtractFront, {panel, 0}, cutout);
    project = withPhotoIn(project, cutout, *photoFromBytes(bytes.toStdString(), "made up.jpg"));
    setShadow(8);
    for (const auto& [hash, medium] : mediaOf(project)) (void)store.level(*medium, 1);
  }
  void setShadow(double distance, double softness = blur) {
    project = withStyle(project, std::vector<Id>{cutout}, [&](Style& style) {
      Effect shadow = usualEffect(EffectKind::Shadow);
      shadow.numbers = {distance, 60, softness, 0};
      style.effects = {shadow};
    });
  }
  void draw(LayerCache& cache) {
    QPainter painter(&screen);
    const QRect changed = cache.follow(sheetOf(project), 1, screen.rect());
    painter.setClipRect(changed);
    painter.fillRect(changed, Qt::white);
    cache.draw(painter, changed);
  }
};

void shadowAllAnew(benchmark::State& state) {
  ShadowScene scene;
  for (auto _ : state) {
    LayerCache cache(scene.store);
    scene.draw(cache);
  }
}
BENCHMARK(shadowAllAnew)->Unit(benchmark::kMillisecond);

void shadowNumberChanged(benchmark::State& state) {
  ShadowScene scene;
  LayerCache cache(scene.store);
  cache.setTrying(true);
  scene.draw(cache);
  double distance = 8;
  for (auto _ : state) {
    distance += 0.5;
    scene.setShadow(distance);
    scene.draw(cache);
  }
}
BENCHMARK(shadowNumberChanged)->Unit(benchmark::kMillisecond);

void shadowSoftnessChanged(benchmark::State& state) {
  ShadowScene scene;
  LayerCache cache(scene.store);
  cache.setTrying(true);
  scene.draw(cache);
  double softness = blur;
  for (auto _ : state) {
    softness = softness < blur * 0.9 ? blur : softness - 0.5;
    scene.setShadow(8, softness);
    scene.draw(cache);
  }
}
BENCHMARK(shadowSoftnessChanged)->Unit(benchmark::kMillisecond);

/// The same picture: the path filled with the photo, and its alpha blurred by three box means (Cairo has no blur).
void shadowByCairo(benchmark::State& state) {
  ShadowScene scene;
  const auto shape = resolved(*findItem(scene.project, scene.cutout));
  const auto medium = mediaOf(scene.project).begin()->second;
  const QImage photo = scene.store.level(*medium, 1).image.convertToFormat(QImage::Format_ARGB32_Premultiplied);
  const int w = scene.screen.width(), h = scene.screen.height();
  const auto fill = [&](cairo_t* cairo) {
    for (const Contour& contour : shape->outline.contours) {
      Point at = contour.start;
      cairo_move_to(cairo, at.x, at.y);
      for (const Segment& s : contour.segments) {
        const auto c = asCubic(at, s);
        cairo_curve_to(cairo, c[1].x, c[1].y, c[2].x, c[2].y, c[3].x, c[3].y);
        at = s.end;
      }
      cairo_close_path(cairo);
    }
    cairo_fill(cairo);
  };
  std::vector<unsigned char> alpha(static_cast<std::size_t>(w) * static_cast<std::size_t>(h)), soft(alpha.size());
  for (auto _ : state) {
    std::fill(alpha.begin(), alpha.end(), 0);
    cairo_surface_t* mask = cairo_image_surface_create_for_data(alpha.data(), CAIRO_FORMAT_A8, w, h, w);
    cairo_t* cairo = cairo_create(mask);
    cairo_translate(cairo, 1300, 1000);
    fill(cairo);
    cairo_destroy(cairo);
    cairo_surface_flush(mask);
    const int reach = static_cast<int>(blur / 2);
    for (int round = 0; round < 3; ++round)
      for (const bool across : {true, false}) {
        const int lines = across ? h : w, length = across ? w : h, step = across ? 1 : w, next = across ? w : 1;
        for (int line = 0; line < lines; ++line) {
          const unsigned char* from = alpha.data() + static_cast<std::ptrdiff_t>(line) * next;
          unsigned char* to = soft.data() + static_cast<std::ptrdiff_t>(line) * next;
          int sum = 0;
          for (int i = -reach; i < length; ++i) {
            if (i + reach < length) sum += from[static_cast<std::ptrdiff_t>(i + reach) * step];
            if (i - reach - 1 >= 0) sum -= from[static_cast<std::ptrdiff_t>(i - reach - 1) * step];
            if (i >= 0) to[static_cast<std::ptrdiff_t>(i) * step] = static_cast<unsigned char>(sum / (2 * reach + 1));
          }
        }
        std::swap(alpha, soft);
      }
    cairo_surface_t* target = cairo_image_surface_create_for_data(scene.screen.bits(), CAIRO_FORMAT_RGB24, w, h,
                                                                  static_cast<int>(scene.screen.bytesPerLine()));
    cairo_surface_t* softMask = cairo_image_surface_create_for_data(alpha.data(), CAIRO_FORMAT_A8, w, h, w);
    cairo_surface_t* pixels =
        cairo_image_surface_create_for_data(const_cast<unsigned char*>(photo.constBits()), CAIRO_FORMAT_ARGB32,
                                            photo.width(), photo.height(), static_cast<int>(photo.bytesPerLine()));
    cairo = cairo_create(target);
    cairo_set_source_rgb(cairo, 1, 1, 1);
    cairo_paint(cairo);
    cairo_set_source_rgba(cairo, 0.1, 0.1, 0.1, 0.5);
    cairo_mask_surface(cairo, softMask, 4, 7);
    cairo_translate(cairo, 1300, 1000);
    cairo_pattern_t* pattern = cairo_pattern_create_for_surface(pixels);
    const cairo_matrix_t matrix{photo.width() / width, 0, 0, photo.height() / height, photo.width() / 2.0,
                                photo.height() / 2.0};
    cairo_pattern_set_matrix(pattern, &matrix);
    cairo_set_source(cairo, pattern);
    fill(cairo);
    cairo_pattern_destroy(pattern);
    cairo_destroy(cairo);
    for (cairo_surface_t* surface : {mask, target, softMask, pixels}) cairo_surface_destroy(surface);
  }
}
BENCHMARK(shadowByCairo)->Unit(benchmark::kMillisecond);

/// The toolkit's shadow effect on the cutout as a picture; the painting of that is not counted.
void shadowByToolkit(benchmark::State& state) {
  ShadowScene scene;
  QImage body(static_cast<int>(width), static_cast<int>(height), QImage::Format_ARGB32_Premultiplied);
  body.fill(Qt::transparent);
  {
    QPainter painter(&body);
    painter.translate(-300, -300);
    scene.project = withStyle(scene.project, std::vector<Id>{scene.cutout}, [](Style& s) { s.effects.clear(); });
    paintLayer(painter, layerOf(findItem(scene.project, scene.cutout)), scene.store, Photos::Wait);
  }
  QGraphicsScene graphics(0, 0, scene.screen.width(), scene.screen.height());
  auto* item = graphics.addPixmap(QPixmap::fromImage(body));
  item->setPos(300, 300);
  auto* effect = new QGraphicsDropShadowEffect;
  effect->setBlurRadius(blur);
  item->setGraphicsEffect(effect);
  double distance = 8;
  for (auto _ : state) {
    effect->setOffset(distance += 0.5, 7);
    QPainter painter(&scene.screen);
    painter.fillRect(scene.screen.rect(), Qt::white);
    graphics.render(&painter);
  }
}
BENCHMARK(shadowByToolkit)->Unit(benchmark::kMillisecond);

/// One item dragged beside ten that have an effect each: how many rasters are painted a frame has to be none.
void dragBesideTenEffects(benchmark::State& state) {
  Sample s;
  PhotoStore store;
  for (int i = 0; i < 10; ++i) {
    const Id id =
        s.add("star", transformed(starOutline(40, 40, 6, 0.4), Affine::move({20.0 + 17 * i, 110})), {90, 120, 40});
    s.project = withStyle(s.project, std::vector<Id>{id},
                          [&](Style& style) { style.effects = {usualEffect(static_cast<EffectKind>(i))}; });
  }
  LayerCache cache(store);
  cache.setTrying(true);
  QImage screen(800, 600, QImage::Format_RGB32);
  const auto draw = [&](const Project& p) {
    QPainter painter(&screen);
    const QRect changed = cache.follow(s.sheetOf(p), 4, screen.rect());
    painter.setClipRect(changed);
    cache.draw(painter, changed);
  };
  draw(s.project);
  const int before = cache.paintCount();
  double by = 0;
  for (auto _ : state) {
    by = by > 20 ? 0 : by + 0.25;
    draw(withMapped(s.project, std::vector<Id>{s.disc}, Affine::move({by, by})));
  }
  state.counters["rasters painted"] = cache.paintCount() - before;
}
BENCHMARK(dragBesideTenEffects)->Unit(benchmark::kMillisecond);

}  // namespace
}  // namespace widecut
