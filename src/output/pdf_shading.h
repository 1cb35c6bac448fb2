// Gradients in a PDF, whose readers blur what jumps within a shading: each piece between two jumps is a shading of its
// own, laid over the one before up to a true edge.
#pragma once

#include "output/pdf_content.h"

namespace widecut::pdf {

/// Paints a straight or round gradient over a box of its outline's space, within the clip that stands: its colours
/// without their alpha, or, for a mask, how opaque they are as grey. `key` tells a content's gradients apart.
void paintGradient(QPDF& pdf, Content& content, const GradientBrush& gradient, const Box& box, bool isAlpha,
                   const std::string& key);
/// True when some of it is see-through.
bool hasAlpha(const GradientBrush& gradient);

}  // namespace widecut::pdf
