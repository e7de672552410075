<?php

declare(strict_types=1);

namespace Apalos\Core\Pour;

/**
 * Two formulas side by side, everything on the same bases, so that a change of basis does not pass for a change of formula.
 *
 * @phpstan-type ComparisonShape array{
 *     rows: list<array{
 *         code: string, name: string, left: array{pct_of_ab: float, pct_of_one_part: float}|null,
 *         right: array{pct_of_ab: float, pct_of_one_part: float}|null, change: 'same'|'more'|'less'|'new'|'gone',
 *     }>,
 *     left_sg: float, right_sg: float, same_base: bool, same_order: bool
 * }
 */
final readonly class ComparisonResult
{
    /** Less than this share of a change is the last digit, not a decision. */
    private const SAME = 1e-6;

    /**
     * @param list<array{
     *     code: string, name: string, left: array{pct_of_ab: float, pct_of_one_part: float}|null,
     *     right: array{pct_of_ab: float, pct_of_one_part: float}|null, change: 'same'|'more'|'less'|'new'|'gone',
     * }>  $rows
     */
    private function __construct(
        public array $rows,
        public float $leftSg,
        public float $rightSg,
        public bool $sameBase,
        public bool $sameOrder,
    ) {}

    /** @throws \Apalos\Core\Input\BadInput where one of them does not add up */
    public static function of(Recipe $left, Recipe $right): self
    {
        [$l, $r] = [$left->composition(), $right->composition()];
        [$inLeft, $inRight] = [$l->onBothBases(), $r->onBothBases()];
        $rows = [];
        $names = [...$left->names(), ...$right->names()];
        foreach (array_unique([...array_keys($inLeft), ...array_keys($inRight)]) as $code) {
            $rows[] = [
                'code' => $code, 'name' => $names[$code] ?? $code, 'left' => $inLeft[$code] ?? null, 'right' => $inRight[$code] ?? null,
                'change' => self::change($inLeft[$code]['pct_of_ab'] ?? null, $inRight[$code]['pct_of_ab'] ?? null),
            ];
        }
        $order = static fn (Recipe $recipe): array => array_map(
            static fn ($additive): array => [$additive->code, $additive->into], $recipe->additives(),
        );
        $common = array_intersect(array_keys($inLeft), array_keys($inRight));
        $shared = static fn (Recipe $recipe): array => array_values(
            array_filter($order($recipe), static fn (array $entry): bool => in_array($entry[0], $common, true)),
        );

        return new self(
            $rows, $l->density->gPerMl, $r->density->gPerMl, $left->base->code === $right->base->code, $shared($left) === $shared($right),
        );
    }

    /** @return 'same'|'more'|'less'|'new'|'gone' */
    private static function change(?float $left, ?float $right): string
    {
        return match (true) {
            $left === null => 'new',
            $right === null => 'gone',
            abs($right - $left) <= self::SAME * max($left, $right, 1e-9) => 'same',
            default => $right > $left ? 'more' : 'less',
        };
    }

    /** @return ComparisonShape */
    public function toArray(): array
    {
        return [
            'rows' => $this->rows, 'left_sg' => $this->leftSg, 'right_sg' => $this->rightSg, 'same_base' => $this->sameBase,
            'same_order' => $this->sameOrder,
        ];
    }
}
