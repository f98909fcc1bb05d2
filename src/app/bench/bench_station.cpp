// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/bench_station.h"

#include <algorithm>
#include <cmath>
#include <QAbstractItemView>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/bench/bench_words.h"
#include "app/fields/card.h"
#include "app/fields/list_lines.h"
#include "app/fields/scrolled.h"
#include "app/fields/when_seen.h"
#include "app/order/phrases.h"
#include "app/window/theme.h"
#include "files/bench_files.h"
#include "job/work.h"

namespace avrelt {

BenchStation::BenchStation(Order& order, Shelf& shelf, std::function<QString()> folder,
                           std::function<QString()> name, const QString& clockFile, QWidget* parent)
    : QWidget(parent),
      order_(order),
      shelf_(shelf),
      folder_(std::move(folder)),
      name_(std::move(name)),
      clock_(clockFile),
      work_(order, clock_),
      films_(order, shelf) {
  timeline_ = new TimelineView(work_);
  QHBoxLayout* row = makeDrawer(this);
  row->addWidget(nowCard(), 40);
  row->addWidget(nextCard(), 30);
  row->addWidget(mixCard(), 30);
  connect(&work_, &BenchWork::changed, this, &BenchStation::refresh);
  connect(&work_, &BenchWork::ticked, this, &BenchStation::refreshNow);
  connect(&work_, &BenchWork::rang, this,
          [this](const QString& cup, const QString& words, bool urgent) {
            const QString what = urgent ? tr("%1, soon: %2").arg(cup, words)
                                        : tr("%1 may go on: %2").arg(cup, words);
            bell_.ring(urgent ? tr("Soon") : tr("It may go on"),
                       QStringLiteral("%1: %2").arg(cup, words), urgent);
            emit said(what);
          });
  connect(&thermometer_, &RoomThermometer::changed, this,
          [this] { work_.setMeasured(thermometer_.warmth()); });
  connect(&thermometer_, &RoomThermometer::said, this, &BenchStation::said);
  connect(timeline_, &TimelineView::stepOpened, this, &BenchStation::askAboutStep);
  auto* seen = new WhenSeen(
      this, [this] { films_.look(); }, std::chrono::milliseconds(600));
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&shelf, &Shelf::filmsChanged, seen, &WhenSeen::changed);
  connect(&order, &Order::changed, &films_, &FilmWatch::lookIfSaid);
  connect(&shelf, &Shelf::filmsChanged, &films_, &FilmWatch::lookIfSaid);
  connect(&films_, &FilmWatch::changed, this, &BenchStation::watched);
  refresh();
}

QWidget* BenchStation::nowCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard(tr("Now"), body);
  body->setSpacing(5);
  whose_ = new QComboBox;
  whose_->setAccessibleName(tr("Whose work is shown"));
  whose_->view()->setAccessibleName(tr("Choices"));
  whose_->setToolTip(tr("Whose work is shown (Alt+Shift+H: the next pair)"));
  connect(whose_, &QComboBox::activated, this, [this](int row) { work_.setPair(row + 1); });
  body->addWidget(whose_, 0, Qt::AlignLeft);
  nowTitle_ = wordsLabel("value");
  nowTitle_->setFont(face(18, QFont::DemiBold));
  nowTitle_->setMaximumHeight(74);
  body->addWidget(nowTitle_);
  nowWords_ = wordsLabel("label");
  body->addWidget(nowWords_);
  auto* row = new QHBoxLayout;
  row->setSpacing(14);
  count_ = new QLabel;
  count_->setFont(face(38, QFont::Bold));
  countWords_ = wordsLabel("label");
  row->addWidget(count_);
  row->addWidget(countWords_, 1);
  body->addLayout(row);
  bar_ = new TimeBar;
  body->addWidget(bar_);
  cautions_ = wordsLabel("caution");
  body->addWidget(cautions_);
  body->addStretch();
  auto* buttons = new QHBoxLayout;
  buttons->setSpacing(8);
  begin_ = new QPushButton(tr("Begin"));
  begin_->setToolTip(
      tr("Note that it is begun: nobody else is given it, and its time is taken (Alt+Shift+N)"));
  done_ = new QPushButton(tr("Done"));
  done_->setProperty("primary", true);
  done_->setToolTip(tr("Tick the step off (Ctrl+Return)"));
  wrong_ = new QPushButton(tr("Not right…"));
  wrong_->setToolTip(tr("What to do where the step before did not come out right"));
  auto* afar = new QPushButton(tr("From two metres"));
  afar->setToolTip(tr("One step over the whole screen (F11)"));
  buttons->addWidget(begin_, 2);
  buttons->addWidget(done_, 3);
  buttons->addWidget(wrong_, 2);
  buttons->addWidget(afar, 3);
  body->addLayout(buttons);
  connect(begin_, &QPushButton::clicked, this, &BenchStation::beginNow);
  connect(done_, &QPushButton::clicked, this, &BenchStation::doneNow);
  connect(wrong_, &QPushButton::clicked, this, &BenchStation::lookNow);
  connect(afar, &QPushButton::clicked, this, &BenchStation::showFromAfar);
  return card;
}

