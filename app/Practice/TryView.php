<?php

declare(strict_types=1);

namespace App\Practice;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\PhraseData;
use App\Library\Library;
use App\Models\PracticeTry;
use App\Types\View;

/** What a practice came to. */
final readonly class TryView implements View
{
    public function __construct(private PracticeTry $try, private Library $library) {}

    /**
     * @return array{
     *     id: int, scenario: string, name: string, ended_ms: int|null, going: string|null, minutes: float, would: string,
     *     seen: list<string>,
     *     causes: list<array{name: string, share: float, next: Phrase}>,
     *     findings: list<array{
     *         code: string, skill: string, good: bool, of: string, at_min: float, fact: int|null, text: Phrase, lost_g: float,
     *         lost: string,
     *     }>,
     *     waste: array{grams: float, money: string}
     * }
     */
    public function toArray(): array
    {
        /**
         * @var array{
         *     would?: string, seen?: list<string>, causes?: list<array{name: string, share: float, next: Phrase}>,
         *     findings?: list<array{
         *         code: string, skill: string, good: bool, of: string, at_min: float, fact: int|null, text: Phrase, lost_g: float,
         *         lost: string,
         *     }>,
         *     waste?: array{grams: float, money: string},
         * }  $came
         */
        $came = PhraseData::back($this->try->came_to ?? []);
        $faults = $this->library->faults();

        return [
            'id' => $this->try->id, 'scenario' => $this->try->scenario_id, 'name' => $this->try->name,
            'ended_ms' => $this->try->ended_at === null ? null : (int) $this->try->ended_at->getTimestampMs(),
            'going' => $this->try->shop_id === null ? null : $this->try->place,
            'minutes' => $this->try->minute($this->try->sim_at),
            'would' => $came['would'] ?? 'nothing',
            'seen' => array_map(static fn (string $id): string => $faults[$id]['name'] ?? $id, $came['seen'] ?? []),
            'causes' => array_map(
                static fn (array $one): array => ['name' => $one['name'], 'share' => (float) $one['share'], 'next' => $one['next']],
                $came['causes'] ?? [],
            ),
            'findings' => $came['findings'] ?? [],
            'waste' => $came['waste'] ?? ['grams' => 0.0, 'money' => '0.00'],
        ];
    }
}
