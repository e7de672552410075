<?php

declare(strict_types=1);

namespace App\Log;

use Apalos\Core\Run\RunFactKind;
use App\Models\Fact;
use App\Models\Pour;
use App\Models\PourState;
use Illuminate\Database\Eloquent\Builder;

/** What the last pours of the same link say of the next. */
final readonly class EarlierPours
{
    private const LAST = 5;

    /** @return array{grams: float, pours: int}|null what they really took */
    public function took(Pour $pour): ?array
    {
        $used = self::of($pour)->whereNotNull('used_g')->orderByDesc('id')->limit(self::LAST)->pluck('used_g');

        return $used->isEmpty() ? null : ['grams' => round((float) $used->average(), 1), 'pours' => $used->count()];
    }

    /** @return array{pct: float, pours: int}|null what they took against their sheets */
    public function against(Pour $pour): ?array
    {
        $corrections = Fact::query()->where('stream', RecordedRun::STREAM)->where('kind', RunFactKind::Graded->value)
            ->whereIn('stream_id', self::of($pour)->select('id'))
            ->orderByDesc('id')->limit(self::LAST)->get()
            ->map(static fn (Fact $fact): mixed => $fact->payload['correction_pct'] ?? null)
            ->filter(static fn (mixed $pct): bool => is_numeric($pct));

        return $corrections->isEmpty() ? null : ['pct' => round((float) $corrections->average(), 1), 'pours' => $corrections->count()];
    }

    /** @return Builder<Pour> */
    private static function of(Pour $pour): Builder
    {
        return Pour::query()
            ->where('impression_id', $pour->impression_id)
            ->where('operation', $pour->operation)
            ->where('state', PourState::Graded);
    }
}
