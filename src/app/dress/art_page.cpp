// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/art_page.h"

#include <algorithm>
#include <QGridLayout>
#include <QMenu>
#include <QVBoxLayout>

#include "app/fields/when_seen.h"
#include "app/order/phrases.h"
#include "app/order/set_edits.h"
#include "app/views/art_paint.h"

namespace avrelt {
namespace {

constexpr QSize pictureSize(78, 56);

}  // namespace

ArtPage::ArtPage(Order& order, QWidget* parent) : QWidget(parent), order_(order) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(6);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Artworks of the order"));
  list_->setViewMode(QListView::IconMode);
  list_->setIconSize(pictureSize);
  list_->setGridSize(QSize(pictureSize.width() + 14, pictureSize.height() + 26));
  list_->setMovement(QListView::Static);
  list_->setResizeMode(QListView::Adjust);
  list_->setUniformItemSizes(true);
  list_->setSelectionMode(QAbstractItemView::ExtendedSelection);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  list_->setTextElideMode(Qt::ElideRight);
  column->addWidget(list_, 1);
  words_ = new QLabel;
  words_->setProperty("role", "label");
  words_->setWordWrap(true);
  column->addWidget(words_);

  auto* sources = new QGridLayout;
  sources->setSpacing(6);
  const auto source = [&](const QString& text, const QString& tip, void (ArtPage::*signal)()) {
    auto* button = new QPushButton(text);
    button->setToolTip(tip);
    const int at = sources->count();
    sources->addWidget(button, at / 2, at % 2);
    connect(button, &QPushButton::clicked, this, signal);
  };
  source(tr("Drawing…"), tr("Takes the shapes of an SVG file (Ctrl+Alt+G)"),
         &ArtPage::drawingAsked);
  source(tr("Picture…"), tr("Traces a picture (Ctrl+Alt+P)"), &ArtPage::pictureAsked);
  source(tr("Words"), tr("Sets words in a face (Ctrl+Alt+W)"), &ArtPage::wordsAsked);
  source(tr("Shape…"), tr("Takes a shape from the shelf (Ctrl+Alt+S)"), &ArtPage::shapeAsked);
  column->addLayout(sources);
  use_ = new QPushButton(tr("Use on this cup"));
  use_->setToolTip(tr("Makes a set of the artwork in hand, at the front of the zone in hand"));
  more_ = new QPushButton(tr("More"));
  more_->setAccessibleName(tr("More to do with the artworks chosen"));
  auto* foot = new QHBoxLayout;
  foot->setSpacing(6);
  foot->addWidget(use_, 1);
  foot->addWidget(more_);
  column->addLayout(foot);

  auto* menu = new QMenu(more_);
  joins_[0] = menu->addAction(tr("Join as one shape"), this, [this] { join(JoinKind::together); });
  joins_[1] = menu->addAction(tr("Cut the others out of the first"), this,
                              [this] { join(JoinKind::without); });
  joins_[2] =
      menu->addAction(tr("Keep what all have in common"), this, [this] { join(JoinKind::common); });
  joins_[3] =
      menu->addAction(tr("Stack, the first lowest"), this, [this] { join(JoinKind::stacked); });
  apart_ = menu->addAction(tr("Take apart"), this, [this] {
    if (const Artwork* art = artInHand(order_)) takeApart(order_, art->id);
  });
  menu->addSeparator();
  copy_ = menu->addAction(tr("Duplicate"), this, [this] {
    if (const Artwork* art = artInHand(order_)) copyArtwork(order_, art->id);
  });
  keep_ = menu->addAction(tr("Keep on the shelf of shapes"), this, &ArtPage::keepAsked);
  remove_ = menu->addAction(tr("Remove"), this, [this] {
    if (const Artwork* art = artInHand(order_)) removeArtwork(order_, art->id);
  });
  more_->setMenu(menu);

  connectFields();
}

