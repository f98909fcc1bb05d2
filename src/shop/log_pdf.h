// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <string>
#include <vector>

#include "log/cost.h"
#include "sheet/paper.h"
#include "shop/logbook.h"

namespace avrelt {

/// What a record card tells of a cup.
struct RecordCard {
  LogEntry entry;
  std::vector<LoggedStep> steps;
  std::map<std::string, Amount> used;  ///< by the supply's name
  std::vector<CutKept> cuts;
  CupCost cost;
  std::string photo;  ///< a JPEG file's bytes; empty for none
  Unit unit = Unit::mm;
};

/// The card as pages; the same card gives the same bytes.
std::string recordCardPdf(const RecordCard& card, Paper paper);

/// A tag of 60 × 40 mm with a cup's name, for whom, what it is made with, and its price.
std::string priceTagPdf(const LogEntry& entry, Money price);

/// Something in the shop that is found again by a code: a blank, some film.
struct ShopLabel {
  std::string code;   ///< as `labelCode` has it
  std::string title;  ///< in words below it
  std::string words;
};
/// "AVRELT-BLANK-12": what a label's QR code says, and may be typed.
std::string labelCode(const char* kind, long long key);
/// Labels of 50 × 25 mm on pages, each with its QR code.
std::string labelsPdf(const std::vector<ShopLabel>& labels, Paper paper);

}  // namespace avrelt
