<?php

declare(strict_types=1);

namespace App\Pours;

use Apalos\Core\Care\Act;
use Apalos\Core\Casting\CastingWay;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\AdditiveSheet;
use Apalos\Core\Mix\MixResult;
use Apalos\Core\Mix\Scale;
use Apalos\Core\Mix\Vessel;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Apalos\Core\Pour\PourReckoning;
use Apalos\Core\Run\RunPlan;
use Apalos\Core\Run\StepKind;
use Apalos\Core\Units\Minutes;
use App\Builds\BuildOrder;
use App\Contacts\JobContacts;
use App\Contacts\JudgedContact;
use App\Library\Library;
use App\Log\Freezer;
use App\Models\ImpressionKind;
use App\Models\Job;
use App\Models\Mould;
use App\Models\Pour;
use App\Moulds\MouldWants;
use App\Moulds\Rack;
use App\Stock\LotBook;
use App\Stock\ScrapBook;
use Carbon\CarbonImmutable;

/**
 * What a run would be if it were begun: its steps, what must be seen ready, what is put on, in which mould, from which kits. It writes
 * nothing: the run that is begun and the card that is printed before it are of one plan.
 *
 * @phpstan-type Asked array{id: string, text: string, minutes: float, act?: string, care?: string, mould?: int, with?: string}
 */
