// Video files: what they are, and the stills that stand for them.
#pragma once

#include <string_view>

#include "media/photo.h"

namespace widecut {

/// Whether bytes begin as a WebM or Matroska, an MP4 or MOV, or an Ogg file does.
bool looksLikeVideo(std::string_view bytes);

/// The video in these bytes, with pictures in VP8, VP9, AV1, H.264, H.265, MPEG-4 or Theora. Refuses anything else,
/// frames over limits::mostVideoPixels, and what holds no frame that decodes; the problem begins with `name`.
Result<VideoPtr> videoFromBytes(std::string bytes, const std::string& name);

/// The frame that shows at that time of the video, or the last one before it that there is, as a still that stands for
/// it: a JPEG that names its video, so that stills of two videos are never the same.
Result<MediumPtr> posterAt(const VideoPtr& video, double seconds);
/// The first one that is not all dark or all light, of the first frame and those at each twentieth of the video.
Result<MediumPtr> usualPoster(const VideoPtr& video);

/// The endings of the files that are read as photos and videos, as file dialogs take them: "*.png *.jpg …".
const char* pictureEndings();

/// What is in a file: a photo, for which one waits so long, or a video as its usual poster.
Result<MediumPtr> pictureFromFile(const std::string& path, const reading::Patience& patience = {});

}  // namespace widecut
