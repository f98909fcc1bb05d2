// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/join_page.h"

#include <algorithm>
#include <QAbstractItemView>
#include <QGridLayout>
#include <QVBoxLayout>
#include <utility>

#include "app/fields/labelled.h"
#include "app/fields/list_lines.h"
#include "app/fields/offer.h"
#include "app/fields/when_seen.h"
#include "app/order/phrases.h"
#include "app/order/set_edits.h"

namespace avrelt {

JoinPage::JoinPage(Order& order, QWidget* parent) : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  how_ = new QComboBox;
  offer<JoinKind>(*how_, {{JoinKind::together, tr("as one shape")},
                          {JoinKind::without, tr("the first without the others")},
                          {JoinKind::common, tr("what all have in common")},
                          {JoinKind::stacked, tr("stacked, the first lowest")}});
  how_->setAccessibleName(tr("How they are joined"));
  how_->view()->setAccessibleName(how_->accessibleName());
  column->addWidget(how_);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("What it is joined from"));
  list_->setMinimumHeight(44);
  column->addWidget(list_, 1);
  right_ = number(-2000, 2000, &JoinedArt::right, true);
  up_ = number(-2000, 2000, &JoinedArt::up, true);
  percent_ = number(1, 10'000, &JoinedArt::percent, false);
  percent_->setSuffix(tr(" %"));
  turn_ = number(-360, 360, &JoinedArt::turnDegrees, false);
  turn_->setSuffix(tr("°"));
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(8);
  grid->setVerticalSpacing(2);
  grid->addWidget(labelled(tr("To the right"), right_), 0, 0);
  grid->addWidget(labelled(tr("Up"), up_), 0, 1);
  grid->addWidget(labelled(tr("Size"), percent_), 1, 0);
  grid->addWidget(labelled(tr("Turned"), turn_), 1, 1);
  column->addLayout(grid);
  words_ = new QLabel;
  words_->setProperty("role", "label");
  words_->setWordWrap(true);
  column->addWidget(words_);
  onChosen<JoinKind>(*how_, this, [this](JoinKind chosen) {
    change({}, [chosen](Joining& joining) { joining.kind = chosen; });
  });
  connect(list_, &QListWidget::currentRowChanged, this, [this] {
    if (!filling_) refresh();
  });
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order, &Order::changed, seen, &WhenSeen::changed);
  connect(&order, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

const Artwork* JoinPage::inHand() const {
  const Artwork* art = artInHand(order_);
  return art != nullptr && art->kind == ArtKind::joined ? art : nullptr;
}

/// A number that may be below 0, as no measure of a tape is; lengths in the unit of the order.
QDoubleSpinBox* JoinPage::number(double least, double most, double JoinedArt::*member,
                                 bool length) {
  auto* box = new QDoubleSpinBox;
  box->setRange(least, most);
  box->setButtonSymbols(QAbstractSpinBox::NoButtons);
  connect(box, &QDoubleSpinBox::valueChanged, this, [this, member, length](double value) {
    const int row = list_->currentRow();
    const bool inches = length && order_.unit() == Unit::inch;
    change(QStringLiteral("part %1").arg(row), [&](Joining& joining) {
      if (row < 0 || row >= static_cast<int>(joining.of.size())) return;
      joining.of[static_cast<std::size_t>(row)].*member = inches ? value * 25.4 : value;
    });
  });
  return box;
}

void JoinPage::change(const QString& key, const std::function<void(Joining&)>& change) {
  const Artwork* art = inHand();
  if (filling_ || art == nullptr) return;
  Artwork next = *art;
  change(next.joining);
  const Checked<Artwork> made = joinedArtwork(next, order_.document().artworks);
  words_->setText(made ? QString() : say(made.error().sentence, order_.unit()));
  askedForOne_ = false;
  if (!made) return;
  changeArtwork(order_, tr("Join otherwise"), key, std::string(art->id),
                [&](Artwork& artwork) { artwork = *made; });
}

void JoinPage::refresh() {
  filling_ = true;
  const Artwork* art = inHand();
  setEnabled(art != nullptr);
  QStringList lines;
  if (art != nullptr) {
    for (const JoinedArt& one : art->joining.of) {
      const Artwork* part = artCalled(order_.document(), one.artwork);
      lines << (part != nullptr ? QString::fromStdString(part->name) : tr("gone"));
    }
    showChosen(*how_, art->joining.kind);
  } else {
    words_->setText(tr("Take a joined artwork in hand, or choose several and join them."));
    askedForOne_ = true;
  }
  const int row = std::max(list_->currentRow(), 0);
  showLines(*list_, lines);
  list_->setCurrentRow(std::min(row, static_cast<int>(lines.size()) - 1));
  const bool inches = order_.unit() == Unit::inch;
  for (QDoubleSpinBox* box : {right_, up_}) {
    box->setDecimals(inches ? 3 : 2);
    box->setSingleStep(inches ? 1.0 / 16 : 1);
    box->setSuffix(inches ? tr(" in") : tr(" mm"));
  }
  const int now = list_->currentRow();
  if (art != nullptr && now >= 0) {
    if (std::exchange(askedForOne_, false)) words_->clear();
    const JoinedArt& one = art->joining.of[static_cast<std::size_t>(now)];
    const double per = inches ? 25.4 : 1;
    right_->setValue(one.right / per);
    up_->setValue(one.up / per);
    percent_->setValue(one.percent);
    turn_->setValue(one.turnDegrees);
  }
  filling_ = false;
}

}  // namespace avrelt

#include "moc_join_page.cpp"
