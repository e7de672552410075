<?php

declare(strict_types=1);

// Forty tablets at one bench whose day does not fit: how long the frame of a screen takes while things are written down. Each tablet asks
// every few seconds, as a screen does; every second something happens, so that the day is laid anew. php bench/tablets.php [--seconds 40].
// Ends with 1 where nineteen of twenty frames do not come within their limit.

use Tests\Attack\Bench;

require __DIR__.'/../vendor/autoload.php';

const TABLETS = 40;
const EVERY_S = 5.0;
const LIMIT_S = 0.4;
$at = array_search('--seconds', $argv, true);
$seconds = (float) ($at === false ? 40 : $argv[$at + 1]);

$bench = new Bench;
register_shutdown_function($bench->close(...));
$bench->start();
$db = $bench->database();
for ($i = 0; $i < 30; $i++) {
    $job = $db->query(
        "insert into jobs (workshop_id, name, quantity, created_at, updated_at) values (1, 'Glove {$i}', 1, '2026-01-01', '2026-01-01') returning id",
    )->fetchColumn();
    $db->exec(
        "insert into impressions (workshop_id, job_id, position, kind, name, material, surface) values (1, {$job}, 0, 'original', 'Last', '', 'acrylic')",
    );
    $link = $db->query(
        "insert into impressions (workshop_id, job_id, position, kind, name, material) values (1, {$job}, 1, 'mould', 'Glove', 'br-28') returning id",
    )->fetchColumn();
    $bench->send('POST', "/impressions/{$link}/builds", [
        'kind' => 'glove-silicone',
        'measured' => ['area_mm2' => 40_000 + 500 * $i, 'flange_mm2' => 9_000, 'fill_ml' => 20, 'wall_mm' => ['least' => 4, 'most' => 5]],
    ]);
}
// So many coats, and hands for an hour a day: windows shut before anybody is free.
$edition = (int) $db->query('select edition from workshops')->fetchColumn();
$told = $bench->send('PUT', "/workshop?edition={$edition}", ['day_starts_min' => 600, 'day_ends_min' => 660, 'hands' => 1]);
$day = json_decode($bench->send('GET', '/day/state')['body'], true);
printf(
    "%d builds on the bench, the day %s\n",
    (int) $db->query('select count(*) from builds where plain = 0 and ended_at is null')->fetchColumn(),
    ($day['because'] ?? null) === null
        ? 'fits'
        : 'does not fit: '.mb_strimwidth((string) json_encode($day['because'], JSON_UNESCAPED_UNICODE), 0, 160, '…'),
);
$pour = (int) $db->query("select id from pours where state = 'waiting' order by id desc limit 1")->fetchColumn();

$until = microtime(true) + $seconds;
$parts = [];
for ($tablet = 0; $tablet <= TABLETS; $tablet++) {
    $file = "{$bench->folder}/tablet-{$tablet}";
    $parts[pcntl_fork()] = $file;
    if (array_key_last($parts) !== 0) {
        continue;
    }
    mt_srand(1911 + $tablet);
    $took = [];
    usleep(mt_rand(0, (int) (EVERY_S * 1e6)));
    while (microtime(true) < $until) {
        if ($tablet === TABLETS) {
            $bench->send('POST', "/pours/{$pour}/events", [
                'key' => 'tablets-'.count($took), 'kind' => 'noted', 'payload' => ['text' => 'something happens'],
            ]);
            $took[] = 0.0;
            sleep(1);

            continue;
        }
        $answer = $bench->send('GET', '/frame');
        $took[] = $answer['status'] === 200 ? $answer['s'] : 99.0;
        usleep((int) (1e6 * EVERY_S * (0.8 + mt_rand(0, 400) / 1000)));
    }
    file_put_contents($file, $tablet === TABLETS ? '' : implode("\n", $took));
    posix_kill(posix_getpid(), SIGKILL);
}
foreach (array_keys($parts) as $child) {
    pcntl_waitpid($child, $status);
}
$took = array_map(
    floatval(...),
    array_filter(
        explode("\n", implode("\n", array_map(static fn (string $file): string => (string) @file_get_contents($file), $parts))),
        static fn (string $line): bool => $line !== '',
    ),
);
sort($took);
$share = static fn (float $of): float => $took[(int) floor($of * (count($took) - 1))];
printf(
    "%d frames for %d tablets in %.0f s: median %.0f ms, p95 %.0f ms, slowest %.0f ms (limit for p95 %.0f ms)\n", count($took), TABLETS,
    $seconds, 1e3 * $share(0.5), 1e3 * $share(0.95), 1e3 * $share(1.0), 1e3 * LIMIT_S,
);
exit($share(0.95) <= LIMIT_S ? 0 : 1);
