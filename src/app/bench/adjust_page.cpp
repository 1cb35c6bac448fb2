#include "app/bench/adjust_page.h"

#include <QHBoxLayout>
#include <QPushButton>

#include "app/bench/page_layout.h"
#include "app/look/in_qt.h"
#include "app/panels/panel_parts.h"
#include "app/widgets/numbers_grid.h"
#include "app/widgets/swatch.h"
#include "project/edits/fills.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr int rows = 4;

/// What the item's photo is adjusted by.
Adjustments adjustmentsOf(const ItemPtr& item) {
  const auto shown = item ? shownPhoto(*item) : std::nullopt;
  return shown && shown->adjustments ? *shown->adjustments : Adjustments{};
}

}  // namespace

ItemPtr firstPhotoItem(const Desk& desk) {
  for (const Id id : desk.selection())
    if (const ItemPtr item = findItem(desk.project(), id); item && shownPhoto(*item)) return item;
  return nullptr;
}

AdjustPage::AdjustPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  const CrowdedPage page = crowdedPage(*this);
  QVBoxLayout* column = page.column;
  QHBoxLayout* top = page.top;
  heading_ = headingOf(*top, *this);
  dark_ = pageButton(*this, {}, "darkTone", tr("What black becomes in two tones"));
  dark_->setAccessibleName(tr("Dark one of two tones"));
  light_ = pageButton(*this, {}, "lightTone", tr("What white becomes in two tones"));
  light_->setAccessibleName(tr("Light one of two tones"));
  asItIs_ = pageButton(*this, tr("As it is"), "asItIs", tr("The photo as it was brought in"));
  QPushButton* done = pageButton(*this, tr("Done"), "adjustDone", tr("What the bench showed before (Shift+R)"));
  for (QPushButton* button : {dark_, light_, asItIs_, done}) top->addWidget(button);
  connect(dark_, &QPushButton::clicked, this,
          [this] { openColour(*dark_, tr("Dark tone of a photo"), &Adjustments::dark); });
  connect(light_, &QPushButton::clicked, this,
          [this] { openColour(*light_, tr("Light tone of a photo"), &Adjustments::light); });
  connect(asItIs_, &QPushButton::clicked, this, [this] { make(tr("Photo as it is"), [](Adjustments& a) { a = {}; }); });
  connect(done, &QPushButton::clicked, &desk_, &Desk::leavePaint);
  grid_ = new NumbersGrid(rows, this);
  column->addWidget(sidewaysScroll(*grid_, *this), 1);
  std::vector<const StarterNumber*> numbers;
  for (const StarterNumber& number : adjustmentNumbers()) numbers.push_back(&number);
  grid_->build(std::move(numbers), Unit::Point);
  const auto with = [](int i, double value) {
    return [i, value](Adjustments& a) {
      a.set(static_cast<Adjusting>(i), within(adjustmentNumbers()[static_cast<std::size_t>(i)], value));
    };
  };
  connect(grid_, &NumbersGrid::tried, this,
          [this, with](int i, double value) { trial_.show(edited(desk_.settled(), with(i, value))); });
  connect(grid_, &NumbersGrid::settled, this, [this, with](int i, double value) {
    make(tr("Change %1").arg(inQt(adjustmentNumbers()[static_cast<std::size_t>(i)].name)), with(i, value));
  });
  connect(grid_, &NumbersGrid::dropped, this, [this] { trial_.drop(); });
}

Project AdjustPage::edited(const Project& project, const Edit& edit) const {
  return withAdjustments(project, desk_.selection(), edit);
}

void AdjustPage::make(const QString& name, const Edit& edit) {
  trial_.drop();
  if (!desk_.commit(name, edited(desk_.settled(), edit))) return;
  desk_.noteAgain(
      {name, [edit](const Project& p, const std::vector<Id>& ids) { return withAdjustments(p, ids, edit); }});
}

void AdjustPage::openColour(QPushButton& button, const QString& words, Colour Adjustments::*which) {
  const auto edit = [this, which](const Project& p, std::optional<Colour> colour) {
    return edited(p, [&](Adjustments& a) {
      if (colour) a.*which = *colour;
    });
  };
  openColours(button, *this, desk_, trial_, {words, {}, adjustmentsOf(firstPhotoItem(desk_)).*which, edit});
}

void AdjustPage::refresh(bool) {
  const ItemPtr item = firstPhotoItem(desk_);
  if (!item) return;
  const auto shown = shownPhoto(*item);
  heading_->setText(tr("Adjust “%1”").arg(QString::fromStdString(shown->medium->name)));
  const Adjustments now = adjustmentsOf(item);
  grid_->show(now.numbers, 1);
  const bool isToned = now.of(Adjusting::TwoTones) > 0;
  for (QPushButton* button : {dark_, light_}) button->setVisible(isToned);
  paintSwatch(*dark_, now.dark);
  paintSwatch(*light_, now.light);
  asItIs_->setEnabled(!now.isNeutral());
}

}  // namespace widecut
