// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fill/colour_page.h"

#include <algorithm>
#include <QAbstractItemView>
#include <QHBoxLayout>
#include <QPixmap>
#include <QVBoxLayout>

#include "app/fields/finish_offers.h"
#include "app/fields/idle.h"
#include "app/fields/list_lines.h"
#include "app/fields/show_value.h"
#include "app/fields/when_seen.h"
#include "app/order/fill_edits.h"
#include "app/order/phrases.h"
#include "app/order/picture_edits.h"
#include "app/print/print_dialog.h"
#include "sheet/fill_parts.h"

namespace avrelt {

ColourPage::ColourPage(Order& order, QWidget* parent) : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(5);
  auto* row = new QHBoxLayout;
  row->setSpacing(10);
  column->addLayout(row, 1);
  auto* left = new QVBoxLayout;
  left->setSpacing(6);
  auto* right = new QVBoxLayout;
  right->setSpacing(4);
  row->addLayout(left, 10);
  row->addLayout(right, 13);

  list_ = new QListWidget;
  list_->setUniformItemSizes(true);
  list_->setAccessibleName(tr("Colours of the pattern"));
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  left->addWidget(list_, 1);
  auto* buttons = new QHBoxLayout;
  buttons->setSpacing(6);
  add_ = new QPushButton(tr("+"));
  add_->setAccessibleName(tr("Add a colour"));
  take_ = new QPushButton(tr("−"));
  take_->setAccessibleName(tr("Take the colour away"));
  swap_ = new QPushButton(tr("Swap"));
  swap_->setToolTip(tr("Every cell of this colour gets the next one's, and the other way round"));
  buttons->addWidget(add_);
  buttons->addWidget(take_);
  buttons->addWidget(swap_);
  buttons->addStretch();
  left->addLayout(buttons);

