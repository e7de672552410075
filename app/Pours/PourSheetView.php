<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Phrase\Phrase;
use App\Builds\PlanAgainst;
use App\Builds\RecordedBuild;
use App\Library\Library;
use App\Library\ShelfView;
use App\Log\StandsInCup;
use App\Models\Pour;
use App\Models\Workshop;
use App\Studies\StudiedPiece;
use App\Types\View;
use Carbon\CarbonImmutable;

/**
 * What a pour sheet needs to be filled in: itself as typed, the shelf, earlier formulas, what earlier pours taught.
 *
 * @phpstan-import-type ShelfShape from ShelfView
 */
final readonly class PourSheetView implements View
{
    /**
     * @param  list<array{
     *     id: int, name: string, number: int,
     *     recipe: array{base: string, additives: list<array{code: string, amount: float, basis: string, into: string}>},
     * }>  $formulas  that it can take
     * @param  array{pct: float, pours: int}|null  $learnt
     * @param  array{grams: float, pours: int}|null  $took
     */
    public function __construct(
        private Pour $pour,
        private Library $library,
        private Workshop $workshop,
        private array $formulas,
        private ?array $learnt,
        private ?array $took,
        private PlanAgainst $against = new PlanAgainst,
    ) {}

    /**
     * @return array{
     *     id: int, edition: int,
     *     build: array{
     *         id: int, name: string, coat: array{op: string, name: string}|null, follows: list<Phrase>, by_hand: list<Phrase>,
     *     }|null,
     *     job_id: int, job: string, impression: string, kind: string, sheet: array<string, mixed>, shelf: ShelfShape,
     *     formulas: list<array{
     *         id: int, name: string, number: int,
     *         recipe: array{base: string, additives: list<array{code: string, amount: float, basis: string, into: string}>},
     *     }>,
     *     learnt: array{pct: float, pours: int}|null, took: array{grams: float, pours: int}|null,
     *     studied: array{
     *         model: int, name: string, volume_ml: float, area_mm2: float, size_mm: array{float, float, float},
     *         box_mm: array{float, float, float}, undercut_depth_mm: float, stretch_pct: float|null,
     *     }|null,
     *     scale: array{division_g: float, capacity_g: float}, stands: list<array{cup: int, name: string, grams: float}>
     * }
     */
    public function toArray(): array
    {
        return [
            'id' => $this->pour->id,
            'edition' => $this->pour->edition,
            'build' => $this->pour->build->plain
                ? null
                : [
                    'id' => $this->pour->build_id, 'name' => $this->pour->build->name, 'coat' => $this->coat(),
                    ...$this->against->of($this->pour),
                ],
            'job_id' => $this->pour->impression->job_id,
            'job' => $this->pour->impression->job->name,
            'impression' => $this->pour->impression->name,
            'kind' => $this->pour->impression->kind->value,
            'sheet' => $this->pour->sheet,
            'shelf' => (new ShelfView($this->library))->toArray(),
            'formulas' => $this->formulas,
            'learnt' => $this->learnt,
            'took' => $this->took,
            'studied' => StudiedPiece::of($this->pour->impression->job_id)?->toArray(),
            'scale' => ['division_g' => $this->workshop->scale_division_g, 'capacity_g' => $this->workshop->scale_capacity_g],
            'stands' => $this->stands(),
        ];
    }

    /** @return array{op: string, name: string}|null the coat a finger asks before this one goes on it */
    private function coat(): ?array
    {
        [$recorded] = RecordedBuild::legible([$this->pour->build], CarbonImmutable::now());
        $coat = ($recorded[0] ?? null)?->state->feltFor($this->pour->operation);

        return $coat === null ? null : ['op' => $coat->id, 'name' => $coat->name];
    }

    /** @return list<array{cup: int, name: string, grams: float}> what was weighed before it went back to its plan */
    private function stands(): array
    {
        $stands = StandsInCup::of($this->pour);
        $in = [];
        foreach ($stands->cups ?? [] as $cup => $poured) {
            foreach ($poured as $code => $grams) {
                $in[] = ['cup' => $cup, 'name' => $stands->names[$code] ?? (string) $code, 'grams' => $grams];
            }
        }

        return $in;
    }
}
