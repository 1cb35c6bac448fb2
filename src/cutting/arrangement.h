// The planar map itself: nodes, edges between them, their order round nodes, and what covers each side.
#pragma once

#include <span>
#include <vector>

#include "cutting/arc_tree.h"
#include "cutting/cover.h"
#include "cutting/crossings.h"

namespace widecut {

/// A piece of an arc between two nodes, in the direction of its contour: u0 > u1 where the arc is stored backwards.
struct Piece {
  int arc = 0;
  int from = 0, to = 0;
  double u0 = 0, u1 = 1;
};

/// A run of pieces of one contour between two junctions: nodes where more than two pieces meet, or where a contour is
/// furthest left or right. Edges that run together are aliases of the first of them.
struct Edge {
  int from = 0, to = 0;
  int first = 0, last = 0;  ///< Its pieces, last included; in a closed contour they may pass its end.
  int operand = 0;
  int alias = -1;        ///< The next edge that runs along this one; −1 at the end.
  bool isAlias = false;  ///< Stands in another edge's list.
  bool against = false;  ///< An alias that runs from the first edge's end to its start.
};

/// Grows with the angle from −2 (just past π) to 2 (π); 0 is to growing x.
double directionKey(Point d);
/// Directions whose keys are closer than this are told apart further out.
inline constexpr double closeKeys = 1e-3;
inline double square(double v) { return v * v; }

/// The tolerance that is tried first, as a share of the extent.
inline constexpr double ladderStart = 1e-11;

/// Half-edge 2e runs along edge e and its contour, 2e + 1 against it. “Left” is the side of growing y of a half-edge
/// that runs to growing x; crossing a contour to its left adds one to the winding.
class Arrangement {
 public:
  /// Overlays the operands. Tries again with other tolerances when a check fails; when all fail, the overlay is made
  /// of fine straight runs on a grid, which cannot fail.
  void build(std::span<const Operand* const> operands);

  /// The same, and remembers what was found between which operands, so that moveOperand can follow.
  void buildForMoves(std::span<const Operand* const> operands);
  /// After buildForMoves: one operand is another outline now, usually the same one moved, or with a node moved. Only
  /// what its changed segments have in common with others is searched anew. False when the map must be built again: the
  /// outline has other nodes than before, lies far outside the drawing, or a check failed.
  bool moveOperand(std::span<const Operand* const> operands, int moved);

  const Frame& frame() const { return frame_; }
  const Arcs& arcs() const { return arcs_; }
  const Nodes& nodes() const { return nodes_; }
  const std::vector<Edge>& edges() const { return edges_; }
  const std::vector<Piece>& pieces() const { return pieces_; }
  /// The pieces of the same contour after and before this one.
  int pieceAfter(int piece) const {
    const std::size_t contour = static_cast<std::size_t>(contourOfPiece_[static_cast<std::size_t>(piece)]);
    return piece + 1 < pieceStarts_[contour + 1] ? piece + 1 : pieceStarts_[contour];
  }
  int pieceBefore(int piece) const {
    const std::size_t contour = static_cast<std::size_t>(contourOfPiece_[static_cast<std::size_t>(piece)]);
    return piece > pieceStarts_[contour] ? piece - 1 : pieceStarts_[contour + 1] - 1;
  }
  Cover& cover() { return cover_; }
  const Cover& cover() const { return cover_; }

  int tail(int half) const { return half % 2 == 0 ? edge(half).from : edge(half).to; }
  int head(int half) const { return half % 2 == 0 ? edge(half).to : edge(half).from; }
  const Edge& edge(int half) const { return edges_[static_cast<std::size_t>(half / 2)]; }
  /// What covers the left side.
  Cover::Label label(int half) const { return labels_[static_cast<std::size_t>(half)]; }
  /// The half-edges that leave the tail of this one: the next one clockwise.
  int clockwise(int half) const {
    const int place = place_[static_cast<std::size_t>(half)], node = tail(half);
    const int first = starts_[static_cast<std::size_t>(node)], last = starts_[static_cast<std::size_t>(node) + 1];
    return around_[static_cast<std::size_t>(place == first ? last - 1 : place - 1)];
  }
  /// How many tolerances were tried; 0 when the first one held. For tests and benchmarks.
  int retries() const { return retries_; }
  bool usedLastResort() const { return usedLastResort_; }
  /// For tests: the same from the last resort alone.
  void buildByLastResort(std::span<const Operand* const> operands);
  /// True when the checks held. The last resort's always should.
  bool isConsistent() const { return !usedLastResort_ || lastResortHeld_; }