QWidget* BenchStation::stepsList() {
  auto* page = new QWidget;
  auto* column = new QVBoxLayout(page);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  steps_ = new QListWidget;
  steps_->setAccessibleName(tr("Steps of the cup in hand"));
  steps_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  steps_->setTextElideMode(Qt::ElideRight);
  column->addWidget(steps_, 1);
  auto* buttons = new QHBoxLayout;
  buttons->setSpacing(4);
  const auto button = [&](const QString& text, const QString& name, const auto& act) {
    auto* made = new QPushButton(text);
    made->setAccessibleName(name);
    made->setToolTip(name);
    made->setStyleSheet(QStringLiteral("padding: 4px 8px;"));
    connect(made, &QPushButton::clicked, this, act);
    buttons->addWidget(made);
    return made;
  };
  up_ = button(QStringLiteral("↑"), tr("Do it sooner"), [this] { moveStepBy(-1); });
  down_ = button(QStringLiteral("↓"), tr("Do it later"), [this] { moveStepBy(1); });
  edit_ = button(tr("Open…"), tr("Open the step"), [this] { askAboutStep(); });
  button(tr("Add…"), tr("Add a step of your own behind it"), [this] { addStepBehind(); });
  drop_ = button(tr("Drop"), tr("Drop the step; the end of the list keeps it, to put it back"),
                 [this] { dropStep(); });
  column->addLayout(buttons);
  connect(steps_, &QListWidget::currentRowChanged, this, [this](int row) {
    const auto cup = shownCup();
    if (!cup || row < 0) return;
    const BenchCup& one = work_.plan().cups[*cup];
    const auto step = static_cast<std::size_t>(row);
    dropped_.clear();
    if (step < one.steps.size()) {
      work_.pick(BenchWork::Place{*cup, step});
    } else if (step - one.steps.size() < one.dropped.size()) {
      dropped_ = one.dropped[step - one.steps.size()].id;
      pickedThen_ = work_.picked();
      refreshSteps();
    }
  });
  connect(steps_, &QListWidget::itemActivated, this, [this] { askAboutStep(); });
  return page;
}

QWidget* BenchStation::nextCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard({}, body);
  card->setAccessibleName(tr("What comes"));
  next_ = new QListWidget;
  next_->setAccessibleName(tr("Next, over all cups"));
  next_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  next_->setTextElideMode(Qt::ElideRight);
  connect(next_, &QListWidget::currentRowChanged, this, [this](int row) {
    if (row < 0 || row >= static_cast<int>(nextPlaces_.size())) return;
    const BenchWork::Place place = nextPlaces_[static_cast<std::size_t>(row)];
    if (work_.picked() == place) return;
    const int index = work_.indexOf(place.cup);
    work_.pick(place);
    order_.choose(index);
  });
  connect(next_, &QListWidget::itemActivated, this, [this] { askAboutStep(); });
  middle_ = new Pages(tr("What comes"), {tr("Next"), tr("This cup’s steps")}, {next_, stepsList()});
  body->addWidget(middle_, 1);
  return card;
}

