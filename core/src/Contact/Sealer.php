<?php

declare(strict_types=1);

namespace Apalos\Core\Contact;

use Apalos\Core\Input\Fields;

/** What closes pores. It stops no chemistry and releases nothing. */
final readonly class Sealer
{
    /**
     * @param  list<string>  $testUnder  families that may not cure over it
     * @param  list<string>  $hazards
     */
    private function __construct(
        public string $id, public string $name, private Scope $on, public int $coats, public float $betweenMin, public float $dryMin,
        private array $testUnder, public string $text, public array $hazards,
    ) {}

    public static function from(string $id, Fields $in): self
    {
        return new self(
            $id, $in->text('name'), Scope::from($in, 'on'), (int) $in->number('coats', 1.0, 9.0), $in->number('between_min'), $in->number('dry_min'),
            $in->strings('test_under'), $in->text('text'), $in->strings('hazards'),
        );
    }

    public function isFor(Surface $surface): bool
    {
        return $this->on->names($surface->id, $surface->groups) !== null;
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
