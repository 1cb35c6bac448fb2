// The fonts there are: those that come with the program, then those of the machine.
#pragma once

#include <optional>

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
/// All families of outline fonts: the program's own first, then those of the machine and of projects by name.
std::vector<FontFamily> fontFamilies();
/// The family of this name, letter case aside; nothing when it is not there.
std::optional<FontFamily> findFamily(const std::string& name);
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
/// Where a family comes from.
enum class FontHome : unsigned char { Program, Machine, Project, Nowhere };
FontHome homeOf(const std::string& family);
/// A font that a project has with it.
struct KeptFont {
  std::string family;
  FontFace face;
  unsigned index = 0;                                  ///< See Font::of.
  std::shared_ptr<const std::string> bytes = nullptr;  ///< Of its file.
};
/// From now on there is this face of its family, where neither the program nor the machine has the family; what is no
/// font is passed over. What stood in for it is shaped anew when it is set again.
void keepFont(const KeptFont& font);
/// The file of the face that stands for what is asked for; nothing where that is the program's own, or not there, or
/// its maker does not allow it to be kept, or the file holds several fonts.
std::optional<KeptFont> fontToKeep(const FaceChoice& choice);

/// A font of the machine that has a letter which the chosen one lacks; null when none has.
FontPtr fontWith(char32_t letter, const FaceChoice& like);

}  // namespace widecut
