#include "cli/command_line.h"

#include <CLI/CLI.hpp>
#include <algorithm>
#include <chrono>
#include <filesystem>
#include <iostream>

#include "cli/deliver_command.h"
#include "cli/json_lines.h"
#include "cli/shape_command.h"
#include "cli/within_time.h"
#include "cli/words_command.h"
#include "cutting/planar_map.h"
#include "geometry/path_data.h"
#include "media/files.h"
#include "media/photo.h"
#include "project/budgets.h"
#include "project/edits/families.h"
#include "project/forms/words.h"
#include "project/limits.h"
#include "project/lookup.h"
#include "project/node_memo.h"
#include "project/resolve.h"
#include "reading/process.h"
#include "storage/project_file.h"
#include "words/font_library.h"

namespace widecut {
namespace {

using json = OrderedJson;

/// Named outlines and a formula over them: what one cut needs.
struct CutRequest {
  std::string formula;
  std::vector<std::string> names;
  std::vector<std::string> paths;
  std::string rule = "nonzero";
};

Result<std::string> cut(const CutRequest& request, std::chrono::nanoseconds* taken) {
  if (request.rule != "nonzero" && request.rule != "evenodd")
    return problem("the rule must be nonzero or evenodd, not '" + request.rule + "'");
  const auto formula = Formula::parse(request.formula, request.names);
  if (!formula) return tl::unexpected(formula.error());
  std::vector<Operand> operands;
  for (std::size_t i = 0; i < request.names.size(); ++i) {
    auto outline = parsePathData(request.paths[i]);
    if (!outline) return problem(request.names[i] + ": " + outline.error().message);
    operands.push_back({std::move(*outline), request.rule == "evenodd" ? FillRule::EvenOdd : FillRule::Nonzero});
  }
  const auto start = std::chrono::steady_clock::now();
  const auto map = PlanarMap::of(operands);
  if (!map) return tl::unexpected(map.error());
  const Outline outline = map->where(*formula);
  if (taken) *taken = std::chrono::steady_clock::now() - start;
  return pathData(outline);
}

/// Parts from words like `--a M0 0…`; what CLI11 does not know is a name and its path data.
Result<void> takeParts(const std::vector<std::string>& words, CutRequest& request) {
  for (std::size_t i = 0; i < words.size(); i += 2) {
    if (words[i].size() < 3 || !words[i].starts_with("--"))
      return problem("expected a part as --name 'path data', found '" + words[i] + "'");
    if (i + 1 >= words.size()) return problem("the path data of " + words[i] + " is missing");
    request.names.push_back(words[i].substr(2));
    request.paths.push_back(words[i + 1]);
  }
  return {};
}

Result<json> cutLine(const json& line, bool timing) {
  CutRequest request;
  std::string op;
  for (const auto& [name, value] : line.items()) {
    if (name == "id") continue;
    if (!value.is_string()) return problem(name + " is not a text");
    const auto text = value.get<std::string>();
    if (name == "op")
      op = text;
    else if (name == "formula")
      request.formula = text;
    else if (name == "rule")
      request.rule = text;
    else {
      request.names.push_back(name);
      request.paths.push_back(text);
    }
  }
  if (request.formula.empty()) {
    const std::map<std::string, std::string> signs{
        {"union", " + "}, {"subtract", " - "}, {"intersect", " & "}, {"exclude", " ^ "}};
    const auto sign = signs.find(op);
    if (sign == signs.end()) return problem("op must be union, subtract, intersect or exclude, or give a formula");
    for (const std::string& name : request.names)
      request.formula += (request.formula.empty() ? "" : sign->second) + name;
  }
  std::chrono::nanoseconds taken{};
  const auto result = cut(request, &taken);
  if (!result) return tl::unexpected(result.error());
  json out{{"result", *result}};
  if (timing) out["ns"] = taken.count();
  return out;
}

int countItems(const ItemList& items) {
  int count = 0;
  for (const ItemPtr& item : items) count += 1 + countItems(childrenOf(*item));
  return count;
}

/// What keeps the reading process to its work.
json readerInfo() {
  const auto reader = reading::Reader::take();
  if (!reader) return {{"problem", reader.error().message}};
  json out{{"memoryBytes", reading::mostMemory}, {"seconds", reading::mostSeconds}};
  for (int i = 0; i < reading::countOfLimits; ++i) {
    const auto limit = static_cast<reading::Limit>(i);
    const auto& holds = reader->limits();
    out["limits"][reading::nameOf(limit)] = std::find(holds.begin(), holds.end(), limit) != holds.end();
  }
  return out;
}

json infoOf(const Project& project) {
  json out{{"name", project.name}, {"pieces", json::array()}, {"media", json::array()}, {"fonts", json::array()}};
  int number = 0;
  for (const PiecePtr& piece : project.pieces) {
    json sheets = json::array();
    for (const SheetPtr& sheet : piece->sheets) {
      json items = json::array();
      for (const ItemPtr& item : sheet->items)
        items.push_back({{"id", item->id},
                         {"name", item->name},
                         {"kind", kindOf(item->form)},
                         {"photo", shownPhoto(*item).has_value()}});
      sheets.push_back({{"number", ++number},
                        {"name", sheet->name},
                        {"width", sheet->width},
                        {"height", sheet->height},
                        {"items", std::move(items)},
                        {"itemsWithParts", countItems(sheet->items)}});
    }
    out["pieces"].push_back({{"name", piece->name}, {"sheets", std::move(sheets)}});
  }
  PhotoStore store;
  for (const auto& [hash, medium] : mediaOf(project)) {
    json m{{"name", medium->name},
           {"width", medium->width},
           {"height", medium->height},
           {"bytes", medium->bytes ? json(medium->bytes->size()) : json()},
           {"hash", hash}};
    if (!medium->path.empty()) m["path"] = medium->path;
    if (const auto why = store.problemWith(*medium)) m["problem"] = why->message;
    out["media"].push_back(std::move(m));
  }
  for (const FamilyUse& use : familiesIn(project))
    for (const FaceChoice& face : use.faces)
      out["fonts"].push_back(
          {{"family", face.family}, {"weight", face.weight}, {"italic", face.italic}, {"missing", use.isMissing}});
  out["budgets"] = {{"photoBytes", budgets::photoBytes},         {"rasterBytes", budgets::rasterBytes},
                    {"undoBytes", budgets::undoBytes},           {"outlineBytes", budgets::outlineBytes},
                    {"letterBytes", budgets::letterBytes},       {"contentBytes", budgets::contentBytes},
                    {"smallMemoBytes", budgets::smallMemoBytes}, {"leastUndoSteps", budgets::leastUndoSteps}};
  out["memos"] = json::array();
  for (const MemoUse& use : memoUses())
    out["memos"].push_back(
        {{"name", use.name}, {"entries", use.entries}, {"bytes", use.bytes}, {"budget", use.budget}});
  out["reader"] = readerInfo();
  return out;
}

void printInfo(const json& info) {
  std::cout << info["name"].get<std::string>() << '\n';
  for (const json& piece : info["pieces"]) {
    std::cout << "piece " << piece["name"].get<std::string>() << '\n';
    for (const json& sheet : piece["sheets"]) {
      std::cout << "  sheet " << sheet["number"] << "  " << sheet["name"].get<std::string>() << "  " << sheet["width"]
                << " x " << sheet["height"] << " pt\n";
      for (const json& item : sheet["items"])
        std::cout << "    " << item["kind"].get<std::string>() << " " << item["id"] << "  "
                  << item["name"].get<std::string>() << (item["photo"].get<bool>() ? "  (photo)" : "") << '\n';
    }
  }
  for (const json& m : info["media"])
    std::cout << "photo " << m["name"].get<std::string>() << "  " << m["width"] << " x " << m["height"] << " px"
              << (m.contains("problem") ? "  " + m["problem"].get<std::string>() : "") << '\n';
  for (const json& font : info["fonts"])
    std::cout << "font " << font["family"].get<std::string>() << "  "
              << nameOf(FontFace{font["weight"].get<int>(), font["italic"].get<bool>()})
              << (font["missing"].get<bool>() ? "  is not on this machine: Cabin stands in" : "") << '\n';
  std::string free;
  const json limits = info["reader"].value("limits", json::object());
  for (const auto& [name, holds] : limits.items())
    if (!holds.get<bool>()) free += (free.empty() ? "" : ", ") + name;
  if (!free.empty()) std::cout << "reader  this machine does not limit its " << free << '\n';
}

int closing(const Result<void>& result) {
  if (result) return 0;
  std::cerr << "widecut: " << result.error().message << '\n';
  return 2;
}

}  // namespace

bool isCommand(int count, char** words) {
  if (count < 2) return false;
  const std::string_view first = words[1];
  return first == "cut" || first == "deliver" || first == "info" || first == "shape" || first == "words" ||
         first == "--help" || first == "-h";
}

int runCommand(int count, char** words) {
  CLI::App app{"Wide Cut: frames, masks and cutouts of your own shape"};
  app.footer("widecut [FILE] opens the window.");
  Result<void> result;

  CutRequest cutRequest;
  std::string batch;
  bool timing = false;
  std::optional<double> seconds;
  CLI::App* cutCommand = app.add_subcommand("cut", "Path data of a formula over outlines, on standard output");
  cutCommand->add_option("--formula", cutRequest.formula, "as in 'a - b', with + - & ^ and brackets");
  cutCommand->add_option("--rule", cutRequest.rule, "nonzero or evenodd");
  CLI::Option* ofBatch = cutCommand->add_option("--batch", batch, "a file of JSON lines");
  cutCommand->add_flag("--timing", timing, "add the time taken to each line of a batch");
  cutCommand->add_option("--seconds", seconds, "what one line of a batch may take, from 0.01")
      ->check(CLI::Range(0.01, 1e6))
      ->needs(ofBatch);
  cutCommand->allow_extras();
  cutCommand->callback([&] {
    if (!batch.empty()) {
      result = answerLines(batch, [timing, seconds](const json& line, int number) {
        return withinTime("line " + std::to_string(number), seconds, [&] { return cutLine(line, timing); });
      });
      return;
    }
    result = takeParts(cutCommand->remaining(), cutRequest);
    if (!result) return;
    const auto path = cut(cutRequest, nullptr);
    if (path)
      std::cout << *path << '\n';
    else
      result = tl::unexpected(path.error());
  });

  DeliverRequest delivery;
  CLI::App* deliverCommand = app.add_subcommand("deliver", "Write sheets or an item as PNG, SVG or PDF");
  deliverCommand->add_option("file", delivery.file, "the project")->required();
  deliverCommand->add_option("--sheet", delivery.sheets, "number of the sheet, from 1; or several: 2-5,8 or all");
  deliverCommand->add_option("--format", delivery.format, "png, svg or pdf; else by the name of the file");
  deliverCommand
      ->add_option("-o,--out", delivery.out,
                   "the file to write; of several sheets, {sheet} in it stands for the number")
      ->required();
  deliverCommand->add_option("--ppi", delivery.ppi, "pixels per inch of a PNG, 1 to 4800");
  deliverCommand->add_flag("--letters", delivery.letters, "words of an SVG as text, not as outlines");
  deliverCommand->add_flag("--transparent", delivery.transparent, "without the paper");
  deliverCommand->add_flag("--templates", delivery.templates, "with what is there to be drawn over, as pale as it is");
  deliverCommand->add_flag("--bleed", delivery.bleed, "with the sheet's bleed, which a PDF always has");
  deliverCommand->add_option("--item", delivery.item, "one item alone, by id or name");
  deliverCommand->callback([&] { result = deliverFile(delivery); });

  ShapeRequest shapeRequest;
  CLI::App* shapeCommand = app.add_subcommand("shape", "Path data of a starter, on standard output");
  shapeCommand->add_option("words", shapeRequest.words, "its name, then key=value; lengths in points or with a unit");
  shapeCommand->add_flag("--list", shapeRequest.list, "list all kinds with their numbers");
  shapeCommand->add_flag("--json", shapeRequest.asJson, "list them as JSON");
  shapeCommand->add_option("--batch", shapeRequest.batch, "a file of JSON lines: shape, and its numbers by key");
  shapeCommand->callback([&] { result = shape(shapeRequest); });

  WordsRequest wordsRequest;
  CLI::App* wordsCommand = app.add_subcommand("words", "Words as they are set: path data, or lines as JSON");
  wordsCommand->add_option("--text", wordsRequest.text, "what they say")->required();
  wordsCommand->add_option("--font", wordsRequest.font, "the family; else Cabin");
  wordsCommand->add_option("--size", wordsRequest.size, "of the letters, in points or with a unit; else 24");
  wordsCommand->add_option("--in", wordsRequest.in, "path data of an outline that their lines fill");
  wordsCommand->add_option("--along", wordsRequest.along, "path data of a line that they run along");
  wordsCommand->add_option("--look", wordsRequest.looks,
                           "as align=justified, leading=30 or hyphens=yes; again for more");
  wordsCommand->add_flag("--json", wordsRequest.asJson, "their lines with positions");
  wordsCommand->callback([&] { result = widecut::words(wordsRequest); });

  std::string infoFile;
  bool asJson = false;
  CLI::App* infoCommand = app.add_subcommand("info", "List pieces, sheets, items and media");
  infoCommand->add_option("file", infoFile, "the project")->required();
  infoCommand->add_flag("--json", asJson, "as JSON");
  infoCommand->callback([&] {
    const auto project = openProject(infoFile);
    if (!project) {
      result = tl::unexpected(project.error());
      return;
    }
    const json info = infoOf(*project);
    if (asJson)
      std::cout << info.dump(2, ' ', false, json::error_handler_t::replace) << '\n';
    else
      printInfo(info);
  });

  try {
    app.parse(count, words);
  } catch (const CLI::CallForHelp& help) {
    return app.exit(help);
  } catch (const CLI::ParseError& error) {
    return closing(problem(error.what()));
  }
  return closing(result);
}

}  // namespace widecut
