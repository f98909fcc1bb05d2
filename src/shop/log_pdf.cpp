// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/log_pdf.h"

#include <cmath>

#include "files/bench_files.h"
#include "files/pdf_flow.h"
#include "measure/sentence.h"
#include "shop/qr_code.h"

namespace avrelt {
namespace {

constexpr double textSize = PdfFlow::textSize;
constexpr double smallSize = PdfFlow::smallSize;

std::string dateText(CivilTime time) {
  constexpr std::size_t year = 4;
  return dayText(time) + " " + civilText(time).substr(0, year);
}

std::string areaText(Area area, Unit unit) {
  constexpr double mm2InCm2 = 100;
  constexpr double mm2InIn2 = 645.16;
  return unit == Unit::inch ? numberText(area.mm2() / mm2InIn2, 1) + " in²"
                            : numberText(area.mm2() / mm2InCm2, 0) + " cm²";
}

/// The card's pages, from the top down.
class Card {
 public:
  Card(const RecordCard& card, Paper paper, std::string& bytes)
      : card_(card), flow_(bytes, paper, card.entry.name) {}

  bool print() {
    const LogEntry& entry = card_.entry;
    constexpr double margin = PdfFlow::margin;
    constexpr double photoWide = 62;
    constexpr double photoTall = 74;
    const double wide = flow_.wide();
    const double photo = card_.photo.empty()
                             ? 0
                             : flow_.pages().picture(card_.photo, wide - margin - photoWide, margin,
                                                     photoWide, photoTall);
    if (photo > 0) flow_.narrowTo(wide - 2 * margin - photoWide - 6);
    flow_.head(entry.name);
    flow_.say("Order: " + entry.order);
    if (!entry.blank.empty()) flow_.say("Blank: " + entry.blank);
    if (entry.begun) flow_.say("Begun: " + dateText(*entry.begun));
    if (entry.finished) flow_.say("Finished: " + dateText(*entry.finished));
    flow_.say("Steps: " + std::to_string(entry.done) + " of " + std::to_string(entry.steps) + ", " +
              timeText(entry.worked) + " of work");
    if (!entry.notes.whom.empty()) flow_.say("For: " + entry.notes.whom);
    if (!entry.made.empty()) flow_.say("Made with: " + entry.made);
    if (!entry.notes.faults.empty()) flow_.say("Notes: " + entry.notes.faults);
    flow_.setAt(std::max(flow_.at(), margin + photo + PdfFlow::lineHeight));
    flow_.narrowTo(0);
    used();
    cut();
    cost();
    steps();
    return flow_.finish();
  }

 private:
  void used() {
    if (card_.used.empty()) return;
    flow_.title("What went into it");
    for (const auto& [name, amount] : card_.used) flow_.pair(name, amountText(amount, card_.unit));
  }

  void cut() {
    if (card_.cuts.empty()) return;
    flow_.title("What was cut");
    for (const CutKept& cut : card_.cuts) {
      flow_.pair(cut.title + ", " + cut.film.name + ", " + dateText(cut.at),
                 areaText(cut.film.area, card_.unit));
    }
  }

  void cost() {
    flow_.title("What it cost");
    flow_.pair("Materials", moneyText(card_.cost.materials));
    flow_.pair("Work", moneyText(card_.cost.time));
    if (card_.cost.share > Money()) {
      flow_.pair("Share of what else there is", moneyText(card_.cost.share));
    }
    flow_.pair("All", moneyText(card_.cost.total));
    if (card_.cost.unknown > 0) {
      flow_.say("Without " + std::to_string(card_.cost.unknown) + " that have no price.");
    }
    if (card_.entry.notes.price) flow_.pair("Sold for", moneyText(*card_.entry.notes.price));
  }

  void steps() {
    if (card_.steps.empty()) return;
    flow_.title("What was done");
    constexpr double margin = PdfFlow::margin;
    constexpr double lineHeight = PdfFlow::lineHeight;
    constexpr double wordsAt = margin + 34;
    PdfPages& pages = flow_.pages();
    for (const LoggedStep& step : card_.steps) {
      const std::vector<std::string> lines =
          pages.wrapped(step.words, smallSize, flow_.wide() - margin - wordsAt - 20);
      flow_.turnFor(lineHeight * static_cast<double>(lines.size()));
      double at = flow_.at();
      pages.text(dayText(step.at) + ", " + clockText(step.at), margin, at, smallSize);
      const std::string took = timeText(step.took);
      pages.text(took, flow_.wide() - margin - pages.lengthOf(took, smallSize), at, smallSize);
      for (const std::string& line : lines) {
        pages.text(line, wordsAt, at, smallSize);
        at += 0.85 * lineHeight;
      }
      flow_.setAt(at + 0.2 * lineHeight);
    }
  }

