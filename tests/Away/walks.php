<?php

declare(strict_types=1);

// Random runs as the bench computer reckons them, for the walk of a tablet to be held against: php tests/Away/walks.php [RUNS] [SEED].
// Each is a line of JSON: where it stood when the network went, what was sent ahead, what was told from then on, and what followed from
// each.

use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Units\Celsius;
use App\Facts\AppendFact;
use App\Facts\Happened;
use App\Library\Library;
use App\Log\Readiness;
use App\Log\RecordedRun;
use App\Models\Build;
use App\Models\Fact;
use App\Models\Job;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Workshop;
use App\Pours\AheadView;
use App\Pours\RunStreams;
use App\Pours\RunView;
use App\Pours\StartPour;
use App\Room\CureClock;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\Artisan;

require __DIR__.'/../../vendor/autoload.php';
[$runs, $seed] = [(int) ($argv[1] ?? 500), (int) ($argv[2] ?? 7)];
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
$goOn = static function (float $seconds) use (&$now): void {
    $now = $now->addMilliseconds((int) round(1000.0 * $seconds));
    CarbonImmutable::setTestNow($now);
};
$goOn(0.0);
Workshop::here()->update(['set_up_at' => $now, 'time_zone' => 'UTC']);
(new RoomTemperature(Workshop::here()))->note(Celsius::of(21.5), 'hand', $now);
$chance = static fn (float $of): bool => mt_rand() / mt_getrandmax() < $of;
$between = static fn (float $low, float $high): float => $low + ($high - $low) * mt_rand() / mt_getrandmax();
$oneOf = static fn (array $all): mixed => $all[mt_rand(0, count($all) - 1)];
$job = Job::query()->create(['name' => 'Walked', 'quantity' => 1]);
$told = static fn (array $view): array => app(Phrasebook::class)->tell($view);
$view = static fn (RecordedRun $run): array => $told(
    (new RunView($run, app(CureClock::class), app(Readiness::class), app(Library::class)->castings()))->toArray(),
);
$run = static fn (Pour $pour): RecordedRun => RecordedRun::of(Pour::query()->with('impression.job', 'snapshot')->findOrFail($pour->id));

$begun = static function () use ($job, $oneOf, $between, $chance): Pour {
    $base = $oneOf(['pr-10', 'pr-25', 'pr-40', 'ur-35', 'pr-10q']);
    $silicone = str_starts_with($base, 'pr');
    $additives = [];
    foreach ($silicone ? [
        ['sf-1', 5, 40, 'after'], ['tk-1', 0.5, 2, 'b'], ['pi-russet', 0.2, 1.5, 'b'], ['pi-bone', 0.2, 1.5, 'b'],
    ] : [['pu-russet', 0.2, 1.5, 'b']] as [$code, $low, $high, $into]) {
        $chance(0.5)
            && $additives[] = ['code' => $code, 'amount' => round($between($low, $high), 1), 'basis' => 'pct_of_ab', 'into' => $into];
    }
    $sheet = [
        'volume' => null, 'target' => ['mass_g' => round($between(40.0, 900.0), 1), 'waste_pct' => 0],
        'formula' => ['base' => $base, 'additives' => $additives], 'formula_name' => 'Walked',
        'plan' => [
            'scale' => ['division_g' => $oneOf([0.1, 0.1, 0.01, 0.5]), 'capacity_g' => 3000],
            'vessel' => $chance(0.3)
                ? null
                : ['capacity_ml' => $oneOf([400, 600, 1000]), 'tare_g' => 12, 'degas' => false, 'rise_factor' => 3],
            'mix_min' => 3, 'degas_min' => $chance(0.3) ? 2 : 0, 'pour_g_per_min' => 300,
        ],
    ];
    $link = $job->impressions()->create([
        'kind' => 'cast', 'name' => 'Cast', 'material' => $base, 'position' => $job->impressions()->count(),
    ]);
    $build = Build::query()->create([
        'impression_id' => $link->id, 'plain' => true, 'kind' => 'pour', 'name' => 'Pour', 'created_at' => CarbonImmutable::now(),
    ]);

    return Pour::query()->create(['impression_id' => $link->id, 'build_id' => $build->id, 'sheet' => $sheet, 'state' => PourState::Draft]);
};

/** Told, without being written down: nine of ten runs are only reckoned, every tenth is told as a tablet tells it. */
$unwritten = static function (array $fact, RecordedRun $run): Happened {
    $of = array_values(array_filter($run->facts, static fn (Happened $one): bool => $one->key === ($fact['payload']['of_key'] ?? null)));

    return Happened::told(
        (new Fact)->forceFill([
            'id' => $run->lastFactId() + 1, 'key' => $fact['key'], 'kind' => $fact['kind'], 'at' => CarbonImmutable::now(),
            'payload' => $of === [] ? $fact['payload'] : ['of' => $of[0]->id],
        ]),
    );
};

