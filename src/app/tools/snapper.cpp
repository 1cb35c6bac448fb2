#include "app/tools/snapper.h"

#include <QCoreApplication>
#include <QKeyEvent>
#include <algorithm>

#include "app/desk/preferences.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/mat/pointer_label.h"
#include "project/edits/places.h"
#include "project/forms/words.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr double reach = 6;             // pixels
constexpr double turnReach = 1.5;       // degrees
constexpr std::size_t mostNodes = 64;   // of what is moved, as places that come to rest
constexpr std::size_t mostItems = 200;  // that are moved, whose nodes are looked at
constexpr double newReason = 12;        // pixels of the pointer after which the nearest reason counts again

constexpr const char* words[] = {QT_TRANSLATE_NOOP("Snapper", "sheet"),     QT_TRANSLATE_NOOP("Snapper", "bleed"),
                                 QT_TRANSLATE_NOOP("Snapper", "margin"),    QT_TRANSLATE_NOOP("Snapper", "column"),
                                 QT_TRANSLATE_NOOP("Snapper", "fold"),      QT_TRANSLATE_NOOP("Snapper", "guide"),
                                 QT_TRANSLATE_NOOP("Snapper", "grid"),      QT_TRANSLATE_NOOP("Snapper", "edge"),
                                 QT_TRANSLATE_NOOP("Snapper", "middle"),    QT_TRANSLATE_NOOP("Snapper", "node"),
                                 QT_TRANSLATE_NOOP("Snapper", "crossing"),  QT_TRANSLATE_NOOP("Snapper", "outline"),
                                 QT_TRANSLATE_NOOP("Snapper", "tangent"),   QT_TRANSLATE_NOOP("Snapper", "equal gaps"),
                                 QT_TRANSLATE_NOOP("Snapper", "same size"), QT_TRANSLATE_NOOP("Snapper", "same angle")};
static_assert(std::size(words) == static_cast<std::size_t>(SnapKind::count));

bool isMeasured(SnapKind kind) { return kind == SnapKind::Gap || kind == SnapKind::Size; }

void addNodes(const Project& project, Id id, std::vector<Point>& nodes) {
  const ItemPtr item = findItem(project, id);
  if (!item || wordsOf(*item) || isCrowd(*item)) return;
  const Affine frame = frameToSheet(project, id);
  for (const Contour& contour : resolved(*item)->outline.contours) {
    if (nodes.size() > mostNodes) return;
    const bool isJoined = contour.closed && !contour.segments.empty() && contour.segments.back().end == contour.start;
    if (!isJoined) nodes.push_back(frame(contour.start));
    for (const Segment& s : contour.segments) nodes.push_back(frame(s.end));
  }
}

}  // namespace

QString wordOf(SnapKind kind) { return QCoreApplication::translate("Snapper", words[static_cast<std::size_t>(kind)]); }

void Snapper::begin(std::vector<Id> without, std::vector<Point> places) {
  end();
  active_ = true;
  places_ = std::move(places);
  items_ = std::move(without);
  box_ = boxOfItems(desk_.settled());
  if (items_.size() <= mostItems)
    for (const Id id : items_) addNodes(desk_.settled(), id, nodes_);
  if (nodes_.size() > mostNodes) nodes_.clear();
}

void Snapper::beginNodes(const NodesOfItems& moved) {
  end();
  active_ = true;
  for (const auto& [id, places] : moved) {
    items_.push_back(id);
    const ItemPtr item = findItem(desk_.settled(), id);
    const auto paths = item ? nodesOf(*item) : std::nullopt;
    if (!paths) continue;
    const Affine frame = frameToSheet(desk_.settled(), id);
    for (std::size_t p = 0; p < paths->size(); ++p)
      for (std::size_t i = 0; i < (*paths)[p].nodes.size(); ++i)
        if (std::find(places.begin(), places.end(), NodePlace{p, i}) == places.end())
          places_.push_back(frame((*paths)[p].nodes[i].at));
  }
}

