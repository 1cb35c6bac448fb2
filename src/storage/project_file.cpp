#include "storage/project_file.h"

#include <zip.h>

#include <memory>

#include "media/files.h"
#include "media/photo.h"
#include "storage/project_json.h"

namespace widecut {
namespace {

constexpr std::size_t mostFileBytes = std::size_t{4} << 30;
constexpr zip_uint64_t mostJsonBytes = 64u << 20;
constexpr zip_uint64_t mostMediumBytes = 512u << 20;
constexpr zip_int64_t mostEntries = 10000;

struct ZipError {
  zip_error_t error;
  ZipError() { zip_error_init(&error); }
  ~ZipError() { zip_error_fini(&error); }
  ZipError(const ZipError&) = delete;
  ZipError& operator=(const ZipError&) = delete;
};
struct ZipDiscard {
  void operator()(zip_t* z) const { zip_discard(z); }
};
using Zip = std::unique_ptr<zip_t, ZipDiscard>;
struct ZipFileClose {
  void operator()(zip_file_t* f) const { zip_fclose(f); }
};

/// The bytes of one entry. The size is believed only up to the limit; the checksum is checked at the end.
Result<std::string> entry(zip_t* zip, zip_uint64_t index, const std::string& name, zip_uint64_t limit) {
  zip_stat_t stat;
  if (zip_stat_index(zip, index, 0, &stat) != 0 || !(stat.valid & ZIP_STAT_SIZE))
    return problem("the entry " + name + " is damaged");
  if (stat.size > limit) return problem("the entry " + name + " claims an absurd size");
  const std::unique_ptr<zip_file_t, ZipFileClose> file(zip_fopen_index(zip, index, 0));
  if (!file) return problem("the entry " + name + " cannot be read");
  std::string bytes;
  char chunk[1 << 16];
  zip_int64_t got = 0;
  while ((got = zip_fread(file.get(), chunk, sizeof chunk)) > 0) {
    bytes.append(chunk, static_cast<std::size_t>(got));
    if (bytes.size() > limit) return problem("the entry " + name + " is larger than it claims");
  }
  if (got < 0 || bytes.size() != stat.size) return problem("the entry " + name + " is damaged");
  return bytes;
}

bool add(zip_t* zip, const std::string& name, const std::string& bytes, bool compress) {
  zip_source_t* source = zip_source_buffer(zip, bytes.data(), bytes.size(), 0);
  if (!source) return false;
  const zip_int64_t index = zip_file_add(zip, name.c_str(), source, ZIP_FL_ENC_UTF_8);
  if (index < 0) {
    zip_source_free(source);
    return false;
  }
  const auto i = static_cast<zip_uint64_t>(index);
  zip_file_set_mtime(zip, i, 0, 0);  // the same project gives the same bytes
  return zip_set_file_compression(zip, i, compress ? ZIP_CM_DEFLATE : ZIP_CM_STORE, 0) == 0;
}

std::string mediumEntry(const std::string& hash) { return "media/" + hash; }

Result<void> readMedia(zip_t* zip, Project& project) {
  for (auto& [hash, medium] : project.media) {
    const zip_int64_t index = zip_name_locate(zip, mediumEntry(hash).c_str(), 0);
    if (index < 0) return problem("the photo " + medium->name + " is missing from it");
    auto bytes = entry(zip, static_cast<zip_uint64_t>(index), mediumEntry(hash), mostMediumBytes);
    if (!bytes) return tl::unexpected(bytes.error());
    if (sha256(*bytes) != hash) return problem("the photo " + medium->name + " in it is damaged");
    Medium filled = *medium;
    filled.bytes = std::make_shared<const std::string>(std::move(*bytes));
    medium = std::make_shared<const Medium>(std::move(filled));
  }
  return {};
}

Result<void> readOtherFiles(zip_t* zip, Project& project) {
  for (zip_int64_t i = 0; i < zip_get_num_entries(zip, 0); ++i) {
    const char* raw = zip_get_name(zip, static_cast<zip_uint64_t>(i), 0);
    const std::string name = raw ? raw : "";
    const bool known = name == "project.json" || name == "preview.png" ||
                       (name.starts_with("media/") && project.media.count(name.substr(6)));
    if (known || name.empty() || name.back() == '/' || name.starts_with("media/")) continue;
    auto bytes = entry(zip, static_cast<zip_uint64_t>(i), name, mostMediumBytes);
    if (!bytes) return tl::unexpected(bytes.error());
    project.otherFiles[name] = std::make_shared<const std::string>(std::move(*bytes));
  }
  return {};
}

}  // namespace

Result<Project> projectFromBytes(const std::string& bytes) {
  ZipError error;
  zip_source_t* source = zip_source_buffer_create(bytes.data(), bytes.size(), 0, &error.error);
  if (!source) return problem("there is not enough memory to read it");
  Zip zip(zip_open_from_source(source, ZIP_RDONLY | ZIP_CHECKCONS, &error.error));
  if (!zip) {
    zip_source_free(source);
    return problem(bytes.starts_with("PK") ? "it is a damaged or truncated project file"
                                           : "it is not a Wide Cut project");
  }
  if (zip_get_num_entries(zip.get(), 0) > mostEntries) return problem("it has an absurd number of entries");
  const zip_int64_t index = zip_name_locate(zip.get(), "project.json", 0);
  if (index < 0) return problem("it is not a Wide Cut project (no project.json in it)");
  const auto text = entry(zip.get(), static_cast<zip_uint64_t>(index), "project.json", mostJsonBytes);
  if (!text) return tl::unexpected(text.error());
  auto project = projectFromJson(*text);
  if (!project) return project;
  if (auto media = readMedia(zip.get(), *project); !media) return tl::unexpected(media.error());
  if (auto others = readOtherFiles(zip.get(), *project); !others) return tl::unexpected(others.error());
  return project;
}

Result<std::string> bytesOfProject(const Project& project, const std::string& previewPng) {
  ZipError error;
  zip_source_t* target = zip_source_buffer_create(nullptr, 0, 0, &error.error);
  if (!target) return problem("there is not enough memory to save");
  zip_source_keep(target);
  const auto releaseTarget = [](zip_source_t* s) { zip_source_free(s); };
  const std::unique_ptr<zip_source_t, decltype(releaseTarget)> kept(target, releaseTarget);
  Zip zip(zip_open_from_source(target, ZIP_TRUNCATE, &error.error));
  if (!zip) return problem("the project could not be packed");

  const std::string text = projectJson(project);
  bool good = add(zip.get(), "project.json", text, true);
  if (!previewPng.empty()) good = good && add(zip.get(), "preview.png", previewPng, false);
  for (const auto& [hash, medium] : project.media)
    good = good && add(zip.get(), mediumEntry(hash), *medium->bytes, false);
  for (const auto& [name, bytes] : project.otherFiles) good = good && add(zip.get(), name, *bytes, true);
  if (!good) return problem("the project could not be packed");
  if (zip_close(zip.get()) != 0) return problem("the project could not be packed");
  [[maybe_unused]] zip_t* closed = zip.release();

  if (zip_source_open(target) != 0) return problem("the project could not be packed");
  zip_source_seek(target, 0, SEEK_END);
  std::string bytes(static_cast<std::size_t>(zip_source_tell(target)), '\0');
  zip_source_seek(target, 0, SEEK_SET);
  const zip_int64_t got = zip_source_read(target, bytes.data(), bytes.size());
  zip_source_close(target);
  if (got != static_cast<zip_int64_t>(bytes.size())) return problem("the project could not be packed");
  return bytes;
}

Result<Project> openProject(const std::string& path) {
  const auto bytes = readFile(path, mostFileBytes);
  if (!bytes) return tl::unexpected(bytes.error());
  auto project = projectFromBytes(*bytes);
  if (!project) return problem("cannot open " + path + ": " + project.error().message);
  return project;
}

Result<void> saveProject(const Project& project, const std::string& previewPng, const std::string& path) {
  const auto bytes = bytesOfProject(project, previewPng);
  if (!bytes) return tl::unexpected(bytes.error());
  return writeFile(path, *bytes);
}

}  // namespace widecut
