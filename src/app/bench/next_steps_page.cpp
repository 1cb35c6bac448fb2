#include "app/bench/next_steps_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/desk/cuts.h"
#include "app/look/theme.h"
#include "painting/item_picture.h"
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
  cutAlong_ = buttonFor(CommandId::CutAlong, this);
  cutAlong_->setMinimumHeight(28);
  row->addWidget(cutAlong_);
  row->addStretch(1);
}

void NextStepsPage::refresh(bool) {
  const ItemPtr item = desk_.onlyItem();
  if (!item) return;
  reframe_->setVisible(shownPhoto(*item).has_value());
  cutAlong_->setVisible(isLineToCutAlong(desk_));
  heading_->setText(tr("“%1” · select a second item to combine them").arg(QString::fromStdString(item->name)));
  picture_->setPixmap(QPixmap::fromImage(pictureOf({item}, desk_.photos(), picture_->size(), devicePixelRatioF())));
}

}  // namespace widecut
