#include "app/bench/arrange_page.h"

#include <QGridLayout>
#include <QLabel>
#include <QPushButton>

#include "app/bench/action_card.h"
#include "app/bench/page_layout.h"
#include "app/look/theme.h"
#include "app/widgets/cards.h"
#include "app/widgets/clear_layout.h"
#include "app/widgets/measure_field.h"
#include "painting/item_picture.h"
#include "project/edits/places.h"
#include "project/lookup.h"

namespace widecut {
namespace {

constexpr QSize pictureSize{82, 46};
constexpr std::size_t atOnce = 30;  // items up to which the pictures are there at once; of more they follow

constexpr const char* alignWords[] = {
    QT_TRANSLATE_NOOP("ArrangePage", "Left edges"),   QT_TRANSLATE_NOOP("ArrangePage", "Middles across"),
    QT_TRANSLATE_NOOP("ArrangePage", "Right edges"),  QT_TRANSLATE_NOOP("ArrangePage", "Upper edges"),
    QT_TRANSLATE_NOOP("ArrangePage", "Middles down"), QT_TRANSLATE_NOOP("ArrangePage", "Lower edges"),
    QT_TRANSLATE_NOOP("ArrangePage", "Base lines")};
static_assert(std::size(alignWords) == std::size(allInLine));
constexpr const char* targetWords[] = {
    QT_TRANSLATE_NOOP("ArrangePage", "one another"), QT_TRANSLATE_NOOP("ArrangePage", "the first selected"),
    QT_TRANSLATE_NOOP("ArrangePage", "the sheet"), QT_TRANSLATE_NOOP("ArrangePage", "the margins"),
    QT_TRANSLATE_NOOP("ArrangePage", "the nearest column")};
static_assert(std::size(targetWords) == std::size(allAlignTo));

/// Round all that is moved and what it is moved to, so that pictures can be compared.
Box around(const Project& project, const std::vector<Id>& ids, AlignTo to) {
  Box box = alignBox(project, ids, AlignTo::Selection);
  box.add(alignBox(project, ids, to));
  return box;
}

}  // namespace

ArrangePage::ArrangePage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  const CrowdedPage page = crowdedPage(*this);
  QVBoxLayout* column = page.column;
  QHBoxLayout* top = page.top;
  column->setSpacing(6);
  heading_ = pageHeading({}, *this);
  top->addWidget(heading_);
  addTargets(*top);
  lines_ = new QPushButton(tr("with lines"), this);
  lines_->setObjectName("alignWithLines");
  lines_->setToolTip(tr("The lines drawn round items count, and not their outlines alone"));
  lines_->setCheckable(true);
  connect(lines_, &QPushButton::clicked, this, [this](bool on) {
    of_ = on ? BoxOf::WithLines : BoxOf::Outline;
    refresh(true);
  });
  top->addSpacing(8);
  top->addWidget(lines_);
  top->addStretch(1);
  back_ = buttonFor(CommandId::ArrangeItems, this);
  top->addWidget(back_);
  auto* row = new QHBoxLayout;
  row->setSpacing(14);
  column->addLayout(row, 1);
  auto* fields = new QWidget(this);
  auto* grid = new QGridLayout(fields);
  grid->setContentsMargins(0, 0, 0, 0);
  across_ = gapField(tr("gap across"), true);
  down_ = gapField(tr("gap down"), false);
  for (int i = 0; i < 2; ++i) {
    auto* caption = new QLabel(i == 0 ? tr("gap across") : tr("gap down"), fields);
    theme::makeSecondary(*caption);
    grid->addWidget(caption, i, 0);
    grid->addWidget(i == 0 ? across_ : down_, i, 1);
  }
  row->addWidget(fields, 0, Qt::AlignTop);
  auto* holder = new QWidget(this);
  cards_ = new QHBoxLayout(holder);
  cards_->setContentsMargins(0, 0, 0, 0);
  cards_->setSpacing(6);
  row->addWidget(sidewaysScroll(*holder, *this), 1);
}

void ArrangePage::addTargets(QHBoxLayout& row) {
  for (const AlignTo to : allAlignTo) {
    auto* button = new QPushButton(tr(targetWords[static_cast<std::size_t>(to)]), this);
    button->setObjectName(QString("alignTo ") + targetWords[static_cast<std::size_t>(to)]);
    button->setCheckable(true);
    connect(button, &QPushButton::clicked, this, [this, to] {
      to_ = to;
      refresh(true);
    });
    row.addWidget(button);
    targets_.push_back(button);
  }
}

