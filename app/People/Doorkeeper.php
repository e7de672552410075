<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Person;
use App\Models\Role;
use App\Models\Workshop;

/**
 * When a shop asks who comes: never on one's own computer while one works alone, always once there is a second person, a second shop, or
 * the network.
 */
final class Doorkeeper
{
    /** @var list<Person>|null the first two who work here: whether there is nobody, one, or more */
    private ?array $first = null;

    public function __construct(private readonly Workshop $workshop, private readonly ShopAtHand $at) {}

    /** Who comes in unasked: the owner of a made-up shop, or the only one there is. Null where that is nobody. */
    public function comesInUnasked(bool $isOwnComputer): ?Person
    {
        if (! $isOwnComputer || $this->at->areSeveral()) {
            return null;
        }

        return match (true) {
            $this->workshop->made_up => $this->owner(),
            count($this->first()) === 1 => $this->first()[0],
            default => null,
        };
    }

    private function owner(): ?Person
    {
        foreach ($this->first() as $one) {
            if ($one->role === Role::Owner) {
                return $one;
            }
        }

        return Person::here($this->workshop)->where('role', Role::Owner)->first();
    }

    /** Nobody is known by name yet, and nobody else can reach it: then there is no wall. */
    public function isOpen(bool $isOwnComputer): bool
    {
        return $isOwnComputer && ! $this->at->areSeveral() && $this->first() === [];
    }

    /** @return list<Person> */
    private function first(): array
    {
        return $this->first ??= array_values(Person::here($this->workshop)->limit(2)->get()->all());
    }
}
