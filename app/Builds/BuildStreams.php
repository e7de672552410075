<?php

declare(strict_types=1);

namespace App\Builds;

use App\Facts\Streams;
use App\Library\Library;
use App\Models\Build;
use App\Models\Workshop;
use Carbon\CarbonImmutable;

/**
 * What is told of builds.
 *
 * @implements Streams<BuildStream>
 */
final readonly class BuildStreams implements Streams
{
    public function __construct(private Library $library, private BuildOutcome $outcome, private Workshop $workshop) {}

    public function open(int $id, CarbonImmutable $now): BuildStream
    {
        $build = Build::query()->with('impression.job')->lockForUpdate()->findOrFail($id);

        return new BuildStream($this->library, $this->outcome, $this->workshop, RecordedBuild::of($build, $now));
    }
}
