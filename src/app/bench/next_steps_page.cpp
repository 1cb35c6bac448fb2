#include "app/bench/next_steps_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/look/theme.h"
#include "painting/item_picture.h"
#include "project/resolve.h"

namespace widecut {
namespace {

QPushButton* button(const QString& text, const char* icon, QWidget* parent) {
  auto* b = new QPushButton(text, parent);
  if (icon) b->setIcon(theme::icon(icon));
  b->setMinimumHeight(28);
  return b;
}

}  // namespace

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

  drawing_ = new QWidget(this);
  auto* drawRow = new QHBoxLayout(drawing_);
  drawRow->setContentsMargins(0, 0, 0, 0);
  drawRow->setSpacing(8);
  auto* rectangle = button(tr("Rectangle  4"), "rectangle", drawing_);
  auto* ellipse = button(tr("Ellipse  5"), "ellipse", drawing_);
  connect(rectangle, &QPushButton::clicked, this, [this] { desk_.setTool(ToolKind::Rectangle); });
  connect(ellipse, &QPushButton::clicked, this, [this] { desk_.setTool(ToolKind::Ellipse); });
  drawRow->addWidget(rectangle);
  drawRow->addWidget(ellipse);
  row->addWidget(drawing_);

  auto* photo = button(tr("Bring in a photo…"), nullptr, this);
  photo->setObjectName("placePhoto");
  connect(photo, &QPushButton::clicked, this, &NextStepsPage::photoWanted);
  row->addWidget(photo);

  outline_ = new QWidget(this);
  auto* outlineRow = new QHBoxLayout(outline_);
  outlineRow->setContentsMargins(0, 0, 0, 0);
  auto* reframe = button(tr("Reframe  R"), "reframe", outline_);
  reframe->setObjectName("reframe");
  connect(reframe, &QPushButton::clicked, this, [this] { desk_.setTool(ToolKind::Reframe); });
  outlineRow->addWidget(reframe);
  row->addWidget(outline_);
  row->addStretch(1);
}

void NextStepsPage::refresh(bool) {
  const ItemPtr item = desk_.onlyItem();
  drawing_->setVisible(!item);
  picture_->setVisible(item != nullptr);
  outline_->setVisible(item && shownPhoto(*item));
  if (!item) {
    heading_->setText(tr("Lay down a shape or a photo"));
    return;
  }
  heading_->setText(tr("“%1” · select a second item to combine them").arg(QString::fromStdString(item->name)));
  picture_->setPixmap(QPixmap::fromImage(pictureOf({item}, desk_.photos(), picture_->size(), devicePixelRatioF())));
}

}  // namespace widecut
