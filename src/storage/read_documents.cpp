#include "storage/read_documents.h"

#include "project/limits.h"
#include "storage/form_json.h"
#include "storage/words_json.h"
#include "words/text_breaks.h"

namespace widecut {
namespace {

using nlohmann::json;

/// The named styles of a text, those that others are based on first, with numbers of their own; and the text with them.
std::vector<NamedLookPtr> numbered(LookedText& text) {
  std::vector<NamedLookPtr> out;
  std::map<NamedLookPtr, NamedLookPtr> known;
  const std::function<NamedLookPtr(const NamedLookPtr&)> own = [&](const NamedLookPtr& named) -> NamedLookPtr {
    if (!named) return nullptr;
    if (const auto found = known.find(named); found != known.end()) return found->second;
    NamedLook fresh = *named;
    fresh.basedOn = own(named->basedOn);
    fresh.number = static_cast<std::uint32_t>(out.size()) + 1;
    out.push_back(std::make_shared<const NamedLook>(std::move(fresh)));
    return known[named] = out.back();
  };
  for (ParagraphLook& one : text.looks.paragraphs) one.named = own(one.named);
  for (LetterLook& one : text.looks.letters) one.named = own(one.named);
  return out;
}

/// What a reading process says is checked like what a file says.
template <class Value, class Read>
Result<Value> checked(const std::string& message, const Read& read) {
  const json document = json::parse(message, nullptr, false);
  try {
    if (!document.is_discarded()) return read(Members(document, "the document"));
  } catch (const Wrong& wrong) {
    return problem("cannot be read: " + wrong.message);
  } catch (const json::exception& why) {
    return problem(std::string("cannot be read: ") + why.what());
  }
  return problem("cannot be read: its reader gave no sensible answer");
}

}  // namespace

std::string textMessage(const LookedText& text, const TextStyle& whole) {
  Words::Content content;
  LookedText own = text;
  json out;
  out["styles"] = textStylesJson(numbered(own));
  content.text = std::move(own.text);
  content.looks = std::move(own.looks);
  content.style = whole;
  out["words"] = wordsJson(Words(std::move(content)));
  return out.dump();
}

Result<TextAndStyle> textOfMessage(const std::string& message) {
  return checked<TextAndStyle>(message, [](Members m) {
    const Media none;
    ItemReader reader(none);
    reader.setTextStyles(readTextStyles(m.array("styles")));
    const Form form = readWords(Members(m.need("words"), m.placeOf("words")), reader);
    const Words::Content& content = std::get<std::shared_ptr<const Words>>(form)->content();
    return TextAndStyle{{content.text, content.looks}, content.style};
  });
}

std::string shapesMessage(const SvgShapes& shapes) {
  json out;
  out["items"] = json::array();
  for (const Item& item : shapes.items) out["items"].push_back(itemJson(item));
  out["notes"] = shapes.notes;
  return out.dump();
}

Result<SvgShapes> shapesOfMessage(const std::string& message) {
  return checked<SvgShapes>(message, [](Members m) {
    const Media none;
    ItemReader reader(none);
    SvgShapes out;
    const ItemList items = reader.items(m, "items", 0);
    for (std::size_t i = 0; i < items.size(); ++i) out.items.push_back(*items[i]);
    for (const json& note : m.array("notes")) out.notes.push_back(cleanText(note.get<std::string>()));
    return out;
  });
}

}  // namespace widecut
