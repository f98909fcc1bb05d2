// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/qr_code.h"

#include <qrencode.h>

#include <memory>

namespace avrelt {

std::vector<std::vector<bool>> qrCode(const std::string& text) {
  const std::unique_ptr<QRcode, void (*)(QRcode*)> code(
      QRcode_encodeString8bit(text.c_str(), 0, QR_ECLEVEL_M), QRcode_free);
  std::vector<std::vector<bool>> rows;
  if (!code) return rows;
  const auto side = static_cast<std::size_t>(code->width);
  for (std::size_t row = 0; row < side; ++row) {
    rows.emplace_back();
    for (std::size_t column = 0; column < side; ++column) {
      rows.back().push_back((code->data[row * side + column] & 1U) != 0);
    }
  }
  return rows;
}

}  // namespace avrelt
