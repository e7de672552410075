<?php

declare(strict_types=1);

namespace App\Paper;

use App\Exchange\JobFile;
use App\Exchange\PieceCare;
use App\Models\Job;
use Carbon\CarbonImmutable;

/** The file of a job, on paper. */
final readonly class JobPaper
{
    public function __construct(private JobFile $file, private PieceCare $care) {}

    public function of(Job $job, CarbonImmutable $now): Paper
    {
        return new Paper('job-file', $job->name, "job-{$job->id}", "/jobs/{$job->id}", ['file' => $this->file->of($job, $now)]);
    }

    /** What lies in the box with the piece: nothing of how it was made. */
    public function care(Job $job): Paper
    {
        return new Paper('piece-care', $job->name, "care-{$job->id}", "/jobs/{$job->id}", [
            'name' => $job->name, 'for_whom' => $job->for_whom ?? '', 'care' => $this->care->of($job->load('impressions')),
            'not_certified' => $this->care->notCertified(),
        ]);
    }
}
