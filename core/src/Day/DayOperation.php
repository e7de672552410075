<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;

/** An operation as the day sees it: how long, with what, after what. Minutes count from midnight of the first day. */
final readonly class DayOperation
{
    public const HANDS = 'hands';

    private const MOST_USES = 20;

    /**
     * @param  float  $minutes  0 or more
     * @param  list<string>  $uses  one unit each of these resources
     * @param  list<After>  $after
     * @param  float|null  $due  when it should have ended
     * @param  float|null  $fixed  when it began: it does not move any more
     * @param  string|null  $name  as it is called where something is said of it; its id where nothing else is
     */
    public function __construct(
        public string $id,
        public float $minutes,
        public array $uses = [],
        public array $after = [],
        public ?float $notBefore = null,
        public ?float $due = null,
        public ?float $fixed = null,
        public ?string $name = null,
    ) {}

    public function called(): string
    {
        return $this->name ?? $this->id;
    }

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only('id', 'minutes', 'uses', 'after', 'not_before_min', 'due_min', 'fixed_min');

        return new self(
            $in->text('id'),
            $in->number('minutes', 0.0, 100_000.0),
            array_values(array_unique($in->strings('uses', self::MOST_USES))),
            array_map(After::from(...), $in->objects('after')),
            $in->numberOrNull('not_before_min', -Fields::HUGE),
            $in->numberOrNull('due_min', -Fields::HUGE),
            $in->numberOrNull('fixed_min', -Fields::HUGE),
        );
    }

    /** The same with one wait fewer, or with its window open for good. */
    public function waitingFor(After ...$after): self
    {
        return new self(
            $this->id, $this->minutes, $this->uses, array_values($after), $this->notBefore, $this->due, $this->fixed, $this->name,
        );
    }

    /** The same with only these resources. */
    public function using(string ...$names): self
    {
        return new self(
            $this->id, $this->minutes, array_values($names), $this->after, $this->notBefore, $this->due, $this->fixed, $this->name,
        );
    }

    /**
     * @return array{
     *     id: string, minutes: float, uses: list<string>, after: list<array{op: string, from_min: float, until_min: float|null}>,
     *     not_before_min: float|null, due_min: float|null, fixed_min: float|null,
     * }
     */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'minutes' => $this->minutes, 'uses' => $this->uses,
            'after' => array_map(static fn (After $after): array => $after->toArray(), $this->after),
            'not_before_min' => $this->notBefore, 'due_min' => $this->due, 'fixed_min' => $this->fixed,
        ];
    }
}
