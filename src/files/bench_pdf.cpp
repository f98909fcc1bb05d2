// SPDX-License-Identifier: GPL-3.0-or-later
#include <set>
#include <vector>

#include "bench/step_words.h"
#include "files/bench_files.h"
#include "files/pdf_pages.h"
#include "sheet/paper.h"

namespace avrelt {
namespace {

constexpr double margin = 15;
constexpr double textSize = 3.5;
constexpr double smallSize = 2.9;
constexpr double headSize = 5;
constexpr double lineHeight = 4.7;
constexpr double cupAt = 40;
constexpr double wordsAt = 72;

class BenchPages {
 public:
  BenchPages(const BenchPlan& plan, const std::string& order, Paper paper, const InWords& words,
             std::string& bytes)
      : plan_(plan),
        order_(order),
        words_(words),
        pages_(bytes, sizeOf(paper).width, sizeOf(paper).height, order),
        wide_(sizeOf(paper).width.mm()),
        tall_(sizeOf(paper).height.mm()) {}

  bool print() {
    begin();
    std::string day;
    for (const ScheduledTask& task : plan_.schedule->tasks) {
      const CivilTime start = plan_.at(task.start);
      const Step& step = plan_.stepOf(task);
      std::vector<std::string> lines = pages_.wrapped(words_(step.words), textSize, room());
      std::vector<std::string> small;
      const auto more = [&](const std::string& text) {
        for (std::string& line : pages_.wrapped(text, smallSize, room()))
          small.push_back(std::move(line));
      };
      for (const Sentence& detail : detailsOf(step)) more(words_(detail));
      // Once over all cups: they are told at every cup's own first step.
      for (const Caution caution : step.cautions) {
        if (told_.insert(caution).second) more(words_(cautionWords(caution)));
      }
      if (!step.note.empty()) more(step.note);
      const bool newDay = dayText(start) != day;
      const double needs = lineHeight * static_cast<double>(lines.size() + small.size()) + 1.6 +
                           (newDay ? 3 * lineHeight : 0);
      if (at_ + needs > tall_ - margin) turn();
      if (newDay) {
        day = dayText(start);
        at_ += lineHeight;
        text(day, margin, headSize);
        at_ += 1.6 * lineHeight;
      }
      box();
      text(clockText(start), margin + 6, textSize);
      text(pages_.fitted(plan_.cups[task.chain].name, textSize, wordsAt - cupAt - 2), cupAt,
           textSize);
      for (const std::string& line : lines) {
        text(line, wordsAt, textSize);
        at_ += lineHeight;
      }
      for (const std::string& line : small) {
        text(line, wordsAt, smallSize);
        at_ += lineHeight;
      }
      at_ += 1.6;
    }
    return pages_.finish();
  }

 private:
  void text(const std::string& words, double x, double size) { pages_.text(words, x, at_, size); }
  double room() const { return wide_ - margin - wordsAt; }

  void box() {
    constexpr double side = 3;
    pages_.box(margin, at_ - side + 0.3, side, side);
  }

  void begin() {
    ++page_;
    at_ = margin + 2;
    text(order_, margin, headSize);
    const std::string number = std::to_string(page_);
    text(number, wide_ - margin - pages_.lengthOf(number, textSize), textSize);
    at_ += lineHeight;
    if (page_ == 1) {
      const CivilTime ends = plan_.at(plan_.schedule->ends);
      text(words_({"Done %1, %2. What makers’ data sheets say goes first.",
                   {dayText(ends), clockText(ends)}}),
           margin, smallSize);
    }
    at_ += lineHeight;
  }

  void turn() {
    pages_.turn();
    begin();
  }

  const BenchPlan& plan_;
  const std::string& order_;
  const InWords& words_;
  PdfPages pages_;
  double wide_;
  double tall_;
  std::set<Caution> told_;
  double at_ = 0;
  int page_ = 0;
};

}  // namespace

std::string benchPdf(const BenchPlan& plan, const std::string& order, Paper paper,
                     const InWords& words) {
  if (!plan.schedule) return {};
  std::string bytes;
  const bool whole = BenchPages(plan, order, paper, words, bytes).print();
  return whole ? bytes : std::string();
}

}  // namespace avrelt
