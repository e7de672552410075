<?php

declare(strict_types=1);

namespace App\Practice;

use Apalos\Core\Contact\WayKind;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Practice\Scenario;
use App\Builds\PlanBuild;
use App\Contacts\ChooseForContact;
use App\Contacts\JobContacts;
use App\Contacts\JudgedContact;
use App\Contacts\WaysThrough;
use App\Library\Library;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\PourState;
use App\Pours\StartPour;
use App\PourSheets\PlanPour;
use Carbon\CarbonImmutable;

/**
 * Lays out what a scenario is about, in the shop of a practice: a job with its chain, its contacts chosen as they should be, the run begun
 * or the build planned.
 */
final readonly class SetScene
{
    /** What a practice piece is of, where its scenario says nothing. */
    private const ORIGINAL = 'clay-oil-sulphur-free';

    private const WALL = 'acrylic';

    private const MOST_STEPS = 6;

    /** What a cast is made in where clay will not do: silicone, then resin. */
    private const BEAR = ['pr-25', 'rf-70'];

    /** The scale of the shop stands for itself; cups are as large as the scenario says. */
    private const CUP_ML = 1500;

    /** So long ago everything was sealed. */
    private const SEALED_D = 3;

    public function __construct(
        private PlanPour $sheets,
        private StartPour $start,
        private PlanBuild $build,
        private Library $library,
        private JobContacts $contacts,
        private WaysThrough $ways,
        private ChooseForContact $choose,
        private Phrasebook $words,
    ) {}

    /** @return string its address */
    public function __invoke(Scenario $scenario, CarbonImmutable $now): string
    {
        $link = $this->chainThatBears($scenario, $now);

        return $scenario->isBuild() ? $this->planned($scenario, $link, $now) : $this->begun($scenario, $link, $now);
    }

    /** What says nothing of a mould lies on clay; a cast that clay would ruin, or that ruins it, lies in a mould that bears it. */
    private function chainThatBears(Scenario $scenario, CarbonImmutable $now): Impression
    {
        $said = Fields::of($scenario->make)->textOrNull('mould');
        foreach (array_unique([$said, null, ...self::BEAR]) as $mould) {
            $link = $this->chain($scenario, $mould);
            if ($this->isReady($link, $now) || ($scenario->isBuild() && $link->kind !== ImpressionKind::Cast)) {
                return $link;
            }
            // Nothing of it is left: a practice that is walked again finds its links by their order.
            $link->job->forceDelete();
        }

        return $this->chain($scenario, $said);
    }

    private function chain(Scenario $scenario, ?string $mould): Impression
    {
        $make = Fields::of($scenario->make);
        $base = $make->textOrNull('base') ?? $this->library->builds()[$make->textOrNull('build') ?? '']->base ?? null;
        $job = Job::query()->create([
            'name' => mb_substr($scenario->name, 0, 120), 'purpose' => $this->words->say(Phrase::of('bench.practice')), 'quantity' => 1,
        ]);
        $job->impressions()->create([
            'position' => 0, 'kind' => ImpressionKind::Original,
            'name' => $this->words->say(Phrase::of('bench.practice_piece')),
            'material' => $this->words->say(Phrase::of('bench.oil_clay_sulphur_free')),
            'surface' => self::ORIGINAL,
        ]);
        $position = 1;
        if ($mould !== null) {
            $job->impressions()->create([
                'position' => $position++, 'kind' => ImpressionKind::Mould,
                'name' => $this->words->say(Phrase::of('bench.practice_mould')), 'material' => $mould,
            ]);
        }
        $makes = $scenario->isBuild() ? ($this->library->builds()[$make->text('build')]->makes ?? ['mould']) : [];
        $isCast = $mould !== null || $makes === ['cast'];

        return $job->impressions()->create([
            'position' => $position, 'kind' => $isCast ? ImpressionKind::Cast : ImpressionKind::Mould,
            'name' => $this->words->say(Phrase::of($isCast ? 'bench.practice_cast' : 'bench.practice_mould')), 'material' => $base,
            'wall' => $isCast || $scenario->isBuild() ? null : ($make->textOrNull('wall') ?? self::WALL),
        ])->refresh();
    }

    private function begun(Scenario $scenario, Impression $link, CarbonImmutable $now): string
    {
        $make = Fields::of($scenario->make);
        $degas = $make->has('degas') ? $make->bool('degas') : false;
        $fresh = $this->sheets->fresh($link);
        $sheet = [
            ...$fresh,
            'volume' => ['method' => 'mesh', 'volume_ml' => $make->positive('volume_ml'), 'allowance_pct' => 0],
            'formula' => [
                'base' => $make->text('base'),
                'additives' => array_map(
                    static fn (Fields $one): array => $one->toArray(), $make->has('additives') ? $make->objects('additives') : [],
                ),
            ],
            'plan' => [
                ...$fresh['plan'],
                'vessel' => [
                    'capacity_ml' => $make->positiveOrNull('cup_ml') ?? self::CUP_ML, 'tare_g' => 12, 'degas' => $degas, 'rise_factor' => 1,
                ],
                'degas_min' => $degas ? 5 : 0, ...($make->has('mix_min') ? ['mix_min' => $make->positive('mix_min')] : []),
            ],
            'formula_name' => mb_substr($scenario->name, 0, 120), 'cup' => null,
        ];
        $pour = $link->pours()->create(['sheet' => $sheet, 'state' => PourState::Draft])->refresh();
        ($this->start)($pour, $pour->edition, null, $now);

        return "/pours/{$pour->id}/run";
    }

    private function planned(Scenario $scenario, Impression $link, CarbonImmutable $now): string
    {
        $make = $scenario->make;
        $build = ($this->build)(
            $link->load('job'),
            Fields::of(
                array_filter(
                    [
                        'kind' => $make['build'], 'measured' => $make['measured'] ?? [], 'box' => $make['box'] ?? null,
                        'bed' => $make['bed'] ?? null,
                    ],
                    static fn (mixed $one): bool => $one !== null,
                ),
            ),
            $now,
        );
        $this->isReady($link->refresh(), $now);

        return "/builds/{$build->id}";
    }

    /**
     * Contacts as whoever set this up would have chosen them: of the ways out of each that stands, the first that is laid on.
     *
     * @return bool whether none of them stands any more
     */
    private function isReady(Impression $link, CarbonImmutable $now): bool
    {
        for ($i = 0; $i < self::MOST_STEPS; $i++) {
            $link = $link->refresh()->load('job.impressions');
            $stands = array_values(
                array_filter(
                    $this->contacts->of($link, $this->contacts->chain($link->job)), static fn (JudgedContact $one): bool => $one->blocks,
                ),
            )[0] ?? null;
            if ($stands === null) {
                return true;
            }
            $chosen = array_values(
                array_filter(
                    array_map(static fn ($way): array => self::laidOn($way->steps, $now), $this->ways->of($link, $stands)['ways']),
                ),
            )[0] ?? null;
            if ($chosen === null) {
                return false;
            }
            $this->choose->on($link, $stands->touch->key, Fields::of($chosen), $now);
        }

        return false;
    }

    /**
     * @param  list<array{kind: WayKind, id: string}>  $steps
     * @return array<string, int|string> what is chosen for it; nothing where it takes more than what is laid on
     */
    private static function laidOn(array $steps, CarbonImmutable $now): array
    {
        $chosen = [];
        foreach ($steps as $step) {
            $laid = match ($step['kind']) {
                WayKind::Release => ['release' => $step['id']],
                WayKind::Seal, WayKind::Barrier => [
                    'sealed_with' => $step['id'], 'sealed_ms' => (int) $now->subDays(self::SEALED_D)->getTimestampMs(),
                ],
                default => [],
            };
            if ($laid === []) {
                return [];
            }
            $chosen += $laid;
        }

        return $chosen;
    }
}
