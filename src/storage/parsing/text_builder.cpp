#include "storage/parsing/text_builder.h"

#include <algorithm>

#include "words/text_breaks.h"

namespace widecut::parsing {
namespace {

struct BlockStyle {
  const char* name;
  double size;  ///< Times that of the whole.
  Block block;
  bool isBold;
};
constexpr BlockStyle blockStyles[] = {
    {"Heading", 1.8, Block::Heading1, true},
    {"Second heading", 1.4, Block::Heading2, true},
    {"Third heading", 1.15, Block::Heading3, true},
    {"Quote", 1, Block::Quote, false},
    {"Code", 0.9, Block::Code, false},
    {"List", 1, Block::DotItem, false},
    {"Numbered list", 1, Block::NumberItem, false},
};

Look lookOf(const BlockStyle& style, const TextStyle& whole) {
  Look out;
  const double size = whole.size * style.size;
  if (style.block == Block::Code) out.emplace_back(TextAspect::Family, "Inconsolata");
  if (style.isBold) out.emplace_back(TextAspect::Weight, 700.0);
  if (style.block == Block::Quote) out.emplace_back(TextAspect::Italic, 1.0);
  if (style.size != 1) out.emplace_back(TextAspect::Size, size);
  if (style.isBold) out.emplace_back(TextAspect::Leading, size * std::max(whole.leading / whole.size, 1.0));
  if (style.block == Block::Quote) out.emplace_back(TextAspect::IndentLeft, whole.size * 1.5);
  if (style.isBold) out.emplace_back(TextAspect::SpaceBefore, whole.leading * 0.6);
  if (style.block == Block::DotItem) out.emplace_back(TextAspect::List, static_cast<double>(ListMark::Dot));
  if (style.block == Block::NumberItem) out.emplace_back(TextAspect::List, static_cast<double>(ListMark::Number));
  std::sort(out.begin(), out.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
  return out;
}

bool isBlank(char c) { return c == ' ' || c == '\n' || c == '\t' || c == '\r' || c == '\f'; }

std::string joined(std::string_view text, bool afterBlank) {
  std::string out;
  for (const char c : text) {
    const bool blank = isBlank(c);
    if (!blank)
      out += c;
    else if (!afterBlank)
      out += ' ';
    afterBlank = blank;
  }
  return out;
}

}  // namespace

NamedLookPtr TextBuilder::styleOf(Block block) {
  const auto known = std::find_if(styles_.begin(), styles_.end(), [&](const auto& one) { return one.first == block; });
  if (known != styles_.end()) return known->second;
  const auto* found =
      std::find_if(std::begin(blockStyles), std::end(blockStyles), [&](const auto& one) { return one.block == block; });
  NamedLookPtr made;
  if (found != std::end(blockStyles))
    made = std::make_shared<const NamedLook>(
        NamedLook{static_cast<std::uint32_t>(styles_.size()) + 1, found->name, true, nullptr, lookOf(*found, whole_)});
  styles_.emplace_back(block, made);
  return made;
}

void TextBuilder::beginParagraph(Block block, Look look) {
  // Nothing stands in an empty paragraph that was begun.
  if (any_ && !text_.text.empty() && text_.text.back() != '\n') text_.text += '\n';
  while (!text_.looks.paragraphs.empty() && text_.looks.paragraphs.back().at == text_.text.size())
    text_.looks.paragraphs.pop_back();
  block_ = block;
  if (const NamedLookPtr style = styleOf(block); style || !look.empty())
    text_.looks.paragraphs.push_back({text_.text.size(), style, std::move(look)});
  open_ = any_ = true;
}

void TextBuilder::add(std::string_view text, const Look& look, Blanks blanks) {
  const bool begins = text_.text.empty() || text_.text.back() == '\n' || !open_;
  const bool afterBlank = begins || text_.text.back() == ' ' || text_.text.back() == '\t';
  const std::string added = cleanText(blanks == Blanks::Joined ? joined(text, afterBlank) : std::string(text));
  if (added.empty()) return;
  if (!open_) beginParagraph(Block::Body);
  const std::size_t from = text_.text.size();
  text_.text += added;
  if (look.empty()) return;
  auto& letters = text_.looks.letters;
  if (!letters.empty() && letters.back().to == from && letters.back().look == look)
    letters.back().to = text_.text.size();
  else
    letters.push_back({from, text_.text.size(), nullptr, look});
}

void TextBuilder::addLine() {
  if (!open_) return;
  const NamedLookPtr style = styleOf(block_);
  text_.text += '\n';
  if (style) text_.looks.paragraphs.push_back({text_.text.size(), style, {}});
}

LookedText TextBuilder::take() {
  while (!text_.text.empty() && (text_.text.back() == '\n' || text_.text.back() == ' ')) text_.text.pop_back();
  const std::size_t size = text_.text.size();
  std::erase_if(text_.looks.paragraphs, [&](const auto& one) { return one.at > size; });
  for (LetterLook& one : text_.looks.letters) one.to = std::min(one.to, size);
  std::erase_if(text_.looks.letters, [](const auto& one) { return one.from >= one.to; });
  return std::move(text_);
}

}  // namespace widecut::parsing
