<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Build\BuildFactKind;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\MixResult;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use App\Builds\BuildStreams;
use App\Builds\FollowPlan;
use App\Facts\AppendFact;
use App\Library\KeepFormula;
use App\Library\Library;
use App\Log\Freezer;
use App\Log\StandsInCup;
use App\Models\FormulaVersion;
use App\Models\Outdated;
use App\Models\Pour;
use App\Models\PourState;
use App\PourSheets\PourSheetReckoner;
use App\Room\RoomTemperature;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Begins a run: freezes the plan with all it rests on, pins the formula to a version. Asked twice, it begins once. */
final readonly class StartPour
{
    public function __construct(
        private PourSheetReckoner $reckoner,
        private PlanRun $plan,
        private RoomTemperature $room,
        private KeepFormula $keep,
        private Freezer $freezer,
        private AppendFact $append,
        private BuildStreams $builds,
        private FollowPlan $follow,
        private Library $library,
    ) {}

    /**
     * @param  int  $edition  of the sheet on the screen it is begun from
     * @param  string|null  $early  why it goes on before its window opens; null where nobody says so
     * @param  string|null  $stamp  of the cups that screen shows ({@see MixResult::stamp}); null where nobody looked at any
     *
     * @throws Outdated when another sheet, or other cups, stand there now than were shown
     * @throws BadInput when the sheet does not add up yet
     */
    public function __invoke(Pour $pour, int $edition, ?string $stamp, CarbonImmutable $now, ?string $early = null): Pour
    {
        return DB::transaction(function () use ($pour, $edition, $stamp, $now, $early): Pour {
            $fresh = Pour::query()->with('impression.job', 'build')->lockForUpdate()->findOrFail($pour->id);
            if ($fresh->started_at !== null) {
                return $fresh;
            }
            $fresh->edition === $edition || throw Outdated::of($fresh);
            // The plan changed since this sheet was shown: it is shown once more, as it follows now.
            ($this->follow)($fresh, $now) && throw new Outdated(Phrase::of('bench.plan_changed'));
            $reckoning = $this->reckoner->reckon($fresh->sheet);
            if ($stamp !== null && $reckoning->mix !== null && $reckoning->mix->stamp() !== $stamp) {
                throw new Outdated(Phrase::of('bench.other_cups', [
                    'cups' => count($reckoning->mix->batches), 'mass' => Quantity::mass($reckoning->mix->mass->g),
                ]));
            }
            if (! $reckoning->isPourable() || $reckoning->mix === null || $reckoning->recipe === null) {
                throw $reckoning->errors[0] ?? BadInput::at('volume', Phrase::of('bench.sheet_not_complete_yet'));
            }
            $planned = $this->plan->of($fresh, $reckoning, $now, $early);
            [$step, $mould, $run] = [$planned->step, $planned->mould, $planned->run];
            $base = $reckoning->recipe->base;
            $version = $this->version($fresh, Fields::of($fresh->sheet)->object('formula'));
            $stands = StandsInCup::of($fresh);

            $fresh->fill([
                'formula_version_id' => $version->id,
                'draft_of' => null,
                'started_at' => $now,
                'state' => PourState::Running,
                'base_code' => $base->code,
                'room_c' => $this->room->at($now)->degrees,
                'snapshot_id' => $this->freezer->snapshot(
                    $reckoning->recipe, $run, $planned->cautions,
                    $this->library
                        ->castings()
                        ->choose($planned->casting, $base->family, $base->ratio->isOnePart(), $run->endsLaid && $base->brushed)
                        ->said(),
                )->id,
                'plan' => [
                    // A part of another base is another part, whatever it is called.
                    'run' => (
                        $stands === null && $planned->done === []
                        ? $run
                        : $run->goingOn($stands?->base === $base->code ? $stands->cups : [], [...$stands->ticked ?? [], ...$planned->done])
                    )->toArray(),
                    'base' => $this->freezer->base($reckoning->recipe),
                    'casting' => $planned->casting,
                    ...($step?->laysFrom === null ? [] : ['lays_from_min' => $now->diffInMilliseconds($step->laysFrom) / 60_000.0]),
                    ...($planned->way->scrap === null ? [] : ['scrap' => $planned->way->scrap->toArray()]),
                    'names' => $reckoning->recipe->names(),
                    'colours' => $reckoning->recipe->colours(),
                    'clock' => $this->freezer->clock($reckoning->recipe, $reckoning->mix->batchMass(), $reckoning->cools)->toArray(),
                    'formula_name' => $version->called(),
                    'room_c' => $this->room->at($now)->degrees,
                    'likely_ml' => $reckoning->volume?->rubber->likely,
                    'moulds' => $mould === null ? [] : [$mould->id],
                    'lots' => $planned->lots,
                ],
            ])->save();
            $mould === null
                || DB::table('pour_moulds')->insert([
                    'pour_id' => $fresh->id, 'mould_id' => $mould->id, 'workshop_id' => $fresh->workshop_id, 'live' => true,
                ]);
            $step?->early === null
                || ($this->append)(
                    $this->builds, $fresh->build->id,
                    Fields::of([
                        'key' => "early/{$fresh->id}", 'kind' => BuildFactKind::Noted->value, 'payload' => ['text' => $step->early],
                    ]),
                    $now,
                );
            if ($fresh->build->begun_at === null) {
                $fresh->build->update(['begun_at' => $now, 'planned_of' => null]);
                $fresh->build->handPlanOn();
            }

            return $fresh;
        }, 3);
    }

    private function version(Pour $pour, Fields $recipe): FormulaVersion
    {
        $sheet = Fields::of($pour->sheet);

        return ($this->keep)(
            $sheet->textOrNull('formula_name') ?? "{$pour->impression->job->name}, {$pour->impression->name}", $recipe,
            parent: is_int($from = $pour->sheet['formula_from'] ?? null) ? $from : null,
        );
    }
}
