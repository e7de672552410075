<?php

declare(strict_types=1);

namespace Apalos\Core\Day;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** What is to be done, with what, and when somebody is there to do it. */
final readonly class DayRequest
{
    public const MOST_OPERATIONS = 400;

    /** In all: so many between four hundred are ten each. */
    private const MOST_WAITS = 4000;

    private const MOST_RESOURCES = 100;

    /**
     * @param  array<string, int>  $resources  how many there are of each, at least one
     * @param  list<DayOperation>  $operations
     */
    public function __construct(public float $now, public WorkingHours $hours, public array $resources, public array $operations) {}

    /** @throws BadInput for what no day could hold */
    public static function from(Fields $in): self
    {
        $in->only('now_min', 'days', 'resources', 'ops');
        $resources = [];
        $there = $in->object('resources');
        if (count($there->names()) > self::MOST_RESOURCES) {
            throw BadInput::at($in->at('resources'), Phrase::of('input.too_many', [
                'most' => self::MOST_RESOURCES, 'there' => count($there->names()),
            ]));
        }
        foreach ($there->names() as $name) {
            $count = $there->number($name, 0.0, 1000.0);
            if ($count < 1.0 || floor($count) !== $count) {
                throw BadInput::at(
                    $there->at($name), Phrase::of($name === DayOperation::HANDS ? 'day.no_hands' : 'day.no_such_count', ['name' => $name]),
                );
            }
            $resources[$name] = (int) $count;
        }
        $operations = array_map(DayOperation::from(...), $in->objects('ops', self::MOST_OPERATIONS));
        $waits = array_sum(array_map(static fn (DayOperation $one): int => count($one->after), $operations));
        if ($waits > self::MOST_WAITS) {
            throw BadInput::at($in->at('ops'), Phrase::of('day.too_many_waits', ['most' => self::MOST_WAITS, 'there' => $waits]));
        }
        $request = new self($in->number('now_min', -Fields::HUGE), WorkingHours::from($in), $resources, $operations);
        $request->check($in->at('ops'));

        return $request;
    }

    /** @throws BadInput for a ring, an unknown name, or what is longer than any stretch of work */
    public function check(string $path = 'ops'): void
    {
        $at = [];
        foreach ($this->operations as $i => $operation) {
            if (isset($at[$operation->id])) {
                throw BadInput::at("{$path}.{$i}.id", Phrase::of('day.twice', ['op' => $operation->id]));
            }
            $at[$operation->id] = $i;
        }
        foreach ($this->operations as $i => $operation) {
            foreach ($operation->uses as $name) {
                if (! isset($this->resources[$name])) {
                    throw BadInput::at("{$path}.{$i}.uses", Phrase::of('day.unknown_resource', ['name' => $name, 'op' => $operation->id]));
                }
            }
            foreach ($operation->after as $k => $after) {
                if (! isset($at[$after->operation])) {
                    throw BadInput::at("{$path}.{$i}.after.{$k}.op", Phrase::of('day.unknown_op', [
                        'op' => $operation->id, 'other' => $after->operation,
                    ]));
                }
            }
            if (
                $operation->fixed === null
                && in_array(DayOperation::HANDS, $operation->uses, true)
                && $operation->minutes > $this->hours->longest() + 1e-9
            ) {
                throw BadInput::at("{$path}.{$i}.minutes", Phrase::of('day.longer_than_a_day', [
                    'op' => $operation->called(), 'minutes' => $operation->minutes, 'longest' => $this->hours->longest(),
                ]));
            }
        }
        $ring = $this->ring();
        if ($ring !== []) {
            throw BadInput::at($path, Phrase::of('day.ring', ['ops' => implode(' → ', $ring)]));
        }
    }

    /** @return list<string> operations that wait for each other in a ring, or none */
    private function ring(): array
    {
        $waits = [];
        foreach ($this->operations as $operation) {
            $waits[$operation->id] = array_map(static fn (After $after): string => $after->operation, $operation->after);
        }
        $done = [];
        foreach (array_keys($waits) as $start) {
            // Walked by hand, not by calling itself: a long chain is no deep stack.
            $path = [$start => 0];
            while ($path !== []) {
                $id = (string) array_key_last($path);
                $next = $waits[$id][$path[$id]] ?? null;
                if ($next === null || isset($done[$id])) {
                    $done[$id] = true;
                    unset($path[$id]);

                    continue;
                }
                $path[$id]++;
                if (isset($path[$next])) {
                    $ring = array_map(strval(...), array_keys($path));

                    return [...array_slice($ring, (int) array_search($next, $ring, true)), $next];
                }
                isset($done[$next]) || $path[$next] = 0;
            }
        }

        return [];
    }

    /** @param  list<DayOperation>  $operations */
    public function with(array $operations): self
    {
        return new self($this->now, $this->hours, $this->resources, $operations);
    }
}
