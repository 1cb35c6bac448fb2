#include "reading/message.h"

#include <poll.h>
#include <sys/socket.h>
#include <unistd.h>

#include <cerrno>
#include <cstdint>
#include <cstring>

namespace widecut::reading {
namespace {

constexpr std::uint64_t mostBytes = 256U << 20U;
constexpr int tenthOfASecond = 100;  // milliseconds

/// What goes first; both processes are the same program.
struct Header {
  std::uint64_t taskBytes = 0, numbers = 0, textBytes = 0, hasMemory = 0;
  std::uint64_t bytes() const { return taskBytes + numbers * sizeof(double) + textBytes; }
  bool isSensible() const {
    return taskBytes <= mostBytes && numbers <= mostBytes / sizeof(double) && textBytes <= mostBytes &&
           bytes() <= mostBytes;
  }
};

bool sendAll(int socket, const char* from, std::size_t count) {
  while (count > 0) {
    const ssize_t sent = ::send(socket, from, count, MSG_NOSIGNAL);
    if (sent < 0 && errno == EINTR) continue;
    if (sent <= 0) return false;
    from += sent;
    count -= static_cast<std::size_t>(sent);
  }
  return true;
}

/// Room for one descriptor beside the bytes of a message.
union Control {
  cmsghdr header;
  char room[CMSG_SPACE(sizeof(int))];
};

bool sendHeader(int socket, const Header& header, int descriptor) {
  iovec part{const_cast<Header*>(&header), sizeof header};
  Control control{};
  msghdr message{};
  message.msg_iov = &part;
  message.msg_iovlen = 1;
  if (header.hasMemory != 0) {
    message.msg_control = &control;
    message.msg_controllen = sizeof control;
    cmsghdr* rights = CMSG_FIRSTHDR(&message);
    rights->cmsg_level = SOL_SOCKET;
    rights->cmsg_type = SCM_RIGHTS;
    rights->cmsg_len = CMSG_LEN(sizeof(int));
    std::memcpy(CMSG_DATA(rights), &descriptor, sizeof descriptor);
  }
  ssize_t sent = 0;
  do sent = sendmsg(socket, &message, MSG_NOSIGNAL);
  while (sent < 0 && errno == EINTR);
  return sent == static_cast<ssize_t>(sizeof header);
}

bool waitFor(int socket, const Waiting& goesOn) {
  while (true) {
    pollfd one{socket, POLLIN, 0};
    const int ready = poll(&one, 1, goesOn ? tenthOfASecond : -1);
    if (ready > 0) return true;
    if (ready < 0 && errno != EINTR) return false;
    if (goesOn && !goesOn()) return false;
  }
}

bool receiveAll(int socket, char* to, std::size_t count, const Waiting& goesOn) {
  while (count > 0) {
    if (!waitFor(socket, goesOn)) return false;
    const ssize_t got = recv(socket, to, count, MSG_DONTWAIT);
    if (got < 0 && (errno == EINTR || errno == EAGAIN)) continue;
    if (got <= 0) return false;
    to += got;
    count -= static_cast<std::size_t>(got);
  }
  return true;
}

/// The descriptor that came along, or −1.
bool receiveHeader(int socket, Header& header, int& descriptor, const Waiting& goesOn) {
  descriptor = -1;
  if (!waitFor(socket, goesOn)) return false;
  iovec part{&header, sizeof header};
  Control control{};
  msghdr message{};
  message.msg_iov = &part;
  message.msg_iovlen = 1;
  message.msg_control = &control;
  message.msg_controllen = sizeof control;
  ssize_t got = 0;
  do got = recvmsg(socket, &message, MSG_CMSG_CLOEXEC);
  while (got < 0 && errno == EINTR);
  if (got <= 0) return false;
  for (cmsghdr* one = CMSG_FIRSTHDR(&message); one; one = CMSG_NXTHDR(&message, one))
    if (one->cmsg_level == SOL_SOCKET && one->cmsg_type == SCM_RIGHTS && one->cmsg_len == CMSG_LEN(sizeof(int)))
      std::memcpy(&descriptor, CMSG_DATA(one), sizeof descriptor);
  const auto have = static_cast<std::size_t>(got);
  return have == sizeof header ||
         receiveAll(socket, reinterpret_cast<char*>(&header) + have, sizeof header - have, goesOn);
}

}  // namespace

bool send(int socket, const Message& message) {
  const int descriptor = message.memory ? message.memory->descriptor() : -1;
  const Header header{message.task.size(), message.numbers.size(), message.text.size(), descriptor >= 0 ? 1U : 0U};
  return header.isSensible() && sendHeader(socket, header, descriptor) &&
         sendAll(socket, message.task.data(), message.task.size()) &&
         sendAll(socket, reinterpret_cast<const char*>(message.numbers.data()),
                 message.numbers.size() * sizeof(double)) &&
         sendAll(socket, message.text.data(), message.text.size());
}

std::optional<Message> receive(int socket, Take take, const Waiting& goesOn) {
  Header header;
  int descriptor = -1;
  Message out;
  const bool isHeader = receiveHeader(socket, header, descriptor, goesOn);
  if (descriptor >= 0) out.memory = std::make_shared<Memory>(take(descriptor));
  if (!isHeader || !header.isSensible()) return std::nullopt;
  out.task.resize(header.taskBytes);
  out.numbers.resize(header.numbers);
  out.text.resize(header.textBytes);
  if (!receiveAll(socket, out.task.data(), out.task.size(), goesOn) ||
      !receiveAll(socket, reinterpret_cast<char*>(out.numbers.data()), out.numbers.size() * sizeof(double), goesOn) ||
      !receiveAll(socket, out.text.data(), out.text.size(), goesOn))
    return std::nullopt;
  return out;
}

}  // namespace widecut::reading
