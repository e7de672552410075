<?php

declare(strict_types=1);

namespace App\Studies;

use App\Models\ModelFile;
use App\Models\Study;
use App\Storage\Files;
use Carbon\CarbonImmutable;

/** Models that were put away a month ago go, with what was studied of them and their files; the same file under another name stays. */
final readonly class ClearPutAway
{
    /** @return int how many went */
    public function __invoke(CarbonImmutable $now): int
    {
        $old = ModelFile::onlyTrashed()->where('deleted_at', '<', $now->subDays(ModelFile::KEPT_DAYS)->format('Y-m-d H:i:s.v'))->get();
        $disk = Files::disk();
        foreach ($old as $model) {
            $model->studies()->get()->each(static function (Study $study) use ($disk): void {
                $disk->delete($study->states());
                $study->delete();
            });
            if (ModelFile::withTrashed()->where('hash', $model->hash)->whereKeyNot($model->id)->doesntExist()) {
                $disk->delete([$model->path(), $model->mesh()]);
            }
            $model->forceDelete();
        }

        return $old->count();
    }
}
