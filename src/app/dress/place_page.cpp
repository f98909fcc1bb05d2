// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/place_page.h"

#include <QAbstractItemView>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/fields/idle.h"
#include "app/fields/when_seen.h"
#include "app/order/phrases.h"
#include "app/order/place_edits.h"
#include "app/views/zone_paint.h"
#include "decal/peekaboos.h"
#include "watch/place_rules.h"

namespace avrelt {

PlacePage::PlacePage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  places_ = new QComboBox;
  places_->setAccessibleName(tr("Places of this set"));
  places_->view()->setAccessibleName(places_->accessibleName());
  places_->setMinimumContentsLength(8);
  places_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  add_ = new QPushButton(tr("+ Place"));
  add_->setToolTip(tr("Puts the set once more on the cup, beside this place"));
  remove_ = new QPushButton(tr("−"));
  remove_->setAccessibleName(tr("Remove the place"));
  auto* head = new QHBoxLayout;
  head->setSpacing(6);
  head->addWidget(places_, 1);
  head->addWidget(add_);
  head->addWidget(remove_);
  column->addLayout(head);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(8);
  grid->setVerticalSpacing(2);
  up_ = fields.add(tr("Up the wall"), Member::placeUp);
  at_ = fields.add(tr("Round the cup"), Member::placeAt, LengthField::Kind::degrees);
  turn_ = fields.add(tr("Leaning"), Member::placeTurn, LengthField::Kind::degrees);
  grid->addWidget(up_, 0, 0);
  grid->addWidget(at_, 0, 1);
  grid->addWidget(turn_, 0, 2);
  for (int i = 0; i < 3; ++i) grid->setColumnStretch(i, 7 - i);
  for (LengthField* one : {up_, at_, turn_}) one->edit()->setMinimumWidth(84);
  column->addLayout(grid);
  follows_ = new QCheckBox(tr("Follows the wall"));
  follows_->setToolTip(
      tr("Bends the artwork so that what is level in it runs along a ring of the cup"));
  column->addWidget(follows_);
  room_ = new QLabel;
  room_->setWordWrap(true);
  column->addWidget(room_);
  marks_ = new QLabel;
  marks_->setProperty("role", "label");
  marks_->setWordWrap(true);
  column->addWidget(marks_);
  column->addStretch();

