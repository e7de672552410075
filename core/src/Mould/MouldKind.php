<?php

declare(strict_types=1);

namespace Apalos\Core\Mould;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/** A kind of mould: its parts, chemistries, hours, and what speaks for and against it. */
final readonly class MouldKind
{
    /**
     * @param  list<string>  $chemistry
     * @param  list<string>  $parts
     * @param  list<Reason>  $reasons
     * @param  bool  $jacketed  it holds its shape in a shell of its own
     * @param  int|null  $lasts  casts, where the kind itself says how many; null where its rubber and the cast do
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $rubber,
        public Wall $wall,
        public array $chemistry,
        public array $parts,
        public float $hours,
        public array $reasons,
        public ?int $lasts = null,
        public bool $jacketed = false,
    ) {}

    /** @param  array<string, Wall>  $walls  by what a kind is made of */
    public static function from(string $id, Fields $in, array $walls): self
    {
        $rubber = $in->text('rubber');
        $wall = $walls[$rubber] ?? throw BadInput::at($in->at('rubber'), Phrase::of('mould.unknown_wall', ['rubber' => $rubber]));

        return new self(
            $id, $in->text('name'), $rubber, $wall, $in->strings('chemistry'), $in->strings('parts'), $in->positive('hours', 200.0),
            array_map(Reason::from(...), $in->objects('reasons')),
            ($lasts = $in->numberOrNull('lasts', 1.0)) === null ? null : (int) $lasts, $in->has('jacket') && $in->bool('jacket'),
        );
    }
}
