#include "app/bench/words_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/bench/page_layout.h"
#include "app/look/theme.h"
#include "painting/item_picture.h"
#include "project/forms/words.h"
#include "project/resolve.h"
#include "words/text_breaks.h"

namespace widecut {

WordsPage::WordsPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = pageColumn(*this);
  heading_ = pageHeading({}, *this);
  heading_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
  column->addWidget(heading_);
  auto* row = new QHBoxLayout;
  row->setSpacing(12);
  column->addLayout(row);
  picture_ = new QLabel(this);
  picture_->setFixedSize(160, 92);
  picture_->setAlignment(Qt::AlignCenter);
  row->addWidget(picture_);
  auto* beside = new QVBoxLayout;
  row->addLayout(beside, 1);
  fit_ = new QLabel(this);
  fit_->setObjectName("fit");
  beside->addWidget(fit_);
  auto* actions = new QHBoxLayout;
  actions->setSpacing(8);
  beside->addLayout(actions);
  beside->addStretch(1);
  for (const CommandId id : {CommandId::TypeOn, CommandId::FrameToWords, CommandId::LettersToFrame,
                             CommandId::BringInPhoto, CommandId::Reframe, CommandId::Bake}) {
    auto* button = buttonFor(id, this);
    button->setMinimumHeight(28);
    actions->addWidget(button);
    buttons_.push_back(button);
    if (id == CommandId::Reframe) reframe_ = button;
    if (id == CommandId::FrameToWords) frame_ = button;
    if (id == CommandId::LettersToFrame) letters_ = button;
  }
  actions->addStretch(1);
  column->addStretch(1);
}

void WordsPage::refresh(bool) {
  const ItemPtr item = desk_.onlyItem();
  const Words* words = item ? wordsOf(*item) : nullptr;
  picture_->setVisible(words);
  for (QPushButton* button : buttons_) button->setVisible(words);
  if (!words) {
    heading_->setText(desk_.joinForNew() ? tr("Click on the sheet and type: the words are cut as they are typed")
                                         : tr("Click on the sheet and type, or drag a frame first"));
    theme::makeSecondary(*fit_);
    fit_->setText(
        tr("Words are a form like any other: they hold a photo, cut a panel, are cut with the knife, and can "
           "still be typed on."));
    return;
  }
  heading_->setText(tr("“%1” · select a second item to combine them").arg(QString::fromStdString(item->name)));
  picture_->setPixmap(QPixmap::fromImage(pictureOf({item}, desk_.photos(), picture_->size(), devicePixelRatioF())));
  reframe_->setVisible(shownPhoto(*item).has_value());
  letters_->setVisible(!words->set().fits());
  frame_->setText(words->content().frame ? command(CommandId::FrameToWords).buttonWords() : tr("Give it a frame"));
  const SetWords& set = words->set();
  const auto letters = letterStops(words->content().text).size() - 1, lines = set.lines.size();
  const QString size = tr("%1 on %2")
                           .arg(letters == 1 ? tr("one letter") : tr("%1 letters").arg(letters),
                                lines == 1 ? tr("one line") : tr("%1 lines").arg(lines));
  const auto over = lines - set.shown;
  if (over == 0) {
    theme::makeSecondary(*fit_);
    fit_->setText(words->content().frame ? tr("%1 · all of it fits").arg(size) : size);
  } else {
    theme::makeProblem(*fit_);
    fit_->setText(tr("%1 · %2").arg(size, over == 1 ? tr("the last one does not fit into the frame")
                                                    : tr("the last %1 do not fit into the frame").arg(over)));
  }
}

}  // namespace widecut
