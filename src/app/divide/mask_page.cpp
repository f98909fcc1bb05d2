// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/divide/mask_page.h"

#include <algorithm>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/fields/list_lines.h"
#include "app/fields/when_seen.h"
#include "app/order/phrases.h"
#include "app/order/zone_edits.h"

namespace avrelt {

MaskPage::MaskPage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  auto* lists = new QHBoxLayout;
  lists->setSpacing(8);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Covers and windows"));
  list_->setWordWrap(true);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  zones_ = new QListWidget;
  zones_->setAccessibleName(tr("Zones it is made of"));
  lists->addWidget(list_, 3);
  lists->addWidget(zones_, 2);
  column->addLayout(lists, 1);

  auto* first = new QHBoxLayout;
  first->setSpacing(6);
  cover_ = new QPushButton;
  cover_->setAccessibleName(tr("Cut a cover of the zone"));
  cover_->setToolTip(
      tr("The zone's own outline: it protects the zone while those beside it are done"));
  window_ = new QPushButton;
  window_->setAccessibleName(tr("Cut a window to the zone"));
  window_->setToolTip(
      tr("The wall round the zone, the zone open: it is laid in place of all tape"));
  remove_ = new QPushButton(tr("−"));
  remove_->setAccessibleName(tr("Remove this cover or window"));
  first->addWidget(cover_);
  first->addWidget(window_);
  first->addWidget(remove_);
  first->addStretch();
  column->addLayout(first);
  auto* second = new QHBoxLayout;
  second->setSpacing(8);
  material_ = new Segments(tr("Cut from"), {tr("Film that comes off"), tr("Paper")});
  margin_ = fields.add(tr("Round its zones"), Member::maskMargin);
  second->addWidget(material_, 0, Qt::AlignBottom);
  second->addStretch();
  second->addWidget(margin_, 1);
  column->addLayout(second);
  words_ = new QLabel;
  words_->setProperty("role", "label");
  words_->setWordWrap(true);
  column->addWidget(words_);

  connectFields();
}

void MaskPage::connectFields() {
  connect(cover_, &QPushButton::clicked, this, [this] { add(MaskKind::cover); });
  connect(window_, &QPushButton::clicked, this, [this] { add(MaskKind::window); });
  connect(remove_, &QPushButton::clicked, this,
          [this] { removeMask(order_, list_->currentRow()); });
  connect(material_, &Segments::picked, this, [this](int i) {
    change(QStringLiteral("material"), [i](Mask& mask) { mask.paper = i == 1; });
  });
  const auto setMargin = [this](const WrittenLength& typed) {
    change(QStringLiteral("margin"), [&](Mask& mask) { mask.margin = typed; });
  };
  connect(margin_, &LengthField::typed, this, setMargin);
  connect(margin_, &LengthField::stepped, this, [this, setMargin](int by) {
    const Mask* mask = inHand();
    if (mask == nullptr) return;
    const Graduation graduation = usualGraduation(order_.unit());
    const Length next = nearestMark(mask->margin.length, graduation) + step(graduation) * by;
    setMargin(written(std::max(next, Length()), order_.unit()));
  });
  connect(zones_, &QListWidget::itemChanged, this, [this](QListWidgetItem* item) {
    if (filling_) return;
    const std::string zone = item->data(Qt::UserRole).toString().toStdString();
    const bool on = item->checkState() == Qt::Checked;
    const Mask* mask = inHand();
    // One of no zone would be nothing.
    if (mask != nullptr && !on && mask->zones.size() < 2) return refresh();
    change({}, [&](Mask& changed) {
      std::erase(changed.zones, zone);
      if (on) changed.zones.push_back(zone);
    });
  });
  connect(list_, &QListWidget::currentRowChanged, this, [this] {
    if (filling_) return;
    const Mask* mask = inHand();
    if (mask != nullptr && !mask->zones.empty()) order_.pickZone(mask->zones.front());
    refresh();
  });
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order_, &Order::changed, seen, &WhenSeen::changed);
  connect(&order_, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

const Mask* MaskPage::inHand() const {
  if (!order_.hasCup()) return nullptr;
  const std::vector<Mask>& all = order_.currentCup().division.masks;
  const auto index = static_cast<std::size_t>(list_->currentRow());
  return list_->currentRow() >= 0 && index < all.size() ? &all[index] : nullptr;
}

void MaskPage::change(const QString& key, const std::function<void(Mask&)>& change) {
  editMask(order_, list_->currentRow(), key, change);
}

void MaskPage::add(MaskKind kind) {
  addMask(order_, kind);
  list_->setCurrentRow(list_->count() - 1);
}

void MaskPage::refresh() {
  const CupPlan* plan = order_.plan();
  if (!order_.hasCup() || plan == nullptr) return;
  filling_ = true;
  const Unit unit = order_.unit();
  const std::vector<Mask>& all = order_.currentCup().division.masks;
  const int row = list_->currentRow();
  QStringList lines;
  for (const Mask& mask : all) {
    const auto made = std::find_if(plan->things.begin(), plan->things.end(),
                                   [&](const LaidThing& thing) { return thing.id == mask.id; });
    lines << (made != plan->things.end() ? say(Sentence{"%1", {Phrase(made->name)}}, unit)
                                         : tr("of a zone that is not there"));
    lines.back()[0] = lines.back()[0].toUpper();
  }
  showLines(*list_, lines);
  list_->setCurrentRow(std::clamp(row, all.empty() ? -1 : 0, static_cast<int>(all.size()) - 1));
  const Mask* mask = inHand();
  const Zone* zone = zoneInHand(order_);
  const QString letter = zone != nullptr ? QString::fromStdString(zone->letter) : QString();
  const bool divided = plan->divided.zones.size() > 1 && zone != nullptr;
  cover_->setText(tr("+ Cover of %1").arg(letter));
  window_->setText(tr("+ Window to %1").arg(letter));
  cover_->setEnabled(divided);
  window_->setEnabled(divided);
  remove_->setEnabled(mask != nullptr);
  const bool window = mask != nullptr && mask->kind == MaskKind::window;
  for (QWidget* shown : std::initializer_list<QWidget*>{material_, zones_}) {
    shown->setVisible(mask != nullptr);
  }
  margin_->setVisible(window);
  QStringList zones;
  if (mask != nullptr) {
    material_->show(mask->paper ? 1 : 0);
    margin_->show(mask->margin.length, unit);
    for (const Zone& one : plan->divided.zones) {
      zones << tr("zone %1").arg(QString::fromStdString(one.letter));
    }
  }
  showLines(*zones_, zones);
  for (int i = 0; i < zones_->count(); ++i) {
    const std::string& id = plan->divided.zones[static_cast<std::size_t>(i)].id;
    QListWidgetItem* item = zones_->item(i);
    item->setData(Qt::UserRole, QString::fromStdString(id));
    item->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsUserCheckable);
    const bool on = std::find(mask->zones.begin(), mask->zones.end(), id) != mask->zones.end();
    item->setCheckState(on ? Qt::Checked : Qt::Unchecked);
  }
  words_->setText(
      all.empty() ? (divided ? tr("Cut a cover or a window and it is laid in place of tape.")
                             : tr("Cut the body first: a cover or a window is made of zones."))
      : window    ? tr("Laid in place of all tape when just these zones are filled.")
                  : tr("Laid on these zones in place of tape while those beside them are filled."));
  filling_ = false;
}

}  // namespace avrelt

#include "moc_mask_page.cpp"
