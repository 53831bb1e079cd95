#!/usr/bin/env bash
# A backup of a running demonstration, restored under another name: the same entries, the same picture, the same protection.
# usage: tests/servers/backup.sh   (YP_PORT and YP_DB_PORT as for bin/start)
set -euo pipefail
project=$(cd "$(dirname "$0")/../.." && pwd)
work=$(mktemp -d)
export YP_PORT=${YP_PORT:-8192} YP_DB_PORT=${YP_DB_PORT:-13492}
address=http://127.0.0.1:$YP_PORT log=$work/start.log

. "$project/tests/servers/installation.sh"
finish() {
    stop
    rm -rf "$work" "$project/var/backed-up" "$project/var/restored"
}
trap finish EXIT
ask() { curl -fsS -b "$work/cookies" -c "$work/cookies" -H 'Content-Type: application/json' "$@"; }
login() { ask -o /dev/null -d '{"email":"ines@brindle.example","password":"two-probes"}' "$address/api/login"; }

rm -rf "$project/var/backed-up" "$project/var/restored"
YP_INSTANCE=backed-up start
login
call=$(ask "$address/api/calls" | php8.2 -r 'echo json_decode(stream_get_contents(STDIN))->calls[0]->id;')
entry=$(php8.2 -r 'require "'"$project"'/vendor/autoload.php"; echo new Symfony\Component\Uid\UuidV7();')
php8.2 -r 'ob_start(); imagepng(imagecreatetruecolor(30, 20)); $png = base64_encode(ob_get_clean()); echo json_encode(["id" => $argv[1], "kind" => "seen", "at" => gmdate("Y-m-d\TH:i:s\Z"), "payload" => ["text" => "A picture for the backup.", "photo" => "data:image/png;base64,$png"]]);' "$entry" >"$work/entry.json"
ask -o /dev/null -d "@$work/entry.json" "$address/api/calls/$call/observations"
ask "$address/api/calls/$call/observations/$entry/photo" >"$work/before.jpg"
ask "$address/api/calls/$call" | php8.2 -r 'echo json_encode(json_decode(stream_get_contents(STDIN))->observations);' >"$work/before.json"
YP_INSTANCE=backed-up "$project/bin/backup" "$work/backup"
YP_INSTANCE=backed-up "$project/bin/backup" "$work/backup" 2>/dev/null && { echo 'A backup was overwritten.' >&2; exit 1; }
grep -q APP_SECRET "$work/backup.secrets"
! grep -rqa "$(sed -n 's/^DB_PASSWORD=//p' "$work/backup.secrets")" "$work/backup" || { echo 'A secret is in the backup itself.' >&2; exit 1; }
stop

YP_INSTANCE=restored "$project/bin/restore" "$work/backup"
YP_INSTANCE=restored "$project/bin/restore" "$work/backup" 2>/dev/null && { echo 'Data was overwritten.' >&2; exit 1; }
YP_INSTANCE=restored start
rm -f "$work/cookies"
login
ask "$address/api/calls/$call/observations/$entry/photo" | cmp - "$work/before.jpg"
ask "$address/api/calls/$call" | php8.2 -r 'echo json_encode(json_decode(stream_get_contents(STDIN))->observations);' | cmp - "$work/before.json"
password=$(sed -n 's/^DB_PASSWORD=//p' "$project/var/restored/secrets")
for sql in 'DELETE FROM observation' 'TRUNCATE observation' 'DROP TRIGGER observation_no_delete' 'ALTER TABLE observation ADD x INT' 'DROP TABLE mail'; do
    ! MYSQL_PWD=$password mariadb --no-defaults -h127.0.0.1 -P"$YP_DB_PORT" -uprobe probe -e "$sql" 2>/dev/null || { echo "The user of the application may: $sql" >&2; exit 1; }
done
stop
printf '\nx' >>"$work/backup/files.tar"
rm -rf "$project/var/restored"
! YP_INSTANCE=restored "$project/bin/restore" "$work/backup" 2>/dev/null || { echo 'A broken backup was restored.' >&2; exit 1; }
echo 'Backed up and restored: entries, picture and protection are the same.'
