// SPDX-License-Identifier: GPL-3.0-or-later
#include "job/document.h"

#include <algorithm>
#include <cmath>

namespace avrelt {
namespace {

constexpr std::size_t longestName = 60;

bool taken(const Document& document, const std::string& name) {
  return std::any_of(document.cups.begin(), document.cups.end(),
                     [&](const Cup& cup) { return cup.name == name; });
}

bool hasFilm(const ZoneNode& node) {
  if (!node.cut) return node.finish.kind == FinishKind::film;
  return std::any_of(node.parts.begin(), node.parts.end(), hasFilm);
}

}  // namespace

bool isWrapped(const Cup& cup) {
  if (cup.wrap.over != WrapOver::unsaid) return cup.wrap.over != WrapOver::none;
  const ZoneNode& body = cup.division.body;
  const FinishKind finish = body.finish.kind;
  const bool filled = std::any_of(cup.fills.begin(), cup.fills.end(),
                                  [&](const Fill& fill) { return fill.zone == body.id; });
  // Film would hide what is between the walls.
  const bool asked = finish == FinishKind::film;
  return !body.cut && !filled && (asked || (finish == FinishKind::none && !cup.liquid));
}

WrapOver settledOver(const Cup& cup) {
  if (cup.wrap.over != WrapOver::unsaid) return cup.wrap.over;
  return isWrapped(cup) ? WrapOver::under : WrapOver::none;
}

bool wrapIsBody(const Cup& cup) {
  const WrapOver over = cup.wrap.over;
  return !cup.division.body.cut && (over == WrapOver::unsaid || over == WrapOver::under);
}

bool wrapLiesOver(const Cup& cup) {
  return cup.wrap.over == WrapOver::clear || cup.wrap.over == WrapOver::printed;
}

bool takesFilm(const Cup& cup) {
  return isWrapped(cup) || hasFilm(cup.division.body);
}

std::size_t artPointsOf(const Cup& cup) {
  std::size_t points = 0;
  for (const Fill& fill : cup.fills) {
    if (!fill.pattern.artwork) continue;
    for (const Polygon& cell : fill.pattern.artwork->cells) {
      for (const std::vector<Point>& outline : cell) points += outline.size();
    }
  }
  return points;
}

std::size_t artPointsOf(const Document& document) {
  std::size_t points = 0;
  for (const Cup& cup : document.cups) points += artPointsOf(cup);
  for (const SharedArt& artwork : document.artworks) points += artwork->points();
  return points;
}

const Artwork* artCalled(const Document& document, const std::string& id) {
  for (const SharedArt& artwork : document.artworks) {
    if (artwork->id == id) return &*artwork;
  }
  return nullptr;
}

void referToArt(Document& document) {
  for (Cup& cup : document.cups) {
    for (DecalSet& set : cup.sets) {
      const auto found =
          std::find_if(document.artworks.begin(), document.artworks.end(),
                       [&](const SharedArt& artwork) { return artwork->id == set.artwork; });
      set.art = found == document.artworks.end() ? SharedArt() : *found;
    }
  }
}

namespace {

/// What shows a picture gets the one its id names.
template <typename Shown>
void referTo(Shown& picture, const std::vector<SharedPicture>& pictures) {
  if (picture.id.empty()) {
    picture.picture = SharedPicture();
    return;
  }
  const auto found = std::find_if(pictures.begin(), pictures.end(),
                                  [&](const SharedPicture& one) { return one->id == picture.id; });
  picture.picture = found == pictures.end() ? SharedPicture() : *found;
}

// NOLINTNEXTLINE(misc-no-recursion): as deep as zones are cut, which reading limits.
void referOf(ZoneNode& node, const std::vector<SharedPicture>& pictures) {
  referTo(node.finish.picture, pictures);
  for (ZoneNode& part : node.parts) referOf(part, pictures);
}

}  // namespace

void referToPictures(Document& document) {
  for (Cup& cup : document.cups) {
    referOf(cup.division.body, document.pictures);
    for (Fill& fill : cup.fills) {
      for (CellColour& colour : fill.colours) referTo(colour.finish.picture, document.pictures);
    }
    for (DecalSet& set : cup.sets) {
      for (Layer& layer : set.layers) referTo(layer.print, document.pictures);
    }
  }
}

void referToAll(Document& document) {
  referToArt(document);
  referToPictures(document);
}

std::optional<Sentence> sizeFault(const Document& document) {
  if (document.cups.size() > Document::mostCups) {
    return Sentence{
        "An order takes up to %2 cups, and this has %1. Make two orders of it.",
        {static_cast<long>(document.cups.size()), static_cast<long>(Document::mostCups)}};
  }
  if (document.artworks.size() > Document::mostArtworks) {
    return Sentence{
        "An order takes up to %2 artworks, and this has %1. Remove some.",
        {static_cast<long>(document.artworks.size()), static_cast<long>(Document::mostArtworks)}};
  }
  if (document.pictures.size() > Document::mostPictures) {
    return Sentence{
        "An order takes up to %2 pictures, and this has %1. Remove some.",
        {static_cast<long>(document.pictures.size()), static_cast<long>(Document::mostPictures)}};
  }
  std::size_t bytes = 0;
  for (const SharedPicture& picture : document.pictures) bytes += picture->bytes.size();
  if (bytes > Document::mostPictureBytes) {
    constexpr double million = 1e6;
    return Sentence{
        "The order's pictures take %1 MB; up to %2 MB can be saved. Make them smaller, "
        "or make two orders of it.",
        {static_cast<long>(std::ceil(static_cast<double>(bytes) / million)),
         static_cast<long>(Document::mostPictureBytes / 1'000'000)}};
  }
  for (const Cup& cup : document.cups) {
    if (std::max(cup.bench.changes.size(), cup.bench.done.size()) > Document::mostStepChanges) {
      return Sentence{
          "Up to %1 steps of a cup can be changed or ticked off. Remove some of your own.",
          {static_cast<long>(Document::mostStepChanges)}};
    }
    if (cup.sets.size() > Document::mostSets) {
      return Sentence{"A cup takes up to %1 sets. Remove some.",
                      {static_cast<long>(Document::mostSets)}};
    }
    if (cup.scatters.size() > Document::mostScatters) {
      return Sentence{"A cup takes up to %1 scatters. Remove some.",
                      {static_cast<long>(Document::mostScatters)}};
    }
    if (cup.rows.size() > Document::mostRows) {
      return Sentence{"A cup takes up to %1 rows. Remove some.",
                      {static_cast<long>(Document::mostRows)}};
    }
  }
  if (const std::size_t points = artPointsOf(document); points > Document::mostArtPoints) {
    return Sentence{
        "The order's drawings have %1 points; up to %2 can be saved. Simplify their "
        "paths, or make two orders of it.",
        {static_cast<long>(points), static_cast<long>(Document::mostArtPoints)}};
  }
  return std::nullopt;
}

Cup newCup(const std::string& name, Unit unit) {
  const bool inches = unit == Unit::inch;
  const WrittenLength zero = inches ? WrittenLength{{}, "0 in"} : WrittenLength{{}, "0 mm"};
  const auto pick = [&](double inch, double mm) {
    return written(inches ? Length::inches(inch) : Length::mm(mm), unit);
  };
  Cup cup;
  cup.name = name;
  cup.blank.name = "straight";
  cup.blank.stations = {{zero, pick(9, 230), Girth::around, {}},
                        {pick(7, 180), std::nullopt, Girth::around, {}}};
  cup.wrap.baseClearance = zero;
  cup.wrap.rimClearance = pick(0.125, 3);
  cup.wrap.overlap = pick(0.125, 3);
  cup.strip.width = pick(0.5, 12);
  cup.division.tapeWidth = pick(0.25, 6);
  return cup;
}

std::string freeName(const Document& document, const std::string& wanted) {
  if (!taken(document, wanted)) return wanted;
  for (long number = 2;; ++number) {
    std::string name = wanted + " " + std::to_string(number);
    if (!taken(document, name)) return name;
  }
}

std::optional<Sentence> nameFault(const Document& document, std::size_t index,
                                  const std::string& name, std::size_t among) {
  if (name.find_first_not_of(" \t\n") == std::string::npos) {
    return Sentence{"The cup has no name. Give it one; parts and files are named after it.", {}};
  }
  // As people count: a character of several bytes is one.
  const auto characters = std::count_if(name.begin(), name.end(), [](char c) {
    return (static_cast<unsigned char>(c) & 0xC0U) != 0x80U;
  });
  if (characters > static_cast<std::ptrdiff_t>(longestName)) {
    return Sentence{"The name is too long for a label. Use %1 characters at most.",
                    {static_cast<long>(longestName)}};
  }
  for (std::size_t other = 0; other < std::min(among, document.cups.size()); ++other) {
    if (other != index && document.cups[other].name == name) {
      return Sentence{"“%1” is also the name of cup %2. Give each cup its own.",
                      {name, static_cast<long>(other + 1)}};
    }
  }
  return std::nullopt;
}

}  // namespace avrelt