void ArtPage::connectFields() {
  connect(use_, &QPushButton::clicked, this, [this] {
    if (const Artwork* art = artInHand(order_)) addSet(order_, art->id);
  });
  connect(list_, &QListWidget::itemActivated, this, [this](const QListWidgetItem* item) {
    addSet(order_, item->data(Qt::UserRole).toString().toStdString());
  });
  connect(list_, &QListWidget::currentRowChanged, this, [this](int row) {
    if (filling_ || row < 0) return;
    const std::string id = list_->item(row)->data(Qt::UserRole).toString().toStdString();
    order_.pickArt(id);
    if (!order_.hasCup()) return;
    for (const DecalSet& set : order_.currentCup().sets) {
      if (set.artwork != id) continue;
      order_.pickSet(set.id);
      break;
    }
  });
  connect(list_, &QListWidget::itemSelectionChanged, this, [this] {
    if (!filling_) refresh();
  });
  auto* seen = new WhenSeen(this, [this] { refresh(); });
  connect(&order_, &Order::changed, seen, &WhenSeen::changed);
  connect(&order_, &Order::gaugeLinePicked, seen, &WhenSeen::changed);
}

/// Those chosen, the one chosen first, which is in hand, first.
std::vector<std::string> ArtPage::chosen() const {
  std::vector<std::string> ids;
  for (int row = 0; row < list_->count(); ++row) {
    const QListWidgetItem* item = list_->item(row);
    if (item->isSelected()) ids.push_back(item->data(Qt::UserRole).toString().toStdString());
  }
  return ids;
}

void ArtPage::join(JoinKind kind) {
  const std::optional<Sentence> fault = joinArtworks(order_, kind, chosen());
  if (fault) emit said(say(*fault, order_.unit()));
}

void ArtPage::refresh() {
  filling_ = true;
  const std::vector<SharedArt>& all = order_.document().artworks;
  const Artwork* inHand = artInHand(order_);
  while (list_->count() > static_cast<int>(all.size())) {
    delete list_->takeItem(list_->count() - 1);
  }
  shown_.resize(all.size());
  for (int i = 0; i < static_cast<int>(all.size()); ++i) {
    const auto index = static_cast<std::size_t>(i);
    if (i == list_->count()) {
      list_->addItem(new QListWidgetItem);
      shown_[index] = {};
    }
    QListWidgetItem* item = list_->item(i);
    if (!(shown_[index] == all[index])) {
      item->setText(QString::fromStdString(all[index]->name));
      item->setToolTip(item->text());
      item->setIcon(iconOf(*all[index], pictureSize, devicePixelRatioF()));
      item->setData(Qt::UserRole, QString::fromStdString(all[index]->id));
      shown_[index] = all[index];
    }
    if (inHand != nullptr && all[index]->id == inHand->id && list_->currentRow() != i) {
      list_->setCurrentRow(i, QItemSelectionModel::ClearAndSelect);
    }
  }
  const auto chosenCount = static_cast<long>(chosen().size());
  for (QAction* join : joins_) join->setEnabled(chosenCount >= 2);
  apart_->setEnabled(inHand != nullptr && inHand->kind == ArtKind::joined);
  for (QAction* one : {copy_, keep_, remove_}) one->setEnabled(inHand != nullptr);
  use_->setEnabled(inHand != nullptr && order_.hasCup());
  if (all.empty()) {
    words_->setText(
        tr("Bring a drawing or a picture, set words, or take a shape: it becomes a set here."));
  } else if (chosenCount >= 2) {
    words_->setText(tr("%n chosen: “More” joins them.", nullptr, static_cast<int>(chosenCount))
                        .replace(QStringLiteral("%n"), QString::number(chosenCount)));
  } else if (inHand != nullptr) {
    int uses = 0;
    for (const Cup& cup : order_.document().cups) {
      uses += static_cast<int>(
          std::count_if(cup.sets.begin(), cup.sets.end(),
                        [&](const DecalSet& set) { return set.artwork == inHand->id; }));
    }
    const QString name = QString::fromStdString(inHand->name);
    words_->setText(uses == 0   ? tr("“%1”, on no cup yet").arg(name)
                    : uses == 1 ? tr("“%1”, in 1 set").arg(name)
                                : tr("“%1”, in %2 sets").arg(name).arg(uses));
  }
  filling_ = false;
}

}  // namespace avrelt

#include "moc_art_page.cpp"
