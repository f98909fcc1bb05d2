// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/picture_rules.h"

#include <algorithm>
#include <cmath>

#include "divide/picture_lie.h"

namespace avrelt {
namespace {

constexpr double drawnOver = 0.05;
constexpr double bareOver = 0.002;

}  // namespace

std::vector<Watch> watchPicture(const Finish& finish, const Zone& zone, const Wall& wall) {
  std::vector<Watch> watches;
  if (finish.kind != FinishKind::film || finish.picture.id.empty()) return watches;
  const auto put = [&](Rule rule, WatchLevel level, Sentence sentence,
                       Member member = Member::picture) {
    watches.push_back({rule, level, Where(member, zone.id), std::move(sentence)});
  };
  if (!finish.picture.picture) {
    put(Rule::pictureGone, WatchLevel::warn,
        {"The picture on the film of zone %1 is not in the order any more, so none is "
         "printed. Choose another.",
         {zone.letter}});
    return watches;
  }
  for (const Fault& fault : faultsOf(finish.picture)) {
    put(Rule::pictureRefused, WatchLevel::warn, fault.sentence, fault.where.member);
  }
  const std::optional<PictureLie> lie = lieOf(finish, wall, zone.region);
  if (!lie) return watches;
  if (!lie->closes()) {
    put(Rule::pictureOpen, WatchLevel::warn,
        finish.picture.bent
            ? Sentence{"The picture of zone %1 runs across the seam and does not meet itself "
                       "there. Move it, make it smaller, or turn it level.",
                       {zone.letter}}
            : Sentence{"The picture of zone %1 lies straight, and on this cup its ends do not meet "
                       "at the seam. Bend it with the wall, or put the seam where it may show.",
                       {zone.letter}});
  }
  const double bare = finish.picture.repeat == PictureRepeat::tile ? 0 : lie->bareOf(zone.region);
  if (bare > bareOver) {
    const auto percent = static_cast<long>(std::max(1.0, std::round(bare * 100)));
    put(Rule::pictureBare, WatchLevel::note,
        {"The picture of zone %1 is %2 tall and leaves %3 % of the zone without print. Repeat it, "
         "or make it wider, where that is not meant.",
         {zone.letter, lie->tall(), percent}});
  }
  if (lie->dotsPerInch() < coarseUnder) {
    put(Rule::pictureCoarse, WatchLevel::note,
        {"At %2 wide the picture of zone %1 has %3 dots to the inch, and they will be seen. Take a "
         "larger picture, or make it smaller: %4 wide it has 150.",
         {zone.letter, lie->wide(), std::lround(lie->dotsPerInch()),
          lie->wide() * (lie->dotsPerInch() / coarseUnder)}},
        Member::pictureWide);
  }
  const double low = lie->drawnWide(zone.region.lowest());
  const double high = lie->drawnWide(zone.region.highest());
  const double most = std::abs(low) > std::abs(high) ? low : high;
  if (std::abs(most) > drawnOver) {
    put(Rule::pictureDrawn, WatchLevel::note,
        most > 0 ? Sentence{"Toward one end of zone %1 the picture is drawn %2 % wider, as the cup "
                            "is. Lay it straight where its proportion matters more than the seam.",
                            {zone.letter, std::lround(most * 100)}}
                 : Sentence{"Toward one end of zone %1 the picture is drawn %2 % narrower, as the "
                            "cup is. Lay it straight where its proportion matters more than the "
                            "seam.",
                            {zone.letter, std::lround(-most * 100)}});
  }
  return watches;
}

std::vector<Watch> watchPictures(const Divided& divided, const std::vector<Fill>& fills,
                                 const Wall& wall) {
  std::vector<Watch> watches;
  const auto add = [&watches](std::vector<Watch> some) {
    for (Watch& one : some) watches.push_back(std::move(one));
  };
  for (const Zone& zone : divided.zones) {
    add(watchPicture(zone.finish, zone, wall));
    for (const Fill& fill : fills) {
      if (fill.zone != zone.id) continue;
      for (const CellColour& colour : fill.colours) {
        add(watchPicture(colour.finish, zone, wall));
      }
    }
  }
  return watches;
}

}  // namespace avrelt
