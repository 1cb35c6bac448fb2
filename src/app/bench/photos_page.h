// Bench page of the whole project's photos: how large they are, where they show, and what is put in their place.
#pragma once

#include "app/bench/bench_page.h"
#include "app/desk/latest_task.h"
#include "project/edits/media.h"

class QHBoxLayout;
class QLabel;
class QPushButton;

namespace widecut {

class PhotosPage : public BenchPage {
  Q_OBJECT
 public:
  PhotosPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  void buildCards();
  const MediumUse* chosen() const;
  void choose(const std::string& hash);
  void selectFrames();
  void replace();
  /// The file of the chosen one: of a video, that itself.
  const Medium* file() const;
  void refer();
  void keep();
  void find();
  /// What is in the file that is asked for, where it is the chosen one's; `take` is for the window's thread.
  void whenSame(const QString& path, const std::function<void(const std::shared_ptr<const std::string>& bytes)>& take);

  LatestTask task_;
  QLabel* heading_;
  QPushButton *frames_, *replace_, *refer_, *keep_, *find_;
  QHBoxLayout* cards_;
  std::string hash_;  ///< Of the chosen one.
  std::vector<MediumUse> uses_;
};

}  // namespace widecut
