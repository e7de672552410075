<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\Mixing;
use Apalos\Core\Build\Operation;
use Apalos\Core\Casting\CastingWay;
use App\Library\Library;
use App\Models\Build;
use App\Models\Pour;

/**
 * What the plan of a build says of the sheet of one of its operations: how much, of what, with what in it. The formula of one piece,
 * its softener, its colour, its flock, runs through its operations until somebody changes it.
 *
 * @phpstan-type Additive array{code: string, amount: float, basis: string, into: string}
 * @phpstan-type Planned array{mix: array<string, mixed>, volume: array<string, mixed>, base: string, additives: list<Additive>}
 */
final readonly class OperationSheet
{
    /** What stays in the cup and on the brush of a coat. */
    public const COATS_ALLOW_PCT = 12;

    public const POURS_ALLOW_PCT = 8;

    private const TINT_PCT = 0.5;

    public function __construct(private Library $library) {}

    /** @return Planned */
    public function of(RecordedBuild $recorded, Operation $operation, Mixing $mixing): array
    {
        $base = $mixing->base ?? $recorded->build->impression->material ?? '';
        $coat = $mixing->thickness !== null;
        $volume = $mixing->volume();
        $allow = $this->worked($mixing, $base)->lostPct ?? ($coat ? self::COATS_ALLOW_PCT : self::POURS_ALLOW_PCT);

        return [
            'mix' => $mixing->toArray(),
            'volume' => $coat && $mixing->area !== null && $mixing->ml === null
                ? [
                    'method' => 'coats', 'area_mm2' => $mixing->area, 'coats' => [['thickness_mm' => $mixing->thickness]],
                    'allowance_pct' => $allow,
                ]
                : ['method' => 'capacity', 'capacity_ml' => $volume === null ? null : round($volume, 1), 'allowance_pct' => $allow],
            'base' => $base,
            'additives' => $this->additives($recorded, $operation, $mixing, $base),
        ];
    }

    private function worked(Mixing $mixing, string $code): CastingWay
    {
        $base = $this->library->shelf()->bases[$code] ?? null;

        return $this->library->castingsHere()->choose(
            $mixing->casting ?? $base?->casting, $base->family ?? '', $base?->ratio->isOnePart() === true, false,
        );
    }

    /** @return list<Additive> */
    private function additives(RecordedBuild $recorded, Operation $operation, Mixing $mixing, string $code): array
    {
        $base = $this->library->shelf()->bases[$code] ?? null;
        if ($base === null) {
            return [];
        }
        $additives = $this->ofThePiece($recorded, $operation, $code);
        $additives = [
            ...$additives,
            ...array_filter(
                $this->worked($mixing, $code)->with,
                static fn (array $one): bool => ! in_array($one['code'], array_column($additives, 'code'), true),
            ),
        ];
        foreach ($this->library->atHand()->additives as $sheet) {
            $amount = match (true) {
                ! in_array($base->family, $sheet->families, true) => null,
                $sheet->role->value === 'thickener' => $mixing->thickener,
                $sheet->role->value === 'pigment' && $mixing->tint !== null => $sheet->code === "pi-{$mixing->tint}"
                    ? self::TINT_PCT
                    : null,
                default => null,
            };
            if ($amount !== null && $amount > 0.0 && ! in_array($sheet->code, array_column($additives, 'code'), true)) {
                $thickens = $sheet->role->value === 'thickener';
                $additives[] = [
                    'code' => $sheet->code, 'amount' => $amount, 'basis' => $thickens ? 'pct_of_ab' : 'pct_of_total',
                    'into' => $thickens ? 'after' : $sheet->into->value,
                ];
            }
        }

        return $additives;
    }

    /**
     * What the nearest operation before it of the same base has in it, but for what its own plan put there.
     *
     * @return list<Additive>
     */
    private function ofThePiece(RecordedBuild $recorded, Operation $operation, string $code): array
    {
        $before = null;
        foreach ($recorded->state->plan->operations as $one) {
            if ($one->id === $operation->id) {
                break;
            }
            $pour = $recorded->pours[$one->id] ?? null;
            $before = $one->mixing !== null && $pour !== null && $pour->baseCode() === $code ? [$one, $pour] : $before;
        }
        $again = $this->inTheCopyBefore($recorded->build, $operation, $code);
        // A colour of its own is taken from the copy before, never from what lies under it.
        $before = $operation->mixing?->ownColour === true ? $again ?? $before : $before ?? $again;
        if ($before === null) {
            return [];
        }
        [$other, $pour] = $before;
        $shelf = $this->library->shelf()->additives;
        $isOther = $operation->mixing?->ownColour === true && $other->id !== $operation->id;

        return array_values(array_filter(self::inSheet($pour), static function (array $additive) use ($shelf, $other, $isOther): bool {
            $role = ($shelf[$additive['code']] ?? null)?->role->value;

            return $role !== null
                && $role !== 'thickener'
                && $additive['code'] !== "pi-{$other->mixing?->tint}"
                && ! ($isOther && $role === 'pigment');
        }));
    }

    /** @return array{Operation, Pour}|null the same operation of the copy before: what one is coloured with, all are */
    private function inTheCopyBefore(Build $build, Operation $operation, string $code): ?array
    {
        $pour = $this->copyBefore($build, $operation);

        return $pour?->baseCode() === $code ? [$operation, $pour] : null;
    }

    /** What the same operation was mixed with the time before, or is planned to be. */
    public function copyBefore(Build $build, Operation $operation): ?Pour
    {
        return $build->copies_of === null
            ? null
            : Pour::query()
                ->whereIn('build_id', $build->copies()->where('copy', '<', $build->copy)->reorder()->select('id'))
                ->where('operation', $operation->id)
                ->orderByDesc('build_id')
                ->orderByDesc('id')
                ->first();
    }

    /** @return list<Additive> */
    public static function inSheet(Pour $pour): array
    {
        $in = is_array($formula = $pour->sheet['formula'] ?? null) && is_array($formula['additives'] ?? null) ? $formula['additives'] : [];

        return array_values(array_filter(array_map(static fn (mixed $one): ?array => is_array($one)
            && is_string($one['code'] ?? null)
            && is_numeric($one['amount'] ?? null)
            ? [
                'code' => $one['code'], 'amount' => (float) $one['amount'],
                'basis' => is_string($one['basis'] ?? null) ? $one['basis'] : 'pct_of_ab',
                'into' => is_string($one['into'] ?? null) ? $one['into'] : 'after',
            ] : null, $in)));
    }

    /**
     * Whether a sheet still says what its plan said.
     *
     * @param  array<array-key, mixed>  $planned
     */
    public static function says(mixed $sheet, array $planned): bool
    {
        if (! is_array($sheet) || (array_is_list($planned) && count($sheet) !== count($planned))) {
            return false;
        }
        foreach ($planned as $key => $value) {
            $said = $sheet[$key] ?? null;
            $same = is_array($value)
                ? self::says($said, $value)
                : (
                    is_numeric($value) && is_numeric($said)
                    ? abs((float) $value - (float) $said) <= 1e-6 * max(1.0, abs((float) $value))
                    : $said === $value
                );
            if (! $same) {
                return false;
            }
        }

        return true;
    }
}