MeasureField* ArrangePage::gapField(const QString& name, bool across) {
  auto* field = new MeasureField(name, Unit::Millimetre, {}, this);
  field->setObjectName(name);
  field->setFixedWidth(90);
  const auto with = [this, across](double gap) -> ItemsChange {
    return [across, gap, of = of_](const Project& p, const std::vector<Id>& ids) {
      return withEqualGaps(p, ids, across, gap, of);
    };
  };
  connect(field, &MeasureField::tried, this,
          [this, with](double v) { trial_.show(with(v)(desk_.settled(), desk_.selection())); });
  connect(field, &MeasureField::settled, this, [this, with](double v) { make(tr("Set gaps"), with(v)); });
  connect(field, &MeasureField::dropped, this, [this] { trial_.drop(); });
  return field;
}

void ArrangePage::make(const QString& name, const ItemsChange& change) {
  trial_.drop();
  if (desk_.commit(name, change(desk_.settled(), desk_.selection()))) desk_.noteAgain({name, change});
}

std::vector<ArrangePage::Action> ArrangePage::actions() const {
  std::vector<Action> all;
  const bool isOne = desk_.selection().size() == 1;
  if (!isOne)
    all.push_back(
        {tr("Neaten"), "Neaten", [](const Project& p, const std::vector<Id>& ids) { return neatened(p, ids); }});
  for (const InLine align : allInLine) {
    const char* word = alignWords[static_cast<std::size_t>(align)];
    all.push_back({tr(word), word, [align, to = to_, of = of_](const Project& p, const std::vector<Id>& ids) {
                     return withAligned(p, ids, align, to, of);
                   }});
  }
  if (isOne) return all;
  for (const bool across : {true, false}) {
    all.push_back({across ? tr("Gaps across") : tr("Gaps down"), across ? "Gaps across" : "Gaps down",
                   [across, of = of_](const Project& p, const std::vector<Id>& ids) {
                     return withEqualGaps(p, ids, across, std::nullopt, of);
                   }});
    all.push_back({across ? tr("Same width") : tr("Same height"), across ? "Same width" : "Same height",
                   [across](const Project& p, const std::vector<Id>& ids) { return withEqualSize(p, ids, across); }});
  }
  return all;
}

void ArrangePage::layCards() {
  // What was pointed at and left changed nothing: the cards stay under the pointer.
  const Laid now{desk_.history().current(), desk_.selection(), to_, of_};
  if (now == laid_) return;
  laid_ = now;
  const auto work = [all = actions(), state = desk_.history().current(), ids = desk_.selection(), to = to_,
                     &photos = desk_.photos(), ratio = devicePixelRatioF()] {
    std::vector<Action> worked = all;
    const Box box = around(*state, ids, to);
    for (Action& action : worked) {
      const Project after = action.change(*state, ids);
      action.changes = !isSame(after, *state);
      action.picture = pictureOf(asOnSheet(after, ids), photos, pictureSize, ratio, box);
    }
    return worked;
  };
  if (desk_.selection().size() <= atOnce) {
    task_.drop();
    lay(work());
    return;
  }
  task_.run([this, work] { return [this, worked = work()] { lay(worked); }; });
}

void ArrangePage::lay(const std::vector<Action>& worked) {
  clearLayout(*cards_);
  for (const Action& action : worked) {
    const auto changed = [this, change = action.change] { return change(desk_.settled(), desk_.selection()); };
    const auto press = [this, action] {
      make(action.name, action.change);
      emit keysBack();
    };
    auto* card = actionCard(
        {action.name, "arrange " + action.objectName, changed, press, action.picture, action.changes}, trial_, this);
    cards_->addWidget(card, 0, Qt::AlignTop);
  }
  cards_->addStretch(1);
}

void ArrangePage::refresh(bool selection) {
  const std::vector<Id>& ids = desk_.selection();
  // One item has nothing but the sheet to be aligned with.
  const bool isOne = ids.size() == 1;
  if (isOne && (to_ == AlignTo::Selection || to_ == AlignTo::First)) to_ = AlignTo::Sheet;
  for (std::size_t i = 0; i < targets_.size(); ++i)
    targets_[i]->setVisible(!isOne || (allAlignTo[i] != AlignTo::Selection && allAlignTo[i] != AlignTo::First));
  heading_->setText(isOne ? tr("Align it with") : tr("Align these %1 items with").arg(ids.size()));
  back_->setText(ids.size() == 1 ? tr("Back  E") : tr("What they can become  E"));
  for (std::size_t i = 0; i < targets_.size(); ++i) targets_[i]->setChecked(allAlignTo[i] == to_);
  for (MeasureField* field : {across_, down_}) {
    field->setUnit(desk_.unit());
    field->setEnabled(ids.size() > 1);
  }
  across_->show(commonGap(desk_.project(), ids, true, of_));
  down_->show(commonGap(desk_.project(), ids, false, of_));
  // While something is tried on the mat the cards must stay under the pointer.
  if (selection || !desk_.isTrying()) layCards();
}

}  // namespace widecut
