<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Harden\Contradictions;
use Apalos\Core\Harden\JudgedPuck;
use Apalos\Core\Harden\SoftenedPuck;
use Apalos\Core\Material\AdditiveRole;
use App\Library\Library;
use App\Library\Recipes;
use App\Library\Softeners;
use App\Models\Swatch;
use App\Models\SwatchDigest;
use App\Models\Workshop;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

/** Keeps what the swatches tell: of each swatch when it, or what was read of it, changes; of all when the shelf does. */
final readonly class DigestWriter
{
    /** Raised where digests are to say more than they did. */
    private const EDITION = 1;

    private const AT_ONCE = 300;

    private const COLOURLESS = [AdditiveRole::Softener, AdditiveRole::VinylSoftener, AdditiveRole::Thinner];

    public function __construct(
        private Library $library,
        private Recipes $recipes,
        private Softeners $softeners,
        private Workshop $workshop,
    ) {}

    /** Where the shelf has changed since, everything is read off again. */
    public function catchUp(): void
    {
        $stamp = $this->library->stamp().'/'.self::EDITION;
        if ($this->workshop->digest_stamp === $stamp) {
            return;
        }
        try {
            DB::transaction(function () use ($stamp): void {
                $this->workshop->swatches()->chunkById(self::AT_ONCE, fn ($swatches) => $this->write(array_values($swatches->all())));
                $this->weigh(array_keys($this->softeners->choices()));
                // Counted by the database: somebody may have changed a digest meanwhile.
                $this->workshop->increment('digest_changes', 1, ['digest_stamp' => $stamp]);
            });
        } catch (QueryException $locked) {
            // Nothing can be written down now: what was known before is better than no page.
            report($locked);
        }
    }

    /** Differs as soon as any digest does. */
    public function edition(): string
    {
        return "{$this->workshop->digest_stamp}/{$this->workshop->digest_changes}";
    }

    /**
     * Changes a swatch and its digest together, or neither.
     *
     * @param  callable(): Swatch  $change
     */
    public function after(callable $change): Swatch
    {
        return DB::transaction(function () use ($change): Swatch {
            $swatch = $change();
            $this->take($swatch->id);

            return $swatch;
        });
    }

    /** After a swatch, or what was read of it, has changed. */
    public function take(int ...$swatches): void
    {
        $before = SwatchDigest::query()->whereKey($swatches)->pluck('base_code')->all();
        SwatchDigest::query()->whereKey($swatches)->delete();
        foreach (array_chunk($swatches, self::AT_ONCE) as $some) {
            $this->write(array_values($this->workshop->swatches()->whereKey($some)->get()->all()));
        }
        $after = SwatchDigest::query()->whereKey($swatches)->pluck('base_code')->all();
        $this->weigh(array_values(array_filter(array_unique([...$before, ...$after]), is_string(...))));
        $this->workshop->increment('digest_changes');
    }

    /** @param  list<Swatch>  $swatches */
    private function write(array $swatches): void
    {
        (new \Illuminate\Database\Eloquent\Collection($swatches))->load(['version.formula', 'readings']);
        $rows = array_map(function (Swatch $swatch): array {
            $digest = new SwatchDigest($this->digest(new KnownSwatch($swatch, $this->recipes->of($swatch->version))));

            return $digest->getAttributes();
        }, $swatches);
        SwatchDigest::query()->upsert($rows, ['swatch_id']);
    }

    /** @return array<string, mixed> */
    private function digest(KnownSwatch $known): array
    {
        [$swatch, $softening, $hardness, $colour, $pigments] = [
            $known->swatch, $known->softening(), $known->hardness(), $known->colour(), $known->pigments(),
        ];
        $median = $hardness?->median();

        return [
            'swatch_id' => $swatch->id, 'workshop_id' => $swatch->workshop_id, 'base_code' => $known->recipe?->base->code,
            'softener_code' => $softening['softener'] ?? null, 'pct_of_ab' => $softening['pct'] ?? null,
            'scale' => $median?->scale->value, 'reading' => $median?->reading, 'spread' => $hardness?->spread(),
            'places' => $hardness === null ? null : count($hardness->readings),
            'ln_modulus' => $median === null ? null : log($median->modulus()), 'off_sd' => null,
            'lab_l' => $colour?->toArray()[0], 'lab_a' => $colour?->toArray()[1], 'lab_b' => $colour?->toArray()[2],
            'pigment_code' => count($pigments) === 1 ? array_key_first($pigments) : null,
            'drawdown' => count($pigments) > 1 ? null : self::drawdown($known, array_values($pigments)[0] ?? null),
            'unread' => $swatch->readings->isEmpty(), 'poured_at' => $swatch->getRawOriginal('poured_at'),
            'words' => mb_strtolower(implode(' ', [
                $swatch->name, $swatch->note ?? '', $swatch->version->formula->name, $known->recipe->base->name ?? '',
                ...array_map(static fn ($sheet): string => $sheet->name, $known->recipe?->sheets() ?? []),
            ])),
        ];
    }

    /** @return array<string, mixed>|null */
    private static function drawdown(KnownSwatch $known, ?float $load): ?array
    {
        [$white, $black] = [$known->last('colour', 'white'), $known->last('colour', 'black')];
        if ($known->recipe === null || $known->swatch->thickness_mm === null || $white?->lab === null || $black?->lab === null) {
            return null;
        }
        foreach ($known->recipe->sheets() as $sheet) {
            if (! in_array($sheet->role, self::COLOURLESS, true) && $sheet->role !== AdditiveRole::Pigment) {
                return null;
            }
        }

        return array_filter([
            'load_pct' => $load, 'thickness_mm' => $known->swatch->thickness_mm,
            'over_white' => $white->lab, 'over_black' => $black->lab, 'white' => $white->card_lab, 'black' => $black->card_lab,
        ], static fn (mixed $value): bool => $value !== null);
    }

    /**
     * Holds the pucks of these bases against each other.
     *
     * @param  list<string>  $bases
     */
    private function weigh(array $bases): void
    {
        SwatchDigest::query()->whereIn('base_code', $bases)->whereNotNull('off_sd')->update(['off_sd' => null]);
        foreach (array_intersect_key($this->softeners->choices(), array_flip($bases)) as $base => $softeners) {
            foreach ($softeners as $softener) {
                [$sheet, $additive] = $this->softeners->pair($base, $softener);
                $shore = Softeners::shore($sheet);
                $read = SwatchDigests::ofPair($base, $softener);
                $pucks = array_map(static fn (ReadPuck $of): SoftenedPuck => $of->puck, $read);
                $judged = $shore === null || $additive->softening === null
                    ? []
                    : Contradictions::among($shore, $additive->softening->k, $pucks);
                foreach (array_filter($judged, static fn (JudgedPuck $puck): bool => $puck->isOutlier) as $i => $puck) {
                    SwatchDigest::query()->whereKey($read[$i]->swatchId)->update(['off_sd' => $puck->offSd]);
                }
            }
        }
    }
}
