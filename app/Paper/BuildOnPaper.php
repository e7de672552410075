<?php

declare(strict_types=1);

namespace App\Paper;

use App\Builds\BuildView;
use App\Builds\RecordedBuild;
use App\Models\Build;
use Carbon\CarbonImmutable;

/** A build on the wall: its operations in order, from when until when as the clock has it, with boxes. */
final readonly class BuildOnPaper
{
    public function of(Build $build, CarbonImmutable $now): Paper
    {
        $view = app()->make(BuildView::class, ['recorded' => RecordedBuild::of($build->load('impression.job'), $now)])->toArray();

        return new Paper('build-sheet', $build->title(), "build-{$build->id}", "/builds/{$build->id}", [
            'build' => $view, 'now_ms' => (int) $now->getTimestampMs(),
        ]);
    }
}
