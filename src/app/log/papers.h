// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <map>
#include <memory>
#include <QObject>
#include <QWidget>

#include "app/log/quote_dialog.h"
#include "app/order/order.h"
#include "app/order/shelf.h"

namespace avrelt {

/// The papers of the order in hand: its order sheet, its cut list, a quote.
class Papers : public QObject {
  Q_OBJECT

 public:
  /// Files are first offered to go into what `folder` says, called as the order is by `name`.
  Papers(Order& order, Shelf& shelf, std::function<CivilTime()> now,
         std::function<QString()> folder, std::function<QString()> name, QWidget* window);

  void saveOrderSheet();
  void saveCutList();
  void makeQuote();
  /// Why not, in words.
  std::optional<QString> saveOrderSheetTo(const QString& path);
  std::optional<QString> saveCutListTo(const QString& path);
  std::optional<QString> saveQuoteTo(const QString& path, const Quote& quote);
  /// The dialog with every cup of the order; why not, in words, where one cannot be planned.
  tl::expected<std::unique_ptr<QuoteDialog>, QString> quoteDialog();
  /// Keeps the prices that were typed, with the cups and in the log.
  void keepPrices(const std::vector<QuoteCup>& cups);

 signals:
  void said(const QString& words);

 private:
  /// Planned beside the window, by what the shop knows.
  tl::expected<std::shared_ptr<const Plan>, QString> plan();
  std::map<std::string, LogNotes> notesByCup();
  void save(const QString& title, const QString& ending,
            const std::function<std::optional<QString>(const QString&)>& write);
  std::optional<QString> write(const QString& path, const std::string& pages);
  InWords words() const;

  Order& order_;
  Shelf& shelf_;
  std::function<CivilTime()> now_;
  std::function<QString()> folder_;
  std::function<QString()> name_;
  QWidget* window_;
};

}  // namespace avrelt
