#include "storage/text_in.h"

#include <algorithm>

#include "project/limits.h"
#include "storage/read_documents.h"
#include "words/text_breaks.h"

namespace widecut {
namespace {

constexpr std::pair<const char*, TextKind> endings[] = {
    {".txt", TextKind::Plain},         {".text", TextKind::Plain}, {".md", TextKind::Markdown},
    {".markdown", TextKind::Markdown}, {".html", TextKind::Html},  {".htm", TextKind::Html},
    {".odt", TextKind::OpenDocument},
};

std::string escaped(std::string_view text) {
  std::string out;
  for (const char c : text) {
    if (c == '&')
      out += "&amp;";
    else if (c == '<')
      out += "&lt;";
    else if (c == '>')
      out += "&gt;";
    else
      out += c;
  }
  return out;
}

}  // namespace

std::optional<TextKind> textKindOf(const std::string& fileName) {
  std::string name = fileName;
  for (char& c : name)
    if (c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
  for (const auto& [ending, kind] : endings)
    if (name.ends_with(ending)) return kind;
  return std::nullopt;
}

const std::vector<std::string>& textEndings() {
  static const std::vector<std::string> all = [] {
    std::vector<std::string> out;
    for (const auto& one : endings) out.push_back(std::string("*") + one.first);
    return out;
  }();
  return all;
}

Result<LookedText> textFromFile(std::string_view bytes, TextKind kind, const TextStyle& whole,
                                const reading::Patience& patience) {
  constexpr std::size_t mostBytes = 32U << 20U;
  if (bytes.size() > mostBytes) return problem("it is larger than 32 MB");
  auto answer =
      reading::ask({"text", {static_cast<double>(kind)}, textMessage({}, whole), reading::copied(bytes)}, patience);
  if (!answer) return tl::unexpected(answer.error());
  auto text = textOfMessage(answer->text);
  if (!text) return tl::unexpected(text.error());
  return std::move(text->text);
}

Project withStylesOf(const Project& project, LookedText& text) {
  Project out = project;
  std::vector<std::pair<NamedLookPtr, NamedLookPtr>> known;
  const auto own = [&](const NamedLookPtr& named) -> NamedLookPtr {
    if (!named) return nullptr;
    for (const auto& [from, to] : known)
      if (from == named) return to;
    auto& styles = out.textStyles;
    const auto found = std::find_if(styles.begin(), styles.end(), [&](const NamedLookPtr& one) {
      return one->name == named->name && one->isOfParagraphs == named->isOfParagraphs;
    });
    NamedLookPtr to = found == styles.end() ? nullptr : *found;
    if (!to && styles.size() < limits::mostTextStyles) {
      NamedLook fresh = *named;
      fresh.basedOn = nullptr;
      fresh.look = wholeLook(named);
      fresh.number = 1;
      for (const NamedLookPtr& one : styles) fresh.number = std::max(fresh.number, one->number + 1);
      to = std::make_shared<const NamedLook>(std::move(fresh));
      styles.push_back(to);
    }
    known.emplace_back(named, to);
    return to;
  };
  for (ParagraphLook& one : text.looks.paragraphs) one.named = own(one.named);
  for (LetterLook& one : text.looks.letters) one.named = own(one.named);
  return out;
}

std::string htmlOf(const LookedText& text, const TextStyle& whole) {
  std::string out;
  for (std::size_t from = 0; from <= text.text.size();) {
    const std::size_t to = paragraphEnd(text.text, from);
    out += "<p>";
    for (std::size_t at = from; at < to;) {
      const TextStyle style = styleAt(text.text, text.looks, whole, at);
      std::size_t end = to;
      for (const LetterLook& one : text.looks.letters) {
        if (one.from > at) end = std::min(end, one.from);
        if (one.to > at) end = std::min(end, one.to);
      }
      const bool isBold = style.face.weight >= 600, isItalic = style.face.italic;
      out += std::string(isBold ? "<b>" : "") + (isItalic ? "<i>" : "") + (style.underlined ? "<u>" : "");
      out += escaped(std::string_view(text.text).substr(at, end - at));
      out += std::string(style.underlined ? "</u>" : "") + (isItalic ? "</i>" : "") + (isBold ? "</b>" : "");
      at = end;
    }
    out += "</p>";
    from = to + 1;
  }
  return out;
}

}  // namespace widecut
