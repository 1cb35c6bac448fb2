// The fonts there are: those that come with the program, then those of the machine.
#pragma once

#include "words/font.h"
#include "words/text_style.h"

namespace widecut {

struct FontFace {
  int weight = 400;
  bool italic = false;
  bool operator==(const FontFace&) const = default;
};
struct FontFamily {
  std::string name;
  std::vector<FontFace> faces;  ///< Upright before italic, by weight; each once.
};
/// All families of outline fonts: the program's own first, then the machine's by name. Looked for once.
const std::vector<FontFamily>& fontFamilies();
/// The family of this name, letter case aside; null when it is not there.
const FontFamily* findFamily(const std::string& name);
/// “Regular”, “Bold italic” …
std::string nameOf(const FontFace& face);

struct FoundFont {
  FontPtr font;  ///< Never null.
  FontFace face;
  bool isStandIn = false;  ///< The family is not there: Cabin stands in.
};
/// The face of the family that is nearest to what is asked for: first italic or not, then by weight.
FoundFont fontFor(const FaceChoice& choice);
/// At other places of its axes, when it is a variable font: see Font::at.
FoundFont fontFor(const FaceChoice& choice, const std::string& axes);
/// A font of the machine that has a letter which the chosen one lacks; null when none has.
FontPtr fontWith(char32_t letter, const FaceChoice& like);

}  // namespace widecut
