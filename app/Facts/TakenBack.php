<?php

declare(strict_types=1);

namespace App\Facts;

use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** What is told of a thing as it stands is taken back from the end: the last first. */
final readonly class TakenBack
{
    /**
     * @param  int|null  $last  the fact that may be taken back
     * @return array{of: int}
     *
     * @throws \Apalos\Core\Input\BadInput
     * @throws StepHasMoved
     */
    public static function of(Fields $in, ?int $last): array
    {
        $of = (int) $in->only('of')->number('of', 0.0, 1e15);

        return $last === $of
            ? ['of' => $of]
            : throw new StepHasMoved(Phrase::of('bench.only_last_thing_told'));
    }
}
