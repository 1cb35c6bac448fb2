#include "output/pdf_fonts.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "output/pdf_content.h"
#include "output/pdf_unicode.h"
#include "scene/live_text.h"

namespace widecut {
namespace {

using Object = QPDFObjectHandle;
using pdf::number;

constexpr double perEm = 1000;  // lengths of PDF fonts

std::string code(std::uint32_t glyph) {
  char text[8];
  std::snprintf(text, sizeof text, "%04x", glyph & 0xffffU);
  return text;
}
/// As it is stated in the font, and so counted by readers.
double statedWidth(const Font& font, std::uint32_t glyph) {
  return std::round(font.advance(glyph) * perEm * 100) / 100;
}

/// Six capitals that tell subsets of a font apart.
std::string tagOf(int subset) {
  std::string tag(6, 'A');
  constexpr int letters = 26;
  for (std::size_t i = tag.size(); i-- > 0; subset /= letters) tag[i] = static_cast<char>('A' + subset % letters);
  return tag;
}

/// Writes glyphs one after another, moving the pen where they do not follow on.
class Pen {
 public:
  Pen(std::string& out, std::function<std::string(const FontPtr&)> nameOf) : out_(out), nameOf_(std::move(nameOf)) {}

  void write(const SetRun& run, const SetGlyph& glyph, double x) {
    const double rise = run.raised - glyph.offset.y;
    if (run.font != font_ || run.size != size_ || rise != rise_) {
      close();
      if (run.font != font_ || run.size != size_) out_ += nameOf_(run.font) + " " + number(run.size) + " Tf\n";
      if (rise != rise_) out_ += number(rise) + " Ts\n";
      font_ = run.font;
      size_ = run.size;
      rise_ = rise;
    }
    const double back = (at_ - x - glyph.offset.x) / size_ * perEm;
    if (std::abs(back) >= 0.05) {
      endText();
      row_ += number(back, 100) + " ";
      at_ -= std::round(back * 100) / 100 * size_ / perEm;
    }
    if (!isOpen_) row_ += "<";
    isOpen_ = true;
    row_ += code(glyph.glyph);
    at_ += statedWidth(*font_, glyph.glyph) * size_ / perEm;
  }
  void close() {
    endText();
    if (!row_.empty()) out_ += "[" + row_ + "] TJ\n";
    row_.clear();
  }
  /// The next line is not raised by that.
  void finish() {
    close();
    if (rise_ != 0) out_ += "0 Ts\n";
  }

