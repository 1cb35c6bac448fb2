#include "storage/parsing/text_file.h"

#include <cmark.h>

#include <cstdlib>
#include <memory>

#include "project/limits.h"
#include "storage/parsing/text_builder.h"
#include "words/text_breaks.h"

namespace widecut::parsing {
namespace {

struct Freed {
  void operator()(char* text) const { free(text); }
};

Result<LookedText> textFromMarkdown(std::string_view bytes, const TextStyle& whole) {
  const std::unique_ptr<char, Freed> html(cmark_markdown_to_html(bytes.data(), bytes.size(), CMARK_OPT_UNSAFE));
  return textFromHtml(html.get(), whole);
}

}  // namespace

Result<LookedText> textFromFile(std::string_view bytes, TextKind kind, const TextStyle& whole) {
  const auto read = [&]() -> Result<LookedText> {
    switch (kind) {
      case TextKind::Plain:
        // The mark that some programs put before UTF-8.
        if (bytes.starts_with("\xEF\xBB\xBF")) bytes.remove_prefix(3);
        return LookedText{cleanText(bytes), {}};
      case TextKind::Markdown:
        return textFromMarkdown(bytes, whole);
      case TextKind::Html:
        return textFromHtml(bytes, whole);
      case TextKind::OpenDocument:
        return textFromOpenDocument(bytes, whole);
    }
    return problem("it is no text");
  };
  auto text = read();
  if (!text) return text;
  if (text->text.empty()) return problem("there is no text in it");
  if (text->text.size() > limits::mostTextBytes) return problem("its text is longer than 2,000,000 bytes");
  return text;
}

}  // namespace widecut::parsing
