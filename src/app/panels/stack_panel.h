// Left of the mat: the stack of the sheet.
#pragma once

#include <QTreeWidget>
#include <map>

#include "app/desk/desk.h"

namespace widecut {

/// The items of the sheet, front first; parts of cutouts under them.
class StackPanel : public QTreeWidget {
  Q_OBJECT
 public:
  explicit StackPanel(Desk& desk, QWidget* parent = nullptr);

 protected:
  void mousePressEvent(QMouseEvent* event) override;

 private:
  void rebuild();
  void showSelection();
  /// What a row says; `depth` is 0 for items of the sheet.
  struct Row {
    Id id = 0;
    QString name, sign;
    bool hidden = false;
    int depth = 0;
    bool operator==(const Row&) const = default;
  };
  static void describe(const Item& item, const QString& sign, int depth, std::vector<Row>& out);
  static bool readsAlike(const Sheet& a, const Sheet& b);
  Desk& desk_;
  SheetPtr sheet_;  ///< Whose stack it shows.
  QIcon eye_, eyeShut_;
  std::vector<Row> shown_;
  std::map<Id, QTreeWidgetItem*> rows_;
  bool showing_ = false;
  bool choosing_ = false;  ///< The selection is being changed by a click in here: rows stay where they are.
};

}  // namespace widecut