QWidget* BenchStation::mixCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard({}, body);
  card->setAccessibleName(tr("Mix and times"));
  auto* mix = new QWidget;
  auto* column = new QVBoxLayout(mix);
  column->setContentsMargins(0, 0, 0, 0);
  mixTitle_ = wordsLabel("value");
  mix_ = new QLabel;
  mix_->setTextFormat(Qt::RichText);
  mix_->setWordWrap(true);
  mixWords_ = wordsLabel("label");
  column->addWidget(mixTitle_);
  column->addWidget(mix_);
  column->addWidget(mixWords_);
  column->addStretch();
  right_ = new Pages(tr("Mix or times"), {tr("Mix"), tr("Times")}, {mix, planPart()});
  body->addWidget(right_, 1);
  return card;
}

QWidget* BenchStation::planPart() {
  auto* page = new QWidget;
  auto* column = new QVBoxLayout(page);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  planWords_ = wordsLabel("label");
  trouble_ = wordsLabel("caution");
  auto* words = new QWidget;
  auto* inner = new QVBoxLayout(words);
  inner->setContentsMargins(0, 0, 0, 0);
  inner->addWidget(planWords_);
  inner->addWidget(trouble_);
  inner->addStretch();
  // There may be more to say than there is room.
  auto* area = new QScrollArea;
  plain(*area, words);
  area->setWidgetResizable(true);
  area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  area->setFocusPolicy(Qt::StrongFocus);
  area->setAccessibleName(tr("How the work stands"));
  column->addWidget(area, 1);
  auto* grid = new QGridLayout;
  grid->setSpacing(6);
  int at = 0;
  const auto button = [&](const QString& text, const auto& act) {
    auto* made = new QPushButton(text);
    made->setStyleSheet(QStringLiteral("padding: 4px 8px;"));
    connect(made, &QPushButton::clicked, this, act);
    grid->addWidget(made, at / 2, at % 2);
    ++at;
    return made;
  };
  button(tr("Times and hands…"), [this] { showTimes(); });
  button(tr("Resins, glues…"), [this] { showMethods(); });
  button(tr("Shopping list…"), [this] { showShopping(); });
  button(tr("Save plan…"), [this] { askAndSave(); });
  button(tr("Plan from now"), [this] { planAnew(); });
  dry_ = button(tr("Dry run"), [this] { dryRun(); });
  column->addLayout(grid);
  return page;
}

/// The cup in hand, by its place on the bench.
std::optional<std::size_t> BenchStation::shownCup() const {
  for (std::size_t i = 0; i < work_.plan().cups.size(); ++i) {
    if (work_.indexOf(i) == order_.currentIndex()) return i;
  }
  return std::nullopt;
}

/// The dropped step that is picked in the list of steps, at its end.
const Step* BenchStation::droppedInHand() const {
  const auto cup = shownCup();
  if (!cup) return nullptr;
  const std::vector<Step>& all = work_.plan().cups[*cup].dropped;
  const auto at =
      std::find_if(all.begin(), all.end(), [&](const Step& step) { return step.id == dropped_; });
  return at == all.end() ? nullptr : &*at;
}

int BenchStation::cupInHand() const {
  const auto picked = work_.picked();
  return picked ? work_.indexOf(picked->cup) : -1;
}

void BenchStation::refresh() {
  refreshNow();
  refreshNext();
  refreshSteps();
  refreshMix();
  refreshPlan();
  emit watched();
}

