<?php

declare(strict_types=1);

namespace Apalos\Core\Mix;

use Apalos\Core\Cure\CureSheet;
use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Density;

/** The base as far as its grams go: the ratio of its parts, their densities in g/ml, which is poured first. Its times are the clock's. */
final readonly class Base
{
    public function __construct(
        public Ratio $ratio,
        public ?Density $sgA,
        public ?Density $sgB,
        public ?Density $sgMixed,
        public bool $pourBFirst,
        public bool $measuredByVolumeOk,
    ) {}

    /** Reads what concerns the mixing; the times beside it are read by {@see CureSheet::from}. */
    public static function from(Fields $in): self
    {
        $in->only('ratio', 'sg', 'sg_mixed', 'pour_first', 'measured_by_volume_ok', ...CureSheet::FIELDS);
        $sg = $in->objectOrNull('sg')?->only('a', 'b');
        $density = static fn (?float $value): ?Density => $value === null ? null : Density::of($value);

        return new self(
            Ratio::from($in->object('ratio')),
            $density($sg?->positiveOrNull('a', 25.0)),
            $density($sg?->positiveOrNull('b', 25.0)),
            $density($in->positiveOrNull('sg_mixed', 25.0)),
            ! $in->has('pour_first') || $in->choice('pour_first', Into::class) !== Into::A,
            $in->has('measured_by_volume_ok') && $in->bool('measured_by_volume_ok'),
        );
    }

    /** @return array<string, mixed> as {@see self::from} reads it */
    public function toArray(): array
    {
        return [
            'ratio' => ['by' => $this->ratio->by->value, 'a' => $this->ratio->a, 'b' => $this->ratio->b],
            'sg' => ['a' => $this->sgA?->gPerMl, 'b' => $this->sgB?->gPerMl],
            'sg_mixed' => $this->sgMixed?->gPerMl, 'pour_first' => $this->pourBFirst ? Into::B->value : Into::A->value,
            'measured_by_volume_ok' => $this->measuredByVolumeOk,
        ];
    }
}
