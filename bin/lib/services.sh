# What runs: the database, PHP, the web server, workers and the keeper; each in a process group of its own. Sourced, not run.
# shellcheck shell=bash

WORKERS=${YP_WORKERS:-4}

# Half of them do nothing but rankings: somebody with the leads in hand waits for them.
ranks() { [ "${1#worker-}" -le $(((WORKERS + 1) / 2)) ]; }
queues_of() { if ranks "$1"; then printf 'ranking'; else printf 'next'; fi; }

# What answers a request comes before all that computes, rankings before tests, which are weighed with what nobody else wants.
niceness_of() {
    case $1 in
        mariadb | fpm | nginx) printf -- -4 ;;
        fpm-ranked) printf 0 ;;
        worker-*) if ranks "$1"; then printf 2; else printf 10; fi ;;
        keeper) printf 10 ;;
    esac
}

# Where Linux shares the processor by session first (autogroup), niceness counts only within one, and each service is a session of
# its own: then the session has the niceness too. Below 0 is for root alone.
weigh() {
    local name=$1 pid session tries=0 nice
    [ "$(cat /proc/sys/kernel/sched_autogroup_enabled 2>/dev/null)" = 1 ] || return 0
    pid=$(cat "$VAR/run/$name.pgid")
    nice=$(niceness_of "$name")
    while [ $((tries += 1)) -le 40 ]; do
        session=$(cut -d' ' -f6 "/proc/$pid/stat" 2>/dev/null) || return 0
        [ "$session" = "$pid" ] && printf '%s' "$nice" 2>/dev/null >"/proc/$pid/autogroup" && return 0
        sleep 0.05
    done 2>/dev/null
    return 0
}

# In the order they are started.
services() {
    local at
    printf 'mariadb fpm fpm-ranked nginx'
    for at in $(seq "$WORKERS"); do printf ' worker-%d' "$at"; done
    printf ' keeper\n'
}

# Starts it, and answers when it is ready.
run_service() {
    start_service "$1" || return 1
    weigh "$1"
}

start_service() {
    case $1 in
        mariadb) run_mariadb && wait_for mariadb db_answers ;;
        fpm | fpm-ranked) run_fpm "$1" && wait_for "$1" fpm_answers "$1" ;;
        nginx) run_nginx && wait_for nginx port_taken "$PORT" ;;
        worker-*) YP_WORKER=$1 group "$1" nice -n "$(niceness_of "$1")" php$PHP_VERSION "$PROJECT/bin/console" --no-interaction messenger:consume $(queues_of "$1") --sleep=0.05 --time-limit=3600 --memory-limit=400M --quiet ;;
        keeper) group keeper nice -n "$(niceness_of keeper)" php$PHP_VERSION "$PROJECT/bin/console" --no-interaction keep --quiet ;;
    esac
}

# Words that the command of a service holds: what has them and the number of its group is ours.
mark_of() {
    case $1 in
        fpm-ranked) printf 'fpm' ;;
        worker-*) printf 'messenger:consume' ;;
        keeper) printf 'console' ;;
        *) printf '%s' "$1" ;;
    esac
}

# A niceness below 0 is for root alone to say.
first_or_not() {
    local name=$1 nice
    shift
    nice=$(niceness_of "$name")
    [ "$nice" -ge 0 ] || ! nice -n "$nice" true 2>/dev/null || set -- nice -n "$nice" "$@"
    exec "$@"
}

# group NAME COMMAND...: starts a server in a process group of its own, so that Ctrl-C reaches it in our order.
group() {
    local name=$1
    shift
    touch "$VAR/log/$name.log"
    if [ "$SERVER_USER" = "$(id -un)" ]; then
        first_or_not "$name" setsid "$@" 9>&- >>"$VAR/log/$name.log" 2>&1 </dev/null &
    else
        chown "$SERVER_USER:" "$VAR/log/$name.log"
        first_or_not "$name" setsid setpriv --reuid="$SERVER_USER" --regid="$SERVER_USER" --init-groups -- "$@" 9>&- >>"$VAR/log/$name.log" 2>&1 </dev/null &
    fi
    printf '%s' $! >"$VAR/run/$name.pgid"
}

alive() { [ -f "$VAR/run/$1.pgid" ] && kill -0 "$(cat "$VAR/run/$1.pgid")" 2>/dev/null; }

