<?php

declare(strict_types=1);

namespace Apalos\Core\Mould;

use Apalos\Core\Contact\ContactEngine;
use Apalos\Core\Contact\ContactRequest;
use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Contact\Sure;
use Apalos\Core\Contact\Verdict;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/** Ranks the kinds of moulds for a piece, with the reasons, so that a maker can choose with open eyes. */
final readonly class MouldChooser
{
    private const START = 50.0;

    /** What it costs a kind that none of its materials suits this piece. */
    private const UNSUITED = 20.0;

    public function __construct(private MouldLibrary $library, private Knowledge $contacts) {}

    /**
     * @param  array<string, list<Phrase>>  $objections by chemistry, where they are known already: they rest on the original and on what is
     *   cast alone
     */
    public function choose(PieceRequest $piece, array $objections = []): MouldResult
    {
        $margin = $this->library->margin(max($piece->size));
        $ranked = array_map(
            fn (MouldKind $kind): RankedMould => $this->judge($kind, $piece, $margin, $objections), array_values($this->library->kinds),
        );
        usort($ranked, static fn (RankedMould $a, RankedMould $b): int => [$b->score, $a->hours] <=> [$a->score, $b->hours]);
        $schools = [];
        foreach ($this->library->schools as $school) {
            if ($piece->meets($school['reason']->when)) {
                $schools[] = Phrase::written($school['reason']->text);
            }
        }

        return new MouldResult($ranked, $schools, $margin, $this->warnings($piece));
    }

    /** @return array<string, list<Phrase>> what speaks against each chemistry, once for all kinds */
    public function objectionsTo(PieceRequest $piece): array
    {
        $against = [];
        foreach ($this->library->kinds as $kind) {
            foreach ($kind->chemistry as $chemistry) {
                $against[$chemistry] ??= $this->objections($chemistry, $piece);
            }
        }

        return $against;
    }

    /** @param  array<string, list<Phrase>>  $known */
    private function judge(MouldKind $kind, PieceRequest $piece, float $margin, array $known): RankedMould
    {
        $score = self::START;
        [$for, $against, $weights] = [[], [], []];
        foreach ($kind->reasons as $reason) {
            if ($piece->meets($reason->when)) {
                $score += $reason->add;
                $weights[$reason->text] = $reason->add;
                $reason->add >= 0.0 ? $for[] = Phrase::written($reason->text) : $against[] = Phrase::written($reason->text);
            }
        }
        [$chemistry, $objections, $penalty] = $this->chemistry($kind, $piece, $known);
        $ml = $kind->wall->materialMl($piece, $margin);
        $grams = $this->library->grams($chemistry, $ml);
        $hours = $this->library->hoursOf($kind, max($piece->size));

        return new RankedMould(
            $kind->id, $kind->name, max(0.0, min(100.0, $score - $penalty)), $for, [...$against, ...$objections], $kind->parts, $chemistry,
            $this->library->hardness->of($kind, $chemistry, $piece), $ml, $grams, $hours,
            $this->library->price($chemistry, $grams) + $hours * $piece->hourRate, $weights,
        );
    }

    /**
     * The first of its chemistries that cures on the original and bears what is cast in it; else the first, with the objections.
     *
     * @param  array<string, list<Phrase>>  $known
     * @return array{string, list<Phrase>, float}
     */
    private function chemistry(MouldKind $kind, PieceRequest $piece, array $known): array
    {
        foreach ($kind->chemistry as $chemistry) {
            if (($known[$chemistry] ?? $this->objections($chemistry, $piece)) === []) {
                return [$chemistry, [], 0.0];
            }
        }

        return [$kind->chemistry[0], $known[$kind->chemistry[0]] ?? $this->objections($kind->chemistry[0], $piece), self::UNSUITED];
    }

    /** @return list<Phrase> */
    private function objections(string $chemistry, PieceRequest $piece): array
    {
        $family = $this->contacts->families[$chemistry] ?? null;
        if ($family === null) {
            return [];
        }
        $engine = new ContactEngine($this->contacts);
        $ask = fn (string $fresh, string $surface): ContactRequest => ContactRequest::from(
            Fields::of(['fresh' => ['family' => $fresh, 'skin_safe' => true], 'surface' => ['id' => $surface]]), $this->contacts,
        );
        $objections = [];
        foreach ([
            'mould.on_the_original' => [$chemistry, $piece->words['original_surface']],
            'mould.when_casting' => [$piece->words['casting'], $family->curesTo],
        ] as $code => [$fresh, $surface]) {
            $result = $engine->judge($ask($fresh, $surface));
            // A test at best is no mould for many.
            $atBest = $result->verdict === Verdict::TestFirst
                && array_filter(
                    $result->because,
                    static fn (array $why): bool => $why['sure'] === Sure::Certain->value
                        && in_array($why['rule'], $result->standingInTheWay, true),
                ) !== [];
            if ($result->verdict === Verdict::Stop || $atBest) {
                $objections[] = Phrase::of($code, ['family' => $family->name, 'why' => $result->because[0]['text']]);
            }
        }

        $bears = ($this->contacts->surfaces[$family->curesTo] ?? null)?->bears;
        if ($bears !== null && $piece->heatC > $bears->degrees) {
            $objections[] = Phrase::of('mould.bears', [
                'family' => $family->name, 'bears' => Quantity::temperature($bears->degrees),
                'heat' => Quantity::temperature($piece->heatC),
            ]);
        }

        return $objections;
    }

    /** @return list<Warning> */
    private function warnings(PieceRequest $piece): array
    {
        $warnings = [];
        $stretch = $piece->mesh['stretch_pct'] ?? null;
        foreach ($stretch === null ? [] : $this->library->safeStretch() as $rubber => $bears) {
            if ($stretch > $bears) {
                $warnings[] = new Warning('stretch', Phrase::of('mould.stretch', [
                    'stretch' => $stretch, 'rubber' => $rubber, 'bears' => $bears,
                ]));
                break;
            }
        }
        if (
            $piece->heatC > $this->library->hotFromC
            && ! in_array('hot', $this->contacts->families[$piece->words['casting']]->groups ?? [], true)
        ) {
            $warnings[] = new Warning('heat', Phrase::of('mould.heat', ['heat' => Quantity::temperature($piece->heatC)]));
        }

        return $warnings;
    }
}
