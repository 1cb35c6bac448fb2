#include "app/bench/node_numbers.h"

#include <QGridLayout>
#include <QLabel>
#include <QPushButton>

#include "app/desk/reshape.h"
#include "app/look/theme.h"
#include "app/tools/line_tool.h"
#include "app/widgets/measure_field.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr const char* cornerWords[] = {
    QT_TRANSLATE_NOOP("NodeNumbers", "sharp"), QT_TRANSLATE_NOOP("NodeNumbers", "round"),
    QT_TRANSLATE_NOOP("NodeNumbers", "scoop"), QT_TRANSLATE_NOOP("NodeNumbers", "bevel"),
    QT_TRANSLATE_NOOP("NodeNumbers", "step"),  QT_TRANSLATE_NOOP("NodeNumbers", "notch")};

QLabel* caption(const QString& words, QWidget* parent) {
  auto* label = new QLabel(words, parent);
  theme::makeSecondary(*label);
  label->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
  return label;
}

}  // namespace

NodeNumbers::NodeNumbers(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(6);
  grid->setVerticalSpacing(3);
  const Unit unit = desk.unit();
  grid->addWidget(caption(tr("x, y"), this), 0, 0);
  grid->addWidget(field(Number::X, tr("x of the node"), unit, {}, 80), 0, 1);
  grid->addWidget(field(Number::Y, tr("y of the node"), unit, {}, 80), 0, 2);
  grid->addWidget(caption(tr("handle before"), this), 1, 0);
  grid->addWidget(field(Number::InLength, tr("length of the handle before"), unit, {}, 80), 1, 1);
  grid->addWidget(field(Number::InAngle, tr("angle of the handle before"), Unit::Plain, "°", 80), 1, 2);
  grid->addWidget(caption(tr("after"), this), 2, 0);
  grid->addWidget(field(Number::OutLength, tr("length of the handle after"), unit, {}, 80), 2, 1);
  grid->addWidget(field(Number::OutAngle, tr("angle of the handle after"), Unit::Plain, "°", 80), 2, 2);
  grid->addWidget(caption(tr("axis"), this), 3, 0);
  auto* axis = field(Number::Axis, tr("angle of the axis"), Unit::Plain, "°", 80);
  axis->setToolTip(tr("Of mirror editing: 0 is upright, 90 lies across"));
  grid->addWidget(axis, 3, 1);
  grid->addWidget(caption(tr("   corners"), this), 0, 3);
  for (std::size_t i = 0; i < std::size(kinds_); ++i) {
    kinds_[i] = new QPushButton(tr(cornerWords[i]), this);
    kinds_[i]->setObjectName(QString("corner ") + cornerWords[i]);
    kinds_[i]->setCheckable(true);
    kinds_[i]->setFixedWidth(56);
    connect(kinds_[i], &QPushButton::clicked, this, [this, i] { takeCorner(static_cast<CornerKind>(i)); });
    grid->addWidget(kinds_[i], static_cast<int>(i / 2), 4 + static_cast<int>(i % 2));
  }
  grid->addWidget(caption(tr("size"), this), 3, 3);
  grid->addWidget(field(Number::CornerSize, tr("size of the corner"), unit, {}, 80), 3, 4, 1, 2);
}

MeasureField* NodeNumbers::field(Number number, const QString& name, Unit unit, const QString& suffix, int width) {
  auto* made = new MeasureField(name, unit, suffix, this);
  made->setFixedWidth(width);
  connect(made, &MeasureField::tried, this, [this, number](double v) { tryNumber(number, v); });
  connect(made, &MeasureField::settled, this, [this, number](double v) {
    tryNumber(number, v);
    const bool made = trial_.settle(number == Number::CornerSize ? tr("Set corner")
                                    : number == Number::Axis     ? tr("Move the axis")
                                    : number <= Number::Y        ? tr("Move node")
                                                                 : tr("Move handle"));
    if (const auto now = corner(); made && number == Number::CornerSize && now && desk_.chosenNodes().empty())
      desk_.noteAgain({tr("Set corner"), cornersTreated(*now)});
  });
  connect(made, &MeasureField::dropped, this, [this] { trial_.drop(); });
  return fields_[static_cast<std::size_t>(number)] = made;
}

std::optional<Corner> NodeNumbers::corner() const {
  std::optional<Corner> found;
  const auto agree = [&](const Corner& corner) {
    if (found && *found != corner) return false;
    found = corner;
    return true;
  };
  const NodesOfItems& nodes = desk_.chosenNodes();
  const auto items = nodes.empty() ? itemsWithCorners(desk_.project(), desk_.selection())
                                   : itemsWithNodes(desk_.project(), desk_.selection());
  for (const ItemPtr& item : items) {
    const auto paths = corneredPaths(*item);
    for (std::size_t p = 0; p < paths->size(); ++p)
      for (std::size_t i = 0; i < (*paths)[p].nodes.size(); ++i)
        if ((nodes.empty() || isChosen(nodes, item->id, {p, i})) && !agree((*paths)[p].nodes[i].corner))
          return std::nullopt;
  }
  return found;
}

Project NodeNumbers::withCorner(const Corner& corner) const {
  if (!desk_.chosenNodes().empty()) return withCorners(desk_.settled(), desk_.chosenNodes(), corner);
  return cornersTreated(corner)(desk_.settled(), desk_.selection());
}

