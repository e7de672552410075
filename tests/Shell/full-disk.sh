#!/usr/bin/env bash
# Serves a workshop from a disk that fills up: reading goes on, writing says so in words, and goes on when there is room again.
# Needs a small disk of its own, and so the right to mount one; without it there is nothing to try.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/../.."
folder=$(mktemp -d /tmp/apalos-full.XXXXXX)
if ! mount -t tmpfs -o size=12m tmpfs "$folder" 2>/dev/null; then
    echo "  no disk can be mounted here: not tried"
    rmdir "$folder"
    exit 0
fi
chmod 755 "$folder"
port=$(php -r '$s = stream_socket_server("tcp://127.0.0.1:0"); echo substr(strrchr(stream_socket_get_name($s, false), ":"), 1);')
at=http://127.0.0.1:$port
log=$(mktemp)
setsid bin/serve --data "$folder/shop" --port "$port" --listen 127.0.0.1 >"$log" 2>&1 &
serving=$!
end() {
    kill "$serving" 2>/dev/null || true
    wait "$serving" 2>/dev/null || true
    umount -l "$folder" && rmdir "$folder"
    rm -f "$log" "$log.cookies"
}
trap end EXIT
for _ in $(seq 600); do
    grep -q 'Ctrl-C stops it' "$log" && curl -sf "$at/up" >/dev/null && break
    sleep 0.2
done
is() { # is WHAT WANTED GOT
    [ "$2" = "$3" ] || { echo "$1: wanted “$2”, got “$3”"; cat "$log"; exit 1; }
    echo "  $1"
}
screens=(/first /jobs /frame /formulas /swatches /swatches/drawer /log /stores /contacts)
all() { for screen in "${screens[@]}"; do curl -s -o /dev/null -w '%{http_code}\n' "$at$screen"; done | sort -u | tr '\n' ' '; }
is 'every screen stands' '200 ' "$(all)"
curl -s -c "$log.cookies" -o /dev/null "$at/token"
token=$(awk '$6 == "XSRF-TOKEN" { print $7 }' "$log.cookies" | php -r 'echo urldecode(trim(stream_get_contents(STDIN)));')
# More than fits into what the database has left over.
long=$(head -c 1900 /dev/zero | tr '\0' x)
job() { curl -s -b "$log.cookies" -H "X-XSRF-TOKEN: $token" -H "X-Press: $(date +%s%N)" -H 'Accept: application/json' -H 'Content-Type: application/json' -d "{\"name\": \"$1\", \"quantity\": 1, \"purpose\": \"$long\"}" -w '%{http_code}' "$at/jobs"; }
is 'a job is made' 302 "$(job Before | tail -c 3)"
dd if=/dev/zero of="$folder/fill" bs=1k count=20000 2>/dev/null || true
is 'the disk is full, and every screen can be read' '200 ' "$(all)"
is 'every screen says so' 1 "$(curl -s "$at/frame" | grep -c 'its disk is full')"
said=$(job While)
is 'what is to be written is refused for now' 503 "$(echo "$said" | tail -c 4)"
is 'in words' 1 "$(echo "$said" | grep -c 'kept on this device and arrives by itself')"
rm "$folder/fill"
is 'with room again it goes on' 302 "$(job After | tail -c 3)"
is 'and nothing is half there' 'After Before ' "$(php -r '$d = new PDO("sqlite:$argv[1]"); echo $d->query("pragma integrity_check")->fetchColumn() === "ok" ? "" : "damaged ", implode(" ", $d->query("select name from jobs order by name")->fetchAll(PDO::FETCH_COLUMN)), " ";' "$folder/shop/apalos.sqlite")"
