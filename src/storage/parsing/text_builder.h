// Puts a text together out of paragraphs and stretches that look otherwise.
#pragma once

#include "geometry/problem.h"
#include "words/text_looks.h"

namespace widecut::parsing {

/// What a paragraph of another document is.
enum class Block : unsigned char { Body, Heading1, Heading2, Heading3, Quote, Code, DotItem, NumberItem };

class TextBuilder {
 public:
  explicit TextBuilder(const TextStyle& whole) : whole_(whole) {}

  /// What is added from here on stands in a paragraph of its own.
  void beginParagraph(Block block, Look look = {});
  void endParagraph() { open_ = false; }
  /// With white space as it is, or every run of it as one blank, as HTML has it.
  enum class Blanks : unsigned char { Kept, Joined };
  void add(std::string_view text, const Look& look, Blanks blanks);
  /// What ends a line within a paragraph.
  void addLine();
  std::size_t size() const { return text_.text.size(); }
  LookedText take();

 private:
  NamedLookPtr styleOf(Block block);

  TextStyle whole_;
  LookedText text_;
  bool open_ = false, any_ = false;
  Block block_ = Block::Body;
  std::vector<std::pair<Block, NamedLookPtr>> styles_;
};

/// The readers of the kinds; see textFromFile.
Result<LookedText> textFromHtml(std::string_view html, const TextStyle& whole);
Result<LookedText> textFromOpenDocument(std::string_view bytes, const TextStyle& whole);

}  // namespace widecut::parsing
