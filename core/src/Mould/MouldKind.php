<?php

declare(strict_types=1);

namespace Apalos\Core\Mould;

use Apalos\Core\Input\Fields;

/** A kind of mould: its parts, chemistries, hours, and what speaks for and against it. */
final readonly class MouldKind
{
    /**
     * @param  list<string>  $chemistry
     * @param  list<string>  $parts
     * @param  list<Reason>  $reasons
     */
    private function __construct(public string $id, public string $name, public string $rubber, public array $chemistry, public array $parts, public float $hours, public array $reasons) {}

    public static function from(string $id, Fields $in): self
    {
        return new self($id, $in->text('name'), $in->text('rubber'), $in->strings('chemistry'), $in->strings('parts'), $in->positive('hours', 200.0), array_map(Reason::from(...), $in->objects('reasons')));
    }

    /** Millilitres of rubber (or resin, or plaster) for a piece, with a margin in mm around it. */
    public function materialMl(PieceRequest $piece, float $marginMm): float
    {
        [$l, $w, $h] = $piece->size;
        $box = ($l + 2 * $marginMm) * ($w + 2 * $marginMm) * ($h + 2 * $marginMm) / 1000.0;

        return match ($this->rubber) {
            'putty' => $piece->areaMm2() * 7.0 / 1000.0,
            'glove' => $piece->areaMm2() * 6.0 / 1000.0,
            'matrix' => $piece->areaMm2() * 10.0 / 1000.0,
            'shell' => 1.6 * $piece->areaMm2() * 8.0 / 1000.0,
            'flat' => max(0.0, ($l + 2 * $marginMm) * ($w + 2 * $marginMm) * (min($piece->size) + $marginMm) / 1000.0 - $piece->volumeMl()),
            'none' => 0.5 * $piece->areaMm2() * 6.0 / 1000.0,
            default => max(0.0, $box - $piece->volumeMl()),
        };
    }
}
