#include "app/desk/latest_task.h"

namespace widecut {

LatestTask::LatestTask(QObject* parent) : QObject(parent) { pool_.setMaxThreadCount(1); }

LatestTask::~LatestTask() {
  drop();
  pool_.waitForDone();
}

void LatestTask::run(Work work) {
  ++ticket_;
  wanted_ = true;
  next_ = std::move(work);
  if (!running_) start();
}

void LatestTask::drop() {
  ++ticket_;
  wanted_ = false;
  next_ = {};
}

void LatestTask::start() {
  running_ = true;
  pool_.start([this, work = std::move(next_), ticket = ticket_] {
    const auto finish = work();
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
