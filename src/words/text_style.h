// How words look.
#pragma once

#include <memory>
#include <string>

namespace widecut {

class OwnFonts;

/// A face of a family, as it is asked for. Which one is found: see fontFor.
struct FaceChoice {
  std::string family = "Cabin";
  int weight = 400;  ///< 1…1000, as OpenType counts: 400 is regular, 700 bold.
  bool italic = false;
  /// What the project of the words has with it, which is searched last; null for nothing. Not a part of what is asked
  /// for: equal choices may have others.
  std::shared_ptr<const OwnFonts> own = nullptr;
  bool operator==(const FaceChoice& other) const {
    return family == other.family && weight == other.weight && italic == other.italic;
  }
};

/// How lines lie between the ends of what they are in. Justified ones reach from end to end, but for the last.
enum class Align : unsigned char { Left, Centre, Right, Justified };
/// What becomes of the letters that are typed. Small capitals are the font's own where it has them.
enum class LetterCase : unsigned char { AsTyped, Capitals, SmallLetters, SmallCapitals };
/// Where lines end: the best for the whole paragraph, or each as far on as it goes.
enum class Breaking : unsigned char { Paragraph, Line };
/// What stands before a paragraph that is one of a list.
enum class ListMark : unsigned char { None, Dot, Dash, Number, Letter };

/// Letters and paragraphs. What there is to say of them is listed by `textAspects`, with units and ranges.
struct TextStyle {  // NOLINT(clang-analyzer-optin.performance.Padding)
  FaceChoice face;
  double size = 24;     ///< The em, in points, > 0.
  double leading = 29;  ///< From base line to base line, in points, ≥ 0.
  Align align = Align::Left;

  // Letters.
  double tracking = 0;  ///< More between any two letters, in thousandths of the em.
  double shift = 0;     ///< Above the base line, in points.
  LetterCase letterCase = LetterCase::AsTyped;
  bool underlined = false;
  std::string colour = {};      ///< As “#rrggbb”; empty for the fill of the words, whatever that is.
  std::string features = {};    ///< OpenType's, as “onum, liga=0”.
  std::string axes = {};        ///< Of a variable font, as “wdth 80, slnt -5”.
  std::string language = "en";  ///< By BCP 47: of hyphens, and of letters that differ by it.

  // Paragraphs. Lengths in points.
  Breaking breaking = Breaking::Paragraph;
  bool hyphens = false;
  bool hanging = false;  ///< Full stops, hyphens and quotes at the ends of lines hang out of them a little.
  double indentLeft = 0, indentRight = 0, indentFirst = 0;
  double spaceBefore = 0, spaceAfter = 0;
  ListMark list = ListMark::None;
  std::string tabs =
      {};  ///< Where tabs lead to, as “20mm, 60mm right, 90mm decimal”; every half inch from the last one on.
  int keptLines = 1;  ///< So many of its first and last lines at least stand together.
  int dropLines = 0;  ///< So many lines the drop cap is high; 0 for none.
  int dropLetters = 1;
  double dropGap = 3;
  bool dropHugs = false;                             ///< The lines beside a drop cap follow its shape.
  double ruleAbove = 0, ruleBelow = 0, ruleGap = 3;  ///< How thick rules are, and how far from the lines.

  bool operator==(const TextStyle&) const = default;
};

}  // namespace widecut
