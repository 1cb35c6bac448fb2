// Compares made-up sheets in many readers: fidelity FIRST COUNT. READERS names them, with commas between.
#include <gtest/gtest.h>

#include <QGuiApplication>
#include <algorithm>
#include <cstdlib>

#include "output/fidelity.h"
#include "output/made_up_sheets.h"
#include "project/lookup.h"
#include "storage/parsing/tasks.h"

using namespace widecut;

int main(int argc, char** argv) {
  if (reading::isReadingProcess(argc, argv)) return parsing::serveAll(argc, argv);
  qputenv("QT_QPA_PLATFORM", "offscreen");
  const QGuiApplication app(argc, argv);
  testing::InitGoogleTest(&argc, argv);
  const unsigned first = argc > 1 ? static_cast<unsigned>(std::atoi(argv[1])) : 0;
  const unsigned count = argc > 2 ? static_cast<unsigned>(std::atoi(argv[2])) : 24;
  std::vector<std::string> readers;
  for (const QString& name : qEnvironmentVariable("READERS", "rsvg,poppler").split(','))
    readers.push_back(name.toStdString());
  std::vector<Fidelity::Reader> worst(readers.size());
  std::printf("%s", Fidelity::heading().c_str());
  for (unsigned number = first; number < first + count; ++number) {
    const Project made = madeUpSheet(number);
    const Fidelity f = fidelityOf(made, sheetsOf(made).front()->id, readers);
    std::printf("%3u%s", number, f.text().c_str());
    std::fflush(stdout);
    for (std::size_t i = 0; i < worst.size(); ++i) {
      worst[i].name = readers[i];
      worst[i].worstTile = std::max(worst[i].worstTile, f.readers[i].worstTile);
      worst[i].mean = std::max(worst[i].mean, f.readers[i].mean);
      worst[i].meanOfAll = std::max(worst[i].meanOfAll, f.readers[i].meanOfAll);
    }
  }
  std::printf("worst%s", Fidelity{worst}.text().c_str());
}
