#include "project/edits/videos.h"

#include <algorithm>

#include "project/edits/fills.h"
#include "project/edits/media.h"
#include "project/edits/sharing.h"
#include "project/edits/subjects.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

void keepWithin(Playing& playing, const Video& video) {
  const double least = std::min(1 / video.framesPerSecond, video.seconds);  // a frame
  playing.from = std::clamp(playing.from, 0.0, video.seconds - least);
  if (!playing.to) return;
  playing.to = std::clamp(*playing.to, playing.from + least, std::max(video.seconds, playing.from + least));
  if (*playing.to >= video.seconds) playing.to = std::nullopt;
}

}  // namespace

VideoPtr shownVideo(const Item& item) {
  const auto shown = shownPhoto(item);
  return shown ? shown->medium->video : nullptr;
}

Project withPlaying(const Project& project, std::span<const Id> items, const std::function<void(Playing&)>& change) {
  return withPictures(project, withSharersOf(project, items), [&](Picture& picture, const Item&) {
    if (!picture.medium->video) return;
    Playing playing = picture.playing ? *picture.playing : Playing{};
    change(playing);
    keepWithin(playing, *picture.medium->video);
    picture.playing = shared(playing);
  });
}

Project withPoster(const Project& project, Id item, const MediumPtr& poster) {
  const ItemPtr found = findItem(project, item);
  const auto shown = found ? shownPhoto(*found) : std::nullopt;
  if (!shown || shown->medium->hash == poster->hash) return project;
  const MediumPtr medium = mediumIn(project, poster);
  const Id items[] = {item};
  Project out = withPictures(project, withSharersOf(project, items),
                             [&](Picture& picture, const Item&) { picture.medium = medium; });
  const auto& marked = subjectsOf(project, *shown->medium);
  if (!marked.empty() && subjectsOf(project, *medium).empty()) out = withSubjects(out, *medium, marked);
  return out;
}

}  // namespace widecut
