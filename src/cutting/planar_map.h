// The planar map of n outlines, and the questions asked of it.
#pragma once

#include <memory>
#include <span>
#include <vector>

#include "cutting/formula.h"
#include "cutting/operand.h"

namespace widecut {

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
/// Results keep curves: each segment is a piece of an input segment within 1e-9 of the drawing's larger extent, and
/// one that was not cut comes out as it was. Nodes that were there and still lie on the result stay; others appear
/// only where outlines cross. Outer contours run clockwise on the sheet and holes the other way, so both fill rules
/// read them alike. Places closer than 1e-11 of the extent (more where coordinates are large: 8e-16 of the largest)
/// are one place, so slivers thinner than that vanish.
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

  /// How the map came about, for tests and benchmarks.
  struct Report {
    int retries = 0;              ///< Other tolerances that were tried.
    bool usedLastResort = false;  ///< Made of fine straight runs in the end.
    bool consistent = true;       ///< All self-checks held.
  };
  Report report() const;

 private:
  struct Inside;
  explicit PlanarMap(std::shared_ptr<const Inside> inside) : inside_(std::move(inside)) {}
  std::shared_ptr<const Inside> inside_;
};

/// The result of one formula alone. The same as a map's, without keeping the map: faster for a single question.
Result<Outline> cut(std::span<const Operand> operands, const Formula& formula);

}  // namespace widecut