void BenchStation::refreshNow() {
  const auto place = work_.now();
  done_->setEnabled(place.has_value());
  begin_->setEnabled(place.has_value());
  const StepAtHand* begun = place ? work_.atHand(*place) : nullptr;
  begin_->setText(begun != nullptr ? tr("Leave it") : tr("Begin"));
  whose_->setVisible(work_.pairs() > 1);
  if (whose_->count() != work_.pairs()) {
    whose_->clear();
    for (int i = 1; i <= work_.pairs(); ++i) {
      whose_->addItem(tr("Hands %1 of %2").arg(i).arg(work_.pairs()));
    }
  }
  whose_->setCurrentIndex(work_.pair() - 1);
  QString title;
  QString words;
  QString count;
  QString countWords;
  double left = -1;
  bool urgent = false;
  QString cautions;
  if (!place) {
    title = work_.plan().cups.empty()       ? tr("Add a cup at the first station.")
            : !work_.plan().schedule        ? tr("No time is left for it.")
            : work_.plan().countLeft() == 0 ? tr("Everything is done.")
                                            : tr("Nothing is left for these hands.");
    if (!work_.plan().troubles.empty())
      words = say(work_.plan().troubles.front().words, order_.unit());
  } else {
    const BenchCup& cup = work_.plan().cups[place->cup];
    const Step& step = work_.stepAt(*place);
    title = say(step.words, order_.unit());
    words = tr("%1, step %2 of %3. %4")
                .arg(QString::fromStdString(cup.name))
                .arg(place->step + 1)
                .arg(cup.steps.size())
                .arg(say(reasonOf(step), order_.unit()));
    if (!step.note.empty()) words += tr(" Note: %1").arg(QString::fromStdString(step.note));
    for (const Caution caution : step.cautions) {
      cautions += (cautions.isEmpty() ? QString() : QStringLiteral(" ")) +
                  say(cautionWords(caution), order_.unit());
    }
    const auto window = work_.windowOf(place->cup);
    const qint64 starts = -secondsSince(work_.startOf(*place), clock_);
    if (begun != nullptr) {
      const double whole = std::max(1.0, step.handsOn.minutes() * 60);
      count = tr("%1 min").arg(-starts / 60);
      countWords = tr("at it, of about %1 min").arg(std::lround(step.handsOn.minutes()));
      left = std::clamp(static_cast<double>(-starts) / whole, 0.0, 1.0);
    } else if (window && window->opensIn > 0) {
      count = clockWordsOf(window->opensIn);
      countWords = tr("to wait: not before %1").arg(QString::fromStdString(clockText(*cup.opens)));
      constexpr double hour = 3600;
      left = std::min(1.0, static_cast<double>(window->opensIn) / hour);
    } else if (window && window->closesIn) {
      urgent = *window->closesIn < 180;
      count = clockWordsOf(*window->closesIn);
      countWords = *window->closesIn >= 0 ? tr("left before it sets") : tr("too late");
      const double whole = std::max(1.0, between(*cup.opens, *cup.closes).minutes() * 60);
      left = std::clamp(static_cast<double>(*window->closesIn) / whole, 0.0, 1.0);
    } else if (starts > 60) {
      const CivilTime at = work_.startOf(*place);
      constexpr qint64 day = 86400;
      count = starts < day ? QString::fromStdString(clockText(at))
                           : QString::fromStdString(dayText(at));
      countWords = starts < day ? tr("it begins, in %1").arg(clockWordsOf(starts))
                                : tr("at %1 it begins").arg(QString::fromStdString(clockText(at)));
    } else {
      count = QStringLiteral("%1 min").arg(std::lround(step.handsOn.minutes()));
      countWords = tr("of work, about");
    }
  }
  nowTitle_->setText(title);
  nowWords_->setText(words);
  count_->setText(count);
  count_->setVisible(!count.isEmpty());
  countWords_->setText(countWords);
  bar_->show(left, urgent);
  cautions_->setText(cautions);
  cautions_->setVisible(!cautions.isEmpty());
  // What was done last, on any cup, is what can be looked at.
  bool looked = false;
  for (const Cup& cup : order_.document().cups) looked = looked || !cup.bench.done.empty();
  wrong_->setEnabled(looked);
}

