// What the bench's pages begin with.
#pragma once

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
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

/// The same for a page with much on it, with a row at its top.
struct CrowdedPage {
  QVBoxLayout* column;
  QHBoxLayout* top;
};
inline CrowdedPage crowdedPage(QWidget& page) {
  auto* column = pageColumn(page);
  column->setContentsMargins(14, 6, 14, 4);
  column->setSpacing(5);
  auto* top = new QHBoxLayout;
  top->setSpacing(6);
  column->addLayout(top);
  return {column, top};
}

/// A heading at the beginning of a row, that gives way to what follows.
inline QLabel* headingOf(QHBoxLayout& top, QWidget& page) {
  auto* heading = pageHeading({}, page);
  heading->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
  top.addWidget(heading, 1);
  return heading;
}

/// A button of a page, with the name that it is found by.
inline QPushButton* pageButton(QWidget& page, const QString& words, const char* name, const QString& tip) {
  auto* made = new QPushButton(words, &page);
  made->setObjectName(name);
  made->setToolTip(tip);
  return made;
}

/// What is wider than the window scrolls sideways, without taking the keys. It holds `inside`, which becomes its own.
inline QScrollArea* sidewaysScroll(QWidget& inside, QWidget& page) {
  auto* scroll = new QScrollArea(&page);
  scroll->setWidgetResizable(true);
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setFocusPolicy(Qt::NoFocus);
  scroll->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll->setWidget(&inside);
  return scroll;
}

}  // namespace widecut
