// One paragraph, shaped: what its lines are made of, however they are broken.
#pragma once

#include <memory>
#include <mutex>
#include <string>
#include <vector>

#include "words/bidi.h"
#include "words/font.h"
#include "words/text_style.h"

namespace widecut {

/// Letters that look alike, from one byte of a text to another.
struct StyledStretch {
  std::size_t from = 0, to = 0;
  TextStyle style;
  bool operator==(const StyledStretch&) const = default;
};

/// A glyph in points, from where its run begins.
struct SetGlyph {
  std::uint32_t glyph = 0;
  std::size_t at = 0;  ///< The byte of the text at which its cluster begins.
  Point offset;        ///< Of its origin on the base line of the run, y down.
  double advance = 0;
};

/// Glyphs in one font that stand side by side.
struct SetRun {
  FontPtr font;
  double size = 0;    ///< The em, in points.
  double raised = 0;  ///< Above the base line.
  bool leftward = false;
  bool underlined = false;
  std::string colour = {};       ///< Of its own; empty for that of all.
  std::size_t from = 0, to = 0;  ///< Bytes of the text.
  double x = 0, width = 0;       ///< From the line's left end.
  std::vector<SetGlyph> glyphs;  ///< From left to right.
};

/// What is not parted: a letter with its marks, a ligature. In the order in which they are read.
struct Cluster {
  std::size_t from = 0, to = 0;  ///< Bytes of the text.
  double width = 0;
  bool isSpace = false, isTab = false;
  double stretch = 0, shrink = 0;          ///< Of a space: by how much it may grow or shrink in justified lines.
  double hangsBefore = 0, hangsAfter = 0;  ///< How much of it may hang out of a line that it begins, or ends.
};

/// Bytes are counted from the paragraph's own beginning.
class Paragraph {
 public:
  /// No line feed is in the text. `stretches` cover it in order; `whole` says how the paragraph looks.
  Paragraph(std::string text, std::vector<StyledStretch> stretches, TextStyle whole);

  const std::string& text() const { return text_; }
  /// Read from the right, on the whole.
  bool isLeftward() const { return directions_.base == 1; }
  const std::vector<Cluster>& clusters() const { return clusters_; }
  /// The places between letters, as people count them; rising.
  const std::vector<std::size_t>& letterPlaces() const { return letterPlaces_; }
  /// How letters look at a byte.
  const TextStyle& styleAt(std::size_t byte) const;
  /// The first cluster that does not begin before a byte.
  std::size_t clusterAt(std::size_t byte) const;

  /// The runs of a line from one byte to another, from left to right, as its letters stand; shaped anew at its ends
  /// where that makes a difference.
  std::vector<SetRun> line(std::size_t from, std::size_t to) const;
  /// A hyphen in the looks of the letter before a byte.
  SetRun hyphenBefore(std::size_t byte) const;
  /// Other words in the looks of the paragraph, as the mark of a list.
  std::vector<SetRun> words(const std::string& text) const;
  /// Of the font of the paragraph's first letters, times their size.
  double ascent() const { return ascent_; }
  double descent() const { return descent_; }
  double capHeight() const { return capHeight_; }
  const TextStyle& style() const { return whole_; }

  /// What was made of it lately, for whoever sets its lines.
  std::shared_ptr<void>& memo() const { return memo_; }
  std::mutex& memoMutex() const { return memoMutex_; }

 private:
  /// Letters that are shaped at once.
  struct Piece {
    std::size_t from = 0, to = 0;  ///< Letters.
    BidiLevel level = 0;
    FontPtr font;
    const TextStyle* style = nullptr;
    double size = 0;
    Shaping how;
    ShapedRun run;
  };
  void readLetters();
  void addLetter(char32_t code, std::size_t byte, std::size_t stretch);
  void shapePieces();
  void addClusters(const Piece& piece);
  void addCluster(const Piece& piece, std::size_t from, std::size_t to, double width);
  SetRun runOf(const Piece& piece, std::size_t from, std::size_t to, BidiLevel level) const;
  std::size_t letterAtByte(std::size_t byte) const;

  std::string text_;
  std::vector<StyledStretch> stretches_;
  TextStyle whole_;
  Letters letters_;                       ///< As they are shaped: in the case that is asked for.
  std::vector<std::uint32_t> stretchOf_;  ///< Of each letter.
  std::vector<bool> isSmall_;             ///< Of each letter: a small capital that the font has not.
  Directions directions_;
  std::vector<Piece> pieces_;
  std::vector<Cluster> clusters_;
  std::vector<std::size_t> letterPlaces_;
  double ascent_ = 0, descent_ = 0, capHeight_ = 0;
  mutable std::shared_ptr<void> memo_;
  mutable std::mutex memoMutex_;
};
using ParagraphPtr = std::shared_ptr<const Paragraph>;

/// A paragraph that was shaped lately, or a new one. Safe from several threads.
ParagraphPtr paragraphFor(std::string text, std::vector<StyledStretch> stretches, const TextStyle& whole);

}  // namespace widecut
