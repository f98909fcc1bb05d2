// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <map>
#include <QObject>
#include <QTimer>
#include <set>

#include "app/order/bench_work.h"
#include "app/order/shelf.h"

namespace avrelt {

/// Writes the log by watching the work: steps as they are ticked off and taken back, with what they
/// used; parts as they are cut. What is pretended in a dry run is not written.
class LogKeeper : public QObject {
  Q_OBJECT

 public:
  /// `name` says what the order is called.
  LogKeeper(Order& order, Shelf& shelf, BenchWork& work, std::function<QString()> name,
            QObject* parent = nullptr);

  /// Another order is on the bench: what was done at it before is in the log, or is put there; what
  /// the log knows more of it stays.
  void begin();
  /// Writes what is to be written now.
  void keep();

 signals:
  void said(const QString& words);

 private:
  /// When a step was done, and what was found wrong with it since.
  using Tick = std::pair<CivilTime, std::vector<std::string>>;
  using Ticks = std::map<std::string, Tick>;
  void keepWork(const BenchCup& bench, std::size_t index, Logbook& log);
  void keepCuts(std::size_t index, Logbook& log);
  LogKey keyOf(const Cup& cup) const;
  bool write(const BenchCup& bench, std::size_t index, Logbook& log,
             const std::vector<LoggedStep>& steps);

  Order& order_;
  Shelf& shelf_;
  BenchWork& work_;
  std::function<QString()> name_;
  QTimer later_;
  bool keeping_ = false;
  bool told_ = false;                   ///< that nothing can be logged
  std::map<std::string, Ticks> ticks_;  ///< by cup, as they are in the log
  std::map<std::string, std::vector<CutRecord>> cuts_;
};

/// What a cup is made with, in words to be searched: coats, finishes, artworks.
std::string madeWith(const CupPlan& plan);

}  // namespace avrelt
