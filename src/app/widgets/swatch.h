// Buttons that show what something is painted with.
#pragma once

#include <QImage>
#include <optional>

#include "project/style.h"

class QPushButton;

namespace widecut {

/// The swatch of a photo fill is the photo.
void paintPhoto(QPushButton& swatch, const QImage& photo);
/// A colour, or a line across nothing.
void paintSwatch(QPushButton& swatch, std::optional<Colour> colour);

}  // namespace widecut
