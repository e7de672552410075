<?php

declare(strict_types=1);

namespace Apalos\Core\Material;

use Apalos\Core\Input\Fields;
use Apalos\Core\Mix\Basis;
use Apalos\Core\Mix\Into;
use Apalos\Core\Units\Density;
use Apalos\Core\Units\Grams;
use Apalos\Core\Units\Minutes;

/** The sheet of something stirred into a base. */
final readonly class AdditiveSheet
{
    /**
     * @param  list<string>  $families  the bases it is meant for
     * @param  list<string>  $hazards  ids of cautions
     * @param  Minutes|null  $flash  how long a solvent takes to leave a brushed film
     * @param  list<string>  $leftOpen  what its sheet does not say and something stands in for
     * @param  array<string, mixed>  $written  the sheet as written, for reading
     */
    private function __construct(
        public string $code,
        public string $name,
        public AdditiveRole $role,
        public array $families,
        public Density $sg,
        public Basis $basis,
        public Into $into,
        public float $max,
        public ?Grams $drop,
        public array $hazards,
        public string $colour,
        public ?Softening $softening,
        public ?Minutes $flash,
        public bool $paintOnly,
        public array $leftOpen,
        private array $written,
    ) {}

    /** @param  array<string, mixed>  $sheet as read from the library and valid against its schema */
    public static function of(array $sheet): self
    {
        $in = Fields::of($sheet, is_string($sheet['code'] ?? null) ? $sheet['code'] : 'sheet');
        $drop = $in->positiveOrNull('drop_g');
        $strings = static fn (mixed $list): array => is_array($list) ? array_values(array_filter($list, is_string(...))) : [];

        return new self(
            $in->text('code'),
            $in->text('name'),
            $in->choice('role', AdditiveRole::class),
            $strings($sheet['families'] ?? []),
            Density::of($in->positive('sg')),
            $in->choice('basis', Basis::class),
            $in->choice('into', Into::class),
            $in->positive('max'),
            $drop === null ? null : Grams::of($drop),
            $strings($sheet['hazards'] ?? []),
            $in->text('colour'),
            ($softening = $in->objectOrNull('softening')) === null ? null : Softening::from($softening),
            ($flash = $in->positiveOrNull('flash_min')) === null ? null : Minutes::of($flash),
            $in->has('paint_only') && $in->bool('paint_only'),
            $in->strings('left_open'),
            $sheet,
        );
    }

    /** The sheet as it is written, for what is only read by people. */
    public function sheet(): Fields
    {
        return Fields::of($this->written, $this->code);
    }

    /** Its sheet does not say; what is reckoned with stands in for it. */
    public function leavesOpen(string $field): bool
    {
        return in_array($field, $this->leftOpen, true);
    }

    public function suits(BaseSheet $base): bool
    {
        return in_array($base->family, $this->families, true);
    }
}
