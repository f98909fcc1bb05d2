// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/growth_page.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <QAbstractItemView>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QMenu>
#include <QVBoxLayout>

#include "app/fields/offer.h"
#include "app/gauge/coats.h"
#include "app/gauge/measures.h"
#include "app/look/theme.h"
#include "app/order/phrases.h"

namespace avrelt {
namespace {

Coat resin(Volume mixed) {
  return {.kind = CoatKind::resin, .mixed = mixed};
}

}  // namespace

GrowthPage::GrowthPage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  stages_ = new StageList(order);
  thing_ = new QComboBox;
  thing_->setAccessibleName(tr("What is laid"));
  thing_->view()->setAccessibleName(thing_->accessibleName());
  thing_->setToolTip(tr("Whose stage the list shows and moves"));
  thingLabel_ = new QLabel(tr("Stage of"));
  thingLabel_->setProperty("role", "label");
  thingLabel_->setBuddy(thing_);
  auto* things = new QHBoxLayout;
  things->setSpacing(8);
  things->addWidget(thingLabel_);
  things->addWidget(thing_, 1);
  column->addLayout(things);
  column->addWidget(stages_, 1);
  connect(thing_, &QComboBox::activated, this, [this](int i) {
    stages_->take(thing_->itemData(i).toString().toStdString());
    refresh();
  });

  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  add_ = new QPushButton(tr("+ Coat"));
  add_->setMenu(coatMenu());
  add_->setAccessibleName(tr("Add a coat"));
  remove_ = new QPushButton(tr("− Coat"));
  remove_->setAccessibleName(tr("Take the coat of this stage off"));
  sized_ = segmentsOf<SizedFor>(tr("Sized for"),
                                {{SizedFor::laid, tr("As laid")}, {SizedFor::bare, tr("Bare")}});
  buttonOf(*sized_, SizedFor::laid)
      ->setToolTip(tr("Parts are cut for the cup as it is when they are laid"));
  buttonOf(*sized_, SizedFor::bare)
      ->setToolTip(tr("Parts are cut for the bare cup, and trimmed or lapped"));
  row->addWidget(add_);
  row->addWidget(remove_);
  row->addStretch();
  row->addWidget(sized_);
  column->addLayout(row);

  again_ = fields.add(tr("Round the rim, measured at this stage"), Member::measured);
  log_ = new QPushButton(tr("Log it"));
  log_->setToolTip(tr("Keep this girth in the shop: growth is then predicted your way (Ctrl+L)"));
  auto* measured = new QHBoxLayout;
  measured->setSpacing(8);
  measured->addWidget(again_, 1);
  measured->addWidget(log_, 0, Qt::AlignBottom);
  column->addLayout(measured);
  habits_ = new QLabel;
  habits_->setProperty("role", "label");
  habits_->setWordWrap(true);
  habits_->setFont(face(12));
  column->addWidget(habits_);
  connect(log_, &QPushButton::clicked, this, &GrowthPage::logAsked);
  caution_ = new QLabel(tr("Uncured resin: nitrile gloves, fresh air, its data sheet."));
  caution_->setWordWrap(true);
  caution_->setFont(face(12));
  column->addWidget(caution_);

