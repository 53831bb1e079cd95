# The configuration of PHP-FPM and nginx. Sourced, not run.
# shellcheck shell=bash

# Pools of a PHP-FPM, so that one kind of work never waits for another: storing and reading; logins, whose hashing is slow on
# purpose; and, with a master of its own that has another share of the processor, rankings and what is computed from them.
pools() {
    case $1 in
        fpm) printf '%s\n' "entry ${YP_ENTRY_POOL:-4}" "doors 2" ;;
        fpm-ranked) printf '%s\n' "ranked ${YP_RANKED_POOL:-3}" ;;
    esac
}

pool_socket() {
    local socket=$VAR/run/$1.sock
    [ ${#socket} -lt 100 ] || socket=/tmp/yp-$(printf '%s' "$VAR" | sha256sum | cut -c1-12)-$1.sock
    printf '%s' "$socket"
}

run_fpm() {
    local master=$1 name children root=
    [ "$SERVER_USER" = root ] && root=-R
    {
        printf '[global]\ndaemonize = no\nerror_log = %s\n' "$VAR/log/$master.log"
        pools "$master" | while read -r name children; do
            rm -f "$(pool_socket "$name")"
            cat <<CONF
[$name]
listen = $(pool_socket "$name")
listen.mode = 0660
pm = static
pm.max_children = $children
pm.max_requests = 5000
clear_env = no
catch_workers_output = yes
request_terminate_timeout = 60s
CONF
            [ "$SERVER_USER" = root ] && printf 'user = root\ngroup = root\n'
        done
    } >"$VAR/run/$master.conf"
    # shellcheck disable=SC2086
    PHP_INI_SCAN_DIR="/etc/php/$PHP_VERSION/fpm/conf.d:$VAR/run/php.d" group "$master" php-fpm$PHP_VERSION -F $root -y "$VAR/run/$master.conf"
}

fpm_answers() {
    local name children
    pools "$1" | while read -r name children; do [ -S "$(pool_socket "$name")" ] || return 1; done
}

# Headers of every answer. A location that has an add_header of its own loses the server's: each includes this file instead.
headers() {
    cat <<'CONF'
add_header X-Content-Type-Options nosniff always;
add_header Referrer-Policy same-origin always;
add_header X-Frame-Options DENY always;
add_header Cross-Origin-Opener-Policy same-origin always;
add_header Cross-Origin-Resource-Policy same-origin always;
add_header Permissions-Policy "camera=(self), geolocation=(), microphone=(), payment=(), usb=()" always;
add_header Content-Security-Policy "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'" always;
add_header Strict-Transport-Security $transport always;
add_header X-Request-Id $request_id always;
CONF
}

# Only a proxy that is believed says that a request came over TLS.
trust() {
    local proxy
    printf 'geo $realip_remote_addr $believed { default 0; '
    for proxy in ${YP_TRUSTED_PROXIES//,/ }; do printf '%s 1; ' "$proxy"; done
    printf '}\nmap "$believed$http_x_forwarded_proto" $transport { default ""; 1https "max-age=31536000; includeSubDomains"; }\n'
}

run_nginx() {
    local hosts="127.0.0.1 localhost [::1] $YP_PUBLIC_HOST"
    mkdir -p "$VAR/run/nginx"
    headers >"$VAR/run/headers.conf"
    [ "$SERVER_USER" = "$(id -un)" ] || chown "$SERVER_USER:" "$VAR/run/nginx"
    cat >"$VAR/run/nginx.conf" <<CONF
$([ "$SERVER_USER" = root ] && printf 'user root;')
worker_processes 2;
daemon off;
pid $VAR/run/nginx.pid;
error_log $VAR/log/nginx.log warn;
events { worker_connections 512; }
http {
    include /etc/nginx/mime.types;
    types { application/manifest+json webmanifest; font/woff2 woff2; }
    # Without the query: it may hold what somebody searched for.
    log_format short '\$time_iso8601 \$request_id \$remote_addr \$request_method \$uri \$status \$request_time \$upstream_response_time';
    access_log $VAR/log/access.log short;
    server_tokens off;
    sendfile on;
    gzip on;
    gzip_comp_level 6;
    gzip_types text/css application/javascript application/json image/svg+xml;
    client_body_temp_path $VAR/run/nginx/body;
    fastcgi_temp_path $VAR/run/nginx/fastcgi;
    proxy_temp_path $VAR/run/nginx/proxy;
    uwsgi_temp_path $VAR/run/nginx/uwsgi;
    scgi_temp_path $VAR/run/nginx/scgi;
    client_max_body_size 1m;
    client_body_buffer_size 1m;
    client_header_timeout 15s;
    client_body_timeout 30s;
    send_timeout 30s;
    $(trust)
    # Logins that wait at the same time; what is more is told to come back instead of waiting for minutes.
    limit_conn_zone \$server_port zone=waiting:1m;
    limit_conn_status 503;
    map \$uri \$pool {
        default unix:$(pool_socket entry);
        ~^/api/(login|password-links|me/password|me/pin)(/|\$) unix:$(pool_socket doors);
        ~^/api/calls/[^/]+/second-person\$ unix:$(pool_socket doors);
        ~^/api/calls/[^/]+/(ranking|next-tests|tests?|contradictions|map(\.svg)?|predictions|glance|preparations|isolation-scope|feeding|reach|runs?|consistency|board|bundle)\$ unix:$(pool_socket ranked);
        ~^/api/(sums|surveys|decisions)(/|\$) unix:$(pool_socket ranked);
    }
    server {
        listen $YP_LISTEN:$PORT default_server;
        include $VAR/run/headers.conf;
        default_type application/problem+json;
        return 421 '{"type":"about:blank","title":"Not this host","status":421,"detail":"Yellow Probe does not answer under this name. Use the address that it was started with."}';
    }
    server {
        listen $YP_LISTEN:$PORT;
        server_name $hosts;
        root $PROJECT/public/build;
        include $VAR/run/headers.conf;
        error_page 400 = @malformed;
        error_page 413 = @toolarge;
        error_page 502 503 504 = @away;
        location @malformed { include $VAR/run/headers.conf; default_type application/problem+json; return 400 '{"type":"about:blank","title":"Malformed request","status":400,"detail":"This is no request that can be read. Send it again."}'; }
        location @toolarge { include $VAR/run/headers.conf; default_type application/problem+json; return 413 '{"type":"about:blank","title":"Too large","status":413,"detail":"A request may have 1 MB; send it in parts."}'; }
        location @away { include $VAR/run/headers.conf; add_header Retry-After 2 always; default_type application/problem+json; return 503 '{"type":"about:blank","title":"Not there at the moment","status":503,"detail":"The server does not answer. What you typed is kept; try again in a minute."}'; }
        location ~ ^/api/(login|password-links|me/password|me/pin)(/|\$) { limit_conn waiting 16; include $VAR/run/application.conf; }
        location /api/ { include $VAR/run/application.conf; }
        location /assets/ { include $VAR/run/headers.conf; add_header Cache-Control "public, max-age=31536000, immutable"; try_files \$uri =404; }
        location / { include $VAR/run/headers.conf; add_header Cache-Control "no-cache"; try_files \$uri /index.html; }
    }
}
CONF
    cat >"$VAR/run/application.conf" <<CONF
include $VAR/run/headers.conf;
include /etc/nginx/fastcgi_params;
fastcgi_param SCRIPT_FILENAME $PROJECT/public/index.php;
fastcgi_param SCRIPT_NAME /index.php;
fastcgi_param HTTP_X_REQUEST_ID \$request_id;
# The name in the Host header was checked above.
fastcgi_param HTTP_PROXY "";
fastcgi_read_timeout 60s;
fastcgi_buffers 16 32k;
fastcgi_buffer_size 32k;
fastcgi_pass \$pool;
CONF
    group nginx nginx -e "$VAR/log/nginx.log" -c "$VAR/run/nginx.conf"
}
