#include "storage/project_json.h"
#include "storage/style_json.h"

#include <nlohmann/json.hpp>

#include "geometry/path_data.h"
#include "project/edits/words_following.h"
#include "project/limits.h"
#include "project/lookup.h"
#include "storage/item_json.h"
#include "storage/version1.h"
#include "storage/words_json.h"

namespace widecut {
namespace {

using nlohmann::json;

std::string asText(const json& value) { return value.dump(1) + "\n"; }

void writeGuides(const std::vector<Guide>& guides, json& owner) {
  for (const Guide& guide : guides) {
    json out{{guide.upright ? "x" : "y", guide.at}};
    if (!guide.name.empty()) out["name"] = guide.name;
    if (guide.locked) out["locked"] = true;
    owner["guides"].push_back(std::move(out));
  }
}

json sheetJson(const Sheet& sheet) {
  json out = withExtra(sheet.extra);
  out["id"] = sheet.id;
  out["name"] = sheet.name;
  out["width"] = sheet.width;
  out["height"] = sheet.height;
  if (sheet.bleed != 0) out["bleed"] = sheet.bleed;
  if (!sheet.folds.empty()) out["folds"] = sheet.folds;
  writeGuides(sheet.guides, out);
  out["paper"] = colourForFile(sheet.paper);
  out["items"] = json::array();
  for (const ItemPtr& item : sheet.items) out["items"].push_back(itemJson(*item));
  return out;
}

json settingJson(const Setting& setting) {
  json out;
  out["unit"] = nameOf(setting.unit);
  out["margins"] = {setting.left, setting.top, setting.right, setting.bottom};
  out["columns"] = setting.columns;
  out["gutter"] = setting.gutter;
  if (setting.grid != 0) out["grid"] = setting.grid;
  return out;
}

json mediumJson(const Medium& medium) {
  json out = withExtra(medium.extra);
  out["hash"] = medium.hash;
  out["name"] = medium.name;
  out["width"] = medium.width;
  out["height"] = medium.height;
  if (!medium.credit.empty()) out["credit"] = medium.credit;
  if (!medium.path.empty()) out["path"] = medium.path;
  if (medium.video) out["video"] = medium.video->file.hash;
  if (medium.videoAt != 0) out["videoAt"] = medium.videoAt;
  return out;
}

json videoJson(const Video& video, const Medium& file) {
  json out = mediumJson(file);
  out["seconds"] = video.seconds;
  out["framesPerSecond"] = video.framesPerSecond;
  if (video.hasSound) out["sound"] = true;
  return out;
}

/// Photos and posters, and the videos that are among the media too.
void writeMedia(const Media& media, json& out) {
  std::map<std::string, const Video*> videos;
  for (const auto& [hash, medium] : media)
    if (medium->video) videos.emplace(medium->video->file.hash, medium->video.get());
  for (const auto& [hash, video] : videos) out["videos"].push_back(videoJson(*video, *media.at(hash)));
  out["media"] = json::array();
  for (const auto& [hash, medium] : media)
    if (!videos.contains(hash)) out["media"].push_back(mediumJson(*medium));
}

std::string at(const std::string& name, std::size_t i) { return name + "[" + std::to_string(i) + "]"; }

class ProjectReader {
 public:
  explicit ProjectReader(const ProjectSources& sources) : sources_(sources) {}

