#include "media/photo.h"

#include <QBuffer>
#include <QCryptographicHash>
#include <QFileInfo>
#include <QImageReader>
#include <QPainter>
#include <QThreadPool>
#include <map>
#include <set>

#include "media/files.h"

namespace widecut {
namespace {

constexpr qint64 mostPixels = 200'000'000;
constexpr std::size_t mostBytes = std::size_t{512} << 20;

QByteArray viewOf(const std::string& bytes) {
  return QByteArray::fromRawData(bytes.data(), static_cast<qsizetype>(bytes.size()));
}

/// A reader over bytes that knows the formats that photos come in, whatever the file is called.
struct Reading {
  explicit Reading(const std::string& bytes) : data(viewOf(bytes)), buffer(&data) {
    QImageReader::setAllocationLimit(1024);  // MiB; the limit on pixels is ours
    buffer.open(QIODevice::ReadOnly);
    reader.setDevice(&buffer);
    reader.setAutoTransform(true);
    reader.setDecideFormatFromContent(true);
  }
  bool isPhoto() const {
    const QByteArray format = reader.format();
    return format == "png" || format == "jpeg" || format == "webp" || format == "tiff";
  }
  QByteArray data;
  QBuffer buffer;
  QImageReader reader;
};

QImage paintable(const QImage& image) {
  return image.convertToFormat(image.hasAlphaChannel() ? QImage::Format_ARGB32_Premultiplied : QImage::Format_RGB32);
}

QImage bordered(const QImage& image) {
  QImage out(image.width() + 2, image.height() + 2, image.format());
  const auto row = [&](int from, int to) {
    const auto* in = reinterpret_cast<const QRgb*>(image.constScanLine(from));
    auto* pixels = reinterpret_cast<QRgb*>(out.scanLine(to));
    pixels[0] = in[0];
    std::copy(in, in + image.width(), pixels + 1);
    pixels[image.width() + 1] = in[image.width() - 1];
  };
  row(0, 0);
  for (int y = 0; y < image.height(); ++y) row(y, y + 1);
  row(image.height() - 1, image.height() + 1);
  return out;
}

/// The photo's levels, largest first, down to some 32 pixels.
std::vector<PhotoLevel> levelsOf(const Medium& medium) {
  Reading reading(*medium.bytes);
  QImage image = paintable(reading.reader.read());
  std::vector<PhotoLevel> levels;
  if (image.isNull()) return levels;
  const double width = image.width(), height = image.height();
  while (true) {
    const Affine toPixels = Affine::scale(width / image.width(), height / image.height()) * Affine::move({-1, -1});
    levels.push_back({bordered(image), toPixels});
    if (std::max(image.width(), image.height()) <= 32) return levels;
    image = image.scaled(std::max(1, (image.width() + 1) / 2), std::max(1, (image.height() + 1) / 2),
                         Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
  }
}

PhotoLevel chosen(const std::vector<PhotoLevel>& levels, double scale) {
  if (levels.empty()) return {};
  std::size_t i = 0;
  while (i + 1 < levels.size() && levels[i + 1].toPixels.xx * scale <= 1.0) ++i;
  return levels[i];
}

}  // namespace

std::string sha256(const std::string& bytes) {
  return QCryptographicHash::hash(viewOf(bytes), QCryptographicHash::Sha256).toHex().toStdString();
}

Result<std::shared_ptr<const Medium>> photoFromBytes(std::string bytes, const std::string& name) {
  auto medium = std::make_shared<Medium>();
  medium->name = name;
  medium->bytes = std::make_shared<const std::string>(std::move(bytes));
  Reading reading(*medium->bytes);
  if (!reading.isPhoto()) return problem(name + " is not a picture that can be placed (PNG, JPEG, WebP or TIFF)");
  const QSize size = reading.reader.size();
  const std::string sizeText = std::to_string(size.width()) + " × " + std::to_string(size.height());
  if (size.isValid() && (size.width() <= 0 || size.height() <= 0)) return problem(name + " has no pixels");
  if (qint64{size.width()} * size.height() > mostPixels)
    return problem(name + " has " + sizeText + " pixels; 200 megapixels is the most that can be placed");
  const QImage image = reading.reader.read();
  if (image.isNull()) return problem(name + " cannot be decoded: " + reading.reader.errorString().toStdString());
  medium->width = image.width();
  medium->height = image.height();
  medium->hash = sha256(*medium->bytes);
  return medium;
}

Result<std::shared_ptr<const Medium>> photoFromFile(const std::string& path) {
  auto bytes = readFile(path, mostBytes);
  if (!bytes) return tl::unexpected(bytes.error());
  return photoFromBytes(std::move(*bytes), QFileInfo(QString::fromStdString(path)).fileName().toStdString());
}

bool isUprightJpeg(const Medium& medium) {
  const Reading reading(*medium.bytes);
  return reading.reader.format() == "jpeg" && reading.reader.transformation() == QImageIOHandler::TransformationNone;
}

struct PhotoStore::Inside {
  using Levels = std::shared_ptr<const std::vector<PhotoLevel>>;
  std::mutex mutex;
  std::map<std::string, Levels> ready;
  std::set<std::string> asked;
  std::function<void()> call;

  Levels find(const std::string& hash) {
    const std::lock_guard lock(mutex);
    const auto found = ready.find(hash);
    return found == ready.end() ? nullptr : found->second;
  }
  Levels decoded(const Medium& medium) {
    if (auto known = find(medium.hash)) return known;
    auto levels = std::make_shared<const std::vector<PhotoLevel>>(levelsOf(medium));
    const std::lock_guard lock(mutex);
    return ready.emplace(medium.hash, std::move(levels)).first->second;
  }
};

PhotoStore::PhotoStore() : inside_(std::make_shared<Inside>()) {}
PhotoStore::~PhotoStore() { whenReady({}); }

PhotoLevel PhotoStore::level(const Medium& medium, double scale) { return chosen(*inside_->decoded(medium), scale); }

std::optional<PhotoLevel> PhotoStore::levelIfReady(const std::shared_ptr<const Medium>& medium, double scale) {
  if (const auto levels = inside_->find(medium->hash)) return chosen(*levels, scale);
  {
    const std::lock_guard lock(inside_->mutex);
    if (!inside_->asked.insert(medium->hash).second) return std::nullopt;
  }
  QThreadPool::globalInstance()->start([inside = inside_, medium] {
    inside->decoded(*medium);
    const std::lock_guard lock(inside->mutex);
    if (inside->call) inside->call();
  });
  return std::nullopt;
}

void PhotoStore::whenReady(std::function<void()> call) {
  const std::lock_guard lock(inside_->mutex);
  inside_->call = std::move(call);
}

QImage PhotoStore::whole(const Medium& medium) {
  const QImage image = level(medium, 1e9).image;
  return image.isNull() ? image : image.copy(1, 1, image.width() - 2, image.height() - 2);
}

}  // namespace widecut
