#include "project/playing.h"

#include <sstream>

namespace widecut {

PlayingPtr shared(const Playing& playing) {
  return playing == Playing{} ? nullptr : std::make_shared<const Playing>(playing);
}

bool areAlike(const PlayingPtr& a, const PlayingPtr& b) {
  return a == b || (a ? *a : Playing{}) == (b ? *b : Playing{});
}

std::string keyOf(const Playing* playing) {
  if (!playing) return {};
  std::ostringstream out;
  out.precision(17);
  out << playing->from << ' ';
  if (playing->to) out << *playing->to;
  out << ' ' << playing->speed << ' ' << playing->loops;
  return out.str();
}

}  // namespace widecut