void Snapper::end() {
  active_ = angle_ = copies_ = false;
  items_.clear();
  places_.clear();
  nodes_.clear();
  field_.reset();
  fieldOf_ = {};
  chosen_.reset();
  said_.reset();
  turn_ = 0;
}

bool Snapper::takes(const QKeyEvent& key) {
  if (key.key() != Qt::Key_Tab && key.key() != Qt::Key_Backtab) return false;
  turn_ += key.key() == Qt::Key_Tab ? 1 : -1;
  return true;
}

const SnapField& Snapper::field() {
  SnapKinds kinds = preferences().restsAt;
  if (!preferences().showsGuides) kinds.reset(static_cast<std::size_t>(SnapKind::Guide));
  if (!preferences().showsGrid) kinds.reset(static_cast<std::size_t>(SnapKind::Grid));
  const FieldOf now{desk_.history().current(), desk_.sheet()->id, kinds};
  if (!field_ || !(fieldOf_ == now)) {
    fieldOf_ = now;
    const auto without = copies_ ? std::span<const Id>{} : std::span<const Id>(items_);
    field_ =
        std::make_unique<SnapField>(desk_.settled(), *findSheet(desk_.settled(), desk_.sheet()->id), without, kinds);
    field_->add(places_);
  }
  return *field_;
}

Box Snapper::boxOfItems(const Project& project) const {
  Box box;
  for (const Id id : items_) box.add(boxOnSheet(project, id));
  return box;
}

Point Snapper::take(const SnapProbe& probe, const Pointer& p) {
  chosen_.reset();
  angle_ = false;
  said_ = p.onMat;
  if (!active_ || p.keys & Qt::ControlModifier || !preferences().rests) return {};
  // Further on, the nearest reason counts again.
  if (turn_ != 0 && std::hypot(p.onMat.x() - turnedAt_.x(), p.onMat.y() - turnedAt_.y()) > newReason) turn_ = 0;
  if (turn_ == 0) turnedAt_ = p.onMat;
  const auto snaps = field().at(probe, reach / mat_.zoom());
  if (snaps.empty()) return {};
  const int count = static_cast<int>(snaps.size());
  chosen_ = snaps[static_cast<std::size_t>((turn_ % count + count) % count)];
  return chosen_->by;
}

Point Snapper::moved(Point by, const Pointer& p, bool copies) {
  if (box_.isEmpty()) return by;
  if (copies != std::exchange(copies_, copies)) field_.reset();
  std::vector<Point> nodes = nodes_;
  for (Point& node : nodes) node = node + by;
  SnapProbe probe = SnapProbe::ofBox({box_.low + by, box_.high + by}, std::move(nodes));
  if (p.keys & Qt::ShiftModifier) {
    probe.points.clear();
    (by.x == 0 ? probe.xs : probe.ys).clear();
    probe.isWhole = false;
  }
  return by + take(probe, p);
}

Point Snapper::placed(Point at, const Pointer& p, const std::optional<Point>& from) {
  SnapProbe probe = SnapProbe::ofPoint(at);
  probe.from = from;
  const Point by = take(probe, p);
  if (!chosen_) return at;
  if (chosen_->point) return chosen_->point->second;
  return {chosen_->x ? chosen_->x->at : at.x + by.x, chosen_->y ? chosen_->y->at : at.y + by.y};
}

Pointer Snapper::resting(const Pointer& p, const std::optional<Point>& from) {
  Pointer rest = p;
  active_ = true;
  if (p.keys & Qt::ShiftModifier)
    chosen_.reset();
  else
    rest.onSheet = placed(p.onSheet, p, from);
  return rest;
}

Point Snapper::cornered(Point at, Point opposite, const Pointer& p, bool freeX, bool freeY) {
  SnapProbe probe;
  probe.box = Box::between(at, opposite);
  if (freeX) probe.xs = {at.x};
  if (freeY) probe.ys = {at.y};
  if (freeX && freeY) probe.points = {at};
  probe.opposite = opposite;
  const Point by = take(probe, p);
  if (!chosen_) return at;
  if (chosen_->point) return chosen_->point->second;
  return {chosen_->x ? chosen_->x->at : at.x + by.x, chosen_->y ? chosen_->y->at : at.y + by.y};
}

