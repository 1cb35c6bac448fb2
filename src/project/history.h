// Undo and redo: a list of projects with the names of the edits between them.
#pragma once

#include <algorithm>

#include "project/model.h"

namespace widecut {

/// About how many bytes a project holds that the one before does not, the files of its photos included.
std::size_t bytesNewIn(const Project& project, const Project& before);

/// Keeps states of the project, the oldest ones only as far as budgets::undoBytes go, by bytesNewIn; but
/// budgets::leastUndoSteps in any case. Never empty.
class History {
 public:
  explicit History(ProjectPtr start) : states_{{"", std::move(start), 0}} {}

  const ProjectPtr& current() const { return states_[at_].project; }
  /// Adds a state after the current one and drops what could have been redone.
  void commit(std::string editName, ProjectPtr project);
  bool canUndo() const { return at_ > 0; }
  bool canRedo() const { return at_ + 1 < states_.size(); }
  /// The name of the edit that undo takes back, or redo makes again; empty when there is none.
  std::string undoName() const { return canUndo() ? states_[at_].name : ""; }
  std::string redoName() const { return canRedo() ? states_[at_ + 1].name : ""; }
  void undo() { at_ -= canUndo() ? 1 : 0; }
  void redo() { at_ += canRedo() ? 1 : 0; }
  /// Whether this is the current state, or one that undo leads to.
  bool isBehind(const ProjectPtr& state) const {
    return std::any_of(states_.begin(), states_.begin() + static_cast<std::ptrdiff_t>(at_) + 1,
                       [&](const State& one) { return one.project == state; });
  }
  /// The current state is what the file holds.
  void markSaved() { saved_ = at_; }
  /// The same of an earlier state; when it is not kept any more, no state is.
  void markSaved(const ProjectPtr& state);
  /// No state is what the file holds.
  void markUnsaved() { saved_ = neverSaved; }
  bool isSaved() const { return saved_ == at_; }
  /// What all states hold together, beyond the first one.
  std::size_t bytes() const { return bytes_; }
  /// How many of the oldest steps were let go of.
  std::size_t forgotten() const { return forgotten_; }

 private:
  static constexpr std::size_t neverSaved = static_cast<std::size_t>(-1);
  struct State {
    std::string name;
    ProjectPtr project;
    std::size_t bytes;
  };
  std::size_t forgotten_ = 0;
  std::vector<State> states_;
  std::size_t at_ = 0;
  std::size_t saved_ = 0;
  std::size_t bytes_ = 0;
};

}  // namespace widecut
