// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>

#include "app/bench/bench_station.h"
#include "app/fields/list_lines.h"
#include "app/order/bench_words.h"
#include "app/order/phrases.h"
#include "files/bench_files.h"

// What the station's cards show.

namespace avrelt {

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
    if (const auto whose = work_.keptBy(*place)) {
      words += tr(" Hands %1 are still at this cup.").arg(*whose);
    }
    if (!step.note.empty()) words += tr(" Note: %1").arg(QString::fromStdString(step.note));
    for (const Caution caution : step.cautions) {
      cautions += (cautions.isEmpty() ? QString() : QStringLiteral(" ")) +
                  say(cautionWords(caution), order_.unit());
    }
    const auto window = work_.windowOf(place->cup);
    const qint64 starts = -clock_.secondsSince(work_.startOf(*place));
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
                      part.volume ? QString::fromStdString(measured(*part.volume)) : QString(),
                      part.mass ? QString::fromStdString(measured(*part.mass)) : QString());
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
  if (const auto why = work_.whyFirst()) words << say(*why, order_.unit());
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

}  // namespace avrelt
