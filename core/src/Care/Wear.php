<?php

declare(strict_types=1);

namespace Apalos\Core\Care;

use Apalos\Core\Contact\Family;
use Apalos\Core\Input\Fields;

/** How many casts moulds usually stand, by what they are of and what is cast in them: read from a library. */
final readonly class Wear
{
    /** @param  list<array{mould: list<string>, cast: list<string>, released: bool|null, pairing: Pairing}>  $pairings */
    private function __construct(private array $pairings, private Pairing $unknown, public Strain $strain) {}

    /** @param  array<array-key, mixed>  $read */
    public static function of(array $read): self
    {
        $in = Fields::of($read, 'wear')->only('spread', 'unknown', 'pairings', 'rubber');
        $spread = $in->number('spread', 0.05, 2.0);
        $made = static fn (Fields $one): Pairing => new Pairing($one->number('median', 1.0), $spread, $one->text('longer'));

        return new self(array_map(static fn (Fields $one): array => [
            'mould' => $one->only('mould', 'cast', 'released', 'median', 'longer')->strings('mould'), 'cast' => $one->strings('cast'),
            'released' => $one->has('released') ? $one->bool('released') : null, 'pairing' => $made($one),
        ], $in->objects('pairings')), $made($in->object('unknown')), Strain::from($in->object('rubber')));
    }

    /**
     * As the rubber and the piece have it.
     *
     * @param  bool|null  $released  whether a release goes on before every cast; null where nobody says
     * @param  float|null  $tear  N/mm of its rubber
     * @param  float|null  $shoreA  hardness of its rubber
     * @param  string|null  $undercuts  of the piece: none, slight, deep
     */
    public function here(?Family $mould, ?Family $cast, ?bool $released, ?float $tear, ?float $shoreA, ?string $undercuts = null): Pairing
    {
        $usual = $this->usual($mould, $cast, $released);
        // One cast is one cast, whatever it is of.
        $factor = $mould === null || $cast === null || $usual->median <= 1.0
            ? 1.0
            : $this->strain->factor($mould, $cast, $tear, $shoreA, $undercuts);

        return $factor === 1.0 ? $usual : new Pairing(max(1.0, $usual->median * $factor), $usual->spread, $usual->longer);
    }

    /** @param  bool|null  $released  whether a release goes on before every cast; null where nobody says */
    public function usual(?Family $mould, ?Family $cast, ?bool $released): Pairing
    {
        if ($mould === null || $cast === null) {
            return $this->unknown;
        }
        foreach ($this->pairings as $pairing) {
            if (
                $mould->isAnyOf($pairing['mould'])
                && $cast->isAnyOf($pairing['cast'])
                && ($pairing['released'] === null || $pairing['released'] === ($released ?? false))
            ) {
                return $pairing['pairing'];
            }
        }

        return $this->unknown;
    }
}
