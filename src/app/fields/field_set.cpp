// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fields/field_set.h"

#include "app/order/phrases.h"

namespace avrelt {
namespace {

/// A girth has one field, whichever way it was measured; so has the girth measured again.
QString fieldName(QString field) {
  if (field.startsWith(QStringLiteral("build_up.measured["))) {
    return QStringLiteral("build_up.measured");
  }
  if (field.startsWith(QStringLiteral("divide.body."))) {
    // The cut in hand, wherever in the tree it stands.
    return QStringLiteral("divide.cut.") + field.section(QLatin1Char('.'), -1);
  }
  if (field.startsWith(QStringLiteral("divide.stripes["))) {
    return QStringLiteral("divide.stripe.") + field.section(QLatin1Char('.'), -1);
  }
  if (field.startsWith(QStringLiteral("divide.masks["))) {
    return QStringLiteral("divide.mask.") + field.section(QLatin1Char('.'), -1);
  }
  if (field.startsWith(QStringLiteral("sets["))) {
    // The set, and the layer or place in hand.
    const QString member = field.section(QLatin1Char('.'), -1);
    return field.contains(QStringLiteral("].layers["))   ? QStringLiteral("set.layer.") + member
           : field.contains(QStringLiteral("].places[")) ? QStringLiteral("place.") + member
                                                         : QStringLiteral("set.") + member;
  }
  if (field.startsWith(QStringLiteral("scatters["))) {
    return QStringLiteral("scatter.") + field.section(QLatin1Char('.'), -1);
  }
  if (field.startsWith(QStringLiteral("rows["))) {
    return QStringLiteral("row.") + field.section(QLatin1Char('.'), -1);
  }
  if (field.startsWith(QStringLiteral("fills["))) {
    return QStringLiteral("fill") + field.mid(field.indexOf(QLatin1Char(']')) + 1);
  }
  if (field.startsWith(QStringLiteral("blank.features["))) {
    // The fields stand for whichever feature is in hand.
    return QStringLiteral("blank.features") + field.mid(field.indexOf(QLatin1Char(']')) + 1);
  }
  return field.replace(QStringLiteral(".across"), QStringLiteral(".around"));
}

}  // namespace

LengthField* FieldSet::add(const QString& label, const QString& field, LengthField::Kind kind) {
  auto* made = new LengthField(label, field, kind);
  fields_.push_back(made);
  QObject::connect(made, &LengthField::typing, &order_,
                   [&order = order_, made](const std::optional<Sentence>& fault) {
                     order.setTyping(made->field(), fault);
                   });
  QObject::connect(made, &LengthField::finished, &order_, &Order::settle);
  QObject::connect(&order_, &Order::cupTaken, made, &LengthField::forget);
  return made;
}

LengthField* FieldSet::add(const QString& label, GaugeLine gaugeLine, LengthField::Kind kind) {
  LengthField* made = add(label, fieldOf(gaugeLine), kind);
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
      if (fieldName(QString::fromStdString(fault.field)) == field->field() &&
          !field->unreadable()) {
        sentence = say(fault.sentence, order_.unit());
      }
    }
    field->setFault(sentence);
  }
}

LengthField* FieldSet::find(const QString& field) const {
  for (LengthField* candidate : fields_) {
    if (candidate->field() == fieldName(field)) return candidate;
  }
  return nullptr;
}

bool FieldSet::goTo(const QString& field) {
  LengthField* found = find(field);
  if (found == nullptr || found->isHidden()) return false;
  found->edit()->setFocus(Qt::OtherFocusReason);
  found->edit()->selectAll();
  return true;
}

}  // namespace avrelt
