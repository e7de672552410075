<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

use Apalos\Core\Contact\Family;
use Apalos\Core\Input\Fields;

/** One thing a mould wants before something is cast in it: when it is due, what to do, and why. */
final readonly class CareRule
{
    /** From this wear on a casting is harsh. */
    private const HARSH = 2;

    /**
     * @param  list<string>  $mould
     * @param  list<string>  $cast
     * @param  list<Condition>  $conditions
     * @param  list<MouldMark>  $marks
     */
    private function __construct(
        public string $id,
        public ?Act $act,
        private array $mould,
        private array $cast,
        private CareDue $since,
        private float $minutes,
        private int $casts,
        private float $hours,
        private array $conditions,
        private array $marks,
        public string $text,
        public string $why,
    ) {}

    public static function from(Fields $in): self
    {
        $in->only('id', 'act', 'mould', 'cast', 'since', 'minutes', 'casts', 'hours', 'conditions', 'marks', 'text', 'why');

        return new self(
            $in->text('id'), $in->has('act') ? $in->choice('act', Act::class) : null, $in->strings('mould'), $in->strings('cast'),
            $in->choice('since', CareDue::class),
            $in->numberOrNull('minutes') ?? 0.0, (int) ($in->numberOrNull('casts') ?? 1.0), $in->numberOrNull('hours') ?? 0.0,
            array_map(static fn (string $word): Condition => Condition::from($word), $in->strings('conditions')),
            array_map(static fn (string $word): MouldMark => MouldMark::from($word), $in->strings('marks')), $in->text('text'),
            $in->text('why'),
        );
    }

    public function speaksOf(Family $mould, Family $cast): bool
    {
        return ($this->mould === [] || $mould->isAnyOf($this->mould)) && ($this->cast === [] || $cast->isAnyOf($this->cast));
    }

    /** Nobody's school talks it round. */
    public function isCertain(): bool
    {
        return $this->since === CareDue::Certain;
    }

    public function isDue(MouldPast $past, Family $cast, ReleaseSchool $school): bool
    {
        $since = $this->act === null ? null : ($past->castsSince[$this->act->value] ?? null);

        return match ($this->since) {
            CareDue::Certain => $since !== 0,
            CareDue::Cast => $this->act === Act::Released ? self::bySchool($school, $past, $cast, $since) : $since !== 0,
            CareDue::Wash => $past->isWet,
            CareDue::Hot => $past->minutesSinceHot !== null && $past->minutesSinceHot < $this->minutes,
            CareDue::Every => ($since ?? $past->casts) >= $this->casts,
            CareDue::Jacketed => $past->jacketed,
            CareDue::MixedHalves => $past->mixedHalves,
            CareDue::Younger => $past->hoursOld !== null && $past->hoursOld < $this->hours,
            CareDue::OpenedEarly => $past->isEarly,
            CareDue::Hotter => $past->bears !== null && $past->comes !== null && $past->comes->degrees > $past->bears->degrees,
            CareDue::Looks => in_array($past->condition, $this->conditions, true)
                || array_intersect(array_column($past->marks, 'value'), array_column($this->marks, 'value')) !== [],
        };
    }

    private static function bySchool(ReleaseSchool $school, MouldPast $past, Family $cast, ?int $since): bool
    {
        return match ($school) {
            ReleaseSchool::EveryCast => $since !== 0,
            ReleaseSchool::Harsh => $since !== 0 && $cast->wear >= self::HARSH,
            ReleaseSchool::AfterWash => $past->isBare,
        };
    }
}
