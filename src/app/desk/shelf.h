// The shelf: shapes that are kept over all projects.
#pragma once

#include <QDateTime>
#include <QObject>
#include <QString>
#include <map>
#include <memory>
#include <vector>

#include "app/desk/desk.h"

namespace widecut {

/// Something on the shelf: a project file of one sheet, which anybody can open.
struct OnShelf {
  QString name;
  QString path;
  bool operator==(const OnShelf&) const = default;
};

/// A folder of files. For the window's thread.
class Shelf : public QObject {
  Q_OBJECT
 public:
  static Shelf& instance();
  /// In the order of their names.
  std::vector<OnShelf> all() const;
  /// Keeps items (sheet space) under a name, or under the next one that is free.
  Result<OnShelf> keep(const std::vector<ItemPtr>& items, const QString& name);
  /// Refuses a name that is taken, or cannot be one of a file.
  Result<void> rename(const OnShelf& kept, const QString& name);
  Result<void> remove(const OnShelf& kept);
  /// The items of one, with their middle at the origin. The same nodes as long as the file stays as it is.
  Result<std::vector<ItemPtr>> items(const OnShelf& kept) const;
  /// Another folder; for tests.
  void setFolder(const QString& folder);

 signals:
  void changed();

 private:
  QString folder() const;
  /// What was read of a file, as long as it stays as it is.
  struct Read {
    QDateTime when;
    std::vector<ItemPtr> items;
  };
  QString folder_;
  mutable std::map<QString, Read> read_;
};

/// Keeps the selection on the shelf, under the name of its frontmost item.
void keepOnShelf(Desk& desk);

}  // namespace widecut
