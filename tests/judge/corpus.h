// Made-up pairs of outlines to cut, by category and seed.
#pragma once

#include <random>
#include <string>
#include <vector>

#include "cutting/operand.h"

namespace widecut::judge {

using Random = std::mt19937_64;

/// What people lay over one another, from easy to nasty.
enum class Category { Blobs, SelfCrossing, Primitives, Aligned, Nearly, Words, Many, Degenerate };
inline constexpr Category allCategories[] = {Category::Blobs,   Category::SelfCrossing, Category::Primitives,
                                             Category::Aligned, Category::Nearly,       Category::Words,
                                             Category::Many,    Category::Degenerate};
const char* nameOf(Category category);

/// Two operands. The same category and seed give the same pair on every machine.
std::vector<Operand> corpusPair(Category category, std::uint64_t seed);

/// Pairs built to break cutting: jitters and turns from 1e-16 up, split copies, near-copies, tangent discs, lattices,
/// slivers, pinwheels, shared tangents, cusps. More than two operands in some families.
inline constexpr int adversarialFamilies = 16;
std::vector<Operand> adversarial(int family, std::uint64_t seed);
const char* adversarialName(int family);

// The generators' building blocks, for other corpora.
double uniform(Random& random, double low, double high);
int whole(Random& random, int low, int high);
Outline blob(Random& random, int nodes, double size, double roughness);
Outline loops(Random& random, int nodes, double size);
Outline placed(const Outline& outline, double x, double y, double angle = 0);
/// A closed ring of n cubics that waves `waves` times.
Outline wavyRing(int n, double radius, double depth, int waves, double phase);

}  // namespace widecut::judge
