// Bench page of the whole project's photos: how large they are, where they show, and what is put in their place.
#pragma once

#include "app/bench/bench_page.h"
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

  QLabel* heading_;
  QPushButton *frames_, *replace_;
  QHBoxLayout* cards_;
  std::string hash_;  ///< Of the chosen one.
  std::vector<MediumUse> uses_;
};

}  // namespace widecut
