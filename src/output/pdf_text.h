// Text in a PDF that is there to be searched, selected and read aloud, not to be seen: what shows are the outlines.
#pragma once

#include <functional>
#include <map>
#include <qpdf/QPDF.hh>

#include "scene/scene.h"

namespace widecut {

/// Fonts without any marks, which say what their letters mean and how wide they are. Readers of PDFs find the spaces
/// between words by these widths, so each letter has that which it has on the sheet.
class PdfText {
 public:
  explicit PdfText(QPDF& pdf) : pdf_(pdf) {}

  /// The operators that write a line, at its place in the space of the page's content, whose y points down. `nameOf`
  /// gives the name under which a font is a resource there.
  using NameOf = std::function<std::string(int number, const QPDFObjectHandle& font)>;
  std::string written(const ReadLine& line, const NameOf& nameOf);
  /// Completes the fonts: nothing can be written after it.
  void finish();

 private:
  /// A letter of one width, in thousandths of the em.
  using Letter = std::pair<std::string, int>;
  struct Code {
    int font;
    int letter;  ///< 2…255
  };
  Code codeOf(const Letter& letter);
  std::string lineOf(const ReadLine& line, const NameOf& nameOf);

  QPDF& pdf_;
  std::vector<QPDFObjectHandle> fonts_;
  std::vector<Letter> letters_;  ///< In the order of their codes, 254 a font.
  std::map<Letter, Code> known_;
  std::size_t lettersLeft_ = 0;  ///< Of those that are said together.
};

}  // namespace widecut
