#include "app/bench/photos_page.h"

#include <QFileDialog>
#include <QFileInfo>
#include <QLocale>
#include <algorithm>

#include "app/bench/page_layout.h"
#include "app/look/resolution.h"
#include "app/widgets/cards.h"
#include "app/widgets/clear_layout.h"
#include "app/widgets/picture_dialog.h"
#include "media/files.h"
#include "media/video.h"
#include "project/limits.h"

namespace widecut {
namespace {

constexpr QSize cardSize{84, 38};
constexpr std::size_t mostCards = 200;

/// The photo, as far as it is ready.
QImage pictureOf(Desk& desk, const MediumPtr& medium, double ratio) {
  const double scale = std::min(cardSize.width() / double(medium->width), cardSize.height() / double(medium->height));
  const auto ready = desk.photos().levelIfReady(medium, scale * ratio);
  return centredPicture(ready ? ready->level.image : QImage(), cardSize, ratio);
}

}  // namespace

PhotosPage::PhotosPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  const CrowdedPage page = crowdedPage(*this);
  heading_ = headingOf(*page.top, *this);
  const auto button = [&](const QString& words, const char* name, const QString& tip, auto pressed) {
    QPushButton* made = pageButton(*this, words, name, tip);
    connect(made, &QPushButton::clicked, this, pressed);
    page.top->addWidget(made);
    return made;
  };
  frames_ = button(tr("Select its frames"), "selectFrames",
                   tr("All that it fills on this sheet, or on the first one that has any"), [this] { selectFrames(); });
  replace_ =
      button(tr("Replace everywhere…"), "replacePhoto",
             tr("Another photo in all these frames; subjects lie where those before lay"), [this] { replace(); });
  refer_ = button(tr("Refer to its file…"), "referToFile",
                  tr("The project's file holds the photo no more, and stays small; it shows what is in that file"),
                  [this] { refer(); });
  keep_ = button(tr("Keep it in the project"), "keepInProject",
                 tr("The project's file holds the photo, and needs no other file"), [this] { keep(); });
  find_ = button(tr("Find its file…"), "findFile", tr("It was moved or renamed: where it is now"), [this] { find(); });
  button(tr("Done"), "photosDone", tr("What the bench showed before"), [this] { desk_.leavePaint(); });
  auto* box = new QWidget(this);
  cards_ = new QHBoxLayout(box);
  cards_->setContentsMargins(0, 0, 0, 0);
  cards_->setSpacing(6);
  page.column->addWidget(sidewaysScroll(*box, *this), 1);
  connect(&desk, &Desk::photosReady, this, [this] {
    if (isVisible()) buildCards();
  });
}

const MediumUse* PhotosPage::chosen() const {
  const auto found =
      std::find_if(uses_.begin(), uses_.end(), [&](const MediumUse& use) { return use.medium->hash == hash_; });
  return found == uses_.end() ? nullptr : &*found;
}

void PhotosPage::choose(const std::string& hash) {
  hash_ = hash;
  refresh(false);
}

void PhotosPage::selectFrames() {
  const MediumUse* use = chosen();
  if (!use || use->items.empty()) return;
  const auto on = [&](Id sheet) {
    std::vector<Id> there;
    for (const Id id : use->items)
      if (const SheetPtr its = sheetOf(desk_.settled(), id); its && its->id == sheet) there.push_back(id);
    return there;
  };
  std::vector<Id> here = on(desk_.sheet()->id);
  if (here.empty()) {
    desk_.goToSheet(sheetOf(desk_.settled(), use->items.front())->id);
    here = on(desk_.sheet()->id);
  }
  desk_.select(std::move(here));
}

void PhotosPage::replace() {
  const MediumUse* use = chosen();
  if (!use) return;
  const MediumPtr was = use->medium;
  const QString path = choosePictureFile(window(), tr("Replace “%1” everywhere").arg(QString::fromStdString(was->name)),
                                         tr("Photos and videos (%1)").arg(pictureEndings()));
  if (path.isEmpty()) return;
  const auto now = pictureFromFile(path.toStdString());
  if (!now) {
    emit desk_.told(QString::fromStdString(now.error().message));
    return;
  }
  hash_ = (*now)->hash;
  if (desk_.commit(tr("Replace a photo"), withMediumReplaced(desk_.settled(), *was, *now)))
    emit desk_.told(tr("“%1” is in the place of “%2” now")
                        .arg(QString::fromStdString((*now)->name), QString::fromStdString(was->name)));
  refresh(false);
}

const Medium* PhotosPage::file() const {
  const MediumUse* use = chosen();
  if (!use) return nullptr;
  return use->medium->video ? &use->medium->video->file : use->medium.get();
}