  Project read(const std::string& text) {
    json root = parsed(text, "project.json");
    Members m(root, "");
    if (const json* format = m.find("format"); !format || *format != "widecut")
      throw Wrong{"this is not a Wide Cut project"};
    version_ = m.number("version", 1, 1e9);
    if (version_ > projectFileVersion)
      throw Wrong{"the project was saved by a newer Wide Cut; this one reads up to version " +
                  std::to_string(projectFileVersion)};
    if (version_ < 2) fromVersion1(root);
    Project project;
    project.name = m.text("name");
    if (m.find("videos")) {
      const json& videos = m.array("videos");
      for (std::size_t i = 0; i < videos.size(); ++i) {
        goOn(0);
        addVideo(Members(videos[i], at("videos", i)));
      }
    }
    if (m.find("media")) {
      const json& media = m.array("media");
      for (std::size_t i = 0; i < media.size(); ++i) {
        goOn(shareOfMedia * static_cast<double>(i) / static_cast<double>(media.size()));
        addMedium(Members(media[i], at("media", i)));
      }
    }
    if (m.find("swatches")) project.swatches = swatches(m.array("swatches"));
    if (m.find("textStyles")) project.textStyles = readTextStyles(m.array("textStyles"));
    reader_.setTextStyles(project.textStyles);
    project.fonts = sources_.fonts;
    reader_.setFonts(project.fonts);
    if (m.find("subjects")) project.subjects = subjects(m.array("subjects"));
    const json& pieces = m.array("pieces");
    for (const json& one : pieces)
      if (one.is_object() && one.contains("sheets")) sheetCount_ += one["sheets"].size();
    for (std::size_t i = 0; i < pieces.size() && sheetsRead_ < sources_.mostSheets; ++i)
      project.pieces.push_back(piece(Members(pieces[i], at("pieces", i))));
    project.nextId = reader_.greatestId() + 1;
    if (sheetsOf(project).empty()) throw Wrong{"the project has no sheet"};
    project.extra = m.extra();
    Project before;
    before.fonts = project.fonts;  // its words have them already
    project = withWordsFollowing(before, project);
    if (const auto beyond = beyondLimits(project, nullptr)) throw Wrong{beyond->message};
    return project;
  }

 private:
  static constexpr double shareOfMedia = 0.5;
  void goOn(double done) const {
    if (sources_.progress.isCancelled()) throw Wrong{"reading was stopped"};
    sources_.progress.report(done);
  }

  /// All texts together stay within the limits; values are counted before they are in memory, where each takes far more
  /// room than in the text.
  json parsed(const std::string& text, const std::string& entry) {
    bytes_ += text.size();
    if (bytes_ > limits::mostJsonBytes) throw Wrong{entry + " is larger than a project's can be"};
    const auto watch = [&](int depth, json::parse_event_t, json&) {
      if (depth > limits::deepestJson) throw Wrong{entry + " is nested too deeply"};
      if (++values_ > limits::mostJsonValues) throw Wrong{entry + " has more values than a project can have"};
      return true;
    };
    try {
      return json::parse(text, watch);
    } catch (const json::exception& error) {
      throw Wrong{entry + " is damaged: " + error.what()};
    }
  }

  static std::vector<Swatch> swatches(const json& list) {
    std::vector<Swatch> out;
    out.reserve(list.size());
    for (std::size_t i = 0; i < list.size(); ++i) {
      Members m(list[i], at("swatches", i));
      Swatch swatch;
      swatch.name = m.text("name");
      swatch.colour = m.colour("colour");
      swatch.number = swatch.colour.swatch;
      out.push_back(std::move(swatch));
    }
    return out;
  }

  static SubjectsOfPhotos subjects(const json& list) {
    std::map<std::string, std::vector<Subject>> found;
    for (std::size_t i = 0; i < list.size(); ++i) {
      Members m(list[i], at("subjects", i));
      const std::string hash = hashIn(m, "photo");
      auto zone = parsePathData(m.text("zone"));
      if (!zone) m.wrong("zone", zone.error().message);
      found[hash].push_back({m.text("name"), std::move(*zone)});
    }
    SubjectsOfPhotos out;
    for (auto& [hash, of] : found) out[hash] = std::make_shared<const std::vector<Subject>>(std::move(of));
    return out;
  }

  static std::string hashIn(Members& m, const std::string& name) {
    std::string hash = m.text(name);
    if (hash.size() != 64 || hash.find_first_not_of("0123456789abcdef") != std::string::npos)
      m.wrong(name, "is not a SHA-256");
    return hash;
  }

  static void readFacts(Members& m, Medium& medium) {
    medium.hash = hashIn(m, "hash");
    medium.name = m.text("name");
    medium.width = static_cast<int>(m.number("width", 1, 1e6));
    medium.height = static_cast<int>(m.number("height", 1, 1e6));
    if (m.find("credit")) medium.credit = shortened(m.text("credit"));
    if (m.find("path")) medium.path = m.text("path");
    if (medium.path.size() > limits::mostPathBytes) m.wrong("path", "is too long");
  }
  void fill(Medium& medium) const {
    if (const auto filled = sources_.fill(medium); !filled) throw Wrong{filled.error().message};
  }

