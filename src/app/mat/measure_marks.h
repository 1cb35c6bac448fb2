// Measuring lines on the mat.
#pragma once

#include <QPainter>

namespace widecut {

class Desk;
class Mat;

/// Every measuring line of the open sheet that shows, with its length and angle.
void paintMeasureMarks(QPainter& painter, const Mat& mat, const Desk& desk);

}  // namespace widecut
