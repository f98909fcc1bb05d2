// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/divide/cut_page.h"

#include <algorithm>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/offer.h"
#include "app/fields/show_value.h"
#include "app/order/phrases.h"
#include "app/order/zone_edits.h"
#include "divide/shaping.h"

namespace avrelt {

namespace {

/// The member by which several kinds of cut hold one number: where it is in a cut at hand, nothing
/// where its kind has none.
template <typename Value, typename... Kinds>
std::function<Value*(Cut&)> ofKinds(Value Kinds::*... members) {
  return [members...](Cut& cut) {
    Value* found = nullptr;
    const auto look = [&](auto* kind, auto member) {
      if (kind != nullptr) found = &(kind->*member);
    };
    (look(std::get_if<Kinds>(&cut.how), members), ...);
    return found;
  };
}

const auto countOf =
    ofKinds<int>(&RingCut::count, &UprightCut::count, &VeeCut::repeat, &WaveCut::repeat);

/// What the spin box counts: stripes by tape and spacer, equal parts, or repeats.
int* countedIn(Cut& cut) {
  auto* rings = std::get_if<RingCut>(&cut.how);
  if (rings != nullptr && rings->by == CutBy::spacers) return &rings->stripes;
  return countOf(cut);
}

/// Something to go on with, until the list is typed.
void startList(RingCut& cut, const Order& order) {
  if (cut.widths.empty()) {
    cut.widths.assign(static_cast<std::size_t>(std::max(cut.count, 1)), std::nullopt);
  }
  const Zone* zone = zoneInHand(order);
  if (!cut.places.empty() || zone == nullptr) return;
  const Length s = zone->region.lowest();
  cut.places = {written(cut.fromRim ? order.plan()->wall.body.wall() - s : s, order.unit())};
}

void startList(UprightCut& cut, const Order& /*order*/) {
  if (cut.widths.empty()) {
    cut.widths.assign(static_cast<std::size_t>(std::max(cut.count, 1)), std::nullopt);
  }
  if (cut.angles.empty()) cut.angles = {CupAngle::degrees(-90), CupAngle::degrees(90)};
}

void placeBy(Cut& cut, CutBy by, const Order& order) {
  const auto place = [&](auto* lines) {
    if (lines == nullptr) return;
    lines->by = by;
    startList(*lines, order);
  };
  place(std::get_if<RingCut>(&cut.how));
  place(std::get_if<UprightCut>(&cut.how));
}

/// Counts from the rim, or from the base. Lines stay where they are; what changes is which end they
/// keep their distance from. A V turns over.
void countFrom(Cut& cut, bool rim, const Order& order) {
  const CupPlan* plan = order.plan();
  if (plan == nullptr) return;
  const auto turned = [&](const WrittenLength& place) {
    return written(plan->wall.body.wall() - place.length, order.unit());
  };
  if (auto* vee = std::get_if<VeeCut>(&cut.how)) {
    vee->opensAtRim = rim;
  } else if (auto* rings = std::get_if<RingCut>(&cut.how); rings && rings->fromRim != rim) {
    rings->fromRim = rim;
    for (WrittenLength& place : rings->places) place = turned(place);
  } else if (auto* wave = std::get_if<WaveCut>(&cut.how); wave && wave->fromRim != rim) {
    wave->fromRim = rim;
    wave->low = turned(wave->low);
  }
}

/// Whether it counts from the rim (a V: opens there); nothing for a cut that has no such choice.
std::optional<bool> countsFromRim(const Cut& cut) {
  if (const auto* rings = std::get_if<RingCut>(&cut.how)) {
    return rings->by == CutBy::places ? std::optional(rings->fromRim) : std::nullopt;
  }
  if (const auto* vee = std::get_if<VeeCut>(&cut.how)) return vee->opensAtRim;
  if (const auto* wave = std::get_if<WaveCut>(&cut.how)) return wave->fromRim;
  return std::nullopt;
}

/// The list a cut is placed by, as it is typed; nothing where it has none.
std::optional<std::string> listText(const Cut& cut, Unit unit) {
  if (const auto* rings = std::get_if<RingCut>(&cut.how)) {
    if (rings->by == CutBy::widths) return widthsText(rings->widths, unit);
    if (rings->by == CutBy::places) return placesText(rings->places, unit);
  }
  if (const auto* uprights = std::get_if<UprightCut>(&cut.how)) {
    if (uprights->by == CutBy::widths) return widthsText(uprights->widths, unit);
    if (uprights->by == CutBy::places) return anglesText(uprights->angles);
  }
  return std::nullopt;
}

/// A label over what it is about.
QWidget* under(QLabel* label, QWidget* control, Qt::Alignment aligned = {}) {
  auto* both = new QWidget;
  auto* column = new QVBoxLayout(both);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(2);
  label->setProperty("role", "label");
  column->addWidget(label);
  column->addWidget(control, 0, aligned);
  return both;
}

}  // namespace

CutPage::CutPage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order), fields_(fields) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(7);
  column->addLayout(cutButtons());
  auto* head = new QHBoxLayout;
  made_ = new QLabel;
  made_->setProperty("role", "label");
  uncut_ = new QPushButton(tr("Take this cut back"));
  uncut_->setShortcut(QKeySequence(QStringLiteral("Alt+Backspace")));
  head->addWidget(made_, 1);
  head->addWidget(uncut_);
  column->addLayout(head);
  connect(uncut_, &QPushButton::clicked, this, [this] { uncutZone(order_); });
  column->addLayout(choices());
  listLabel_ = new QLabel;
  listLabel_->setProperty("role", "label");
  list_ = new QLineEdit;
  list_->setAccessibleName(tr("Parts or lines, one after another"));
  listLabel_->setBuddy(list_);
  connect(list_, &QLineEdit::editingFinished, this, &CutPage::readList);
  column->addWidget(listLabel_);
  column->addWidget(list_);
  column->addLayout(numbers());
  run_ = new QLabel;
  run_->setProperty("role", "label");
  run_->setWordWrap(true);
  column->addWidget(run_);
  onTape_ = tapeWays();
  column->addWidget(onTape_);
  column->addStretch();
  connect(&order, &Order::changed, this, &CutPage::refresh);
  connect(&order, &Order::gaugeLinePicked, this, &CutPage::refresh);
}

