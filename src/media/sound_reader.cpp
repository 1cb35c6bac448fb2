#include "media/sound_reader.h"

#include <algorithm>
#include <cstring>

#include "media/lent_bytes.h"
#include "reading/process.h"

namespace widecut {
namespace {

constexpr std::size_t frameBytes = 2 * sizeof(std::int16_t);  // of both channels
constexpr int mostAtOnce = SoundReader::rate;

}  // namespace

struct SoundReader::Inside {
  explicit Inside(reading::Reader taken) : reader(std::move(taken)) {}
  ~Inside() { (void)reader.ask({"sound close"}); }
  Inside(const Inside&) = delete;
  Inside& operator=(const Inside&) = delete;

  reading::Reader reader;
  std::shared_ptr<reading::Memory> room =
      std::make_shared<reading::Memory>(reading::Memory::ofSize(mostAtOnce * frameBytes));
};

Result<SoundReader> SoundReader::of(const std::shared_ptr<const std::string>& bytes, double speed) {
  auto reader = reading::Reader::take();
  if (!reader) return tl::unexpected(reader.error());
  const auto answer = reader->ask({"sound open", {speed}, {}, lent(bytes)});
  if (!answer) return tl::unexpected(answer.error());
  auto inside = std::make_unique<Inside>(std::move(*reader));
  if (inside->room->isEmpty()) return problem("cannot be read: there is not enough memory");
  return SoundReader(std::move(inside));
}

void SoundReader::seek(double seconds) { (void)inside_->reader.ask({"sound seek", {seconds}}); }

int SoundReader::read(std::int16_t* to, int count) {
  int done = 0;
  while (done < count) {
    const int want = std::min(count - done, mostAtOnce);
    const auto answer = inside_->reader.ask({"sound read", {static_cast<double>(want)}, {}, inside_->room});
    const double said = answer && answer->numbers.size() == 1 ? answer->numbers[0] : 0;
    if (!(said >= 1 && said <= want)) break;
    const int got = static_cast<int>(said);
    std::memcpy(to + std::ptrdiff_t{2} * done, inside_->room->data(), static_cast<std::size_t>(got) * frameBytes);
    done += got;
  }
  return done;
}

SoundReader::SoundReader(std::unique_ptr<Inside> inside) : inside_(std::move(inside)) {}
SoundReader::SoundReader(SoundReader&&) noexcept = default;
SoundReader& SoundReader::operator=(SoundReader&&) noexcept = default;
SoundReader::~SoundReader() = default;

}  // namespace widecut
