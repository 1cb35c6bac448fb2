#include "output/svg_words.h"

#include <QList>
#include <QString>

#include "output/svg_numbers.h"
#include "scene/live_text.h"

namespace widecut {
namespace {

using svg::number;

std::string escaped(const std::string& text) { return QString::fromStdString(text).toHtmlEscaped().toStdString(); }

/// The letters that show what a cluster shows when they are set plainly; nothing where there are none.
std::optional<std::string> plainLetters(const LiveCluster& cluster) {
  if (cluster.says.empty() || cluster.count != 1) return std::nullopt;
  const QString said = QString::fromStdString(cluster.says);
  const auto codes = said.toUcs4();
  if (codes.size() > 1) return cluster.says;  // a ligature: readers make the same of it
  const std::uint32_t glyph = cluster.run->glyphs[cluster.first].glyph;
  const Font& font = *cluster.run->font;
  if (cluster.says == "\t") return " ";
  for (const QString& as : {said, said.toUpper(), said.toLower()}) {
    const auto code = as.toUcs4();
    if (code.size() == 1 && font.glyphOf(static_cast<char32_t>(code[0])) == glyph) return as.toStdString();
  }
  // The hyphen of a broken word.
  if (cluster.says == "\xC2\xAD")
    for (const char32_t sign : {U'\u2010', U'-'})
      if (font.glyphOf(sign) == glyph) return sign == U'-' ? "-" : "\xE2\x80\x90";
  return std::nullopt;
}

/// One element of a line for each stretch in one font.
class LineElements {
 public:
  explicit LineElements(std::set<std::string>& families) : families_(families) {}

  bool add(const LiveCluster& cluster) {
    const auto letters = plainLetters(cluster);
    if (!letters || cluster.run->leftward) return false;
    const bool isOne = QString::fromStdString(*letters).toUcs4().size() == 1;
    if (cluster.run != run_ || !isOne || wasLigature_) close();
    run_ = cluster.run;
    wasLigature_ = !isOne;
    xs_ += (xs_.empty() ? "" : " ") + number(cluster.x + run_->glyphs[cluster.first].offset.x);
    text_ += *letters;
    return true;
  }
  std::string finish() {
    close();
    return std::move(out_);
  }

 private:
  void close() {
    if (text_.empty()) return;
    const FontNames names = run_->font->names();
    families_.insert(names.family);
    out_ += "<tspan x=\"" + xs_ + "\" y=\"" + number(-run_->raised) + "\" font-family=\"" + escaped(names.family) +
            "\" font-size=\"" + number(run_->size) + "\"";
    constexpr int regular = 400;
    if (names.weight != regular) out_ += " font-weight=\"" + std::to_string(names.weight) + "\"";
    if (names.italic) out_ += " font-style=\"italic\"";
    out_ += ">" + escaped(text_) + "</tspan>";
    text_.clear();
    xs_.clear();
  }
  std::set<std::string>& families_;
  const SetRun* run_ = nullptr;
  bool wasLigature_ = false;
  std::string xs_, text_, out_;
};

}  // namespace

std::optional<std::string> svgWords(const FillWords& words, const std::string& attributes,
                                    std::set<std::string>& families) {
  std::string out;
  std::set<std::string> used;
  const SetWords& set = words.words->set();
  for (std::size_t i = 0; i < set.shown; ++i) {
    LineElements elements(used);
    const auto clusters = clustersOf(set.lines[i], words.words->story());
    for (const LiveCluster& cluster : clusters)
      if (!elements.add(cluster)) return std::nullopt;
    const std::string line = elements.finish();
    if (line.empty()) continue;
    out += "<text xml:space=\"preserve\" transform=\"" + svg::matrix(words.place * placeOn(set.lines[i], 0)) + "\"";
    for (const std::string_view part :
         {std::string_view(attributes), std::string_view(">"), std::string_view(line), std::string_view("</text>\n")})
      out += part;
  }
  families.insert(used.begin(), used.end());
  return out;
}

}  // namespace widecut
