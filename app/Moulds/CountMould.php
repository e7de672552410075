<?php

declare(strict_types=1);

namespace App\Moulds;

use Apalos\Core\Care\Act;
use App\Library\Library;
use App\Lists\Rows;
use App\Models\Mould;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** What the castings and the care of a mould come to, counted and kept with it. */
final readonly class CountMould
{
    /** From this wear on a casting heats its mould. */
    private const HOT_WEAR = 2;

    public function __construct(private Library $library, private Lives $lives) {}

    /**
     * @param  bool  $roughly  only how it stands among the others is asked for, of thousands at once
     */
    public function __invoke(Mould $mould, bool $roughly = false): void
    {
        $casts = Rows::of('pour_moulds')->where('mould_id', $mould->id)->whereNotNull('cast_at');
        $last = (clone $casts)
            ->join('pours', 'pours.id', '=', 'pour_moulds.pour_id')
            ->orderByDesc('cast_at')
            ->limit(1)
            ->first(['cast_at', 'base_code', 'poured_at']);
        $base = $this->library->shelf()->bases[$last->base_code ?? ''] ?? null;
        $family = $this->library->knowledge()->families[$base->family ?? ''] ?? null;
        $isHot = $family !== null && ($family->wear >= self::HOT_WEAR || in_array('hot', $family->groups, true));
        $care = [];
        foreach (Rows::of('mould_care')->where('mould_id', $mould->id)->groupBy('act')->get(['act', DB::raw('max(at) as at')]) as $row) {
            $at = CarbonImmutable::parse((string) $row->at, 'UTC');
            $care[(string) $row->act] = [
                'at_ms' => (int) $at->getTimestampMs(),
                'casts' => $mould->casts_before + (clone $casts)->where('cast_at', '<=', $at->format('Y-m-d H:i:s.v'))->count(),
            ];
        }
        $mould->fill([
            'casts' => $mould->casts_before + $casts->count(), 'casting' => $last->base_code ?? $mould->casting,
            'cast_at' => $last->cast_at ?? null, 'care' => $care,
            'hot_at' => $isHot ? ($last->poured_at ?? $last->cast_at ?? null) : null,
            'releases' => Rows::of('mould_care')->where('mould_id', $mould->id)->where('act', Act::Released->value)->count(),
        ]);
        $mould->left_likely = match (true) {
            $mould->retired_at !== null => null,
            $roughly => (int) max(0.0, $this->lives->pairing($mould)->median - $mould->casts),
            default => $this->lives->of([$mould])[$mould->id]->likely,
        };
        $mould->save();
    }
}
