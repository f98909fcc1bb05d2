// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fields/field_set.h"

#include "app/order/phrases.h"
#include "app/order/take_in_hand.h"

namespace avrelt {
namespace {

/// A girth measured again has one field, whatever of it is wrong; a band's lap is told of at its
/// height.
Member fieldMember(Member member) {
  switch (member) {
    case Member::measuredAfter:
    case Member::measuredAt:
    case Member::measuredGirth:
      return Member::measured;
    case Member::liquidOverlap:
      return Member::liquidBand;
    default:
      return member;
  }
}

/// Whether a field is for that; one without a number is for every one of a list.
bool isFor(const LengthField& field, const Where& where) {
  return field.where().member == fieldMember(where.member) &&
         (field.where().number < 0 || field.where().number == where.number);
}

}  // namespace

LengthField* FieldSet::add(const QString& label, const Where& where, LengthField::Kind kind) {
  auto* made = new LengthField(label, where, kind);
  fields_.push_back(made);
  QObject::connect(made, &LengthField::typing, &order_,
                   [&order = order_, made](const std::optional<Sentence>& fault) {
                     order.setTyping(made->where(), fault);
                   });
  QObject::connect(made, &LengthField::finished, &order_, &Order::settle);
  QObject::connect(&order_, &Order::cupTaken, made, &LengthField::forget);
  return made;
}

LengthField* FieldSet::add(const QString& label, GaugeLine gaugeLine, LengthField::Kind kind) {
  LengthField* made = add(label, memberOf(gaugeLine), kind);
  QObject::connect(made, &LengthField::entered, &order_,
                   [&order = order_, gaugeLine] { order.pick(gaugeLine); });
  QObject::connect(made, &LengthField::stepped, &order_,
                   [&order = order_, gaugeLine](int marks) { order.nudge(gaugeLine, marks); });
  return made;
}

void FieldSet::showFaults() {
  const Faults faults = order_.faults();
  for (LengthField* field : fields_) {
    QString sentence;
    for (const Fault& fault : faults) {
      if (field->unreadable() || !isFor(*field, fault.where)) continue;
      if (isInHand(order_, fault.where)) sentence = say(fault.sentence, order_.unit());
    }
    field->setFault(sentence);
  }
}

LengthField* FieldSet::find(const Where& where) const {
  for (LengthField* candidate : fields_) {
    if (isFor(*candidate, where)) return candidate;
  }
  return nullptr;
}

bool FieldSet::goTo(const Where& where) {
  LengthField* found = find(where);
  if (found == nullptr || found->isHidden()) return false;
  found->edit()->setFocus(Qt::OtherFocusReason);
  found->edit()->selectAll();
  return true;
}

}  // namespace avrelt