 private:
  void endText() {
    if (isOpen_) row_ += "> ";
    isOpen_ = false;
  }
  std::string& out_;
  std::function<std::string(const FontPtr&)> nameOf_;
  std::string row_;
  bool isOpen_ = false;
  FontPtr font_;
  double size_ = 0, rise_ = 0, at_ = 0;
};

bool isSpace(const std::string& says) { return says == " " || says == "\t" || says == "\xC2\xA0"; }

/// Readers find the ends of words by gaps, and miss spaces that are set very tight. Then the line is said as a whole.
bool hasTightSpaces(const std::vector<LiveCluster>& clusters) {
  constexpr double leastSpace = 0.17;  // of the em
  bool isTight = false;
  for (const LiveCluster& cluster : clusters) {
    if (cluster.run->leftward) return false;  // which readers turn round themselves
    const SetGlyph& glyph = cluster.run->glyphs[cluster.first];
    isTight =
        isTight || (isSpace(cluster.says) && cluster.says != "\t" && glyph.advance < leastSpace * cluster.run->size);
  }
  return isTight;
}

/// Readers expect the letters of words that are read from the right as they stand, from the left.
void turnRound(std::vector<LiveCluster>& clusters) {
  const auto isLeftward = [](const LiveCluster& c) { return c.run->leftward && !isSpace(c.says); };
  for (auto from = clusters.begin(); from != clusters.end();) {
    from = std::find_if(from, clusters.end(), isLeftward);
    const auto to = std::find_if_not(from, clusters.end(), isLeftward);
    std::reverse(from, to);
    from = to;
  }
}

/// Whether a letter and the next one of its word stand at different heights, as behind a drop cap: readers would take
/// them for two words.
bool joins(const std::vector<LiveCluster>& clusters, std::size_t i) {
  if (i + 1 >= clusters.size()) return false;
  const LiveCluster &one = clusters[i], &next = clusters[i + 1];
  const bool areOneWord = !one.says.empty() && !next.says.empty() && !isSpace(one.says) && !isSpace(next.says);
  return areOneWord && one.run->raised != next.run->raised && !one.run->leftward;
}

void write(const LiveCluster& cluster, Pen& pen) {
  double x = cluster.x;
  for (std::size_t k = 0; k < cluster.count; ++k) {
    const SetGlyph& glyph = cluster.run->glyphs[cluster.first + k];
    pen.write(*cluster.run, glyph, x);
    x += glyph.advance;
  }
}

/// What the codes of a font mean.
std::string unicodeMap(const std::map<std::uint32_t, std::string>& says) {
  std::vector<std::pair<std::string, std::string>> rows;
  for (const auto& [glyph, text] : says)
    if (!text.empty()) rows.emplace_back(code(glyph), text);
  return pdf::unicodeMap("<0000> <ffff>", rows);
}

Object widthsOf(const Font& font, const std::map<std::uint32_t, std::string>& says) {
  std::string out = "[";
  for (const auto& [glyph, text] : says)
    out += " " + std::to_string(glyph) + " [" + number(statedWidth(font, glyph)) + "]";
  return Object::parse(out + " ]");
}

Object descriptorOf(QPDF& pdf, const Font& font, const FontSubset& subset, const std::string& name) {
  Object out = Object::newDictionary();
  const auto set = [&](const char* key, double value) { out.replaceKey(key, Object::parse(number(value))); };
  constexpr int withSignsOfItsOwn = 4;
  constexpr double usualStem = 80;
  out.replaceKey("/Type", Object::newName("/FontDescriptor"));
  out.replaceKey("/FontName", Object::newName("/" + name));
  set("/Flags", withSignsOfItsOwn);
  const Box& b = subset.box;
  out.replaceKey("/FontBBox", Object::parse("[" + number(b.low.x * perEm) + " " + number(b.low.y * perEm) + " " +
                                            number(b.high.x * perEm) + " " + number(b.high.y * perEm) + "]"));
  set("/ItalicAngle", subset.italicAngle);
  set("/Ascent", font.ascent() * perEm);
  set("/Descent", -font.descent() * perEm);
  set("/CapHeight", font.capHeight() * perEm);
  set("/StemV", usualStem);
  Object file = Object::newStream(&pdf, subset.bytes);
  if (subset.isCff)
    file.getDict().replaceKey("/Subtype", Object::newName("/CIDFontType0C"));
  else
    file.getDict().replaceKey("/Length1", Object::newInteger(static_cast<long long>(subset.bytes.size())));
  out.replaceKey(subset.isCff ? "/FontFile3" : "/FontFile2", pdf.makeIndirectObject(file));
  return out;
}

}  // namespace

PdfFonts::Used& PdfFonts::used(const FontPtr& font) {
  const auto [found, fresh] = fonts_.try_emplace(font);
  if (fresh) {
    found->second.number = static_cast<int>(fonts_.size());
    found->second.canBeEmbedded = font->subset({}).has_value();
    found->second.object = pdf_.makeIndirectObject(Object::newDictionary());
  }
  return found->second;
}

bool PdfFonts::canWrite(const Words& words) {
  const SetWords& set = words.set();
  for (std::size_t i = 0; i < set.shown; ++i)
    for (const SetRun& run : set.lines[i].body->runs)
      if (!run.glyphs.empty() && !(run.size > 0 && used(run.font).canBeEmbedded)) return false;
  return true;
}

std::string PdfFonts::written(const FillWords& words, const NameOf& nameOf) {
  std::string out;
  const SetWords& set = words.words->set();
  for (std::size_t i = 0; i < set.shown; ++i) {
    const std::string line = lineOf(set.lines[i], words.words->story(), nameOf);
    if (line.empty()) continue;
    const Affine m = words.place * placeOn(set.lines[i], 0);
    // Letters stand upright where y points up, so they are turned over once more.
    out += "BT\n" + number(m.xx, 1e6) + " " + number(m.yx, 1e6) + " " + number(-m.xy, 1e6) + " " + number(-m.yy, 1e6) +
           " " + number(m.dx) + " " + number(m.dy) + " Tm\n" + line + "ET\n";
  }
  return out;
}

std::string PdfFonts::lineOf(const SetLine& line, const std::string& story, const NameOf& nameOf) {
  std::string out;
  Pen pen(out, [&](const FontPtr& font) {
    const Used& known = used(font);
    return nameOf(known.number, known.object);
  });
  auto clusters = clustersOf(line, story);
  turnRound(clusters);
  // Whether the codes of a cluster mean what it says; what they are to mean from now on, where they are new.
  const auto speaksForItself = [&](const LiveCluster& cluster) {
    auto& says = used(cluster.run->font).says;
    std::string meant;
    for (std::size_t k = 0; k < cluster.count; ++k) {
      const std::uint32_t glyph = cluster.run->glyphs[cluster.first + k].glyph;
      const bool canSayAll = cluster.count == 1 && !cluster.says.empty();
      meant += says.try_emplace(glyph, canSayAll ? cluster.says : "").first->second;
      if (canSayAll && says[glyph].empty()) meant = says[glyph] = cluster.says;
    }
    return meant == cluster.says && !meant.empty();
  };
  const bool isTight = hasTightSpaces(clusters);
  for (std::size_t i = 0; i < clusters.size();) {
    std::size_t end = i + 1;
    bool isPlain = speaksForItself(clusters[i]);
    if (isTight) {
      isPlain = false;
      for (; end < clusters.size(); ++end) (void)speaksForItself(clusters[end]);
    } else if (joins(clusters, i)) {
      isPlain = false;
      for (; end < clusters.size() && !isSpace(clusters[end].says); ++end) (void)speaksForItself(clusters[end]);
    } else if (!isPlain && !clusters[i].says.empty() && !isSpace(clusters[i].says)) {
      // Up to the end of the word, what does not speak for itself is said together.
      while (end < clusters.size() && !isSpace(clusters[end].says) && !clusters[end].says.empty() &&
             !speaksForItself(clusters[end]))
        ++end;
    }
    if (!isPlain) {
      std::string said;
      for (std::size_t k = i; k < end; ++k) said += clusters[k].says;
      pen.close();
      out += "/Span <</ActualText <feff" + pdf::utf16(said) + ">>> BDC\n";
    }
    for (; i < end; ++i) write(clusters[i], pen);
    if (!isPlain) {
      pen.close();
      out += "EMC\n";
    }
  }
  pen.finish();
  return out;
}

void PdfFonts::finish() {
  // In the order in which they were used first: that of their addresses differs from run to run.
  std::map<int, std::pair<FontPtr, Used*>> inOrder;
  for (auto& [font, known] : fonts_)
    if (!known.says.empty()) inOrder[known.number] = {font, &known};
  int count = 0;
  for (auto& [place, entry] : inOrder) {
    const FontPtr& font = entry.first;
    Used& known = *entry.second;
    std::set<std::uint32_t> glyphs;
    for (const auto& [glyph, text] : known.says) glyphs.insert(glyph);
    const auto subset = font->subset(glyphs);
    if (!subset) throw std::runtime_error("a font cannot be embedded in part");
    const std::string name = tagOf(count++) + "+" + font->names().postScript;
    Object inner = Object::newDictionary();
    inner.replaceKey("/Type", Object::newName("/Font"));
    inner.replaceKey("/Subtype", Object::newName(subset->isCff ? "/CIDFontType0" : "/CIDFontType2"));
    inner.replaceKey("/BaseFont", Object::newName("/" + name));
    inner.replaceKey("/CIDSystemInfo", Object::parse("<< /Registry (Adobe) /Ordering (Identity) /Supplement 0 >>"));
    inner.replaceKey("/FontDescriptor", pdf_.makeIndirectObject(descriptorOf(pdf_, *font, *subset, name)));
    inner.replaceKey("/W", widthsOf(*font, known.says));
    if (!subset->isCff) inner.replaceKey("/CIDToGIDMap", Object::newName("/Identity"));
    Object descendants = Object::newArray();
    descendants.appendItem(pdf_.makeIndirectObject(inner));
    known.object.replaceKey("/Type", Object::newName("/Font"));
    known.object.replaceKey("/Subtype", Object::newName("/Type0"));
    known.object.replaceKey("/BaseFont", Object::newName("/" + name + (subset->isCff ? "-Identity-H" : "")));
    known.object.replaceKey("/Encoding", Object::newName("/Identity-H"));
    known.object.replaceKey("/DescendantFonts", descendants);
    known.object.replaceKey("/ToUnicode", Object::newStream(&pdf_, unicodeMap(known.says)));
  }
}

}  // namespace widecut
