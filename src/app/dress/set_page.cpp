// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/set_page.h"

#include <algorithm>
#include <QAbstractItemView>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QMenu>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/fields/idle.h"
#include "app/fields/labelled.h"
#include "app/fields/marked_field.h"
#include "app/fields/show_value.h"
#include "app/fields/when_seen.h"
#include "app/order/phrases.h"
#include "app/order/set_edits.h"

namespace avrelt {
namespace {

struct AnchorChoice {
  const char* name;
  Anchor anchor;
};
const std::vector<AnchorChoice>& anchors() {
  static const std::vector<AnchorChoice> all{
      {QT_TRANSLATE_NOOP("avrelt::SetPage", "Centre"), {0.5, 0.5}},
      {QT_TRANSLATE_NOOP("avrelt::SetPage", "Top middle"), {0.5, 1}},
      {QT_TRANSLATE_NOOP("avrelt::SetPage", "Bottom middle"), {0.5, 0}},
      {QT_TRANSLATE_NOOP("avrelt::SetPage", "Left middle"), {0, 0.5}},
      {QT_TRANSLATE_NOOP("avrelt::SetPage", "Right middle"), {1, 0.5}},
      {QT_TRANSLATE_NOOP("avrelt::SetPage", "Top left"), {0, 1}},
      {QT_TRANSLATE_NOOP("avrelt::SetPage", "Top right"), {1, 1}},
      {QT_TRANSLATE_NOOP("avrelt::SetPage", "Bottom left"), {0, 0}},
      {QT_TRANSLATE_NOOP("avrelt::SetPage", "Bottom right"), {1, 0}},
  };
  return all;
}

}  // namespace

SetPage::SetPage(Order& order, FieldSet& fields, QWidget* parent) : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  sets_ = new QComboBox;
  sets_->setAccessibleName(tr("Sets of this cup"));
  sets_->view()->setAccessibleName(sets_->accessibleName());
  sets_->setMinimumContentsLength(20);
  sets_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  copy_ = new QPushButton(tr("Copy to"));
  copy_->setToolTip(tr("Puts the same set on another cup: the same parts, cut again"));
  copy_->setMenu(new QMenu(copy_));
  remove_ = new QPushButton(tr("−"));
  remove_->setAccessibleName(tr("Remove the set"));
  remove_->setToolTip(tr("Removes the set from this cup; the artwork stays"));
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(8);
  grid->setVerticalSpacing(2);
  size_ = field(fields, tr("Size"), Member::setSize, &DecalSet::size);
  by_ = new Segments(tr("The size is the artwork's"), {tr("Width"), tr("Height")});
  turn_ = angle(fields, tr("Turned"), Member::setTurn, &DecalSet::turn);
  shrinks_ = new QDoubleSpinBox;
  shrinks_->setRange(0, 20);
  shrinks_->setDecimals(2);
  shrinks_->setSingleStep(0.1);
  shrinks_->setSuffix(tr(" %"));
  shrinks_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  QWidget* by = labelled(tr("of its"), by_);
  by_->setAccessibleName(tr("The size is the artwork's"));
  anchor_ = new QComboBox;
  anchor_->setToolTip(tr("The point of the artwork that is put on the marks"));
  for (const AnchorChoice& choice : anchors()) anchor_->addItem(tr(choice.name));
  anchor_->addItem(tr("Another point"));
  anchor_->view()->setAccessibleName(tr("Placed by its"));
  QWidget* const fieldsInTurn[] = {size_,
                                   by,
                                   turn_,
                                   labelled(tr("Film shrinks"), shrinks_),
                                   labelled(tr("Placed by its"), anchor_),
                                   makePoint()};
  for (int i = 0; i < 6; ++i) grid->addWidget(fieldsInTurn[i], i / 2, i % 2);
  for (int i = 0; i < 2; ++i) grid->setColumnStretch(i, 1);
  column->addLayout(grid);
  auto* checks = new QGridLayout;
  checks->setHorizontalSpacing(8);
  checks->setVerticalSpacing(2);
  flipped_ = new QCheckBox(tr("Flipped"));
  growth_ = new QCheckBox(tr("For coats"));
  growth_->setToolTip(
      tr("Layers laid at later coats are cut as much wider as the cup has grown by then"));
  flush_ = new QCheckBox(tr("Cut off"));
  flush_->setToolTip(tr("What reaches over rim or base is cut off there once it is laid"));
  parted_ = new QCheckBox(tr("Cut at lines"));
  parted_->setToolTip(
      tr("What lies across a line between zones is cut there: a part of its own for each zone"));
  relief_ = new QCheckBox(tr("Cut in"));
  relief_->setToolTip(
      tr("Where the wall curves both ways, what lies wider than its film bears is cut in from its "
         "edges, where the artwork is not"));
  QCheckBox* const boxes[] = {flipped_, growth_, relief_, flush_, parted_};
  for (int i = 0; i < 5; ++i) checks->addWidget(boxes[i], i / 3, i % 3, Qt::AlignLeft);
  checks->setColumnStretch(2, 1);
  column->addLayout(checks);
  words_ = new QLabel;
  words_->setProperty("role", "label");
  words_->setWordWrap(true);
  auto* foot = new QHBoxLayout;
  foot->setSpacing(6);
  foot->addWidget(words_, 1);
  foot->addWidget(copy_);
  foot->addWidget(remove_);
  column->addLayout(foot);
  column->addStretch();

