<?php

declare(strict_types=1);

namespace Apalos\Core\Series;

use Apalos\Core\Mix\Line;
use Apalos\Core\Mix\MixResult;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Warning;

/**
 * A series as one small pour: first the cups everything comes from, then each puck's own cup.
 *
 * @phpstan-type SeriesShape array{
 *     cups: list<array{code: string, name: string, mass_g: float, lines: list<array{add: string, grams: float, running: float}>}>,
 *     pucks: list<array{
 *         code: string, wanted_pct: float, true_pct: float, mass_g: float, lines: list<array{add: string, grams: float, running: float}>,
 *     }>,
 *     minutes: float, usable_min: float|null, warnings: list<array{code: string, message: Phrase}>, working: list<Phrase>
 * }
 */
final readonly class SeriesResult
{
    /**
     * @param  array<string, MixResult>  $cups  by what they are called in the pucks' lines
     * @param  list<SeriesPuck>  $pucks
     * @param  list<Warning>  $warnings
     * @param  list<Phrase>  $working
     */
    public function __construct(
        public array $cups,
        public array $pucks,
        public float $minutes,
        public ?float $usableMin,
        public array $warnings,
        public array $working,
    ) {}

    /**
     * What each puck really has, from what the display showed: the same for its labels and for every screen.
     *
     * @return list<float> per cent, in order
     */
    public function shares(SeriesRequest $asked, Weighed $weighed): array
    {
        $isLadder = $asked->rising !== [] && $asked->softener === null;
        $strength = 1.0;
        if ($isLadder && isset($this->cups[SeriesPlanner::FULL])) {
            $lines = $this->cups[SeriesPlanner::FULL]->batches[0]->lines;
            $strength = SeriesPlanner::strength(
                $asked, $weighed->lines(SeriesPlanner::FULL, $lines),
            ) / max(1e-9, SeriesPlanner::strength($asked, $lines));
        }

        return array_map(
            static fn (SeriesPuck $puck, int $i): float => $strength * $puck->shareOf(
                $weighed->lines(self::puck($i), $puck->lines), $isLadder,
            ),
            $this->pucks, array_keys($this->pucks),
        );
    }

    /**
     * Everything that stands on the scale, in the order of the work: the cups, then `puck-1`, `puck-2` …
     *
     * @return array<string, list<Line>>
     */
    public function vessels(): array
    {
        $vessels = array_map(static fn (MixResult $mix): array => $mix->batches[0]->lines, $this->cups);
        foreach ($this->pucks as $i => $puck) {
            $vessels[self::puck($i)] = $puck->lines;
        }

        return $vessels;
    }

    public static function puck(int $i): string
    {
        return 'puck-'.($i + 1);
    }

    /** What a vessel is called, by its code. */
    public static function called(string $vessel): string
    {
        return str_replace('-', ' ', $vessel);
    }

    /** @return SeriesShape */
    public function toArray(): array
    {
        $cups = [];
        foreach ($this->cups as $code => $mix) {
            $cups[] = [
                'code' => $code, 'name' => self::called($code), 'mass_g' => $mix->batches[0]->mass->g,
                'lines' => $mix->batches[0]->toArray()['lines'],
            ];
        }

        return [
            'cups' => $cups,
            'pucks' => array_map(
                static fn (SeriesPuck $puck, int $i): array => ['code' => self::puck($i), ...$puck->toArray()], $this->pucks,
                array_keys($this->pucks),
            ),
            'minutes' => $this->minutes, 'usable_min' => $this->usableMin, 'warnings' => Warning::all($this->warnings),
            'working' => $this->working,
        ];
    }
}
