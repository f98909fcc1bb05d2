// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/divide/cut_page.h"

#include <algorithm>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/order/phrases.h"
#include "app/order/zone_edits.h"
#include "divide/shaping.h"

namespace avrelt {

CutPage::CutPage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order), fields_(fields) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(7);
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  const std::pair<const char*, QString> names[] = {{"Alt+1", tr("Rings")},
                                                   {"Alt+2", tr("Uprights")},
                                                   {"Alt+3", tr("V")},
                                                   {"Alt+4", tr("Slant")},
                                                   {"Alt+5", tr("Wave")}};
  int kind = 0;
  for (const auto& [key, name] : names) {
    auto* button = new QPushButton(name);
    button->setShortcut(QKeySequence(QLatin1String(key)));
    button->setToolTip(tr("Cut the zone in hand (%1)").arg(QLatin1String(key)));
    actions_.push_back(button);
    row->addWidget(button);
    const auto cut = static_cast<CutKind>(kind++);
    connect(button, &QPushButton::clicked, this, [this, cut] { cutZone(order_, cut); });
  }
  row->addStretch();
  column->addLayout(row);
  auto* head = new QHBoxLayout;
  made_ = new QLabel;
  made_->setProperty("role", "label");
  uncut_ = new QPushButton(tr("Take this cut back"));
  uncut_->setShortcut(QKeySequence(QStringLiteral("Alt+Backspace")));
  head->addWidget(made_, 1);
  head->addWidget(uncut_);
  column->addLayout(head);
  connect(uncut_, &QPushButton::clicked, this, [this] { uncutZone(order_); });

  auto* choices = new QHBoxLayout;
  by_ = new Segments(tr("Placed by"), {tr("Equal"), tr("Places"), tr("Widths"), tr("Spacers")});
  by_->button(static_cast<int>(CutBy::spacers))
      ->setToolTip(tr("Tape, a spacer touching it, tape touching that, and so on"));
  leftover_ = new Segments(tr("What is left over goes to"), {tr("Top"), tr("Base"), tr("Both")});
  shape_ = new Segments(tr("Shape"), {tr("Curves"), tr("Zigzag")});
  end_ = new Segments(tr("Counted from"), {tr("Rim"), tr("Base")});
  choices->addWidget(by_);
  choices->addWidget(end_);
  choices->addWidget(shape_);
  choices->addStretch();
  column->addLayout(choices);
  connect(by_, &Segments::picked, this, [this](int i) {
    editCut(order_, tr("Place lines otherwise"), {}, [&](Cut& cut) {
      cut.by = static_cast<CutBy>(i);
      // Something to go on with, until the list is typed.
      if (cut.widths.empty())
        cut.widths.assign(static_cast<std::size_t>(std::max(cut.count, 1)), std::nullopt);
      const Zone* zone = zoneInHand(order_);
      if (cut.places.empty() && zone != nullptr) {
        const CupPlan* plan = order_.plan();
        const Length s = zone->region.lowest();
        cut.places = {written(cut.fromRim ? plan->wall.body.wall() - s : s, order_.unit())};
      }
      if (cut.angles.empty()) cut.angles = {Angle::degrees(-90), Angle::degrees(90)};
    });
  });
  connect(end_, &Segments::picked, this, [this](int i) {
    editCut(order_, tr("Count from the other end"), {}, [&](Cut& cut) {
      if (cut.kind == CutKind::vee) {
        cut.opensAtRim = i == 0;
        return;
      }
      if (cut.fromRim == (i == 0)) return;
      // The line stays where it is; what changes is which end it keeps its distance from.
      cut.fromRim = i == 0;
      const CupPlan* plan = order_.plan();
      if (plan == nullptr) return;
      for (WrittenLength& place : cut.places) {
        place = written(plan->wall.body.wall() - place.length, order_.unit());
      }
      if (cut.kind == CutKind::wave) {
        cut.low = written(plan->wall.body.wall() - cut.low.length, order_.unit());
      }
    });
  });

  connect(leftover_, &Segments::picked, this, [this](int i) {
    editCut(order_, tr("Put what is left over elsewhere"), {},
            [i](Cut& cut) { cut.leftover = static_cast<Leftover>(i); });
  });
  connect(shape_, &Segments::picked, this, [this](int i) {
    editCut(order_, i == 1 ? tr("Make the wave a zigzag") : tr("Make the wave curved"), {},
            [i](Cut& cut) { cut.zigzag = i == 1; });
  });

  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(12);
  grid->setVerticalSpacing(6);
  countLabel_ = new QLabel;
  countLabel_->setProperty("role", "label");
  count_ = new QSpinBox;
  count_->setAccessibleName(tr("How many"));
  count_->setRange(1, 500);
  count_->setSpecialValueText({});
  count_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  countLabel_->setBuddy(count_);
  listLabel_ = new QLabel;
  listLabel_->setProperty("role", "label");
  list_ = new QLineEdit;
  list_->setAccessibleName(tr("Parts or lines, one after another"));
  listLabel_->setBuddy(list_);
  counted_ = new QWidget;
  auto* countColumn = new QVBoxLayout(counted_);
  countColumn->setContentsMargins(0, 0, 0, 0);
  countColumn->setSpacing(2);
  countColumn->addWidget(countLabel_);
  countColumn->addWidget(count_);
  column->addWidget(listLabel_);
  column->addWidget(list_);
  connect(count_, &QSpinBox::valueChanged, this, [this](int count) {
    editCut(order_, tr("%1 of them").arg(count), QStringLiteral("count"), [count](Cut& cut) {
      const bool lines = cut.kind == CutKind::rings || cut.kind == CutKind::uprights;
      const bool spaced = lines && cut.by == CutBy::spacers;
      (spaced ? cut.stripes : lines ? cut.count : cut.repeat) = count;
    });
  });
  connect(list_, &QLineEdit::editingFinished, this, &CutPage::readList);

  wide_ =
      field(tr("Wide at its open end"), "wide", [](Cut& c) -> WrittenLength& { return c.wide; });
  deep_ = fields_.add(tr("Deep, to its point"), QStringLiteral("divide.cut.deep"));
  connect(deep_, &LengthField::typed, this, [this](const WrittenLength& typed) {
    editCut(order_, tr("V %1 deep").arg(say(typed.length, order_.unit())), QStringLiteral("deep"),
            [&](Cut& cut) { cut.deep = typed; });
  });
  at_ = angle(tr("At (0° is the front)"), "at", [](Cut& c) -> Angle& { return c.at; });
  to_ = angle(tr("To"), "to", [](Cut& c) -> Angle& { return c.to; });
  low_ = field(tr("Up the wall"), "low", [](Cut& c) -> WrittenLength& { return c.low; });
  high_ =
      field(tr("Up the wall at its end"), "high", [](Cut& c) -> WrittenLength& { return c.high; });
  swing_ =
      field(tr("Tall, trough to crest"), "swing", [](Cut& c) -> WrittenLength& { return c.swing; });
  tape_ = field(tr("Stripe, wide"), "tape", [](Cut& c) -> WrittenLength& { return c.tape; });
  spacer_ = field(tr("Spacer, wide"), "spacer", [](Cut& c) -> WrittenLength& { return c.spacer; });
  over_ = new QWidget;
  auto* overColumn = new QVBoxLayout(over_);
  overColumn->setContentsMargins(0, 0, 0, 0);
  overColumn->setSpacing(2);
  auto* overLabel = new QLabel(tr("What is left over goes to"));
  overLabel->setProperty("role", "label");
  overColumn->addWidget(overLabel);
  overColumn->addWidget(leftover_, 0, Qt::AlignLeft);
  grid->addWidget(over_, 0, 1);
  grid->addWidget(tape_, 1, 0);
  grid->addWidget(spacer_, 1, 1);
  grid->setColumnStretch(0, 1);
  grid->setColumnStretch(1, 1);
  grid->addWidget(counted_, 0, 0);
  grid->addWidget(at_, 0, 1);
  grid->addWidget(to_, 0, 0);
  grid->addWidget(wide_, 1, 0);
  grid->addWidget(deep_, 1, 1);
  grid->addWidget(low_, 2, 0);
  grid->addWidget(high_, 2, 1);
  grid->addWidget(swing_, 2, 1);
  column->addLayout(grid);
  run_ = new QLabel;
  run_->setProperty("role", "label");
  run_->setWordWrap(true);
  column->addWidget(run_);
  onTape_ = new QWidget;
  auto* tapeColumn = new QVBoxLayout(onTape_);
  tapeColumn->setContentsMargins(0, 0, 0, 0);
  tapeColumn->setSpacing(5);
  off_ = new QLabel;
  off_->setProperty("role", "label");
  off_->setWordWrap(true);
  tapeColumn->addWidget(off_);
  auto* ways = new QHBoxLayout;
  ways->setSpacing(6);
  const std::pair<Absorb, QString> absorbs[] = {{Absorb::spread, tr("Spread it")},
                                                {Absorb::rim, tr("Rim takes it")},
                                                {Absorb::base, tr("Base takes it")}};
  for (const auto& [absorb, name] : absorbs) {
    auto* button = new QPushButton(name);
    button->setToolTip(tr("Puts every line on a mark of the tape"));
    ways->addWidget(button);
    connect(button, &QPushButton::clicked, this,
            [this, absorb = absorb] { putOntoTape(order_, absorb); });
  }
  ways->addStretch();
  tapeColumn->addLayout(ways);
  column->addWidget(onTape_);
  column->addStretch();
  connect(&order, &Order::changed, this, &CutPage::refresh);
  connect(&order, &Order::gaugeLinePicked, this, &CutPage::refresh);
}

