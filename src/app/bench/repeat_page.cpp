#include "app/bench/repeat_page.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QRegularExpression>
#include <algorithm>

#include "app/bench/page_layout.h"
#include "app/desk/repeating.h"
#include "app/panels/panel_parts.h"
#include "app/widgets/clear_layout.h"
#include "app/widgets/number_control.h"
#include "app/widgets/swatch.h"
#include "app/widgets/typed_field.h"
#include "project/edits/repeats.h"
#include "project/resolve.h"
#include "shapes/pattern_numbers.h"

namespace widecut {
namespace {

constexpr int rows = 3;
constexpr std::size_t chosenKinds[] = {patternRow, patternGrid, patternRing, patternMirror};

/// As in “2, 5”: people count copies from 1.
QString listOf(const std::vector<int>& copies) {
  QStringList all;
  for (const int copy : copies) all << QString::number(copy + 1);
  return all.join(", ");
}

}  // namespace

RepeatPage::RepeatPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = pageColumn(*this);
  column->setSpacing(6);
  auto* top = new QHBoxLayout;
  column->addLayout(top);
  heading_ = pageHeading({}, *this);
  heading_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
  top->addWidget(heading_, 1);
  top->addWidget(buildKinds());
  release_ = buttonFor(CommandId::Ungroup, this);
  top->addWidget(release_);
  auto* row = new QHBoxLayout;
  row->setSpacing(18);
  column->addLayout(row, 1);
  auto* numbers = new QWidget(this);
  grid_ = new QGridLayout(numbers);
  grid_->setContentsMargins(0, 0, 0, 0);
  grid_->setHorizontalSpacing(16);
  grid_->setVerticalSpacing(7);
  row->addWidget(sidewaysScroll(*numbers, *this), 1);
  row->addWidget(buildCopies(), 0, Qt::AlignTop);
  connect(&desk, &Desk::copyChosen, this, [this] {
    if (isVisible()) refresh(false);
  });
}

QWidget* RepeatPage::buildKinds() {
  auto* box = new QWidget(this);
  auto* row = new QHBoxLayout(box);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(4);
  for (const std::size_t kind : chosenKinds) {
    const PatternKind& declared = patternKinds()[kind];
    auto* button = new QPushButton(inQt(declared.name), box);
    button->setObjectName("pattern " + inQt(declared.name));
    button->setToolTip(inQt(declared.meaning));
    button->setCheckable(true);
    connect(button, &QPushButton::clicked, this, [this, kind] { takeKind(kind); });
    row->addWidget(button);
    kinds_.push_back(button);
  }
  return box;
}

QWidget* RepeatPage::buildCopies() {
  auto* box = new QWidget(this);
  auto* grid = new QGridLayout(box);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(6);
  grid->setVerticalSpacing(6);
  auto* caption = new QLabel(tr("left out"), box);
  theme::makeSecondary(*caption);
  grid->addWidget(caption, 0, 0);
  leftOut_ = new TypedField(
      "leftOut", tr("Copies that are left out, by their numbers"),
      [this](const QString& text) { return takeLeftOut(text); }, box);
  leftOut_->setToolTip(tr("The numbers of copies, from 1: 2, 5. On the mat a click on a copy's dot does it."));
  leftOut_->setFixedWidth(150);
  grid->addWidget(leftOut_, 0, 1, 1, 2);
  copy_ = new QLabel(box);
  theme::makeSecondary(*copy_);
  grid->addWidget(copy_, 1, 0, 1, 3);
  colour_ = new QPushButton(box);
  colour_->setObjectName("copyColour");
  colour_->setAccessibleName(tr("Colour of this copy"));
  grid->addWidget(colour_, 2, 0, Qt::AlignLeft);
  connect(colour_, &QPushButton::clicked, this, [this] {
    const Repeat* now = repeat(desk_.settled());
    const int copy = desk_.chosenCopy();
    if (!now || copy < 0) return;
    const auto edit = [this, copy](const Project& p, std::optional<Colour> colour) {
      const Repeat* before = repeat(p);
      Project out = p;
      if (before)
        for (const ItemPtr& item : shownIn(*before, copy)) {
          Style style = *item->style;
          setColour(style, colour);
          out = withOwnLook(out, id(), copy, item->id, style);
        }
      return out;
    };
    openColours(*colour_, *this, desk_, trial_,
                {tr("Colour of a copy"), tr("no fill"), colourOf(*shownIn(*now, copy)[0]->style), edit});
  });
  const auto button = [&](const QString& words, const char* name, const QString& tip, int place) {
    auto* made = new QPushButton(words, box);
    made->setObjectName(name);
    made->setToolTip(tip);
    grid->addWidget(made, 2, place);
    return made;
  };
  like_ = button(tr("Like the others"), "likeTheOthers", tr("This copy looks like the other ones again"), 1);
  all_ = button(tr("All like it"), "allLikeIt", tr("Every copy looks like this one"), 2);
  connect(like_, &QPushButton::clicked, this,
          [this] { desk_.commit(tr("Like the others"), withoutOwnLook(desk_.settled(), id(), desk_.chosenCopy())); });
  connect(all_, &QPushButton::clicked, this, [this] {
    desk_.commit(tr("All like this copy"), withLookForAll(desk_.settled(), id(), desk_.chosenCopy()));
  });
  return box;
}

