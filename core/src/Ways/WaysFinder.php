<?php

declare(strict_types=1);

namespace Apalos\Core\Ways;

use Apalos\Core\Contact\Candidate;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Budget;
use Apalos\Core\Result\Warning;

/**
 * From a piece to whole ways: everything that can be is put together and reckoned through, and what nothing else beats in money, time,
 * hands and chance is answered. Where there is more than one question may cost, what could be cheapest, soonest or surest is looked at
 * first.
 *
 * @phpstan-import-type WholeWayShape from WayAnswer
 *
 * @phpstan-type WaysShape array{
 *     ways: list<WholeWayShape>, left_out: list<array{what: string, why: Phrase, count: int}>,
 *     ask: list<array{question: Phrase, about: string, narrows: float}>, stopped_early: bool,
 *     warnings: list<array{code: string, message: Phrase}>, why_not?: array{forbidden: bool, why: Phrase|null, way: WholeWayShape|null}
 * }
 */
final readonly class WaysFinder
{
    /** Answered at most. */
    public const MOST = 8;

    /** Steps that are laid into hours for one question: about a second and a half. */
    private const REACH = 80_000;

    /** Of more ways than this what could be best is looked at first. */
    private const ALL_AT_ONCE = 1500;

    /** Money to the cent is asked for so many. */
    private const EXACT = 60;

    public function __construct(private Ground $ground, private int $reach = self::REACH) {}

    /**
     * @return WaysShape
     *
     * @throws BadInput
     */
    public function ask(Fields $in): array
    {
        $asked = WaysRequest::from($in, $this->ground->contacts, $this->ground->materials, $this->ground->ways);
        $leftOut = new LeftOut;
        $combiner = $this->combiner($asked, $leftOut);
        $drafter = $this->drafter($asked);
        $budget = new Budget($this->reach);
        $drafts = $this->drafts($asked, $combiner, $drafter, $leftOut, $budget);
        $measures = static fn (Draft $draft): array => $draft->measures();
        $chosen = $this->exactly($asked, Front::spread(Front::of($drafts, $measures), $measures, self::EXACT));
        $ways = array_map(static fn (WayAnswer $way): array => $way->toArray(), $chosen);

        return [
            'ways' => $ways, 'left_out' => $leftOut->toArray(),
            'ask' => (new Questions($this, $asked, $chosen))->toArray(),
            'stopped_early' => $budget->isShort(), 'warnings' => Warning::all($this->warnings($asked, $ways, $budget->isShort())),
            ...($asked->whyNot === null ? [] : ['why_not' => (new WhyNot($asked, $this->ground, $combiner, $drafter))->toArray()]),
        ];
    }

    public function combiner(WaysRequest $asked, LeftOut $leftOut): Combiner
    {
        $contacts = $asked->contacts($this->ground->contacts);
        $shelf = array_values(
            array_filter(
                Candidate::on($this->ground->materials, $contacts), static fn (Candidate $one): bool => isset($asked->bases[$one->code]),
            ),
        );

        return new Combiner(
            $asked, $this->ground->ways, $this->ground->moulds, $contacts, new Meetings($contacts, $shelf, $this->ground->ways), $leftOut,
        );
    }

    public function drafter(WaysRequest $asked): Drafter
    {
        return new Drafter(
            $asked, $this->ground->ways, $this->ground->moulds, $this->ground->wear, $this->ground->materials, $this->ground->casting,
            new Families($this->ground->contacts),
        );
    }

    /** The same question with something answered otherwise. */
    public function otherwise(Fields $in): WaysRequest
    {
        return WaysRequest::from($in, $this->ground->contacts, $this->ground->materials, $this->ground->ways);
    }

    /** @return \Generator<Draft> */
    private function drafts(WaysRequest $asked, Combiner $combiner, Drafter $drafter, LeftOut $leftOut, Budget $budget): \Generator
    {
        $all = iterator_to_array($combiner->all(), false);
        $isMore = count($all) > self::ALL_AT_ONCE;
        foreach ($isMore ? AtBest::first($all, $asked, $this->ground->ways, $drafter->rubbers) : $all as $way) {
            $before = $drafter->laid;
            $draft = $drafter->draft($way);
            if (! $budget->spend($drafter->laid - $before)) {
                return;
            }
            if ($draft instanceof Draft) {
                yield $draft;
            } else {
                $leftOut->add($way->rack === null ? "{$way->kind} in {$way->code()}" : "rack {$way->rack['id']}", $draft, 1);
            }
        }
    }

    /**
     * With money to the cent, as `cost` has it, and what is bought in beside them.
     *
     * @param  list<Draft>  $drafts
     * @return list<WayAnswer>
     */
    private function exactly(WaysRequest $asked, array $drafts): array
    {
        $answers = array_map(static fn (Draft $draft): WayAnswer => WayAnswer::of($draft, $asked), $drafts);
        if ($asked->buyIn !== null) {
            $answers[] = WayAnswer::boughtIn($asked->buyIn, $asked, $this->ground->ways);
        }
        $measures = static fn (WayAnswer $way): array => $way->measures();

        return Front::spread(Front::of($answers, $measures), $measures, self::MOST);
    }

    /**
     * @param  list<WholeWayShape>  $ways
     * @return list<Warning>
     */
    private function warnings(WaysRequest $asked, array $ways, bool $isShort): array
    {
        $warnings = [];
        if ($asked->bases === []) {
            $warnings[] = new Warning('empty_shelf', Phrase::of('ways.empty_shelf'));
        }
        if ($ways === []) {
            $warnings[] = new Warning('no_way', Phrase::of('ways.no_way'));
        } elseif (array_filter($ways, static fn (array $way): bool => $way['late_min'] <= 0.0) === []) {
            $warnings[] = new Warning('all_late', Phrase::of('ways.all_late'));
        }
        if ($isShort) {
            $warnings[] = new Warning('stopped_early', Phrase::of('ways.stopped_early'));
        }

        return $warnings;
    }
}