 private:
  friend class LastResort;
  struct Sector {
    Point way;
    double key;
    int half;
  };

  void buildByLadder(std::span<const Operand* const> operands);
  bool attempt(std::span<const Operand* const> operands, double relative);
  /// From events to labels. False when a check fails.
  bool finish();
  bool replaceArcs(const Operand& operand, int moved);
  bool replaceFew(const Operand& operand, int moved);
  bool putFew(std::span<const int> numbers, const Arcs& fresh, const Nodes& nodes, std::size_t first, std::size_t last);
  void putArc(Arc arc, const Nodes& nodes, std::size_t place, std::span<const int> numbers);
  void forgetPairs();
  void meetMoved(CrossingSearch& search, int moved);
  void meetFew(CrossingSearch& search);
  void findEvents(std::size_t operands);
  void findPairs(CrossingSearch& search);
  void sortEvents();
  void contract();
  bool addHotNodes();
  void boundWindings();
  bool standsAlone(const ShallowCrossing& crossing) const;
  void makePieces();
  void addPieces(int arc);
  void makeEdges();
  void edgesOfContour(int contour);
  void addStraightEdge(int from, int to, int source, double t0, double t1);
  void collectAround();
  void mergeAliases();
  bool runTogether(const Edge& a, const Edge& b) const;
  void orderAround();
  void orderNode(int node);
  /// The first piece of a half-edge, as it leaves the node: from u to v.
  struct Leaving {
    const Arc* arc;
    int node, other;
    double u, v;
  };
  Leaving leaving(int half) const;
  Point wayOut(int half) const;
  double turnTo(int a, int b, Point middle);
  Point pointAlong(int half, Point origin, Point way, double reach) const;
  double reachOf(int half, Point origin, Point way) const;

  bool labelAll();
  void findComponents();
  Cover::Label seedLabel(int node) const;
  bool spread(int node, Cover::Label west);
  bool labelNode(int half, Cover::Label left, std::vector<int>& open);
  Cover::Label crossed(int half, Cover::Label right) const;
  int sectorTowards(int node, bool west);
  template <class Skip>
  Cover::Label rayLabel(Point p, bool upright, const Skip& skip, bool* doubtful) const;
  bool doubtfulEdgesHold() const;
  bool allEdgesHold() const;
  bool holdsByRay(int half) const;

  Frame frame_;
  Nodes nodes_;
  Arcs arcs_;
  ArcTree tree_;
  bool hasTree_ = false;
  std::vector<Event> events_;
  std::vector<ShallowCrossing> crossings_;
  std::vector<int> eventStarts_;
  std::vector<Event> sorted_;
  std::vector<Piece> pieces_;
  std::vector<int> pieceStarts_, contourOfPiece_;  ///< By contour, and the other way round.
  std::vector<int> degree_, bounds_;
  std::vector<char> isJunction_;
  std::vector<Edge> edges_;
  std::vector<Cover::Label> deltas_;  ///< Packed covers: what crossing an edge from right to left adds.
  std::vector<int> starts_, around_, place_;
  std::vector<Sector> sectors_;
  std::vector<int> doubtful_;  ///< Nodes at which nearly parallel edges were hard to tell apart.
  double leastApart_ = 0;
  std::vector<int> component_;
  std::vector<int> seeds_, rights_, lefts_;  ///< Leftmost and rightmost node of each component.
  std::vector<Cover::Label> labels_;
  std::vector<char> known_;
  std::vector<int> open_;
  mutable Cover cover_;
  /// Where each operand's arcs, sources and nodes begin, and one past the last.
  struct Start {
    std::size_t arcs, sources;
    int nodes;
  };
  std::vector<Start> operandStarts_;
  bool logs_ = false;
  PairLog log_;
  std::vector<int> selfContacts_;
  std::vector<char> changed_;  ///< The arcs of the last move; and, where they are few, their numbers.
  std::vector<std::size_t> few_;
  std::size_t searchedEvents_ = 0;  ///< Events before hot nodes added theirs.
  bool exact_ = false;              ///< All edges are straight and their nodes lie on a grid.
  int retries_ = 0;
  bool usedLastResort_ = false;
  bool lastResortHeld_ = false;
};

}  // namespace widecut
