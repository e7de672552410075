<?php

declare(strict_types=1);

namespace Apalos\Core\Practice;

/**
 * Somebody's own path: what is sure and what wants practice, from what each practice came to. Spaced: what came out well is asked again
 * after twice as long each time, what did not, tomorrow (an expanding schedule of boxes, after Leitner 1972).
 *
 * @phpstan-type SkillStands array{skill: string, stands: 'new'|'shaky'|'comes'|'sure', box: int, due_day: int|null}
 */
final readonly class Path
{
    /** Days until a skill is asked again, by how often in a row it came out well. */
    private const AFTER_D = [1, 2, 4, 9, 21, 45];

    private const SURE = 3;

    /**
     * @param  list<array{day: int, skills: array<string, array{good: int, bad: int}>}>  $tries  oldest first; days counted from anywhere
     * @return list<SkillStands>
     */
    public static function of(array $tries): array
    {
        $stands = [];
        foreach (Skill::cases() as $skill) {
            [$box, $day, $bad] = [0, null, false];
            foreach ($tries as $try) {
                $came = $try['skills'][$skill->value] ?? null;
                if ($came === null) {
                    continue;
                }
                $bad = $came['bad'] > 0;
                // Twice on one day is one witness.
                $box = $bad ? 0 : ($day === $try['day'] && $box > 0 ? $box : $box + 1);
                $day = $try['day'];
            }
            $stands[] = [
                'skill' => $skill->value, 'box' => $box,
                'due_day' => $day === null ? null : $day + self::AFTER_D[min($box, count(self::AFTER_D) - 1)],
                'stands' => match (true) {
                    $day === null => 'new',
                    $bad => 'shaky',
                    $box >= self::SURE => 'sure',
                    default => 'comes',
                },
            ];
        }

        return $stands;
    }

    /**
     * Which to practise next: one that teaches most of what is due, then what is new, and of those the easiest; never one that came out
     * well today.
     *
     * @param  list<Scenario>  $scenarios
     * @param  list<SkillStands>  $stands
     * @param  array<string, int>  $wellOn  the day on which a scenario last came out well, by its id
     * @return list<string> ids, the best first
     */
    public static function next(array $scenarios, array $stands, int $today, array $wellOn = []): array
    {
        $wants = [];
        foreach ($stands as $one) {
            $wants[$one['skill']] = match (true) {
                $one['stands'] === 'shaky' => 3.0,
                $one['due_day'] !== null && $one['due_day'] <= $today => 2.0,
                $one['stands'] === 'new' => 1.0,
                default => 0.0,
            };
        }
        $worth = static fn (Scenario $one): float => (isset($wellOn[$one->id]) && $wellOn[$one->id] >= $today ? -10.0 : 0.0)
            - (isset($wellOn[$one->id]) ? 0.5 : 0.0)
            + array_sum(
                array_map(static fn (Skill $skill): float => $wants[$skill->value], $one->teaches),
            ) / (0.5 + 0.5 * max(1, count($one->teaches)))
                - 0.6 * $one->level;
        usort(
            $scenarios,
            static fn (
                Scenario $one, Scenario $other,
            ): int => $worth($other) <=> $worth($one) ?: $one->level <=> $other->level ?: $one->id <=> $other->id,
        );

        return array_map(static fn (Scenario $one): string => $one->id, $scenarios);
    }
}
