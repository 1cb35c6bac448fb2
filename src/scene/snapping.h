// Where what is dragged comes to rest: in line with, on, or as far from one another as what lies on the sheet already.
#pragma once

#include <bitset>
#include <map>
#include <optional>
#include <span>

#include "geometry/exactly.h"
#include "project/model.h"
#include "scene/box_grid.h"

namespace widecut {

/// What a drag can come to rest at.
enum class SnapKind : unsigned char {
  Sheet,     ///< An edge of the sheet, or its middle.
  Bleed,     ///< The edge of the bleed.
  Margin,    ///< A margin, or the middle between two.
  Column,    ///< A side of a column.
  Fold,      ///< A fold.
  Guide,     ///< A guide of the sheet, or of its piece.
  Grid,      ///< A line of the grid.
  Edge,      ///< The edge of an item's box.
  Middle,    ///< The middle of an item's box.
  Node,      ///< A node of an outline.
  Crossing,  ///< Where two outlines cross.
  Outline,   ///< Any other place of an outline.
  Tangent,   ///< Where a line from a fixed place touches a curve.
  Gap,       ///< A gap as wide as another one.
  Size,      ///< A width or height like another one.
  Angle,     ///< A direction like another one.
  count
};
using SnapKinds = std::bitset<static_cast<std::size_t>(SnapKind::count)>;
/// All of them.
inline SnapKinds allSnapKinds() { return SnapKinds().set(); }

/// What a snap rests on, as it is drawn over the sheet.
struct SnapReason {
  SnapKind kind = SnapKind::Edge;
  std::vector<std::pair<Point, Point>> lines;  ///< What is in line; the gaps, or the sizes, that are alike.
  std::optional<Point> place;                  ///< A node, a crossing, a place on an outline.
  double length = 0;  ///< Of a gap or a size; of others, how far away what they are in line with lies.
};

/// One place to come to rest.
struct Snap {
  Point by;  ///< What is still to be added to the drag.
  /// The values of the probe that come to rest, and where; numbers of the probe's xs, ys and points.
  struct Rest {
    int number = 0;
    double at = 0;
  };
  std::optional<Rest> x, y;
  std::optional<std::pair<int, Point>> point;
  std::vector<SnapReason> reasons;
};

/// What is dragged, where the pointer has it: values that can come to rest.
struct SnapProbe {
  Box box;                        ///< All of it, for how far lines are drawn.
  std::vector<double> xs, ys;     ///< Of its edges and middles that move.
  std::vector<Point> points;      ///< Of its nodes.
  bool isWhole = false;           ///< All of the box moves: then gaps are of interest.
  std::optional<Point> opposite;  ///< What stays while a side is dragged: then sizes are.
  std::optional<Point> from;      ///< The other end of a line that is drawn: then tangents are.
  bool onOutlines = false;        ///< Points also rest anywhere on outlines.

  /// A whole box with its nodes.
  static SnapProbe ofBox(const Box& box, std::vector<Point> nodes);
  /// A single place.
  static SnapProbe ofPoint(Point place);
};

/// All that there is to rest at on a sheet, apart from some items. Building it for 10,000 items takes some 15
/// milliseconds; asking it, a tenth of one (docs/benchmarks.md).
class SnapField {
 public:
  /// Items that are given, and what is inside them, are left out, and so are cutouts that they are parts of.
  SnapField(const Project& project, const Sheet& sheet, std::span<const Id> without, SnapKinds kinds);

  /// Single places besides, as the other nodes of an outline of which one is moved.
  void add(std::span<const Point> places);

  /// Where the probe could come to rest within `reach` points, the best first; at most `most`. Nodes and crossings go
  /// before lines; among them the nearest is the best.
  std::vector<Snap> at(const SnapProbe& probe, double reach, std::size_t most = 6) const;
  /// A turn like that of another item, in radians, as near to this one as `reach`.
  std::optional<double> angleLike(double turn, double reach) const;

 private:
  /// An upright line (in `lines_[0]`, at x) or a level one (in `lines_[1]`, at y).
  struct Line {
    double at, from, to;
    SnapKind kind;
  };
  /// A candidate along one axis.
  struct Along {
    double by = 0;
    Snap::Rest rest;
    double score = 0;
    SnapReason reason;
    std::vector<Line> lines = {};  ///< That it is in line with.
  };
  struct Placed {
    ItemPtr item;
    Affine frame;
    Box box;
  };
  struct At {
    double by = 0;
    int number = 0;
    Point place;
    SnapKind kind = SnapKind::Node;
    Point way;
  };

  void addSheet(const Project& project, const Sheet& sheet, const Setting& setting);
  void addItem(const ItemPtr& item, const Affine& parent, std::span<const Id> without);
  void addLines(const Box& box);
  void sortLines(int axis);
  bool has(SnapKind kind) const { return kinds_[static_cast<std::size_t>(kind)]; }
  void alongLines(int axis, const SnapProbe& probe, double reach, std::vector<Along>& found) const;
  static SnapReason reasonOf(const Along& along, int axis, const Box& box, double across);
  void alongGrid(int axis, const SnapProbe& probe, double reach, std::vector<Along>& found) const;
  void alongGaps(int axis, const SnapProbe& probe, double reach, std::vector<Along>& found) const;
  void alongSizes(int axis, const SnapProbe& probe, double reach, std::vector<Along>& found) const;
  std::vector<At> places(const SnapProbe& probe, double reach) const;
  void onOutline(const Placed& placed, const SnapProbe& probe, double reach, std::vector<At>& found) const;
  const std::vector<Point>& crossings(std::size_t a, std::size_t b) const;

  SnapKinds kinds_;
  double grid_ = 0;  ///< From line to line; 0 for none.
  Box sheet_;
  std::vector<Line> lines_[2];
  std::vector<double> sizes_[2];
  std::vector<Box> boxes_;  ///< Of items, as gaps count them; they are in boxGrid_ once all are there.
  BoxGrid boxGrid_, placedGrid_;
  std::vector<Placed> placed_;
  std::vector<double> turns_;
  std::vector<Point> points_;
  mutable std::map<std::pair<std::size_t, std::size_t>, std::vector<Point>> crossings_;
};

}  // namespace widecut
