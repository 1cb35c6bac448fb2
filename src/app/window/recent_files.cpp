#include "app/window/recent_files.h"

#include <QFileInfo>
#include <QSettings>

namespace widecut::recent {
namespace {

constexpr int most = 10;
const char* const key = "recentFiles";

}  // namespace

QStringList files() {
  QStringList there;
  for (const QString& path : QSettings().value(key).toStringList())
    if (QFileInfo::exists(path)) there << path;
  return there;
}

void add(const QString& path) {
  const QString whole = QFileInfo(path).absoluteFilePath();
  QStringList all = files();
  all.removeAll(whole);
  all.prepend(whole);
  while (all.size() > most) all.removeLast();
  QSettings().setValue(key, all);
}

}  // namespace widecut::recent