  void addMedium(Members m) {
    auto medium = std::make_shared<Medium>();
    readFacts(m, *medium);
    if (videos_.contains(medium->hash)) m.wrong("hash", "is that of a video");
    if (m.find("video")) {
      const auto video = videos_.find(hashIn(m, "video"));
      if (video == videos_.end()) m.wrong("video", "wants a video that the project does not hold");
      medium->video = video->second;
      medium->videoAt = m.number("videoAt", 0, limits::mostSeconds, 0);
    }
    medium->extra = m.extra();
    fill(*medium);
    media_[medium->hash] = std::move(medium);
  }

  void addVideo(Members m) {
    auto video = std::make_shared<Video>();
    readFacts(m, video->file);
    video->seconds = m.number("seconds", 0, limits::mostSeconds);
    video->framesPerSecond = m.number("framesPerSecond", 0, limits::mostFramesPerSecond);
    if (video->seconds <= 0) m.wrong("seconds", "is not above 0");
    if (video->framesPerSecond <= 0) m.wrong("framesPerSecond", "is not above 0");
    video->hasSound = m.flag("sound", false);
    video->file.extra = m.extra();
    fill(video->file);
    videos_[video->file.hash] = std::move(video);
  }

  PiecePtr piece(Members m) {
    auto out = std::make_shared<Piece>();
    out->id = reader_.freshId(m);
    out->name = m.text("name");
    out->guides = guides(m);
    if (const json* found = m.find("setting")) out->setting = setting(Members(*found, m.placeOf("setting")));
    const json& sheets = m.array("sheets");
    for (std::size_t i = 0; i < sheets.size() && sheetsRead_ < sources_.mostSheets; ++i) {
      goOn(shareOfMedia + (1 - shareOfMedia) * static_cast<double>(sheetsRead_++) / static_cast<double>(sheetCount_));
      const std::string place = m.placeOf(at("sheets", i));
      out->sheets.push_back(version_ < 2 ? sheet(Members(sheets[i], place)) : sheetNamed(sheets[i], place));
    }
    out->extra = m.extra();
    return out;
  }

  static std::vector<Guide> guides(Members& owner) {
    std::vector<Guide> out;
    if (!owner.find("guides")) return out;
    const json& list = owner.array("guides");
    for (std::size_t i = 0; i < list.size(); ++i) {
      Members m(list[i], owner.placeOf(at("guides", i)));
      Guide guide;
      guide.upright = m.find("x") != nullptr;
      guide.at = m.number(guide.upright ? "x" : "y", -limits::mostSide, 2 * limits::mostSide);
      if (m.find("name")) guide.name = m.text("name");
      guide.locked = m.flag("locked", false);
      out.push_back(std::move(guide));
    }
    return out;
  }

  static Setting setting(Members m) {
    Setting out;
    const auto unit = unitNamed(m.text("unit"));
    if (!unit) m.wrong("unit", "is none of mm, cm, in, pt and px");
    out.unit = *unit;
    const json& margins = m.array("margins");
    if (margins.size() != 4) m.wrong("margins", "has not four numbers");
    double* const sides[] = {&out.left, &out.top, &out.right, &out.bottom};
    for (std::size_t i = 0; i < 4; ++i) {
      if (!margins[i].is_number() || !(margins[i].get<double>() >= 0 && margins[i].get<double>() <= limits::mostSide))
        m.wrong("margins", "has a wrong number");
      *sides[i] = margins[i].get<double>();
    }
    out.columns = m.count("columns", 1, limits::mostColumns);
    out.gutter = m.number("gutter", 0, limits::mostSide);
    if (m.find("grid")) out.grid = m.number("grid", limits::leastGrid, limits::mostSide);
    return out;
  }

