// Edits that turn items into plain outlines: baking, dividing, splitting, knife, offset, trimming.
#pragma once

#include <span>

#include "cutting/offset.h"
#include "project/edits/cutouts.h"

namespace widecut {

/// The cutout, words or starter as a plain outline with the nodes of its result. Its photo stays in register; its
/// parts, text or numbers are gone. Plain items stay as they are.
Project withBaked(const Project& project, Id item);
/// The item with another outline, given in its frame space; the photo that shows in it stays where it is.
Project withFrame(const Project& project, Id item, const Outline& outline);

/// What the items divide into: every face an item of its own, in the place of the frontmost. A piece takes the look of
/// the frontmost item that covers it, or of `look.look` where that one covers it; the photo of `look.photo` shows in
/// all pieces that it covers. `made` receives the pieces.
Project withDivided(const Project& project, std::span<const Id> items, const LookChoice& look, std::vector<Id>& made);
/// The pieces that withDivided would make, without a project around them; for previews.
std::vector<Item> dividedItems(const Project& project, std::span<const Id> items, const LookChoice& look);

/// The item's separate regions as items, each with its look and its photo in register. One region changes nothing.
Project withSplitLoose(const Project& project, Id item, std::vector<Id>& made);

/// What the cutout's recipe removes from the parts that it starts from, adds or excludes, each region an item in the
/// look of the part it comes from, behind the cutout.
Project withOffcuts(const Project& project, Id cutout, std::vector<Id>& made);
/// The outline of what a recipe removes, in the cutout's frame space.
Outline offcutsOf(const Item& cutout);

/// The items cut along a stroke (sheet space, open contours) with a gap in points. Only items that it parts, or
/// notches, change. Words, and cutouts with words in them, stay live: with a gap the cut is a part of theirs. `made`
/// receives the pieces. The problem says why nothing could be cut.
Result<Project> withKnife(const Project& project, std::span<const Id> items, const Outline& stroke, double gap,
                          std::vector<Id>& made);

/// The items grown (or shrunk, below 0) by a distance in points; cutouts become plain outlines.
Result<Project> withOffset(const Project& project, std::span<const Id> items, double distance, Join join);
/// The items as the outline of their own drawn line, filled with its colour; an item without a line counts as drawn by
/// `line` in its fill colour.
Result<Project> withLineOutlined(const Project& project, std::span<const Id> items, const LineShape& line);

/// Each item that overhangs the box (sheet space) as a live cutout of it with the box; `edge` names that part. Items
/// within it, or wholly outside, stay. `made` receives what is selected afterwards.
Project withTrimmed(const Project& project, std::span<const Id> items, const Box& box, const std::string& edge,
                    std::vector<Id>& made);

}  // namespace widecut
