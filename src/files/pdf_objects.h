// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <qpdf/qpdf-c.h>

#include <memory>
#include <string>
#include <string_view>
#include <type_traits>

namespace avrelt {

/// The objects of one PDF document, held together and written by qpdf. What cannot be made, for
/// want of memory, is said when all is written.
class PdfObjects {
 public:
  /// One of them; only for the document that gave it.
  struct Object {
    qpdf_oh handle = 0;
  };
  /// How hard bytes are packed: pages quickly, what is packed once for all well.
  enum class Packed { quickly, well };

  explicit PdfObjects(const std::string& title);

  /// An object as the standard writes it: "<< /Type /Font >>".
  Object said(const std::string& text);
  void set(Object dictionary, const char* key, Object value);
  void append(Object array, Object value);
  /// One that is told once and meant wherever it is set.
  Object shared(Object object);
  /// Bytes as they are, which a filter reads: "/DCTDecode".
  Object stream(std::string_view bytes, const char* filter);
  /// Bytes packed as the filter /FlateDecode reads them.
  Object packed(std::string_view bytes, Packed how);
  Object dictionaryOf(Object stream);
  void addPage(Object page);

  /// The document; empty where it could not be made. The same objects give the same bytes.
  std::string written();

 private:
  struct Closes {
    void operator()(qpdf_data held) const { qpdf_cleanup(&held); }
  };
  std::unique_ptr<std::remove_pointer_t<qpdf_data>, Closes> held_;
};

}  // namespace avrelt
