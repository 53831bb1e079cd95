# Shared by the commands of bin: where things are, how a step is told, what this installation is. Sourced, not run.
# shellcheck shell=bash

PROJECT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
PHP_VERSION=8.2
INSTANCE=${YP_INSTANCE:-main}
PORT=${YP_PORT:-8090}
DB_PORT=${YP_DB_PORT:-13390}
VAR=$PROJECT/var/$INSTANCE
export YP_LISTEN=${YP_LISTEN:-127.0.0.1} YP_ADDRESS=http://${YP_LISTEN:-127.0.0.1}:$PORT YP_PUBLIC_HOST=${YP_PUBLIC_HOST:-} YP_TRUSTED_PROXIES=${YP_TRUSTED_PROXIES:-}
export APP_ENV=${APP_ENV:-prod} APP_DEBUG=0

say() { printf '%s\n' "· $*"; }
die() { printf '%s\n' "$*" >&2; exit 1; }

# Runs a long step with its name, its time, and its output only when it fails.
step() {
    local name=$1 log begun=$SECONDS pid
    shift
    mkdir -p "$VAR/log"
    log=$VAR/log/step.log
    printf '· %s ' "$name"
    "$@" >"$log" 2>&1 9>&- &
    pid=$!
    while kill -0 "$pid" 2>/dev/null; do
        sleep 0.2
        [ $(((SECONDS - begun) % 5)) -eq 0 ] && [ $SECONDS -gt $begun ] && { printf '.'; sleep 0.8; }
    done
    if ! wait "$pid"; then
        printf 'failed\n'
        tail -n 40 "$log" >&2
        die "This step failed: $name. Its whole output is in $log."
    fi
    printf '%d s\n' $((SECONDS - begun))
}

# fingerprint FILE...: one hash of all that the files hold.
fingerprint() { find "$@" -type f -not -path '*/node_modules/*' -print0 2>/dev/null | sort -z | xargs -0 sha256sum | sha256sum | cut -c1-40; }

random() { od -An -N18 -tx1 /dev/urandom | tr -d ' \n'; }

port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# One instance at a time: the lock lives as long as this shell.
claim() {
    mkdir -p "$VAR/log" "$VAR/run"
    exec 9>"$VAR/run/lock"
    # A moment of patience: what a killed start had just begun may hold it still.
    flock -w 3 9 || die "Yellow Probe already runs here: http://127.0.0.1:$PORT (stop it where it was started, with Ctrl-C)."
    end_orphans
    port_taken "$PORT" && die "Port $PORT is taken by another program. Choose another one: YP_PORT=8091 bin/start"
    port_taken "$DB_PORT" && die "Port $DB_PORT, for the database, is taken by another program. Choose another one: YP_DB_PORT=13391 bin/start"
    choose_mode
    choose_user
    secrets
}

# A data directory is a demonstration or a firm's own, from its first start on.
choose_mode() {
    local known=
    [ -f "$VAR/mode" ] && known=$(cat "$VAR/mode")
    # Before there were modes everything was a demonstration.
    [ -z "$known" ] && [ -d "$VAR/db" ] && known=demonstration
    YP_MODE=${YP_MODE:-${known:-demonstration}}
    case $YP_MODE in
        demonstration | production) ;;
        *) die "YP_MODE is \"$YP_MODE\"; it can be demonstration or production." ;;
    esac
    [ -z "$known" ] || [ "$known" = "$YP_MODE" ] || die "The data in $VAR are of a $known, and cannot be used in $YP_MODE. Keep the two apart: YP_INSTANCE=another-name YP_MODE=$YP_MODE bin/start"
    printf '%s' "$YP_MODE" >"$VAR/mode"
    export YP_MODE
}

