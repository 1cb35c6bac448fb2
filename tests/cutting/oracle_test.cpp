// The planar map judged point by point, on shapes that people really lay over one another.
#include "oracle.h"

#include <gtest/gtest.h>

#include "cutting/planar_map.h"
#include "geometry/path_data.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

constexpr double margin = 0.03;

void expectRight(const std::vector<Outline>& shapes, const char* name) {
  std::vector<Operand> operands;
  std::vector<std::string> names;
  for (std::size_t i = 0; i < shapes.size(); ++i) {
    operands.push_back({shapes[i]});
    names.push_back(std::string(1, static_cast<char>('a' + i)));
  }
  const auto map = PlanarMap::of(operands);
  ASSERT_TRUE(map) << name;
  const int n = static_cast<int>(shapes.size());
  for (const Role role : {Role::Add, Role::Subtract, Role::Intersect, Role::Exclude}) {
    const Formula formula = Formula::chain(n, role);
    const auto truth = [&](const std::vector<bool>& covers) {
      return formula.holds([&](int part) { return covers[static_cast<std::size_t>(part)]; });
    };
    EXPECT_EQ(shareWrong(shapes, truth, map->where(formula), 400, 3, margin), 0) << name << ": " << formula.text(names);
  }
}

Outline at(const Outline& o, double x, double y) { return transformed(o, Affine::move({x, y})); }

TEST(CuttingOracle, KnowsARightResultFromAWrongOne) {
  const std::vector<Outline> shapes{rectangleOutline(100, 100), at(ellipseOutline(60, 60), 50, 0)};
  const auto both = [](const std::vector<bool>& c) { return c[0] && c[1]; };
  const auto map = PlanarMap::of(std::vector<Operand>{{shapes[0]}, {shapes[1]}});
  EXPECT_EQ(shareWrong(shapes, both, map->intersect(), 500, 1, margin), 0);
  EXPECT_GT(shareWrong(shapes, both, map->unite(), 500, 1, margin), 0.3);
  EXPECT_GT(shareWrong(shapes, both, Outline{}, 500, 1, margin), 0.05);
}

TEST(CuttingOracle, AlignedShapes) {
  const Outline box = rectangleOutline(100, 60);
  expectRight({box, at(box, 100, 0)}, "side by side");
  expectRight({box, at(box, 50, 0)}, "edges shared in part");
  expectRight({box, ellipseOutline(100, 60)}, "an inscribed ellipse");
  expectRight({ellipseOutline(80, 80), at(ellipseOutline(80, 80), 80, 0)}, "discs that touch");
  expectRight({box, box, box}, "three times the same");
  expectRight({box, transformed(box, Affine::turn(pi / 2))}, "a cross");
}

TEST(CuttingOracle, NearlyEqualShapes) {
  const Outline disc = ellipseOutline(90, 70);
  for (const double e : {1e-3, 1e-6, 1e-9, 1e-12})
    expectRight({disc, at(disc, e, -e)}, "a copy moved by next to nothing");
  expectRight({disc, transformed(disc, Affine::turn(1e-7))}, "a copy turned by next to nothing");
}

TEST(CuttingOracle, LoopsCuspsAndDoubledBackLines) {
  const Outline loop = *parsePathData("M0 0C120 90 -20 90 100 0Z");
  const Outline cusp = *parsePathData("M0 0C100 80 0 80 100 0L100 90L0 90Z");
  const Outline back = *parsePathData("M0 0H80V50H80V20V50H0ZM10 10H10Z");
  expectRight({loop, at(rectangleOutline(60, 60), 50, 30)}, "a loop");
  expectRight({cusp, at(ellipseOutline(60, 60), 50, 45)}, "a cusp");
  expectRight({back, at(ellipseOutline(60, 40), 60, 20)}, "a line that doubles back");
  expectRight({loop, cusp, back}, "all three");
}

TEST(CuttingOracle, ManyShapesAtOnce) {
  std::vector<Outline> discs;
  for (int i = 0; i < 9; ++i) discs.push_back(at(ellipseOutline(50, 50), 22.0 * (i % 3), 22.0 * (i / 3)));
  expectRight(discs, "nine discs");
  std::vector<Outline> bars{polygonOutline(120, 120, 3)};
  for (int i = 0; i < 8; ++i) bars.push_back(at(rectangleOutline(140, 5), 0, -50.0 + 12 * i));
  expectRight(bars, "a triangle cut into bands");
}

TEST(CuttingOracle, RandomBlobsAndStars) {
  std::mt19937 random(21);
  std::uniform_real_distribution<double> unit(0, 1);
  for (int i = 0; i < 60; ++i) {
    std::vector<Outline> shapes;
    for (int k = 0; k < 3; ++k) {
      const double w = 30 + 70 * unit(random), h = 30 + 70 * unit(random);
      Outline s = unit(random) < 0.5 ? ellipseOutline(w, h)
                                     : starOutline(w, h, 3 + static_cast<int>(8 * unit(random)), 0.7 * unit(random));
      s = transformed(s, Affine::turn(6 * unit(random)));
      shapes.push_back(at(s, 70 * unit(random), 70 * unit(random)));
    }
    expectRight(shapes, "random");
  }
}

TEST(CuttingOracle, ResultsFedBackStayRight) {
  Outline shape = rectangleOutline(200, 200);
  double expected = 40000;
  for (int i = 0; i < 12; ++i) {
    const Outline bite = at(ellipseOutline(14, 14), -82.0 + 15 * i, 10.0 * (i % 2));
    const auto map = PlanarMap::of(std::vector<Operand>{{shape}, {bite}});
    shape = map->subtract();
    expected -= signedArea(bite);
  }
  EXPECT_EQ(shape.contours.size(), 13U);
  EXPECT_NEAR(signedArea(shape), expected, 0.01 * 12 * pi * 14) << "the runs stay within 0.01 of the curves";
}

TEST(Cutting, DividedFacesTileTheUnionAndDoNotOverlap) {
  std::mt19937 random(5);
  std::uniform_real_distribution<double> unit(0, 1);
  for (int i = 0; i < 25; ++i) {
    std::vector<Operand> operands;
    for (int k = 0; k < 4; ++k)
      operands.push_back(
          {at(starOutline(40 + 60 * unit(random), 60, 4 + k, 0.3), 60 * unit(random), 60 * unit(random))});
    const auto map = *PlanarMap::of(operands);
    const auto faces = map.divide();
    double total = 0;
    for (const Face& face : faces) {
      total += signedArea(face.outline);
      EXPECT_GT(signedArea(face.outline.contours.empty() ? Outline{} : Outline{{face.outline.contours[0]}}), 0);
      for (std::size_t c = 1; c < face.outline.contours.size(); ++c)
        EXPECT_LT(signedArea(Outline{{face.outline.contours[c]}}), 0) << "holes run the other way";
    }
    EXPECT_NEAR(total, signedArea(map.unite()), 1e-3);
  }
}

}  // namespace
}  // namespace widecut
