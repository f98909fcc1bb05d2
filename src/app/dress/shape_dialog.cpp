// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/shape_dialog.h"

#include <QDialogButtonBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QVBoxLayout>

#include "app/fields/on_screen.h"
#include "app/order/phrases.h"
#include "app/views/art_paint.h"

namespace avrelt {
namespace {

constexpr QSize shapeSize(92, 72);

}  // namespace

std::vector<ShapeChoice> shippedShapes() {
  std::vector<ShapeChoice> shapes;
  for (const ShelfShape& shape : shelfShapes()) {
    ShapeChoice choice{shape.id, shapeArtwork(shape.id), {}, false};
    const QString title = say(shape.title, Unit::mm);
    choice.artwork.name = title.toStdString();
    choice.found = title + QLatin1Char(' ') + QString::fromStdString(shape.about);
    shapes.push_back(std::move(choice));
  }
  return shapes;
}

ShapeDialog::ShapeDialog(std::vector<ShapeChoice> shapes,
                         std::function<void(const std::string&)> remove, QWidget* parent)
    : QDialog(parent), shapes_(std::move(shapes)), removeOwn_(std::move(remove)) {
  setWindowTitle(tr("Shapes"));
  openAt(*this, {640, 480});
  auto* column = new QVBoxLayout(this);
  search_ = new QLineEdit;
  search_->setPlaceholderText(tr("Search: moon, star, leaf…"));
  search_->setAccessibleName(tr("Search the shapes"));
  search_->setClearButtonEnabled(true);
  column->addWidget(search_);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Shapes"));
  list_->setViewMode(QListView::IconMode);
  list_->setIconSize(shapeSize);
  list_->setGridSize(QSize(shapeSize.width() + 22, shapeSize.height() + 30));
  list_->setMovement(QListView::Static);
  list_->setResizeMode(QListView::Adjust);
  list_->setUniformItemSizes(true);
  column->addWidget(list_, 1);
  auto* buttons = new QDialogButtonBox;
  buttons->addButton(tr("Cancel"), QDialogButtonBox::RejectRole);
  take_ = buttons->addButton(tr("Take"), QDialogButtonBox::AcceptRole);
  remove_ = buttons->addButton(tr("Remove from the shelf"), QDialogButtonBox::ActionRole);
  remove_->setToolTip(tr("Only shapes you have kept can be removed"));
  column->addWidget(buttons);
  connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
  connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
  connect(search_, &QLineEdit::textChanged, this, &ShapeDialog::fill);
  connect(search_, &QLineEdit::returnPressed, this, [this] {
    if (list_->count() > 0) accept();
  });
  connect(list_, &QListWidget::itemActivated, this, &QDialog::accept);
  connect(list_, &QListWidget::currentRowChanged, this, [this] {
    const ShapeChoice* shape = chosen();
    take_->setEnabled(shape != nullptr);
    remove_->setEnabled(shape != nullptr && shape->own);
  });
  connect(remove_, &QPushButton::clicked, this, [this] {
    const ShapeChoice* shape = chosen();
    if (shape == nullptr || !shape->own) return;
    const std::string key = shape->key;
    removeOwn_(key);
    std::erase_if(shapes_, [&](const ShapeChoice& one) { return one.own && one.key == key; });
    fill();
  });
  fill();
}

const ShapeChoice* ShapeDialog::chosen() const {
  const QListWidgetItem* item = list_->currentItem();
  if (item == nullptr) return nullptr;
  return &shapes_[item->data(Qt::UserRole).toUInt()];
}

void ShapeDialog::fill() {
  list_->clear();
  const QString wanted = search_->text().trimmed();
  for (std::size_t i = 0; i < shapes_.size(); ++i) {
    bool fits = true;
    for (const QString& word : wanted.split(QLatin1Char(' '), Qt::SkipEmptyParts)) {
      fits = fits && shapes_[i].found.contains(word, Qt::CaseInsensitive);
    }
    if (!fits) continue;
    auto* item = new QListWidgetItem(iconOf(shapes_[i].artwork, shapeSize, devicePixelRatioF()),
                                     QString::fromStdString(shapes_[i].artwork.name));
    item->setToolTip(item->text());
    item->setData(Qt::UserRole, static_cast<unsigned>(i));
    list_->addItem(item);
  }
  if (list_->count() > 0) list_->setCurrentRow(0);
  take_->setEnabled(list_->count() > 0);
}

}  // namespace avrelt

#include "moc_shape_dialog.cpp"
