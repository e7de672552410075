<?php

declare(strict_types=1);

namespace App\Upgrades;

use Illuminate\Support\Facades\DB;

/**
 * Checklists of before said in their names, and in English, which mould a tick was for and what was done with: `care-3-released-…`,
 * “Plaster mould: warm jelly, thin, on.” From now on they carry it.
 */
final readonly class LiftTicks
{
    private const NAMED = '/^care-(\d+)-(?!look-)([a-z]+)-/';

    public static function lift(): void
    {
        foreach (DB::table('pours')->whereNotNull('plan')->where(
            'plan', 'like', '%"care-%',
        )->select(['id', 'plan'])->orderBy('id')->lazyById(200) as $row) {
            $plan = json_decode((string) $row->plan, true);
            if (! is_array($plan) || ! is_array($plan['run'] ?? null) || ! is_array($plan['run']['checklist'] ?? null)) {
                continue;
            }
            $plan['run']['checklist'] = array_map(self::lifted(...), $plan['run']['checklist']);
            DB::table('pours')->where('id', $row->id)->update([
                'plan' => json_encode($plan, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
            ]);
        }
    }

    public static function lifted(mixed $item): mixed
    {
        if (
            ! is_array($item) || ! is_string($id = $item['id'] ?? null) || isset($item['care']) || preg_match(self::NAMED, $id, $part) !== 1
        ) {
            return $item;
        }
        $with = self::with(is_string($item['text'] ?? null) ? $item['text'] : '');

        return [...$item, 'care' => $part[2], 'mould' => (int) $part[1], ...($with === null ? [] : ['with' => $with])];
    }

    private static function with(string $text): ?string
    {
        // What the mould itself wants says no more than that it was done.
        $said = preg_match('/^[^:]*\(M-\d+\): /u', $text) === 1
            ? ''
            : (string) preg_replace(['/^[^:]*: /u', '/\.(\s.*)?$/us', '/, (on|flashed off)$/u'], '', $text);

        return $said === '' ? null : mb_substr($said, 0, 160);
    }
}
