// What the bench's pages begin with.
#pragma once

#include <QLabel>
#include <QVBoxLayout>

#include "app/look/theme.h"

namespace widecut {

/// The heading of a page of the bench.
inline QLabel* pageHeading(const QString& text, QWidget& page) {
  auto* label = new QLabel(text, &page);
  theme::makeHeading(*label);
  return label;
}

/// The column that a page of the bench is laid out in.
inline QVBoxLayout* pageColumn(QWidget& page) {
  auto* column = new QVBoxLayout(&page);
  column->setContentsMargins(14, 9, 14, 10);
  column->setSpacing(8);
  return column;
}

}  // namespace widecut