QLayout* CutPage::cutButtons() {
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
  return row;
}

QLayout* CutPage::choices() {
  auto* row = new QHBoxLayout;
  by_ = segmentsOf<CutBy>(tr("Placed by"), {{CutBy::equal, tr("Equal")},
                                            {CutBy::places, tr("Places")},
                                            {CutBy::widths, tr("Widths")},
                                            {CutBy::spacers, tr("Spacers")}});
  by_->button(static_cast<int>(CutBy::spacers))
      ->setToolTip(tr("Tape, a spacer touching it, tape touching that, and so on"));
  shape_ = new Segments(tr("Shape"), {tr("Curves"), tr("Zigzag")});
  end_ = new Segments(tr("Counted from"), {tr("Rim"), tr("Base")});
  row->addWidget(by_);
  row->addWidget(end_);
  row->addWidget(shape_);
  row->addStretch();
  onChosen<CutBy>(*by_, this, [this](CutBy chosen) {
    editCut(order_, tr("Place lines otherwise"), {},
            [&](Cut& cut) { placeBy(cut, chosen, order_); });
  });
  connect(end_, &Segments::picked, this, [this](int i) {
    editCut(order_, tr("Count from the other end"), {},
            [&](Cut& cut) { countFrom(cut, i == 0, order_); });
  });
  connect(shape_, &Segments::picked, this, [this](int i) {
    editCut(order_, i == 1 ? tr("Make the wave a zigzag") : tr("Make the wave curved"), {},
            [i](Cut& cut) {
              if (auto* wave = std::get_if<WaveCut>(&cut.how)) wave->zigzag = i == 1;
            });
  });
  return row;
}

