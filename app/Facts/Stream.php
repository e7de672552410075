<?php

declare(strict_types=1);

namespace App\Facts;

use Apalos\Core\Input\Fields;
use Carbon\CarbonImmutable;

/**
 * Something that is only ever told by its facts: a run, a series. It says which fact fits where it stands; that a fact is kept
 * once, in order, by one writer at a time, is the kernel's business ({@see \App\Facts\AppendFact}).
 */
interface Stream
{
    /** What kind of stream it is, as the facts are filed. */
    public static function name(): string;

    public function id(): int;

    public function beganAt(): CarbonImmutable;

    /** @return list<Happened> oldest first */
    public function facts(): array;

    /** For so many hours a browser's clock is believed: a fact kept through a night without network. */
    public static function believedHours(): int;

    /**
     * @return array<string, mixed> what is kept of the payload
     *
     * @throws \Apalos\Core\Input\BadInput for what makes no sense
     * @throws StepHasMoved for what does not fit where it stands
     */
    public function accepts(string $kind, Fields $payload, CarbonImmutable $now): array;

    /** Stands as it does with what was told just now, and writes down what lists need to know of it. */
    public function appended(Happened $told): static;
}
