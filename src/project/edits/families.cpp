#include "project/edits/families.h"

#include <algorithm>
#include <map>
#include <set>

#include "project/edits/text_styles.h"
#include "project/edits/tree.h"
#include "project/lookup.h"
#include "words/font_library.h"

namespace widecut {
namespace {

void gatherWords(const ItemPtr& item, std::vector<ItemPtr>& found) {
  if (wordsOf(*item)) found.push_back(item);
  for (const ItemPtr& child : childrenOf(*item)) gatherWords(child, found);
}
std::vector<ItemPtr> allWords(const Project& project) {
  std::vector<ItemPtr> found;
  for (const SheetPtr& sheet : sheetsOf(project))
    for (const ItemPtr& item : sheet->items) gatherWords(item, found);
  return found;
}

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

}  // namespace

std::vector<FamilyUse> familiesIn(const Project& project) {
  std::map<std::string, FamilyUse> uses;
  const auto use = [&](const FaceChoice& face) -> FamilyUse& {
    FamilyUse& one = uses[face.family];
    if (std::find(one.faces.begin(), one.faces.end(), face) == one.faces.end()) one.faces.push_back(face);
    return one;
  };
  for (const ItemPtr& item : allWords(project)) {
    std::set<std::string> families;
    for (const FaceChoice& face : facesIn(wordsOf(*item)->content())) {
      use(face);
      families.insert(face.family);
    }
    for (const std::string& family : families) ++uses[family].items;
  }
  for (const NamedLookPtr& style : project.textStyles)
    for (const auto& [aspect, value] : style->look)
      if (aspect == TextAspect::Family) use(with(TextStyle{}, wholeLook(style)).face);
  std::vector<FamilyUse> out;
  for (auto& [family, one] : uses) {
    one.family = family;
    one.isMissing = !findFamily(family);
    out.push_back(std::move(one));
  }
  return out;
}

std::string missingFamilies(std::span<const ItemPtr> items) {
  std::vector<ItemPtr> words;
  for (const ItemPtr& item : items) gatherWords(item, words);
  std::set<std::string> missing;
  for (const ItemPtr& item : words)
    for (const FaceChoice& face : facesIn(wordsOf(*item)->content()))
      if (!findFamily(face.family)) missing.insert(face.family);
  std::string out;
  for (const std::string& family : missing) out += (out.empty() ? "" : ", ") + family;
  return out;
}

std::string missingFamilies(const Project& project) {
  std::string out;
  for (const FamilyUse& one : familiesIn(project))
    if (one.isMissing) out += (out.empty() ? "" : ", ") + one.family;
  return out;
}

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
    Words::Content content = wordsOf(item)->content();
    bool isChanged = content.style.face.family == from;
    if (isChanged) content.style.face.family = to;
    for (ParagraphLook& one : content.looks.paragraphs) isChanged = replace(one.look, from, to) || isChanged;
    for (LetterLook& one : content.looks.letters) isChanged = replace(one.look, from, to) || isChanged;
    if (!isChanged) return item;
    Item out = item;
    out.form = wordsForm(std::move(content));
    return out;
  });
}

}  // namespace widecut
