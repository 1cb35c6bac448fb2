// The font families that the words of a project are in.
#pragma once

#include <set>
#include <span>
#include <string>
#include <vector>

#include "project/forms/words.h"

namespace widecut {

struct FamilyUse {
  std::string family;
  std::vector<FaceChoice> faces;  ///< Each once, as they are asked for.
  std::size_t items = 0;          ///< So many words are in it.
  bool isMissing = false;         ///< The family is not there: another one stands in.
};
/// Each family once, by name; those of named styles that no words have too.
std::vector<FamilyUse> familiesIn(const Project& project);
/// The families that words are in.
std::set<std::string> familiesOf(const Item& words);
/// What is missing, in a line: empty where nothing is.
std::string missingFamilies(const Project& project);
/// The same of some items and what is in them.
std::string missingFamilies(std::span<const ItemPtr> items);
/// All words and named styles that are in one family in another one instead.
Project withFamilyReplaced(const Project& project, const std::string& from, const std::string& to);

}  // namespace widecut
