// How the mat shows the sheet.
#pragma once

namespace widecut {

enum class MatView : unsigned char {
  Usual,
  Paper,       ///< Only what prints.
  SeeThrough,  ///< Checks wherever nothing covers.
  Edges        ///< Outlines alone.
};

}  // namespace widecut