  connect(sets_, &QComboBox::activated, this,
          [this](int i) { order_.pickSet(sets_->itemData(i).toString().toStdString()); });
  connect(copy_->menu(), &QMenu::aboutToShow, this, &SetPage::fillCopies);
  connect(remove_, &QPushButton::clicked, this, [this] {
    if (const DecalSet* set = setInHand(order_)) removeSet(order_, std::string(set->id));
  });
  connect(by_, &Segments::picked, this, [this](int i) {
    // The set keeps its size; it is told by its other side.
    const SetPlan* plan = setPlanInHand(order_);
    const DecalSet* set = setInHand(order_);
    if (set == nullptr || plan == nullptr || !set->art || set->byHeight == (i == 1)) return;
    const Box box = set->art->bounds();
    const Length side = Length::mm((i == 1 ? box.height() : box.width()) * plan->scale);
    const Unit unit = order_.unit();
    editSet(order_, i == 1 ? tr("Size a set by its height") : tr("Size a set by its width"), {},
            [&](DecalSet& changed) {
              changed.byHeight = i == 1;
              changed.size = WrittenLength{side, say(side, unit).toStdString()};
              // The words are rounded; the length they stand for is not.
              changed.size.text.clear();
            });
  });
  connect(flipped_, &QCheckBox::clicked, this, [this](bool on) {
    editSet(order_, tr("Flip a set"), {}, [on](DecalSet& set) { set.flipped = on; });
  });
  connect(anchor_, &QComboBox::activated, this, [this](int i) {
    if (i >= static_cast<int>(anchors().size())) {
      // Which one is typed, or picked.
      across_->setFocus();
      across_->selectAll();
      return;
    }
    editSet(order_, tr("Place a set by another point"), {},
            [i](DecalSet& set) { set.anchor = anchors()[static_cast<std::size_t>(i)].anchor; });
  });
  connect(growth_, &QCheckBox::clicked, this, [this](bool on) {
    editSet(order_, tr("Allow for coats"), {}, [on](DecalSet& set) { set.allowGrowth = on; });
  });
  connect(flush_, &QCheckBox::clicked, this, [this](bool on) {
    editSet(order_, tr("Cut a set off at rim and base"), {},
            [on](DecalSet& set) { set.flush = on; });
  });
  connect(parted_, &QCheckBox::clicked, this, [this](bool on) {
    editSet(order_, tr("Cut a set at lines between zones"), {},
            [on](DecalSet& set) { set.parted = on; });
  });
  connect(relief_, &QCheckBox::clicked, this, [this](bool on) {
    editSet(order_, tr("Cut a set in where it strains its film"), {},
            [on](DecalSet& set) { set.relief = on; });
  });
  connect(shrinks_, &QDoubleSpinBox::valueChanged, this, [this](double percent) {
    editSet(order_, tr("Set how much the film shrinks"), QStringLiteral("shrinks"),
            [percent](DecalSet& set) { set.shrinkPercent = percent; });
  });
  auto* sets = new WhenSeen(sets_, [this] { fillSets(); });
  connect(&order, &Order::changed, sets, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, sets, &WhenSeen::changed);
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

/// Where the point that is put on the marks is, typed or picked.
QWidget* SetPage::makePoint() {
  auto* box = new QWidget;
  auto* row = new QHBoxLayout(box);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(4);
  const auto share = [&](const QString& name, const QString& tip, double Anchor::*of) {
    auto* made = new QDoubleSpinBox;
    made->setRange(0, 100);
    made->setDecimals(2);
    made->setSuffix(tr(" %"));
    made->setButtonSymbols(QAbstractSpinBox::NoButtons);
    made->setAccessibleName(name);
    made->setToolTip(tip);
    made->setKeyboardTracking(false);
    row->addWidget(made, 1);
    connect(made, &QDoubleSpinBox::valueChanged, this, [this, of](double percent) {
      editSet(order_, tr("Place a set by another point"), QStringLiteral("anchor"),
              [percent, of](DecalSet& set) { set.anchor.*of = percent / 100; });
    });
    return made;
  };
  across_ = share(tr("Its point, from its left"),
                  tr("How far from the artwork’s left the point is that is put on the marks"),
                  &Anchor::across);
  up_ =
      share(tr("Its point, from below"),
            tr("How far from below the artwork’s point is that is put on the marks"), &Anchor::up);
  pick_ = new QPushButton(tr("Pick"));
  pick_->setCheckable(true);
  pick_->setAccessibleName(tr("Pick the point on the flat"));
  pick_->setToolTip(
      tr("Click a point of the artwork on the flat: the marks are made for it, and the set stays "
         "where it is (Alt+Shift+Q; Escape leaves it)"));
  row->addWidget(pick_);
  return labelled(tr("from left, from below"), box);
}

LengthField* SetPage::field(FieldSet& fields, const QString& label, Member member,
                            WrittenLength DecalSet::*length) {
  const QString key = keyOf(member);
  return addMarkedField(
      order_, fields, label, member,
      [this, length]() -> std::optional<Length> {
        const DecalSet* set = setInHand(order_);
        return set == nullptr ? std::nullopt : std::optional((set->*length).length);
      },
      [this, key, length](const WrittenLength& typed) {
        editSet(order_, tr("Set a set to %1").arg(say(typed.length, order_.unit())), key,
                [&](DecalSet& changed) { changed.*length = typed; });
      });
}

LengthField* SetPage::angle(FieldSet& fields, const QString& label, Member member,
                            Angle DecalSet::*angle) {
  const QString key = keyOf(member);
  LengthField* made = fields.add(label, member, LengthField::Kind::degrees);
  const auto set = [this, key, angle](Angle typed) {
    editSet(order_, tr("Turn a set"), key, [&](DecalSet& changed) { changed.*angle = typed; });
  };
  connect(made, &LengthField::typedAngle, this, set);
  connect(made, &LengthField::stepped, this, [this, set, angle](int by) {
    const DecalSet* now = setInHand(order_);
    if (now != nullptr) set((now->*angle + Angle::degrees(by)).wrapped());
  });
  return made;
}

void SetPage::fillCopies() {
  QMenu* menu = copy_->menu();
  menu->clear();
  const DecalSet* set = setInHand(order_);
  if (set == nullptr) return;
  const std::string id = set->id;
  const std::vector<Cup>& cups = order_.document().cups;
  for (int i = 0; i < static_cast<int>(cups.size()); ++i) {
    const QString name = QString::fromStdString(cups[static_cast<std::size_t>(i)].name);
    menu->addAction(i == order_.currentIndex() ? tr("%1, once more").arg(name) : name, this,
                    [this, id, i] { copySetTo(order_, id, i); });
  }
}

/// In sight above other pages too.
void SetPage::fillSets() {
  const DecalSet* set = setInHand(order_);
  const Unit unit = order_.unit();
  const QSignalBlocker quiet(sets_);
  sets_->clear();
  sets_->setEnabled(set != nullptr);
  if (set == nullptr) return;
  for (const DecalSet& one : order_.currentCup().sets) {
    const QString name = nameOf(one);
    sets_->addItem(tr("%1, %2").arg(name, onTape(one.size.length, unit).mark),
                   QString::fromStdString(one.id));
  }
  sets_->setCurrentIndex(sets_->findData(QString::fromStdString(set->id)));
}

void SetPage::refresh() {
  const DecalSet* set = setInHand(order_);
  const SetPlan* plan = setPlanInHand(order_);
  const Unit unit = order_.unit();
  setEnabled(set != nullptr);
  if (set == nullptr) {
    showIdle(*this);
    words_->clear();
    return;
  }
  size_->show(set->size.length, unit);
  turn_->show(set->turn);
  by_->show(set->byHeight ? 1 : 0);
  flipped_->setChecked(set->flipped);
  const auto chosen =
      std::find_if(anchors().begin(), anchors().end(),
                   [&](const AnchorChoice& choice) { return choice.anchor == set->anchor; });
  anchor_->setCurrentIndex(static_cast<int>(chosen - anchors().begin()));
  for (const auto& [field, share] :
       {std::pair(across_, set->anchor.across), std::pair(up_, set->anchor.up)}) {
    showValue(*field, share * 100);
  }
  pick_->setEnabled(plan != nullptr && !plan->gone && !plan->places.empty());
  growth_->setChecked(set->allowGrowth);
  flush_->setChecked(set->flush);
  parted_->setChecked(set->parted);
  relief_->setChecked(set->relief);
  showValue(*shrinks_, set->shrinkPercent);
  if (plan == nullptr || plan->gone) {
    words_->setText(plan != nullptr ? tr("Its artwork is gone.") : QString());
    return;
  }
  Box box;
  for (const LayerPlan& layer : plan->layers()) box.add(boundsOf(layer.shape));
  words_->setText(tr("With all layers %1 × %2; scale %3 %")
                      .arg(say(Length::mm(box.width()), unit), say(Length::mm(box.height()), unit),
                           QString::fromStdString(numberText(plan->scale * 100, 1))));
}

}  // namespace avrelt

#include "moc_set_page.cpp"
