// The scene: one sheet as layers, each a content that many may share and a place.
#pragma once

#include <map>
#include <string>

#include "project/model.h"
#include "words/set_words.h"

namespace widecut {

/// A picture laid behind an outline; it shows only where there is a picture.
struct PictureBrush {
  MediumPtr medium;
  Affine toOutline;  ///< From pixels to the space of the outline.
  AdjustmentsPtr adjustments = nullptr;
  PlayingPtr playing = nullptr;  ///< Of a video, whose poster the medium is.
};
/// A gradient as it lies: from (0, 0) to (1, 0) of a space of its own, which is mapped to that of the outline.
struct GradientBrush {
  GradientKind kind = GradientKind::Linear;
  std::shared_ptr<const std::vector<GradientStop>> stops;  ///< Between which sRGB mixes plainly.
  Affine toOutline;
};
/// The same gradient in lengths of the outline's own, for formats and readers that keep few places: a straight one runs
/// from `from` to `to` at right angles to its stripes, with no map; a round one is a circle of `radius` about the
/// origin of a space that `map` brings to the outline without changing areas.
struct OwnUnits {
  Point from, to;
  double radius = 0;
  Affine map;
};
OwnUnits inOwnUnits(const Affine& toOutline);
using Brush = std::variant<Colour, PictureBrush, GradientBrush>;

// Outlines are filled by the nonzero rule.

struct FillOutline {
  std::shared_ptr<const Outline> outline;
  Brush brush;
  double opacity = 1;
  Blend blend = Blend::Normal;
};
/// A line that a pen draws (`Line::isPlain`).
struct StrokeOutline {
  std::shared_ptr<const Outline> outline;
  Line line;
};
/// Fills painted as one within an outline: a line whose colour changes.
struct MarkGroup {
  std::shared_ptr<const Outline> clip;
  std::vector<FillOutline> fills;
  double opacity = 1;
  Blend blend = Blend::Normal;
};
/// Letters on straight lines in one flat colour, which are no outline until something needs one: see scene/letters.h.
struct FillLetters {
  std::shared_ptr<const SetWords> set;
  Affine stretch;  ///< From the space in which they are set.
  Colour colour;
  double opacity = 1;
  Blend blend = Blend::Normal;
};
using Mark = std::variant<FillOutline, StrokeOutline, MarkGroup, FillLetters>;

/// A line of words as it is read, for formats in which text can be searched. It is painted by its marks, not by this.
struct ReadLine {
  std::string text;
  std::vector<CaretStop> stops;  ///< Bytes of the text, and where they are along the line.
  double size = 0;               ///< The em.
  Affine place;                  ///< From the line, whose base line begins at the origin, to the content's space.
  /// Where letters stand each by itself, as along a bend: with the first of them, what all of them say, and how many
  /// there are.
  std::string together = {};
  std::size_t count = 0;
};

/// An effect of an item, or what follows it, in the order of its style.
struct FinishStep {
  Effect effect;
  std::vector<Mark> marks;  ///< Of what follows it; empty for effects on its pixels.
};

struct Layer;
/// What an item paints, in its frame space. Items of the same form and style nodes share it.
struct Content {
  Box box;   ///< Of all that is painted.
  Box body;  ///< Without its finish.
  std::vector<Mark> under;
  std::vector<Layer> inside;  ///< What is inside the item and shows as it is; back to front.
  std::vector<Mark> over;
  std::vector<ReadLine> read;  ///< The words that it shows itself, or that its outline is made of.
  std::vector<FinishStep> finish;
  bool mixes = false;  ///< Some of its own marks are mixed with others: it has to be painted as one.

  bool isOnItsOwn() const { return mixes || !finish.empty(); }
};
struct Layer {
  ItemPtr item;
  std::shared_ptr<const Content> content;
  /// Words whose letters, as one FillLetters, are all of the content's `under`; or else null.
  std::shared_ptr<const Words> letters;
  Affine place;  ///< From the frame to the space the layer lies in.
  double opacity = 1;
  Blend blend = Blend::Normal;
  /// True when it is painted as one, and then laid on what is behind it.
  bool isGroup() const { return opacity < 1 || blend != Blend::Normal || content->isOnItsOwn(); }
  /// A box that holds all it paints, in the space the layer lies in.
  Box box() const { return place(content->box); }
};

struct Scene {
  double width = 0, height = 0;  ///< Sheet size in points.
  Colour paper;
  std::vector<Layer> layers;  ///< Back to front.
  double bleed = 0;           ///< Points beyond every edge that are delivered too.
  Box area() const { return Box{{0, 0}, {width, height}}.grown(bleed); }
};

/// What lies around an item, for gradients that reach further than over it: maps from the unit square of the sheet, and
/// of what the item is in, to the space that the item lies in. Without them such gradients lie over the item.
struct Around {
  std::optional<Affine> sheet, whole;
};
/// What is around the items of a sheet.
Around aroundOf(const Sheet& sheet);
/// The layer of one item, in its parent's space. Its content is memoised by the nodes of form and style, but where it
/// depends on its place.
Layer layerOf(const ItemPtr& item, const Around& around = {});
/// The box that an effect on pixels paints in, of a body with this box in the sheet's directions; lengths of the effect
/// are multiplied by `scale`.
Box finishBox(const Effect& effect, const Box& body, double scale);
/// The box of what a layer paints, as tight as it can be.
Box tightBox(const Layer& layer);
/// What stands in the place of a picture that cannot be decoded, alike in every format: a plain tone with a cross.
std::vector<FillOutline> standIn(const FillOutline& picture);
/// The sheet's visible items that reach into it, or into `bleed` points round it.
Scene sceneOf(const Sheet& sheet, double bleed = 0);
/// The photos that the scene shows, each once, in the order in which they are first seen.
std::vector<MediumPtr> photosIn(const Scene& scene);
/// A video that the scene shows.
struct VideoSeen {
  MediumPtr poster;
  PlayingPtr playing;
  double pointsPerPixel = 0;  ///< The largest size at which a pixel of it is shown.
};
/// Its videos by what tells their frames apart: the same video played otherwise is another one.
std::map<std::string, VideoSeen> videosIn(const Scene& scene);
/// What tells the frames of a video that plays so from those of all others; only for posters.
std::string frameKey(const Medium& poster, const PlayingPtr& playing);
/// Whether a content shows a video.
bool showsVideo(const Content& content);
/// One item alone (a part too, in its place on the sheet) on a transparent ground of its own size: the
/// scene's origin is the top left of what the item paints.
Scene sceneOfItem(const Project& project, Id item);

}  // namespace widecut
