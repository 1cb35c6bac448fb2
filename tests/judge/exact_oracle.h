// Judges a cut without topology: scanlines in generic directions, exact crossings, winding sums, integrated difference.
#pragma once

#include <functional>
#include <span>
#include <vector>

#include "cutting/operand.h"
#include "judge/corpus.h"

namespace widecut::judge {

/// The area in which the result differs from the set where `truth` holds of who covers a place, as a share of the
/// area of the operands' box (a square of its larger side). The result is read by the even-odd rule when `evenOdd`,
/// else by the nonzero rule.
double difference(std::span<const Operand> operands, const std::function<bool(const std::vector<bool>&)>& truth,
                  const Outline& result, Random& random, bool evenOdd = false, int lines = 24);

}  // namespace widecut::judge
