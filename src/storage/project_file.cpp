#include "storage/project_file.h"

#include <zip.h>

#include <filesystem>
#include <fstream>
#include <functional>
#include <memory>

#include "media/files.h"
#include "media/photo.h"
#include "project/limits.h"
#include "storage/kept_fonts.h"
#include "storage/media_bytes.h"
#include "storage/project_json.h"

namespace widecut {
namespace {

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

/// Hands the bytes of one entry on, piece by piece. The size is believed only up to the limit; the checksum is checked
/// at the end.
Result<void> eachPiece(zip_t* zip, zip_uint64_t index, const std::string& name, zip_uint64_t limit,
                       const std::function<void(const char*, std::size_t)>& take) {
  zip_stat_t stat;
  if (zip_stat_index(zip, index, 0, &stat) != 0 || !(stat.valid & ZIP_STAT_SIZE))
    return problem("the entry " + name + " is damaged");
  if (stat.size > limit) return problem("the entry " + name + " claims an absurd size");
  const std::unique_ptr<zip_file_t, ZipFileClose> file(zip_fopen_index(zip, index, 0));
  if (!file) return problem("the entry " + name + " cannot be read");
  char chunk[1 << 16];
  zip_int64_t got = 0;
  zip_uint64_t count = 0;
  while ((got = zip_fread(file.get(), chunk, sizeof chunk)) > 0) {
    count += static_cast<zip_uint64_t>(got);
    if (count > limit) return problem("the entry " + name + " is larger than it claims");
    take(chunk, static_cast<std::size_t>(got));
  }
  if (got < 0 || count != stat.size) return problem("the entry " + name + " is damaged");
  return {};
}

/// The bytes of one entry.
Result<std::string> entry(zip_t* zip, zip_uint64_t index, const std::string& name, zip_uint64_t limit) {
  std::string bytes;
  const auto read = eachPiece(zip, index, name, limit, [&](const char* piece, std::size_t count) {
    if (bytes.empty()) {
      zip_stat_t stat;
      if (zip_stat_index(zip, index, 0, &stat) == 0) bytes.reserve(std::min<zip_uint64_t>(stat.size, limit));
    }
    bytes.append(piece, count);
  });
  if (!read) return tl::unexpected(read.error());
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

Result<std::string> entryNamed(zip_t* zip, const std::string& name, std::size_t most, const std::string& ifMissing) {
  const zip_int64_t index = zip_name_locate(zip, name.c_str(), 0);
  if (index < 0) return problem(ifMissing);
  return entry(zip, static_cast<zip_uint64_t>(index), name, most);
}

std::string folderOf(const std::string& path) {
  return std::filesystem::absolute(path).lexically_normal().parent_path().string();
}
std::string absolutePath(const std::string& folder, const std::string& path) {
  return (std::filesystem::path(folder) / path).lexically_normal().string();
}
/// From the folder where it lies in there, so that both can be moved together; else as it is.
std::string shortPath(const std::string& folder, const std::string& path) {
  const std::string from = std::filesystem::path(path).lexically_relative(folder).string();
  return from.empty() || from.starts_with("..") ? path : from;
}
/// The media as a file in that folder refers to them.
Media referredFrom(Media media, const std::string& folder) {
  if (folder.empty()) return media;
  for (auto& [hash, medium] : media) {
    if (medium->path.empty()) continue;
    Medium referred = *medium;
    referred.path = shortPath(folder, medium->path);
    medium = std::make_shared<const Medium>(std::move(referred));
  }
  return media;
}

/// `folder` is where the project's file lies.
MediumBytes mediaIn(zip_t* zip, const std::string& folder) {
  return [zip, folder](const Medium& medium, std::size_t most) {
    if (!medium.path.empty()) return readFile(absolutePath(folder, medium.path), most);
    return entryNamed(zip, mediumEntry(medium.hash), most, "the file " + medium.name + " is missing from it");
  };
}

Result<void> readOtherFiles(zip_t* zip, Project& project) {
  std::size_t total = 0;
  for (zip_int64_t i = 0; i < zip_get_num_entries(zip, 0); ++i) {
    const char* raw = zip_get_name(zip, static_cast<zip_uint64_t>(i), 0);
    const std::string name = raw ? raw : "";
    const bool known = name == "project.json" || name == "preview.png" || name.starts_with("media/") ||
                       name.starts_with("sheets/") || name.starts_with("fonts/");
    if (known || name.empty() || name.back() == '/') continue;
    auto bytes = entry(zip, static_cast<zip_uint64_t>(i), name, limits::mostOtherBytes - total);
    if (!bytes) return tl::unexpected(bytes.error());
    total += bytes->size() + name.size();
    if (total > limits::mostOtherBytes) return problem("its entries are larger than a project's can be");
    project.otherFiles[name] = std::make_shared<const std::string>(std::move(*bytes));
  }
  return {};
}

/// What of a file is read, and how.
struct Wanted {
  std::string folder = {};      ///< Of the file; empty where it is none.
  MediumBytes media = nullptr;  ///< Where the photos' bytes are; none are read when it is null.
  std::size_t mostSheets = static_cast<std::size_t>(-1);
  std::optional<Media> photos = {};  ///< Only these, of which the hashes count.
  Progress progress = {};
};

/// The project in an open zip.
Result<Project> projectIn(zip_t* zip, const Wanted& wanted) {
  if (zip_get_num_entries(zip, 0) > static_cast<zip_int64_t>(limits::mostEntries))
    return problem("it has an absurd number of entries");
  const auto text =
      entryNamed(zip, "project.json", limits::mostJsonBytes, "it is not a Wide Cut project (no project.json in it)");
  if (!text) return tl::unexpected(text.error());
  ProjectSources sources;
  sources.fonts = fontsIn(
      [zip](const std::string& name, std::size_t most) { return entryNamed(zip, name, most, "there is none"); });
  sources.text = [zip](const std::string& name, std::size_t most) {
    return entryNamed(zip, name, most, "the entry " + name + " is missing from it");
  };
  sources.fill = [&wanted, fill = filledBy(wanted.media)](Medium& medium) -> Result<void> {
    if (!wanted.folder.empty() && !medium.path.empty()) medium.path = absolutePath(wanted.folder, medium.path);
    const bool isWanted = wanted.media && (!wanted.photos || wanted.photos->contains(medium.hash));
    return isWanted ? fill(medium) : Result<void>();
  };
  sources.mostSheets = wanted.mostSheets;
  sources.progress = wanted.progress;
  auto project = projectFrom(*text, sources);
  if (!project) return project;
  if (auto others = readOtherFiles(zip, *project); !others) return tl::unexpected(others.error());
  return project;
}

/// Opens any source of libzip's, which this takes over.
Result<Zip> zipFrom(zip_source_t* source, bool looksLikeZip) {
  ZipError error;
  Zip zip(zip_open_from_source(source, ZIP_RDONLY | ZIP_CHECKCONS, &error.error));
  if (!zip) {
    zip_source_free(source);
    return problem(looksLikeZip ? "it is a damaged or truncated project file" : "it is not a Wide Cut project");
  }
  return zip;
}

/// What goes into a file: photos that no picture shows are left out.
struct ToSave {
  const Project& project;
  std::string folder = {};  ///< In which the file will be; empty where it is not known.
  Media media = referredFrom(mediaOf(project), folder);
  ProjectTexts texts = projectTexts(project, media);
  std::vector<FontEntry> fonts = fontEntries(project);
};

/// Puts everything into an open zip and closes it.
Result<void> pack(Zip zip, const ToSave& saved, const std::string& previewPng, Progress progress) {
  bool good = add(zip.get(), "project.json", saved.texts.project, true);
  for (const auto& [name, text] : saved.texts.sheets) good = good && add(zip.get(), name, text, true);
  if (!previewPng.empty()) good = good && add(zip.get(), "preview.png", previewPng, false);
  for (const auto& [hash, medium] : saved.media)
    if (medium->path.empty()) good = good && medium->bytes && add(zip.get(), mediumEntry(hash), *medium->bytes, false);
  for (const FontEntry& font : saved.fonts) good = good && add(zip.get(), font.name, *font.bytes, true);
  for (const auto& [name, bytes] : saved.project.otherFiles) good = good && add(zip.get(), name, *bytes, true);
  if (!good) return problem("the project could not be packed");
  constexpr double steps = 0.01;
  zip_register_progress_callback_with_state(
      zip.get(), steps, [](zip_t*, double done, void* p) { static_cast<Progress*>(p)->report(done); }, nullptr,
      &progress);
  zip_register_cancel_callback_with_state(
      zip.get(), [](zip_t*, void* p) { return static_cast<Progress*>(p)->isCancelled() ? 1 : 0; }, nullptr, &progress);
  if (zip_close(zip.get()) != 0) return problem(zip_error_strerror(zip_get_error(zip.get())));
  [[maybe_unused]] zip_t* closed = zip.release();
  return {};
}

/// Reads a file that was just written, and compares it with what it was to hold.
Result<void> readBack(const std::string& path, const ToSave& saved, const Progress& progress) {
  ZipError error;
  zip_source_t* source = zip_source_file_create(path.c_str(), 0, 0, &error.error);
  if (!source) return problem("it cannot be read again");
  Zip zip(zip_open_from_source(source, ZIP_RDONLY | ZIP_CHECKCONS, &error.error));
  if (!zip) {
    zip_source_free(source);
    return problem("it cannot be read again");
  }
  const auto again = projectIn(zip.get(), {});
  if (!again) return tl::unexpected(again.error());
  if (!(projectTexts(*again) == saved.texts)) return problem("it reads as another project than was saved");
  double done = 0;
  for (const auto& [hash, medium] : saved.media) {
    if (!medium->path.empty()) continue;
    if (progress.isCancelled()) return problem("it was stopped");
    progress.report(done++ / static_cast<double>(saved.media.size()));
    const zip_int64_t index = zip_name_locate(zip.get(), mediumEntry(hash).c_str(), 0);
    if (index < 0) return problem("the file " + medium->name + " is missing from it");
    const auto whole = eachPiece(zip.get(), static_cast<zip_uint64_t>(index), mediumEntry(hash), limits::mostPhotoBytes,
                                 [](const char*, std::size_t) {});
    if (!whole) return whole;
  }
  return {};
}

}  // namespace

Result<Project> projectFromBytes(const std::string& bytes) {
  ZipError error;
  zip_source_t* source = zip_source_buffer_create(bytes.data(), bytes.size(), 0, &error.error);
  if (!source) return problem("there is not enough memory to read it");
  const auto zip = zipFrom(source, bytes.starts_with("PK"));
  if (!zip) return tl::unexpected(zip.error());
  return projectIn(zip->get(), {.media = mediaIn(zip->get(), {})});
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
  if (const auto packed = pack(std::move(zip), ToSave{project}, previewPng, {}); !packed)
    return tl::unexpected(packed.error());

  if (zip_source_open(target) != 0) return problem("the project could not be packed");
  zip_source_seek(target, 0, SEEK_END);
  std::string bytes(static_cast<std::size_t>(zip_source_tell(target)), '\0');
  zip_source_seek(target, 0, SEEK_SET);
  const zip_int64_t got = zip_source_read(target, bytes.data(), bytes.size());
  zip_source_close(target);
  if (got != static_cast<zip_int64_t>(bytes.size())) return problem("the project could not be packed");
  return bytes;
}

namespace {

/// What `read` makes of the zip at that path; problems name the file.
template <class Read>
auto opened(const std::string& path, const Read& read) -> decltype(read(nullptr)) {
  if (const auto may = mayBeRead(path); !may) return tl::unexpected(may.error());
  char first[2] = {};
  std::ifstream(path, std::ios::binary).read(first, 2);
  ZipError error;
  zip_source_t* source = zip_source_file_create(path.c_str(), 0, 0, &error.error);
  if (!source) return problem("cannot read " + path + ": " + zip_error_strerror(&error.error));
  const auto zip = zipFrom(source, first[0] == 'P' && first[1] == 'K');
  if (!zip) return problem("cannot open " + path + ": " + zip.error().message);
  auto found = read(zip->get());
  if (!found) return problem("cannot open " + path + ": " + found.error().message);
  return found;
}

}  // namespace

Result<Project> openProject(const std::string& path, const Progress& progress) {
  const std::string folder = folderOf(path);
  return opened(path, [&](zip_t* zip) {
    return projectIn(zip, {.folder = folder, .media = mediaIn(zip, folder), .progress = progress});
  });
}

Result<Project> openFirstSheet(const std::string& path) {
  const std::string folder = folderOf(path);
  return opened(path, [&](zip_t* zip) -> Result<Project> {
    // Once without photos, to see which ones it shows.
    const auto bare = projectIn(zip, {.mostSheets = 1});
    if (!bare) return bare;
    return projectIn(zip, {.folder = folder, .media = mediaIn(zip, folder), .mostSheets = 1, .photos = mediaOf(*bare)});
  });
}

Result<std::string> previewOf(const std::string& path) {
  constexpr std::size_t mostBytes = 16 << 20;
  return opened(path, [](zip_t* zip) -> Result<std::string> {
    const zip_int64_t index = zip_name_locate(zip, "preview.png", 0);
    return index < 0 ? Result<std::string>("") : entry(zip, static_cast<zip_uint64_t>(index), "preview.png", mostBytes);
  });
}

Result<void> saveProject(const Project& project, const std::string& previewPng, const std::string& path,
                         const Progress& progress) {
  const auto failed = [&](const std::string& why) { return problem("cannot save " + path + ": " + why); };
  if (const auto beyond = beyondLimits(project, nullptr)) return failed(beyond->message);
  const ToSave saved{project, folderOf(path)};
  std::uint64_t needed = saved.texts.project.size() + previewPng.size() + (1u << 16);
  for (const auto& [name, text] : saved.texts.sheets) needed += text.size() + 512;
  for (const FontEntry& font : saved.fonts) needed += font.bytes->size() + 512;
  for (const auto& [hash, medium] : saved.media)
    needed += medium->bytes && medium->path.empty() ? medium->bytes->size() + 512 : 0;
  auto file = NewFile::at(path, needed);
  if (!file) return tl::unexpected(file.error());
  ZipError error;
  zip_source_t* target = zip_source_file_create(file->workPath().c_str(), 0, 0, &error.error);
  Zip zip(target ? zip_open_from_source(target, ZIP_TRUNCATE, &error.error) : nullptr);
  if (!zip) return failed(zip_error_strerror(&error.error));
  constexpr double shareOfPacking = 0.7;
  if (const auto packed = pack(std::move(zip), saved, previewPng, progress.stretch(0, shareOfPacking)); !packed)
    return failed(packed.error().message);
  if (progress.isCancelled()) return failed("it was stopped");
  // The older file goes only when the new one is known to open.
  if (const auto same = readBack(file->workPath(), saved, progress.stretch(shareOfPacking, 1)); !same)
    return failed(same.error().message);
  return file->commit();
}

}  // namespace widecut