double Snapper::turned(double turn, const Pointer& p) {
  chosen_.reset();
  angle_ = false;
  said_ = p.onMat;
  if (!active_ || p.keys & Qt::ControlModifier || !preferences().rests) return turn;
  const auto like = field().angleLike(turn, radians(turnReach));
  angle_ = like.has_value();
  return like.value_or(turn);
}

Point Snapper::exactly(Point by) const {
  if (!chosen_ || items_.size() > mostItems) return by;
  const auto movedBox = [&](Point way) { return boxOfItems(withMapped(desk_.settled(), items_, Affine::move(way))); };
  const auto edge = [](double low, double high, int number) {
    return number == 0 ? low : number == 2 ? high : (low + high) / 2;
  };
  if (chosen_->point) {
    // The node that came to rest, and where.
    const auto at = [&](Point way) {
      std::vector<Point> nodes;
      const Project after = withMapped(desk_.settled(), items_, Affine::move(way));
      for (const Id id : items_) addNodes(after, id, nodes);
      return nodes[static_cast<std::size_t>(chosen_->point->first)];
    };
    const Point to = chosen_->point->second;
    by.x = widecut::exactly(by.x, to.x, [&](double x) { return at({x, by.y}).x; });
    by.y = widecut::exactly(by.y, to.y, [&](double y) { return at({by.x, y}).y; });
    return by;
  }
  if (chosen_->x)
    by.x = widecut::exactly(by.x, chosen_->x->at, [&](double x) {
      const Box box = movedBox({x, by.y});
      return edge(box.low.x, box.high.x, chosen_->x->number);
    });
  if (chosen_->y)
    by.y = widecut::exactly(by.y, chosen_->y->at, [&](double y) {
      const Box box = movedBox({by.x, y});
      return edge(box.low.y, box.high.y, chosen_->y->number);
    });
  return by;
}

void Snapper::paint(QPainter& painter) const {
  if (!active_ || (!chosen_ && !angle_)) return;
  QStringList said;
  if (angle_) said << wordOf(SnapKind::Angle);
  painter.save();
  painter.setBrush(Qt::NoBrush);
  for (const SnapReason& reason : chosen_ ? chosen_->reasons : std::vector<SnapReason>{}) {
    const bool measured = isMeasured(reason.kind);
    for (const auto& [from, to] : reason.lines) {
      const QPointF a = mat_.toMat(from), b = mat_.toMat(to), way = b - a;
      // On paper of any colour amber needs an edge.
      painter.setPen(QPen(QColor(theme::ink.red(), theme::ink.green(), theme::ink.blue(), 60), 3));
      painter.drawLine(a, b);
      painter.setPen(QPen(theme::amber, 1.6));
      painter.drawLine(a, b);
      if (!measured) continue;
      const double size = std::hypot(way.x(), way.y());
      const QPointF across = size > 0 ? QPointF(-way.y(), way.x()) * (5 / size) : QPointF();
      for (const QPointF end : {a, b}) painter.drawLine(end - across, end + across);
    }
    if (reason.place) {
      const QPointF at = mat_.toMat(*reason.place);
      painter.setPen(QPen(theme::ink, 3.4));
      painter.drawEllipse(at, 5.5, 5.5);
      painter.setPen(QPen(theme::amber, 2));
      painter.drawEllipse(at, 5.5, 5.5);
    }
    QString word = wordOf(reason.kind);
    if (reason.length > 0) word += " " + desk_.lengthText(reason.length);
    if (!said.contains(word)) said << word;
  }
  painter.restore();
  if (said_ && !said.isEmpty()) paintReasonLabel(painter, mat_, *said_, said.join(" · "));
}

}  // namespace widecut
