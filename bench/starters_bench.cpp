// Outlines of starters: each kind as it comes, and the slowest of many throws over all its ranges.
#include <benchmark/benchmark.h>

#include <random>

#include "shapes/starter.h"

namespace widecut {
namespace {

void asItComes(benchmark::State& state, const StarterKind& kind) {
  const auto values = usualValues(kind);
  const StarterSize size = usualSize(kind, values);
  for (auto _ : state) benchmark::DoNotOptimize(starterOutline(kind, size, values));
}

/// Every number at its largest: the most nodes there can be.
void atItsLargest(benchmark::State& state, const StarterKind& kind) {
  std::vector<double> values;
  for (const StarterNumber& n : kind.numbers) values.push_back(n.kind == NumberKind::Length ? n.usual : n.most);
  for (auto _ : state) benchmark::DoNotOptimize(starterOutline(kind, {340, 240}, values));
}

const bool registered = [] {
  for (const StarterKind* kind : starterKinds()) {
    const std::string name(kind->name);
    benchmark::RegisterBenchmark(("starter/" + name).c_str(), [kind](benchmark::State& s) { asItComes(s, *kind); });
    benchmark::RegisterBenchmark(("starter_largest/" + name).c_str(),
                                 [kind](benchmark::State& s) { atItsLargest(s, *kind); });
  }
  return true;
}();

}  // namespace
}  // namespace widecut
