<?php

declare(strict_types=1);

namespace App\Jobs;

use Apalos\Core\Contact\Way;
use Apalos\Core\Contact\WayKind;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\BaseSheet;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use App\Contacts\ChooseForContact;
use App\Contacts\JudgedContact;
use App\Contacts\PutPatchOn;
use App\Contacts\WaysThrough;
use App\Library\Library;
use App\Models\Impression;
use App\Models\ImpressionKind;
use App\Models\Pour;
use App\Models\PourState;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Applies one of the ways out of a contact that is not safe, in one press: whatever it changes, the contact is judged anew. */
final readonly class TakeWayOut
{
    public function __construct(
        private Workshop $workshop,
        private WaysThrough $through,
        private Library $library,
        private ChooseForContact $choose,
        private ReviseChain $chain,
        private PutPatchOn $patches,
        private Phrasebook $words,
    ) {}

    /**
     * @param  Fields  $in  `steps` of one of the ways that are offered
     * @return string what was done, in words
     *
     * @throws BadInput for a way that is no longer offered
     * @throws \App\Models\Outdated
     */
    public function __invoke(Impression $impression, JudgedContact $contact, Fields $in, int $edition, CarbonImmutable $now): string
    {
        $steps = array_map(
            static fn (Fields $step): array => ['kind' => $step->only('kind', 'id')->text('kind'), 'id' => $step->text('id')],
            $in->only('steps')->objects('steps'),
        );
        $way = null;
        foreach ($this->through->of($impression->loadMissing('job.impressions'), $contact)['ways'] as $offered) {
            $way = $offered->toArray()['steps'] === $steps ? $offered : $way;
        }
        if ($way === null) {
            throw BadInput::at('steps', Phrase::of('bench.no_longer_a_way_out'));
        }

        return DB::transaction(function () use ($impression, $contact, $way, $edition, $now): string {
            $impression = Impression::asShown($impression->id, $edition);
            foreach ($way->steps as ['kind' => $kind, 'id' => $id]) {
                match ($kind) {
                    WayKind::Release => $this->choose->on($impression, $contact->touch->key, Fields::of(['release' => $id]), $now),
                    WayKind::Seal,
                    WayKind::Barrier => $this->choose->on($impression, $contact->touch->key, Fields::of(['sealed_with' => $id]), $now),
                    WayKind::Base => $this->base($impression, $id),
                    // A patch goes on what is done, not on what is planned: after a seal the contact offers it again.
                    WayKind::Test => count($way->steps) > 1
                        ? null
                        : $this->patches->several(
                            $impression, $contact,
                            Fields::of([
                                'patches' => [['sealed_with' => $contact->plannedSealer(), 'release' => $contact->request->release?->id]],
                            ]),
                            $now,
                        ),
                    WayKind::Wait, WayKind::Link => null,
                };
            }
            if ($way->steps[0]['kind'] === WayKind::Link) {
                $this->detour($impression, $way);
            }

            return $this->said($way, $now);
        });
    }

    private function base(Impression $impression, string $code): void
    {
        $was = $impression->material;
        $impression->update(['material' => $code]);
        foreach ($impression->pours()->where('state', PourState::Draft)->get() as $draft) {
            /** @var Pour $draft */
            if ($draft->baseCode() === $was) {
                $sheet = $draft->sheet;
                data_set($sheet, 'formula.base', $code);
                $draft->update(['sheet' => $sheet]);
            }
        }
    }

    /** A mould of one base, a copy of the other in it; what was to be poured takes its shape from the copy. */
    private function detour(Impression $impression, Way $way): void
    {
        $shelf = $this->library->shelf()->bases;
        $before = $impression->job->impressions()->where('position', '<', $impression->position)->orderByDesc('position')->first();
        $source = $impression->from_id ?? $before?->id;
        $isCopy = $impression->kind->isPositive();
        [$first, $second] = [$shelf[$way->steps[0]['id']], $shelf[$way->steps[1]['id']]];
        $mould = $this->chain->insert(
            $impression->job,
            [
                'kind' => $isCopy ? ImpressionKind::Copy : ImpressionKind::Mould,
                'name' => $this->called($isCopy, $first), 'material' => $first->code, 'from_id' => $source,
            ],
            $before?->id,
        );
        $copy = $this->chain->insert(
            $impression->job,
            [
                'kind' => $isCopy ? ImpressionKind::Mould : ImpressionKind::Copy,
                'name' => $this->called(! $isCopy, $second), 'material' => $second->code,
                'from_id' => $mould->id,
            ],
            $mould->id,
        );
        $this->chain->change($impression->refresh(), ['from_id' => $copy->id], $impression->edition);
    }

    private function called(bool $isCopy, BaseSheet $base): string
    {
        return $this->words->say(Phrase::of($isCopy ? 'bench.copy_of' : 'bench.mould_of', ['base' => $base->name]));
    }

    private function said(Way $way, CarbonImmutable $now): string
    {
        // No day makes these so: the scale does, or somebody who has done it.
        $proof = $way->steps[0]['kind'] !== WayKind::Wait ? null : match ($way->steps[0]['id']) {
            'prove-dry' => Phrase::of('bench.way_proves_dry', ['way' => $way->what]),
            'post-cure' => Phrase::of('bench.way_post_cures', ['way' => $way->what]),
            default => null,
        };
        if ($proof !== null) {
            return $this->words->say($proof);
        }

        return match ($way->steps[0]['kind']) {
            WayKind::Wait => $this->words->say(Phrase::of('bench.safe_from_nothing_else', [
                'at' => $now->addMinutes((int) ceil($way->addsMin))->setTimezone($this->workshop->zone())->format('D j M, H:i'),
            ])),
            WayKind::Test => $this->words->say(Phrase::of('bench.test_patch_list')),
            WayKind::Seal, WayKind::Barrier => $this->words->say(Phrase::of('bench.way_planned', ['way' => $way->what])),
            default => $this->words->say(Phrase::of('bench.way_taken', ['way' => $way->what])),
        };
    }
}
