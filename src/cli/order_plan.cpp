// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/order_plan.h"

#include <filesystem>
#include <iostream>

#include "files/disk.h"
#include "files/disk_calls.h"
#include "files/document_json.h"
#include "files/read_fault.h"
#include "files/where_text.h"

namespace avrelt {
namespace {

std::nullopt_t none(const std::string& sentence) {
  complain(sentence);
  return std::nullopt;
}

}  // namespace

int complain(const std::string& sentence) {
  std::cerr << sentence << '\n';
  return refused;
}

std::optional<std::optional<Shop>> shopFrom(const std::string& file, Unit unit) {
  if (file.empty()) return std::optional<Shop>();
  std::error_code error;
  const auto type = std::filesystem::status(file, error).type();
  if (type == std::filesystem::file_type::not_found) {
    return none("There is no shop at " + file + ". Leave --shop out to plan without.");
  }
  // What cannot even be looked for, in a folder that may not be read or by too long a name.
  if (error) return none(inWords(whyNot(error.value(), file), unit));
  tl::expected<Shop, Sentence> shop = Shop::open(file);
  if (!shop) return none(inWords(shop.error(), unit));
  return std::optional<Shop>(std::move(*shop));
}

std::optional<Plan> planFrom(const PlanOptions& options) {
  const tl::expected<std::string, Sentence> text = readFile(options.file);
  if (!text) return none(inWords(text.error(), Unit::mm));

  const tl::expected<ReadDocument, ReadFaults> read = readDocument(*text);
  if (!read) {
    for (const ReadFault& fault : read.error()) {
      complain(inWords(fault, options.file, Unit::mm));
    }
    return std::nullopt;
  }
  const Unit unit = read->document.units;
  Stock stock;
  std::optional<std::optional<Shop>> opened = shopFrom(options.shop, unit);
  if (!opened) return std::nullopt;
  if (std::optional<Shop>& shop = *opened) {
    const auto records = shop->growthRecords();
    if (!records) return none(inWords(records.error(), unit));
    stock.growth = habitsFrom(*records);
    const auto rates = shop->fillRates();
    if (!rates) return none(inWords(rates.error(), unit));
    stock.filling = *rates;
    const auto methods = shop->methods();
    if (!methods) return none(inWords(methods.error(), unit));
    stock.methods = *methods;
    const auto paces = shop->paces();
    if (!paces) return none(inWords(paces.error(), unit));
    stock.paces = *paces;
  }
  const CheckedAll<Plan> plan = planDocument(read->document, stock);
  if (!plan) {
    for (const Fault& fault : plan.error()) {
      const std::string path = pathOf(fault.where, read->document);
      complain(
          inWords(ReadFault{read->lines.lineOf(path), path, fault.sentence}, options.file, unit));
    }
    return std::nullopt;
  }
  return *plan;
}

}  // namespace avrelt