void BenchStation::refreshNext() {
  constexpr std::size_t most = 40;
  QStringList lines;
  nextPlaces_.clear();
  std::string day;
  for (std::size_t i = 0; i < most; ++i) {
    const auto place = work_.next(i);
    if (!place) break;
    const CivilTime start = work_.startOf(*place);
    const std::string today = dayText(start);
    QString time = QString::fromStdString(clockText(start));
    if (today != day && !(day.empty() && dayOf(start) == dayOf(clock_.now()))) {
      time = QString::fromStdString(today) + QLatin1Char(' ') + time;
    }
    day = today;
    lines << tr("%1  %2: %3")
                 .arg(time, QString::fromStdString(work_.plan().cups[place->cup].name),
                      say(work_.stepAt(*place).words, order_.unit()));
    nextPlaces_.push_back(*place);
  }
  const QSignalBlocker quiet(next_);
  showLines(*next_, lines);
  for (int i = 0; i < next_->count(); ++i) next_->item(i)->setToolTip(lines[i]);
  const auto picked = work_.picked();
  const auto at =
      picked ? std::find(nextPlaces_.begin(), nextPlaces_.end(), *picked) : nextPlaces_.end();
  next_->setCurrentRow(at == nextPlaces_.end() ? -1 : static_cast<int>(at - nextPlaces_.begin()));
}

void BenchStation::refreshSteps() {
  const QSignalBlocker quiet(steps_);
  const auto picked = work_.picked();
  QStringList lines;
  int row = -1;
  // A dropped step stays in hand until another is picked.
  if (picked != pickedThen_) dropped_.clear();
  if (const auto shown = shownCup()) {
    const std::size_t i = *shown;
    const BenchCup& cup = work_.plan().cups[i];
    for (std::size_t k = 0; k < cup.steps.size(); ++k) {
      const Step& step = cup.steps[k];
      const bool begun = work_.atHand({i, k}) != nullptr;
      QString line = cup.done[k] ? QStringLiteral("✓ ")
                     : begun     ? QStringLiteral("▸ ")
                                 : QStringLiteral("%1. ").arg(k + 1);
      line += say(step.words, order_.unit());
      const bool objected =
          std::any_of(cup.conflicts.begin(), cup.conflicts.end(),
                      [&](const StepConflict& conflict) { return conflict.step == step.id; });
      if (objected) line.prepend(QStringLiteral("▲ "));
      if (!step.note.empty()) line += tr(" (%1)").arg(QString::fromStdString(step.note));
      lines << line;
    }
    if (picked && picked->cup == i) row = static_cast<int>(picked->step);
    for (const Step& step : cup.dropped) {
      if (step.id == dropped_) row = static_cast<int>(lines.size());
      lines << tr("dropped: %1").arg(say(step.words, order_.unit()));
    }
  }
  showLines(*steps_, lines);
  for (int i = 0; i < steps_->count(); ++i) steps_->item(i)->setToolTip(lines[i]);
  steps_->setCurrentRow(row);
  const bool back = droppedInHand() != nullptr;
  const bool any = row >= 0 && !back;
  for (QPushButton* button : {up_, down_, edit_}) button->setEnabled(any);
  drop_->setEnabled(any || back);
  drop_->setText(back                               ? tr("Put back")
                 : any && work_.stepAt(*picked).own ? tr("Remove")
                                                    : tr("Drop"));
}

