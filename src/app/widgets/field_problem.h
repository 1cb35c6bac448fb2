// What is wrong with what stands in a field.
#pragma once

#include <QLineEdit>
#include <QStyle>
#include <QVariant>

namespace widecut {

/// Shows a field in red for as long as something is wrong with it; an empty text says that nothing is. The hint line
/// says why when the field is left.
inline void setProblem(QLineEdit& field, const QString& why) {
  const bool was = field.property("wrong").toBool();
  field.setProperty("problem", why);
  field.setProperty("wrong", !why.isEmpty());
  if (was == !why.isEmpty()) return;
  field.style()->unpolish(&field);
  field.style()->polish(&field);
}
/// Empty where nothing is wrong, and for everything that is no field.
inline QString problemOf(const QWidget* field) { return field ? field->property("problem").toString() : QString(); }

}  // namespace widecut
