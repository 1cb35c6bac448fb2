// Writes the demo project file.
#include <QCoreApplication>
#include <iostream>

#include "output/png.h"
#include "project/lookup.h"
#include "railway.h"
#include "storage/parsing/tasks.h"
#include "storage/project_file.h"

int main(int count, char** words) {
  if (widecut::reading::isReadingProcess(count, words)) return widecut::parsing::serveAll(count, words);
  const QCoreApplication app(count, words);
  if (count != 3) {
    std::cerr << "usage: skarrow_project PHOTO-FOLDER FILE\n";
    return 2;
  }
  const auto project = skarrow::railwayProject(words[1]);
  widecut::Result<void> saved;
  if (project) {
    widecut::PhotoStore store;
    const auto preview =
        widecut::pngOf(widecut::sceneOf(*widecut::sheetsOf(*project).front()), store, 36, widecut::Ground::Paper);
    saved = preview ? widecut::saveProject(*project, *preview, words[2]) : tl::unexpected(preview.error());
  } else {
    saved = tl::unexpected(project.error());
  }
  if (saved) return 0;
  std::cerr << "skarrow_project: " << saved.error().message << '\n';
  return 2;
}
