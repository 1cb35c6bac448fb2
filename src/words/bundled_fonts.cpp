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
WIDECUT_FONT(garamond_bold);
WIDECUT_FONT(garamond_italic);
WIDECUT_FONT(didot);
WIDECUT_FONT(didot_bold);
WIDECUT_FONT(didot_italic);
WIDECUT_FONT(slab);
WIDECUT_FONT(slab_bold);
WIDECUT_FONT(kaffeesatz);
WIDECUT_FONT(kaffeesatz_bold);
WIDECUT_FONT(comfortaa);
WIDECUT_FONT(comfortaa_bold);
WIDECUT_FONT(inconsolata);
WIDECUT_FONT(spartan);
WIDECUT_FONT(bebas);
WIDECUT_FONT(leckerli);
WIDECUT_FONT(kaushan);
#undef WIDECUT_FONT

namespace widecut {

std::span<const BundledFont> bundledFonts() {
  static const BundledFont fonts[] = {
      {"Cabin", 400, false, {widecut_font_cabin_regular, widecut_font_cabin_regular_end}},
      {"Cabin", 500, false, {widecut_font_cabin_medium, widecut_font_cabin_medium_end}},
      {"Cabin", 600, false, {widecut_font_cabin_semibold, widecut_font_cabin_semibold_end}},
      {"Cabin", 700, false, {widecut_font_cabin_bold, widecut_font_cabin_bold_end}},
      {"EB Garamond", 400, false, {widecut_font_garamond, widecut_font_garamond_end}},
      {"EB Garamond", 700, false, {widecut_font_garamond_bold, widecut_font_garamond_bold_end}},
      {"EB Garamond", 400, true, {widecut_font_garamond_italic, widecut_font_garamond_italic_end}},
      {"GFS Didot", 400, false, {widecut_font_didot, widecut_font_didot_end}},
      {"GFS Didot", 700, false, {widecut_font_didot_bold, widecut_font_didot_bold_end}},
      {"GFS Didot", 400, true, {widecut_font_didot_italic, widecut_font_didot_italic_end}},
      {"Roboto Slab", 400, false, {widecut_font_slab, widecut_font_slab_end}},
      {"Roboto Slab", 700, false, {widecut_font_slab_bold, widecut_font_slab_bold_end}},
      {"Yanone Kaffeesatz", 400, false, {widecut_font_kaffeesatz, widecut_font_kaffeesatz_end}},
      {"Yanone Kaffeesatz", 700, false, {widecut_font_kaffeesatz_bold, widecut_font_kaffeesatz_bold_end}},
      {"Comfortaa", 400, false, {widecut_font_comfortaa, widecut_font_comfortaa_end}},
      {"Comfortaa", 700, false, {widecut_font_comfortaa_bold, widecut_font_comfortaa_bold_end}},
      {"Inconsolata", 400, false, {widecut_font_inconsolata, widecut_font_inconsolata_end}},
      {"League Spartan", 700, false, {widecut_font_spartan, widecut_font_spartan_end}},
      {"Bebas Neue", 700, false, {widecut_font_bebas, widecut_font_bebas_end}},
      {"Leckerli One", 400, false, {widecut_font_leckerli, widecut_font_leckerli_end}},
      {"Kaushan Script", 400, false, {widecut_font_kaushan, widecut_font_kaushan_end}},
  };
  return fonts;
}

}  // namespace widecut
