<?php

declare(strict_types=1);

namespace App\Studies;

/** The few figures of a study that a list shows, written beside its answer: the whole of it has up to a megabyte. */
final readonly class InShort
{
    /**
     * @param  array<array-key, mixed>  $answer
     * @return array{volume_ml: float|null, bbox_mm: list<float>|null, undercut_pct: float|null, watertight: bool|null}
     */
    public static function of(array $answer): array
    {
        $pull = is_array($answer['pull'] ?? null) ? $answer['pull'] : [];
        $sides = is_array($answer['bbox_mm'] ?? null) ? $answer['bbox_mm'] : null;

        return [
            'volume_ml' => self::number($answer['volume_ml'] ?? null),
            'bbox_mm' => $sides === null
                ? null
                : array_map(static fn (mixed $side): float => self::number($side) ?? 0.0, array_values($sides)),
            'undercut_pct' => self::number($pull['undercut_area_pct'] ?? null),
            'watertight' => is_bool($answer['watertight'] ?? null) ? $answer['watertight'] : null,
        ];
    }

    private static function number(mixed $value): ?float
    {
        return is_numeric($value) ? (float) $value : null;
    }
}
