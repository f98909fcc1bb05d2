// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "cli/order_plan.h"

namespace CLI {
class App;
}

namespace avrelt {

/// `avrelt log`: what was made, found by words; `avrelt shop export` and `import`: the whole of a
/// shop as one archive.
struct ShopOptions {
  std::string shop;  ///< the usual one where none is named
  std::vector<std::string> words;
  std::string archive;
};

CLI::App* addLog(CLI::App& app, ShopOptions& options);
int runLog(const ShopOptions& options);

/// The command, and its two.
struct ShopCommands {
  CLI::App* shop = nullptr;
  CLI::App* exporting = nullptr;
  CLI::App* importing = nullptr;
};
ShopCommands addShop(CLI::App& app, ShopOptions& options);
int runExport(const ShopOptions& options);
int runImport(const ShopOptions& options);

}  // namespace avrelt
