#!/bin/sh
# SPDX-License-Identifier: GPL-3.0-or-later
# Fails, naming them, where rules of the catalogue stand in no test.
set -eu
missing=0
sed -n 's/^ *{Rule::\([A-Za-z]*\), "\([a-z_]*\)".*/\1 \2/p' src/core/rules/catalogue.cpp | {
  count=0
  while read -r name id; do
    count=$((count + 1))
    if ! grep -rqE "Rule::$name\b|\"$id\"" tests --include='*.cpp' --include='*.h'; then
      echo "No test names the rule $id."
      missing=1
    fi
  done
  [ "$count" -gt 100 ] || { echo "The catalogue was not read."; exit 1; }
  exit $missing
}
