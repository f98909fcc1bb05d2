// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/order.h"

#include <algorithm>
#include <QCryptographicHash>
#include <utility>

#include "app/order/document_change.h"
#include "app/order/phrases.h"
#include "files/document_json.h"
#include "job/ids.h"

namespace avrelt {

namespace {

/// Steps that can be undone: more than a day's work, and no more than memory bears.
constexpr int mostSteps = 1000;

}  // namespace

Order::Order(QObject* parent) : QObject(parent) {
  history_.setUndoLimit(mostSteps);
  connect(&arrivals_, &QTimer::timeout, this, &Order::takeArrived);
}

const Cup& Order::drawnCup() const {
  return *plan()->of;
}

bool Order::planHolds() const {
  return typing_.empty() && planned_.keepsUp(current_);
}

const CupPlan* Order::presentPlan() {
  if (working()) {
    planned_.await(current_);
    emit changed();
  }
  return typing_.empty() && planned_.holds(current_) ? plan() : nullptr;
}

Faults Order::faults() const {
  Faults faults = planned_.faults(current_);
  for (const auto& [where, sentence] : typing_) faults.push_back({where, sentence});
  return faults;
}

void Order::setStock(const Stock& stock) {
  if (stock == planned_.stock()) return;
  planned_.setStock(stock);
  planAgain();
  emit changed();
}

template <typename Thing>
bool Order::take(Thing InHand::*which, const Thing& thing) {
  if (inHand_.*which == thing) return false;
  inHand_.*which = thing;
  emit gaugeLinePicked();
  return true;
}

void Order::pick(GaugeLine gaugeLine) {
  take(&InHand::gaugeLine, gaugeLine);
}

void Order::pickZone(const std::string& zone) {
  if (zone == inHand_.zone) return;
  settle();
  take(&InHand::zone, zone);
}

void Order::pickPart(const ZonePath& way) {
  if (!hasCup()) return;
  if (const std::optional<std::string> id = idAt(currentCup().division.body, way)) pickZone(*id);
}

void Order::pickPeel(int colour) {
  take(&InHand::peel, colour);
}

void Order::pickArt(const std::string& art) {
  take(&InHand::art, art);
}

void Order::pickSet(const std::string& set) {
  // Its artwork comes along; a row or scatter of others does not stay.
  if (hasCup() && set != inHand_.set) {
    const auto letGoOf = [&](std::string& which, const auto& all) {
      for (const auto& one : all) {
        const bool its = std::find(one.sets.begin(), one.sets.end(), set) != one.sets.end();
        if (one.id == which && !its) which.clear();
      }
    };
    letGoOf(inHand_.row, currentCup().rows);
    letGoOf(inHand_.scatter, currentCup().scatters);
  }
  if (hasCup()) {
    for (const DecalSet& one : currentCup().sets) {
      if (one.id == set) inHand_.art = one.artwork;
    }
  }
  if (!take(&InHand::set, set)) emit gaugeLinePicked();
}

void Order::pickLayer(const std::string& layer) {
  take(&InHand::layer, layer);
}

void Order::pickPlace(const std::string& place) {
  take(&InHand::place, place);
}

void Order::pickRow(const std::string& row) {
  take(&InHand::row, row);
}

void Order::pickScatter(const std::string& scatter) {
  take(&InHand::scatter, scatter);
}

void Order::peelTo(const std::string& item) {
  take(&InHand::outermost, item);
}

void Order::pickMove(int move) {
  take(&InHand::move, move);
}

void Order::pickLine(const std::string& line) {
  take(&InHand::line, line);
}

void Order::load(const Document& document) {
  history_.clear();
  planned_.clear();
  current_ = -1;
  inHand_ = {};
  Document named = document;
  for (Cup& cup : named.cups) giveIds(cup);
  giveCupIds(named);
  // What was kept without an id is known by what it holds, until it is saved with one.
  if (named.id.empty()) {
    const std::string text = writeDocument(named);
    constexpr int letters = 16;
    named.id = "o-" + QCryptographicHash::hash({text.data(), static_cast<qsizetype>(text.size())},
                                               QCryptographicHash::Sha256)
                          .toHex()
                          .left(letters)
                          .toStdString();
  }
  put(Snapshot(named, named.cups.empty() ? -1 : 0, {}));
}

void Order::put(const Snapshot& snapshot, bool goesOn) {
  const std::string cup = hasCup() ? currentCup().id : std::string();
  now_ = snapshot;
  document_ = snapshot.document();
  const int count = static_cast<int>(document_.cups.size());
  const int before =
      std::exchange(current_, count == 0 ? -1 : std::clamp(snapshot.current(), 0, count - 1));
  const bool same = before == current_ && cup == (hasCup() ? currentCup().id : std::string());
  planAgain(goesOn && same);
  if (!same) {
    typing_.clear();
    inHand_.letGo();
    emit cupTaken();
  }
  emit changed();
}

void Order::planAgain(bool goesOn) {
  const bool all = planned_.plan(now_.cups(), document_.units, current_, goesOn);
  // A step that is drawn one behind is drawn by the next one, or where the hand rests.
  constexpr int often = 10;
  constexpr int rest = 40;
  if (!all) arrivals_.start(planned_.keepsUp(current_) ? rest : often);
}

void Order::takeArrived() {
  const PlannedCups::Arrived arrived = planned_.takeArrived();
  if (arrived.all) arrivals_.stop();
  if (arrived.any) emit changed();
}

bool Order::edit(const QString& text, const std::function<void(Document&)>& change,
                 const QString& key) {
  Document next = document_;
  change(next);
  return next == document_ || push(text, next, current_, key);
}

bool Order::push(const QString& text, Document next, int current, const QString& key) {
  for (Cup& cup : next.cups) giveIds(cup);
  giveCupIds(next);
  referToAll(next);
  if (const std::optional<Sentence> fault = sizeFault(next)) {
    emit refused(*fault);
    return false;
  }
  now_.choose(current_);
  const bool goesOn = !key.isEmpty() && key == lastKey_ && epoch_ == lastEpoch_;
  lastKey_ = key;
  lastEpoch_ = epoch_;
  history_.push(
      new DocumentChange(*this, text, now_, Snapshot(next, current, now_), key, epoch_, goesOn));
  return true;
}

bool Order::editCup(const QString& text, const std::function<void(Cup&)>& change,
                    const QString& key) {
  if (!hasCup()) return false;
  const auto index = static_cast<std::size_t>(current_);
  return edit(
      text, [&](Document& document) { change(document.cups[index]); },
      key.isEmpty() ? key : key + QString::number(current_));
}

void Order::choose(int index) {
  if (index == current_ || index < 0 || index >= static_cast<int>(document_.cups.size())) return;
  current_ = index;
  typing_.clear();
  inHand_.letGo();
  settle();
  emit cupTaken();
  emit changed();
}

bool Order::addCup() {
  const std::string name =
      freeName(document_, tr("Cup %1").arg(document_.cups.size() + 1).toStdString());
  Document next = document_;
  next.cups.push_back(newCup(name, document_.units));
  return push(tr("Add cup"), next, static_cast<int>(document_.cups.size()));
}

bool Order::copyCup() {
  if (!hasCup()) return false;
  Cup copy = currentCup();
  copy.name = freeName(document_, copy.name);
  // The other cup is made anew.
  copy.id.clear();
  copy.bench.done.clear();
  copy.cuts.clear();
  Document next = document_;
  next.cups.insert(next.cups.begin() + current_ + 1, copy);
  return push(tr("Copy cup"), next, current_ + 1);
}

void Order::removeCup() {
  if (!hasCup()) return;
  const QString name = QString::fromStdString(currentCup().name);
  typing_.clear();
  edit(tr("Remove %1").arg(name),
       [this](Document& document) { document.cups.erase(document.cups.begin() + current_); });
}

void Order::moveCup(int from, int to) {
  const int count = static_cast<int>(document_.cups.size());
  if (from == to || from < 0 || to < 0 || from >= count || to >= count) return;
  Document next = document_;
  std::vector<Cup>& cups = next.cups;
  Cup moved = cups[static_cast<std::size_t>(from)];
  cups.erase(cups.begin() + from);
  cups.insert(cups.begin() + to, std::move(moved));
  push(tr("Move cup"), next, to);
}

std::optional<Sentence> Order::renameCup(int index, const QString& name) {
  const auto at = static_cast<std::size_t>(index);
  if (index < 0 || at >= document_.cups.size()) return std::nullopt;
  const std::string wanted = name.trimmed().toStdString();
  if (std::optional<Sentence> fault = nameFault(document_, at, wanted)) return fault;
  edit(tr("Rename to %1").arg(name.trimmed()),
       [&](Document& document) { document.cups[at].name = wanted; });
  return std::nullopt;
}

void Order::setUnit(Unit unit) {
  edit(unit == Unit::inch ? tr("Switch to inches") : tr("Switch to millimetres"),
       [unit](Document& document) { document.units = unit; });
}

namespace {

/// How large the set is that a layer belongs to; nothing for what is no layer.
std::optional<WrittenLength> sizeOfSet(const Cup& cup, const std::vector<std::string>& of) {
  for (const DecalSet& set : cup.sets) {
    for (const Layer& layer : set.layers) {
      if (std::find(of.begin(), of.end(), layer.id) != of.end()) {
        return WrittenLength{set.size.length, {}};
      }
    }
  }
  return std::nullopt;
}

/// Ticks parts off, by the plan they were made of, or takes the tick back.
void setCut(Cup& cup, const PartEntry& entry, const CupPlan* planned) {
  std::erase_if(cup.cuts, [&](const CutRecord& record) {
    if (record.purpose != entry.purpose) return false;
    return record.of == entry.of ||
           std::any_of(record.of.begin(), record.of.end(), [&](const std::string& id) {
             return std::find(entry.of.begin(), entry.of.end(), id) != entry.of.end();
           });
  });
  if (planned == nullptr) return;
  const LaidStage& stage = planned->stageOf(thingOf(entry));
  // Exactly, not on a mark: a later girth is held against it.
  cup.cuts.push_back({entry.purpose,
                      entry.of,
                      stage.after,
                      {stage.wall.body.aroundBase(), {}},
                      {stage.wall.body.aroundRim(), {}},
                      {},
                      sizeOfSet(cup, entry.of)});
}

}  // namespace

void Order::markCut(const PartEntry& entry, bool cut) {
  const CupPlan* planned = presentPlan();
  if (!hasCup() || (cut && planned == nullptr)) return;
  editCup(cut ? tr("Mark as cut") : tr("Mark as not cut"),
          [&](Cup& cup) { setCut(cup, entry, cut ? planned : nullptr); });
}

void Order::markCut(const Plan& plan, const std::vector<CupEntry>& entries) {
  settle();
  edit(tr("Mark as cut"), [&](Document& document) {
    for (const CupEntry& one : entries) {
      const CupPlan& planned = plan.cups[one.cup];
      for (Cup& cup : document.cups) {
        if (cup.id == planned.of->id) setCut(cup, one.entry, &planned);
      }
    }
  });
}

std::optional<Length> Order::measureOf(GaugeLine gaugeLine) const {
  if (!hasCup()) return std::nullopt;
  const Cup& cup = currentCup();
  switch (gaugeLine) {
    case GaugeLine::rimClearance:
      return cup.wrap.rimClearance.length;
    case GaugeLine::baseClearance:
      return cup.wrap.baseClearance.length;
    case GaugeLine::overlap:
      return cup.wrap.overlap.length;
    case GaugeLine::strip:
      if (const CupPlan* planned = plan()) return stripHeight(planned->wall.body, cup.strip);
      return std::nullopt;
    case GaugeLine::seam:
    case GaugeLine::none:
      break;
  }
  return std::nullopt;
}

void Order::setMeasure(GaugeLine gaugeLine, Length length) {
  const WrittenLength value = written(std::max(length, Length()), unit());
  editCup(
      tr("Set %1 to %2").arg(nameOf(gaugeLine), say(value.length, unit())),
      [&](Cup& cup) {
        switch (gaugeLine) {
          case GaugeLine::rimClearance:
            cup.wrap.rimClearance = value;
            break;
          case GaugeLine::baseClearance:
            cup.wrap.baseClearance = value;
            break;
          case GaugeLine::overlap:
            cup.wrap.overlap = value;
            break;
          case GaugeLine::strip:
            cup.strip.at = value;
            break;
          case GaugeLine::seam:
          case GaugeLine::none:
            break;
        }
      },
      keyOf(memberOf(gaugeLine)));
}

void Order::nudge(GaugeLine gaugeLine, int marks) {
  if (gaugeLine == GaugeLine::seam) {
    editCup(
        tr("Turn the seam"),
        [&](Cup& cup) { cup.wrap.seamAt = (cup.wrap.seamAt + Angle::degrees(marks)).wrapped(); },
        keyOf(memberOf(gaugeLine)));
    return;
  }
  const std::optional<Length> now = measureOf(gaugeLine);
  if (!now) return;
  const Graduation graduation = usualGraduation(unit());
  setMeasure(gaugeLine, nearestMark(*now, graduation) + step(graduation) * marks);
}

void Order::setTyping(const Where& where, const std::optional<Sentence>& fault) {
  if (!fault && !typing_.contains(where)) return;
  if (fault) {
    typing_[where] = *fault;
  } else {
    typing_.erase(where);
  }
  emit changed();
}

QString keyOf(Member member) {
  return QString::number(static_cast<int>(member));
}

Member memberOf(GaugeLine gaugeLine) {
  switch (gaugeLine) {
    case GaugeLine::rimClearance:
      return Member::rimClearance;
    case GaugeLine::baseClearance:
      return Member::baseClearance;
    case GaugeLine::overlap:
      return Member::overlap;
    case GaugeLine::seam:
      return Member::seamAt;
    case GaugeLine::strip:
      return Member::stripAt;
    case GaugeLine::none:
      break;
  }
  return Member::whole;
}

QString nameOf(GaugeLine gaugeLine) {
  switch (gaugeLine) {
    case GaugeLine::rimClearance:
      return Order::tr("rim clearance");
    case GaugeLine::baseClearance:
      return Order::tr("base clearance");
    case GaugeLine::overlap:
      return Order::tr("overlap");
    case GaugeLine::seam:
      return Order::tr("seam");
    case GaugeLine::strip:
      return Order::tr("strip height");
    case GaugeLine::none:
      break;
  }
  return {};
}

}  // namespace avrelt

#include "moc_order.cpp"
