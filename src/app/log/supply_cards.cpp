// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/log/supply_cards.h"

#include <algorithm>
#include <QAbstractItemView>
#include <QGridLayout>
#include <QMenu>
#include <QMessageBox>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/fields/card.h"
#include "app/fields/labelled.h"
#include "app/fields/list_lines.h"
#include "app/fields/offer.h"
#include "app/order/bench_words.h"
#include "app/order/phrases.h"

namespace avrelt {

SupplyCards::SupplyCards(LogBoard& board, QWidget* parent) : QWidget(parent), board_(board) {
  QHBoxLayout* row = makeDrawer(this);
  row->addWidget(supplyCard(), 46);
  row->addWidget(eventsCard(), 30);
  row->addWidget(wordsCard(), 24);
  connect(&board_, &LogBoard::changed, this, &SupplyCards::refresh);
  refresh();
}

QWidget* SupplyCards::supplyCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard(tr("Supply"), body);
  body->setSpacing(4);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(10);
  grid->setVerticalSpacing(4);
  name_ = new QLineEdit;
  name_->setMaxLength(100);
  kind_ = new QComboBox;
  for (std::size_t i = 0; i < supplyKinds; ++i) {
    const auto kind = static_cast<SupplyKind>(i);
    offer<SupplyKind>(*kind_, {{kind, supplyKindWords(kind)}});
  }
  method_ = new QComboBox;
  method_->addItem(tr("nothing by itself"));
  for (std::size_t i = 0; i < methodKinds; ++i) {
    const auto method = static_cast<MethodKind>(i);
    offer<MethodKind>(*method_, {{method, methodWords(method)}});
  }
  for (QComboBox* box : {kind_, method_}) box->view()->setAccessibleName(tr("Choices"));
  colour_ = new Swatches;
  colour_->setFixedHeight(54);
  price_ = new QDoubleSpinBox;
  price_->setRange(0, 1e6);
  price_->setDecimals(2);
  price_->setSpecialValueText(tr("not known"));
  low_ = new QLineEdit;
  low_->setMaxLength(30);
  lot_ = new QLineEdit;
  lot_->setMaxLength(60);
  thinning_ = new QLineEdit;
  thinning_->setMaxLength(100);
  thinning_->setPlaceholderText(tr("60 : 40 water"));
  grid->addWidget(labelled(tr("Name"), name_), 0, 0, 1, 2);
  grid->addWidget(labelled(tr("Kind"), kind_), 0, 2);
  grid->addWidget(labelled(tr("Used for"), method_), 0, 3);
  grid->addWidget(labelled(tr("Price"), price_, &priceLabel_), 1, 0);
  grid->addWidget(labelled(tr("Buy below"), low_), 1, 1);
  grid->addWidget(labelled(tr("Lot in use"), lot_), 1, 2);
  grid->addWidget(labelled(tr("Thinned"), thinning_), 1, 3);
  grid->addWidget(labelled(tr("Colour"), colour_), 2, 0, 1, 4);
  for (int i = 0; i < 4; ++i) grid->setColumnStretch(i, 1);
  body->addLayout(grid);
  body->addStretch();
  auto* buttons = new QHBoxLayout;
  add_ = new QPushButton(tr("Add a supply"));
  auto* kinds = new QMenu(add_);
  for (std::size_t i = 0; i < supplyKinds; ++i) {
    const auto kind = static_cast<SupplyKind>(i);
    kinds->addAction(supplyKindWords(kind), this, [this, kind] { addSupply(kind); });
  }
  add_->setMenu(kinds);
  remove_ = new QPushButton(tr("Remove"));
  remove_->setAccessibleName(tr("Remove the supply"));
  for (QPushButton* button : {add_, remove_}) {
    button->setStyleSheet(QStringLiteral("padding: 4px 10px;"));
    buttons->addWidget(button);
  }
  buttons->addStretch();
  body->addLayout(buttons);
  connect(remove_, &QPushButton::clicked, this, &SupplyCards::removeSupply);
  for (QLineEdit* field : {name_, low_, lot_, thinning_}) {
    connect(field, &QLineEdit::editingFinished, this, &SupplyCards::keep);
  }
  connect(price_, &QDoubleSpinBox::editingFinished, this, &SupplyCards::keep);
  connect(kind_, &QComboBox::activated, this, &SupplyCards::keep);
  connect(method_, &QComboBox::activated, this, &SupplyCards::keep);
  connect(colour_, &Swatches::chosen, this, [this](const QString& colour) {
    colour_->show(colour);
    colour_->setProperty("taken", colour);
    keep();
  });
  return card;
}

