<?php

declare(strict_types=1);

namespace Apalos\Core\Tint;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Result\Budget;

/**
 * A question of colour: what these loads look like, or which loads come nearest a target, at a thickness in mm over a backing.
 * With `batch_g` and `division_g` every load is one the scale can weigh in that batch.
 */
final readonly class TintRequest
{
    private const USUAL_MOST_PIGMENTS = 3;

    /** What one question may take in all. */
    private const STEPS = 9_000_000;

    /** The rest is for the search. */
    private const FOR_DRAWDOWNS = 0.7;

    /**
     * @param  list<Colourant>  $pigments
     * @param  array<string, float>|null  $loads  per cent by name
     * @param  float|null  $stepPct  what one step of the scale is in per cent of the batch
     * @param  Budget  $budget  what is left for the search
     * @param  Depth|null  $depth  how much shows through, where that is wanted
     */
    private function __construct(
        public Colourant $base, public array $pigments, public ?array $loads, public ?Lab $target, public float $mm, public Lab $backing,
        public float $maxLoad, public int $mostPigments, public ?float $stepPct, public Budget $budget, public ?Depth $depth,
    ) {}

    /** @throws BadInput */
    public static function from(Fields $in): self
    {
        $in->only(
            'base', 'pigments', 'loads', 'target', 'thickness_mm', 'backing_lab', 'max_load_pct', 'max_pigments', 'batch_g', 'division_g',
        );
        $budget = new Budget(self::STEPS);
        $all = $in->objects('pigments');
        $drawing = $budget->part(self::FOR_DRAWDOWNS);
        $base = Colourant::from($in->object('base')->only('ks', 'drawdowns'), 'the base', null, $drawing->part(1.0 / (1 + count($all))));
        $pigments = [];
        foreach ($all as $i => $pigment) {
            $pigment->only('name', 'ks', 'drawdowns');
            $name = $pigment->text('name');
            if (isset($pigments[$name])) {
                throw BadInput::at($pigment->at('name'), Phrase::of('tint.two_pigments', ['name' => $name]));
            }
            $pigments[$name] = Colourant::from($pigment, $name, $base, $drawing->part(1.0 / (count($all) - $i)));
        }
        $loads = self::loads($in->objectOrNull('loads'), $pigments);
        $target = $in->objectOrNull('target')?->only('lab', 'depth');
        $depth = $target?->objectOrNull('depth');
        if ($loads === null && $target === null) {
            throw BadInput::at($in->at('target'), Phrase::of('tint.no_question'));
        }
        $batch = $in->positiveOrNull('batch_g');
        $division = $in->positiveOrNull('division_g', 1000.0);

        return new self(
            $base, array_values($pigments), $loads, $target === null ? null : Lab::from($target, 'lab'),
            $in->positive('thickness_mm', 200.0), Lab::from($in, 'backing_lab'), $in->positive('max_load_pct', 50.0),
            $in->has('max_pigments') ? (int) $in->number('max_pigments', 1.0, 6.0) : self::USUAL_MOST_PIGMENTS,
            $batch === null || $division === null ? null : 100.0 * $division / $batch, $budget->part(1.0),
            $depth === null ? null : Depth::from($depth, $in->positive('thickness_mm', 200.0)),
        );
    }

    /**
     * @param  array<string, Colourant>  $pigments
     * @return array<string, float>|null
     */
    private static function loads(?Fields $in, array $pigments): ?array
    {
        if ($in === null) {
            return null;
        }
        $loads = [];
        foreach ($in->names() as $name) {
            if (! isset($pigments[$name])) {
                throw BadInput::at($in->at($name), Phrase::of('tint.unknown_pigment', ['name' => $name]));
            }
            $loads[$name] = $in->number($name, 0.0, 100.0);
        }

        return $loads;
    }
}
