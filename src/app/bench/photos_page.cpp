#include "app/bench/photos_page.h"

#include <QFileDialog>
#include <QLocale>
#include <algorithm>

#include "app/bench/page_layout.h"
#include "app/look/resolution.h"
#include "app/widgets/cards.h"
#include "app/widgets/clear_layout.h"

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
  const QString path =
      QFileDialog::getOpenFileName(window(), tr("Replace “%1” everywhere").arg(QString::fromStdString(was->name)), {},
                                   tr("Photos (*.png *.jpg *.jpeg *.webp *.tif *.tiff)"));
  if (path.isEmpty()) return;
  const auto now = photoFromFile(path.toStdString());
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
  frames_->setVisible(use);
  replace_->setVisible(use);
  if (!use) {
    heading_->setText(uses_.empty() ? tr("The project shows no photo yet")
                                    : tr("Photos of the project: choose one to see where it shows, or to replace it"));
    return;
  }
  const Medium& medium = *use->medium;
  QStringList facts{tr("“%1”").arg(QString::fromStdString(medium.name)),
                    tr("%1 × %2 px").arg(medium.width).arg(medium.height)};
  if (medium.bytes) facts.append(QLocale().formattedDataSize(static_cast<qint64>(medium.bytes->size()), 1));
  facts.append(use->items.size() == 1 ? tr("1 frame") : tr("%1 frames").arg(use->items.size()));
  if (!medium.credit.empty()) facts.append(QString::fromStdString(medium.credit));
  if (use->pointsPerPixel > 0) {
    const Resolution resolution = resolutionOf(use->pointsPerPixel);
    facts.append(tr("%1 ppi where it is largest, %2").arg(resolution.ppi).arg(resolution.goodFor));
  }
  heading_->setText(facts.join(" · "));
}

}  // namespace widecut
