// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/divide/divide_station.h"

#include <QRegularExpression>

#include "app/fields/card.h"

namespace avrelt {

DivideStation::DivideStation(Order& order, QWidget* parent)
    : Desk(parent), order_(order), fields_(order) {
  QHBoxLayout* drawer = makeDrawer(this);
  cut_ = new CutPage(order, fields_);
  finish_ = new FinishPage(order, fields_);
  work_ = new WorkPage(order, fields_);
  addCard(drawer, tr("Cut the zone in hand"), cut_, 38);
  addCard(drawer, tr("Its finish"), finish_, 27);
  addCard(drawer, {}, work_, 40);
  connect(cut_, &CutPage::said, this, &DivideStation::said);
  connect(&order, &Order::changed, this, &DivideStation::refresh);
  connect(&order, &Order::gaugeLinePicked, this, [this] { fields_.showFaults(); });
}

void DivideStation::refresh() {
  setEnabled(order_.hasCup());
  fields_.showFaults();
}

bool DivideStation::goTo(const Where& where) {
  const auto focus = [](QWidget& widget) {
    widget.setFocus(Qt::OtherFocusReason);
    return true;
  };
  const auto pickIn = [](QListWidget& list, const auto& things, const std::string& id) {
    for (std::size_t i = 0; i < things.size(); ++i) {
      if (things[i].id == id) list.setCurrentRow(static_cast<int>(i));
    }
  };
  switch (thingOf(where.member)) {
    case Thing::zone:
      if (fields_.goTo(where)) return true;
      if (where.member == Member::zone) return focus(*cut_);
      return focus(where.member == Member::edgeBy || where.member == Member::patchAcross
                       ? static_cast<QWidget&>(finish_->patch())
                       : finish_->pictureButton());
    case Thing::cut:
      return fields_.goTo(where) || focus(*cut_);
    case Thing::stripe:
      work_->showPage(WorkPage::stripes);
      if (order_.hasCup()) {
        pickIn(work_->stripePage().list(), order_.currentCup().division.stripes, where.id);
      }
      return fields_.goTo(where) || focus(work_->stripePage().list());
    case Thing::mask:
      work_->showPage(WorkPage::masks);
      if (order_.hasCup()) {
        pickIn(work_->maskPage().list(), order_.currentCup().division.masks, where.id);
      }
      return fields_.goTo(where) || focus(work_->maskPage().list());
    default:
      break;
  }
  work_->showPage(WorkPage::moves);
  return fields_.goTo(where) || focus(work_->moveList());
}

}  // namespace avrelt

#include "moc_divide_station.cpp"