final readonly class PlanRun
{
    public function __construct(
        private JobContacts $contacts,
        private Freezer $freezer,
        private Phrasebook $words,
        private BuildOrder $order,
        private Rack $rack,
        private MouldWants $wants,
        private LotBook $lots,
        private Library $library,
        private ScrapBook $scrap,
    ) {}

    /**
     * @param  string|null  $early  why it goes on before its window opens; null where nobody says so
     * @param  bool  $onPaper  it is printed for later: what it waits for is not there yet
     *
     * @throws BadInput for a contact that would ruin it, and, where it is begun, for what it waits for
     */
    public function of(Pour $pour, PourReckoning $reckoning, CarbonImmutable $now, ?string $early, bool $onPaper = false): PlannedRun
    {
        if ($reckoning->mix === null || $reckoning->recipe === null) {
            throw $reckoning->errors[0] ?? BadInput::at('volume', Phrase::of('bench.sheet_not_complete_yet'));
        }
        $step = $pour->build->plain ? null : $this->order->step($pour, $now, $early, $onPaper);
        $mould = $step === null || $step->touchesOriginal ? $this->rack->usual($pour) : null;
        $base = $reckoning->recipe->base;
        $lots = $this->lots->chosen([
            $base->code, ...array_map(static fn (AdditiveSheet $sheet): string => $sheet->code, $reckoning->recipe->sheets()),
        ]);
        $casting = $this->library->castingsHere()->named(
            $step->casting ?? $base->casting, $base->family, $step !== null && $base->brushed,
        );
        $way = $this->library->castings()->choose($casting, $base->family, $base->ratio->isOnePart(), false);
        $asked = [
            ...$this->melted($way, $lots, $reckoning->mix), ...$step->checklist ?? [],
            ...$step?->touchesOriginal === false
                ? $this->habits($pour, $reckoning->recipe->base->code)
                : $this->checklist($pour, $reckoning->recipe->base->code, $mould, $step?->bed, $now),
        ];
        // What the build has done already stands on the list, ticked: asked once is enough.
        $done = [
            ...$step->done ?? [],
            ...array_column(
                array_filter($asked, static fn (array $item): bool => $step?->care->doneAt($item['act'] ?? '') !== null), 'id',
            ),
        ];
        // What a build asked of its own act is no word of the list.
        $checklist = array_map(static function (array $item): array {
            unset($item['act']);

            return $item;
        }, $asked);
        $sheet = Fields::of($pour->sheet);
        $plan = $sheet->object('plan');
        $vessel = $plan->objectOrNull('vessel');
        $vessel = $vessel === null ? null : Vessel::from($vessel);
        $run = RunPlan::of(
            $reckoning->mix, $base->ratio->isOnePart(), Minutes::of($plan->number('mix_min')),
            Minutes::of($vessel?->degas === true ? $plan->number('degas_min') : 0.0),
            Scale::from($plan->object('scale'))->division, $vessel, $checklist, $step !== null,
            $way->stirsBefore(), $way->heat,
        );
        // What is put on before is put on at the list of what must be ready.
        $cautions = [
            ...array_fill_keys(
                $step === null || $step->touchesOriginal ? $this->contacts->putOn($pour->impression) : [], StepKind::Contacts,
            ),
            ...$this->freezer->standing([...$way->hazards, ...($run->has(StepKind::Degas) ? ['vacuum'] : [])], $run),
        ];

        return new PlannedRun($step, $mould, $lots, $casting, $way, $run, $cautions, $done);
    }

    /**
     * What has to be seen ready at every contact of this link; judged with what is really poured.
     *
     * @return list<Asked>
     *
     * @throws BadInput when a contact would ruin the pour
     */
    private function checklist(Pour $pour, string $base, ?Mould $mould, ?bool $bed, CarbonImmutable $now): array
    {
        $items = $this->habits($pour, $base);
        $impression = $pour->impression;
        if ($bed === true && $impression->bed === null) {
            $items[] = ['id' => 'no-bed', 'text' => $this->words->say(Phrase::of('bench.no_bed_known')), 'minutes' => 0.0];
        }
        // What it is for asks for more than a shop can know: it is looked up, and never clears itself.
        foreach ($impression->kind === ImpressionKind::Cast ? $impression->job->usedFor() : [] as $use) {
            $known = $this->library->uses()[$use] ?? null;
            $known === null || $items[] = ['id' => "use-{$use}", 'text' => "It {$known['name']}: {$known['ask']}", 'minutes' => 0.0];
        }
        $chain = $this->contacts->chain($impression->job->load('impressions'));
        if ($chain->knowsNothing($chain->link($impression->id) ?? $this->contacts->link($impression))) {
            $items[] = [
                'id' => 'no-contact', 'text' => $this->words->say(Phrase::of('bench.no_contact_known', ['link' => $impression->name])),
                'minutes' => 0.0,
            ];
        }
        foreach ($this->contacts->of($impression, $chain) as $contact) {
            // Only the first half lies on the bed.
            if ($bed === false && $contact->touch->key === 'bed') {
                continue;
            }
            if ($contact->blocks) {
                throw BadInput::at('contacts', Phrase::of('bench.contact_stands', [
                    'fresh' => $contact->fresh->name, 'with' => $contact->touch->with, 'short' => $contact->result->inShort,
                    'why' => $contact->result->because[0]['text'],
                ]));
            }
            foreach ($this->library->knowledge()->schools()->before($contact->fresh, $contact->touch->surface) as $i => $text) {
                $items[] = ['id' => "{$contact->touch->key}-school-{$i}", 'text' => "{$contact->touch->with}: {$text}", 'minutes' => 0.0];
            }
            $items = [...$items, ...$this->cared($contact, $mould, $impression->job)];
        }
        if ($mould === null) {
            return $items;
        }
        // What a contact asks for already is not asked twice.
        $asked = array_column($items, 'care');

        return [
            ...$items,
            ...array_filter(
                $this->wants->checklist($mould, $base, $now),
                static fn (array $want): bool => ! in_array($want['care'] ?? null, $asked, true),
            ),
        ];
    }

    /**
     * What a contact asks for; where it is done to the mould, ticking it off tells the mould as well.
     *
     * @return list<Asked>
     */
    private function cared(JudgedContact $contact, ?Mould $mould, Job $job): array
    {
        $items = $contact->checklist($this->words, $this->contacts->sealer($contact));
        $group = $mould === null ? null : $this->rack->groups($job)->with((int) str_replace('link-', '', $contact->touch->key));
        if ($mould === null || $group?->first()->id !== $mould->impression_id) {
            return $items;
        }
        $care = ['release' => Act::Released, 'dry' => Act::Dried];

        return array_map(
            static fn (array $item): array => ($act = $care[$item['act'] ?? ''] ?? null) === null
                ? $item
                : [...$item, 'id' => "care-{$mould->id}-{$act->value}-{$item['id']}", 'care' => $act->value, 'mould' => $mould->id],
            $items,
        );
    }

    /**
     * What of it was melted before, and what that does to the cast.
     *
     * @param  array<string, list<int>>  $lots
     * @return list<array{id: string, text: string, minutes: float}>
     */
    private function melted(CastingWay $way, array $lots, MixResult $mix): array
    {
        $share = $way->scrap === null ? 0.0 : ($mix->parts[$way->scrap->code]->g ?? 0.0) / max(1e-9, $mix->mass->g);

        return $way->scrap === null
            ? []
            : array_map(
                fn (Phrase $says): array => ['id' => "scrap-{$way->scrap->code}", 'text' => $this->words->say($says), 'minutes' => 0.0],
                $this->scrap->expects($way->scrap, $lots, $share),
            );
    }

    /** @return list<array{id: string, text: string, minutes: float}> what this material always wants first */
    private function habits(Pour $pour, string $base): array
    {
        $pour->impression->material = $base;
        $items = [];
        foreach ($this->contacts->link($pour->impression)->fresh->before ?? [] as $i => $habit) {
            $items[] = ['id' => "habit-{$i}", 'text' => $habit, 'minutes' => 0.0];
        }

        return $items;
    }
}