QLayout* CutPage::numbers() {
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(12);
  grid->setVerticalSpacing(6);
  grid->setColumnStretch(0, 1);
  grid->setColumnStretch(1, 1);
  counted_ = counter();
  grid->addWidget(counted_, 0, 0);
  at_ = angle(tr("At (0° is the front)"), Member::cutAt,
              ofKinds<CupAngle>(&UprightCut::at, &VeeCut::at, &SlantCut::at, &WaveCut::at));
  grid->addWidget(at_, 0, 1);
  grid->addWidget(angle(tr("To"), Member::cutTo, ofKinds<CupAngle>(&SlantCut::to)), 0, 0);
  grid->addWidget(
      field(tr("Wide at its open end"), Member::cutWide, ofKinds<WrittenLength>(&VeeCut::wide)), 1,
      0);
  deep_ = fields_.add(tr("Deep, to its point"), Member::cutDeep);
  connect(deep_, &LengthField::typed, this, [this](const WrittenLength& typed) {
    editCut(order_, tr("V %1 deep").arg(say(typed.length, order_.unit())), QStringLiteral("deep"),
            [&](Cut& cut) {
              if (auto* vee = std::get_if<VeeCut>(&cut.how)) vee->deep = typed;
            });
  });
  grid->addWidget(deep_, 1, 1);
  low_ = field(tr("Up the wall"), Member::cutLow,
               ofKinds<WrittenLength>(&SlantCut::low, &WaveCut::low));
  grid->addWidget(low_, 2, 0);
  grid->addWidget(
      field(tr("Up the wall at its end"), Member::cutHigh, ofKinds<WrittenLength>(&SlantCut::high)),
      2, 1);
  grid->addWidget(
      field(tr("Tall, trough to crest"), Member::cutSwing, ofKinds<WrittenLength>(&WaveCut::swing)),
      2, 1);
  over_ = leftOver();
  grid->addWidget(over_, 0, 1);
  tape_ = field(tr("Stripe, wide"), Member::cutTape, ofKinds<WrittenLength>(&RingCut::tape));
  spacer_ = field(tr("Spacer, wide"), Member::cutSpacer, ofKinds<WrittenLength>(&RingCut::spacer));
  grid->addWidget(tape_, 1, 0);
  grid->addWidget(spacer_, 1, 1);
  return grid;
}

QWidget* CutPage::counter() {
  countLabel_ = new QLabel;
  count_ = new CountBox;
  count_->setAccessibleName(tr("How many"));
  count_->setRange(1, 500);
  count_->setSpecialValueText({});
  count_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  countLabel_->setBuddy(count_);
  connect(count_, &QSpinBox::valueChanged, this, [this](int count) {
    editCut(order_, tr("%1 of them").arg(count), QStringLiteral("count"), [count](Cut& cut) {
      if (int* number = countedIn(cut)) *number = count;
    });
  });
  return under(countLabel_, count_);
}

QWidget* CutPage::leftOver() {
  leftover_ = segmentsOf<Leftover>(
      tr("What is left over goes to"),
      {{Leftover::top, tr("Top")}, {Leftover::base, tr("Base")}, {Leftover::both, tr("Both")}});
  onChosen<Leftover>(*leftover_, this, [this](Leftover chosen) {
    editCut(order_, tr("Put what is left over elsewhere"), {}, [chosen](Cut& cut) {
      if (auto* rings = std::get_if<RingCut>(&cut.how)) rings->leftover = chosen;
    });
  });
  return under(new QLabel(tr("What is left over goes to")), leftover_, Qt::AlignLeft);
}

QWidget* CutPage::tapeWays() {
  auto* ways = new QWidget;
  auto* column = new QVBoxLayout(ways);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(5);
  off_ = new QLabel;
  off_->setProperty("role", "label");
  off_->setWordWrap(true);
  column->addWidget(off_);
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  const std::pair<Absorb, QString> absorbs[] = {{Absorb::spread, tr("Spread it")},
                                                {Absorb::rim, tr("Rim takes it")},
                                                {Absorb::base, tr("Base takes it")}};
  for (const auto& [absorb, name] : absorbs) {
    auto* button = new QPushButton(name);
    button->setToolTip(tr("Puts every line on a mark of the tape"));
    row->addWidget(button);
    connect(button, &QPushButton::clicked, this,
            [this, absorb = absorb] { putOntoTape(order_, absorb); });
  }
  row->addStretch();
  column->addLayout(row);
  return ways;
}

