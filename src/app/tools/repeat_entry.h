// The entry of a repeat that was just made.
#pragma once

namespace widecut {

class Desk;
class Mat;

/// Opens the mat's entry for the first numbers of the selected repeat, by its last copy: digits go there at once.
/// Nothing when no repeat is selected.
void openRepeatEntry(Mat& mat, Desk& desk);

}  // namespace widecut
