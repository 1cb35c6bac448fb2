#include "media/bands.h"

#include <QThreadPool>
#include <algorithm>
#include <condition_variable>
#include <mutex>

namespace widecut {

void inBands(int rows, int width, const std::function<void(int begin, int end)>& work) {
  constexpr double worthwhile = 1 << 17;  // pixels
  QThreadPool& pool = *QThreadPool::globalInstance();
  const int bands = static_cast<double>(rows) * width < worthwhile ? 1 : std::clamp(pool.maxThreadCount(), 1, rows);
  std::mutex mutex;
  std::condition_variable done;
  int elsewhere = 0, ended = 0;  // the latter under the mutex
  for (int band = bands - 1; band >= 0; --band) {
    const auto edge = [&](int i) { return static_cast<int>(static_cast<long long>(rows) * i / bands); };
    const int begin = edge(band), end = edge(band + 1);
    const auto there = [&, begin, end] {
      work(begin, end);
      const std::lock_guard lock(mutex);
      ++ended;
      done.notify_one();
    };
    if (band > 0 && pool.tryStart(there))
      ++elsewhere;
    else
      work(begin, end);
  }
  std::unique_lock lock(mutex);
  done.wait(lock, [&] { return ended == elsewhere; });
}

}  // namespace widecut
