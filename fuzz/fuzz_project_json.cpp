// The first half of the input, up to a form feed, is project.json; what comes after is the text of every sheet.
#include "storage/project_json.h"

#include <cstddef>
#include <cstdint>

using namespace widecut;

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const std::string text(reinterpret_cast<const char*>(data), size);
  const std::size_t cut = text.find('\f');
  const std::string sheet = cut == std::string::npos ? "" : text.substr(cut + 1);
  ProjectSources sources;
  sources.text = [&](const std::string&, std::size_t) -> Result<std::string> { return sheet; };
  sources.fill = [](Medium&) -> Result<void> { return {}; };
  if (const auto project = projectFrom(text.substr(0, cut), sources)) {
    const ProjectTexts written = projectTexts(*project);
    const auto again = projectFrom(written);
    if (!again || !(projectTexts(*again) == written)) __builtin_trap();
  }
  return 0;
}
