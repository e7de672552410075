<?php

declare(strict_types=1);

namespace App\Studies;

use App\Models\Job;
use App\Models\ModelFile;
use App\Types\View;

/** A model of a piece, as its screen has it at the top. */
final readonly class ModelFileView implements View
{
    public function __construct(private ModelFile $file) {}

    /**
     * @return array{
     *     id: int, name: string, format: string, mb: float, unit: string|null, sides: array<string, string>,
     *     jobs: list<array{id: int, name: string}>, at_ms: int,
     * }
     */
    public function toArray(): array
    {
        return [
            'id' => $this->file->id, 'name' => $this->file->name, 'format' => strtoupper($this->file->format->value),
            'mb' => $this->file->bytes / 1_048_576,
            'unit' => $this->file->unit?->value, 'sides' => $this->file->sides ?? [],
            'jobs' => array_values($this->file->jobs->map(static fn (Job $job): array => ['id' => $job->id, 'name' => $job->name])->all()),
            'at_ms' => (int) $this->file->created_at->getTimestampMs(),
        ];
    }
}
