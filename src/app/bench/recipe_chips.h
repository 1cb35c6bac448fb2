// The parts of a cutout in a row of the bench, with the signs of their roles between them.
#pragma once

#include <QPointer>
#include <QWidget>

#include "app/desk/carrying.h"
#include "app/desk/desk.h"
#include "app/desk/latest_task.h"

class QBoxLayout;
class QLabel;

namespace widecut {

/// A chip is clicked to select its part, dragged to another place in the recipe or out of it; its sign is clicked to
/// change what it does. Items dropped between chips join. A cutout within the cutout stands in brackets.
class RecipeChips : public QWidget {
  Q_OBJECT
 public:
  RecipeChips(Desk& desk, QWidget* parent);
  void show(const Item& cutout);
  /// Only the result, while something is dragged.
  void showResult(const Item& cutout);
  bool isEmpty() const { return result_.isNull(); }

 protected:
  void dragEnterEvent(QDragEnterEvent* event) override;
  void dragMoveEvent(QDragMoveEvent* event) override;
  void dragLeaveEvent(QDragLeaveEvent* event) override;
  void dropEvent(QDropEvent* event) override;
  void paintEvent(QPaintEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  void addSign(const Item& cutout, std::size_t part, Role role);
  void addChip(const Item& part, std::size_t number, Role role, const Box& around);
  void addBracket(QChar sign, int count);
  /// Before which part something is dropped here.
  std::size_t placeAt(QPoint at) const;

  Desk& desk_;
  Carrying carrying_;
  LatestTask task_;
  Id cutout_ = 0;
  QBoxLayout* row_;
  QPointer<QLabel> result_;
  std::vector<QPointer<QWidget>> chips_;
  std::optional<std::size_t> dropPlace_;
};

}  // namespace widecut
