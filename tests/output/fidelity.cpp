#include "output/fidelity.h"

#include <gtest/gtest.h>

#include <QFile>
#include <QPainter>
#include <QProcess>
#include <QTemporaryDir>
#include <algorithm>

#include "media/photo.h"
#include "output/deliver.h"
#include "output/plain_pdf.h"
#include "project/lookup.h"

namespace widecut {
namespace {

void run(const QString& program, const QStringList& words) {
  QProcess process;
  process.start(program, words);
  ASSERT_TRUE(process.waitForFinished(120000)) << program.toStdString();
  const QByteArray said = process.readAllStandardError();
  ASSERT_EQ(process.exitCode(), 0) << program.toStdString() << "\n" << said.toStdString();
  if (program.startsWith("pdfto")) {
    ASSERT_EQ(said, "") << "poppler leaves out what comes after that";
  }
}

/// What a reader makes of the SVG or PDF, at 144 ppi.
QImage drawnBy(const std::string& reader, const QTemporaryDir& folder, QSize size) {
  const QString svg = folder.filePath("a.svg"), pdf = folder.filePath("a.pdf");
  const QString out = folder.filePath(QString::fromStdString(reader)), png = out + ".png";
  if (reader == "rsvg") run("rsvg-convert", {"-d", "144", "-p", "144", "-o", png, svg});
  if (reader == "poppler") run("pdftocairo", {"-r", "144", "-png", "-singlefile", pdf, out});
  if (reader == "splash") run("pdftoppm", {"-r", "144", "-png", "-singlefile", pdf, out});
  if (reader == "mupdf") run("mutool", {"draw", "-r", "144", "-o", png, pdf});
  if (reader == "ghostscript")
    run("gs", {"-q", "-dNOPAUSE", "-dBATCH", "-sDEVICE=png16m", "-r144", "-dTextAlphaBits=4", "-dGraphicsAlphaBits=4",
               "-sOutputFile=" + png, pdf});
  if (reader == "chromium") {
    QFile page(folder.filePath("a.html"));
    EXPECT_TRUE(page.open(QIODevice::WriteOnly));
    page.write(QString("<html><body style='margin:0;background:white'><img src='a.svg' style='display:block;width:%1px;"
                       "height:%2px'></body></html>")
                   .arg(size.width())
                   .arg(size.height())
                   .toUtf8());
    page.close();
    run("chromium", {"--headless", "--no-sandbox", "--disable-gpu", "--hide-scrollbars", "--disable-quic",
                     "--no-first-run", "--disable-background-networking", "--disable-component-update",
                     "--disable-sync", "--user-data-dir=" + folder.filePath("profile"),
                     QString("--window-size=%1,%2").arg(size.width()).arg(size.height()), "--screenshot=" + png,
                     "file://" + folder.filePath("a.html")});
  }
  return QImage(png).convertToFormat(QImage::Format_RGB32);
}

/// Pixels beside which the picture changes much: readers smooth edges in their own ways.
std::vector<char> edgesOf(const QImage& image, int w, int h) {
  constexpr int much = 24, reach = 2;
  std::vector<char> sharp(static_cast<std::size_t>(w) * static_cast<std::size_t>(h));
  const auto off = [](QRgb a, QRgb b) {
    return std::max({std::abs(qRed(a) - qRed(b)), std::abs(qGreen(a) - qGreen(b)), std::abs(qBlue(a) - qBlue(b))});
  };
  for (int y = 0; y + 1 < h; ++y)
    for (int x = 0; x + 1 < w; ++x) {
      const QRgb p = image.pixel(x, y);
      if (off(p, image.pixel(x + 1, y)) < much && off(p, image.pixel(x, y + 1)) < much) continue;
      for (int j = std::max(0, y - reach); j <= std::min(h - 1, y + reach + 1); ++j)
        for (int i = std::max(0, x - reach); i <= std::min(w - 1, x + reach + 1); ++i)
          sharp[static_cast<std::size_t>(j) * static_cast<std::size_t>(w) + static_cast<std::size_t>(i)] = 1;
    }
  return sharp;
}

Fidelity::Reader compared(const std::string& name, const QImage& ours, const QImage& theirs) {
  Fidelity::Reader out{name};
  EXPECT_LE(std::abs(ours.width() - theirs.width()), 2) << name;
  EXPECT_LE(std::abs(ours.height() - theirs.height()), 2) << name;
  const int w = std::min(ours.width(), theirs.width()) - 1, h = std::min(ours.height(), theirs.height()) - 1;
  if (w < 8 || h < 8) {
    out.worstTile = out.mean = out.meanOfAll = 255;
    return out;
  }
  auto sharp = edgesOf(ours, w, h);
  const auto theirSharp = edgesOf(theirs, w, h);
  for (std::size_t i = 0; i < sharp.size(); ++i) sharp[i] = sharp[i] || theirSharp[i];
  double sum = 0, all = 0;
  int count = 0;
  constexpr int tile = 32, enough = 64;
  for (int top = 0; top < h; top += tile)
    for (int left = 0; left < w; left += tile) {
      double own = 0;
      int pixels = 0;
      for (int y = top; y < std::min(h, top + tile); ++y)
        for (int x = left; x < std::min(w, left + tile); ++x) {
          const QRgb p = ours.pixel(x, y), q = theirs.pixel(x, y);
          const double off =
              (std::abs(qRed(p) - qRed(q)) + std::abs(qGreen(p) - qGreen(q)) + std::abs(qBlue(p) - qBlue(q))) / 3.0;
          all += off;
          if (sharp[static_cast<std::size_t>(y) * static_cast<std::size_t>(w) + static_cast<std::size_t>(x)]) continue;
          own += off;
          ++pixels;
        }
      if (pixels >= enough) out.worstTile = std::max(out.worstTile, own / pixels);
      sum += own;
      count += pixels;
    }
  out.mean = sum / std::max(1, count);
  out.meanOfAll = all / (static_cast<double>(w) * h);
  return out;
}

/// The sheet in every format, in a folder; and its PNG.
QImage delivered(const Project& project, Id sheet, const QTemporaryDir& folder) {
  PhotoStore store;
  const auto make = [&](DeliveryFormat format, const char* name) {
    Delivery delivery{sheet, 0, format};
    delivery.ppi = 144;
    const auto done = deliver(project, delivery, store, folder.filePath(name).toStdString());
    EXPECT_TRUE(done) << done.error().message;
  };
  make(DeliveryFormat::Png, "a.png");
  make(DeliveryFormat::Svg, "a.svg");
  make(DeliveryFormat::Pdf, "a.pdf");
  expectPlainPdfFile(folder.filePath("a.pdf").toStdString());
  return QImage(folder.filePath("a.png")).convertToFormat(QImage::Format_RGB32);
}

}  // namespace

std::string Fidelity::heading() { return "sheet: reader worst tile / even pixels / all pixels\n"; }

std::string Fidelity::text() const {
  std::string out;
  for (const Reader& reader : readers) {
    char line[120];
    std::snprintf(line, sizeof line, "  %s %.2f / %.2f / %.2f", reader.name.c_str(), reader.worstTile, reader.mean,
                  reader.meanOfAll);
    out += line;
  }
  return out + "\n";
}

QImage drawnBy(const std::string& reader, const Project& project, Id sheet) {
  const QTemporaryDir folder;
  const QImage ours = delivered(project, sheet, folder);
  return reader == "png" ? ours : drawnBy(reader, folder, ours.size());
}

Fidelity fidelityOf(const Project& project, Id sheet, const std::vector<std::string>& readers) {
  const QTemporaryDir folder;
  const QImage ours = delivered(project, sheet, folder);
  Fidelity out;
  for (const std::string& reader : readers)
    out.readers.push_back(compared(reader, ours, drawnBy(reader, folder, ours.size())));
  if (const auto keep = qEnvironmentVariable("FIDELITY_KEEP"); !keep.isEmpty()) {
    for (const char* name : {"a.png", "a.svg", "a.pdf", "rsvg.png", "poppler.png", "splash.png", "chromium.png",
                             "ghostscript.png", "mupdf.png"}) {
      QFile::remove(keep + "/" + name);
      QFile::copy(folder.filePath(name), keep + "/" + name);
    }
  }
  return out;
}

}  // namespace widecut
