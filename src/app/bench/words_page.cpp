#include "app/bench/words_page.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/bench/page_layout.h"
#include "app/bench/starter_strip.h"
#include "app/bench/words_styles.h"
#include "app/desk/word_looks.h"
#include "app/look/in_qt.h"
#include "app/look/shown_picture.h"
#include "app/look/theme.h"
#include "app/widgets/numbers_grid.h"
#include "app/widgets/typed_field.h"
#include "painting/item_picture.h"
#include "project/edits/starters.h"
#include "project/resolve.h"
#include "words/text_breaks.h"

namespace widecut {
namespace {

constexpr int rows = 3;
constexpr std::size_t mostTyped = 2;  // fields of words in a group
constexpr double sliderEnd = 72;      // points

}  // namespace

WordsPage::WordsPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  const CrowdedPage page = crowdedPage(*this);
  heading_ = headingOf(*page.top, *this);
  const auto addSwitch = [&](const QString& caption, const char* name, int group) {
    auto* made = pageButton(*this, caption, name, {});
    made->setCheckable(true);
    connect(made, &QPushButton::clicked, this, [this, group] {
      trial_.drop();
      chosen_ = group;
      refresh(false);
    });
    page.top->addWidget(made);
    return made;
  };
  sits_ = addSwitch(tr("How they sit"), "groupSits", howTheySit);
  const auto& groups = wordsGroups();
  for (std::size_t i = 0; i < groups.size(); ++i)
    switches_.push_back(addSwitch(tr(groups[i].caption), groups[i].name, static_cast<int>(i)));
  named_ = addSwitch(tr("Styles"), "groupStyles", styles);
  outlines_ = addSwitch(tr("Outline"), "groupOutline", outlineKinds);
  outlines_->setToolTip(tr("Another outline for the frame: wave panel, star, arch …"));
  sitsBox_ = buildSits();
  page.column->addWidget(sitsBox_);
  groupBox_ = new QWidget(this);
  auto* row = new QHBoxLayout(groupBox_);
  row->setContentsMargins(0, 2, 0, 0);
  row->setSpacing(18);
  numbers_ = new NumbersGrid(rows, groupBox_);
  row->addWidget(sidewaysScroll(*numbers_, *this), 1);
  row->addWidget(buildTyped(), 0, Qt::AlignTop);
  page.column->addWidget(groupBox_, 1);
  stylesBox_ = new WordsStyles(desk, this);
  page.column->addWidget(stylesBox_);
  kinds_ = buildKinds();
  page.column->addWidget(kinds_, 1);
  page.column->addStretch(0);
  connect(numbers_, &NumbersGrid::tried, this, [this](int number, double value) {
    if (!trial_.isShown()) desk_.settleAll();
    trial_.show(changed(number, value));
  });
  connect(numbers_, &NumbersGrid::settled, this, [this](int number, double value) {
    trial_.drop();
    desk_.settleAll();
    const WordsGroup* g = group();
    if (!g) return;
    desk_.commit(tr("Change %1").arg(inQt(g->numbers[static_cast<std::size_t>(number)]->name)), changed(number, value));
    if (g->setStyle) {
      TextStyle next = desk_.textStyleForNew();
      g->setStyle(next, number, value);
      if (desk_.selection().empty()) desk_.setTextStyleForNew(next);
    }
    refresh(false);
  });
  connect(numbers_, &NumbersGrid::dropped, this, [this] { trial_.drop(); });
  connect(&desk, &Desk::typedStretchChanged, this, [this] {
    if (isVisible() && chosen_ != howTheySit) refresh(false);
  });
}

StarterRow* WordsPage::buildKinds() {
  auto* made = new StarterRow(desk_, StartersModel::Shelved::No, this);
  made->setObjectName("frameOutlines");
  made->setAccessibleName(tr("Another outline for the frame"));
  made->findByTyping();
  const auto with = [this](const Offer& offer) {
    return withKind(desk_.settled(), desk_.onlyItem()->id, *offer.kind, offer.numbers);
  };
  connect(made, &StarterRow::pointedAt, this, [this, with](const Offer& offer) {
    if (offer.kind && desk_.onlyItem() && chosen_ == outlineKinds)
      trial_.point(with(offer));
    else if (desk_.isPointing())
      trial_.drop();
  });
  connect(made, &StarterRow::chosen, this, [this, with](const Offer& offer) {
    trial_.drop();
    if (desk_.onlyItem()) desk_.commit(tr("Another outline"), with(offer));
  });
  return made;
}

