<?php

declare(strict_types=1);

namespace Apalos\Core\Casting;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/**
 * What is left of something that melts again: under which sheet it stands on the shelf, how often it bears the heat, and what each melt
 * does to it.
 *
 * @phpstan-type ScrapShape array{code: string, most: int, harder: float}
 */
final readonly class Scrap
{
    /** @param  float  $harder  points a cast that is all scrap comes out harder for each melt behind it, on the scale of its base */
    private function __construct(public string $code, public int $most, public float $harder) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only('code', 'most', 'harder');

        return new self($in->text('code'), (int) $in->number('most', 1.0, 100.0), $in->number('harder', 0.0, 20.0));
    }

    /** @return ScrapShape */
    public function toArray(): array
    {
        return ['code' => $this->code, 'most' => $this->most, 'harder' => $this->harder];
    }

    /** How often what is left now has been melted: once more than the most melted that went in, and once for each time back on the heat. */
    public static function remelts(int $went, int $reheats): int
    {
        return $went + 1 + $reheats;
    }

    /** Points harder than without it, of a cast of which this share (0–1) was melted so often before. */
    public function hardens(float $share, int $remelts): float
    {
        return $share * $remelts * $this->harder;
    }

    /** What is to be expected of a share that was melted so often, in a sentence. */
    public function says(string $lot, float $share, int $remelts): Phrase
    {
        $told = [
            'lot' => $lot, 'times' => $remelts, 'share' => 100.0 * $share, 'harder' => round($this->hardens($share, $remelts), 1),
            'most' => $this->most,
        ];

        return Phrase::of($remelts >= $this->most ? 'run.scrap_too_often' : 'run.scrap_expects', $told);
    }
}
