// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <QDialog>
#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QPlainTextEdit>
#include <QScreen>
#include <QVBoxLayout>

#include "app/bench/bench_station.h"
#include "app/bench/methods_dialog.h"
#include "app/bench/standoff_view.h"
#include "app/bench/step_dialog.h"
#include "app/bench/times_dialog.h"
#include "app/fields/dialog_close.h"
#include "app/fields/labelled.h"
#include "app/fields/on_screen.h"
#include "app/order/bench_edits.h"
#include "app/order/bench_words.h"
#include "app/order/phrases.h"
#include "files/bench_files.h"
#include "files/disk.h"
#include "job/estimate.h"
#include "job/steps.h"
#include "job/work.h"

// What the station's buttons and menu do.

namespace avrelt {

/// What is dropped can only be put back; says so.
bool BenchStation::isDroppedInHand() {
  const Step* dropped = droppedInHand();
  if (dropped == nullptr) return false;
  emit said(tr("“%1” is dropped. Put it back first.").arg(say(dropped->words, order_.unit())));
  return true;
}

/// Whether others are at its cup; says so.
bool BenchStation::isKept(const BenchWork::Place& place) {
  const auto whose = work_.keptBy(place);
  if (!whose) return false;
  emit said(tr("Hands %1 are still at %2. Tick that off, or leave it, first.")
                .arg(*whose)
                .arg(QString::fromStdString(work_.plan().cups[place.cup].name)));
  return true;
}

void BenchStation::beginNow() {
  const auto place = work_.now();
  if (!place) return;
  const QString name = QString::fromStdString(work_.plan().cups[place->cup].name);
  if (work_.atHand(*place) != nullptr) {
    work_.leave(*place);
    emit said(tr("%1: nobody is at it any more.").arg(name));
    return;
  }
  if (isKept(*place)) return;
  const auto window = work_.windowOf(place->cup);
  work_.begin(*place);
  emit said(window && window->opensIn > 0
                ? tr("%1: begun %2 before it should be. Look whether what lies below has set.")
                      .arg(name, clockWordsOf(window->opensIn))
                : tr("%1: begun. Its time is taken until it is done.").arg(name));
}

void BenchStation::nextPair() {
  if (work_.pairs() == 1) {
    emit said(tr("There is one pair of hands. “Times and hands” takes more."));
    return;
  }
  work_.setPair(work_.pair() % work_.pairs() + 1);
}

void BenchStation::doneNow() {
  if (const auto place = work_.now()) done(*place);
}

void BenchStation::donePicked() {
  if (isDroppedInHand()) return;
  const auto place = work_.picked();
  if (!place) return;
  const BenchCup& cup = work_.plan().cups[place->cup];
  const QString words = say(work_.stepAt(*place).words, order_.unit());
  if (cup.done[place->step]) {
    emit said(tr("“%1” is ticked off already.").arg(words));
    return;
  }
  if (isKept(*place)) return;
  const bool atIt = cup.atHand && cup.atHand->step == place->step;
  if (!atIt && !cup.left.empty() && cup.left.front() != place->step) {
    const Step& first = cup.steps[cup.left.front()];
    emit said(tr("%1: first comes “%2”.")
                  .arg(QString::fromStdString(cup.name), say(first.words, order_.unit())));
    return;
  }
  done(*place);
  // The next is in hand then.
  work_.pick(std::nullopt);
}

void BenchStation::done(const BenchWork::Place& place) {
  if (isKept(place)) return;
  const Step step = work_.stepAt(place);
  const QString name = QString::fromStdString(work_.plan().cups[place.cup].name);
  const auto window = work_.windowOf(place.cup);
  work_.done(place);
  if (window && window->opensIn > 0) {
    emit said(tr("%1: done %2 before it should have been. Look whether what lies below has set.")
                  .arg(name, clockWordsOf(window->opensIn)));
  } else if (window && window->closesIn && *window->closesIn < 0) {
    emit said(tr("%1: done %2 too late. Look whether it came out right.")
                  .arg(name, clockWordsOf(*window->closesIn)));
  } else {
    const auto look = lookAfter(step, order_.stock().methods);
    emit said(
        look
            ? tr("%1: done. %2 If not: “Not right…”.").arg(name, say(look->question, order_.unit()))
            : tr("%1: done.").arg(name));
  }
}

void BenchStation::undoLast() {
  emit said(work_.undoLast() ? tr("The last tick is taken back.")
                             : tr("Nothing is ticked off yet."));
}

void BenchStation::lookNow() {
  const BenchPlan& plan = work_.plan();
  std::optional<BenchWork::Place> last;
  CivilTime at;
  for (std::size_t i = 0; i < plan.cups.size(); ++i) {
    for (std::size_t k = 0; k < plan.cups[i].steps.size(); ++k) {
      const auto& done = plan.cups[i].done[k];
      if (!done || plan.cups[i].steps[k].own || (last && done->at < at)) continue;
      if (!lookAfter(plan.cups[i].steps[k], order_.stock().methods)) continue;
      last = BenchWork::Place{i, k};
      at = done->at;
    }
  }
  if (!last) {
    emit said(tr("Nothing was done yet that is looked at."));
    return;
  }
  const Step step = work_.stepAt(*last);
  const int cup = work_.indexOf(last->cup);
  const auto look = lookAfter(step, order_.stock().methods);
  LookDialog dialog(step, *look, order_.unit(), this);
  if (dialog.exec() != QDialog::Accepted) return;
  mend(order_, cup, step, look->remedies[dialog.chosen()]);
  work_.planNow();
}

void BenchStation::showFromAfar() {
  if (afar_ != nullptr) {
    afar_->raise();
    afar_->setFocus();
    return;
  }
  auto* afar = new StandoffView(work_, this);
  afar_ = afar;
  // As large as the screen also where nobody manages windows.
  afar->setGeometry(screen()->geometry());
  afar->showFullScreen();
  afar->setFocus();
}

void BenchStation::askAboutStep() {
  if (isDroppedInHand()) return;
  const auto place = work_.picked();
  const int cup = cupInHand();
  if (!place || cup < 0) return;
  const Step step = work_.stepAt(*place);
  std::optional<Step> planned;
  if (const CupPlan* plan = order_.plan(cup)) {
    for (const Step& one : stepsOf(*plan, work_.choices(), order_.stock())) {
      if (one.id == step.id) planned = one;
    }
  }
  StepDialog dialog(step, order_.unit(), this);
  dialog.offer(methodsAt(order_.stock().methods, work_.choices().warmth));
  if (const QString slack = timeline_->slackWords(*place); !slack.isEmpty()) {
    dialog.addWords(slack);
  }
  if (dialog.exec() != QDialog::Accepted) return;
  changeStep(order_, cup, tr("Change a step"), step, [&](StepChange& change) {
    if (step.own) change.text = dialog.words().toStdString();
    // What is as the plan has it, to the minute, stays the plan's.
    const auto rounded = [](Duration duration) { return std::lround(duration.minutes()); };
    constexpr double none = -1;
    const auto mostOf = [&](const Wait& wait) {
      return rounded(wait.most.value_or(Duration::minutes(none)));
    };
    const Wait wait = dialog.wait();
    change.handsOn = dialog.handsOn();
    change.wait = wait;
    if (planned && rounded(planned->handsOn) == rounded(dialog.handsOn())) {
      change.handsOn.reset();
    }
    if (planned && rounded(planned->wait.least) == rounded(wait.least) &&
        mostOf(planned->wait) == mostOf(wait)) {
      change.wait.reset();
    }
    change.note = dialog.note().toStdString();
  });
  work_.planNow();
}

void BenchStation::addStepBehind() {
  if (isDroppedInHand()) return;
  const auto place = work_.picked();
  const int cup = cupInHand();
  if (!place || cup < 0) return;
  Step fresh;
  fresh.own = true;
  fresh.words = {"%1", {std::string()}};
  fresh.handsOn = Duration::minutes(5);
  StepDialog dialog(fresh, order_.unit(), this);
  dialog.offer(methodsAt(order_.stock().methods, work_.choices().warmth));
  if (dialog.exec() != QDialog::Accepted) return;
  addStep(order_, cup, work_.stepAt(*place).id, dialog.words(), dialog.handsOn(), dialog.wait());
  work_.planNow();
}

void BenchStation::dropStep() {
  if (const Step* dropped = droppedInHand()) {
    const Step step = *dropped;
    dropped_.clear();
    changeStep(order_, order_.currentIndex(), tr("Put a step back"), step,
               [](StepChange& change) { change.dropped = false; });
    (void)order_.presentPlan();
    work_.planNow();
    const auto cup = shownCup();
    for (std::size_t i = 0; cup && i < work_.plan().cups[*cup].steps.size(); ++i) {
      if (work_.plan().cups[*cup].steps[i].id == step.id) work_.pick(BenchWork::Place{*cup, i});
    }
    emit said(tr("“%1” is done again.").arg(say(step.words, order_.unit())));
    return;
  }
  const auto place = work_.picked();
  const int cup = cupInHand();
  if (!place || cup < 0) return;
  const Step step = work_.stepAt(*place);
  if (step.own) {
    removeOwnStep(order_, cup, step);
  } else {
    changeStep(order_, cup, tr("Drop a step"), step,
               [](StepChange& change) { change.dropped = true; });
    emit said(tr("“%1” is dropped. At the end of the list it can be put back.")
                  .arg(say(step.words, order_.unit())));
  }
  work_.planNow();
}

void BenchStation::moveStepBy(int by) {
  if (isDroppedInHand()) return;
  const auto place = work_.picked();
  const int cup = cupInHand();
  if (!place || cup < 0) return;
  const std::vector<Step> steps = work_.plan().cups[place->cup].steps;
  const auto to = static_cast<std::ptrdiff_t>(place->step) + by;
  if (to < 0 || to >= static_cast<std::ptrdiff_t>(steps.size())) return;
  moveStep(order_, cup, steps, place->step, static_cast<std::size_t>(to));
  work_.planNow();
}

void BenchStation::showTimes() {
  TimesDialog dialog(order_.document().bench, clock_.now(), order_.unit(), this);
  if (dialog.exec() != QDialog::Accepted) return;
  changeBench(order_, tr("Set times and hands"),
              [&](BenchChoices& choices) { choices = dialog.choices(); });
  work_.planNow();
}

void BenchStation::showMethods() {
  MethodsDialog dialog(order_.stock().methods, this);
  if (dialog.exec() != QDialog::Accepted) return;
  if (shelf_.put(dialog.methods())) emit said(tr("Kept, for this order and all others."));
}

QStringList BenchStation::shoppingWords() {
  QStringList lines;
  const auto text = [&](const Amount& of) {
    return QString::fromStdString(amountText(of, order_.unit()));
  };
  for (const ShoppingLine& line :
       shoppingFor(work_.plan(), shelf_.supplies(), order_.stock().filling)) {
    if (line.supply.empty()) {
      QStringList amounts;
      if (line.part.volume) amounts << QString::fromStdString(measured(*line.part.volume));
      if (line.part.mass) amounts << QString::fromStdString(measured(*line.part.mass));
      lines << tr("%1: %2").arg(partName(line.part), amounts.join(QStringLiteral(", ")));
      continue;
    }
    const QString name = QString::fromStdString(line.name);
    if (!line.counted) {
      lines << tr("%1: %2, not counted").arg(name, text(line.needed));
    } else if (line.toBuy.units() > 0) {
      QString words = tr("▲ %1: %2 of %3, buy %4")
                          .arg(name, text(line.needed), text(line.there), text(line.toBuy));
      if (line.by) words += tr(" by %1").arg(QString::fromStdString(dayText(*line.by)));
      lines << words;
    } else {
      lines << tr("%1: %2 of %3").arg(name, text(line.needed), text(line.there));
    }
  }
  std::vector<const CupPlan*> cups;
  for (int i = 0; i < static_cast<int>(order_.document().cups.size()); ++i) {
    if (const CupPlan* cup = order_.plan(i)) {
      cups.push_back(cup);
    } else {
      lines << tr("▲ %1 cannot be planned yet: what it takes is not in this.")
                   .arg(QString::fromStdString(
                       order_.document().cups[static_cast<std::size_t>(i)].name));
    }
  }
  for (const FilmNeed& need : filmNeeds(cups, shelf_.films(), shelf_.moneyRules().waste)) {
    const QString name = QString::fromStdString(need.name);
    const QString needed = say(need.needed, order_.unit());
    const QString there = say(need.there, order_.unit());
    if (need.film == 0) {
      lines << tr("%1: %2, not on the shelf").arg(name, needed);
    } else if (need.tooLittle()) {
      lines << tr("▲ %1: %2 of %3, too little").arg(name, needed, there);
    } else {
      lines << tr("%1: %2 of %3").arg(name, needed, there);
    }
  }
  if (lines.isEmpty()) lines << tr("Nothing.");
  return lines;
}

void BenchStation::showShopping() {
  QDialog dialog(this);
  dialog.setWindowTitle(tr("What is left takes"));
  openAt(dialog, {460, 420});
  auto* column = new QVBoxLayout(&dialog);
  auto* text = new QPlainTextEdit;
  text->setReadOnly(true);
  text->setAccessibleName(dialog.windowTitle());
  text->setPlainText(shoppingWords().join(QLatin1Char('\n')));
  column->addWidget(text, 1);
  auto* words = wordsLabel("label");
  words->setText(tr(
      "What a supply of your shop has is reckoned from its last count; what no supply is chosen "
      "for is only summed up. Film is by area, with your share of waste: whether it fits on what "
      "is there, the Cut station says."));
  column->addWidget(words);
  closeBelow(dialog, *column);
  dialog.exec();
}

std::optional<QString> BenchStation::savePlan(const QString& path) {
  const InWords words = [this](const Sentence& sentence) {
    return say(sentence, order_.unit()).toStdString();
  };
  const std::string name = name_().toStdString();
  const bool pages = path.endsWith(QStringLiteral(".pdf"), Qt::CaseInsensitive);
  const std::string text = pages
                               ? benchPdf(work_.plan(), name, order_.document().printPaper(), words)
                               : benchCalendar(work_.plan(), name, words);
  if (text.empty()) return tr("There is no schedule to save. Set longer hours first.");
  if (const auto fault = writeFile(path.toStdString(), text)) return say(*fault, order_.unit());
  return std::nullopt;
}

void BenchStation::askAndSave() {
  const QString pages = tr("Pages to hang up (*.pdf)");
  QString kind;
  QString path =
      QFileDialog::getSaveFileName(this, tr("Save the bench’s plan"),
                                   QDir(folder_()).filePath(name_() + QStringLiteral(" bench")),
                                   pages + QStringLiteral(";;") + tr("Calendar (*.ics)"), &kind);
  if (path.isEmpty()) return;
  if (QFileInfo(path).suffix().isEmpty()) {
    path += kind == pages ? QStringLiteral(".pdf") : QStringLiteral(".ics");
  }
  const auto fault = savePlan(path);
  emit said(fault ? *fault : tr("Saved to %1.").arg(path));
}

void BenchStation::dryRun() {
  if (clock_.pretends()) {
    clock_.endPretending();
    // What was ticked off in pretended time was not done.
    QUndoStack& history = *order_.history();
    const bool any = history.index() > beforeDryRun_;
    if (any) history.setIndex(beforeDryRun_);
    work_.planNow();
    emit said(any ? tr("The dry run is over, and all that was changed in it is undone. Redo brings "
                       "it back.")
                  : tr("The dry run is over."));
    return;
  }
  order_.settle();
  beforeDryRun_ = order_.history()->index();
  const auto place = work_.now();
  clock_.pretend(place ? work_.startOf(*place) : clock_.now(), dryRunSpeed);
  emit said(tr("A dry run: a minute passes each second. At its end all ticks are undone."));
}

void BenchStation::begin() {
  // A dry run is of one order.
  if (clock_.pretends()) clock_.endPretending();
  films_.begin();
  work_.pick(std::nullopt);
  work_.planNow();
}

void BenchStation::planAnew() {
  const Duration late = work_.late();
  const CivilTime now = clock_.now();
  // An order that was to begin later begins now.
  if (order_.document().bench.from > now) {
    changeBench(order_, tr("Begin now"), [now](BenchChoices& choices) { choices.from = now; });
  }
  work_.planNow();
  emit said(late > Duration()
                ? tr("Planned from now on, %1 late. %2")
                      .arg(QString::fromStdString(timeText(late)), timeline_->whenDone())
                : tr("Planned from now on: %1").arg(timeline_->whenDone()));
}

void BenchStation::readRoom() {
  if (thermometer_.wanted()) {
    thermometer_.leave();
    emit said(tr("The thermometer is left alone. Waits go by the warmth that was typed."));
    return;
  }
  thermometer_.connectTo(RoomThermometer::usualSocket());
}

void BenchStation::goByTheWall() {
  clock_.goByTheWall();
  work_.planNow();
  emit said(tr("Timers go by the clock on the wall."));
}

}  // namespace avrelt
