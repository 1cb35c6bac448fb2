#include "painting/raster_queue.h"

#include <QThreadPool>
#include <algorithm>
#include <mutex>
#include <utility>

namespace widecut {

struct RasterQueue::Inside {
  explicit Inside(PhotoStore& photos) : store(photos) { pool.setMaxThreadCount(1); }

  struct Order {
    RasterPtr raster;
    double distance = 0;
  };
  PhotoStore& store;
  mutable std::mutex mutex;
  std::vector<Order> waiting;
  RasterPtr inWork;  // only the thread that paints changes it
  std::vector<RasterPtr> done;
  std::function<void()> told;
  QThreadPool pool;

  /// Takes the nearest of what waits; false when there is none.
  bool begin() {
    const std::lock_guard lock(mutex);
    inWork = nullptr;
    const auto nearest = std::min_element(waiting.begin(), waiting.end(),
                                          [](const Order& a, const Order& b) { return a.distance < b.distance; });
    if (nearest == waiting.end()) return false;
    inWork = std::move(nearest->raster);
    waiting.erase(nearest);
    return true;
  }
  void work() {
    while (begin()) {
      // What is ordered meanwhile is compared with the one in work, whose own fields must not change.
      const auto painted = std::make_shared<ContentRaster>(*inWork);
      paintWhole(*painted, store);
      std::function<void()> tell;
      {
        const std::lock_guard lock(mutex);
        done.push_back(painted);
        tell = told;
      }
      if (tell) tell();
    }
  }
};

RasterQueue::RasterQueue(PhotoStore& store) : inside_(std::make_shared<Inside>(store)) {}

RasterQueue::~RasterQueue() {
  {
    const std::lock_guard lock(inside_->mutex);
    inside_->told = {};
    inside_->waiting.clear();
  }
  inside_->pool.waitForDone();
}

void RasterQueue::whenReady(std::function<void()> told) {
  const std::lock_guard lock(inside_->mutex);
  inside_->told = std::move(told);
}

void RasterQueue::order(const ContentRaster& unpainted, double distance) {
  const std::lock_guard lock(inside_->mutex);
  if (const RasterPtr& now = inside_->inWork)
    if (now->content == unpainted.content && now->linear == unpainted.linear && now->phase == unpainted.phase &&
        now->moment == unpainted.moment && now->held.contains(unpainted.held))
      return;
  const bool isIdle = !inside_->inWork && inside_->waiting.empty();
  std::erase_if(inside_->waiting, [&](const Inside::Order& other) {
    if (other.raster->content != unpainted.content) return false;
    // All places of a video show each of its frames.
    return unpainted.moment == 0 || other.raster->moment == 0 ||
           (other.raster->linear == unpainted.linear && other.raster->phase == unpainted.phase);
  });
  inside_->waiting.push_back({std::make_shared<ContentRaster>(unpainted), distance});
  if (isIdle) inside_->pool.start([inside = inside_.get()] { inside->work(); });
}

std::vector<RasterPtr> RasterQueue::take() {
  const std::lock_guard lock(inside_->mutex);
  return std::exchange(inside_->done, {});
}

bool RasterQueue::isBusy() const {
  const std::lock_guard lock(inside_->mutex);
  return inside_->inWork || !inside_->waiting.empty() || !inside_->done.empty();
}

}  // namespace widecut