QWidget* WordsPage::buildSits() {
  auto* box = new QWidget(this);
  auto* row = new QHBoxLayout(box);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(12);
  picture_ = new QLabel(box);
  picture_->setFixedSize(160, 88);
  pause_.setSingleShot(true);
  pause_.setInterval(250);
  connect(&pause_, &QTimer::timeout, this, &WordsPage::showPicture);
  picture_->setAlignment(Qt::AlignCenter);
  row->addWidget(picture_);
  auto* beside = new QVBoxLayout;
  row->addLayout(beside, 1);
  fit_ = new QLabel(box);
  fit_->setObjectName("fit");
  beside->addWidget(fit_);
  auto* actions = new QHBoxLayout;
  actions->setSpacing(8);
  beside->addLayout(actions);
  beside->addStretch(1);
  for (const CommandId id : {CommandId::TypeOn, CommandId::FrameToWords, CommandId::LettersToFrame,
                             CommandId::WholeStory, CommandId::BringInPhoto, CommandId::Reframe, CommandId::Bake}) {
    auto* button = buttonFor(id, box);
    button->setMinimumHeight(28);
    actions->addWidget(button);
    buttons_.push_back(button);
    if (id == CommandId::Reframe) reframe_ = button;
    if (id == CommandId::FrameToWords) frame_ = button;
    if (id == CommandId::LettersToFrame) letters_ = button;
  }
  actions->addStretch(1);
  return box;
}

QWidget* WordsPage::buildTyped() {
  auto* box = new QWidget(this);
  auto* grid = new QGridLayout(box);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setVerticalSpacing(5);
  for (std::size_t i = 0; i < mostTyped; ++i) {
    Typed one{new QLabel(box), new TypedField(
                                   {}, {},
                                   [this, i](const QString& text) {
                                     settleWords(i, text);
                                     return QString();
                                   },
                                   box)};
    one.caption->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    theme::makeSecondary(*one.caption);
    one.field->setFixedWidth(170);
    grid->addWidget(one.caption, static_cast<int>(i), 0);
    grid->addWidget(one.field, static_cast<int>(i), 1);
    typed_.push_back(one);
  }
  return box;
}

const WordsGroup* WordsPage::group() const {
  return chosen_ < 0 ? nullptr : &wordsGroups()[static_cast<std::size_t>(chosen_)];
}

Words::Content WordsPage::content(const Words* words) const {
  Words::Content out;
  if (words) {
    out.frame = words->content().frame;
    out.along = words->content().along;
  }
  out.style = chosenTextStyle(desk_);
  return out;
}

Project WordsPage::changed(int number, double value) const {
  const WordsGroup* g = group();
  if (!g) return desk_.settled();
  if (g->setFrame)
    return withTextFrames(desk_.settled(), desk_.selection(), [&](TextFrame& f) { g->setFrame(f, number, value); });
  if (g->setAlong)
    return withAlongLines(desk_.settled(), desk_.selection(), [&](AlongLine& a) { g->setAlong(a, number, value); });
  return withChosenTextStyle(desk_, [&](TextStyle& style) { g->setStyle(style, number, value); });
}

void WordsPage::settleWords(std::size_t field, const QString& text) {
  const WordsGroup* g = group();
  if (!g || field >= g->words.size()) return;
  const TextAspect aspect = g->words[field];
  const std::string typed = text.trimmed().toStdString();
  if (valueOf(chosenTextStyle(desk_), aspect) == AspectValue(typed)) return;
  desk_.settleAll();
  const auto change = [&](TextStyle& style) { setValue(style, aspect, typed); };
  desk_.commit(tr("Change %1").arg(inQt(entryOf(aspect).words)), withChosenTextStyle(desk_, change));
  refresh(false);
}

void WordsPage::refresh(bool) {
  const ItemPtr item = desk_.onlyItem();
  const Words* words = item ? wordsOf(*item) : nullptr;
  if (const WordsGroup* g = group(); g && !g->applies(words)) chosen_ = howTheySit;
  const auto& groups = wordsGroups();
  const bool isAny = words || desk_.typedOn() != 0;
  sits_->setVisible(isAny);
  sits_->setChecked(chosen_ == howTheySit);
  named_->setVisible(isAny);
  named_->setChecked(chosen_ == styles);
  for (std::size_t i = 0; i < groups.size(); ++i) {
    switches_[i]->setVisible(isAny && groups[i].applies(words));
    switches_[i]->setChecked(static_cast<int>(i) == chosen_);
  }
  const bool hasFrame = words && words->content().frame && words->content().on == 0;
  if (!isAny || (chosen_ == outlineKinds && !hasFrame)) chosen_ = howTheySit;
  outlines_->setVisible(hasFrame);
  outlines_->setChecked(chosen_ == outlineKinds);
  kinds_->setVisible(chosen_ == outlineKinds);
  sitsBox_->setVisible(chosen_ == howTheySit);
  stylesBox_->setVisible(chosen_ == styles);
  groupBox_->setVisible(chosen_ >= 0);
  if (words)
    heading_->setText(tr("“%1” · select a second item to combine them").arg(QString::fromStdString(item->name)));
  else
    heading_->setText(desk_.joinForNew() ? tr("Click on the sheet and type: the words are cut as they are typed")
                                         : tr("Click on the sheet and type, or drag a frame first"));
  if (chosen_ == howTheySit)
    showFit(words);
  else if (chosen_ == styles)
    stylesBox_->refresh();
  else if (chosen_ != outlineKinds)
    showGroup(words);
}

