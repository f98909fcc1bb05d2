// SPDX-License-Identifier: GPL-3.0-or-later
// Picture files: by content, each kind to the dot, and what is no picture said in words. PNG is
// read back by cairo, which did not write it; JPEG is made by libjpeg itself.
#include "files/picture_file.h"

#include <cairo.h>
#include <png.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <cstdio>
#include <cstring>
#include <random>

#include "files/base64.h"
#include "files/document_json.h"
#include "files/jpegs.h"

using namespace avrelt;

namespace {

Picture some(int wide, int tall, bool clear = false) {
  Picture picture{wide, tall, {}};
  for (int y = 0; y < tall; ++y) {
    for (int x = 0; x < wide; ++x) {
      picture.rgba.push_back(static_cast<std::uint8_t>(x * 255 / std::max(wide - 1, 1)));
      picture.rgba.push_back(static_cast<std::uint8_t>(y * 255 / std::max(tall - 1, 1)));
      picture.rgba.push_back(90);
      picture.rgba.push_back(clear && x < wide / 2 ? 0 : 255);
    }
  }
  return picture;
}

struct Reading {
  std::string bytes;
  std::size_t at = 0;
};
cairo_status_t give(void* from, unsigned char* data, unsigned int length) {
  auto& reading = *static_cast<Reading*>(from);
  if (reading.at + length > reading.bytes.size()) return CAIRO_STATUS_READ_ERROR;
  std::memcpy(data, reading.bytes.data() + reading.at, length);
  reading.at += length;
  return CAIRO_STATUS_SUCCESS;
}

KeptPicture keptOf(const std::string& bytes) {
  const auto head = pictureHead(bytes);
  REQUIRE(head);
  KeptPicture kept = *head;
  kept.bytes = bytes;
  kept.name = "night";
  return kept;
}

std::string words(const Sentence& sentence) {
  return inWords(sentence, Unit::mm);
}

}  // namespace

TEST_CASE("A PNG comes back to the dot, here and in another reader", "[picture-file]") {
  for (const bool clear : {false, true}) {
    const Picture picture = some(37, 21, clear);
    const std::string bytes = pngOf(picture, 300);
    const KeptPicture kept = keptOf(bytes);
    CHECK(kept.type == PictureType::png);
    CHECK(kept.wide == 37);
    CHECK(kept.tall == 21);
    const auto back = dotsOf(kept);
    REQUIRE(back);
    CHECK(back->rgba == picture.rgba);
    Reading reading{bytes};
    cairo_surface_t* surface = cairo_image_surface_create_from_png_stream(give, &reading);
    REQUIRE(cairo_surface_status(surface) == CAIRO_STATUS_SUCCESS);
    CHECK(cairo_image_surface_get_width(surface) == 37);
    const unsigned char* data = cairo_image_surface_get_data(surface);
    const int stride = cairo_image_surface_get_stride(surface);
    for (const auto& [x, y] : {std::pair{30, 4}, std::pair{20, 20}, std::pair{2, 2}}) {
      std::uint32_t word = 0;
      std::memcpy(&word, data + y * stride + x * 4, 4);
      const std::uint8_t* dot = &picture.rgba[static_cast<std::size_t>(y * 37 + x) * 4];
      if (dot[3] == 0) {
        CHECK((word >> 24U) == 0);
      } else {
        CHECK((word >> 16U & 255U) == dot[0]);
        CHECK((word >> 8U & 255U) == dot[1]);
        CHECK((word & 255U) == dot[2]);
      }
    }
    cairo_surface_destroy(surface);
  }
}

TEST_CASE("JPEG, of colours or of inks, and 16-bit PNG become what a screen shows",
          "[picture-file]") {
  for (const bool inks : {false, true}) {
    const auto dots = dotsOf(keptOf(jpegOf(40, 30, inks ? 4 : 3)));
    REQUIRE(dots);
    CHECK(dots->wide == 40);
    CHECK(dots->tall == 30);
    const std::uint8_t* dot = &dots->rgba[(15 * 40 + 20) * 4];
    CHECK(std::abs(dot[0] - 200) < 6);
    CHECK(std::abs(dot[1] - 60) < 6);
    CHECK(std::abs(dot[2] - 40) < 6);
    CHECK(dot[3] == 255);
  }
  png_image image{};
  image.version = PNG_IMAGE_VERSION;
  image.width = 5;
  image.height = 4;
  image.format = PNG_FORMAT_LINEAR_RGB;
  const std::vector<png_uint_16> deep(5 * 4 * 3, 65535);
  png_alloc_size_t size = 0;
  REQUIRE(png_image_write_to_memory(&image, nullptr, &size, 0, deep.data(), 0, nullptr) != 0);
  std::string bytes(size, '\0');
  REQUIRE(png_image_write_to_memory(&image, bytes.data(), &size, 0, deep.data(), 0, nullptr) != 0);
  const auto dots = dotsOf(keptOf(bytes));
  REQUIRE(dots);
  CHECK(dots->rgba == std::vector<std::uint8_t>(5 * 4 * 4, 255));
}