void PhotosPage::whenSame(const QString& path,
                          const std::function<void(const std::shared_ptr<const std::string>& bytes)>& take) {
  const Medium* its = file();
  if (path.isEmpty() || !its) return;
  emit desk_.told(tr("Looking at “%1”").arg(path));
  task_.run([this, path, take, hash = its->hash, name = its->name]() -> std::function<void()> {
    auto bytes = readFile(path.toStdString(), limits::mostPhotoBytes);
    const QString why =
        !bytes ? QString::fromStdString(bytes.error().message)
        : sha256(*bytes) != hash
            ? tr("“%1” is not the file that “%2” was brought in from").arg(path, QString::fromStdString(name))
            : QString();
    auto kept = bytes ? std::make_shared<const std::string>(std::move(*bytes)) : nullptr;
    return [this, take, why, kept] {
      if (why.isEmpty())
        take(kept);
      else
        emit desk_.told(why);
      refresh(false);
    };
  });
}

void PhotosPage::refer() {
  const Medium* its = file();
  if (!its) return;
  const auto origin = desk_.origins.find(its->hash);
  const bool isKnown = origin != desk_.origins.end() && QFileInfo::exists(origin->second);
  const QString path =
      isKnown ? origin->second
              : QFileDialog::getOpenFileName(window(), tr("The file of “%1”").arg(QString::fromStdString(its->name)));
  whenSame(path, [this, path, hash = its->hash](const auto&) {
    const std::string at = QFileInfo(path).absoluteFilePath().toStdString();
    if (desk_.commit(tr("Refer to a file"),
                     withMediumChanged(desk_.settled(), hash, [&](Medium& medium) { medium.path = at; })))
      emit desk_.told(tr("The project refers to “%1”").arg(path));
  });
}

void PhotosPage::keep() {
  const Medium* its = file();
  if (!its) return;
  desk_.commit(tr("Keep in the project"),
               withMediumChanged(desk_.settled(), its->hash, [](Medium& medium) { medium.path.clear(); }));
  refresh(false);
}

void PhotosPage::find() {
  const Medium* its = file();
  if (!its) return;
  const QString path =
      QFileDialog::getOpenFileName(window(), tr("Where “%1” is now").arg(QString::fromStdString(its->name)));
  whenSame(path, [this, path, hash = its->hash](const std::shared_ptr<const std::string>& bytes) {
    const std::string at = QFileInfo(path).absoluteFilePath().toStdString();
    desk_.photos().forget(hash);
    if (desk_.commit(tr("Find a file"), withMediumChanged(desk_.settled(), hash, [&](Medium& medium) {
                       medium.path = at;
                       medium.bytes = bytes;
                     })))
      emit desk_.told(tr("Found: “%1” shows again").arg(path));
  });
}

void PhotosPage::buildCards() {
  clearLayout(*cards_);
  for (std::size_t i = 0; i < std::min(uses_.size(), mostCards); ++i) {
    const MediumUse& use = uses_[i];
    const bool isChosen = use.medium->hash == hash_;
    const QString name = QString::fromStdString(use.medium->name);
    auto* card = new Card(name, {}, isChosen ? theme::plum : theme::slate,
                          pictureOf(desk_, use.medium, devicePixelRatioF()), this);
    card->setObjectName("photo " + QString::number(i));
    card->setToolTip(name);
    card->setMarked(isChosen);
    connect(card, &Card::clicked, this, [this, hash = use.medium->hash] { choose(hash); });
    cards_->addWidget(card);
  }
  cards_->addStretch(1);
}

void PhotosPage::refresh(bool) {
  if (desk_.isTrying()) return;
  uses_ = mediaUsed(desk_.settled());
  buildCards();
  const MediumUse* use = chosen();
  const Medium* its = file();
  frames_->setVisible(use);
  replace_->setVisible(use);
  refer_->setVisible(its && its->path.empty() && its->bytes);
  keep_->setVisible(its && !its->path.empty() && its->bytes);
  find_->setVisible(its && !its->path.empty() && !its->bytes);
  if (!use) {
    heading_->setText(uses_.empty()
                          ? tr("The project shows no photo yet")
                          : tr("Photos and videos of the project: choose one to see where it shows, or to replace it"));
    return;
  }
  const Medium& medium = *use->medium;
  QStringList facts{tr("“%1”").arg(QString::fromStdString(medium.name)),
                    tr("%1 × %2 px").arg(medium.width).arg(medium.height)};
  const Medium& file = medium.video ? medium.video->file : medium;
  if (medium.video) facts.append(tr("video of %1 s").arg(QLocale().toString(medium.video->seconds, 'f', 1)));
  if (file.bytes) facts.append(QLocale().formattedDataSize(static_cast<qint64>(file.bytes->size()), 1));
  facts.append(use->items.size() == 1 ? tr("1 frame") : tr("%1 frames").arg(use->items.size()));
  if (!file.path.empty())
    facts.append((file.bytes ? tr("in %1") : tr("missing: %1")).arg(QString::fromStdString(file.path)));
  if (!medium.credit.empty()) facts.append(QString::fromStdString(medium.credit));
  if (use->pointsPerPixel > 0) {
    const Resolution resolution = resolutionOf(use->pointsPerPixel);
    facts.append(tr("%1 ppi where it is largest, %2").arg(resolution.ppi).arg(resolution.goodFor));
  }
  heading_->setText(facts.join(" · "));
}

}  // namespace widecut
