<?php

declare(strict_types=1);

namespace App\Paper;

use App\Exchange\JobFile;
use App\Models\Job;
use Carbon\CarbonImmutable;

/** The file of a job, on paper. */
final readonly class JobPaper
{
    public function __construct(private JobFile $file) {}

    public function of(Job $job, CarbonImmutable $now): Paper
    {
        return new Paper('job-file', $job->name, "job-{$job->id}", "/jobs/{$job->id}", ['file' => $this->file->of($job, $now)]);
    }
}
