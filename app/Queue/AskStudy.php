<?php

declare(strict_types=1);

namespace App\Queue;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use App\Models\ModelFile;
use App\Models\Study;
use App\Studies\StudyDesk;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\HasMany;

/** Asks a question of a model: one that was answered before is there at once, a small one does not wait behind a large one. */
final readonly class AskStudy
{
    public function __construct(private StudyDesk $desk) {}

    /** @throws BadInput where the question is none */
    public function __invoke(ModelFile $model, Fields $asked, CarbonImmutable $now): Study
    {
        $study = $this->desk->open($model, $asked, $now);
        if ($study->state !== Study::WAITING) {
            return $study;
        }
        // Without a pull and a pour all of it is to be searched.
        $isQuick = $model->bytes <= StudyDesk::AT_ONCE_BYTES
            && $asked->has('pull')
            && $asked->has('pour')
            && $asked->toArray()['pull'] !== 'auto'
            && $asked->toArray()['pour'] !== 'auto';
        StudyPiece::dispatch($study->id)->onQueue($isQuick ? StudyPiece::AT_ONCE : 'default');

        return $study->refresh();
    }

    /** What its page shows: what was asked of it last. What an earlier edition answered is asked anew, with what was found by itself. */
    public function shown(ModelFile $model, CarbonImmutable $now): Study
    {
        $newest = static fn (): HasMany => $model->studies()->reorder()->orderByDesc('id');
        $last = $newest()->first();
        $isOld = fn (?Study $study): bool => $study !== null && $this->desk->isOfBefore($model, $study);
        // Answers are long: of the others only what was asked is read.
        $all = $newest()->get(['id', 'workshop_id', 'state', 'mark', 'asked']);
        $byItself = $all->first(static fn (Study $one): bool => $one->asked === []);
        if ($isOld($byItself)) {
            $this($model, Fields::of([]), $now);
        }

        return $last === null || $isOld($last) ? $this($model, Fields::of($last->asked ?? []), $now) : $last;
    }

    /** What was asked of it last, asked again, of a model that was changed. */
    public function again(ModelFile $model, CarbonImmutable $now): Study
    {
        return $this($model, Fields::of($model->studies()->reorder()->orderByDesc('id')->first()->asked ?? []), $now);
    }
}
