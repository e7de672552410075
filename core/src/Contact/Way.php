<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Phrase\Phrase;

/**
 * One change, or two together, that would make a contact safe, judged by the same engine.
 *
 * @phpstan-type WayShape array{
 *     kind: 'base'|'barrier'|'seal'|'release'|'link'|'wait'|'test', what: Phrase, adds_min: float, cost_hint: float|null,
 *     verdict: 'clear'|'release'|'seal-and-release'|'test-first'|'stop',
 *     because: list<array{rule: string, text: Phrase, sure: 'certain'|'usual'|'disputed'}>,
 *     steps: list<array{kind: 'base'|'barrier'|'seal'|'release'|'link'|'wait'|'test', id: string}>
 * }
 */
final readonly class Way
{
    /**
     * @param  list<array{kind: WayKind, id: string}>  $steps  what is changed, in the order it is done
     * @param  float|null  $cost  of a cast of a hand-sized mould, in the shop's money, where it is known
     */
    public function __construct(
        public array $steps,
        public Phrase $what,
        public float $addsMin,
        public ?float $cost,
        public ContactResult $result,
    ) {}

    /** @return WayShape */
    public function toArray(): array
    {
        return [
            'kind' => $this->steps[0]['kind']->value, 'what' => $this->what, 'adds_min' => $this->addsMin, 'cost_hint' => $this->cost,
            'verdict' => $this->result->verdict->value, 'because' => $this->result->because,
            'steps' => array_map(static fn (array $step): array => ['kind' => $step['kind']->value, 'id' => $step['id']], $this->steps),
        ];
    }
}
