// The limits of everything that a project can hold: one place for edits, fields, the reader and the command line.
#pragma once

#include <cstddef>
#include <cstdint>

#include "geometry/problem.h"
#include "project/model.h"

namespace widecut {

/// What lies within these limits can be saved, and what is saved can be opened. Lengths in points.
namespace limits {

inline constexpr double mostLength = 1e6;                 ///< Of every coordinate, either way.
inline constexpr double leastSide = 1, mostSide = 14400;  ///< Of a sheet.
inline constexpr double mostBleed = 720;
inline constexpr int mostColumns = 50;
inline constexpr double leastGrid = 0.1;                     ///< From line to line, where there is a grid.
inline constexpr std::size_t mostGuides = 1000;              ///< Of one sheet, and of one piece.
inline constexpr double leastLine = 1e-6, mostLine = 1e4;    ///< Width of a drawn line.
inline constexpr double leastPixel = 1e-9, mostPixel = 1e6;  ///< Points per pixel of a picture.
inline constexpr double mostTurnDeg = 1e6;
inline constexpr double mostGap = 1000;     ///< Of the knife.
inline constexpr double mostMeasure = 1e9;  ///< Of what is typed into any field, before its own limits.
inline constexpr double leastPpi = 1, mostPpi = 4800;

inline constexpr int deepestItem = 200;                  ///< Items within items.
inline constexpr std::size_t mostParts = 10'000;         ///< Of one cutout, group or repeat.
inline constexpr std::size_t mostCopies = 10'000;        ///< Of one repeat.
inline constexpr std::size_t mostItems = 100'000;        ///< Of a project, those inside others and all copies included.
inline constexpr std::size_t mostNodes = 750'000;        ///< Of all outlines of a project, all copies included.
inline constexpr std::size_t mostStrips = 100;           ///< Fills, lines, and effects, of one item.
inline constexpr std::size_t mostStops = 100;            ///< Of one gradient.
inline constexpr std::size_t mostLevelNodes = 1000;      ///< Of the line of one level.
inline constexpr double mostHatchMarks = 20'000;         ///< Lines or dots that one hatch shows.
inline constexpr double leastPitch = 0.05;               ///< Points, of a hatch.
inline constexpr double mostGradient = 1000;             ///< Of a place of a gradient, in its box.
inline constexpr std::size_t mostSwatches = 1000;        ///< Of a project.
inline constexpr std::size_t mostSubjects = 1000;        ///< Of a project's photos together.
inline constexpr std::size_t mostZoneNodes = 1000;       ///< Of one subject.
inline constexpr std::size_t mostDashes = 100;           ///< Lengths of one pattern.
inline constexpr double leastDashes = 0.01;              ///< Points, of one pattern together.
inline constexpr std::size_t mostTextBytes = 2'000'000;  ///< Of one item's words.
inline constexpr std::size_t mostLetters = 4'000'000;    ///< Bytes of all words of a project.
inline constexpr double leastTextSize = 0.1, mostTextSize = 10'000;  ///< Points; leading may be 0.
inline constexpr int mostTextColumns = 50;
inline constexpr std::size_t mostTextStyles = 1000;
inline constexpr double mostShift = 1000;  ///< Of every other row of a grid, either way.
inline constexpr std::size_t mostSheets = 10'000;
inline constexpr std::size_t mostNameBytes = 1000;
inline constexpr std::size_t mostPathBytes = 4096;  ///< Of the place of a file that is referred to.

inline constexpr std::int64_t mostPhotoPixels = 200'000'000;
inline constexpr std::size_t mostPhotoBytes = std::size_t{512} << 20;
inline constexpr std::size_t mostMediaBytes = std::size_t{4} << 30;  ///< Of all photos that a project shows.
inline constexpr std::size_t mostPhotos = 9'000;                     ///< That a project shows.
inline constexpr std::int64_t mostVideoPixels = 36'000'000;          ///< Of one frame.
inline constexpr double mostSeconds = 86'400;                        ///< Of one video.
inline constexpr double mostFramesPerSecond = 1'000;
inline constexpr double leastSpeed = 0.1, mostSpeed = 8;

// Of the file itself. A project of mostItems and mostNodes stays well below these.
inline constexpr std::size_t mostJsonBytes = std::size_t{256} << 20;  ///< Of project.json and all sheets together.
inline constexpr std::size_t mostJsonValues = 4'000'000;
inline constexpr int deepestJson = 3 * deepestItem + 50;
inline constexpr std::size_t mostEntries = 30'000;
inline constexpr std::size_t mostFontBytes = std::size_t{64} << 20;
inline constexpr std::size_t mostOtherBytes = std::size_t{256} << 20;  ///< Of all entries that are not known.

}  // namespace limits

/// True when a point, or an angle in radians, is within the limits; false for what is not a number.
bool isPlace(Point p);
bool isTurn(double angle);

/// What of a project breaks the limits; nothing when all is well. This is where numbers that are not finite are
/// stopped: nothing is shown, made or saved that this refuses. Nodes that `before` holds too are not looked at again;
/// the project's totals always are.
std::optional<Problem> beyondLimits(const Project& project, const Project* before);

/// The name cut to the longest that may be, between two letters.
std::string shortened(std::string name, std::size_t mostBytes = limits::mostNameBytes);

}  // namespace widecut
