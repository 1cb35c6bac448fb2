#include "storage/media_bytes.h"

#include <algorithm>

#include "media/photo.h"
#include "project/limits.h"

namespace widecut {
namespace {

/// A photo that cannot be decoded opens all the same, and says so where it shows; one whose size is not the stated one
/// would lie elsewhere than it was put.
Result<void> agrees(const Medium& medium, const std::string& bytes) {
  const auto header = photoHeader(bytes);
  if (!header || (header->width() == medium.width && header->height() == medium.height)) return {};
  return problem("the photo " + medium.name + " has " + std::to_string(header->width()) + " × " +
                 std::to_string(header->height()) + " pixels, not the " + std::to_string(medium.width) + " × " +
                 std::to_string(medium.height) + " that the project states");
}

}  // namespace

std::function<Result<void>(Medium&)> filledBy(const MediumBytes& bytesOf) {
  return [bytesOf, total = std::size_t{0}](Medium& medium) mutable -> Result<void> {
    auto bytes = bytesOf(medium, std::min(limits::mostPhotoBytes, limits::mostMediaBytes - total));
    // What is only referred to may be gone, or another file by now: it is looked for by those who want to see it.
    const bool isReferredTo = !medium.path.empty();
    if (isReferredTo && (!bytes || sha256(*bytes) != medium.hash)) return {};
    if (!bytes) return tl::unexpected(bytes.error());
    if (sha256(*bytes) != medium.hash) return problem("the file " + medium.name + " in it is damaged");
    if (const auto sizes = agrees(medium, *bytes); !sizes) return sizes;
    total += bytes->size();
    medium.bytes = std::make_shared<const std::string>(std::move(*bytes));
    return {};
  };
}

}  // namespace widecut
