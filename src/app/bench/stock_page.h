// Bench page: a tray of photos to bring in, of those that ship with the program and those of a folder of one's own.
#pragma once

#include <QFileSystemWatcher>
#include <QHash>

#include "app/bench/bench_page.h"
#include "app/desk/latest_task.h"
#include "media/stock.h"

class QHBoxLayout;
class QLabel;
class QLineEdit;
class QPushButton;

namespace widecut {

class StockPage : public BenchPage {
  Q_OBJECT
 public:
  StockPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 protected:
  void showEvent(QShowEvent* event) override;

 private:
  void look();
  void buildCards();
  void refreshHeading();
  /// In the hint line: the heading stays, as all of the bench does while the pointer passes.
  void tellOf(const StockPhoto& photo);
  void chooseFolder();

  QLabel* heading_;
  QLineEdit* question_;
  QPushButton* folder_;
  QHBoxLayout* cards_;
  QFileSystemWatcher watcher_;
  LatestTask task_;
  bool isLooking_ = false;
  std::vector<StockPhoto> photos_;
  QHash<QString, QImage> thumbnails_;
};

}  // namespace widecut
