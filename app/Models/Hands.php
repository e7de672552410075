<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Whose hands are at it, and through which door: set by whoever lets a request, a command or a job in, and written into every fact that is
 * told meanwhile. Nobody in particular where a shop has no people yet.
 */
final class Hands
{
    public const SCREEN = 'screen';

    public const PROGRAM = 'program';

    public const CONSOLE = 'console';

    public const FILE = 'file';

    public ?Person $person = null;

    /** Whether whoever comes has been let in; null where nobody has looked yet. */
    public ?bool $isIn = null;

    /** Who countersigned what the person may not do alone. */
    public ?Person $witness = null;

    /** The tablet that stands at the bench, where it is one. */
    public ?Tablet $tablet = null;

    /** What a program calls itself. */
    public ?string $program = null;

    public string $door = self::SCREEN;

    public function device(): ?string
    {
        return $this->program ?? $this->tablet?->name;
    }

    /** What is told by the machine itself meanwhile came through another door. */
    public function through(string $door, ?string $program = null): void
    {
        [$this->door, $this->program] = [$door, $program];
    }
}
