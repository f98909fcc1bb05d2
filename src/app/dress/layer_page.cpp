// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/layer_page.h"

#include <QAbstractItemView>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/labelled.h"
#include "app/fields/offer.h"
#include "app/fields/show_value.h"
#include "app/fields/when_seen.h"
#include "app/order/phrases.h"
#include "app/order/picture_edits.h"
#include "app/order/set_edits.h"
#include "app/print/layer_print_dialog.h"
#include "sheet/decal_parts.h"

namespace avrelt {
namespace {

constexpr LayerKind kinds[] = {LayerKind::decal,    LayerKind::backing,  LayerKind::ring,
                               LayerKind::peekaboo, LayerKind::knockOut, LayerKind::outline,
                               LayerKind::inset};
constexpr int materials = 9;

/// What is put over stencils: of their zone, or of the set.
enum class OverWay { zone, brushed, sprayed, ink, glue, tacky, resin };

OverWay overOf(const std::optional<Finish>& over) {
  if (!over) return OverWay::zone;
  if (over->kind == FinishKind::glitter) {
    return over->stick == Stick::brushGlue   ? OverWay::glue
           : over->stick == Stick::tackyGlue ? OverWay::tacky
                                             : OverWay::resin;
  }
  if (over->kind == FinishKind::ink) return OverWay::ink;
  return over->sprayed ? OverWay::sprayed : OverWay::brushed;
}

/// Its colour and name stay.
void takeOver(std::optional<Finish>& over, OverWay way) {
  if (way == OverWay::zone) return over.reset();
  if (!over) over.emplace();
  const bool glitter = way >= OverWay::glue;
  over->kind = glitter               ? FinishKind::glitter
               : way == OverWay::ink ? FinishKind::ink
                                     : FinishKind::paint;
  over->sprayed = way == OverWay::sprayed;
  if (glitter) {
    over->stick = way == OverWay::glue    ? Stick::brushGlue
                  : way == OverWay::tacky ? Stick::tackyGlue
                                          : Stick::resin;
  }
}

}  // namespace

LayerPage::LayerPage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(10);
  auto* left = new QVBoxLayout;
  left->setSpacing(6);
  stack_ = new LayerStack(order);
  left->addWidget(stack_, 1);
  auto* buttons = new QHBoxLayout;
  buttons->setSpacing(6);
  add_ = new QPushButton(tr("+ Layer"));
  add_->setToolTip(tr("Adds a layer made of the same artwork at the same scale"));
  auto* menu = new QMenu(add_);
  for (const LayerKind kind : kinds) {
    adds_[static_cast<std::size_t>(kind)] = menu->addAction(
        say(layerTitle(kind), order.unit()), this, [this, kind] { addLayer(order_, kind); });
  }
  add_->setMenu(menu);
  colours_ = new QPushButton(tr("By colour"));
  colours_->setToolTip(tr("One layer for each colour of the artwork, with marks to lay them by"));
  up_ = new QPushButton(tr("▲"));
  up_->setAccessibleName(tr("Raise the layer"));
  up_->setToolTip(tr("Raises the layer in the stack (Page Up)"));
  down_ = new QPushButton(tr("▼"));
  down_->setAccessibleName(tr("Lower the layer"));
  down_->setToolTip(tr("Lowers the layer in the stack (Page Down)"));
  remove_ = new QPushButton(tr("−"));
  remove_->setAccessibleName(tr("Remove the layer"));
  remove_->setToolTip(tr("Removes the layer (Delete)"));
  for (QPushButton* small : {up_, down_, remove_}) buttons->addWidget(small);
  buttons->addStretch();
  left->addLayout(buttons);
  row->addLayout(left, 4);
  pages_ =
      new Pages(tr("The layer in hand"), {tr("Made"), tr("Film")}, {makeHow(fields), makeFilm()});
  pages_->head()->addStretch();
  print_ = new QPushButton(tr("Print…"));
  print_->setAccessibleName(tr("Print the layer with a picture"));
  print_->setToolTip(
      tr("Prints the layer with a picture, or a cluster of artworks, before it is cut"));
  pages_->head()->addWidget(print_);
  connect(print_, &QPushButton::clicked, this, &LayerPage::askForPicture);
  auto* right = new QVBoxLayout;
  right->setSpacing(6);
  right->addWidget(pages_, 1);
  right->addStretch();
  auto* more = new QHBoxLayout;
  more->setSpacing(6);
  more->addWidget(add_);
  more->addWidget(colours_);
  more->addStretch();
  right->addLayout(more);
  row->addLayout(right, 5);

