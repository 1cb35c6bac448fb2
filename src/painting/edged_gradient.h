// Gradients with edges in them, longer than the painter's colours reach.
#pragma once

#include <QBrush>

#include "scene/scene.h"

class QPainter;

namespace widecut {

/// A brush of a gradient for what a painter is to fill in a box of its coordinates; conical ones run clockwise from
/// where their line leads to. QPainter keeps 1024 colours of a gradient, so that an edge in a longer one stands some
/// pixels aside: such ones become pixels of their own, exact to half a pixel. Those that would take too much memory
/// stay the painter's.
QBrush gradientBrush(const QPainter& painter, const GradientBrush& shown, const Box& box);

}  // namespace widecut
