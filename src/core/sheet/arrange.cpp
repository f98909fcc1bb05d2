// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/arrange.h"

#include <algorithm>
#include <cstdint>
#include <random>
#include <utility>

#include "sheet/attempt.h"

namespace avrelt {
namespace {

/// Numbers from 0 to 1, the same everywhere.
class Chance {
 public:
  explicit Chance(long seed) : engine_(static_cast<std::uint32_t>(seed)) {}
  double operator()() { return static_cast<double>(engine_()) / 4294967296.0; }

 private:
  std::mt19937 engine_;
};

/// Sheets full of one shape squeezed, or a few groups elsewhere, some of them parted; now and then
/// all turned otherwise, or more finely.
ArrangeOrder changed(ArrangeOrder order, long attempt, Rectangles rectangles) {
  order.attempt = attempt;
  // The same again, and only one more on full sheets.
  order.squeeze = order.fills && attempt % 3 != 0;
  if (order.squeeze) return order;
  order.fine = attempt % 6 == 1;
  // More often the way that was the denser.
  const bool again = order.rectangles ? attempt % 4 != 1 : attempt % 2 == 0;
  order.rectangles = rectangles == Rectangles::all || (rectangles == Rectangles::some && again);
  order.boxes = rectangles == Rectangles::some && attempt % 4 >= 2;
  order.rows = static_cast<std::size_t>(attempt);
  // The first time just more finely.
  if (attempt == 1) return order;
  Chance chance(attempt);
  std::vector<ArrangeOrder::Group>& groups = order.groups;
  const auto any = [&](std::size_t count) {
    return std::min(static_cast<std::size_t>(chance() * static_cast<double>(count)), count - 1);
  };
  constexpr int mostChanges = 5;
  const int changes = 1 + static_cast<int>(chance() * mostChanges);
  for (int i = 0; i < changes && !groups.empty(); ++i) {
    const std::size_t at = any(groups.size());
    ArrangeOrder::Group moved = groups[at];
    if (moved.copies > 1 && chance() < 0.5) {
      moved.copies = 1 + static_cast<int>(any(static_cast<std::size_t>(moved.copies - 1)));
      groups[at].copies -= moved.copies;
    } else {
      groups.erase(groups.begin() + static_cast<std::ptrdiff_t>(at));
    }
    // Not far: the largest still come first.
    const double far = static_cast<double>(groups.size()) * 0.3;
    const double to = static_cast<double>(at) + (2 * chance() - 1) * std::max(far, 2.0);
    const auto place =
        static_cast<std::ptrdiff_t>(std::clamp(to, 0.0, static_cast<double>(groups.size())));
    groups.insert(groups.begin() + place, moved);
  }
  if (attempt % 4 == 0) order.turnedBy = Angle::turn() * chance();
  if (attempt % 8 == 3) order.byLowest = !order.byLowest;
  return order;
}

}  // namespace

Arranger::Arranger(std::vector<Piece> pieces, std::vector<FilmPiece> films,
                   const ArrangeRules& rules)
    : work_(std::make_unique<Arranging>(std::move(pieces), std::move(films), rules)) {}
Arranger::Arranger(Arranger&&) noexcept = default;
Arranger& Arranger::operator=(Arranger&&) noexcept = default;
Arranger::~Arranger() = default;

Arrangement Arranger::pushed(Arrangement arrangement, const Arrangement& kept) const {
  work_->push(arrangement, kept);
  return arrangement;
}

Arrangement Arranger::operator()(const Arrangement& kept) {
  ArrangeOrder order = work_->plainOrder();
  const Rectangles rectangles = work_->rectangles();
  order.rectangles = rectangles == Rectangles::all;
  Arrangement made = attemptAt(*work_, order, kept);
  if (rectangles != Rectangles::some) return made;
  order.rectangles = true;
  for (const bool boxes : {false, true}) {
    order.boxes = boxes;
    Arrangement edgeToEdge = attemptAt(*work_, order, kept);
    if (isDenser(edgeToEdge, made, work_->films())) made = std::move(edgeToEdge);
  }
  return made;
}

Arrangement Arranger::operator()(long attempt, const ArrangeOrder& best, const Arrangement& kept) {
  return attemptAt(*work_, changed(best, attempt, work_->rectangles()), kept);
}

std::optional<Laid> Arranger::roomOn(const Arrangement& arrangement, const Laid& laid,
                                     std::size_t sheet) {
  return roomFor(*work_, arrangement, laid, sheet);
}

const std::vector<Piece>& Arranger::pieces() const {
  return work_->pieces();
}
const std::vector<FilmPiece>& Arranger::films() const {
  return work_->films();
}

Arrangement arrange(const std::vector<Piece>& pieces, const SheetSize& sheet,
                    const ArrangeRules& rules) {
  return Arranger(pieces, {{sheet, FilmPiece::many, false, {}}}, rules)();
}

}  // namespace avrelt
