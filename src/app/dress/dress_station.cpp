// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/dress/dress_station.h"

#include <filesystem>
#include <QFileDialog>
#include <QFileInfo>

#include "app/dress/picture_dialog.h"
#include "app/dress/shape_dialog.h"
#include "app/fields/beside.h"
#include "app/fields/card.h"
#include "app/order/phrases.h"
#include "app/order/place_edits.h"
#include "app/order/shelf.h"
#include "files/disk.h"
#include "files/svg_drawing.h"

namespace avrelt {
namespace {

/// A drawing read and what of it was left out.
struct ReadArtwork {
  Checked<Artwork> artwork;
  std::vector<Sentence> notes;
};

tl::expected<ReadArtwork, ReadFaults> readFrom(const std::string& text, const std::string& name) {
  const auto drawing = readDrawing(text, name);
  if (!drawing) return tl::unexpected(drawing.error());
  return ReadArtwork{artworkOf(*drawing), drawing->notes};
}

}  // namespace

DressStation::DressStation(Order& order, Shelf& shelf, QWidget* parent)
    : Desk(parent), order_(order), shelf_(shelf), fields_(order) {
  QHBoxLayout* drawer = makeDrawer(this);
  art_ = new ArtPage(order);
  words_ = new WordsPage(order, fields_);
  joined_ = new JoinPage(order);
  artPages_ =
      new Pages(tr("Artwork"), {tr("Art"), tr("Words"), tr("Joined")}, {art_, words_, joined_});
  artPages_->head()->addStretch();
  addCard(drawer, {}, artPages_, 22);
  layers_ = new LayerPage(order, fields_);
  set_ = new SetPage(order, fields_);
  // Whose layers they are.
  auto* ofSets = new QWidget;
  auto* under = new QVBoxLayout(ofSets);
  under->setContentsMargins(0, 0, 0, 0);
  under->setSpacing(8);
  auto* whose = new QHBoxLayout;
  whose->setSpacing(8);
  auto* title = new QLabel(tr("Layers of"));
  title->setProperty("role", "title");
  whose->addWidget(title);
  whose->addWidget(&set_->sets());
  whose->addStretch();
  under->addLayout(whose);
  under->addWidget(layers_, 1);
  addCard(drawer, {}, ofSets, 48);
  place_ = new PlacePage(order, fields_);
  row_ = new RowPage(order, fields_);
  blade_ = new BladePage(order, fields_);
  scatter_ = new ScatterPage(order, fields_);
  stack_ = new StackPage(order);
  setPages_ = new Pages(
      tr("The set"), {tr("Set"), tr("Place"), tr("Row"), tr("Scatter"), tr("Blade"), tr("Stack")},
      {set_, place_, row_, scatter_, blade_, stack_});
  setPages_->head()->addStretch();
  addCard(drawer, {}, setPages_, 36);

  connect(art_, &ArtPage::drawingAsked, this, &DressStation::askForDrawing);
  connect(art_, &ArtPage::pictureAsked, this, &DressStation::askForPicture);
  connect(art_, &ArtPage::wordsAsked, this, &DressStation::beginWords);
  connect(art_, &ArtPage::shapeAsked, this, &DressStation::askForShape);
  connect(art_, &ArtPage::keepAsked, this, &DressStation::keepShape);
  connect(art_, &ArtPage::said, this, &DressStation::said);
  connect(&order, &Order::changed, this, [this] { fields_.showFaults(); });
  connect(&order, &Order::gaugeLinePicked, this, [this] { fields_.showFaults(); });
}

void DressStation::askForDrawing() {
  const QString path = QFileDialog::getOpenFileName(this, tr("Take a drawing"), {},
                                                    tr("Drawings (*.svg);;All files (*)"));
  if (!path.isEmpty()) takeDrawingFrom(path);
}

void DressStation::takeDrawingFrom(const QString& path) {
  const Unit unit = order_.unit();
  const QString file = QFileInfo(path).fileName();
  const tl::expected<std::string, Sentence> text =
      readFile(std::filesystem::path(path.toStdString()));
  if (!text) return emit said(say(text.error(), unit));
  const auto taken = beside(this, tr("Reading %1…").arg(file),
                            [text = *text, name = QFileInfo(path).completeBaseName().toStdString()](
                                Going& /*going*/) { return readFrom(text, name); });
  if (!taken) return emit said(tr("%1 was not taken. %2").arg(file, taken.error()));
  if (!*taken) {
    const ReadFaults& faults = taken->error();
    QString words = QString::fromStdString(inWords(faults.front(), file.toStdString(), unit));
    if (faults.size() > 1) words += tr(" And %1 more like it.").arg(faults.size() - 1);
    return emit said(words);
  }
  const ReadArtwork& read = **taken;
  QString notes;
  for (const Sentence& note : read.notes) notes += QLatin1Char(' ') + say(note, unit);
  if (!read.artwork) {
    return emit said(
        tr("%1 cannot be taken. %2").arg(file, say(read.artwork.error().sentence, unit)) + notes);
  }
  if (!addArtwork(order_, *read.artwork)) return;
  artPages_->show(ofArt);
  const Box box = read.artwork->bounds();
  emit said(
      tr("%1: %2 wide, %3 tall as drawn.")
          .arg(file, say(Length::mm(box.width()), unit), say(Length::mm(box.height()), unit)) +
      notes);
}

void DressStation::askForPicture() {
  const QString path =
      QFileDialog::getOpenFileName(this, tr("Trace a picture"), {},
                                   tr("Pictures (*.png *.jpg *.jpeg *.bmp *.gif *.webp *.ppm "
                                      "*.pgm *.pbm *.xpm);;All files (*)"));
  if (!path.isEmpty()) takePictureFrom(path);
}

void DressStation::takePictureFrom(const QString& path) {
  PictureDialog dialog(order_.unit(), this);
  if (const std::optional<QString> fault = dialog.load(path)) return emit said(*fault);
  if (dialog.exec() != QDialog::Accepted) return;
  const Checked<Artwork> artwork = dialog.artwork();
  if (!artwork) return emit said(say(artwork.error().sentence, order_.unit()));
  if (!addArtwork(order_, *artwork)) return;
  artPages_->show(ofArt);
}

void DressStation::askForShape() {
  std::vector<ShapeChoice> shapes = shippedShapes();
  for (KeptShape& kept : shelf_.shapes()) {
    ShapeChoice choice{std::to_string(kept.key), std::move(kept.artwork), {}, true};
    choice.found = tr("own kept") + QLatin1Char(' ') + QString::fromStdString(choice.artwork.name);
    shapes.push_back(std::move(choice));
  }
  ShapeDialog dialog(
      std::move(shapes),
      [this](const std::string& key) {
        shelf_.removeShape(QString::fromStdString(key).toLongLong());
      },
      this);
  if (dialog.exec() != QDialog::Accepted || dialog.chosen() == nullptr) return;
  if (addArtwork(order_, dialog.chosen()->artwork)) artPages_->show(ofArt);
}

void DressStation::beginWords() {
  artPages_->show(ofWords);
  words_->begin();
}

void DressStation::keepShape() {
  const Artwork* artwork = artInHand(order_);
  if (artwork == nullptr) return;
  const QString name = QString::fromStdString(artwork->name);
  emit said(shelf_.keep(*artwork) ? tr("“%1” is on the shelf of shapes now.").arg(name)
            : shelf_.trouble()    ? say(*shelf_.trouble(), order_.unit())
                                  : tr("“%1” could not be kept. Try again.").arg(name));
}

bool DressStation::goTo(const Where& where) {
  const auto focus = [](QWidget& widget) {
    widget.setFocus(Qt::OtherFocusReason);
    return true;
  };
  switch (thingOf(where.member)) {
    case Thing::row:
      setPages_->show(ofRow);
      return fields_.goTo(where) ||
             focus(where.member == Member::rowLines ? row_->lines() : row_->count());
    case Thing::scatter:
      setPages_->show(ofScatter);
      return fields_.goTo(where) || focus(scatter_->count());
    case Thing::place:
      setPages_->show(ofPlace);
      return fields_.goTo(where) || focus(place_->addButton());
    case Thing::layer:
      if (where.member >= Member::layerPrint) return focus(layers_->printButton());
      if (where.member == Member::layerMirrored) {
        layers_->pages().show(LayerPage::ofFilm);
        return focus(layers_->mirrored());
      }
      layers_->pages().show(LayerPage::howMade);
      return fields_.goTo(where) || focus(layers_->stack());
    default:
      break;
  }
  switch (where.member) {
    case Member::setLimit:
    case Member::setDrop:
      setPages_->show(ofBlade);
      return fields_.goTo(where) || focus(blade_->drop());
    case Member::places:
      setPages_->show(ofPlace);
      return focus(place_->addButton());
    case Member::layers:
      return focus(layers_->stack());
    case Member::stack:
      setPages_->show(ofStack);
      return focus(stack_->items());
    default:
      break;
  }
  setPages_->show(ofSet);
  return fields_.goTo(where) || focus(set_->sets());
}

}  // namespace avrelt

#include "moc_dress_station.cpp"
