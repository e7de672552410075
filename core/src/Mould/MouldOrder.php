<?php

declare(strict_types=1);

namespace Apalos\Core\Mould;

use Apalos\Core\Phrase\Phrase;

/** Why the kinds stand in this order: what decides between neighbours, and what would have to be otherwise for another to come first. */
final readonly class MouldOrder
{
    /** Quantities at which the reasons of the library part ways. */
    private const CASTS = [3, 10, 30, 80, 200];

    private const MOST = 2;

    public function __construct(private MouldChooser $chooser) {}

    /**
     * @param  list<RankedMould>  $ranked  best first
     * @return array<string, Phrase> why a kind stands before the next one, by its id
     */
    public function between(array $ranked): array
    {
        $why = [];
        foreach ($ranked as $i => $mould) {
            $next = $ranked[$i + 1] ?? null;
            $decides = $next === null ? null : $this->decides($mould, $next);
            if ($decides !== null) {
                $why[$mould->kind] = $decides;
            }
        }

        return $why;
    }

    /** The reason that moves the two farthest apart, of either of them. */
    private function decides(RankedMould $one, RankedMould $other): ?Phrase
    {
        [$most, $text, $isFor] = [0.0, '', true];
        foreach ($one->weights as $reason => $add) {
            if ($add - ($other->weights[$reason] ?? 0.0) > $most) {
                [$most, $text, $isFor] = [$add - ($other->weights[$reason] ?? 0.0), $reason, true];
            }
        }
        foreach ($other->weights as $reason => $add) {
            if (-$add + ($one->weights[$reason] ?? 0.0) > $most) {
                [$most, $text, $isFor] = [-$add + ($one->weights[$reason] ?? 0.0), $reason, false];
            }
        }
        if ($most <= 0.0) {
            return $one->score > $other->score || $one->hours >= $other->hours ? null : Phrase::of('mould.quicker');
        }

        return Phrase::of($isFor ? 'mould.decides_for' : 'mould.decides_against', [
            'why' => Phrase::written($text), 'other' => $other->name,
        ]);
    }

    /**
     * @param  list<RankedMould>  $ranked  best first, for this piece
     * @return array<string, list<Phrase>> single changes of the piece that would bring a kind to the front, by its id
     */
    public function swings(PieceRequest $piece, array $ranked): array
    {
        $first = $ranked[0]->kind ?? '';
        $objections = $this->chooser->objectionsTo($piece);
        $swings = [];
        foreach ($this->changes($piece) as [$changed, $says]) {
            $wins = $this->chooser->choose($changed, $objections)->ranked[0]->kind ?? '';
            if ($wins !== $first && count($swings[$wins] ?? []) < self::MOST) {
                $swings[$wins][] = $says;
            }
        }

        return $swings;
    }

    /** @return \Generator<array{PieceRequest, Phrase}> */
    private function changes(PieceRequest $piece): \Generator
    {
        foreach ([
            'undercuts' => ['none', 'slight', 'deep'], 'detail' => ['plain', 'fine', 'hair'], 'budget' => ['thrifty', 'normal', 'ample'],
        ] as $what => $words) {
            foreach ($words as $word) {
                if ($piece->words[$what] !== $word && ($what !== 'undercuts' || $piece->mesh === null)) {
                    yield [$piece->with(words: [$what => $word]), Phrase::of("mould.if_{$what}_{$word}")];
                }
            }
        }
        foreach (['flat_back', 'hollow', 'original_may_be_lost'] as $flag) {
            $turned = ! $piece->flags[$flag];
            yield [$piece->with(flags: [$flag => $turned]), Phrase::of("mould.if_{$flag}_".($turned ? 'yes' : 'no'))];
        }
        foreach (self::CASTS as $casts) {
            if ($casts < $piece->casts / 1.5 || $casts > $piece->casts * 1.5) {
                yield [
                    $piece->with(casts: $casts),
                    Phrase::of($casts < $piece->casts ? 'mould.if_fewer' : 'mould.if_more', ['casts' => $casts]),
                ];
            }
        }
    }
}
