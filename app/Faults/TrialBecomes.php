<?php

declare(strict_types=1);

namespace App\Faults;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Run\Grade;
use Apalos\Core\Trial\VerdictResult;
use Apalos\Core\Units\Shore;
use Apalos\Core\Units\ShoreScale;
use App\Library\Library;
use App\Models\Fact;
use App\Models\FormulaVersion;
use App\Models\Swatch;
use App\Models\TestPatch;
use App\Models\Trial;
use App\Swatches\DigestWriter;
use App\Swatches\ReadSwatch;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * What an ended trial said becomes a fact where it belongs: a test patch of the contacts, a puck of the drawer, a cause the shop has found.
 */
final readonly class TrialBecomes
{
    public function __construct(
        private Library $library,
        private ReadSwatch $read,
        private DigestWriter $digests,
        private Phrasebook $words,
    ) {}

    /**
     * @return string what was written down where
     *
     * @throws BadInput
     */
    public function __invoke(Trial $trial, Fields $in, CarbonImmutable $now): string
    {
        return DB::transaction(function () use ($trial, $in, $now): string {
            $trial = Trial::query()->lockForUpdate()->findOrFail($trial->id);
            if ($trial->ended_at === null) {
                throw BadInput::at('what', Phrase::of('bench.end_trial_first'));
            }
            if ($trial->became !== null) {
                throw BadInput::at('what', Phrase::of('bench.written_down_already'));
            }
            [$became, $said] = match ($in->text('what')) {
                'contacts' => $this->patches($trial, $now),
                'hardness' => $this->puck($trial, $in, $now),
                'faults' => $this->cause($trial, $in->only('what', 'cause')),
                default => throw BadInput::at('what', Phrase::of('bench.trial_can_become')),
            };
            $trial->update(['became' => $became]);

            return $said;
        }, 3);
    }

    /** @return array{array<string, mixed>, string} */
    private function patches(Trial $trial, CarbonImmutable $now): array
    {
        $family = $this->library->shelf()->bases[$trial->base_code ?? '']->family ?? null;
        $surface = $trial->variants[0]['surface'] ?? null;
        if ($family === null || $surface === null) {
            throw BadInput::at('what', Phrase::of('bench.contact_something_fresh_on'));
        }
        $state = RecordedTrial::of($trial)->state;
        $ids = [];
        foreach ($trial->variants as $i => $variant) {
            $grades = $state->grades[$i] ?? [];
            if ($grades === []) {
                continue;
            }
            $good = count(array_filter($grades, static fn (Grade $grade): bool => $grade->counts()));
            $ids[] = TestPatch::query()->create([
                'fresh' => $family, 'surface' => $surface, 'base' => $trial->base_code, 'released_with' => $variant['release'] ?? null,
                'put_on_at' => $trial->created_at, 'due_at' => $trial->ended_at ?? $now, 'read_at' => $now,
                'passed' => $good === count($grades),
                'note' => $this->words->say(Phrase::of('bench.trial_cups_good', [
                    'trial' => $trial->name, 'variant' => (string) $variant['name'], 'good' => $good, 'n' => count($grades),
                ])),
            ])->id;
        }

        if ($ids === []) {
            throw BadInput::at('what', Phrase::of('bench.no_cup_graded_yet'));
        }

        return [
            ['what' => 'contacts', 'patches' => $ids],
            count($ids) === 1
                ? $this->words->say(Phrase::of('bench.one_test_patch_stands'))
                : $this->words->say(Phrase::of('bench.test_patches_stand_under', ['n' => count($ids)])),
        ];
    }

    /** @return array{array<string, mixed>, string} */
    private function puck(Trial $trial, Fields $in, CarbonImmutable $now): array
    {
        $in->only('what', 'version', 'scale', 'readings');
        $version = FormulaVersion::query()->with('formula')->find((int) $in->number('version', 1.0, 1e15))
            ?? throw BadInput::at('version', Phrase::of('bench.no_such_formula_choose'));
        $scale = $in->choice('scale', ShoreScale::class);
        $said = $in->toArray()['readings'] ?? null;
        $readings = array_values(
            array_filter(is_array($said) ? $said : [], static fn (mixed $one): bool => is_int($one) || is_float($one)),
        );
        if ($readings === []) {
            throw BadInput::at('readings', Phrase::of('bench.write_what_gauge_read'));
        }
        array_map(static fn (int|float $one): Shore => Shore::of($scale, (float) $one), $readings);
        $swatch = null;
        $this->digests->after(function () use (&$swatch, $version, $trial, $scale, $readings, $now): Swatch {
            $swatch = Swatch::query()->create([
                'formula_version_id' => $version->id,
                'name' => mb_substr($this->words->say(Phrase::of('bench.swatch_of_trial', ['trial' => $trial->name])), 0, 120),
                'poured_at' => $trial->created_at, 'demoulded_at' => $trial->ended_at,
            ]);
            ($this->read)(
                $swatch, Fields::of(['kind' => 'hardness', 'scale' => $scale->value, 'readings' => $readings, 'sure' => true]), $now,
            );

            return $swatch;
        });

        return [
            ['what' => 'hardness', 'swatch' => $swatch->id ?? null],
            $this->words->say(Phrase::of('bench.puck_lies_drawer')),
        ];
    }

    /** @return array{array<string, mixed>, string} */
    private function cause(Trial $trial, Fields $in): array
    {
        $cause = $this->library->faultBook()->causes[$in->text('cause')]
            ?? throw BadInput::at('cause', Phrase::of('bench.no_such_cause_in'));
        $word = RecordedTrial::of($trial)->verdict()->word;
        if ($word !== VerdictResult::SURE && $word !== VerdictResult::LEANS) {
            throw BadInput::at('what', Phrase::of('bench.saw_no_difference_confirms'));
        }

        return [
            ['what' => 'faults', 'cause' => $cause->id],
            $this->words->say(Phrase::of('bench.counts_as_found_once', ['cause' => $cause->name])),
        ];
    }
}
