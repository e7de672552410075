<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Care\CareRule;
use Apalos\Core\Run\Grade;
use App\Library\Library;
use App\Lists\Rows;
use App\Log\RecordedRun;
use App\Models\ImpressionKind;
use App\Models\Lot;
use App\Models\Mould;
use App\Models\Workshop;
use App\Moulds\CastKeeper;
use App\Moulds\Lives;
use App\Moulds\MouldWants;
use App\Moulds\Rack;
use App\Stock\LotBook;
use App\Stock\LotLineView;
use App\Types\View;
use Carbon\CarbonImmutable;

/**
 * What is kept beside a run: the moulds it goes into, the lots it takes from, what was found when it came out badly.
 *
 * @phpstan-import-type LotLine from LotLineView
 */
final readonly class KeptView implements View
{
    public function __construct(
        private RecordedRun $run,
        private Rack $rack,
        private Lives $lives,
        private LotBook $lots,
        private WaitingThings $waiting,
        private Library $library,
        private Workshop $workshop,
        private MouldWants $wants,
    ) {}

    /**
     * @return array{
     *     in_a_mould: bool, moulds: list<int>,
     *     choices: list<array{
     *         id: int, code: string, name: string, job: string|null, casts: int, likely: int,
     *         filled: array{pour: int, job: string, link: string}|null, asks: list<string>,
     *     }>,
     *     link_id: int,
     *     lots: list<array{code: string, name: string, from: int|null, lots: list<LotLine>}>,
     *     draws: list<array{lot_id: int|null, label: string|null, name: string, part: string, grams: float}>, short_g: float,
     *     bad: bool, faults: int, diagnosis: array{cause: string, name: string}|null, waiting: list<array{name: string, ml: float}>,
     *     pieces: list<array{number: int, outcome: string, fault: string|null, mould: string|null, mould_id: int|null}>,
     *     causes: array<string, string>
     * }
     */
    public function toArray(): array
    {
        $pour = $this->run->pour;
        $inMould = in_array($pour->impression->kind, [ImpressionKind::Cast, ImpressionKind::Copy], true);
        $said = $inMould ? CastKeeper::said($this->run) : [];
        // By code first: by lot, the database would walk through all draws of the workshop in that order.
        $draws = Rows::of('lot_draws')
            ->where('pour_id', $pour->id)
            ->groupBy('code', 'part', 'lot_id')
            ->orderByRaw('min(id)')
            ->selectRaw('lot_id, code, part, sum(grams) as grams')
            ->get();
        $grade = Grade::tryFrom(is_string($word = $this->run->state->grade['grade'] ?? null) ? $word : '') ?? $pour->grade;
        $causes = $this->library->faultBook()->causes;
        $found = $this->run->beside->diagnosis['cause'] ?? null;

        return [
            'in_a_mould' => $inMould, 'moulds' => $said, 'choices' => $inMould ? $this->choices($said) : [],
            'link_id' => $pour->impression_id,
            'lots' => $this->lots(),
            'draws' => array_values(
                $draws->map(
                    fn (\stdClass $row): array => [
                        'lot_id' => $row->lot_id === null ? null : (int) $row->lot_id,
                        'label' => $row->lot_id === null ? null : Lot::numbered((int) $row->lot_id),
                        'name' => $this->called((string) $row->code),
                        'part' => (string) $row->part, 'grams' => (float) $row->grams,
                    ],
                )->all(),
            ),
            'short_g' => (float) $draws->whereNull('lot_id')->sum('grams'),
            'bad' => $grade !== null && ! $grade->counts(), 'faults' => count($pour->faults ?? []),
            'diagnosis' => $found === null || ! isset($causes[$found]) ? null : ['cause' => $found, 'name' => $causes[$found]->name],
            'waiting' => $this->waiting->all(),
            'pieces' => array_values(Rows::of('castings')->leftJoin(
                'moulds', 'moulds.id', '=', 'castings.mould_id',
            )->where('castings.pour_id', $pour->id)->orderBy('number')->limit(200)->get([
                'number', 'outcome', 'fault', 'mould_id', 'moulds.name as mould',
            ])
                ->map(
                    fn (\stdClass $piece): array => [
                        'number' => (int) $piece->number, 'outcome' => (string) $piece->outcome,
                        'fault' => $piece->fault === null ? null : ($this->library->faults()[(string) $piece->fault]['name'] ?? null),
                        'mould' => $piece->mould === null ? null : (string) $piece->mould,
                        'mould_id' => $piece->mould_id === null ? null : (int) $piece->mould_id,
                    ],
                )->all()),
            'causes' => array_map(static fn ($cause): string => $cause->name, $causes),
        ];
    }

    /**
     * The moulds of its own link first, then others of the rack that are free to be used.
     *
     * @param  list<int>  $said
     * @return list<array{
     *     id: int, code: string, name: string, job: string|null, casts: int, likely: int,
     *     filled: array{pour: int, job: string, link: string}|null, asks: list<string>,
     * }>
     */
    private function choices(array $said): array
    {
        $own = $this->rack->for($this->run->pour->impression);
        $others = Mould::query()
            ->where('job_id', $this->run->pour->impression->job_id)
            ->whereNull('retired_at')
            ->whereKeyNot($own->modelKeys())
            ->limit(20)
            ->get();
        $missing = array_values(array_diff($said, $own->modelKeys(), $others->modelKeys()));
        $others = $missing === [] ? $others : $others->concat(Mould::query()->whereKey($missing)->get());
        $moulds = $own->concat($others)->load('job');
        $lives = $this->lives->of($moulds->all());
        $filled = $this->rack->filledWith(array_map(static fn (Mould $mould): int => $mould->id, $moulds->all()), $this->run->pour->id);

        // The one it was begun with stands on the checklist; another asks for its own here, until it is filled.
        $isOpen = $this->run->state->lastMetAt() === null;
        $planned = is_array($this->run->pour->plan['moulds'] ?? null) ? $this->run->pour->plan['moulds'] : [];
        $asks = fn (Mould $mould): array => ! $isOpen || ! in_array($mould->id, $said, true) || in_array($mould->id, $planned, true)
            ? []
            : array_map(
                static fn (CareRule $rule): string => "{$rule->text} {$rule->why}",
                $this->wants->of($mould, $this->run->frozen->code, CarbonImmutable::now()),
            );

        return array_values($moulds->map(static fn (Mould $mould): array => [
            'id' => $mould->id, 'code' => $mould->code(), 'name' => $mould->name, 'job' => $mould->job?->name, 'casts' => $mould->casts,
            'likely' => $lives[$mould->id]->likely,
            'filled' => isset($filled[$mould->id])
                ? ['pour' => $filled[$mould->id]['pour'], 'job' => $filled[$mould->id]['job'], 'link' => $filled[$mould->id]['link']]
                : null,
            'asks' => $asks($mould),
        ])->all());
    }

    /** @return list<array{code: string, name: string, from: int|null, lots: list<LotLine>}> */
    private function lots(): array
    {
        $codes = array_values(array_unique([
            $this->run->frozen->code, ...array_map(strval(...), array_diff(array_keys($this->run->cupCodes()), ['A', 'B'])),
        ]));
        $today = CarbonImmutable::now($this->workshop->zone())->format('Y-m-d');
        $planned = is_array($this->run->pour->plan['lots'] ?? null) ? $this->run->pour->plan['lots'] : [];
        $lots = [];
        $from = fn (string $code): mixed => $this->run->beside->lots[$code]
            ?? (is_array($planned[$code] ?? null) ? ($planned[$code][0] ?? null) : null);
        // One that was called back since is shown as what it is, before those that may take its place.
        $bad = Lot::query()
            ->with('parts')
            ->whereKey(array_filter(array_map($from, $codes), is_int(...)))
            ->whereNotNull('recalled_at')
            ->get();
        foreach ($bad->concat($this->lots->atHand($codes))->groupBy('code') as $code => $of) {
            $first = $from((string) $code);
            $lots[] = [
                'code' => (string) $code, 'name' => $this->called((string) $code), 'from' => is_int($first) ? $first : null,
                'lots' => array_values($of->map(static fn (Lot $lot): array => (new LotLineView($lot, $today))->toArray())->all()),
            ];
        }

        return $lots;
    }

    private function called(string $code): string
    {
        return $code === $this->run->frozen->code ? $this->run->frozen->base : $this->run->frozen->called($code);
    }
}
