#include "app/panels/place_page.h"

#include <QCheckBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QToolButton>
#include <algorithm>

#include "app/desk/selecting.h"
#include "app/look/theme.h"
#include "app/panels/panel_parts.h"
#include "app/widgets/drag_caption.h"
#include "app/widgets/measure_field.h"
#include "app/widgets/pivot_grid.h"
#include "project/edits/places.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr double leastSide = 0.1;  // points
constexpr double mostShearDeg = 80;
constexpr PivotPlace topLeft{-1, -1}, middle{0, 0};

QToolButton* smallButton(const QString& icon, const QString& name, const QString& tip, QWidget* parent) {
  auto* button = new QToolButton(parent);
  button->setIcon(theme::icon(icon));
  button->setIconSize({18, 18});
  button->setFixedSize(26, 26);
  button->setFocusPolicy(Qt::TabFocus);
  button->setAccessibleName(name);
  button->setToolTip(tip);
  return button;
}

}  // namespace

PlacePage::PlacePage(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  makeFields();
  auto* grid = panelGrid(this);
  int row = 0;
  grid->addWidget(panelHeading(tr("Place"), this), row++, 0, 1, 3);
  grid->addWidget(new DragCaption(tr("x, y"), x_, y_, this), row, 0);
  grid->setColumnMinimumWidth(0, captionWidth);
  grid->addWidget(x_, row, 1);
  grid->addWidget(y_, row++, 2);
  grid->addWidget(new DragCaption(tr("w, h"), width_, height_, this), row, 0);
  grid->addWidget(width_, row, 1);
  grid->addWidget(height_, row++, 2);
  grid->addWidget(new DragCaption(tr("turn, shear"), turn_, shear_, this), row, 0);
  grid->addWidget(turn_, row, 1);
  grid->addWidget(shear_, row++, 2);
  pivot_ = new PivotGrid(this);
  connect(pivot_, &PivotGrid::chosen, this, [this](std::optional<PivotPlace> place) { desk_.setPivot({place, {}}); });
  grid->addWidget(panelCaption(tr("pivot"), this), row, 0);
  auto* about = new QHBoxLayout;
  about->setSpacing(8);
  about->addWidget(pivot_);
  about->addWidget(buildFlips());
  about->addStretch(1);
  grid->addLayout(about, row++, 1, 1, 2);
  each_ = new QCheckBox(tr("each by itself"), this);
  each_->setObjectName("eachByItself");
  each_->setToolTip(tr("Sizes, turns and flips every selected item in its own place"));
  grid->addWidget(each_, row++, 1, 1, 2);
  grid->setRowMinimumHeight(row, 2);
  connect(&desk, &Desk::pivotChanged, this, &PlacePage::refresh);
  connect(proportions_, &QToolButton::clicked, this, [this](bool on) {
    if (!arePhotos()) keepsProportions_ = on;
  });
  // A photo keeps its proportions unless that is asked otherwise, of this one.
  connect(&desk, &Desk::selectionChanged, this, [this] { proportions_->setChecked(keepsProportions_ || arePhotos()); });
}

bool PlacePage::arePhotos() const {
  const auto& ids = desk_.selection();
  return !ids.empty() && std::all_of(ids.begin(), ids.end(), [&](Id id) {
    const ItemPtr item = findItem(desk_.project(), id);
    return item && showsPicture(*item) && std::holds_alternative<std::shared_ptr<const Outline>>(item->form);
  });
}

Together PlacePage::together() const {
  return each_->isChecked() && desk_.selection().size() > 1 ? Together::No : Together::Yes;
}

MeasureField* PlacePage::field(const QString& name, Unit unit, const QString& suffix, const QString& editName,
                               const Edit& edit, const AgainOf& againOf) {
  auto* made = new MeasureField(name, unit, suffix, this);
  tryWith(*made, desk_, trial_, editName, edit, againOf);
  return made;
}

