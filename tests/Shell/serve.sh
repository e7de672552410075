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
    status -b "$folder/cookies" -H "X-XSRF-TOKEN: $token" -H "X-Press: $(date +%s%N)" -H "Origin: $at" --data-urlencode "name=$1" -d quantity=2 "$at/jobs"
}

start
is 'it answers under the name it was given' 200 "$(status -H "Host: bench.test:$port" "$at/jobs")"
is 'and under no other' 421 "$(status -H 'Host: elsewhere.example' "$at/jobs")"
is 'nothing but its public folder is served' 404 "$(status "$at/.env")"
script=$(curl -s "$at/jobs" | grep -o '/build/assets/app-[^"]*\.js' | head -1)
is 'scripts come packed and are kept for a year' 'gzip public, max-age=31536000, immutable' "$(curl -s -o /dev/null -D - -H 'Accept-Encoding: gzip' "$at$script" | tr -d '\r' | awk -F': ' 'tolower($1) == "content-encoding" { e = $2 } tolower($1) == "cache-control" { c = $2 } END { print e, c }')"
is 'the owner is let in by a link that is printed here' 1 "$(grep -cE 'https://bench.test:[0-9]+/welcome/[0-9a-f]{40}' "$folder/log")"
is 'whoever comes from elsewhere says who they are' '302 /sign-in?to=%2Fjobs' "$(curl -s -o /dev/null -D - -H 'X-Forwarded-For: 192.0.2.7' "$at/jobs" | tr -d '\r' | awk 'NR == 1 { s = $2 } tolower($1) == "location:" { sub(/^http:\/\/[^\/]*/, "", $2); l = $2 } END { print s, l }')"
is 'and a link is the way back in' 1 "$(bin/workshop --data "$folder/shop" owner | grep -cE '^https://bench.test:[0-9]+/welcome/')"
is 'what is read once is there for whoever serves' 0 "$([ "$(id -u)" -ne 0 ] && echo 0 || find "$folder/shop/storage" -user root | wc -l)"
safe=https://bench.test:$((port + 363))
safely() { curl -s --cacert "$folder/shop/tls/authority.crt" --resolve "bench.test:$((port + 363)):127.0.0.1" "$@"; }
is 'it is safe under its name, by an authority of its own' 200 "$(safely -o /dev/null -w '%{http_code}' "$safe/up")"
is 'and a cookie given there goes over no other wire' 1 "$(safely -o /dev/null -D - "$safe/token" | grep -ci '^set-cookie: apalos.*secure')"
is 'the key of that authority is for nobody else' 600 "$(stat -c %a "$folder/shop/tls/authority.key")"
is 'what a tablet is given to trust is that authority' "$(sha256sum <"$folder/shop/tls/authority.crt")" "$(curl -s "$at/authority.crt" | sha256sum)"
is 'nobody is told what it runs on' '' "$(curl -s -o /dev/null -D - "$at/jobs" | grep -i '^x-powered-by' || true)"
is 'a job is made' 302 "$(job 'Kept through a fire')"
photo() { # keep a formula with a photo, as a browser would
    local token
    token=$(awk '$6 == "XSRF-TOKEN" { print $7 }' "$folder/cookies" | php -r 'echo urldecode(trim(stream_get_contents(STDIN)));')
    php -r 'imagejpeg(imagecreatetruecolor(3000, 2000), $argv[1]);' "$folder/photo.jpg"
    status -b "$folder/cookies" -H "X-XSRF-TOKEN: $token" -H "X-Press: $(date +%s%N)" -H "Origin: $at" -F name=Brow -F kind=mix -F 'recipe={"base": "pr-10", "additives": []}' -F "photo=@$folder/photo.jpg" "$at/formulas"
}
is 'a photo is unpacked beside the page' 302 "$(photo)"
is 'and is there, smaller' 2000 "$(curl -s "$at/versions/1/photo" | php -r 'echo getimagesizefromstring(stream_get_contents(STDIN))[0];')"
is 'it stands among the jobs' 1 "$(curl -s "$at/jobs" | grep -c 'Kept through a fire')"
bin/backup --data "$folder/shop" --to "$folder/backups" --keep 3 >"$folder/said"
is 'a backup is taken while it runs, and proves itself' 1 "$(grep -c 'proved part by part' "$folder/said")"
root=$PWD
(cd "$folder" && "$root/bin/backup" --data shop --to beside >/dev/null)
is 'a path is where the caller stands' 1 "$(ls "$folder"/beside/*.zip | wc -l)"
is 'and nobody else reads it' '600 700' "$(stat -c %a "$folder"/beside/*.zip) $(stat -c %a "$folder/beside")"
# The worker itself: whoever it runs under goes a moment later than it.
work() { pgrep -f '^php .*queue:work database --queue=at-once,default' | sort -n | tail -1; }
before=$(work)
kill -9 "$before"
for _ in $(seq 200); do [ -n "$(work)" ] && [ "$(work)" != "$before" ] && break; sleep 0.2; done
is 'a worker that was killed is begun anew' yes "$([ -n "$(work)" ] && [ "$(work)" != "$before" ] && echo yes)"
(
    ulimit -n 4096
    exec php -r '$open = []; for ($i = 0; $i < 2000; $i++) { $s = @stream_socket_client("tcp://".$argv[1], $n, $e, 2); if ($s === false) { break; } fwrite($s, "GET / HTTP/1.1\r\nHost: bench.test\r\nX-Slow:"); $open[] = $s; } file_put_contents($argv[2], (string) count($open)); sleep(30);' "127.0.0.1:$port" "$folder/half"
) &
half=$!
for _ in $(seq 100); do [ -s "$folder/half" ] && break; sleep 0.1; done
is 'two thousand connections that say nothing' 2000 "$(cat "$folder/half")"
is 'keep nobody from the bench' 200 "$(status -m 5 "$at/jobs")"
sleep 10
is 'and are let go of soon' yes "$([ "$(ss -Htn state established "sport = :$port" 2>/dev/null | wc -l)" -lt 100 ] && echo yes)"
kill "$half" 2>/dev/null || true
is 'a watcher is told how it keeps' 5 "$(curl -s "$at/up" | grep -cE '^(Apalos is up|clock: |queue: |backup: |disk: )')"
is 'a question that is too long is turned away' 413 "$(head -c 400000 /dev/zero | tr '\0' x | status -X POST -H 'Content-Type: application/json' --data-binary @- "$at/api/reckon/mix")"
is 'while it is served nothing is put back over it' 1 "$(bin/restore --data "$folder/shop" "$folder"/backups/*.zip >/dev/null 2>&1; echo $?)"
is 'another job is made' 302 "$(job 'Made after the backup')"
stop
rm -f "$folder"/shop/apalos.sqlite*
bin/restore --data "$folder/shop" "$folder"/backups/*.zip >"$folder/said"
is 'the backup is put back' 1 "$(grep -c 'It is back' "$folder/said")"
start
is 'it was read through once' 1 "$(grep -c 'All of it can be read' "$folder/said")"
is 'what was in it is there' 1 "$(curl -s "$at/jobs" | grep -c 'Kept through a fire')"
is 'what came later is not' 0 "$(curl -s "$at/jobs" | grep -c 'Made after the backup' || true)"
is 'work goes on' 302 "$(job 'And on')"
links=$(bin/workshop --data "$folder/shop" shops 'Kiln & Co' kiln)
is 'one more shop is opened, and each owner has a link' '1 1' "$(grep -c '^The owner of our-workshop .*/welcome/' <<<"$links") $(grep -c '^The owner of kiln .*/welcome/' <<<"$links")"
is 'and from then on everybody says who they are' 302 "$(status "$at/jobs")"
is 'what the console left is there for whoever serves' 0 "$([ "$(id -u)" -ne 0 ] && echo 0 || find "$folder/shop/storage" -user root | wc -l)"
bin/everything --data "$folder/shop" give "$folder/kiln.zip" --shop kiln >/dev/null
is 'everything of one shop is of that one' 0 "$(php -r '$zip = new ZipArchive; $zip->open($argv[1]); echo substr_count((string) $zip->getFromName("jobs.jsonl"), "\n");' "$folder/kiln.zip")"
