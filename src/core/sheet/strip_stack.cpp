// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/strip_stack.h"

#include <algorithm>
#include <cmath>
#include <numeric>

#include "sheet/laid_out.h"

namespace avrelt {
namespace {

constexpr double square = 0.001;  // mm

/// The corners of an outline of straight lines, those left out that lie on a line.
std::vector<Point> cornersOf(const Path& outline) {
  std::vector<Point> all = flattened(outline, Length::mm(square));
  std::vector<Point> corners;
  for (std::size_t i = 0; i < all.size(); ++i) {
    const Point before = all[(i + all.size() - 1) % all.size()];
    const Point after = all[(i + 1) % all.size()];
    const double off = cross(after - before, all[i] - before);
    if (std::abs(off) > square * norm(after - before)) corners.push_back(all[i]);
  }
  return corners;
}

}  // namespace

std::optional<Strip> stripOf(const Part& part) {
  if (!part.more.empty() || !part.holes.empty() || part.print || !part.outline.closed()) {
    return std::nullopt;
  }
  const std::vector<Point> corners = cornersOf(part.outline);
  if (corners.size() != 4) return std::nullopt;
  for (std::size_t i = 0; i < 4; ++i) {
    const Point one = corners[(i + 1) % 4] - corners[i];
    const Point next = corners[(i + 2) % 4] - corners[(i + 1) % 4];
    // How far the far end of a side lies off where it would were the corner square.
    if (std::abs(dot(one, next)) > square * std::max(norm(one), norm(next))) return std::nullopt;
    if (cross(one, next) <= 0) return std::nullopt;
  }
  const double first = norm(corners[1] - corners[0]);
  const double second = norm(corners[2] - corners[1]);
  // Of the two long sides the one that runs the most to the right; a square's lower one likewise.
  std::size_t at = first >= second ? 0 : 1;
  const auto direction = [&](std::size_t i) { return corners[(i + 1) % 4] - corners[i % 4]; };
  if (direction(at).x < -square || (std::abs(direction(at).x) <= square && direction(at).y < 0)) {
    at += 2;
  }
  const Point way = direction(at);
  return Strip{Length::mm(std::max(first, second)), Length::mm(std::min(first, second)),
               corners[at % 4], Angle::radians(std::atan2(way.y, way.x))};
}

StripStack stackOf(const std::vector<const Part*>& parts, MayTurn mayTurn) {
  StripStack stack;
  Part& whole = stack.part;
  whole.kind = PartKind::strip;
  double tall = 0;
  double length = 0;
  Angle along;
  std::vector<double> joins;
  for (std::size_t i = 0; i < parts.size(); ++i) {
    const Part& part = *parts[i];
    const Strip strip = *stripOf(part);
    if (i == 0) {
      along = mayTurn == MayTurn::any ? Angle() : strip.along;
      whole.material = part.material;
      whole.film = part.film;
      whole.mirrored = part.mirrored;
      whole.laidAfter = part.laidAfter;
    }
    if (i > 0) joins.push_back(tall);
    const Angle turn = strip.along * -1;
    const Point at = Point{0, tall} - turning(turn)(strip.corner);
    stack.strips.push_back({&part, turn, at});
    const Part laid = laidOut(part, turn, at);
    whole.slits.insert(whole.slits.end(), laid.slits.begin(), laid.slits.end());
    whole.tints.insert(whole.tints.end(), laid.tints.begin(), laid.tints.end());
    whole.guides.insert(whole.guides.end(), laid.guides.begin(), laid.guides.end());
    whole.letterings.insert(whole.letterings.end(), laid.letterings.begin(), laid.letterings.end());
    tall += strip.width.mm();
    length = std::max(length, strip.length.mm());
  }
  whole.outline = {{0, 0}, {{{length, 0}, 0}, {{length, tall}, 0}, {{0, tall}, 0}, {{0, 0}, 0}}};
  for (const double y : joins) whole.slits.push_back({{0, y}, {{{length, y}, 0}}});
  whole.mayTurn = mayTurn;
  if (along == Angle()) return stack;
  whole = laidOut(whole, along, {});
  for (StackedStrip& strip : stack.strips) {
    strip.turn = strip.turn + along;
    strip.at = turning(along)(strip.at);
  }
  return stack;
}

std::vector<std::vector<std::size_t>> stacksFor(const std::vector<Length>& widths, Length most) {
  std::vector<std::size_t> order(widths.size());
  std::iota(order.begin(), order.end(), std::size_t{0});
  std::stable_sort(order.begin(), order.end(),
                   [&](std::size_t a, std::size_t b) { return widths[a] > widths[b]; });
  std::vector<std::vector<std::size_t>> stacks;
  std::vector<Length> tall;
  for (const std::size_t one : order) {
    std::size_t to = 0;
    while (to < stacks.size() && tall[to] + widths[one] > most) ++to;
    if (to == stacks.size()) {
      stacks.emplace_back();
      tall.emplace_back();
    }
    stacks[to].push_back(one);
    tall[to] = tall[to] + widths[one];
  }
  return stacks;
}

}  // namespace avrelt
