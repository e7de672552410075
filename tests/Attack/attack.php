<?php

declare(strict_types=1);

// Attacks a bench of its own: pulls its plug, presses everything at once, and hands it nonsense. php tests/Attack/attack.php [--long]
// [--seed N] [--without-kills]. The short one asks the same every time, so that what it finds can be found again; the long one tries
// something new. Ends with 1 where a confirmed fact was lost or doubled, or anything was answered with a breakdown.

use Tests\Attack\Bench;
use Tests\Attack\Nonsense;

require __DIR__.'/../../vendor/autoload.php';

$long = in_array('--long', $argv, true);
$at = array_search('--seed', $argv, true);
$seed = $at === false ? ($long ? random_int(1, 1_000_000) : 1911) : (int) ($argv[$at + 1] ?? 1);
mt_srand($seed);
[$kills, $storm, $mutations] = $long ? [200, 1000, 20_000] : [8, 200, 800];
in_array('--without-kills', $argv, true) && $kills = 0;
$wrong = [];
$fault = static function (string $what) use (&$wrong): void {
    $wrong[] = $what;
    echo "  !! {$what}\n";
};
// -- First visits at once make one shop.
$new = new Bench(isLivedIn: false);
register_shutdown_function($new->close(...));
$new->start();
$new->database()->exec('delete from workshops');
$new->atOnce(array_fill(0, 20, ['GET', '/', null, ['Accept: text/html']]), 20);
$shops = (int) $new->database()->query('select count(*) from workshops')->fetchColumn();
$shops === 1 || $fault("twenty first visits made {$shops} shops");
$new->close();

$bench = new Bench;
register_shutdown_function($bench->close(...));
$bench->start();
$db = $bench->database();
$column = static fn (string $sql): array => $db->query($sql)->fetchAll(PDO::FETCH_COLUMN);
echo "seed {$seed}\n";

// -- The plug is pulled while facts arrive: what was confirmed is there, once; what was not can be sent again.
$pour = (int) $column("select id from pours where state = 'waiting' order by id desc limit 1")[0];
[$confirmed, $sent] = [[], []];
for ($i = 0; $i < $kills; $i++) {
    // A bench that has just started is slow: it is pulled somewhere among thirty facts, however long those take here.
    $bench->atOnce(array_fill(0, 8, ['GET', "/pours/{$pour}/state"]), 4);
    $one = $bench->send('POST', "/pours/{$pour}/events", [
        'key' => "kill-{$i}-first", 'kind' => 'noted', 'payload' => ['text' => "first {$i}"],
    ])['s'];
    $facts = [];
    for ($n = 0; $n < 30; $n++) {
        $facts[] = [
            'POST', "/pours/{$pour}/events", ['key' => "kill-{$i}-{$n}", 'kind' => 'noted', 'payload' => ['text' => "pulled {$i}.{$n}"]],
        ];
        $sent["kill-{$i}-{$n}"] = $facts[$n];
    }
    $child = pcntl_fork();
    if ($child === 0) {
        usleep(mt_rand((int) (1e6 * $one), (int) (12e6 * $one)));
        $bench->kill();
        posix_kill(posix_getpid(), SIGKILL);
    }
    foreach ($bench->atOnce($facts, 4) as $n => $answer) {
        if ($answer['status'] === 200) {
            $confirmed["kill-{$i}-{$n}"] = true;
        } elseif ($answer['status'] >= 500) {
            $fault("a fact was answered with {$answer['status']} when the plug was pulled");
        }
    }
    pcntl_waitpid($child, $status);
    $bench->kill();
    $bench->start();
}
$there = array_count_values($column("select key from facts where stream_id = {$pour} and key like 'kill-%' and key not like '%-first'"));
foreach ($confirmed as $key => $yes) {
    ($there[$key] ?? 0) === 1 || $fault("{$key} was confirmed and is there ".($there[$key] ?? 0).' times');
}
foreach ($bench->atOnce(array_values($sent), 4) as $answer) {
    $answer['status'] === 200 || $fault("sent again, a fact was answered with {$answer['status']}");
}
$there = array_count_values($column("select key from facts where stream_id = {$pour} and key like 'kill-%' and key not like '%-first'"));
$kills === 0 || count($there) === count($sent) && max($there) === 1 || $fault('sent again, not every fact is there once');
$kills === 0
    || count($confirmed) > 0 && count($confirmed) < count($sent)
    || $fault('the plug was never pulled between two facts: '.count($confirmed).' of '.count($sent).' came through');
$column('pragma integrity_check') === ['ok'] || $fault('the database is damaged');
printf("%d kills: %d facts confirmed, %d sent in all, each there once\n", $kills, count($confirmed), count($sent));

