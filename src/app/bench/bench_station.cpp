// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/bench_station.h"

#include <algorithm>
#include <cmath>
#include <QAbstractItemView>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/fields/card.h"
#include "app/fields/labelled.h"
#include "app/fields/list_lines.h"
#include "app/fields/scrolled.h"
#include "app/fields/when_seen.h"
#include "app/look/theme.h"
#include "app/order/bench_words.h"
#include "app/order/phrases.h"
#include "files/bench_files.h"
#include "job/work.h"

namespace avrelt {

BenchStation::BenchStation(Order& order, Shelf& shelf, std::function<QString()> folder,
                           std::function<QString()> name, const QString& clockFile, QWidget* parent)
    : Desk(parent),
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

std::vector<WatchLine::Item> BenchStation::watches() const {
  std::vector<WatchLine::Item> items;
  const BenchPlan& plan = work_.plan();
  const auto whereOf = [&](std::size_t cup, const std::string& step) {
    Where where(Member::step, step);
    where.cup = static_cast<int>(cup);
    return where;
  };
  for (const BenchTrouble& trouble : plan.troubles) {
    items.push_back({entryOf(trouble.rule).level, whereOf(trouble.cup, trouble.step),
                     say(trouble.words, order_.unit())});
  }
  for (const ShoppingLine& line : shoppingFor(plan, shelf_.supplies(), order_.stock().filling)) {
    if (!line.by) continue;
    items.push_back(
        {entryOf(Rule::supplyShort).level, Member::supplies,
         tr("%1 runs short on %2: %3 are wanted, and %4 are there. Buy it before.")
             .arg(QString::fromStdString(line.name), QString::fromStdString(dayText(*line.by)),
                  QString::fromStdString(amountText(line.needed, order_.unit())),
                  QString::fromStdString(amountText(line.there, order_.unit())))});
  }
  for (const FilmNeed& need : films_.missing()) {
    items.push_back(
        {entryOf(Rule::supplyShort).level, Member::supplies,
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
      items.push_back({entryOf(conflict.rule).level, whereOf(i, conflict.step),
                       tr("%1: %2").arg(QString::fromStdString(plan.cups[i].name),
                                        say(conflict.words, order_.unit()))});
    }
  }
  return items;
}

bool BenchStation::goTo(const Where& where) {
  const BenchPlan& plan = work_.plan();
  const auto cup = static_cast<std::size_t>(where.cup);
  if (where.member == Member::step && where.cup >= 0 && cup < plan.cups.size()) {
    const int index = work_.indexOf(cup);
    const std::vector<Step>& steps = plan.cups[cup].steps;
    for (std::size_t k = 0; k < steps.size(); ++k) {
      if (steps[k].id == where.id) work_.pick(BenchWork::Place{cup, k});
    }
    if (index >= 0) order_.choose(index);
  }
  middle_->show(stepsPage);
  steps_->setFocus();
  return true;
}

}  // namespace avrelt

#include "moc_bench_station.cpp"