# members NAME: processes of its group that are ours, also when their leader is gone.
members() {
    local name=$1 pgid mark stat pid rest
    [ -f "$VAR/run/$name.pgid" ] || return 0
    pgid=$(cat "$VAR/run/$name.pgid")
    mark=$(mark_of "$name")
    for stat in /proc/[0-9]*/stat; do
        read -r rest 2>/dev/null <"$stat" || continue
        pid=${rest%% *}
        # The name of a program stands in brackets and may hold anything.
        rest=${rest##*) }
        # shellcheck disable=SC2086
        set -- $rest
        [ "$3" = "$pgid" ] && [ "$1" != Z ] && grep -qa -- "$mark" "/proc/$pid/cmdline" 2>/dev/null && printf '%s\n' "$pid"
    done
    return 0
}

signal_members() {
    local pid
    for pid in $(members "$2"); do kill "-$1" "$pid" 2>/dev/null || true; done
}

# Ends what a killed bin/start has left behind. Only the database has something to put in order first.
end_orphans() {
    local file name
    for file in "$VAR"/run/*.pgid; do
        name=$(basename "$file" .pgid)
        [ ! -e "$file" ] || [ "$name" = mariadb ] || signal_members KILL "$name"
    done
    stop_services
}

# Asks all of these to end, waits, and ends what has not.
stop_services() {
    local name tries=0 left=1
    local names=("$@")
    if [ $# -eq 0 ]; then
        local file
        for file in "$VAR"/run/*.pgid; do [ -e "$file" ] && names+=("$(basename "$file" .pgid)"); done
    fi
    [ ${#names[@]} -eq 0 ] && return 0
    for name in "${names[@]}"; do signal_members TERM "$name"; done
    while [ "$left" -eq 1 ] && [ $((tries += 1)) -le 75 ]; do
        left=0
        for name in "${names[@]}"; do
            if [ -n "$(members "$name")" ]; then
                # The database ends in order; the others have nothing that they would lose.
                [ "$name" != mariadb ] && [ $tries -gt 8 ] && signal_members KILL "$name"
                left=1
            fi
        done
        [ "$left" -eq 0 ] || sleep 0.2
    done
    for name in "${names[@]}"; do
        signal_members KILL "$name"
        rm -f "$VAR/run/$name.pgid"
    done
}

stop_all() {
    trap - EXIT INT TERM
    printf '\n'
    say 'Stopping'
    stop_services nginx
    stop_services
}

# wait_for NAME COMMAND...: until the command succeeds; fails when the service ends before, or after half a minute.
wait_for() {
    local name=$1 tries=0
    shift
    until "$@" >/dev/null 2>&1; do
        alive "$name" || { printf '%s\n' "$name stopped while starting; its log is $VAR/log/$name.log: $(tail -n 3 "$VAR/log/$name.log")" >&2; return 1; }
        [ $((tries += 1)) -lt 300 ] || { printf '%s\n' "$name did not answer within 30 s; its log is $VAR/log/$name.log." >&2; return 1; }
        sleep 0.1
    done
}

health() { curl -fsS --max-time 10 "http://127.0.0.1:$PORT/api/health"; }

start_servers() {
    local name
    for name in $(services); do
        [ "$name" = mariadb ] || run_service "$name" || exit 1
    done
    local tries=0
    until health >/dev/null 2>&1; do
        [ $((tries += 1)) -lt 150 ] || die "Yellow Probe did not get ready: $(curl -sS --max-time 10 "http://127.0.0.1:$PORT/api/health" 2>&1)"
        sleep 0.2
    done
    health | grep -q '"jit":true' || die "The JIT is not on in PHP-FPM; the computation would be several times slower. See $VAR/log/fpm.log."
}

# Starts again what has died, at once and then with growing pauses; gives up when one has died five times within a minute.
supervise() {
    declare -A deaths=() due=()
    local name now recent at pause
    while true; do
        sleep 0.5 9>&- &
        wait $! || true
        now=$SECONDS
        for name in $(services); do
            alive "$name" && continue
            if [ -z "${due[$name]:-}" ]; then
                recent=()
                for at in ${deaths[$name]:-}; do [ $((now - at)) -lt 60 ] && recent+=("$at"); done
                # What ends in order, as a worker does that has served its time, is no death.
                wait "$(cat "$VAR/run/$name.pgid")" 2>/dev/null || recent+=("$now")
                deaths[$name]=${recent[*]}
                if [ ${#recent[@]} -ge 5 ]; then
                    printf '%s\n' "$name has died five times within a minute; everything is stopped. Its log: $VAR/log/$name.log" >&2
                    return 1
                fi
                pause=0
                [ ${#recent[@]} -le 1 ] || pause=$((2 ** (${#recent[@]} - 2)))
                due[$name]=$((now + pause))
            fi
            [ "$now" -ge "${due[$name]}" ] || continue
            # Without the database the others would only die again.
            [ "$name" = mariadb ] || [ "$name" = nginx ] || db_answers || continue
            printf '%s %s\n' "$(date -u +%FT%TZ)" "$name has stopped and is started again." | tee -a "$VAR/log/supervisor.log" >&2
            # A killed master leaves children that hold its port or socket.
            signal_members KILL "$name"
            unset "due[$name]"
            run_service "$name" || true
        done
    done
}