// -- Presses: twenty at once with one key make one thing, and all are told the same.
$json = ['Accept: application/json', 'Content-Type: application/json'];
$job = (int) $column('select id from jobs where deleted_at is null order by id limit 1')[0];
$doors = [
    ['/jobs', 'jobs', ['name' => 'Pressed', 'quantity' => 1]],
    ["/jobs/{$job}/impressions", 'impressions', ['kind' => 'cast', 'name' => 'Pressed', 'material' => 'pr-10']],
    ['/rack', 'moulds', ['name' => 'Pressed', 'material' => 'pr-25']],
    [
        '/stores/lots', 'lots',
        ['code' => 'pr-10', 'got_on' => '2026-11-01', 'parts' => [['part' => 'A', 'grams' => 500], ['part' => 'B', 'grams' => 500]]],
    ],
    [
        '/trials', 'trials',
        [
            'name' => 'Pressed', 'about' => 'release', 'base' => 'pr-10', 'surface' => 'wax', 'note' => '', 'cups' => 2, 'cup_g' => 20,
            'variants' => [['name' => 'a', 'release' => null], ['name' => 'b', 'release' => 'wax-spray']],
        ],
    ],
    [
        '/contacts/patches', 'test_patches',
        ['fresh' => 'silicone-platinum', 'surface' => 'plaster', 'base' => 'pr-10', 'place' => 'pressed'],
    ],
    [
        '/formulas', 'formula_versions',
        ['name' => 'Pressed', 'kind' => 'mix', 'recipe' => '{"base": "pr-10", "additives": []}', 'note' => ''],
    ],
];
foreach ($doors as [$door, $table, $said]) {
    $before = (int) $column("select count(*) from {$table}")[0];
    $answers = $bench->atOnce(array_fill(0, 20, ['POST', $door, $said, [...$json, 'X-Press: once-'.strtr($table, '_', '-')]]), 20);
    foreach ($answers as $answer) {
        $answer['status'] > 0 && $answer['status'] < 400
            || $fault("{$door}, pressed, was answered with {$answer['status']}: ".substr($answer['body'], 0, 200));
    }
    count(array_unique(array_column($answers, 'body'))) === 1
        || $fault("{$door}: twenty presses were told ".count(array_unique(array_column($answers, 'body'))).' things');
    $made = (int) $column("select count(*) from {$table}")[0] - $before;
    $made === 1 || $fault("{$door}: twenty presses made {$made}");
}
// The plug is pulled while others are pressed: pressed again, each is there once.
for ($i = 0; $i < intdiv($kills, 2); $i++) {
    $presses = array_map(
        static fn (int $n): array => [
            'POST', '/jobs', ['name' => "Pulled {$i}.{$n}", 'quantity' => 1], [...$json, "X-Press: pulled-{$i}-{$n}"],
        ],
        range(0, 19),
    );
    $one = $bench->send('POST', '/jobs', ['name' => "Before {$i}", 'quantity' => 1], $json)['s'];
    $child = pcntl_fork();
    if ($child === 0) {
        usleep(mt_rand((int) (1e6 * $one), (int) (8e6 * $one)));
        $bench->kill();
        posix_kill(posix_getpid(), SIGKILL);
    }
    $bench->atOnce($presses, 4);
    pcntl_waitpid($child, $status);
    $bench->kill();
    $bench->start();
    foreach ($bench->atOnce($presses, 4) as $answer) {
        $answer['status'] > 0 && $answer['status'] < 400 || $fault("pressed again, a job was answered with {$answer['status']}");
    }
    $there = array_count_values($column("select name from jobs where name like 'Pulled {$i}.%'"));
    count($there) === 20 && max($there) === 1 || $fault('pressed again after the plug was pulled, not every job is there once');
}
printf("%d doors pressed twenty times at once, %d times the plug was pulled among presses\n", count($doors), intdiv($kills, 2));

