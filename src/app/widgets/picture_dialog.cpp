#include "app/widgets/picture_dialog.h"

#include <QCoreApplication>
#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QGridLayout>
#include <QLabel>
#include <QLocale>
#include <QSettings>
#include <QStandardPaths>

#include "app/desk/latest_task.h"
#include "app/look/theme.h"
#include "media/files.h"
#include "media/video.h"
#include "painting/item_picture.h"
#include "project/limits.h"
#include "storage/svg_in.h"

namespace widecut {
namespace {

constexpr QSize pictureSize{232, 232};
const char* const folderKey = "bringIn/folder";

QString tr(const char* text) { return QCoreApplication::translate("PictureDialog", text); }

/// A file as it looks, small, and what there is to say of it.
struct Seen {
  QImage picture;
  QString facts;
};
/// The shapes of an SVG.
QImage shapesIn(const QString& path, double ratio) {
  const auto bytes = readFile(path.toStdString(), limits::mostJsonBytes);
  if (!bytes) return {};
  const auto shapes = shapesFromSvg(*bytes);
  if (!shapes) return {};
  std::vector<ItemPtr> items;
  for (const Item& item : shapes->items) items.push_back(std::make_shared<const Item>(item));
  PhotoStore none;
  return pictureOf(items, none, pictureSize, ratio);
}

Seen seen(const QString& path, double ratio) {
  Seen out;
  const QFileInfo file(path);
  if (!file.isFile()) return out;
  QStringList facts{file.fileName()};
  QSize size;
  const QSize most = pictureSize * ratio;
  const auto show = [&](const Result<SmallPhoto>& small) {
    if (!small) return;
    size = {small->width, small->height};
    out.picture = small->picture;
  };
  if (path.endsWith(".svg", Qt::CaseInsensitive))
    out.picture = shapesIn(path, ratio);
  else if (const auto small = smallPhotoOfFile(path.toStdString(), most))
    show(small);
  else if (const auto poster = pictureFromFile(path.toStdString()))
    show(smallPhoto(*(*poster)->bytes, most));
  if (!out.picture.isNull()) {
    out.picture = out.picture.scaled(most, Qt::KeepAspectRatio, Qt::SmoothTransformation);
    out.picture.setDevicePixelRatio(ratio);
  }
  if (size.isValid()) facts.append(tr("%1 × %2 px").arg(size.width()).arg(size.height()));
  facts.append(QLocale().formattedDataSize(file.size()));
  out.facts = facts.join("\n");
  return out;
}

/// Where a file was chosen last; or else where photos are.
QString lastFolder() {
  const QString last = QSettings().value(folderKey).toString(),
                photos = QStandardPaths::writableLocation(QStandardPaths::PicturesLocation);
  for (const QString& folder : {last, photos})
    if (!folder.isEmpty() && QFileInfo(folder).isDir()) return folder;
  return QDir::homePath();
}

}  // namespace

QString choosePictureFile(QWidget* parent, const QString& title, const QString& filter) {
  QFileDialog dialog(parent, title, lastFolder(), filter);
  dialog.resize(900, 520);
  dialog.setOption(QFileDialog::DontUseNativeDialog);
  dialog.setFileMode(QFileDialog::ExistingFile);
  auto* side = new QWidget(&dialog);
  side->setFixedWidth(pictureSize.width() + 8);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(8, 0, 0, 0);
  auto* picture = new QLabel(side);
  picture->setObjectName("chosenPicture");
  picture->setAccessibleName(tr("What the chosen file looks like"));
  picture->setAlignment(Qt::AlignCenter);
  picture->setFixedSize(pictureSize);
  auto* facts = new QLabel(side);
  facts->setObjectName("chosenFacts");
  facts->setWordWrap(true);
  theme::makeSecondary(*facts);
  column->addWidget(picture);
  column->addWidget(facts);
  column->addStretch(1);
  if (auto* grid = qobject_cast<QGridLayout*>(dialog.layout()))
    grid->addWidget(side, 0, grid->columnCount(), grid->rowCount(), 1);
  LatestTask task;
  const auto show = [&](const QString& path) {
    task.run([&, path, ratio = dialog.devicePixelRatioF()] {
      return [picture, facts, what = seen(path, ratio)] {
        picture->setPixmap(QPixmap::fromImage(what.picture));
        facts->setText(what.facts);
      };
    });
  };
  QObject::connect(&dialog, &QFileDialog::currentChanged, side, show);
  const bool isChosen = dialog.exec() == QDialog::Accepted && !dialog.selectedFiles().isEmpty();
  task.drop();
  if (!isChosen) return {};
  const QString path = dialog.selectedFiles().front();
  QSettings().setValue(folderKey, QFileInfo(path).absolutePath());
  return path;
}

}  // namespace widecut
