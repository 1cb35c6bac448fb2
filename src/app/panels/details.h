// The details of the selection: place, paint, result.
#pragma once

#include <QTimer>
#include <QWidget>

#include "app/desk/desk.h"

class QLabel;

namespace widecut {

class ClearPage;
class NextLookPage;
class PaintPage;
class PlacePage;
class TextPage;

class Details : public QWidget {
  Q_OBJECT
 public:
  explicit Details(Desk& desk, QWidget* parent = nullptr);

 signals:
  /// What was chosen is done: the keys go to the page again.
  void keysBack();

 private:
  void refresh();
  void refreshResult(const std::vector<ItemPtr>& items);
  QStringList measuresOf(const Outline& outline) const;
  std::vector<ItemPtr> items() const;

  Desk& desk_;
  QWidget* body_;
  QWidget* empty_;
  PlacePage* place_;
  PaintPage* paint_;
  TextPage* text_;
  ClearPage* clear_;
  NextLookPage* next_;
  QLabel *resultHeading_, *result_;
  QTimer pause_;
};

}  // namespace widecut
