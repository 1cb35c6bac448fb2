// Work off the window's thread, of which only the newest counts.
#pragma once

#include <QObject>
#include <QThreadPool>
#include <functional>

namespace widecut {

/// One piece of work at a time. While it runs, newer work waits; of that, only the newest is kept.
class LatestTask : public QObject {
  Q_OBJECT
 public:
  /// Computes on another thread, and returns what is to be done with the result on the window's thread.
  using Work = std::function<std::function<void()>()>;

  explicit LatestTask(QObject* parent = nullptr);
  ~LatestTask() override;
  /// Runs `work`, and then what it returned, unless newer work was asked for by then, or drop() called.
  void run(Work work);
  /// What runs comes to nothing.
  void drop();
  bool isBusy() const { return wanted_; }

 private:
  void start();
  QThreadPool pool_;  // of its own: painters wait for the global one
  Work next_;
  unsigned ticket_ = 0;
  bool running_ = false;
  bool wanted_ = false;
};

}  // namespace widecut
