// What was delivered last, and where to: the next delivery begins with it.
#pragma once

#include "app/desk/desk.h"
#include "output/deliver.h"

namespace widecut {

/// Pixels per inch at which a piece measured in pixels has as many as it says.
inline constexpr double pixelPpi = 96;

struct LastDelivery {
  QString ending = "png";
  double ppi = 144;  ///< Kept apart for pieces in pixels, where it begins with 96.
  bool withPaper = true;
};
LastDelivery lastDelivery(const Desk& desk);
void keepLast(const Desk& desk, const LastDelivery& last);
/// The folder of the last delivery of this project, or else the one that its file lies in; empty where there is
/// neither.
QString lastFolder(const Desk& desk);
void keepFolder(const Desk& desk, const QString& file);
/// Whether anything was delivered before.
bool hasDelivered();

/// What is delivered: the only selected item on nothing, or the sheet.
Delivery deliveryNow(const Desk& desk, const LastDelivery& how);
/// A file for it in a folder, by the name of what it is; a number is added where there is one already.
QString freshFile(const Desk& desk, const QString& folder, const QString& ending);

}  // namespace widecut
