#include "shapes/other_names.h"

#include <algorithm>

namespace widecut {
namespace {

constexpr OtherName table[] = {
    {"rectangle", "box"},
    {"square", "box"},
    {"oblong", "box"},
    {"quad", "box"},
    {"panel", "box"},
    {"card", "box"},
    {"placeholder", "box"},
    {"circle", "ellipse"},
    {"oval", "ellipse"},
    {"disc", "ellipse"},
    {"disk", "ellipse"},
    {"dot", "ellipse"},
    {"round", "ellipse"},
    {"delta", "triangle"},
    {"wedge", "triangle"},
    {"equilateral", "polygon", 3},
    {"diamond", "polygon", 4},
    {"rhombus", "polygon", 4},
    {"pentagon", "polygon", 5},
    {"hexagon", "polygon", 6},
    {"honeycomb", "polygon", 6},
    {"heptagon", "polygon", 7},
    {"octagon", "polygon", 8},
    {"stop sign", "polygon", 8},
    {"nonagon", "polygon", 9},
    {"decagon", "polygon", 10},
    {"dodecagon", "polygon", 12},
    {"regular", "polygon"},
    {"sides", "polygon"},
    {"hexagram", "star", 6},
    {"asterisk", "star", 6},
    {"sparkle", "star", 4},
    {"twinkle", "star", 4},
    {"explosion", "burst"},
    {"splash", "burst"},
    {"price", "burst"},
    {"seal", "burst"},
    {"badge", "burst"},
    {"spikes", "burst"},
    {"cog", "gear"},
    {"wheel", "gear"},
    {"teeth", "gear"},
    {"window", "arch"},
    {"door", "arch"},
    {"gate", "arch"},
    {"vault", "arch"},
    {"semicircle", "half disc"},
    {"half circle", "half disc"},
    {"dome", "half disc"},
    {"pie", "slice"},
    {"cake", "slice"},
    {"sector", "slice"},
    {"segment", "slice"},
    {"donut", "ring"},
    {"doughnut", "ring"},
    {"annulus", "ring"},
    {"hoop", "ring"},
    {"pill", "capsule"},
    {"stadium", "capsule"},
    {"button", "capsule"},
    {"lozenge", "capsule"},
    {"parallelogram", "slant"},
    {"cube", "slant"},
    {"skewed", "slant"},
    {"oblique", "slant"},
    {"trapezoid", "taper"},
    {"trapezium", "taper"},
    {"perspective", "taper"},
    {"plus", "cross"},
    {"add", "cross"},
    {"first aid", "cross"},
    {"border", "frame"},
    {"passe-partout", "frame"},
    {"outline box", "frame"},
    {"corner", "angle"},
    {"elbow", "angle"},
    {"bracket", "angle"},
    {"love", "heart"},
    {"valentine", "heart"},
    {"tear", "drop"},
    {"teardrop", "drop"},
    {"water", "drop"},
    {"moon", "crescent"},
    {"sickle", "crescent"},
    {"eye", "lens"},
    {"leaf", "lens"},
    {"almond", "lens"},
    {"vesica", "lens"},
    {"flag", "wave panel"},
    {"wavy box", "wave panel"},
    {"wavy edge", "wave panel"},
    {"wave box", "wave panel"},
    {"stamp", "scalloped panel"},
    {"cookie", "scalloped panel"},
    {"lace", "scalloped panel"},
    {"ripped paper", "torn panel"},
    {"jagged", "torn panel"},
    {"rough edge", "torn panel"},
    {"coupon", "ticket"},
    {"voucher", "ticket"},
    {"label", "ticket"},
    {"folder", "tab"},
    {"register", "tab"},
    {"pointer", "arrow"},
    {"direction", "arrow"},
    {"two way arrow", "double arrow"},
    {"both ways", "double arrow"},
    {"bent arrow", "corner arrow"},
    {"turn arrow", "corner arrow"},
    {"angle bracket", "chevron"},
    {"step", "chevron"},
    {"next", "chevron"},
    {"banner", "ribbon"},
    {"band", "ribbon"},
    {"lightning", "bolt"},
    {"flash", "bolt"},
    {"thunder", "bolt"},
    {"check mark", "tick"},
    {"done", "tick"},
    {"yes", "tick"},
    {"marker", "pin"},
    {"place", "pin"},
    {"map", "pin"},
    {"location", "pin"},
    {"sky", "cloud"},
    {"weather", "cloud"},
    {"bubble", "speech balloon"},
    {"speaking", "speech balloon"},
    {"talk", "speech balloon"},
    {"quote", "speech balloon"},
    {"thinking", "thought balloon"},
    {"dream", "thought balloon"},
    {"jigsaw", "puzzle piece"},
    {"spiral", "even spiral"},
    {"coil", "even spiral"},
    {"curl", "spiral line"},
    {"labyrinth", "spiral line"},
    {"snail", "growing spiral"},
    {"shell", "growing spiral"},
    {"swirl", "growing spiral"},
    {"squiggle", "wave"},
    {"ripple", "wave"},
    {"sine", "wave"},
    {"sawtooth", "zigzag"},
    {"teeth line", "zigzag"},
    {"stripes", "bars"},
    {"blinds", "bars"},
    {"fence", "bars"},
    {"sun", "rays"},
    {"sunburst", "rays"},
    {"beams", "rays"},
    {"target", "rings"},
    {"circles", "rings"},
    {"concentric", "rings"},
    {"dots", "holes"},
    {"perforation", "holes"},
    {"punched", "holes"},
    {"grid of dots", "holes"},
    {"organic", "blob"},
    {"amoeba", "blob"},
    {"puddle", "blob"},
    {"stone", "pebble"},
    {"squircle", "pebble"},
    {"rounded", "pebble"},
    {"man", "person"},
    {"woman", "person"},
    {"people", "person"},
    {"silhouette", "person"},
    {"human", "person"},
    {"peak", "mountain"},
    {"hill", "mountain"},
    {"alps", "mountain"},
    {"train", "carriage"},
    {"wagon", "carriage"},
    {"car", "carriage"},
    {"tree", "fir"},
    {"forest", "fir"},
    {"pine", "fir"},
    {"home", "house"},
    {"building", "house"},
    {"hut", "house"},
};

/// Where a word of several begins with the text.
bool begins(std::string_view words, std::string_view text) {
  for (std::size_t at = 0; at != std::string_view::npos; at = words.find(' ', at)) {
    if (at > 0) ++at;
    if (words.substr(at).starts_with(text)) return true;
  }
  return false;
}

}  // namespace

std::span<const OtherName> otherNames() { return table; }

std::vector<const OtherName*> otherNamesLike(std::string_view beginning) {
  std::vector<const OtherName*> found;
  if (beginning.empty()) return found;
  for (const OtherName& name : table)
    if (begins(name.word, beginning)) found.push_back(&name);
  std::stable_sort(found.begin(), found.end(), [&](const OtherName* a, const OtherName* b) {
    return (a->word == beginning) > (b->word == beginning);
  });
  return found;
}

std::vector<double> valuesOf(const OtherName& name) {
  const StarterKind& kind = *starterKind(name.kind);
  std::vector<double> values = usualValues(kind);
  for (std::size_t i = 0; name.count > 0 && i < kind.numbers.size(); ++i)
    if (kind.numbers[i].kind == NumberKind::Count) {
      values[i] = name.count;
      break;
    }
  return values;
}

}  // namespace widecut