  connect(places_, &QComboBox::activated, this, [this](int i) {
    const SetPlan* set = setPlanInHand(order_);
    if (set == nullptr) return;
    pickPlace(order_, {set, set->placeCalled(places_->itemData(i).toString().toStdString())});
  });
  connect(add_, &QPushButton::clicked, this, [this] { addPlace(order_); });
  connect(remove_, &QPushButton::clicked, this, [this] { removePlace(order_); });
  connect(up_, &LengthField::typed, this, [this](const WrittenLength& typed) {
    editPlace(order_, tr("Set a place to %1").arg(say(typed.length, order_.unit())),
              QStringLiteral("up"), [&](Place& place) { place.up = typed; });
  });
  connect(up_, &LengthField::stepped, this, [this](int marks) { nudgePlace(order_, 0, marks); });
  const auto angle = [this]<typename AnyAngle>(LengthField* field, const QString& key,
                                               AnyAngle Place::*member, const QString& text) {
    const auto set = [this, key, member, text](Angle typed) {
      editPlace(order_, text, key,
                [&](Place& place) { place.*member = AnyAngle::radians(typed.radians()); });
    };
    connect(field, &LengthField::typedAngle, this, set);
    connect(field, &LengthField::stepped, this, [this, key, member, text](int by) {
      editPlace(order_, text, key, [&](Place& place) {
        place.*member = (place.*member + Angle::degrees(by)).wrapped();
      });
    });
  };
  angle(at_, QStringLiteral("at"), &Place::at, tr("Move a set round the cup"));
  angle(turn_, QStringLiteral("turn"), &Place::turn, tr("Lean a set"));
  connect(follows_, &QCheckBox::clicked, this, [this](bool on) {
    editPlace(order_, on ? tr("Bend a set to the wall") : tr("Lay a set straight"), {},
              [on](Place& place) { place.follows = on; });
  });
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

void PlacePage::refresh() {
  const SetPlan* set = setPlanInHand(order_);
  const StandingSet now = placeInHand(order_);
  const Unit unit = order_.unit();
  setEnabled(setInHand(order_) != nullptr);
  {
    const QSignalBlocker quiet(places_);
    places_->clear();
    if (set != nullptr) {
      for (std::size_t i = 0; i < set->places.size(); ++i) {
        const PlacePlan& place = set->places[i];
        const QString where = tr("%1 of %2: %3, %4 up")
                                  .arg(i + 1)
                                  .arg(set->places.size())
                                  .arg(QString::fromStdString(angleText(place.mark.onCup)))
                                  .arg(onTape(place.anchor.s, unit).mark);
        places_->addItem(!place.row.empty()       ? tr("%1, in a row").arg(where)
                         : !place.scatter.empty() ? tr("%1, scattered").arg(where)
                                                  : where,
                         QString::fromStdString(place.id));
        if (&place == now.place) places_->setCurrentIndex(static_cast<int>(i));
      }
    }
  }
  for (QWidget* one : {static_cast<QWidget*>(up_), static_cast<QWidget*>(at_),
                       static_cast<QWidget*>(turn_), static_cast<QWidget*>(follows_),
                       static_cast<QWidget*>(remove_), static_cast<QWidget*>(places_)}) {
    one->setEnabled(static_cast<bool>(now));
  }
  if (!now) {
    showIdle(*this);
    room_->setText(set != nullptr ? tr("It stands nowhere. Add a place, or put it in a row.")
                                  : QString());
    marks_->clear();
    return;
  }
  // As it was typed; of one in a row, as it comes out.
  const Place* own = ownPlaceInHand(order_);
  up_->show(own != nullptr ? own->up.length : now.place->anchor.s, unit);
  at_->show(own != nullptr ? own->at : now.place->mark.onCup);
  turn_->show(now.place->turn);
  follows_->setChecked(now.place->follows);
  room_->setText(roomWords());
  marks_->setText(markWords());
}

/// How far it is from what it should keep off.
QString PlacePage::roomWords() const {
  const StandingSet now = placeInHand(order_);
  const PlaceRoom& room = now.place->room;
  const Unit unit = order_.unit();
  QStringList words;
  const auto tell = [&](const QString& what, Length apart) {
    words << tr("%1 %2").arg(what, apart < Length()
                                       ? tr("over by %1").arg(onTape(-apart, unit).mark)
                                       : onTape(apart, unit).mark);
  };
  tell(tr("Rim"), room.rim);
  tell(tr("base"), room.base);
  if (room.seam.apart > Length()) {
    tell(tr("seam"), room.seam.apart);
  } else {
    words << tr("on the seam");
  }
  if (room.line) {
    if (room.line->apart > Length()) {
      tell(tr("line"), room.line->apart);
    } else {
      words << tr("across a line");
    }
  }
  if (room.feature) {
    if (room.feature->apart > Length()) {
      tell(tr("covered wall"), room.feature->apart);
    } else {
      words << tr("on covered wall");
    }
  }
  if (room.place) {
    if (room.place->apart > Length()) {
      tell(tr("next set"), room.place->apart);
    } else {
      words << tr("on another set");
    }
  }
  return words.join(tr(" · "));
}

/// What shows where a stencil is lifted, and whether it may be lifted together with others.
QString PlacePage::peekabooWords(const PlacePlan& place) const {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr || place.number == 0) return {};
  for (const Peekaboo& one : peekaboosOf(plan->sets)) {
    if (one.number != place.number) continue;
    QStringList alike;
    for (const int number : one.alike) alike << QString::number(number);
    QString shows = tr("the metal");
    for (const Zone& zone : plan->divided.zones) {
      if (zone.id != one.zone) continue;
      const QString letter = QString::fromStdString(zone.letter);
      shows =
          isFilled(*plan, zone) ? tr("the pattern of zone %1").arg(letter)
          : zone.finish.kind == FinishKind::none
              ? tr("the wall of zone %1").arg(letter)
              : tr("%1 of zone %2").arg(QString::fromStdString(finishWords(zone.finish)), letter);
    }
    const QString words = tr(" Lifted, peekaboo %1 shows %2").arg(one.number).arg(shows);
    return alike.isEmpty() ? tr("%1.").arg(words)
                           : tr("%1; ring it before you lift %2, which look like it.")
                                 .arg(words, alike.join(tr(", ")));
  }
  return {};
}

/// Where to put the pencil, and how it looks from before it.
QString PlacePage::markWords() const {
  const StandingSet now = placeInHand(order_);
  const CupPlan* plan = order_.plan();
  const WallMark& mark = now.place->mark;
  const Unit unit = order_.unit();
  QString words = tr("Mark %1.").arg(say(mark, unit));
  if (plan == nullptr) return words;
  const Length wide = wideOn(plan->wall.body, *now.place);
  words += QLatin1Char(' ') +
           tr("%1 wide, it looks %2 wide from before it; %3 are seen at once.")
               .arg(onTape(wide, unit).mark,
                    onTape(looksAcross(plan->wall.body, mark.fromBase, wide), unit).mark,
                    onTape(seenAtOnce(plan->wall.body, mark.fromBase), unit).mark);
  words += peekabooWords(*now.place);
  const Length off = runsOff(plan->wall, *now.place);
  if (abs(off) >= Length::mm(0.1)) {
    words += QLatin1Char(' ') + (off < Length() ? tr("Straight, its ends run %1 below the ring.")
                                                : tr("Straight, its ends run %1 above the ring."))
                                    .arg(onTape(abs(off), unit).mark);
  }
  return words;
}

}  // namespace avrelt

#include "moc_place_page.cpp"
