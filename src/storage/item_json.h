// Items in the file: place, form and style.
#pragma once

#include <nlohmann/json.hpp>

#include "storage/members.h"

namespace widecut {

nlohmann::json itemJson(const Item& item);

/// Reads items with everything inside them.
class ItemReader {
 public:
  /// Pictures refer to these media by their hashes.
  explicit ItemReader(const Media& media) : media_(media) {}

  /// The item at a place in the file, inside `depth` others. Throws Wrong.
  ItemPtr item(const nlohmann::json& value, const std::string& place, int depth);
  /// The items of a list.
  ItemList items(Members& members, const std::string& name, int depth);
  /// An id that nothing else has.
  Id freshId(Members& members);
  /// The style of an object.
  Style style(Members& members);
  /// The style of words with a number; null where there is none.
  NamedLookPtr textStyle(std::uint32_t number) const;
  void setTextStyles(std::vector<NamedLookPtr> styles) { textStyles_ = std::move(styles); }
  /// The fonts that words of the project know.
  const std::shared_ptr<const OwnFonts>& fonts() const { return fonts_; }
  void setFonts(std::shared_ptr<const OwnFonts> fonts) { fonts_ = std::move(fonts); }
  Id greatestId() const { return ids_.empty() ? 0 : *ids_.rbegin(); }

 private:
  const Media& media_;
  std::set<Id> ids_;
  std::vector<NamedLookPtr> textStyles_;
  std::shared_ptr<const OwnFonts> fonts_;
};

}  // namespace widecut