QWidget* SupplyCards::eventsCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard(tr("Counted and bought"), body);
  body->setSpacing(6);
  events_ = new QListWidget;
  events_->setAccessibleName(tr("Counted and bought"));
  body->addWidget(events_, 1);
  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  amount_ = new QLineEdit;
  amount_->setMaxLength(30);
  paid_ = new QDoubleSpinBox;
  paid_->setRange(0, 1e6);
  paid_->setDecimals(2);
  paid_->setSpecialValueText(tr("not noted"));
  row->addWidget(labelled(tr("How much"), amount_), 1);
  row->addWidget(labelled(tr("Paid for it"), paid_), 1);
  body->addLayout(row);
  auto* buttons = new QHBoxLayout;
  counted_ = new QPushButton(tr("So much is there"));
  counted_->setToolTip(tr("What was counted or weighed: from now on reckoned from"));
  bought_ = new QPushButton(tr("So much came in"));
  forget_ = new QPushButton(tr("Remove"));
  forget_->setAccessibleName(tr("Remove the line"));
  for (QPushButton* button : {counted_, bought_, forget_}) {
    button->setStyleSheet(QStringLiteral("padding: 4px 6px;"));
    buttons->addWidget(button);
  }
  body->addLayout(buttons);
  connect(counted_, &QPushButton::clicked, this, [this] { note(SupplyEvent::Kind::counted); });
  connect(bought_, &QPushButton::clicked, this, [this] { note(SupplyEvent::Kind::bought); });
  connect(forget_, &QPushButton::clicked, this, &SupplyCards::forgetEvent);
  connect(amount_, &QLineEdit::returnPressed, this, [this] { note(SupplyEvent::Kind::counted); });
  connect(events_, &QListWidget::currentRowChanged, this,
          [this](int at) { forget_->setEnabled(at >= 0); });
  return card;
}

QWidget* SupplyCards::wordsCard() {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard(tr("How far it goes"), body);
  words_ = wordsLabel("label");
  body->addWidget(words_);
  body->addStretch();
  return card;
}

