<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\Care;
use Apalos\Core\Build\OperationState;

/**
 * What a build has done for its contacts: what was ticked there, sealed, released, dried, tested, is the state its contacts are
 * judged by, and is not asked a second time.
 */
final readonly class BuildCare
{
    /** @param  array<string, float>  $done  minutes of the build at which each act was done last */
    private function __construct(private array $done) {}

    public static function of(RecordedBuild $recorded): self
    {
        $done = [];
        foreach ($recorded->state->operations as $stands) {
            foreach ($stands->state === OperationState::Done ? $stands->operation->care : [] as $care) {
                $done[$care->value] = max($done[$care->value] ?? 0.0, (float) $stands->endedAt);
            }
        }

        return new self($done);
    }

    /**
     * When it was done; null where it was not, or before what it would have to be done on was there.
     *
     * @param  string  $act  as a preparation is called: seal, release, dry, test
     * @param  float|null  $on  minutes of the build from which what it is done on lay there
     */
    public function doneAt(string $act, ?float $on = null): ?float
    {
        $care = Care::tryFrom($act);
        $at = $care === null ? null : $this->done[$care->value] ?? null;

        return $at === null || ($on !== null && $at < $on) ? null : $at;
    }
}
