// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "measure/length_text.h"
#include "shape/drawing.h"
#include "shape/text_outline.h"
#include "shape/tracing.h"

namespace avrelt {

/// Where an artwork came from.
enum class ArtKind { drawing, picture, lettering, shape, joined };
/// "drawing", "picture" …: as files write it.
const char* artKindName(ArtKind kind);

/// All of an artwork that is one colour, in mm.
struct ColourArea {
  std::string colour;  ///< #RRGGBB
  Polygon area;

  friend bool operator==(const ColourArea&, const ColourArea&) = default;
};

/// The words of a lettering and how they are set. Its outlines are kept beside, so that it looks
/// the same where the face is missing.
struct Words {
  std::string text;
  std::string family = "Avrelt Sans";
  std::string style = "Bold";
  WrittenLength capHeight{Length::mm(12), "12 mm"};
  TextAlign align = TextAlign::middle;
  double spacingPercent = 0;           ///< of the capital height, between letters
  double linePercent = 160;            ///< of the capital height, from line to line
  std::optional<WrittenLength> arc{};  ///< the radius it is set along
  bool under = false;                  ///< along the lower side of that circle
  bool merged = true;
  std::string kept{};

  friend bool operator==(const Words&, const Words&) = default;
};
/// The same for who sets words.
TextSetting settingOf(const Words& words);

/// How several artworks become one.
enum class JoinKind {
  together,  ///< all of them as one shape
  without,   ///< the first without the others
  common,    ///< what all have
  stacked,   ///< one on top of another, each in its colours
};

/// One of the artworks that were joined, as it lies there: its middle, in mm from the middle of the
/// first, its size in per cent of its own, how it is turned.
struct JoinedArt {
  std::string artwork;  ///< id
  double right = 0;
  double up = 0;
  double percent = 100;
  double turnDegrees = 0;

  friend bool operator==(const JoinedArt&, const JoinedArt&) = default;
};

struct Joining {
  JoinKind kind = JoinKind::together;
  std::vector<JoinedArt> of;

  friend bool operator==(const Joining&, const Joining&) = default;
};

/// A drawing, picture, lettering or shape, kept once in the order with its outlines, so that the
/// file it came from may vanish.
struct Artwork {
  std::string id{};
  std::string name;
  ArtKind kind = ArtKind::drawing;
  /// The undermost first; colours may lie on one another.
  std::vector<ColourArea> areas;
  Words words{};         ///< of a lettering
  TraceSetting trace{};  ///< of a picture
  Joining joining{};     ///< of joined ones
  std::string kept{};

  Box bounds() const;
  /// All it covers.
  Polygon silhouette() const;
  std::size_t points() const;

  friend bool operator==(const Artwork&, const Artwork&) = default;
};

/// An artwork held in common by the order and every set that is made of it; compared by what it is.
class SharedArt {
 public:
  SharedArt() = default;
  explicit SharedArt(Artwork artwork)
      : artwork_(std::make_shared<const Artwork>(std::move(artwork))) {}

  explicit operator bool() const { return artwork_ != nullptr; }
  const Artwork& operator*() const { return *artwork_; }
  const Artwork* operator->() const { return artwork_.get(); }

  friend bool operator==(const SharedArt& a, const SharedArt& b) {
    return a.artwork_ == b.artwork_ || (a.artwork_ && b.artwork_ && *a.artwork_ == *b.artwork_);
  }

 private:
  std::shared_ptr<const Artwork> artwork_;
};

/// The most points an artwork may have.
inline constexpr std::size_t mostArtworkPoints = 100'000;

/// What an artwork is too much or too little to be taken, if anything: nothing in it, too many
/// points, under 1 mm or over 10 m.
std::optional<Fault> artworkFault(const Artwork& artwork);

/// A drawing as an artwork: what is filled and what its lines cover, by colour, clips applied. What
/// later covers what is below stays in both: layers are made of it. Refused: nothing that is filled
/// or drawn, more points than can be taken.
Checked<Artwork> artworkOf(const Drawing& drawing);
/// A traced picture at so many dots to the inch.
Checked<Artwork> artworkOf(const std::string& name, const std::vector<TracedColour>& found,
                           const TraceSetting& setting, double dotsPerInch);
/// Words set in a face.
Checked<Artwork> artworkOf(const Words& words, const TextOutline& outline);

/// The joined artwork, from those it is of as `find` gives them by id. Refused: fewer than two, one
/// that is not there, one that holds another joined from itself, and where nothing is left.
Checked<Artwork> joinedArtwork(const Artwork& artwork, const std::vector<SharedArt>& artworks);

}  // namespace avrelt
