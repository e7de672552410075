<?php

declare(strict_types=1);

namespace Apalos\Core\Mould;

use Apalos\Core\Contact\Knowledge;
use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;

/**
 * A piece as mould choice asks about it: size in mm, undercuts, detail, casts wanted, what is cast and how hot, the original,
 * skin, budget; and what a study of its mesh found, where there is one.
 */
final readonly class PieceRequest
{
    private const WORDS = [
        'undercuts' => ['none', 'slight', 'deep'], 'detail' => ['plain', 'fine', 'hair'], 'budget' => ['thrifty', 'normal', 'ample'],
    ];

    /**
     * @param  array{float, float, float}  $size  length, width, height in mm
     * @param  array<string, string>  $words  undercuts, detail, budget, casting, original_surface
     * @param  array<string, bool>  $flags  flat_back, hollow, skin, original_may_be_lost
     * @param  array{undercut_depth_mm: float|null, stretch_pct: float|null, volume_ml: float|null, area_mm2: float|null}|null  $mesh
     */
    private function __construct(
        public array $size,
        public array $words,
        public array $flags,
        public int $casts,
        public float $heatC,
        public float $hourRate,
        public ?array $mesh,
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in, Knowledge $knowledge): self
    {
        $in->only(
            'size_mm', 'undercuts', 'detail', 'casts', 'casting', 'original', 'flat_back', 'hollow', 'skin', 'budget', 'hour_rate', 'mesh',
        );
        $size = $in->object('size_mm')->only('l', 'w', 'h');
        $casting = $in->object('casting')->only('family', 'heat_c');
        $original = $in->object('original')->only('surface', 'may_be_lost');
        $words = [
            'casting' => $knowledge->family($casting->text('family'), $casting->at('family'))->id,
            'original_surface' => $knowledge->surface($original->text('surface'), $original->at('surface'))->id,
        ];
        foreach (self::WORDS as $key => $known) {
            $word = $in->text($key);
            if (! in_array($word, $known, true)) {
                throw BadInput::at($in->at($key), Phrase::of('mould.no_choice', ['known' => implode(', ', $known), 'word' => $word]));
            }
            $words[$key] = $word;
        }
        $mesh = $in->objectOrNull('mesh')?->only('undercut_depth_mm', 'stretch_pct', 'volume_ml', 'area_mm2');

        return new self(
            [$size->positive('l', 5000.0), $size->positive('w', 5000.0), $size->positive('h', 5000.0)],
            $words,
            [
                'flat_back' => $in->bool('flat_back'), 'hollow' => $in->bool('hollow'), 'skin' => $in->bool('skin'),
                'original_may_be_lost' => $original->bool('may_be_lost'),
            ],
            (int) $in->number('casts', 1.0, 100_000.0),
            $casting->number('heat_c', 0.0, 400.0),
            $in->numberOrNull('hour_rate', 0.0, 1000.0) ?? 0.0,
            $mesh === null ? null : [
                'undercut_depth_mm' => $mesh->numberOrNull('undercut_depth_mm'), 'stretch_pct' => $mesh->numberOrNull('stretch_pct'),
                'volume_ml' => $mesh->positiveOrNull('volume_ml'), 'area_mm2' => $mesh->positiveOrNull('area_mm2', 1e8),
            ],
        );
    }

    /**
     * The same piece with something said otherwise.
     *
     * @param  array<string, string>  $words
     * @param  array<string, bool>  $flags
     */
    public function with(array $words = [], array $flags = [], ?int $casts = null): self
    {
        return new self(
            $this->size, [...$this->words, ...$words], [...$this->flags, ...$flags], $casts ?? $this->casts, $this->heatC, $this->hourRate,
            $this->mesh,
        );
    }

    /** What the mesh measured outranks the word: under a millimetre is none, past five is deep. */
    public function undercuts(): string
    {
        $depth = $this->mesh['undercut_depth_mm'] ?? null;

        return $depth === null ? $this->words['undercuts'] : ($depth < 1.0 ? 'none' : ($depth < 5.0 ? 'slight' : 'deep'));
    }

    public function volumeMl(): float
    {
        // A sculpted piece fills about half of its outer box.
        return $this->mesh['volume_ml'] ?? 0.52 * array_product($this->size) / 1000.0;
    }

    public function areaMm2(): float
    {
        [$l, $w, $h] = $this->size;

        // An ellipsoid of these sides (Knud Thomsen's approximation, p = 1.6075), a fifth more for what is modelled on it.
        $p = 1.6075;
        [$a, $b, $c] = [($l / 2) ** $p, ($w / 2) ** $p, ($h / 2) ** $p];

        return $this->mesh['area_mm2'] ?? 1.2 * 4.0 * M_PI * (($a * $b + $a * $c + $b * $c) / 3.0) ** (1.0 / $p);
    }

    /** @param  array<string, list<string>|array{over?: float, under?: float}>  $when */
    public function meets(array $when): bool
    {
        foreach ($when as $what => $wanted) {
            $is = match ($what) {
                'size_mm' => max($this->size),
                'size_h_mm' => min($this->size),
                'casts' => (float) $this->casts,
                'heat_c' => $this->heatC,
                'undercuts' => $this->undercuts(),
                default => $this->words[$what] ?? (
                    isset($this->flags[$what])
                    ? ($this->flags[$what] ? 'true' : 'false')
                    : throw BadInput::at('when', Phrase::of('mould.unknown_reason', ['what' => $what]))
                ),
            };
            $met = is_float($is)
                ? (! isset($wanted['over']) || $is > $wanted['over']) && (! isset($wanted['under']) || $is < $wanted['under'])
                : in_array($is, $wanted, true);
            if (! $met) {
                return false;
            }
        }

        return true;
    }
}
