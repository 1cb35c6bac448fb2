/* The bytes of the font files, between name and name_end. */
  .section .rodata
.macro font name file
  .global \name
  .global \name\()_end
  .balign 16
\name:
  .incbin "\file"
\name\()_end:
  .byte 0
.endm
  font widecut_font_cabin_regular "Cabin-Regular.otf"
  font widecut_font_cabin_medium "Cabin-Medium.otf"
  font widecut_font_cabin_semibold "Cabin-SemiBold.otf"
  font widecut_font_cabin_bold "Cabin-Bold.otf"
  font widecut_font_garamond "EBGaramond12-Regular.otf"
  font widecut_font_garamond_bold "EBGaramond12-Bold.otf"
  font widecut_font_garamond_italic "EBGaramond12-Italic.otf"
  font widecut_font_didot "GFSDidot.otf"
  font widecut_font_didot_bold "GFSDidotBold.otf"
  font widecut_font_didot_italic "GFSDidotItalic.otf"
  font widecut_font_slab "RobotoSlab-Regular.otf"
  font widecut_font_slab_bold "RobotoSlab-Bold.otf"
  font widecut_font_kaffeesatz "YanoneKaffeesatz-Regular.otf"
  font widecut_font_kaffeesatz_bold "YanoneKaffeesatz-Bold.otf"
  font widecut_font_comfortaa "Comfortaa-Regular.ttf"
  font widecut_font_comfortaa_bold "Comfortaa-Bold.ttf"
  font widecut_font_inconsolata "Inconsolata.otf"
  font widecut_font_spartan "LeagueSpartan-Bold.otf"
  font widecut_font_bebas "BebasNeue-Bold.otf"
  font widecut_font_leckerli "LeckerliOne-Regular.ttf"
  font widecut_font_kaushan "KaushanScript-Regular.otf"
  .section .note.GNU-stack,"",%progbits
