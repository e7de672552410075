<?php

declare(strict_types=1);

namespace App\Builds;

use Apalos\Core\Build\Measured;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Contacts\ContactBook;
use App\Library\Library;
use App\Models\Build;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Plans how an impression is built: from a ready-made build and what was measured. */
final readonly class PlanBuild
{
    private const MOST_COPIES = 60;

    public function __construct(
        private BuildBook $book,
        private Library $library,
        private ContactBook $contacts,
        private ThrowBuildAway $throw,
        private Workshop $workshop,
    ) {}

    /**
     * @param  Fields  $in `kind`, and what that asks for: `measured`, of what `box` and `bed` are, and `dates`: one for each copy that is
     *   wanted on a day of its own
     *
     * @throws BadInput for what is missing, or another base than can be built so
     */
    public function __invoke(Impression $impression, Fields $in, CarbonImmutable $now): Build
    {
        $in->only('kind', 'measured', 'box', 'bed', 'dates');
        $dates = $this->dates($in, $now);
        if ($impression->kind === ImpressionKind::Original) {
            throw BadInput::at('kind', Phrase::of('bench.original_not_built_here'));
        }
        $made = $this->book->one($in->text('kind'));
        $code = $impression->material === null || $impression->material === '' ? $made->base : $impression->material;
        $base = $this->library->shelf()->bases[$code ?? ''] ?? null;
        $plan = $made->plan(
            Measured::from($in->objectOrNull('measured') ?? Fields::of([], 'measured')), $base,
            $base === null ? [] : $this->book->times($base),
        );

        return DB::transaction(function () use ($impression, $made, $code, $plan, $dates, $in, $now): Build {
            $planned = $impression->builds()->where('planned_of', $impression->id)->lockForUpdate()->first();
            if (
                $planned !== null
                && $planned->kind === $made->id
                && $planned->plan == $plan->toArray()
                && $this->wanted($planned) === $dates
            ) {
                return $planned;
            }
            $stands = array_filter(
                ['wall' => $this->surface($in, 'box'), 'bed' => $this->surface($in, 'bed')], static fn (?string $id): bool => $id !== null,
            );
            $stands === [] || $impression->update($stands);
            if ($impression->material === null || $impression->material === '') {
                $impression->update(['material' => $code]);
            }
            // Planned anew, the plan before gives way; with the sheets typed for it, it can be had back.
            $planned === null || ($this->throw)($planned);

            $of = ['kind' => $made->id, 'name' => $made->name, 'plan' => $plan->toArray(), 'created_at' => $now];
            $first = $impression->builds()->createOrFirst(['planned_of' => $impression->id], [...$of, 'wanted_on' => $dates[0] ?? null]);
            if ($first->wasRecentlyCreated && count($dates) > 1) {
                $first->update(['copies_of' => $first->id]);
                foreach (array_slice($dates, 1) as $i => $date) {
                    $impression->builds()->create([...$of, 'copies_of' => $first->id, 'copy' => $i + 2, 'wanted_on' => $date]);
                }
            }

            return $first;
        }, 3);
    }

    /** What walls or bed are of: it is poured against them, and judged. */
    private function surface(Fields $in, string $what): ?string
    {
        $id = $in->textOrNull($what);

        return $id === null ? null : $this->contacts->knowledge()->surface($id, $in->at($what))->id;
    }

    /** @return list<string> the days its copies are wanted on that have not begun */
    private function wanted(Build $planned): array
    {
        $builds = $planned->copies_of === null ? [$planned] : $planned->copies()->whereNull('begun_at')->get()->all();

        return array_values(
            array_filter(array_map(static fn (Build $build): ?string => $build->wanted_on?->toDateString(), $builds), is_string(...)),
        );
    }

    /**
     * One day for each copy, in order.
     *
     * @return list<string>
     *
     * @throws BadInput for a day that is none, or is over
     */
    private function dates(Fields $in, CarbonImmutable $now): array
    {
        $dates = $in->has('dates') ? $in->strings('dates') : [];
        if (count($dates) > self::MOST_COPIES) {
            throw BadInput::at('dates', Phrase::of('bench.too_many_copies', ['most' => self::MOST_COPIES]));
        }
        $today = $now->setTimezone($this->workshop->zone())->toDateString();
        foreach ($dates as $date) {
            $read = CarbonImmutable::canBeCreatedFromFormat($date, 'Y-m-d') ? CarbonImmutable::createFromFormat('!Y-m-d', $date) : null;
            if ($read?->toDateString() !== $date || $date >= '2100-01-01') {
                throw BadInput::at('dates', Phrase::of('bench.give_each_day_so'));
            }
            if ($date < $today) {
                throw BadInput::at('dates', Phrase::of('bench.day_of_copy_is_over', ['date' => $date]));
            }
        }
        sort($dates);

        return $dates;
    }
}
