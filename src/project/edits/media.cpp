#include "project/edits/media.h"

#include <algorithm>

#include "project/edits/colours.h"
#include "project/edits/sharing.h"
#include "project/edits/subjects.h"
#include "project/forms/form.h"
#include "project/lookup.h"

namespace widecut {
namespace {

void gather(const ItemList& items, std::vector<MediumUse>& uses) {
  const auto useOf = [&](const MediumPtr& medium) -> MediumUse& {
    const auto known =
        std::find_if(uses.begin(), uses.end(), [&](const MediumUse& use) { return use.medium->hash == medium->hash; });
    return known == uses.end() ? uses.emplace_back(MediumUse{medium, {}, 0}) : *known;
  };
  const auto pictures = [](const Style& style, const auto& see) {
    for (const Fill& fill : style.fills)
      if (const auto* picture = std::get_if<Picture>(&fill.paint)) see(*picture);
  };
  for (const ItemPtr& item : items) {
    pictures(*item->style, [&](const Picture& picture) {
      MediumUse& use = useOf(picture.medium);
      if (use.items.empty() || use.items.back() != item->id) use.items.push_back(item->id);
      use.pointsPerPixel = std::max(use.pointsPerPixel, picture.framing.pointsPerPixel);
    });
    for (const StylePtr& own : ownLooks(item->form))
      pictures(*own, [&](const Picture& picture) { useOf(picture.medium); });
    gather(childrenOf(*item), uses);
  }
}

Box togetherOf(const std::vector<Subject>& subjects) {
  Box all;
  for (const Subject& subject : subjects) all.add(bounds(subject.zone));
  return all;
}

}  // namespace

MediumPtr mediumIn(const Project& project, const MediumPtr& medium) {
  const Media media = mediaOf(project);
  const auto known = media.find(medium->hash);
  return known == media.end() ? medium : known->second;
}

Project withMediumChanged(const Project& project, const std::string& hash,
                          const std::function<void(Medium& medium)>& change) {
  std::map<const void*, MediumPtr> made;
  const auto changedFrom = [&](const MediumPtr& medium) {
    MediumPtr& now = made[medium.get()];
    if (now) return now;
    Medium out = *medium;
    if (out.hash == hash) change(out);
    if (out.video && out.video->file.hash == hash) {
      Video video = *out.video;
      change(video.file);
      out.video = std::make_shared<const Video>(std::move(video));
    }
    return now = std::make_shared<const Medium>(std::move(out));
  };
  return withEveryStyle(project, [&](Style& style) {
    for (Fill& fill : style.fills) {
      auto* picture = std::get_if<Picture>(&fill.paint);
      if (!picture) continue;
      const MediumPtr& medium = picture->medium;
      if (medium->hash == hash || (medium->video && medium->video->file.hash == hash))
        picture->medium = changedFrom(medium);
    }
  });
}

std::vector<MediumPtr> missingMedia(const Project& project) {
  std::vector<MediumPtr> out;
  for (const auto& [hash, medium] : mediaOf(project))
    if (!medium->bytes && !medium->path.empty()) out.push_back(medium);
  return out;
}

std::vector<MediumUse> mediaUsed(const Project& project) {
  std::vector<MediumUse> uses;
  for (const SheetPtr& sheet : sheetsOf(project)) gather(sheet->items, uses);
  return uses;
}

Affine inPlaceOf(const Medium& was, const std::vector<Subject>& subjectsWas, const Medium& now,
                 const std::vector<Subject>& subjectsNow) {
  Box to{{0, 0}, {double(was.width), double(was.height)}}, from{{0, 0}, {double(now.width), double(now.height)}};
  double scale = std::max(to.width() / from.width(), to.height() / from.height());
  if (!subjectsWas.empty() && !subjectsNow.empty()) {
    to = togetherOf(subjectsWas);
    from = togetherOf(subjectsNow);
    scale = std::min(to.width() / from.width(), to.height() / from.height());
  }
  return Affine::move(to.centre()) * Affine::scale(scale, scale) * Affine::move(-from.centre());
}

Project withMediumReplaced(const Project& project, const Medium& was, const MediumPtr& now) {
  if (was.hash == now->hash) return project;
  const MediumPtr medium = mediumIn(project, now);
  const Affine place = inPlaceOf(was, subjectsOf(project, was), *medium, subjectsOf(project, *medium));
  std::vector<Id> changed;
  for (const MediumUse& use : mediaUsed(project))
    if (use.medium->hash == was.hash) changed = use.items;
  const Project out = withEveryStyle(project, [&](Style& style) {
    for (Fill& fill : style.fills) {
      auto* picture = std::get_if<Picture>(&fill.paint);
      if (!picture || picture->medium->hash != was.hash) continue;
      picture->framing = framingOf(pixelsToFrame(picture->framing, was.width, was.height) * place, medium->width,
                                   medium->height, picture->framing.habits);
      picture->medium = medium;
      // Of another video other parts are wanted, but it starts and sounds as the one before.
      Playing playing = picture->playing && medium->video ? *picture->playing : Playing{};
      playing.from = 0;
      playing.to = std::nullopt;
      picture->playing = shared(playing);
    }
  });
  // Photos in front are brought to cover again where their subjects left a gap.
  std::erase_if(changed, [&](Id id) {
    const ItemPtr item = findItem(out, id);
    return !item || !pictureOf(*item->style) || pictureOf(*item->style)->medium != medium;
  });
  return withPhotosCovering(out, changed);
}

}  // namespace widecut