/** What a maker does next: mostly what is asked for, sometimes too much, too little, back, or something beside it. */
$acts = static function (array $view, array $stands) use ($chance, $between): array {
    $step = ['step' => $view['step']['key']];
    if ($stands !== [] && $chance(0.07)) {
        return ['undone', ['of_key' => $stands[count($stands) - 1]]];
    }
    if ($chance(0.05)) {
        return ['noted', ['text' => 'Bubbles at the rim', 'fault' => null]];
    }
    $open = array_values(array_filter($view['checklist'], static fn (array $item): bool => ! $item['done']));
    switch ($view['step']['kind']) {
        case StepKind::Contacts->value:
            return $open === []
                ? ['confirmed', $step]
                : (
                    $open[0]['minutes'] > 0 && $open[0]['begun_ms'] === null && $chance(0.5)
                    ? ['begun', ['item' => $open[0]['id']]]
                    : ['checked', ['item' => $open[0]['id']]]
                );
        case StepKind::Weigh->value:
            $line = $view['line'];
            if ($view['meets_now'] && $view['clock']['met_ms'] === null && $chance(0.5)) {
                return ['met', []];
            }
            if ($chance(0.04)) {
                $reads = round($between(0.0, 30.0), 1);

                return ['counted', [...$step, 'reading_g' => $reads, 'in_line_g' => 0]];
            }
            $division = $view['division_g'];
            $reading = $chance(0.12)
                ? $line['to'] + $between(0.0, $chance(0.85) ? 0.15 : 0.6) * max($line['grams'], 2 * $division)
                : ($chance(0.3) ? $line['running'] : $between($line['from'], $line['to']));
            $short = $chance(0.04);
            $reading = $short ? $line['running'] - 0.5 * $line['grams'] : $reading;

            return [
                'weighed',
                [
                    ...$step, 'reading_g' => round(round($reading / $division) * $division, 3), 'by' => 'hand', 'stable' => true,
                    'short' => $short,
                ],
            ];
        case StepKind::Rescue->value:
            return [$chance(0.7) ? 'rescued' : 'kept', $step];
        case StepKind::Wait->value:
            return ['opened', $step];
        default:
            return ['confirmed', $step];
    }
};

// What a walk has to agree in.
$compared = array_flip([
    'step', 'step_since_ms', 'cup', 'line', 'next_line', 'meets_now', 'rescue', 'clock', 'cups', 'carried', 'second_cup', 'wait', 'notes',
    'cautions', 'checklist', 'weighed_g', 'take_back',
]);
$key = 0;
for ($n = 0; $n < $runs;) {
    $goOn(60.0);
    $pour = $begun();
    try {
        $pour = app(StartPour::class)($pour, $pour->refresh()->edition, null, $now, 'practised');
    } catch (Apalos\Core\Input\BadInput $wrong) {
        continue;
    }
    [$cut, $stands, $facts, $views, $from, $ahead] = [mt_rand(0, 14), [], [], [], null, null];
    $is = $run($pour);
    $shown = $view($is);
    for ($i = 0; $i < 60; $i++) {
        if ($i === $cut) {
            [$from, $ahead, $stands] = [$shown, $told((new AheadView($is, app(CureClock::class), $now))->toArray()), []];
        }
        if (in_array($shown['step']['kind'], ['grade', 'done', 'given_up'], true)) {
            break;
        }
        [$kind, $payload] = $acts($shown, $stands);
        $goOn($between(2.0, 40.0));
        $fact = ['key' => 'walk-'.$key++, 'kind' => $kind, 'at_ms' => (int) $now->getTimestampMs(), 'payload' => $payload];
        try {
            $is = $n % 10 !== 0
                ? $is->with($unwritten($fact, $is))
                : app(AppendFact::class)(
                    app(RunStreams::class), $pour->id, Fields::of(json_decode((string) json_encode($fact), true)), $now,
                )->run;
        } catch (Apalos\Core\Input\BadInput|App\Facts\StepHasMoved $refused) {
            continue;
        }
        if ($kind === 'undone') {
            array_pop($stands);
        } elseif ($kind !== 'met') {
            $stands[] = $fact['key'];
        }
        $shown = $view($is);
        if ($from !== null) {
            $facts[] = $fact;
            $views[] = array_intersect_key($shown, $compared);
        }
    }
    if ($facts !== []) {
        $n++;
        echo json_encode(
            ['view' => $from, 'ahead' => $ahead, 'told' => $facts, 'views' => $views], JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION,
        ), "\n";
    }
}
