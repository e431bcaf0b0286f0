#!/bin/bash
# SPDX-License-Identifier: GPL-3.0-or-later
# tools/lint.sh: holds the code against .clang-format and .clang-tidy, and the catalogues of the languages against the code. Called by ./check --lint.
set -eu
top=$(cd "$(dirname "$0")/.." && pwd)
cd "$top"
status=0
git ls-files -z '*.cpp' '*.h' | xargs -0 clang-format --dry-run -Werror || status=1
tools/translate.sh --check || status=1
# A folder of its own, without precompiled headers: those of one compiler are no use to another's tools.
cmake -S . -B build-lint -G Ninja -DCMAKE_BUILD_TYPE=Release -DCMAKE_EXPORT_COMPILE_COMMANDS=ON -DCMAKE_DISABLE_PRECOMPILE_HEADERS=ON >/dev/null
# Tests include what moc writes when they are built; the formatter is enough for them.
git ls-files -z 'core/*.cpp' 'app/*.cpp' 'cli/*.cpp' 'shoot/*.cpp' 'bench/*.cpp' | xargs -0 -n 4 -P "$(nproc)" clang-tidy -p build-lint --quiet 2>/dev/null || status=1
[ $status -eq 0 ] && echo "The code obeys .clang-format and .clang-tidy."
exit $status
