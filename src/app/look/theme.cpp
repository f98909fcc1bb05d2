// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/look/theme.h"

#include <QApplication>
#include <QFontDatabase>
#include <QPalette>
#include <QStyleFactory>

#include "fonts/faces.h"

namespace avrelt {
namespace {

const Theme* inUse = &Theme::light();

QByteArray bytesOf(std::span<const unsigned char> face) {
  return QByteArray::fromRawData(reinterpret_cast<const char*>(face.data()),
                                 static_cast<qsizetype>(face.size()));
}

QString styleSheet(const Theme& t) {
  QString sheet = QStringLiteral(R"(
    QMainWindow, QDialog, QMessageBox { background: @ground; }
    QWidget { color: @ink; }
    QMenuBar { background: @ground; padding: 2px 6px; }
    QMenuBar::item { padding: 4px 9px; border-radius: 5px; background: transparent; }
    QMenuBar::item:selected { background: @drawer; }
    QMenu { background: @panel; border: 1px solid @rule; padding: 5px; }
    QMenu::item { padding: 5px 26px 5px 22px; border-radius: 4px; }
    QMenu::item:selected { background: @drawer; }
    QMenu::item:disabled { color: @muted; }
    QMenu::separator { height: 1px; background: @rule; margin: 5px 8px; }
    QToolTip { background: @panel; color: @ink; border: 1px solid @rule; padding: 4px; }
    #drawer { background: @drawer; border-top: 1px solid @rule; }
    #scrolled, #scrolled > #qt_scrollarea_viewport { background: transparent; border: none; }
    QFrame[card="true"] { background: @panel; border: 1px solid @rule; border-radius: 8px; }
    QLabel[role="title"] { color: @muted; font-weight: 600; }
    QLabel[role="label"] { color: @muted; }
    QLabel[role="value"] { font-weight: 600; }
    QLabel[role="caution"] { color: @ink; }
    QLabel[role="bubble"] { background: @panel; color: @stop; border: 1.5px solid @stop;
                            border-radius: 6px; padding: 6px 8px; }
    QLineEdit { background: @field; border: 1px solid @rule; border-radius: 6px; padding: 4px 9px;
                selection-background-color: @petrol; selection-color: @onInk; }
    QLineEdit:focus { border: 2px solid @brass; padding: 3px 8px; }
    QLineEdit[fault="true"] { border: 2px solid @stop; padding: 3px 8px; }
    QPlainTextEdit { background: @field; border: 1px solid @rule; border-radius: 6px;
                     padding: 2px 5px; selection-background-color: @petrol;
                     selection-color: @onInk; }
    QPlainTextEdit:focus { border: 2px solid @brass; padding: 1px 4px; }
    QPushButton { background: @panel; border: 1px solid @muted; border-radius: 6px;
                  padding: 7px 14px; font-weight: 600; }
    QPushButton:hover { border-color: @ink; }
    QPushButton:focus { border: 2px solid @brass; padding: 6px 13px; }
    QPushButton:checked { background: @ink; color: @onInk; border-color: @ink; }
    QPushButton:disabled { color: @muted; border-color: @rule; }
    QMainWindow[narrow="true"] QPushButton { padding: 7px 7px; }
    QMainWindow[narrow="true"] QPushButton:focus { padding: 6px 6px; }
    QPushButton[primary="true"] { background: @ink; color: @onInk; border-color: @ink; }
    QPushButton[primary="true"]:focus { border: 2px solid @brass; }
    QPushButton[primary="true"]:disabled { background: @rule; color: @muted; border-color: @rule; }
    QPushButton[segment="true"] { background: @panel; border: 1px solid @rule; padding: 4px 10px;
                                  font-weight: 400; color: @muted; border-radius: 0px; }
    QPushButton[segment="true"]:checked { background: @ink; color: @onInk; font-weight: 600; }
    QPushButton[segment="true"]:focus { border: 2px solid @brass; padding: 3px 9px; }
    QMainWindow[narrow="true"] QPushButton[segment="true"] { padding: 4px 5px; }
    QMainWindow[narrow="true"] QPushButton[segment="true"]:focus { padding: 3px 4px; }
    QPushButton[place="first"] { border-top-left-radius: 6px; border-bottom-left-radius: 6px; }
    QPushButton[place="last"] { border-top-right-radius: 6px; border-bottom-right-radius: 6px; }
    QTableView, QListWidget, QScrollArea { background: @field; border: 1px solid @rule;
        border-radius: 6px; selection-background-color: @petrol; selection-color: @onInk; }
    QTableView:focus, QListWidget:focus { border: 2px solid @brass; }
    QListWidget::item { padding: 3px 6px; }
    QComboBox QAbstractItemView { background: @field; selection-background-color: @petrol;
        selection-color: @onInk; }
    QTableView QLineEdit { border-radius: 0px; padding: 0px 3px; }
    QHeaderView { background: transparent; }
    QHeaderView::section { background: @panel; color: @muted; border: none;
        border-bottom: 1px solid @rule; padding: 3px 6px; font-weight: 400; }
    QDoubleSpinBox, QSpinBox { background: @field; border: 1px solid @rule; border-radius: 6px;
        padding: 3px 6px; }
    QAbstractSpinBox::up-button, QAbstractSpinBox::down-button { width: 0px; border: none; }
    QDoubleSpinBox:focus, QSpinBox:focus { border: 2px solid @brass; padding: 2px 5px; }
    QCheckBox::indicator:unchecked { width: 13px; height: 13px; border: 1px solid @muted;
        border-radius: 3px; background: @field; }
    QCheckBox::indicator:unchecked:disabled { border: 1px solid @rule; }
    QFrame#notice { background: @panel; border: 1px solid @warn; border-radius: 6px; }
  )");
  const auto put = [&sheet](const char* name, const QColor& colour) {
    sheet.replace(QLatin1Char('@') + QLatin1String(name), colour.name());
  };
  // Longer names first: "onInk" must not be taken for something that starts alike.
  put("ground", t.ground);
  put("panel", t.panel);
  put("drawer", t.drawer);
  put("field", t.field);
  put("onInk", t.onInk);
  put("ink", t.ink);
  put("muted", t.muted);
  put("rule", t.rule);
  put("petrol", t.petrol);
  put("brass", t.brass);
  put("warn", t.warn);
  put("stop", t.stop);
  return sheet;
}

}  // namespace

const Theme& Theme::light() {
  static const Theme light{.ground = "#F2ECE0",
                           .panel = "#FBF7EF",
                           .drawer = "#EAE2D2",
                           .field = "#FFFFFF",
                           .ink = "#22262A",
                           .onInk = "#FBF7EF",
                           .muted = "#5C5D58",
                           .rule = "#D9CFBC",
                           .petrol = "#1F5E6B",
                           .brass = "#8F6114",
                           .warn = "#A8481A",
                           .stop = "#9C1F3A",
                           .tape = "#F4D873",
                           .tapeTick = "#4A3B08",
                           .slider = "#22262A",
                           .onSlider = "#F4D873",
                           .metal = "#D8D5CC",
                           .film = "#C3D6D8"};
  return light;
}

const Theme& Theme::dark() {
  static const Theme dark{.ground = "#1E2124",
                          .panel = "#272A2E",
                          .drawer = "#1A1C1F",
                          .field = "#1E2124",
                          .ink = "#ECE6DA",
                          .onInk = "#1E2124",
                          .muted = "#A9A496",
                          .rule = "#3D4146",
                          .petrol = "#7DB6C0",
                          .brass = "#D9A441",
                          .warn = "#E8935F",
                          .stop = "#F08CA0",
                          .tape = "#C9AE4B",
                          .tapeTick = "#3A2E06",
                          .slider = "#ECE6DA",
                          .onSlider = "#3A2E06",
                          .metal = "#55585A",
                          .film = "#3B5F66"};
  return dark;
}

const Theme& theme() {
  return *inUse;
}

void loadFaces() {
  for (const auto face : {regularFace(), semiBoldFace(), boldFace()}) {
    QFontDatabase::addApplicationFontFromData(bytesOf(face));
  }
}

QFont face(int pixels, QFont::Weight weight) {
  QFont font(QStringLiteral("Avrelt Sans"));
  font.setPixelSize(pixels);
  font.setWeight(weight);
  return font;
}

void useTheme(const Theme& chosen) {
  inUse = &chosen;
  static const bool styled = [] {
    QApplication::setStyle(QStyleFactory::create(QStringLiteral("Fusion")));
    return true;
  }();
  static_cast<void>(styled);
  QApplication::setFont(face(13));
  QPalette palette;
  palette.setColor(QPalette::Window, chosen.ground);
  palette.setColor(QPalette::WindowText, chosen.ink);
  palette.setColor(QPalette::Base, chosen.field);
  palette.setColor(QPalette::AlternateBase, chosen.panel);
  palette.setColor(QPalette::Text, chosen.ink);
  palette.setColor(QPalette::Button, chosen.panel);
  palette.setColor(QPalette::ButtonText, chosen.ink);
  palette.setColor(QPalette::ToolTipBase, chosen.panel);
  palette.setColor(QPalette::ToolTipText, chosen.ink);
  palette.setColor(QPalette::PlaceholderText, chosen.muted);
  palette.setColor(QPalette::Highlight, chosen.petrol);
  palette.setColor(QPalette::HighlightedText, chosen.onInk);
  palette.setColor(QPalette::Link, chosen.petrol);
  palette.setColor(QPalette::Disabled, QPalette::Text, chosen.muted);
  palette.setColor(QPalette::Disabled, QPalette::ButtonText, chosen.muted);
  palette.setColor(QPalette::Disabled, QPalette::WindowText, chosen.muted);
  QApplication::setPalette(palette);
  qApp->setStyleSheet(styleSheet(chosen));
}

WithoutSheet::WithoutSheet() {
  if (!QApplication::topLevelWindows().isEmpty()) return;
  sheet_ = qApp->styleSheet();
  if (!sheet_.isEmpty()) qApp->setStyleSheet({});
}

WithoutSheet::~WithoutSheet() {
  if (!sheet_.isEmpty()) qApp->setStyleSheet(sheet_);
}

}  // namespace avrelt
