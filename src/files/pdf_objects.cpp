// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/pdf_objects.h"

#include <libdeflate.h>

#include <new>

namespace avrelt {
namespace {

/// In zlib's format (RFC 1950).
std::string deflated(std::string_view bytes, int level) {
  const std::unique_ptr<libdeflate_compressor, void (*)(libdeflate_compressor*)> packer(
      libdeflate_alloc_compressor(level), libdeflate_free_compressor);
  if (!packer) throw std::bad_alloc();
  std::string into(libdeflate_zlib_compress_bound(packer.get(), bytes.size()), '\0');
  into.resize(
      libdeflate_zlib_compress(packer.get(), bytes.data(), bytes.size(), into.data(), into.size()));
  return into;
}

}  // namespace

PdfObjects::PdfObjects(const std::string& title) : held_(qpdf_init()) {
  qpdf_silence_errors(held_.get());
  qpdf_empty_pdf(held_.get());
  const Object about = said("<< /Creator (Avrelt) /CreationDate (D:19700101000000Z) >>");
  set(about, "/Title",
      {qpdf_oh_new_binary_unicode_string(held_.get(), title.data(), title.size())});
  set({qpdf_get_trailer(held_.get())}, "/Info", shared(about));
}

PdfObjects::Object PdfObjects::said(const std::string& text) {
  return {qpdf_oh_parse(held_.get(), text.c_str())};
}

void PdfObjects::set(Object dictionary, const char* key, Object value) {
  qpdf_oh_replace_key(held_.get(), dictionary.handle, key, value.handle);
}

void PdfObjects::append(Object array, Object value) {
  qpdf_oh_append_item(held_.get(), array.handle, value.handle);
}

PdfObjects::Object PdfObjects::shared(Object object) {
  return {qpdf_make_indirect_object(held_.get(), object.handle)};
}

PdfObjects::Object PdfObjects::stream(std::string_view bytes, const char* filter) {
  const qpdf_oh made = qpdf_oh_new_stream(held_.get());
  qpdf_oh_replace_stream_data(held_.get(), made,
                              reinterpret_cast<const unsigned char*>(bytes.data()), bytes.size(),
                              qpdf_oh_new_name(held_.get(), filter), qpdf_oh_new_null(held_.get()));
  return {made};
}

PdfObjects::Object PdfObjects::packed(std::string_view bytes, Packed how) {
  return stream(deflated(bytes, how == Packed::well ? 6 : 1), "/FlateDecode");
}

PdfObjects::Object PdfObjects::dictionaryOf(Object stream) {
  return {qpdf_oh_get_dict(held_.get(), stream.handle)};
}

void PdfObjects::addPage(Object page) {
  qpdf_add_page(held_.get(), held_.get(), page.handle, QPDF_FALSE);
}

std::string PdfObjects::written() {
  qpdf_data pdf = held_.get();
  if (qpdf_has_error(pdf) != QPDF_FALSE) return {};
  qpdf_init_write_memory(pdf);
  qpdf_set_deterministic_ID(pdf, QPDF_TRUE);
  qpdf_set_stream_data_mode(pdf, qpdf_s_preserve);
  qpdf_set_object_stream_mode(pdf, qpdf_o_disable);
  qpdf_set_minimum_pdf_version(pdf, "1.5");
  qpdf_write(pdf);
  if (qpdf_has_error(pdf) != QPDF_FALSE) return {};
  return {reinterpret_cast<const char*>(qpdf_get_buffer(pdf)), qpdf_get_buffer_length(pdf)};
}

}  // namespace avrelt