LengthField* CutPage::field(const QString& label, const char* member,
                            const std::function<WrittenLength&(Cut&)>& of) {
  const QString key = QLatin1String(member);
  LengthField* made = fields_.add(label, QStringLiteral("divide.cut.") + key);
  const auto set = [this, key, of](const WrittenLength& length) {
    editCut(order_, tr("Set the cut to %1").arg(say(length.length, order_.unit())), key,
            [&](Cut& cut) { of(cut) = length; });
  };
  connect(made, &LengthField::typed, this, set);
  connect(made, &LengthField::stepped, this, [this, set, of](int marks) {
    const Cut* now = cutInHand(order_);
    if (now == nullptr) return;
    Cut cut = *now;
    const Graduation graduation = usualGraduation(order_.unit());
    const Length next = nearestMark(of(cut).length, graduation) + step(graduation) * marks;
    set(written(std::max(next, Length()), order_.unit()));
  });
  return made;
}

LengthField* CutPage::angle(const QString& label, const char* member,
                            const std::function<Angle&(Cut&)>& of) {
  const QString key = QLatin1String(member);
  LengthField* made =
      fields_.add(label, QStringLiteral("divide.cut.") + key, LengthField::Kind::degrees);
  const auto set = [this, key, of](Angle angle) {
    editCut(order_, tr("Turn the cut to %1").arg(QString::fromStdString(angleText(angle))), key,
            [&](Cut& cut) { of(cut) = angle; });
  };
  connect(made, &LengthField::typedAngle, this, set);
  connect(made, &LengthField::stepped, this, [this, set, of](int marks) {
    const Cut* now = cutInHand(order_);
    if (now == nullptr) return;
    Cut cut = *now;
    set((of(cut) + Angle::degrees(marks)).wrapped());
  });
  return made;
}