void NodeNumbers::takeCorner(CornerKind kind) {
  trial_.drop();
  const auto now = corner();
  double size = now && !now->isSharp() ? now->size : size_;
  if (!(size > 0)) {
    // As it suits the item: a tenth of its smaller extent.
    const auto items = itemsWithCorners(desk_.settled(), desk_.selection());
    if (items.empty()) return;
    const Box box = boxInFrame(*items.front());
    size = std::max(std::min(box.width(), box.height()) / 10, 0.1);
  }
  if (kind != CornerKind::Sharp) size_ = size;
  const Corner taken = kind == CornerKind::Sharp ? Corner{} : Corner{kind, size};
  const QString name = kind == CornerKind::Sharp ? tr("Make sharp") : tr("Treat corner");
  if (desk_.commit(name, withCorner(taken)) && desk_.chosenNodes().empty())
    desk_.noteAgain({name, cornersTreated(taken)});
  refresh();
}

std::optional<double> NodeNumbers::valueOf(Number number) const {
  if (number == Number::CornerSize) {
    const auto now = corner();
    return now && !now->isSharp() ? std::optional(now->size) : std::nullopt;
  }
  if (number == Number::Axis) {
    for (const ItemPtr& item : itemsWithNodes(desk_.project(), desk_.selection()))
      if (const auto axis = axisOf(*item)) {
        const Point way = frameToSheet(desk_.project(), item->id).vector(axis->along);
        const double angle = std::fmod(degrees(std::atan2(-way.x, way.y)) + 360, 180);
        return std::abs(angle - 180) < 1e-9 ? 0 : angle;
      }
    return std::nullopt;
  }
  const NodesOfItems& nodes = desk_.chosenNodes();
  const bool isPlace = number == Number::X || number == Number::Y;
  if (nodes.empty() || (!isPlace && countOf(nodes) != 1)) return std::nullopt;
  const auto& [id, places] = *nodes.begin();
  const ItemPtr item = findItem(desk_.project(), id);
  const auto paths = item ? nodesOf(*item) : std::nullopt;
  if (!paths || places.front().path >= paths->size()) return std::nullopt;
  const NodePath& path = (*paths)[places.front().path];
  if (places.front().node >= path.nodes.size()) return std::nullopt;
  if (isPlace) {
    // Of several, where they begin.
    const Box box = boxOf(desk_.project(), nodes);
    return number == Number::X ? box.low.x : box.low.y;
  }
  const Node& n = path.nodes[places.front().node];
  const bool before = number == Number::InLength || number == Number::InAngle;
  if (path.isEnd(places.front().node) && before == (places.front().node == 0)) return std::nullopt;
  const Point way = frameToSheet(desk_.project(), id).vector((before ? n.in : n.out) - n.at);
  if (number == Number::InLength || number == Number::OutLength) return length(way);
  return way == Point{} ? std::nullopt : std::optional(degreesOf(way));
}

Project NodeNumbers::changed(Number number, double value) const {
  const Project& settled = desk_.settled();
  if (number == Number::CornerSize) {
    const auto now = corner();
    return now ? withCorner({now->kind, std::max(0.0, value)}) : settled;
  }
  if (number == Number::Axis) {
    Project out = settled;
    for (const ItemPtr& item : itemsWithNodes(settled, desk_.selection()))
      if (const auto before = axisOf(*item)) {
        MirrorAxis axis = axisFor(desk_, *item, radians(value));
        axis.through = before->through;
        out = withAxis(out, item->id, axis);
      }
    return out;
  }
  const NodesOfItems& nodes = desk_.chosenNodes();
  if (nodes.empty()) return settled;
  const auto& [id, places] = *nodes.begin();
  if (number == Number::X || number == Number::Y) {
    const Box box = boxOf(settled, nodes);
    const Point by = number == Number::X ? Point{value - box.low.x, 0} : Point{0, value - box.low.y};
    return withNodesMapped(settled, nodes, Affine::move(by), placeOnSheet(settled, id, places.front()));
  }
  const ItemPtr item = findItem(settled, id);
  const NodePlace place = places.front();
  const Node n = (*nodesOf(*item))[place.path].nodes[place.node];
  const bool before = number == Number::InLength || number == Number::InAngle;
  const Affine frame = frameToSheet(settled, id), back = frame.inverse().value_or(Affine{});
  const Point now = frame.vector((before ? n.in : n.out) - n.at);
  double size = length(now), angle = degreesOf(now);
  if (now == Point{}) angle = before ? 180 : 0;
  if (number == Number::InLength || number == Number::OutLength)
    size = std::max(0.0, value);
  else
    angle = value;
  const Point way = Point{std::cos(radians(angle)), -std::sin(radians(angle))} * size;
  const Point to = n.at + back.vector(way);
  return withReshaped(settled, id, to, [&](const NodePaths& paths) {
    NodePaths after = paths;
    after[place.path] =
        withHandle(after[place.path], place.node, before ? Side::In : Side::Out, size > 0 ? to : n.at, false);
    return after;
  });
}

void NodeNumbers::tryNumber(Number number, double value) { trial_.show(changed(number, value)); }

void NodeNumbers::refresh() {
  for (std::size_t i = 0; i < std::size(fields_); ++i) {
    const auto number = static_cast<Number>(i);
    const bool isAngle = number == Number::InAngle || number == Number::OutAngle || number == Number::Axis;
    if (!isAngle) fields_[i]->setUnit(desk_.unit());
    fields_[i]->show(valueOf(number));
  }
  const auto now = corner();
  for (std::size_t i = 0; i < std::size(kinds_); ++i)
    kinds_[i]->setChecked(now && (now->isSharp() ? CornerKind::Sharp : now->kind) == static_cast<CornerKind>(i));
}

}  // namespace widecut
