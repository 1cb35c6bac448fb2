#include "app/window/last_delivery.h"

#include <QDir>
#include <QFileInfo>
#include <QRegularExpression>
#include <QSettings>

#include "project/edits/sheets.h"
#include "project/limits.h"

namespace widecut {
namespace {

QString ppiKey(const Desk& desk) { return desk.unit() == Unit::Pixel ? "deliver/pixelPpi" : "deliver/ppi"; }

QString nameNow(const Desk& desk) {
  QString name;
  if (const ItemPtr item = desk.onlyItem()) {
    name = QString::fromStdString(item->name);
  } else {
    const PiecePtr piece = pieceOf(desk.settled(), desk.sheet()->id);
    name = QString::fromStdString(piece->name);
    if (piece->sheets.size() > 1) name += " " + QString::fromStdString(desk.sheet()->name);
  }
  static const QRegularExpression unfit(R"([/\\:*?"<>|\x00-\x1f])");
  return name.replace(unfit, "-").left(100).trimmed();
}

}  // namespace

LastDelivery lastDelivery(const Desk& desk) {
  const QSettings kept;
  const LastDelivery usual{"png", desk.unit() == Unit::Pixel ? pixelPpi : 144, true};
  LastDelivery last{kept.value("deliver/format", usual.ending).toString(),
                    kept.value(ppiKey(desk), usual.ppi).toDouble(), kept.value("deliver/paper", true).toBool()};
  if (!deliveryFormat(last.ending.toStdString())) last.ending = usual.ending;
  if (!(last.ppi >= limits::leastPpi && last.ppi <= limits::mostPpi)) last.ppi = usual.ppi;
  return last;
}

void keepLast(const Desk& desk, const LastDelivery& last) {
  QSettings kept;
  kept.setValue("deliver/format", last.ending);
  kept.setValue(ppiKey(desk), last.ppi);
  kept.setValue("deliver/paper", last.withPaper);
}

QString lastFolder(const Desk& desk) {
  const QSettings kept;
  const QString folder = kept.value("deliver/folder").toString();
  // What was used last, by this project; of another one it is where the project lies.
  const bool isOwn = kept.value("deliver/of").toString() == desk.path();
  if (!isOwn && !desk.path().isEmpty()) return QFileInfo(desk.path()).absolutePath();
  return QFileInfo(folder).isDir() ? folder : QString();
}

void keepFolder(const Desk& desk, const QString& file) {
  QSettings kept;
  kept.setValue("deliver/folder", QFileInfo(file).absolutePath());
  kept.setValue("deliver/of", desk.path());
}

bool hasDelivered() { return QSettings().contains("deliver/folder"); }

Delivery deliveryNow(const Desk& desk, const LastDelivery& how) {
  const ItemPtr item = desk.onlyItem();
  return {desk.sheet()->id,
          item ? item->id : 0,
          *deliveryFormat(how.ending.toStdString()),
          how.ppi,
          how.withPaper ? Ground::Paper : Ground::Transparent,
          false,
          WordsAs::Outlines};
}

QString freshFile(const Desk& desk, const QString& folder, const QString& ending) {
  const QString name = nameNow(desk);
  QString file = QDir(folder).filePath(name + "." + ending);
  for (int n = 2; QFileInfo::exists(file); ++n)
    file = QDir(folder).filePath(QString("%1 %2.%3").arg(name).arg(n).arg(ending));
  return file;
}

}  // namespace widecut
