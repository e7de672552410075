<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

/** One operation of a build as its facts tell it, in minutes of the build. */
final readonly class OperationStands
{
    /**
     * @param  float|null  $opensAt  from when it can be begun; null while something before it is not over
     * @param  float|null  $shutsAt  until when; null where nothing shuts
     * @param  string|null  $shutBy  the operation whose window shuts first
     * @param  list<string>  $waitsFor  operations before it that are not over
     * @param  array<string, array{from: list<float|\Apalos\Core\Cure\Milestone>, until: list<float|\Apalos\Core\Cure\Milestone>}>  $waits
     *   what it waits for, with what left-out operations left behind
     * @param  array<string, array{float, float}>  $windows  from when until when (INF for no end), by each operation before it that is done
     */
    public function __construct(
        public Operation $operation,
        public OperationState $state,
        public ?float $startedAt,
        public ?float $endedAt,
        public ?float $opensAt,
        public ?float $shutsAt,
        public ?string $shutBy,
        public array $waitsFor,
        public array $windows = [],
        public array $waits = [],
    ) {}
}
