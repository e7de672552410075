<?php

declare(strict_types=1);

namespace Apalos\Core\Sheet;

use Apalos\Core\Contact\Family;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Contact\Surface;

/** The ids a sheet may name: families, surfaces, their groups and the cautions there are words for. */
final readonly class SheetWords
{
    /** All of them. */
    private const ALL = '*';

    /**
     * @param  list<string>  $families
     * @param  list<string>  $fresh  families, @groups of them, *
     * @param  list<string>  $surfaces  surfaces, @groups of them, *
     * @param  list<string>  $likes  surfaces and their groups, bare
     * @param  list<string>  $cautions
     */
    private function __construct(
        public array $families,
        public array $fresh,
        public array $surfaces,
        public array $likes,
        public array $cautions,
    ) {}

    public static function of(Knowledge $knowledge): self
    {
        $families = array_map(strval(...), array_keys($knowledge->families));
        $surfaces = array_map(strval(...), array_keys($knowledge->surfaces));
        $ofFamilies = self::groups(array_map(static fn (Family $family): array => $family->groups, $knowledge->families));
        $ofSurfaces = self::groups(array_map(static fn (Surface $surface): array => $surface->groups, $knowledge->surfaces));
        $at = static fn (string $group): string => "@{$group}";

        return new self(
            $families, [self::ALL, ...array_map($at, $ofFamilies), ...$families], [self::ALL, ...array_map($at, $ofSurfaces), ...$surfaces],
            array_values(array_unique([...$ofSurfaces, ...$surfaces])), array_map(strval(...), array_keys($knowledge->cautions)),
        );
    }

    /**
     * @param  array<string, list<string>>  $groups
     * @return list<string>
     */
    private static function groups(array $groups): array
    {
        $all = array_values(array_unique(array_merge(...array_values($groups), ...[[]])));
        sort($all);

        return $all;
    }
}
