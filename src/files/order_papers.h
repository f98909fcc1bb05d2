// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "bench/civil_time.h"
#include "files/bench_files.h"
#include "job/plan.h"
#include "measure/money.h"

namespace avrelt {

/// What is said of a cup on the papers of its order besides its plan.
struct PaperCup {
  std::string made;  ///< with: colours, glitters, coats, in words
  std::string whom;  ///< it is for

  friend bool operator==(const PaperCup&, const PaperCup&) = default;
};

/// An order on a few pages, to lie on the bench and to go with the cups: of each cup, in the plan's
/// order, what it is for and made with, its sizes bare and as its parts are cut, what is to be cut
/// with a box to tick, how much work it is, and its warnings. `cups` has one for each of the
/// plan's. The same arguments give the same bytes; empty where the page cannot be drawn.
std::string orderSheetPdf(const Plan& plan, const std::string& order,
                          const std::vector<PaperCup>& cups, Paper paper, const InWords& words);

/// All that is cut, film by film, of every cup: what, how large, how many, with a box that is
/// ticked where it is cut. Paper parts last.
std::string cutListPdf(const Plan& plan, const std::string& order, Paper paper,
                       const InWords& words);

/// What is offered to whoever asked for an order.
struct Quote {
  struct Line {
    std::string name;
    std::string made;
    Money price;
  };

  std::string order;
  std::string whom;
  CivilTime day;
  CivilTime until;  ///< the last day it holds
  std::vector<Line> lines;
  std::string notes;  ///< the maker's own words, below

  Money total() const;
};
std::string quotePdf(const Quote& quote, Paper paper, const InWords& words);

}  // namespace avrelt
