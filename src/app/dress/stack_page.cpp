// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/stack_page.h"

#include <cmath>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/fields/when_seen.h"
#include "app/look/theme.h"
#include "app/order/phrases.h"
#include "app/order/set_edits.h"
#include "app/order/stack_edits.h"
#include "job/mending.h"

namespace avrelt {

namespace {

/// What is wrong with it, in a few words.
QString shortly(const Watch& watch) {
  switch (watch.rule) {
    case Rule::stencilUncovered:
      return StackPage::tr("nothing goes over it");
    case Rule::ringTooEarly:
      return StackPage::tr("its stencil is on still");
    case Rule::laidOnStencil:
      return StackPage::tr("lies on a stencil");
    case Rule::laidOnRough:
      return StackPage::tr("rough below");
    case Rule::stackHidesLaid:
      return StackPage::tr("hides what is below");
    case Rule::stackHidesGlitter:
      return StackPage::tr("glitter is hidden");
    case Rule::stackHidesLiquid:
      return StackPage::tr("hides the liquid");
    case Rule::layerComesOff:
      return StackPage::tr("comes off again");
    case Rule::patternHeldLong:
      return StackPage::tr("its cells set for hours");
    case Rule::floodUnusual:
      return StackPage::tr("an unusual amount");
    default:
      return StackPage::tr("lies on edges");
  }
}

QString startingSmall(QString words) {
  if (!words.isEmpty()) words[0] = words[0].toLower();
  return words;
}

}  // namespace

StackPage::StackPage(Order& order, QWidget* parent) : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  items_ = new QListWidget;
  items_->setAccessibleName(tr("The stack, the outermost first"));
  items_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  items_->installEventFilter(this);
  rows_ = new StackRows(*items_);
  column->addWidget(items_, 1);
  words_ = new QLabel;
  words_->setProperty("role", "label");
  words_->setWordWrap(true);
  column->addWidget(words_);
  mend_ = new QPushButton(tr("What helps"));
  mend_->setToolTip(tr("Does what helps; undo takes it back (Return)"));
  column->addWidget(mend_);
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

  connect(mend_, &QPushButton::clicked, this, [this] { mend(chosen_); });
  connect(rows_, &StackRows::pressed, this, [this](int row) { mend(idAt(row)); });
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
    const int set = plan->sets.at(static_cast<std::size_t>(item.set)).set;
    order_.pickSet(order_.drawnCup().sets.at(static_cast<std::size_t>(set)).id);
    if (item.layer >= 0) order_.pickLayer(item.id);
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
    const bool enter = key->key() == Qt::Key_Return || key->key() == Qt::Key_Enter;
    if (enter && conflictOf(chosen_) != nullptr) {
      mend(chosen_);
      return true;
    }
  }
  return QWidget::eventFilter(watched, event);
}

std::string StackPage::idAt(int row) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr || row < 0 || row >= static_cast<int>(plan->stack.size())) return {};
  return plan->stack[plan->stack.size() - 1 - static_cast<std::size_t>(row)].id;
}

const Watch* StackPage::conflictOf(const std::string& id) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr || id.empty()) return nullptr;
  for (const Watch& watch : plan->watches) {
    const auto& items = watch.items;
    if (watch.mend && std::find(items.begin(), items.end(), id) != items.end()) return &watch;
  }
  return nullptr;
}

void StackPage::mend(const std::string& id) {
  const Watch* watch = conflictOf(id);
  if (watch == nullptr) return;
  const Mend mend = *watch->mend;
  order_.editCup(say(mendWords(mend), order_.unit()), [&](Cup& cup) { applyMend(cup, mend); });
  order_.settle();
}

StackRow StackPage::rowOf(const StackItem& item) const {
  const Cup& cup = *order_.plan()->of;
  const Theme& t = theme();
  StackRow row;
  row.name = say(item.name, order_.unit());
  row.colour = t.metal;
  switch (item.kind) {
    case StackKind::metal:
      row.of = cup.liquid ? tr("washed") : tr("sanded, washed");
      break;
    case StackKind::coat:
      row.name = tr("%1. coat: %2").arg(item.after + 1).arg(row.name);
      row.colour = item.matter == Matter::resin ? t.field : t.tape;
      row.of = item.matter == Matter::resin     ? tr("levels")
               : item.matter == Matter::glitter ? tr("rough")
                                                : QString();
      break;
    case StackKind::finish:
    case StackKind::over:
      row.of = item.matter == Matter::glitter ? tr("rough")
               : item.matter == Matter::ink   ? tr("sealed before resin")
                                              : QString();
      break;
    case StackKind::laid:
      row.colour = t.film;
      row.of = item.lifted                    ? tr("comes off again")
               : item.clear                   ? tr("seen through")
               : item.matter == Matter::print ? tr("printed")
                                              : QString();
      break;
  }
  const std::string colour = colourOf(*order_.plan(), item);
  if (!colour.empty()) row.colour = QColor(QString::fromStdString(colour));
  if (!row.name.isEmpty()) row.name[0] = row.name[0].toUpper();
  if (const Watch* watch = conflictOf(item.id)) {
    row.conflict = tr("%1: %2").arg(shortly(*watch),
                                    startingSmall(say(mendWords(*watch->mend), order_.unit())));
    row.level = watch->level;
  }
  return row;
}

void StackPage::refresh() {
  const CupPlan* plan = order_.plan();
  const std::set<std::string> off = peeledOff(order_);
  std::vector<StackRow> rows;
  int row = -1;
  if (plan != nullptr) {
    for (std::size_t i = plan->stack.size(); i-- > 0;) {
      const StackItem& item = plan->stack[i];
      if (item.id == chosen_) row = static_cast<int>(rows.size());
      rows.push_back(rowOf(item));
      rows.back().off = off.contains(item.id);
      if (rows.back().off) rows.back().of = tr("peeled back");
    }
  }
  {
    const QSignalBlocker quiet(items_);
    rows_->show(rows);
    items_->setCurrentRow(row);
  }
  const StackItem* now = inHand();
  const Watch* conflict = now != nullptr ? conflictOf(now->id) : nullptr;
  words_->setText(conflict != nullptr ? say(conflict->sentence, order_.unit())
                  : now != nullptr    ? wordsOf(*now)
                                      : tr("Pick an item to see what it hides, and to lay it "
                                              "farther out or in."));
  // Its row and the watch line tell it already.
  words_->setVisible(conflict == nullptr);
  mend_->setVisible(conflict != nullptr);
  if (conflict != nullptr) {
    mend_->setText(say(mendWords(*conflict->mend), order_.unit()));
    mend_->setAccessibleDescription(words_->text());
  }
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
  if (item.kind == StackKind::over) {
    return tr(
        "It goes over the stencils of its set, all over their zones; they are lifted while it "
        "is nearly dry. Choose it at the stencil’s layer.");
  }
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
