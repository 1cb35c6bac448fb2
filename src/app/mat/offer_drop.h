// What is dragged from the bench over the mat, shown where it would lie.
#pragma once

#include "app/desk/offer.h"

namespace widecut {

class OfferDrop {
 public:
  explicit OfferDrop(Desk& desk) : desk_(desk), trial_(desk) {}
  /// Shows it about a point of the sheet.
  void show(const Offer& offer, Point about);
  void leave() { trial_.drop(); }
  void drop(const Offer& offer, Point about);

 private:
  Desk& desk_;
  Trial trial_;
};

}  // namespace widecut
