# The database server and its users. Sourced, not run.
# shellcheck shell=bash

db_socket() {
    # A socket's path may have 107 bytes.
    local socket=$VAR/run/db.sock
    [ ${#socket} -lt 100 ] || socket=/tmp/yp-$(printf '%s' "$VAR" | sha256sum | cut -c1-12).sock
    printf '%s' "$socket"
}

db_admin() { mariadb --no-defaults --socket="$(db_socket)" --user="$(id -un)" "$@"; }

db_answers() { mariadb-admin --no-defaults --socket="$(db_socket)" --user="$(id -un)" ping >/dev/null 2>&1; }

run_mariadb() {
    group mariadb mariadbd --no-defaults --datadir="$VAR/db" --socket="$(db_socket)" --port="$DB_PORT" --bind-address=127.0.0.1 \
        --skip-name-resolve --innodb-flush-log-at-trx-commit=1 --sync-binlog=1 --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci \
        --pid-file="$VAR/run/db.pid" --max-connections=80 --innodb-buffer-pool-size="${YP_DB_BUFFER:-256M}" --user="$SERVER_USER"
}

start_database() {
    if [ ! -d "$VAR/db/mysql" ]; then
        step "Database directory" mariadb-install-db --no-defaults --datadir="$VAR/db" --user="$SERVER_USER" --auth-root-authentication-method=socket --auth-root-socket-user="$(id -un)" --skip-test-db
        # It leaves one directory open to its own group only.
        own_data
    fi
    run_mariadb
    # A TERM in its first moments can hang it: nothing is passed on before it answers.
    wait_for mariadb db_answers
    weigh mariadb
    local name
    for name in probe ${YP_TEST_DATABASES:-}; do database "$name"; done
}

# database NAME: made, with the rights of the application (rows) and of migrations (tables).
database() {
    db_admin <<SQL
CREATE DATABASE IF NOT EXISTS $1 CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
CREATE USER IF NOT EXISTS probe@'127.0.0.1';
ALTER USER probe@'127.0.0.1' IDENTIFIED BY '$DB_PASSWORD';
CREATE USER IF NOT EXISTS probe_owner@'127.0.0.1';
ALTER USER probe_owner@'127.0.0.1' IDENTIFIED BY '$DB_OWNER_PASSWORD';
GRANT SELECT ON $1.* TO probe@'127.0.0.1';
REVOKE ALL PRIVILEGES ON $1.* FROM probe@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON $1.* TO probe@'127.0.0.1';
GRANT ALL ON $1.* TO probe_owner@'127.0.0.1';
SQL
}

# A command that may change tables.
as_owner() { DATABASE_URL=$OWNER_URL console "$@"; }

# Cache, tables and summaries are made anew only when something of the application has changed.
prepare_application() {
    local now
    now=$(fingerprint "$PROJECT"/{src,core,config,translations,migrations,.env,composer.json})
    if [ -f "$VAR/cache/stamp" ] && [ "$(cat "$VAR/cache/stamp")" = "$now" ]; then return; fi
    step "Application cache" console cache:clear
    step "Database migrations" as_owner database:migrate
    console calls:summarise --quiet || exit 1
    [ "$YP_MODE" = production ] || step 'Demonstration data' console demo:seed
    printf '%s' "$now" | as_server tee "$VAR/cache/stamp" >/dev/null
}
