<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\Fields;

/** A release agent: what it parts, where it does harm, what it leaves behind, and what it takes to put on. */
final readonly class Release
{
    /**
     * @param  list<array{fresh: Scope, surface: Scope, text: string}>  $never
     * @param  'wash'|'never'|'yes'  $paint  whether what was cast takes paint afterwards
     * @param  int  $hides  how much fine detail it hides, 0–3
     * @param  list<string>  $hazards
     */
    private function __construct(
        public string $id, public string $name, public string $how, private Scope $for, private Scope $on, private array $never,
        public bool $skinSafe, public string $paint, public int $hides, public int $coats, public float $betweenMin,
        public float $afterMin, public float $porousAfterMin, public int $every, public float $cost, public bool $vapour,
        public Sure $sure, public array $hazards,
    ) {}

    public static function from(string $id, Fields $in): self
    {
        $never = array_map(
            static fn (Fields $n): array => [
                'fresh' => Scope::from($n, 'fresh'), 'surface' => Scope::from($n, 'surface'), 'text' => $n->text('text'),
            ],
            $in->objects('never'),
        );
        $paint = $in->text('paint');

        return new self(
            $id, $in->text('name'), $in->text('how'), Scope::from($in, 'for'), Scope::from($in, 'on'), $never,
            $in->bool('skin_safe'), $paint === 'never' ? 'never' : ($paint === 'yes' ? 'yes' : 'wash'),
            (int) $in->number('hides', 0.0, 3.0), (int) $in->number('coats', 1.0, 9.0),
            $in->number('between_min'), $in->number('after_min'), $in->number('porous_after_min'), (int) $in->number('every', 1.0),
            $in->number('cost'),
            $in->bool('vapour'), $in->choice('sure', Sure::class), $in->strings('hazards'),
        );
    }

    /** Why it must not be used on this pair, or null. */
    public function ruins(Family $fresh, Surface $surface): ?string
    {
        foreach ($this->never as $never) {
            if (
                $never['fresh']->names($fresh->id, $fresh->groups) !== null
                && $never['surface']->names($surface->id, $surface->groups) !== null
            ) {
                return $never['text'];
            }
        }

        return null;
    }

    public function isFor(Family $fresh, Surface $surface): bool
    {
        return $this->for->names($fresh->id, $fresh->groups) !== null && $this->on->names($surface->id, $surface->groups) !== null;
    }

    /** Minutes from the first coat until it can be poured on. */
    public function minutes(bool $porous, int $coats): float
    {
        return ($coats - 1) * $this->betweenMin + ($porous ? $this->porousAfterMin : $this->afterMin);
    }
}
