<?php

declare(strict_types=1);

// What pages and live numbers cost: on the demo workshop, after ten busy years (100,000 pours), and beside an empty page of the
// same framework in the same run. php bench/pages.php [times] [--at FOLDER], where FOLDER keeps the two databases for the next
// run; `--grow` makes them and looks at nothing. Ends with 1 where something is over its budget; `--slack 1.5` forgives a busy machine
// so much of its times.

use Symfony\Component\Process\Process;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/Server.php';

const ROOT = __DIR__.'/..';
const PAGES = [
    '/', '/jobs', '/jobs/1', '/formulas', '/formulas/1', '/swatches', '/swatches/drawer', '/swatches/colour', '/swatches/series',
    '/swatches/labels', '/log', '/day', '/study', '/builds/{build}', '/stores', '/stores/lots/{lot}', '/contacts', '/rack', '/rack/{mould}',
    '/jobs/1/cost', '/trials/1', '/pours/{draft}', '/pours/{live}/run', '/pours/{live}/kept',
];
const LIVE = ['/frame', '/pours/{live}/state'];
// What looks through everything that was ever poured may take longer, but not long.
const ASKED = ['/log?q=egg', '/swatches/drawer?colour=62+14+18', '/jobs?q=brow', '/find?q=ow', '/faults', '/rack?q=block'];
const ASKED_MS = 200.0;
const PAGE_TIMES_EMPTY = 3.0;
const LIVE_TIMES_EMPTY = 2.0;
const GROWN_TIMES_DEMO = 1.5;
const MOST_MB = 64.0;
const MOST_KB = 300.0;
// Below this a difference is that of the machine, not of the page.
const NOISE_MS = 2.0;

$slackAt = array_search('--slack', $argv, true);
$slack = $slackAt === false ? 1.0 : max(1.0, (float) ($argv[$slackAt + 1] ?? 1));
$times = max(5, (int) ($argv[1] ?? 15));
$at = array_search('--at', $argv, true);
$folder = $at === false ? sys_get_temp_dir().'/apalos-pages-'.getmypid() : rtrim((string) ($argv[$at + 1] ?? ''), '/');
is_dir($folder) || mkdir($folder, 0700, true);
$folder = (string) realpath($folder); // the servers stand elsewhere
[$demo, $grown] = ["{$folder}/demo.sqlite", "{$folder}/grown.sqlite"];
$stamp = hash('sha256', implode('', array_map(file_get_contents(...), [
    ...glob(ROOT.'/database/migrations/*.php'), ...glob(ROOT.'/database/seeders/*.php'),
])));
if (@file_get_contents("{$folder}/stamp") !== $stamp || ! is_file($grown)) {
    fwrite(STDERR, "Growing a workshop of ten years ...\n");
    @unlink($demo);
    touch($demo);
    artisan($demo, 'migrate', '--force');
    artisan($demo, 'db:seed', '--force');
    (new PDO("sqlite:{$demo}"))->query('pragma wal_checkpoint(truncate)')?->fetchAll();
    copy($demo, $grown);
    artisan($grown, 'db:seed', '--force', '--class=Database\Seeders\GrownWorkshop');
    (new PDO("sqlite:{$grown}"))->query('pragma wal_checkpoint(truncate)')?->fetchAll();
    file_put_contents("{$folder}/stamp", $stamp);
}
if (in_array('--grow', $argv, true)) {
    exit(0);
}

$servers = [
    'demo' => new Server($demo, $folder), 'grown' => new Server($grown, $folder),
    'empty' => new Server($demo, $folder, __DIR__.'/empty.php'),
];
$db = new PDO("sqlite:{$demo}");
$named = [
    '{lot}' => $db->query('select max(lot_id) from lot_draws')?->fetchColumn(),
    '{mould}' => $db->query('select mould_id from pour_moulds group by mould_id order by count(*) desc limit 1')?->fetchColumn(),
    '{build}' => $db->query('select max(id) from builds where ended_at is null and plain = 0')?->fetchColumn(),
    '{draft}' => $db->query("select max(id) from pours where state = 'draft'")?->fetchColumn(),
    '{live}' => $db->query("select max(id) from pours where state = 'running'")?->fetchColumn(),
];

/**
 * In turns, so that a machine that is busy for a while is busy for all three.
 *
 * @return array{demo: float, grown: float, empty: float, kb: float, mb: float} medians in ms
 */
$look = static function (string $path, int $times) use ($servers): array {
    $took = [];
    for ($i = -1; $i < $times; $i++) {
        foreach ($servers as $which => $server) {
            $answer = $server->get($which === 'empty' ? '/' : $path);
            if ($i >= 0) {
                $took[$which][] = $answer['ms'];
            }
            if ($which === 'grown') {
                [$kb, $mb] = [$answer['bytes'] / 1000.0, $answer['peak'] / 1e6];
            }
        }
    }
    array_walk($took, static function (array &$of): void {
        sort($of);
        $of = $of[intdiv(count($of), 2)];
    });

    return [...$took, 'kb' => $kb, 'mb' => $mb];
};

$isOver = false;
printf(
    "medians of %d, in turns\n\n%-22s %8s %8s %8s %7s %7s %8s %5s\n", $times, '', 'empty ms', 'demo ms', 'grown ms', 'x empty', 'x demo',
    'kB', 'MB',
);
foreach ([...PAGES, ...LIVE, ...ASKED] as $path) {
    $url = strtr($path, array_map(strval(...), $named));
    $isAsked = in_array($path, ASKED, true);
    $most = $isAsked ? INF : (in_array($path, LIVE, true) ? LIVE_TIMES_EMPTY : PAGE_TIMES_EMPTY);
    // A busy machine makes a page slow now and then; a slow page is slow each time.
    for ($try = 1; $try <= 3; $try++) {
        ['demo' => $ms, 'grown' => $grownMs, 'empty' => $empty, 'kb' => $kb, 'mb' => $mb] = $look($url, $times);
        $slow = array_filter([
            $ms > $slack * $most * $empty ? sprintf('more than %g times an empty page', $most) : null,
            ! $isAsked && $grownMs > $slack * GROWN_TIMES_DEMO * $ms + NOISE_MS
                ? sprintf('more than %g times the demo', GROWN_TIMES_DEMO)
                : null,
            $isAsked && $grownMs > $slack * ASKED_MS ? sprintf('more than %g ms', ASKED_MS) : null,
            $mb > MOST_MB ? sprintf('more than %g MB of memory', MOST_MB) : null,
            $kb > MOST_KB ? sprintf('more than %g kB', MOST_KB) : null,
        ]);
        if ($slow === []) {
            break;
        }
    }
    $isOver = $isOver || $slow !== [];
    printf(
        "%-22s %8.1f %8.1f %8.1f %7.1f %7.1f %8.0f %5.0f  %s\n", $path, $empty, $ms, $grownMs, $ms / $empty, $grownMs / $ms, $kb, $mb,
        implode(', ', $slow),
    );
}
array_map(static fn (Server $server) => $server->stop(), $servers);
if ($at === false) {
    (new Process(['rm', '-rf', $folder]))->run();
}
exit($isOver ? 1 : 0);

function artisan(string $database, string ...$command): void
{
    (
        new Process(
            [PHP_BINARY, '-d', 'memory_limit=3G', 'artisan', ...$command], ROOT,
            ['DB_DATABASE' => $database, 'DB_CONNECTION' => 'sqlite', 'APP_ENV' => 'production'], null, 600.0,
        )
    )->mustRun();
}
