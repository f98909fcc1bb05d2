// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <chrono>
#include <functional>
#include <memory>
#include <optional>
#include <QMap>
#include <QObject>
#include <QString>
#include <QTimer>
#include <QUndoStack>
#include <vector>

#include "app/order/in_hand.h"
#include "app/order/planned_cups.h"
#include "app/order/snapshot.h"

namespace avrelt {

/// The order on the bench: its document, what the plan makes of it (`PlannedCups`), the history of
/// changes, and which cup and what of it is in hand (`InHand`). Views and stations read it and
/// change it only through `edit`, so that every change can be undone and is planned at once: beside
/// the window, which waits for the plan as long as its patience goes and otherwise shows it when it
/// comes.
class Order : public QObject {
  Q_OBJECT

 public:
  explicit Order(QObject* parent = nullptr);

  const Document& document() const { return document_; }
  Unit unit() const { return document_.units; }

  bool hasCup() const { return current_ >= 0; }
  int currentIndex() const { return current_; }
  const Cup& currentCup() const { return document_.cups.at(static_cast<std::size_t>(current_)); }

  /// The newest plan that could be made of the cup; none before the first.
  const CupPlan* plan() const { return plan(current_); }
  const CupPlan* plan(int index) const { return planned_.newest(index); }
  /// The cup that plan is of: while the present one is refused, an earlier one. Who draws the plan
  /// looks up there what it refers to, never in `currentCup()`. Only where there is a plan.
  const Cup& drawnCup() const;
  /// Whether that plan is of the cup as it stands now, or of the step before in a drag that it
  /// keeps up with. If not, draw it greyed.
  bool planHolds() const;
  /// Whether the plan of the cup as it stands now is still being made.
  bool working() const { return planned_.working(current_); }
  /// The plan of the cup as it stands now, waited for where it is still being made; none where the
  /// cup is refused or something is being typed. For a change that builds on it.
  const CupPlan* presentPlan();
  /// What keeps the present cup from being planned, fields counted from the cup; then what is being
  /// typed and makes no sense yet.
  Faults faults() const;

  /// As `PlannedCups::setPatience`.
  void setPatience(std::optional<std::chrono::milliseconds> patience) {
    planned_.setPatience(patience);
  }
  void setPatience(std::chrono::milliseconds patience, std::chrono::milliseconds quick) {
    planned_.setPatience(patience, quick);
  }

  /// What the shop knows; every cup is planned anew with it.
  const Stock& stock() const { return planned_.stock(); }
  void setStock(const Stock& stock);

  GaugeLine gaugeLine() const { return inHand_.gaugeLine; }
  void pick(GaugeLine gaugeLine);

  /// The id of the zone in hand; where there is no such zone, the first is.
  const std::string& zone() const { return inHand_.zone; }
  void pickZone(const std::string& zone);
  /// The part at a way through the tree of cuts.
  void pickPart(const ZonePath& way);
  /// The cut line in hand by its number; empty for none.
  const std::string& line() const { return inHand_.line; }
  void pickLine(const std::string& line);
  /// The number of the tape move being looked at; 0 for none.
  int move() const { return inHand_.move; }
  /// The colour whose cells are being lifted; −1 for none.
  int peel() const { return inHand_.peel; }
  void pickPeel(int colour);
  /// The ids of the artwork, the set and the layer in hand, as they were picked.
  const std::string& art() const { return inHand_.art; }
  void pickArt(const std::string& art);
  const std::string& set() const { return inHand_.set; }
  void pickSet(const std::string& set);
  const std::string& layer() const { return inHand_.layer; }
  void pickLayer(const std::string& layer);
  const std::string& place() const { return inHand_.place; }
  void pickPlace(const std::string& place);
  const std::string& row() const { return inHand_.row; }
  void pickRow(const std::string& row);
  const std::string& scatter() const { return inHand_.scatter; }
  void pickScatter(const std::string& scatter);
  void pickMove(int move);
  /// The id of the stack's outermost item that is shown; empty where nothing is peeled back.
  const std::string& outermost() const { return inHand_.outermost; }
  void peelTo(const std::string& item);

  QUndoStack* history() { return &history_; }

  /// Starts over with another document; the history goes.
  void load(const Document& document);

  /// Makes a change that can be undone under the name `text`. Changes with the same key that
  /// follow each other, a drag, or one number being typed, count as one until `settle()`. False
  /// where the order would be too large, which is said.
  bool edit(const QString& text, const std::function<void(Document&)>& change,
            const QString& key = {});
  /// The same for the cup in hand.
  bool editCup(const QString& text, const std::function<void(Cup&)>& change,
               const QString& key = {});
  void settle() { ++epoch_; }

  void choose(int index);
  bool addCup();
  bool copyCup();
  void removeCup();
  void moveCup(int from, int to);
  /// Refused in words where the name will not do.
  std::optional<Sentence> renameCup(int index, const QString& name);
  void setUnit(Unit unit);
  /// Notes the girths the wrap is cut for, or takes the note back.
  void markCut(const PartEntry& entry, bool cut);
  /// Ticks off parts of several cups at once, by the plan they were laid by.
  void markCut(const Plan& plan, const std::vector<CupEntry>& entries);

  /// A line's measure, and a new one for it: what dragging and nudging work through.
  std::optional<Length> measureOf(GaugeLine gaugeLine) const;
  void setMeasure(GaugeLine gaugeLine, Length length);
  /// By so many graduations of the tape.
  void nudge(GaugeLine gaugeLine, int marks);

  /// Something typed that is no length yet; an empty sentence takes it back. Views grey the plan.
  void setTyping(const Where& where, const std::optional<Sentence>& fault);

 signals:
  /// A change was not made, and why.
  void refused(const Sentence& sentence);
  /// The document changed, or which cup is in hand: everything shown is to be shown anew.
  void changed();
  /// Another cup is in hand: what was being typed for the one before is no longer meant.
  void cupTaken();
  void gaugeLinePicked();

 private:
  friend class DocumentChange;
  void put(const Snapshot& snapshot, bool goesOn = false);
  bool push(const QString& text, Document next, int current, const QString& key = {});
  void planAgain(bool goesOn = false);
  /// Takes something else in hand and says so; whether it was something else.
  template <typename Thing>
  bool take(Thing InHand::*which, const Thing& thing);
  void takeArrived();

  Document document_;
  Snapshot now_;  ///< the same, as the history keeps it
  int current_ = -1;
  InHand inHand_;
  PlannedCups planned_;
  QTimer arrivals_;
  std::map<Where, Sentence> typing_;
  QUndoStack history_;
  int epoch_ = 0;
  QString lastKey_;  ///< of the newest change
  int lastEpoch_ = 0;
};

/// The field of a cup that a line stands for.
Member memberOf(GaugeLine gaugeLine);
/// The key under which changes of one field after the other are one step back.
QString keyOf(Member member);
/// "rim clearance": a line in the middle of a sentence.
QString nameOf(GaugeLine gaugeLine);

}  // namespace avrelt
