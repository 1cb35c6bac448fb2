// Judges many cuts: cutting_judge corpus|adversarial FIRST COUNT [CATEGORY]
// COUNT pairs of each category, or of each adversarial family, from seed FIRST; four operations each. Prints a table,
// and the seeds of whatever is not right. Exit code 1 when anything is not.
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <string>

#include "cutting/planar_map.h"
#include "judge/exact_oracle.h"

namespace widecut::judge {
namespace {

struct Tally {
  int right = 0, loose = 0, wrong = 0, retried = 0, lastResort = 0;
  double slowest = 0;
};

void judge(const std::vector<Operand>& operands, const std::string& name, std::uint64_t seed, Tally& tally) {
  Random random(seed + 5);
  const auto begun = std::chrono::steady_clock::now();
  const auto map = PlanarMap::of(operands);
  const double micros = std::chrono::duration<double, std::micro>(std::chrono::steady_clock::now() - begun).count();
  tally.slowest = std::max(tally.slowest, micros);
  if (!map) {
    ++tally.wrong;
    return;
  }
  tally.retried += map->report().retries > 0;
  tally.lastResort += map->report().usedLastResort;
  bool said = !map->report().consistent;
  if (said) std::printf("INCONSISTENT %s seed %llu\n", name.c_str(), static_cast<unsigned long long>(seed));
  const int n = static_cast<int>(operands.size());
  for (const Role role : {Role::Add, Role::Subtract, Role::Intersect, Role::Exclude}) {
    const Formula formula = Formula::chain(n, role);
    const Outline result = map->where(formula);
    const auto truth = [&](const std::vector<bool>& covers) {
      return formula.holds([&](int part) { return covers[static_cast<std::size_t>(part)]; });
    };
    const double off = difference(operands, truth, result, random, role == Role::Exclude);
    ++(off < 1e-6 ? tally.right : off < 1e-4 ? tally.loose : tally.wrong);
    if (off >= 1e-6 && !said)
      std::printf("off by %.2g: %s seed %llu, %s\n", off, name.c_str(), static_cast<unsigned long long>(seed),
                  std::string(nameOf(role)).c_str());
    if (off >= 1e-6) said = true;
  }
}

int run(const std::string& what, std::uint64_t first, std::uint64_t count, const std::string& only) {
  const bool corpus = what == "corpus";
  const int kinds = corpus ? static_cast<int>(std::size(allCategories)) : adversarialFamilies;
  Tally all;
  std::printf("%-18s %8s %6s %6s %8s %6s %10s\n", "", "right", "loose", "wrong", "retried", "last", "slowest µs");
  for (int k = 0; k < kinds; ++k) {
    const std::string name = corpus ? nameOf(allCategories[k]) : adversarialName(k);
    if (!only.empty() && name.find(only) == std::string::npos) continue;
    Tally tally;
    for (std::uint64_t seed = first; seed < first + count; ++seed)
      judge(corpus ? corpusPair(allCategories[k], seed) : adversarial(k, seed), name, seed, tally);
    std::printf("%-18s %8d %6d %6d %8d %6d %10.0f\n", name.c_str(), tally.right, tally.loose, tally.wrong,
                tally.retried, tally.lastResort, tally.slowest);
    std::fflush(stdout);
    all.right += tally.right;
    all.loose += tally.loose;
    all.wrong += tally.wrong;
  }
  std::printf("%d right, %d not\n", all.right, all.loose + all.wrong);
  return all.loose + all.wrong == 0 && all.right > 0 ? 0 : 1;
}

}  // namespace
}  // namespace widecut::judge

int main(int count, char** words) {
  if (count < 4) {
    std::fprintf(stderr, "usage: cutting_judge corpus|adversarial FIRST COUNT [CATEGORY]\n");
    return 2;
  }
  return widecut::judge::run(words[1], std::strtoull(words[2], nullptr, 10), std::strtoull(words[3], nullptr, 10),
                             count > 4 ? words[4] : "");
}
