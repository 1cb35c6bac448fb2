// Words that keep clear of other items of their sheet.
#pragma once

#include <optional>
#include <span>

#include "project/forms/words.h"

namespace widecut {

/// How words in frames keep clear of the items; nothing where they run over them.
Project withKeptClear(const Project& project, std::span<const Id> items, const std::optional<KeepClear>& clear);

/// The frames that the words in them have once they keep clear of these items. Words do not keep clear of what they are
/// in, or follow; items that do not touch a frame leave it as it is.
Project withFramesKeptClear(const Project& project, std::span<const Id> frames, std::span<const Id> items);

}  // namespace widecut
