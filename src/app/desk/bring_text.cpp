#include "app/desk/bring_text.h"

#include <QFileInfo>

#include "app/desk/word_looks.h"
#include "media/files.h"
#include "project/edits/tree.h"
#include "project/edits/words.h"
#include "project/edits/words_following.h"
#include "project/limits.h"
#include "project/names.h"
#include "project/resolve.h"
#include "project/usual_colours.h"

namespace widecut {
namespace {

/// The room for a text on a sheet: within its margins, or most of it.
Box roomOn(const Desk& desk) {
  constexpr double share = 0.1;
  const SheetPtr sheet = desk.sheet();
  Setting setting;
  for (const PiecePtr& piece : desk.settled().pieces)
    for (const SheetPtr& one : piece->sheets)
      if (one->id == sheet->id) setting = piece->setting;
  Box box = sheet->box();
  box.low = box.low + Point{setting.left, setting.top};
  box.high = box.high - Point{setting.right, setting.bottom};
  if (!box.isEmpty() && (setting.left > 0 || setting.top > 0)) return box;
  return sheet->box().grown(-share * std::min(sheet->width, sheet->height));
}

Id layNew(Desk& desk, Project& project, const LookedText& text, std::optional<Point> at) {
  const SheetPtr on = desk.sheet();
  Words::Content content;
  content.text = text.text;
  content.looks = text.looks;
  content.style = desk.textStyleForNew();
  const Box room = roomOn(desk);
  const bool isOneLine = text.text.find('\n') == std::string::npos &&
                         setLines({content.text, content.looks, content.style}).lines.front().width <= room.width();
  if (!isOneLine) content.frame = TextFrame{room.width(), room.height()};
  Style look;
  setColour(look, usualInk);
  Item item = plainItem(project.nextId, UniqueNames(*on).take(nameOfWords(content.text)), {}, std::move(look));
  item.form = wordsForm(std::move(content));
  item.position = isOneLine ? at.value_or(on->box().centre()) - boxInFrame(item).centre() : room.low;
  const Id made = item.id;
  project = withItemsOnTop(project, on->id, {std::move(item)});
  return made;
}

}  // namespace

Result<void> layText(Desk& desk, LookedText text, std::optional<Point> at, const QString& step) {
  desk.settleAll();
  Project project = withStylesOf(desk.settled(), text);
  const ItemPtr chosen = desk.onlyItem();
  Id made = 0;
  if (const ItemPtr words = chosen && wordsOf(*chosen) ? chosenWords(desk) : nullptr) {
    LookedText all = lookedTextOf(*wordsOf(*words));
    if (!all.text.empty()) all = withReplaced(all, all.text.size(), all.text.size(), {"\n", {}});
    all = withReplaced(all, all.text.size(), all.text.size(), text);
    if (all.text.size() > limits::mostTextBytes) return problem("together the text is longer than 2,000,000 bytes");
    project = withLookedText(project, words->id, all);
    made = chosen->id;
  } else if (chosen && !showsChildren(chosen->form)) {
    Words::Content content;
    content.text = text.text;
    content.looks = text.looks;
    content.style = desk.textStyleForNew();
    content.frame = TextFrame{1, 1};
    content.frame->inset = std::round(content.style.size / 2);
    Style look;
    setColour(look, usualInk);
    project = withWordsIn(project, chosen->id, std::move(content), std::move(look), made);
  }
  if (made == 0) made = layNew(desk, project, text, at);
  if (desk.commit(step, std::move(project))) desk.select({made});
  return {};
}

void layTextFile(Desk& desk, const QString& path, std::optional<Point> at, const Otherwise& otherwise) {
  readThen<LookedText>(
      desk, Desk::tr("Reading %1").arg(QFileInfo(path).fileName()),
      [path, style = chosenTextStyle(desk)](const Progress& progress) -> Result<LookedText> {
        constexpr std::size_t mostBytes = 64U << 20U;
        const std::string name = path.toStdString();
        const auto kind = textKindOf(name);
        if (!kind) return problem(name + " is no text");
        const auto bytes = readFile(name, mostBytes);
        if (!bytes) return tl::unexpected(bytes.error());
        auto text = textFromFile(*bytes, *kind, style, {.progress = progress});
        return text ? text : problem(name + ": " + text.error().message);
      },
      [&desk, path, at](LookedText text) -> Result<void> {
        const auto laid = layText(desk, std::move(text), at, Desk::tr("Bring in a text"));
        return laid ? laid : problem(path.toStdString() + ": " + laid.error().message);
      },
      otherwise);
}

}  // namespace widecut