void SupplyCards::refresh() {
  const LogBoard::SupplyLine* line = board_.pickedSupply();
  const std::vector<QWidget*> fields{name_,    kind_,   method_,   colour_, price_,
                                     low_,     lot_,    thinning_, amount_, paid_,
                                     counted_, bought_, remove_,   events_};
  for (QWidget* field : fields) field->setEnabled(line != nullptr);
  if (line == nullptr) {
    shown_.clear();
    for (QLineEdit* field : {name_, low_, lot_, thinning_, amount_}) field->clear();
    events_->clear();
    forget_->setEnabled(false);
    words_->setText(
        tr("Add the glitters, resins and paints of your shop. What a step takes is then taken off "
           "as it is ticked off, and the bench says when one runs short."));
    return;
  }
  const Supply& supply = *line->supply;
  const bool other = supply.id != shown_;
  shown_ = supply.id;
  const auto put = [&](QLineEdit* field, const QString& text) {
    if (other || !field->hasFocus()) field->setText(text);
  };
  put(name_, QString::fromStdString(supply.name));
  put(lot_, QString::fromStdString(supply.lot));
  put(thinning_, QString::fromStdString(supply.thinning));
  put(low_, supply.low.units() > 0 ? QString::fromStdString(amountText(supply.low, board_.unit()))
                                   : QString());
  if (other) amount_->clear();
  showChosen(*kind_, supply.kind);
  if (supply.method) {
    showChosen(*method_, *supply.method);
  } else {
    method_->setCurrentIndex(0);
  }
  colour_->show(QString::fromStdString(supply.colour));
  colour_->setProperty("taken", QString::fromStdString(supply.colour));
  {
    const QSignalBlocker quiet(price_);
    if (other || !price_->hasFocus()) price_->setValue(supply.price.value());
  }
  priceLabel_->setText(supply.by() == MeasuredBy::weight   ? tr("Price of 100 g")
                       : supply.by() == MeasuredBy::volume ? tr("Price of 100 ml")
                                                           : tr("Price of a metre"));
  QStringList lines;
  eventKeys_.clear();
  const SupplyShelf& shelf = board_.shelf().supplies();
  // The newest first.
  for (const SupplyEvent& event : shelf.events) {
    if (event.supply != supply.id) continue;
    const QString amount = QString::fromStdString(amountText(event.amount, board_.unit()));
    QString words =
        event.kind == SupplyEvent::Kind::counted ? tr("%1: %2 there") : tr("%1: %2 came in");
    words = words.arg(QString::fromStdString(dayText(event.at)), amount);
    if (event.paid > Money()) {
      words += tr(", %1 paid").arg(QString::fromStdString(moneyText(event.paid)));
    }
    lines.prepend(words);
    eventKeys_.insert(eventKeys_.begin(), event.key);
  }
  showLines(*events_, lines);
  forget_->setEnabled(events_->currentRow() >= 0);
  const SupplyLevel& level = line->level;
  const auto text = [&](const Amount& amount) {
    return QString::fromStdString(amountText(amount, board_.unit()));
  };
  QStringList words;
  const bool known = level.counted || level.there.units() != 0;
  if (!known) {
    words << tr("It was not counted yet: weigh or measure what is there.");
  } else if (level.empty) {
    words << tr("More of it was used than there should have been. Count it.");
  } else {
    words << tr("There should be %1.").arg(text(level.there));
  }
  if (level.reserved.units() > 0) {
    words << tr("What is left to do takes %1.").arg(text(level.reserved));
    if (known && level.tooLittle) {
      words << tr("That is %1 more than there is: buy it before you begin.")
                   .arg(text(level.left() * -1));
    }
  } else {
    words << tr("Nothing of this order that is left to do takes it.");
  }
  if (level.low) words << tr("It is below what you want to have.");
  double used = 0;
  int times = 0;
  for (const SupplyUse& use : shelf.uses) {
    if (use.supply != supply.id) continue;
    used += use.amount.units();
    ++times;
  }
  if (times > 0) {
    words << tr("%1 steps have used %2 so far.")
                 .arg(times)
                 .arg(text(Amount::ofUnits(supply.by(), used)));
  }
  words_->setText(words.join(QLatin1Char(' ')));
}

void SupplyCards::keep() {
  const LogBoard::SupplyLine* line = board_.pickedSupply();
  if (line == nullptr || line->supply->id != shown_) return;
  Supply supply = *line->supply;
  const QString name = name_->text().trimmed();
  if (!name.isEmpty()) supply.name = name.toStdString();
  supply.kind = chosenIn<SupplyKind>(*kind_);
  supply.method.reset();
  if (method_->currentData().isValid()) supply.method = chosenIn<MethodKind>(*method_);
  supply.colour = colour_->property("taken").toString().toStdString();
  supply.price = Money::of(price_->value());
  supply.lot = lot_->text().trimmed().toStdString();
  supply.thinning = thinning_->text().trimmed().toStdString();
  if (supply.kind != line->supply->kind) supply.low = Amount::ofUnits(supply.by(), 0);
  if (const QString low = low_->text().trimmed(); low.isEmpty()) {
    supply.low = Amount::ofUnits(supply.by(), 0);
  } else if (low != QString::fromStdString(amountText(line->supply->low, board_.unit()))) {
    const auto read = parseAmount(low.toStdString(), supply.by(), board_.unit());
    if (!read) return emit said(say(read.error().sentence, board_.unit()));
    supply.low = *read;
  }
  if (supply == *line->supply) return;
  // A choice that was refused goes back.
  if (!board_.shelf().put(supply)) refresh();
}

