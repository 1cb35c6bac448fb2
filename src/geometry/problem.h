// What a function returns when it may not be able to do its work.
#pragma once

#include <string>
#include <tl/expected.hpp>

namespace widecut {

/// Why something could not be done: one clear line that says what is wrong and where.
struct Problem {
  std::string message;
};

/// A value, or the problem that prevented it.
template <class Value>
using Result = tl::expected<Value, Problem>;

inline tl::unexpected<Problem> problem(std::string message) {
  return tl::unexpected<Problem>(Problem{std::move(message)});
}

}  // namespace widecut