  kind_ = segmentsOf<FinishKind>(tr("Finish"), {{FinishKind::paint, tr("Paint")},
                                                {FinishKind::glitter, tr("Glitter")},
                                                {FinishKind::film, tr("Film")}});
  picture_ = new QPushButton(tr("Picture…"));
  picture_->setToolTip(tr("Cells of film are printed with a picture first, then cut"));
  auto* made = new QHBoxLayout;
  made->setSpacing(6);
  stick_ = new QComboBox;
  stick_->setAccessibleName(tr("What holds the glitter"));
  stick_->view()->setAccessibleName(stick_->accessibleName());
  stick_->setToolTip(
      tr("What holds this colour’s glitter: brush-on glue is touch-dry in minutes, resin sets for "
         "hours before the next colour"));
  offerSticks(*stick_);
  made->addWidget(kind_);
  made->addWidget(picture_);
  made->addWidget(stick_, 1);
  right->addLayout(made);
  connect(picture_, &QPushButton::clicked, this, &ColourPage::askForPicture);
  auto* named = new QHBoxLayout;
  named->setSpacing(6);
  name_ = new QLineEdit;
  name_->setAccessibleName(tr("What the colour is called"));
  share_ = new QDoubleSpinBox;
  share_->setAccessibleName(tr("Share of the cells"));
  share_->setToolTip(tr("Share of the cells, against the other colours'"));
  share_->setRange(0, 100);
  share_->setDecimals(1);
  share_->setSingleStep(0.5);
  share_->setPrefix(tr("share "));
  share_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  named->addWidget(name_, 3);
  supply_ = new SupplyButton;
  named->addWidget(supply_);
  connect(supply_, &SupplyButton::taken, this, [this](const std::optional<Supply>& supply) {
    change(supply ? tr("Take %1").arg(QString::fromStdString(supply->name))
                  : tr("Take none of the shop’s"),
           {}, [&](CellColour& colour) { SupplyButton::take(colour.finish, supply); });
  });
  named->addWidget(share_, 2);
  right->addLayout(named);
  swatches_ = new Swatches;
  right->addWidget(swatches_);
  auto* styled = new QHBoxLayout;
  styled->setSpacing(6);
  style_ = new QComboBox;
  style_->setAccessibleName(tr("How colours are laid out"));
  style_->view()->setAccessibleName(style_->accessibleName());
  offer<ColourStyle>(*style_, {{ColourStyle::scatter, tr("even scatter")},
                               {ColourStyle::rows, tr("in turn along rows")},
                               {ColourStyle::gradient, tr("rim to base")},
                               {ColourStyle::symmetric, tr("alike beside the front")},
                               {ColourStyle::random, tr("random")}});
  const QStringList promises{
      tr("The fewest cells of one colour that share a neighbour; shares within a cell or 2 % where "
         "neighbours allow"),
      tr("The fewest cells out of turn along their row; shares come second"),
      tr("The fewest cells more than one step from the colour of their height; shares come second"),
      tr("The fewest cells unlike their mirror image at the front"),
      tr("By chance alone; shares within a cell or 2 % where neighbours allow")};
  for (int i = 0; i < promises.size(); ++i) {
    style_->setItemData(i, promises.at(i), Qt::ToolTipRole);
  }
  connect(style_, &QComboBox::currentIndexChanged, this,
          [this, promises](int i) { style_->setToolTip(promises.value(i)); });
  style_->setToolTip(promises.front());
  roll_ = new QPushButton(tr("Roll again"));
  roll_->setShortcut(QKeySequence(QStringLiteral("Ctrl+R")));
  roll_->setToolTip(tr("Another layout of the same colours (Ctrl+R)"));
  styled->addWidget(style_, 1);
  styled->addWidget(roll_);
  right->addLayout(styled);
  auto* checks = new QHBoxLayout;
  checks->setSpacing(12);
  corners_ = new QCheckBox(tr("Corners touch"));
  corners_->setToolTip(tr("Cells that meet only in a point count as neighbours"));
  beyond_ = new QCheckBox(tr("Zone edges too"));
  beyond_->setToolTip(tr("Cells of a zone beside this one that was filled before count too"));
  checks->addWidget(corners_);
  checks->addWidget(beyond_);
  checks->addStretch();
  column->addLayout(checks);
  auto* pinned = new QHBoxLayout;
  pinned->setSpacing(6);
  cell_ = new QLineEdit;
  cell_->setPlaceholderText(tr("cell B3"));
  cell_->setFixedWidth(84);
  cell_->setAccessibleName(tr("Label of a cell"));
  give_ = new QPushButton(tr("Give"));
  give_->setAccessibleName(tr("Give the cell the colour in hand"));
  give_->setToolTip(
      tr("Gives the cell the colour in hand; again frees it. A click does the same."));
  bar_ = new QPushButton(tr("Not here"));
  bar_->setAccessibleName(tr("Keep the colour in hand off the cell"));
  bar_->setToolTip(
      tr("Keeps the colour in hand off the cell; again allows it. Shift and a click do the same."));
  pinned->addWidget(cell_);
  pinned->addWidget(give_);
  pinned->addWidget(bar_);
  pinned->addStretch();
  column->addLayout(pinned);
  right->addStretch();

  connectFields();
}

