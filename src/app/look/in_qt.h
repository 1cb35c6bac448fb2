// Texts of the core as Qt has them.
#pragma once

#include <QString>
#include <string_view>

namespace widecut {

inline QString inQt(std::string_view text) {
  return QString::fromUtf8(text.data(), static_cast<qsizetype>(text.size()));
}

}  // namespace widecut