Id RepeatPage::id() const { return desk_.selection().empty() ? 0 : desk_.selection().front(); }

const Repeat* RepeatPage::repeat(const Project& project) const {
  const ItemPtr item = desk_.selection().size() == 1 ? findItem(project, id()) : nullptr;
  return item ? repeatOf(*item) : nullptr;
}

void RepeatPage::buildNumbers(const Pattern& pattern) {
  if (built_ == pattern.index() && unit_ == desk_.unit()) return;
  built_ = pattern.index();
  unit_ = desk_.unit();
  clearLayout(*grid_);
  controls_.clear();
  const auto numbers = kindOf(pattern).numbers;
  for (std::size_t i = 0; i < numbers.size(); ++i) {
    auto* control = new NumberControl(numbers[i].number, unit_, this);
    const auto with = [this, i](double value) {
      const Repeat* now = repeat(desk_.settled());
      if (!now || now->pattern.index() != built_) return desk_.settled();
      return withPattern(desk_.settled(), id(), withNumber(now->pattern, i, firstBox(*now), value));
    };
    const QString name = inQt(numbers[i].number.name);
    connect(control, &NumberControl::tried, this, [this, with](double value) { trial_.show(with(value)); });
    connect(control, &NumberControl::settled, this, [this, with, name](double value) {
      trial_.drop();
      desk_.commit(tr("Change %1").arg(name), with(value));
    });
    connect(control, &NumberControl::dropped, this, [this] { trial_.drop(); });
    grid_->addWidget(control, static_cast<int>(i) % rows, static_cast<int>(i) / rows, Qt::AlignLeft | Qt::AlignTop);
    controls_.push_back(control);
  }
  const int columns = (static_cast<int>(numbers.size()) + rows - 1) / rows;
  grid_->setRowStretch(rows, 1);
  for (int i = 0; i < 5; ++i) grid_->setColumnStretch(i, i == columns ? 1 : 0);
}

void RepeatPage::takeKind(std::size_t kind) {
  const Repeat* now = repeat(desk_.settled());
  if (now && now->pattern.index() != kind)
    desk_.commit(tr("Another kind of repeat"),
                 withPattern(desk_.settled(), id(), asKind(now->pattern, kind, firstBox(*now))));
  refresh(false);
}

QString RepeatPage::takeLeftOut(const QString& text) {
  const Repeat* now = repeat(desk_.settled());
  if (!now || text == listOf(now->leftOut)) return {};
  std::vector<int> wanted;
  for (const QString& word : text.split(QRegularExpression("[,;\\s]+"), Qt::SkipEmptyParts)) {
    bool isNumber = false;
    const int copy = word.toInt(&isNumber);
    const auto count = static_cast<int>(countOf(now->pattern));
    if (!isNumber || copy < 1 || copy > count)
      return tr("“%1” is no number of a copy: they go from 1 to %2").arg(word).arg(count);
    wanted.push_back(copy - 1);
  }
  Project changed = desk_.settled();
  for (const int copy : now->leftOut)
    if (std::find(wanted.begin(), wanted.end(), copy) == wanted.end())
      changed = withLeftOut(changed, id(), copy, false);
  for (const int copy : wanted) changed = withLeftOut(changed, id(), copy, true);
  desk_.commit(tr("Leave copies out"), std::move(changed));
  return {};
}

void RepeatPage::refreshCopies(const Repeat& now) {
  leftOut_->show(listOf(now.leftOut));
  const int copy = desk_.chosenCopy();
  const bool isChosen = copy >= 0 && static_cast<std::size_t>(copy) < countOf(now.pattern);
  copy_->setText(isChosen ? tr("copy %1 of its own:").arg(copy + 1) : tr("Shift-click a dot for one copy of its own"));
  const bool isOwn =
      std::any_of(now.looks.begin(), now.looks.end(), [&](const OwnLook& look) { return look.copy == copy; });
  for (QPushButton* button : {colour_, like_, all_}) button->setVisible(isChosen);
  like_->setEnabled(isOwn);
  all_->setEnabled(isOwn);
  if (isChosen) paintSwatch(*colour_, colourOf(*shownIn(now, copy)[0]->style));
}

void RepeatPage::refresh(bool) {
  const Repeat* now = repeat(desk_.project());
  if (!now) return;
  const ItemPtr item = findItem(desk_.project(), id());
  const std::size_t count = countOf(now->pattern), shown = count - now->leftOut.size();
  const QString copies = shown == count ? tr("%1 copies").arg(count) : tr("%1 of %2 copies").arg(shown).arg(count);
  heading_->setText(
      tr("“%1” · %2 · a double click changes all of them").arg(QString::fromStdString(item->name), copies));
  release_->setText(tr("Separate the copies  Shift+G"));
  buildNumbers(now->pattern);
  const Box first = firstBox(*now);
  const double room = 4 * std::max({first.width(), first.height(), 50.0});
  const auto numbers = kindOf(now->pattern).numbers;
  for (std::size_t i = 0; i < controls_.size(); ++i) controls_[i]->show(numbers[i].value(now->pattern, first), room);
  for (std::size_t i = 0; i < kinds_.size(); ++i) kinds_[i]->setChecked(chosenKinds[i] == now->pattern.index());
  refreshCopies(*now);
}

}  // namespace widecut
