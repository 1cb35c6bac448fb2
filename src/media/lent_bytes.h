// Bytes of media, lent to reading processes.
#pragma once

#include <memory>
#include <string>

#include "reading/memory.h"

namespace widecut {

/// A copy that can be sent; the same one as long as somebody has it, so that the frames, the sound and the strip of a
/// large video share one. From any thread.
std::shared_ptr<reading::Memory> lent(const std::shared_ptr<const std::string>& bytes);

}  // namespace widecut
