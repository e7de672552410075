<?php

declare(strict_types=1);

namespace App\Studies;

use App\Models\ModelFile;
use App\Models\Study;
use App\Types\View;

/** The models there are, newest first, each with what its newest study found. */
final readonly class StudiedView implements View
{
    private const A_PAGE = 24;

    public function __construct(private int $page) {}

    /**
     * @return array{
     *     models: list<array{
     *         id: int, name: string, job: string|null, at_ms: int, volume_ml: float|null, bbox_mm: list<float>|null,
     *         undercut_pct: float|null, watertight: bool|null,
     *     }>,
     *     page: int, more: bool,
     * }
     */
    public function toArray(): array
    {
        $files = ModelFile::query()
            ->with('jobs')
            ->orderByDesc('id')
            ->offset(($this->page - 1) * self::A_PAGE)
            ->limit(self::A_PAGE + 1)
            ->get();
        $newest = Study::query()
            ->whereIn(
                'id',
                Study::query()
                    ->selectRaw('max(id)')
                    ->whereIn('model_file_id', $files->modelKeys())
                    ->where('state', Study::DONE)
                    ->groupBy('model_file_id'),
            )
            ->get(['id', 'model_file_id', 'in_short'])
            ->keyBy('model_file_id');

        return [
            'models' => array_values($files->take(self::A_PAGE)->map(static function (ModelFile $file) use ($newest): array {
                return [
                    'id' => $file->id, 'name' => $file->name,
                    'job' => $file->jobs->isEmpty() ? null : $file->jobs->pluck('name')->implode(', '),
                    'at_ms' => (int) $file->created_at->getTimestampMs(),
                    ...$newest->get($file->id)->in_short ?? InShort::of([]),
                ];
            })->all()),
            'page' => $this->page, 'more' => $files->count() > self::A_PAGE,
        ];
    }
}
