// How words look.
#pragma once

#include <string>

namespace widecut {

/// A face of a family, as it is asked for. Which one is found: see fontFor.
struct FaceChoice {
  std::string family = "Cabin";
  int weight = 400;  ///< 1…1000, as OpenType counts: 400 is regular, 700 bold.
  bool italic = false;
  bool operator==(const FaceChoice&) const = default;
};

enum class Align : unsigned char { Left, Centre, Right };

/// One style for all words of an item.
struct TextStyle {
  FaceChoice face;
  double size = 24;     ///< The em, in points, > 0.
  double leading = 29;  ///< From base line to base line, in points, ≥ 0.
  Align align = Align::Left;
  bool operator==(const TextStyle&) const = default;
};

}  // namespace widecut