void CutPage::readList() {
  const Cut* cut = cutInHand(order_);
  if (cut == nullptr) return;
  const std::string text = list_->text().toStdString();
  const Unit unit = order_.unit();
  const auto refuse = [&](const Fault& fault) {
    emit said(say(fault.sentence, unit));
    refresh();
  };
  if (cut->by == CutBy::widths) {
    const auto widths = parseWidths(text, unit);
    if (!widths) return refuse(widths.error());
    editCut(order_, tr("Set the parts"), {}, [&](Cut& c) { c.widths = *widths; });
  } else if (cut->kind == CutKind::uprights) {
    const auto angles = parseAngles(text);
    if (!angles) return refuse(angles.error());
    editCut(order_, tr("Set the lines"), {}, [&](Cut& c) { c.angles = *angles; });
  } else {
    const auto places = parsePlaces(text, unit);
    if (!places) return refuse(places.error());
    editCut(order_, tr("Set the lines"), {}, [&](Cut& c) { c.places = *places; });
  }
}

/// Lines of this cut that fall between two marks, and the ways out.
void CutPage::showOffTape(const CupPlan& plan, const Cut& cut, const Zone& zone) {
  const Unit unit = order_.unit();
  const ZonePath parent(zone.path.begin(), zone.path.end() - 1);
  int off = 0;
  Length most;
  for (const DivideLine& line : plan.divided.lines) {
    // Tape against spacer needs no marks.
    const bool rings = cut.kind == CutKind::rings && cut.by != CutBy::spacers;
    if (line.of != parent || !rings || line.stretches.empty()) continue;
    const Length fromRim = plan.wall.body.wall() - line.stretches.front().front().s;
    const Length error = abs(nearestMark(fromRim, usualGraduation(unit)) - fromRim);
    if (error < Length::mm(0.01)) continue;
    ++off;
    most = std::max(most, error);
  }
  onTape_->setVisible(off > 0);
  const QString error = QString::fromStdString(decimalText(most, unit, unit == Unit::inch ? 3 : 2));
  off_->setText(
      off == 1
          ? tr("1 line falls between marks of the tape, off by %1.").arg(error)
          : tr("%1 lines fall between marks of the tape, off by up to %2.").arg(off).arg(error));
}

