<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\Fields;

/** What closes pores. It stops no chemistry and releases nothing. */
final readonly class Sealer
{
    /**
     * @param  list<string>  $testUnder  families that may not cure over it
     * @param  list<array{fresh: Scope, surface: Scope, text: string}>  $never  where it does harm, or does not last
     * @param  list<string>  $hazards
     */
    private function __construct(
        public string $id, public string $name, private Scope $on, public int $coats, public float $betweenMin, public float $dryMin,
        private array $testUnder, public string $text, public array $hazards, private array $never = [],
    ) {}

    public static function from(string $id, Fields $in): self
    {
        return new self(
            $id, $in->text('name'), Scope::from($in, 'on'), (int) $in->number('coats', 1.0, 9.0), $in->number('between_min'),
            $in->number('dry_min'),
            $in->strings('test_under'), $in->text('text'), $in->strings('hazards'),
            array_map(
                static fn (Fields $n): array => [
                    'fresh' => Scope::from($n, 'fresh'), 'surface' => Scope::from($n, 'surface'), 'text' => $n->text('text'),
                ],
                $in->objects('never'),
            ),
        );
    }

    public function isFor(Surface $surface): bool
    {
        return $this->on->names($surface->id, $surface->groups) !== null;
    }

    /** Why it must not be between these two, or null. */
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

    /** This may not cure over it: a test patch first. */
    public function isDoubtfulUnder(Family $fresh): bool
    {
        return in_array($fresh->id, $this->testUnder, true);
    }

    public function minutes(): float
    {
        return ($this->coats - 1) * $this->betweenMin + $this->dryMin;
    }
}
