#include "project/forms/starter_form.h"

#include "project/forms/treated.h"
#include "project/limits.h"

namespace widecut {
namespace {

/// The content with a linear map done to its frame; false where the map is no proper one, and goes into the stretch.
bool mapFrame(Starter::Content& content, const Affine& linear) {
  const Affine whole = linear.linear() * content.stretch;
  const double sx = std::hypot(whole.xx, whole.yx), sy = sx > 0 ? std::abs(whole.determinant()) / sx : 0;
  if (!(sx > 0 && sy > 0 && std::isfinite(sx) && std::isfinite(sy))) {
    content.stretch = whole;
    return false;
  }
  content.stretch = whole * Affine::scale(1 / sx, 1 / sy);
  // What is no slant stays none, after any number of maps.
  constexpr double rounding = 1e-12;
  const auto clean = [&](double& v) {
    if (std::abs(v - std::round(v)) < rounding) v = std::round(v);
  };
  for (double* v : {&content.stretch.xx, &content.stretch.yx, &content.stretch.xy, &content.stretch.yy}) clean(*v);
  content.size = {content.size.width * sx, content.size.height * sy};
  return true;
}

}  // namespace

const Starter* starterOf(const Item& item) {
  const auto* held = std::get_if<std::shared_ptr<const Starter>>(&baseOf(item.form));
  return held ? held->get() : nullptr;
}

bool isPlainShape(const Form& form) {
  const Form& base = baseOf(form);
  return std::holds_alternative<std::shared_ptr<const Outline>>(base) ||
         std::holds_alternative<std::shared_ptr<const Starter>>(base);
}

std::string whatIsBeyond(const Starter& starter) {
  const Starter::Content& c = starter.content();
  if (!(c.size.width > 0 && c.size.height > 0 && isPlace({c.size.width, c.size.height})))
    return "would have a frame without an area, or one too large";
  for (std::size_t i = 0; i < c.numbers.size(); ++i)
    if (c.numbers[i] != within(c.kind->numbers[i], c.numbers[i]))
      return "would have a number out of its range: " + std::string(c.kind->numbers[i].name);
  if (!isPlace({c.stretch.xx, c.stretch.xy}) || !isPlace({c.stretch.yx, c.stretch.yy}))
    return "would be stretched too far";
  const Box box = bounds(starter.outline());
  return isPlace(box.low) && isPlace(box.high) ? "" : "would reach further than 1000000 points (353 m)";
}

Form mapped(const Starter& starter, const Affine& linear) {
  Starter::Content c = starter.content();
  if (mapFrame(c, linear))
    for (std::size_t i = 0; i < c.numbers.size(); ++i)
      if (c.kind->numbers[i].kind == NumberKind::Length)
        c.numbers[i] = within(c.kind->numbers[i], c.numbers[i] * linear.meanScale());
  return starterForm(std::move(c));
}

std::optional<Resized> resized(const Starter& starter, const Affine& inFrame) {
  Starter::Content c = starter.content();
  if (!mapFrame(c, inFrame)) return std::nullopt;
  return Resized{starterForm(std::move(c)), inFrame(Point{0, 0})};
}

std::optional<Formula> flatten(const Starter& starter, const Affine& frame, Flat& flat) {
  return flat.add(transformed(starter.outline(), frame));
}

}  // namespace widecut
