#!/bin/bash
# SPDX-License-Identifier: GPL-3.0-or-later
# Sourced by the scripts that try something in a bare root of a Debian: needs root and mmdebstrap.

command -v mmdebstrap >/dev/null || { echo "Install mmdebstrap first." >&2; exit 1; }
# The same archive as this machine's apt asks, and no address of it in this file.
mirror=$(sed -n 's/^URIs: *//p; s/^deb \(\[[^]]*\] \)\{0,1\}\([^ ]*\) .*/\2/p' /etc/apt/sources.list /etc/apt/sources.list.d/* 2>/dev/null | head -1)

# make_root PLACE SUITE PACKAGES: nothing where it is there already.
make_root() {
  [ -d "$1/etc" ] && return 0
  mmdebstrap --variant=minbase --include="$3" "$2" "$1" "deb $mirror $2 main"
  apt-config dump | grep -i '^Acquire' >"$1/etc/apt/apt.conf.d/90here" || true
}

# inside PLACE COMMAND ...: a subshell, so that nothing stays mounted however it ends.
inside() (
  root=$1
  shift
  for place in proc dev sys; do mount --rbind "/$place" "$root/$place"; done
  trap 'for place in proc dev sys; do umount -l "$root/$place"; done' EXIT
  cp /etc/resolv.conf "$root/etc/" 2>/dev/null || true
  chroot "$root" env DEBIAN_FRONTEND=noninteractive HOME=/root LC_ALL=C.UTF-8 "$@"
)
