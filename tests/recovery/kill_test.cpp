// Kills a session again and again: no more than its last second may be lost.
//   recovery_kills PROGRAM COUNT [FIRST SEED]
#include <QCoreApplication>
#include <QDateTime>
#include <QFile>
#include <QProcess>
#include <QTemporaryDir>
#include <QThread>
#include <cstdio>
#include <random>
#include <vector>

#include "storage/recovery.h"

using namespace widecut;

namespace {

struct Noted {
  long long at;
  double x;
};

std::vector<Noted> notedIn(const QString& path) {
  std::vector<Noted> all;
  QFile file(path);
  if (!file.open(QIODevice::ReadOnly)) return all;
  const QByteArray text = file.readAll();
  for (const QByteArray& line : text.left(text.lastIndexOf('\n')).split('\n')) {
    Noted n{};
    if (std::sscanf(line.constData(), "%lld %lf", &n.at, &n.x) == 2) all.push_back(n);
  }
  return all;
}

/// How many milliseconds of work were lost; −1 when nothing could be recovered of more than a second.
long long lostIn(const QString& program, unsigned seed) {
  const QTemporaryDir home;
  const QString log = home.filePath("log");
  QProcess session;
  session.setProcessChannelMode(QProcess::ForwardedChannels);
  session.start(program, {home.path(), log, QString::number(seed)});
  std::mt19937 random(seed);
  while (notedIn(log).empty() && !session.waitForFinished(20)) {
  }
  QThread::msleep(random() % 2200);
  session.kill();
  const long long killed = QDateTime::currentMSecsSinceEpoch();
  session.waitForFinished();
  const auto noted = notedIn(log);
  const auto left = leftBehind((home.path() + "/journals").toStdString());
  if (left.empty()) return noted.empty() || killed - noted.front().at < 1000 ? 0 : -1;
  const auto project = left.front().project();
  if (!project) {
    std::printf("seed %u: %s\n", seed, project.error().message.c_str());
    return -1;
  }
  const auto& items = project->pieces[0]->sheets[0]->items;
  if (items.empty()) return -1;
  // The last noted state that is the recovered one; what came after it is lost.
  for (std::size_t i = noted.size(); i > 0; --i)
    if (std::abs(noted[i - 1].x - items[0]->position.x) < 1e-5) return i == noted.size() ? 0 : killed - noted[i].at;
  return noted.empty() || killed - noted.front().at < 1000 ? 0 : -1;
}

}  // namespace

int main(int count, char** words) {
  const QCoreApplication app(count, words);
  if (count < 3) return 2;
  const int kills = std::atoi(words[2]);
  const unsigned first = count > 3 ? static_cast<unsigned>(std::atoi(words[3])) : 1;
  long long worst = 0;
  for (int i = 0; i < kills; ++i) {
    const long long lost = lostIn(words[1], first + static_cast<unsigned>(i));
    if (lost < 0 || lost > 1000) {
      std::printf("seed %u lost %lld ms\n", first + static_cast<unsigned>(i), lost);
      return 1;
    }
    worst = std::max(worst, lost);
  }
  std::printf("%d kills; at most %lld ms of work lost\n", kills, worst);
  return 0;
}
