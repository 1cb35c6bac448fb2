// Writes the tray's photos and their catalogue into a folder.
#include <QFile>
#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <iostream>

#include "stock.h"

namespace {

bool isWritten(const QString& path, const QByteArray& bytes) {
  QFile file(path);
  return file.open(QIODevice::WriteOnly) && file.write(bytes) == bytes.size();
}

}  // namespace

int main(int count, char** words) {
  if (count != 2) {
    std::cerr << "usage: skarrow_stock FOLDER\n";
    return 2;
  }
  const QString folder = QString::fromLocal8Bit(words[1]) + "/";
  QJsonArray catalogue;
  const auto shots = skarrow::stockShots();
  for (std::size_t i = 0; i < shots.size(); ++i) {
    const auto text = [](const std::string& words) { return QString::fromStdString(words); };
    if (!isWritten(folder + text(shots[i].file), QByteArray::fromStdString(skarrow::stockJpeg(i)))) {
      std::cerr << "cannot write " << shots[i].file << '\n';
      return 2;
    }
    catalogue.append(QJsonObject{{"file", text(shots[i].file)},
                                 {"title", text(shots[i].title)},
                                 {"words", text(shots[i].words)},
                                 {"licence", "free for any use"},
                                 {"credit", "Skarrow Peak Railway"}});
  }
  // Last, for it says that all are there.
  return isWritten(folder + "stock.json", QJsonDocument(catalogue).toJson()) ? 0 : 2;
}
