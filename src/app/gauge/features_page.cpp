// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/gauge/features_page.h"

#include <algorithm>
#include <array>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QMenu>
#include <QVBoxLayout>

#include "app/order/phrases.h"

namespace avrelt {
namespace {

constexpr std::array<FeatureKind, 6> featureKinds{FeatureKind::frontMark, FeatureKind::lidMouth,
                                                  FeatureKind::handle,    FeatureKind::spout,
                                                  FeatureKind::footLip,   FeatureKind::keepClear};

/// A feature as it most often is, on a wall this high.
Feature usual(FeatureKind kind, Length wall, Unit unit) {
  const auto share = [&](double part) {
    return written(nearestMark(wall * part, usualGraduation(unit)), unit);
  };
  Feature feature;
  feature.kind = kind;
  switch (kind) {
    case FeatureKind::handle:
      feature.at = CupAngle::degrees(90);
      feature.low = share(0.2);
      feature.high = share(0.8);
      break;
    case FeatureKind::spout:
      feature.low = share(0.75);
      feature.high = share(0.95);
      break;
    case FeatureKind::footLip:
      feature.wide = Angle::turn();
      feature.high = share(0.05);
      break;
    case FeatureKind::keepClear:
      feature.at = CupAngle::back();
      feature.low = share(0.1);
      feature.high = share(0.25);
      break;
    case FeatureKind::frontMark:
    case FeatureKind::lidMouth:
      break;
  }
  return feature;
}

}  // namespace

QString featureTitle(FeatureKind kind) {
  switch (kind) {
    case FeatureKind::frontMark:
      return FeaturesPage::tr("Front mark");
    case FeatureKind::lidMouth:
      return FeaturesPage::tr("Lid mouth");
    case FeatureKind::handle:
      return FeaturesPage::tr("Handle");
    case FeatureKind::spout:
      return FeaturesPage::tr("Spout");
    case FeatureKind::footLip:
      return FeaturesPage::tr("Foot lip");
    case FeatureKind::keepClear:
      break;
  }
  return FeaturesPage::tr("Keep clear");
}

FeaturesPage::FeaturesPage(Order& order, FieldSet& fields, QWidget* parent)
    : QWidget(parent), order_(order) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(14);
  auto* column = new QVBoxLayout;
  column->setSpacing(6);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("What the body carries"));
  column->addWidget(list_, 1);
  auto* buttons = new QHBoxLayout;
  add_ = new QPushButton(tr("+ Feature"));
  remove_ = new QPushButton(tr("− Feature"));
  auto* menu = new QMenu(this);
  for (const FeatureKind kind : featureKinds) {
    connect(menu->addAction(featureTitle(kind)), &QAction::triggered, this,
            [this, kind] { addFeature(kind); });
  }
  add_->setMenu(menu);
  buttons->addWidget(add_);
  buttons->addWidget(remove_);
  buttons->addStretch();
  column->addLayout(buttons);
  row->addLayout(column, 5);

  at_ =
      fields.add(tr("Middle at (0° is the front)"), Member::featureAt, LengthField::Kind::degrees);
  wide_ = fields.add(tr("Wide"), Member::featureWide, LengthField::Kind::degreesOfWidth);
  low_ = fields.add(tr("From, up the wall"), Member::featureLow);
  high_ = fields.add(tr("To, up the wall"), Member::featureHigh);
  auto* places = new QVBoxLayout;
  places->setSpacing(6);
  for (LengthField* field : {at_, wide_, low_, high_}) places->addWidget(field);
  places->addStretch();
  row->addLayout(places, 4);

  connectFields();
}

