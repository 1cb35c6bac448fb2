// Words in a PDF that are written in their own fonts, of which what is shown is embedded.
#pragma once

#include <functional>
#include <map>
#include <qpdf/QPDF.hh>

#include "scene/drawing.h"

namespace widecut {

/// Fonts whose codes are the numbers of their glyphs. What a glyph means is said once for each font; where it means
/// something else, as in a ligature that was typed in capitals, the place says so itself.
class PdfFonts {
 public:
  explicit PdfFonts(QPDF& pdf) : pdf_(pdf) {}

  /// Whether all fonts of these words may be embedded in part, and can be.
  bool canWrite(const Words& words);
  /// The operators that write them, in the colour that is set; underlines and rules are not among them. `nameOf` gives
  /// the name under which a font is a resource there.
  using NameOf = std::function<std::string(int number, const QPDFObjectHandle& font)>;
  std::string written(const FillWords& words, const NameOf& nameOf);
  /// Completes the fonts: nothing can be written after it. Throws what a font has against it.
  void finish();

 private:
  struct Used {
    QPDFObjectHandle object;
    int number = 0;
    bool canBeEmbedded = false;
    std::map<std::uint32_t, std::string> says;  ///< Of each glyph that is shown, by its number.
  };
  Used& used(const FontPtr& font);
  std::string lineOf(const SetLine& line, const std::string& story, const NameOf& nameOf);

  QPDF& pdf_;
  std::map<FontPtr, Used> fonts_;
};

}  // namespace widecut
