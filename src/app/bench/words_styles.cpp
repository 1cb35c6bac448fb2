#include "app/bench/words_styles.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QPushButton>

#include "app/desk/word_looks.h"
#include "app/look/in_qt.h"
#include "app/look/theme.h"
#include "app/widgets/typed_field.h"
#include "project/edits/text_styles.h"

namespace widecut {
namespace {

/// A paragraph's style but for its drop cap, which of a whole text is the first one's own.
TextStyle withoutDrop(TextStyle style) {
  const TextStyle usual;
  style.dropLines = usual.dropLines;
  style.dropLetters = usual.dropLetters;
  style.dropGap = usual.dropGap;
  style.dropHugs = usual.dropHugs;
  return style;
}

/// Where of a whole text what looks like its beginning stands, paragraph by paragraph; of a part of one, that part.
std::vector<ChosenStretch> alike(const Desk& desk, const ChosenStretch& chosen) {
  if (desk.typedOn() != 0) return {chosen};
  const Words::Content& c = wordsOf(*findItem(desk.settled(), chosen.words))->content();
  const TextStyle first = withoutDrop(paragraphStyle(c.looks, c.style, 0));
  std::vector<ChosenStretch> out;
  for (std::size_t at = 0; at <= c.text.size();) {
    const std::size_t end = paragraphEnd(c.text, at);
    if (withoutDrop(paragraphStyle(c.looks, c.style, at)) == first) out.push_back({chosen.words, at, end});
    at = end + 1;
  }
  return out;
}

/// The project with a style given to all that is chosen.
Project withGiven(const Desk& desk, const Project& project, bool isOfParagraphs, const NamedLookPtr& style) {
  Project next = project;
  for (const ChosenStretch& one : chosenStretches(desk))
    next = withTextStyleGiven(next, one.words, one.from, one.to, isOfParagraphs, style);
  return next;
}

}  // namespace

WordsStyles::WordsStyles(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(8);
  grid->setVerticalSpacing(5);
  const auto head = [&](const QString& text, int column) {
    auto* label = new QLabel(text, this);
    theme::makeSecondary(*label);
    grid->addWidget(label, 0, column);
  };
  head(tr("style"), 1);
  head(tr("its name"), 2);
  head(tr("based on"), 3);
  for (int i = 0; i < 2; ++i) {
    rows_[i] = buildRow(i == 0);
    const Row& row = rows_[i];
    auto* caption = new QLabel(i == 0 ? tr("paragraphs") : tr("letters"), this);
    caption->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    theme::makeSecondary(*caption);
    int column = 0;
    for (QWidget* one :
         std::initializer_list<QWidget*>{caption, row.style, row.name, row.basedOn, row.make, row.take, row.remove})
      grid->addWidget(one, i + 1, column++);
  }
  grid->setColumnStretch(7, 1);
  grid->setRowStretch(3, 1);
}

WordsStyles::Row WordsStyles::buildRow(bool isOfParagraphs) {
  const QString which = isOfParagraphs ? "Paragraphs" : "Letters";
  const QString spoken = isOfParagraphs ? tr("paragraphs") : tr("letters");
  Row row{isOfParagraphs,
          new QComboBox(this),
          new QComboBox(this),
          new TypedField(
              {}, {},
              [this, isOfParagraphs](const QString& text) {
                rename(rows_[isOfParagraphs ? 0 : 1], text);
                return QString();
              },
              this),
          new QPushButton(tr("Make one of this look"), this),
          new QPushButton(tr("Take on this look"), this),
          new QPushButton(tr("Remove"), this)};
  constexpr int wide = 150, narrow = 120;
  const auto name = [&](QWidget* widget, const char* object, const QString& words, int width) {
    widget->setObjectName(object + which);
    widget->setAccessibleName(words.arg(spoken));
    if (width > 0) widget->setFixedWidth(width);
  };
  name(row.style, "style", tr("Style of %1"), wide);
  name(row.name, "styleName", tr("Name of the style of %1"), narrow);
  name(row.basedOn, "styleBase", tr("What the style of %1 is based on"), wide);
  name(row.make, "styleMake", tr("Make a style of %1 of how they look"), 0);
  name(row.take, "styleTake", tr("Give the style of %1 the look of what is chosen"), 0);
  name(row.remove, "styleRemove", tr("Remove the style of %1; words keep their look"), 0);
  for (QPushButton* button : {row.make, row.take, row.remove}) button->setToolTip(button->accessibleName());
  connect(row.style, &QComboBox::activated, this,
          [this, row](int i) { give(row, findTextStyle(desk_.settled(), row.style->itemData(i).toUInt())); });
  connect(row.basedOn, &QComboBox::activated, this,
          [this, row](int i) { base(row, row.basedOn->itemData(i).toUInt()); });
  connect(row.make, &QPushButton::clicked, this, [this, row] { make(row); });
  connect(row.take, &QPushButton::clicked, this, [this, row] { take(row); });
  connect(row.remove, &QPushButton::clicked, this, [this, row] { remove(row); });
  return row;
}

NamedLookPtr WordsStyles::chosen(const Row& row) const {
  const auto stretches = chosenStretches(desk_);
  const ItemPtr item = stretches.empty() ? nullptr : findItem(desk_.settled(), stretches.front().words);
  return item ? textStyleAt(wordsOf(*item)->content(), stretches.front().from, row.isOfParagraphs) : nullptr;
}

Look WordsStyles::lookNow(const Row& row, const NamedLookPtr& basedOn) const {
  const auto stretches = chosenStretches(desk_);
  const ItemPtr item = stretches.empty() ? nullptr : findItem(desk_.settled(), stretches.front().words);
  if (!item) return {};
  const Words::Content& c = wordsOf(*item)->content();
  TextStyle paragraph = paragraphStyle(c.looks, c.style, paragraphBegin(c.text, stretches.front().from));
  if (desk_.typedOn() == 0) paragraph = withoutDrop(paragraph);
  return row.isOfParagraphs ? lookOfParagraph(paragraph, basedOn)
                            : lookOfLetters(chosenTextStyle(desk_), paragraph, basedOn);
}

void WordsStyles::give(const Row& row, const NamedLookPtr& style) {
  desk_.settleAll();
  desk_.commit(style ? tr("Give a style") : tr("Take the style away"),
               withGiven(desk_, desk_.settled(), row.isOfParagraphs, style));
  refresh();
}

void WordsStyles::make(const Row& row) {
  desk_.settleAll();
  NamedLook look;
  look.isOfParagraphs = row.isOfParagraphs;
  look.name = (row.isOfParagraphs ? tr("Paragraphs") : tr("Letters")).toStdString();
  look.look = lookNow(row, nullptr);
  std::uint32_t number = 0;
  Project next = withTextStyleAdded(desk_.settled(), look, number);
  const NamedLookPtr style = findTextStyle(next, number);
  // Nothing is to look otherwise by that.
  for (const ChosenStretch& chosen : chosenStretches(desk_))
    for (const ChosenStretch& one : alike(desk_, chosen))
      next = withTextStyleGiven(next, one.words, one.from, one.to, row.isOfParagraphs, style);
  desk_.commit(tr("Make a style"), std::move(next));
  refresh();
  row.name->setFocus();
  row.name->selectAll();
}

void WordsStyles::take(const Row& row) {
  desk_.settleAll();
  const NamedLookPtr style = chosen(row);
  if (!style) return;
  const Look look = lookNow(row, style->basedOn);
  Project next = withTextStyleChanged(desk_.settled(), style->number, [&](NamedLook& named) { named.look = look; });
  // What it was taken from has no look of its own in that any more.
  ChosenStretch from = chosenStretches(desk_).front();
  if (desk_.typedOn() == 0 && row.isOfParagraphs) from.to = from.from;
  next =
      withTextStyleGiven(next, from.words, from.from, from.to, row.isOfParagraphs, findTextStyle(next, style->number));
  desk_.commit(tr("Change a style"), std::move(next));
  refresh();
}

void WordsStyles::rename(const Row& row, const QString& text) {
  const NamedLookPtr style = chosen(row);
  const std::string name = text.trimmed().toStdString();
  if (!style || name.empty() || name == style->name) return;
  desk_.settleAll();
  desk_.commit(tr("Rename a style"),
               withTextStyleChanged(desk_.settled(), style->number, [&](NamedLook& named) { named.name = name; }));
  refresh();
}

void WordsStyles::base(const Row& row, std::uint32_t on) {
  desk_.settleAll();
  const NamedLookPtr style = chosen(row);
  if (!style) return;
  const NamedLookPtr other = findTextStyle(desk_.settled(), on);
  desk_.commit(tr("Base a style on another"),
               withTextStyleChanged(desk_.settled(), style->number, [&](NamedLook& named) { named.basedOn = other; }));
  refresh();
}

void WordsStyles::remove(const Row& row) {
  desk_.settleAll();
  if (const NamedLookPtr style = chosen(row))
    desk_.commit(tr("Remove a style"), withoutTextStyle(desk_.settled(), style->number));
  refresh();
}

void WordsStyles::fill(const Row& row) {
  const NamedLookPtr now = chosen(row);
  const QSignalBlocker quietStyle(row.style), quietBase(row.basedOn);
  row.style->clear();
  row.basedOn->clear();
  row.style->addItem(tr("none"), 0U);
  row.basedOn->addItem(tr("nothing"), 0U);
  for (const NamedLookPtr& style : desk_.settled().textStyles) {
    if (style->isOfParagraphs != row.isOfParagraphs) continue;
    row.style->addItem(inQt(style->name), style->number);
    if (now && !isBasedOn(style, now->number)) row.basedOn->addItem(inQt(style->name), style->number);
  }
  row.style->setCurrentIndex(now ? row.style->findData(now->number) : 0);
  row.basedOn->setCurrentIndex(now && now->basedOn ? row.basedOn->findData(now->basedOn->number) : 0);
  for (QWidget* one : std::initializer_list<QWidget*>{row.name, row.basedOn, row.take, row.remove})
    one->setEnabled(now != nullptr);
  row.name->show(now ? inQt(now->name) : QString());
}

void WordsStyles::refresh() {
  for (const Row& row : rows_) fill(row);
}

}  // namespace widecut
