<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Input\Fields;

/** What it costs the first piece that a tool is not there. */
final readonly class Missing
{
    private function __construct(
        public string $without,
        public string $of,
        private ?float $viscosityOver,
        private ?float $potLifeUnder,
        private ?float $thinnestUnder,
        public float $factor,
        public string $against,
        public string $raise,
    ) {}

    public static function from(Fields $in): self
    {
        $in->only('without', 'of', 'viscosity_over', 'pot_life_under', 'thinnest_under', 'factor', 'against', 'raise');

        return new self(
            $in->text('without'), $in->text('of'), $in->positiveOrNull('viscosity_over'), $in->positiveOrNull('pot_life_under'),
            $in->positiveOrNull('thinnest_under'), $in->number('factor', 0.01, 1.0), $in->text('against'), $in->text('raise'),
        );
    }

    /**
     * @param  float|null  $viscosity  Pa·s; null where nobody measured it
     * @param  float|null  $potLife  minutes
     * @param  float|null  $thinnest  mm, of the piece
     */
    public function counts(string $of, ?float $viscosity, ?float $potLife, ?float $thinnest): bool
    {
        return $of === $this->of
            && ($this->viscosityOver === null || ($viscosity !== null && $viscosity > $this->viscosityOver))
            && ($this->potLifeUnder === null || ($potLife !== null && $potLife < $this->potLifeUnder))
            && ($this->thinnestUnder === null || ($thinnest !== null && $thinnest < $this->thinnestUnder));
    }
}
