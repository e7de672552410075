<?php

declare(strict_types=1);

// Fifty shops with four tablets each on two servers that share PostgreSQL and Redis, as bin/serve serves them: how long a live number and a
// step take, and whether a fact is lost or doubled when one of the two is killed half-way. Each tablet asks as often as a screen does; in
// every shop one of them weighs, and another shows the same run. FSYNC=on bin/shared php bench/many.php [--shops 50] [--seconds 60]. Ends
// with 1 where a limit is broken.

use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Celsius;
use App\Models\Build;
use App\Models\Job;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Role;
use App\Models\Workshop;
use App\People\ShopAtHand;
use App\People\WriteDown;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/Tablets.php';

const PASSPHRASE = 'three wet plaster bats';
const LOOK_MS = 250.0;
const STEP_MS = 400.0;
$said = static fn (string $word, int $else): int => ($at = array_search($word, $argv, true)) === false ? $else : (int) $argv[$at + 1];
[$shops, $seconds] = [$said('--shops', 50), $said('--seconds', 60)];
getenv('DB_CONNECTION') === 'pgsql' && getenv('CACHE_STORE') === 'redis'
    || exit("Run it with what servers share: FSYNC=on bin/shared php bench/many.php\n");

$folder = sys_get_temp_dir().'/apalos-many-'.getmypid();
mkdir($folder, 0755);
$env = [
    'APALOS_KEY' => 'base64:MDEyMzQ1Njc4OWFiY2RlZjAxMjM0NTY3ODlhYmNkZWY=',
    'APP_KEY' => 'base64:MDEyMzQ1Njc4OWFiY2RlZjAxMjM0NTY3ODlhYmNkZWY=', 'QUEUE_CONNECTION' => 'redis', 'DB_PERSISTENT' => 'true',
    'APP_ENV' => 'production', 'APP_DEBUG' => 'false',
    // Whoever comes in is not what is measured.
    'ARGON_KB' => '1024', 'ARGON_ROUNDS' => '1', 'SCALE_ADDRESS' => '', 'THERMOMETER_ADDRESS' => '', 'PROBE_ADDRESS' => '',
];
array_map(static fn (string $name, string $value) => putenv("{$name}={$value}"), array_keys($env), $env);
$_ENV = [...$_ENV, ...$env];
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();
Artisan::call('migrate', ['--force' => true]);

$now = CarbonImmutable::now();
$sheet = [
    'volume' => null, 'target' => ['mass_g' => 100, 'waste_pct' => 0], 'formula' => ['base' => 'pr-10', 'additives' => []],
    'plan' => [
        'scale' => ['division_g' => 0.1, 'capacity_g' => 3000], 'vessel' => null, 'mix_min' => 3, 'degas_min' => 0, 'pour_g_per_min' => 150,
    ],
    'formula_name' => 'Skin',
];
$tablets = [];
for ($n = 1; $n <= $shops; $n++) {
    $shop = Workshop::query()->create([
        'name' => "Bench {$n}", 'known_as' => "bench-{$n}", 'set_up_at' => $now, 'time_zone' => 'UTC', 'cables' => false,
    ])->refresh();
    ShopAtHand::enter($shop);
    $pin = null;
    foreach (['Odila' => Role::Owner, 'Bram' => Role::Maker, 'Tove' => Role::Maker, 'Lis' => Role::Apprentice] as $name => $role) {
        app(WriteDown::class)(Fields::of(['name' => $name, 'role' => $role->value, 'passphrase' => PASSPHRASE]));
    }
    (new RoomTemperature($shop))->note(Celsius::of(20.0 + $n % 5), 'hand', $now);
    // Four jobs on the bench, one of them under way.
    for ($i = 0; $i < 4; $i++) {
        $job = Job::query()->create(['name' => "Piece {$i}", 'quantity' => 3]);
        $link = $job->impressions()->create(['kind' => 'cast', 'name' => 'Skin', 'material' => 'pr-10', 'position' => 0]);
        $build = Build::query()->create([
            'impression_id' => $link->id, 'plain' => true, 'kind' => 'pour', 'name' => 'Pour', 'created_at' => $now,
        ]);
        $pour = Pour::query()->create([
            'impression_id' => $link->id, 'build_id' => $build->id, 'sheet' => $sheet, 'state' => PourState::Draft,
        ]);
    }
    foreach (['Odila', 'Bram', 'Tove', 'Lis'] as $i => $name) {
        $tablets[] = new Tablet($n, $i, "bench-{$n}", $name, $i >= 2 ? (int) $pour->id : null, $i === 3);
    }
}

$servers = [new Served("{$folder}/one", $env), new Served("{$folder}/two", $env)];
$work = new Served("{$folder}/work", $env, isWork: true);
register_shutdown_function(static function () use ($servers, $work, $folder): void {
    array_map(static fn (Served $one) => $one->stop(), [...$servers, $work]);
    exec('rm -rf '.escapeshellarg($folder));
});
array_map(static fn (Served $one) => $one->wait(), $servers);
$crowd = new Crowd($tablets, $servers);
$crowd->comeIn(PASSPHRASE);
printf("%d shops, %d tablets, signed in at two servers\n", $shops, count($tablets));
// A server that has just started puts much together for the first time.
$crowd->work(10.0);
$halves = [$crowd->work($seconds / 2), null];
$servers[0]->kill();
$halves[1] = $crowd->work($seconds / 2, pulled: true);

$isWell = true;
foreach (['both serve' => $halves[0], 'one was killed' => $halves[1]] as $when => $took) {
    foreach (['look' => ['a live number', LOOK_MS], 'step' => ['a step', STEP_MS]] as $kind => [$what, $limit]) {
        sort($took[$kind]);
        $share = static fn (float $of): float => 1e3 * $took[$kind][(int) floor($of * (count($took[$kind]) - 1))];
        $isWell = $isWell && $share(0.95) <= $limit;
        printf(
            "%-15s %-14s %6d asked: median %4.0f ms, p95 %4.0f ms, slowest %5.0f ms (limit %.0f)\n", $when, $what, count($took[$kind]),
            $share(0.5), $share(0.95), $share(1.0), $limit,
        );
    }
    printf("%-15s %d refused, %d asked again at the other\n", '', $took['refused'], $took['again']);
    $isWell = $isWell && $took['refused'] === 0;
}
$there = array_count_values(DB::table('facts')->where('kind', 'noted')->where('key', 'like', 'many-%')->pluck('key')->all());
$lost = array_diff($crowd->confirmed(), array_keys($there));
$twice = array_filter($there, static fn (int $n): bool => $n > 1);
printf("%d facts were confirmed: %d lost, %d doubled\n", count($crowd->confirmed()), count($lost), count($twice));
$elsewhere = DB::table('facts')
    ->join('pours', 'pours.id', '=', 'facts.stream_id')
    ->where('facts.stream', 'run')
    ->whereColumn('facts.workshop_id', '!=', 'pours.workshop_id')
    ->count();
$whose = DB::table('facts')
    ->join('people', 'people.id', '=', 'facts.person')
    ->whereColumn('facts.workshop_id', '!=', 'people.workshop_id')
    ->count();
printf("%d stand in another shop, %d were told by somebody of another\n", $elsewhere, $whose);
$isWhole = Artisan::call('facts:verify') === 0;
echo $isWhole ? "every chain is whole\n" : Artisan::output();
exit($isWell && $lost === [] && $twice === [] && $elsewhere + $whose === 0 && $isWhole ? 0 : 1);
