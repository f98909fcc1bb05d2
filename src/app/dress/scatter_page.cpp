// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/scatter_page.h"

#include <algorithm>
#include <QAbstractItemView>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QMenu>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/idle.h"
#include "app/fields/labelled.h"
#include "app/fields/marked_field.h"
#include "app/fields/offer.h"
#include "app/fields/show_value.h"
#include "app/fields/when_seen.h"
#include "app/order/phrases.h"
#include "app/order/scatter_edits.h"
#include "decal/coverage.h"

namespace avrelt {
namespace {

template <typename Spin>
Spin* plainSpin(double low, double high, const QString& suffix) {
  auto* spin = new Spin;
  spin->setRange(low, high);
  spin->setSuffix(suffix);
  spin->setButtonSymbols(QAbstractSpinBox::NoButtons);
  spin->setKeyboardTracking(false);
  return spin;
}

}  // namespace

ScatterPage::ScatterPage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  scatters_ = new QComboBox;
  scatters_->setAccessibleName(tr("Scatters of this cup"));
  scatters_->view()->setAccessibleName(scatters_->accessibleName());
  scatters_->setMinimumContentsLength(5);
  scatters_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  add_ = new QPushButton(tr("+ Scatter"));
  add_->setToolTip(tr("Throws the set in hand over the zone in hand"));
  more_ = new QPushButton(tr("More"));
  more_->setMenu(new QMenu(more_));
  remove_ = new QPushButton(tr("−"));
  remove_->setAccessibleName(tr("Remove the scatter"));
  auto* head = new QHBoxLayout;
  head->setSpacing(6);
  head->addWidget(scatters_, 1);
  head->addWidget(add_);
  head->addWidget(more_);
  head->addWidget(remove_);
  column->addLayout(head);

  body_ = new QWidget;
  auto* grid = new QGridLayout(body_);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(8);
  grid->setVerticalSpacing(2);
  count_ = plainSpin<CountBox>(1, mostScattered, {});
  cover_ = plainSpin<QDoubleSpinBox>(0, 80, tr(" %"));
  cover_->setDecimals(1);
  cover_->setSpecialValueText(tr("by number"));
  cover_->setToolTip(tr("How much of the zone they are to cover, in place of a number"));
  gap_ = length(fields, tr("Gap, at least"), Member::scatterGap, &Scatter::gap);
  away_ = length(fields, tr("Off the rest"), Member::scatterAway, &Scatter::away);
  away_->setToolTip(tr("How far they keep from rim, base, lines, handles and other sets"));
  smallest_ = plainSpin<CountBox>(10, 100, tr(" %"));
  smallest_->setToolTip(tr("Of the set's size; they come in three sizes up to the whole"));
  turns_ = plainSpin<CountBox>(0, 180, tr("°"));
  turns_->setToolTip(tr("How far each leans at most, to either side"));
  density_ = new QComboBox;
  offer<ScatterDensity>(*density_, {{ScatterDensity::even, tr("nowhere")},
                                    {ScatterDensity::rim, tr("at the rim")},
                                    {ScatterDensity::base, tr("at the base")},
                                    {ScatterDensity::front, tr("at the front")}});
  density_->view()->setAccessibleName(tr("Denser"));
  density_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  density_->setMinimumContentsLength(7);
  whole_ = new QCheckBox(tr("Kept whole"));
  whole_->setToolTip(tr("Off, they may run over rim and base and are cut off flush there"));
  offSeam_ = new QCheckBox(tr("Off the seam"));
  QWidget* const cells[] = {labelled(tr("How many"), count_),
                            labelled(tr("Or cover"), cover_),
                            labelled(tr("Denser"), density_),
                            gap_,
                            away_,
                            whole_,
                            labelled(tr("Smallest"), smallest_),
                            labelled(tr("Leaning up to"), turns_),
                            offSeam_};
  for (int i = 0; i < 9; ++i) {
    grid->addWidget(cells[i], i / 3, i % 3, i == 5 || i == 8 ? Qt::AlignBottom : Qt::Alignment());
  }
  for (int i = 0; i < 3; ++i) grid->setColumnStretch(i, 1);
  for (LengthField* one : {gap_, away_}) one->edit()->setMinimumWidth(84);
  column->addWidget(body_);
  words_ = new QLabel;
  words_->setWordWrap(true);
  column->addWidget(words_);
  column->addStretch();

