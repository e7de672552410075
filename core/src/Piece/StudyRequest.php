<?php

declare(strict_types=1);

namespace Apalos\Core\Piece;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Mesh\Direction;
use Apalos\Core\Mesh\LengthUnit;
use Apalos\Core\Mesh\MeshFormat;
use Apalos\Core\Phrase\Phrase;

/** What is asked of a mesh: in which unit it is drawn, the pull and the way up (or to find them), one part or two, the wall. */
final readonly class StudyRequest
{
    private const MEASURES = ['--wall' => 'wall_mm', '--shore' => 'shore_a', '--seam' => 'seam_mm'];

    private const AUTO = 'auto';

    private const USUAL_WALL = 12.0;

    public function __construct(
        public ?MeshFormat $format = null,
        public ?LengthUnit $unit = null,
        public ?Direction $pull = null,
        public ?Direction $pour = null,
        public bool $onePart = false,
        public ?float $wallMm = null,
        public ?Sides $sides = null,
        public ?School $school = null,
        public ?float $shoreA = null,
        public ?float $seamMm = null,
        public ?Floater $floats = null,
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only('format', 'units', 'pull', 'pour', 'one_part', 'wall_mm', 'sides', 'school', 'shore_a', 'seam_mm', 'float');

        return new self(
            $in->has('format') ? $in->choice('format', MeshFormat::class) : null,
            $in->has('units') ? $in->choice('units', LengthUnit::class) : null,
            self::way($in, 'pull'),
            self::way($in, 'pour'),
            $in->has('one_part') && $in->bool('one_part'),
            $in->numberOrNull('wall_mm', 0.0, 500.0),
            Sides::from($in->objectOrNull('sides')),
            $in->has('school') ? $in->choice('school', School::class) : null,
            $in->numberOrNull('shore_a', 0.0, 100.0),
            $in->numberOrNull('seam_mm', 0.0, 20_000.0),
            $in->has('float') ? Floater::from($in->object('float')) : null,
        );
    }

    /** In mm: as said, else as the school leaves it, else the standard. */
    public function margin(float $longestMm): float
    {
        return $this->wallMm ?? $this->school?->margin($longestMm, $this->shoreA) ?? self::USUAL_WALL;
    }

    private static function way(Fields $in, string $key): ?Direction
    {
        $text = $in->textOrNull($key);

        return $text === null || $text === self::AUTO ? null : Direction::written($text, $in->at($key));
    }

    /**
     * As it is written behind the verb: `study FILE --units mm --pull auto --pour 0,0,1 --one-part --wall 12`.
     *
     * @param  list<string>  $words
     * @return array{string, self} the file, `-` for standard input
     *
     * @throws BadInput
     */
    public static function written(array $words): array
    {
        $file = null;
        $in = [];
        for ($i = 0, $n = count($words); $i < $n; $i++) {
            $word = $words[$i];
            if ($word === '--one-part') {
                $in['one_part'] = true;
            } elseif (in_array($word, ['--units', '--pull', '--pour', '--format', '--school'], true)) {
                $in[substr($word, 2)] = $words[++$i] ?? throw BadInput::missing(substr($word, 2));
            } elseif (isset(self::MEASURES[$word])) {
                $number = $words[++$i] ?? throw BadInput::missing(self::MEASURES[$word]);
                $in[self::MEASURES[$word]] = is_numeric($number) ? (float) $number : $number;
            } elseif ($word === '--sides' || $word === '--float') {
                $written = json_decode($words[++$i] ?? throw BadInput::missing(substr($word, 2)), true);
                $in[substr($word, 2)] = is_array($written)
                    ? $written
                    : throw BadInput::at(substr($word, 2), Phrase::of('piece.not_json', ['word' => $word]));
            } elseif (str_starts_with($word, '--') && $word !== '--json') {
                throw BadInput::at(ltrim($word, '-'), Phrase::of('piece.unknown_option', ['word' => $word]));
            } elseif ($word !== '--json') {
                $file = $file === null ? $word : throw BadInput::at('file', Phrase::of('piece.one_file'));
            }
        }
        if ($file === null) {
            throw BadInput::at('file', Phrase::of('piece.no_file'));
        }
        if ($file === '-' && ! isset($in['format'])) {
            throw BadInput::at('format', Phrase::of('piece.say_format'));
        }

        return [$file, self::from(Fields::of($in))];
    }
}
