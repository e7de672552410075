<?php

declare(strict_types=1);

namespace App\Contacts;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use App\Library\Library;
use App\Models\Impression;
use App\Models\TestPatch;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Puts test patches on: each of one base on one surface, with one sealer and one release under it. */
final readonly class PutPatchOn
{
    private const MOST_AT_ONCE = 12;

    private const LONGEST_PLACE = 300;

    public function __construct(private ContactBook $book, private Library $library, private PatchClock $clock) {}

    /**
     * @param  Fields  $in  `fresh`, `surface`, and any of `base`, `sealed_with`, `release`, `place`
     *
     * @throws BadInput for what nobody knows
     */
    public function __invoke(Fields $in, CarbonImmutable $now, ?Impression $link = null): TestPatch
    {
        $in->only('fresh', 'surface', 'base', 'sealed_with', 'release', 'place');
        $knowledge = $this->book->knowledge();
        $code = $in->textOrNull('base');
        $base = $this->library->shelf()->bases[$code ?? ''] ?? null;
        if ($code !== null && $base === null) {
            throw BadInput::at($in->at('base'), Phrase::of('bench.no_base_choose_of_list', ['code' => $code]));
        }
        $sealer = $in->textOrNull('sealed_with');
        if ($sealer !== null && ! isset($knowledge->sealers[$sealer])) {
            throw BadInput::at($in->at('sealed_with'), Phrase::of('bench.no_sealer_choose_one', ['id' => $sealer]));
        }
        $release = $in->textOrNull('release');

        return TestPatch::query()->create([
            'fresh' => $knowledge->family($in->text('fresh'), $in->at('fresh'))->id,
            'surface' => $knowledge->surface($in->text('surface'), $in->at('surface'))->id, 'base' => $base?->code,
            'sealed_with' => $sealer, 'released_with' => $release === null ? null : $knowledge->release($release)->id,
            'impression_id' => $link?->id,
            'place' => mb_substr($in->textOrNull('place') ?? '', 0, self::LONGEST_PLACE) ?: null, 'put_on_at' => $now,
            'due_at' => $this->clock->due($base?->code, $now),
        ]);
    }

    /**
     * Several from one contact in one go, each with another sealer or release.
     *
     * @param  Fields  $in  `patches`, each with `sealed_with` and `release`
     * @return list<TestPatch>
     *
     * @throws BadInput for none, too many, one twice, or one over a sealer that is only planned
     */
    public function several(Impression $link, JudgedContact $contact, Fields $in, CarbonImmutable $now): array
    {
        $wanted = $in->only('patches')->objects('patches', self::MOST_AT_ONCE);
        if ($wanted === []) {
            throw BadInput::at('patches', Phrase::of('bench.choose_at_least_one'));
        }
        $combinations = array_map(
            static fn (Fields $one): string => $one
                ->only('sealed_with', 'release')
                ->textOrNull('sealed_with').'/'.$one
                ->textOrNull('release'),
            $wanted,
        );
        if (count(array_unique($combinations)) < count($combinations)) {
            throw BadInput::at('patches', Phrase::of('bench.same_twice_one_patch'));
        }

        return DB::transaction(fn (): array => array_map(function (Fields $one) use ($link, $contact, $now): TestPatch {
            $sealer = $one->textOrNull('sealed_with');
            if ($sealer !== null && $sealer === $contact->plannedSealer() && $contact->sealedAt === null) {
                throw BadInput::at($one->at('sealed_with'), Phrase::of('bench.seal_it_first', ['with' => $contact->touch->with]));
            }

            return $this(Fields::of([
                'fresh' => $contact->fresh->id, 'surface' => $contact->touch->surface->id,
                'base' => $this->library->shelf()->bases[$link->material ?? '']->code ?? null,
                'sealed_with' => $sealer, 'release' => $one->textOrNull('release'),
                'place' => "{$link->job->name}: {$contact->touch->with}",
            ]), $now, $link);
        }, $wanted), 3);
    }
}
