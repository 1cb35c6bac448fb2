#include "app/bench/offset_page.h"

// The bench's page for an offset, or the outline of a line.
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/bench/page_layout.h"
#include "app/widgets/measure_field.h"
#include "project/edits/pieces.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr int atOnce = 120;  // nodes up to which the result is there before the next key; more are worked out meanwhile

}  // namespace

OffsetPage::OffsetPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = pageColumn(*this);
  heading_ = pageHeading({}, *this);
  column->addWidget(heading_);
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  column->addLayout(row);
  offsetRow_ = new QWidget(this);
  auto* offset = new QHBoxLayout(offsetRow_);
  offset->setContentsMargins(0, 0, 0, 0);
  offset->addWidget(new QLabel(tr("distance"), this));
  distance_ = new MeasureField(tr("distance"), Unit::Millimetre, {}, this);
  distance_->setFixedWidth(90);
  distance_->setToolTip(tr("Positive grows, negative shrinks"));
  offset->addWidget(distance_);
  row->addWidget(offsetRow_);
  lineRow_ = new QWidget(this);
  auto* line = new QHBoxLayout(lineRow_);
  line->setContentsMargins(0, 0, 0, 0);
  line->addWidget(new QLabel(tr("width"), this));
  width_ = new MeasureField(tr("width of the line"), Unit::Point, {}, this);
  width_->setFixedWidth(80);
  line->addWidget(width_);
  const auto aligned = [&](const QString& name, Alignment a) {
    choice(
        *line, name, [this, a] { desk_.lineShape.alignment = a; },
        [this, a] { return desk_.lineShape.alignment == a; });
  };
  aligned(tr("on the edge"), Alignment::Centre);
  aligned(tr("inside"), Alignment::Inside);
  aligned(tr("outside"), Alignment::Outside);
  row->addWidget(lineRow_);
  row->addSpacing(10);
  row->addWidget(new QLabel(tr("corners"), this));
  const auto joined = [&](const QString& name, Join j) {
    choice(
        *row, name, [this, j] { desk_.offsetJoin = desk_.lineShape.join = j; },
        [this, j] { return desk_.offsetJoin == j; });
  };
  joined(tr("mitred"), Join::Mitre);
  joined(tr("round"), Join::Round);
  joined(tr("bevelled"), Join::Bevel);
  row->addStretch(1);
  auto* cancel = new QPushButton(tr("Leave it  Esc"), this);
  connect(cancel, &QPushButton::clicked, this, [this] { desk_.setTool(ToolKind::Select); });
  auto* done = new QPushButton(tr("Done  Enter"), this);
  done->setObjectName("offsetDone");
  done->setProperty("primary", true);
  connect(done, &QPushButton::clicked, this, &OffsetPage::finish);
  row->addWidget(cancel);
  row->addWidget(done);
  said_ = new QLabel(this);
  said_->setObjectName("offsetSaid");
  said_->setWordWrap(true);
  column->addWidget(said_);
  column->addStretch(1);

  const auto distanceTo = [this](double v) {
    desk_.offsetDistance = v;
    tryOut();
  };
  const auto widthTo = [this](double v) {
    desk_.lineShape.width = v;
    tryOut();
  };
  connect(distance_, &MeasureField::tried, this, distanceTo);
  connect(width_, &MeasureField::tried, this, widthTo);
  connect(distance_, &MeasureField::settled, this, distanceTo);
  connect(width_, &MeasureField::settled, this, widthTo);
  connect(&desk, &Desk::toolChanged, this, &OffsetPage::leave);
  for (MeasureField* field : {distance_, width_}) {
    connect(field, &MeasureField::entered, this, &OffsetPage::finish);
    connect(field, &MeasureField::dropped, this, [this] { desk_.setTool(ToolKind::Select); });
  }
}

QPushButton* OffsetPage::choice(QBoxLayout& row, const QString& name, const std::function<void()>& choose,
                                const std::function<bool()>& chosen) {
  auto* b = new QPushButton(name, this);
  b->setObjectName("choose " + name);
  b->setCheckable(true);
  connect(b, &QPushButton::clicked, this, [this, choose] {
    choose();
    tryOut();
  });
  row.addWidget(b);
  choices_.emplace_back(b, chosen);
  return b;
}

void OffsetPage::tryOut() {
  const bool line = desk_.tool() == ToolKind::LineOutline;
  const auto ids = desk_.selection();
  int nodes = 0;
  for (const Id id : ids)
    if (const ItemPtr item = findItem(desk_.settled(), id)) nodes += counts(resolved(*item)->outline).nodes;
  auto work = [line, ids, project = desk_.settled(), distance = desk_.offsetDistance, join = desk_.offsetJoin,
               shape = desk_.lineShape] {
    return line ? withLineOutlined(project, ids, shape) : withOffset(project, ids, distance, join);
  };
  if (nodes <= atOnce) {
    task_.drop();
    take(work());
    return;
  }
  task_.run([this, work] {
    auto changed = std::make_shared<Result<Project>>(work());
    return [this, changed] { take(std::move(*changed)); };
  });
  say(tr("Working it out… Esc leaves things as they were."), false);
  refresh(false);
}

void OffsetPage::take(Result<Project> changed) {
  trying_ = true;
  if (changed) {
    say(desk_.tool() == ToolKind::LineOutline
            ? tr("The line becomes an outline of its own, filled with its colour.")
            : tr("Positive grows, negative shrinks. Cutouts become plain outlines; undo brings recipes back."),
        false);
    trial_.show(std::move(*changed));
  } else {
    say(QString::fromStdString(changed.error().message), true);
    trial_.drop();
  }
  trying_ = false;
  refresh(false);
  if (finishing_) settle();
}

void OffsetPage::say(const QString& text, bool isProblem) {
  isProblem ? theme::makeProblem(*said_) : theme::makeSecondary(*said_);
  said_->setText(text);
}

void OffsetPage::finish() {
  finishing_ = true;
  if (!task_.isBusy()) tryOut();
}

void OffsetPage::settle() {
  finishing_ = false;
  if (!trial_.isShown()) return;
  trial_.settle(desk_.tool() == ToolKind::LineOutline ? tr("Outline the line") : tr("Offset"));
  desk_.setTool(ToolKind::Select);
}

void OffsetPage::leave() {
  if (desk_.tool() == ToolKind::Offset || desk_.tool() == ToolKind::LineOutline) return;
  finishing_ = false;
  task_.drop();
  trial_.drop();
}

void OffsetPage::refresh(bool selection) {
  const bool line = desk_.tool() == ToolKind::LineOutline;
  offsetRow_->setVisible(!line);
  lineRow_->setVisible(line);
  distance_->setUnit(desk_.unit());
  width_->setUnit(desk_.fineUnit());
  const auto ids = desk_.selection();
  const ItemPtr first = ids.empty() ? nullptr : findItem(desk_.settled(), ids.front());
  const QString name =
      ids.size() == 1 && first ? "“" + QString::fromStdString(first->name) + "”" : tr("%1 items").arg(ids.size());
  heading_->setText(line ? tr("Outline of the line of %1").arg(name) : tr("Offset %1").arg(name));
  if (selection && !trying_) {
    if (line && first && lineOf(*first->style)) desk_.lineShape = lineOf(*first->style)->shape;
    if (!ids.empty()) {
      tryOut();
      (line ? width_ : distance_)->setFocus();
      (line ? width_ : distance_)->selectAll();
    }
    return;
  }
  distance_->show(desk_.offsetDistance);
  width_->show(desk_.lineShape.width);
  for (const auto& [button, chosen] : choices_) button->setChecked(chosen());
}

}  // namespace widecut
