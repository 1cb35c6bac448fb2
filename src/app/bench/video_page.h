// Bench page of how a video plays: its frames, where it begins and ends, its poster.
#pragma once

#include <atomic>
#include <memory>

#include "app/bench/bench_page.h"
#include "app/desk/latest_task.h"
#include "project/playing.h"

class QBoxLayout;
class QCheckBox;
class QLabel;
class QPushButton;

namespace widecut {

class FilmStrip;
class MeasureField;

/// The selected item, where it shows a video; null otherwise.
ItemPtr videoItem(const Desk& desk);

/// For the video of the selected item, in all frames that share it.
class VideoPage : public BenchPage {
  Q_OBJECT
 public:
  VideoPage(Desk& desk, QWidget* parent);
  ~VideoPage() override;
  void refresh(bool selection) override;

 protected:
  void showEvent(QShowEvent* event) override;
  void hideEvent(QHideEvent* event) override;

 private:
  using Edit = std::function<void(Playing&)>;
  void addSwitches(QBoxLayout& row);
  void addNumbers(QBoxLayout& row);
  void make(const QString& step, const Edit& edit);
  void settleInto(MeasureField& field, const QString& step, const std::function<void(Playing&, double)>& set);
  void takePoster();
  void showPlace();
  void loadFrames();
  Playing playing() const;
  Id item() const;

  LatestTask posterTask_, framesTask_;
  std::shared_ptr<std::atomic<unsigned>> framesWanted_;
  QString framesOf_;  ///< The video whose frames are there, and how many.
  QLabel *heading_, *place_;
  QPushButton *play_, *poster_;
  QCheckBox *loops_, *starts_, *sound_;
  MeasureField *from_, *to_, *speed_;
  FilmStrip* strip_;
};

}  // namespace widecut
