<?php

declare(strict_types=1);

namespace Apalos\Core\Console;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Mesh\Coarse;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\PhraseData;
use Apalos\Core\Piece\PieceStudy;
use Apalos\Core\Piece\StudyRequest;
use Apalos\Core\Piece\StudyShape;
use Closure;
use SplFileObject;

/**
 * `bin/apalos study FILE`: the one verb that reads a file. With --keep PATH it leaves there, beside the answer, what a picture of the
 * study needs; its words then stand as codes and quantities, to be said in whatever measures they are read in.
 */
final readonly class StudyCommand
{
    public const NAME = 'study';

    /** Facets a picture is drawn with. */
    private const DRAWN = 150_000;

    /**
     * @param  Closure(string): ?SplFileObject  $open  a file by name, `-` what comes in; null where there is none
     * @param  Closure(string, float): void  $tell  what is being done, and how far it is
     */
    public function __construct(private Closure $open, private Closure $tell) {}

    /**
     * @param  list<string>  $words  behind the verb
     * @return array{mixed, array<string, string>} the answer, and files to write
     *
     * @throws BadInput
     */
    public function run(array $words): array
    {
        $at = array_search('--keep', $words, true);
        $keep = $at === false ? null : $words[$at + 1] ?? throw BadInput::missing('keep');
        if ($at !== false) {
            array_splice($words, $at, 2);
        }
        [$name, $asked] = StudyRequest::written($words);
        $file = ($this->open)($name) ?? throw BadInput::at('file', Phrase::of('piece.not_there', ['file' => mb_scrub($name)]));
        $result = (new PieceStudy)->study($file, $name, $asked, $this->tell);
        $answer = $result->toArray();
        if ($keep === null) {
            return [$answer, []];
        }
        $coarse = Coarse::of($result->survey->mesh, self::DRAWN);

        return [$answer, [
            "{$keep}.json" => json_encode(
                PhraseData::of($answer + StudyShape::notes($result)), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION,
            ),
            "{$keep}.mesh" => StudyShape::mesh($coarse),
            "{$keep}.states" => StudyShape::states($coarse, $result->pulls[0]->states),
        ]];
    }
}