void BenchStation::refreshMix() {
  const auto picked = work_.picked();
  if (!picked) {
    mixTitle_->setText(tr("Nothing to mix"));
    mix_->clear();
    mixWords_->clear();
    return;
  }
  const std::vector<SharedMix> mixes = mixesOf(work_.plan());
  const SharedMix* mine = nullptr;
  for (const SharedMix& mix : mixes) {
    for (const auto& [cup, step] : mix.steps) {
      if (cup == picked->cup && step == picked->step) mine = &mix;
    }
  }
  const Step& step = work_.stepAt(*picked);
  SharedMix alone{{{picked->cup, picked->step}}, step.mix, step.working};
  if (mine == nullptr) mine = &alone;
  QStringList names;
  for (const auto& [cup, index] : mine->steps) {
    const QString name = QString::fromStdString(work_.plan().cups[cup].name);
    if (!names.contains(name)) names << name;
  }
  if (mine->mix.empty()) {
    mixTitle_->setText(tr("%1: nothing to mix").arg(names.join(tr(" and "))));
    mix_->clear();
    mixWords_->setText(say(step.words, order_.unit()));
    return;
  }
  mixTitle_->setText(tr("For %1").arg(names.join(tr(" and "))));
  QString table = QStringLiteral("<table width='100%' cellpadding='3'>");
  for (const MixPart& part : mine->mix.parts) {
    table += QStringLiteral(
                 "<tr><td>%1</td><td align='right'><b><span style='font-size:20px'>%2"
                 "</span></b></td><td align='right'><b><span style='font-size:20px'>%3"
                 "</span></b></td></tr>")
                 .arg(partName(part).toHtmlEscaped(),
                      part.volume ? amount(part.volume->ml(), tr("ml")) : QString(),
                      part.mass ? amount(part.mass->grams(), tr("g")) : QString());
  }
  mix_->setText(table + QStringLiteral("</table>"));
  QString words;
  if (step.method && step.working) {
    const Methods methods = methodsAt(order_.stock().methods, work_.choices().warmth);
    const Method& method = methods.of(*step.method);
    words = tr("%1 % stays in cup and brush. Use it within %2 min.")
                .arg(std::lround(method.mixing.lost * 100))
                .arg(std::lround(mine->working.value_or(method.working).minutes()));
    if (const auto warmth = work_.choices().warmth) {
      words += order_.unit() == Unit::inch
                   ? tr(" The room is at %1 °F.").arg(std::lround(warmth->fahrenheit()))
                   : tr(" The room is at %1 °C.").arg(std::lround(warmth->celsius()));
    }
    words += tr(" Nitrile gloves, fresh air; the maker’s data sheet goes first.");
  } else {
    words = tr("By the area it covers, and what your shop’s figures say.");
  }
  mixWords_->setText(words);
}

void BenchStation::refreshPlan() {
  const BenchPlan& plan = work_.plan();
  QStringList words;
  words << timeline_->headline() + QStringLiteral(".");
  Duration hands;
  for (const BenchCup& cup : plan.cups) {
    for (const std::size_t step : cup.left) hands = hands + cup.steps[step].handsOn;
  }
  if (plan.countLeft() > 0) {
    words << tr("%1 steps are left, %2 of work.")
                 .arg(plan.countLeft())
                 .arg(QString::fromStdString(timeText(hands)));
  }
  if (QString done = timeline_->whenDone(); !done.isEmpty()) {
    done[0] = done[0].toUpper();
    words << done + QLatin1Char('.');
  }
  if (const auto why = whyFirst(plan)) words << say(*why, order_.unit());
  for (const LearntTime& learnt : learntTimes(plan)) {
    words << tr("%1: you take %2 of what was reckoned (%3 times).")
                 .arg(workWords(learnt.kind), percentText(learnt.ofPlanned))
                 .arg(learnt.count);
  }
  if (const auto warmth = thermometer_.warmth()) {
    words << (order_.unit() == Unit::inch
                  ? tr("The room is at %1 °F, as measured.").arg(std::lround(warmth->fahrenheit()))
                  : tr("The room is at %1 °C, as measured.").arg(warmth->celsius()));
    if (*warmth < coldForResin) words << tr("That is cold for resin.");
  }
  planWords_->setText(words.join(QLatin1Char(' ')));
  QString trouble;
  if (clock_.damaged()) {
    trouble = tr("The timers’ file could not be read; timers go by the clock on the wall.");
  }
  if (const qint64 parted = clock_.parted(); parted != 0) {
    trouble = tr("The clock was set %1 by %2; timers go on by what has really passed. “Go by the "
                 "clock” in the menu takes the clock as right.")
                  .arg(parted > 0 ? tr("ahead") : tr("back"), clockWordsOf(parted));
  }
  if (!plan.troubles.empty()) trouble = say(plan.troubles.front().words, order_.unit());
  for (const BenchCup& cup : plan.cups) {
    if (!trouble.isEmpty() || cup.conflicts.empty()) continue;
    trouble = tr("%1: %2").arg(QString::fromStdString(cup.name),
                               say(cup.conflicts.front().words, order_.unit()));
  }
  trouble_->setText(trouble);
  trouble_->setVisible(!trouble.isEmpty());
  dry_->setText(clock_.pretends() ? tr("End the dry run") : tr("Dry run ×%1").arg(dryRunSpeed));
}

