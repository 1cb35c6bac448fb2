#include "painting/raster_queue.h"

#include <QElapsedTimer>
#include <QMutex>
#include <QPainter>
#include <QThreadPool>
#include <algorithm>
#include <optional>

#include "painting/raster.h"

namespace widecut {

bool paintContent(QImage& image, QPoint corner, const std::shared_ptr<const Content>& content, const Affine& map,
                  PhotoStore& store) {
  image.fill(Qt::transparent);
  QPainter painter(&image);
  painter.translate(-corner);
  Layer layer;
  layer.content = content;
  layer.place = map;
  return paintLayer(painter, layer, store, Photos::WhenReady);
}

struct RasterQueue::Inside {
  explicit Inside(PhotoStore& photos) : store(photos) { pool.setMaxThreadCount(1); }

  PhotoStore& store;
  QMutex mutex;
  std::vector<Order> waiting;
  std::optional<Order> inWork;
  std::vector<Done> done;
  std::function<void()> told;
  QThreadPool pool;

  /// Takes the nearest of what waits; nothing when there is none.
  bool begin() {
    const QMutexLocker lock(&mutex);
    inWork.reset();
    const auto nearest = std::min_element(waiting.begin(), waiting.end(),
                                          [](const Order& a, const Order& b) { return a.distance < b.distance; });
    if (nearest == waiting.end()) return false;
    inWork = std::move(*nearest);
    waiting.erase(nearest);
    return true;
  }
  void work() {
    while (begin()) {
      QElapsedTimer watch;
      watch.start();
      const Order order = *inWork;  // only this thread changes it
      Done one{order, QImage(order.held.size(), QImage::Format_ARGB32_Premultiplied)};
      if (!one.image.isNull())
        one.waitsForPhotos = !paintContent(one.image, order.held.topLeft(), order.content,
                                           Affine::move(order.phase) * order.linear, store);
      one.milliseconds = static_cast<double>(watch.nsecsElapsed()) * 1e-6;
      std::function<void()> tell;
      {
        const QMutexLocker lock(&mutex);
        done.push_back(std::move(one));
        tell = told;
      }
      if (tell) tell();
    }
  }
};

RasterQueue::RasterQueue(PhotoStore& store) : inside_(std::make_shared<Inside>(store)) {}

RasterQueue::~RasterQueue() {
  whenReady({});
  dropWaiting();
  inside_->pool.waitForDone();
}

void RasterQueue::whenReady(std::function<void()> told) {
  const QMutexLocker lock(&inside_->mutex);
  inside_->told = std::move(told);
}

void RasterQueue::order(const Order& order) {
  const QMutexLocker lock(&inside_->mutex);
  const auto isSame = [&](const Order& other) {
    return other.content == order.content && other.linear == order.linear && other.phase == order.phase &&
           other.held.contains(order.held);
  };
  const bool isIdle = !inside_->inWork && inside_->waiting.empty();
  if (inside_->inWork && isSame(*inside_->inWork)) return;
  std::erase_if(inside_->waiting, [&](const Order& other) { return other.content == order.content; });
  inside_->waiting.push_back(order);
  if (isIdle) inside_->pool.start([inside = inside_.get()] { inside->work(); });
}

void RasterQueue::dropWaiting() {
  const QMutexLocker lock(&inside_->mutex);
  inside_->waiting.clear();
}

std::vector<RasterQueue::Done> RasterQueue::take() {
  const QMutexLocker lock(&inside_->mutex);
  return std::exchange(inside_->done, {});
}

bool RasterQueue::isBusy() const {
  const QMutexLocker lock(&inside_->mutex);
  return inside_->inWork || !inside_->waiting.empty() || !inside_->done.empty();
}

}  // namespace widecut
