// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <sqlite3.h>

#include <catch2/catch.hpp>
#include <filesystem>

#include "files/temporary_folder.h"
#include "shop/shop.h"

namespace avrelt {

/// A shop in a folder of its own, gone afterwards.
struct ShopFolder : TemporaryFolder {
  std::filesystem::path file() const { return path / "shop.sqlite"; }
  Shop open() const {
    tl::expected<Shop, Sentence> shop = Shop::open(file());
    if (!shop) FAIL(inWords(shop.error(), Unit::mm));
    return std::move(*shop);
  }
  /// As a hand would change it.
  void sql(const char* text) const {
    sqlite3* handle = nullptr;
    REQUIRE(sqlite3_open(file().c_str(), &handle) == SQLITE_OK);
    CHECK(sqlite3_exec(handle, text, nullptr, nullptr, nullptr) == SQLITE_OK);
    sqlite3_close(handle);
  }
};

}  // namespace avrelt
