// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <QWidget>

namespace avrelt {

/// Asks before something goes that is not brought back with one key: whether the button that is
/// called as the act was pressed. Escape leaves all as it is.
bool confirmed(QWidget* over, const QString& title, const QString& question, const QString& act);

}  // namespace avrelt
