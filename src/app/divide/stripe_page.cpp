// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/divide/stripe_page.h"

#include <algorithm>
#include <QColorDialog>
#include <QHBoxLayout>
#include <QPainter>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/list_lines.h"
#include "app/fields/offer.h"
#include "app/fields/show_value.h"
#include "app/fields/when_seen.h"
#include "app/order/phrases.h"
#include "app/order/zone_edits.h"
#include "divide/shaping.h"

namespace avrelt {

StripePage::StripePage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Stripes"));
  list_->setWordWrap(true);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  column->addWidget(list_, 1);

  auto* first = new QHBoxLayout;
  first->setSpacing(6);
  lay_ = new QPushButton(tr("+ On line 1"));
  take_ = new QPushButton(tr("−"));
  take_->setAccessibleName(tr("Take the stripe away"));
  colour_ = new QPushButton;
  colour_->setAccessibleName(tr("Colour of the stripe"));
  colour_->setToolTip(tr("Colour of the stripe"));
  kind_ = segmentsOf<StripeKind>(tr("Stripe of"),
                                 {{StripeKind::tape, tr("Tape")}, {StripeKind::film, tr("Film")}});
  join_ = segmentsOf<StripeJoin>(
      tr("Joined"), {{StripeJoin::seam, tr("At the seam")}, {StripeJoin::hidden, tr("Hidden")}});
  first->addWidget(lay_);
  first->addWidget(take_);
  first->addWidget(colour_);
  first->addStretch();
  first->addWidget(kind_);
  column->addLayout(first);

  auto* second = new QHBoxLayout;
  second->setSpacing(8);
  width_ = field(fields, tr("Wide"), Member::stripeWidth, &Stripe::width);
  overlap_ = field(fields, tr("Ends overlap"), Member::stripeOverlap, &Stripe::overlap);
  spares_ = new CountBox;
  spares_->setRange(-1, 100);
  spares_->setSpecialValueText(tr("by rule"));
  spares_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  spares_->setAccessibleName(tr("Spares"));
  sparesLabel_ = new QLabel(tr("Spares"));
  sparesLabel_->setProperty("role", "label");
  sparesLabel_->setBuddy(spares_);
  auto* spareColumn = new QVBoxLayout;
  spareColumn->setSpacing(2);
  spareColumn->addWidget(sparesLabel_);
  spareColumn->addWidget(spares_);
  second->addWidget(width_, 3);
  second->addWidget(overlap_, 3);
  second->addLayout(spareColumn, 2);
  column->addLayout(second);

  auto* third = new QHBoxLayout;
  third->setSpacing(8);
  butt_ = new QCheckBox(tr("Butt: score both"));
  butt_->setToolTip(tr("Ends over each other, scored through both, both offcuts lifted"));
  tapesLabel_ = new QLabel(tr("Your tapes"));
  tapesLabel_->setProperty("role", "label");
  tapes_ = new QLineEdit;
  tapes_->setAccessibleName(tr("Widths of tape you own, one after another"));
  tapesLabel_->setBuddy(tapes_);
  third->addWidget(join_);
  third->addWidget(butt_);
  third->addStretch();
  column->addLayout(third);
  auto* fourth = new QHBoxLayout;
  fourth->setSpacing(8);
  fourth->addWidget(tapesLabel_);
  fourth->addWidget(tapes_, 1);
  column->addLayout(fourth);
  cut_ = new QLabel;
  cut_->setWordWrap(true);
  column->addWidget(cut_);

  connectFields();
}

