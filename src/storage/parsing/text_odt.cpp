#include <zip.h>

#include <algorithm>
#include <map>
#include <memory>
#include <pugixml.hpp>

#include "storage/parsing/text_builder.h"

namespace widecut::parsing {
namespace {

struct ZipDiscard {
  void operator()(zip_t* z) const { zip_discard(z); }
};
struct ZipFileClose {
  void operator()(zip_file_t* f) const { zip_fclose(f); }
};

/// The document itself, out of the zip.
Result<std::string> contentOf(std::string_view bytes) {
  constexpr zip_uint64_t most = 64U << 20U;  // of text and its marks
  zip_error_t error;
  zip_error_init(&error);
  zip_source_t* source = zip_source_buffer_create(bytes.data(), bytes.size(), 0, &error);
  zip_t* opened = source ? zip_open_from_source(source, ZIP_RDONLY, &error) : nullptr;
  zip_error_fini(&error);
  if (!opened) {
    if (source) zip_source_free(source);
    return problem("it is no OpenDocument file, or a damaged one");
  }
  const std::unique_ptr<zip_t, ZipDiscard> zip(opened);
  zip_stat_t stat;
  if (zip_stat(opened, "content.xml", 0, &stat) != 0 || (stat.valid & ZIP_STAT_SIZE) == 0)
    return problem("it is no OpenDocument text: content.xml is not in it");
  if (stat.size > most) return problem("its content.xml is larger than 64 MB");
  const std::unique_ptr<zip_file_t, ZipFileClose> file(zip_fopen(opened, "content.xml", 0));
  std::string out(stat.size, '\0');
  zip_uint64_t count = 0;
  while (file && count < stat.size) {
    const zip_int64_t got = zip_fread(file.get(), out.data() + count, stat.size - count);
    if (got <= 0) break;
    count += static_cast<zip_uint64_t>(got);
  }
  if (count != stat.size) return problem("its content.xml is damaged");
  return out;
}

class Reader {
 public:
  explicit Reader(const TextStyle& whole) : out_(whole) {}

  Result<LookedText> read(const pugi::xml_document& document) {
    const pugi::xml_node content = document.child("office:document-content");
    for (const pugi::xml_node style : content.child("office:automatic-styles").children("style:style")) {
      const pugi::xml_node letters = style.child("style:text-properties");
      Look look;
      if (std::string_view(letters.attribute("fo:font-weight").value()) == "bold")
        look.emplace_back(TextAspect::Weight, 700.0);
      if (std::string_view(letters.attribute("fo:font-style").value()) == "italic")
        look.emplace_back(TextAspect::Italic, 1.0);
      const std::string_view line = letters.attribute("style:text-underline-style").value();
      if (!line.empty() && line != "none") look.emplace_back(TextAspect::Underlined, 1.0);
      Look paragraph;
      const std::string_view align = style.child("style:paragraph-properties").attribute("fo:text-align").value();
      if (align == "center") paragraph.emplace_back(TextAspect::Align, static_cast<double>(Align::Centre));
      if (align == "end" || align == "right")
        paragraph.emplace_back(TextAspect::Align, static_cast<double>(Align::Right));
      if (align == "justify") paragraph.emplace_back(TextAspect::Align, static_cast<double>(Align::Justified));
      looks_[style.attribute("style:name").value()] = {look, paragraph};
    }
    const pugi::xml_node text = content.child("office:body").child("office:text");
    if (!text) return problem("it is no OpenDocument text: it has no body of text");
    readBlocks(text, Block::Body, 0);
    return out_.take();
  }

 private:
  struct Looks {
    Look letters, paragraph;
  };
  static constexpr int deepest = 1000;

  void readBlocks(const pugi::xml_node& parent, Block block, int depth) {
    if (depth > deepest) return;
    for (const pugi::xml_node node : parent.children()) {
      const std::string_view name = node.name();
      if (name == "text:p") {
        readParagraph(node, block);
      } else if (name == "text:h") {
        const int level = node.attribute("text:outline-level").as_int(1);
        readParagraph(node, level <= 1 ? Block::Heading1 : level == 2 ? Block::Heading2 : Block::Heading3);
      } else if (name == "text:list") {
        readBlocks(node, Block::DotItem, depth + 1);
      } else if (name == "text:list-item" || name == "text:list-header" || name == "text:section" ||
                 name == "table:table" || name == "table:table-row" || name == "table:table-cell" ||
                 name == "table:table-rows" || name == "text:index-body") {
        readBlocks(node, block, depth + 1);
      }
    }
  }

  void readParagraph(const pugi::xml_node& node, Block block) {
    const Looks looks = looks_[node.attribute("text:style-name").value()];
    out_.beginParagraph(block, looks.paragraph);
    readInside(node, looks.letters, 0);
    out_.endParagraph();
  }

  void readInside(const pugi::xml_node& parent, const Look& look, int depth) {
    if (depth > deepest) return;
    for (const pugi::xml_node node : parent.children()) {
      const std::string_view name = node.name();
      if (node.type() == pugi::node_pcdata || node.type() == pugi::node_cdata) {
        out_.add(node.value(), look, TextBuilder::Blanks::Joined);
      } else if (name == "text:s") {
        constexpr int mostBlanks = 1000;
        const int count = std::clamp(node.attribute("text:c").as_int(1), 1, mostBlanks);
        out_.add(std::string(static_cast<std::size_t>(count), ' '), look, TextBuilder::Blanks::Kept);
      } else if (name == "text:tab") {
        out_.add("\t", look, TextBuilder::Blanks::Kept);
      } else if (name == "text:line-break") {
        out_.addLine();
      } else if (name == "text:span" || name == "text:a") {
        readInside(node, joined(look, looks_[node.attribute("text:style-name").value()].letters), depth + 1);
      }
    }
  }

  std::map<std::string, Looks> looks_;
  TextBuilder out_;
};

}  // namespace

Result<LookedText> textFromOpenDocument(std::string_view bytes, const TextStyle& whole) {
  const auto content = contentOf(bytes);
  if (!content) return tl::unexpected(content.error());
  pugi::xml_document document;
  const auto parsed =
      document.load_buffer(content->data(), content->size(), pugi::parse_default | pugi::parse_ws_pcdata);
  if (!parsed) return problem(std::string("its content.xml is damaged: ") + parsed.description());
  return Reader(whole).read(document);
}

}  // namespace widecut::parsing
