// The planar map of n outlines, and the questions asked of it.
#pragma once

#include <memory>
#include <span>
#include <vector>

#include "cutting/formula.h"
#include "geometry/outline.h"

namespace widecut {

/// One shape that takes part in a map. Open contours count as closed by a straight edge.
struct Operand {
  Outline outline;
  FillRule rule = FillRule::Nonzero;
};

/// One region of the plane that no edge crosses.
struct Face {
  /// One outer contour, then its holes.
  Outline outline;
  /// The operands that cover it, ascending. Never empty.
  std::vector<int> coveredBy;
};

/// All outlines laid over one another once. Every face knows which operands cover it, so each boolean
/// formula is only a choice of faces.
///
/// Results: outer contours run clockwise on the sheet and holes the other way, so both fill rules read
/// them alike; regions thinner than 4e-9 of the drawing's larger extent (the grid) vanish. Curves come back as
/// straight runs within 0.01 pt of them (less for drawings under 10 pt).
class PlanarMap {
 public:
  /// Overlays the operands. Refuses coordinates that are not finite numbers, naming the operand
  /// (counted from 1).
  static Result<PlanarMap> of(std::span<const Operand> operands);

  int operandCount() const;
  /// The faces where the formula holds, joined. Parts of the formula that are no operand cover nothing.
  Outline where(const Formula& formula) const;
  /// Every face, in a stable order.
  std::vector<Face> divide() const;

  Outline unite() const { return where(Formula::chain(operandCount(), Role::Add)); }
  /// The first operand without all others.
  Outline subtract() const { return where(Formula::chain(operandCount(), Role::Subtract)); }
  Outline intersect() const { return where(Formula::chain(operandCount(), Role::Intersect)); }
  Outline exclude() const { return where(Formula::chain(operandCount(), Role::Exclude)); }

 private:
  struct Inside;
  explicit PlanarMap(std::shared_ptr<const Inside> inside) : inside_(std::move(inside)) {}
  std::shared_ptr<const Inside> inside_;
};

}  // namespace widecut