// -- Everything at once.
$link = (int) $column("select id from impressions where kind = 'cast' and deleted_at is null order by id limit 1")[0];
$db->exec("delete from pours where impression_id = {$link} and state = 'draft'");
$drafts = [];
for ($i = 0; $i < 20; $i++) {
    $job = $db->query(
        "insert into jobs (workshop_id, name, quantity, created_at, updated_at) values (1, 'Storm {$i}', 1, '2026-01-01', '2026-01-01') returning id",
    )->fetchColumn();
    $of = $db->query(
        "insert into impressions (workshop_id, job_id, position, kind, name, material) values (1, {$job}, 0, 'cast', 'Cast', 'pr-10') returning id",
    )->fetchColumn();
    $sheet = $db->quote(
        (string) json_encode([
            'volume' => null, 'target' => ['mass_g' => 100, 'waste_pct' => 0], 'formula' => ['base' => 'pr-10', 'additives' => []],
            'plan' => [
                'scale' => ['division_g' => 0.1, 'capacity_g' => 3000], 'vessel' => null, 'mix_min' => 3, 'degas_min' => 0,
                'pour_g_per_min' => 150,
            ],
            'formula_name' => 'Storm',
        ]),
    );
    $build = $db->query(
        "insert into builds (workshop_id, impression_id, plain, kind, name, created_at) values (1, {$of}, 1, 'pour', 'Pour', '2026-01-01 00:00:00.000') returning id",
    )->fetchColumn();
    $drafts[] = (int) $db->query(
        "insert into pours (workshop_id, impression_id, build_id, sheet, state, created_at, updated_at) values (1, {$of}, {$build}, {$sheet}, 'draft', '2026-01-01', '2026-01-01') returning id",
    )->fetchColumn();
}
$glove = (int) $column("select id from builds where plain = 0 and kind = 'glove-silicone' order by id limit 1")[0];
$form = ['Content-Type: application/x-www-form-urlencoded', 'Accept: text/html'];
$kinds = [
    static fn (int $i): array => [
        'POST', "/pours/{$pour}/events", ['key' => "storm-{$i}", 'kind' => 'noted', 'payload' => ['text' => "storm {$i}"]],
    ],
    static fn (int $i): array => ['POST', "/pours/{$drafts[$i % 20]}/run?edition=1", '', $form],
    static fn (int $i): array => ['POST', "/impressions/{$link}/pours", '', $form],
    static fn (int $i): array => [
        'POST', '/formulas',
        http_build_query([
            'name' => 'Storm mix',
            'recipe' => json_encode([
                'base' => 'pr-10', 'additives' => [['code' => 'sf-1', 'amount' => 1 + $i % 40, 'basis' => 'pct_of_ab', 'into' => 'after']],
            ]),
        ]),
        $form,
    ],
    static fn (int $i): array => [
        'POST', "/builds/{$glove}/facts", ['key' => "storm-{$i}", 'kind' => 'noted', 'payload' => ['text' => "storm {$i}"]],
    ],
    static fn (int $i): array => ['POST', "/builds/{$glove}/operations/coat2/pour", '', $form],
    static fn (int $i): array => ['GET', '/frame'],
    static fn (int $i): array => ['PUT', '/workshop', ['room_c' => 15 + $i % 10]],
    static fn (int $i): array => ['GET', '/', null, ['Accept: text/html']],
    static fn (int $i): array => [
        'POST', '/api/reckon/harden', ['base' => ['shore' => 10, 'scale' => 'A', 'max_pct' => 100], 'at_pct_of_ab' => [$i % 90]],
    ],
];
$requests = array_map(static fn (int $i): array => $kinds[$i % count($kinds)](intdiv($i, count($kinds))), range(0, $storm - 1));
$answers = $bench->atOnce($requests, 40);
foreach ($answers as $i => $answer) {
    // Two reckonings at a time: whoever waits longer is told to ask again.
    $isTold = $answer['status'] === 503 && str_starts_with($requests[$i][1], '/api/');
    $answer['status'] > 0 && $answer['status'] < 400
        || $isTold
        || $fault(
            "{$requests[$i][0]} {$requests[$i][1]}, among others, was answered with {$answer['status']}: ".substr($answer['body'], 0, 200),
        );
}
$each = intdiv($storm, count($kinds));
(int) $column(
    "select count(distinct key) from facts where stream = 'run' and stream_id = {$pour} and key like 'storm-%'",
)[0] === count(array_filter($requests, static fn (array $r): bool => $r[1] === "/pours/{$pour}/events"))
    || $fault('not every fact of the storm is there');
(int) $column(
    "select count(distinct key) from facts where stream = 'build' and stream_id = {$glove} and key like 'storm-%'",
)[0] === count(array_filter($requests, static fn (array $r): bool => $r[1] === "/builds/{$glove}/facts"))
    || $fault('not every fact of the build is there');
(int) $column("select count(*) from pours where build_id = {$glove} and operation = 'coat2'")[0] === 1
    || $fault('many presses opened more than one sheet of a coat');
(int) $column("select count(*) from pours where impression_id = {$link} and state = 'draft'")[0] === 1
    || $fault('many presses on one button made more than one draft');
$begun = (int) $column(
    'select count(*) from pours where id in ('.implode(',', $drafts).") and state = 'running' and started_at is not null",
)[0];
$begun === min(20, $each) || $fault("of 20 runs begun together, {$begun} have begun");
$numbers = $column(
    "select number from formula_versions join formulas on formulas.id = formula_id where formulas.name = 'Storm mix' order by number",
);
$numbers === range(1, min(40, $each)) || $fault('the versions of one formula, kept at once, are numbered '.implode(', ', $numbers));
$slowest = max(array_column($answers, 's'));
printf("%d requests, 40 at once: the slowest %.1f s\n", $storm, $slowest);

