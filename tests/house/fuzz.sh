#!/bin/sh
# SPDX-License-Identifier: GPL-3.0-or-later
# fuzz.sh ROOT READER SECONDS: runs a fuzz target on the seeds kept with it. 99: not built here
# (77 is what a target that found something ends with).
set -eu
target=$1/build/fuzz/fuzz/fuzz_$2
[ -x "$target" ] || { echo "not built: cmake --preset fuzz && cmake --build --preset fuzz"; exit 99; }
corpus=$(mktemp -d)
trap 'rm -rf "$corpus"' EXIT
"$target" -max_total_time="$3" -max_len=8192 -timeout=5 -verbosity=0 -print_final_stats=1 \
  -artifact_prefix="$1/build/fuzz/" "$corpus" "$1/fuzz/seeds/$2"
