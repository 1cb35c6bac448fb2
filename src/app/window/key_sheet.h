// All commands and keys, to be looked up, searched and run.
#pragma once

#include <QFrame>

#include "app/commands/command.h"

class QLabel;
class QLineEdit;
class QTreeWidget;
class QTreeWidgetItem;

namespace widecut {

class CommandActions;
class Desk;

/// A sheet over the window that goes once something else is clicked, or a command was run from it.
class KeySheet : public QFrame {
  Q_OBJECT
 public:
  KeySheet(CommandActions& commands, Desk& desk, QWidget* window);
  void openOver(QWidget& window);

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  QTreeWidgetItem* addGroup(const QString& name);
  void addRow(QTreeWidgetItem& group, const QString& words, const QString& keys, const QString& what, int command);
  void fill();
  /// Shows what has all the words that were typed.
  void search(const QString& text);
  /// Whether a row has all these words, or other words for what it does.
  bool finds(const QTreeWidgetItem& row, const QStringList& words) const;
  QTreeWidgetItem* showNearest(const QString& text);
  void run(QTreeWidgetItem* row);

  CommandActions& commands_;
  Desk& desk_;
  QLineEdit* search_;
  QLabel* nothing_;
  QTreeWidget* list_;
};

}  // namespace widecut
