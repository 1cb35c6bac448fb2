// Small pictures of items, on a ground on which they show.
#pragma once

#include <QImage>

namespace widecut {

/// The picture (premultiplied) as it is; on the mat's colour, or on a light one in the dark look, where most of what is
/// painted would be lost on the panels: pale, thin and see-through things.
QImage shownOnPanel(QImage picture);

}  // namespace widecut
