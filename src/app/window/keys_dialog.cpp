// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/keys_dialog.h"

#include <QAction>
#include <QDialogButtonBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QScrollArea>

#include "app/fields/on_screen.h"

namespace avrelt {
namespace {

QString row(const QString& keys, const QString& words) {
  return QStringLiteral(
             "<tr><td><nobr><b>%1</b>&nbsp;&nbsp;</nobr></td><td><nobr>%2</nobr></td></tr>")
      .arg(keys.toHtmlEscaped(), words.toHtmlEscaped());
}

QString titled(const QString& title, const QString& rows) {
  return QStringLiteral("<h3>%1</h3><table cellspacing='2'>%2</table>")
      .arg(title.toHtmlEscaped(), rows);
}

QString ofMenu(const QMenu& menu) {
  QString rows;
  for (const QAction* action : menu.actions()) {
    QStringList keys;
    for (const QKeySequence& key : action->shortcuts()) {
      keys << key.toString(QKeySequence::NativeText);
    }
    QString words = action->text();
    words.remove(QLatin1Char('&')).remove(QStringLiteral("…"));
    if (!keys.isEmpty()) rows += row(keys.join(QStringLiteral(", ")), words);
  }
  QString title = menu.title();
  return titled(title.remove(QLatin1Char('&')), rows);
}

}  // namespace

KeysDialog::KeysDialog(const QMenuBar& menus, QWidget* parent) : QDialog(parent) {
  setWindowTitle(tr("Keys"));
  QStringList columns{QString(), QString(), QString()};
  // File and Edit in the first column, then the cup's many, then the rest.
  int menu = 0;
  for (const QAction* action : menus.actions()) {
    if (action->menu() == nullptr) continue;
    columns[menu < 2 ? 0 : menu == 2 ? 1 : 2] += ofMenu(*action->menu());
    ++menu;
  }
  columns[0] += titled(tr("At the stations"),
                       row(tr("↑ ↓"), tr("a mark of the tape, with Shift eight")) +
                           row(tr("← →"), tr("flat: pick a line; round: turn the cup")) +
                           row(tr("Alt+1 … Alt+5"), tr("Divide: rings, uprights, V, slant, wave")) +
                           row(tr("Alt+Backspace"), tr("Divide: take the cut back")) +
                           row(tr("Alt+Backspace"), tr("Fill: take the pattern away")) +
                           row(tr("Ctrl+R"), tr("Fill: roll the colours again")) +
                           row(tr("Click"), tr("Fill: give a cell the colour in hand")) +
                           row(tr("Page Up, Down"), tr("Dress: a set on the flat; raise a layer")) +
                           row(tr("Page Up, Down"), tr("Sheets: take a part; arrows move it")) +
                           row(tr("R"), tr("Sheets: turn the part, Shift the other way")) +
                           row(tr("Shift+click"), tr("Fill: keep that colour off a cell")) +
                           row(tr("Esc"), tr("take back what makes no sense yet")));
  auto* page = new QWidget;
  auto* side = new QHBoxLayout(page);
  side->setSpacing(20);
  for (const QString& words : columns) {
    auto* label = new QLabel(words);
    label->setTextFormat(Qt::RichText);
    side->addWidget(label, 0, Qt::AlignTop);
  }
  side->addStretch(1);
  auto* scroll = new QScrollArea;
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setWidgetResizable(true);
  scroll->setWidget(page);
  scroll->setAccessibleName(windowTitle());
  auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
  connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
  auto* all = new QVBoxLayout(this);
  all->addWidget(scroll, 1);
  all->addWidget(buttons);
  openAt(*this, {1010, 620});
}

}  // namespace avrelt

#include "moc_keys_dialog.cpp"
