#include "app/widgets/measure_field.h"
#include "app/desk/preferences.h"
#include "app/widgets/field_problem.h"
#include "geometry/measure.h"

#include <QKeyEvent>
#include <QScopedValueRollback>
#include <QWheelEvent>
#include <cmath>

namespace widecut {
namespace {

QString whyNot(const QString& text, const Problem& problem) {
  return MeasureField::tr("“%1” cannot be taken: %2").arg(text, QString::fromStdString(problem.message));
}

}  // namespace

MeasureField::MeasureField(const QString& name, Unit unit, QString suffix, QWidget* parent)
    : QLineEdit(parent), unit_(unit), suffix_(std::move(suffix)) {
  setAccessibleName(name);
  setObjectName(name);
  setToolTip(tr("%1 — takes sums and units: 50mm + 1/8in, +=3, *2").arg(name));
  connect(&PreferencesNow::instance(), &PreferencesNow::changed, this, [this] {
    if (!typing_) setText(shownText());
  });
  connect(this, &QLineEdit::textEdited, this, [this](const QString& text) {
    typing_ = true;
    const auto value = read();
    setProblem(*this, value ? QString() : whyNot(text, value.error()));
    if (value) emit tried(*value);
  });
}

Result<double> MeasureField::read() const {
  const auto value = parseMeasure(readAsWritten(text()), unit_, value_.value_or(0));
  if (value && least_ && *value < *least_)
    return problem(tr("the least is %1").arg(written(measureText(*least_, unit_, 3)) + suffix_).toStdString());
  return value;
}

/// With as many decimals as there is room for.
QString MeasureField::shownText() const {
  if (!value_) return {};
  constexpr int padding = 14;
  QString text;
  for (int decimals = 2; decimals >= 0; --decimals) {
    text = written(measureText(*value_, unit_, decimals)) + suffix_;
    if (!isVisible() || fontMetrics().horizontalAdvance(text) + padding <= width()) break;
  }
  return text;
}

void MeasureField::resizeEvent(QResizeEvent* event) {
  QLineEdit::resizeEvent(event);
  if (!typing_ && problemOf(this).isEmpty() && text() != shownText()) setText(shownText());
}

void MeasureField::show(std::optional<double> value) {
  if (typing_ || (!problemOf(this).isEmpty() && value == value_)) return;
  value_ = value;
  setProblem(*this, {});
  setEnabled(value.has_value());
  if (text() == shownText()) return;
  setText(shownText());
  if (!hasFocus()) setCursorPosition(0);  // the beginning of a long number shows, not its end
}

void MeasureField::setUnit(Unit unit) {
  if (unit == unit_) return;
  unit_ = unit;
  if (!typing_) setText(shownText());
}

void MeasureField::finish() {
  if (!typing_) return;
  typing_ = false;
  const auto value = read();
  if (!value) {
    setProblem(*this, whyNot(text(), value.error()));
    emit dropped();
    return;
  }
  setProblem(*this, {});
  const QString typed = text();
  refusal_.clear();
  {
    const QScopedValueRollback now(settling_, this);
    emit settled(*value);
  }
  setText(refusal_.isEmpty() ? shownText() : typed);
  if (!refusal_.isEmpty()) setProblem(*this, refusal_);
}

bool MeasureField::beginDrag() {
  finish();
  draggedFrom_ = isEnabled() ? value_ : std::nullopt;
  draggedTo_.reset();
  return draggedFrom_.has_value();
}

void MeasureField::dragBy(double pixels) {
  if (!draggedFrom_) return;
  // Half a millimetre a pixel, whole pixels and points, half a degree or a half per cent.
  const double step = unit_ == Unit::Pixel || unit_ == Unit::Point ? pointsPer(unit_)
                      : unit_ == Unit::Plain                       ? 0.5
                                                                   : 0.5 * pointsPerMillimetre;
  draggedTo_ = *draggedFrom_ + std::round(pixels) * step;
  emit tried(*draggedTo_);
  show(draggedTo_);
}

void MeasureField::endDrag() {
  if (draggedTo_) emit settled(*draggedTo_);
  draggedFrom_.reset();
  draggedTo_.reset();
}

void MeasureField::step(double by) {
  if (!value_) return;
  const double unit = pointsPer(unit_);
  typing_ = false;
  setProblem(*this, {});
  emit settled(*value_ + by * unit);
}

void MeasureField::keyPressEvent(QKeyEvent* event) {
  const double size = event->modifiers() & Qt::ShiftModifier ? 10 : event->modifiers() & Qt::ControlModifier ? 0.1 : 1;
  switch (event->key()) {
    case Qt::Key_Return:
    case Qt::Key_Enter:
      finish();
      emit entered();
      return;
    case Qt::Key_Escape:
      typing_ = false;
      setProblem(*this, {});
      setText(shownText());
      emit dropped();
      return;
    case Qt::Key_Up:
      step(size);
      return;
    case Qt::Key_Down:
      step(-size);
      return;
    default:
      QLineEdit::keyPressEvent(event);
  }
}

void MeasureField::focusOutEvent(QFocusEvent* event) {
  finish();
  QLineEdit::focusOutEvent(event);
}

void MeasureField::wheelEvent(QWheelEvent* event) { step(event->angleDelta().y() > 0 ? 1 : -1); }

}  // namespace widecut
