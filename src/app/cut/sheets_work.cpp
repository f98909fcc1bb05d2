// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cut/sheets_work.h"

#include <chrono>
#include <cmath>
#include <QSettings>
#include <QThreadPool>
#include <string_view>
#include <thread>

#include "job/sheet_search.h"

namespace avrelt {
namespace {

const char* keptAs(Member member) {
  switch (member) {
    case Member::sheetWide:
      return "wide";
    case Member::sheetTall:
      return "tall";
    case Member::sheetMargin:
      return "margin";
    default:
      return "gap";
  }
}

/// "sheets/in/wide": what was chosen last, in mm, apart for who works in inches.
QString settingOf(Member member, Unit unit) {
  return QStringLiteral("sheets/%1/%2")
      .arg(QString::fromLatin1(unit == Unit::inch ? "in" : "mm"),
           QString::fromLatin1(keptAs(member)));
}

constexpr Member keptChoices[] = {Member::sheetWide, Member::sheetTall, Member::sheetMargin,
                                  Member::sheetGap};

constexpr const char* togetherSetting = "sheets/together";
constexpr const char* weedingSetting = "sheets/weeding";
constexpr const char* stackSetting = "sheets/stack";
constexpr const char* alikeSetting = "sheets/alike";

double takenBy(const SheetPlan& sheets) {
  double sum = 0;
  for (const FilmSheets& film : sheets.films) sum += filmTaken(film.arrangement, film.from).mm2();
  return sum;
}

}  // namespace

/// A search beside the window: it alone touches its films and their arrangers.
struct SheetsWork::Search {
  std::atomic<bool> stopped{false};
  std::atomic<bool> over{false};
  std::atomic<long> tries{0};
  std::mutex guard;
  SheetPlan found;      ///< the best so far
  bool better = false;  ///< than what was taken last
};

SheetsWork::SheetsWork(Order& order, Shelf& shelf, QObject* parent)
    : QObject(parent), order_(order), shelf_(shelf) {
  later_.setSingleShot(true);
  later_.setInterval(350);
  connect(&later_, &QTimer::timeout, this, &SheetsWork::start);
  poll_.setInterval(30);
  readChoices();
  connect(&poll_, &QTimer::timeout, this, &SheetsWork::poll);
  connect(&order, &Order::changed, this, &SheetsWork::orderChanged);
  connect(&shelf, &Shelf::filmsChanged, this, &SheetsWork::later);
}

SheetsWork::~SheetsWork() {
  stop();
  if (dropped_) *dropped_ = true;
}

void SheetsWork::setSeen(bool seen) {
  seen_ = seen;
  if (!seen) stop();
  if (seen && stale_) later_.start(0);
}

void SheetsWork::later() {
  stale_ = true;
  stop();
  if (seen_) later_.start();
}

void SheetsWork::dropSheets() {
  stop();
  if (dropped_) *dropped_ = true;
  faults_.clear();
  if (sheets_ == nullptr) return;
  sheets_ = nullptr;
  emit changed();
}

/// Another cup in hand, say, changes nothing of it.
void SheetsWork::orderChanged() {
  if (own_) return;
  // What was laid of another order is none of this one's.
  if (order_.document().id != document_.id) dropSheets();
  const bool same =
      sheets_ != nullptr && !stale_ && order_.document() == document_ && order_.stock() == stock_;
  if (!same) later();
}

Length& SheetsWork::lengthOf(SheetChoices& choices, Member member) {
  if (member == Member::sheetWide) return choices.size.wide;
  if (member == Member::sheetTall) return choices.size.tall;
  if (member == Member::sheetMargin) return choices.size.margin;
  return choices.rules.gap;
}

Length SheetsWork::choice(Member member) const {
  SheetChoices choices = choices_;
  return lengthOf(choices, member);
}

void SheetsWork::readChoices() {
  const Unit unit = order_.unit();
  const SheetChoices usual = usualSheets(unit);
  choices_.size = usual.size;
  choices_.rules = usual.rules;
  for (const Member member : keptChoices) {
    Length& length = lengthOf(choices_, member);
    const double kept = QSettings().value(settingOf(member, unit), length.mm()).toDouble();
    if (std::isfinite(kept) && kept >= 0 && kept <= 3000) length = Length::mm(kept);
  }
  choices_.lap = usual.lap;
  choices_.weeding = QSettings().value(weedingSetting, false).toBool();
  choices_.stack = QSettings().value(stackSetting, false).toBool();
  choices_.alike = QSettings().value(alikeSetting, false).toBool();
  choices_.together = togetherNamed(QSettings().value(togetherSetting).toString().toStdString());
  choicesFor_ = unit;
}

void SheetsWork::set(Member member, Length to) {
  lengthOf(choices_, member) = to;
  QSettings().setValue(settingOf(member, order_.unit()), to.mm());
  later();
}

void SheetsWork::take(const FilmWanted& wanted, long long film) {
  choices_.films[wanted] = film;
  later();
}

bool SheetsWork::set(const Cutter& cutter) {
  if (!shelf_.put(cutter)) return false;
  cutter_ = cutter;
  emit changed();
  return true;
}

bool SheetsWork::set(const Printer& printer) {
  if (!shelf_.put(printer)) return false;
  later();
  return true;
}

void SheetsWork::start() {
  later_.stop();
  // What changes while parts are being laid is laid after that.
  if (working()) return;
  stop();
  stale_ = false;
  if (sheets_ == nullptr || choicesFor_ != order_.unit()) readChoices();
  document_ = order_.document();
  stock_ = order_.stock();
  films_ = shelf_.films();
  cutter_ = shelf_.cutter();
  choices_.printer = shelf_.printer().value_or(usualPrinter(order_.document().printPaper()));
  dropped_ = std::make_shared<std::atomic<bool>>(false);
  auto promise = std::make_shared<std::promise<Result>>();
  laying_ = promise->get_future();
  QThreadPool::globalInstance()->start([promise, dropped = dropped_, document = document_,
                                        stock = stock_, films = films_, choices = choices_] {
    try {
      CheckedAll<Plan> plan = planDocument(document, stock);
      if (!plan) {
        promise->set_value(tl::unexpected(plan.error()));
        return;
      }
      promise->set_value(sheetsOf(std::make_shared<const Plan>(std::move(*plan)), films, choices,
                                  [&](std::size_t, std::size_t) { return !*dropped; }));
    } catch (const std::exception& fallen) {
      promise->set_value(tl::unexpected(Faults{
          {Member::whole, {"The parts cannot be laid (%1).", {std::string(fallen.what())}}}}));
    }
  });
  poll_.start();
  emit progressed();
}

void SheetsWork::layNow() {
  // One that is under way may be of an older order.
  for (int round = 0; round < 2; ++round) {
    if (!working()) start();
    laying_.wait_for(std::chrono::minutes(1));
    poll();
    if (!stale_) return;
  }
}

void SheetsWork::poll() {
  if (working() && laying_.wait_for(std::chrono::seconds(0)) == std::future_status::ready) {
    Result result = laying_.get();
    // Laid of an order that has been left since.
    if (document_.id != order_.document().id) result = tl::unexpected(Faults());
    faults_ = result ? Faults() : result.error();
    sheets_ = result ? std::make_shared<const SheetPlan>(std::move(*result)) : nullptr;
    before_ = sheets_ ? takenBy(*sheets_) : 0;
    if (stale_ && seen_) later_.start(0);
    emit changed();
  }
  if (search_) {
    takeFound();
    emit progressed();
  }
  if (!working() && !search_) poll_.stop();
}

void SheetsWork::search() {
  if (!sheets_ || working() || search_) return;
  search_ = std::make_shared<Search>();
  search_->found = *sheets_;
  before_ = takenBy(*sheets_);
  QThreadPool::globalInstance()->start(
      [search = search_, before = ending_, sheets = SheetSearch(*sheets_)]() mutable {
        // Arrangers are one thread's at a time.
        while (before && !before->over) std::this_thread::sleep_for(std::chrono::milliseconds(5));
        try {
          for (long round = 0; round < mostTries && !search->stopped; ++round) {
            for (std::size_t i = 0; i < sheets.films() && !search->stopped; ++i) {
              if (sheets(i)) {
                const std::lock_guard<std::mutex> lock(search->guard);
                search->found = sheets.best();
                search->better = true;
              }
            }
            search->tries = round + 1;
          }
        } catch (const std::exception&) {
          // Memory ran out: the best so far stands.
          search->stopped = true;
        }
        search->over = true;
      });
  poll_.start();
  emit progressed();
}

void SheetsWork::takeFound() {
  const bool over = search_->over;
  bool better = false;
  {
    const std::lock_guard<std::mutex> lock(search_->guard);
    better = std::exchange(search_->better, false);
    if (better) {
      sheets_ = std::make_shared<const SheetPlan>(search_->found);
    }
  }
  if (over) search_.reset();
  if (better || over) emit changed();
}

void SheetsWork::stop() {
  if (!search_) return;
  search_->stopped = true;
  ending_ = search_;
  takeFound();
  search_.reset();
  emit progressed();
}

long SheetsWork::tries() const {
  return search_ ? search_->tries.load() : 0;
}

double SheetsWork::saved() const {
  return sheets_ && before_ > 0 ? 1 - takenBy(*sheets_) / before_ : 0;
}

bool SheetsWork::isKept(std::size_t film, const Laid& laid) const {
  return sheets_->films[film].byHand.contains({laid.piece, laid.copy});
}

bool SheetsWork::isAlike(std::size_t film, const Laid& laid) const {
  return sheets_->films[film].alike.contains({laid.piece, laid.copy});
}

bool SheetsWork::isFull(std::size_t film, const Laid& laid) const {
  const FilmSheets& all = sheets_->films[film];
  const Cup& cup = document_.cups[all.parts[laid.piece].cup];
  return !isKept(film, laid) && cup.laidByHand.size() >= Document::mostLaidByHand;
}

bool SheetsWork::move(std::size_t film, std::size_t laid, const Laid& to) {
  return change(film, laid, [&](FilmSheets& films) { return moveTo(films, laid, to); });
}

bool SheetsWork::send(std::size_t film, std::size_t laid, std::size_t sheet) {
  return change(film, laid, [&](FilmSheets& films) {
    awaitEnding();
    return sendTo(films, laid, sheet);
  });
}

/// An arranger is one thread's at a time.
void SheetsWork::awaitEnding() const {
  while (ending_ && !ending_->over) std::this_thread::sleep_for(std::chrono::milliseconds(5));
}

bool SheetsWork::change(std::size_t film, std::size_t laid,
                        const std::function<bool(FilmSheets&)>& change) {
  stop();
  if (!holds() || film >= sheets_->films.size()) return false;
  const Laid before = sheets_->films[film].arrangement.laid[laid];
  if (isAlike(film, before) || isFull(film, before)) return false;
  auto next = std::make_shared<SheetPlan>(*sheets_);
  FilmSheets& changed = next->films[film];
  if (!change(changed)) return false;
  const Laid& now = changed.arrangement.laid[laid];
  changed.byHand.insert({now.piece, now.copy});
  if (changed.prints()) {
    awaitEnding();
    followPrints(*next);
  }
  const auto forgotten = std::exchange(next->forgotten, {});
  sheets_ = std::move(next);
  keep(forgotten, QStringLiteral("by hand %1 %2 %3").arg(film).arg(now.piece).arg(now.copy));
  emit this->changed();
  return true;
}

/// Writes into the order where parts lie that were laid by hand, all of them, as sheets may have
/// come to stand in another order.
void SheetsWork::keep(const Forgotten& forgotten, const QString& key) {
  own_ = true;
  order_.edit(
      tr("Lay a part by hand"),
      [&](Document& document) {
        for (const auto& gone : forgotten) {
          std::erase_if(document.cups[gone.first].laidByHand,
                        [&](const HandLaid& one) { return one.isOf(gone.second); });
        }
        for (const FilmSheets& film : sheets_->films) {
          for (std::size_t i = 0; i < film.arrangement.laid.size(); ++i) {
            const Laid& laid = film.arrangement.laid[i];
            if (!film.byHand.contains({laid.piece, laid.copy})) continue;
            const HandLaid hand = handLaidOf(film, i);
            std::vector<HandLaid>& all = document.cups[film.parts[laid.piece].cup].laidByHand;
            const auto found = std::find_if(all.begin(), all.end(),
                                            [&](const HandLaid& one) { return one.isOf(hand); });
            if (found != all.end()) {
              *found = hand;
            } else if (all.size() < Document::mostLaidByHand) {
              all.push_back(hand);
            }
          }
        }
      },
      key);
  own_ = false;
  document_ = order_.document();
}

bool SheetsWork::anyByHand() const {
  const std::vector<Cup>& cups = order_.document().cups;
  return std::any_of(cups.begin(), cups.end(),
                     [](const Cup& cup) { return !cup.laidByHand.empty(); });
}

void SheetsWork::release() {
  if (!anyByHand()) return;
  order_.edit(tr("Lay all parts anew"), [](Document& document) {
    for (Cup& cup : document.cups) cup.laidByHand.clear();
  });
}

void SheetsWork::setTogether(Together together) {
  choices_.together = together;
  QSettings().setValue(togetherSetting, togetherName(together));
  later();
}

void SheetsWork::turn(bool SheetChoices::*choice, const char* setting, bool on) {
  choices_.*choice = on;
  QSettings().setValue(QString::fromLatin1(setting), on);
  later();
}

void SheetsWork::setWeeding(bool on) {
  turn(&SheetChoices::weeding, weedingSetting, on);
}

void SheetsWork::setStacking(bool on) {
  turn(&SheetChoices::stack, stackSetting, on);
}

void SheetsWork::setLikening(bool on) {
  turn(&SheetChoices::alike, alikeSetting, on);
}

}  // namespace avrelt

#include "moc_sheets_work.cpp"