/// How the stripes of a run fall, and what tape they need.
void CutPage::showRun(const Cut& cut) {
  const std::optional<SpacerWork> work = spacerWork(order_);
  run_->setText(work ? (cut.stripes == 0
                            ? tr("%1 stripes fit, %2 is left over. Tape: %3 for stripes, %4 for "
                                 "spacers, tabs included.")
                            : tr("%1 stripes, %2 is left over. Tape: %3 for stripes, %4 for "
                                 "spacers, tabs included."))
                           .arg(work->run.stripes)
                           .arg(onTape(work->run.leftOver, order_.unit()).mark,
                                onTape(work->tape.stripes, order_.unit()).mark,
                                onTape(work->tape.spacers, order_.unit()).mark)
                     : QString());
}

void CutPage::refresh() {
  const Zone* zone = zoneInHand(order_);
  const CupPlan* plan = order_.plan();
  const Cut* cut = cutInHand(order_);
  const bool can = zone != nullptr && order_.planHolds();
  for (QPushButton* button : actions_) button->setEnabled(can);
  // A slant needs sides to end on.
  action(CutKind::slant).setEnabled(can && !zone->region.allRound());
  uncut_->setVisible(cut != nullptr);
  const bool lines =
      cut != nullptr && (cut->kind == CutKind::rings || cut->kind == CutKind::uprights);
  const auto is = [&](CutKind kind) { return cut != nullptr && cut->kind == kind; };
  by_->setVisible(lines);
  end_->setVisible((is(CutKind::rings) && cut->by == CutBy::places) || is(CutKind::vee) ||
                   is(CutKind::wave));
  const bool spaced = is(CutKind::rings) && cut->by == CutBy::spacers;
  by_->button(static_cast<int>(CutBy::spacers))->setVisible(is(CutKind::rings));
  over_->setVisible(spaced);
  shape_->setVisible(is(CutKind::wave));
  tape_->setVisible(spaced);
  spacer_->setVisible(spaced);
  run_->setVisible(spaced);
  const bool counted =
      (lines && cut->by == CutBy::equal) || spaced || is(CutKind::vee) || is(CutKind::wave);
  const bool listed = lines && cut->by != CutBy::equal && !spaced;
  counted_->setVisible(counted);
  list_->setVisible(listed);
  listLabel_->setVisible(listed);
  at_->setVisible(is(CutKind::vee) || is(CutKind::slant) || is(CutKind::wave) ||
                  (is(CutKind::uprights) && cut->by != CutBy::places));
  to_->setVisible(is(CutKind::slant));
  wide_->setVisible(is(CutKind::vee));
  deep_->setVisible(is(CutKind::vee));
  low_->setVisible(is(CutKind::slant) || is(CutKind::wave));
  high_->setVisible(is(CutKind::slant));
  swing_->setVisible(is(CutKind::wave));
  if (zone == nullptr || plan == nullptr) {
    onTape_->hide();
    made_->clear();
    return;
  }
  const QString id = QString::fromStdString(zone->id);
  if (cut == nullptr) {
    onTape_->hide();
    made_->setText(tr("The body is one zone, %1. Cut it.").arg(id));
    return;
  }
  const Unit unit = order_.unit();
  showOffTape(*plan, *cut, *zone);
  made_->setText(tr("Zone %1, made by: %2").arg(id, say(cutName(*cut), unit)));
  by_->show(static_cast<int>(cut->by));
  end_->show((cut->kind == CutKind::vee ? cut->opensAtRim : cut->fromRim) ? 0 : 1);
  {
    const QSignalBlocker quiet(count_);
    count_->setMinimum(spaced ? 0 : 1);
    count_->setSpecialValueText(spaced ? tr("as many as fit") : QString());
    count_->setValue(spaced ? cut->stripes : lines ? cut->count : cut->repeat);
  }
  leftover_->show(static_cast<int>(cut->leftover));
  shape_->show(cut->zigzag ? 1 : 0);
  tape_->show(cut->tape.length, unit);
  spacer_->show(cut->spacer.length, unit);
  if (spaced) showRun(*cut);
  countLabel_->setText(spaced             ? tr("How many stripes")
                       : lines            ? tr("How many parts")
                       : is(CutKind::vee) ? tr("How many V's")
                                          : tr("How many swings"));
  if (listed && !list_->hasFocus()) {
    const bool widths = cut->by == CutBy::widths;
    listLabel_->setText(widths               ? (is(CutKind::rings)
                                                    ? tr("Parts, from the top down; one may be “rest”")
                                                    : tr("Parts, to the right; one may be “rest”"))
                        : is(CutKind::rings) ? tr("Lines, from that end")
                                             : tr("Lines, in degrees from the front"));
    list_->setText(QString::fromStdString(widths               ? widthsText(cut->widths, unit)
                                          : is(CutKind::rings) ? placesText(cut->places, unit)
                                                               : anglesText(cut->angles)));
  }
  at_->show(cut->at);
  to_->show(cut->to);
  wide_->show(cut->wide.length, unit);
  if (cut->deep) {
    deep_->show(cut->deep->length, unit);
  } else {
    deep_->showWord(tr("to the far edge"), unit);
  }
  low_->setLabel(is(CutKind::wave)
                     ? (cut->fromRim ? tr("Middle, from the rim") : tr("Middle, up the wall"))
                     : tr("Up the wall where it begins"));
  low_->show(cut->low.length, unit);
  high_->show(cut->high.length, unit);
  swing_->show(cut->swing.length, unit);
}

}  // namespace avrelt
