// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "bench/choices.h"
#include "cup/base.h"
#include "cup/blank.h"
#include "cup/build_up.h"
#include "cup/laying.h"
#include "cup/liquid.h"
#include "cup/seam_doubt.h"
#include "cup/wrap.h"
#include "decal/decal_set.h"
#include "decal/row.h"
#include "decal/scatter.h"
#include "divide/division.h"
#include "job/hand_laid.h"
#include "measure/money.h"
#include "pattern/fill.h"
#include "sheet/marking_strip.h"
#include "sheet/paper.h"

namespace avrelt {

/// What is cut already, and the stage and the girths of the cup it was cut for: a later measurement
/// is held against them.
struct CutRecord {
  std::string purpose;          ///< of the parts
  std::vector<std::string> of;  ///< ids of what they are for
  int after = 0;                ///< coats
  WrittenLength aroundBase;
  WrittenLength aroundRim;
  std::string kept;
  /// Of a layer: how large its set was then.
  std::optional<WrittenLength> size{};

  friend bool operator==(const CutRecord&, const CutRecord&) = default;
};

/// One cup of an order: its measures and what was chosen for it.
struct Cup {
  /// Lasting, in its order: the shop's log knows it by this. Empty until the order is worked at.
  std::string id;
  /// How many ids were made for things of this cup: none is made twice, also when what had it is
  /// gone.
  int ids = 0;
  std::string name;
  Blank blank;
  BuildUp buildUp;
  Doubt doubt;
  Wrap wrap;
  Film film;
  Base base;
  std::optional<Liquid> liquid;  ///< between its walls
  Division division;
  std::vector<Fill> fills;
  std::vector<DecalSet> sets;
  std::vector<Row> rows;  ///< of sets
  std::vector<Scatter> scatters;
  MarkingStrip strip;
  std::vector<CutRecord> cuts;
  std::vector<HandLaid> laidByHand;  ///< of its parts, on sheets
  CupBench bench;
  std::optional<Money> price;  ///< asked for it in a quote; by the shop's rule, where none
  std::string kept;

  friend bool operator==(const Cup&, const Cup&) = default;
};

/// An order: measures and choices, nothing derived.
///
/// Every `kept` member, here and below, holds the members of the file that this version does not
/// know, as JSON text, so that saving gives them back.
struct Document {
  static constexpr int currentVersion = 2;
  static constexpr std::size_t mostCups = 200;
  /// Of all artworks of an order: files are read up to 16 MB, and a point takes some 20 bytes.
  static constexpr std::size_t mostArtPoints = 500'000;
  static constexpr std::size_t mostArtworks = 500;
  static constexpr std::size_t mostPictures = 50;
  /// Of all pictures of an order: as text in a file they take a third more.
  static constexpr std::size_t mostPictureBytes = 8'000'000;
  static constexpr std::size_t mostSets = 100;  ///< of a cup
  static constexpr std::size_t mostRows = 100;
  static constexpr std::size_t mostScatters = 20;
  static constexpr std::size_t mostStepChanges = 500;
  static constexpr std::size_t mostLaidByHand = 2000;  ///< of a cup

  /// Lasting, and no other order's: the shop's log knows it by this. Empty until it is worked at.
  std::string id;
  Unit units = Unit::inch;
  /// For prints; left out, the paper usual where the unit is.
  std::optional<Paper> paper;
  std::vector<Cup> cups;
  /// Used on any of the cups.
  std::vector<SharedArt> artworks;
  /// That films of zones, cells and layers are printed with.
  std::vector<SharedPicture> pictures;
  BenchChoices bench;
  /// How many ids were made for artworks and pictures.
  int ids = 0;
  std::string kept;

  Paper printPaper() const { return paper.value_or(usualPaper(units)); }

  friend bool operator==(const Document&, const Document&) = default;
};

/// Whether a wrap goes round the whole cup: where it is asked for, or as what everything else lies
/// on where nothing is said of it and the cup is neither divided nor filled nor coloured, and
/// nothing swims between its walls.
bool isWrapped(const Cup& cup);
/// Where film all round lies, also where nothing is said of it.
WrapOver settledOver(const Cup& cup);
/// Whether that wrap is the film the undivided body is chosen to be of.
bool wrapIsBody(const Cup& cup);
/// Whether it lies over everything else; else it lies under it.
bool wrapLiesOver(const Cup& cup);
/// Whether film is laid on it anywhere: a wrap, or film on a zone.
bool takesFilm(const Cup& cup);

/// The points of a cup's artworks.
std::size_t artPointsOf(const Cup& cup);
std::size_t artPointsOf(const Document& document);

/// Gives every set of the order the artwork its id names, as it is now.
void referToArt(Document& document);
/// Gives every finish and layer of the order the picture its id names, as it is now.
void referToPictures(Document& document);
/// The same for all that is kept in the order and used on cups.
void referToAll(Document& document);
/// The artwork of this id; nothing where there is none.
const Artwork* artCalled(const Document& document, const std::string& id);

/// What makes an order larger than one that can be saved and opened, if anything: its cups, or the
/// points of its drawings.
std::optional<Sentence> sizeFault(const Document& document);

/// A straight cup to begin with, in round figures of the unit.
Cup newCup(const std::string& name, Unit unit);

/// "Comet", or "Comet 2", "Comet 3" … where the name is taken: the first that is free.
std::string freeName(const Document& document, const std::string& wanted);

/// What makes a cup's name unfit in this document, if anything: none, too long, or taken by
/// another cup than the one at `index`, of the first so many.
std::optional<Sentence> nameFault(const Document& document, std::size_t index,
                                  const std::string& name, std::size_t among = Document::mostCups);

}  // namespace avrelt
