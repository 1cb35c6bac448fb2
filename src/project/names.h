// Names that tell things apart.
#pragma once

#include <string>
#include <unordered_map>
#include <unordered_set>
#include <vector>

#include "project/model.h"

namespace widecut {

/// Names in use, and new ones that are not.
class UniqueNames {
 public:
  explicit UniqueNames(const std::vector<std::string>& taken) : taken_(taken.begin(), taken.end()) {}
  /// Those of the items of a sheet, without those inside them.
  explicit UniqueNames(const Sheet& sheet);

  /// The name itself when it is free, or else the first number behind it that is: “disc”, “disc 2”, “disc 3”. It is
  /// taken from then on.
  std::string take(const std::string& wanted);

 private:
  std::unordered_set<std::string> taken_;
  std::unordered_map<std::string, int> last_;  ///< The last number that was given out, by the name before it.
};

}  // namespace widecut
