// Work off the window's thread, of which only the newest counts.
#pragma once

#include <QObject>
#include <QThreadPool>
#include <functional>

#include "geometry/stop_point.h"

namespace widecut {

/// One piece of work at a time. While it runs, newer work waits; of that, only the newest is kept. Work of which
/// nothing is wanted any more stops where it asks whether it may go on (stopPoint).
class LatestTask : public QObject {
  Q_OBJECT
 public:
  /// Computes on another thread, and returns what is to be done with the result on the window's thread.
  using Work = std::function<std::function<void()>()>;

  enum class Outdated { Stops, Ends };
  /// Outdated work may have to be ended, such as what writes a file.
  explicit LatestTask(QObject* parent = nullptr, Outdated outdated = Outdated::Stops);
  ~LatestTask() override;
  /// Runs `work`, and then what it returned, unless newer work was asked for by then, or drop() called.
  void run(Work work);
  /// What runs comes to nothing.
  void drop();
  bool isBusy() const { return wanted_; }

 private:
  void start();
  void outdate();
  QThreadPool pool_;  // of its own: painters wait for the global one
  Work next_;
  Progress progress_;  ///< Of what runs.
  Outdated outdated_;
  unsigned ticket_ = 0;
  bool running_ = false;
  bool wanted_ = false;
};

}  // namespace widecut
