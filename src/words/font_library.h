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

/// A font that a project has with it.
struct KeptFont {
  std::string family;
  FontFace face;
  unsigned index = 0;                                  ///< See Font::of.
  std::shared_ptr<const std::string> bytes = nullptr;  ///< Of its file.
};
/// The fonts that a project has with it. They are known to its words alone, through FaceChoice::own, and stand where
/// neither the program nor the machine has their family. Never changes.
class OwnFonts {
 public:
  /// With one more face; the same ones where its family has such a face already, or where it is no font. `fonts` may be
  /// null, for none. Faces of the same bytes share what is made of them.
  static std::shared_ptr<const OwnFonts> with(const std::shared_ptr<const OwnFonts>& fonts, const KeptFont& font);
  const std::vector<KeptFont>& all() const { return fonts_; }
  /// The places in `all` of the faces of a family, letter case aside.
  std::vector<std::size_t> of(const std::string& family) const;
  /// The font at such a place; never null.
  const FontPtr& font(std::size_t place) const { return loaded_[place]; }

 private:
  std::vector<KeptFont> fonts_;
  std::vector<FontPtr> loaded_;
};
using OwnFontsPtr = std::shared_ptr<const OwnFonts>;

/// All families of outline fonts: the program's own first, then those of the machine and of a project by name.
std::vector<FontFamily> fontFamilies(const OwnFontsPtr& own = nullptr);
/// The family of this name, letter case aside; nothing when it is not there.
std::optional<FontFamily> findFamily(const std::string& name, const OwnFontsPtr& own = nullptr);
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
FontHome homeOf(const std::string& family, const OwnFontsPtr& own = nullptr);
/// The file of the face that stands for what is asked for; nothing where that is the program's own, or not there, or
/// its maker does not allow it to be kept, or the file holds several fonts.
std::optional<KeptFont> fontToKeep(const FaceChoice& choice);

/// A font of the machine that has a letter which the chosen one lacks; null when none has.
FontPtr fontWith(char32_t letter, const FaceChoice& like);

}  // namespace widecut
