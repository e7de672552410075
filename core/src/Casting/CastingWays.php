<?php

declare(strict_types=1);

namespace Apalos\Core\Casting;

use Apalos\Core\Input\Fields;

/** The ways of casting one knows, and which of them a material is worked by. */
final readonly class CastingWays
{
    /** What every way stands on. */
    public const POURED = 'poured';

    public const ONE_PART = 'one-part';

    public const BRUSHED = 'brushed';

    /**
     * @param  array<string, CastingWay>  $ways
     * @param  array<string, string>  $instead  what a shop does another way
     */
    private function __construct(private array $ways, private array $instead = []) {}

    /** @param  array<string, array<string, mixed>>  $read  by id */
    public static function of(array $read): self
    {
        return new self(
            array_combine(
                array_keys($read),
                array_map(
                    static fn (string $id, array $way): CastingWay => CastingWay::from($id, Fields::of($way, $id)), array_keys($read),
                    $read,
                ),
            ),
        );
    }

    /**
     * As this shop does it, where schools differ.
     *
     * @param  array<string, string>  $instead  way by the one it stands for
     */
    public function instead(array $instead): self
    {
        return new self($this->ways, $instead);
    }

    /**
     * Which way a plan is frozen with: as asked for, or as this shop does what would be done; null where nothing is asked and nothing
     * differs.
     */
    public function named(?string $asked, string $family, bool $brushed): ?string
    {
        $would = $asked !== null && isset($this->ways[$asked]) ? $asked : ($this->usualOf($family) ?? self::POURED);

        // What is brushed is laid on, in every school.
        return $brushed && $would === self::POURED ? $asked : ($this->instead[$would] ?? $asked);
    }

    /**
     * As asked for, on what its material always wants; else as that alone; else by brush, or poured.
     *
     * @param  string|null  $asked  id; one that is no longer known counts as not asked
     */
    public function choose(?string $asked, string $family, bool $onePart, bool $brushed): CastingWay
    {
        $asked = $this->named($asked, $family, $brushed);
        $asked = $asked !== null && isset($this->ways[$asked]) ? $asked : null;
        $usual = $this->usualOf($family);
        $layers = array_filter([
            self::POURED,
            $onePart ? self::ONE_PART : null,
            // A coat of what is brushed is laid on whatever it is of; a process of its own says how.
            $brushed && $asked === null && $usual === null ? self::BRUSHED : null,
            $usual,
            $asked,
        ], fn (?string $id): bool => $id !== null && isset($this->ways[$id]));

        return array_reduce(
            $layers, fn (?CastingWay $below, string $id): CastingWay => $below === null ? $this->ways[$id] : $this->ways[$id]->on($below),
        ) ?? CastingWay::from(self::POURED, Fields::of(['name' => self::POURED]));
    }

    private function usualOf(string $family): ?string
    {
        foreach ($this->ways as $id => $way) {
            if (in_array($family, $way->families, true)) {
                return $id;
            }
        }

        return null;
    }
}
