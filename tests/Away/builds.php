<?php

declare(strict_types=1);

// Builds as the bench computer reckons them, for a tablet that follows them cut off to be held against: php tests/Away/builds.php [TIMES]
// [SEED].
// Of each kind that ships: what is ticked before anything is mixed, at random moments, with notes and takings back.

use Apalos\Core\Build\OperationState;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Celsius;
use App\Builds\BuildAheadView;
use App\Builds\BuildBook;
use App\Builds\BuildStreams;
use App\Builds\PlanBuild;
use App\Builds\RecordedBuild;
use App\Facts\AppendFact;
use App\Facts\StepHasMoved;
use App\Http\Controllers\BuildController;
use App\Models\Build;
use App\Models\Job;
use App\Models\Workshop;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\Artisan;

require __DIR__.'/../../vendor/autoload.php';
[$times, $seed] = [(int) ($argv[1] ?? 3), (int) ($argv[2] ?? 7)];
foreach ([
    'APP_ENV' => 'testing', 'DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => ':memory:', 'CACHE_STORE' => 'array', 'SESSION_DRIVER' => 'array',
    'QUEUE_CONNECTION' => 'sync', 'APP_KEY' => 'base64:MDEyMzQ1Njc4OWFiY2RlZjAxMjM0NTY3ODlhYmNkZWY=',
] as $name => $value) {
    putenv("{$name}={$value}");
    $_ENV[$name] = $_SERVER[$name] = $value;
}
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
Artisan::call('migrate', ['--force' => true]);
mt_srand($seed);
$now = CarbonImmutable::parse('2026-03-04 08:00:00', 'UTC');
$goOn = static function (float $minutes) use (&$now): void {
    $now = $now->addMilliseconds((int) round(60_000.0 * $minutes));
    CarbonImmutable::setTestNow($now);
};
$goOn(0.0);
Workshop::here()->update(['set_up_at' => $now, 'time_zone' => 'UTC']);
(new RoomTemperature(Workshop::here()))->note(Celsius::of(21.5), 'hand', $now);
$chance = static fn (float $of): bool => mt_rand() / mt_getrandmax() < $of;
$view = static fn (Build $build): array => app(BuildController::class)->state($build->refresh())->getData(true);
$compared = array_flip(['id', 'state', 'started_ms', 'ended_ms', 'opens_ms', 'shuts_ms', 'shut_by', 'waits_for']);
$short = static fn (array $view): array => [
    'next' => $view['next'], 'through' => $view['through'], 'begun' => $view['begun'], 'notes' => $view['notes'],
    'section' => array_column($view['section'], 'state', 'id'),
    'operations' => array_map(static fn (array $op): array => array_intersect_key($op, $compared), $view['operations']),
];

$key = 0;
$kinds = array_column(app(BuildBook::class)->all(), 'id');
for ($n = 0; $n < $times; $n++) {
    foreach ($kinds as $kind) {
        $goOn(5.0);
        $job = Job::query()->create(['name' => "Built {$n}", 'quantity' => 1]);
        $job->impressions()->create(['kind' => 'original', 'name' => 'Original', 'surface' => 'acrylic', 'position' => 0]);
        $link = $job->impressions()->create(['kind' => 'mould', 'name' => 'Mould', 'material' => 'br-28', 'position' => 1]);
        try {
            $build = app(PlanBuild::class)(
                $link,
                Fields::of([
                    'kind' => $kind,
                    'measured' => ['area_mm2' => 60_000, 'flange_mm2' => 10_000, 'fill_ml' => 20, 'wall_mm' => ['least' => 4, 'most' => 5]],
                ]),
                $now,
            );
        } catch (BadInput $wrong) {
            fwrite(STDERR, "{$kind}: {$wrong->field} {$wrong->getMessage()}\n");

            continue;
        }
        [$cut, $facts, $views, $stands, $from, $ahead] = [mt_rand(0, 3), [], [], [], null, null];
        for ($i = 0; $i < 14; $i++) {
            $shown = $view($build);
            if ($i === $cut) {
                [$from, $ahead, $stands] = [
                    $shown, (new BuildAheadView(RecordedBuild::of($build->load('impression.job'), $now)))->toArray(), [],
                ];
            }
            $open = array_values(
                array_filter(
                    $shown['operations'],
                    static fn (array $op): bool => ! $op['mixes']
                        && $op['waits_for'] === []
                        && ! in_array(
                            $op['state'],
                            [
                                OperationState::Done->value, OperationState::LeftOut->value, OperationState::Missed->value,
                                OperationState::Failed->value,
                            ],
                            true,
                        ),
                ),
            );
            $goOn(0.2 + 40.0 * mt_rand() / mt_getrandmax() ** 1);
            [$what, $payload] = match (true) {
                $stands !== [] && $chance(0.15) => ['undone', ['of_key' => $stands[count($stands) - 1]]],
                $chance(0.15) => ['noted', ['text' => 'Dusty']],
                $open === [] => [null, []],
                $open[0]['state'] !== OperationState::UnderWay->value
                    && $chance(0.4) => ['begun', ['op' => $open[0]['id'], 'early' => 'known to be ready']],
                default => ['done', ['op' => $open[0]['id'], 'early' => 'known to be ready']],
            };
            if ($what === null) {
                break;
            }
            $fact = ['key' => 'build-'.$key++, 'kind' => $what, 'at_ms' => (int) $now->getTimestampMs(), 'payload' => $payload];
            try {
                app(AppendFact::class)(
                    app(BuildStreams::class), $build->id,
                    Fields::of(json_decode((string) json_encode($fact), true)), $now,
                );
            } catch (BadInput|StepHasMoved $w) {
                fwrite(STDERR, "{$kind} {$what}: {$w->getMessage()}\n");

                continue;
            }
            $what === 'undone' ? array_pop($stands) : $stands[] = $fact['key'];
            if ($from !== null) {
                $facts[] = $fact;
                $views[] = $short($view($build));
            }
        }
        if ($facts !== []) {
            echo json_encode(
                ['kind' => $kind, 'view' => $from, 'ahead' => $ahead, 'told' => $facts, 'views' => $views],
                JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION,
            ), "\n";
        }
    }
}