LengthField* CutPage::field(const QString& label, Member member,
                            const std::function<WrittenLength*(Cut&)>& of) {
  const QString key = keyOf(member);
  LengthField* made = fields_.add(label, member);
  lengths_.emplace_back(made, of);
  const auto set = [this, key, of](const WrittenLength& length) {
    editCut(order_, tr("Set the cut to %1").arg(say(length.length, order_.unit())), key,
            [&](Cut& cut) {
              if (WrittenLength* now = of(cut)) *now = length;
            });
  };
  connect(made, &LengthField::typed, this, set);
  connect(made, &LengthField::stepped, this, [this, set, of](int marks) {
    const Cut* cut = cutInHand(order_);
    if (cut == nullptr) return;
    Cut copy = *cut;
    const WrittenLength* now = of(copy);
    if (now == nullptr) return;
    const Graduation graduation = usualGraduation(order_.unit());
    const Length next = nearestMark(now->length, graduation) + step(graduation) * marks;
    set(written(std::max(next, Length()), order_.unit()));
  });
  return made;
}

LengthField* CutPage::angle(const QString& label, Member member,
                            const std::function<CupAngle*(Cut&)>& of) {
  const QString key = keyOf(member);
  LengthField* made = fields_.add(label, member, LengthField::Kind::degrees);
  angles_.emplace_back(made, of);
  const auto set = [this, key, of](CupAngle angle) {
    editCut(order_, tr("Turn the cut to %1").arg(QString::fromStdString(angleText(angle))), key,
            [&](Cut& cut) {
              if (CupAngle* now = of(cut)) *now = angle;
            });
  };
  connect(made, &LengthField::typedAngle, this,
          [set](Angle typed) { set(CupAngle::ofFront(typed)); });
  connect(made, &LengthField::stepped, this, [this, set, of](int marks) {
    const Cut* cut = cutInHand(order_);
    if (cut == nullptr) return;
    Cut copy = *cut;
    if (const CupAngle* now = of(copy)) set((*now + Angle::degrees(marks)).wrapped());
  });
  return made;
}

