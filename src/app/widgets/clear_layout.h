// Emptying a layout before it is filled anew.
#pragma once

#include <QLayout>
#include <QWidget>

namespace widecut {

/// Removes every entry; widgets are hidden at once and deleted once their events are through.
inline void clearLayout(QLayout& layout) {
  while (QLayoutItem* entry = layout.takeAt(0)) {
    if (QWidget* widget = entry->widget()) {
      widget->hide();
      widget->deleteLater();
    }
    if (QLayout* inner = entry->layout()) clearLayout(*inner);
    delete entry;
  }
}

}  // namespace widecut
