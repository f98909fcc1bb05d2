// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/divide/divide_station.h"

#include <QRegularExpression>

#include "app/fields/card.h"

namespace avrelt {

DivideStation::DivideStation(Order& order, QWidget* parent)
    : QWidget(parent), order_(order), fields_(order) {
  QHBoxLayout* drawer = makeDrawer(this);
  cut_ = new CutPage(order, fields_);
  finish_ = new FinishPage(order, fields_);
  work_ = new WorkPage(order, fields_);
  addCard(drawer, tr("Cut the zone in hand"), cut_, 38);
  addCard(drawer, tr("Its finish"), finish_, 27);
  addCard(drawer, {}, work_, 40);
  connect(cut_, &CutPage::said, this, &DivideStation::said);
  connect(&order, &Order::changed, this, &DivideStation::refresh);
}

void DivideStation::refresh() {
  setEnabled(order_.hasCup());
  fields_.showFaults();
}

bool DivideStation::goTo(const QString& field) {
  if (!field.startsWith(QStringLiteral("divide."))) return false;
  if (field.startsWith(QStringLiteral("divide.body."))) {
    // The zone that the cut at fault made is taken in hand.
    ZonePath path;
    static const QRegularExpression part(QStringLiteral("parts\\[(\\d+)\\]"));
    auto found = part.globalMatch(field.left(field.indexOf(QStringLiteral("cut."))));
    while (found.hasNext()) path.push_back(found.next().captured(1).toInt());
    path.push_back(0);
    order_.pickPart(path);
    if (fields_.goTo(field)) return true;
    cut_->setFocus(Qt::OtherFocusReason);
    return true;
  }
  work_->showPage(field.startsWith(QStringLiteral("divide.stripes")) ? WorkPage::stripes
                  : field.startsWith(QStringLiteral("divide.masks")) ? WorkPage::masks
                                                                     : WorkPage::moves);
  if (field == QLatin1String("divide.finish.patch_across")) {
    finish_->patch().setFocus(Qt::OtherFocusReason);
    return true;
  }
  if (field.startsWith(QLatin1String("divide.finish.picture"))) {
    finish_->pictureButton().setFocus(Qt::OtherFocusReason);
    return true;
  }
  if (field.startsWith(QLatin1String("divide.masks")) && !fields_.goTo(field)) {
    work_->maskPage().list().setFocus(Qt::OtherFocusReason);
    return true;
  }
  if (!fields_.goTo(field)) work_->moveList().setFocus(Qt::OtherFocusReason);
  return true;
}

}  // namespace avrelt
