<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Harden\SoftenedPuck;
use Apalos\Core\Units\Shore;
use Apalos\Core\Units\ShoreScale;
use App\Looks\Memo;
use App\Models\SwatchDigest;
use Illuminate\Database\Eloquent\Builder;

/** What the swatches of this shop tell, as the core's models of hardness and colour want it. */
final class SwatchDigests
{
    /** A curve is learnt from the newest pucks; a workshop never casts so many of one base and one softener. */
    public const MOST_PUCKS = 100;

    /** Likewise for what a pigment is characterised from. */
    public const MOST_DRAWDOWNS = 24;

    /** @var array<string, list<ReadPuck>> */
    private array $pucks = [];

    /** @var array<string, array<string, int>>|null */
    private ?array $drawn = null;

    private bool $isFresh = false;

    public function __construct(private readonly DigestWriter $writer, private readonly Memo $memo) {}

    /** @return Builder<SwatchDigest> */
    public function all(): Builder
    {
        if (! $this->isFresh) {
            $this->writer->catchUp();
            $this->isFresh = true;
        }

        return SwatchDigest::query();
    }

    /** Differs as soon as any digest does. */
    public function restsOn(): string
    {
        $this->all();

        return $this->writer->edition();
    }

    /** @return list<ReadPuck> those that say something of this softener in this base, oldest first */
    public function pucks(string $base, string $softener): array
    {
        if (! isset($this->pucks["{$base} {$softener}"])) {
            $this->all();
            $this->pucks["{$base} {$softener}"] = self::ofPair($base, $softener);
        }

        return $this->pucks["{$base} {$softener}"];
    }

    /** @return array<string, array<string, int>> how many pucks were read, by base and softener; those without softener under '' */
    public function counts(): array
    {
        // Five thousand digests are counted once, and again when one of them is another.
        return $this->memo->of('pucks', $this->restsOn(), $this->counted(...));
    }

    /** @return array<string, array<string, int>> */
    private function counted(): array
    {
        $counts = [];
        foreach ($this->all()->whereNotNull('pct_of_ab')->whereNotNull('reading')->groupBy('base_code', 'softener_code')->selectRaw(
            'base_code, softener_code, count(*) as pucks',
        )->toBase()->get() as $row) {
            $counts[(string) $row->base_code][(string) $row->softener_code] = (int) $row->pucks;
        }

        return $counts;
    }

    /** @return array<string, array<string, int>> how many drawdowns there are, by base and pigment; those without pigment under '' */
    public function drawn(): array
    {
        if ($this->drawn === null) {
            $this->drawn = [];
            foreach ($this->all()->whereNotNull('drawdown')->groupBy('base_code', 'pigment_code')->selectRaw(
                'base_code, pigment_code, count(*) as drawdowns',
            )->toBase()->get() as $row) {
                $this->drawn[(string) $row->base_code][(string) $row->pigment_code] = (int) $row->drawdowns;
            }
        }

        return $this->drawn;
    }

    /** @return list<array<string, mixed>> the newest, oldest of them first, as the core's contract has them */
    public function drawdowns(string $base, ?string $pigment): array
    {
        return array_values($this->all()->where('base_code', $base)->where(
            'pigment_code', $pigment,
        )->whereNotNull('drawdown')->orderByDesc('swatch_id')->limit(self::MOST_DRAWDOWNS)->get()->reverse()
            ->map(static fn (SwatchDigest $digest): array => $digest->drawdown ?? [])->all());
    }

    /** @return list<ReadPuck> the newest that were read of this base with this softener or with none, oldest of them first */
    public static function ofPair(string $base, string $softener): array
    {
        $rows = SwatchDigest::query()->where('base_code', $base)->whereNotNull('pct_of_ab')->whereNotNull('reading')
            ->where(static fn (Builder $with) => $with->where('softener_code', $softener)->orWhereNull('softener_code'))
            ->orderByDesc('swatch_id')
            ->limit(self::MOST_PUCKS)
            ->toBase()
            ->get(['swatch_id', 'pct_of_ab', 'scale', 'reading', 'spread', 'places'])
            ->reverse();

        return array_values($rows->map(static fn (object $row): ReadPuck => new ReadPuck(
            (int) $row->swatch_id,
            new SoftenedPuck((float) $row->pct_of_ab, Shore::of(ShoreScale::from((string) $row->scale), (float) $row->reading)),
            (float) $row->spread, (int) $row->places,
        ))->all());
    }
}