  connect(remove_, &QPushButton::clicked, this, [this] { removeCoat(order_, stages_->stage()); });
  onChosen<SizedFor>(*sized_, this, [this](SizedFor chosen) { setSizedFor(order_, chosen); });
  connect(again_, &LengthField::typed, this,
          [this](const WrittenLength& typed) { remeasure(order_, typed, stages_->stage()); });
  connect(again_, &LengthField::stepped, this, [this](int marks) {
    const CupPlan* plan = order_.plan();
    if (plan == nullptr) return;
    const Cup& cup = order_.currentCup();
    // From what was measured, or from what is expected.
    const std::optional<WrittenLength> now = remeasured(cup, stages_->stage());
    const auto after = static_cast<std::size_t>(stages_->stage());
    if (after >= plan->stages.size()) return;
    const Stage& laid = plan->stages[after];
    const Length expected = girthMeasured(cup) == Girth::around
                                ? plan->bare.grownBy(laid.thickness).aroundRim()
                                : plan->bare.grownBy(laid.thickness).radius(plan->bare.wall()) * 2;
    const Graduation graduation = usualGraduation(order_.unit());
    remeasure(
        order_,
        written(nearestMark(now ? now->length : expected, graduation) + step(graduation) * marks,
                order_.unit()),
        stages_->stage());
  });
  connect(&order, &Order::changed, this, &GrowthPage::refresh);
}

QMenu* GrowthPage::coatMenu() {
  auto* menu = new QMenu(this);
  const auto offer = [&](const QString& text, const Coat& coat) {
    connect(menu->addAction(text), &QAction::triggered, this,
            [this, coat] { addCoat(order_, coat); });
  };
  offer(tr("Paint, brushed"), {.kind = CoatKind::paint});
  offer(tr("Paint, sprayed"), {.kind = CoatKind::paint, .sprayed = true});
  menu->addSeparator();
  offer(tr("Glitter, fine"), {.kind = CoatKind::glitter, .cut = GlitterCut::fine});
  offer(tr("Glitter, medium"), {.kind = CoatKind::glitter, .cut = GlitterCut::medium});
  offer(tr("Glitter, chunky"), {.kind = CoatKind::glitter, .cut = GlitterCut::chunky});
  menu->addSeparator();
  for (const double ml : {5.0, 10.0, 15.0, 20.0, 25.0, 30.0}) {
    offer(tr("Resin, %1 mixed").arg(QString::fromStdString(volumeText(Volume::ml(ml)))),
          resin(Volume::ml(ml)));
  }
  connect(menu->addAction(tr("Resin, another amount…")), &QAction::triggered, this,
          &GrowthPage::askAmount);
  connect(menu->addAction(tr("Resin for a thickness…")), &QAction::triggered, this,
          &GrowthPage::askThickness);
  return menu;
}

void GrowthPage::askAmount() {
  bool taken = false;
  const QString typed =
      QInputDialog::getText(this, tr("Resin"), tr("Both parts together, in ml or fl oz:"),
                            QLineEdit::Normal, QStringLiteral("20 ml"), &taken);
  if (!taken) return;
  const Checked<Volume> volume = parseVolume(typed.toStdString());
  if (volume) {
    addCoat(order_, resin(*volume));
  } else {
    emit said(say(volume.error().sentence, order_.unit()));
  }
}

void GrowthPage::askThickness() {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return;
  bool taken = false;
  const QString typed = QInputDialog::getText(this, tr("Resin"), tr("How thick the coat is to be:"),
                                              QLineEdit::Normal, QStringLiteral("0.2 mm"), &taken);
  if (!taken) return;
  const Checked<Length> thickness = parseSize(typed.toStdString(), Unit::mm);
  if (!thickness) {
    emit said(say(thickness.error().sentence, order_.unit()));
    return;
  }
  const Volume volume = resinFor(*thickness, plan->bare.area(), order_.stock().growth);
  if (volume > Volume::ml(5000)) {
    emit said(tr("That would take over 5000 ml. Give the thickness of one coat, such as 0.2 mm."));
    return;
  }
  addCoat(order_, resin(volume));
  emit said(tr("Mix %1: %2 of each part where they go one to one. What its maker says goes first.")
                .arg(QString::fromStdString(volumeText(volume)),
                     QString::fromStdString(volumeText(volume / 2))));
}

