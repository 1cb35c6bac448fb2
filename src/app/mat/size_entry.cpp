#include "app/mat/size_entry.h"

#include <QApplication>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <utility>

#include "app/look/theme.h"
#include "app/widgets/clear_layout.h"
#include "app/widgets/measure_field.h"

namespace widecut {

SizeEntry::SizeEntry(QWidget* mat) : QFrame(mat) {
  setObjectName("sizeEntry");
  setAccessibleName(tr("Size of the new shape"));
  setAttribute(Qt::WA_StyledBackground);
  theme::setSheet(*this, "#sizeEntry { background: #FBF9F4; border: 1px solid #C9BFAC; border-radius: 3px; }");
  setCursor(Qt::ArrowCursor);
  row_ = new QHBoxLayout(this);
  row_->setContentsMargins(8, 5, 8, 5);
  row_->setSpacing(5);
  hide();
}

void SizeEntry::open(QPointF at, const std::vector<Field>& fields, Answers answers) {
  finish();
  clearLayout(*row_);
  fields_.clear();
  values_.clear();
  answers_ = std::move(answers);
  for (const Field& f : fields) {
    auto* caption = new QLabel(f.name, this);
    theme::makeSecondary(*caption);
    row_->addWidget(caption);
    auto* field = new MeasureField(f.name, f.unit, f.suffix, this);
    field->setObjectName("entry " + f.name);
    field->setFixedWidth(f.unit == Unit::Plain ? 54 : 74);
    field->show(f.value);
    const std::size_t index = fields_.size();
    connect(field, &MeasureField::tried, this, [this, index](double v) { change(index, v); });
    connect(field, &MeasureField::settled, this, [this, index, field](double v) {
      field->show(v);
      change(index, v);
    });
    connect(field, &MeasureField::entered, this, [this] { finish(); });
    field->installEventFilter(this);
    row_->addWidget(field);
    fields_.push_back(field);
    values_.push_back(f.value);
  }
  changed_ = false;
  open_ = true;
  adjustSize();
  const QRect room = parentWidget()->rect().adjusted(24, 24, -6, -6);
  QPoint corner = at.toPoint() + QPoint(14, 14);
  corner.setX(std::clamp(corner.x(), room.left(), std::max(room.left(), room.right() - width())));
  corner.setY(std::clamp(corner.y(), room.top(), std::max(room.top(), room.bottom() - height())));
  move(corner);
  show();
  raise();
}

bool SizeEntry::isTyping() const { return open_ && isAncestorOf(QApplication::focusWidget()); }

bool SizeEntry::isNumber(const QKeyEvent& key) {
  if (key.modifiers() & (Qt::ControlModifier | Qt::MetaModifier) || key.text().size() != 1) return false;
  const QChar first = key.text()[0];
  return first.isDigit() || first == '.' || first == ',';
}

bool SizeEntry::wants(const QKeyEvent& key) const {
  if (!open_ || key.modifiers() & Qt::AltModifier) return false;
  return isNumber(key) || (key.key() == Qt::Key_Tab && !(key.modifiers() & Qt::ControlModifier));
}

void SizeEntry::begin(const QKeyEvent& key) {
  MeasureField* first = fields_.front();
  first->setFocus(Qt::TabFocusReason);
  first->selectAll();
  if (key.key() == Qt::Key_Tab) return;
  QKeyEvent typed(QEvent::KeyPress, key.key(), key.modifiers(), key.text());
  QApplication::sendEvent(first, &typed);
}

void SizeEntry::change(std::size_t field, double value) {
  if (!open_ || values_[field] == value) return;
  values_[field] = value;
  changed_ = true;
  if (answers_.tried) answers_.tried(values_);
}

void SizeEntry::finish() {
  if (open_) close(true);
}

void SizeEntry::drop() {
  if (open_) close(false);
}

void SizeEntry::close(bool keep) {
  const bool typed = isTyping();
  for (MeasureField* field : fields_)
    if (keep) field->settleTyping();
  open_ = false;
  hide();
  if (typed) parentWidget()->setFocus();
  const Answers answers = std::exchange(answers_, {});
  if (keep && changed_ && answers.settled)
    answers.settled(values_);
  else if (answers.dropped)
    answers.dropped();
}

bool SizeEntry::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() == QEvent::KeyPress && open_) {
    const auto* key = static_cast<QKeyEvent*>(event);
    if (key->key() == Qt::Key_Escape) {
      drop();
      return true;
    }
    if (key->key() == Qt::Key_Tab || key->key() == Qt::Key_Backtab) {
      // Round and round within the entry.
      const auto at = std::find(fields_.begin(), fields_.end(), watched) - fields_.begin();
      const auto count = static_cast<std::ptrdiff_t>(fields_.size());
      const auto next = (at + (key->key() == Qt::Key_Tab ? 1 : count - 1)) % count;
      fields_[static_cast<std::size_t>(next)]->setFocus(Qt::TabFocusReason);
      fields_[static_cast<std::size_t>(next)]->selectAll();
      return true;
    }
  }
  if (event->type() == QEvent::FocusOut && open_ &&
      static_cast<QFocusEvent*>(event)->reason() != Qt::PopupFocusReason) {
    // To another field of it, or away.
    QMetaObject::invokeMethod(
        this,
        [this] {
          if (open_ && !isTyping()) finish();
        },
        Qt::QueuedConnection);
  }
  return QFrame::eventFilter(watched, event);
}

}  // namespace widecut
