<?php

declare(strict_types=1);

namespace App\Studies;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Lists\Rows;
use App\Models\ModelFile;
use App\Models\Study;

/** What the newest study of a job's model found, for those who would else measure: sizes, volume, surface, box, and how deep it hides. */
final readonly class StudiedPiece
{
    /**
     * @param  array{float, float, float}  $size  mm
     * @param  array{float, float, float}  $box  inside, mm
     * @param  float|null  $stretch  per cent; only where a mould of one part was asked about: drawn another way it says nothing of one
     */
    private function __construct(
        public int $model,
        public string $name,
        public float $volume,
        public float $area,
        public array $size,
        public array $box,
        public float $depth,
        public ?float $stretch,
    ) {}

    /** Null where the job has no model, or none that was studied. */
    public static function of(int $job): ?self
    {
        $newest = Rows::of('job_models')
            ->where('job_id', $job)
            ->whereIn('model_file_id', ModelFile::query()->select('id'))
            ->orderByDesc('at')
            ->orderByDesc('id')
            ->first(['model_file_id', 'study_id']);
        // What was put into the job holds for it, whatever was asked of the model since for another.
        $study = $newest === null
            ? null
            : Study::query()
                ->where('state', Study::DONE)
                ->where('model_file_id', $newest->model_file_id)
                ->with('modelFile')
                ->orderByRaw('case when id = ? then 0 else 1 end', [(int) ($newest->study_id ?? 0)])
                ->orderByDesc('id')
                ->first();
        if ($study === null || $study->answer === null) {
            return null;
        }
        try {
            $answer = Fields::of($study->answer);
            $size = $answer->numbers('bbox_mm', 0.0, 1e6, 3);
            $box = $answer->object('mould')->numbers('inner_mm', 0.0, 1e6, 3);

            return count($size) !== 3 || count($box) !== 3 ? null : new self(
                $study->model_file_id, $study->modelFile->name, $answer->positive('volume_ml'), $answer->positive('area_mm2', 1e10),
                [$size[0], $size[1], $size[2]], [$box[0], $box[1], $box[2]],
                $answer->object('pull')->number('undercut_depth_mm'),
                ($study->asked['one_part'] ?? false) === true ? $answer->object('stretch')->number('needed_pct', 0.0, 1e9) : null,
            );
        } catch (BadInput) {
            // A model that encloses nothing measures nothing.
            return null;
        }
    }

    /**
     * @return array{
     *     model: int, name: string, volume_ml: float, area_mm2: float, size_mm: array{float, float, float},
     *     box_mm: array{float, float, float}, undercut_depth_mm: float, stretch_pct: float|null,
     * }
     */
    public function toArray(): array
    {
        return [
            'model' => $this->model, 'name' => $this->name, 'volume_ml' => $this->volume, 'area_mm2' => $this->area,
            'size_mm' => $this->size, 'box_mm' => $this->box, 'undercut_depth_mm' => $this->depth, 'stretch_pct' => $this->stretch,
        ];
    }
}
