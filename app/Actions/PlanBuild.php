<?php

declare(strict_types=1);

namespace App\Actions;

use Apalos\Core\Build\Measured;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Models\Build;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Workshop\BuildBook;
use App\Workshop\ContactBook;
use App\Workshop\Library;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Plans how an impression is built: from a ready-made build and what was measured. */
final readonly class PlanBuild
{
    public function __construct(private BuildBook $book, private Library $library, private ContactBook $contacts, private ThrowBuildAway $throw) {}

    /**
     * @param  Fields  $in  `kind`, and what that asks for: `measured`, and of what `box` and `bed` are
     *
     * @throws BadInput for what is missing, or another base than can be built so
     */
    public function __invoke(Impression $impression, Fields $in, CarbonImmutable $now): Build
    {
        $in->only('kind', 'measured', 'box', 'bed');
        if ($impression->kind === ImpressionKind::Original) {
            throw BadInput::at('kind', Phrase::written('An original is not built here: the first mould is taken from it.'));
        }
        $made = $this->book->one($in->text('kind'));
        $code = $impression->material === null || $impression->material === '' ? $made->base : $impression->material;
        $base = $this->library->shelf()->bases[$code ?? ''] ?? null;
        $plan = $made->plan(Measured::from($in->objectOrNull('measured') ?? Fields::of([], 'measured')), $base, $base === null ? [] : $this->book->times($base));

        return DB::transaction(function () use ($impression, $made, $code, $plan, $in, $now): Build {
            $planned = $impression->builds()->where('planned_of', $impression->id)->lockForUpdate()->first();
            if ($planned !== null && $planned->kind === $made->id && $planned->plan == $plan->toArray()) {
                return $planned;
            }
            $stands = array_filter(['wall' => $this->surface($in, 'box'), 'bed' => $this->surface($in, 'bed')], static fn (?string $id): bool => $id !== null);
            $stands === [] || $impression->update($stands);
            if ($impression->material === null || $impression->material === '') {
                $impression->update(['material' => $code]);
            }
            // Planned anew, the plan before gives way; with the sheets typed for it, it can be had back.
            $planned === null || ($this->throw)($planned);

            return $impression->builds()->createOrFirst(['planned_of' => $impression->id], ['kind' => $made->id, 'name' => $made->name, 'plan' => $plan->toArray(), 'created_at' => $now]);
        }, 3);
    }

    /** What walls or bed are of: it is poured against them, and judged. */
    private function surface(Fields $in, string $what): ?string
    {
        $id = $in->textOrNull($what);

        return $id === null ? null : $this->contacts->knowledge()->surface($id, $in->at($what))->id;
    }
}
