<?php

declare(strict_types=1);

namespace App\Contacts;

use Apalos\Core\Contact\ContactRequest;
use Apalos\Core\Contact\ContactResult;
use Apalos\Core\Contact\Family;
use Apalos\Core\Contact\Overruling;
use Apalos\Core\Contact\Sealer;
use Apalos\Core\Contact\Touch;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Phrasebook;
use Carbon\CarbonImmutable;

/** One contact of a link with its verdict; it blocks while it may not be poured and nobody overruled just this. */
final readonly class JudgedContact
{
    public bool $blocks;

    /** Since when the sealer that is planned is on, and dry; null while it is only planned. */
    public ?CarbonImmutable $sealedAt;

    /**
     * @param  array<string, mixed>  $chosen  release, sealed_with, what is said of the surface
     * @param  CarbonImmutable|null  $curedAt  when the surface cured, as far as anybody knows
     * @param  CarbonImmutable|null  $provedDryAt  since when the scale has proved it dry
     * @param  CarbonImmutable|null  $openedAt  when it came out of its own mould here
     */
    public function __construct(
        public Touch $touch, public Family $fresh, public ContactRequest $request, public ContactResult $result, public array $chosen,
        private ?Overruling $overruling,
        public ?CarbonImmutable $curedAt, public ?CarbonImmutable $openedAt, public ?CarbonImmutable $solventAt,
        public ?CarbonImmutable $provedDryAt = null,
    ) {
        $this->blocks = $result->blocks() && $this->overruled() === null;
        $this->sealedAt = is_string($at = $chosen['sealed_at'] ?? null) && $at !== '' ? CarbonImmutable::parse($at) : null;
    }

    public function plannedSealer(): ?string
    {
        return is_string($sealer = $this->chosen['sealed_with'] ?? null) && $sealer !== '' ? $sealer : null;
    }

    /** Why somebody overruled just this verdict, for these rules, in this state. */
    public function overruled(): ?string
    {
        return $this->overruling?->stillHolds($this->request, $this->result) === true ? $this->overruling->reason : null;
    }

    /** @return array{string|null, string|null} by whose hands it was overruled, and who countersigned that */
    public function overruledBy(): array
    {
        $said = is_array($of = $this->chosen['overruled'] ?? null) ? $of : [];

        return [is_string($by = $said['by'] ?? null) ? $by : null, is_string($witness = $said['witness'] ?? null) ? $witness : null];
    }

    /** The reason of an overruling that was given for something else than stands here now. */
    public function lapsed(): ?string
    {
        return $this->overruling !== null && $this->overruled() === null ? $this->overruling->reason : null;
    }

    /** A stop that no reason talks round. */
    public function isOutOfTheQuestion(): bool
    {
        return Overruling::isOutOfTheQuestion($this->result);
    }

    /** What has to be typed out before it is overruled. */
    public function wordsAsked(): ?Phrase
    {
        return Overruling::wordsFor($this->request, $this->result);
    }

    /**
     * What somebody has to see done before anything is mixed.
     *
     * @param  Sealer|null  $sealer  the one that is planned
     * @return list<array{id: string, text: string, minutes: float, act?: string, with?: string}>
     */
    public function checklist(Phrasebook $words, ?Sealer $sealer = null): array
    {
        // What is planned is not yet done: it is seen done, with its coats and its drying.
        $items = $sealer === null || $this->sealedAt !== null
            ? []
            : [
                [
                    'id' => "{$this->touch->key}-sealed",
                    'text' => $words->say(Phrase::of($sealer->coats > 1 ? 'bench.planned_seal_coats' : 'bench.planned_seal', [
                        'with' => $this->touch->with, 'sealer' => $sealer->name, 'coats' => $sealer->coats, 'text' => $sealer->text,
                    ])),
                    'minutes' => $sealer->minutes(), 'act' => 'seal',
                ],
            ];
        foreach ($this->result->plan as $i => $step) {
            [$what, $note] = [$words->say($step->what), $words->say($step->note)];
            $what = $step->coats > 1 ? $words->say(Phrase::of('bench.what_in_coats', ['what' => $what, 'coats' => $step->coats])) : $what;
            $items[] = [
                'id' => "{$this->touch->key}-{$i}",
                'text' => $words->say(Phrase::of(match (true) {
                    $step->do === 'dry' => 'bench.check_dry',
                    $step->do === 'wait' => 'bench.check_wait',
                    $step->do === 'seal' => 'bench.seal_with_dry',
                    $step->do === 'test' => 'bench.tested_with_test_patch',
                    $step->flashesOff => 'bench.check_flashed_off',
                    default => 'bench.check_on',
                }, ['with' => $this->touch->with, 'what' => $what, 'note' => $note])),
                'minutes' => $step->minutes, 'act' => $step->do, ...($step->do === 'release' ? ['with' => $what] : []),
            ];
        }
        if ($this->touch->surface->before !== null) {
            $items[] = [
                'id' => "{$this->touch->key}-before", 'text' => "{$this->touch->with}: {$this->touch->surface->before}", 'minutes' => 0.0,
            ];
        }
        if ($this->overruled() !== null) {
            $items[] = [
                'id' => "{$this->touch->key}-overruled",
                'text' => "{$this->touch->with}: {$words->say($this->result->because[0]['text'])} Overruled: {$this->overruled()}",
                'minutes' => 0.0,
            ];
        }

        return $items;
    }
}
