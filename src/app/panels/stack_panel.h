// Left of the mat: the stack of the sheet.
#pragma once

#include <QTreeView>

#include "app/desk/desk.h"
#include "app/panels/stack_model.h"

namespace widecut {

/// The items of the sheet, front first; parts of cutouts under them. What is selected is selected here too.
class StackPanel : public QTreeView {
  Q_OBJECT
 public:
  explicit StackPanel(Desk& desk, QWidget* parent = nullptr);

 signals:
  /// A menu for the selection is wanted here.
  void menuWanted(QPoint onScreen);

 protected:
  void contextMenuEvent(QContextMenuEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;

 private:
  void follow();
  void showSelection();
  void rename(Id item, const QString& name);
  void select(const std::vector<Id>& items);
  Desk& desk_;
  StackModel* model_;
  bool showing_ = false;
  bool choosing_ = false;  ///< The selection is being changed by a click in here: rows stay where they are.
};

}  // namespace widecut