# The servers run as a user who owns nothing but their data.
choose_user() {
    SERVER_USER=$(id -un)
    [ "$(id -u)" -eq 0 ] || return 0
    SERVER_USER=yellow-probe
    id "$SERVER_USER" >/dev/null 2>&1 || useradd --system --no-create-home --home-dir /nonexistent --shell /usr/sbin/nologin "$SERVER_USER"
    mkdir -p "$VAR"
    if ! as_server test -r "$PROJECT/public/index.php" -a -x "$VAR"; then
        local closed=$PROJECT
        while [ "$closed" != / ] && as_server test -x "$(dirname "$closed")"; do closed=$(dirname "$closed"); done
        closed=$(dirname "$closed")
        [ "$YP_MODE" = demonstration ] || die "The directory $closed is closed to the user $SERVER_USER, as whom the servers run. Move the project to where everybody may look, such as /srv/yellow-probe, and start it there."
        say "The servers run as root: $closed is closed to the user $SERVER_USER. To have them run as that user move the project, to /srv/yellow-probe for example."
        SERVER_USER=root
    fi
}

as_server() {
    if [ "$SERVER_USER" = "$(id -un)" ]; then "$@"; else setpriv --reuid="$SERVER_USER" --regid="$SERVER_USER" --init-groups -- "$@"; fi
}

# What the servers write is theirs; the secrets stay with whoever starts them.
own_data() {
    mkdir -p "$VAR"/{db,cache,log,run,files,predictions}
    [ "$SERVER_USER" = "$(id -un)" ] || chown -R "$SERVER_USER:$SERVER_USER" "$VAR"/{db,cache,log,run,files,predictions}
}

secrets() {
    local name
    for name in DB_PASSWORD DB_OWNER_PASSWORD APP_SECRET; do
        grep -qs "^$name=" "$VAR/secrets" || (umask 077; printf '%s=%s\n' "$name" "$(random)" >>"$VAR/secrets")
    done
    chmod 600 "$VAR/secrets"
    # shellcheck disable=SC1091
    . "$VAR/secrets"
    # The application may read and write rows; only migrations may change tables, and only they know this address.
    OWNER_URL=$(database_url probe_owner "$DB_OWNER_PASSWORD" probe)
    export APP_SECRET DATABASE_URL
    DATABASE_URL=$(database_url probe "$DB_PASSWORD" probe)
    export PHP_INI_SCAN_DIR="/etc/php/$PHP_VERSION/cli/conf.d:$VAR/run/php.d"
    export APP_CACHE_DIR=$VAR/cache APP_LOG_DIR=$VAR/log YP_FILES=$VAR/files YP_PREDICTIONS=$VAR/predictions
    local host='127\.0\.0\.1|localhost|\[::1\]'
    [ -z "$YP_PUBLIC_HOST" ] || host="$host|${YP_PUBLIC_HOST//./\\.}"
    export YP_HOSTS="^($host)\$"
    php_settings
}

database_url() { printf 'mysql://%s:%s@127.0.0.1:%s/%s?charset=utf8mb4' "$1" "$2" "$DB_PORT" "$3"; }

php_settings() {
    mkdir -p "$VAR/run/php.d"
    # Whole functions: tracing gives up half-way through the ranking, which has far more loops than a page has; with its limits
    # raised PHP 8.2 computed one sum wrongly, late in the tests and only there.
    # Debian's own opcache.ini switches the JIT off and is read after php.ini: this directory is read after both.
    cat >"$VAR/run/php.d/90-yellow-probe.ini" <<INI
opcache.enable=1
opcache.enable_cli=1
opcache.memory_consumption=192
opcache.max_accelerated_files=20000
opcache.revalidate_freq=2
opcache.jit=function
opcache.jit_buffer_size=128M
memory_limit=512M
date.timezone=UTC
expose_php=off
display_errors=off
log_errors=on
realpath_cache_size=4096K
zend.exception_ignore_args=on
INI
}

console() { as_server php$PHP_VERSION "$PROJECT/bin/console" --no-interaction "$@" 9>&-; }
