<?php

declare(strict_types=1);

namespace App\Facts;

use Apalos\Core\Input\Fields;
use Carbon\CarbonImmutable;

/**
 * Something that is only ever told by its facts, as it stands: a run, a series. It was opened and read once ({@see Streams}); it says
 * which fact fits, stands as it does with that fact told, and writes down what lists need of it. That a fact is kept once, in order,
 * by one writer at a time, is the kernel's business ({@see AppendFact}).
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

    /** The same with what was told just now: nothing is read again, and nothing written. */
    public function with(Happened $told): static;

    /** Writes down what lists need to know of it, and does what follows from the fact told last. */
    public function project(): void;
}
