// What the program and its reading process send each other.
#pragma once

#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "reading/memory.h"

namespace widecut::reading {

/// A question, or its answer.
struct Message {
  std::string task;                  ///< Of a question: the name of what is to be done. Of an answer: "" or "problem".
  std::vector<double> numbers = {};  ///< What they mean is between the two functions that ask and answer.
  std::string text = {};             ///< The same; of a problem: the message.
  /// What is to be read, room for what is made of it, or what was made; null for nothing.
  std::shared_ptr<Memory> memory = nullptr;
};

/// Bytes as they are sent.
inline std::shared_ptr<Memory> copied(std::string_view bytes) { return std::make_shared<Memory>(Memory::of(bytes)); }

/// The memory of a message; empty where it has none.
inline std::string_view bytesOf(const Message& message) {
  return message.memory && !message.memory->isEmpty() ? message.memory->view() : std::string_view{};
}

/// Sends a message; false when nobody is there.
bool send(int socket, const Message& message);

/// The descriptor that came with a message is mapped by this.
using Take = Memory (*)(int descriptor);
/// Called over and over while nothing arrives, a tenth of a second apart at most; false gives up.
using Waiting = std::function<bool()>;
/// Waits for a message. Nothing at the end of the connection, where `goesOn` gives up, or when what arrives is no
/// message of at most 256 MB.
std::optional<Message> receive(int socket, Take take, const Waiting& goesOn = {});

}  // namespace widecut::reading
