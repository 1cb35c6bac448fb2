#include "app/panels/guide_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QToolButton>
#include <algorithm>

#include "app/desk/preferences.h"
#include "app/look/theme.h"
#include "app/panels/panel_parts.h"
#include "app/widgets/clear_layout.h"
#include "app/widgets/measure_field.h"
#include "app/widgets/typed_field.h"
#include "project/edits/sheets.h"
#include "project/limits.h"

namespace widecut {
namespace {

constexpr int lineHeight = 26, mostLines = 5;

QToolButton* small(const QString& words, const QString& tip, const QString& name, QWidget* parent) {
  auto* button = new QToolButton(parent);
  button->setText(words);
  button->setToolTip(tip);
  button->setAccessibleName(tip);
  button->setObjectName(name);
  button->setAutoRaise(true);
  return button;
}

}  // namespace

GuidePage::GuidePage(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  setObjectName("guidePage");
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  auto* buttons = new QHBoxLayout;
  for (const bool upright : {true, false}) {
    auto* button = new QPushButton(upright ? tr("Vertical guide") : tr("Horizontal guide"), this);
    button->setObjectName(upright ? "addUprightGuide" : "addLevelGuide");
    button->setToolTip(tr("In the middle of the sheet, to be typed on. Guides are also pulled out of the rulers."));
    connect(button, &QPushButton::clicked, this, [this, upright] { add(upright); });
    buttons->addWidget(button);
  }
  column->addLayout(buttons);
  list_ = new QWidget(this);
  lines_ = new QVBoxLayout(list_);
  lines_->setContentsMargins(0, 0, 0, 0);
  lines_->setSpacing(2);
  auto* scroll = new QScrollArea(this);
  scroll->setWidgetResizable(true);
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setFocusPolicy(Qt::NoFocus);
  scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll->setWidget(list_);
  column->addWidget(scroll);
}

void GuidePage::add(bool upright) {
  if (!preferences().showsGuides) prefer([](Preferences& p) { p.showsGuides = true; });
  const Box box = desk_.sheet()->box();
  const Id sheet = desk_.sheet()->id;
  const Guide guide{upright, upright ? box.centre().x : box.centre().y};
  if (!desk_.commit(tr("Lay a guide"), withGuide(desk_.settled(), sheet, guide))) return;
  // The new one is to be typed on.
  const auto own = guidesOf(desk_.settled(), sheet).size();
  if (QLayoutItem* last = lines_->itemAt(static_cast<int>(own) - 1); last && last->widget()) {
    auto* field = last->widget()->findChild<MeasureField*>();
    field->setFocus();
    field->selectAll();
  }
}

void GuidePage::set(const GuidePlace& place, const QString& step, const std::function<void(Guide&)>& change) {
  const Guide* guide = findGuide(desk_.settled(), place);
  if (!guide) return;
  Guide changed = *guide;
  change(changed);
  desk_.commit(step, withGuideSet(desk_.settled(), place, changed));
}

QWidget* GuidePage::line(const GuidePlace& place, const Guide& guide) {
  auto* box = new QWidget(list_);
  auto* row = new QHBoxLayout(box);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(3);
  const bool isOfPiece = place.owner != desk_.sheet()->id;
  const QString number =
      isOfPiece ? tr("all sheets' guide %1").arg(place.number + 1) : tr("guide %1").arg(place.number + 1);
  auto* axis = new QLabel(guide.upright ? tr("x") : tr("y"), box);
  axis->setFixedWidth(10);
  theme::makeSecondary(*axis);
  row->addWidget(axis);
  auto* at = new MeasureField(tr("%1 at").arg(number), unit_, {}, box);
  at->setObjectName(number + " at");
  at->setFixedWidth(82);
  at->show(guide.at);
  at->setReadOnly(guide.locked);
  tryWith(*at, desk_, trial_, tr("Move a guide"), [this, place](const Project& p, double v) {
    const Guide* now = findGuide(p, place);
    if (!now) return p;
    Guide moved = *now;
    moved.at = std::clamp(v, -limits::mostSide, 2 * limits::mostSide);
    return withGuideSet(p, place, moved);
  });
  row->addWidget(at);
  const auto rename = [this, place](const QString& typed) {
    const std::string text = shortened(typed.trimmed().toStdString());
    set(place, tr("Name a guide"), [&](Guide& one) { one.name = text; });
    return QString();
  };
  auto* name = new TypedField(number + " name", tr("Name of %1").arg(number), rename, box);
  name->show(QString::fromStdString(guide.name));
  name->setPlaceholderText(tr("name"));
  name->setMinimumWidth(40);
  row->addWidget(name, 1);
  auto* all = small(isOfPiece ? "≡" : "–",
                    isOfPiece ? tr("On all sheets of the piece: click for this one alone")
                              : tr("On this sheet alone: click for all of the piece"),
                    number + " all", box);
  connect(all, &QToolButton::clicked, this, [this, place, isOfPiece] {
    const Id sheet = desk_.sheet()->id;
    desk_.commit(tr("Sheets of a guide"),
                 withGuideOf(desk_.settled(), place, isOfPiece ? sheet : pieceOf(desk_.settled(), sheet)->id));
  });
  row->addWidget(all);
  auto* lock = small({}, guide.locked ? tr("Unlock") : tr("Lock"), number + " lock", box);
  lock->setIcon(theme::icon(guide.locked ? "lock" : "lock-open"));
  connect(lock, &QToolButton::clicked, this,
          [this, place] { set(place, tr("Lock a guide"), [](Guide& one) { one.locked = !one.locked; }); });
  row->addWidget(lock);
  auto* gone = small("×", tr("Take it away"), number + " gone", box);
  connect(gone, &QToolButton::clicked, this,
          [this, place] { desk_.commit(tr("Take a guide away"), withoutGuide(desk_.settled(), place)); });
  row->addWidget(gone);
  box->setFixedHeight(lineHeight);
  return box;
}

void GuidePage::refresh() {
  const Project& project = desk_.project();
  std::vector<std::pair<GuidePlace, Guide>> now;
  for (const GuidePlace& place : guidesOn(project, desk_.sheet()->id))
    now.emplace_back(place, *findGuide(project, place));
  if (now == shown_ && unit_ == desk_.unit()) return;
  // While one is typed on its line stays: only its number changes.
  const auto isAlike = [&] {
    return unit_ == desk_.unit() &&
           std::equal(now.begin(), now.end(), shown_.begin(), shown_.end(), [](const auto& a, const auto& b) {
             Guide there = b.second;
             there.at = a.second.at;
             return a.first == b.first && a.second == there;
           });
  };
  const bool stays = isAlike();
  unit_ = desk_.unit();
  shown_ = now;
  if (stays) {
    for (std::size_t i = 0; i < now.size(); ++i)
      lines_->itemAt(static_cast<int>(i))->widget()->findChild<MeasureField*>()->show(now[i].second.at);
    return;
  }
  clearLayout(*lines_);
  for (const auto& [place, guide] : now) lines_->addWidget(line(place, guide));
  lines_->addStretch(1);
  auto* scroll = findChild<QScrollArea*>();
  const int lines = std::min(static_cast<int>(now.size()), mostLines);
  scroll->setFixedHeight(lines * (lineHeight + 2));
  scroll->setVisible(lines > 0);
}

}  // namespace widecut
