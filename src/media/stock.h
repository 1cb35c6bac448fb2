// Photos to choose from: those that ship with the program, and those of a folder of one's own.
#pragma once

#include <QString>
#include <vector>

namespace widecut {

/// A photo of a folder, with what is known of it.
struct StockPhoto {
  QString path;
  QString title;    ///< What the catalogue says, or else the file's name.
  QString words;    ///< What it shows, for those who search.
  QString licence;  ///< Empty where nothing is known.
  QString credit;   ///< Whose it is.
  int width = 0, height = 0;
  bool operator==(const StockPhoto&) const = default;

  /// As it is kept in projects: the credit and the terms.
  QString terms() const { return credit.isEmpty() || licence.isEmpty() ? credit + licence : credit + ", " + licence; }
};

/// The photos of a folder, by title, `most` of them at most; folders within it are left out. A file `stock.json` in it
/// is the catalogue: an array of objects with `file`, and any of `title`, `words`, `licence` and `credit`. What is no
/// picture that the program reads is left out.
std::vector<StockPhoto> stockIn(const QString& folder, std::size_t most = 2000);
/// Those of which some word begins with each of the words of the question, case aside; all for an empty one.
std::vector<StockPhoto> matching(const std::vector<StockPhoto>& photos, const QString& question);
/// The folder of the photos that ship with the program; empty where it is missing.
QString ownStock();

}  // namespace widecut
