#include "cli/json_lines.h"

#include <fstream>
#include <iostream>

#include "media/files.h"

namespace widecut {

Result<void> answerLines(const std::string& path,
                         const std::function<Result<OrderedJson>(const OrderedJson& line, int number)>& answer) {
  if (const auto may = mayBeRead(path); !may) return may;
  std::ifstream file(path);
  if (!file) return problem("cannot read " + path);
  std::string text;
  for (int number = 1; std::getline(file, text); ++number) {
    if (text.find_first_not_of(" \t\r") == std::string::npos) continue;
    const OrderedJson line = OrderedJson::parse(text, nullptr, false);
    Result<OrderedJson> result = problem("the line is not JSON");
    if (!line.is_discarded()) result = line.is_object() ? answer(line, number) : problem("the line is not an object");
    OrderedJson out = result ? *result : OrderedJson{{"error", result.error().message}};
    if (line.is_object() && line.contains("id")) out["id"] = line["id"];
    // What is no UTF-8 in a message that quotes its input shows as such; what comes after cannot lose the line.
    std::cout << out.dump(-1, ' ', false, OrderedJson::error_handler_t::replace) << std::endl;
  }
  return {};
}

}  // namespace widecut
