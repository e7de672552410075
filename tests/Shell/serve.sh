#!/usr/bin/env bash
# Serves a workshop as docs/deploy.md says, has a job made in it, takes a backup while it runs, loses everything, and puts it back.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/../.."
folder=$(mktemp -d /tmp/apalos-serve.XXXXXX)
chmod 755 "$folder"
port=$(php -r '$s = stream_socket_server("tcp://127.0.0.1:0"); echo substr(strrchr(stream_socket_get_name($s, false), ":"), 1);')
at=http://127.0.0.1:$port
serving=
start() {
    setsid bin/serve --data "$folder/shop" --port "$port" --listen 127.0.0.1 --name bench.test >"$folder/log" 2>&1 &
    serving=$!
    for _ in $(seq 600); do
        grep -q 'Ctrl-C stops it' "$folder/log" && curl -sf "$at/up" >/dev/null && return
        kill -0 "$serving" 2>/dev/null || break
        sleep 0.2
    done
    echo "It did not start:"
    cat "$folder/log"
    exit 1
}
stop() {
    [ -z "$serving" ] || kill "$serving" 2>/dev/null || true
    wait "$serving" 2>/dev/null || true
    serving=
}
trap 'stop; rm -rf "$folder"' EXIT
is() { # is WHAT WANTED GOT
    [ "$2" = "$3" ] || { echo "$1: wanted “$2”, got “$3”"; exit 1; }
    echo "  $1"
}
status() { curl -s -o /dev/null -w '%{http_code}' "$@"; }
job() { # make a job, as a browser would
    curl -s -c "$folder/cookies" -o /dev/null "$at/token"
    local token
    token=$(awk '$6 == "XSRF-TOKEN" { print $7 }' "$folder/cookies" | php -r 'echo urldecode(trim(stream_get_contents(STDIN)));')
    status -b "$folder/cookies" -H "X-XSRF-TOKEN: $token" -H "Origin: $at" --data-urlencode "name=$1" -d quantity=2 "$at/jobs"
}

start
is 'it answers under the name it was given' 200 "$(status -H "Host: bench.test:$port" "$at/jobs")"
is 'and under no other' 421 "$(status -H 'Host: elsewhere.example' "$at/jobs")"
is 'nothing but its public folder is served' 404 "$(status "$at/.env")"
script=$(curl -s "$at/jobs" | grep -o '/build/assets/app-[^"]*\.js' | head -1)
is 'scripts come packed and are kept for a year' 'gzip public, max-age=31536000, immutable' "$(curl -s -o /dev/null -D - -H 'Accept-Encoding: gzip' "$at$script" | tr -d '\r' | awk -F': ' 'tolower($1) == "content-encoding" { e = $2 } tolower($1) == "cache-control" { c = $2 } END { print e, c }')"
is 'nobody is told what it runs on' '' "$(curl -s -o /dev/null -D - "$at/jobs" | grep -i '^x-powered-by' || true)"
is 'a job is made' 302 "$(job 'Kept through a fire')"
is 'it stands among the jobs' 1 "$(curl -s "$at/jobs" | grep -c 'Kept through a fire')"
bin/backup --data "$folder/shop" --to "$folder/backups" --keep 3 >"$folder/said"
is 'a backup is taken while it runs, and proves itself' 1 "$(grep -c 'proved part by part' "$folder/said")"
is 'while it is served nothing is put back over it' 1 "$(bin/restore --data "$folder/shop" "$folder"/backups/*.zip >/dev/null 2>&1; echo $?)"
is 'another job is made' 302 "$(job 'Made after the backup')"
stop
rm -f "$folder"/shop/apalos.sqlite*
bin/restore --data "$folder/shop" "$folder"/backups/*.zip >"$folder/said"
is 'the backup is put back' 1 "$(grep -c 'It is back' "$folder/said")"
start
is 'what was in it is there' 1 "$(curl -s "$at/jobs" | grep -c 'Kept through a fire')"
is 'what came later is not' 0 "$(curl -s "$at/jobs" | grep -c 'Made after the backup' || true)"
is 'work goes on' 302 "$(job 'And on')"
