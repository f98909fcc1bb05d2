// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/laying_page.h"

#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/fields/offer.h"
#include "app/fields/show_value.h"
#include "app/order/phrases.h"

namespace avrelt {

LayingPage::LayingPage(Order& order, QWidget* parent) : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  film_ = segmentsOf<FilmKind>(tr("Film"), {{FilmKind::paper, tr("Paper")},
                                            {FilmKind::stiff, tr("Stiff film")},
                                            {FilmKind::thinCast, tr("Thin cast")},
                                            {FilmKind::stretchy, tr("Stretchy")}});
  bears_ = new QDoubleSpinBox;
  bears_->setRange(0, 50);
  bears_->setDecimals(1);
  bears_->setSingleStep(0.5);
  bears_->setSuffix(tr(" %"));
  bears_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  bears_->setAccessibleName(tr("What the film bears, per cent"));
  bears_->setToolTip(
      tr("How much it gives without heat. A guess by kind of film, until you type "
         "what its data sheet says."));
  auto* label = new QLabel(tr("bears"));
  label->setProperty("role", "label");
  recommended_ = new QPushButton(tr("Take the recommended"));
  row->addWidget(film_);
  row->addWidget(label);
  row->addWidget(bears_);
  row->addStretch();
  row->addWidget(recommended_);
  column->addLayout(row);
  auto* tiles = new QHBoxLayout;
  tiles->setSpacing(8);
  for (const LayingKind kind : layingKinds) {
    auto* tile = new LayingTile(order, kind);
    tiles_.push_back(tile);
    tiles->addWidget(tile);
    connect(tile, &QAbstractButton::clicked, this, [this, kind] { take(kind); });
  }
  column->addLayout(tiles, 1);
  runsOff_ = new QLabel;
  runsOff_->setProperty("role", "label");
  runsOff_->setWordWrap(true);
  column->addWidget(runsOff_);

  onChosen<FilmKind>(*film_, this, [this](FilmKind chosen) {
    changeFilm(tr("Choose the film"), [chosen](Film& film) {
      film.kind = chosen;
      film.takesPercent = std::nullopt;
    });
  });
  connect(bears_, &QDoubleSpinBox::valueChanged, this, [this](double percent) {
    changeFilm(
        tr("Film bears %1 %").arg(percent), [percent](Film& film) { film.takesPercent = percent; },
        QStringLiteral("film bears"));
  });
  connect(recommended_, &QPushButton::clicked, this, [this] { take(std::nullopt); });
  connect(&order, &Order::changed, this, &LayingPage::refresh);
}

void LayingPage::take(std::optional<LayingKind> kind) {
  order_.editCup(
      kind ? tr("Lay as %1").arg(say(layingTitle(*kind), order_.unit())) : tr("Lay as recommended"),
      [kind](Cup& cup) { cup.wrap.laying = kind; });
}

void LayingPage::changeFilm(const QString& text, const std::function<void(Film&)>& change,
                            const QString& key) {
  order_.editCup(
      text, [&](Cup& cup) { change(cup.film); }, key);
}

void LayingPage::refresh() {
  if (!order_.hasCup()) return;
  const Cup& cup = order_.currentCup();
  showChosen(*film_, cup.film.kind);
  showValue(*bears_, cup.film.takesPercent.value_or(usualPercent(cup.film.kind)));
  recommended_->setEnabled(cup.wrap.laying.has_value());
  const CupPlan* plan = order_.plan();
  if (plan == nullptr) return;
  const QString off = QString::fromStdString(decimalText(plan->layings.runsOff, Unit::mm, 1));
  runsOff_->setText(tr("Brown: stretched. Blue: lying full. Crossed: too much. A straight sheet "
                       "runs off by %1.")
                        .arg(off));
}

}  // namespace avrelt

#include "moc_laying_page.cpp"
