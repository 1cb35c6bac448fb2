#include "app/bench/next_steps_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/bench/starter_strip.h"
#include "app/desk/cuts.h"
#include "app/look/shown_picture.h"
#include "app/look/theme.h"
#include "painting/item_picture.h"
#include "project/edits/starters.h"
#include "project/edits/videos.h"
#include "project/resolve.h"

namespace widecut {
NextStepsPage::NextStepsPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(14, 9, 14, 10);
  heading_ = new QLabel(this);
  theme::makeHeading(*heading_);
  heading_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
  column->addWidget(heading_);
  auto* row = new QHBoxLayout;
  row->setSpacing(12);
  column->addLayout(row);
  column->addStretch(1);

  picture_ = new QLabel(this);
  picture_->setFixedSize(118, 92);
  picture_->setAlignment(Qt::AlignCenter);
  row->addWidget(picture_);

  auto* photo = buttonFor(CommandId::BringInPhoto, this);
  photo->setMinimumHeight(28);
  row->addWidget(photo);

  reframe_ = buttonFor(CommandId::Reframe, this);
  reframe_->setIcon(theme::icon("reframe"));
  reframe_->setMinimumHeight(28);
  row->addWidget(reframe_);
  video_ = buttonFor(CommandId::SetPlaying, this);
  video_->setMinimumHeight(28);
  row->addWidget(video_);
  cutAlong_ = buttonFor(CommandId::CutAlong, this);
  cutAlong_->setMinimumHeight(28);
  row->addWidget(cutAlong_);
  kinds_ = new StarterRow(desk, StartersModel::Shelved::No, this);
  kinds_->setObjectName("otherOutlines");
  kinds_->findByTyping();
  kinds_->setAccessibleName(tr("Another outline for it"));
  connect(kinds_, &StarterRow::pointedAt, this, [this](const Offer& offer) {
    if (offer.kind && desk_.onlyItem())
      trial_.point(withKind(desk_.settled(), desk_.onlyItem()->id, *offer.kind));
    else
      trial_.drop();
  });
  connect(kinds_, &StarterRow::chosen, this, [this](const Offer& offer) {
    trial_.drop();
    if (desk_.onlyItem())
      desk_.commit(tr("Another outline"), withKind(desk_.settled(), desk_.onlyItem()->id, *offer.kind));
  });
  row->addWidget(kinds_, 1);
  row->addStretch();
}

void NextStepsPage::hideEvent(QHideEvent*) { trial_.drop(); }

void NextStepsPage::refresh(bool selection) {
  const ItemPtr item = desk_.onlyItem();
  if (!item || trial_.isShown()) return;
  if (selection) kinds_->starters().refresh();
  reframe_->setVisible(shownPhoto(*item).has_value());
  video_->setVisible(shownVideo(*item) != nullptr);
  cutAlong_->setVisible(isLineToCutAlong(desk_));
  const bool isPlain =
      std::holds_alternative<std::shared_ptr<const Outline>>(item->form) && !isLineToCutAlong(desk_) && !item->measures;
  kinds_->setVisible(isPlain);
  const QString name = QString::fromStdString(item->name);
  heading_->setText(isPlain ? tr("“%1” · another outline for it, or a second item to combine them").arg(name)
                            : tr("“%1” · select a second item to combine them").arg(name));
  picture_->setPixmap(
      QPixmap::fromImage(shownOnPanel(pictureOf({item}, desk_.photos(), picture_->size(), devicePixelRatioF()))));
}

}  // namespace widecut
