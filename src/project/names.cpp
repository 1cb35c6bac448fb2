#include "project/names.h"

#include "project/limits.h"

namespace widecut {
namespace {

/// “disc” of “disc 12”.
std::string withoutNumber(const std::string& name) {
  const std::size_t end = name.find_last_not_of("0123456789");
  const bool hasNumber = end != std::string::npos && end > 0 && end + 1 < name.size() && name[end] == ' ';
  return hasNumber ? name.substr(0, end) : name;
}

}  // namespace

UniqueNames::UniqueNames(const Sheet& sheet) {
  for (const ItemPtr& item : sheet.items) taken_.insert(item->name);
}

std::string UniqueNames::take(const std::string& wanted) {
  if (taken_.insert(wanted).second) return wanted;
  constexpr std::size_t room = 12;  // for the number
  const std::string stem = shortened(withoutNumber(wanted), limits::mostNameBytes - room);
  for (int& n = last_.try_emplace(stem, 1).first->second;;) {
    std::string name = stem + " " + std::to_string(++n);
    if (taken_.insert(name).second) return name;
  }
}

}  // namespace widecut
