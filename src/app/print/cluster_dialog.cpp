// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/print/cluster_dialog.h"

#include <algorithm>
#include <cmath>
#include <QHBoxLayout>
#include <QPainter>
#include <QVBoxLayout>

#include "app/fields/count_box.h"
#include "app/fields/dialog_close.h"
#include "app/fields/labelled.h"
#include "app/fields/on_screen.h"
#include "app/look/theme.h"
#include "app/order/phrases.h"
#include "app/views/art_paint.h"
#include "app/views/print_paint.h"
#include "files/picture_file.h"
#include "measure/colour.h"
#include "measure/tape.h"

namespace avrelt {
namespace {

constexpr double printedDots = 300;
constexpr double shownDots = 110;
constexpr QSize iconSize(64, 46);
constexpr int pot = 24;
constexpr double hardlyAny = 5e-5;
/// Which of the pots motifs take at first: shapes are mostly in ink, and would not be told apart.
constexpr int first[] = {1, 2, 5, 7, 10, 15};

/// A colour, framed where it is chosen.
QIcon potOf(const QColor& colour) {
  QPixmap plain(pot, pot);
  plain.fill(Qt::transparent);
  QPixmap chosen = plain;
  for (QPixmap* one : {&plain, &chosen}) {
    QPainter painter(one);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(one == &chosen ? QPen(theme().ink, 2) : QPen(theme().muted, 0.8));
    painter.setBrush(Qt::NoBrush);
    if (one == &chosen) painter.drawRoundedRect(QRectF(1, 1, pot - 2, pot - 2), 4, 4);
    painter.setBrush(colour);
    const double in = one == &chosen ? 4 : 3;
    if (one == &chosen) painter.setPen(Qt::NoPen);
    painter.drawRoundedRect(QRectF(in, in, pot - 2 * in, pot - 2 * in), 3, 3);
  }
  QIcon icon(plain);
  icon.addPixmap(chosen, QIcon::Selected);
  return icon;
}

/// The share of dots that nothing is printed on.
double clearShare(const Picture& picture) {
  std::size_t clear = 0;
  for (std::size_t i = 3; i < picture.rgba.size(); i += 4) clear += picture.rgba[i] < 128 ? 1 : 0;
  return static_cast<double>(clear) / (static_cast<double>(picture.rgba.size()) / 4);
}

/// To the inch, so many that no more dots come of it than are kept.
double dotsToInch(const Cluster& cluster, double wanted) {
  const double square = cluster.wide.length.inches() * cluster.tall.length.inches();
  return std::min(wanted, std::sqrt(0.98 * mostKeptDots / std::max(square, 1e-6)));
}

}  // namespace

ClusterView::ClusterView(QWidget* parent) : Canvas(parent) {
  setMinimumSize(320, 260);
  setAccessibleName(tr("The cluster as it is printed"));
}

void ClusterView::show(const QImage& image) {
  image_ = image;
  update();
}

void ClusterView::paintEvent(QPaintEvent* /*event*/) {
  QPainter painter(this);
  painter.setRenderHint(QPainter::SmoothPixmapTransform);
  painter.fillRect(rect(), theme().ground);
  if (image_.isNull()) {
    painter.setPen(theme().muted);
    painter.setFont(face(13));
    drawWords(painter, rect().center(), tr("Choose artworks, and their cluster appears."));
    return;
  }
  const QSize size =
      image_.size().scaled(rect().adjusted(12, 12, -12, -12).size(), Qt::KeepAspectRatio);
  const QRect room(QPoint((width() - size.width()) / 2, (height() - size.height()) / 2), size);
  painter.fillRect(room, theme().panel);
  painter.drawImage(room, image_);
  painter.setPen(QPen(theme().ink, 1));
  painter.drawRect(room);
}

ClusterDialog::ClusterDialog(Unit unit, std::vector<SharedArt> artworks, QWidget* parent)
    : QDialog(parent), unit_(unit), artworks_(std::move(artworks)) {
  setWindowTitle(tr("Make a cluster"));
  const bool inches = unit_ == Unit::inch;
  if (inches) {
    cluster_.wide = cluster_.tall = {Length::inches(4), "4 in"};
    cluster_.motif = {Length::inches(0.75), "3/4 in"};
  }
  auto* column = new QVBoxLayout(this);
  column->setSpacing(10);
  auto* row = new QHBoxLayout;
  row->setSpacing(12);
  column->addLayout(row, 1);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Artworks of the cluster"));
  list_->setIconSize(iconSize);
  list_->setFixedWidth(230);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  for (const SharedArt& artwork : artworks_) {
    auto* item = new QListWidgetItem(iconOf(*artwork, iconSize, devicePixelRatioF()),
                                     QString::fromStdString(artwork->name));
    item->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsUserCheckable);
    // Words do not make a cluster of motifs, and would be read.
    item->setCheckState(artwork->kind == ArtKind::lettering ? Qt::Unchecked : Qt::Checked);
    list_->addItem(item);
  }
  row->addWidget(list_);
  auto* right = new QVBoxLayout;
  right->setSpacing(8);
  view_ = new ClusterView;
  right->addWidget(view_, 1);
  auto* fields = new QHBoxLayout;
  fields->setSpacing(10);
  wide_ = new LengthField(tr("Wide"), Member::clusterWide);
  tall_ = new LengthField(tr("Tall"), Member::clusterTall);
  motif_ = new LengthField(tr("Each, at most"), Member::clusterMotif);
  turns_ = new CountBox;
  turns_->setRange(0, 180);
  turns_->setSuffix(tr("°"));
  turns_->setValue(180);
  turns_->setButtonSymbols(QAbstractSpinBox::NoButtons);
  for (LengthField* field : {wide_, tall_, motif_}) fields->addWidget(field);
  fields->addWidget(labelled(tr("Each leans up to"), turns_));
  right->addLayout(fields);
  colours_ = new QListWidget;
  colours_->setAccessibleName(tr("Colours that motifs of one colour take in turn"));
  colours_->setToolTip(
      tr("Artworks of one colour take these in turn; with none chosen, their own"));
  colours_->setViewMode(QListView::IconMode);
  colours_->setFlow(QListView::LeftToRight);
  colours_->setWrapping(false);
  colours_->setMovement(QListView::Static);
  colours_->setSelectionMode(QAbstractItemView::MultiSelection);
  colours_->setIconSize({pot, pot});
  colours_->setGridSize({pot + 10, pot + 10});
  colours_->setFixedHeight(pot + 16);
  colours_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  for (const QString& colour : Swatches::colours()) {
    auto* item = new QListWidgetItem(potOf(QColor(colour)), QString());
    item->setData(Qt::UserRole, colour);
    const QString name = QString::fromStdString(colourInWords(colour.toUpper().toStdString()));
    item->setData(Qt::AccessibleTextRole, name);
    item->setToolTip(name);
    colours_->addItem(item);
  }
  for (const int taken : first) colours_->item(taken)->setSelected(true);
  right->addWidget(labelled(tr("Colours of motifs that have one"), colours_));
  auto* below = new QHBoxLayout;
  below->setSpacing(10);
  clear_ = new QCheckBox(tr("Nothing below them"));
  clear_->setToolTip(tr("What no motif covers is not printed; else it is printed in one colour"));
  clear_->setChecked(true);
  ground_ = new Swatches;
  again_ = new QPushButton(tr("Throw again"));
  below->addWidget(clear_);
  below->addWidget(ground_);
  below->addStretch();
  below->addWidget(again_);
  right->addLayout(below);
  words_ = new QLabel;
  words_->setWordWrap(true);
  words_->setProperty("role", "label");
  words_->setMinimumHeight(fontMetrics().height() * 2);
  words_->setAlignment(Qt::AlignTop);
  right->addWidget(words_);
  row->addLayout(right, 1);
  take_ = closeBelow(*this, *column, tr("Make a picture of it"));

