// SPDX-License-Identifier: GPL-3.0-or-later
#include <set>
#include <sstream>
#include <vector>

#include "files/bench_files.h"
#include "files/pdf_page.h"
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
        wide_(sizeOf(paper).width.mm()),
        tall_(sizeOf(paper).height.mm()),
        surface_(pdfSurface(bytes, wide_, tall_, order)),
        context_(cairo_create(surface_)) {
    cairo_set_font_face(context_, PdfFace::shipped().cairo());
    cairo_scale(context_, pointsPerMm, pointsPerMm);
  }
  BenchPages(const BenchPages&) = delete;
  BenchPages& operator=(const BenchPages&) = delete;
  ~BenchPages() {
    cairo_destroy(context_);
    cairo_surface_destroy(surface_);
  }

  bool print() {
    begin();
    std::string day;
    for (const ScheduledTask& task : plan_.schedule->tasks) {
      const CivilTime start = plan_.at(task.start);
      const Step& step = plan_.stepOf(task);
      std::vector<std::string> lines = wrapped(words_(step.words), textSize, room());
      std::vector<std::string> small;
      const auto more = [&](const std::string& text) {
        for (std::string& line : wrapped(text, smallSize, room())) small.push_back(std::move(line));
      };
      if (!step.mix.empty()) more(mixText(step.mix));
      if (step.wait.least > Duration())
        more("Then wait at least " + timeText(step.wait.least) + ".");
      if (step.wait.most) more("Go on within " + timeText(*step.wait.most) + ".");
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
      text(fitted(plan_.cups[task.chain].name, wordsAt - cupAt - 2), cupAt, textSize);
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
    cairo_show_page(context_);
    cairo_surface_finish(surface_);
    return cairo_status(context_) == CAIRO_STATUS_SUCCESS &&
           cairo_surface_status(surface_) == CAIRO_STATUS_SUCCESS;
  }

 private:
  double room() const { return wide_ - margin - wordsAt; }

  double lengthOf(const std::string& words, double size) const {
    cairo_set_font_size(context_, size);
    cairo_text_extents_t extents;
    cairo_text_extents(context_, words.c_str(), &extents);
    return extents.x_advance;
  }

  std::vector<std::string> wrapped(const std::string& words, double size, double most) const {
    std::vector<std::string> lines;
    std::istringstream stream(words);
    std::string line;
    for (std::string word; stream >> word;) {
      std::string longer = line;
      longer.append(line.empty() ? "" : " ").append(word);
      if (!line.empty() && lengthOf(longer, size) > most) {
        lines.push_back(line);
        line = word;
      } else {
        line = std::move(longer);
      }
    }
    if (!line.empty()) lines.push_back(line);
    return lines;
  }

  /// As much of a name as there is room for; no letter is parted.
  std::string fitted(std::string name, double most) const {
    if (lengthOf(name, textSize) <= most) return name;
    while (!name.empty() && lengthOf(name + "…", textSize) > most) {
      do {
        const unsigned char last = static_cast<unsigned char>(name.back());
        name.pop_back();
        if ((last & 0xC0U) != 0x80U) break;
      } while (!name.empty());
    }
    return name + "…";
  }

  void text(const std::string& words, double x, double size) {
    cairo_set_source_rgb(context_, 0x22 / 255.0, 0x26 / 255.0, 0x2A / 255.0);
    cairo_set_font_size(context_, size);
    cairo_move_to(context_, x, at_);
    cairo_show_text(context_, words.c_str());
  }

  void box() {
    constexpr double side = 3;
    cairo_set_line_width(context_, 0.25);
    cairo_rectangle(context_, margin, at_ - side + 0.3, side, side);
    cairo_stroke(context_);
  }

  void begin() {
    ++page_;
    at_ = margin + 2;
    text(order_, margin, headSize);
    const std::string number = std::to_string(page_);
    text(number, wide_ - margin - lengthOf(number, textSize), textSize);
    at_ += lineHeight;
    if (page_ == 1) {
      text("Done " + dayText(plan_.at(plan_.schedule->ends)) + ", " +
               clockText(plan_.at(plan_.schedule->ends)) +
               ". What makers’ data sheets say goes first.",
           margin, smallSize);
    }
    at_ += lineHeight;
  }

  void turn() {
    cairo_show_page(context_);
    begin();
  }

  const BenchPlan& plan_;
  const std::string& order_;
  const InWords& words_;
  double wide_;
  double tall_;
  cairo_surface_t* surface_;
  cairo_t* context_;
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
