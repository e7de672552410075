<?php

declare(strict_types=1);

namespace App\Costs;

use Apalos\Core\Cost\Costing;
use Apalos\Core\Cost\Money;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use App\Library\Library;
use App\Library\Recipes;
use App\Log\Tally;
use App\Models\FormulaVersion;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Mould;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Workshop;
use App\Stock\Prices;

/**
 * What there is to count for the price of a job, of a formula, of a mould, as the log and the stores know it: a question for the core,
 * which a maker may change before it is answered. Prices nobody knows stay empty.
 *
 * @phpstan-type Asked array{
 *     currency: string, casts: int, done?: int, reject_pct: float,
 *     materials: list<array{
 *         code: string, name: string, used_g: float, waste_pct: float, on_hand_g: float, kit: array{price: string, mass_g: float|null},
 *         from: string|null,
 *     }>,
 *     moulds: list<array{id: int|null, name: string, cost: string, life_casts: int}>,
 *     labour: list<array{what: string, min: float, hour_rate: string}>, other: list<array{name: string, price: string}>
 * }
 */
final readonly class CostBook
{
    /** The newest pours of a link say what the next takes. */
    private const NEWEST = 20;

    private const USUAL_MIN = 30.0;

    private const FEW_PIECES = 5;

    private const USUAL_REJECTS = 0.1;

    private const MOST_REJECTS_PCT = 80.0;

    /** To open, clean and grade. */
    private const AFTER_MIN = 10.0;

    public function __construct(
        private Workshop $workshop,
        private Library $library,
        private Prices $prices,
        private Recipes $recipes,
        private CastsLeft $left,
        private Phrasebook $words,
    ) {}

    /** @return Asked */
    public function ofJob(Job $job): array
    {
        $casts = $job->impressions()->where('kind', ImpressionKind::Cast)->get();
        // Link by link: asked for all together, the database would walk through everything that was ever graded.
        $pours = $casts->flatMap(
            static fn (Impression $link) => Pour::query()
                ->where('impression_id', $link->id)
                ->where('state', PourState::Graded)
                ->orderByDesc('opened_at')
                ->limit(self::NEWEST)
                ->get(),
        );
        // A piece takes every pour of its build: films, fillings, what was cast for it in a tray.
        $beside = Pour::query()->whereIn('build_id', $pours->pluck('build_id')->unique()->all())->where('state', PourState::Laid)->get();
        $tallied = Tally::of($job->id);
        $perPour = $tallied['pours'] > 0 ? max(1.0, $tallied['pieces'] / $tallied['pours']) : 1.0;
        $rejects = self::rejectPct($tallied['pieces'], $tallied['rejects']);
        $pieces = (int) max(1.0, ceil($job->quantity / max(0.01, 1.0 - $rejects / 100.0) - 1e-9));
        $grams = $this->perPiece($pours->concat($beside)->all(), max(1, $pours->count()) * $perPour);
        if ($grams === []) {
            $draft = Pour::query()->whereIn('impression_id', $casts->modelKeys())->orderByDesc('id')->first();
            $grams = $draft === null ? [] : $this->planned($draft);
        }
        $filled = (int) ceil($pieces / $perPour);

        return [
            ...$this->asked($pieces, $rejects, array_map(static fn (float $g): float => $g * $pieces, $grams)),
            'done' => min($pieces, $tallied['pieces']),
            'moulds' => $this->moulds($job, $perPour),
            'labour' => [
                [
                    'what' => $this->words->say(Phrase::of('bench.weighing_pouring_opening')),
                    'min' => round($filled * ($this->handsMin($pours->all()) + $this->besideMin($beside->all(), $pours->count())), 0),
                    'hour_rate' => $this->workshop->hour_rate ?? '',
                ],
            ],
        ];
    }

    /** @return Asked for a kilogram of it */
    public function ofFormula(FormulaVersion $version, float $grams): array
    {
        $recipe = $this->recipes->of($version);
        if ($recipe === null) {
            return $this->asked(1, 0.0, []);
        }
        $loads = $recipe->loads();
        $whole = 1.0 + array_sum($loads);
        $used = [$recipe->base->code => $grams / $whole];
        foreach ($loads as $code => $load) {
            $used[$code] = ($used[$code] ?? 0.0) + $grams * $load / $whole;
        }

        return $this->asked(1, 0.0, array_filter($used, static fn (float $g): bool => $g > 0.0));
    }

    /** @return Asked what it cost to make */
    public function ofMould(Mould $mould): array
    {
        $ids = array_values(array_filter(array_map(static fn (array $part): ?int => $part['pour_id'], $mould->parts)));
        if ($ids === []) {
            return $this->asked(1, 0.0, []);
        }
        $pours = Pour::query()->whereKey($ids)->get();
        // Coats of a build belong to it too.
        $beside = Pour::query()
            ->whereIn('build_id', $pours->pluck('build_id')->unique()->all())
            ->whereIn('state', [PourState::Graded, PourState::Laid])
            ->get();
        $used = [];
        foreach ($beside as $pour) {
            foreach ($this->took($pour) as $code => $grams) {
                $used[$code] = ($used[$code] ?? 0.0) + $grams;
            }
        }

        return [
            ...$this->asked(1, 0.0, $used),
            'labour' => $beside->isEmpty()
                ? []
                : [
                    [
                        'what' => 'making it',
                        'min' => round(array_sum(array_map(fn (Pour $pour): float => $this->handsMin([$pour]), $beside->all())), 0),
                        'hour_rate' => $this->workshop->hour_rate ?? '',
                    ],
                ],
        ];
    }

    /** What a mould cost: what somebody said, else what its making comes to; nothing where no price is known. */
    public function worth(Mould $mould): ?string
    {
        if ($mould->cost !== null) {
            return $mould->cost;
        }
        $asked = $this->ofMould($mould);
        $known = array_values(
            array_filter(
                $asked['materials'], static fn (array $line): bool => $line['kit']['price'] !== '' && $line['kit']['mass_g'] !== null,
            ),
        );
        $labour = array_values(array_filter($asked['labour'], static fn (array $line): bool => $line['hour_rate'] !== ''));

        return $known === [] && $labour === [] ? null : $this->total([...$asked, 'materials' => $known, 'labour' => $labour]);
    }

    /** @param  array<string, mixed>  $asked */
    public function total(array $asked): ?string
    {
        try {
            return (new Costing)->ask(Fields::of(self::question($asked)))['total'];
        } catch (BadInput) {
            return null;
        }
    }

    /**
     * As the core takes it: without what only the screen needs.
     *
     * @param  array<string, mixed>  $asked
     * @return array<string, mixed>
     */
    public static function question(array $asked): array
    {
        // What is no list of lines is left for the core to refuse.
        $without = static fn (mixed $lines, array $keys): mixed => is_array($lines)
            ? array_map(static fn (mixed $line): mixed => is_array($line) ? array_diff_key($line, array_flip($keys)) : $line, $lines)
            : $lines;

        return [
            ...$asked, 'materials' => $without($asked['materials'] ?? [], ['code', 'from']),
            'moulds' => $without($asked['moulds'] ?? [], ['id']),
        ];
    }

    /**
     * @param  array<string, float>  $used  grams by house code
     * @return Asked
     */
    private function asked(int $casts, float $rejects, array $used): array
    {
        $codes = array_keys($used);
        [$kits, $held, $shelf] = [$this->prices->of($codes), $this->prices->onHand($codes), $this->library->shelf()];
        $materials = [];
        foreach ($used as $code => $grams) {
            $kit = $kits[$code] ?? null;
            $materials[] = [
                'code' => $code, 'name' => $shelf->bases[$code]->name ?? $shelf->additives[$code]->name ?? $code,
                'used_g' => round($grams, 1), 'waste_pct' => 0.0, 'on_hand_g' => $held[$code] ?? 0.0,
                'kit' => ['price' => $kit['price'] ?? '', 'mass_g' => $kit['mass_g'] ?? null], 'from' => $kit['from'] ?? null,
            ];
        }

        return [
            'currency' => $this->workshop->currency ?? 'EUR', 'casts' => $casts, 'reject_pct' => $rejects, 'materials' => $materials,
            'moulds' => [], 'labour' => [], 'other' => [],
        ];
    }

    /**
     * @param  array<int, Pour>  $pours
     * @return array<string, float> grams of each code a piece takes
     */
    private function perPiece(array $pours, float $pieces): array
    {
        $used = [];
        foreach ($pours as $pour) {
            foreach ($this->took($pour) as $code => $grams) {
                $used[$code] = ($used[$code] ?? 0.0) + $grams / $pieces;
            }
        }

        return $used;
    }

    /**
     * @return array<string, float> what was weighed for it, by code, as its plan has the shares; what is left over in the cup is paid for
     *   too
     */
    private function took(Pour $pour): array
    {
        $used = $this->planned($pour);
        $sum = array_sum($used);

        return $sum > 0.0 && $pour->weighed_g !== null
            ? array_map(static fn (float $g): float => $g * $pour->weighed_g / $sum, $used)
            : $used;
    }

    /** @return array<string, float> */
    private function planned(Pour $pour): array
    {
        $used = [];
        $batches = $pour->plan['run']['batches'] ?? null;
        foreach (is_array($batches) ? $batches : [] as $batch) {
            foreach (is_array($batch) ? $batch : [] as $name => $grams) {
                $code = $name === 'A' || $name === 'B' ? ($pour->base_code ?? '') : (string) $name;
                $used[$code] = ($used[$code] ?? 0.0) + (is_numeric($grams) ? (float) $grams : 0.0);
            }
        }
        if ($used === [] && $pour->plan === null) {
            $answer = app(\App\PourSheets\PourSheetReckoner::class)->reckon($pour->sheet);
            foreach ($answer->mix->batches ?? [] as $batch) {
                foreach ($batch->lines as $line) {
                    $code = in_array($line->code, ['A', 'B'], true) ? ($answer->recipe->base->code ?? '') : $line->code;
                    $used[$code] = ($used[$code] ?? 0.0) + $line->grams->g;
                }
            }
        }

        return array_filter($used, static fn (float $g, string $code): bool => $code !== '' && $g > 0.0, ARRAY_FILTER_USE_BOTH);
    }

    /** @return list<array{id: int|null, name: string, cost: string, life_casts: int}> the moulds its casts come out of */
    private function moulds(Job $job, float $perPour): array
    {
        $moulds = Mould::query()->where('job_id', $job->id)->whereNull('retired_at')->orderByDesc('id')->limit(self::NEWEST)->get();
        $left = $this->left->left($moulds->all());
        $lines = [];
        // Of moulds that stand for each other a piece comes out of one: together they cost and last what all of them do.
        foreach ($moulds->groupBy(
            static fn (Mould $mould): string => $mould->impression_id === null ? "own {$mould->id}" : "link {$mould->impression_id}",
        ) as $alike) {
            $costs = array_values(
                array_filter(
                    $alike->map(fn (Mould $mould): ?string => $this->worth($mould))->all(),
                    static fn (?string $cost): bool => $cost !== null,
                ),
            );
            $cost = null;
            foreach ($costs as $one) {
                $cost = ($cost ?? Money::none())->plus(Money::written(Fields::of(['cost' => $one]), 'cost'));
            }
            $first = $alike->first();
            $count = $alike->count();
            $lines[] = [
                'id' => $count === 1 ? ($first->id ?? null) : null,
                'name' => $count === 1 ? ($first->name ?? '') : ($first->name ?? '').", {$count} alike",
                // Where one of them has no price it is worth what the others are.
                'cost' => $cost === null ? '' : $cost->times($count)->over(count($costs))->cents()->toString(),
                // A life is counted in pours, a job in pieces.
                'life_casts' => (int) max(
                    1.0, round($alike->sum(static fn (Mould $mould): float => $mould->casts + $left[$mould->id]) * $perPour),
                ),
            ];
        }

        return $lines;
    }

    /**
     * How many of a hundred come out bad. Until five came out, one in ten stands in for those that are missing: one that is spoilt is not
     * all that ever come; and who spoils four of five does not go on casting.
     */
    private static function rejectPct(int $pieces, int $rejects): float
    {
        if ($pieces === 0) {
            return 0.0;
        }
        $missing = max(0, self::FEW_PIECES - $pieces);

        return round(min(self::MOST_REJECTS_PCT, 100.0 * ($rejects + self::USUAL_REJECTS * $missing) / ($pieces + $missing)), 1);
    }

    /**
     * What the other pours of a build add to each going of it.
     *
     * @param  array<int, Pour>  $beside
     */
    private function besideMin(array $beside, int $goings): float
    {
        $took = array_map(
            static fn (Pour $pour): float => $pour->started_at === null || $pour->poured_at === null
                ? 0.0
                : min(600.0, max(0.0, $pour->started_at->diffInMinutes($pour->poured_at))),
            $beside,
        );

        return array_sum($took) / max(1, $goings);
    }

    /** @param  array<int, Pour>  $pours */
    private function handsMin(array $pours): float
    {
        $took = array_filter(
            array_map(
                static fn (Pour $pour): ?float => $pour->started_at === null || $pour->poured_at === null
                    ? null
                    : $pour->started_at->diffInMinutes($pour->poured_at),
                $pours,
            ),
            static fn (?float $min): bool => $min !== null && $min > 0.0 && $min < 600.0,
        );
        sort($took);

        return self::AFTER_MIN + ($took === [] ? self::USUAL_MIN : $took[intdiv(count($took), 2)]);
    }
}
