#include <gumbo.h>

#include <algorithm>
#include <memory>
#include <optional>

#include "storage/parsing/text_builder.h"

namespace widecut::parsing {
namespace {

/// What is not text of the document.
bool isPassedOver(GumboTag tag) {
  switch (tag) {
    case GUMBO_TAG_HEAD:
    case GUMBO_TAG_SCRIPT:
    case GUMBO_TAG_STYLE:
    case GUMBO_TAG_TEMPLATE:
    case GUMBO_TAG_NOSCRIPT:
    case GUMBO_TAG_TITLE:
    case GUMBO_TAG_TEXTAREA:
    case GUMBO_TAG_SELECT:
      return true;
    default:
      return false;
  }
}

std::optional<Block> blockOf(GumboTag tag) {
  switch (tag) {
    case GUMBO_TAG_H1:
      return Block::Heading1;
    case GUMBO_TAG_H2:
      return Block::Heading2;
    case GUMBO_TAG_H3:
    case GUMBO_TAG_H4:
    case GUMBO_TAG_H5:
    case GUMBO_TAG_H6:
      return Block::Heading3;
    case GUMBO_TAG_BLOCKQUOTE:
      return Block::Quote;
    case GUMBO_TAG_PRE:
      return Block::Code;
    case GUMBO_TAG_P:
    case GUMBO_TAG_DIV:
    case GUMBO_TAG_SECTION:
    case GUMBO_TAG_ARTICLE:
    case GUMBO_TAG_HEADER:
    case GUMBO_TAG_FOOTER:
    case GUMBO_TAG_MAIN:
    case GUMBO_TAG_ASIDE:
    case GUMBO_TAG_NAV:
    case GUMBO_TAG_FIGURE:
    case GUMBO_TAG_FIGCAPTION:
    case GUMBO_TAG_DL:
    case GUMBO_TAG_DT:
    case GUMBO_TAG_DD:
    case GUMBO_TAG_TR:
    case GUMBO_TAG_TABLE:
    case GUMBO_TAG_HR:
      return Block::Body;
    default:
      return std::nullopt;
  }
}

void say(Look& look, TextAspect aspect, AspectValue value) { look = joined(look, {{aspect, std::move(value)}}); }

class Reader {
 public:
  explicit Reader(const TextStyle& whole) : whole_(whole), out_(whole) {}

  struct State {
    Look look;
    Block block = Block::Body;
    Block list = Block::DotItem;
    bool keepsBlanks = false;
  };
  void read(const GumboNode& node, const State& state, int depth) {
    constexpr int deepest = 3000;  // beyond it all is one stretch
    switch (node.type) {
      case GUMBO_NODE_TEXT:
      case GUMBO_NODE_WHITESPACE:
      case GUMBO_NODE_CDATA:
        out_.add(node.v.text.text, state.look,
                 state.keepsBlanks ? TextBuilder::Blanks::Kept : TextBuilder::Blanks::Joined);
        return;
      case GUMBO_NODE_ELEMENT:
      case GUMBO_NODE_TEMPLATE:
        if (depth < deepest) readElement(node.v.element, state, depth);
        return;
      default:
        return;
    }
  }
  LookedText take() { return out_.take(); }

 private:
  void readElement(const GumboElement& element, State state, int depth) {
    if (isPassedOver(element.tag)) return;
    if (element.tag == GUMBO_TAG_BR) {
      out_.addLine();
      return;
    }
    if (element.tag == GUMBO_TAG_UL || element.tag == GUMBO_TAG_OL)
      state.list = element.tag == GUMBO_TAG_OL ? Block::NumberItem : Block::DotItem;
    const auto block = element.tag == GUMBO_TAG_LI ? std::optional(state.list) : blockOf(element.tag);
    if (block) {
      // A paragraph in a quote is one of the quote.
      if (*block != Block::Body) state.block = *block;
      state.keepsBlanks = state.keepsBlanks || element.tag == GUMBO_TAG_PRE;
      out_.beginParagraph(state.block);
    }
    if ((element.tag == GUMBO_TAG_TD || element.tag == GUMBO_TAG_TH) && cells_++ > 0)
      out_.add("\t", state.look, TextBuilder::Blanks::Kept);
    if (element.tag == GUMBO_TAG_TR) cells_ = 0;
    addLook(element, state.look);
    for (unsigned i = 0; i < element.children.length; ++i)
      read(*static_cast<const GumboNode*>(element.children.data[i]), state, depth + 1);
    if (block) out_.endParagraph();
  }

  void addLook(const GumboElement& element, Look& look) const {
    constexpr double scriptSize = 0.65, scriptShift = 0.35;  // of the size
    switch (element.tag) {
      case GUMBO_TAG_B:
      case GUMBO_TAG_STRONG:
        return say(look, TextAspect::Weight, 700.0);
      case GUMBO_TAG_I:
      case GUMBO_TAG_EM:
      case GUMBO_TAG_CITE:
        return say(look, TextAspect::Italic, 1.0);
      case GUMBO_TAG_U:
      case GUMBO_TAG_INS:
        return say(look, TextAspect::Underlined, 1.0);
      case GUMBO_TAG_CODE:
      case GUMBO_TAG_KBD:
      case GUMBO_TAG_SAMP:
      case GUMBO_TAG_TT:
        return say(look, TextAspect::Family, "Inconsolata");
      case GUMBO_TAG_SUP:
      case GUMBO_TAG_SUB: {
        const double way = element.tag == GUMBO_TAG_SUP ? 1 : -0.5;
        say(look, TextAspect::Size, whole_.size * scriptSize);
        return say(look, TextAspect::Shift, whole_.size * scriptShift * way);
      }
      default:
        return;
    }
  }

  TextStyle whole_;
  TextBuilder out_;
  int cells_ = 0;
};

/// The parser's time grows with the square of what is open at once, and marks of letters that are never closed are
/// opened again in every paragraph: with very many of them it would not come to an end.
bool isNestedTooDeeply(std::string_view html) {
  constexpr int most = 1000;
  constexpr std::string_view marks[] = {"a",      "article", "b",     "big", "blockquote", "code",    "div",   "em",
                                        "font",   "i",       "nobr",  "ol",  "s",          "section", "small", "span",
                                        "strike", "strong",  "table", "tt",  "u",          "ul"};
  int open = 0;
  for (std::size_t at = html.find('<'); at != std::string_view::npos; at = html.find('<', at + 1)) {
    const bool closes = at + 1 < html.size() && html[at + 1] == '/';
    const std::size_t from = at + (closes ? 2 : 1);
    std::size_t to = from;
    std::string name;
    while (to < html.size() && to < from + 12 && ((html[to] | 0x20) >= 'a' && (html[to] | 0x20) <= 'z'))
      name += static_cast<char>(html[to++] | 0x20);
    if (std::find(std::begin(marks), std::end(marks), name) == std::end(marks)) continue;
    open = std::max(open + (closes ? -1 : 1), 0);
    if (open > most) return true;
  }
  return false;
}

struct Parsed {
  GumboOutput* output;
  ~Parsed() { gumbo_destroy_output(&kGumboDefaultOptions, output); }
};

}  // namespace

Result<LookedText> textFromHtml(std::string_view html, const TextStyle& whole) {
  if (isNestedTooDeeply(html)) return problem("its marks are nested too deeply");
  const Parsed parsed{gumbo_parse_with_options(&kGumboDefaultOptions, html.data(), html.size())};
  Reader reader(whole);
  if (parsed.output && parsed.output->root) reader.read(*parsed.output->root, {}, 0);
  return reader.take();
}

}  // namespace widecut::parsing
