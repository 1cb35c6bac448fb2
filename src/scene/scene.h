// The scene: one sheet as layers, each a content that many may share and a place.
#pragma once

#include "project/model.h"
#include "words/set_words.h"

namespace widecut {

/// A picture laid behind an outline; it shows only where there is a picture.
struct PictureBrush {
  MediumPtr medium;
  Affine toOutline;  ///< From pixels to the space of the outline.
};
using Brush = std::variant<Colour, PictureBrush>;

// Outlines are filled by the nonzero rule.

struct FillOutline {
  std::shared_ptr<const Outline> outline;
  Brush brush;
  double opacity = 1;
};
struct StrokeOutline {
  std::shared_ptr<const Outline> outline;
  Line line;
};
using Mark = std::variant<FillOutline, StrokeOutline>;

/// A line of words as it is read, for formats in which text can be searched. It is painted by its marks, not by this.
struct ReadLine {
  std::string text;
  std::vector<CaretStop> stops;  ///< Bytes of the text, and where they are along the line.
  double size = 0;               ///< The em.
  Affine place;                  ///< From the line, whose base line begins at the origin, to the content's space.
};

struct Layer;
/// What an item paints, in its frame space. Items of the same form and style nodes share it.
struct Content {
  Box box;  ///< Of all that is painted.
  std::vector<Mark> under;
  std::vector<Layer> inside;  ///< What is inside the item and shows as it is; back to front.
  std::vector<Mark> over;
  std::vector<ReadLine> read;  ///< The words that it shows itself, or that its outline is made of.
};
struct Layer {
  ItemPtr item;
  std::shared_ptr<const Content> content;
  Affine place;  ///< From the frame to the space the layer lies in.
  double opacity = 1;
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

/// The layer of one item, in its parent's space. Its content is memoised by the nodes of form and style.
Layer layerOf(const ItemPtr& item);
/// The box of what a layer paints, as tight as it can be.
Box tightBox(const Layer& layer);
/// What stands in the place of a picture that cannot be decoded, alike in every format: a plain tone with a cross.
std::vector<FillOutline> standIn(const FillOutline& picture);
/// The sheet's visible items that reach into it, or into `bleed` points round it.
Scene sceneOf(const Sheet& sheet, double bleed = 0);
/// The photos that the scene shows, each once, in the order in which they are first seen.
std::vector<MediumPtr> photosIn(const Scene& scene);
/// One item alone (a part too, in its place on the sheet) on a transparent ground of its own size: the
/// scene's origin is the top left of what the item paints.
Scene sceneOfItem(const Project& project, Id item);

}  // namespace widecut
