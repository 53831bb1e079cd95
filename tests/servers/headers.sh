#!/usr/bin/env bash
# What stands in the head of every kind of answer of a running installation, and who is answered at all.
# usage: tests/servers/headers.sh http://127.0.0.1:8090
set -euo pipefail
address=$1
failed=0
fail() { printf '%s\n' "$*" >&2; failed=1; }
asset=$(curl -fsS "$address/" | grep -o '/assets/[^"]*\.js' | head -n 1)
for path in / "$asset" /no/such/page /assets/none.js /api/health /api/setting /api/me /api/none /api/openapi.json; do
    head=$(curl -sS -o /dev/null -D - "$address$path" | tr 'A-Z' 'a-z')
    for wanted in 'x-content-type-options: nosniff' 'referrer-policy: same-origin' 'x-frame-options: deny' "content-security-policy: default-src 'none'; script-src 'self'; style-src 'self';" 'cross-origin-opener-policy: same-origin' 'permissions-policy: ' 'x-request-id: '; do
        grep -qF "$wanted" <<<"$head" || fail "$path has no $wanted"
    done
    [ "$(grep -c '^content-security-policy' <<<"$head")" = 1 ] || fail "$path has several content policies"
    ! grep -q '^strict-transport-security' <<<"$head" || fail "$path says HSTS without a proxy that is believed"
    ! grep -q '^set-cookie' <<<"$head" || fail "$path begins a session for whoever has not logged in"
    ! grep -qi 'x-powered-by\|server: .*[0-9]' <<<"$head" || fail "$path tells versions"
done
[ "$(curl -sS -o /dev/null -w '%{http_code}' -H 'Host: elsewhere.example' "$address/api/health")" = 421 ] || fail 'Another host name is answered.'
[ "$(curl -sS -o /dev/null -w '%{http_code}' -H 'X-Forwarded-Proto: https' -H 'X-Forwarded-For: 10.1.1.1' "$address/api/setting")" = 200 ] || fail 'A header of a stranger changes an answer.'
large=$(curl -sS -w ' %{http_code}' -H 'Content-Type: application/json' --data-binary @<(head -c 2000000 /dev/zero | tr '\0' x) "$address/api/login")
[[ $large == *413 && $large == *'1 MB'* ]] || fail "A request that is too large is answered with: $large"
[ "$failed" = 0 ] && echo 'Every kind of answer has its headers.'
exit "$failed"
