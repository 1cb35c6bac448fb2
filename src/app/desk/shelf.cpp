#include "app/desk/shelf.h"

#include <QDir>
#include <QFile>
#include <QStandardPaths>

#include "app/desk/clipboard.h"
#include "media/files.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/limits.h"
#include "project/resolve.h"
#include "storage/project_file.h"

namespace widecut {
namespace {

constexpr int longestName = 80;
const QString ending = QStringLiteral(".widecut");

/// A name that every file system takes.
QString fileNameOf(QString name) {
  for (QChar& c : name)
    if (QStringLiteral("/\\:*?\"<>|").contains(c) || c < QChar(' ')) c = '-';
  name = name.simplified().left(longestName);
  while (name.startsWith('.')) name.remove(0, 1);
  return name.isEmpty() ? Shelf::tr("shape") : name;
}

}  // namespace

Shelf& Shelf::instance() {
  static Shelf one;
  return one;
}

QString Shelf::folder() const {
  return folder_.isEmpty() ? QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + "/shelf" : folder_;
}

void Shelf::setFolder(const QString& folder) {
  folder_ = folder;
  emit changed();
}

std::vector<OnShelf> Shelf::all() const {
  std::vector<OnShelf> found;
  const QDir dir(folder());
  for (const QString& file :
       dir.entryList({"*" + ending}, QDir::Files, QDir::Name | QDir::IgnoreCase | QDir::LocaleAware))
    found.push_back({file.chopped(ending.size()), dir.filePath(file)});
  return found;
}

Result<OnShelf> Shelf::keep(const std::vector<ItemPtr>& items, const QString& name) {
  const auto bytes = bytesOfProject(projectOfItems(items), {});
  if (!bytes) return tl::unexpected(bytes.error());
  const QDir dir(folder());
  if (!dir.mkpath(".")) return problem("cannot make the folder " + folder().toStdString());
  const QString wanted = fileNameOf(name);
  QString free = wanted;
  for (int i = 2; QFile::exists(dir.filePath(free + ending)); ++i) free = wanted + ' ' + QString::number(i);
  const OnShelf kept{free, dir.filePath(free + ending)};
  if (const auto written = writeFile(kept.path.toStdString(), *bytes); !written) return tl::unexpected(written.error());
  emit changed();
  return kept;
}

Result<void> Shelf::rename(const OnShelf& kept, const QString& name) {
  const QString wanted = fileNameOf(name), path = QDir(folder()).filePath(wanted + ending);
  if (path == kept.path) return {};
  if (QFile::exists(path)) return problem("“" + wanted.toStdString() + "” is on the shelf already");
  if (!QFile::rename(kept.path, path)) return problem("cannot rename " + kept.path.toStdString());
  emit changed();
  return {};
}

Result<void> Shelf::remove(const OnShelf& kept) {
  // Where there is a bin, it can be brought back from there.
  if (!QFile::moveToTrash(kept.path) && !QFile::remove(kept.path))
    return problem("cannot remove " + kept.path.toStdString());
  emit changed();
  return {};
}

Result<std::vector<ItemPtr>> Shelf::items(const OnShelf& kept) const {
  const QDateTime when = QFileInfo(kept.path).lastModified();
  if (const auto found = read_.find(kept.path); found != read_.end() && found->second.when == when)
    return found->second.items;
  const auto project = openProject(kept.path.toStdString());
  if (!project) return tl::unexpected(project.error());
  const ItemList& all = sheetsOf(*project).front()->items;
  if (all.empty()) return problem(kept.name.toStdString() + " holds nothing");
  Box box;
  for (const ItemPtr& item : all) box.add(boxInParent(*item));
  std::vector<ItemPtr> items;
  for (const ItemPtr& item : all)
    items.push_back(std::make_shared<const Item>(mapped(*item, Affine::move(-box.centre()))));
  read_[kept.path] = {when, items};
  return items;
}

void keepOnShelf(Desk& desk) {
  const auto items = asOnSheet(desk.settled(), desk.selection());
  if (items.empty()) return;
  const auto kept = Shelf::instance().keep(items, QString::fromStdString(items.back()->name));
  emit desk.told(kept ? Desk::tr("“%1” is on the shelf now, for all projects").arg(kept->name)
                      : Desk::tr("Not kept: %1").arg(QString::fromStdString(kept.error().message)));
}

}  // namespace widecut
