// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/timeline_view.h"

#include <algorithm>
#include <cmath>
#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QToolTip>
#include <span>

#include "app/look/theme.h"
#include "app/order/bench_edits.h"
#include "app/order/phrases.h"
#include "files/bench_files.h"

namespace avrelt {
namespace {

constexpr double gap = 12;
/// What is dragged comes to whole marks of so many minutes.
constexpr int snap = 5;

CivilTime snapped(CivilTime time) {
  const auto minutes = time.time_since_epoch().count();
  return CivilTime(std::chrono::minutes((minutes + snap / 2) / snap * snap));
}

}  // namespace

TimelineView::TimelineView(BenchWork& work, QWidget* parent) : Canvas(parent), work_(work) {
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setAccessibleName(tr("Timeline"));
  connect(&work, &BenchWork::changed, this, &TimelineView::refresh);
  connect(&work, &BenchWork::ticked, this, qOverload<>(&QWidget::update));
  refresh();
}

void TimelineView::refresh() {
  const BenchPlan& plan = work_.plan();
  blocks_.clear();
  for (std::size_t cup = 0; cup < plan.cups.size(); ++cup) {
    const BenchCup& one = plan.cups[cup];
    for (std::size_t step = 0; step < one.steps.size(); ++step) {
      if (!one.done[step]) continue;
      const CivilTime to = one.done[step]->at;
      blocks_.push_back({{cup, step}, after(to, one.done[step]->took * -1), to, true});
    }
    if (one.atHand) {
      blocks_.push_back({{cup, one.atHand->step},
                         one.atHand->since,
                         one.atHand->ends,
                         false,
                         one.atHand->pair,
                         true});
    }
  }
  if (plan.schedule) {
    for (const ScheduledTask& task : plan.schedule->tasks) {
      blocks_.push_back({{task.chain, plan.stepIndex(task)},
                         plan.at(task.start),
                         plan.at(task.end),
                         false,
                         task.pair});
    }
  }
  std::stable_sort(blocks_.begin(), blocks_.end(), [](const Block& a, const Block& b) {
    return std::tuple(a.place.cup, a.from, a.place.step) <
           std::tuple(b.place.cup, b.from, b.place.step);
  });
  // A day for each date anything is done on, as long as what is worked then.
  std::map<CivilTime, Day> days;
  for (const Block& block : blocks_) {
    Day& day = days[dayOf(block.from)];
    if (day.to == CivilTime()) {
      const std::chrono::weekday weekday{
          std::chrono::sys_days(std::chrono::floor<std::chrono::days>(dayOf(block.from)))};
      const DayHours& hours = work_.order().document().bench.hours.days[weekday.c_encoding()];
      // Before the first day of work there are no hours.
      const auto& first = work_.order().document().bench.from;
      const bool works = hours.works() && (!first || dayOf(block.from) >= dayOf(*first));
      day.from = works ? dayOf(block.from) + hours.from : block.from;
      day.to = works ? dayOf(block.from) + hours.to : block.to;
    }
    day.from = std::min(day.from, block.from);
    day.to = std::max(day.to, block.to);
  }
  days_.clear();
  for (auto& [date, day] : days) days_.push_back(day);
  const auto picked = work_.picked();
  if (picked != shown_) {
    shown_ = picked;
    if (picked) reveal(*picked);
  }
  firstDay_ = std::clamp(firstDay_, 0, std::max(0, static_cast<int>(days_.size()) - 1));
  letGo();
  setAccessibleDescription(headline() + QStringLiteral(". ") + whenDone());
  layOut();
  update();
}

void TimelineView::reveal(const BenchWork::Place& place) {
  layOut();
  for (const Block& block : blocks_) {
    if (block.place != place) continue;
    for (std::size_t i = 0; i < days_.size(); ++i) {
      if (dayOf(days_[i].from) != dayOf(block.from)) continue;
      const int day = static_cast<int>(i);
      if (day < firstDay_) firstDay_ = day;
      if (day >= firstDay_ + shownDays_) firstDay_ = day - shownDays_ + 1;
    }
  }
  const int row = static_cast<int>(place.cup);
  if (row < firstRow_) firstRow_ = row;
  if (row >= firstRow_ + shownRows_) firstRow_ = row - std::max(1, shownRows_) + 1;
}

void TimelineView::layOut() {
  const int pairs = std::max(1, work_.order().document().bench.hands);
  const int cups = static_cast<int>(work_.plan().cups.size());
  constexpr double leastRow = 20;
  constexpr double mostRow = 54;
  constexpr double leastDay = 250;
  rowsTop_ = headHeight + dayHeight + 6;
  const double room = height() - rowsTop_ - 14;
  const int rows = cups + pairs;
  rowHeight_ = std::clamp(room / std::max(1, rows), leastRow, mostRow);
  shownRows_ = std::max(1, static_cast<int>(room / rowHeight_) - pairs);
  firstRow_ = std::clamp(firstRow_, 0, std::max(0, cups - shownRows_));
  const double wide = width() - labelWidth - 14;
  shownDays_ = std::clamp(static_cast<int>(wide / leastDay), 1, 4);
  const int count = std::min(shownDays_, static_cast<int>(days_.size()) - firstDay_);
  if (count <= 0) return;
  for (Day& day : days_) day.box = {};
  // Longer days are wider.
  double sum = 0;
  const std::span<Day> shown(days_.data() + firstDay_, static_cast<std::size_t>(count));
  for (const Day& day : shown) {
    sum += std::max(60.0, between(day.from, day.to).minutes());
  }
  double x = labelWidth;
  for (Day& day : shown) {
    const double share = std::max(60.0, between(day.from, day.to).minutes()) / sum;
    const double own = (wide - gap * (count - 1)) * share;
    day.box = QRectF(x, headHeight, own, height() - headHeight - 8);
    x += own + gap;
  }
}

double TimelineView::rowOf(std::size_t cup) const {
  return rowsTop_ + (static_cast<double>(cup) - firstRow_ + 0.5) * rowHeight_;
}

std::optional<QPointF> TimelineView::placeOf(CivilTime time, bool end) const {
  for (const Day& day : days_) {
    if (day.box.isEmpty()) continue;
    if (time < day.from || time > day.to || (time == day.to && !end && day.to > day.from)) continue;
    const double all = std::max(1.0, between(day.from, day.to).minutes());
    const double inner = day.box.width() - 16;
    return QPointF(day.box.left() + 8 + inner * between(day.from, time).minutes() / all, 0);
  }
  return std::nullopt;
}

std::optional<CivilTime> TimelineView::timeAt(double x) const {
  for (const Day& day : days_) {
    if (day.box.isEmpty() || x > day.box.right() + gap / 2) continue;
    const double inner = day.box.width() - 16;
    const double share = std::clamp((x - day.box.left() - 8) / inner, 0.0, 1.0);
    return after(day.from, between(day.from, day.to) * share);
  }
  return std::nullopt;
}

QRectF TimelineView::rectOf(const Block& block) const {
  const int row = static_cast<int>(block.place.cup);
  if (row < firstRow_ || row >= firstRow_ + shownRows_) return {};
  const auto from = placeOf(block.from);
  const auto to = placeOf(block.to, true);
  if (!from || !to) return {};
  const double tall = std::min(26.0, rowHeight_ * 0.66);
  const double middle = rowOf(block.place.cup);
  constexpr double least = 3;
  return {from->x(), middle - tall / 2, std::max(least, to->x() - from->x() - 1), tall};
}

QRectF TimelineView::blockOf(const BenchWork::Place& place) const {
  for (const Block& block : blocks_) {
    if (block.place == place) return rectOf(block);
  }
  return {};
}

std::optional<TimelineView::Block> TimelineView::blockAt(QPointF at) const {
  for (const Block& block : blocks_) {
    if (rectOf(block).adjusted(-2, -3, 2, 3).contains(at)) return block;
  }
  return std::nullopt;
}

QString TimelineView::headline() const {
  const BenchChoices& choices = work_.order().document().bench;
  if (work_.plan().cups.empty()) return tr("No cups yet");
  if (days_.empty()) return tr("Nothing is left to do");
  const int days = static_cast<int>(days_.size());
  const QString evenings = days == 1 ? tr("One day") : tr("%1 days").arg(days);
  const QString turners =
      choices.turners == 1 ? tr("one turner") : tr("%1 turners").arg(choices.turners);
  const QString hands =
      choices.hands == 1 ? tr("one pair of hands") : tr("%1 pairs of hands").arg(choices.hands);
  return tr("%1, %2, %3").arg(evenings, turners, hands);
}

QString TimelineView::whenDone() const {
  const BenchPlan& plan = work_.plan();
  if (!plan.schedule) {
    return plan.cups.empty() ? QString() : tr("There is no time for all of it: see below.");
  }
  if (plan.schedule->tasks.empty()) return {};
  const CivilTime ends = plan.at(plan.schedule->ends);
  QString words = tr("done %1 %2").arg(dayWords(ends), clockWords(ends));
  if (const auto& due = work_.order().document().bench.due) {
    const Duration by = between(ends, *due);
    const auto minutes = std::abs(std::lround(by.minutes()));
    const QString far = minutes >= 2880 ? tr("%1 days").arg(minutes / 1440)
                        : minutes >= 60 ? tr("%1 h %2 min").arg(minutes / 60).arg(minutes % 60)
                                        : tr("%1 min").arg(minutes);
    words += by >= Duration() ? tr(", %1 before it is due").arg(far)
                              : tr(", %1 after it is due").arg(far);
  }
  if (work_.searching()) {
    words += tr(" · looking for sooner");
  } else if (plan.proven) {
    words += tr(" · it cannot be sooner");
  } else {
    const CivilTime bound = plan.at(plan.bound);
    words += tr(" · never before %1 %2").arg(dayWords(bound), clockWords(bound));
  }
  return words;
}

QString TimelineView::wordsOf(const Block& block) const {
  const Step& step = work_.stepAt(block.place);
  QString words = tr("%1–%2 %3: %4")
                      .arg(clockWords(block.from), clockWords(block.to),
                           QString::fromStdString(work_.plan().cups[block.place.cup].name),
                           say(step.words, work_.unit()));
  if (block.done) words = tr("Done. %1").arg(words);
  if (block.atHand) words = tr("In hand. %1").arg(words);
  const QString slack = slackWords(block.place);
  return slack.isEmpty() ? words : words + QLatin1Char('\n') + slack;
}

QString TimelineView::slackWords(const BenchWork::Place& place) const {
  const auto slack = work_.slackOf(place);
  if (!slack) return {};
  return *slack < Duration::minutes(1) ? tr("Begun any later, all would be done later.")
                                       : tr("Begun up to %1 later, all would be done as soon.")
                                             .arg(QString::fromStdString(timeText(*slack)));
}

void TimelineView::hideEvent(QHideEvent* event) {
  letGo();
  Canvas::hideEvent(event);
}

void TimelineView::letGo() {
  drag_.reset();
  work_.hold(false);
}

bool TimelineView::event(QEvent* event) {
  if (event->type() == QEvent::ToolTip) {
    const auto* help = static_cast<QHelpEvent*>(event);
    if (const auto block = blockAt(help->pos())) {
      QToolTip::showText(help->globalPos(), wordsOf(*block), this);
    } else {
      QToolTip::hideText();
    }
    return true;
  }
  return Canvas::event(event);
}

std::optional<TimelineView::Drag> TimelineView::dragFor(const Block& block) const {
  const auto window = startWindow(work_.plan(), block.place.cup, block.place.step);
  if (block.done || block.atHand || !window) return std::nullopt;
  return Drag{block.place, window->earliest, window->latest, between(block.from, block.to),
              block.from};
}

void TimelineView::pick(BenchWork::Place place) {
  const int index = work_.indexOf(place.cup);
  work_.pick(place);
  if (index >= 0) work_.order().choose(index);
}

void TimelineView::beginAt(const BenchWork::Place& place, std::optional<CivilTime> start) {
  const int index = work_.indexOf(place.cup);
  if (index < 0) return;
  const Step step = work_.stepAt(place);
  changeStep(
      work_.order(), index,
      start ? tr("Begin no sooner than %1").arg(clockWords(*start)) : tr("Begin when it can"), step,
      [start](StepChange& change) { change.notBefore = start; },
      QStringLiteral("bench.begin.") + QString::fromStdString(step.id));
  if (work_.order().currentIndex() == index) (void)work_.order().presentPlan();
  work_.planNow();
}

void TimelineView::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  const auto block = blockAt(event->position());
  if (!block) {
    // A name takes its cup.
    const double row = (event->position().y() - rowsTop_) / rowHeight_ + firstRow_;
    const auto cup = static_cast<std::size_t>(std::max(0.0, row));
    if (event->position().x() >= labelWidth || row < 0 || cup >= work_.plan().cups.size()) return;
    const BenchCup& one = work_.plan().cups[cup];
    if (one.atHand) {
      pick({cup, one.atHand->step});
    } else if (!one.left.empty()) {
      pick({cup, one.left.front()});
    }
    return;
  }
  pick(block->place);
  drag_ = dragFor(*block);
  if (!drag_) return;
  work_.hold(true);
  if (const auto at = placeOf(block->from)) drag_->grip = event->position().x() - at->x();
}

