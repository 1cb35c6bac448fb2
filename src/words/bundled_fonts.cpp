#include "words/bundled_fonts.h"

// From bundled_fonts.S.
#define WIDECUT_FONT(name)                          \
  extern "C" const std::byte widecut_font_##name[]; \
  extern "C" const std::byte widecut_font_##name##_end[]
WIDECUT_FONT(cabin_regular);
WIDECUT_FONT(cabin_medium);
WIDECUT_FONT(cabin_semibold);
WIDECUT_FONT(cabin_bold);
WIDECUT_FONT(garamond);
WIDECUT_FONT(spartan);
#undef WIDECUT_FONT

namespace widecut {

std::span<const BundledFont> bundledFonts() {
  static const BundledFont fonts[] = {
      {"Cabin", 400, {widecut_font_cabin_regular, widecut_font_cabin_regular_end}},
      {"Cabin", 500, {widecut_font_cabin_medium, widecut_font_cabin_medium_end}},
      {"Cabin", 600, {widecut_font_cabin_semibold, widecut_font_cabin_semibold_end}},
      {"Cabin", 700, {widecut_font_cabin_bold, widecut_font_cabin_bold_end}},
      {"EB Garamond", 400, {widecut_font_garamond, widecut_font_garamond_end}},
      {"League Spartan", 700, {widecut_font_spartan, widecut_font_spartan_end}},
  };
  return fonts;
}

}  // namespace widecut
