<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use App\Models\Pour;

/** The sheet of an operation against its plan: what it followed since it was opened, and what was changed on it by hand. */
final readonly class PlanAgainst
{
    /** @return array{follows: list<Phrase>, by_hand: list<Phrase>} */
    public function of(Pour $pour): array
    {
        $planned = $pour->planned;
        if ($planned === null) {
            return ['follows' => [], 'by_hand' => []];
        }

        return [
            'follows' => $this->follows(self::mix($planned['first'] ?? null), self::mix($planned['mix'] ?? null)),
            'by_hand' => $this->byHand($pour, $planned),
        ];
    }

    /**
     * @param  array<array-key, mixed>  $first
     * @param  array<array-key, mixed>  $mix
     * @return list<Phrase>
     */
    private function follows(array $first, array $mix): array
    {
        $says = [];
        foreach ($first === [] ? [] : [
            'thickness_mm' => Quantity::length(...), 'area_mm2' => Quantity::area(...), 'ml' => Quantity::volume(...),
        ] as $what => $as) {
            [$was, $now] = [$first[$what] ?? null, $mix[$what] ?? null];
            if (is_numeric($was) && is_numeric($now) && abs((float) $was - (float) $now) > 1e-6) {
                $says[] = Phrase::of('bench.sheet_follows', [
                    'what' => self::called($what), 'was' => $as((float) $was), 'now' => $as((float) $now),
                ]);
            }
        }
        foreach ($first === [] ? [] : ['base', 'tint'] as $what) {
            if (($first[$what] ?? null) !== ($mix[$what] ?? null)) {
                $says[] = Phrase::of('bench.sheet_follows_word', [
                    'what' => self::called($what), 'now' => is_string($now = $mix[$what] ?? null) ? $now : Phrase::of('bench.planned_none'),
                ]);
            }
        }

        return $says;
    }

    /**
     * @param  array<string, mixed>  $planned
     * @return list<Phrase>
     */
    private function byHand(Pour $pour, array $planned): array
    {
        $formula = is_array($pour->sheet['formula'] ?? null) ? $pour->sheet['formula'] : [];
        $says = [];
        foreach (['volume' => $pour->sheet['volume'] ?? null, 'additives' => $formula['additives'] ?? null] as $part => $said) {
            if (is_array($planned[$part] ?? null) && ! OperationSheet::says($said, $planned[$part])) {
                $says[] = $part === 'volume' ? Phrase::of('bench.by_hand_volume') : Phrase::of('bench.by_hand_additives');
            }
        }
        if (is_string($planned['base'] ?? null) && ($formula['base'] ?? '') !== $planned['base']) {
            $says[] = Phrase::of('bench.by_hand_base', ['base' => $planned['base']]);
        }

        return $says;
    }

    private static function called(string $what): Phrase
    {
        return match ($what) {
            'thickness_mm' => Phrase::of('bench.planned_thickness'),
            'area_mm2' => Phrase::of('bench.planned_area'),
            'ml' => Phrase::of('bench.planned_ml'),
            'base' => Phrase::of('bench.planned_base'),
            default => Phrase::of('bench.planned_tint'),
        };
    }

    /** @return array<array-key, mixed> */
    private static function mix(mixed $mix): array
    {
        return is_array($mix) ? $mix : [];
    }
}