void CutPage::readList() {
  const Cut* cut = cutInHand(order_);
  if (cut == nullptr) return;
  const std::string text = list_->text().toStdString();
  const Unit unit = order_.unit();
  const auto take = [&](const auto& list, const QString& title, const auto& put) {
    if (!list) {
      emit said(say(list.error().sentence, unit));
      refresh();
      return;
    }
    editCut(order_, title, {}, [&](Cut& c) { put(c, *list); });
  };
  if (placedBy(*cut) == CutBy::widths) {
    const auto widths =
        ofKinds<std::vector<std::optional<WrittenLength>>>(&RingCut::widths, &UprightCut::widths);
    take(parseWidths(text, unit), tr("Set the parts"),
         [&](Cut& c, const auto& list) { *widths(c) = list; });
  } else if (cut->kind() == CutKind::uprights) {
    take(parseAngles(text), tr("Set the lines"),
         [](Cut& c, const auto& list) { std::get<UprightCut>(c.how).angles = list; });
  } else if (cut->kind() == CutKind::rings) {
    take(parsePlaces(text, unit), tr("Set the lines"),
         [](Cut& c, const auto& list) { std::get<RingCut>(c.how).places = list; });
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
    const bool rings = cut.kind() == CutKind::rings && placedBy(cut) != CutBy::spacers;
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
void CutPage::showRun(const RingCut& cut) {
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
  showNumbers(cut);
  if (zone == nullptr || plan == nullptr) {
    onTape_->hide();
    made_->clear();
    return;
  }
  const QString id = QString::fromStdString(zone->letter);
  if (cut == nullptr) {
    onTape_->hide();
    made_->setText(tr("The body is one zone, %1. Cut it.").arg(id));
    return;
  }
  showOffTape(*plan, *cut, *zone);
  made_->setText(tr("Zone %1, made by: %2").arg(id, say(cutName(*cut), order_.unit())));
}

/// The controls for what a cut of this kind has, filled; none without a cut.
void CutPage::showNumbers(const Cut* cut) {
  const Unit unit = order_.unit();
  const std::optional<CutBy> by = cut != nullptr ? placedBy(*cut) : std::nullopt;
  by_->setVisible(by.has_value());
  if (by) showChosen(*by_, *by);
  const auto* rings = cut != nullptr ? std::get_if<RingCut>(&cut->how) : nullptr;
  by_->button(static_cast<int>(CutBy::spacers))->setVisible(rings != nullptr);
  const std::optional<bool> fromRim = cut != nullptr ? countsFromRim(*cut) : std::nullopt;
  end_->setVisible(fromRim.has_value());
  if (fromRim) end_->show(*fromRim ? 0 : 1);
  const auto* wave = cut != nullptr ? std::get_if<WaveCut>(&cut->how) : nullptr;
  shape_->setVisible(wave != nullptr);
  if (wave != nullptr) shape_->show(wave->zigzag ? 1 : 0);

  // Each number where the cut has it, in a copy: what gives a place to write to asks for one.
  Cut copy = cut != nullptr ? *cut : Cut();
  for (const auto& [length, of] : lengths_) {
    const WrittenLength* now = cut != nullptr ? of(copy) : nullptr;
    length->setVisible(now != nullptr);
    if (now != nullptr) length->show(now->length, unit);
  }
  for (const auto& [angle, of] : angles_) {
    const CupAngle* now = cut != nullptr ? of(copy) : nullptr;
    angle->setVisible(now != nullptr);
    if (now != nullptr) angle->show(*now);
  }
  // Uprights by places have their angles in the list.
  const auto* uprights = cut != nullptr ? std::get_if<UprightCut>(&cut->how) : nullptr;
  if (uprights != nullptr && uprights->by == CutBy::places) at_->hide();
  const auto* vee = cut != nullptr ? std::get_if<VeeCut>(&cut->how) : nullptr;
  deep_->setVisible(vee != nullptr);
  if (vee != nullptr && vee->deep) {
    deep_->show(vee->deep->length, unit);
  } else if (vee != nullptr) {
    deep_->showWord(tr("to the far edge"), unit);
  }
  low_->setLabel(wave == nullptr ? tr("Up the wall where it begins")
                 : wave->fromRim ? tr("Middle, from the rim")
                                 : tr("Middle, up the wall"));

  const bool spaced = rings != nullptr && rings->by == CutBy::spacers;
  for (QWidget* of : {static_cast<QWidget*>(tape_), static_cast<QWidget*>(spacer_), over_,
                      static_cast<QWidget*>(run_)}) {
    of->setVisible(spaced);
  }
  if (spaced) {
    showChosen(*leftover_, rings->leftover);
    showRun(*rings);
  }
  showCount(cut, spaced);
  showList(cut);
}

void CutPage::showCount(const Cut* cut, bool spaced) {
  const std::optional<CutBy> by = cut != nullptr ? placedBy(*cut) : std::nullopt;
  Cut copy = cut != nullptr ? *cut : Cut();
  const int* count = cut != nullptr ? countedIn(copy) : nullptr;
  counted_->setVisible(count != nullptr && (!by || *by == CutBy::equal || spaced));
  if (count == nullptr) return;
  showRange(*count_, spaced ? 0 : 1, count_->maximum());
  const QString all = spaced ? tr("as many as fit") : QString();
  if (count_->specialValueText() != all) count_->setSpecialValueText(all);
  showValue(*count_, *count);
  countLabel_->setText(spaced                        ? tr("How many stripes")
                       : by                          ? tr("How many parts")
                       : cut->kind() == CutKind::vee ? tr("How many V's")
                                                     : tr("How many swings"));
}

void CutPage::showList(const Cut* cut) {
  const std::optional<std::string> list =
      cut != nullptr ? listText(*cut, order_.unit()) : std::nullopt;
  list_->setVisible(list.has_value());
  listLabel_->setVisible(list.has_value());
  if (!list || list_->hasFocus()) return;
  const bool rings = cut->kind() == CutKind::rings;
  if (placedBy(*cut) == CutBy::widths) {
    listLabel_->setText(rings ? tr("Parts, from the top down; one may be “rest”")
                              : tr("Parts, to the right; one may be “rest”"));
  } else {
    listLabel_->setText(rings ? tr("Lines, from that end")
                              : tr("Lines, in degrees from the front"));
  }
  list_->setText(QString::fromStdString(*list));
}

}  // namespace avrelt

#include "moc_cut_page.cpp"
