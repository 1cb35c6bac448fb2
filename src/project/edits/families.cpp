#include "project/edits/families.h"

#include <algorithm>
#include <map>
#include <set>

#include "project/edits/text_styles.h"
#include "project/edits/tree.h"
#include "project/edits/words.h"
#include "project/lookup.h"
#include "words/font_library.h"

namespace widecut {
namespace {

/// The faces that a text is in; that of the whole counts even where every stretch has another one.
std::vector<FaceChoice> facesIn(const Words::Content& content) {
  std::vector<FaceChoice> out{content.style.face};
  const auto add = [&](const FaceChoice& face) {
    if (std::find(out.begin(), out.end(), face) == out.end()) out.push_back(face);
  };
  for (const ParagraphLook& one : content.looks.paragraphs)
    add(paragraphStyle(content.looks, content.style, one.at).face);
  for (const LetterLook& one : content.looks.letters)
    add(styleAt(content.text, content.looks, content.style, one.from).face);
  return out;
}

bool replace(Look& look, const std::string& from, const std::string& to) {
  bool isChanged = false;
  for (auto& [aspect, value] : look)
    if (aspect == TextAspect::Family && value == AspectValue(from)) {
      value = to;
      isChanged = true;
    }
  return isChanged;
}

/// Families, each once, with the faces that are asked for.
class Uses {
 public:
  void add(const ItemPtr& words) {
    std::set<std::string> families;
    for (const FaceChoice& face : facesIn(wordsOf(*words)->content())) {
      add(face);
      families.insert(face.family);
    }
    for (const std::string& family : families) ++uses_[family].items;
  }
  void add(const FaceChoice& face) {
    auto& faces = uses_[face.family].faces;
    if (std::find(faces.begin(), faces.end(), face) == faces.end()) faces.push_back(face);
  }
  std::vector<FamilyUse> all() {
    std::vector<FamilyUse> out;
    for (auto& [family, one] : uses_) {
      one.family = family;
      one.isMissing =
          std::any_of(one.faces.begin(), one.faces.end(), [](const FaceChoice& f) { return fontFor(f).isStandIn; });
      out.push_back(std::move(one));
    }
    return out;
  }

 private:
  std::map<std::string, FamilyUse> uses_;
};

std::string missingOf(const std::vector<FamilyUse>& uses) {
  std::string out;
  for (const FamilyUse& one : uses)
    if (one.isMissing) out += (out.empty() ? "" : ", ") + one.family;
  return out;
}

}  // namespace

std::set<std::string> familiesOf(const Item& words) {
  std::set<std::string> out;
  for (const FaceChoice& face : facesIn(wordsOf(words)->content())) out.insert(face.family);
  return out;
}

std::vector<FamilyUse> familiesIn(const Project& project) {
  Uses uses;
  for (const ItemPtr& words : allWords(project)) uses.add(words);
  for (const NamedLookPtr& style : project.textStyles)
    for (const auto& [aspect, value] : style->look)
      if (aspect == TextAspect::Family) {
        TextStyle whole;
        whole.face.own = project.fonts;
        uses.add(with(whole, wholeLook(style)).face);
      }
  return uses.all();
}

std::string missingFamilies(std::span<const ItemPtr> items) {
  Uses uses;
  for (const ItemPtr& words : wordsIn(items)) uses.add(words);
  return missingOf(uses.all());
}

std::string missingFamilies(const Project& project) { return missingOf(familiesIn(project)); }

Project withFamilyReplaced(const Project& project, const std::string& from, const std::string& to) {
  Project next = project;
  for (const NamedLookPtr& style : project.textStyles) {
    Look look = style->look;
    if (replace(look, from, to))
      next = withTextStyleChanged(next, style->number, [&](NamedLook& named) { named.look = look; });
  }
  std::vector<Id> ids;
  for (const ItemPtr& item : allWords(next)) ids.push_back(item->id);
  return withEach(next, ids, [&](const Item& item) {
    return withWordsChanged(item, [&](Words::Content& content) {
      if (content.style.face.family == from) content.style.face.family = to;
      for (ParagraphLook& one : content.looks.paragraphs) replace(one.look, from, to);
      for (LetterLook& one : content.looks.letters) replace(one.look, from, to);
    });
  });
}

}  // namespace widecut
