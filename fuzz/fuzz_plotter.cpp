// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdint>

#include "files/cut_film_json.h"
#include "require.h"
#include "sim/film_cutter.h"

using namespace avrelt;

/// Whatever the bytes: the stand-in cuts what it understands, in pieces or at once alike, and what
/// it tells can be read back. Read as an answer, they are film or refused in words.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const std::string_view text(reinterpret_cast<const char*>(data), size);
  const auto answer = readCutFilm(text);
  if (!answer) require(!inWords(answer.error(), Unit::mm).empty());
  // A line over all of the bed again and again takes long by its length, not by a fault.
  if (size > 2000) return 0;
  sim::Machine machine;
  machine.wide = machine.tall = Length::mm(60);
  machine.bladeOffset = Length::mm(size % 3 == 0 ? 0.25 : 0);
  sim::FilmCutter whole(machine);
  whole.feed(text);
  const CutFilm film = whole.finish();
  sim::FilmCutter parted(machine);
  for (std::size_t i = 0; i < size; i += 7) parted.feed(text.substr(i, 7));
  const CutFilm again = parted.finish();
  require(film.shapes.size() == again.shapes.size());
  require(film.said == again.said);
  require(film.cut == again.cut);
  const auto read = readCutFilm(cutFilmJson(film));
  require(read.has_value());
  require(read->shapes.size() == film.shapes.size());
  require(read->open.size() == film.open.size());
  return 0;
}
