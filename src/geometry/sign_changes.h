// Where polynomials change their sign.
#pragma once

#include <algorithm>
#include <array>
#include <vector>

namespace widecut {

/// A polynomial on 0…1 in Bernstein's form: its graph lies in the hull of these ordinates at equal steps.
template <std::size_t Ordinates>
using Bernstein = std::array<double, Ordinates>;

template <std::size_t N>
double valueAt(const Bernstein<N>& q, double t) {
  Bernstein<N> b = q;
  for (std::size_t k = N - 1; k > 0; --k)
    for (std::size_t i = 0; i < k; ++i) b[i] += (b[i + 1] - b[i]) * t;
  return b[0];
}

/// The two halves of it, by de Casteljau.
template <std::size_t N>
std::pair<Bernstein<N>, Bernstein<N>> halves(const Bernstein<N>& q) {
  Bernstein<N> low = q, high = q;
  for (std::size_t k = 1; k < N; ++k) {
    for (std::size_t i = N - 1; i >= k; --i) low[i] = (low[i - 1] + low[i]) / 2;
    for (std::size_t i = 0; i < N - k; ++i) high[i] = (high[i] + high[i + 1]) / 2;
  }
  return {low, high};
}

template <std::size_t N>
void addSignChanges(const Bernstein<N>& whole, const Bernstein<N>& q, double t0, double t1, std::vector<double>& out) {
  int changes = 0;
  double before = 0, first = 0;
  for (const double v : q) {
    if (v == 0) continue;
    changes += before != 0 && (v < 0) != (before < 0);
    before = v;
    if (first == 0) first = v;
  }
  if (changes == 0) return;
  constexpr double narrow = 1e-13;
  if (changes == 1 || t1 - t0 < narrow) {
    for (int i = 0; i < 60 && t1 - t0 > 1e-16; ++i) {
      const double middle = (t0 + t1) / 2;
      ((valueAt(whole, middle) < 0) == (first < 0) ? t0 : t1) = middle;
    }
    out.push_back((t0 + t1) / 2);
    return;
  }
  const auto [low, high] = halves(q);
  const double middle = (t0 + t1) / 2;
  addSignChanges(whole, low, t0, middle, out);
  if (high[0] == 0) out.push_back(middle);
  addSignChanges(whole, high, middle, t1, out);
}

/// Where it changes its sign, in rising order: ordinates that change theirs once have one root between them (Descartes’
/// rule in Bernstein's form), which bisection finds to the last bits; others are halved first. Places where it only
/// touches 0 may be among them.
template <std::size_t N>
std::vector<double> signChanges(const Bernstein<N>& q) {
  std::vector<double> out;
  addSignChanges(q, q, 0, 1, out);
  return out;
}

}  // namespace widecut
