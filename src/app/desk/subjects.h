// What is done about the subjects of photos.
#pragma once

#include "app/desk/desk.h"

namespace widecut {

class Background;

/// Whether a selected item shows a photo that has subjects.
bool showsSubjects(const Desk& desk);
/// The next drag over the photo of the selected item marks a subject.
void startMarking(Desk& desk);
/// A subject of the photo that is being reframed: one more, of this zone in its pixels.
void markSubject(Desk& desk, const MediumPtr& photo, Outline zone);
/// Looks for subjects in the photo of the selected item, off the window's thread, and marks what it finds. Those that
/// are marked already stay, and nothing is marked twice.
void suggestSubjects(Desk& desk, Background& background);
/// Reframes the photos of the selection so that all their subjects are whole, as large as they go.
void fitSubjects(Desk& desk);
/// Other names, or fewer of them.
void changeSubjects(Desk& desk, const MediumPtr& photo, const QString& step, std::vector<Subject> subjects);
/// How much of it is missing, in whole per cent: 1…99.
int cutPercent(const SubjectSeen& seen);
/// What a frame cuts, as in “cuts guard by 12 %, driver by 3 %”.
QString cutText(const std::vector<SubjectSeen>& cuts);

}  // namespace widecut
