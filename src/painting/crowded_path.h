// Paths with very many edges side by side, or far beyond the picture, which QPainter's rasteriser is slow with.
#pragma once

#include <QBrush>
#include <QTransform>

#include "scene/scene.h"

class QPainter;

namespace widecut {

/// True for outlines that QPainter would take long for: those of which a row of pixels crosses very many edges (its
/// lists of cells are searched from the left for each), and those that reach far beyond the pixels there are (it
/// follows edges all the way). `lineWidth` is that of a line along the outline, or 0.
bool isCrowded(const Outline& outline, const QTransform& toDevice, QSize device, double lineWidth = 0);

/// The same as QPainter's fillPath and strokePath, by Cairo's scan conversion, which keeps edges sorted.
void fillCrowded(QPainter& painter, const Outline& outline, const QBrush& brush);
void strokeCrowded(QPainter& painter, const Outline& outline, const Line& line);

}  // namespace widecut
