// How far long work has come, and whether it is still wanted.
#pragma once

#include <atomic>
#include <memory>

namespace widecut {

/// Shared by the one who works and the one who waits, who may be on different threads; copies are the same progress.
class Progress {
 public:
  Progress() : shared_(std::make_shared<Shared>()) {}

  /// A stretch of the whole work, reported as if it were all of it. `from` and `to`: 0…1.
  Progress stretch(double from, double to) const {
    Progress part = *this;
    part.from_ = from_ + from * (to_ - from_);
    part.to_ = from_ + to * (to_ - from_);
    return part;
  }
  /// `done`: 0…1.
  void report(double done) const { shared_->done = from_ + done * (to_ - from_); }
  /// Of the whole work.
  double done() const { return shared_->done; }
  void cancel() const { shared_->cancelled = true; }
  bool isCancelled() const { return shared_->cancelled; }

 private:
  struct Shared {
    std::atomic<double> done = 0;
    std::atomic<bool> cancelled = false;
  };
  std::shared_ptr<Shared> shared_;
  double from_ = 0, to_ = 1;
};

}  // namespace widecut
