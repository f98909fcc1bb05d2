// SPDX-License-Identifier: GPL-3.0-or-later
#include "divide/picture_lie.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace avrelt {
namespace {

using std::numbers::pi;

constexpr Length leastWide = Length::mm(2);
constexpr Length mostWide = Length::mm(2000);

/// A place of the picture, in mm from its middle, as widths and heights from its lower left.
Point shareOf(Point mm, double wide, double tall) {
  return {mm.x / wide + 0.5, mm.y / tall + 0.5};
}

}  // namespace

Faults faultsOf(const ZonePicture& picture) {
  Faults faults;
  if (picture.repeat != PictureRepeat::round &&
      (picture.wide.length < leastWide || picture.wide.length > mostWide)) {
    faults.push_back(
        {Member::pictureWide, {"How wide is the picture? Give %1 to %2.", {leastWide, mostWide}}});
  }
  if (picture.up && (picture.up->length < mostWide * -1 || picture.up->length > mostWide)) {
    faults.push_back(
        {Member::pictureUp,
         {"How far up is the picture's middle? Give up to %1 either way.", {mostWide}}});
  }
  return faults;
}

PictureLie::PictureLie(const ZonePicture& picture, const Wall& wall, const Region& zone)
    : picture_(picture.picture),
      wall_(wall),
      straight_(!picture.bent && !wall.flat.isCylinder()),
      once_(picture.repeat == PictureRepeat::once),
      up_(picture.up ? picture.up->length : (zone.lowest() + zone.highest()) / 2),
      turn_(once_ ? picture.turn : Angle()),
      dots_(picture.picture->wide) {
  // Its middle where the zone is, which may run on past the seam.
  const auto [from, to] = zone.span();
  const Angle middle = (from + to) / 2;
  at_ = middle + (wall.inFrame(picture.at) - middle).wrapped();
  const Length on = std::clamp(up_, Length(), wall.body.wall());
  radius_ = wall.body.radius(on).mm();
  const double girth = 2 * pi * radius_;
  wide_ = picture.wide.length.mm();
  if (picture.repeat == PictureRepeat::round) {
    wide_ = girth;
    round_ = 1;
  } else if (picture.repeat == PictureRepeat::tile) {
    round_ = std::max(1L, std::lround(girth / wide_));
    if (!straight_) wide_ = girth / static_cast<double>(round_);
  }
  tall_ = wide_ / picture.picture->proportion();
  everyTall_ = picture.repeat == PictureRepeat::tile ? 1 : 0;
  // What only crosses the seam is one part across it; what goes all round ends there twice.
  if (!zone.allRound()) return;
  if (!once_) {
    closes_ = !straight_;
    return;
  }
  // Level and bent it runs on behind the seam; else it must not reach there.
  const double reach = std::hypot(wide_, tall_) / 2 / radius_;
  const bool there = std::abs(at_.radians()) + reach > pi;
  closes_ = !there || (!straight_ && turn_ == Angle() && wide_ <= girth + 1e-9);
}

Point PictureLie::operator()(WallPoint p) const {
  if (straight_) {
    const Point middle = wall_.flat.toFlat({at_, up_});
    // Upright at its middle, however the flat turns there.
    const Angle upright = wall_.flat.flatAngle(at_) * -1 + turn_;
    const Point away = wall_.flat.toFlat(p) - middle;
    const double c = std::cos(upright.radians());
    const double s = std::sin(upright.radians());
    return shareOf({away.x * c + away.y * s, away.y * c - away.x * s}, wide_, tall_);
  }
  const Point away{(p.theta - at_).radians() * radius_, (p.s - up_).mm()};
  const double c = std::cos(turn_.radians());
  const double s = std::sin(turn_.radians());
  return shareOf({away.x * c + away.y * s, away.y * c - away.x * s}, wide_, tall_);
}

double PictureLie::drawnWide(Length s) const {
  if (straight_) return 0;
  return wall_.body.radius(std::clamp(s, Length(), wall_.body.wall())).mm() / radius_ - 1;
}

double PictureLie::dotsPerInch() const {
  return dots_ / Length::mm(wide_).inches();
}

PictureMesh PictureLie::emptyMesh() const {
  PictureMesh mesh;
  // Bent and in its place once, it is there again once round the cup; turned, it lies slanting, and
  // what runs round its back is not its own.
  const bool level = turn_ == Angle();
  if (everyTall_ > 0 || (round_ > 0 && !straight_)) {
    mesh.everyWide = 1;
  } else if (once_ && !straight_ && level) {
    mesh.everyWide = 2 * pi * radius_ / wide_;
  }
  mesh.everyTall = everyTall_;
  return mesh;
}

double PictureLie::bareOf(const Region& region) const {
  const auto [from, to] = region.span();
  const Length low = region.lowest();
  const Length high = region.highest();
  const double apart =
      std::max({1.0, (to - from).radians() * radius_ / 120, (high - low).mm() / 120});
  const PictureMesh mesh = emptyMesh();
  long all = 0;
  long bare = 0;
  for (double up = low.mm() + apart / 2; up < high.mm(); up += apart) {
    for (double along = apart / 2; along < (to - from).radians() * radius_; along += apart) {
      const Angle theta = from + Angle::radians(along / radius_);
      const WallPoint p{theta > Angle::halfTurn() ? theta - Angle::turn() : theta, Length::mm(up)};
      if (!region.contains(p)) continue;
      ++all;
      const Point on = mesh.within((*this)({theta, p.s}));
      if (on.x < 0 || on.x > 1 || on.y < 0 || on.y > 1) ++bare;
    }
  }
  return all == 0 ? 0 : static_cast<double>(bare) / static_cast<double>(all);
}

std::optional<PictureLie> lieOf(const Finish& finish, const Wall& wall, const Region& zone) {
  const ZonePicture& picture = finish.picture;
  if (finish.kind != FinishKind::film || !picture.picture || zone.empty() ||
      !faultsOf(picture).empty()) {
    return std::nullopt;
  }
  return PictureLie(picture, wall, zone);
}

}  // namespace avrelt
