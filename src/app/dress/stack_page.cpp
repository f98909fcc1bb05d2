// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/stack_page.h"

#include <cmath>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/fields/list_lines.h"
#include "app/fields/when_seen.h"
#include "app/order/phrases.h"
#include "app/order/set_edits.h"
#include "app/order/stack_edits.h"

namespace avrelt {

StackPage::StackPage(Order& order, QWidget* parent) : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  items_ = new QListWidget;
  items_->setAccessibleName(tr("The stack, the outermost first"));
  items_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  items_->installEventFilter(this);
  column->addWidget(items_, 1);
  words_ = new QLabel;
  words_->setProperty("role", "label");
  words_->setWordWrap(true);
  column->addWidget(words_);
  auto* buttons = new QHBoxLayout;
  buttons->setSpacing(6);
  peel_ = new QPushButton(tr("Peel back"));
  peel_->setToolTip(tr("Shows flat and cup without the outermost item (F9)"));
  putBack_ = new QPushButton(tr("Put back"));
  putBack_->setToolTip(tr("Shows the last item peeled back again (Shift+F9)"));
  outwards_ = new QPushButton(tr("▲"));
  outwards_->setAccessibleName(tr("Lay it farther out"));
  outwards_->setToolTip(tr("Lays it over the next, or a coat later (Alt+Up)"));
  inwards_ = new QPushButton(tr("▼"));
  inwards_->setAccessibleName(tr("Lay it farther in"));
  inwards_->setToolTip(tr("Lays it under the next, or a coat earlier (Alt+Down)"));
  for (QPushButton* one : {peel_, putBack_}) buttons->addWidget(one);
  buttons->addStretch();
  for (QPushButton* one : {outwards_, inwards_}) buttons->addWidget(one);
  column->addLayout(buttons);

  connect(peel_, &QPushButton::clicked, this, [this] { peelBack(order_, 1); });
  connect(putBack_, &QPushButton::clicked, this, [this] { peelBack(order_, -1); });
  connect(outwards_, &QPushButton::clicked, this, [this] { move(1); });
  connect(inwards_, &QPushButton::clicked, this, [this] { move(-1); });
  connect(items_, &QListWidget::currentRowChanged, this, [this](int row) { takeInHand(row); });
  // What is hidden is cut out of zones anew: not at every step of a drag.
  auto* seen = new WhenSeen(
      this, [this] { refresh(); }, std::chrono::milliseconds(60));
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

const StackItem* StackPage::inHand() const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return nullptr;
  for (const StackItem& item : plan->stack) {
    if (item.id == chosen_) return &item;
  }
  return nullptr;
}

void StackPage::takeInHand(int row) {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr || row < 0 || row >= static_cast<int>(plan->stack.size())) return;
  // The outermost is the first.
  const StackItem item = plan->stack[plan->stack.size() - 1 - static_cast<std::size_t>(row)];
  chosen_ = item.id;
  if (item.set >= 0) {
    order_.pickSet(order_.drawnCup().sets.at(static_cast<std::size_t>(item.set)).id);
    order_.pickLayer(item.id);
  } else if (item.kind == StackKind::finish ||
             (item.kind == StackKind::laid && item.thing == LaidKind::film)) {
    order_.pickZone(item.id);
  }
  refresh();
}

void StackPage::move(int by) {
  const Layer* layer = layerInHand(order_);
  if (inHand() == nullptr && layer != nullptr) chosen_ = layer->id;
  moveInStack(order_, chosen_, by);
}

bool StackPage::eventFilter(QObject* watched, QEvent* event) {
  if (watched == items_ && event->type() == QEvent::KeyPress) {
    const auto* key = static_cast<QKeyEvent*>(event);
    if (key->modifiers().testFlag(Qt::AltModifier) &&
        (key->key() == Qt::Key_Up || key->key() == Qt::Key_Down)) {
      move(key->key() == Qt::Key_Up ? 1 : -1);
      return true;
    }
  }
  return QWidget::eventFilter(watched, event);
}

void StackPage::refresh() {
  const CupPlan* plan = order_.plan();
  QStringList lines;
  const std::set<std::string> off = peeledOff(order_);
  int row = -1;
  if (plan != nullptr) {
    for (std::size_t i = plan->stack.size(); i-- > 0;) {
      const StackItem& item = plan->stack[i];
      QString line = say(item.name, order_.unit());
      if (item.kind == StackKind::coat) line = tr("%1. coat: %2").arg(item.after + 1).arg(line);
      if (!line.isEmpty()) line[0] = line[0].toUpper();
      if (item.lifted) line = tr("%1, comes off again").arg(line);
      if (item.clear) line = tr("%1, seen through").arg(line);
      if (off.contains(item.id)) line = tr("%1 (peeled back)").arg(line);
      if (item.id == chosen_) row = static_cast<int>(lines.size());
      lines << line;
    }
  }
  {
    const QSignalBlocker quiet(items_);
    showLines(*items_, lines);
    items_->setCurrentRow(row);
    for (int i = 0; i < items_->count(); ++i) {
      const StackItem& item = plan->stack[plan->stack.size() - 1 - static_cast<std::size_t>(i)];
      QFont font = items_->font();
      font.setStrikeOut(off.contains(item.id));
      items_->item(i)->setFont(font);
      items_->item(i)->setToolTip(lines[i]);
    }
  }
  const StackItem* now = inHand();
  words_->setText(now != nullptr ? wordsOf(*now)
                                 : tr("Pick an item to see what it hides, and to lay it farther "
                                      "out or in."));
  outwards_->setEnabled(now != nullptr && movesInStack(order_, now->id, 1));
  inwards_->setEnabled(now != nullptr && movesInStack(order_, now->id, -1));
  peel_->setEnabled(plan != nullptr);
  putBack_->setEnabled(!off.empty());
}

/// What it hides for good.
QString StackPage::wordsOf(const StackItem& item) const {
  const CupPlan* plan = order_.plan();
  if (item.kind == StackKind::metal) return tr("The cup as it came, cleaned and sanded.");
  if (item.kind == StackKind::coat) return tr("Coats are added and taken off at Gauge.");
  if (item.kind == StackKind::finish) {
    return tr("Finishes go on when the cup is divided, and are chosen at Divide.");
  }
  const QString after = item.after == 0   ? tr("Laid on the metal.")
                        : item.after == 1 ? tr("Laid after 1 coat.")
                                          : tr("Laid after %1 coats.").arg(item.after);
  if (item.lifted) return after + tr(" It comes off again, so it hides nothing for good.");
  if (item.clear) return after + tr(" What is below is seen through it.");
  QStringList hides;
  for (const Hidden& hidden : hiddenBelow(*plan, item)) {
    hides << tr("%1 of the glitter in zone %2 (%3 %)")
                 .arg(say(hidden.area, order_.unit()), QString::fromStdString(hidden.letter))
                 .arg(std::max(1L, std::lround(hidden.share * 100)));
  }
  if (hides.isEmpty()) return after + tr(" It hides no glitter.");
  return after + tr(" It hides %1.").arg(hides.join(tr(", ")));
}

}  // namespace avrelt

#include "moc_stack_page.cpp"
