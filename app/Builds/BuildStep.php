<?php

declare(strict_types=1);

namespace App\Builds;

use Carbon\CarbonImmutable;

/** What a mixing operation of a build asks before it is begun. */
final readonly class BuildStep
{
    /**
     * @param  list<array{id: string, text: string, minutes: float, act?: string}>  $checklist
     * @param  string|null  $early  what is noted in the build where it goes on before its window opens
     * @param  BuildCare  $care  what the build has done for its contacts
     * @param  bool|null  $bed  whether it lies on the bed of its link; null where its link says
     * @param  string|null  $casting  the way it is worked, where the plan says another than its material's own
     * @param  list<string>  $done  items of the checklist that it has done already
     * @param  CarbonImmutable|null  $laysFrom  from when on it may be laid, where it is weighed up ahead of its window
     */
    public function __construct(
        public array $checklist,
        public bool $touchesOriginal,
        public ?string $early,
        public BuildCare $care,
        public array $done,
        public ?bool $bed = null,
        public ?string $casting = null,
        public ?CarbonImmutable $laysFrom = null,
    ) {}
}