void WordsPage::showGroup(const Words* words) {
  const WordsGroup& g = *group();
  numbers_->build(g.numbers, desk_.unit());
  numbers_->show(g.values(content(words)), sliderEnd);
  const TextStyle style = chosenTextStyle(desk_);
  for (std::size_t i = 0; i < typed_.size(); ++i) {
    const bool shows = i < g.words.size();
    typed_[i].caption->setVisible(shows);
    typed_[i].field->setVisible(shows);
    if (!shows) continue;
    const AspectEntry& entry = entryOf(g.words[i]);
    typed_[i].caption->setText(inQt(entry.words));
    typed_[i].field->setObjectName("words " + inQt(entry.name));
    typed_[i].field->setAccessibleName(inQt(entry.words));
    typed_[i].field->setToolTip(inQt(entry.meaning));
    // What it is like stands between the quotes.
    typed_[i].field->setPlaceholderText(inQt(entry.meaning).section(u'“', 1, 1).section(u'”', 0, 0));
    typed_[i].field->show(QString::fromStdString(std::get<std::string>(valueOf(style, g.words[i]))));
  }
}

void WordsPage::showPicture() {
  pause_.stop();
  const ItemPtr item = desk_.onlyItem();
  if (!item || !wordsOf(*item)) return;
  pictured_ = item->id;
  task_.run([this, item, &photos = desk_.photos(), size = picture_->size(), ratio = devicePixelRatioF()] {
    return [this, image = shownOnPanel(pictureOf({item}, photos, size, ratio))] {
      picture_->setPixmap(QPixmap::fromImage(image));
    };
  });
}

void WordsPage::showFit(const Words* words) {
  picture_->setVisible(words);
  for (QPushButton* button : buttons_) button->setVisible(words);
  if (!words) {
    theme::makeSecondary(*fit_);
    fit_->setText(
        tr("Words are a form like any other: they hold a photo, cut a panel, are cut with the knife, and can "
           "still be typed on."));
    return;
  }
  const ItemPtr item = desk_.onlyItem();
  if (pictured_ != item->id) picture_->clear();  // it is not of these words
  if (desk_.typedOn() == item->id && pictured_ == item->id)
    pause_.start();
  else
    showPicture();
  reframe_->setVisible(shownPhoto(*item).has_value());
  letters_->setVisible(words->content().frame && words->content().flowsFrom == 0);
  frame_->setVisible(!words->content().along);
  frame_->setText(words->content().frame ? command(CommandId::FrameToWords).buttonWords() : tr("Give it a frame"));
  const SetWords& set = words->set();
  const std::string& text = words->story();
  const std::size_t from = set.lines.front().from, to = set.lines.back().to;
  const auto letters = letterStops(std::string_view(text).substr(from, to - from)).size() - 1, lines = set.lines.size();
  const QString size = tr("%1 on %2")
                           .arg(letters == 1 ? tr("one letter") : tr("%1 letters").arg(letters),
                                lines == 1 ? tr("one line") : tr("%1 lines").arg(lines));
  if (set.fits()) {
    theme::makeSecondary(*fit_);
    fit_->setText(words->content().frame || words->content().along ? tr("%1 · all of it fits").arg(size) : size);
    return;
  }
  theme::makeProblem(*fit_);
  const auto over = lines - set.shown;
  if (words->content().along) {
    const SetLine& rest = set.lines[set.shown];
    const auto left = letterStops(std::string_view(text).substr(rest.from, to - rest.from)).size() - 1;
    fit_->setText(left == 1 ? tr("the last letter does not fit on the line")
                            : tr("the last %1 letters do not fit on the line").arg(left));
    return;
  }
  fit_->setText(tr("%1 · %2").arg(size, over == 1 ? tr("the last one does not fit into the frame")
                                                  : tr("the last %1 do not fit into the frame").arg(over)));
}

}  // namespace widecut
