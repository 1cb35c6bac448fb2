// Amber corners of frames that cut subjects of their photos, and the zones themselves.
#pragma once

#include "geometry/affine.h"
#include "project/model.h"

class QPainter;

namespace widecut {

class Desk;
class Mat;

/// At every frame of the open sheet that cuts a subject: its corner, and whom it cuts by how much.
void paintSubjectMarks(QPainter& painter, const Mat& mat, const Desk& desk);
/// The zones of an item's photo, with their names; those that the item's frames cut in amber.
void paintZones(QPainter& painter, const Mat& mat, const Desk& desk, const Item& item, const Medium& photo,
                const Affine& pixelsToSheet);

}  // namespace widecut