  SheetPtr sheetNamed(const json& id, const std::string& place) {
    if (!id.is_number_unsigned()) throw Wrong{place + " is not an id"};
    const std::string entry = sheetEntry(id.get<Id>());
    const auto text = sources_.text(entry, limits::mostJsonBytes - bytes_);
    if (!text) throw Wrong{text.error().message};
    const json value = parsed(*text, entry);
    SheetPtr read = sheet(Members(value, entry));
    if (read->id != id.get<Id>()) throw Wrong{entry + ": id is another one than its name says"};
    return read;
  }

  SheetPtr sheet(Members m) {
    auto out = std::make_shared<Sheet>();
    out->id = reader_.freshId(m);
    out->name = m.text("name");
    out->width = m.number("width", limits::leastSide, limits::mostSide);
    out->height = m.number("height", limits::leastSide, limits::mostSide);
    out->bleed = m.number("bleed", 0, limits::mostBleed, 0);
    out->paper = m.colour("paper");
    if (m.find("folds"))
      for (const json& fold : m.array("folds")) {
        if (!fold.is_number() || !(std::abs(fold.get<double>()) <= limits::mostSide))
          m.wrong("folds", "has a wrong number");
        out->folds.push_back(fold.get<double>());
      }
    out->guides = guides(m);
    out->items = reader_.items(m, "items", 0);
    out->extra = m.extra();
    return out;
  }

  const ProjectSources& sources_;
  Media media_;
  std::map<std::string, VideoPtr> videos_;
  ItemReader reader_{media_};
  double version_ = 0;
  std::size_t bytes_ = 0, values_ = 0;
  std::size_t sheetCount_ = 0, sheetsRead_ = 0;
};

}  // namespace

std::string sheetEntry(Id sheet) { return "sheets/" + std::to_string(sheet) + ".json"; }

std::string sheetText(const Sheet& sheet) { return asText(sheetJson(sheet)); }

std::string projectText(const Project& project, const Media& media) {
  json out = withExtra(project.extra);
  out["format"] = "widecut";
  out["version"] = projectFileVersion;
  out["name"] = project.name;
  out["pieces"] = json::array();
  for (const PiecePtr& piece : project.pieces) {
    json p = withExtra(piece->extra);
    p["id"] = piece->id;
    p["name"] = piece->name;
    if (piece->setting != Setting{}) p["setting"] = settingJson(piece->setting);
    writeGuides(piece->guides, p);
    p["sheets"] = json::array();
    for (const SheetPtr& sheet : piece->sheets) p["sheets"].push_back(sheet->id);
    out["pieces"].push_back(std::move(p));
  }
  for (const Swatch& swatch : project.swatches)
    out["swatches"].push_back({{"name", swatch.name}, {"colour", colourForFile(swatch.colour)}});
  if (!project.textStyles.empty()) out["textStyles"] = textStylesJson(project.textStyles);
  for (const auto& [hash, subjects] : project.subjects)
    for (const Subject& subject : *subjects)
      out["subjects"].push_back({{"photo", hash}, {"name", subject.name}, {"zone", pathData(subject.zone)}});
  writeMedia(media, out);
  return asText(out);
}

ProjectTexts projectTexts(const Project& project, const Media& media) {
  ProjectTexts texts{projectText(project, media), {}};
  for (const SheetPtr& sheet : sheetsOf(project)) texts.sheets[sheetEntry(sheet->id)] = sheetText(*sheet);
  return texts;
}

Result<Project> projectFrom(const std::string& projectText, const ProjectSources& sources) {
  try {
    return ProjectReader(sources).read(projectText);
  } catch (const Wrong& wrong) {
    return problem(wrong.message);
  } catch (const json::exception& error) {
    return problem(std::string("the project is damaged: ") + error.what());
  }
}

Result<Project> projectFrom(const ProjectTexts& texts) {
  const auto text = [&](const std::string& entry, std::size_t) -> Result<std::string> {
    const auto found = texts.sheets.find(entry);
    if (found == texts.sheets.end()) return problem("the entry " + entry + " is missing");
    return found->second;
  };
  ProjectSources sources;
  sources.text = text;
  sources.fill = [](Medium&) -> Result<void> { return {}; };
  return projectFrom(texts.project, sources);
}

}  // namespace widecut
