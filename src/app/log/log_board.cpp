// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/log/log_board.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "app/order/bench_words.h"
#include "app/order/phrases.h"
#include "files/document_json.h"
#include "files/read_fault.h"
#include "job/work.h"

namespace avrelt {

QString hoursWords(Duration duration) {
  constexpr double hour = 60;
  return duration.minutes() < hour ? LogBoard::tr("%1 min").arg(qRound(duration.minutes()))
                                   : LogBoard::tr("%1 h").arg(QString::fromStdString(
                                         numberText(duration.minutes() / hour, 1)));
}

QString supplyKindWords(SupplyKind kind) {
  switch (kind) {
    case SupplyKind::resin:
      return LogBoard::tr("Resin");
    case SupplyKind::glitter:
      return LogBoard::tr("Glitter");
    case SupplyKind::paint:
      return LogBoard::tr("Paint");
    case SupplyKind::ink:
      return LogBoard::tr("Ink");
    case SupplyKind::glue:
      return LogBoard::tr("Glue");
    case SupplyKind::sealer:
      return LogBoard::tr("Sealer");
    case SupplyKind::tape:
      return LogBoard::tr("Tape");
    case SupplyKind::other:
      return LogBoard::tr("Other");
  }
  return {};
}

namespace {

QString materialWords(Material material) {
  switch (material) {
    case Material::resin:
      return LogBoard::tr("resin");
    case Material::fineGlitter:
      return LogBoard::tr("fine glitter");
    case Material::mediumGlitter:
      return LogBoard::tr("medium glitter");
    case Material::chunkyGlitter:
      return LogBoard::tr("chunky glitter");
    case Material::paint:
      return LogBoard::tr("paint");
  }
  return {};
}

}  // namespace

QString figureWords(const LearnableFigure& figure) {
  switch (figure.of) {
    case LearnableFigure::Of::glitter:
      return LogBoard::tr("Glitter for a cm²");
    case LearnableFigure::Of::paint:
      return LogBoard::tr("Paint for a cm²");
    case LearnableFigure::Of::film:
      return LogBoard::tr("Film for its parts");
    case LearnableFigure::Of::growth:
      return LogBoard::tr("Growth: %1").arg(materialWords(figure.material));
    case LearnableFigure::Of::wait:
      return LogBoard::tr("Wait after: %1").arg(methodWords(*figure.method).toLower());
    case LearnableFigure::Of::fault:
      return LogBoard::tr("Faults: %1")
          .arg((figure.method ? methodWords(*figure.method) : workWords(figure.kind)).toLower());
    case LearnableFigure::Of::pace:
      break;
  }
  return LogBoard::tr("Time: %1").arg(workWords(figure.kind).toLower());
}

QString figureText(const LearnableFigure& figure, double value) {
  constexpr int fine = 4;
  switch (figure.of) {
    case LearnableFigure::Of::glitter:
      return LogBoard::tr("%1 g").arg(QString::fromStdString(numberText(value, fine)));
    case LearnableFigure::Of::paint:
      return LogBoard::tr("%1 ml").arg(QString::fromStdString(numberText(value, fine)));
    case LearnableFigure::Of::film: {
      constexpr double percent = 100;
      return LogBoard::tr("%1 × their area, %2 % waste")
          .arg(QString::fromStdString(numberText(value, 2)),
               QString::fromStdString(numberText(wasteOf(value) * percent, 0)));
    }
    case LearnableFigure::Of::growth: {
      constexpr double percent = 100;
      return figure.material == Material::resin
                 ? LogBoard::tr("%1 % of it stays")
                       .arg(QString::fromStdString(numberText(value * percent, 0)))
                 : LogBoard::tr("%1 mm a coat").arg(QString::fromStdString(numberText(value, 3)));
    }
    case LearnableFigure::Of::fault: {
      constexpr double percent = 100;
      return LogBoard::tr("%1 of 100").arg(QString::fromStdString(numberText(value * percent, 0)));
    }
    case LearnableFigure::Of::wait:
    case LearnableFigure::Of::pace:
      break;
  }
  return LogBoard::tr("%1 × the usual").arg(QString::fromStdString(numberText(value, 2)));
}

LogBoard::LogBoard(Order& order, Shelf& shelf, BenchWork& work, QObject* parent)
    : QObject(parent), order_(order), shelf_(shelf), work_(work) {
  later_.setSingleShot(true);
  later_.setInterval(30);
  connect(&later_, &QTimer::timeout, this, &LogBoard::read);
  connect(&shelf_, &Shelf::logChanged, this, &LogBoard::later);
  connect(&shelf_, &Shelf::suppliesChanged, this, &LogBoard::later);
  connect(&shelf_, &Shelf::filmsChanged, this, &LogBoard::later);
  connect(&work_, &BenchWork::changed, this, &LogBoard::later);
}

void LogBoard::later() {
  if (seen_) later_.start();
}

void LogBoard::setSeen(bool seen) {
  if (seen == seen_) return;
  seen_ = seen;
  if (!seen) {
    later_.stop();
    return;
  }
  (void)shelf_.open();
  // Another window may have worked meanwhile.
  shelf_.lookAgain();
  read();
}

void LogBoard::read() {
  later_.stop();
  shelfNow_ = shelf_.supplies();
  readEntries();
  readSupplies();
  readFigures();
  readPicked();
  months_.reset();
  emit changed();
}

void LogBoard::find(const QString& wanted, Which which) {
  wanted_ = wanted;
  which_ = which;
  readEntries();
  readPicked();
  emit changed();
}

void LogBoard::readEntries() {
  entries_.clear();
  if (std::optional<Logbook> log = shelf_.logbook()) {
    entries_ = shelf_.tell(log->find(wanted_.toStdString()));
  }
  std::erase_if(entries_, [&](const LogEntry& entry) {
    return (which_ == Which::underWay && entry.finished) ||
           (which_ == Which::finished && !entry.finished);
  });
}

const LogEntry* LogBoard::picked() const {
  for (const LogEntry& entry : entries_) {
    if (picked_ && entry.key == *picked_) return &entry;
  }
  return entries_.empty() ? nullptr : &entries_.front();
}

void LogBoard::pick(const std::optional<LogKey>& key) {
  if (key == picked_) return;
  picked_ = key;
  readPicked();
  emit changed();
}

void LogBoard::readPicked() {
  steps_.clear();
  cuts_.clear();
  photos_.clear();
  cost_ = {};
  const LogEntry* entry = picked();
  std::optional<Logbook> log = shelf_.logbook();
  if (entry == nullptr || !log) return;
  Facts facts = factsOf(*entry);
  steps_ = std::move(facts.steps);
  cuts_ = std::move(facts.cuts);
  cost_ = std::move(facts.cost);
  photos_ = shelf_.tell(log->photosOf(entry->key));
}

LogBoard::Facts LogBoard::factsOf(const LogEntry& entry) {
  Facts facts;
  facts.entry = entry;
  std::optional<Logbook> log = shelf_.logbook();
  if (!log) return facts;
  facts.steps = shelf_.tell(log->stepsOf(entry.key));
  facts.cuts = shelf_.tell(log->cutsOf(entry.key));
  std::vector<SupplyUse> uses;
  for (const LoggedStep& step : facts.steps) {
    uses.insert(uses.end(), step.uses.begin(), step.uses.end());
  }
  std::vector<FilmUse> films;
  films.reserve(facts.cuts.size());
  for (const CutKept& cut : facts.cuts) films.push_back(cut.film);
  facts.cost = costOf(uses, films, entry.worked, shelfNow_, shelf_.films(), shelf_.moneyRules());
  return facts;
}

bool LogBoard::note(const LogNotes& notes) {
  const LogEntry* entry = picked();
  std::optional<Logbook> log = shelf_.logbook();
  if (entry == nullptr || !log || notes == entry->notes) return true;
  return shelf_.logged(log->note(entry->key, notes));
}

tl::expected<Document, QString> LogBoard::pastOrder() {
  const LogEntry* entry = picked();
  std::optional<Logbook> log = shelf_.logbook();
  if (entry == nullptr || !log) return tl::unexpected(tr("Choose a cup of the log first."));
  const auto text = log->orderText(entry->key);
  if (!text) return tl::unexpected(say(text.error(), unit()));
  auto read = readDocument(*text);
  if (!read) {
    return tl::unexpected(
        tr("The order of this cup cannot be read any more: %1")
            .arg(QString::fromStdString(inWords(read.error().front(), entry->name, unit()))));
  }
  return std::move(read->document);
}

void LogBoard::readSupplies() {
  supplies_.clear();
  const auto reserved = reservedBy(work_.plan(), shelfNow_, order_.stock().filling);
  for (const Supply& supply : shelfNow_.supplies) {
    if (supply.gone) continue;
    const auto held = reserved.find(supply.id);
    supplies_.push_back(
        {&supply, levelOf(shelfNow_, supply, held == reserved.end() ? Amount() : held->second)});
  }
}

const LogBoard::SupplyLine* LogBoard::pickedSupply() const {
  for (const SupplyLine& line : supplies_) {
    if (line.supply->id == supply_) return &line;
  }
  return supplies_.empty() ? nullptr : &supplies_.front();
}

void LogBoard::pickSupply(const std::string& id) {
  if (id == supply_) return;
  supply_ = id;
  emit changed();
}

void LogBoard::readFigures() {
  figures_.clear();
  std::optional<Logbook> log = shelf_.logbook();
  if (!log) return;
  const std::vector<StepWork> work = shelf_.tell(log->allWork());
  const std::set<std::string> out = shelf_.tell(log->leftOut());
  const std::vector<FilmTaken> films = shelf_.filmsTaken();
  const std::vector<GrowthNote> grown = shelf_.growthNotes();
  growthIsOwn_ = shelf_.growthIsOwn();
  const Stock& stock = order_.stock();
  const FigureSources sources{work, shelfNow_, films, grown, stock.growth};
  const double waste = rules().waste;
  const auto presentOf = [&](const LearnableFigure& figure) {
    switch (figure.of) {
      case LearnableFigure::Of::glitter:
        return stock.filling.glitterPerCm2.grams();
      case LearnableFigure::Of::paint:
        return stock.filling.paintPerCm2.ml();
      case LearnableFigure::Of::film:
        return takenFor(waste);
      case LearnableFigure::Of::pace:
        return stock.paces.of(figure.kind);
      case LearnableFigure::Of::growth:
        return stock.growth.mean[static_cast<std::size_t>(figure.material)];
      case LearnableFigure::Of::wait:
        return stock.methods.of(*figure.method).next.least.minutes() /
               std::max(Methods().of(*figure.method).next.least.minutes(), 1.0);
      case LearnableFigure::Of::fault:
        break;
    }
    return 1.0;
  };
  for (const LearnableFigure& figure : learnableFigures()) {
    // Of waits, faults and materials there are as many as there are ways of working; where there is
    // nothing to tell of one, it is not shown.
    std::vector<std::pair<std::string, int>> faults;
    if (figure.of == LearnableFigure::Of::fault) {
      faults = faultsCounted(work, figure);
      if (faults.empty()) continue;
    }
    std::vector<FigureSample> seen = seenOf(figure, sources);
    const bool many =
        figure.of == LearnableFigure::Of::wait ||
        (figure.of == LearnableFigure::Of::growth && figure.material != Material::resin);
    if (many && seen.empty()) continue;
    LearntFigure learnt = learn(figure, std::move(seen), presentOf(figure), out);
    // Growth follows what was measured by itself, unless its maker goes by the usual figures.
    if (figure.of == LearnableFigure::Of::growth && growthIsOwn_) learnt.offered = false;
    learnt.told = std::move(faults);
    figures_.push_back(std::move(learnt));
  }
  // What is offered, then what most is known of.
  std::stable_sort(
      figures_.begin(), figures_.end(), [](const LearntFigure& a, const LearntFigure& b) {
        return std::pair(a.offered, a.seen.size()) > std::pair(b.offered, b.seen.size());
      });
  if (figure_ >= figures_.size()) figure_ = 0;
}

const LearntFigure* LogBoard::pickedFigure() const {
  return figure_ < figures_.size() ? &figures_[figure_] : nullptr;
}

void LogBoard::pickFigure(std::size_t which) {
  if (which == figure_) return;
  figure_ = which;
  emit changed();
}

void LogBoard::leaveOut(std::size_t observation, bool out) {
  const LearntFigure* figure = pickedFigure();
  std::optional<Logbook> log = shelf_.logbook();
  if (figure == nullptr || !log || observation >= figure->seen.size()) return;
  const LearnableFigure of = figure->figure;
  if (!shelf_.logged(log->leaveOut(figure->seen[observation].key, out))) return;
  // Growth is reckoned anew without it.
  if (of.of == LearnableFigure::Of::growth) shelf_.learn();
  read();
  // It stays in sight, wherever it stands now.
  for (std::size_t i = 0; i < figures_.size(); ++i) {
    if (figures_[i].figure == of) figure_ = i;
  }
  emit changed();
}

bool LogBoard::useFigure(const LearntFigure& figure, bool usual) {
  const double value = figure.fit.slope;
  const LearnableFigure of = figure.figure;
  bool done = false;
  if (of.of == LearnableFigure::Of::pace) {
    Paces paces = order_.stock().paces;
    paces.of(of.kind) = usual ? 1 : std::clamp(value, Paces::least, Paces::most);
    done = shelf_.put(paces);
  } else if (of.of == LearnableFigure::Of::film) {
    constexpr double most = 0.9;
    MoneyRules rules = this->rules();
    rules.waste = usual ? MoneyRules().waste : std::min(wasteOf(value), most);
    done = shelf_.put(rules);
  } else if (of.of == LearnableFigure::Of::growth) {
    done = shelf_.setGrowthIsOwn(!usual);
  } else if (of.of == LearnableFigure::Of::wait) {
    Methods methods = order_.stock().methods;
    Wait& wait = methods.of(*of.method).next;
    const Duration least = Methods().of(*of.method).next.least;
    wait.least = usual ? least : Duration::minutes(std::ceil((least * value).minutes()));
    // One that is over before it begins cannot be.
    if (wait.most) wait.least = std::min(wait.least, *wait.most);
    done = shelf_.put(methods);
  } else if (of.of != LearnableFigure::Of::fault) {
    FillRates rates = order_.stock().filling;
    const FillRates before;
    if (of.of == LearnableFigure::Of::glitter) {
      rates.glitterPerCm2 = usual ? before.glitterPerCm2 : Mass::grams(value);
    } else {
      rates.paintPerCm2 = usual ? before.paintPerCm2 : Volume::ml(value);
    }
    done = shelf_.put(rates);
  }
  if (!done) return false;
  read();
  for (std::size_t i = 0; i < figures_.size(); ++i) {
    if (figures_[i].figure == of) figure_ = i;
  }
  emit changed();
  return true;
}

const std::vector<LogBoard::Month>& LogBoard::months() {
  if (!months_) readMonths();
  return *months_;
}

void LogBoard::readMonths() {
  months_.emplace();
  std::optional<Logbook> log = shelf_.logbook();
  if (!log) return;
  const auto taken = shelf_.tell(log->allTaken());
  const FilmShelf films = shelf_.films();
  const MoneyRules rules = shelf_.moneyRules();
  std::map<CivilTime, Month> months;
  for (const LogEntry& entry : shelf_.tell(log->find({}))) {
    if (!entry.finished) continue;
    using namespace std::chrono;
    const year_month_day day(floor<days>(*entry.finished));
    const CivilTime from = sys_days(day.year() / day.month() / 1);
    Month& month = months[from];
    month.from = from;
    ++month.cups;
    const auto of = taken.find(entry.key);
    static const Logbook::Taken nothing;
    const Logbook::Taken& used = of == taken.end() ? nothing : of->second;
    const CupCost cost = costOf(used.uses, used.films, entry.worked, shelfNow_, films, rules);
    month.cost = month.cost + cost.total;
    if (cost.unknown > 0) ++month.unknown;
    if (entry.notes.price) {
      ++month.sold;
      month.price = month.price + *entry.notes.price;
    }
  }
  for (const auto& [from, month] : months) months_->insert(months_->begin(), month);
}

bool LogBoard::put(const MoneyRules& rules) {
  if (!shelf_.put(rules)) return false;
  read();
  return true;
}

}  // namespace avrelt

#include "moc_log_board.cpp"
