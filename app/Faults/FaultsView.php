<?php

declare(strict_types=1);

namespace App\Faults;

use Apalos\Core\Phrase\Phrase;
use App\Contacts\ContactBook;
use App\Library\Library;
use App\Models\Mould;
use App\Models\Trial;
use App\Types\View;

/** What goes wrong again and again, what this shop has found to be behind it, and what it tries. */
final readonly class FaultsView implements View
{
    private const TRIALS_SHOWN = 30;

    /** How warm a room is called what, and which hours. */
    private const WORDS = [
        'room' => [
            'cold' => 'bench.room_cold',
            'mild' => 'bench.room_mild',
            'warm' => 'bench.room_warm',
            'hot' => 'bench.room_hot',
        ],
        'hour' => [
            'morning' => 'bench.hour_morning',
            'noon' => 'bench.hour_noon',
            'afternoon' => 'bench.hour_afternoon',
            'evening' => 'bench.hour_evening',
        ],
    ];

    public function __construct(private FaultDesk $desk, private Library $library, private ContactBook $contacts, private ?string $fault) {}

    /**
     * @return array{
     *     fault: string|null, faults: array<string, string>, says: Phrase, bad: int, all: int, looked: int, compared: int,
     *     found: list<array{
     *         what: string, value: Phrase, href: string|null, bad: int, all: int, elsewhere_bad: int, elsewhere_all: int, chance: float,
     *         corrected: float, sure: bool, note: Phrase|null,
     *     }>,
     *     causes: list<array{id: string, name: string, times: int, look: Phrase, next: Phrase}>,
     *     trials: list<array{id: int, name: string, about: string, at_ms: int, ended: bool, variants: int}>, bases: array<string, string>,
     *     surfaces: array<string, string>, releases: array<string, string>
     * }
     */
    public function toArray(): array
    {
        $common = $this->desk->common($this->fault)->toArray();
        $names = Mould::query()->whereKey(
            array_map(
                static fn (array $one): int => (int) substr($one['value'], 2),
                array_filter($common['found'], static fn (array $one): bool => $one['what'] === 'mould'),
            ),
        )->pluck('name', 'id');
        $book = $this->library->faultBook()->causes;
        // Nobody is named for what could be chance; and where it is none, what they had in hand is looked at first.
        $told = array_values(array_filter($common['found'], static fn (array $one): bool => $one['what'] !== 'person' || $one['sure']));
        $found = array_map(fn (array $one): array => [
            ...$one, 'value' => $this->called($one['what'], $one['value'], $names->all()),
            'note' => $one['what'] === 'person' ? Phrase::of('bench.no_verdict_on', ['name' => $one['value']]) : null,
            'href' => match ($one['what']) {
                'mould' => '/rack/'.substr($one['value'], 2),
                'lot' => '/stores/lots/'.substr($one['value'], 2),
                'base' => "/stores/{$one['value']}",
                default => null,
            }], $told);
        $confirmed = $this->desk->confirmed();
        arsort($confirmed);

        return [
            'fault' => $this->fault, 'faults' => array_map(static fn (array $fault): string => $fault['name'], $this->library->faults()),
            'says' => $common['says'], 'bad' => $common['bad'], 'all' => $common['all'], 'looked' => $common['looked'],
            'compared' => FaultDesk::COMPARED,
            'found' => $found,
            'causes' => array_map(
                static fn (string $id, int $times): array => [
                    'id' => $id, 'name' => $book[$id]->name, 'times' => $times, 'look' => Phrase::written($book[$id]->look),
                    'next' => Phrase::written($book[$id]->next),
                ],
                array_keys($confirmed), array_values($confirmed),
            ),
            'trials' => array_values(
                Trial::query()
                    ->orderByDesc('id')
                    ->limit(self::TRIALS_SHOWN)
                    ->get()
                    ->map(
                        static fn (Trial $trial): array => [
                            'id' => $trial->id, 'name' => $trial->name, 'about' => $trial->about,
                            'at_ms' => (int) $trial->created_at->getTimestampMs(), 'ended' => $trial->ended_at !== null,
                            'variants' => count($trial->variants),
                        ],
                    )
                    ->all(),
            ),
            'bases' => array_map(static fn ($base): string => $base->name, $this->library->atHand()->bases),
            'surfaces' => array_map(static fn ($surface): string => $surface->name, $this->contacts->knowledge()->surfaces),
            'releases' => array_map(static fn ($release): string => $release->name, $this->contacts->knowledge()->releases),
        ];
    }

    /** @param  array<array-key, mixed>  $names  of moulds */
    private function called(string $what, string $value, array $names): Phrase
    {
        $mould = $names[(int) substr($value, 2)] ?? null;

        return isset(self::WORDS[$what][$value]) ? Phrase::of(self::WORDS[$what][$value]) : Phrase::written(match ($what) {
            'base' => $this->library->shelf()->bases[$value]->name ?? $value,
            'mould' => is_string($mould) ? "{$mould} ({$value})" : $value,
            default => $value,
        });
    }
}
