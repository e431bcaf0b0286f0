#!/bin/bash
# SPDX-License-Identifier: GPL-3.0-or-later
# tools/fuzz.sh SECONDS: every fuzzer of build-fuzz for its share of the time, from the seeds in tests/seeds. Called by ./check --fuzz.
# What is found goes to build-fuzz/findings; put it into tests/seeds, where the ordinary tests replay it, and mend its cause.
set -eu
top=$(cd "$(dirname "$0")/.." && pwd)
cd "$top/build-fuzz"
mkdir -p findings
programs=(fuzz-bin/*)
share=$(($1 / ${#programs[@]}))
status=0
for program in "${programs[@]}"; do
  name=$(basename "$program")
  kind=${name#fuzz_}
  mkdir -p "corpus/$kind"
  seeds=()
  for folder in "$top/tests/seeds/$kind" "$top/tests/seeds/corpus-$kind"; do [ -d "$folder" ] && seeds+=("$folder"); done
  log="$kind.log"
  # In a process of its own for each round, so that one finding does not end the search.
  ASAN_OPTIONS=detect_leaks=0:allocator_may_return_null=1 nice "$program" -fork=1 -ignore_crashes=1 -ignore_timeouts=1 -ignore_ooms=1 -max_total_time="$share" -timeout=60 -report_slow_units=60 \
    -rss_limit_mb=2600 -malloc_limit_mb=2000 -artifact_prefix="findings/$kind-" -len_control=0 "corpus/$kind" "${seeds[@]}" >"$log" 2>&1 || true
  executed=$(sed -n 's/^#\([0-9]*\): cov.*/\1/p' "$log" | tail -1)
  found=$(find findings -name "$kind-*" | wc -l)
  echo "$kind: ${executed:-no} executions in $share s, $found findings"
  if [ "$found" -gt 0 ]; then
    status=1
    grep -hE 'SUMMARY|runtime error' "$log" | sort | uniq -c | sort -rn | head -8
  fi
  rm -rf /dev/shm/irenic-fuzz-*
done
exit $status
