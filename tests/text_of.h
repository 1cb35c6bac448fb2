// A project as the text that its file holds, to compare by.
#pragma once

#include "storage/project_json.h"

namespace widecut {

inline std::string textOf(const Project& project) {
  const ProjectTexts texts = projectTexts(project);
  std::string all = texts.project;
  for (const auto& [name, text] : texts.sheets) all += name + "\n" + text;
  return all;
}

}  // namespace widecut
