// Small pictures, painted when they are seen.
#pragma once

#include <QImage>
#include <QObject>
#include <QThreadPool>
#include <functional>
#include <memory>
#include <unordered_map>

#include "project/style.h"

namespace widecut {

/// Pictures of things with an id, each made on another thread when it is asked for, and kept while the thing stays the
/// same node.
class SeenPictures : public QObject {
  Q_OBJECT
 public:
  using Node = std::shared_ptr<const void>;

  explicit SeenPictures(std::size_t most, QObject* parent = nullptr);
  ~SeenPictures() override;

  /// The newest picture there is, a null image at first. One that is not of this node is made anew: `paint` is called
  /// on another thread.
  QImage of(Id id, const Node& node, const std::function<QImage()>& paint);
  void clear() { pictures_.clear(); }
  template <class Condition>
  void keepOnly(const Condition& stays) {
    std::erase_if(pictures_, [&](const auto& entry) { return !stays(entry.first); });
  }

 signals:
  void ready(Id id);

 private:
  struct Picture {
    Node of, wanted;  ///< What it is of, and what is being painted.
    QImage image;
    unsigned lastUse = 0;
  };
  void take(Id id, const Node& node, QImage image);

  std::size_t most_;
  std::unordered_map<Id, Picture> pictures_;
  unsigned uses_ = 0;
  QThreadPool painters_;
};

}  // namespace widecut
