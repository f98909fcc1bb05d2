// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <QObject>
#include <QTimer>

#include "app/order/bench_work.h"
#include "app/order/shelf.h"
#include "log/cost.h"
#include "log/learning.h"

namespace avrelt {

/// What the station Log shows: the cups found, the one picked and all that is known of it, the
/// supplies and how they stand, the figures the shop has learnt, and what came of each month. Read
/// from the shop when it is looked at.
class LogBoard : public QObject {
  Q_OBJECT

 public:
  LogBoard(Order& order, Shelf& shelf, BenchWork& work, QObject* parent = nullptr);

  Order& order() { return order_; }
  Shelf& shelf() { return shelf_; }
  Unit unit() const { return order_.unit(); }
  CivilTime now() { return work_.clock().now(); }
  const BenchPlan& bench() const { return work_.plan(); }

  void setSeen(bool seen);
  /// Reads all of it again.
  void read();

  enum class Which { all, underWay, finished };
  void find(const QString& wanted, Which which);
  const std::vector<LogEntry>& entries() const { return entries_; }
  const LogEntry* picked() const;
  void pick(const std::optional<LogKey>& key);
  const std::vector<LoggedStep>& steps() const { return steps_; }
  const std::vector<CutKept>& cuts() const { return cuts_; }
  const std::vector<LogPhoto>& photos() const { return photos_; }
  const CupCost& cost() const { return cost_; }
  /// All that is known of a cup, besides the one picked.
  struct Facts {
    LogEntry entry;
    std::vector<LoggedStep> steps;
    std::vector<CutKept> cuts;
    CupCost cost;
  };
  Facts factsOf(const LogEntry& entry);
  bool note(const LogNotes& notes);
  /// The order of the picked cup as it was; why not, in words.
  tl::expected<Document, QString> pastOrder();

  struct SupplyLine {
    const Supply* supply = nullptr;
    SupplyLevel level;
  };
  /// Those that are there, by name.
  const std::vector<SupplyLine>& supplies() const { return supplies_; }
  const SupplyLine* pickedSupply() const;
  void pickSupply(const std::string& id);

  const std::vector<LearntFigure>& figures() const { return figures_; }
  const LearntFigure* pickedFigure() const;
  void pickFigure(std::size_t which);
  std::size_t figureIndex() const { return figure_; }
  void leaveOut(std::size_t observation, bool out);
  bool growthIsOwn() const { return growthIsOwn_; }
  /// Reckons with what was learnt from now on, or with what is usual again.
  bool useFigure(const LearntFigure& figure, bool usual);

  struct Month {
    CivilTime from;
    int cups = 0;
    Money cost;
    Money price;
    int sold = 0;     ///< those with a price
    int unknown = 0;  ///< those whose cost is not wholly known
  };
  /// Of the cups that were finished, the newest first.
  const std::vector<Month>& months();
  MoneyRules rules() { return shelf_.moneyRules(); }
  bool put(const MoneyRules& rules);

 signals:
  void changed();
  void said(const QString& words);

 private:
  void later();
  void readEntries();
  void readPicked();
  void readSupplies();
  void readFigures();
  void readMonths();

  Order& order_;
  Shelf& shelf_;
  BenchWork& work_;
  bool seen_ = false;
  QTimer later_;
  QString wanted_;
  Which which_ = Which::all;
  std::vector<LogEntry> entries_;
  std::optional<LogKey> picked_;
  std::vector<LoggedStep> steps_;
  std::vector<CutKept> cuts_;
  std::vector<LogPhoto> photos_;
  CupCost cost_;
  SupplyShelf shelfNow_;
  std::vector<SupplyLine> supplies_;
  std::string supply_;
  std::vector<LearntFigure> figures_;
  std::size_t figure_ = 0;
  bool growthIsOwn_ = true;
  std::optional<std::vector<Month>> months_;
};

/// "2.5 h": how long something took, to be summed up.
QString hoursWords(Duration duration);
QString supplyKindWords(SupplyKind kind);
/// "Glitter for a cm²": what a figure is of.
QString figureWords(const LearnableFigure& figure);
/// "0.031 g", "1.24 times the usual".
QString figureText(const LearnableFigure& figure, double value);

}  // namespace avrelt