std::vector<WatchLine::Item> BenchStation::watches() const {
  std::vector<WatchLine::Item> items;
  const BenchPlan& plan = work_.plan();
  const auto fieldOf = [&](std::size_t cup, const std::string& step) {
    return QStringLiteral("bench.%1/%2")
        .arg(QString::fromStdString(plan.cups[cup].name), QString::fromStdString(step));
  };
  for (const BenchTrouble& trouble : plan.troubles) {
    items.push_back(
        {WatchLevel::warn, fieldOf(trouble.cup, trouble.step), say(trouble.words, order_.unit())});
  }
  for (const ShoppingLine& line : shoppingFor(plan, shelf_.supplies(), order_.stock().filling)) {
    if (!line.by) continue;
    items.push_back(
        {WatchLevel::warn, QStringLiteral("bench.supplies"),
         tr("%1 runs short on %2: %3 are wanted, and %4 are there. Buy it before.")
             .arg(QString::fromStdString(line.name), QString::fromStdString(dayText(*line.by)),
                  QString::fromStdString(amountText(line.needed, order_.unit())),
                  QString::fromStdString(amountText(line.there, order_.unit())))});
  }
  for (const FilmNeed& need : films_.missing()) {
    items.push_back(
        {WatchLevel::warn, QStringLiteral("bench.supplies"),
         (plan.due ? tr("%1 runs short before %2: %3 are wanted with your waste, and %4 are there. "
                        "Buy it before.")
                         .arg(QString::fromStdString(need.name),
                              QString::fromStdString(dayText(*plan.due)))
                   : tr("%1 runs short: %2 are wanted with your waste, and %3 are there. Buy it "
                        "before it is cut.")
                         .arg(QString::fromStdString(need.name)))
             .arg(say(need.needed, order_.unit()), say(need.there, order_.unit()))});
  }
  for (std::size_t i = 0; i < plan.cups.size(); ++i) {
    for (const StepConflict& conflict : plan.cups[i].conflicts) {
      items.push_back({WatchLevel::warn, fieldOf(i, conflict.step),
                       tr("%1: %2").arg(QString::fromStdString(plan.cups[i].name),
                                        say(conflict.words, order_.unit()))});
    }
  }
  return items;
}

bool BenchStation::goTo(const QString& field) {
  if (!field.startsWith(QStringLiteral("bench."))) return false;
  const BenchPlan& plan = work_.plan();
  for (std::size_t i = 0; i < plan.cups.size(); ++i) {
    const QString mine = QStringLiteral("bench.%1/").arg(QString::fromStdString(plan.cups[i].name));
    if (!field.startsWith(mine)) continue;
    const std::string step = field.mid(mine.size()).toStdString();
    const int index = work_.indexOf(i);
    for (std::size_t k = 0; k < plan.cups[i].steps.size(); ++k) {
      if (plan.cups[i].steps[k].id != step) continue;
      work_.pick(BenchWork::Place{i, k});
      break;
    }
    if (index >= 0) order_.choose(index);
    break;
  }
  middle_->show(stepsPage);
  steps_->setFocus();
  return true;
}

}  // namespace avrelt
