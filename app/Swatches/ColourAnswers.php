<?php

declare(strict_types=1);

namespace App\Swatches;

use Apalos\Core\Input\BadInput;
use Apalos\Core\Input\Fields;
use Apalos\Core\Material\AdditiveRole;
use Apalos\Core\Mix\Basis;
use Apalos\Core\Mix\Into;
use Apalos\Core\Phrase\Phrase;
use Apalos\Core\Tint\Colourant;
use Apalos\Core\Tint\Depth;
use Apalos\Core\Tint\Lab;
use Apalos\Core\Tint\Mixture;
use Apalos\Core\Tint\Spectrum;
use Apalos\Core\Tint\Tinter;
use Apalos\Core\Tint\TintResult;
use App\Library\Library;
use App\Models\Workshop;
use App\PourSheets\EqualCups;
use App\PourSheets\PlannedBatch;

/**
 * Colour asked with the shop's own drawdowns: which pigments for a colour, or what a recipe looks like.
 *
 * @phpstan-import-type LineShape from PlannedBatch
 */
final readonly class ColourAnswers
{
    /** Backings by name, as a maker has them at hand. */
    public const BACKINGS = ['light' => [92.0, 0.0, 2.0], 'dark' => [22.0, 0.0, 0.0]];

    /** Shares of the recipe in a ladder, in per cent. */
    private const RUNGS = [12.5, 25.0, 50.0, 100.0, 200.0];

    private const USUAL_MAX_PCT = 3.0;

    public function __construct(
        private ColourBook $colours,
        private Library $library,
        private Workshop $workshop,
        private PlannedBatch $batches,
        private Tinter $tinter = new Tinter,
    ) {}

    /** @throws BadInput */
    public function answer(Fields $in): ColourAnswerView
    {
        $in->only('base', 'target', 'loads', 'thickness_mm', 'backing', 'max_pigments', 'pigments', 'batch', 'depth');
        $code = $in->text('base');
        $base = $this->colours->base($code);
        $loads = $in->objectOrNull('loads');
        $pigments = $this->pigments($code, $loads?->names() ?? $in->strings('pigments'), $loads === null && ! $in->has('pigments'));
        $target = self::target($in->objectOrNull('target'));
        if ($target === null && $loads === null) {
            $loads = Fields::of([]);
        }
        $mm = $in->positive('thickness_mm', 200.0);
        $depth = $in->objectOrNull('depth');
        // Asked here as the tinter asks it, so that what is wrong is said beside its own field.
        $depth === null || Depth::from($depth, $mm);
        $backing = self::backing($in);
        [$cup, $wrong] = $this->cup($code, $in->objectOrNull('batch'));
        $ks = static fn (Colourant $colourant): array => ['k' => $colourant->k, 's' => $colourant->s];
        $byName = $loads === null
            ? null
            : array_combine(
                array_map(fn (string $c): string => $pigments[$c]->name, $loads->names()),
                array_map(static fn (string $c): float => $loads->number($c, 0.0, 100.0), $loads->names()),
            );
        $answer = $this->tinter->ask(Fields::of(array_filter([
            'base' => ['ks' => $ks($base)],
            'pigments' => array_values(array_map(static fn (Colourant $p): array => ['name' => $p->name, 'ks' => $ks($p)], $pigments)),
            'loads' => $byName,
            'target' => $target === null ? null : ['lab' => $target->toArray(), ...($depth === null ? [] : ['depth' => $depth->toArray()])],
            'thickness_mm' => $mm, 'backing_lab' => $backing->toArray(), 'max_load_pct' => $this->limit($code),
            'max_pigments' => $in->numberOrNull('max_pigments', 1.0, 6.0),
            'batch_g' => $cup?->each, 'division_g' => $cup === null ? null : $this->workshop->scale_division_g,
        ], static fn (mixed $value): bool => $value !== null)));
        assert($answer instanceof TintResult);

        return new ColourAnswerView(
            $answer, $target, $pigments, $this->library, $this->limit($code), $cup, $wrong,
            $this->ladder($base, $pigments, $answer, $mm, $backing),
        );
    }

    /**
     * The pigments of a sheet's recipe, so many per cent of everything each.
     *
     * @return list<LineShape>
     *
     * @throws BadInput
     */
    public function lines(string $base, Fields $loads): array
    {
        $shelf = $this->library->shelf();
        $into = $shelf->base($base)->limitFor(AdditiveRole::Pigment)->into ?? Into::A;
        $known = array_filter($this->colours->pigments($base), static fn (array $p): bool => $p['drawdowns'] > 0);
        $codes = array_map(static fn (array $p): string => $p['sheet']->code, $known);
        $lines = [];
        foreach ($loads->only(...$codes)->names() as $code) {
            $lines[] = PlannedBatch::line($shelf->additive($code), round($loads->number($code, 0.0, 100.0), 4), Basis::OfTotal, $into);
        }

        return $lines === [] ? throw BadInput::at('loads', Phrase::of('bench.no_pigment_in_it')) : $lines;
    }

    /**
     * The cup the pigments are pinched into: they must be weighable in each one.
     *
     * @return array{EqualCups|null, Phrase|null} and why there is none
     */
    private function cup(string $base, ?Fields $batch): array
    {
        if ($batch === null) {
            return [null, null];
        }
        try {
            $mix = $this->batches->weigh($this->library->shelf()->base($base), [], $batch);
        } catch (BadInput $wrong) {
            return [null, $wrong->says];
        }

        return [new EqualCups($mix->batches[0]->mass->g, count($mix->batches)), null];
    }

    /** @throws BadInput for #rrggbb or Lab that is no colour */
    public static function target(?Fields $in): ?Lab
    {
        if ($in === null) {
            return null;
        }
        $in->only('lab', 'hex');

        return $in->has('hex') ? Lab::ofHex($in->text('hex'), $in->at('hex')) : Lab::from($in, 'lab');
    }

    /** The most pigment the base bears, in per cent of everything. */
    public function limit(string $base): float
    {
        $limit = $this->library->shelf()->base($base)->limitFor(AdditiveRole::Pigment);

        return $limit !== null && $limit->basis !== Basis::DropsPer100g ? $limit->max : self::USUAL_MAX_PCT;
    }

    private static function backing(Fields $in): Lab
    {
        $said = $in->toArray()['backing'] ?? 'light';
        if (is_array($said)) {
            return Lab::from($in, 'backing');
        }
        $lab = self::BACKINGS[is_string($said) ? $said : ''] ?? throw BadInput::at('backing', Phrase::of('bench.say_what_lies_behind'));

        return Lab::of(...$lab);
    }

    /**
     * @param  list<string>  $codes
     * @param  bool  $all  every pigment that was characterised, where none are named
     * @return array<string, Colourant> by house code
     */
    private function pigments(string $base, array $codes, bool $all): array
    {
        if ($all) {
            $codes = array_values(
                array_map(
                    static fn (array $p): string => $p['sheet']->code,
                    array_filter($this->colours->pigments($base), static fn (array $p): bool => $p['drawdowns'] > 0),
                ),
            );
        }
        $pigments = [];
        foreach ($codes as $code) {
            $pigments[$code] = $this->colours->pigment($code, $base);
        }

        return $pigments;
    }

    /**
     * @param  array<string, Colourant>  $pigments
     * @return list<array{share_pct: float, light: Lab, dark: Lab, here: Lab}>
     */
    private function ladder(Colourant $base, array $pigments, TintResult $answer, float $mm, Lab $backing): array
    {
        $in = array_values(array_filter($pigments, static fn (Colourant $p): bool => isset($answer->recipe->loads[$p->name])));
        if ($in === []) {
            return [];
        }
        $mixtures = array_map(
            static fn (Lab $behind): Mixture => new Mixture($base, $mm, Spectrum::of($behind)),
            ['light' => Lab::of(...self::BACKINGS['light']), 'dark' => Lab::of(...self::BACKINGS['dark']), 'here' => $backing],
        );

        return array_map(static function (float $pct) use ($in, $answer, $mixtures): array {
            $amounts = array_map(static fn (Colourant $p): float => $answer->recipe->loads[$p->name] * $pct / 100.0, $in);

            return [
                'share_pct' => $pct, 'light' => $mixtures['light']->lab($in, $amounts), 'dark' => $mixtures['dark']->lab($in, $amounts),
                'here' => $mixtures['here']->lab($in, $amounts),
            ];
        }, self::RUNGS);
    }
}
