// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/print/picture_list.h"

#include <algorithm>
#include <QFileDialog>
#include <QFileInfo>
#include <QGridLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/fields/beside.h"
#include "app/order/phrases.h"
#include "app/print/cluster_dialog.h"
#include "app/views/print_paint.h"
#include "files/disk.h"
#include "files/picture_file.h"
#include "measure/colour.h"

namespace avrelt {
namespace {

constexpr int iconSide = 72;

QIcon iconOf(const SharedPicture& picture) {
  const PictureSizes* dots = dotsFor(picture);
  if (dots == nullptr) return {};
  // The whole of it in a square, its proportion kept.
  const double most = std::max(dots->wide(), dots->tall());
  const double wide = iconSide * dots->wide() / most;
  const double tall = iconSide * dots->tall() / most;
  Picture icon{iconSide, iconSide, std::vector<std::uint8_t>(iconSide * iconSide * 4)};
  PictureMesh mesh;
  mesh.across = 2;
  mesh.nodes = {{{0, 0}, {0, 0}}, {{wide, 0}, {1, 0}}, {{0, tall}, {0, 1}}, {{wide, tall}, {1, 1}}};
  drawMesh(mesh, *dots, {1, 0, 0, -1, (iconSide - wide) / 2, (iconSide + tall) / 2}, {}, icon);
  return QIcon(QPixmap::fromImage(imageOf(icon)));
}

}  // namespace

PictureList::PictureList(const Document& document, const std::string& taken, QWidget* parent)
    : QWidget(parent), unit_(document.units) {
  for (const SharedPicture& picture : document.pictures) {
    const int here = picture->id == taken ? 1 : 0;
    known_.push_back({picture, false, showing(document, picture->id) - here});
  }
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Pictures of the order"));
  list_->setIconSize({iconSide, iconSide});
  list_->setFixedWidth(230);
  list_->setWordWrap(true);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  column->addWidget(list_, 1);
  auto* buttons = new QGridLayout;
  auto* add = new QPushButton(tr("Add…"));
  add->setToolTip(tr("A PNG or JPEG picture, which is then kept in the order"));
  remove_ = new QPushButton(tr("Remove"));
  cluster_ = new QPushButton(tr("Cluster…"));
  cluster_->setToolTip(tr("Makes a picture of the order’s artworks, thrown over each other"));
  buttons->addWidget(add, 0, 0);
  buttons->addWidget(cluster_, 0, 1);
  buttons->addWidget(remove_, 1, 0, 1, 2);
  connect(cluster_, &QPushButton::clicked, this, [this, artworks = document.artworks] {
    ClusterDialog dialog(unit_, artworks, this);
    if (dialog.exec() != QDialog::Accepted) return;
    auto made = dialog.picture();
    if (made) return this->add(std::move(*made));
    emit told(tr("The cluster was not taken. %1").arg(say(made.error(), unit_)));
  });
  column->addLayout(buttons);
  connect(add, &QPushButton::clicked, this, &PictureList::askForPicture);
  connect(remove_, &QPushButton::clicked, this, &PictureList::removePicture);
  connect(list_, &QListWidget::currentRowChanged, this, [this](int index) {
    if (index >= 0) emit picked();
  });
  fill(taken);
}

void PictureList::fill(const std::string& chosen) {
  {
    const QSignalBlocker quiet(list_);
    list_->clear();
    for (const Known& one : known_) {
      const KeptPicture& picture = *one.picture;
      auto* item =
          new QListWidgetItem(iconOf(one.picture), tr("%1\n%2 × %3 dots")
                                                       .arg(QString::fromStdString(picture.name))
                                                       .arg(picture.wide)
                                                       .arg(picture.tall));
      list_->addItem(item);
      if (picture.id == chosen) list_->setCurrentItem(item);
    }
    if (list_->currentRow() < 0 && list_->count() > 0) list_->setCurrentRow(0);
  }
  remove_->setEnabled(list_->count() > 0);
  emit picked();
}

void PictureList::askForPicture() {
  const QString path = QFileDialog::getOpenFileName(
      this, tr("Add a picture"), {}, tr("Pictures (*.png *.jpg *.jpeg);;All files (*)"));
  if (path.isEmpty()) return;
  if (const std::optional<QString> fault = addFrom(path)) {
    emit told(tr("%1 was not added. %2").arg(QFileInfo(path).fileName(), *fault));
  }
}

std::optional<QString> PictureList::addFrom(const QString& path) {
  constexpr std::size_t mostBytes = 200U << 20U;
  const QFileInfo about(path);
  const std::string name = about.completeBaseName().toStdString();
  const auto read = beside(
      this, tr("Reading %1…").arg(about.fileName()),
      [path = path.toStdString(), name](Going& /*going*/) -> tl::expected<TakenPicture, Sentence> {
        auto bytes = readFile(path, mostBytes);
        if (!bytes) return tl::unexpected(bytes.error());
        return pictureToKeep(std::move(*bytes), name);
      });
  if (!read) return read.error();
  if (!*read) return say(read->error(), unit_);
  const KeptPicture& picture = (*read)->picture;
  add(picture);
  if ((*read)->smaller) {
    emit told(tr("The file is larger than an order keeps, so it was made smaller: %1 × %2 dots.")
                  .arg(picture.wide)
                  .arg(picture.tall));
  }
  if ((*read)->endsEarly) {
    emit told(
        tr("The file ends early, so some of the picture is missing and stays grey. Get a whole "
           "copy of it before you print."));
  }
  return std::nullopt;
}

void PictureList::add(KeptPicture picture) {
  picture.id = "added-" + std::to_string(++added_);
  const std::string id = picture.id;
  known_.push_back({SharedPicture(std::move(picture)), true, 0});
  fill(id);
}

void PictureList::removePicture() {
  const int row = list_->currentRow();
  if (row < 0 || row >= static_cast<int>(known_.size())) return;
  const Known& one = known_[static_cast<std::size_t>(row)];
  if (one.elsewhere > 0) {
    emit told(one.elsewhere == 1
                  ? tr("Another film of the order shows this picture. Give that one another first.")
                  : tr("%1 other films of the order show this picture. Give them another first.")
                        .arg(one.elsewhere));
    return;
  }
  if (!one.isNew) removed_.push_back(one.picture->id);
  known_.erase(known_.begin() + row);
  fill({});
}

SharedPicture PictureList::picture() const {
  const int row = list_->currentRow();
  if (row < 0 || row >= static_cast<int>(known_.size())) return SharedPicture();
  return known_[static_cast<std::size_t>(row)].picture;
}

std::string PictureList::mean() const {
  const SharedPicture picture = this->picture();
  const PictureSizes* dots = picture ? dotsFor(picture) : nullptr;
  if (dots == nullptr) return "#808080";
  const PictureSizes::Dot mean = dots->at({0.5, 0.5}, 1e9);
  return mean.opacity > 0 ? colourText(mean.red, mean.green, mean.blue) : "#808080";
}

PictureTaking PictureList::taking() const {
  PictureTaking taking;
  for (const Known& one : known_) {
    if (one.isNew) taking.added.push_back(*one.picture);
  }
  taking.removed = removed_;
  return taking;
}

}  // namespace avrelt

#include "moc_picture_list.cpp"
