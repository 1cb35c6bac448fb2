#include "project/adjustments.h"

#include <algorithm>
#include <cstdio>

namespace widecut {
namespace {

constexpr StarterNumber aShare(std::string_view name, double least, double most, double usual, std::string_view meaning,
                               double step = 0.01) {
  return {name, least, most, usual, step, meaning, {}, NumberKind::Share};
}

constexpr StarterNumber declared[adjustmentCount] = {
    aShare("brightness", -1, 1, 0, "Lightens or darkens what lies in the middle; black and white stay"),
    aShare("contrast", -1, 1, 0, "Draws light and dark apart, or together"),
    aShare("black point", 0, 0.95, 0, "What is as dark as that becomes black"),
    aShare("white point", 0.05, 1, 1, "What is as light as that becomes white"),
    aShare("saturation", -1, 2, 0, "Weaker or stronger colours"),
    aShare("warmth", -1, 1, 0, "Towards blue, or towards amber"),
    aShare("grey", 0, 1, 0, "How far its colours give way to greys"),
    aShare("two tones", 0, 1, 0, "How far its colours give way to those between two"),
    aShare("blur", 0, 0.05, 0, "How far it is spread, of its longer side", 0.0005),
    aShare("sharpness", 0, 3, 0, "How strongly edges are brought out", 0.05),
    aShare("vignette", -1, 1, 0, "Towards its corners darker, or lighter")};

}  // namespace

std::span<const StarterNumber> adjustmentNumbers() { return declared; }

Adjustments::Adjustments() : numbers{} {
  for (std::size_t i = 0; i < adjustmentCount; ++i) numbers[i] = declared[i].usual;
}

bool Adjustments::isNeutral() const { return numbers == Adjustments().numbers; }

AdjustmentsPtr shared(const Adjustments& adjustments) {
  return adjustments.isNeutral() ? nullptr : std::make_shared<const Adjustments>(adjustments);
}

bool areAlike(const AdjustmentsPtr& a, const AdjustmentsPtr& b) { return a == b || (a && b && *a == *b); }

std::string keyOf(const Adjustments* adjustments) {
  if (!adjustments || adjustments->isNeutral()) return {};
  std::string key;
  char text[40];
  for (const double v : adjustments->numbers) {
    std::snprintf(text, sizeof text, "%a ", v);
    key += text;
  }
  for (const Colour& c : {adjustments->dark, adjustments->light}) key += colourText(c) + " ";
  return key;
}

}  // namespace widecut