  const RecordCard& card_;
  PdfFlow flow_;
};

}  // namespace

std::string recordCardPdf(const RecordCard& card, Paper paper) {
  std::string bytes;
  const bool whole = Card(card, paper, bytes).print();
  return whole ? bytes : std::string();
}

std::string priceTagPdf(const LogEntry& entry, Money price) {
  constexpr double wide = 60;
  constexpr double tall = 40;
  constexpr double inside = 4;
  std::string bytes;
  bool whole = false;
  {
    PdfPages page(bytes, Length::mm(wide), Length::mm(tall), entry.name);
    page.box(1, 1, wide - 2, tall - 2);
    constexpr double name = 5;
    constexpr double money = 9;
    page.text(page.fitted(entry.name, name, wide - 2 * inside), inside, inside + name, name);
    double at = inside + name + 5;
    std::size_t lines = 0;
    for (const std::string& line : page.wrapped(entry.made, smallSize, wide - 2 * inside)) {
      constexpr std::size_t most = 3;
      if (++lines > most) break;
      page.text(line, inside, at, smallSize);
      at += 3.7;
    }
    const std::string much = moneyText(price);
    page.text(much, wide - inside - page.lengthOf(much, money), tall - inside - 1, money);
    whole = page.finish();
  }
  return whole ? bytes : std::string();
}

std::string labelCode(const char* kind, long long key) {
  return std::string("AVRELT-") + kind + "-" + std::to_string(key);
}

std::string labelsPdf(const std::vector<ShopLabel>& labels, Paper paper) {
  constexpr double wide = 50;
  constexpr double tall = 25;
  constexpr double edge = 12;
  const double pageWide = sizeOf(paper).width.mm();
  const double pageTall = sizeOf(paper).height.mm();
  const auto across = static_cast<std::size_t>(std::floor((pageWide - 2 * edge) / wide));
  const auto down = static_cast<std::size_t>(std::floor((pageTall - 2 * edge) / tall));
  std::string bytes;
  bool whole = false;
  {
    PdfPages pages(bytes, Length::mm(pageWide), Length::mm(pageTall), "Labels");
    for (std::size_t i = 0; i < labels.size(); ++i) {
      const std::size_t place = i % (across * down);
      if (i > 0 && place == 0) pages.turn();
      const std::size_t row = place / across;
      const double x = edge + wide * static_cast<double>(place % across);
      const double y = edge + tall * static_cast<double>(row);
      pages.box(x, y, wide, tall);
      const std::vector<std::vector<bool>> code = qrCode(labels[i].code);
      // With the quiet zone a reader wants, four squares all round.
      const double side = (tall - 2) / (static_cast<double>(code.size()) + 8);
      for (std::size_t line = 0; line < code.size(); ++line) {
        for (std::size_t column = 0; column < code.size(); ++column) {
          if (!code[line][column]) continue;
          pages.filled(x + 1 + side * (4 + static_cast<double>(column)),
                       y + 1 + side * (4 + static_cast<double>(line)), side, side);
        }
      }
      const double from = x + tall;
      const double room = wide - tall - 1.5;
      double at = y + 5.5;
      for (const std::string& words : pages.wrapped(labels[i].title, textSize, room)) {
        if (at > y + 12) break;
        pages.text(pages.fitted(words, textSize, room), from, at, textSize);
        at += 4.2;
      }
      constexpr double tiny = 2.3;
      for (const std::string& line : pages.wrapped(labels[i].words, tiny, room)) {
        if (at > y + tall - 4) break;
        pages.text(pages.fitted(line, tiny, room), from, at, tiny);
        at += 2.9;
      }
      pages.text(labels[i].code, from, y + tall - 1.8, 1.9);
    }
    whole = pages.finish();
  }
  return whole ? bytes : std::string();
}

}  // namespace avrelt
