// A page of the bench: the polygon tool is in hand: its corners and depth.
#pragma once

#include "app/bench/bench_page.h"

namespace widecut {

class Card;
class MeasureField;

/// The polygon tool is in hand: its corners and depth.
class PolygonPage : public BenchPage {
  Q_OBJECT
 public:
  PolygonPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  struct Known {
    const char* word;
    int corners;
    double depth;
  };
  void set(int corners, double depth);
  std::vector<std::pair<Card*, Known>> cards_;
  MeasureField *corners_, *depth_;
};

}  // namespace widecut
