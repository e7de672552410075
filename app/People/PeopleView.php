<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Hands;
use App\Models\Person;
use App\Models\Tablet;
use App\Models\Workshop;
use App\Types\View;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Laravel\Sanctum\PersonalAccessToken;

/** Who works here and who did, how much each has told, and the tablets that stand at the bench. */
final readonly class PeopleView implements View
{
    public function __construct(private Workshop $workshop, private Hands $hands, private CarbonImmutable $now) {}

    /**
     * @return array{
     *     people: list<array{
     *         id: string, name: string, role: string, colour: string, passphrase: bool, pin: bool, locked: bool, left_ms: int|null,
     *         forgotten: bool, told: int,
     *     }>,
     *     tablets: list<array{id: int, name: string, since_ms: int, this: bool}>,
     *     programs: list<array{id: int, name: string, for: string, of: string, used_ms: int|null}>, me: string|null, unused_min: int,
     *     now_ms: int,
     * }
     */
    public function toArray(): array
    {
        $told = DB::table('facts')
            ->where('workshop_id', $this->workshop->id)
            ->whereNotNull('person')
            ->groupBy('person')
            ->selectRaw('person, count(*) as n')
            ->pluck('n', 'person')
            ->all();

        return [
            'people' => array_values(Person::query()->where('workshop_id', $this->workshop->id)->orderByRaw(
                'case when left_at is null then 0 else 1 end',
            )->orderBy('created_at')->orderBy('id')->get()->map(static fn (Person $one): array => [
                'id' => $one->id, 'name' => $one->forgotten_at === null ? $one->name : '', 'role' => $one->role->value,
                'colour' => $one->colour, 'passphrase' => $one->passphrase !== null, 'pin' => $one->pin !== null,
                'locked' => $one->isLocked(),
                'left_ms' => $one->left_at === null ? null : (int) $one->left_at->getTimestampMs(),
                'forgotten' => $one->forgotten_at !== null, 'told' => (int) ($told[$one->id] ?? 0),
            ])->all()),
            'tablets' => array_values(
                Tablet::query()
                    ->where('workshop_id', $this->workshop->id)
                    ->whereNull('gone_at')
                    ->orderBy('id')
                    ->get()
                    ->map(
                        fn (Tablet $one): array => [
                            'id' => $one->id, 'name' => $one->name, 'since_ms' => (int) $one->trusted_at->getTimestampMs(),
                            'this' => $one->id === $this->hands->tablet?->id,
                        ],
                    )
                    ->all(),
            ),
            'programs' => $this->programs(),
            'me' => $this->hands->person?->id,
            'unused_min' => $this->workshop->unused_min,
            'now_ms' => (int) $this->now->getTimestampMs(),
        ];
    }

    /** @return list<array{id: int, name: string, for: string, of: string, used_ms: int|null}> */
    private function programs(): array
    {
        $names = Person::query()->where('workshop_id', $this->workshop->id)->pluck('name', 'id')->all();

        return array_values(PersonalAccessToken::query()->where('tokenable_type', Person::class)->whereIn(
            'tokenable_id', array_keys($names),
        )->orderBy('id')->get()->map(static fn (PersonalAccessToken $one): array => [
            'id' => (int) $one->getKey(), 'name' => (string) $one->getAttribute('name'),
            'for' => (string) (((array) $one->getAttribute('abilities'))[0] ?? ''),
            'of' => (string) ($names[$one->getAttribute('tokenable_id')] ?? ''),
            'used_ms' => $one->getAttribute('last_used_at') === null
                ? null
                : (int) CarbonImmutable::parse($one->getAttribute('last_used_at'))->getTimestampMs(),
        ])->all());
    }
}