  connect(list_, &QListWidget::itemChanged, this, &ClusterDialog::refresh);
  connect(colours_, &QListWidget::itemSelectionChanged, this, &ClusterDialog::refresh);
  const auto length = [this](LengthField* field, WrittenLength Cluster::*member) {
    connect(field, &LengthField::typed, this, [this, member](const WrittenLength& typed) {
      cluster_.*member = typed;
      refresh();
    });
    connect(field, &LengthField::stepped, this, [this, member](int marks) {
      const Graduation graduation = usualGraduation(unit_);
      const Length next =
          nearestMark((cluster_.*member).length, graduation) + step(graduation) * marks;
      cluster_.*member = written(std::max(next, step(graduation)), unit_);
      refresh();
    });
  };
  length(wide_, &Cluster::wide);
  length(tall_, &Cluster::tall);
  length(motif_, &Cluster::motif);
  connect(turns_, &QSpinBox::valueChanged, this, [this](int degrees) {
    cluster_.turns = Angle::degrees(degrees);
    refresh();
  });
  connect(clear_, &QCheckBox::toggled, this, [this](bool on) {
    cluster_.ground = on ? std::string() : Swatches::colours().front().toUpper().toStdString();
    refresh();
  });
  connect(ground_, &Swatches::chosen, this, [this](const QString& colour) {
    cluster_.ground = colour.toUpper().toStdString();
    refresh();
  });
  connect(again_, &QPushButton::clicked, this, [this] {
    ++cluster_.seed;
    refresh();
  });
  refresh();
  openAt(*this, {900, 600});
}

