<?php

declare(strict_types=1);

namespace Apalos\Core\Facts;

/** The facts that still stand: those nobody has taken back. Everything that is read off facts is read off these. */
final readonly class Standing
{
    /**
     * @template K of FactKind
     *
     * @param  list<Fact<K>>  $facts  in the order in which they were recorded
     * @return list<Fact<K>> the same without what was taken back and without the taking back
     */
    public static function of(array $facts): array
    {
        $undone = [];
        foreach ($facts as $fact) {
            if ($fact->kind->isUndoing()) {
                $undone[$fact->undoes() ?? 0] = true;
            }
        }

        return array_values(
            array_filter($facts, static fn (Fact $fact): bool => ! $fact->kind->isUndoing() && ! isset($undone[$fact->id])),
        );
    }
}
