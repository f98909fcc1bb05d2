// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/sheet_words.h"

#include <algorithm>
#include <cmath>
#include <QCoreApplication>
#include <QLocale>

#include "app/order/phrases.h"
#include "files/sheet_files.h"
#include "job/sheet_notes.h"
#include "measure/colour.h"
#include "sheet/cut_job.h"

namespace avrelt {
namespace {

/// Its words are of one context.
struct SheetWords {
  Q_DECLARE_TR_FUNCTIONS(SheetWords)
};

/// "12.5 m", "41.1 ft": what nobody measures by a tape.
QString longWay(Length length, Unit unit) {
  constexpr double inchesInFoot = 12;
  constexpr double mmInMetre = 1000;
  return unit == Unit::inch
             ? SheetWords::tr("%1 ft").arg(
                   QLocale().toString(length.inches() / inchesInFoot, 'f', 1))
             : SheetWords::tr("%1 m").arg(QLocale().toString(length.mm() / mmInMetre, 'f', 1));
}

QString notLaidWords(const SheetPlan& sheets, const PartsNotLaid& one, Unit unit) {
  const SheetPart& part = *one.part;
  const QString id = say(nameOf(sheets, part), unit);
  if (one.why == NotLaid::Why::tooMany) {
    return SheetWords::tr("%1 has no room on so many sheets.").arg(id);
  }
  const Box box = part.part->bounds();
  return SheetWords::tr("%1 is %2 × %3 and fits no sheet: take larger ones.")
      .arg(id, onTape(Length::mm(box.width()), unit).mark,
           onTape(Length::mm(box.height()), unit).mark);
}

}  // namespace

QString filmTitle(const FilmSheets& film, Unit unit) {
  if (film.film) return QString::fromStdString(film.film->name);
  QString name = say(materialTitle(film.wanted.kind), unit);
  if (film.wanted.colour.empty()) return name;
  return SheetWords::tr("%1, %2").arg(name,
                                      QString::fromStdString(colourInWords(film.wanted.colour)));
}

QString sheetLine(const FilmSheets& film, std::size_t sheet, Unit unit) {
  const std::size_t count = film.arrangement.sheets.size();
  const FilmPiece& piece = film.from[film.arrangement.sheets[sheet].film];
  const QString what =
      piece.roll ? SheetWords::tr("%1 of roll").arg(onTape(film.sizeOf(sheet).tall, unit).mark)
      : !piece.outline.empty() ? SheetWords::tr("an offcut")
      : count == 1             ? SheetWords::tr("1 sheet")
                               : SheetWords::tr("sheet %1 of %2").arg(sheet + 1).arg(count);
  const QString like =
      sheet < film.likeSheets.size() ? SheetWords::tr("%1, like its print").arg(what) : what;
  return SheetWords::tr("%1: %2, %3 % used")
      .arg(filmTitle(film, unit), like)
      .arg(std::max(1L, std::lround(film.used[sheet] * 100)));
}

QStringList sheetNotes(const SheetPlan& sheets, Unit unit) {
  QStringList words;
  bool plain = false;
  for (const Sentence& note : notesOn(sheets)) words << say(note, unit);
  for (const FilmSheets& film : sheets.films) {
    for (std::size_t i = 0; i < film.arrangement.sheets.size(); ++i) {
      plain = plain || film.isPlain(i);
    }
    for (const SheetPart& part : film.parts) {
      if (part.piece != 1) continue;
      SheetPart whole = part;
      whole.piece = whole.pieces = 0;
      whole.part = part.whole;
      words << SheetWords::tr("%1 is longer than any sheet: it is cut in %2 pieces that lap by %3.")
                   .arg(say(nameOf(sheets, whole), unit))
                   .arg(part.pieces)
                   .arg(onTape(sheets.choices.lap, unit).mark);
    }
    for (const PartsNotLaid& one : notLaidOf(film)) {
      words << notLaidWords(sheets, one, unit);
    }
  }
  if (plain) words << SheetWords::tr("Plain sheets are taken where the shelf has no film.");
  words << SheetWords::tr("Parts ticked as cut are left out.");
  return words;
}

QString sheetFigures(const FilmSheets& film, std::size_t sheet, const Cutter& cutter, Unit unit) {
  const CutJob job = jobOf(film, sheet, {});
  const CutFigures figures = figuresOf(machinePath(job, cutter), cutter);
  const auto pieces = static_cast<long>(job.shapes().size()) + stripsFreed(film, sheet);
  QString words = SheetWords::tr("%1 of cutting, about %2 min, %3.")
                      .arg(longWay(figures.cut, unit))
                      .arg(std::max(1L, std::lround(figures.takes.minutes())))
                      .arg(pieces == 1 ? SheetWords::tr("1 piece to weed")
                                       : SheetWords::tr("%1 pieces to weed").arg(pieces));
  if (const std::optional<double> price = film.price()) {
    words += SheetWords::tr(" Film for %1.").arg(QLocale().toString(*price, 'f', 2));
  }
  return words;
}

}  // namespace avrelt
