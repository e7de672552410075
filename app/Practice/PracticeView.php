<?php

declare(strict_types=1);

namespace App\Practice;

use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Practice\Path;
use Apalos\Core\Practice\Scenario;
use Apalos\Core\Practice\Skill;
use App\Models\Hands;
use App\Models\Person;
use App\Models\PracticeTry;
use App\Models\Role;
use App\Models\Workshop;
use App\Types\View;
use Carbon\CarbonImmutable;

/**
 * What there is to practise, what whoever looks has practised, what is sure and what comes next; and for an owner, how the others come on.
 *
 * @phpstan-import-type SkillStands from Path
 */
final readonly class PracticeView implements View
{
    /** Of what somebody practised, so much tells where they stand. */
    private const TRIES = 60;

    private const SHOWN = 8;

    private const PEOPLE = 60;

    /** Of each of them, about so many of the last. */
    private const OF_EACH = 20;

    /** Of what comes next, the first. */
    private const NEXT = 3;

    public function __construct(private Scenarios $scenarios, private Workshop $shop, private Hands $hands) {}

    /**
     * @return array{
     *     scenarios: list<array{
     *         id: string, name: string, about: string, level: int, teaches: list<Phrase>, build: bool, own: int|null, tried: int,
     *         last: string|null,
     *     }>,
     *     next: list<string>, going: array{id: int, name: string, place: string}|null,
     *     path: list<array{skill: string, name: Phrase, stands: string, due_ms: int|null}>,
     *     tries: list<array{id: int, name: string, at_ms: int, would: string, grams: float, money: string}>,
     *     people: list<array{name: string, colour: string, sure: list<Phrase>, shaky: list<Phrase>, tries: int, last_ms: int|null}>|null
     * }
     */
    public function toArray(): array
    {
        $now = CarbonImmutable::now();
        $mine = PracticeTry::query()
            ->where('person_id', $this->hands->person?->id)
            ->orderByDesc('id')
            ->limit(self::TRIES)
            ->get(PracticeTry::IN_SHORT)
            ->all();
        $ended = array_values(array_filter($mine, static fn (PracticeTry $try): bool => $try->ended_at !== null && $try->would !== null));
        $path = Path::of($this->days(array_reverse($ended)));
        $own = $this->scenarios->own();
        $all = [...array_values($own), ...array_values($this->scenarios->shipped())];
        $going = array_values(array_filter($mine, static fn (PracticeTry $try): bool => $try->shop_id !== null))[0] ?? null;

        return [
            'scenarios' => array_map(fn (Scenario $one): array => $this->scenario($one, $ended), $all),
            'next' => array_slice(Path::next($all, $path, $this->day($now), $this->well($ended)), 0, self::NEXT),
            'going' => $going === null ? null : ['id' => $going->id, 'name' => $going->name, 'place' => $going->place],
            'path' => array_map(
                fn (array $one): array => [
                    'skill' => $one['skill'], 'name' => Phrase::of("practice.skill_{$one['skill']}"), 'stands' => $one['stands'],
                    'due_ms' => $one['due_day'] === null ? null : $this->ms($one['due_day']),
                ],
                $path,
            ),
            'tries' => array_map(
                static fn (PracticeTry $try): array => [
                    'id' => $try->id, 'name' => $try->name, 'at_ms' => (int) ($try->ended_at ?? $try->real_at)->getTimestampMs(),
                    'would' => $try->would ?? 'nothing', 'grams' => $try->lost_g, 'money' => $try->lost,
                ],
                array_slice($ended, 0, self::SHOWN),
            ),
            'people' => $this->hands->person?->role === Role::Owner ? $this->people() : null,
        ];
    }

    /**
     * @param  list<PracticeTry>  $ended  the newest first
     * @return array{
     *     id: string, name: string, about: string, level: int, teaches: list<Phrase>, build: bool, own: int|null, tried: int,
     *     last: string|null,
     * }
     */
    private function scenario(Scenario $one, array $ended): array
    {
        $tries = array_values(array_filter($ended, static fn (PracticeTry $try): bool => $try->scenario_id === $one->id));

        return [
            'id' => $one->id, 'name' => $one->name, 'about' => $one->about, 'level' => $one->level,
            'teaches' => array_map(static fn (Skill $skill): Phrase => Phrase::of("practice.skill_{$skill->value}"), $one->teaches),
            'build' => $one->isBuild(),
            'own' => str_starts_with($one->id, 'own-') ? (int) substr($one->id, 4) : null, 'tried' => count($tries),
            'last' => $tries === [] ? null : $tries[0]->would,
        ];
    }

    /**
     * @param  list<PracticeTry>  $tries  oldest first
     * @return list<array{day: int, skills: array<string, array{good: int, bad: int}>}>
     */
    private function days(array $tries): array
    {
        return array_map(
            fn (PracticeTry $try): array => ['day' => $this->day($try->ended_at ?? $try->real_at), 'skills' => $try->skills ?? []], $tries,
        );
    }

    /**
     * @param  list<PracticeTry>  $ended  the newest first
     * @return array<string, int> the day each last came out well, by scenario
     */
    private function well(array $ended): array
    {
        $well = [];
        foreach ($ended as $try) {
            $try->well && $well[$try->scenario_id] ??= $this->day($try->ended_at ?? $try->real_at);
        }

        return $well;
    }

    /** @return list<array{name: string, colour: string, sure: list<Phrase>, shaky: list<Phrase>, tries: int, last_ms: int|null}> */
    private function people(): array
    {
        $people = Person::here($this->shop)->limit(self::PEOPLE)->get();
        $tries = PracticeTry::query()
            ->whereIn('person_id', $people->pluck('id'))
            ->whereNotNull('ended_at')
            ->whereNotNull('would')
            ->orderByDesc('id')
            ->limit(self::PEOPLE * self::OF_EACH)
            ->get(PracticeTry::IN_SHORT)
            ->reverse()
            ->groupBy('person_id');

        return array_values($people->map(function (Person $person) use ($tries): array {
            $of = array_values($tries->get($person->id)?->all() ?? []);
            $path = Path::of($this->days($of));
            $which = static fn (string $stands): array => array_values(
                array_map(
                    static fn (array $one): Phrase => Phrase::of("practice.skill_{$one['skill']}"),
                    array_filter($path, static fn (array $one): bool => $one['stands'] === $stands),
                ),
            );
            $last = $of === [] ? null : $of[count($of) - 1];

            return [
                'name' => $person->name, 'colour' => $person->colour, 'sure' => $which('sure'), 'shaky' => $which('shaky'),
                'tries' => count($of), 'last_ms' => $last?->ended_at === null ? null : (int) $last->ended_at->getTimestampMs(),
            ];
        })->all());
    }

    /** Days are those of the shop. */
    private function day(CarbonImmutable $at): int
    {
        return (int) floor($at->setTimezone($this->shop->zone())->startOfDay()->getTimestamp() / 86_400.0 + 0.5);
    }

    private function ms(int $day): int
    {
        return $day * 86_400_000;
    }
}
