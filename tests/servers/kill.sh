#!/usr/bin/env bash
# Kills servers and workers of an installation that bin/start runs, so many times one after the other, then bin/start itself.
# Each has to be there again, and all ready, within 5 s; after the death of bin/start the next start has 10 s.
# usage: tests/servers/kill.sh TIMES   (YP_INSTANCE, YP_PORT and YP_DB_PORT as for bin/start)
set -euo pipefail
. "$(dirname "$0")/../../bin/lib.sh"
times=${1:-7}
mkdir -p "$PROJECT/var"
project=$PROJECT log=$PROJECT/var/kill-$INSTANCE.log
. "$PROJECT/tests/servers/installation.sh"

milliseconds() { date +%s%3N; }

ready() { health >/dev/null 2>&1; }

# Also what a killed start has left, when the next one does not come up.
trap 'stop; end_orphans' EXIT
start
read -ra names <<<"$(services)"
slowest=0
for ((kill = 0; kill < times; ++kill)); do
    name=${names[$((kill % ${#names[@]}))]}
    before=$(cat "$VAR/run/$name.pgid")
    begun=$(milliseconds)
    kill -9 "$before"
    until [ "$(cat "$VAR/run/$name.pgid" 2>/dev/null || printf '%s' "$before")" != "$before" ] && alive "$name" && ready; do
        took=$(($(milliseconds) - begun))
        [ "$took" -lt 5000 ] || { printf '%s\n' "$name was not back after 5 s." >&2; tail -n 20 "$log" >&2; exit 1; }
        sleep 0.05
    done
    took=$(($(milliseconds) - begun))
    [ "$took" -le "$slowest" ] || slowest=$took slow=$name
    # Never so often that it counts as one that cannot run.
    sleep 2.5
done
printf '%d deaths, every one back and all ready within %d ms (the slowest was %s)\n' "$times" "$slowest" "${slow:-none}"

kill -9 "$starter"
wait "$starter" 2>/dev/null || true
begun=$(milliseconds)
start
ready || { printf 'Not ready after the start.\n' >&2; exit 1; }
took=$(($(milliseconds) - begun))
printf 'After the death of bin/start: ready again in %d ms\n' "$took"
[ "$took" -le 10000 ]