void ColourPage::connectFields() {
  connect(list_, &QListWidget::currentRowChanged, this, [this] {
    if (!filling_) refresh();
  });
  connect(add_, &QPushButton::clicked, this, [this] {
    editFill(order_, tr("Add a colour"), {}, [](Fill& fill) {
      CellColour colour;
      colour.finish.kind = FinishKind::glitter;
      // The first pot not in use yet.
      for (const QString& pot : Swatches::colours()) {
        const std::string wanted = pot.toStdString();
        const bool used =
            std::any_of(fill.colours.begin(), fill.colours.end(),
                        [&](const CellColour& other) { return other.finish.colour == wanted; });
        if (used) continue;
        colour.finish.colour = wanted;
        break;
      }
      fill.colours.push_back(std::move(colour));
    });
    list_->setCurrentRow(list_->count() - 1);
  });
  connect(take_, &QPushButton::clicked, this, [this] {
    const int index = list_->currentRow();
    editFill(order_, tr("Take a colour away"), {}, [index](Fill& fill) {
      if (index < 0 || index >= static_cast<int>(fill.colours.size())) return;
      fill.colours.erase(fill.colours.begin() + index);
      std::erase_if(fill.pins, [index](const Pin& pin) { return pin.colour == index; });
      for (Pin& pin : fill.pins) pin.colour -= pin.colour > index ? 1 : 0;
    });
  });
  connect(swap_, &QPushButton::clicked, this, [this] {
    const int index = list_->currentRow();
    editFill(order_, tr("Swap two colours"), {}, [index](Fill& fill) {
      const auto count = static_cast<int>(fill.colours.size());
      if (index < 0 || count < 2) return;
      std::swap(fill.colours[static_cast<std::size_t>(index)].finish,
                fill.colours[static_cast<std::size_t>((index + 1) % count)].finish);
    });
  });
  onChosen<FinishKind>(*kind_, this, [this](FinishKind chosen) {
    change(tr("Choose what a colour is made of"), {}, [chosen](CellColour& colour) {
      colour.finish.kind = chosen;
      colour.finish.supply.clear();
      // Chosen again, film is bought as it is.
      colour.finish.picture = {};
    });
  });
  connect(name_, &QLineEdit::textEdited, this, [this](const QString& text) {
    change(tr("Call it %1").arg(text), QStringLiteral("name"), [&](CellColour& colour) {
      // Under another name it is another thing.
      colour.finish.name = text.toStdString();
      colour.finish.supply.clear();
    });
  });
  connect(name_, &QLineEdit::editingFinished, &order_, &Order::settle);
  connect(share_, &QDoubleSpinBox::valueChanged, this, [this](double share) {
    change(tr("Set a colour's share"), QStringLiteral("share"),
           [share](CellColour& colour) { colour.share = share; });
  });
  onChosen<Stick>(*stick_, this, [this](Stick chosen) {
    change(tr("Choose what holds the glitter"), {},
           [chosen](CellColour& colour) { colour.finish.stick = chosen; });
  });
  connect(swatches_, &Swatches::chosen, this, [this](const QString& colour) {
    change(tr("Choose a colour"), {}, [&](CellColour& one) {
      one.finish.colour = colour.toStdString();
      one.finish.supply.clear();
    });
  });
  onChosen<ColourStyle>(*style_, this, [this](ColourStyle chosen) {
    editFill(order_, tr("Lay colours out otherwise"), {},
             [chosen](Fill& fill) { fill.style = chosen; });
  });
  connect(roll_, &QPushButton::clicked, this, [this] {
    editFill(order_, tr("Roll the colours again"), {}, [](Fill& fill) { ++fill.seed; });
  });
  connect(corners_, &QCheckBox::clicked, this, [this](bool on) {
    editFill(order_, tr("Say whether corners touch"), {}, [on](Fill& fill) { fill.corners = on; });
  });
  connect(beyond_, &QCheckBox::clicked, this, [this](bool on) {
    editFill(order_, tr("Say whether cells beyond the edge count"), {},
             [on](Fill& fill) { fill.beyond = on; });
  });
  connect(cell_, &QLineEdit::returnPressed, this, [this] { pinTyped(false); });
  connect(give_, &QPushButton::clicked, this, [this] { pinTyped(false); });
  connect(bar_, &QPushButton::clicked, this, [this] { pinTyped(true); });
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order_, &Order::changed, seen, &WhenSeen::changed);
  connect(&order_, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

void ColourPage::change(const QString& text, const QString& key,
                        const std::function<void(CellColour&)>& change) {
  const int index = list_->currentRow();
  editFill(order_, text, key.isEmpty() ? key : key + QString::number(index), [&](Fill& fill) {
    if (index >= 0 && index < static_cast<int>(fill.colours.size())) {
      change(fill.colours[static_cast<std::size_t>(index)]);
    }
  });
}

void ColourPage::askForPicture() {
  const Fill* fill = fillInHand(order_);
  const CupPlan* plan = order_.plan();
  const int index = list_->currentRow();
  if (fill == nullptr || plan == nullptr || index < 0 ||
      index >= static_cast<int>(fill->colours.size())) {
    return;
  }
  for (const Zone& zone : plan->divided.zones) {
    if (zone.id != fill->zone) continue;
    PrintDialog dialog(order_.document(), plan->wall, zone,
                       fill->colours[static_cast<std::size_t>(index)].finish, this);
    if (dialog.exec() == QDialog::Accepted) printColour(order_, index, dialog.choice());
    return;
  }
}

void ColourPage::pinTyped(bool bar) {
  const QString label = cell_->text().trimmed();
  if (label.isEmpty()) {
    emit said(tr("Type a cell's label first, such as B3; they stand on the key."));
  } else if (!pinCell(order_, label, inHand(), bar)) {
    emit said(tr("This pattern has no cell %1. Labels stand on the key.").arg(label));
  }
  cell_->selectAll();
}

/// The colours with how many cells each has; what stays is left as it is.
void ColourPage::refreshList(const Fill* fill, const FillPlan* plan) {
  const int row = list_->currentRow();
  std::vector<std::size_t> counts(fill == nullptr ? 0 : fill->colours.size(), 0);
  if (plan != nullptr) {
    for (const Cell& cell : plan->cells) {
      if (static_cast<std::size_t>(cell.colour) < counts.size()) {
        ++counts[static_cast<std::size_t>(cell.colour)];
      }
    }
  }
  QStringList lines;
  for (std::size_t c = 0; c < counts.size(); ++c) {
    lines << tr("%1  %2, %3")
                 .arg(QString::fromStdString(colourLetter(static_cast<int>(c))),
                      QString::fromStdString(finishWords(fill->colours[c].finish)),
                      cellCount(counts[c]));
  }
  showLines(*list_, lines);
  for (int c = 0; c < list_->count(); ++c) {
    const QColor colour(
        QString::fromStdString(fill->colours[static_cast<std::size_t>(c)].finish.colour));
    QListWidgetItem* item = list_->item(c);
    if (item->data(Qt::UserRole).value<QColor>() == colour) continue;
    item->setData(Qt::UserRole, colour);
    QPixmap pot(16, 16);
    pot.fill(colour);
    item->setIcon(pot);
  }
  if (fill != nullptr && list_->count() > 0) {
    list_->setCurrentRow(std::clamp(row, 0, list_->count() - 1));
  }
}

void ColourPage::refresh() {
  const Fill* fill = fillInHand(order_);
  const FillPlan* plan = fillPlanInHand(order_);
  setEnabled(fill != nullptr);
  filling_ = true;
  refreshList(fill, plan);
  const int index = list_->currentRow();
  const bool any = fill != nullptr && index >= 0;
  take_->setEnabled(fill != nullptr && fill->colours.size() > 1);
  swap_->setEnabled(fill != nullptr && fill->colours.size() > 1);
  if (any) {
    const CellColour& colour = fill->colours[static_cast<std::size_t>(index)];
    const FinishKind made = colour.finish.kind;
    const bool offered = made == FinishKind::paint || made == FinishKind::film;
    showChosen(*kind_, offered ? made : FinishKind::glitter);
    picture_->setVisible(colour.finish.kind == FinishKind::film);
    stick_->setVisible(made == FinishKind::glitter);
    showChosen(*stick_, colour.finish.stick);
    supply_->show(colour.finish);
    if (!name_->hasFocus()) name_->setText(QString::fromStdString(colour.finish.name));
    swatches_->show(QString::fromStdString(colour.finish.colour));
    showValue(*share_, colour.share);
    showChosen(*style_, fill->style);
    corners_->setChecked(fill->corners);
    beyond_->setChecked(fill->beyond);
  } else {
    showIdle(*this);
    name_->clear();
  }
  filling_ = false;
}

}  // namespace avrelt

#include "moc_colour_page.cpp"
