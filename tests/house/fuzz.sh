#!/bin/sh
# SPDX-License-Identifier: GPL-3.0-or-later
# fuzz.sh ROOT READER SECONDS [large]: runs a fuzz target on the seeds kept with it, or, with
# "large", on one of about a megabyte that is made here. 99: not built here (77 is what a target
# that found something ends with).
set -eu
target=$1/build/check/fuzz/fuzz_$2
[ -x "$target" ] || { echo "not built: cmake --preset check && cmake --build --preset check"; exit 99; }
corpus=$(mktemp -d)
trap 'rm -rf "$corpus"' EXIT
if [ "${4:-}" != large ]; then
  "$target" -max_total_time="$3" -max_len=8192 -timeout=120 -verbosity=0 -print_final_stats=1 \
    -artifact_prefix="$1/build/check/" "$corpus" "$1/fuzz/seeds/$2"
  exit
fi
case $2 in
  document)
    awk 'BEGIN {
      kept = sprintf("%7000s", ""); gsub(" ", "x", kept); printf "{\"avrelt\": 2, \"cups\": ["
      for (i = 0; i < 150; i++)
        printf "%s{\"name\": \"c%d\", \"blank\": {\"stations\": [{\"at\": 0, \"around\": 230},"\
               " {\"at\": 180, \"around\": 230}]}, \"kept\": \"%s\"}", i ? ",\n" : "", i, kept
      print "]}" }' ;;
  drawing)
    awk 'BEGIN {
      print "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"200mm\" height=\"200mm\" viewBox=\"0 0 1000 1000\">"
      for (i = 0; i < 10000; i++)
        printf "<path d=\"M%d %dl8 0 0 8 -8 0z\" style=\"fill:#%06x;stroke:none\" id=\"p%d\"/>\n",
               i % 100 * 10, int(i / 100) * 10, i * 7, i
      print "</svg>" }' ;;
  shelf)
    awk 'BEGIN {
      print "name,at,around,notes"; notes = sprintf("%240s", ""); gsub(" ", "n", notes)
      for (i = 0; i < 4000; i++)
        printf "cup %d,%d,230,%s\n", int(i / 2), i % 2 * 180, notes }' ;;
  *) exit 0 ;;
esac >"$corpus/large"
"$target" -max_total_time="$3" -max_len=1200000 -timeout=120 -verbosity=0 -print_final_stats=1 \
  -artifact_prefix="$1/build/check/" "$corpus"
