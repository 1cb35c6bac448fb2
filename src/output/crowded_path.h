// Paths with very many edges side by side, which QPainter's rasteriser takes quadratic time for.
#pragma once

#include <QBrush>
#include <QTransform>

#include "scene/scene.h"

class QPainter;

namespace widecut {

/// True for outlines of which a row of pixels crosses so many edges that QPainter would take long: its lists of cells
/// are searched from the left for every edge.
bool isCrowded(const Outline& outline, const QTransform& toDevice, QSize device);

/// The same as QPainter's fillPath and strokePath, by Cairo's scan conversion, which keeps edges sorted.
void fillCrowded(QPainter& painter, const Outline& outline, const QBrush& brush);
void strokeCrowded(QPainter& painter, const Outline& outline, const Line& line);

}  // namespace widecut
