#include "output/pdf_text.h"

#include <QByteArray>
#include <cmath>
#include <span>

#include "output/pdf_content.h"
#include "output/pdf_unicode.h"

namespace widecut {
namespace {

using Object = QPDFObjectHandle;

constexpr int codesPerFont = 254;
constexpr int firstCode = 2;  // before it there is one by which readers tell how large letters are
constexpr double mostWidth = 10'000;
constexpr int widthStep = 10;  // thousandths of the em

std::string hex(int byte) { return QByteArray(1, static_cast<char>(byte)).toHex().toStdString(); }
using pdf::number;
using pdf::utf16;

/// What the codes of a font mean.
std::string unicodeMap(std::span<const std::pair<std::string, int>> letters) {
  std::vector<std::pair<std::string, std::string>> rows;
  for (std::size_t i = 0; i < letters.size(); ++i)
    rows.emplace_back(hex(static_cast<int>(i) + firstCode), letters[i].first);
  return pdf::unicodeMap("<00> <ff>", rows);
}

/// By how much the letter before one is said to be narrower, in thousandths of the em: readers find the ends of words
/// by gaps, and miss spaces that are set very tight.
double narrowedBefore(const ReadLine& line, std::size_t i) {
  constexpr double leastSpace = 250;
  if (i + 1 >= line.stops.size() || line.text[line.stops[i].at] != ' ') return 0;
  const double space = (line.stops[i + 1].x - line.stops[i].x) / line.size * 1000;
  const double before = (line.stops[i].x - line.stops[i - 1].x) / line.size * 1000;
  return std::clamp(leastSpace - space, 0.0, std::max(before / 2, 0.0));
}

}  // namespace

PdfText::Code PdfText::codeOf(const Letter& letter) {
  const auto [known, fresh] = known_.try_emplace(letter);
  if (fresh) {
    const int count = static_cast<int>(letters_.size());
    known->second = {count / codesPerFont, count % codesPerFont + firstCode};
    if (known->second.letter == firstCode) fonts_.push_back(pdf_.makeIndirectObject(Object::newDictionary()));
    letters_.push_back(letter);
  }
  return known->second;
}

std::string PdfText::written(const ReadLine& line, const NameOf& nameOf) {
  std::string out;
  if (line.count > 0) {
    // Readers that look for lines would take letters which are turned each for lines of their own.
    out = "/Span <</ActualText <feff" + utf16(line.together) + ">>> BDC\n";
    lettersLeft_ = line.count;
  }
  out += lineOf(line, nameOf);
  if (lettersLeft_ > 0 && --lettersLeft_ == 0) out += "EMC\n";
  return out;
}

std::string PdfText::lineOf(const ReadLine& line, const NameOf& nameOf) {
  if (!(line.size > 0) || line.stops.size() < 2) return {};
  const Affine& m = line.place;
  // Letters stand upright where y points up, so they are turned over once more.
  std::string out = "BT\n" + number(m.xx) + " " + number(m.yx) + " " + number(-m.xy) + " " + number(-m.yy) + " " +
                    number(m.dx) + " " + number(m.dy) + " Tm\n";
  int font = -1;
  double at = line.stops.front().x;
  std::string run;
  const auto endRun = [&] {
    if (!run.empty()) out += "[" + run + "] TJ\n";
    run.clear();
  };
  // TJ moves the next letter back by thousandths of the em.
  const auto thousandths = [&](double points) { return points / line.size * 1000; };
  std::string shift = at != 0 ? number(-thousandths(at)) + " " : "";
  for (std::size_t i = 0; i + 1 < line.stops.size(); ++i) {
    const std::size_t from = line.stops[i].at, to = line.stops[i + 1].at;
    const double advance = thousandths(line.stops[i + 1].x - line.stops[i].x);
    const double stated = advance - narrowedBefore(line, i + 1);
    const int width = static_cast<int>(std::lround(std::clamp(stated, 0.0, mostWidth) / widthStep)) * widthStep;
    const Code code = codeOf({line.text.substr(from, to - from), width});
    if (code.font != font) {
      endRun();
      font = code.font;
      out += nameOf(font, fonts_[static_cast<std::size_t>(font)]) + " " + number(line.size) + " Tf\n";
    }
    run += std::exchange(shift, {}) + "<" + hex(code.letter) + "> ";
    if (advance != width) run += number(width - advance) + " ";
  }
  endRun();
  return out + "ET\n";
}

void PdfText::finish() {
  for (std::size_t k = 0; k < fonts_.size(); ++k) {
    const std::size_t from = k * codesPerFont, count = std::min<std::size_t>(codesPerFont, letters_.size() - from);
    const std::span<const Letter> letters(letters_.data() + from, count);
    Object& font = fonts_[k];
    font.replaceKey("/Type", Object::newName("/Font"));
    font.replaceKey("/Subtype", Object::newName("/Type3"));
    font.replaceKey("/FontBBox", Object::parse("[0 -250 500 750]"));
    font.replaceKey("/FontMatrix", Object::parse("[0.001 0 0 0.001 0 0]"));
    font.replaceKey("/Resources", Object::newDictionary());
    font.replaceKey("/FirstChar", Object::newInteger(1));
    font.replaceKey("/LastChar", Object::newInteger(static_cast<long long>(count) + firstCode - 1));
    Object glyphs = Object::newDictionary(), widths = Object::newArray(), names = Object::newArray();
    names.appendItem(Object::newInteger(1));
    // By the width of an m, readers guess how large the letters of such fonts are.
    constexpr int usualWidth = 600;
    widths.appendItem(Object::newInteger(usualWidth));
    names.appendItem(Object::newName("/m"));
    glyphs.replaceKey("/m", Object::newStream(&pdf_, std::to_string(usualWidth) + " 0 d0\n"));
    for (std::size_t i = 0; i < count; ++i) {
      const std::string name = "/w" + std::to_string(letters[i].second);
      widths.appendItem(Object::newInteger(letters[i].second));
      names.appendItem(Object::newName(name));
      if (!glyphs.hasKey(name))
        glyphs.replaceKey(name, Object::newStream(&pdf_, std::to_string(letters[i].second) + " 0 d0\n"));
    }
    font.replaceKey("/Widths", widths);
    Object encoding = Object::newDictionary();
    encoding.replaceKey("/Type", Object::newName("/Encoding"));
    encoding.replaceKey("/Differences", names);
    font.replaceKey("/Encoding", encoding);
    font.replaceKey("/CharProcs", glyphs);
    font.replaceKey("/ToUnicode", Object::newStream(&pdf_, unicodeMap(letters)));
  }
}

}  // namespace widecut
