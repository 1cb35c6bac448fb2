#include "cli/within_time.h"

#include <algorithm>
#include <chrono>
#include <condition_variable>
#include <iostream>
#include <mutex>
#include <sstream>
#include <thread>

#include "geometry/stop_point.h"

namespace widecut {
namespace {

constexpr double tellEvery = 5;  // seconds

/// Watches from another thread until it is destroyed.
class Watch {
 public:
  Watch(const std::string& name, std::optional<double> seconds, const Progress& progress)
      : thread_([=, this] { watch(name, seconds, progress); }) {}
  ~Watch() {
    {
      const std::lock_guard lock(mutex_);
      isDone_ = true;
    }
    done_.notify_one();
    thread_.join();
  }
  Watch(const Watch&) = delete;
  Watch& operator=(const Watch&) = delete;

 private:
  void watch(const std::string& name, std::optional<double> seconds, const Progress& progress) {
    using Clock = std::chrono::steady_clock;
    const auto begin = Clock::now();
    const auto after = [&](double s) {
      return begin + std::chrono::duration_cast<Clock::duration>(std::chrono::duration<double>(s));
    };
    std::unique_lock lock(mutex_);
    for (double told = tellEvery;; told += tellEvery) {
      const double next = seconds ? std::min(*seconds, told) : told;
      if (done_.wait_until(lock, after(next), [&] { return isDone_; })) return;
      if (seconds && next >= *seconds) {
        progress.cancel();
        return;
      }
      std::cerr << "widecut: " + name + ": " + std::to_string(static_cast<long>(told)) + " s so far\n";
    }
  }

  std::mutex mutex_;
  std::condition_variable done_;
  bool isDone_ = false;
  std::thread thread_;  // the last one: it uses the others
};

}  // namespace

Result<OrderedJson> withinTime(const std::string& name, std::optional<double> seconds,
                               const std::function<Result<OrderedJson>()>& work) {
  const Progress progress;
  const Watch watch(name, seconds, progress);
  try {
    const StopScope scope(progress);
    return work();
  } catch (const Stopped&) {
    std::ostringstream text;
    text << "it was stopped after " << *seconds << " s";
    return problem(text.str());
  }
}

}  // namespace widecut
