<?php

declare(strict_types=1);

namespace App\Practice;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Practice\Scenario;
use App\Library\Library;

/** What there is to practise: what ships, and what the shop has written. */
final readonly class Scenarios
{
    /** Of those a shop wrote, the newest. */
    private const OWN = 60;

    public function __construct(private Library $library) {}

    /** @return array<string, Scenario> by id, the easiest first */
    public function shipped(): array
    {
        $scenarios = [];
        foreach ($this->library->practice() as $id => $written) {
            $scenarios[$id] = Scenario::from(Fields::of(['id' => $id, ...$written], $id));
        }
        uasort($scenarios, static fn (Scenario $one, Scenario $other): int => [$one->level, $one->name] <=> [$other->level, $other->name]);

        return $scenarios;
    }

    /** @return array<string, Scenario> by id, the newest first */
    public function own(): array
    {
        $own = [];
        foreach (PracticeScenario::query()->orderByDesc('id')->limit(self::OWN)->get() as $row) {
            $own["own-{$row->id}"] = Scenario::from(Fields::of([...$row->scenario, 'id' => "own-{$row->id}"]));
        }

        return $own;
    }

    /** @throws BadInput where there is none */
    public function one(string $id): Scenario
    {
        $own = preg_match('/^own-(\d{1,12})$/', $id, $part) === 1 ? PracticeScenario::query()->find((int) $part[1]) : null;

        return $own !== null
            ? Scenario::from(Fields::of([...$own->scenario, 'id' => $id]))
            : (
                $this->shipped()[$id]
                ?? throw BadInput::at('scenario', Phrase::of('bench.no_scenario', ['id' => mb_strimwidth($id, 0, 40, '…')]))
            );
    }
}