// -- Damaged records: whatever is broken off in one of them, every screen stands.
$screens = [
    '/', '/frame', '/jobs', '/day', '/day.ics', '/log', '/log.csv', '/rack', '/stores', '/swatches', '/swatches/drawer', '/swatches/colour',
    '/contacts', '/faults', '/formulas', '/study', '/find?q=a', '/exchange/swatches.json',
];
$structured = [
    'pours' => ['plan', 'sheet'], 'facts' => ['payload'], 'builds' => ['plan'], 'formula_versions' => ['recipe'],
    'impressions' => ['contacts'], 'own_sheets' => ['sheet'], 'moulds' => ['parts'], 'swatch_readings' => ['values'],
    'studies' => ['answer', 'asked'], 'series' => ['plan'], 'trials' => ['plan'], 'model_files' => ['sides'],
];
$broken = 0;
foreach ($structured as $table => $columns) {
    foreach (
        array_intersect($columns, array_column($db->query("pragma table_info({$table})")->fetchAll(PDO::FETCH_ASSOC), 'name')
        ) as $name) {
        foreach ($column(
            "select id from {$table} where {$name} is not null order by ".(
                $table === 'pours' ? "state = 'graded', " : ''
            ).'id desc limit 2',
        ) as $id) {
            $whole = $column("select {$name} from {$table} where id = {$id}")[0];
            foreach (['{"run": 3}', '[]', '7', '{"x"'] as $bad) {
                $put = $db->prepare("update {$table} set {$name} = ? where id = ?");
                $put->execute([$bad, $id]);
                $db->exec('update workshops set change_count = change_count + 1');
                $own = [
                    'pours' => ["/pours/{$id}", "/pours/{$id}/run"], 'builds' => ["/builds/{$id}"], 'moulds' => ["/rack/{$id}"],
                    'impressions' => ['/jobs/'.($column("select job_id from impressions where id = {$id}")[0] ?? 1)],
                ][$table] ?? [];
                foreach ($bench->atOnce(
                    array_map(static fn (string $page): array => ['GET', $page, null, ['Accept: text/html']], [...$screens, ...$own]), 4,
                ) as $i => $answer) {
                    in_array($answer['status'], [200, 302], true)
                        || $fault(
                            sprintf(
                                'with %s.%s of %d being %s, %s answers %d %s', $table, $name, $id, $bad, [...$screens, ...$own][$i],
                                $answer['status'], substr($answer['body'], 0, 120),
                            ),
                        );
                }
                $put->execute([$whole, $id]);
                $broken++;
            }
        }
    }
}
$db->exec('update workshops set change_count = change_count + 1');
printf("%d records broken off, one after the other\n", $broken);

// -- Nonsense.
$nonsense = new Nonsense($db, $seed);
$made = 0;
$slow = 0.0;
while ($made < $mutations) {
    $some = array_map(static fn (): array => $nonsense->request(), range(1, min(200, $mutations - $made)));
    foreach ($bench->atOnce($some, 6) as $i => $answer) {
        $what = "{$some[$i][0]} {$some[$i][1]} ".(is_string($some[$i][2] ?? null) ? substr($some[$i][2], 0, 300) : '');
        $busy = $answer['status'] === 503 && str_contains($answer['body'], 'busy reckoning');
        $answer['status'] > 0 && $answer['status'] < 500
            || $busy
            || $fault("{$what} was answered with {$answer['status']} ".substr($answer['body'], 0, 150));
        preg_match('#(Stack trace|vendor/laravel|SQLSTATE|\.php:\d+)#', $answer['body']) === 0 || $fault("{$what} shows what is behind");
        $slow = max($slow, $answer['s']);
    }
    $made += count($some);
    if (count($wrong) > 25) {
        break;
    }
}
foreach ([
    '/', '/frame', '/jobs', '/formulas', '/swatches', '/swatches/drawer', '/swatches/labels', '/log', '/log.csv', '/stores', '/contacts',
    '/day', '/day.ics', "/builds/{$glove}", '/exchange/swatches.json',
] as $page) {
    $status = $bench->send('GET', $page, null, ['Accept: text/html'])['status'];
    $status === 200 || $fault("after the nonsense {$page} answers {$status}");
}
printf("%d mutated requests: the slowest %.1f s\n", $made, $slow);
$slow < 20.0 || $fault('something mutated took longer than twenty seconds');
echo $wrong === [] ? "It held.\n" : count($wrong)." things gave way (seed {$seed}).\n";
exit($wrong === [] ? 0 : 1);
