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
  font widecut_font_spartan "LeagueSpartan-Bold.otf"
  .section .note.GNU-stack,"",%progbits
