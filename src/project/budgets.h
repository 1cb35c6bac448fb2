// How much memory the program's caches may take: one place, printed by `widecut info --json`.
#pragma once

#include <cstddef>

namespace widecut::budgets {

inline constexpr std::size_t photoBytes = std::size_t{256} << 20;   ///< Decoded photos.
inline constexpr std::size_t rasterBytes = std::size_t{400} << 20;  ///< Rasters of layers on the mat.
inline constexpr std::size_t undoBytes = std::size_t{256} << 20;  ///< Of states that are not current, photos included.
// What is worked out from nodes and kept while it is used.
inline constexpr std::size_t outlineBytes = std::size_t{96} << 20;
inline constexpr std::size_t letterBytes = std::size_t{24} << 20;  ///< Outlines of words alone.
inline constexpr std::size_t contentBytes = std::size_t{96} << 20;
inline constexpr std::size_t smallMemoBytes = std::size_t{32} << 20;  ///< Each of those of far smaller things.
inline constexpr std::size_t leastUndoSteps = 50;                     ///< Kept in any case.

}  // namespace widecut::budgets
