#include "app/desk/background.h"

#include <chrono>
#include <condition_variable>
#include <mutex>
#include <optional>

namespace widecut {

struct Background::Outcome {
  std::mutex mutex;
  std::condition_variable ended;
  std::optional<std::function<void()>> finish;
  bool isWaitedFor = true;  ///< By the window's thread, which takes it itself.
};

Background::Background(QObject* parent) : QObject(parent) { pool_.setMaxThreadCount(1); }

Background::~Background() {
  stopAll();
  pool_.waitForDone();
}

void Background::start(const QString& name, Work work) {
  tasks_.push_back({name, std::move(work), {}});
  if (tasks_.size() > 1) return;
  goesOn(*next());
  emit changed();
}

void Background::startSoon(const QString& name, Work work) {
  if (isBusy()) return start(name, std::move(work));
  constexpr std::chrono::milliseconds moments{60};
  tasks_.push_back({name, std::move(work), {}});
  const auto outcome = next();
  {
    std::unique_lock lock(outcome->mutex);
    if (!outcome->ended.wait_for(lock, moments, [&] { return outcome->finish.has_value(); })) {
      outcome->isWaitedFor = false;
      lock.unlock();
      emit changed();
      return;
    }
  }
  end(*outcome->finish);
}

void Background::stop() {
  if (isBusy()) progress().cancel();
}

void Background::stopAll() {
  for (const Task& task : tasks_) task.progress.cancel();
}

void Background::whenIdle(std::function<void()> then) {
  waiting_.push_back(std::move(then));
  goOn();
}

std::shared_ptr<Background::Outcome> Background::next() {
  auto outcome = std::make_shared<Outcome>();
  pool_.start([this, work = tasks_.front().work, progress = tasks_.front().progress, outcome] {
    auto finish = work(progress);
    const std::lock_guard lock(outcome->mutex);
    outcome->finish = std::move(finish);
    outcome->ended.notify_all();
    if (!outcome->isWaitedFor)
      QMetaObject::invokeMethod(
          this, [this, outcome] { end(*outcome->finish); }, Qt::QueuedConnection);
  });
  return outcome;
}

void Background::end(const std::function<void()>& finish) {
  tasks_.pop_front();
  if (isBusy()) goesOn(*next());
  emit changed();
  finish();
  goOn();
}

/// Nobody waits: it comes by an event.
void Background::goesOn(Outcome& outcome) {
  const std::lock_guard lock(outcome.mutex);
  outcome.isWaitedFor = false;
  if (outcome.finish)
    QMetaObject::invokeMethod(
        this, [this, finish = *outcome.finish] { end(finish); }, Qt::QueuedConnection);
}

void Background::goOn() {
  while (!isBusy() && !waiting_.empty()) {
    const auto then = std::move(waiting_.front());
    waiting_.erase(waiting_.begin());
    then();
  }
}

}  // namespace widecut
