// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <QLabel>
#include <QMainWindow>
#include <QStackedWidget>

#include "app/bench/bench_station.h"
#include "app/cut/cut_station.h"
#include "app/divide/divide_station.h"
#include "app/dress/dress_station.h"
#include "app/fields/segments.h"
#include "app/fill/fill_station.h"
#include "app/gauge/gauge_station.h"
#include "app/log/log_station.h"
#include "app/order/order.h"
#include "app/order/shelf.h"
#include "app/views/flat_view.h"
#include "app/views/round_view.h"
#include "app/views/watch_line.h"
#include "app/window/cup_strip.h"
#include "app/window/order_file.h"
#include "app/window/tape_rail.h"
#include "files/outputs.h"

namespace avrelt {

/// The bench: the stations on their tape, the order's cups, the flat and the cup in the round that
/// never leave, the present station's cards in the drawer, the watch line at the foot.
class MainWindow : public QMainWindow {
  Q_OBJECT

 public:
  explicit MainWindow(QWidget* parent = nullptr);
  ~MainWindow() override;

  enum Station { gauge, dividing, filling, dressing, cut, bench, log };

  void goToStation(int station);
  /// Takes in hand what something was told of, and the keyboard to the field for it; false where
  /// there is none.
  bool goTo(const Where& where);

  Order& order() { return order_; }
  FlatView& flat() { return *flat_; }
  RoundView& round() { return *round_; }
  GaugeStation& gaugeStation() { return *gauge_; }
  DivideStation& divideStation() { return *divide_; }
  FillStation& fillStation() { return *fill_; }
  DressStation& dressStation() { return *dress_; }
  CutStation& cutStation() { return *cut_; }
  BenchStation& benchStation() { return *bench_; }
  LogStation& logStation() { return *log_; }
  WatchLine& watchLine() { return *watch_; }
  CupStrip& cupStrip() { return *cups_; }
  OrderFile& file() { return *file_; }
  Shelf& shelf() { return *shelf_; }
  void showShelf();
  /// Opens the shop, for what it knows of growth; says where it cannot.
  void openShelf();
  /// Writes the chosen part to a file; the sentence says why not.
  std::optional<Sentence> savePiece(OutputKind kind, const QString& path);
  /// Writes every part of every cup into a folder, as they are on screen; how many files, or why
  /// not.
  tl::expected<std::size_t, QStringList> saveAll(const QString& folder);

 protected:
  void closeEvent(QCloseEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void dragEnterEvent(QDragEnterEvent* event) override;
  void dropEvent(QDropEvent* event) override;

 private:
  void makeActions();
  void makeFileMenu();
  void makeEditMenu();
  void makeCupMenu();
  void makeArtMenu();
  void makeSheetsMenu();
  void makeBenchMenu();
  void makeLogMenu();
  void makeViewMenu();
  void makeCentre();
  QLayout* makeHead();
  QWidget* makeNotice();
  void makeDesks();
  QLayout* makeViews();
  /// The cup in the round that is seen: the one in hand, or the one picked in the log.
  RoundView& roundSeen();
  NearCanvas* lookedAt();
  void setViews();
  void refresh();
  void showOnDisk(OnDisk state);
  void beginAtGauge();
  void addCup();
  void askAndRemoveCup();
  void fillRecent();
  void askAndSavePiece(OutputKind kind);
  void askAndSaveAll();
  void showKeys();
  void showAbout();
  void switchTheme(bool dark);
  QAction* add(QMenu* menu, const QString& text, const QKeySequence& key,
               const std::function<void()>& run);

  bool zonesShown_ = false;
  Order order_;
  std::unique_ptr<OrderFile> file_;
  std::unique_ptr<Shelf> shelf_;

  TapeRail* rail_ = nullptr;
  CupStrip* cups_ = nullptr;
  QLabel* title_ = nullptr;
  QLabel* state_ = nullptr;
  Segments* units_ = nullptr;
  QFrame* notice_ = nullptr;
  QLabel* noticeWords_ = nullptr;
  QPushButton* loadTheirs_ = nullptr;
  QPushButton* saveAgain_ = nullptr;
  FlatView* flat_ = nullptr;
  RoundView* round_ = nullptr;
  QStackedWidget* stations_ = nullptr;
  std::vector<Desk*> desks_;  ///< by `Station`
  GaugeStation* gauge_ = nullptr;
  DivideStation* divide_ = nullptr;
  FillStation* fill_ = nullptr;
  DressStation* dress_ = nullptr;
  CutStation* cut_ = nullptr;
  BenchStation* bench_ = nullptr;
  LogStation* log_ = nullptr;
  SheetsBench* sheets_ = nullptr;
  QHBoxLayout* views_ = nullptr;
  WatchLine* watch_ = nullptr;

  QMenu* recent_ = nullptr;
  QMenu* cupMenu_ = nullptr;
  QAction* saveSvg_ = nullptr;
  QAction* savePdf_ = nullptr;
  QAction* saveAll_ = nullptr;
  QAction* darkAction_ = nullptr;
  QAction* stretchAction_ = nullptr;
  std::vector<QAction*> cupActions_;
  std::vector<QAction*> lookActions_;  ///< need something that is drawn to a scale
};

}  // namespace avrelt
