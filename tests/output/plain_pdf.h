// What every PDF that tests write has to be.
#pragma once

#include <gtest/gtest.h>

#include <qpdf/QPDF.hh>
#include <qpdf/QPDFObjectHandle.hh>
#include <set>
#include <string>

namespace widecut {

/// Words of content streams that are neither operators of ISO 32000-1, annex A, nor operands: “3e-04”, for one, at
/// which some readers stop without telling anybody but their user.
class UnknownWords : public QPDFObjectHandle::ParserCallbacks {
 public:
  void handleObject(QPDFObjectHandle object, size_t, size_t) override {
    static const std::set<std::string> known{
        "b",  "B",  "b*", "B*", "BDC", "BI",  "BMC", "BT", "BX", "c",  "cm", "CS", "cs", "d",  "d0",
        "d1", "Do", "DP", "EI", "EMC", "ET",  "EX",  "f",  "F",  "f*", "G",  "g",  "gs", "h",  "i",
        "ID", "j",  "J",  "K",  "k",   "l",   "m",   "M",  "MP", "n",  "q",  "Q",  "re", "RG", "rg",
        "ri", "s",  "S",  "SC", "sc",  "SCN", "scn", "sh", "T*", "Tc", "Td", "TD", "Tf", "Tj", "TJ",
        "TL", "Tm", "Tr", "Ts", "Tw",  "Tz",  "v",   "w",  "W",  "W*", "y",  "'",  "\""};
    if (object.isOperator() && !known.contains(object.getOperatorValue())) found += " " + object.getOperatorValue();
  }
  void handleEOF() override {}
  std::string found;
};

/// Looks through every content there is in a PDF: pages, groups, masks, and letters that are drawn.
inline void expectPlainPdf(QPDF& pdf) {
  const auto look = [](QPDFObjectHandle stream, const char* what) {
    UnknownWords words;
    QPDFObjectHandle::parseContentStream(stream, &words);
    EXPECT_EQ(words.found, "") << "in the content of a " << what;
  };
  for (QPDFObjectHandle object : pdf.getAllObjects()) {
    if (object.isDictionary() && object.isDictionaryOfType("/Page")) look(object.getKey("/Contents"), "page");
    if (object.isStream() && object.getDict().getKey("/Subtype").isNameAndEquals("/Form")) look(object, "group");
    if (object.isDictionary() && object.getKey("/Subtype").isNameAndEquals("/Type3"))
      for (const auto& [name, letter] : object.getKey("/CharProcs").getDictAsMap()) look(letter, "letter");
  }
}

inline void expectPlainPdfFile(const std::string& path) {
  QPDF pdf;
  pdf.processFile(path.c_str());
  expectPlainPdf(pdf);
}

inline void expectPlainPdfText(const std::string& bytes) {
  QPDF pdf;
  pdf.processMemoryFile("written", bytes.data(), bytes.size());
  expectPlainPdf(pdf);
}

}  // namespace widecut
