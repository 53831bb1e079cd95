#!/usr/bin/env bash
# A firm's own installation behind a proxy that ends TLS: empty at first, its owner made by command and let in by link, cookies
# and answers as they have to be there; and that it and a demonstration cannot be turned into each other.
# usage: tests/servers/production.sh   (YP_PORT and YP_DB_PORT as for bin/start)
set -euo pipefail
project=$(cd "$(dirname "$0")/../.." && pwd)
work=$(mktemp -d)
export YP_PORT=${YP_PORT:-8192} YP_DB_PORT=${YP_DB_PORT:-13492} YP_INSTANCE=production YP_MODE=production YP_PUBLIC_HOST=probe.hallam.example YP_TRUSTED_PROXIES=127.0.0.1
address=http://127.0.0.1:$YP_PORT log=$work/start.log
. "$project/tests/servers/installation.sh"
fail() { printf '%s\n' "$*" >&2; exit 1; }
finish() {
    stop
    rm -rf "$work" "$project/var/production"
}
trap finish EXIT
# As the proxy sends it.
ask() { curl -sS -H 'Host: probe.hallam.example' -H "X-Forwarded-Proto: ${proto:-https}" -H 'X-Forwarded-For: 203.0.113.7' -H 'Content-Type: application/json' "$@"; }

rm -rf "$project/var/production"
start
grep -q 'firm:create' "$log" || fail 'It does not say how a firm is made.'
ask "$address/api/setting" | grep -q '"demonstration":false' || fail 'It says that it is a demonstration.'
[ "$(ask -o /dev/null -w '%{http_code}' -d '{"email":"ines@brindle.example","password":"two-probes"}' "$address/api/login")" = 401 ] || fail 'The demonstration is let in.'

token=$("$project/bin/yellow-probe" firm:create --firm 'Hallam and Daughter' --email ada@hallam.example --name 'Ada Hallam' --link https://probe.hallam.example | sed -n 's/.*#//p')
[ -n "$token" ] || fail 'No link was printed.'
[ "$(ask -o /dev/null -w '%{http_code}' -d "{\"token\":\"$token\",\"password\":\"lamp kettle stair nine\"}" "$address/api/password-links/use")" = 204 ] || fail 'The link is not good.'
ask -o /dev/null -D "$work/head" -d '{"email":"ada@hallam.example","password":"lamp kettle stair nine"}' "$address/api/login"
head=$(tr 'A-Z' 'a-z' <"$work/head")
# Sent by hand: a browser, and curl too, keeps a Secure cookie only over TLS.
cookie=$(sed -n 's/^Set-Cookie: \(yp_session=[^;]*\);.*/\1/p' "$work/head")
grep -q '^http/1.1 200' <<<"$head" || fail "The owner is not let in: $head"
grep '^set-cookie: yp_session' <<<"$head" | grep 'secure' | grep 'httponly' | grep -q 'samesite=strict' || fail "The cookie is not as it has to be: $head"
grep -q '^strict-transport-security: max-age=31536000' <<<"$head" || fail 'No HSTS behind a proxy that is believed.'
for path in / /api/setting; do
    ask -o /dev/null -D - "$address$path" | grep -qi '^strict-transport-security' || fail "No HSTS on $path."
    ! proto=http ask -o /dev/null -D - "$address$path" | grep -qi '^strict-transport-security' || fail "HSTS on $path without TLS."
done
ask -H "Cookie: $cookie" "$address/api/me/logins" | grep -q '203.0.113.7' || fail 'The address that the proxy tells is not taken.'
ask -H "Cookie: $cookie" "$address/api/calls" | grep -q '"calls":\[\]' || fail 'It is not empty.'
stop

! YP_MODE=demonstration "$project/bin/start" >"$work/again.log" 2>&1 </dev/null || fail 'A firm became a demonstration.'
grep -q 'of a production' "$work/again.log" || fail "It does not say why: $(cat "$work/again.log")"
mkdir -p "$project/var/production-demo" && printf demonstration >"$project/var/production-demo/mode"
! YP_INSTANCE=production-demo "$project/bin/start" >"$work/again.log" 2>&1 </dev/null || fail 'A demonstration became a firm.'
grep -q 'of a demonstration' "$work/again.log" || fail "It does not say why: $(cat "$work/again.log")"
rm -rf "$project/var/production-demo"
echo 'A firm of its own: empty, made by command, let in by link, Secure and HSTS behind its proxy.'
