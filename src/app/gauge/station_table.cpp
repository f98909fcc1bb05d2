// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/station_table.h"

#include <QApplication>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLineEdit>
#include <QVBoxLayout>

#include "app/fields/offer.h"
#include "app/gauge/measures.h"
#include "app/look/theme.h"
#include "app/order/phrases.h"

namespace avrelt {
namespace {

/// A length without its unit.
QString plain(const QString& length) {
  return length.section(QLatin1Char(' '), 0, -2);
}

}  // namespace

StationTable::StationTable(Order& order, QWidget* parent) : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  table_ = new QTableWidget;
  table_->setColumnCount(3);
  table_->setAccessibleName(tr("Stations, from the rim down"));
  table_->verticalHeader()->hide();
  table_->verticalHeader()->setDefaultSectionSize(23);
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  table_->horizontalHeader()->setHighlightSections(false);
  table_->setSelectionMode(QAbstractItemView::SingleSelection);
  table_->setShowGrid(false);
  table_->setTabKeyNavigation(false);
  table_->installEventFilter(this);
  column->addWidget(table_, 1);

  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  add_ = new QPushButton(tr("+"));
  add_->setAccessibleName(tr("Add a station"));
  add_->setToolTip(tr("One more above the one in hand (Insert)"));
  remove_ = new QPushButton(tr("−"));
  remove_->setAccessibleName(tr("Take the station away"));
  remove_->setToolTip(tr("Take the one in hand away (Delete)"));
  joined_ = segmentsOf<Joined>(
      tr("Joined"), {{Joined::straight, tr("Straight")}, {Joined::smooth, tr("Smooth")}});
  buttonOf(*joined_, Joined::straight)
      ->setToolTip(tr("Straight from station to station, with a corner at each"));
  buttonOf(*joined_, Joined::smooth)
      ->setToolTip(tr("One smooth line that never bulges between two stations"));
  row->addWidget(add_);
  row->addWidget(remove_);
  row->addStretch();
  row->addWidget(joined_);
  column->addLayout(row);

  connect(table_, &QTableWidget::itemChanged, this, &StationTable::read);
  connect(table_, &QTableWidget::currentCellChanged, this, [this](int now) {
    if (!filling_) emit stationPicked(now < 0 ? -1 : stationOf(now));
  });
  connect(add_, &QPushButton::clicked, this,
          [this] { addStation(order_, static_cast<std::size_t>(std::max(picked(), 0))); });
  connect(remove_, &QPushButton::clicked, this, [this] {
    if (picked() >= 0) removeStation(order_, static_cast<std::size_t>(picked()));
  });
  onChosen<Joined>(*joined_, this, [this](Joined chosen) { setJoined(order_, chosen); });
  connect(&order, &Order::changed, this, &StationTable::refresh);
  refresh();
}

int StationTable::picked() const {
  return table_->currentRow() < 0 ? -1 : stationOf(table_->currentRow());
}

void StationTable::pick(int station) {
  if (station < 0 || station >= table_->rowCount()) return;
  table_->setCurrentCell(stationOf(station), girthColumn);
}

bool StationTable::goTo(const Where& where) {
  if (where.number < 0 || where.number >= table_->rowCount()) return false;
  const bool height = where.member == Member::stationAt;
  table_->setCurrentCell(stationOf(where.number), height ? heightColumn : girthColumn);
  table_->setFocus(Qt::OtherFocusReason);
  return true;
}

void StationTable::refresh() {
  // A cell being typed in must not be taken from under the hand.
  const QWidget* typing = qobject_cast<QLineEdit*>(QApplication::focusWidget());
  if (!order_.hasCup() || (typing != nullptr && table_->isAncestorOf(typing))) return;
  const Cup& cup = order_.currentCup();
  const Unit unit = order_.unit();
  const std::vector<Station>& stations = cup.blank.stations;
  filling_ = true;
  const int kept = picked();
  const int column = std::max(table_->currentColumn(), 0);
  const bool around = girthMeasured(cup) == Girth::around;
  // The unit stands once, over the column: the numbers need the room.
  const QString in = unit == Unit::inch ? tr(", in") : tr(", mm");
  table_->setHorizontalHeaderLabels(
      {(cup.blank.heightAlong == HeightAlong::wall ? tr("Wall") : tr("Plumb")) + in,
       (around ? tr("Round") : tr("Across")) + in, tr("As laid")});
  const int count = static_cast<int>(stations.size());
  table_->setRowCount(count);
  const CupPlan* plan = order_.plan();
  const bool known =
      plan != nullptr && order_.planHolds() && plan->wall.body.stations().size() == stations.size();
  const Faults faults = order_.faults();
  for (int i = 0; i < count; ++i) {
    const Station& station = stations[static_cast<std::size_t>(i)];
    const auto put = [&](Column at, const QString& text, bool fixed,
                         Member member = Member::whole) {
      auto* item = new QTableWidgetItem(text);
      item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
      if (fixed) item->setFlags(item->flags() & ~Qt::ItemIsEditable);
      for (const Fault& fault : faults) {
        if (member == Member::whole || fault.where.member != member || fault.where.number != i) {
          continue;
        }
        item->setForeground(theme().stop);
        item->setToolTip(say(fault.sentence, unit));
      }
      table_->setItem(stationOf(i), at, item);
    };
    put(heightColumn, i == 0 ? tr("base") : plain(say(station.at.length, unit)), i == 0,
        Member::stationAt);
    put(girthColumn, station.girth ? plain(say(station.girth->length, unit)) : tr("as below"),
        false, Member::stationGirth);
    QString laid;
    if (known) {
      const Length s = plan->wall.body.stations()[static_cast<std::size_t>(i)];
      laid = plain(onTape(plan->wall.body.around(s), unit).mark);
    }
    put(laidColumn, laid, true, {});
  }
  table_->setCurrentCell(stationOf(std::clamp(kept < 0 ? count - 1 : kept, 0, count - 1)), column);
  remove_->setEnabled(count > 2 && order_.hasCup());
  add_->setEnabled(order_.planHolds());
  showChosen(*joined_, cup.blank.joined);
  filling_ = false;
}

void StationTable::read(QTableWidgetItem* item) {
  if (filling_ || !order_.hasCup()) return;
  const int station = stationOf(item->row());
  const Checked<WrittenLength> typed = writtenSize(item->text().toStdString(), order_.unit());
  if (!typed) {
    emit said(say(typed.error().sentence, order_.unit()));
    refresh();
    return;
  }
  const auto index = static_cast<std::size_t>(station);
  if (item->column() == heightColumn) {
    setStationHeight(order_, index, *typed);
  } else {
    setStationGirth(order_, index, *typed);
  }
  order_.settle();
  // The editor closes after this; then the cells show what came of it.
  QMetaObject::invokeMethod(this, &StationTable::refresh, Qt::QueuedConnection);
}

bool StationTable::eventFilter(QObject* watched, QEvent* event) {
  if (watched == table_ && event->type() == QEvent::KeyPress) {
    const int key = static_cast<QKeyEvent*>(event)->key();
    if (key == Qt::Key_Insert) {
      add_->click();
      return true;
    }
    if (key == Qt::Key_Delete) {
      remove_->click();
      return true;
    }
    if (key == Qt::Key_Return || key == Qt::Key_Enter) {
      table_->editItem(table_->currentItem());
      return true;
    }
  }
  return QWidget::eventFilter(watched, event);
}

}  // namespace avrelt

#include "moc_station_table.cpp"
