#include "storage/journal_state.h"

#include <filesystem>
#include <nlohmann/json.hpp>

#include "media/files.h"
#include "project/limits.h"
#include "project/lookup.h"
#include "storage/kept_fonts.h"
#include "storage/media_bytes.h"
#include "storage/project_json.h"

namespace widecut {
namespace {

using nlohmann::json;

/// The name of a file in the folder; nothing that leads out of it.
std::string fileNamed(const json& names, const std::string& name) {
  const auto found = names.find(name);
  if (found == names.end() || !found->is_string()) return {};
  const auto file = found->get<std::string>();
  return file.find('/') == std::string::npos ? file : std::string();
}

}  // namespace

std::string stateFile(const std::string& folder) { return folder + "/state"; }

Result<std::string> JournalState::write(const std::string& kind, const std::string& bytes) {
  std::string file = kind + std::to_string(++count_);
  if (const auto written = writeFile(folder_ + "/" + file, bytes, Care::OnItsWay); !written)
    return tl::unexpected(written.error());
  bytesWritten_ += bytes.size();
  return file;
}

Result<void> JournalState::keep(const Project& project) {
  if (const auto beyond = beyondLimits(project, nullptr)) return problem(beyond->message);
  const Media media = mediaOf(project);
  json state{
      {"sheets", json::object()}, {"media", json::object()}, {"others", json::object()}, {"fonts", json::object()}};
  const auto lay = [&](const char* kind, const std::string& name, const std::string& bytes) -> Result<void> {
    std::string& file = files_[kind + name];
    if (file.empty()) {
      auto written = write(kind, bytes);
      if (!written) return tl::unexpected(written.error());
      file = std::move(*written);
    }
    state[kind][name] = file;
    return {};
  };
  for (const auto& [hash, medium] : media)
    if (medium->bytes)
      if (const auto laid = lay("media", hash, *medium->bytes); !laid) return laid;
  for (const auto& [name, bytes] : project.otherFiles)
    if (const auto laid = lay("others", name, *bytes); !laid) return laid;
  for (const FontEntry& font : fontEntries(project)) {
    // A font by itself, and the list of them, which is made anew each time, by what it says.
    const bool isList = font.name.ends_with(".json");
    std::string& file = isList ? fontLists_[*font.bytes] : fonts_[font.bytes];
    if (file.empty()) {
      auto written = write("font", *font.bytes);
      if (!written) return tl::unexpected(written.error());
      file = std::move(*written);
    }
    state["fonts"][font.name] = file;
  }
  std::map<Id, KeptSheet> sheets;
  for (const SheetPtr& sheet : sheetsOf(project)) {
    const auto before = sheets_.find(sheet->id);
    KeptSheet kept{sheet, {}};
    if (before != sheets_.end() && before->second.sheet == sheet) {
      kept.file = before->second.file;
    } else {
      auto written = write("sheet", sheetText(*sheet));
      if (!written) return tl::unexpected(written.error());
      kept.file = std::move(*written);
    }
    state["sheets"][sheetEntry(sheet->id)] = kept.file;
    sheets.emplace(sheet->id, std::move(kept));
  }
  state["project"] = projectText(project, media);
  const std::string text = state.dump(-1, ' ', false, json::error_handler_t::replace);
  if (const auto written = writeFile(stateFile(folder_), text, Care::OnItsWay); !written) return written;
  bytesWritten_ += text.size();
  // What only the state before needs goes once the new one stands.
  std::error_code error;
  for (const auto& [id, before] : sheets_) {
    const auto now = sheets.find(id);
    if (now == sheets.end() || now->second.file != before.file)
      std::filesystem::remove(folder_ + "/" + before.file, error);
  }
  sheets_ = std::move(sheets);
  return {};
}

void JournalState::clear() {
  std::error_code error;
  std::filesystem::remove(stateFile(folder_), error);
}

Result<Project> keptProject(const std::string& folder) {
  const auto text = readFile(stateFile(folder), limits::mostJsonBytes);
  if (!text) return tl::unexpected(text.error());
  const json state = json::parse(*text, nullptr, false);
  const auto read = [&](const char* kind, const std::string& name, std::size_t most) -> Result<std::string> {
    const std::string file = state[kind].is_object() ? fileNamed(state[kind], name) : std::string();
    if (file.empty()) return problem("the entry " + name + " is missing");
    return readFile(folder + "/" + file, most);
  };
  const auto failed = [&](const std::string& why) {
    return problem("cannot open what is kept in " + folder + ": " + why);
  };
  if (!state.is_object() || !state.contains("project") || !state["project"].is_string() || !state.contains("sheets") ||
      !state.contains("media") || !state.contains("others"))
    return failed("it is damaged");
  ProjectSources sources;
  if (state.contains("fonts"))
    sources.fonts = fontsIn([&](const std::string& name, std::size_t most) { return read("fonts", name, most); });
  sources.text = [&](const std::string& entry, std::size_t most) { return read("sheets", entry, most); };
  sources.fill = filledBy([&](const Medium& medium, std::size_t most) { return read("media", medium.hash, most); });
  auto project = projectFrom(state["project"].get<std::string>(), sources);
  if (!project) return failed(project.error().message);
  for (const auto& [name, file] : state["others"].items()) {
    auto bytes = read("others", name, limits::mostOtherBytes);
    if (!bytes) return failed(bytes.error().message);
    project->otherFiles[name] = std::make_shared<const std::string>(std::move(*bytes));
  }
  return project;
}

}  // namespace widecut
