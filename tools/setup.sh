#!/bin/bash
# SPDX-License-Identifier: GPL-3.0-or-later
# Sourced by ./demo and ./check: installs what is missing from Debian's packages, configures and builds.

# What building and running need, and tests beside it. tools/packages.txt is read by people too.
mapfile -t wanted < <(sed '/^# for .\/check alone/,$d' "$top/tools/packages.txt" | grep -v '^#' | grep .)
mapfile -t wanted_by_tests < <(sed '1,/^# for .\/check alone/d' "$top/tools/packages.txt" | grep -v '^#' | grep .)

# Of the packages that are wanted, those that are not installed: `missing`. A name with "?" counts where this Debian has such a package.
find_missing() {
  local p
  missing=()
  for p in "${wanted[@]}"; do
    [[ $p == *\? ]] && p=${p%?} && [ -z "$(apt-cache policy "$p" 2>/dev/null | grep -v 'Candidate: (none)' | grep Candidate:)" ] && continue
    [ "$(dpkg-query -W -f '${db:Status-Status}' "$p" 2>/dev/null)" = installed ] || missing+=("$p")
  done
}

install_packages() {
  "${run[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends "${missing[@]}"
}

install_missing() {
  local missing=()
  find_missing
  [ ${#missing[@]} -eq 0 ] && return 0
  local run=()
  if [ "$(id -u)" -ne 0 ]; then
    command -v sudo >/dev/null || { echo "Packages are missing (${missing[*]}); run this as root, or install sudo." >&2; return 1; }
    run=(sudo)
  fi
  echo "Installing from Debian's packages: ${missing[*]}"
  # Package lists may be missing or old on a fresh machine: fetch them once when the first try fails.
  install_packages >/tmp/irenic-apt.$$.log 2>&1 ||
    { "${run[@]}" apt-get update -q >>/tmp/irenic-apt.$$.log 2>&1 && find_missing && install_packages >>/tmp/irenic-apt.$$.log 2>&1; } ||
    { tail -n 20 /tmp/irenic-apt.$$.log >&2; return 1; }
  rm -f /tmp/irenic-apt.$$.log
}

# build PRESET [TARGET ...]: configures and builds, everything where no targets are named; quiet unless it fails.
build() {
  cmake --preset "$1" -S "$top" >"$top/.build.$1.log" 2>&1 || { cat "$top/.build.$1.log" >&2; return 1; }
  cmake --build --preset "$1" ${2:+--target "${@:2}"} >>"$top/.build.$1.log" 2>&1 || { grep -E 'error|FAILED|undefined' -A4 "$top/.build.$1.log" | head -60 >&2; return 1; }
  rm -f "$top/.build.$1.log"
}