void ClusterDialog::refresh() {
  cluster_.of.clear();
  for (int i = 0; i < list_->count(); ++i) {
    if (list_->item(i)->checkState() == Qt::Checked) {
      cluster_.of.push_back(artworks_[static_cast<std::size_t>(i)]);
    }
  }
  cluster_.colours.clear();
  for (int i = 0; i < colours_->count(); ++i) {
    const QListWidgetItem& item = *colours_->item(i);
    if (item.isSelected()) {
      cluster_.colours.push_back(item.data(Qt::UserRole).toString().toUpper().toStdString());
    }
  }
  wide_->show(cluster_.wide.length, unit_);
  tall_->show(cluster_.tall.length, unit_);
  motif_->show(cluster_.motif.length, unit_);
  clear_->setChecked(cluster_.ground.empty());
  ground_->setEnabled(!cluster_.ground.empty());
  ground_->show(QString::fromStdString(cluster_.ground));
  for (LengthField* field : {wide_, tall_, motif_}) field->setFault({});
  const Faults faults = clusterFaults(cluster_);
  QString words;
  for (const Fault& fault : faults) {
    const QString said = say(fault.sentence, unit_);
    if (fault.where.member == Member::clusterOf) {
      words = artworks_.empty() ? tr("The order has no artworks yet. Add shapes or drawings first.")
                                : said;
      continue;
    }
    for (LengthField* field : {wide_, tall_, motif_}) {
      if (field->where() == fault.where) field->setFault(said);
    }
  }
  again_->setEnabled(faults.empty());
  take_->setEnabled(faults.empty());
  if (!faults.empty()) {
    plan_ = {};
    view_->show(QImage());
    return words_->setText(words);
  }
  plan_ = clusterOf(cluster_);
  const Picture picture = pictureOf(cluster_, plan_, dotsToInch(cluster_, shownDots));
  view_->show(imageOf(picture));
  const double share = clearShare(picture);
  const QString count =
      plan_.items.size() == 1
          ? tr("1 motif.")
          : tr("%1 motifs. It meets itself side by side.").arg(plan_.items.size());
  const QString bare = QString::fromStdString(numberText(share * 100, share < 0.01 ? 2 : 1));
  words_->setText(count + QLatin1Char(' ') +
                  (share < hardlyAny
                       ? tr("All of it is printed.")
                       : tr("%1 % of it stays bare: take larger or fuller motifs, or a colour "
                            "below them.")
                             .arg(bare)));
}

tl::expected<KeptPicture, Sentence> ClusterDialog::picture() const {
  const double dots = dotsToInch(cluster_, printedDots);
  std::string name;
  for (const SharedArt& artwork : cluster_.of) {
    constexpr std::size_t most = 3;
    if (static_cast<std::size_t>(&artwork - cluster_.of.data()) >= most) {
      name += " …";
      break;
    }
    name += (name.empty() ? "" : ", ") + artwork->name;
  }
  const auto taken =
      pictureToKeep(pngOf(pictureOf(cluster_, plan_, dots), dots),
                    tr("Cluster: %1").arg(QString::fromStdString(name)).toStdString());
  if (!taken) return tl::unexpected(taken.error());
  return taken->picture;
}

}  // namespace avrelt

#include "moc_cluster_dialog.cpp"
