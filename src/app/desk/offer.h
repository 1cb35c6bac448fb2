// What the bench offers to be laid down: a kind of starter, or something from the shelf.
#pragma once

#include <QMimeData>
#include <memory>
#include <optional>

#include "app/desk/shelf.h"

namespace widecut {

struct Offer {
  const StarterKind* kind = nullptr;
  std::optional<OnShelf> kept;
  std::vector<double> numbers = {};      ///< Of the kind; those that are missing are the usual ones.
  std::optional<StarterSize> size = {};  ///< The usual one where it is not said.
  explicit operator bool() const { return kind || kept; }
  bool operator==(const Offer&) const = default;
};

/// The offer on its way by a drag.
std::unique_ptr<QMimeData> dragOf(const Offer& offer);
/// Nothing when something else is dragged.
std::optional<Offer> offerIn(const QMimeData& data);

/// The look of a new line. Lines have no area: they are drawn in the colour that areas get.
Style lineStyle(const Desk& desk);
/// A starter for the open sheet, with a name that is free there, in the style of new shapes or, without an area, of
/// lines.
Item newStarter(const Desk& desk, const StarterKind& kind, Values numbers, const Box& box);
/// The items that it lays about a point; none, and the person is told why, when they cannot be read.
std::vector<ItemPtr> itemsOf(Desk& desk, const Offer& offer, Point about);
/// Lays them as one step, and selects them. False when nothing was laid.
bool lay(Desk& desk, const Offer& offer, Point about);

}  // namespace widecut
