#include "storage/svg_in.h"

#include "storage/read_documents.h"

namespace widecut {

Result<SvgShapes> shapesFromSvg(std::string_view text, const reading::Patience& patience) {
  auto answer = reading::ask({"svg", {}, {}, reading::copied(text)}, patience);
  if (!answer) return tl::unexpected(answer.error());
  return shapesOfMessage(answer->text);
}

}  // namespace widecut