/// On what the growth is predicted from, and how sure that is.
void GrowthPage::showHabits() {
  const GrowthHabits& habits = order_.stock().growth;
  habits_->setVisible(!order_.currentCup().buildUp.coats.empty());
  if (habits.records == 0) {
    habits_->setText(tr("A guess: nothing of yours is logged yet."));
    return;
  }
  const auto resin = static_cast<std::size_t>(Material::resin);
  const double share = habits.mean[resin] * 100;
  const double sure = std::sqrt(std::max(habits.covariance[resin][resin], 0.0)) * 200;
  const QString scatter = QString::fromStdString(decimalText(
      habits.scatter * (2 * std::numbers::pi), order_.unit(), order_.unit() == Unit::inch ? 3 : 1));
  habits_->setText(
      tr("From %1 of your measurements, %2 with resin: %3 ± %4 % of it stays; single cups stray "
         "by %5 round.")
          .arg(habits.records)
          .arg(habits.seen[resin])
          .arg(share, 0, 'f', 0)
          .arg(sure, 0, 'f', 0)
          .arg(scatter));
}

/// Everything that is laid and could have a stage of its own.
void GrowthPage::listThings() {
  const CupPlan* plan = order_.plan();
  std::vector<std::pair<QString, QString>> wanted{{tr("everything"), QString()}};
  if (plan != nullptr) {
    for (const LaidThing& thing : plan->things) {
      const QString name = say(thing.name, order_.unit());
      const QString coats = thing.after == 0   ? tr("on the bare cup")
                            : thing.after == 1 ? tr("after 1 coat")
                                               : tr("after %1 coats").arg(thing.after);
      if (thing.own) wanted.front().first = tr("everything else");
      wanted.emplace_back(thing.own ? tr("%1, %2", "what, when").arg(name, coats) : name,
                          QString::fromStdString(thing.id));
    }
  }
  const bool alone =
      plan != nullptr && plan->things.size() == 1 && plan->things[0].kind == LaidKind::wrap;
  bool same = static_cast<int>(wanted.size()) == thing_->count();
  for (int i = 0; same && i < thing_->count(); ++i) {
    const auto& [words, id] = wanted[static_cast<std::size_t>(i)];
    same = thing_->itemText(i) == words && thing_->itemData(i).toString() == id;
  }
  if (!same) {
    thing_->clear();
    for (const auto& [words, id] : wanted) thing_->addItem(words, id);
  }
  const int now = thing_->findData(QString::fromStdString(stages_->thing()));
  if (now < 0) stages_->take({});
  thing_->setCurrentIndex(std::max(now, 0));
  // A wrap alone is laid when everything is.
  const bool choice = !alone && wanted.size() > 1 && !order_.currentCup().buildUp.coats.empty();
  thing_->setVisible(choice);
  thingLabel_->setVisible(choice);
  if (!choice) stages_->take({});
}

void GrowthPage::refresh() {
  if (!order_.hasCup()) return;
  const Cup& cup = order_.currentCup();
  const BuildUp& buildUp = cup.buildUp;
  listThings();
  const int stage = stages_->stage();
  remove_->setEnabled(stage > 0);
  showChosen(*sized_, buildUp.sizedFor);
  sized_->setVisible(!buildUp.coats.empty());
  again_->setVisible(stage > 0);
  again_->setLabel(girthMeasured(cup) == Girth::around
                       ? tr("Round the rim, measured at this stage")
                       : tr("Across the rim, measured at this stage"));
  const std::optional<WrittenLength> measured = remeasured(cup, stage);
  if (measured) {
    again_->show(measured->length, order_.unit());
  } else {
    again_->showWord(tr("not yet"), order_.unit());
  }
  log_->setVisible(stage > 0 && stage == buildUp.laidAfter);
  log_->setEnabled(measured.has_value() && order_.planHolds());
  showHabits();
  caution_->setVisible(std::any_of(buildUp.coats.begin(), buildUp.coats.end(),
                                   [](const Coat& c) { return c.kind == CoatKind::resin; }));
}

}  // namespace avrelt

#include "moc_growth_page.cpp"
