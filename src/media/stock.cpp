#include "media/stock.h"

#include <QCoreApplication>
#include <QDir>
#include <QFile>
#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QRegularExpression>
#include <algorithm>
#include <map>

#include "media/photo.h"

namespace widecut {
namespace {

const char* const catalogue = "stock.json";
constexpr qint64 mostCatalogue = 4 << 20;  // bytes

/// What a catalogue says of files; nothing of those that it does not name, or not in a way that can be read.
std::map<QString, QJsonObject> factsIn(const QDir& folder) {
  std::map<QString, QJsonObject> facts;
  QFile file(folder.filePath(catalogue));
  if (file.size() > mostCatalogue || !file.open(QIODevice::ReadOnly)) return facts;
  const QJsonArray all = QJsonDocument::fromJson(file.readAll()).array();
  for (const auto& one : all) facts[one.toObject().value("file").toString()] = one.toObject();
  return facts;
}

}  // namespace

std::vector<StockPhoto> stockIn(const QString& path, std::size_t most) {
  std::vector<StockPhoto> out;
  const QDir folder(path);
  if (path.isEmpty() || !folder.exists()) return out;
  const auto facts = factsIn(folder);
  const QFileInfoList files = folder.entryInfoList({"*.png", "*.jpg", "*.jpeg", "*.webp", "*.tif", "*.tiff"},
                                                   QDir::Files | QDir::Readable, QDir::Name | QDir::IgnoreCase);
  for (const QFileInfo& file : files) {
    if (out.size() >= most) break;
    const auto header = headerOfFile(file.filePath().toStdString());
    if (!header) continue;
    const auto known = facts.find(file.fileName());
    const QJsonObject said = known == facts.end() ? QJsonObject() : known->second;
    out.push_back({file.filePath(), said.value("title").toString(file.completeBaseName()),
                   said.value("words").toString(), said.value("licence").toString(), said.value("credit").toString(),
                   header->width(), header->height()});
  }
  std::stable_sort(out.begin(), out.end(), [](const StockPhoto& a, const StockPhoto& b) {
    return QString::compare(a.title, b.title, Qt::CaseInsensitive) < 0;
  });
  return out;
}

std::vector<StockPhoto> matching(const std::vector<StockPhoto>& photos, const QString& question) {
  const auto wordsOf = [](const QString& text) {
    static const QRegularExpression between("[^\\w]+", QRegularExpression::UseUnicodePropertiesOption);
    return text.toCaseFolded().split(between, Qt::SkipEmptyParts);
  };
  const QStringList asked = wordsOf(question);
  std::vector<StockPhoto> out;
  std::copy_if(photos.begin(), photos.end(), std::back_inserter(out), [&](const StockPhoto& photo) {
    const QStringList words = wordsOf(photo.title + " " + photo.words);
    return std::all_of(asked.begin(), asked.end(), [&](const QString& one) {
      return std::any_of(words.begin(), words.end(), [&](const QString& word) { return word.startsWith(one); });
    });
  });
  return out;
}

QString ownStock() {
  // Where it is installed, and where it is built.
  const QDir program(QCoreApplication::applicationDirPath());
  for (const char* folder : {"../share/widecut/stock", "../demo/stock"})
    if (const QString path = QDir::cleanPath(program.filePath(folder)); QFile::exists(path + "/" + catalogue))
      return path;
  return {};
}

}  // namespace widecut
