// The entry of an item that was just laid by a click.
#pragma once

#include <QPointF>

#include "project/model.h"

namespace widecut {

class Desk;
class Mat;

/// Opens the mat's entry for the size and the first numbers of an item: typing changes it in its place.
void openStarterEntry(Mat& mat, Desk& desk, Id item, QPointF at);

}  // namespace widecut
