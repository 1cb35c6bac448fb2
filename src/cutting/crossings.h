// Where two arcs meet: ends on arcs, overlaps, crossings.
#pragma once

#include <vector>

#include "cutting/arcs.h"

namespace widecut {

/// A node on an arc.
struct Event {
  int arc = 0;
  int node = 0;
  double u = 0;
};

/// A shallow crossing, which may stray along its arcs.
struct ShallowCrossing {
  int node = 0;
  int arcs[2] = {0, 0};
  double u[2] = {0, 0};
  double sine = 0;  ///< Of the angle between the arcs.
};

/// From which pairs of arcs things were found, so that those of some arcs can be taken back.
struct PairLog {
  struct Pair {
    int arcs[2];
  };
  struct Union {
    int nodes[2];
    Pair of;  ///< The arcs; −1 and −1 when nothing lies between the nodes.
  };
  std::vector<int> others;  ///< For each event, the arc that it was met with.
  std::vector<Union> unions;
  std::vector<Pair> contacts;  ///< Between arcs of one operand.
  void clear() {
    others.clear();
    unions.clear();
    contacts.clear();
  }
};

/// Collects what pairs of arcs have in common.
class CrossingSearch {
 public:
  CrossingSearch(const Arcs& arcs, const Frame& frame, Nodes& nodes, std::vector<Event>& events,
                 std::vector<ShallowCrossing>& crossings)
      : arcs_(arcs), frame_(frame), nodes_(nodes), events_(events), crossings_(crossings) {}

  /// Writes down from now on where things come from.
  void logTo(PairLog& log) { log_ = &log; }
  /// Adds the events of arcs i and j, whose boxes touch within the tolerance.
  void meet(int i, int j);
  /// How many contacts and crossings were found between arcs of this operand.
  int selfContacts(int operand) const {
    const auto i = static_cast<std::size_t>(operand);
    return i < selfContacts_.size() ? selfContacts_[i] : 0;
  }
  /// If the place lies within the tolerance of the arc: its parameter there.
  static std::optional<double> nearOn(const Arc& arc, Point place, double tolerance);

 private:
  struct Contact {
    double u, v;
    Point at;
  };
  /// What the search of one pair has seen of the sign of (height of a − height of b) along both.
  struct Signs {
    int last = 0;
    double lastAt = 0;
  };
  void meetEnds(const Arc& a, const Arc& b, bool swapped);
  bool overlap() const;
  void crossLines();
  void crossOpposite();
  bool polishFromChords();
  bool meetOnceAtMost() const;
  int sideAtEnd(bool low) const;
  void crossAlike();
  /// A stretch of an arc as a graph: x is the coordinate along, y the one across; and its parameters on the arc.
  struct Graph {
    Bezier c;
    double u0, u1;
  };
  static Graph graphOf(const Arc& arc);
  static void clip(Graph& graph, double low, double high);
  void halve(const Graph& a, const Graph& b, int depth);
  bool crossOnce(const Graph& a, const Graph& b);
  void note(double along, double gap);
  void locate(double low, double high);
  bool polish(double u, double v, double low = -1e300, double high = 1e300);
  void bisectOpposite();
  void addContact(double u, double v, Point at);
  void countContact();
  void addEvent(int arc, int node, double u);
  void addCrossing(double u, double v);
  void addCrossing(double u, double v, Point at, Point slopeA, Point slopeB);

  const Arcs& arcs_;
  const Frame& frame_;
  Nodes& nodes_;
  std::vector<Event>& events_;
  std::vector<ShallowCrossing>& crossings_;

  // The pair at hand.
  int i_ = 0, j_ = 0;
  const Arc* a_ = nullptr;
  const Arc* b_ = nullptr;
  Contact contacts_[8];
  int contactCount_ = 0;
  Signs signs_;
  std::vector<int> selfContacts_;
  PairLog* log_ = nullptr;
};

}  // namespace widecut