TEST_CASE("What is no picture, or too much of one, is said in words", "[picture-file]") {
  const auto refused = [](const std::string& bytes) {
    const auto head = pictureHead(bytes);
    REQUIRE_FALSE(head);
    return words(head.error());
  };
  CHECK(refused("").find("neither a PNG nor a JPEG") != std::string::npos);
  CHECK(refused("GIF89a").find("neither a PNG nor a JPEG") != std::string::npos);
  CHECK(refused("\x89PNG\r\n\x1a\n").find("no dots") != std::string::npos);
  CHECK(refused("\xff\xd8\xff").find("no dots") != std::string::npos);
  // A hundred megapixels by its head alone.
  std::string large = pngOf(some(4, 4), 300);
  large[16] = 0;
  large[17] = 0;
  large[18] = 0x27;
  large[19] = 0x10;
  large[20] = 0;
  large[21] = 0;
  large[22] = 0x27;
  large[23] = 0x10;
  CHECK(refused(large).find("100 million dots") != std::string::npos);
  // Cut off, and spoilt in the middle.
  for (std::string damaged : {pngOf(some(60, 60), 300), jpegOf(60, 60, 3)}) {
    const std::string whole = damaged;
    damaged.resize(damaged.size() / 2);
    const auto half = pictureToKeep(damaged, "night");
    if (whole[0] == '\x89') {
      REQUIRE_FALSE(half);
      CHECK(words(half.error()).find("night is damaged") != std::string::npos);
    }
    // By chance: words or a picture, never worse.
    std::mt19937 random(5);
    for (int round = 0; round < 300; ++round) {
      std::string spoilt = whole;
      for (int i = 0; i < 6; ++i) spoilt[random() % spoilt.size()] = static_cast<char>(random());
      if (const auto read = pictureToKeep(spoilt, "night")) {
        CHECK(read->picture.wide > 0);
      } else {
        CHECK_FALSE(words(read.error()).empty());
      }
    }
  }
}

TEST_CASE("A picture larger than an order keeps is made smaller, and that is told",
          "[picture-file]") {
  std::mt19937 random(7);
  for (const bool clear : {false, true}) {
    // Noise cannot be packed.
    Picture noise{1700, 1300, {}};
    for (int i = 0; i < noise.wide * noise.tall; ++i) {
      for (int c = 0; c < 3; ++c) noise.rgba.push_back(static_cast<std::uint8_t>(random()));
      noise.rgba.push_back(clear && i % 2 == 0 ? 0 : 255);
    }
    const std::string bytes = pngOf(noise, 300);
    REQUIRE(bytes.size() > KeptPicture::mostBytes);
    const auto taken = pictureToKeep(bytes, "noise");
    REQUIRE(taken);
    CHECK(taken->smaller);
    CHECK(taken->picture.bytes.size() <= KeptPicture::mostBytes);
    CHECK(taken->picture.type == (clear ? PictureType::png : PictureType::jpeg));
    const auto dots = dotsOf(taken->picture);
    REQUIRE(dots);
    CHECK(dots->wide == taken->picture.wide);
    CHECK(std::abs(taken->picture.proportion() - 1700.0 / 1300) < 0.01);
  }
  // Few bytes, but more dots than anybody prints.
  const auto plain =
      pictureToKeep(pngOf({5000, 4000, std::vector<std::uint8_t>(80'000'000, 255)}, 300), "plain");
  REQUIRE(plain);
  CHECK(plain->smaller);
  CHECK(plain->picture.wide == 2500);
  CHECK(plain->picture.tall == 2000);
  const auto small = pictureToKeep(pngOf(some(20, 10), 300), "small");
  REQUIRE(small);
  CHECK_FALSE(small->smaller);
}

TEST_CASE("Bytes as text by RFC 4648, section 10", "[picture-file]") {
  const std::pair<const char*, const char*> examples[] = {{"", ""},
                                                          {"f", "Zg=="},
                                                          {"fo", "Zm8="},
                                                          {"foo", "Zm9v"},
                                                          {"foob", "Zm9vYg=="},
                                                          {"fooba", "Zm9vYmE="},
                                                          {"foobar", "Zm9vYmFy"}};
  for (const auto& [bytes, text] : examples) {
    CHECK(base64Of(bytes) == text);
    CHECK(fromBase64(text) == bytes);
  }
  std::mt19937 random(8);
  for (int round = 0; round < 200; ++round) {
    std::string bytes(random() % 90, '\0');
    for (char& c : bytes) c = static_cast<char>(random());
    CHECK(fromBase64(base64Of(bytes)) == bytes);
  }
  for (const char* wrong : {"Zg", "Zg=", "Z", "Zm9v=", "Zm9*", "Zg==Zg==", "===="}) {
    CHECK_FALSE(fromBase64(wrong));
  }
}