void StripePage::connectFields() {
  connect(lay_, &QPushButton::clicked, this, [this] {
    const CupPlan* plan = order_.plan();
    if (plan == nullptr || plan->divided.lines.empty()) return;
    addStripe(order_, lineInHand(*plan));
    list_->setCurrentRow(list_->count() - 1);
  });
  connect(take_, &QPushButton::clicked, this,
          [this] { removeStripe(order_, list_->currentRow()); });
  connect(colour_, &QPushButton::clicked, this, [this] {
    const Stripe* stripe = inHand();
    if (stripe == nullptr) return;
    const QColor picked = QColorDialog::getColor(QColor(QString::fromStdString(stripe->colour)),
                                                 this, tr("Colour of the stripe"));
    if (!picked.isValid()) return;
    change(QStringLiteral("colour"),
           [&](Stripe& s) { s.colour = picked.name().toUpper().toStdString(); });
  });
  onChosen<StripeKind>(*kind_, this, [this](StripeKind chosen) {
    change(QStringLiteral("kind"), [chosen](Stripe& s) { s.kind = chosen; });
  });
  onChosen<StripeJoin>(*join_, this, [this](StripeJoin chosen) {
    change(QStringLiteral("join"), [chosen](Stripe& s) { s.join = chosen; });
  });
  connect(butt_, &QCheckBox::clicked, this,
          [this](bool on) { change(QStringLiteral("butt"), [on](Stripe& s) { s.butt = on; }); });
  connect(spares_, &QSpinBox::valueChanged, this, [this](int count) {
    change(QStringLiteral("spares"),
           [count](Stripe& s) { s.spares = count < 0 ? std::nullopt : std::optional<int>(count); });
  });
  connect(tapes_, &QLineEdit::editingFinished, this, &StripePage::readTapes);
  connect(list_, &QListWidget::currentRowChanged, this, [this](int index) {
    if (filling_) return;
    const CupPlan* plan = order_.plan();
    const Stripe* stripe = inHand();
    if (plan != nullptr && stripe != nullptr && index >= 0) {
      const DivideLine* line = lineAt(plan->divided, stripe->of, stripe->line);
      if (line != nullptr) order_.pickLine(line->id);
    }
    refresh();
  });
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order_, &Order::changed, seen, &WhenSeen::changed);
  connect(&order_, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

/// The line in hand, or else the first; nothing where none is cut.
std::string StripePage::lineInHand(const CupPlan& plan) const {
  for (const DivideLine& line : plan.divided.lines) {
    if (line.id == order_.line()) return line.id;
  }
  return plan.divided.lines.empty() ? std::string() : plan.divided.lines.front().id;
}

const Stripe* StripePage::inHand() const {
  if (!order_.hasCup()) return nullptr;
  const std::vector<Stripe>& all = order_.currentCup().division.stripes;
  const auto index = static_cast<std::size_t>(list_->currentRow());
  return list_->currentRow() >= 0 && index < all.size() ? &all[index] : nullptr;
}

void StripePage::change(const QString& key, const std::function<void(Stripe&)>& change) {
  editStripe(order_, list_->currentRow(), key, change);
}

LengthField* StripePage::field(FieldSet& fields, const QString& label, Member member,
                               WrittenLength Stripe::*length) {
  const QString key = keyOf(member);
  LengthField* made = fields.add(label, member);
  const auto set = [this, key, length](const WrittenLength& typed) {
    change(key, [&](Stripe& stripe) { stripe.*length = typed; });
  };
  connect(made, &LengthField::typed, this, set);
  connect(made, &LengthField::stepped, this, [this, set, length](int by) {
    const Stripe* stripe = inHand();
    if (stripe == nullptr) return;
    // Tapes come in whole millimetres, whatever the unit.
    const int next = std::max(1, static_cast<int>((stripe->*length).length.mm()) + by);
    set(writtenSize(std::to_string(next) + " mm", Unit::mm).value());
  });
  return made;
}

void StripePage::readTapes() {
  const auto widths = parsePlaces(tapes_->text().toStdString(), order_.unit());
  if (!widths) {
    refresh();
    return;
  }
  if (*widths == order_.currentCup().division.tapes) return;
  order_.editCup(tr("Say which tapes you own"), [&](Cup& cup) { cup.division.tapes = *widths; });
}

void StripePage::refreshList(const CupPlan& plan) {
  const Unit unit = order_.unit();
  const auto& all = order_.currentCup().division.stripes;
  const int row = list_->currentRow();
  QStringList lines;
  for (std::size_t i = 0; i < all.size(); ++i) {
    const auto made = std::find_if(
        plan.stripes.begin(), plan.stripes.end(),
        [&](const StripePlan& candidate) { return candidate.stripe == static_cast<int>(i); });
    if (made == plan.stripes.end()) {
      lines << tr("Waits for a line that is not cut");
      continue;
    }
    const QString what = made->kind == StripeKind::tape ? tr("tape") : tr("film");
    const WrittenLength& width = all[i].width;
    QString words =
        tr("Line %1: %2, %3 wide, %4 long. %5")
            .arg(QString::fromStdString(made->line), what,
                 width.text.empty() ? say(width.length, unit) : QString::fromStdString(width.text),
                 onTape(made->length, unit).mark, say(made->laying, unit));
    if (made->layer > 0) words += tr(" It lies on the wider one.");
    lines << words;
  }
  showLines(*list_, lines);
  list_->setCurrentRow(std::clamp(row, all.empty() ? -1 : 0, static_cast<int>(all.size()) - 1));
  QStringList cuts;
  for (const StripCut& cut : plan.cutList) {
    const QString what = cut.kind == StripeKind::tape ? tr("tape") : tr("film");
    cuts << tr("%1 + %2 spare of %3, %4 × %5")
                .arg(cut.copies)
                .arg(cut.spares)
                .arg(what, say(cut.width, unit), onTape(cut.length, unit).mark);
  }
  cut_->setText(cuts.isEmpty() ? tr("No stripe is laid. Pick a line and lay one.")
                               : tr("To cut: %1").arg(cuts.join(QStringLiteral("; "))));
}

void StripePage::refresh() {
  const CupPlan* plan = order_.plan();
  if (!order_.hasCup() || plan == nullptr) return;
  filling_ = true;
  refreshList(*plan);
  const Unit unit = order_.unit();
  const Stripe* stripe = inHand();
  lay_->setEnabled(!plan->divided.lines.empty());
  const std::string line = lineInHand(*plan);
  lay_->setText(line.empty() ? tr("+ On a line")
                             : tr("+ On line %1").arg(QString::fromStdString(line)));
  take_->setEnabled(stripe != nullptr);
  for (QWidget* shown : std::initializer_list<QWidget*>{colour_, kind_, join_, butt_, width_,
                                                        overlap_, spares_, sparesLabel_}) {
    shown->setVisible(stripe != nullptr);
  }
  const bool tape = stripe != nullptr && stripe->kind == StripeKind::tape;
  tapesLabel_->setVisible(tape);
  tapes_->setVisible(tape);
  if (!tapes_->hasFocus()) {
    tapes_->setText(QString::fromStdString(placesText(order_.currentCup().division.tapes, unit)));
  }
  if (stripe != nullptr) {
    showChosen(*kind_, stripe->kind);
    const auto made = std::find_if(
        plan->stripes.begin(), plan->stripes.end(),
        [&](const StripePlan& candidate) { return candidate.stripe == list_->currentRow(); });
    const bool closed = made != plan->stripes.end() && made->closed;
    join_->setVisible(closed);
    butt_->setVisible(closed);
    showChosen(*join_, stripe->join);
    butt_->setChecked(stripe->butt);
    width_->show(stripe->width.length, unit);
    overlap_->show(stripe->overlap.length, unit);
    showValue(*spares_, stripe->spares.value_or(-1));
    QPixmap pot(22, 14);
    pot.fill(QColor(QString::fromStdString(stripe->colour)));
    colour_->setIcon(pot);
  }
  filling_ = false;
}

}  // namespace avrelt

#include "moc_stripe_page.cpp"
