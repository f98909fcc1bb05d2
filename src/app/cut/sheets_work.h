// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <functional>
#include <future>
#include <memory>
#include <mutex>
#include <optional>
#include <QObject>
#include <QTimer>
#include <set>

#include "app/order/order.h"
#include "app/order/shelf.h"
#include "files/sheet_files.h"

namespace avrelt {

/// The order's parts on sheets while they are looked at: laid beside the window whenever order,
/// shelf or choices change, denser while it is searched, and moved by hand.
class SheetsWork : public QObject {
  Q_OBJECT

 public:
  SheetsWork(Order& order, Shelf& shelf, QObject* parent = nullptr);
  ~SheetsWork() override;

  /// The newest; none before the first, and where it is refused.
  const std::shared_ptr<const SheetPlan>& sheets() const { return sheets_; }
  /// Why there is none, by the field of a choice ("sheet.wide") or of the order.
  const Faults& faults() const { return faults_; }
  const FilmShelf& films() const { return films_; }
  const Cutter& cutter() const { return cutter_; }
  const SheetChoices& choices() const { return choices_; }
  Unit unit() const { return order_.unit(); }
  /// Whether parts are being laid just now.
  bool working() const { return laying_.valid(); }
  /// Whether what is laid is of the order, the shelf and the choices as they are now.
  bool holds() const { return sheets_ != nullptr && !stale_ && !working(); }

  /// What is wanted of the sheets is asked for only while somebody looks.
  void setSeen(bool seen);
  /// Keeps a choice for the next time, apart for who works in inches, and lays anew soon.
  void set(Member member, Length to);
  Length choice(Member member) const;
  void take(const FilmWanted& wanted, long long film);
  bool set(const Cutter& cutter);
  bool set(const Printer& printer);
  /// Lays all anew and waits for it, up to a minute.
  void layNow();

  /// Tries other ways, until `stop`, or `mostTries` for each film; better ones show as they come.
  void search();
  void stop();
  bool searching() const { return search_ != nullptr; }
  long tries() const;
  static constexpr long mostTries = 300;
  /// How much less film is taken now than when the search began, as a share.
  double saved() const;

  /// A part laid elsewhere, which the order then keeps; whether it may lie there. Not while what is
  /// laid is of an order that has changed since.
  bool move(std::size_t film, std::size_t laid, const Laid& to);
  bool isKept(std::size_t film, const Laid& laid) const;
  /// Whether it lies as its print does, and is not moved by itself.
  bool isAlike(std::size_t film, const Laid& laid) const;
  /// Whether a part's cup keeps no more parts as laid by hand.
  bool isFull(std::size_t film, const Laid& laid) const;
  /// A part laid on another sheet of its film, where it finds room; whether it does.
  bool send(std::size_t film, std::size_t laid, std::size_t sheet);
  /// Whether anything was laid by hand; and lays that with all others again.
  bool anyByHand() const;
  void release();
  bool weeding() const { return choices_.weeding; }
  void setWeeding(bool on);
  bool stacking() const { return choices_.stack; }
  void setStacking(bool on);
  bool likening() const { return choices_.alike; }
  void setLikening(bool on);
  void setTogether(Together together);

 signals:
  void changed();
  void progressed();

 private:
  struct Search;
  using Result = CheckedAll<SheetPlan>;

  static Length& lengthOf(SheetChoices& choices, Member member);
  void readChoices();
  void later();
  void orderChanged();
  void dropSheets();
  void start();
  void poll();
  void takeFound();
  using Forgotten = std::vector<std::pair<std::size_t, HandLaid>>;
  void keep(const Forgotten& forgotten, const QString& key);
  void awaitEnding() const;
  void turn(bool SheetChoices::*choice, const char* setting, bool on);
  bool change(std::size_t film, std::size_t laid, const std::function<bool(FilmSheets&)>& change);

  Order& order_;
  Shelf& shelf_;
  SheetChoices choices_;
  Unit choicesFor_ = Unit::inch;
  FilmShelf films_;
  Cutter cutter_;
  /// What was laid last.
  Document document_;
  Stock stock_;
  std::shared_ptr<const SheetPlan> sheets_;
  Faults faults_;
  bool seen_ = false;
  bool stale_ = true;
  QTimer later_;
  QTimer poll_;
  std::future<Result> laying_;
  std::shared_ptr<std::atomic<bool>> dropped_;
  std::shared_ptr<Search> search_;
  /// The one before, which may still be ending an attempt.
  std::shared_ptr<Search> ending_;
  double before_ = 0;
  bool own_ = false;  ///< the order is changed by what is laid here already
};

}  // namespace avrelt
