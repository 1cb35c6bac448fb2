#include "media/photo_decode.h"

#include "media/pixel_exchange.h"

namespace widecut {

Result<QImage> decodedPhoto(const std::string& bytes, int halvings, bool border, const reading::Patience& patience) {
  auto answer = reading::ask({"photo", {static_cast<double>(halvings), border ? 1.0 : 0.0}, {}, reading::copied(bytes)},
                             patience);
  if (!answer) return tl::unexpected(answer.error());
  QImage out = pixelsOf(*answer, headerNumbers);
  if (out.isNull()) return problem("cannot be decoded: there is not enough memory");
  return out;
}

Result<PhotoHeader> checkedPhoto(const std::string& bytes, const reading::Patience& patience) {
  if (!photoKind(bytes)) return problem(notAPhoto);
  auto answer = reading::ask({"photo check", {}, {}, reading::copied(bytes)}, patience);
  if (!answer) return tl::unexpected(answer.error());
  return headerFrom(*answer);
}

}  // namespace widecut
