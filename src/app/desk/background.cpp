#include "app/desk/background.h"

namespace widecut {

Background::Background(QObject* parent) : QObject(parent) { pool_.setMaxThreadCount(1); }

Background::~Background() {
  stopAll();
  pool_.waitForDone();
}

void Background::start(const QString& name, Work work) {
  tasks_.push_back({name, std::move(work), {}});
  if (tasks_.size() == 1) next();
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

void Background::next() {
  pool_.start([this, work = tasks_.front().work, progress = tasks_.front().progress] {
    auto finish = work(progress);
    QMetaObject::invokeMethod(
        this,
        [this, finish = std::move(finish)] {
          tasks_.pop_front();
          if (isBusy()) next();
          emit changed();
          finish();
          goOn();
        },
        Qt::QueuedConnection);
  });
  emit changed();
}

void Background::goOn() {
  while (!isBusy() && !waiting_.empty()) {
    const auto then = std::move(waiting_.front());
    waiting_.erase(waiting_.begin());
    then();
  }
}

}  // namespace widecut
