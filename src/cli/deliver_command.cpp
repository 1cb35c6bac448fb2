#include "cli/deliver_command.h"

#include <charconv>
#include <filesystem>
#include <iostream>
#include <optional>

#include "output/deliver.h"
#include "project/limits.h"
#include "project/lookup.h"
#include "storage/project_file.h"

namespace widecut {
namespace {

const std::string sheetWord = "{sheet}";

Result<Id> itemNamed(const Project& project, const SheetPtr& sheet, const std::string& word) {
  Id number = 0;
  const auto [end, error] = std::from_chars(word.data(), word.data() + word.size(), number);
  if (error == std::errc() && end == word.data() + word.size() && findItem(project, number)) return number;
  for (const ItemPtr& item : sheet->items)
    if (item->name == word) return item->id;
  return problem("there is no item '" + word + "' (widecut info lists them)");
}

std::optional<int> wholeNumber(std::string_view text) {
  int number = 0;
  const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), number);
  if (error != std::errc() || end != text.data() + text.size()) return std::nullopt;
  return number;
}

/// The numbers of “3”, “2-5,8” or “all”, in the order in which they are asked for.
Result<std::vector<int>> numbersOf(const std::string& text, int count, const std::string& file) {
  std::vector<int> out;
  if (text == "all") {
    for (int i = 1; i <= count; ++i) out.push_back(i);
    return out;
  }
  for (std::string_view rest = text;;) {
    const std::size_t comma = rest.find(',');
    const std::string_view part = rest.substr(0, comma);
    const std::size_t dash = part.find('-', 1);
    const auto from = wholeNumber(part.substr(0, dash));
    const auto to = dash == std::string_view::npos ? from : wholeNumber(part.substr(dash + 1));
    if (!from || !to || *from > *to) return problem("sheets are given as 3, as 2-5,8 or as all, not as '" + text + "'");
    for (const int end : {*from, *to})
      if (end < 1 || end > count)
        return problem("there is no sheet " + std::to_string(end) + "; " + file + " has sheets 1 to " +
                       std::to_string(count));
    for (int i = *from; i <= *to; ++i) out.push_back(i);
    if (comma == std::string_view::npos) return out;
    rest.remove_prefix(comma + 1);
  }
}

/// The name with the number of a sheet, all numbers equally long.
std::string nameFor(std::string name, int number, std::size_t digits) {
  std::string text = std::to_string(number);
  text.insert(0, digits - std::min(digits, text.size()), '0');
  for (std::size_t at = name.find(sheetWord); at != std::string::npos; at = name.find(sheetWord, at + text.size()))
    name.replace(at, sheetWord.size(), text);
  return name;
}

Result<void> told(const Result<Notes>& notes, const std::string& before) {
  if (!notes) return problem(before + notes.error().message);
  for (const std::string& note : *notes) std::cerr << "widecut: note: " << before << note << '\n';
  return {};
}

}  // namespace

Result<void> deliverFile(const DeliverRequest& request) {
  std::string word = request.format;
  if (word.empty() && request.out.rfind('.') != std::string::npos)
    word = request.out.substr(request.out.rfind('.') + 1);
  const auto format = deliveryFormat(word);
  if (!format) return problem("the format must be png, svg or pdf, not '" + word + "'");
  if (!(request.ppi >= limits::leastPpi && request.ppi <= limits::mostPpi))
    return problem("the resolution must be from 1 to 4800 ppi");
  const auto isProject = [&](const std::string& out) {
    std::error_code none;
    return std::filesystem::equivalent(request.file, out, none);
  };
  const auto refusal = [](const std::string& out) {
    return problem(out + " is the project itself: choose another file to write");
  };
  if (isProject(request.out)) return refusal(request.out);
  const auto project = openProject(request.file);
  if (!project) return tl::unexpected(project.error());
  const auto sheets = sheetsOf(*project);
  const auto numbers = numbersOf(request.sheets, static_cast<int>(sheets.size()), request.file);
  if (!numbers) return tl::unexpected(numbers.error());
  const auto sheetAt = [&](int number) { return sheets[static_cast<std::size_t>(number - 1)]; };
  Delivery delivery{0, 0, *format, request.ppi, request.transparent ? Ground::Transparent : Ground::Paper};
  delivery.withBleed = request.bleed;
  delivery.withTemplates = request.templates;
  if (request.letters) delivery.words = WordsAs::Letters;
  PhotoStore store;
  const bool isEach = request.out.find(sheetWord) != std::string::npos;
  if (!request.item.empty()) {
    if (numbers->size() > 1) return problem("an item is delivered from one sheet: --sheet names several");
    const auto item = itemNamed(*project, sheetAt(numbers->front()), request.item);
    if (!item) return tl::unexpected(item.error());
    delivery.item = *item;
  }
  if (numbers->size() > 1 && !isEach) {
    if (*format != DeliveryFormat::Pdf)
      return problem("several sheets need a name with {sheet} in it, as in sheet-{sheet}." + word);
    std::vector<Id> ids;
    for (const int number : *numbers) ids.push_back(sheetAt(number)->id);
    return told(deliverPages(*project, ids, delivery, store, request.out), "");
  }
  const std::size_t digits = std::to_string(sheets.size()).size();
  for (const int number : *numbers) {
    const std::string out = nameFor(request.out, number, digits);
    if (isProject(out)) return refusal(out);
    delivery.sheet = sheetAt(number)->id;
    const std::string before = numbers->size() > 1 ? "sheet " + std::to_string(number) + ": " : "";
    if (const auto done = told(deliver(*project, delivery, store, out), before); !done) return done;
  }
  return {};
}

}  // namespace widecut
