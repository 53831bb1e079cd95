# What has to be installed: Debian's packages, Node.js, the libraries of PHP and of the page. Sourced, not run.
# shellcheck shell=bash

# Debian packages, by what they are asked for: a program or a PHP extension.
ensure_packages() {
    local missing=()
    command -v php$PHP_VERSION >/dev/null || missing+=("php$PHP_VERSION-cli")
    command -v php-fpm$PHP_VERSION >/dev/null || missing+=("php$PHP_VERSION-fpm")
    command -v composer >/dev/null || missing+=(composer)
    command -v nginx >/dev/null || missing+=(nginx-light)
    command -v mariadbd >/dev/null || missing+=(mariadb-server)
    command -v flock >/dev/null || missing+=(util-linux)
    command -v curl >/dev/null || missing+=(curl)
    command -v unzip >/dev/null || missing+=(unzip)
    command -v git >/dev/null || missing+=(git)
    command -v node >/dev/null || missing+=(nodejs)
    command -v npm >/dev/null || missing+=(npm)
    local pair
    for pair in pdo_mysql:mysql mbstring:mbstring dom:xml intl:intl curl:curl zip:zip bcmath:bcmath gd:gd; do
        [ -e "/etc/php/$PHP_VERSION/fpm/conf.d" ] && compgen -G "/etc/php/$PHP_VERSION/fpm/conf.d/*-${pair%%:*}.ini" >/dev/null || missing+=("php$PHP_VERSION-${pair##*:}")
    done
    local package
    for package in "$@"; do
        dpkg -s "$package" >/dev/null 2>&1 || missing+=("$package")
    done
    [ ${#missing[@]} -eq 0 ] && return
    [ "$(id -u)" -eq 0 ] || die "These Debian packages are missing: ${missing[*]}. Run this as root once, or install them."
    step "Debian's package list" apt-get update -qq
    step "Debian packages: ${missing[*]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}"
}

# Vite needs Node.js 20.19 or later; Debian 12 has 18, and the registry of npm has the same program as a package.
ensure_node() {
    export PATH="$PROJECT/var/node/bin:$PATH"
    if ! node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=19)?0:1)' 2>/dev/null; then
        mkdir -p "$PROJECT/var/node"
        step "Node.js 22" npm install --prefix "$PROJECT/var/node" --no-audit --no-fund --no-save "node-linux-$(uname -m | sed "s/x86_64/x64/;s/aarch64/arm64/")@22.23.3"
        mkdir -p "$PROJECT/var/node/bin"
        ln -sf "$PROJECT"/var/node/node_modules/node-linux-*/bin/node "$PROJECT/var/node/bin/node"
        hash -r
    fi
}

ensure_composer() {
    local stamp=$PROJECT/vendor/.stamp now
    now=$(fingerprint "$PROJECT/composer.json" "$PROJECT/composer.packages.json")
    [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$now" ] && return
    # Composer keeps no lock file here. Every package, also those that only others want, is asked for in the version that was
    # tested, and what came is held against the hashes of that.
    local with=()
    mapfile -t with < <(php$PHP_VERSION -r 'foreach (json_decode(file_get_contents($argv[1]), true) as $name => $package) { echo "--with=$name:{$package["version"]}\n"; }' "$PROJECT/composer.packages.json")
    step "PHP libraries" env COMPOSER_ALLOW_SUPERUSER=1 composer --working-dir="$PROJECT" update --no-interaction --no-progress --prefer-dist "${with[@]}"
    chmod -R a+rX "$PROJECT/vendor"
    php$PHP_VERSION "$PROJECT/bin/packages" check || die "The PHP libraries are not those of composer.packages.json: see above. Delete vendor/ and start again."
    printf '%s' "$now" >"$stamp"
}

ensure_frontend() {
    local modules=$PROJECT/frontend/node_modules build=$PROJECT/public/build now
    # The end-to-end tests stand beside the other tests and find their libraries through this.
    ln -sfn ../frontend/node_modules "$PROJECT/tests/node_modules"
    now=$(fingerprint "$PROJECT/frontend/package-lock.json")
    if [ ! -f "$modules/.stamp" ] || [ "$(cat "$modules/.stamp")" != "$now" ]; then
        step "Front-end libraries" npm --prefix "$PROJECT/frontend" ci --no-audit --no-fund
        printf '%s' "$now" >"$modules/.stamp"
    fi
    now=$(fingerprint "$PROJECT/frontend/src" "$PROJECT/frontend/index.html" "$PROJECT/frontend/package-lock.json" "$PROJECT/frontend/vite.config.ts")
    if [ ! -f "$build/.stamp" ] || [ "$(cat "$build/.stamp")" != "$now" ]; then
        step "Front end" npm --prefix "$PROJECT/frontend" run build
        printf '%s' "$now" >"$build/.stamp"
    fi
}
