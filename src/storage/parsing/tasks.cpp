#include "storage/parsing/tasks.h"

#include <QCoreApplication>

#include "media/parsing/tasks.h"
#include "storage/parsing/svg_shapes.h"
#include "storage/parsing/text_file.h"
#include "storage/read_documents.h"

namespace widecut::parsing {
namespace {

using reading::bytesOf;
using reading::Message;

Result<Message> answerSvg(const Message& question) {
  const auto shapes = parsing::shapesFromSvg(bytesOf(question));
  if (!shapes) return tl::unexpected(shapes.error());
  return Message{{}, {}, shapesMessage(*shapes)};
}

Result<Message> answerText(const Message& question) {
  const auto asked = textOfMessage(question.text);
  if (!asked) return tl::unexpected(asked.error());
  const double kind = question.numbers.empty() ? -1 : question.numbers.front();
  if (!(kind >= 0 && kind <= static_cast<double>(TextKind::OpenDocument))) return problem("is no text");
  const auto text =
      parsing::textFromFile(bytesOf(question), static_cast<TextKind>(static_cast<int>(kind)), asked->whole);
  if (!text) return tl::unexpected(text.error());
  return Message{{}, {}, textMessage(*text, asked->whole)};
}

}  // namespace

void addDocumentTasks(reading::Tasks& tasks) {
  tasks.answers["svg"] = answerSvg;
  tasks.answers["text"] = answerText;
}

int serveAll(int count, char** words, void (*more)(reading::Tasks&)) {
  const QCoreApplication app(count, words);  // it finds the plugins for photos
  reading::Tasks tasks;
  addMediaTasks(tasks);
  addDocumentTasks(tasks);
  if (more) more(tasks);
  return reading::serve(tasks);
}

}  // namespace widecut::parsing
