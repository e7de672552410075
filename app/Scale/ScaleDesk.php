<?php

declare(strict_types=1);

namespace App\Scale;

use Apalos\Core\Input\Fields;
use Apalos\Core\Scale\ScaleWatch;
use Apalos\Core\Scale\Seen;
use Apalos\Core\Scale\Trouble;
use App\Devices\ScaleReading;
use App\Models\Fact;
use App\Models\ScaleHold;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Str;

/**
 * A scale: the one at the cables of the shop, or one at a tablet. Whose weigh-up it serves, and whether its display still says what is in
 * the cup. It serves one at a time; another takes it over only when told to, and then says from where to count.
 */
final readonly class ScaleDesk
{
    /** A watch nobody looked at for so long begins anew. */
    private const FORGET_H = 12;

    private const ON_ITS_WAY_S = 10.0;

    private const MOST_LEFT = 8;

    /** @param  string  $scale  which one; that of the shop has no name */
    public function __construct(
        private Workshop $workshop,
        private Repository $cache,
        private WeighUps $weighUps,
        private string $scale = '',
    ) {}

    public function of(string $scale): self
    {
        return new self($this->workshop, $this->cache, $this->weighUps, $scale);
    }

    /** That which served this weigh-up last. */
    public function at(WeighUpAtHand $for): self
    {
        return $this->of(
            (string) ScaleHold::query()->where('stream', $for->stream)->where('stream_id', $for->id)->orderByDesc('since')->value('scale'),
        );
    }

    private function hold(): ?ScaleHold
    {
        return ScaleHold::query()->where('scale', $this->scale)->first();
    }

    /** Who has it, while that one still weighs or has only just tared; null when it is free. */
    public function holder(): ?WeighUpAtHand
    {
        $hold = $this->hold();
        $at = $hold === null ? null : $this->weighUps->find($hold->stream, $hold->stream_id);

        return $at !== null && ($at->isWeighing || $this->isAboutToWeigh($hold)) ? $at : null;
    }

    /** It was tared a moment ago, and the fact of it is still on its way. */
    private function isAboutToWeigh(ScaleHold $hold): bool
    {
        return $hold->since->diffInSeconds(CarbonImmutable::now()) < self::ON_ITS_WAY_S
            && Fact::query()
                ->where('stream', $hold->stream)
                ->where('stream_id', $hold->stream_id)
                ->where('at', '>=', $hold->since)
                ->doesntExist();
    }

    public function since(): ?CarbonImmutable
    {
        return $this->hold()?->since;
    }

    /** @return WeighUpAtHand|null the other that has it, so that this one may not */
    public function heldByAnother(WeighUpAtHand $for): ?WeighUpAtHand
    {
        $holder = $this->holder();

        return $holder === null || $holder->is($for) ? null : $holder;
    }

    /** From here on it serves this weigh-up, with an empty cup just tared. */
    public function tared(WeighUpAtHand $for, CarbonImmutable $now): void
    {
        $this->holds($for, $now);
    }

    /** It is taken over half way: what stands on it and what it was tared with belong to another. */
    public function takenOver(WeighUpAtHand $for, CarbonImmutable $now): void
    {
        $left = $this->holds($for, $now);
        if ($for->expected !== null) {
            $this->keep(
                $for,
                ScaleWatch::afterAnother(
                    $for->expected, $left !== null && abs($left['anchor'] - $for->expected->anchor) < 1e-6 ? (float) $left['in_g'] : 0.0,
                ),
            );
        }
    }

    /** What the display did between being asked and now, held against what the cup must weigh. A scale nobody has is this one's. */
    public function watch(WeighUpAtHand $for, ScaleReading $reading, CarbonImmutable $asked, CarbonImmutable $now): ?ScaleWatch
    {
        if ($for->expected === null) {
            return null;
        }
        if ($this->holder() === null) {
            $this->holds($for, $now);
        }
        if ($reading->overload) {
            return $this->kept($for);
        }
        $watch = ($this->kept($for) ?? ScaleWatch::over($for->expected))->sees(
            $for->expected,
            new Seen(
                $reading->grams, $reading->stable, $now->getPreciseTimestamp(3) / 1000.0, $reading->unit,
                max(0.0, $asked->diffInMilliseconds($now) / 1000.0),
            ),
        );
        $this->keep($for, $watch);

        return $watch;
    }

    /** Somebody looked and says that all that is on it is in the cup. */
    public function accepted(WeighUpAtHand $for): void
    {
        $watch = $this->kept($for);
        if ($watch !== null && in_array($watch->trouble, [Trouble::Jumped, Trouble::Crept], true)) {
            $this->keep($for, $watch->accepted());
        }
    }

    /** It was said from where to count: what was wrong is settled. */
    public function settled(WeighUpAtHand $for): void
    {
        $this->at($for)->forget($for);
    }

    public function trouble(WeighUpAtHand $for): ?Trouble
    {
        return $this->kept($for)?->trouble;
    }

    /** @return array{anchor: float, in_g: float}|null what this one had poured of its line when it lost the scale */
    private function holds(WeighUpAtHand $for, CarbonImmutable $now): ?array
    {
        $hold = $this->hold();
        $left = $hold->left ?? [];
        $before = $hold === null ? null : $this->weighUps->find($hold->stream, $hold->stream_id);
        $watch = $before === null ? null : $this->kept($before);
        if ($before !== null && $watch !== null) {
            $left["{$before->stream}:{$before->id}"] = ['anchor' => $watch->anchor, 'in_g' => $watch->inLine()];
        }
        $mine = $left["{$for->stream}:{$for->id}"] ?? null;
        unset($left["{$for->stream}:{$for->id}"]);
        ScaleHold::query()->where('scale', $this->scale)->delete();
        ScaleHold::query()->create([
            'workshop_id' => $this->workshop->id, 'scale' => $this->scale, 'stream' => $for->stream, 'stream_id' => $for->id,
            'since' => $now, 'watch' => (string) Str::ulid(),
            'left' => array_slice($left, -self::MOST_LEFT, null, true),
        ]);

        return $mine;
    }

    private function kept(WeighUpAtHand $for): ?ScaleWatch
    {
        $key = $this->key($for);
        $kept = $key === null ? null : $this->cache->get($key);

        return is_array($kept) ? ScaleWatch::from(Fields::of($kept)) : null;
    }

    private function keep(WeighUpAtHand $for, ScaleWatch $watch): void
    {
        $key = $this->key($for);
        if ($key !== null) {
            $this->cache->put($key, $watch->toArray(), self::FORGET_H * 3600);
        }
    }

    private function forget(WeighUpAtHand $for): void
    {
        $key = $this->key($for);
        if ($key !== null) {
            $this->cache->forget($key);
        }
    }

    /** Null while the scale is not this one's: nothing is known of it then. */
    private function key(WeighUpAtHand $for): ?string
    {
        $hold = ScaleHold::query()->where('scale', $this->scale)->where('stream', $for->stream)->where('stream_id', $for->id)->first();

        return $hold === null ? null : "scale-watch:{$hold->watch}";
    }
}
