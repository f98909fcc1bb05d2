// SPDX-License-Identifier: GPL-3.0-or-later
#include <QFileDialog>
#include <QListWidget>

#include "app/cut/cutter_dialog.h"
#include "app/cut/sheets_bench.h"
#include "app/fields/beside.h"
#include "app/order/phrases.h"
#include "app/shelf/films_dialog.h"
#include "files/plotter_file.h"
#include "sheet/cut_proof.h"

// What is done with a sheet: cut, judged, taken off the shelf, ticked, saved, printed.

namespace avrelt {

void SheetsBench::tell(const QString& words) {
  verdict_->setText(words);
  verdict_->setVisible(!words.isEmpty());
}

bool SheetsBench::ready() {
  if (!work_.faults().empty()) {
    emit said(tr("The parts cannot be laid. Put right what is said below."));
  } else if (!work_.holds()) {
    emit said(tr("The parts are still being laid. Do it again when they lie there."));
  } else if (rows_.empty()) {
    emit said(
        tr("Nothing lies on sheets. Take larger ones, or take back the ticks of what is cut."));
  } else {
    return true;
  }
  return false;
}

void SheetsBench::cutNow() {
  if (link_.running() || !ready()) return;
  work_.stop();
  std::size_t sheet = 0;
  const FilmSheets* film = inHand(sheet);
  if (film == nullptr) return;
  if (const std::optional<Sentence> fault = tooNear(*work_.sheets())) {
    return tell(say(*fault, order_.unit()));
  }
  sentTo_ = cutterFor(work_.cutter(), *film);
  const auto row = static_cast<std::size_t>(list_->currentRow());
  sentBy_ = film->prints() ? printing_.shiftOf(rows_[row].film, sheet) : PrintShift();
  sent_ = jobOf(*film, sheet, sheetName(*film, sheet, name_().toStdString()), sentBy_);
  if (const std::optional<Sentence> fault = cannotCut(sent_, sentTo_)) {
    return tell(say(*fault, order_.unit()));
  }
  canvas_->showCut(nullptr);
  const auto number = [](double value) { return QString::number(value, 'f', 3); };
  // Film as wide as the sheet. Nobody learns from watching a stand-in wait.
  constexpr double faster = 20;
  link_.send(plotterFile(machinePath(sent_, sentTo_), sentTo_),
             {QStringLiteral("--bed"), number(sent_.wide.mm()), number(sent_.tall.mm()),
              QStringLiteral("--blade-offset"), number(sentTo_.bladeOffset.mm()),
              QStringLiteral("--speed"), number(sentTo_.perSecond.mm()), QStringLiteral("--faster"),
              number(faster)});
}

void SheetsBench::judge(const CutFilm& film) {
  const CutProof proof = proofOf(sent_, sentTo_, film);
  QStringList words;
  for (const Sentence& sentence : wordsOf(proof)) words << say(sentence, order_.unit());
  for (const std::string& one : film.said) words << QString::fromStdString(one);
  tell(words.join(QLatin1Char(' ')));
  // Over the plan while it is the one that was sent.
  std::size_t sheet = 0;
  const FilmSheets* now = inHand(sheet);
  if (now != nullptr && jobOf(*now, sheet, sent_.name, sentBy_).strokes == sent_.strokes) {
    canvas_->showCut(std::make_shared<const CutFilm>(seenFromFace(film, sent_, sentTo_)));
  }
}

void SheetsBench::bookSheet() {
  // Pressed again before all is laid anew, it would take another.
  if (!ready()) return;
  std::size_t sheet = 0;
  const FilmSheets* film = inHand(sheet);
  if (film == nullptr) return;
  if (!film->film) {
    emit said(tr("This is a plain sheet, of no film of the shelf."));
    return;
  }
  std::optional<FilmStock> offcut;
  if (const std::optional<Box> left = offcutOf(*film, sheet)) {
    offcut = FilmStock{};
    offcut->film = film->film->key;
    offcut->shape = StockShape::offcut;
    offcut->wide = Length::mm(left->width());
    offcut->tall = Length::mm(left->height());
    offcut->name = tr("left of %1").arg(name_()).toStdString();
  }
  const UsedSheet& used = film->arrangement.sheets[sheet];
  const QString kept = offcut ? tr("An offcut of %1 × %2 is kept.")
                                    .arg(onTape(offcut->wide, order_.unit()).mark,
                                         onTape(offcut->tall, order_.unit()).mark)
                              : tr("Nothing of it is worth keeping.");
  const SheetArea area = areaOf(*film, sheet);
  FilmTaken taken;
  taken.words = film->film->name + ", " + name_().toStdString();
  taken.parts = area.parts;
  taken.taken = offcut ? area.whole - areaOf(*offcut) : area.whole;
  if (!shelf_.use(film->stock[used.film], film->sizeOf(sheet).tall, offcut, taken)) return;
  emit said(
      tr("It is off the shelf. %1 Tick its parts as cut (Alt+Shift+J), or they are laid again.")
          .arg(kept));
}

void SheetsBench::tickSheet() {
  if (!ready()) return;
  std::size_t sheet = 0;
  const FilmSheets* film = inHand(sheet);
  if (film == nullptr) return;
  const std::shared_ptr<const SheetPlan> sheets = work_.sheets();
  const SheetEntries entries = entriesOn(*sheets, *film, sheet);
  QStringList partly;
  for (const CupEntry& one : entries.partly) {
    partly << say(
        Sentence{"%1: %2", {sheets->plan->cups[one.cup].name, Phrase(avrelt::titleOf(one.entry))}},
        order_.unit());
  }
  const int ticked = static_cast<int>(entries.whole.size());
  QStringList words{ticked == 0   ? tr("Nothing is ticked off.")
                    : ticked == 1 ? tr("1 entry is ticked as cut.")
                                  : tr("%1 entries are ticked as cut.").arg(ticked)};
  if (!partly.empty()) {
    words << tr("Not wholly on this sheet: %1.").arg(partly.join(QStringLiteral("; ")));
  }
  if (ticked > 0) order_.markCut(*sheets->plan, entries.whole);
  emit said(words.join(QLatin1Char(' ')));
}

void SheetsBench::searchOrKeep() {
  if (work_.searching()) {
    work_.stop();
  } else if (ready()) {
    work_.search();
  }
}

std::optional<QString> SheetsBench::saveInto(const QString& folder) {
  const std::shared_ptr<const SheetPlan> sheets = work_.sheets();
  if (!sheets) return tr("There is nothing to save. Put the marked fields right.");
  if (!work_.holds()) return tr("The parts are still being laid. Save again when they lie there.");
  work_.stop();
  const SheetOutput output{name_().toStdString(), order_.unit(), order_.document().printPaper(),
                           work_.cutter()};
  const auto saved = beside(this, tr("Saving the sheets…"),
                            [sheets, output, path = folder.toStdString()](Going& /*going*/) {
                              return saveSheets(path, *sheets, output);
                            });
  if (!saved) return saved.error();
  if (!*saved) return say(saved->error(), order_.unit());
  emit said(rows_.size() == 1
                ? tr("1 sheet saved in %1, with its map, parts.csv and sheets.json.").arg(folder)
                : tr("%1 sheets saved in %2, with their maps, parts.csv and sheets.json.")
                      .arg(rows_.size())
                      .arg(folder));
  return std::nullopt;
}

void SheetsBench::askAndSave() {
  if (!ready()) return;
  const QString folder =
      QFileDialog::getExistingDirectory(this, tr("Save the sheets into"), folder_());
  if (folder.isEmpty()) return;
  if (const std::optional<QString> fault = saveInto(folder)) emit said(*fault);
}

void SheetsBench::showFilms() {
  FilmsDialog(shelf_, order_.unit(), this).exec();
}

std::optional<std::pair<std::size_t, std::size_t>> SheetsBench::printedInHand() {
  if (!ready()) return std::nullopt;
  std::size_t sheet = 0;
  const FilmSheets* film = inHand(sheet);
  if (film == nullptr || !film->prints()) {
    emit said(
        tr("This sheet is not printed. Take one of printable film: give a zone film to print in "
           "Divide, or a layer a picture in Dress."));
    return std::nullopt;
  }
  return std::pair(rows_[static_cast<std::size_t>(list_->currentRow())].film, sheet);
}

void SheetsBench::printNow() {
  if (const auto place = printedInHand()) printing_.ask(place->first, place->second);
}

void SheetsBench::showFound() {
  const auto place = printedInHand();
  if (!place) return;
  if (!work_.sheets()->choices.printer.marks) {
    emit said(tr("The sheet is printed without marks. Turn them on in the printer’s figures."));
    return;
  }
  printing_.askFound(place->first, place->second);
}

void SheetsBench::showPrinter() {
  printing_.askFigures();
}

void SheetsBench::showCutter() {
  CutterDialog dialog(work_.cutter(), order_.unit(), this);
  if (dialog.exec() == QDialog::Accepted) work_.set(dialog.cutter());
}

}  // namespace avrelt
