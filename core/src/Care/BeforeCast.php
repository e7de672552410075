<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

use Apalos\Core\Contact\Family;
use Apalos\Core\Input\Fields;

/** What a mould wants before something is cast in it, and why: read from a library, asked of what happened to it. */
final readonly class BeforeCast
{
    /** @param  list<CareRule>  $rules */
    private function __construct(private array $rules) {}

    /** @param  array<array-key, mixed>  $read */
    public static function of(array $read): self
    {
        return new self(
            array_map(
                static fn (mixed $rule): CareRule => CareRule::from(Fields::of(is_array($rule) ? $rule : [], 'care')), array_values($read),
            ),
        );
    }

    /** @return list<CareRule> those that are due; where one is certain, the softer ones of the same act are left out */
    public function wants(Family $mould, Family $cast, MouldPast $past, ReleaseSchool $school): array
    {
        $due = array_values(
            array_filter(
                $this->rules, static fn (CareRule $rule): bool => $rule->speaksOf($mould, $cast) && $rule->isDue($past, $cast, $school),
            ),
        );
        $certain = array_map(
            static fn (CareRule $rule): ?Act => $rule->act, array_filter($due, static fn (CareRule $rule): bool => $rule->isCertain()),
        );

        return array_values(
            array_filter(
                $due,
                static fn (CareRule $rule): bool => $rule->isCertain() || $rule->act === null || ! in_array($rule->act, $certain, true),
            ),
        );
    }
}
