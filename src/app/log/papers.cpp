// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/log/papers.h"

#include <QDir>
#include <QFileDialog>
#include <QFileInfo>

#include "app/fields/beside.h"
#include "app/log/log_keeper.h"
#include "app/order/bench_words.h"
#include "app/order/phrases.h"
#include "files/disk.h"

namespace avrelt {

Papers::Papers(Order& order, Shelf& shelf, std::function<CivilTime()> now,
               std::function<QString()> folder, std::function<QString()> name, QWidget* window)
    : order_(order),
      shelf_(shelf),
      now_(std::move(now)),
      folder_(std::move(folder)),
      name_(std::move(name)),
      window_(window) {}

InWords Papers::words() const {
  return [unit = order_.unit()](const Sentence& sentence) {
    return say(sentence, unit).toStdString();
  };
}

tl::expected<std::shared_ptr<const Plan>, QString> Papers::plan() {
  if (order_.document().cups.empty()) return tl::unexpected(tr("Add a cup first."));
  auto made = beside(window_, tr("Planning the order…"),
                     [document = order_.document(), stock = order_.stock()](Going&) {
                       return planDocument(document, stock);
                     });
  if (!made) return tl::unexpected(made.error());
  if (!*made) {
    return tl::unexpected(
        tr("Not every cup can be planned yet. %1 Put its marked fields right first.")
            .arg(say(made->error().front().sentence, order_.unit())));
  }
  return std::make_shared<const Plan>(std::move(**made));
}

std::map<std::string, LogNotes> Papers::notesByCup() {
  std::map<std::string, LogNotes> notes;
  // The shop is asked only for what it may know.
  std::optional<Logbook> log;
  if (!shelf_.trouble()) log = shelf_.logbook();
  if (!log || order_.document().id.empty()) return notes;
  for (const LogEntry& entry : shelf_.tell(log->find({}))) {
    if (entry.key.order == order_.document().id) notes[entry.key.cup] = entry.notes;
  }
  return notes;
}

std::optional<QString> Papers::write(const QString& path, const std::string& pages) {
  if (pages.empty()) return tr("The pages could not be drawn. Nothing was written.");
  if (const auto fault = writeFile(path.toStdString(), pages)) return say(*fault, order_.unit());
  return std::nullopt;
}

std::optional<QString> Papers::saveOrderSheetTo(const QString& path) {
  const auto plan = this->plan();
  if (!plan) return plan.error();
  const std::map<std::string, LogNotes> notes = notesByCup();
  std::vector<PaperCup> cups;
  for (const CupPlan& cup : (*plan)->cups) {
    const auto known = notes.find(cup.of->id);
    cups.push_back({madeWith(cup), known == notes.end() ? std::string() : known->second.whom});
  }
  return write(path, orderSheetPdf(**plan, name_().toStdString(), cups,
                                   order_.document().printPaper(), words()));
}

std::optional<QString> Papers::saveCutListTo(const QString& path) {
  const auto plan = this->plan();
  if (!plan) return plan.error();
  return write(path,
               cutListPdf(**plan, name_().toStdString(), order_.document().printPaper(), words()));
}

std::optional<QString> Papers::saveQuoteTo(const QString& path, const Quote& quote) {
  return write(path, quotePdf(quote, order_.document().printPaper(), words()));
}

tl::expected<std::unique_ptr<QuoteDialog>, QString> Papers::quoteDialog() {
  const auto plan = this->plan();
  if (!plan) return tl::unexpected(plan.error());
  const std::map<std::string, LogNotes> notes = notesByCup();
  const FilmShelf films = shelf_.films();
  const MoneyRules rules = shelf_.moneyRules();
  std::vector<QuoteCup> cups;
  QString whom;
  for (const CupPlan& cup : (*plan)->cups) {
    const CupEstimate estimate =
        estimateOf(cup, (*plan)->bench, (*plan)->stock, shelf_.supplies(), films, rules);
    QuoteCup one{cup.name, madeWith(cup), estimate.cost, estimate.cost.price};
    for (const CostLine& line : estimate.cost.lines) {
      if (!line.known) one.without << QString::fromStdString(line.name);
    }
    for (const MixPart& part : estimate.unknown) one.without << partName(part);
    one.id = cup.of->id;
    if (cup.of->price) one.price = *cup.of->price;
    const auto known = notes.find(cup.of->id);
    if (known != notes.end()) {
      if (known->second.price) one.price = *known->second.price;
      if (whom.isEmpty()) whom = QString::fromStdString(known->second.whom);
    }
    cups.push_back(std::move(one));
  }
  return std::make_unique<QuoteDialog>(std::move(cups), name_(), whom, now_(), window_);
}

void Papers::save(const QString& title, const QString& ending,
                  const std::function<std::optional<QString>(const QString&)>& write) {
  QString path = QFileDialog::getSaveFileName(
      window_, title, QDir(folder_()).filePath(name_() + QLatin1Char(' ') + ending),
      tr("Pages (*.pdf)"));
  if (path.isEmpty()) return;
  if (QFileInfo(path).suffix().isEmpty()) path += QStringLiteral(".pdf");
  const auto fault = write(path);
  emit said(fault ? *fault : tr("Saved to %1.").arg(path));
}

void Papers::saveOrderSheet() {
  save(tr("Save the order sheet"), tr("order sheet.pdf"),
       [this](const QString& path) { return saveOrderSheetTo(path); });
}

void Papers::saveCutList() {
  save(tr("Save the cut list"), tr("cut list.pdf"),
       [this](const QString& path) { return saveCutListTo(path); });
}

void Papers::keepPrices(const std::vector<QuoteCup>& cups) {
  order_.settle();
  order_.edit(tr("Ask prices"), [&](Document& document) {
    for (const QuoteCup& one : cups) {
      if (!one.typed) continue;
      for (Cup& cup : document.cups) {
        if (cup.id == one.id) cup.price = one.price;
      }
    }
  });
  // A cup that is in the log already has its price there.
  std::map<std::string, LogNotes> notes = notesByCup();
  if (notes.empty()) return;
  std::optional<Logbook> log = shelf_.logbook();
  for (const QuoteCup& one : cups) {
    const auto known = notes.find(one.id);
    if (!log || !one.typed || known == notes.end()) continue;
    known->second.price = one.price;
    shelf_.logged(log->note({order_.document().id, one.id}, known->second));
  }
}

void Papers::makeQuote() {
  const auto dialog = quoteDialog();
  if (!dialog) {
    emit said(dialog.error());
    return;
  }
  if ((*dialog)->exec() != QDialog::Accepted) return;
  const Quote quote = (*dialog)->quote();
  keepPrices((*dialog)->cups());
  save(tr("Save the quote"), tr("quote.pdf"),
       [&](const QString& path) { return saveQuoteTo(path, quote); });
}

}  // namespace avrelt

#include "moc_papers.cpp"