void SupplyCards::askAndAdd() {
  QMenu* kinds = add_->menu();
  kinds->setActiveAction(kinds->actions().value(static_cast<int>(SupplyKind::glitter)));
  kinds->popup(add_->mapToGlobal(QPoint(0, add_->height())));
}

void SupplyCards::addSupply(SupplyKind kind) {
  Supply supply;
  supply.kind = kind;
  const std::string wanted = kind == SupplyKind::other
                                 ? tr("New supply").toStdString()
                                 : tr("New %1").arg(supplyKindWords(kind).toLower()).toStdString();
  supply.name = wanted;
  const SupplyShelf& shelf = board_.shelf().supplies();
  for (int another = 2;; ++another) {
    const bool taken =
        std::any_of(shelf.supplies.begin(), shelf.supplies.end(),
                    [&](const Supply& one) { return !one.gone && one.name == supply.name; });
    if (!taken) break;
    supply.name = wanted + " " + std::to_string(another);
  }
  supply.colour = Swatches::colours().front().toStdString();
  supply.low = Amount::ofUnits(supply.by(), 0);
  const auto id = board_.shelf().put(supply);
  if (!id) return;
  board_.read();
  board_.pickSupply(*id);
  name_->setFocus();
  name_->selectAll();
}

void SupplyCards::removeSupply() {
  const LogBoard::SupplyLine* line = board_.pickedSupply();
  if (line == nullptr) return;
  const QString name = QString::fromStdString(line->supply->name);
  board_.shelf().removeSupply(line->supply->id);
  emit said(tr("“%1” is off the shelf. Cups made with it still know it.").arg(name));
}

void SupplyCards::note(SupplyEvent::Kind kind) {
  const LogBoard::SupplyLine* line = board_.pickedSupply();
  if (line == nullptr) return;
  const Supply& supply = *line->supply;
  auto amount = parseAmount(amount_->text().toStdString(), supply.by(), board_.unit());
  if (!amount) return emit said(say(amount.error().sentence, board_.unit()));
  // What is counted is about what should be there; else a unit may have been mixed up.
  if (kind == SupplyEvent::Kind::counted && line->level.counted) {
    if (const auto other = mixedUpUnit(*amount, line->level.there)) {
      const auto text = [&](const Amount& of) {
        return QString::fromStdString(amountText(of, board_.unit()));
      };
      QMessageBox ask(QMessageBox::NoIcon, tr("Is this the right unit?"),
                      tr("You typed %1, and there should be about %2. In the other unit it would "
                         "be %3.")
                          .arg(text(*amount), text(line->level.there), text(*other)),
                      QMessageBox::Cancel, this);
      QPushButton* mine = ask.addButton(tr("Keep %1").arg(text(*amount)), QMessageBox::NoRole);
      QPushButton* theirs = ask.addButton(tr("Take %1").arg(text(*other)), QMessageBox::YesRole);
      ask.exec();
      if (ask.clickedButton() == theirs) {
        amount = *other;
      } else if (ask.clickedButton() != mine) {
        return;
      }
    }
  }
  SupplyEvent event;
  event.kind = kind;
  event.supply = supply.id;
  event.at = board_.now();
  event.amount = *amount;
  event.paid = Money::of(paid_->value());
  if (!board_.shelf().note(event)) return;
  amount_->clear();
  paid_->setValue(0);
}

void SupplyCards::forgetEvent() {
  const int row = events_->currentRow();
  if (row < 0 || row >= static_cast<int>(eventKeys_.size())) return;
  board_.shelf().forgetEvent(eventKeys_[static_cast<std::size_t>(row)]);
}

}  // namespace avrelt

#include "moc_supply_cards.cpp"
