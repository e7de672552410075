<?php

declare(strict_types=1);

namespace Apalos\Core\Material;

use Apalos\Core\Cure\CureSheet;
use Apalos\Core\Cure\Milestone;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Base;
use Apalos\Core\Mix\Basis;
use Apalos\Core\Mix\Composition;
use Apalos\Core\Mix\Ratio;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Units\Celsius;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Minutes;
use Apalos\Core\Units\Temperature;

/** The sheet of a base: rubber, resin, plaster, latex, vinyl. Densities g/ml, times min at the reference temperature. */
final readonly class BaseSheet
{
    private const USUAL_SG = 1.1;

    /**
     * @param  array{a: string, b?: string}  $partNames  what the maker calls the two parts
     * @param  array<string, Minutes>  $times
     * @param  array{reading: float, scale: string}|null  $hardness
     * @param  list<AdditiveLimit>  $limits
     * @param  list<string>  $hazards  ids of cautions
     * @param  list<string>  $leftOpen  what its sheet does not say and something stands in for
     * @param  string|null  $casting  the way it is worked on a run, where that is another than its family's own
     * @param  array<string, mixed>  $written  the sheet as written, for reading
     */
    private function __construct(
        public string $code,
        public string $name,
        public string $family,
        public Ratio $ratio,
        public array $partNames,
        public ?Density $sgA,
        public ?Density $sgB,
        public ?Density $sgMixed,
        public array $times,
        public Celsius $reference,
        public ?float $q10,
        public float $alpha,
        public ?array $hardness,
        public bool $pourBFirst,
        public bool $measuredByVolumeOk,
        public string $vacuum,
        public bool $brushed,
        public array $limits,
        public array $hazards,
        public string $colour,
        public array $leftOpen,
        public ?string $casting,
        private array $written,
    ) {}

    /** @param  array<string, mixed>  $sheet as read from the library and valid against its schema */
    public static function of(array $sheet): self
    {
        $in = Fields::of($sheet, is_string($sheet['code'] ?? null) ? $sheet['code'] : 'sheet');
        $sg = $in->object('sg');
        $density = static fn (string $key): ?Density => ($v = $sg->positiveOrNull($key)) === null ? null : Density::of($v);
        $times = [];
        foreach ($in->object('times')->names() as $name) {
            $times[$name] = Minutes::of($in->object('times')->positive($name));
        }
        $parts = $in->object('part_names');
        $hardness = $in->objectOrNull('hardness');

        return new self(
            $in->text('code'),
            $in->text('name'),
            $in->text('family'),
            Ratio::from($in->object('ratio')),
            $parts->has('b') ? ['a' => $parts->text('a'), 'b' => $parts->text('b')] : ['a' => $parts->text('a')],
            $density('a'),
            $density('b'),
            $density('mixed'),
            $times,
            Celsius::of($in->number('ref_c')),
            $in->numberOrNull('q10'),
            $in->number('alpha'),
            $hardness === null ? null : ['reading' => $hardness->number('reading'), 'scale' => $hardness->text('scale')],
            $in->text('pour_first') === 'b',
            $in->bool('measured_by_volume_ok'),
            $in->text('vacuum'),
            $in->bool('brushed'),
            array_map(AdditiveLimit::from(...), $in->objects('limits')),
            self::strings($sheet['hazards'] ?? []),
            $in->text('colour'),
            $in->strings('left_open'),
            $in->textOrNull('casting'),
            $sheet,
        );
    }

    /** The sheet as it is written, for what is only read by people. */
    public function sheet(): Fields
    {
        return Fields::of($this->written, $this->code);
    }

    /**
     * Of A and B together, as everything reckons with it: as its sheet has it, else their volumes added; a usual one where it is silent.
     */
    public function density(): Density
    {
        try {
            return Composition::of($this->forMixing(), [])->density;
        } catch (BadInput) {
            return Density::of(self::USUAL_SG);
        }
    }

    /** Its sheet does not say; what is reckoned with stands in for it. */
    public function leavesOpen(string $field): bool
    {
        return in_array($field, $this->leftOpen, true);
    }

    public function isForSkin(): bool
    {
        return $this->sheet()->bool('skin_safe');
    }

    public function limitFor(AdditiveRole $role): ?AdditiveLimit
    {
        foreach ($this->limits as $limit) {
            if ($limit->role === $role) {
                return $limit;
            }
        }

        return null;
    }

    /** The most of this it bears, in per cent of A+B, whatever its sheet, or the additive's own, counts on. */
    public function bears(AdditiveSheet $additive): float
    {
        $limit = $this->limitFor($additive->role);
        $share = $this->ratio->weightFractionOfA($this->sgA, $this->sgB);

        return match ($limit->basis ?? $additive->basis) {
            Basis::OfA => ($limit->max ?? $additive->max) * $share,
            Basis::OfB => ($limit->max ?? $additive->max) * (1.0 - $share),
            default => $limit->max ?? $additive->max,
        };
    }

    /** How warm it may get, cured, for the minutes of a cast, as its sheet says; null where that is silent. */
    public function bearsHeat(): ?Temperature
    {
        return Temperature::inOrNull($this->sheet(), 'bears_c');
    }

    public function forMixing(): Base
    {
        return new Base($this->ratio, $this->sgA, $this->sgB, $this->sgMixed, $this->pourBFirst, $this->measuredByVolumeOk);
    }

    public function forCuring(): CureSheet
    {
        $times = [];
        foreach (Milestone::cases() as $milestone) {
            if (isset($this->times[$milestone->value])) {
                $times[$milestone->value] = $this->times[$milestone->value];
            }
        }

        return new CureSheet($times, $this->reference, $this->q10, $this->alpha);
    }

    /** On scale A, where its sheet gives it on that; null on another or where it is silent. */
    public function shoreA(): ?float
    {
        return ($this->hardness['scale'] ?? null) === 'A' ? $this->hardness['reading'] : null;
    }

    /** Hardness with its scale (`00-30`, `A 25`), or null where it has none. */
    public function shore(): ?string
    {
        if ($this->hardness === null) {
            return null;
        }

        return $this->hardness['scale'].($this->hardness['scale'] === '00' ? '-' : ' ').rtrim(
            rtrim(number_format($this->hardness['reading'], 1), '0'), '.',
        );
    }

    /** @return list<string> */
    private static function strings(mixed $list): array
    {
        if (! is_array($list)) {
            throw BadInput::at('hazards', Phrase::of('material.no_hazards'));
        }

        return array_values(array_filter($list, is_string(...)));
    }
}
