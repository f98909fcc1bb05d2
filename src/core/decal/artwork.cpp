// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/artwork.h"

#include <algorithm>
#include <cmath>

#include "shape/crossings.h"

namespace avrelt {
namespace {

constexpr double leastMm = 1;
constexpr double mostMm = 10'000;
constexpr std::size_t mostJoined = 20;
/// Lines that cross each other more often than this are no drawing anybody made.
constexpr std::size_t mostCrossings = 200'000;
/// Shapes that lie on each other have more points than what they make; beyond this joining them
/// would take longer than anybody waits.
constexpr std::size_t mostGathered = 4 * mostArtworkPoints;
const char* const inkColour = "#22262A";

/// Areas as they lie on each other, those of one colour in turn as one: joined once for all of
/// them, as one after another would take time that grows with their square.
class Gathered {
 public:
  void put(const std::string& colour, Polygon area) {
    if (area.empty()) return;
    for (const std::vector<Point>& outline : area) points_ += outline.size();
    if (colour != colour_) close();
    colour_ = colour;
    run_.push_back(std::move(area));
  }
  /// Before they are joined.
  std::size_t points() const { return points_; }
  std::vector<ColourArea> take() {
    close();
    return std::move(areas_);
  }

 private:
  void close() {
    if (run_.empty()) return;
    areas_.push_back({colour_, run_.size() == 1 ? std::move(run_.front()) : unionOf(run_)});
    run_.clear();
  }

