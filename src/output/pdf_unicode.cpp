#include "output/pdf_unicode.h"

#include <QString>

namespace widecut::pdf {

std::string utf16(const std::string& utf8) {
  QByteArray bytes;
  const QString text = QString::fromStdString(utf8);
  for (const QChar c : text) bytes += QByteArray::number(0x10000 + c.unicode(), 16).mid(1);
  return bytes.toStdString();
}

std::string unicodeMap(const std::string& range, std::span<const std::pair<std::string, std::string>> rows) {
  std::string out =
      "/CIDInit /ProcSet findresource begin\n12 dict begin\nbegincmap\n/CMapName /Read def\n/CMapType 2 def\n"
      "1 begincodespacerange\n" +
      range + "\nendcodespacerange\n";
  constexpr std::size_t mostAtOnce = 100;  // by the specification
  for (std::size_t from = 0; from < rows.size(); from += mostAtOnce) {
    const std::size_t to = std::min(rows.size(), from + mostAtOnce);
    out += std::to_string(to - from) + " beginbfchar\n";
    for (std::size_t i = from; i < to; ++i) out += "<" + rows[i].first + "> <" + utf16(rows[i].second) + ">\n";
    out += "endbfchar\n";
  }
  return out + "endcmap\nCMapName currentdict /CMap defineresource pop\nend\nend\n";
}

}  // namespace widecut::pdf
