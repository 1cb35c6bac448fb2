// Forms in the file. Each kind is a member of its item: its name says which one it is.
#pragma once

#include "storage/item_json.h"

namespace widecut {

/// Adds the member to an item's object.
void writeForm(const Form& form, nlohmann::json& item);
/// The items inside a form, and reading them: one at least.
nlohmann::json itemsJson(const ItemList& items);
ItemList someItems(Members& m, const std::string& name, ItemReader& reader, int depth);
/// Reads whichever form the item has. Throws Wrong.
Form readForm(Members& item, ItemReader& reader, int depth);

}  // namespace widecut
