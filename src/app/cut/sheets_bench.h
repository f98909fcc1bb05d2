// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>

#include "app/cut/cutter_link.h"
#include "app/cut/sheet_printing.h"
#include "app/cut/sheets_canvas.h"
#include "app/fields/length_field.h"
#include "app/fields/segments.h"

namespace avrelt {

/// The cards below a sheet: the order's films and their sheets, what lies on the one in hand and
/// how densely, and cutting it: by the stand-in, or by files.
class SheetsBench : public QWidget {
  Q_OBJECT

 public:
  /// Saved files are first offered to go into what `folder` says, and are named by `name`.
  SheetsBench(Order& order, Shelf& shelf, std::function<QString()> folder,
              std::function<QString()> name, QWidget* parent = nullptr);

  /// "This cup's parts", "All on sheets": the words that lead here and back.
  static QStringList pageTitles();
  Segments* pages() { return pages_; }

  SheetsWork& work() { return work_; }
  SheetsCanvas& canvas() { return *canvas_; }
  CutterLink& link() { return link_; }
  /// Takes a sheet by its place in the list.
  void chooseSheet(int row);
  /// Saves all sheets into a folder; why not, in words.
  std::optional<QString> saveInto(const QString& folder);
  /// Sends the sheet in hand to the stand-in cutter.
  void cutNow();
  /// Takes what the sheet in hand is cut from off the shelf, and keeps its offcut there.
  void bookSheet();
  /// Ticks off as cut what lies wholly on the sheet in hand; what does not is named.
  void tickSheet();
  void askAndSave();
  void showFilms();
  void showCutter();
  /// The sheet in hand, where it is printed first.
  void printNow();
  void showFound();
  void showPrinter();
  SheetPrinting& printing() { return printing_; }
  void searchOrKeep();

  QListWidget& list() { return *list_; }
  QListWidget& parts() { return *parts_; }
  QLabel& words() { return *words_; }
  QLabel& verdict() { return *verdict_; }
  LengthField& wide() { return *wide_; }
  LengthField& tall() { return *tall_; }
  QPushButton& saveButton() { return *save_; }
  QPushButton& cutButton() { return *cut_; }
  QPushButton& searchButton() { return *search_; }
  QPushButton& bookButton() { return *book_; }
  QCheckBox& weeding() { return *weeding_; }
  QCheckBox& stacking() { return *stack_; }
  QCheckBox& likening() { return *alike_; }
  QComboBox& together() { return *together_; }
  QPushButton& freeButton() { return *free_; }
  QPushButton& printButton() { return *print_; }
  QPushButton& foundButton() { return *found_; }
  QComboBox& filmChoice() { return *filmChoice_; }

 signals:
  void said(const QString& words);

 protected:
  void showEvent(QShowEvent* event) override;
  void hideEvent(QHideEvent* event) override;

 private:
  struct Place {
    std::size_t film = 0;
    std::size_t sheet = 0;
  };
  QWidget* filmsCard();
  QWidget* partsCard();
  QWidget* cutCard();
  LengthField* field(const QString& label, Member member);
  void refresh();
  void refreshParts();
  void refreshChoices();
  void refreshSearch();
  void refreshCutting();
  const FilmSheets* inHand(std::size_t& sheet) const;
  void tell(const QString& words);
  /// Whether the sheets are of the order as it is; says what to do where not.
  bool ready();
  /// The same of a sheet that is printed first: which of which film.
  std::optional<std::pair<std::size_t, std::size_t>> printedInHand();
  void judge(const CutFilm& film);

  Order& order_;
  Shelf& shelf_;
  std::function<QString()> folder_;
  std::function<QString()> name_;
  SheetsWork work_;
  SheetPrinting printing_;
  CutterLink link_;
  SheetsCanvas* canvas_ = nullptr;
  std::vector<Place> rows_;
  std::vector<std::size_t> partRows_;
  /// What is being cut: its job, as it was sent.
  CutJob sent_;
  Cutter sentTo_;
  PrintShift sentBy_;
  Segments* pages_ = nullptr;
  QListWidget* list_ = nullptr;
  QListWidget* parts_ = nullptr;
  QComboBox* filmChoice_ = nullptr;
  LengthField* wide_ = nullptr;
  LengthField* tall_ = nullptr;
  LengthField* margin_ = nullptr;
  LengthField* gap_ = nullptr;
  QLabel* words_ = nullptr;
  QLabel* searchWords_ = nullptr;
  QPushButton* search_ = nullptr;
  QPushButton* cut_ = nullptr;
  QPushButton* pause_ = nullptr;
  QPushButton* save_ = nullptr;
  QCheckBox* weeding_ = nullptr;
  QCheckBox* stack_ = nullptr;
  QCheckBox* alike_ = nullptr;
  QComboBox* together_ = nullptr;
  QPushButton* free_ = nullptr;
  QPushButton* print_ = nullptr;
  QPushButton* found_ = nullptr;
  QPushButton* book_ = nullptr;
  QPushButton* tick_ = nullptr;
  QLabel* verdict_ = nullptr;
};

}  // namespace avrelt
