// Words in the file: their text, its looks, and what they are set in.
#pragma once

#include "project/forms/words.h"
#include "storage/item_json.h"

namespace widecut {

nlohmann::json wordsJson(const Words& words);
/// Throws Wrong.
Form readWords(Members m, const ItemReader& reader);

/// The styles with names, those that others are based on first.
nlohmann::json textStylesJson(const std::vector<NamedLookPtr>& styles);
std::vector<NamedLookPtr> readTextStyles(const nlohmann::json& list);

/// A linear map as four numbers.
nlohmann::json stretchJson(const Affine& stretch);
Affine readStretch(Members& m);

}  // namespace widecut
