# An installation that a test starts and that ends with it. Sourced; $log says where its output goes.
starter=

start() {
    "$project/bin/start" >"$log" 2>&1 </dev/null &
    starter=$!
    until grep -q 'Ctrl-C stops' "$log"; do
        kill -0 "$starter" 2>/dev/null || { cat "$log" >&2; exit 1; }
        sleep 0.1
    done
}

# Nothing where none runs: a signal to process 0 would go to everybody in the group, the caller of the test too.
stop() {
    [ -n "$starter" ] || return 0
    kill -TERM "$starter" 2>/dev/null || true
    wait "$starter" 2>/dev/null || true
    starter=
}