  connectFields();
}

void ScatterPage::connectFields() {
  connect(scatters_, &QComboBox::activated, this,
          [this](int i) { order_.pickScatter(scatters_->itemData(i).toString().toStdString()); });
  connect(add_, &QPushButton::clicked, this, [this] { addScatter(order_); });
  connect(remove_, &QPushButton::clicked, this, [this] { removeScatter(order_); });
  connect(more_->menu(), &QMenu::aboutToShow, this, &ScatterPage::fillMore);
  connect(count_, &QSpinBox::valueChanged, this, [this](int many) {
    editScatter(order_, tr("Set how many are scattered"), QStringLiteral("count"),
                [many](Scatter& scatter) {
                  scatter.count = many;
                  scatter.coverPercent = 0;
                });
  });
  connect(cover_, &QDoubleSpinBox::valueChanged, this, [this](double percent) {
    editScatter(order_, tr("Set how much a scatter covers"), QStringLiteral("cover"),
                [percent](Scatter& scatter) { scatter.coverPercent = percent; });
  });
  connect(smallest_, &QSpinBox::valueChanged, this, [this](int percent) {
    editScatter(order_, tr("Set a scatter's sizes"), QStringLiteral("smallest"),
                [percent](Scatter& scatter) { scatter.smallestPercent = percent; });
  });
  connect(turns_, &QSpinBox::valueChanged, this, [this](int degrees) {
    editScatter(order_, tr("Set how a scatter leans"), QStringLiteral("turns"),
                [degrees](Scatter& scatter) { scatter.turns = Angle::degrees(degrees); });
  });
  onChosen<ScatterDensity>(*density_, this, [this](ScatterDensity chosen) {
    editScatter(order_, tr("Set where a scatter is denser"), {},
                [chosen](Scatter& scatter) { scatter.density = chosen; });
  });
  connect(whole_, &QCheckBox::clicked, this, [this](bool on) {
    editScatter(order_, on ? tr("Keep a scatter whole") : tr("Let a scatter run over"), {},
                [on](Scatter& scatter) { scatter.whole = on; });
  });
  connect(offSeam_, &QCheckBox::clicked, this, [this](bool on) {
    editScatter(order_, tr("Keep a scatter off the seam"), {},
                [on](Scatter& scatter) { scatter.offSeam = on; });
  });
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order_, &Order::changed, seen, &WhenSeen::changed);
  connect(&order_, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

LengthField* ScatterPage::length(FieldSet& fields, const QString& label, Member member,
                                 WrittenLength Scatter::*value) {
  const QString key = keyOf(member);
  return addMarkedField(
      order_, fields, label, member,
      [this, value]() -> std::optional<Length> {
        const Scatter* scatter = scatterInHand(order_);
        return scatter == nullptr ? std::nullopt : std::optional((scatter->*value).length);
      },
      [this, key, value](const WrittenLength& typed) {
        editScatter(order_, tr("Set a scatter to %1").arg(say(typed.length, order_.unit())), key,
                    [&](Scatter& scatter) { scatter.*value = typed; });
      });
}

void ScatterPage::fillMore() {
  QMenu* menu = more_->menu();
  menu->clear();
  const Scatter* scatter = scatterInHand(order_);
  if (scatter == nullptr) return;
  menu->addAction(tr("Throw all again"), this, [this] { throwAllAgain(order_); });
  const StandingSet now = placeInHand(order_);
  QAction* one =
      menu->addAction(tr("Throw the one in hand again"), this, [this] { throwAgain(order_); });
  one->setEnabled(now && now.place->scatter == scatter->id);
  menu->addSeparator();
  for (const DecalSet& set : order_.currentCup().sets) {
    const bool there =
        std::find(scatter->sets.begin(), scatter->sets.end(), set.id) != scatter->sets.end();
    const QString name = nameOf(set);
    const std::string id = set.id;
    QAction* mixed = menu->addAction(
        tr("Mixed in: %1, %2").arg(name, onTape(set.size.length, order_.unit()).mark));
    mixed->setCheckable(true);
    mixed->setChecked(there);
    // The last stays: a scatter of nothing is removed.
    mixed->setEnabled(!there || scatter->sets.size() > 1);
    connect(mixed, &QAction::triggered, this, [this, id](bool on) {
      editScatter(order_, tr("Mix a scatter otherwise"), {}, [&](Scatter& changed) {
        if (on) {
          changed.sets.push_back(id);
        } else {
          std::erase(changed.sets, id);
        }
      });
    });
  }
}

void ScatterPage::refresh() {
  const Scatter* scatter = scatterInHand(order_);
  const Unit unit = order_.unit();
  setEnabled(setInHand(order_) != nullptr || scatter != nullptr);
  {
    const QSignalBlocker quiet(scatters_);
    scatters_->clear();
    if (order_.hasCup()) {
      for (const Scatter& one : order_.currentCup().scatters) {
        QString name = tr("nothing");
        for (const DecalSet& set : order_.currentCup().sets) {
          if (!one.sets.empty() && set.id == one.sets.front() && set.art) {
            name = QString::fromStdString(set.art->name);
          }
        }
        scatters_->addItem(tr("%1, %2").arg(name).arg(one.items.size()),
                           QString::fromStdString(one.id));
      }
    }
    if (scatter != nullptr) {
      scatters_->setCurrentIndex(scatters_->findData(QString::fromStdString(scatter->id)));
    }
  }
  body_->setEnabled(scatter != nullptr);
  more_->setEnabled(scatter != nullptr);
  remove_->setEnabled(scatter != nullptr);
  scatters_->setEnabled(scatter != nullptr);
  if (scatter == nullptr) {
    showIdle(*body_);
    density_->setCurrentIndex(-1);
    words_->setText(
        tr("+ Scatter throws the set in hand over the zone in hand. Small sets do best, and few."));
    return;
  }
  showValue(*count_,
            scatter->coverPercent > 0 ? static_cast<int>(scatter->items.size()) : scatter->count);
  showValue(*cover_, scatter->coverPercent);
  showValue(*smallest_, static_cast<int>(std::lround(scatter->smallestPercent)));
  showValue(*turns_, static_cast<int>(std::lround(scatter->turns.degrees())));
  gap_->show(scatter->gap.length, unit);
  away_->show(scatter->away.length, unit);
  showChosen(*density_, scatter->density);
  whole_->setChecked(scatter->whole);
  offSeam_->setChecked(scatter->offSeam);
  words_->setText(scatterWords());
}

/// How many there are, in which zone, and how much of that sets cover.
QString ScatterPage::scatterWords() const {
  const Scatter* scatter = scatterInHand(order_);
  const CupPlan* plan = order_.plan();
  if (scatter == nullptr || plan == nullptr) return {};
  const auto many = static_cast<int>(scatter->items.size());
  QString words = scatter->coverPercent == 0 && many < scatter->count
                      ? tr("%n found room, of %1 wanted.", nullptr, many).arg(scatter->count)
                  : many == 1 ? tr("One is thrown.")
                              : tr("%1 are thrown.").arg(many);
  const auto byHand = std::count_if(scatter->items.begin(), scatter->items.end(),
                                    [](const ScatterItem& item) { return item.byHand; });
  if (byHand > 0) {
    words += QLatin1Char(' ') + (byHand == 1 ? tr("One stays where you put it.")
                                             : tr("%1 stay where you put them.").arg(byHand));
  }
  const auto all = coverageOf(plan->sets, plan->divided, plan->wall.body);
  for (const Zone& zone : plan->divided.zones) {
    if (zone.id != scatter->zone && !(scatter->zone.empty() && plan->divided.zones.size() == 1)) {
      continue;
    }
    const auto covered = all.find(zone.id);
    if (covered == all.end()) continue;
    words += QLatin1Char(' ') + tr("Sets cover %1 of zone %2.")
                                    .arg(percentText(covered->second.mm2() / zone.area.mm2()),
                                         QString::fromStdString(zone.letter));
  }
  return words;
}

}  // namespace avrelt

#include "moc_scatter_page.cpp"
