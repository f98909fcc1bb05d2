// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/dress/art_page.h"
#include "app/dress/blade_page.h"
#include "app/dress/join_page.h"
#include "app/dress/layer_page.h"
#include "app/dress/place_page.h"
#include "app/dress/row_page.h"
#include "app/dress/scatter_page.h"
#include "app/dress/set_page.h"
#include "app/dress/stack_page.h"
#include "app/dress/words_page.h"
#include "app/fields/desk.h"
#include "app/fields/field_set.h"
#include "app/fields/pages.h"

namespace avrelt {

class Shelf;

/// Station 4: artworks, and the sets of layers made from them.
class DressStation : public Desk {
  Q_OBJECT

 public:
  DressStation(Order& order, Shelf& shelf, QWidget* parent = nullptr);

  /// Puts the keyboard to what is for that; false where nothing is.
  bool goTo(const Where& where) override;

  /// Each asks for its file, or what to take, and takes it into the order.
  void askForDrawing();
  void askForPicture();
  void askForShape();
  void beginWords();
  /// The same without asking.
  void takeDrawingFrom(const QString& path);
  void takePictureFrom(const QString& path);
  /// Keeps the artwork in hand on the shop's shelf of shapes.
  void keepShape();

  enum ArtPages { ofArt, ofWords, ofJoined };
  enum SetPages { ofSet, ofPlace, ofRow, ofScatter, ofBlade, ofStack };
  Pages& artPages() { return *artPages_; }
  Pages& setPages() { return *setPages_; }
  ArtPage& artPage() { return *art_; }
  WordsPage& wordsPage() { return *words_; }
  JoinPage& joinPage() { return *joined_; }
  LayerPage& layerPage() { return *layers_; }
  SetPage& setPage() { return *set_; }
  PlacePage& placePage() { return *place_; }
  RowPage& rowPage() { return *row_; }
  ScatterPage& scatterPage() { return *scatter_; }
  BladePage& bladePage() { return *blade_; }
  StackPage& stackPage() { return *stack_; }

 private:
  Order& order_;
  Shelf& shelf_;
  FieldSet fields_;
  Pages* artPages_ = nullptr;
  Pages* setPages_ = nullptr;
  ArtPage* art_ = nullptr;
  WordsPage* words_ = nullptr;
  JoinPage* joined_ = nullptr;
  LayerPage* layers_ = nullptr;
  SetPage* set_ = nullptr;
  PlacePage* place_ = nullptr;
  RowPage* row_ = nullptr;
  ScatterPage* scatter_ = nullptr;
  BladePage* blade_ = nullptr;
  StackPage* stack_ = nullptr;
};

}  // namespace avrelt
