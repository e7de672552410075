<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Chance\Beta;
use Apalos\Core\Cure\Gauss;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/**
 * How likely it is that the first piece is good: as often as such casts came out, times what missing gear costs, times the chance that each
 * window is met, times that each test clears. What hands take is lognormal about what was reckoned.
 */
final readonly class Odds
{
    /** Of its pot life a rubber pours for so much. */
    private const USABLE = 0.8;

    /** What is met less often is said. */
    private const TIGHT = 0.97;

    /** Within which it lies with a chance of 80 %. */
    private const BAND = [0.1, 0.9];

    /**
     * @param  list<Phrase>  $against
     * @param  list<Phrase>  $raise  what would make it likelier
     */
    private function __construct(
        private Beta $share,
        private float $factor,
        private float $clears,
        public float $usual,
        public float $same,
        public float $alike,
        public array $against,
        public array $raise,
    ) {}

    public static function of(Combination $way, WaysRequest $asked, WaysBook $book, Rubbers $rubbers, ?Making $mould, float $pouring): self
    {
        $past = $asked->past->of(
            $way->kind, $way->called(), [$way->cast->code, $way->cast->family], $way->worked->usual, $book->usualCounts, $book->alikeCounts,
        );
        [$factor, $clears, $against, $raise] = [1.0, 1.0, [], []];
        foreach (['mould' => $mould === null ? null : $way->base, 'cast' => $way->cast] as $of => $base) {
            foreach ($book->gear as $gear) {
                if (
                    $base !== null
                    && ! ($asked->gear[$gear->without] ?? false)
                    && $gear->counts($of, $rubbers->of($base)->viscosity, $rubbers->of($base)->time(Milestone::PotLife), $asked->thinnest)
                ) {
                    $factor *= $gear->factor;
                    $against[] = Phrase::written($gear->against);
                    $raise[] = Phrase::written($gear->raise);
                }
            }
        }
        foreach (self::windows($way, $rubbers, $mould, $pouring) as [$there, $needed, $name]) {
            $met = self::met($there, $needed, $book->handsSpread);
            $factor *= $met;
            if ($met < self::TIGHT) {
                $against[] = Phrase::of('ways.tight', [
                    'what' => $name, 'there' => Quantity::duration($there), 'needed' => Quantity::duration($needed),
                ]);
                $raise[] = Phrase::of('ways.raise_slower', ['what' => $name]);
            }
        }
        foreach ($way->tests() as $test) {
            $clears *= $book->testClears;
            $against[] = Phrase::of('ways.rests_on_test', ['test' => $test]);
            $raise[] = Phrase::of('ways.raise_test', ['test' => $test]);
        }
        if ($past['same'] + $past['alike'] <= 0.0) {
            $raise[] = Phrase::of('ways.raise_trial');
        }

        return new self($past['share'], $factor, $clears, $way->worked->usual, $past['same'], $past['alike'], $against, $raise);
    }

    /** How likely hands that were reckoned to take so long are done in the time there is. */
    public static function met(float $there, float $needed, float $spread): float
    {
        return $needed <= 0.0 ? 1.0 : ($there <= 0.0 ? 0.0 : Gauss::below(log($there / $needed) / $spread));
    }

    /** @return \Generator<array{float, float, Phrase}> the minutes there are, those hands need, and what for */
    private static function windows(Combination $way, Rubbers $rubbers, ?Making $mould, float $pouring): \Generator
    {
        foreach ($mould->stages ?? [] as $stage) {
            if ($stage['until'] !== null) {
                yield [$stage['until'] - $stage['from'], $stage['minutes'], Phrase::of('ways.the_coat')];
            }
        }
        foreach ([
            [$mould === null ? null : $way->base, $mould->pourMin ?? 0.0, 'ways.the_mould'], [$way->cast, $pouring, 'ways.the_cast'],
        ] as [$base, $needed, $name]) {
            $pot = $base === null ? null : $rubbers->of($base)->time(Milestone::PotLife);
            if ($pot !== null) {
                yield [self::USABLE * $pot, $needed, Phrase::of($name)];
            }
        }
    }

    public function likely(): float
    {
        return $this->share->mean() * $this->factor * $this->clears;
    }

    /** How many of all are good once what has to be tested has cleared. */
    public function steady(): float
    {
        return $this->share->mean() * $this->factor;
    }

    /** @return array{low: float, high: float} within which it lies with a chance of 80 % */
    public function band(): array
    {
        return [
            'low' => $this->share->quantile(self::BAND[0]) * $this->factor * $this->clears,
            'high' => $this->share->quantile(self::BAND[1]) * $this->factor * $this->clears,
        ];
    }
}