void PlacePage::makeFields() {
  const auto move = [this](bool alongX) {
    return [this, alongX](const Project& project, double value) {
      const Point at = measuredPoint(placingOf(project, desk_.selection()), desk_.pivot());
      const Point by = alongX ? Point{value - at.x, 0} : Point{0, value - at.y};
      return withMapped(project, unlocked(project, desk_.selection()), Affine::move(by));
    };
  };
  // Once more is as far again, not to the same place; and turned as much further.
  const auto asFar = [this](const Project& before, const Project& after, double) {
    return movedBy(placingOf(after, desk_.selection()).onSheet.low - placingOf(before, desk_.selection()).onSheet.low);
  };
  const auto further = [this](const Project& before, const Project& after, double value) -> ItemsChange {
    const auto from = placingOf(before, desk_.selection()).turnDeg, to = placingOf(after, desk_.selection()).turnDeg;
    return [this, by = from && to ? *to - *from : value](const Project& p, const std::vector<Id>& items) {
      return withFrameMap(p, items, desk_.pivot(), middle, together(),
                          [&](const SelectionFrame&) { return Affine::turn(radians(by)); });
    };
  };
  x_ = field(tr("x"), Unit::Millimetre, {}, tr("Move"), move(true), asFar);
  y_ = field(tr("y"), Unit::Millimetre, {}, tr("Move"), move(false), asFar);
  width_ = field(tr("width"), Unit::Millimetre, {}, tr("Resize"),
                 [this](const Project& p, double v) { return sized(p, v, std::nullopt); });
  height_ = field(tr("height"), Unit::Millimetre, {}, tr("Resize"),
                  [this](const Project& p, double v) { return sized(p, std::nullopt, v); });
  for (MeasureField* side : {width_, height_}) side->setLeast(leastSide);
  turn_ = field(
      tr("turn"), Unit::Plain, "°", tr("Turn"),
      [this](const Project& p, double v) {
        // Of several items nothing is known to start from: what is typed turns them further.
        const double from = desk_.selection().size() == 1 ? placingOf(p, desk_.selection()).turnDeg.value_or(0) : 0;
        return withFrameMap(p, desk_.selection(), desk_.pivot(), middle, together(),
                            [&](const SelectionFrame&) { return Affine::turn(radians(v - from)); });
      },
      further);
  shear_ = field(tr("shear"), Unit::Plain, "°", tr("Shear"), [this](const Project& p, double v) {
    const double slant = std::tan(radians(std::clamp(v, -mostShearDeg, mostShearDeg)));
    return withFrameMap(p, desk_.selection(), desk_.pivot(), middle, together(),
                        [&](const SelectionFrame&) { return Affine{1, 0, -slant, 1, 0, 0}; });
  });
  shear_->setToolTip(tr("Slants it by this angle, on from where it is"));
  proportions_ =
      smallButton("proportions", tr("Keep proportions"), tr("Width and height keep their proportions"), this);
  proportions_->setCheckable(true);
  proportions_->setObjectName("keepProportions");
}

QWidget* PlacePage::buildFlips() {
  auto* box = new QWidget(this);
  auto* row = new QHBoxLayout(box);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(0);
  upright_ = smallButton("upright", tr("Turn back to zero"), tr("Turn back to 0°"), box);
  upright_->setObjectName("turnBack");
  connect(upright_, &QToolButton::clicked, this, [this] {
    desk_.commit(tr("Turn back"),
                 withFrameMap(desk_.settled(), desk_.selection(), desk_.pivot(), middle, Together::No,
                              [](const SelectionFrame& frame) { return Affine::turn(-frame.toSheet.turnAngle()); }));
  });
  auto* across = smallButton("flip-across", tr("Flip left–right"), tr("Left becomes right (M)"), box);
  across->setObjectName("flipAcross");
  connect(across, &QToolButton::clicked, this, [this] { flip(-1, 1, tr("Flip left–right")); });
  auto* down = smallButton("flip-down", tr("Flip top–bottom"), tr("Top becomes bottom (Shift+M)"), box);
  down->setObjectName("flipDown");
  connect(down, &QToolButton::clicked, this, [this] { flip(1, -1, tr("Flip top–bottom")); });
  for (QToolButton* button : {proportions_, upright_, across, down}) row->addWidget(button);
  connect(&desk_, &Desk::flipWanted, this,
          [this](bool alongX) { alongX ? flip(-1, 1, tr("Flip left–right")) : flip(1, -1, tr("Flip top–bottom")); });
  return box;
}

void PlacePage::flip(double across, double down, const QString& name) {
  const auto change = [this, across, down](const Project& project, const std::vector<Id>& items) {
    return withFrameMap(project, unlocked(project, items), desk_.pivot(), middle, together(),
                        [&](const SelectionFrame&) { return Affine::scale(across, down); });
  };
  if (desk_.commit(name, change(desk_.settled(), desk_.selection()))) desk_.noteAgain({name, change});
}

Project PlacePage::sized(const Project& project, std::optional<double> width, std::optional<double> height) const {
  return withFrameMap(
      project, desk_.selection(), desk_.pivot(), topLeft, together(),
      [&](const SelectionFrame& frame) {
        const auto share = [](std::optional<double> wanted, double had) {
          return wanted && had > 0 ? std::max(*wanted, leastSide) / had : 1;
        };
        double across = share(width, frame.box.width()), down = share(height, frame.box.height());
        if (proportions_->isChecked()) (width ? down : across) = width ? across : down;
        return Affine::scale(across, down);
      },
      proportions_->isChecked() ? Frames::Scaled : Frames::Resized);
}

void PlacePage::refresh() {
  const std::vector<Id>& ids = desk_.selection();
  const Placing p = placingOf(desk_.project(), ids);
  const bool placed = !p.onSheet.isEmpty();
  const auto shown = [&](double v) { return placed ? std::optional(v) : std::nullopt; };
  for (MeasureField* length : {x_, y_, width_, height_}) length->setUnit(desk_.unit());
  const Point at = measuredPoint(p, desk_.pivot());
  x_->show(shown(at.x));
  y_->show(shown(at.y));
  const Placing size = together() == Together::No ? placingOf(desk_.project(), {ids.front()}) : p;
  width_->show(shown(size.width));
  height_->show(shown(size.height));
  turn_->show(ids.size() == 1 ? p.turnDeg : shown(0));
  shear_->show(shown(0));
  each_->setVisible(ids.size() > 1);
  pivot_->show(desk_.pivot());
}

}  // namespace widecut
