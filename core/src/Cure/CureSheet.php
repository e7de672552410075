<?php

declare(strict_types=1);

namespace Apalos\Core\Cure;

use Apalos\Core\Input\Fields;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Minutes;

/** How a base cures, as its sheet says: times in minutes at the reference temperature; absent times stay absent. */
final readonly class CureSheet
{
    /** Where a sheet says nothing, ten degrees halve the time. */
    public const USUAL_Q10 = 2.0;

    /** What is read of a base. */
    public const FIELDS = [
        'pot_life_min', 'recoat_open_min', 'recoat_close_min', 'demould_min', 'service_min', 'full_cure_min', 'ref_c', 'q10', 'alpha',
    ];

    /**
     * @param  array<value-of<Milestone>, Minutes>  $times  by milestone
     * @param  float|null  $q10  1–10; null where the sheet is silent
     * @param  float  $alpha  exponent of the mass for exothermic systems, 0 for silicones (0–2)
     */
    public function __construct(
        public array $times,
        public Celsius $reference,
        public ?float $q10 = null,
        public float $alpha = 0.0,
    ) {}

    public static function from(Fields $in): self
    {
        return self::read($in->only(...self::FIELDS));
    }

    /** Where the times stand among other things that are said of the base. */
    public static function read(Fields $in): self
    {
        $times = [];
        foreach (array_map(static fn (Milestone $m): string => $m->value, Milestone::cases()) as $key) {
            $minutes = $in->positiveOrNull($key);
            if ($minutes !== null) {
                $times[$key] = Minutes::of($minutes);
            }
        }

        return new self(
            $times,
            Celsius::of($in->number('ref_c', Celsius::COLDEST, Celsius::HOTTEST)),
            $in->numberOrNull('q10', 1.0, 10.0),
            $in->numberOrNull('alpha', 0.0, 2.0) ?? 0.0,
        );
    }

    /** The same sheet with every pot life multiplied: softener in the cup makes it pour longer. */
    public function pouring(float $times): self
    {
        $pot = $this->times[Milestone::PotLife->value] ?? null;

        return $pot === null
            ? $this
            : new self([...$this->times, Milestone::PotLife->value => $pot->times($times)], $this->reference, $this->q10, $this->alpha);
    }

    /** The same sheet with all that follows the opening so many times as late: what is cast hot cools by its thickest place. */
    public function cooling(float $times): self
    {
        $later = array_map(
            static fn (Minutes $one): Minutes => $one->times($times),
            array_intersect_key($this->times, array_flip([
                Milestone::Demould->value, Milestone::Service->value, Milestone::FullCure->value,
            ])),
        );

        return new self([...$this->times, ...$later], $this->reference, $this->q10, $this->alpha);
    }

    /** @return array<string, float|null> as {@see CureSheet::from} reads it */
    public function toArray(): array
    {
        return [
            ...array_map(static fn (Minutes $minutes): float => $minutes->min, $this->times), 'ref_c' => $this->reference->degrees,
            'q10' => $this->q10, 'alpha' => $this->alpha,
        ];
    }
}