  std::vector<ColourArea> areas_;
  std::vector<Polygon> run_;
  std::string colour_;
  std::size_t points_ = 0;
};

const Artwork* called(const std::vector<SharedArt>& artworks, const std::string& id) {
  for (const SharedArt& artwork : artworks) {
    if (artwork && artwork->id == id) return &*artwork;
  }
  return nullptr;
}

/// Whether an artwork is made of another, itself or by way of others.
bool isMadeOf(const Artwork& artwork, const std::string& id, const std::vector<SharedArt>& artworks,
              int depth = 0) {
  if (artwork.id == id || depth > static_cast<int>(mostJoined)) return true;
  return std::any_of(artwork.joining.of.begin(), artwork.joining.of.end(),
                     [&](const JoinedArt& one) {
                       const Artwork* found = called(artworks, one.artwork);
                       return found != nullptr && isMadeOf(*found, id, artworks, depth + 1);
                     });
}

Checked<Artwork> checked(Artwork artwork) {
  if (std::optional<Fault> fault = artworkFault(artwork)) {
    return tl::unexpected(std::move(*fault));
  }
  return artwork;
}

}  // namespace

const char* artKindName(ArtKind kind) {
  static constexpr const char* names[] = {"drawing", "picture", "lettering", "shape", "joined"};
  return names[static_cast<std::size_t>(kind)];
}

TextSetting settingOf(const Words& words) {
  TextSetting setting;
  setting.text = words.text;
  setting.capHeight = words.capHeight.length;
  setting.align = words.align;
  setting.spacingPercent = words.spacingPercent;
  setting.linePercent = words.linePercent;
  if (words.arc) setting.arc = words.arc->length;
  setting.under = words.under;
  setting.merged = words.merged;
  return setting;
}

Box Artwork::bounds() const {
  Box box;
  for (const ColourArea& one : areas) box.add(boundsOf(one.area));
  return box;
}

Polygon Artwork::silhouette() const {
  if (areas.size() == 1) return areas.front().area;
  std::vector<Polygon> all;
  all.reserve(areas.size());
  for (const ColourArea& one : areas) all.push_back(one.area);
  return unionOf(all);
}

std::size_t Artwork::points() const {
  std::size_t points = 0;
  for (const ColourArea& one : areas) {
    for (const std::vector<Point>& outline : one.area) points += outline.size();
  }
  return points;
}

std::optional<Fault> artworkFault(const Artwork& artwork) {
  const Box box = artwork.bounds();
  if (box.empty()) {
    return Fault{Member::artwork, {"There is nothing in it to cut. Take another.", {}}};
  }
  if (artwork.points() > mostArtworkPoints) {
    return Fault{Member::artwork,
                 {"It has %1 points, and up to %2 can be taken. Simplify its paths.",
                  {static_cast<long>(artwork.points()), static_cast<long>(mostArtworkPoints)}}};
  }
  if (std::max(box.width(), box.height()) < leastMm) {
    return Fault{Member::artwork,
                 {"It is %1 by %2. Bring it to its true size, at least %3.",
                  {Length::mm(box.width()), Length::mm(box.height()), Length::mm(leastMm)}}};
  }
  if (std::max(box.width(), box.height()) > mostMm) {
    return Fault{Member::artwork,
                 {"It is %1 by %2. Bring it to its true size, up to %3.",
                  {Length::mm(box.width()), Length::mm(box.height()), Length::mm(mostMm)}}};
  }
  return std::nullopt;
}

Checked<Artwork> artworkOf(const Drawing& drawing) {
  Gathered areas;
  for (const DrawnShape& shape : drawing.shapes) {
    std::size_t points = 0;
    for (const Polyline& line : shape.lines) {
      points += line.points.size();
      for (const Point& p : line.points) {
        if (std::max(std::abs(p.x), std::abs(p.y)) > 2 * mostMm) {
          return refuse(Member::artwork,
                        "A shape lies farther out than %1. Bring the drawing to its true size.",
                        {Length::mm(2 * mostMm)});
        }
      }
    }
    if (points > mostArtworkPoints || crossMoreOftenThan(mostCrossings, shape.lines)) {
      return refuse(Member::artwork,
                    "The shape %1 has too many points or crossings. Simplify its path.",
                    {shape.name});
    }
    Covered covered = coveredBy(shape);
    areas.put(shape.fillColour, std::move(covered.inside));
    areas.put(shape.lineColour, std::move(covered.line));
    if (areas.points() > mostGathered) {
      return refuse(Member::artwork, "Its shapes have more than %1 points. Simplify its paths.",
                    {static_cast<long>(mostGathered)});
    }
  }
  Artwork artwork;
  artwork.name = drawing.name;
  artwork.areas = areas.take();
  return checked(std::move(artwork));
}

Checked<Artwork> artworkOf(const std::string& name, const std::vector<TracedColour>& found,
                           const TraceSetting& setting, double dotsPerInch) {
  Artwork artwork;
  artwork.name = name;
  artwork.kind = ArtKind::picture;
  artwork.trace = setting;
  const double mm = 25.4 / std::max(dotsPerInch, 1.0);
  for (const TracedColour& one : found) {
    // Onto the grid that files keep.
    artwork.areas.push_back({one.colour, unionOf({mapped(one.area, {mm, 0, 0, mm, 0, 0})})});
  }
  return checked(std::move(artwork));
}

Checked<Artwork> artworkOf(const Words& words, const TextOutline& outline) {
  Artwork artwork;
  artwork.kind = ArtKind::lettering;
  artwork.name = words.text.substr(0, words.text.find('\n'));
  artwork.words = words;
  // Letters left apart are cut apart: each is an area of its own.
  for (const Polygon& letter : outline.letters) {
    artwork.areas.push_back({inkColour, letter});
  }
  return checked(std::move(artwork));
}

Checked<Artwork> joinedArtwork(const Artwork& artwork, const std::vector<SharedArt>& artworks) {
  const Joining& joining = artwork.joining;
  if (joining.of.size() < 2 || joining.of.size() > mostJoined) {
    return refuse(Member::joining,
                  "Joining takes from 2 to %1 artworks. Choose some more, or fewer.",
                  {static_cast<long>(mostJoined)});
  }
  std::vector<std::vector<ColourArea>> all;
  for (const JoinedArt& one : joining.of) {
    const Artwork* found = called(artworks, one.artwork);
    if (found == nullptr) {
      return refuse(Member::joining, "One of the artworks that were joined is not in the order.");
    }
    if (!artwork.id.empty() && isMadeOf(*found, artwork.id, artworks)) {
      return refuse(Member::joining, "“%1” holds this artwork itself. Take another.",
                    {found->name});
    }
    const Point middle = found->bounds().centre();
    const double angle = one.turnDegrees / 180 * M_PI;
    const double size = one.percent / 100;
    const Transform map = Transform{1, 0, 0, 1, one.right, one.up} *
                          Transform{size * std::cos(angle),
                                    size * std::sin(angle),
                                    -size * std::sin(angle),
                                    size * std::cos(angle),
                                    0,
                                    0} *
                          Transform{1, 0, 0, 1, -middle.x, -middle.y};
    std::vector<ColourArea> areas;
    for (const ColourArea& area : found->areas) {
      areas.push_back({area.colour, unionOf({mapped(area.area, map)})});
    }
    all.push_back(std::move(areas));
  }
  const auto whole = [](const std::vector<ColourArea>& areas) {
    std::vector<Polygon> polygons;
    polygons.reserve(areas.size());
    for (const ColourArea& area : areas) polygons.push_back(area.area);
    return unionOf(polygons);
  };
  Artwork joined = artwork;
  joined.kind = ArtKind::joined;
  joined.areas.clear();
  Gathered gathered;
  switch (joining.kind) {
    case JoinKind::stacked:
      for (const std::vector<ColourArea>& areas : all) {
        joined.areas.insert(joined.areas.end(), areas.begin(), areas.end());
      }
      return checked(std::move(joined));
    case JoinKind::together: {
      std::vector<Polygon> polygons;
      polygons.reserve(all.size());
      for (const std::vector<ColourArea>& areas : all) polygons.push_back(whole(areas));
      gathered.put(all.front().front().colour, unionOf(polygons));
      break;
    }
    case JoinKind::without:
      // Each colour of the first is cut, so that it keeps them.
      for (const ColourArea& area : all.front()) {
        Polygon left = area.area;
        for (std::size_t i = 1; i < all.size(); ++i) left = left - whole(all[i]);
        gathered.put(area.colour, std::move(left));
      }
      break;
    case JoinKind::common:
      for (const ColourArea& area : all.front()) {
        Polygon left = area.area;
        for (std::size_t i = 1; i < all.size(); ++i) left = left & whole(all[i]);
        gathered.put(area.colour, std::move(left));
      }
      break;
  }
  joined.areas = gathered.take();
  if (joined.areas.empty()) {
    return refuse(Member::joining,
                  "Nothing is left of them so. Move one, or join them another way.");
  }
  return checked(std::move(joined));
}

}  // namespace avrelt
