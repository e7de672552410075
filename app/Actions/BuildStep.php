<?php

declare(strict_types=1);

namespace App\Actions;

/** What a mixing operation of a build asks before it is begun. */
final readonly class BuildStep
{
    /**
     * @param  list<array{id: string, text: string, minutes: float}>  $checklist
     * @param  string|null  $early  what is noted in the build where it goes on before its window opens
     */
    public function __construct(public array $checklist, public bool $touchesOriginal, public ?string $early = null) {}
}
