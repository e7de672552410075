<?php

declare(strict_types=1);

namespace App\Log;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Models\Pour;
use App\Room\FrozenClock;
use LogicException;
use TypeError;
use ValueError;

/** What a pour was begun with, keyed by code. No later change of a sheet, a rule or a name moves it. */
final readonly class FrozenPlan
{
    /**
     * @param  array<string, string>  $names  of what is weighed, by code
     * @param  array<string, string>  $colours  likewise
     * @param  string|null  $casting  the way it is worked, where that was another than its family's own
     * @param  float|null  $laysFrom  from when on it may be laid, minutes of the run, where it was weighed up ahead of its window
     * @param  string  $family  of its base; nothing where it was begun before that was written down
     */
    private function __construct(
        public string $code,
        public string $base,
        public string $colour,
        public bool $brushed,
        public array $names,
        public array $colours,
        public FrozenClock $clock,
        public string $formula,
        public ?float $likelyMl,
        public float $roomC,
        public ?string $casting,
        public string $family,
        public ?float $laysFrom = null,
    ) {}

    public static function of(Pour $pour): self
    {
        $plan = Fields::of($pour->plan ?? throw new LogicException('This pour has not begun.'), 'plan');
        $base = $plan->object('base');
        $texts = static fn (Fields $in): array => array_map(strval(...), array_filter($in->toArray(), is_string(...)));

        return new self(
            $base->text('code'), $base->text('name'), $base->text('colour'), $base->bool('brushed'), $texts($plan->object('names')),
            $texts($plan->object('colours')),
            FrozenClock::from($plan->object('clock')), $plan->text('formula_name'), $plan->numberOrNull('likely_ml'),
            $plan->number('room_c', -50.0, 80.0),
            $plan->textOrNull('casting'), $base->textOrNull('family') ?? '', $plan->numberOrNull('lays_from_min'),
        );
    }

    /** Null where nobody can read it. */
    public static function legible(Pour $pour): ?self
    {
        try {
            return self::of($pour);
        } catch (BadInput|LogicException|ValueError|TypeError) {
            return null;
        }
    }

    public function called(string $code): string
    {
        return $this->names[$code] ?? $code;
    }
}
