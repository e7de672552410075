<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Mesh\LengthUnit;
use Apalos\Core\Mesh\ReadMesh;
use Apalos\Core\Mesh\Survey;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;
use Apalos\Core\Result\Warning;

/** What a maker should know of a mesh before trusting what it tells. */
final class StudyDoubts
{
    /** A piece shorter than this is one drawn in inches, or a bead: mm. */
    private const BEAD = 20.0;

    /** A piece longer than this is no bench's: mm. */
    private const GIANT = 2500.0;

    private const UNDERCUT_PCT = 2.0;

    /** @return list<Warning> */
    public static function of(ReadMesh $read, Survey $survey, Undercuts $seen, StudyRequest $asked): array
    {
        return [
            ...$read->warnings, ...iterator_to_array(self::mesh($read, $survey), false),
            ...iterator_to_array(self::size($read, $survey, $asked), false), ...iterator_to_array(self::pull($seen), false),
        ];
    }

    /** @return \Generator<Warning> */
    private static function mesh(ReadMesh $read, Survey $survey): \Generator
    {
        if ($survey->open > $survey->crowded) {
            yield new Warning('not_watertight', Phrase::of('piece.not_watertight', ['n' => $survey->open]));
        } elseif ($survey->crowded > 0) {
            yield new Warning('crowded_edges', Phrase::of('piece.crowded_edges', ['n' => $survey->crowded]));
        }
        if ($survey->flipped > 0) {
            yield new Warning('flipped', Phrase::of('piece.flipped', ['n' => $survey->flipped, 'of' => $survey->shells]));
        }
        if ($survey->united > 0) {
            yield new Warning('united', Phrase::of('piece.united', ['n' => $survey->united]));
        }
        if ($survey->apart) {
            yield new Warning('not_united', Phrase::of('piece.not_united'));
        }
        if ($survey->overlapping > 0) {
            yield new Warning('shells_inside', Phrase::of('piece.shells_inside', ['n' => $survey->overlapping]));
        }
        if ($survey->inner > 0) {
            yield new Warning('rooms_inside', Phrase::of('piece.rooms_inside', ['n' => $survey->inner]));
        }
        if ($survey->shells - $survey->inner - $survey->overlapping > 1) {
            yield new Warning('several_pieces', Phrase::of('piece.several_pieces', [
                'n' => $survey->shells - $survey->inner - $survey->overlapping,
            ]));
        }
        if ($read->dropped > 0) {
            yield new Warning('degenerate', Phrase::of('piece.degenerate', ['n' => $read->dropped]));
        }
        if (abs($survey->volume) < 1e-6) {
            yield new Warning('no_volume', Phrase::of('piece.no_volume'));
        }
    }

    /** @return \Generator<Warning> */
    private static function size(ReadMesh $read, Survey $survey, StudyRequest $asked): \Generator
    {
        $longest = max($survey->bounds->size());
        if ($asked->unit === null && ! $read->says && $read->unit === LengthUnit::Millimetre && $longest < self::BEAD) {
            yield new Warning('maybe_inches', Phrase::of('piece.maybe_inches', [
                'long' => Quantity::length($longest), 'inches' => Quantity::length($longest * LengthUnit::Inch->length()),
            ]));
        }
        if ($longest > self::GIANT) {
            yield new Warning('very_large', Phrase::of('piece.very_large', ['long' => Quantity::length($longest)]));
        }
    }

    /** @return \Generator<Warning> */
    private static function pull(Undercuts $seen): \Generator
    {
        if ($seen->pct() > self::UNDERCUT_PCT) {
            yield new Warning('undercuts', Phrase::of($seen->onePart ? 'piece.undercut_one' : 'piece.undercut', ['pct' => $seen->pct()]));
        }
    }
}
