<?php

declare(strict_types=1);

namespace Apalos\Core\Material;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Phrase\Phrase;

/** All sheets of the shop, by house code. */
final readonly class Shelf
{
    /**
     * @param  array<string, BaseSheet>  $bases
     * @param  array<string, AdditiveSheet>  $additives
     */
    private function __construct(public array $bases, public array $additives) {}

    /** @param  iterable<array<string, mixed>>  $sheets */
    public static function of(iterable $sheets): self
    {
        $bases = [];
        $additives = [];
        foreach ($sheets as $sheet) {
            if (($sheet['kind'] ?? null) === 'base') {
                $base = BaseSheet::of($sheet);
                $bases[$base->code] = $base;
            } else {
                $additive = AdditiveSheet::of($sheet);
                $additives[$additive->code] = $additive;
            }
        }

        return new self($bases, $additives);
    }

    /** The same with the sheets of a shop's own, which stand before those of the same code. */
    public function and(self $own): self
    {
        return new self([...$this->bases, ...$own->bases], [...$this->additives, ...$own->additives]);
    }

    /**
     * The same without what a shop does not have.
     *
     * @param  list<string>  $codes
     */
    public function without(array $codes): self
    {
        return new self(array_diff_key($this->bases, array_flip($codes)), array_diff_key($this->additives, array_flip($codes)));
    }

    public function base(string $code, string $field = 'base'): BaseSheet
    {
        return $this->bases[$code] ?? throw BadInput::at($field, Phrase::of('material.no_such_base', ['code' => $code]));
    }

    public function additive(string $code, string $field = 'additive'): AdditiveSheet
    {
        return $this->additives[$code] ?? throw BadInput::at($field, Phrase::of('material.no_such_additive', ['code' => $code]));
    }
}