void TimelineView::mouseMoveEvent(QMouseEvent* event) {
  if (!drag_ || (event->buttons() & Qt::LeftButton) == 0) {
    setCursor(blockAt(event->position()) ? Qt::PointingHandCursor : Qt::ArrowCursor);
    return;
  }
  const auto time = timeAt(event->position().x() - drag_->grip);
  if (!time) return;
  CivilTime start = std::max(snapped(*time), drag_->earliest);
  if (drag_->latest) start = std::min(start, std::max(*drag_->latest, drag_->earliest));
  drag_->moved = drag_->moved || start != drag_->start;
  drag_->start = start;
  update();
}

void TimelineView::mouseReleaseEvent(QMouseEvent* /*event*/) {
  if (!drag_) return;
  const Drag drag = *drag_;
  letGo();
  update();
  if (!drag.moved) return;
  work_.order().settle();
  beginAt(drag.place, drag.start == drag.earliest ? std::nullopt : std::optional(drag.start));
  work_.order().settle();
}

void TimelineView::mouseDoubleClickEvent(QMouseEvent* event) {
  if (blockAt(event->position())) emit stepOpened();
}

void TimelineView::keyPressEvent(QKeyEvent* event) {
  const auto picked = work_.picked();
  const bool shift = event->modifiers().testFlag(Qt::ShiftModifier);
  const int key = event->key();
  if (key == Qt::Key_PageDown || key == Qt::Key_PageUp) {
    firstDay_ = std::clamp(firstDay_ + (key == Qt::Key_PageDown ? 1 : -1), 0,
                           std::max(0, static_cast<int>(days_.size()) - 1));
    layOut();
    update();
    return;
  }
  if (!picked) return Canvas::keyPressEvent(event);
  const auto at = std::find_if(blocks_.begin(), blocks_.end(),
                               [&](const Block& block) { return block.place == *picked; });
  if (at == blocks_.end()) return Canvas::keyPressEvent(event);
  if (takes(key)) {
    emit stepOpened();
  } else if (key == Qt::Key_Delete || key == Qt::Key_Backspace) {
    beginAt(*picked, std::nullopt);
  } else if (shift && (key == Qt::Key_Left || key == Qt::Key_Right)) {
    const auto drag = dragFor(*at);
    if (!drag) return;
    const auto by = std::chrono::minutes(key == Qt::Key_Right ? snap : -snap);
    CivilTime start = std::max(snapped(at->from) + by, drag->earliest);
    if (drag->latest) start = std::min(start, std::max(*drag->latest, drag->earliest));
    beginAt(*picked, start == drag->earliest ? std::nullopt : std::optional(start));
  } else if (key == Qt::Key_Left && at != blocks_.begin() && (at - 1)->place.cup == picked->cup) {
    pick((at - 1)->place);
  } else if (key == Qt::Key_Right && at + 1 != blocks_.end() &&
             (at + 1)->place.cup == picked->cup) {
    pick((at + 1)->place);
  } else if (key == Qt::Key_Up || key == Qt::Key_Down) {
    // The step of the next cup that begins nearest.
    const Block* best = nullptr;
    const auto wanted = static_cast<std::ptrdiff_t>(picked->cup) + (key == Qt::Key_Down ? 1 : -1);
    for (const Block& block : blocks_) {
      if (static_cast<std::ptrdiff_t>(block.place.cup) != wanted) continue;
      if (best == nullptr ||
          std::abs((block.from - at->from).count()) < std::abs((best->from - at->from).count())) {
        best = &block;
      }
    }
    if (best != nullptr) pick(best->place);
  } else {
    Canvas::keyPressEvent(event);
  }
}

void TimelineView::wheelEvent(QWheelEvent* event) {
  const int by = event->angleDelta().y() != 0 ? event->angleDelta().y() : event->angleDelta().x();
  if (by == 0) return;
  const int cups = static_cast<int>(work_.plan().cups.size());
  if (shownRows_ < cups && !event->modifiers().testFlag(Qt::ShiftModifier)) {
    firstRow_ = std::clamp(firstRow_ + (by < 0 ? 1 : -1), 0, cups - shownRows_);
  } else {
    firstDay_ = std::clamp(firstDay_ + (by < 0 ? 1 : -1), 0,
                           std::max(0, static_cast<int>(days_.size()) - 1));
  }
  event->accept();
  update();
}

}  // namespace avrelt

#include "moc_timeline_view.cpp"
