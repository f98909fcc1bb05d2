// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/standoff_view.h"

#include <algorithm>
#include <cmath>
#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusPendingCallWatcher>
#include <QDBusPendingReply>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "app/bench/bench_bell.h"
#include "app/look/painting.h"
#include "app/look/theme.h"
#include "app/order/phrases.h"

namespace avrelt {
namespace {

constexpr char saverService[] = "org.freedesktop.ScreenSaver";

/// As large as fits in so many lines, no larger than `most`.
QFont fitting(const QString& words, QFont font, const QSizeF& room, int most, int least) {
  for (int pixels = most; pixels > least; pixels -= 2) {
    font.setPixelSize(pixels);
    const QRectF needs = QFontMetricsF(font).boundingRect(QRectF(0, 0, room.width(), 10000),
                                                          Qt::TextWordWrap | Qt::AlignLeft, words);
    if (needs.height() <= room.height() && needs.width() <= room.width()) return font;
  }
  font.setPixelSize(least);
  return font;
}

}  // namespace

StandoffView::StandoffView(BenchWork& work, QWidget* parent)
    : QWidget(parent, Qt::Window), work_(work) {
  setAttribute(Qt::WA_DeleteOnClose);
  setWindowTitle(tr("From two metres"));
  setAccessibleName(windowTitle());
  setFocusPolicy(Qt::StrongFocus);
  round_ = new RoundView(work.order(), this);
  round_->setFocusPolicy(Qt::NoFocus);
  round_->setAttribute(Qt::WA_TransparentForMouseEvents);
  round_->showZones(true);
  round_->hideHints();
  connect(&work, &BenchWork::changed, this, [this] {
    showCup();
    update();
  });
  connect(&work, &BenchWork::ticked, this, qOverload<>(&QWidget::update));
  keepAwake(true);
  showCup();
}

StandoffView::~StandoffView() {
  keepAwake(false);
}

void StandoffView::keepAwake(bool on) {
  QDBusConnection bus = QDBusConnection::sessionBus();
  if (!bus.isConnected()) return;
  QDBusMessage call = QDBusMessage::createMethodCall(
      QLatin1String(saverService), QStringLiteral("/org/freedesktop/ScreenSaver"),
      QLatin1String(saverService), on ? QStringLiteral("Inhibit") : QStringLiteral("UnInhibit"));
  if (!on) {
    if (awake_ == 0) return;
    call << awake_;
    bus.asyncCall(call);
    return;
  }
  call << QStringLiteral("Avrelt") << tr("A step at the bench is shown.");
  auto* watcher = new QDBusPendingCallWatcher(bus.asyncCall(call), this);
  connect(watcher, &QDBusPendingCallWatcher::finished, this, [this, watcher] {
    const QDBusPendingReply<uint> reply = *watcher;
    if (reply.isValid()) awake_ = reply.value();
    watcher->deleteLater();
  });
}

QString StandoffView::title() const {
  const auto place = work_.now();
  if (!place) return tr("Nothing is left to do");
  return say(work_.stepAt(*place).words, work_.unit());
}

QString StandoffView::countdown() const {
  const auto place = work_.now();
  if (!place) return {};
  if (const StepAtHand* begun = work_.atHand(*place)) {
    return tr("%1 min").arg(work_.clock().secondsSince(begun->since) / 60);
  }
  const auto window = work_.windowOf(place->cup);
  if (!window) return {};
  if (window->opensIn > 0) return clockWordsOf(window->opensIn);
  return window->closesIn ? clockWordsOf(*window->closesIn) : QString();
}

/// "Now", or the time, or the day it begins on.
QString StandoffView::whenItBegins(const BenchWork::Place& place) const {
  const CivilTime start = work_.startOf(place);
  const CivilTime now = work_.clock().now();
  if (start <= now + std::chrono::minutes(1)) return tr("Now");
  return QString::fromStdString(dayOf(start) == dayOf(now) ? clockText(start) : dayText(start));
}

void StandoffView::next() {
  // One knock is one step, also where a glove knocks twice.
  constexpr qint64 knock = 700;
  const QDateTime now = QDateTime::currentDateTimeUtc();
  if (last_.isValid() && last_.msecsTo(now) < knock) return;
  last_ = now;
  if (const auto place = work_.now()) (void)work_.done(*place);
}

void StandoffView::mousePressEvent(QMouseEvent* /*event*/) {
  next();
}

void StandoffView::keyPressEvent(QKeyEvent* event) {
  if (event->isAutoRepeat()) return;
  const int key = event->key();
  if (key == Qt::Key_Escape) {
    close();
  } else if (takes(key) || key == Qt::Key_Right || key == Qt::Key_PageDown) {
    next();
  } else if (key == Qt::Key_Left || key == Qt::Key_Backspace || key == Qt::Key_PageUp) {
    work_.undoLast();
  } else if (key == Qt::Key_B) {
    if (const auto place = work_.now(); place && work_.atHand(*place) == nullptr) {
      (void)work_.begin(*place);  // what keeps it is said above
    }
  } else {
    QWidget::keyPressEvent(event);
  }
}

/// The cup in hand is the one worked at, and of it what the step is for.
void StandoffView::showCup() {
  const auto place = work_.now();
  round_->setVisible(place.has_value());
  if (!place) return;
  Order& order = work_.order();
  order.choose(work_.indexOf(place->cup));
  const CupPlan* plan = order.plan();
  if (plan == nullptr) return;
  for (const std::string& id : work_.stepAt(*place).of) {
    for (const Zone& zone : plan->divided.zones) {
      if (zone.id == id) order.pickZone(id);
    }
  }
}

void StandoffView::resizeEvent(QResizeEvent* /*event*/) {
  const double unit = std::min(width() / 1280.0, height() / 800.0);
  const QRectF room(844 * unit, 372 * unit, width() - 908 * unit, 250 * unit);
  round_->setGeometry(room.toRect());
}

void StandoffView::paintEvent(QPaintEvent* /*event*/) {
  const Theme& t = Theme::light();
  const QColor soft = t.metal;
  QPainter painter(this);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.fillRect(rect(), t.slider);
  const double unit = std::min(width() / 1280.0, height() / 800.0);
  const double margin = 64 * unit;
  const double wide = width() - 2 * margin;
  const auto place = work_.now();
  const auto px = [&](double size) { return std::max(8, static_cast<int>(size * unit)); };
  painter.setPen(soft);
  painter.setFont(face(px(26)));
  if (place) {
    const BenchCup& cup = work_.plan().cups[place->cup];
    QString where = tr("%1, step %2 of %3")
                        .arg(QString::fromStdString(cup.name))
                        .arg(place->step + 1)
                        .arg(cup.steps.size());
    if (work_.pairs() > 1) where += tr(" · hands %1").arg(work_.pair());
    painter.drawText(QRectF(margin, 56 * unit, wide * 0.62, 40 * unit),
                     Qt::AlignLeft | Qt::AlignVCenter, where);
  }
  painter.setFont(face(px(18)));
  painter.drawText(QRectF(margin + wide * 0.5, 56 * unit, wide * 0.5, 40 * unit),
                   Qt::AlignRight | Qt::AlignVCenter,
                   tr("Space or a click: done  B: begin  ←: back  Esc: leave"));
  const QString words = title();
  const QRectF head(margin, 112 * unit, wide, 190 * unit);
  painter.setFont(fitting(words, face(20, QFont::Bold), head.size(), px(82), px(30)));
  painter.setPen(t.tape);
  painter.drawText(head, Qt::TextWordWrap | Qt::AlignLeft | Qt::AlignTop, words);
  if (!place) return;
  const Step& step = work_.stepAt(*place);
  painter.setPen(soft);
  painter.setFont(face(px(24)));
  QString below = say(reasonOf(step), work_.unit());
  if (!step.cautions.empty()) below = say(cautionWords(step.cautions.front()), work_.unit());
  if (const auto whose = work_.keptBy(*place)) {
    below = tr("Hands %1 are still at this cup: tick that off first.").arg(*whose);
  }
  painter.drawText(QRectF(margin, 306 * unit, wide, 58 * unit),
                   Qt::TextWordWrap | Qt::AlignLeft | Qt::AlignTop, below);
  // How long is left, or how long to wait.
  const QRectF box(margin, 372 * unit, 720 * unit, 250 * unit);
  painter.setPen(QPen(QColor(soft.red(), soft.green(), soft.blue(), 110), 2));
  painter.setBrush(Qt::NoBrush);
  painter.drawRoundedRect(box, 12 * unit, 12 * unit);
  const auto window = work_.windowOf(place->cup);
  const QString count = countdown();
  const StepAtHand* begun = work_.atHand(*place);
  const bool waits = window && window->opensIn > 0;
  const bool over = window && window->closesIn && *window->closesIn < 0;
  const QString large = count.isEmpty() ? whenItBegins(*place) : count;
  painter.setPen(t.onInk);
  QFont figures = fitting(large, face(20, QFont::Bold),
                          QSizeF(box.width() - (count.isEmpty() ? 60 : 230) * unit, 190 * unit),
                          px(180), px(40));
  painter.setFont(figures);
  painter.drawText(box.adjusted(30 * unit, 0, 0, -40 * unit), Qt::AlignLeft | Qt::AlignVCenter,
                   large);
  if (!count.isEmpty()) {
    painter.setPen(soft);
    painter.setFont(face(px(28)));
    painter.drawText(box.adjusted(box.width() - 200 * unit, 0, -16 * unit, -40 * unit),
                     Qt::TextWordWrap | Qt::AlignLeft | Qt::AlignVCenter,
                     begun   ? tr("at it, of about %1 min").arg(std::lround(step.handsOn.minutes()))
                     : waits ? tr("to wait")
                     : over  ? tr("too late")
                             : tr("left before it sets"));
    const QRectF bar(box.left() + 30 * unit, box.bottom() - 34 * unit, box.width() - 60 * unit,
                     10 * unit);
    painter.setPen(Qt::NoPen);
    painter.setBrush(QColor(soft.red(), soft.green(), soft.blue(), 70));
    painter.drawRoundedRect(bar, 5 * unit, 5 * unit);
    const BenchCup& cup = work_.plan().cups[place->cup];
    const double minute = 60;
    const double whole = begun ? std::max(1.0, step.handsOn.minutes() * minute)
                         : waits || !cup.closes
                             ? 3600
                             : std::max(1.0, between(*cup.opens, *cup.closes).minutes() * minute);
    const double left = static_cast<double>(begun   ? work_.clock().secondsSince(begun->since)
                                            : waits ? window->opensIn
                                                    : window->closesIn.value_or(0));
    painter.setBrush(t.tape);
    painter.drawRoundedRect(QRectF(bar.left(), bar.top(),
                                   bar.width() * std::clamp(left / whole, 0.0, 1.0), bar.height()),
                            5 * unit, 5 * unit);
  }
  // What the other cups wait for.
  painter.setPen(QPen(QColor(soft.red(), soft.green(), soft.blue(), 110), 2));
  painter.drawLine(QPointF(margin, 664 * unit), QPointF(width() - margin, 664 * unit));
  int shown = 0;
  constexpr int most = 3;
  for (std::size_t i = 1; i < 60 && shown < most; ++i) {
    const auto other = work_.next(i);
    if (!other) break;
    const std::vector<std::size_t>& left = work_.plan().cups[other->cup].left;
    if (other->cup == place->cup || left.empty() || left.front() != other->step) {
      continue;
    }
    const double x = margin + shown * wide / most;
    painter.setPen(t.onInk);
    painter.setFont(face(px(24), QFont::DemiBold));
    painter.drawText(QRectF(x, 680 * unit, wide / most - 20, 34 * unit),
                     Qt::AlignLeft | Qt::AlignVCenter,
                     QString::fromStdString(work_.plan().cups[other->cup].name));
    painter.setPen(soft);
    painter.setFont(face(px(19)));
    const QString text = tr("%1: %2").arg(QString::fromStdString(clockText(work_.startOf(*other))),
                                          say(work_.stepAt(*other).words, work_.unit()));
    const double room = wide / most - 24 * unit;
    const QString shortened =
        painter.fontMetrics().elidedText(text, Qt::ElideRight, static_cast<int>(room * 1.75));
    painter.drawText(QRectF(x, 716 * unit, room, 60 * unit),
                     Qt::TextWordWrap | Qt::AlignLeft | Qt::AlignTop, shortened);
    ++shown;
  }
}

}  // namespace avrelt

#include "moc_standoff_view.cpp"
