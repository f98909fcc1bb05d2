// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/text_outline.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <fstream>
#include <sstream>

namespace avrelt {
namespace {

FaceFile faceAt(const std::string& path) {
  std::ifstream file(path, std::ios::binary);
  REQUIRE(file);
  std::ostringstream bytes;
  bytes << file.rdbuf();
  return {std::make_shared<const std::string>(bytes.str()), 0};
}

FaceFile shipped() {
  return faceAt(AVRELT_DATA "/fonts/AvreltSans-Bold.otf");
}

TextOutline set(const TextSetting& setting) {
  const Checked<TextOutline> outline = outlineOf(shipped(), setting);
  REQUIRE(outline);
  return *outline;
}

Box boxOf(const TextOutline& outline) {
  Box box;
  for (const Polygon& letter : outline.letters) box.add(boundsOf(letter));
  return box;
}

TEST_CASE("Capitals are as tall as asked for and stand in the middle") {
  TextSetting setting;
  setting.text = "H";
  setting.capHeight = Length::mm(12);
  const Box box = boxOf(set(setting));
  CHECK(box.low.y == Approx(0).margin(0.01));
  CHECK(box.high.y == Approx(12).margin(0.01));
  CHECK(std::abs(box.centre().x) < 0.5);
}

TEST_CASE("Lines go down by their distance, and stand as they are aligned") {
  TextSetting setting;
  setting.text = "HHH\nH";
  setting.linePercent = 200;
  setting.merged = false;
  setting.align = TextAlign::left;
  const std::vector<Polygon> left = set(setting).letters;
  REQUIRE(left.size() == 4);
  CHECK(boundsOf(left[3]).low.y == Approx(-20).margin(0.01));
  CHECK(boundsOf(left[3]).low.x == Approx(boundsOf(left[0]).low.x).margin(1e-3));
  setting.align = TextAlign::right;
  const std::vector<Polygon> right = set(setting).letters;
  CHECK(boundsOf(right[3]).high.x == Approx(boundsOf(right[2]).high.x).margin(1e-3));
}

TEST_CASE("Spacing goes between letters, and overlapping letters become one when merged") {
  TextSetting setting;
  setting.text = "OO";
  const double usual = boxOf(set(setting)).width();
  setting.spacingPercent = 50;
  CHECK(boxOf(set(setting)).width() == Approx(usual + 5).margin(0.01));
  setting.spacingPercent = -60;
  CHECK(partsOf(set(setting).letters.front()).size() == 1);
  setting.merged = false;
  CHECK(set(setting).letters.size() == 2);
}

TEST_CASE("Along an arc letters are turned and keep their form") {
  TextSetting setting;
  setting.text = "HIH";
  setting.merged = false;
  const std::vector<Polygon> straight = set(setting).letters;
  setting.arc = Length::mm(40);
  const std::vector<Polygon> arched = set(setting).letters;
  REQUIRE(arched.size() == 3);
  for (std::size_t i = 0; i < 3; ++i) {
    CHECK(signedArea(arched[i]) == Approx(signedArea(straight[i])).epsilon(1e-4));
  }
  // Over the circle the outer letters hang lower, under it they stand higher.
  CHECK(boundsOf(arched[0]).low.y < -0.3);
  setting.under = true;
  const std::vector<Polygon> hung = set(setting).letters;
  CHECK(boundsOf(hung[0]).high.y > boundsOf(hung[1]).high.y + 0.3);
  // Each foot stands on the circle: the middle one's at the top of it.
  CHECK(boundsOf(arched[1]).low.y == Approx(0).margin(0.01));
}

TEST_CASE("What a face does not have is told and left out") {
  TextSetting setting;
  setting.text =
      "A\xE6\x98\x9F\xF0\x9F\x8C\x99"
      "B";  // a star in Han, a moon as a picture
  setting.merged = false;
  const TextOutline outline = set(setting);
  CHECK(outline.letters.size() == 2);
  CHECK(outline.missing == std::vector<std::string>{"\xE6\x98\x9F", "\xF0\x9F\x8C\x99"});
}

TEST_CASE("Words that cannot be set are refused by name") {
  TextSetting setting;
  const auto field = [&](const FaceFile& face) {
    const Checked<TextOutline> outline = outlineOf(face, setting);
    return outline ? Where() : outline.error().where;
  };
  CHECK(field(shipped()) == Where(Member::wordsText));
  setting.text = "  \n ";
  CHECK(field(shipped()) == Where(Member::wordsText));
  setting.text = "\xE6\x98\x9F";
  CHECK(field(shipped()) == Where(Member::wordsText));
  setting.text = "A\xFF";
  CHECK(field(shipped()) == Where(Member::wordsText));
  setting.text = std::string(2001, 'A');
  CHECK(field(shipped()) == Where(Member::wordsText));
  setting.text = "A";
  CHECK(field({}) == Where(Member::wordsFace));
  CHECK(field({std::make_shared<const std::string>("no face at all"), 0}) ==
        Where(Member::wordsFace));
  FaceFile torn = shipped();
  torn.bytes = std::make_shared<const std::string>(torn.bytes->substr(0, torn.bytes->size() / 3));
  CHECK(field(torn) != Where());
  setting.capHeight = Length();
  CHECK(field(shipped()) == Where(Member::wordsCapHeight));
  setting.capHeight = Length::mm(10);
  setting.arc = Length::mm(5);
  CHECK(field(shipped()) == Where(Member::wordsArc));
}

TEST_CASE("Marks stand over their letter however wide the spacing") {
  TextSetting setting;
  setting.text = "o\xCC\x88";  // o and a combining diaeresis
  setting.merged = true;
  const Box close = boxOf(set(setting));
  setting.spacingPercent = 100;
  const Box wide = boxOf(set(setting));
  CHECK(wide.width() == Approx(close.width()).margin(0.01));
}

}  // namespace
}  // namespace avrelt
