<?php

declare(strict_types=1);

namespace Apalos\Core\Build;

use Apalos\Core\Contact\Intent;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Phrase\Quantity;

/** What an operation mixes: of what, on what, how much of it where that is known. */
final readonly class Mixing
{
    /**
     * @param  string|null  $base  house code; null for the material of the impression
     * @param  Intent  $intent  whether it has to bond to what it is laid on, or let go
     * @param  float|null  $thickness  mm over the area, of a coat
     * @param  float|null  $area  mm²
     * @param  float|null  $ml  where the amount is known as a volume; with an area it comes on top (undercuts filled)
     * @param  float|null  $thickener  % of A+B
     * @param  Part  $part  what of the whole it makes
     * @param  string|null  $casting  the way it is worked, where that is another than its material's own
     * @param  string|null  $tint  in words, other than the last one's, so that a thin place shows
     * @param  bool  $ownColour  what colours the operations before it does not run through into this one
     */
    public function __construct(
        public ?string $base,
        public Against $against,
        public Intent $intent,
        public ?float $thickness = null,
        public ?float $area = null,
        public ?float $ml = null,
        public ?float $thickener = null,
        public ?string $tint = null,
        public Part $part = Part::Layer,
        public ?string $casting = null,
        public bool $ownColour = false,
    ) {}

    /** @throws BadInput for coats no brush lays */
    public static function from(Fields $in): self
    {
        $in->only('base', 'against', 'intent', 'thickness_mm', 'area_mm2', 'ml', 'thickener_pct', 'tint', 'part', 'casting', 'own_colour');
        $thickness = $in->positiveOrNull('thickness_mm', 500.0);
        if ($thickness !== null && $thickness < 0.02) {
            throw BadInput::at($in->at('thickness_mm'), Phrase::of('build.thinner_than_a_brush', [
                'thickness' => Quantity::length($thickness), 'least' => Quantity::length(0.02),
            ]));
        }

        return new self(
            $in->textOrNull('base'), $in->has('against') ? $in->choice('against', Against::class) : Against::Original,
            $in->has('intent') ? $in->choice('intent', Intent::class) : Intent::Separate,
            $thickness, $in->positiveOrNull('area_mm2', 1e8), $in->positiveOrNull('ml'), $in->numberOrNull('thickener_pct', 0.0, 50.0),
            $in->textOrNull('tint'),
            $in->has('part') ? $in->choice('part', Part::class) : Part::Layer, $in->textOrNull('casting'),
            $in->has('own_colour') && $in->bool('own_colour'),
        );
    }

    /** What lies where it is meant to, in ml, without what is lost in the cup; null while the area is not known. */
    public function volume(): ?float
    {
        if ($this->thickness !== null) {
            return $this->area === null ? null : $this->area * $this->thickness / 1000.0 + ($this->ml ?? 0.0);
        }

        return $this->ml;
    }

    /**
     * @return array{
     *     base: string|null, against: string, intent: string, thickness_mm: float|null, area_mm2: float|null, ml: float|null,
     *     thickener_pct: float|null, tint: string|null, part: string, casting?: string, own_colour?: true,
     * }
     */
    public function toArray(): array
    {
        return [
            'base' => $this->base, 'against' => $this->against->value, 'intent' => $this->intent->value, 'thickness_mm' => $this->thickness,
            'area_mm2' => $this->area,
            'ml' => $this->ml, 'thickener_pct' => $this->thickener, 'tint' => $this->tint, 'part' => $this->part->value,
            ...($this->casting === null ? [] : ['casting' => $this->casting]),
            ...($this->ownColour ? ['own_colour' => true] : []),
        ];
    }
}
