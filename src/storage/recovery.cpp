#include "storage/recovery.h"

#include <sys/stat.h>
#include <QCryptographicHash>
#include <QDir>
#include <QFile>
#include <QLockFile>
#include <QUuid>
#include <algorithm>
#include <filesystem>
#include <nlohmann/json.hpp>
#include <optional>

#include "media/files.h"
#include "storage/journal_state.h"

namespace widecut {
namespace {

namespace fs = std::filesystem;
using nlohmann::json;

std::unique_ptr<QLockFile> locked(const std::string& path) {
  auto lock = std::make_unique<QLockFile>(QString::fromStdString(path));
  lock->setStaleLockTime(0);  // however old: it counts for as long as its program runs
  return lock->tryLock(0) ? std::move(lock) : nullptr;
}

std::string bytesIn(const std::string& path, std::size_t limit) { return readFile(path, limit).value_or(""); }

}  // namespace

struct Journal::Inside {
  std::string folder;
  std::unique_ptr<QLockFile> lock;
  std::optional<JournalState> state;
  std::string about;
};

Journal::Journal(std::unique_ptr<Inside> inside) : inside_(std::move(inside)) {}

Result<std::unique_ptr<Journal>> Journal::begin(const std::string& home) {
  auto inside = std::make_unique<Inside>();
  inside->folder = home + "/" + QUuid::createUuid().toString(QUuid::WithoutBraces).toStdString();
  std::error_code error;
  fs::create_directories(inside->folder, error);
  if (error) return problem("nothing can be kept for a recovery in " + home + ": " + error.message());
  inside->state.emplace(inside->folder);
  inside->lock = locked(inside->folder + "/lock");
  if (!inside->lock) return problem("nothing can be kept for a recovery in " + home);
  return std::unique_ptr<Journal>(new Journal(std::move(inside)));
}

Journal::~Journal() {
  clear();
  inside_->lock->unlock();
  std::error_code error;
  fs::remove_all(inside_->folder, error);
}

Result<void> Journal::keep(const Project& project, const std::string& path) {
  const std::string about =
      json{{"name", project.name}, {"path", path}}.dump(-1, ' ', false, json::error_handler_t::replace);
  if (about != inside_->about) {
    if (const auto kept = writeFile(inside_->folder + "/about.json", about, Care::OnItsWay); !kept) return kept;
    inside_->about = about;
  }
  return inside_->state->keep(project);
}

void Journal::keepPicture(const std::string& png) {
  (void)writeFile(inside_->folder + "/picture.png", png, Care::OnItsWay);
}

void Journal::clear() { inside_->state->clear(); }

struct LeftBehind::Inside {
  std::string folder;
  std::unique_ptr<QLockFile> lock;
};

Result<Project> LeftBehind::project() const { return keptProject(inside_->folder); }

void LeftBehind::putAway() {
  inside_->lock->unlock();
  std::error_code error;
  fs::remove_all(inside_->folder, error);
}

std::vector<LeftBehind> leftBehind(const std::string& home) {
  std::vector<LeftBehind> found;
  std::error_code error;
  for (const auto& entry : fs::directory_iterator(home, error)) {
    const std::string folder = entry.path().string();
    if (!entry.is_directory() || !fs::exists(folder + "/lock")) continue;
    auto lock = locked(folder + "/lock");
    if (!lock) continue;  // its program runs
    LeftBehind left;
    left.inside_ = std::make_shared<LeftBehind::Inside>(LeftBehind::Inside{folder, std::move(lock)});
    struct stat state {};
    if (::stat(stateFile(folder).c_str(), &state) != 0) {
      left.putAway();  // everything in it was saved
      continue;
    }
    left.keptAt = state.st_mtime;
    const json about = json::parse(bytesIn(folder + "/about.json", 1 << 20), nullptr, false);
    // Whatever else stands there: the work is offered all the same.
    const auto textOf = [&](const char* name) {
      const auto found = about.is_object() ? about.find(name) : about.end();
      return found != about.end() && found->is_string() ? found->get<std::string>() : std::string();
    };
    left.name = textOf("name");
    left.path = textOf("path");
    left.picture = bytesIn(folder + "/picture.png", 64 << 20);
    found.push_back(std::move(left));
  }
  std::sort(found.begin(), found.end(), [](const auto& a, const auto& b) { return a.keptAt > b.keptAt; });
  return found;
}

struct FileClaim::Inside {
  std::unique_ptr<QLockFile> lock;
};

FileClaim::FileClaim(std::unique_ptr<Inside> inside) : inside_(std::move(inside)) {}
FileClaim::~FileClaim() = default;

std::unique_ptr<FileClaim> FileClaim::on(const std::string& path, const std::string& home) {
  std::error_code error;
  const std::string claims = home + "/claims";
  fs::create_directories(claims, error);
  const fs::path whole = fs::weakly_canonical(path, error);
  const QByteArray name = QByteArray::fromStdString(error ? path : whole.string());
  const auto hash = QCryptographicHash::hash(name, QCryptographicHash::Sha256).toHex().toStdString();
  auto lock = locked(claims + "/" + hash);
  if (!lock) return nullptr;
  return std::unique_ptr<FileClaim>(new FileClaim(std::make_unique<Inside>(Inside{std::move(lock)})));
}

std::string fileStamp(const std::string& path) {
  struct stat s {};
  if (::stat(path.c_str(), &s) != 0) return {};
  return std::to_string(s.st_ino) + " " + std::to_string(s.st_size) + " " + std::to_string(s.st_mtim.tv_sec) + "." +
         std::to_string(s.st_mtim.tv_nsec);
}

}  // namespace widecut
