// Work that nobody wants any more leaves at the next place where it asks.
#pragma once

#include "geometry/progress.h"

namespace widecut {

/// What leaves stopped work, through everything between the place that asked and whoever has the StopScope. It is no
/// error, and nothing in between catches it.
struct Stopped {};

namespace stop_point {
inline thread_local const Progress* asked = nullptr;
}

/// While it lives, stopPoint() on this thread asks this progress. Scopes lie inside one another: the inner one counts.
class StopScope {
 public:
  explicit StopScope(const Progress& progress) : before_(stop_point::asked) { stop_point::asked = &progress; }
  ~StopScope() { stop_point::asked = before_; }
  StopScope(const StopScope&) = delete;
  StopScope& operator=(const StopScope&) = delete;

 private:
  const Progress* before_;
};

/// For whatever may take long (the engine, breaking lines, the scene), now and then: throws Stopped where this thread's
/// work was cancelled. Costs next to nothing, and does nothing on threads without a scope, such as the window's.
inline void stopPoint() {
  if (stop_point::asked && stop_point::asked->isCancelled()) throw Stopped{};
}

}  // namespace widecut