void FeaturesPage::connectFields() {
  connect(remove_, &QPushButton::clicked, this, [this] {
    const int index = picked();
    if (index < 0) return;
    order_.editCup(tr("Remove %1").arg(list_->currentItem()->text()), [index](Cup& cup) {
      cup.blank.features.erase(cup.blank.features.begin() + index);
    });
  });
  connect(list_, &QListWidget::currentRowChanged, this, [this] {
    if (!filling_) refresh();
  });
  connect(at_, &LengthField::typedAngle, this, [this](Angle angle) {
    edit(tr("Place it"), QStringLiteral("at"),
         [angle](Feature& f) { f.at = CupAngle::ofFront(angle); });
  });
  connect(wide_, &LengthField::typedAngle, this, [this](Angle angle) {
    edit(tr("Set its width"), QStringLiteral("wide"), [angle](Feature& f) { f.wide = angle; });
  });
  for (LengthField* field : {at_, wide_}) {
    connect(field, &LengthField::stepped, this, [this, field](int marks) {
      const Angle by = Angle::degrees(marks);
      edit(tr("Place it"), QStringLiteral("turn"), [&](Feature& f) {
        if (field == at_) {
          f.at = (f.at + by).wrapped();
        } else {
          f.wide = std::clamp(f.wide + by, Angle::degrees(1), Angle::turn());
        }
      });
    });
  }
  for (LengthField* field : {low_, high_}) {
    const auto target = [this, field](Feature& f) -> WrittenLength& {
      return field == low_ ? f.low : f.high;
    };
    connect(field, &LengthField::typed, this, [this, target](const WrittenLength& typed) {
      edit(tr("Set its height to %1").arg(say(typed.length, order_.unit())),
           QStringLiteral("height"), [&](Feature& f) { target(f) = typed; });
    });
    connect(field, &LengthField::stepped, this, [this, target](int marks) {
      const Graduation graduation = usualGraduation(order_.unit());
      edit(tr("Set its height"), QStringLiteral("step"), [&](Feature& f) {
        const Length next = nearestMark(target(f).length, graduation) + step(graduation) * marks;
        target(f) = written(std::max(next, Length()), order_.unit());
      });
    });
  }
  connect(&order_, &Order::changed, this, &FeaturesPage::refresh);
}

int FeaturesPage::picked() const {
  if (!order_.hasCup()) return -1;
  const int count = static_cast<int>(order_.currentCup().blank.features.size());
  return std::min(list_->currentRow(), count - 1);
}

void FeaturesPage::pick(int feature) {
  if (feature >= 0) list_->setCurrentRow(feature);
}

void FeaturesPage::addFeature(FeatureKind kind) {
  const CupPlan* plan = order_.plan();
  if (plan == nullptr || !order_.hasCup()) return;
  const int index = static_cast<int>(order_.currentCup().blank.features.size());
  order_.editCup(tr("Add %1").arg(featureTitle(kind).toLower()), [&](Cup& cup) {
    cup.blank.features.push_back(usual(kind, plan->bare.wall(), order_.unit()));
  });
  list_->setCurrentRow(index);
}

void FeaturesPage::edit(const QString& text, const QString& key,
                        const std::function<void(Feature&)>& change) {
  const int index = picked();
  if (index < 0) return;
  order_.editCup(
      text, [&](Cup& cup) { change(cup.blank.features[static_cast<std::size_t>(index)]); },
      QStringLiteral("feature %1 %2").arg(index).arg(key));
}

void FeaturesPage::refresh() {
  if (!order_.hasCup()) return;
  const std::vector<Feature>& features = order_.currentCup().blank.features;
  filling_ = true;
  const int kept = list_->currentRow();
  list_->clear();
  for (const Feature& feature : features) {
    const QString place = feature.kind == FeatureKind::footLip
                              ? tr("all round")
                              : QString::fromStdString(angleText(feature.at.wrapped()));
    list_->addItem(tr("%1, %2").arg(featureTitle(feature.kind), place));
  }
  list_->setCurrentRow(
      std::clamp(kept, features.empty() ? -1 : 0, static_cast<int>(features.size()) - 1));
  filling_ = false;
  const int index = picked();
  remove_->setEnabled(index >= 0);
  const bool any = index >= 0;
  const FeatureKind kind =
      any ? features[static_cast<std::size_t>(index)].kind : FeatureKind::frontMark;
  const bool foot = kind == FeatureKind::footLip;
  at_->setVisible(any && !foot);
  wide_->setVisible(any && coversWall(kind) && !foot);
  low_->setVisible(any && coversWall(kind) && !foot);
  high_->setVisible(any && coversWall(kind));
  if (!any) return;
  const Feature& feature = features[static_cast<std::size_t>(index)];
  at_->show(feature.at);
  wide_->show(feature.wide);
  low_->show(feature.low.length, order_.unit());
  high_->show(feature.high.length, order_.unit());
}

}  // namespace avrelt

#include "moc_features_page.cpp"
