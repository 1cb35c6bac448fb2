// Edits of how videos play.
#pragma once

#include <functional>
#include <span>

#include "project/model.h"

namespace widecut {

/// The video that an item shows; null where it shows none.
VideoPtr shownVideo(const Item& item);
/// Calls `change` for how the videos of the items play. All frames of a shared one play it alike; a part that would be
/// empty, or lies beyond the video's end, is brought back into it.
Project withPlaying(const Project& project, std::span<const Id> items, const std::function<void(Playing&)>& change);
/// Another frame stands for the video of an item, and of those that share it. The subjects that are marked on the
/// frame before are kept, where the new one has none.
Project withPoster(const Project& project, Id item, const MediumPtr& poster);

}  // namespace widecut
