<?php

declare(strict_types=1);

namespace Apalos\Core\Series;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Line;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Grams;

/** What the display has shown for the lines of a series so far: by vessel, then by line, in grams; null where nothing is in yet. */
final readonly class Weighed
{
    /** @param  array<string, list<?float>>  $grams */
    private function __construct(private array $grams) {}

    public static function nothing(): self
    {
        return new self([]);
    }

    /** @param  array<string, list<?float>>  $grams  of vessels and lines that are known to be there */
    public static function of(array $grams): self
    {
        return new self($grams);
    }

    /**
     * @param  Fields  $in  `plain-cup`, `full-cup`, `puck-1` …, each a list as long as its lines
     *
     * @throws BadInput for a vessel or a line that the plan does not have
     */
    public static function from(Fields $in, SeriesResult $plan): self
    {
        $vessels = $plan->vessels();
        $in->only(...array_keys($vessels));
        $grams = [];
        foreach ($in->names() as $vessel) {
            $lines = count($vessels[$vessel]);
            $said = $in->numbersOrNull($vessel, 0.0);
            if (count($said) !== $lines) {
                throw BadInput::at($in->at($vessel), Phrase::of('series.wrong_lines', [
                    'vessel' => SeriesResult::called($vessel), 'lines' => $lines,
                ]));
            }
            if (! in_array(null, $said, true) && array_sum($said) <= 0.0) {
                throw BadInput::at($in->at($vessel), Phrase::of('series.nothing_in', ['vessel' => SeriesResult::called($vessel)]));
            }
            $grams[$vessel] = $said;
        }

        return new self($grams);
    }

    public function has(string $vessel): bool
    {
        return isset($this->grams[$vessel]);
    }

    /** @return array<string, list<?float>> */
    public function toArray(): array
    {
        return $this->grams;
    }

    /** @return list<?float> */
    public function in(string $vessel, int $lines): array
    {
        return $this->grams[$vessel] ?? array_fill(0, $lines, null);
    }

    /**
     * The lines with what was shown; as planned where nothing was said.
     *
     * @param  list<Line>  $planned
     * @return list<Line>
     */
    public function lines(string $vessel, array $planned): array
    {
        return array_map(
            static fn (Line $line, ?float $shown): Line => $shown === null ? $line : $line->holding(Grams::of($shown)), $planned,
            $this->in($vessel, count($planned)),
        );
    }
}