  connect(colours_, &QPushButton::clicked, this, [this] { addColours(order_); });
  const auto onLayer = [this](const auto& act) {
    return [this, act] {
      if (const Layer* layer = layerInHand(order_)) act(order_, std::string(layer->id));
    };
  };
  connect(up_, &QPushButton::clicked, this,
          onLayer([](Order& o, const std::string& id) { raiseLayer(o, id, 1); }));
  connect(down_, &QPushButton::clicked, this,
          onLayer([](Order& o, const std::string& id) { raiseLayer(o, id, -1); }));
  connect(remove_, &QPushButton::clicked, this,
          onLayer([](Order& o, const std::string& id) { removeLayer(o, id); }));
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

QWidget* LayerPage::makeHow(FieldSet& fields) {
  auto* page = new QWidget;
  auto* grid = new QGridLayout(page);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(8);
  grid->setVerticalSpacing(4);
  offset_ = field(fields, tr("Drawn out by"), Member::layerOffset, &Layer::offset);
  lap_ = field(fields, tr("Lap"), Member::layerLap, &Layer::lap);
  opening_ = field(fields, tr("Smallest kept"), Member::layerSmallest, &Layer::smallestOpening);
  corners_ = segmentsOf<Corners>(tr("Corners"),
                                 {{Corners::round, tr("Round")}, {Corners::sharp, tr("Sharp")}});
  corners_->setSizePolicy(QSizePolicy::Minimum, corners_->sizePolicy().verticalPolicy());
  for (LengthField* one : {offset_, lap_, opening_}) one->edit()->setMinimumWidth(84);
  cornersBox_ = labelled(tr("Corners"), corners_);
  openings_ = new QComboBox;
  openings_->addItems({tr("kept"), tr("filled")});
  openingsBox_ = labelled(tr("Openings"), openings_);
  openings_->view()->setAccessibleName(openings_->accessibleName());
  words_ = new QLabel;
  words_->setProperty("role", "label");
  words_->setWordWrap(true);
  grid->addWidget(offset_, 0, 0);
  grid->addWidget(cornersBox_, 0, 1);
  grid->addWidget(lap_, 1, 0);
  grid->addWidget(openingsBox_, 1, 0);
  grid->addWidget(opening_, 1, 1);
  over_ = new QComboBox;
  offer<OverWay>(*over_, {{OverWay::zone, tr("what fills its zone, or a coat")},
                          {OverWay::brushed, tr("paint, brushed")},
                          {OverWay::sprayed, tr("paint, sprayed")},
                          {OverWay::ink, tr("ink")},
                          {OverWay::glue, tr("glitter in brush-on glue")},
                          {OverWay::tacky, tr("glitter in tacky glue")},
                          {OverWay::resin, tr("glitter in resin")}});
  over_->setMinimumContentsLength(12);
  over_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  overBox_ = labelled(tr("Goes over the stencils"), over_);
  over_->setToolTip(
      tr("What is put over the stencils before they are lifted; where they were, what lies below "
         "shows"));
  over_->view()->setAccessibleName(over_->accessibleName());
  overColour_ = new Swatches;
  overColour_->setAccessibleName(tr("Colour of what goes over the stencils"));
  grid->addWidget(overBox_, 0, 0, 1, 2);
  grid->addWidget(overColour_, 1, 0, 1, 2);
  grid->addWidget(words_, 2, 0, 1, 2);
  grid->setRowStretch(3, 1);
  onChosen<OverWay>(*over_, this, [this](OverWay chosen) {
    changeOver(tr("Choose what goes over the stencils"),
               [chosen](std::optional<Finish>& over) { takeOver(over, chosen); });
  });
  connect(overColour_, &Swatches::chosen, this, [this](const QString& colour) {
    changeOver(tr("Choose the colour that goes over the stencils"),
               [&](std::optional<Finish>& over) {
                 if (over) over->colour = colour.toUpper().toStdString();
               });
  });
  grid->setColumnStretch(0, 1);
  grid->setColumnStretch(1, 1);
  onChosen<Corners>(*corners_, this, [this](Corners chosen) {
    change(tr("Set a layer's corners"), {}, [chosen](Layer& layer) { layer.corners = chosen; });
  });
  connect(openings_, &QComboBox::activated, this, [this](int i) {
    change(tr("Set a layer's openings"), {}, [i](Layer& layer) { layer.fillOpenings = i == 1; });
  });
  return page;
}

QWidget* LayerPage::makeFilm() {
  auto* page = new QWidget;
  auto* column = new QVBoxLayout(page);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  swatches_ = new Swatches;
  column->addWidget(swatches_);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(8);
  grid->setVerticalSpacing(3);
  const auto box = [&](const QString& label, const QStringList& items, int at) {
    auto* made = new QComboBox;
    made->addItems(items);
    made->setMinimumContentsLength(8);
    made->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    grid->addWidget(labelled(label, made), at / 2, at % 2);
    made->view()->setAccessibleName(label);
    return made;
  };
  material_ = box(tr("Cut from"), {}, 0);
  for (int i = 0; i < materials; ++i) {
    const auto material = static_cast<PartMaterial>(i);
    offer<PartMaterial>(*material_, {{material, say(materialTitle(material), order_.unit())}});
  }
  sees_ = box(tr("The blade sees"), {tr("as usual for it"), tr("its front"), tr("its back")}, 1);
  mirrored_ = box(tr("Cut"), {tr("as the blade sees it"), tr("mirrored"), tr("not mirrored")}, 2);
  spares_ = new CountBox;
  spares_->setRange(0, 50);
  spares_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  grid->addWidget(labelled(tr("Spares"), spares_), 1, 1);
  column->addLayout(grid);
  filmWords_ = new QLabel;
  filmWords_->setProperty("role", "label");
  filmWords_->setWordWrap(true);
  column->addWidget(filmWords_);
  column->addStretch();
  connect(swatches_, &Swatches::chosen, this, [this](const QString& colour) {
    change(tr("Set a layer's colour"), {},
           [&](Layer& layer) { layer.film = colour.toUpper().toStdString(); });
  });
  onChosen<PartMaterial>(*material_, this, [this](PartMaterial chosen) {
    change(tr("Set what a layer is cut from"), {},
           [chosen](Layer& layer) { layer.material = chosen; });
  });
  connect(sees_, &QComboBox::activated, this, [this](int i) {
    change(tr("Set what the blade sees"), {}, [i](Layer& layer) {
      layer.sees.reset();
      if (i > 0) layer.sees = i == 1 ? BladeSees::front : BladeSees::back;
    });
  });
  connect(mirrored_, &QComboBox::activated, this, [this](int i) {
    change(tr("Set how a layer is cut"), {}, [i](Layer& layer) {
      layer.mirrored.reset();
      if (i > 0) layer.mirrored = i == 1;
    });
  });
  connect(spares_, &QSpinBox::valueChanged, this, [this](int count) {
    change(tr("Set a layer's spares"), QStringLiteral("spares"),
           [count](Layer& layer) { layer.spares = count; });
  });
  return page;
}

LengthField* LayerPage::field(FieldSet& fields, const QString& label, Member member,
                              WrittenLength Layer::*length) {
  const QString key = keyOf(member);
  LengthField* made = fields.add(label, member);
  const auto set = [this, key, length](const WrittenLength& typed) {
    change(tr("Set a layer to %1").arg(say(typed.length, order_.unit())), key,
           [&](Layer& layer) { layer.*length = typed; });
  };
  connect(made, &LengthField::typed, this, set);
  connect(made, &LengthField::stepped, this, [this, set, length](int marks) {
    const Layer* layer = layerInHand(order_);
    if (layer == nullptr) return;
    // Offsets are finer than a tape: hundredths of an inch, tenths of a millimetre.
    const bool inches = order_.unit() == Unit::inch;
    const Length by = inches ? Length::inches(0.01) : Length::mm(0.25);
    const Length next = std::max((layer->*length).length + by * marks, Length());
    set(inches ? WrittenLength{next, numberText(next.inches(), 3) + " in"}
               : WrittenLength{next, numberText(next.mm(), 2) + " mm"});
  });
  return made;
}

void LayerPage::askForPicture() {
  const DecalSet* set = setInHand(order_);
  const Layer* layer = layerInHand(order_);
  const SetPlan* plan = setPlanInHand(order_);
  const std::size_t index = layerIndex(order_);
  if (layer == nullptr || plan == nullptr || index >= plan->layers().size()) return;
  LayerPrintDialog dialog(
      order_.document(),
      tr("Print %1 of %2").arg(say(layerWordsWithin(*set, index), order_.unit()), nameOf(*set)),
      *layer, printedShapes(*plan, index), this);
  if (dialog.exec() == QDialog::Accepted) printLayer(order_, dialog.choice());
}

void LayerPage::change(const QString& text, const QString& key,
                       const std::function<void(Layer&)>& change) {
  if (const Layer* layer = layerInHand(order_)) {
    editLayer(order_, text, key, std::string(layer->id), change);
  }
}

void LayerPage::changeOver(const QString& text,
                           const std::function<void(std::optional<Finish>&)>& change) {
  editSet(order_, text, {}, [&](DecalSet& set) { change(set.over); });
}

void LayerPage::refresh() {
  const DecalSet* set = setInHand(order_);
  const Layer* layer = layerInHand(order_);
  const SetPlan* plan = setPlanInHand(order_);
  const Unit unit = order_.unit();
  add_->setEnabled(set != nullptr);
  colours_->setEnabled(set != nullptr && set->art && set->art->areas.size() > 1);
  for (QPushButton* one : {up_, down_, remove_}) one->setEnabled(layer != nullptr);
  pages_->setVisible(layer != nullptr);
  if (layer == nullptr) {
    words_->clear();
    filmWords_->clear();
    return;
  }
  const LayerKind kind = layer->kind;
  const bool plain = kind == LayerKind::decal || kind == LayerKind::peekaboo;
  const bool backing = kind == LayerKind::backing || kind == LayerKind::ring;
  offset_->setVisible(!plain && kind != LayerKind::colour);
  offset_->setLabel(kind == LayerKind::inset      ? tr("Drawn in by")
                    : kind == LayerKind::knockOut ? tr("Gap")
                    : kind == LayerKind::outline  ? tr("Line, wide")
                                                  : tr("Drawn out by"));
  cornersBox_->setVisible(!plain && kind != LayerKind::colour);
  lap_->setVisible(kind == LayerKind::ring || kind == LayerKind::colour);
  lap_->setLabel(kind == LayerKind::colour ? tr("Under its neighbours") : tr("Over the edge"));
  openingsBox_->setVisible(kind == LayerKind::backing);
  opening_->setVisible(backing && !layer->fillOpenings);
  const bool stencil = kind == LayerKind::peekaboo;
  overBox_->setVisible(stencil);
  overColour_->setVisible(stencil && set->over);
  showChosen(*over_, overOf(set->over));
  if (set->over) overColour_->show(QString::fromStdString(set->over->colour));
  offset_->show(layer->offset.length, unit);
  lap_->show(layer->lap.length, unit);
  opening_->show(layer->smallestOpening.length, unit);
  showChosen(*corners_, layer->corners);
  openings_->setCurrentIndex(layer->fillOpenings ? 1 : 0);
  swatches_->show(QString::fromStdString(layer->film));
  showChosen(*material_, layer->material);
  sees_->setCurrentIndex(layer->sees ? 1 + static_cast<int>(*layer->sees) : 0);
  mirrored_->setCurrentIndex(!layer->mirrored ? 0 : *layer->mirrored ? 1 : 2);
  showValue(*spares_, layer->spares);
  const std::size_t index = layerIndex(order_);
  const LayerPlan* made =
      plan != nullptr && index < plan->layers().size() ? &plan->layers()[index] : nullptr;
  if (made == nullptr) {
    words_->clear();
    filmWords_->clear();
    return;
  }
  const Box box = boundsOf(made->shape);
  QString words = made->nothing ? tr("Nothing is left of it so.")
                                : tr("%1 × %2").arg(say(Length::mm(box.width()), unit),
                                                    say(Length::mm(box.height()), unit));
  constexpr Length seen = Length::mm(0.005);
  if (!made->nothing && abs(made->wider) > seen) {
    words += QLatin1Char('\n') +
             (made->wider > Length()
                  ? tr("Cut %1 wider, for coats and shrinking.").arg(say(made->wider, unit))
                  : tr("Cut %1 narrower, for the coats between.").arg(say(-made->wider, unit)));
  }
  words_->setText(words);
  const QString heat = layer->material == PartMaterial::heatApplied
                           ? tr(" Hot iron or press: heat and time by the film maker's data sheet.")
                           : QString();
  print_->setEnabled(!made->nothing);
  const LayerPrint& print = layer->print;
  const bool printed = layer->material == PartMaterial::printable && !print.id.empty();
  const QString shows =
      !printed         ? QString()
      : !print.picture ? tr("Its picture is gone: its colour is printed. ")
                       : tr("Printed with “%1”. ").arg(QString::fromStdString(print.picture->name));
  const QString fits = made->odd        ? tr("Laid, it does not match the others.")
                       : made->mirrored ? tr("Cut mirrored; laid, it matches the others.")
                                        : tr("Laid, it matches the others.");
  filmWords_->setText(shows + fits + heat);
}

}  // namespace avrelt

#include "moc_layer_page.cpp"
