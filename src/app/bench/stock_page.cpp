#include "app/bench/stock_page.h"

#include <QDir>
#include <QFileDialog>
#include <QLineEdit>
#include <QSettings>
#include <QShowEvent>

#include "app/bench/page_layout.h"
#include "app/widgets/cards.h"
#include "app/widgets/clear_layout.h"
#include "media/photo.h"

namespace widecut {
namespace {

constexpr QSize cardSize{84, 38};
constexpr std::size_t mostCards = 200;
const char* const folderKey = "stock/folder";

QImage thumbnailOf(const StockPhoto& photo, double ratio) {
  const auto small = smallPhotoOfFile(photo.path.toStdString(), cardSize * ratio);
  return centredPicture(small ? small->picture : QImage(), cardSize, ratio);
}

}  // namespace

StockPage::StockPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  const CrowdedPage page = crowdedPage(*this);
  heading_ = headingOf(*page.top, *this);
  question_ = new QLineEdit(this);
  question_->setObjectName("stockQuestion");
  question_->setAccessibleName(tr("Words to search photos by"));
  question_->setPlaceholderText(tr("search: snow, bridge…"));
  question_->setClearButtonEnabled(true);
  question_->setFixedWidth(220);
  page.top->addWidget(question_);
  folder_ =
      pageButton(*this, {}, "stockFolder", tr("A folder of your own is searched too, and watched for new photos"));
  page.top->addWidget(folder_);
  QPushButton* done = pageButton(*this, tr("Done"), "stockDone", tr("What the bench showed before"));
  page.top->addWidget(done);
  auto* box = new QWidget(this);
  cards_ = new QHBoxLayout(box);
  cards_->setContentsMargins(0, 0, 0, 0);
  cards_->setSpacing(6);
  page.column->addWidget(sidewaysScroll(*box, *this), 1);
  connect(question_, &QLineEdit::textChanged, this, &StockPage::buildCards);
  connect(folder_, &QPushButton::clicked, this, &StockPage::chooseFolder);
  connect(done, &QPushButton::clicked, &desk_, &Desk::leavePaint);
  connect(&watcher_, &QFileSystemWatcher::directoryChanged, this, &StockPage::look);
}

void StockPage::showEvent(QShowEvent* event) {
  if (event->spontaneous()) return;
  question_->clear();  // all of them show again
  look();
  question_->setFocus();
}

/// Folders are read, and photos made small, off the window's thread.
void StockPage::look() {
  const QString own = QSettings().value(folderKey).toString();
  folder_->setText(own.isEmpty() ? tr("A folder of your own…") : tr("Folder “%1”…").arg(QDir(own).dirName()));
  if (!watcher_.directories().isEmpty()) watcher_.removePaths(watcher_.directories());
  if (!own.isEmpty()) watcher_.addPath(own);
  isLooking_ = true;
  refreshHeading();
  task_.run([this, own, known = thumbnails_, ratio = devicePixelRatioF()] {
    auto photos = stockIn(ownStock());
    const auto more = stockIn(own);
    photos.insert(photos.end(), more.begin(), more.end());
    QHash<QString, QImage> thumbnails;
    for (std::size_t i = 0; i < photos.size(); ++i) {
      const QString& path = photos[i].path;
      thumbnails[path] = known.contains(path) ? known[path] : thumbnailOf(photos[i], ratio);
    }
    return [this, photos, thumbnails] {
      photos_ = photos;
      thumbnails_ = thumbnails;
      isLooking_ = false;
      buildCards();
    };
  });
}

void StockPage::buildCards() {
  clearLayout(*cards_);
  const auto found = matching(photos_, question_->text());
  for (std::size_t i = 0; i < std::min(found.size(), mostCards); ++i) {
    auto* card = new Card(found[i].title, {}, theme::slate, thumbnails_.value(found[i].path), this);
    card->setObjectName("stock " + found[i].title);
    connect(card, &Card::entered, this, [this, photo = found[i]] { tellOf(photo); });
    connect(card, &Card::left, this, [this] { emit desk_.told({}); });
    connect(card, &Card::clicked, this, [this, photo = found[i]] { emit photoWanted(photo.path, photo.terms()); });
    cards_->addWidget(card);
  }
  cards_->addStretch(1);
  refreshHeading();
}

void StockPage::tellOf(const StockPhoto& photo) {
  QStringList facts{tr("“%1”").arg(photo.title), tr("%1 × %2 px").arg(photo.width).arg(photo.height),
                    photo.licence.isEmpty() ? tr("licence not known") : photo.licence};
  if (!photo.credit.isEmpty()) facts.append(photo.credit);
  emit desk_.told(facts.join(" · "));
}

void StockPage::refreshHeading() {
  const auto count = static_cast<int>(matching(photos_, question_->text()).size());
  heading_->setText(isLooking_         ? tr("Looking for photos…")
                    : photos_.empty()  ? tr("No photos here: choose a folder of your own")
                    : count == 0       ? tr("No photo shows that")
                    : desk_.onlyItem() ? tr("Photos: %1. Click one to fill what is selected").arg(count)
                                       : tr("Photos: %1. Click one to lay it on the sheet").arg(count));
}

void StockPage::chooseFolder() {
  const QString before = QSettings().value(folderKey).toString();
  const QString chosen = QFileDialog::getExistingDirectory(window(), tr("A folder of photos"), before);
  if (chosen.isEmpty()) return;
  QSettings().setValue(folderKey, chosen);
  look();
}

void StockPage::refresh(bool) { refreshHeading(); }

}  // namespace widecut
