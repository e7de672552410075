<?php

declare(strict_types=1);

namespace App\Facts;

use Apalos\Core\Input\Fields;

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
            : throw new StepHasMoved('Only the last thing told can be taken back, and something else has happened since.');
    }
}
