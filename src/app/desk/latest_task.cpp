#include "app/desk/latest_task.h"

namespace widecut {

LatestTask::LatestTask(QObject* parent, Outdated outdated) : QObject(parent), outdated_(outdated) {
  pool_.setMaxThreadCount(1);
}

LatestTask::~LatestTask() {
  drop();
  pool_.waitForDone();
}

void LatestTask::outdate() {
  ++ticket_;
  if (outdated_ == Outdated::Stops) progress_.cancel();
}

void LatestTask::run(Work work) {
  outdate();
  wanted_ = true;
  next_ = std::move(work);
  if (!running_) start();
}

void LatestTask::drop() {
  outdate();
  wanted_ = false;
  next_ = {};
}

void LatestTask::start() {
  running_ = true;
  progress_ = Progress();
  pool_.start([this, work = std::move(next_), ticket = ticket_, progress = progress_] {
    std::function<void()> finish;
    try {
      const StopScope scope(progress);
      finish = work();
    } catch (const Stopped&) {
    }
    QMetaObject::invokeMethod(
        this,
        [this, finish, ticket] {
          running_ = false;
          if (next_) start();
          if (ticket != ticket_) return;
          wanted_ = false;
          finish();
        },
        Qt::QueuedConnection);
  });
  next_ = {};
}

}  // namespace widecut