TEST_CASE("An order keeps its pictures, and films know theirs", "[picture-file]") {
  Document document;
  document.units = Unit::mm;
  Cup cup = newCup("cup", Unit::mm);
  cup.division.body.finish.kind = FinishKind::film;
  ZonePicture& print = cup.division.body.finish.picture;
  print.id = "picture-3";
  print.repeat = PictureRepeat::once;
  print.bent = false;
  print.wide = {Length::inches(2.5), "2 1/2 in"};
  print.at = CupAngle::degrees(-33.5);
  print.up = WrittenLength::mm(41);
  print.turn = Angle::degrees(12);
  document.cups = {cup};
  KeptPicture kept = keptOf(pngOf(some(30, 20), 300));
  kept.id = "picture-3";
  document.pictures.emplace_back(kept);
  referToAll(document);
  const std::string text = writeDocument(document);
  const auto read = readDocument(text);
  REQUIRE(read);
  CHECK(read->document.pictures == document.pictures);
  CHECK(read->document.cups.front().division.body.finish.picture ==
        document.cups.front().division.body.finish.picture);
  // Zones are given their ids on the way in; from then on it stays as it is.
  const std::string named = writeDocument(read->document);
  const auto second = readDocument(named);
  REQUIRE(second);
  CHECK(writeDocument(second->document) == named);
  // One that is gone stays named, so that it can come back.
  Document without = document;
  without.pictures.clear();
  referToAll(without);
  CHECK_FALSE(without.cups.front().division.body.finish.picture.picture);
  const auto again = readDocument(writeDocument(without));
  REQUIRE(again);
  CHECK(again->document.cups.front().division.body.finish.picture.id == "picture-3");
}

TEST_CASE("Pictures in an order that are none are refused by their place", "[picture-file]") {
  const auto faultOf = [](const std::string& pictures) {
    const auto read = readDocument(R"({"avrelt": 2, "cups": [], "pictures": )" + pictures + "}");
    REQUIRE_FALSE(read);
    return read.error().front();
  };
  CHECK(faultOf(R"([{"name": "a"}])").path == "pictures[0].data");
  CHECK(faultOf(R"([{"data": "*"}])").path == "pictures[0].data");
  CHECK(faultOf(R"([{"data": "Zm9v"}])").path == "pictures[0].data");
  const std::string good = base64Of(pngOf(some(3, 3), 300));
  const auto twice =
      faultOf(R"([{"id": "p", "data": ")" + good + R"("}, {"id": "p", "data": ")" + good + "\"}]");
  CHECK(twice.path == "pictures[1].id");
  // Too much of them in one order.
  Document document;
  KeptPicture large;
  large.bytes.assign(KeptPicture::mostBytes, 'x');
  for (int i = 0; i < 3; ++i) document.pictures.emplace_back(large);
  REQUIRE(sizeFault(document));
  CHECK(words(*sizeFault(document)).find("12 MB") != std::string::npos);
}

TEST_CASE("a photo is turned as the camera was held, and one that ends early is told") {
  // Left half red, with an Exif head of the least that says how it was held.
  const std::string plain = jpegOf(40, 20, 3, true);
  const auto held = [&](char how) {
    std::string exif("Exif\0\0MM\0*\0\0\0\x08\0\x01\x01\x12\0\x03\0\0\0\x01\0", 25);
    exif += how;
    exif += std::string(6, '\0');
    const std::size_t size = exif.size() + 2;
    std::string bytes = plain.substr(0, 2);
    bytes += "\xff\xe1";
    bytes += static_cast<char>(size >> 8U);
    bytes += static_cast<char>(size & 0xFFU);
    return bytes + exif + plain.substr(2);
  };
  for (const char how : {1, 3, 6, 8}) {
    const auto taken = pictureToKeep(held(how), "held");
    REQUIRE(taken);
    CHECK(taken->picture.wide == (how >= 5 ? 20 : 40));
    CHECK(taken->picture.tall == (how >= 5 ? 40 : 20));
    const auto dots = dotsOf(taken->picture);
    REQUIRE(dots);
    CHECK(dots->wide == taken->picture.wide);
    // Where its left half comes to lie: to the left, to the right, at the top, at the foot.
    const auto isRed = [&](int x, int y) {
      return dots->rgba[static_cast<std::size_t>(y * dots->wide + x) * 4] > 150;
    };
    const int right = dots->wide - 3;
    const int foot = dots->tall - 3;
    CHECK(isRed(2, 2) == (how == 1 || how == 6));
    CHECK(isRed(right, 2) == (how == 3 || how == 6));
    CHECK(isRed(2, foot) == (how == 1 || how == 8));
    CHECK_FALSE(taken->endsEarly);
  }
  const auto half = pictureToKeep(plain.substr(0, plain.size() - 40), "half");
  REQUIRE(half);
  CHECK(half->endsEarly);
}
