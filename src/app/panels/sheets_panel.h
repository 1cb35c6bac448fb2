// Left of the mat: the sheets, grouped by piece.
#pragma once

#include <QListView>

#include "app/panels/sheets_model.h"

namespace widecut {

class CommandActions;

/// Thumbnails of every sheet; a click or an arrow key goes there. Sheets are dragged to another place, items onto a
/// sheet.
class SheetsPanel : public QWidget {
  Q_OBJECT
 public:
  SheetsPanel(Desk& desk, CommandActions& commands, QWidget* parent = nullptr);

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  QWidget* buildHeading(CommandActions& commands);
  void showOpenSheet();
  void openMenu(QPoint at);
  Desk& desk_;
  CommandActions& commands_;
  SheetsModel* model_;
  QListView* view_;
};

}  // namespace widecut
